/** What is used of the package, which names no types where they are looked for. */
declare module "tinykeys" {
  /** Listens for keys such as `w`, `Shift+?` or `$mod+z`; returns what ends it. */
  export function tinykeys(target: Window, keys: Record<string, (event: KeyboardEvent) => void>): () => void;
}
