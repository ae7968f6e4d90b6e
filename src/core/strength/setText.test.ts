import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { KG_PER_LB } from "../base/units/mass";
import { metricUnits, Printer } from "../base/units/printer";
import type { Exercise } from "../log/kinds/exercises";
import type { TrainingSet } from "../log/kinds/sessions";
import { describeSets } from "./describe";
import {
  loadField,
  plannedLoadField,
  plannedRepsField,
  readPlannedSets,
  readSet,
  repsField,
  stepLoad,
} from "./setText";

const press: Exercise = { id: "press", name: "Press", measure: "load-reps" };
const chin: Exercise = { id: "chin", name: "Chin", measure: "bodyweight-reps" };
const plank: Exercise = { id: "plank", name: "Plank", measure: "duration" };
const walk: Exercise = { id: "walk", name: "Walk", measure: "distance" };

describe("a set as it is written", () => {
  it("reps and load, in the unit said or the trainee's own", () => {
    expect(readSet("6", "80", "8,5", press, "kg")).toEqual({ reps: 6, kg: 80, rpe: 8.5 });
    expect(readSet("5", "225 lb", "", press, "kg")).toEqual({ reps: 5, kg: 225 * KG_PER_LB });
    expect(readSet("5", "225", "", press, "lb")).toEqual({ reps: 5, kg: 225 * KG_PER_LB });
    expect(readSet("6f", "80", "10", press, "kg")).toEqual({ reps: 6, kg: 80, rpe: 10, failed: true });
    expect(readSet("0 failed", "110", "", press, "kg")).toEqual({ reps: 0, kg: 110, failed: true });
    expect(readSet("5", "100", "2 rir", press, "kg")).toMatchObject({ rpe: 8 });
    expect(readSet("5", "100", "rir 1,5", press, "kg")).toMatchObject({ rpe: 8.5 });
  });
  it("drop and cluster sets, bodyweight, times and metres", () => {
    expect(readSet("8+6+5", "60+50+40", "", press, "kg")).toEqual({
      reps: 8,
      kg: 60,
      parts: [
        { reps: 6, kg: 50 },
        { reps: 5, kg: 40 },
      ],
    });
    expect(readSet("8+6", "60+40 lb", "", press, "kg")).toEqual({
      reps: 8,
      kg: 60 * KG_PER_LB,
      parts: [{ reps: 6, kg: 40 * KG_PER_LB }],
    });
    expect(readSet("4+2+2", "90", "", press, "kg")).toEqual({ reps: 4, kg: 90, parts: [{ reps: 2 }, { reps: 2 }] });
    for (const load of ["", "bw", "+0"]) expect(readSet("6", load, "", chin, "kg")).toEqual({ reps: 6, kg: 0 });
    for (const load of ["+10", "bw+10", "bodyweight + 10 kg"])
      expect(readSet("6", load, "", chin, "kg")).toEqual({ reps: 6, kg: 10 });
    expect(readSet("1:30", "", "", plank, "kg")).toEqual({ seconds: 90 });
    expect(readSet("40 s", "10", "", plank, "kg")).toEqual({ seconds: 40, kg: 10 });
    expect(readSet("50 m", "24", "", walk, "kg")).toEqual({ metres: 50, kg: 24 });
  });
  it("says what is wrong and where", () => {
    for (const [reps, load, rpe, what] of [
      ["x", "80", "", '"x" is no number of repetitions.'],
      ["-3", "80", "", "no number"],
      ["2.5", "80", "", "no number"],
      ["5", "", "", "The load is missing"],
      ["5", "heavy", "", '"heavy" is no load.'],
      ["5", "99999", "", "no load"],
      ["5", "80", "11", "no effort"],
      ["5", "80", "12 rir", "no effort"],
      ["5+4", "80+60+40", "", "3 loads do not fit 2 parts."],
    ] as const) {
      expect(readSet(reps, load, rpe, press, "kg")).toContain(what);
    }
    expect(readSet("soon", "", "", plank, "kg")).toBe('"soon" is no time.');
    expect(readSet("0", "", "", walk, "kg")).toContain("metres");
    expect(readSet("0", "100", "", press, "kg")).toContain("Write 0f");
  });
  it("comes back as it was read, in kilograms and in pounds", () => {
    const anyDone = fc.record({
      reps: fc.integer({ min: 1, max: 60 }),
      steps: fc.integer({ min: 0, max: 200 }),
      failed: fc.boolean(),
      parts: fc.array(fc.record({ reps: fc.integer({ min: 0, max: 20 }), steps: fc.integer({ min: 0, max: 100 }) }), {
        maxLength: 3,
      }),
    });
    fc.assert(
      fc.property(anyDone, fc.constantFrom("kg" as const, "lb" as const), ({ reps, steps, failed, parts }, unit) => {
        const kg = (count: number) => (unit === "lb" ? count * 2.5 * KG_PER_LB : count * 1.25);
        const done = {
          reps,
          kg: kg(steps),
          ...(failed ? { failed } : {}),
          ...(parts.length > 0 ? { parts: parts.map((part) => ({ reps: part.reps, kg: kg(part.steps) })) } : {}),
        };
        const read = readSet(repsField(done), loadField(done, unit), "", press, unit) as NonNullable<
          TrainingSet["done"]
        >;
        expect(read).toMatchObject({ reps, kg: done.kg });
        expect((read.parts ?? []).map((part) => [part.reps, part.kg ?? read.kg])).toEqual(
          parts.map((part) => [part.reps, kg(part.steps)]),
        );
        expect(read.failed ?? false).toBe(failed);
      }),
    );
  });
});

