import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Exercise } from "../log/kinds/exercises";
import type { Session } from "../log/kinds/sessions";
import { type CommonFormula, estimateMaximum, factorOf, formulaNames, maximumFactor } from "./e1rm";
import { liftsDone } from "./liftRun";
import { type LiftCourse, liftStanding, maximumInForce, withMaximum } from "./maximum";
import { type PerformedSet, performedSets } from "./sets";
import { intensitySums, workOf } from "./volume";

const squat: Exercise = {
  id: "squat",
  name: "Squat",
  group: "squat",
  measure: "load-reps",
  direct: ["quadriceps"],
  indirect: ["glutes", "quadriceps"],
};
const chin: Exercise = { id: "chin", name: "Chin-up", group: "pull", measure: "bodyweight-reps", bodyShare: 1 };
const assisted: Exercise = { id: "assisted", name: "Assisted dip", measure: "assisted-reps", bodyShare: 1 };
const split: Exercise = { id: "split", name: "Split squat", group: "squat", perSide: true };
const at80 = () => 80;
const choices: CommonFormula[] = [...formulaNames, "mean"];

let counter = 0;
function performed(
  exercise: Exercise,
  day: number,
  reps: number,
  typedKg: number,
  extra: Partial<PerformedSet> = {},
): PerformedSet {
  const id = String(counter++);
  const total =
    exercise.measure === "bodyweight-reps"
      ? 80 + typedKg
      : exercise.measure === "assisted-reps"
        ? 80 - typedKg
        : typedKg;
  return {
    sessionId: "s",
    itemId: "i",
    setId: id,
    exercise,
    day,
    reps,
    typedKg,
    totalKg: total,
    parts: [],
    rpe: null,
    failed: false,
    asManyAsPossible: false,
    warmUp: false,
    sides: exercise.perSide ? 2 : 1,
    ...extra,
  };
}

describe("estimated maximum", () => {
  it("is the load itself for a single at the limit", () => {
    for (const choice of choices) expect(estimateMaximum(factorOf[choice], 100, 1, 10)).toMatchObject({ kg: 100 });
  });
  it("never falls with one rep more and never jumps, under every formula", () => {
    fc.assert(
      fc.property(fc.constantFrom(...choices), fc.double({ min: 1, max: 19.9, noNaN: true }), (choice, reps) => {
        const [here, next] = [maximumFactor(choice, reps), maximumFactor(choice, reps + 0.1)];
        expect(next).toBeGreaterThan(here);
        expect(next - here).toBeLessThan(0.05);
      }),
    );
  });
  it("adds reps in reserve, and ignores an effort below 6", () => {
    expect(estimateMaximum(factorOf.epley, 100, 5, 8)).toEqual(estimateMaximum(factorOf.epley, 100, 7));
    expect(estimateMaximum(factorOf.epley, 100, 5, 8.5)).toMatchObject({ repsToFailure: 6.5 });
    expect(estimateMaximum(factorOf.epley, 100, 5, 5)).toEqual(estimateMaximum(factorOf.epley, 100, 5));
  });
  it("gives a reason instead of a number where it does not hold", () => {
    expect(estimateMaximum(factorOf.mean, 100, 0)).toHaveProperty("reason");
    expect(estimateMaximum(factorOf.mean, 0, 5)).toHaveProperty("reason");
    expect(estimateMaximum(factorOf.mean, 40, 18, 7)).toHaveProperty("reason");
    expect(estimateMaximum(factorOf.mean, 40, 13)).toMatchObject({ rough: true });
  });
  it("is computed on the total and quoted as added load", () => {
    const of = (exercise: Exercise) => {
      const session: Session = {
        id: "s",
        personId: "p",
        date: "2026-01-01",
        kind: "strength",
        status: "done",
        items: [{ id: "i", exerciseId: exercise.id, sets: [{ id: "1", done: { reps: 5, kg: 20 } }] }],
      };
      return withMaximum(
        liftsDone([1], () => [session], new Map([[exercise.id, exercise]]), at80).get(exercise.id)!,
        factorOf.epley,
        at80,
      ).e1rmKg[0];
    };
    expect(of(chin)).toBeCloseTo(36.6667, 3);
    expect(of(assisted)).toBeCloseTo(-10, 9);
  });
});

