import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sumOf, sumTyped } from "./sums";

describe("a small sum in a field of figures", () => {
  it.each([
    ["3*55", "165"],
    ["3 × 55", "165"],
    ["2 × 27,5 + 5 kg", "60 kg"],
    ["100 - 7.5", "92.5"],
    ["100 − 7.5", "92.5"],
    ["(20 + 5) * 2", "50"],
    ["2*(20+5)", "50"],
    ["20 + 5 * 2", "30"],
    ["-5 + 20", "15"],
    ["90/7", "12.8571"],
    ["30*55", "1650"],
    ["5 - 7", "-2"],
    ["-5 + 20 - (3 + 2)", "10"],
    ["1,5 ÷ 2", "0,75"],
    ["12 + 8 %", "20 %"],
  ])("%s is %s", (text, result) => {
    expect(sumTyped(text)).toBe(result);
  });
  it.each([
    "",
    "165",
    "72,5",
    "-3",
    "+20",
    "72 kg",
    "3x55",
    "5/0",
    "(3+4",
    "3+4)",
    "3*",
    "3**4",
    // A range, or a date.
    "8-9",
    "100-7.5",
    "8 -9",
    "8–12 reps",
    "11-6",
    "5'11",
    "33:10",
    "99999*99999",
    "a+b",
    "1.2.3+1",
  ])("%s is none, and stays as it was typed", (text) => {
    expect(sumTyped(text)).toBeNull();
  });
  it("is whole where four decimals hold it: a third is kept as it was typed", () => {
    expect(sumOf("3*55 g")).toEqual({ value: 165, unit: "g", typed: "165 g", isWhole: true });
    expect(sumOf("1/3")).toEqual({ value: 1 / 3, unit: "", typed: "0.3333", isWhole: false });
  });
  it("comes to what the language itself makes of it", () => {
    const sign = fc.constantFrom("+", "-", "*", "/");
    const sum = fc
      .tuple(
        fc.integer({ min: 0, max: 60 }),
        fc.array(fc.tuple(sign, fc.integer({ min: 1, max: 60 })), { minLength: 1, maxLength: 4 }),
      )
      .map(([first, rest]) => `${first}${rest.map(([mark, number]) => ` ${mark} ${number}`).join("")}`);
    fc.assert(
      fc.property(sum, (text) => {
        // The language's own arithmetic is the reference here; nothing but figures and marks is in the text.
        const expected = Function(`return ${text}`)() as number;
        expect(Number(sumTyped(text))).toBeCloseTo(expected, 3);
      }),
    );
  });
});
