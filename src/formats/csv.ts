import Papa from "papaparse";

/**
 * What a spreadsheet takes for a formula when a text begins with it, after any blanks; a line break or a tab in front
 * is one as well.
 * Source: OWASP, CSV Injection. The wide forms of the signs are taken for the narrow ones by some.
 */
const formula = /^[\s\u0000-\u001f\ufeff]*[=+\-@\uff1d\uff0b\uff0d\uff20]/u;

/**
 * Rows as comma-separated values (RFC 4180). A text that a spreadsheet would take for a formula gets an apostrophe in
 * front; numbers stay numbers, whatever their sign.
 */
export function csv(rows: readonly (readonly (string | number | null)[])[]): string {
  return rows.length === 0
    ? ""
    : `${Papa.unparse(rows as (string | number | null)[][], { newline: "\r\n", escapeFormulae: formula })}\r\n`;
}
