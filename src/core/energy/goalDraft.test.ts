import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { dateOf, mustDay } from "../base/calendar/day";
import { Printer, unitsOf } from "../base/units/printer";
import type { Goal } from "../log/kinds/goals";
import { filled, imperial as pounds, metric as kilograms, whyNot } from "../../../tests/filled";
import { type GoalDraft, goalForm } from "./forms";
import { carriedOver, draftOfGoal, goalAsked, goalWithChanged } from "./goalDraft";
import type { GoalPreview } from "./goalPreview";

const today = "2026-06-11";
const printers = (["kg", "lb"] as const).map(
  (mass) => new Printer(unitsOf({ mass, distance: "km", energy: mass === "kg" ? "kcal" : "kJ" })),
);
const [metric, imperial] = printers as [Printer, Printer];
const goal: Goal = {
  id: "g",
  personId: "p",
  of: "weight",
  startDate: "2026-03-05",
  startKg: 75.3,
  targetKg: 71,
  limit: true,
  by: { date: "2026-08-13" },
  milestonesKg: [74, 72.5],
  why: "the regatta",
};
const draft = draftOfGoal(goal, today, metric);
const askedOf = (fields: GoalDraft, printer: Printer, base: Goal | { id: string; personId: string }) =>
  goalAsked(filled(goalForm, printer === imperial ? pounds : kilograms, fields), printer, base);
const wrong = (changed: Partial<GoalDraft>) => whyNot(goalForm, kilograms, { ...draft, ...changed });

describe("a goal as it is typed", () => {
  it("begins today and empty, and with what stands in a goal that is changed", () => {
    expect(draftOfGoal(null, today, metric)).toMatchObject({
      startDate: today,
      startKg: "",
      by: "date",
      milestones: "",
    });
    expect(draft).toMatchObject({ startKg: "75.3", targetKg: "71.0", by: "limit", date: "2026-08-13", rate: "" });
    expect(draftOfGoal({ ...goal, by: { rateKgPerWeek: -0.4 } }, today, imperial)).toMatchObject({
      by: "rate",
      rate: "0.88",
    });
  });
  it("asks nothing while a date in it is none", () => {
    expect(wrong({})).toEqual({});
    for (const changed of [{ startDate: "" }, { startDate: "some day" }, { date: "" }, { date: "3 Ma" }])
      expect(Object.keys(wrong(changed))).toEqual(Object.keys(changed));
    // A date that the way does not ask for may be anything.
    expect(wrong({ by: "rate", rate: "0.4", date: "3 Ma" })).toEqual({});
  });
  it("gives back the goal it was made of, to the last digit, in either unit", () => {
    const weight = fc.double({ min: 40, max: 150, noNaN: true });
    const by = fc.oneof(
      fc.integer({ min: 20, max: 400 }).map((days) => ({ date: dateOf(mustDay("2026-03-05") + days) })),
      fc.constant({ date: "2026-09-01" }),
    );
    fc.assert(
      fc.property(
        weight,
        weight,
        by,
        fc.boolean(),
        fc.constantFrom(...printers),
        (startKg, targetKg, until, limit, printer) => {
          const { limit: _limit, milestonesKg: _own, ...rest } = goal;
          const made = { ...rest, startKg, targetKg, by: until, ...(limit ? { limit } : {}) };
          expect(askedOf(draftOfGoal(made, today, printer), printer, made)).toEqual({ goal: made, kcal: null });
        },
      ),
    );
  });
  it("asks nothing while something that its way of setting needs is missing", () => {
    const missing: Partial<GoalDraft>[] = [
      { startKg: "" },
      { targetKg: "heavy" },
      { startDate: "" },
      { date: "" },
      { milestones: "74 and 73" },
      { by: "rate" },
      { by: "intake" },
    ];
    for (const one of missing) expect(wrong(one), JSON.stringify(one)).not.toEqual({});
    expect(wrong({ by: "rate", rate: "0.5", date: "" })).toEqual({});
  });
  it("goes the way of the goal: a rate is typed without a sign", () => {
    const asked = (targetKg: string) => askedOf({ ...draft, by: "rate", rate: "0.5", targetKg }, metric, goal).goal;
    expect([asked("70").by, asked("80").by]).toEqual([{ rateKgPerWeek: -0.5 }, { rateKgPerWeek: 0.5 }]);
    expect(asked("70")).not.toHaveProperty("limit");
  });
  it("reads energy in the trainee's unit", () => {
    const asked = askedOf({ ...draft, by: "intake", intake: "9000" }, imperial, goal);
    expect(asked.kcal).toBeCloseTo(9000 / 4.184, 6);
  });
  it("takes own milestones with blanks or semicolons between", () => {
    const milestones = (text: string) => filled(goalForm, kilograms, { ...draft, milestones: text }).milestones;
    expect([milestones("74 72.5"), milestones("74; 72,5"), milestones("")]).toEqual([[74, 72.5], [74, 72.5], []]);
    for (const text of ["74 -1", "74 soon"]) expect(wrong({ milestones: text })).toHaveProperty("milestones");
  });
});

describe("another way of setting it", () => {
  const shown = {
    line: { deadline: mustDay("2026-08-13"), kgPerWeek: -0.45 },
    targetKcal: 2100.4,
  } as unknown as GoalPreview;
  const over = (by: GoalDraft["by"], more: Partial<GoalDraft> = {}) =>
    carriedOver({ by, date: "", rate: "", intake: "", ...more }, shown, metric.units);
  it("begins from what the last way came to", () => {
    expect([over("date"), over("limit"), over("rate"), over("intake")]).toEqual([
      ["date", "2026-08-13"],
      ["date", "2026-08-13"],
      ["rate", "0.45"],
      ["intake", "2100"],
    ]);
  });
  it("leaves what is typed already, and fills nothing where nothing is known", () => {
    expect([
      over("date", { date: "2026-09-01" }),
      over("rate", { rate: "0.2" }),
      over("intake", { intake: "2000" }),
    ]).toEqual([null, null, null]);
    expect(carriedOver({ by: "date", date: "", rate: "", intake: "" }, null, metric.units)).toBeNull();
    expect(
      carriedOver(
        { by: "intake", date: "", rate: "", intake: "" },
        { ...shown, targetKcal: null } as GoalPreview,
        metric.units,
      ),
    ).toBeNull();
    expect(
      carriedOver({ by: "date", date: "", rate: "", intake: "" }, { reason: "no" } as GoalPreview, metric.units),
    ).toBeNull();
  });
});

describe("a goal that is changed", () => {
  const written: Goal = { ...goal, targetKg: 70, why: undefined, by: { rateKgPerWeek: -0.3 }, limit: undefined };
  it("takes the parts whose fields were changed, and leaves what another tab has written since", () => {
    expect(goalWithChanged(goal, written, new Set(["targetKg"]))).toEqual({ ...goal, targetKg: 70 });
    expect(goalWithChanged(goal, written, new Set())).toEqual(goal);
  });
  it("loses what was emptied, and its limit with another way of setting it", () => {
    const changed = goalWithChanged(goal, written, new Set(["by", "why"]));
    expect(changed).not.toHaveProperty("why");
    expect(changed).not.toHaveProperty("limit");
    expect(changed.by).toEqual({ rateKgPerWeek: -0.3 });
  });
});
