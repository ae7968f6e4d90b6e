import { expect, it } from "vitest";
import { answers } from "./names";

it("a name in a list is found by any part of it, with slips of the fingers forgiven, as typed before nearly so", () => {
  const list = ["Papaya, ripe", "Rice, dry", "Avocado fruit (of the table)", "Crème fraîche", "Beef mince, 10 %"];
  const found = (typed: string) =>
    list
      .map((name) => [name, answers(typed, name)] as const)
      .filter(([, how]) => how !== null)
      .toSorted(([, a], [, b]) => a! - b!)
      .map(([name]) => name);
  expect(found("avacado")).toEqual(["Avocado fruit (of the table)"]);
  expect(found("rice")).toEqual(["Rice, dry", "Papaya, ripe"]);
  expect(found("creme")).toEqual(["Crème fraîche"]);
  expect(found("mince beff")).toEqual(["Beef mince, 10 %"]);
  expect(found("dry rcie")).toEqual(["Rice, dry"]);
  expect(found("quinoa")).toEqual([]);
  expect(found("")).toEqual(list);
});
