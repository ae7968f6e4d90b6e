import { Answers, type Asking } from "@/compute/queries";
import { mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import { demoLog, rowerId } from "@/demo/demoLog";
import { describe, expect, it } from "vitest";

const today = "2026-06-11";
const log = demoLog(mustDay(today));
let next = 0;
const answers = new Answers(log, () => `new${next++}`);
const rower: Asking = { personId: rowerId, today };

describe("distance and energy agree with the contract", () => {
  const person = (
    contract(log, mustDay(today)) as {
      people: {
        personId: string;
        weight: { trend: { date: string; kg: number; filteredKg: number }[]; weekly: { medianKg: number }[] };
        lifts: { exerciseId: string; best: { e1rmKg: number } | null }[];
        distance: object[];
        energy: { formula: { kcal: number }; targets: { training: { kcal: number } } };
      }[];
    }
  ).people.find(({ personId }) => personId === rowerId)!;
  it("distance and energy", () => {
    expect(answers.answer("distance", { ...rower, days: null })!.totals.map(({ metres }) => metres)).toEqual(
      (person.distance as { metres: number }[]).map(({ metres }) => metres),
    );
    const energy = answers.answer("energy", rower)!;
    expect("kcal" in energy.expenditure && energy.expenditure.kcal).toBeCloseTo(person.energy.formula.kcal, 5);
    expect("kcal" in energy.targets.training && energy.targets.training.kcal).toBeCloseTo(
      person.energy.targets.training.kcal,
      5,
    );
    expect(energy.range!.low).toBeLessThan(energy.range!.high);
  });
});