describe("a planned set as it is written", () => {
  const one = (reps: string, load: string, rpe: string) => {
    const read = readPlannedSets(null, reps, load, rpe, press, "kg");
    return typeof read === "string" || read.length !== 1 ? read : read[0]!;
  };
  it("a load, a share, an effort, a range, as many as possible", () => {
    expect(one("5", "100", "")).toEqual({ reps: 5, kg: 100 });
    expect(one("5+", "77,5 %", "")).toEqual({ reps: 5, percent: 0.775, asManyAsPossible: true });
    expect(one("5 or more", "80", "")).toEqual({ reps: 5, kg: 80, asManyAsPossible: true });
    expect(one("6", "", "8")).toEqual({ reps: 6, rpe: 8 });
    expect(one("6", "", "2 rir")).toEqual({ reps: 6, rpe: 8 });
    expect(one("max", "60", "")).toEqual({ kg: 60, asManyAsPossible: true });
    for (const range of ["8-12", "8–12", "8 to 12", "8 - 12"])
      expect(one(range, "60", "")).toEqual({ reps: 8, repsTo: 12, kg: 60 });
    for (const planned of [
      { reps: 5, kg: 100 },
      { reps: 5, percent: 0.775, asManyAsPossible: true },
      { reps: 6, rpe: 8 },
      { kg: 60, asManyAsPossible: true },
      { reps: 8, repsTo: 12, percent: 0.7 },
    ]) {
      expect(
        one(plannedRepsField(planned), plannedLoadField(planned, "kg"), "rpe" in planned ? String(planned.rpe) : ""),
      ).toEqual(planned);
    }
  });
  it("what no plan can say is refused", () => {
    expect(one("5", "300 %", "")).toContain("share of a maximum");
    expect(one("12-8", "60", "")).toContain("no range");
    expect(one("6+3", "60", "")).toContain("is for a set that is done");
    expect(one("6 + 3", "60", "")).toContain("is for a set that is done");
    expect(one("6f", "60", "")).toContain("is for a set that is done");
  });
  it("lists what differs from set to set, and refuses what does not fit", () => {
    const wave = [
      { reps: 5, percent: 0.75 },
      { reps: 3, percent: 0.85 },
      { reps: 1, percent: 0.95, asManyAsPossible: true },
    ];
    for (const [reps, loads] of [
      ["5 3 1+", "75 85 95 %"],
      ["5, 3, 1+", "75% 85% 95%"],
      ["5/3/1 +", "75 % / 85 % / 95 %"],
      ["5,3,1 or more", "75; 85; 95%"],
    ] as const)
      expect(readPlannedSets(null, reps, loads, "", press, "kg")).toEqual(wave);
    expect(readPlannedSets(3, "5", "72,5 75 77.5", "", press, "kg")).toEqual(
      [72.5, 75, 77.5].map((kg) => ({ reps: 5, kg })),
    );
    expect(readPlannedSets(null, "5", "200 225 lb", "", press, "kg")).toEqual(
      [200, 225].map((lb) => ({ reps: 5, kg: lb * KG_PER_LB })),
    );
    expect(readPlannedSets(3, "8-12", "60", "", press, "kg")).toEqual(
      Array.from({ length: 3 }, () => ({ reps: 8, repsTo: 12, kg: 60 })),
    );
    expect(readPlannedSets(null, "5", "", "rir 3 2 1", press, "kg")).toEqual(
      [7, 8, 9].map((rpe) => ({ reps: 5, rpe })),
    );
    expect(readPlannedSets(null, "5 5 max", "60", "", press, "kg")).toEqual([
      { reps: 5, kg: 60 },
      { reps: 5, kg: 60 },
      { kg: 60, asManyAsPossible: true },
    ]);
    expect(readPlannedSets(null, "5 3", "75 85 95 %", "", press, "kg")).toContain("which belongs to which");
    expect(readPlannedSets(4, "5 3 1", "80", "", press, "kg")).toContain("3 are listed, for 4 sets");
    expect(readPlannedSets(1, "30 s", "", "", { id: "plank", name: "Plank", measure: "duration" }, "kg")).toEqual([
      { seconds: 30 },
    ]);
  });
  it("reads in words", () => {
    const said = (sets: TrainingSet[], side: "planned" | "done") =>
      describeSets(sets, side, press, new Printer(metricUnits));
    expect(
      said(
        [
          { id: "1", planned: { reps: 5, percent: 0.75 } },
          { id: "2", planned: { reps: 5, percent: 0.75, asManyAsPossible: true } },
        ],
        "planned",
      ),
    ).toBe("5, 5 or more at 75 %");
    expect(
      said(
        [1, 2, 3].map((id) => ({ id: String(id), planned: { reps: 8, repsTo: 12, kg: 60 } })),
        "planned",
      ),
    ).toBe("3 × 8–12 at 60 kg");
    expect(
      said(
        [
          { id: "1", planned: { reps: 6, rpe: 8 } },
          { id: "2", planned: {} },
        ],
        "planned",
      ),
    ).toBe("1 × 6 at RPE 8");
    expect(
      said(
        [
          { id: "1", done: { reps: 8, kg: 60, parts: [{ reps: 6, kg: 40 }] } },
          { id: "2", done: { reps: 4, kg: 80, failed: true } },
        ],
        "done",
      ),
    ).toBe("1 × 8+6 at 60+40 kg; 1 × 4 (then missed) at 80 kg");
  });
});

describe("a load a step on", () => {
  it("is the next multiple of the step, never below nothing", () => {
    expect([
      stepLoad(100, 2.5, true),
      stepLoad(101, 2.5, true),
      stepLoad(101, 2.5, false),
      stepLoad(100, 2.5, false),
      stepLoad(0, 2.5, false),
    ]).toEqual([102.5, 102.5, 100, 97.5, 0]);
    expect(stepLoad(225 * KG_PER_LB, 5 * KG_PER_LB, true) / KG_PER_LB).toBeCloseTo(230, 9);
  });
});
