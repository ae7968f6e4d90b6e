/** Which way a bound is meant, as it is written in front of it: `at least 30`, `at most 45`. */
const fronts = [
  ["atLeast", /^(?:at\s+)?least\s+/i],
  ["atMost", /^(?:at\s+)?most\s+/i],
] as const;

/** Takes `at least` or `at most` off the front of a text. @returns which of them stood there, or null; and what follows */
export function boundTyped(text: string): ["atLeast" | "atMost" | null, string] {
  const found = fronts.find(([, pattern]) => pattern.test(text));
  return found === undefined ? [null, text] : [found[0], text.replace(found[1], "")];
}

/** The ends of a range as it is written: `30 to 45`, `30–45`, `30-45`; one where it is none. */
export function endsTyped(text: string): string[] {
  return text.split(/\s+to\s+|\s*–\s*|(?<=\d)\s*-\s*/i);
}
