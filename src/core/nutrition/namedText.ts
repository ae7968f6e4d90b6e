/** Names, each with a figure behind it, as they are typed and read: in quotes where a comma would part them. */
export function namedText(figures: readonly (readonly [string, string])[]): string {
  return figures
    .map(([name, figure]) => `${/[,;"]/.test(name) ? `"${name.replaceAll('"', "”")}"` : name} ${figure}`)
    .join(", ");
}
