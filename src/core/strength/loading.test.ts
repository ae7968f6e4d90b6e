import { describe, expect, it } from "vitest";
import { fromKg, toKg } from "../base/units/mass";
import { loadStep, madeIn } from "./loading";
import { ironText } from "./setText";
import { starterExercises, starterExercisesIn } from "./starterExercises";

describe("bars and plates after a change of units", () => {
  it("are named in the unit they are made in", () => {
    expect([20, 25, 1.25, 8].map((kg) => [madeIn(kg, "kg"), madeIn(kg, "lb"), ironText(kg, "lb")])).toEqual(
      [20, 25, 1.25, 8].map((kg) => ["kg", "kg", `${kg} kg`]),
    );
    expect(
      [45, 2.5].map((lb) => toKg(lb, "lb")).map((kg) => [madeIn(kg, "kg"), ironText(kg, "lb"), ironText(kg, "kg")]),
    ).toEqual([
      ["lb", "45", "45 lb"],
      ["lb", "2.5", "2.5 lb"],
    ]);
    // What is round in neither is named in the trainee's.
    expect([ironText(17.37, "kg"), ironText(17.37, "lb")]).toEqual(["17.37", "38.29"]);
  });
});

describe("the step of a load", () => {
  it("is the exercise's own in the unit it was written in, and the nearest usual one after the trainee changed units", () => {
    const step = (incrementKg: number | null, unit: "kg" | "lb") =>
      Math.round(fromKg(loadStep({ id: "a", name: "A", incrementKg }, unit), unit) * 1e6) / 1e6;
    expect([step(2.5, "kg"), step(2.5, "lb"), step(2, "lb"), step(4, "lb"), step(5, "lb"), step(1, "lb")]).toEqual([
      2.5, 5, 5, 10, 10, 2.5,
    ]);
    expect([
      step(toKg(5, "lb"), "lb"),
      step(toKg(5, "lb"), "kg"),
      step(toKg(10, "lb"), "kg"),
      step(toKg(2.5, "lb"), "kg"),
    ]).toEqual([5, 2.5, 5, 1.25]);
    expect([step(null, "kg"), step(null, "lb")]).toEqual([2.5, 5]);
    // One that is round in neither was meant so.
    expect(loadStep({ id: "a", name: "A", incrementKg: 1.23 }, "lb")).toBe(1.23);
  });
  it("of the shipped exercises is the same in pounds, whether they were shipped so or the unit was changed later", () => {
    const shipped = new Map(starterExercisesIn("lb").map((exercise) => [exercise.id, exercise]));
    const differ = starterExercises
      .filter((exercise) => Math.abs(loadStep(exercise, "lb") - loadStep(shipped.get(exercise.id)!, "lb")) > 1e-6)
      .map(({ name }) => name);
    expect(differ).toEqual([]);
  });
});
