import { describe, expect, it } from "vitest";
import { smallAsOf, weighedFrom } from "../../../tests/smallLog";
import { printTurn, turnTyped } from "./dayKindTyped";
import { dayKind, dayKindsOf, targetFor, targetOn } from "./expenditure";
import { energyOf } from "./slice";

const people = [{ id: "p", name: "Ana", sex: "female", birthDate: "1996-06-01", heightCm: 165 }];
const context = { today: "2026-06-10", order: "dmy" as const };

describe("when a kind of day is, as it is typed", () => {
  it("is weekdays, every so many days, all others, or only said", () => {
    expect(turnTyped("Thursdays and mon", context)).toMatchObject({ weekdays: [1, 4], everyDays: null });
    expect(turnTyped("every 3 days from 1 Dec 2026", context)).toMatchObject({ everyDays: 3, firstDate: "2026-12-01" });
    expect(turnTyped("every second day", context)).toMatchObject({ everyDays: 2, firstDate: "2026-06-10" });
    expect(turnTyped("all other days", context)).toMatchObject({ everyDays: 1, firstDate: null });
    expect(turnTyped(" ", context)).toEqual({ weekdays: null, everyDays: null, firstDate: null });
    expect(turnTyped("whenever", context)).toMatch(/^Write weekdays/);
    expect(turnTyped("every 400 days", context)).toMatch(/1 to 366/);
    for (const text of ["Mon, Thu", "every 3 days from 1 Dec 2026", "all other days", ""]) {
      const turn = turnTyped(text, context);
      expect(typeof turn === "string" ? turn : printTurn(turn)).toBe(text);
    }
  });
});

describe("the kind of a day", () => {
  const records = {
    people,
    weighIns: weighedFrom("2026-06-01", ...Array.from({ length: 14 }, () => 60)),
    energySettings: [
      {
        from: "2026-06-01",
        activityFactor: 1.5,
        targets: { training: { kcal: 2400 }, rest: { kcal: 2000, protein: 100 } },
        dayKinds: [
          { name: "high", everyDays: 3, firstDate: "2026-06-03", targets: { kcal: 2800 } },
          { name: "low", weekdays: [5], targets: { kcal: 1600, protein: { gramsPerKg: 2 } } },
          { name: "fast", targets: { kcal: 600 } },
        ],
      },
    ],
    sessions: [{ date: "2026-06-08", kind: "run", status: "planned" }],
    dayNotes: [
      { date: "2026-06-10", dayKind: "fast" },
      { date: "2026-06-11", dayKind: "gone" },
      { date: "2026-06-12", activity: "training" },
    ],
  };
  it("is what was said of it, else the first of one's own whose turn it is, else training or rest", () => {
    const asOf = smallAsOf("2026-06-14", records);
    const kinds = Array.from({ length: 12 }, (_, at) => dayKind(asOf, asOf.on - 12 + at));
    // 2 to 13 June: the 3rd, 6th, 9th and 12th have their turn; the 5th and 12th are Fridays; the 8th has a session.
    expect(kinds).toEqual([
      "rest", "high", "rest", "low", "high", "rest", "training", "high", "fast", "rest", "training", "rest",
    ]); // prettier-ignore
  });
  it("may be the trainee's own way of a training or rest day, once each", () => {
    const own = { name: "rest", weekdays: [7], targets: { kcal: 1900 } };
    const asOf = smallAsOf("2026-06-14", {
      ...records,
      energySettings: [{ ...records.energySettings[0], dayKinds: [own] }],
    });
    expect(dayKindsOf(energyOf(asOf).settingsOn(asOf.on))).toEqual(["training", "rest"]);
    // The 14th is a Sunday; what is said of rest days among one's own kinds comes before what is said of them beside.
    expect(targetOn(asOf, asOf.on)).toMatchObject({ kind: "rest", kcal: 1900 });
    expect(targetFor(asOf, "training", asOf.on)).toMatchObject({ kcal: 2400 });
  });
  it("decides the day's target", () => {
    const asOf = smallAsOf("2026-06-14", records);
    const of = (back: number) => targetOn(asOf, asOf.on - back);
    expect(of(11)).toMatchObject({ kind: "high", kcal: 2800, asked: { protein: null } });
    expect(of(9)).toMatchObject({ kind: "low", kcal: 1600, asked: { protein: { grams: 120, meant: "atLeast" } } });
    expect(of(4)).toMatchObject({ kind: "fast", kcal: 600 });
    expect(of(10)).toMatchObject({ kind: "rest", kcal: 2000, asked: { protein: { grams: 100 } } });
  });
});
