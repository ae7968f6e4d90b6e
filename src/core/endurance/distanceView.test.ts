import { describe, expect, it } from "vitest";
import { demoAnswers, rowerContract } from "../../../tests/demoAnswers";

const { today, log, answers, rower } = demoAnswers();

describe("distance and energy agree with the contract", () => {
  const person = rowerContract(log, today);
  it("distance and energy", () => {
    expect(answers.answer("distance", { ...rower, days: null })!.totals.map(({ metres }) => metres)).toEqual(
      (person.distance as { metres: number }[]).map(({ metres }) => metres),
    );
    const energy = answers.answer("energy", rower)!;
    expect("kcal" in energy.expenditure && energy.expenditure.kcal).toBeCloseTo(person.energy.formula.kcal, 5);
    const training = energy.kinds[0]!.target;
    expect("kcal" in training && training.kcal).toBeCloseTo(person.energy.targets.training.kcal, 5);
    expect(energy.range!.low).toBeLessThan(energy.range!.high);
  });
});
