import { kinds } from "@/core/log/kinds/all";
import type { Person } from "@/core/log/kinds/people";
import type { RecordKind } from "@/core/log/records";
import { starterExercises } from "@/core/strength/starterExercises";
import { describe, expect, it } from "vitest";
import { personOf, profileFields } from "../../ui/profile/profile";
import { firstChange } from "./firstChange";

const fields = {
  ...profileFields(null),
  startKg: "160,2",
  startDate: "2026-06-11",
  targetKg: "150",
  deadline: "2026-10-01",
  why: " the class ",
  mass: "lb",
  heightCm: "171",
  birthDate: "1994-03-09",
};

describe("the first run", () => {
  it("writes sound records only: the person, the first weigh-in, the goal, exercises and foods", () => {
    const change = firstChange(fields);
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
  it("writes no weigh-in and no goal that was not given", () => {
    const kinds = firstChange({ ...fields, startKg: "", targetKg: "150" }).map((step) =>
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
    const next = personOf({ ...profileFields(person), heightCm: "", name: " B " }, person);
    expect(next).toMatchObject({
      name: "B",
      birthDate: "1990-01-01",
      units: { mass: "lb", future: 1 },
      settings: { countWarmUps: true, e1rmFormula: "mean" },
      unknown: "kept",
    });
    expect(next).not.toHaveProperty("heightCm");
  });
});
