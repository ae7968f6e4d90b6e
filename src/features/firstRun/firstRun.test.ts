import { kinds } from "@/core/log/kinds/all";
import type { Person } from "@/core/log/kinds/people";
import type { RecordKind } from "@/core/log/records";
import { starterExercises } from "@/core/strength/starterExercises";
import { describe, expect, it } from "vitest";
import { firstForm } from "@/core/profile/forms";
import { profileFields, withProfile } from "@/core/profile/profile";
import { filled, metric, whyNot } from "../../../tests/filled";
import { firstChange } from "./firstChange";

const fields = {
  ...profileFields(null),
  startKg: "160,2",
  startDate: "2026-06-11",
  targetKg: "150",
  deadline: "2026-10-01",
  why: " the class ",
  mass: "lb" as const,
  heightCm: "171",
  birthDate: "1994-03-09",
};

describe("the first run", () => {
  it("writes sound records only: the person, the first weigh-in, the goal, exercises and foods", () => {
    const change = firstChange(filled(firstForm, metric, fields));
    const counts = new Map<RecordKind, number>();
    for (const step of change) {
      if ("remove" in step) throw new Error("nothing is removed");
      expect(kinds[step.kind].schema.safeParse(step.put).success).toBe(true);
      counts.set(step.kind, (counts.get(step.kind) ?? 0) + 1);
    }
    expect(Object.fromEntries(counts)).toMatchObject({
      people: 1,
      weighIns: 1,
      goals: 1,
      exercises: starterExercises.length,
      foods: 30,
    });
    const goal = change.find((step) => "put" in step && step.kind === "goals") as {
      put: { startKg: number; why: string };
    };
    expect(goal.put.startKg).toBeCloseTo(72.6655, 4);
    expect(goal.put.why).toBe("the class");
  });
  it("says what of it is none, each in its place", () => {
    const nonsense = {
      startKg: "heavy",
      startDate: "2026-06-12",
      targetKg: "5000",
      deadline: "2026-06-12",
      heightCm: "71",
    };
    expect(whyNot(firstForm, metric, { ...fields, ...nonsense, birthDate: "2030-01-01" })).toEqual({
      startKg: "Write a number, with a point or a comma.",
      startDate: "The start cannot be in the future.",
      targetKg: "Goal weight must be from 22.05 to 992.08 lb.",
      deadline: "The goal's date lies after the start.",
      heightCm: "Is 71 inches? Write 71 in, or the height in cm.",
      birthDate: "Birth date cannot be in the future.",
    });
    // Without a goal, its day is not asked for.
    expect(whyNot(firstForm, metric, { ...fields, targetKg: "", deadline: "soon" })).toEqual({});
  });
  it("writes no weigh-in and no goal that was not given", () => {
    const kinds = firstChange(filled(firstForm, metric, { ...fields, startKg: "", targetKg: "150" })).map((step) =>
      "put" in step ? step.kind : "",
    );
    expect(kinds).not.toContain("weighIns");
    expect(kinds).not.toContain("goals");
  });
});

describe("the profile", () => {
  it("keeps what the form does not show, and takes out what was emptied", () => {
    const person = {
      id: "p",
      name: "A",
      heightCm: 170,
      birthDate: "1990-01-01",
      units: { mass: "lb", future: 1 },
      settings: { countWarmUps: true },
      unknown: "kept",
    } as unknown as Person;
    const next = withProfile(person, { name: "B", heightCm: null, sex: "male" }, new Set(["name", "heightCm"]));
    expect(next).toMatchObject({
      name: "B",
      birthDate: "1990-01-01",
      units: { mass: "lb", future: 1 },
      settings: { countWarmUps: true },
      unknown: "kept",
    });
    expect(next).not.toHaveProperty("heightCm");
    expect(next).not.toHaveProperty("sex");
  });
});