describe("best and latest", () => {
  const sessionOf = ({ day, reps, typedKg, rpe, warmUp }: PerformedSet): Session => ({
    id: `s${day}`,
    personId: "p",
    date: "2026-01-01",
    kind: "strength",
    status: "done",
    items: [{ id: "i", exerciseId: "squat", sets: [{ id: "1", warmUp, done: { reps, kg: typedKg, rpe } }] }],
  });
  const courseOf = (sets: readonly PerformedSet[]): LiftCourse => {
    const done = liftsDone(
      new Set(sets.map(({ day }) => day)),
      (day) => sets.filter((set) => set.day === day).map(sessionOf),
      new Map([["squat", squat]]),
      at80,
    );
    return [...done.values()].map((run) => withMaximum(run, factorOf.epley, at80));
  };
  const standingOf = (sets: readonly PerformedSet[]) => liftStanding("squat", courseOf(sets));
  it("take the eligible sets only", () => {
    const sets = [
      performed(squat, 1, 5, 100),
      performed(squat, 2, 13, 100),
      performed(squat, 3, 1, 140, { warmUp: true }),
      performed(squat, 4, 5, 90, { rpe: 5 }),
      performed(squat, 5, 5, 90),
      performed(squat, 5, 3, 90),
    ];
    const standing = standingOf(sets)!;
    expect(standing.best).toMatchObject({ set: { day: 1 } });
    expect(standing).toMatchObject({ lastDone: 5, sessions: 5 });
    expect(standing.best!.e1rmKg).toBeCloseTo(116.667, 3);
    expect(standing.latest!.e1rmKg).toBeCloseTo(105, 9);
    expect(standingOf([])).toBeNull();
    expect(standingOf([performed(squat, 9, 0, 100)])).toBeNull();
  });
  it("a maximum in force looks back only, and a test outweighs estimates before it", () => {
    const inForce = maximumInForce(
      courseOf([performed(squat, 10, 5, 100), performed(squat, 20, 5, 110), performed(squat, 40, 5, 105)]),
      [{ kg: 120, day: 30 }],
    );
    expect(inForce(9)).toBeNull();
    expect(inForce(10)).toBeCloseTo(116.667, 3);
    expect(inForce(25)).toBeCloseTo(128.333, 3);
    expect(inForce(30)).toBe(120);
    expect(inForce(50)).toBeCloseTo(122.5, 9);
  });
});

describe("volume", () => {
  it("counts reps, load, sets and muscles", () => {
    const sets = [
      performed(squat, 1, 5, 100),
      performed(squat, 1, 5, 60, { warmUp: true }),
      performed(squat, 1, 0, 110, { failed: true }),
      performed(squat, 1, 8, 70, { rpe: 5 }),
      performed(split, 1, 10, 20),
      performed(chin, 1, 6, 10),
    ];
    const volume = workOf(sets, {});
    expect(volume).toMatchObject({ volumeLoadKg: 500 + 560 + 400 + 540, numberOfLifts: 5 + 8 + 20 + 6, sets: 4 });
    expect(volume.byGroup.squat).toEqual({ volumeLoadKg: 1460, numberOfLifts: 33 });
    expect(volume.byMuscle).toEqual({ quadriceps: { sets: 1 }, glutes: { sets: 0.5 } });
    const { weighted, reps } = intensitySums(sets, {}, (id) => (id === "squat" ? 125 : null), at80);
    expect(weighted / reps).toBeCloseTo((5 * 0.8 + 8 * 0.56) / 13, 12);
    expect(workOf(sets, { countWarmUps: true })).toMatchObject({ sets: 5, volumeLoadKg: 2300 });
    expect(intensitySums(sets, {}, () => null, at80)).toEqual({ weighted: 0, reps: 0 });
  });
  it("is the sum of its parts", () => {
    const anySet = fc
      .record({
        reps: fc.integer({ min: 0, max: 20 }),
        kg: fc.integer({ min: 0, max: 300 }),
        exercise: fc.constantFrom(squat, split),
      })
      .map(({ reps, kg, exercise }) => performed(exercise, 1, reps, kg));
    fc.assert(
      fc.property(fc.array(anySet), fc.array(anySet), (a, b) => {
        const [whole, one, two] = [workOf([...a, ...b], {}), workOf(a, {}), workOf(b, {})];
        expect(whole.volumeLoadKg).toBe(one.volumeLoadKg + two.volumeLoadKg);
        expect(whole.numberOfLifts).toBe(one.numberOfLifts + two.numberOfLifts);
        expect(Object.values(whole.byGroup).reduce((sum, group) => sum + group.volumeLoadKg, 0)).toBe(
          whole.volumeLoadKg,
        );
      }),
    );
  });
  it("reads done only", () => {
    const session: Session = {
      id: "s",
      personId: "p",
      date: "2026-05-01",
      kind: "strength",
      status: "planned",
      items: [
        {
          id: "i",
          exerciseId: "squat",
          sets: [
            { id: "a", planned: { reps: 5, kg: 100 } },
            { id: "b", planned: { reps: 5, kg: 100 }, done: { reps: 3, kg: 100 } },
          ],
        },
      ],
    };
    expect(performedSets(session, 1, new Map([["squat", squat]]), at80).map((set) => set.reps)).toEqual([3]);
  });
});
