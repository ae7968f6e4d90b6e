import { expect, it } from "vitest";
import { byWord } from "./byWord";

it("a table by words holds its own and nothing else", () => {
  const table = byWord({ a: 1 });
  expect(["a", "constructor", "toString", "__proto__", "hasOwnProperty"].map((word) => table[word])).toEqual([
    1,
    undefined,
    undefined,
    undefined,
    undefined,
  ]);
  table["__proto__"] = 2;
  expect(Object.entries(table)).toEqual([
    ["a", 1],
    ["__proto__", 2],
  ]);
  expect(({} as Record<string, unknown>).a).toBeUndefined();
});
