/**
 * A number as a trainee types it: a point or a comma for the decimals, any minus, spaces around it and behind its sign
 * ignored. No thousands marks, since
 * `1,234` and `1.234` are decimals somewhere. Null when it is not one number.
 * @example parseDecimal("71,4") // 71.4
 */
export function parseDecimal(text: string): number | null {
  const match = /^\s*([+\-−–]?)\s*(\d{1,9})(?:[.,](\d{0,9}))?\s*$/.exec(text);
  if (!match) return null;
  return Number(`${match[1]!.replace(/[−–]/, "-")}${match[2]}.${match[3] || "0"}`);
}

/**
 * A number with a fixed count of decimals and a true minus sign; thousands parted by a comma. `-0.0` prints as `0.0`.
 */
export function printNumber(value: number, decimals: number): string {
  const fixed = roundHalfUp(Math.abs(value), decimals);
  const [whole = "0", part] = fixed.split(".");
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, ",");
  const digits = part === undefined ? grouped : `${grouped}.${part}`;
  return value < 0 && /[1-9]/.test(digits) ? `−${digits}` : digits;
}

/** `printNumber` without idle zeros behind the point: `84.5`, `84`. */
export function printPlain(value: number, decimals: number): string {
  return printNumber(value, decimals).replace(/\.0+$|(\.\d*?)0+$/, "$1");
}

/** The same as it is typed in a field, where a comma is a decimal mark: `1500`, `-2.5`. */
export function printTyped(value: number, decimals: number): string {
  return printPlain(value, decimals).replaceAll(",", "").replace("−", "-");
}

/** `printNumber` with its sign always shown, for a change. */
export function printSigned(value: number, decimals: number): string {
  const text = printNumber(value, decimals);
  return value > 0 && /[1-9]/.test(text) ? `+${text}` : text;
}

/** A value rounded as it is printed, still a number. */
export function rounded(value: number, decimals: number): number {
  return Math.sign(value) * Number(roundHalfUp(Math.abs(value), decimals));
}

/** Rounds a value a hair above a half up although binary holds it a hair below, so that 0.1 lb steps print as typed. */
function roundHalfUp(value: number, decimals: number): string {
  return (value + value * 1e-12).toFixed(decimals);
}

/**
 * A count with its word: `1 day`, `2,290 days`. @param word the word for one; @param many for others, where it is not
 * the word with an s
 */
export function counted(count: number, word: string, many = `${word}s`): string {
  return `${printNumber(count, Number.isInteger(count) ? 0 : 1)} ${count === 1 ? word : many}`;
}
