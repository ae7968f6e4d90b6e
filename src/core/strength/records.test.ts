import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { dateOf } from "../base/calendar/day";
import { KG_PER_LB, parseMass, printLoad } from "../base/units/mass";
import type { Exercise } from "../log/kinds/exercises";
import type { Session, TrainingSet } from "../log/kinds/sessions";
import { nextStep, stepsOf } from "../sessions/order";
import { type CommonFormula, estimateMaximum, factorOf, formulaNames } from "./e1rm";
import { liftsByZone, zoneOf } from "./intensity";
import { findExercises, mergedExercise } from "./library";
import {
  dayOf,
  daysIn,
  firstSet,
  frontSet,
  lastWorking,
  liftsDone,
  sessionsOfDay,
  testsIn,
  warmUpKg,
  wasWorked,
  workKg,
} from "./liftRun";
import { daysBack, type LiftCourse, liftStanding, maximaOf, withMaximum } from "./maximum";
import { meets } from "./meet";
import { muscles } from "./muscles";
import { performedSets } from "./sets";
import { starterExercises, starterExercisesIn } from "./starterExercises";
import { bestRatio, liftRecords } from "./strengthRecords";
import { loadForEffort, strengthOn, targetOf } from "./suggest";
import { liftsOf, loadOf, workOf } from "./volume";

const squat: Exercise = { id: "squat", name: "Squat", group: "squat", measure: "load-reps", direct: ["quadriceps"] };
const chin: Exercise = { id: "chin", name: "Chin-up", group: "pull", measure: "bodyweight-reps", bodyShare: 1 };
const exercises = new Map([
  [squat.id, squat],
  [chin.id, chin],
]);
const at80 = () => 80;
const choices: CommonFormula[] = [...formulaNames, "mean"];
type Done = NonNullable<TrainingSet["done"]>;

const session = (
  day: number,
  sets: readonly (Done & { warmUp?: boolean })[],
  extra: Partial<Session> = {},
  exerciseId = "squat",
): Session => ({
  id: `s${day}`,
  personId: "p",
  date: dateOf(day),
  kind: "strength",
  status: "done",
  items: [
    {
      id: "i",
      exerciseId,
      sets: sets.map(({ warmUp, ...done }, index) => ({ id: String(index), ...(warmUp ? { warmUp } : {}), done })),
    },
  ],
  ...extra,
});
/** The squat through sessions a day each from day 1, cut into parts before some of the days. */
const courseOf = (
  sessions: readonly Session[],
  formula: CommonFormula = "epley",
  cuts: readonly number[] = [],
): LiftCourse => {
  const ends = [...cuts, 0, sessions.length].filter((cut) => cut <= sessions.length).sort((a, b) => a - b);
  return ends.slice(1).flatMap((end, index) => {
    const days = Array.from({ length: end - ends[index]! }, (_, at) => ends[index]! + at + 1);
    return [...liftsDone(days, (day) => [sessions[day - 1]!], exercises, at80).values()].map((run) =>
      withMaximum(run, factorOf[formula], at80),
    );
  });
};
const aDone = fc.record({
  reps: fc.integer({ min: 0, max: 15 }),
  kg: fc.integer({ min: 20, max: 120 }),
  rpe: fc.constantFrom(null, 5, 6, 7, 8.5, 10),
});
const someDays = fc.array(fc.array(aDone, { minLength: 1, maxLength: 6 }), { minLength: 1, maxLength: 6 });
const bestOf = (days: readonly Done[][], formula: CommonFormula) =>
  liftStanding(
    "squat",
    courseOf(
      days.map((sets, index) => session(index + 1, sets)),
      formula,
    ),
  )?.best?.e1rmKg ?? 0;

describe("maxima, with a fixed formula", () => {
  it("a set removed never raises the best, and none counts that may not", () => {
    fc.assert(
      fc.property(someDays, fc.constantFrom(...choices), fc.nat(), (days, formula, pick) => {
        const at = pick % days.length;
        const fewer = days.map((sets, index) => (index === at ? sets.slice(1) : sets));
        expect(bestOf(fewer, formula)).toBeLessThanOrEqual(bestOf(days, formula));
      }),
    );
  });
  it("the best is the highest estimate of all eligible sets, each looked at alone", () => {
    fc.assert(
      fc.property(someDays, fc.constantFrom(...choices), (days, formula) => {
        const alone = days.flat().flatMap(({ kg, reps, rpe }) => {
          const eligible = reps! >= 1 && (rpe == null || rpe >= 6) && reps! + (rpe == null ? 0 : 10 - rpe) <= 12;
          const one = estimateMaximum(factorOf[formula], kg!, reps!, rpe);
          return eligible && "kg" in one ? [one.kg] : [];
        });
        expect(bestOf(days, formula)).toBeCloseTo(Math.max(0, ...alone), 9);
      }),
    );
  });
  it("one repetition more never lowers an estimate", () => {
    fc.assert(
      fc.property(aDone, fc.constantFrom(...choices), ({ reps, kg, rpe }, formula) => {
        const [here, more] = [
          estimateMaximum(factorOf[formula], kg, reps, rpe),
          estimateMaximum(factorOf[formula], kg, reps + 1, rpe),
        ];
        if ("kg" in here && "kg" in more) expect(more.kg).toBeGreaterThan(here.kg);
      }),
    );
  });
});

describe("totals", () => {
  it("depend neither on order nor on grouping", () => {
    fc.assert(
      fc.property(fc.array(aDone, { maxLength: 12 }), fc.nat(), fc.infiniteStream(fc.nat()), (sets, cut, stream) => {
        const performed = (list: readonly Done[]) => performedSets(session(1, list), 1, exercises, at80);
        const whole = workOf(performed(sets), {});
        const shuffled = sets
          .map((set) => [stream.next().value as number, set] as const)
          .sort(([a], [b]) => a - b)
          .map(([, set]) => set);
        expect(workOf(performed(shuffled), {})).toEqual(whole);
        const [one, two] = [
          workOf(performed(sets.slice(0, cut % (sets.length + 1))), {}),
          workOf(performed(sets.slice(cut % (sets.length + 1))), {}),
        ];
        expect(one.volumeLoadKg + two.volumeLoadKg).toBe(whole.volumeLoadKg);
        expect(one.numberOfLifts + two.numberOfLifts).toBe(whole.numberOfLifts);
        expect(one.sets + two.sets).toBe(whole.sets);
      }),
    );
  });
  it("a lift's day holds the volume load of its sets", () => {
    fc.assert(
      fc.property(fc.array(aDone, { minLength: 1, maxLength: 8 }), fc.boolean(), (sets, drop) => {
        const one = session(
          1,
          sets.map((set, index) => ({
            ...set,
            warmUp: index % 3 === 0,
            ...(drop ? { parts: [{ reps: 3, kg: 15 }, { reps: 2 }] } : {}),
          })),
          {},
          drop ? "chin" : "squat",
        );
        const lift = liftsDone([1], () => [one], exercises, at80).get(drop ? "chin" : "squat")!;
        const performed = performedSets(one, 1, exercises, at80);
        expect(workKg(lift, 0)).toBe(workOf(performed, {}).volumeLoadKg);
        expect(workKg(lift, 0) + warmUpKg(lift, 0)).toBeCloseTo(
          workOf(performed, { countWarmUps: true }).volumeLoadKg,
          9,
        );
      }),
    );
  });
  it("count the parts of a drop set by their own load, in their own zones", () => {
    const [set] = performedSets(
      session(1, [{ reps: 5, kg: 90, parts: [{ reps: 4, kg: 75 }, { reps: 3 }] }]),
      1,
      exercises,
      at80,
    );
    expect(liftsOf(set!)).toBe(12);
    expect(loadOf(set!)).toBe(450 + 300 + 270);
    expect(liftsByZone([set!], {}, () => 100, at80)).toEqual({ byZone: [0, 0, 4, 0, 8], unknown: 0 });
    expect(liftsByZone([set!], {}, () => null, at80).unknown).toBe(12);
    expect([0.5499, 0.55, 0.7, 0.7999999, 0.8, 0.9, 1.1].map(zoneOf)).toEqual([0, 1, 2, 2, 3, 4, 4]);
  });
});

describe("a load typed in pounds", () => {
  it("prints as typed for ever", () => {
    for (let fives = 1; fives <= 400; fives++) {
      const typed = String(fives * 2.5);
      let kg = parseMass(typed, "lb")!;
      // Through the archive and back, again and again.
      for (let round = 0; round < 3; round++) kg = Number(JSON.stringify(kg));
      expect(printLoad(kg, "lb").replace(",", "")).toBe(typed);
      expect(kg).toBe(fives * 2.5 * KG_PER_LB);
    }
  });
});

describe("what was done of a lift, in columns", () => {
  it("is what the records of its sets say, day by day", () => {
    const aSet = fc.record({
      reps: fc.integer({ min: 0, max: 14 }),
      kg: fc.constantFrom(50, 62.5, 100),
      rpe: fc.constantFrom(null, 5, 7, 8.5),
      warmUp: fc.boolean(),
      failed: fc.boolean(),
    });
    fc.assert(
      fc.property(
        fc.array(fc.array(aSet, { maxLength: 5 }), { minLength: 1, maxLength: 5 }),
        fc.boolean(),
        (days, twice) => {
          const of = (day: number) => [
            session(day, days[day - 1]!),
            ...(twice ? [{ ...session(day, days[day - 1]!), id: `t${day}` }] : []),
          ];
          const run = liftsDone(
            days.map((_, index) => index + 1),
            of,
            exercises,
            at80,
          ).get("squat");
          const lifted = days.flatMap((sets, index) => (sets.length > 0 ? [{ day: index + 1, sets }] : []));
          expect(run ? daysIn(run) : 0).toBe(lifted.length);
          for (const [index, { day, sets }] of lifted.entries()) {
            expect([dayOf(run!, index), wasWorked(run!, index), sessionsOfDay(run!, index)]).toEqual([
              day,
              sets.some(({ reps }) => reps > 0),
              of(day).map(({ id }) => id),
            ]);
            expect(lastWorking(run!, index)).toBe(sets.some(({ warmUp }) => !warmUp) ? of(day).at(-1)!.id : null);
            const front = Array.from({ length: firstSet(run!, index + 1) - firstSet(run!, index) }, (_, at) =>
              frontSet(run!, index, firstSet(run!, index) + at),
            );
            const limit = ({ reps, rpe }: (typeof sets)[number]) => {
              const all = reps + (rpe === null ? 0 : 10 - rpe);
              return (rpe !== null && rpe < 6) || all > 12 ? 0 : all;
            };
            const working = sets.filter(({ warmUp, reps }) => !warmUp && reps >= 1);
            // Every working set is matched by one on the front, and none on it by another of its session, unless both
            // give the same estimate.
            for (const set of working)
              expect(
                front.some((one) => one.totalKg >= set.kg && one.reps >= set.reps && one.repsToFailure >= limit(set)),
              ).toBe(true);
            for (const one of front) {
              const surpassing = front.filter(
                (other) =>
                  other !== one &&
                  other.sessionId === one.sessionId &&
                  other.totalKg >= one.totalKg &&
                  other.reps >= one.reps &&
                  other.repsToFailure >= one.repsToFailure,
              );
              expect(
                surpassing.filter(
                  (other) =>
                    other.totalKg !== one.totalKg ||
                    other.repsToFailure !== one.repsToFailure ||
                    one.repsToFailure === 0,
                ),
              ).toEqual([]);
              expect(
                working.some(
                  ({ kg, reps, rpe, failed }) =>
                    one.typedKg === kg && one.reps === reps && one.rpe === rpe && one.failed === failed,
                ),
              ).toBe(true);
              expect(one).toMatchObject({ day, exercise: squat, asManyAsPossible: false });
            }
          }
        },
      ),
    );
  });
});

describe("records", () => {
  const volumeOf = workKg;
  it("a set stands for all fewer repetitions, and the first of equal loads keeps the record", () => {
    const course = courseOf([
      session(1, [{ reps: 6, kg: 90 }]),
      session(2, [
        { reps: 5, kg: 90 },
        { reps: 3, kg: 100 },
      ]),
      session(3, [{ reps: 8, kg: 80 }]),
    ]);
    expect(liftRecords(course, volumeOf).standing.map(({ reps, kg, day }) => [reps, kg, day])).toEqual([
      [1, 100, 2],
      [2, 100, 2],
      [3, 100, 2],
      [4, 90, 1],
      [5, 90, 1],
      [6, 90, 1],
      [7, 80, 3],
      [8, 80, 3],
    ]);
    expect(liftRecords(course, volumeOf, 2)).toEqual(
      liftRecords(courseOf([session(1, [{ reps: 6, kg: 90 }])]), volumeOf),
    );
  });
  it("beaten are told once a set, nothing on the first day, volume and estimate beside", () => {
    const course = courseOf([
      session(1, [{ reps: 5, kg: 90 }]),
      session(2, [
        { reps: 5, kg: 95, rpe: 9 },
        { reps: 5, kg: 95 },
      ]),
      session(3, [{ reps: 3, kg: 90 }]),
    ]);
    expect(
      liftRecords(course, volumeOf).beaten.map(({ day, what, kg, beforeKg }) => [
        day,
        what,
        Math.round(kg),
        Math.round(beforeKg),
      ]),
    ).toEqual([
      [2, "reps", 95, 90],
      [2, "e1rm", 114, 105],
      [2, "volume", 950, 450],
    ]);
  });
  it("come out the same however the days are cut into parts, told by what each day beats of all before it", () => {
    fc.assert(
      fc.property(someDays, fc.array(fc.integer({ min: 0, max: 12 }), { maxLength: 4 }), (days, cuts) => {
        const sessions = days.map((sets, index) => session(index + 1, sets));
        const course = courseOf(sessions, "epley", cuts);
        const records = liftRecords(course, volumeOf);
        expect(records).toEqual(liftRecords(courseOf(sessions), volumeOf));
        expect(liftStanding("squat", course)).toEqual(liftStanding("squat", courseOf(sessions)));
        let [mostKg, highestKg] = [0, 0];
        for (const { part, index } of [...daysBack(course)].reverse()) {
          const [day, volumeKg] = [dayOf(part.run, index), workKg(part.run, index)];
          const maximum = maximaOf(course).find(({ set }) => set.day === day);
          const of = (what: string) =>
            records.beaten.filter((one) => one.day === day && one.what === what).map(({ kg }) => kg);
          expect(of("volume")).toEqual(mostKg > 0 && volumeKg > mostKg ? [volumeKg] : []);
          // A rough estimate makes no record, and yet is the best that the next must beat.
          const kg = maximum?.e1rmKg ?? 0;
          expect(of("e1rm")).toEqual(highestKg > 0 && kg > highestKg && maximum!.set.repsToFailure <= 10 ? [kg] : []);
          [mostKg, highestKg] = [Math.max(mostKg, volumeKg), Math.max(highestKg, kg)];
        }
      }),
    );
  });
  it("against body weight: the total load over the weight of that day, the highest wherever it was", () => {
    const [course] = courseOf([session(1, [{ reps: 1, kg: 120 }]), session(2, [{ reps: 1, kg: 125 }])]) as [
      LiftCourse[number],
    ];
    expect(bestRatio(course, (day) => (day === 1 ? 75 : 80), 0)).toEqual({ ratio: 1.6, day: 1 });
    expect(bestRatio(course, () => 80, 0.5)).toEqual({ ratio: (125 + 40) / 80, day: 2 });
    expect(bestRatio(course, () => null, 0)).toBeNull();
  });
  it("keep the rule against every set looked at alone", () => {
    fc.assert(
      fc.property(someDays, (days) => {
        const records = liftRecords(courseOf(days.map((sets, index) => session(index + 1, sets))), volumeOf).standing;
        for (let reps = 1; reps <= 12; reps++) {
          const loads = days
            .flat()
            .filter((set) => set.reps >= reps)
            .map(({ kg }) => kg);
          expect(records.find((one) => one.reps === reps)?.kg ?? null).toBe(
            loads.length === 0 ? null : Math.max(...loads),
          );
        }
      }),
    );
  });
});

describe("loads worked out", () => {
  it("by hand: Epley, 120 kg, six at RPE 8 is eight to the limit, 120 ÷ 1.2667 = 94.7, to 95 kg", () => {
    expect(loadForEffort(squat, 120, 6, 8, factorOf.epley, 0, 2.5)).toMatchObject({
      kg: 95,
      repsToFailure: 8,
      exactKg: expect.closeTo(94.737, 3) as number,
    });
    expect(loadForEffort(chin, 120, 6, 8, factorOf.epley, 80, 2.5)).toMatchObject({
      kg: 15,
      exactKg: expect.closeTo(14.737, 3) as number,
    });
    expect(loadForEffort(squat, 120, 18, 7, factorOf.epley, 0, 2.5)).toHaveProperty("reason");
  });
  it("strength is the highest of the last four weeks, else the latest, never of the day itself", () => {
    const on = (kg: number, day: number): LiftCourse =>
      [...liftsDone([day], () => [session(day, [{ reps: 1, kg }])], exercises, at80).values()].map((run) =>
        withMaximum(run, factorOf.epley, at80),
      );
    const course = [...on(120, 1), ...on(110, 10)];
    const none = () => 0;
    expect(strengthOn(course, [], 20, none)).toMatchObject({ totalKg: 120, recent: true });
    expect(strengthOn(course, [], 60, none)).toMatchObject({ totalKg: 110, day: 10, recent: false });
    expect(strengthOn(course, [{ day: 15, kg: 125 }], 20, none)).toMatchObject({ totalKg: 125, standsOn: "test" });
    // Of equal ones the earlier; without a recent one the latest, a test before an estimate of its day; nothing of the
    // day itself or later.
    expect(strengthOn([...on(120, 1), ...on(120, 10)], [{ day: 12, kg: 120 }], 20, none)).toMatchObject({
      totalKg: 120,
      day: 1,
      standsOn: "estimate",
    });
    expect(
      strengthOn(
        course,
        [
          { day: 1, kg: 130 },
          { day: 10, kg: 112 },
          { day: 70, kg: 140 },
        ],
        60,
        none,
      ),
    ).toMatchObject({ totalKg: 112, day: 10, standsOn: "test" });
    expect(strengthOn(on(120, 1), [{ day: 1, kg: 130 }], 1, none)).toBeNull();
  });
  it("a planned set's load: as planned, a share, an effort, or a reason", () => {
    const strength = { totalKg: 120, day: 1, standsOn: "estimate" as const, recent: true };
    const of = (planned: TrainingSet["planned"], maximum: number | null = 100) =>
      targetOf(planned, squat, maximum, strength, factorOf.epley, 0, 2.5);
    expect(of({ reps: 5, kg: 81 })).toEqual({ kg: 81, from: "plan" });
    expect(of({ reps: 5, percent: 0.775 })).toMatchObject({ kg: 77.5, from: "percent" });
    expect(of({ reps: 6, rpe: 8 })).toMatchObject({ kg: 95, from: "effort" });
    expect(of({ reps: 5, percent: 0.8 }, null)).toHaveProperty("reason");
    expect(of({ reps: 5 })).toEqual({ kg: null, from: "plan" });
  });
});

describe("a meet", () => {
  it("has the best made attempt of each lift, the total, and the change since the last", () => {
    const lift = (exerciseId: string, tries: [number, boolean][]) => ({
      id: exerciseId,
      exerciseId,
      sets: tries.map(([kg, made], index) => ({
        id: String(index),
        done: { reps: made ? 1 : 0, kg, ...(made ? {} : { failed: true }) },
      })),
    });
    const meet = (day: number, items: Session["items"]): Session => ({
      id: `m${day}`,
      personId: "p",
      date: dateOf(day),
      kind: "strength",
      status: "done",
      test: true,
      items,
    });
    const all = meets(
      [
        meet(1, [
          lift("squat", [
            [100, true],
            [110, true],
            [115, false],
          ]),
          lift("chin", [[20, true]]),
        ]),
        session(2, [{ reps: 1, kg: 200 }]),
        meet(3, [
          lift("squat", [
            [112.5, false],
            [112.5, true],
          ]),
          lift("chin", [[25, false]]),
        ]),
        meet(9, [lift("squat", [[120, true]]), lift("chin", [[27.5, true]])]),
      ],
      ["squat", "chin"],
    );
    expect(all.map(({ totalKg, changeKg }) => [totalKg, changeKg])).toEqual([
      [130, null],
      [null, null],
      [147.5, 17.5],
    ]);
    expect(all[1]!.lifts).toMatchObject([
      { bestKg: 112.5, changeKg: 2.5, attempts: [{ made: false }, { made: true }] },
      { bestKg: null, changeKg: null },
    ]);
    // A repetition that did not pass is a miss.
    expect(
      meets(
        [
          meet(1, [
            { id: "squat", exerciseId: "squat", sets: [{ id: "1", done: { reps: 1, kg: 100, failed: true } }] },
          ]),
        ],
        [],
      )[0]!.lifts[0],
    ).toMatchObject({ bestKg: null, attempts: [{ kg: 100, made: false }] });
    // A made single of a meet is a tested maximum.
    expect(
      testsIn(
        liftsDone(
          [1],
          () => [
            meet(1, [
              lift("squat", [
                [100, true],
                [110, true],
                [115, false],
              ]),
            ]),
          ],
          exercises,
          at80,
        ).get("squat")!,
      ),
    ).toEqual([{ exerciseId: "squat", day: 1, kg: 110 }]);
  });
});

describe("the order of doing", () => {
  const item = (id: string, sets: number, more: object = {}) => ({
    id,
    exerciseId: id,
    sets: Array.from({ length: sets }, (_, index) => ({ id: `${id}${index + 1}`, planned: { reps: 5 } })),
    ...more,
  });
  const base: Session = { id: "s", personId: "p", date: "2026-01-01", kind: "strength", status: "planned" };
  const order = (one: Session) =>
    stepsOf(one)
      .map(({ set }) => set.id)
      .join(" ");
  it("goes through exercises, supersets in turn", () => {
    expect(
      order({
        ...base,
        items: [item("a", 2), item("b", 2, { superset: "1" }), item("c", 3, { superset: "1" }), item("d", 1)],
      }),
    ).toBe("a1 a2 b1 c1 b2 c2 c3 d1");
    expect(order({ ...base, items: [item("b", 1, { superset: "1" }), item("c", 1, { superset: "2" })] })).toBe("b1 c1");
    const warm = item("b", 2, { superset: "1" });
    warm.sets[0] = { ...warm.sets[0]!, warmUp: true } as (typeof warm.sets)[number];
    expect(order({ ...base, items: [warm, item("c", 1, { superset: "1" })] })).toBe("b1 b2 c1");
  });
  it("the next set follows the last done one, passes over what was left out, and comes back to what was passed over", () => {
    const done = { done: { reps: 5 } };
    const [a, b, c] = [item("a", 2), item("b", 2, { skipped: "shoulder" }), item("c", 1)];
    expect(nextStep({ ...base, items: [a, b, c] })!.set.id).toBe("a1");
    Object.assign(a.sets[1]!, done);
    expect(nextStep({ ...base, items: [a, b, c] })!.set.id).toBe("c1");
    Object.assign(c.sets[0]!, done);
    expect(nextStep({ ...base, items: [a, b, c] })!.set.id).toBe("a1");
    Object.assign(a.sets[0]!, done);
    expect(nextStep({ ...base, items: [a, b, c] })).toBeNull();
  });
});

describe("the library", () => {
  it("ships at least 120 movements of every measure, named once, trained muscles from the one list", () => {
    expect(starterExercises.length).toBeGreaterThanOrEqual(120);
    for (const key of ["id", "name"] as const)
      expect(new Set(starterExercises.map((one) => one[key].toLowerCase())).size).toBe(starterExercises.length);
    expect(new Set(starterExercises.map(({ measure }) => measure))).toEqual(
      new Set(["load-reps", "bodyweight-reps", "assisted-reps", "duration", "distance"]),
    );
    for (const { name, direct, indirect, mechanics } of starterExercises) {
      expect([name, direct!.length > 0, mechanics != null]).toEqual([name, true, true]);
      for (const muscle of [...direct!, ...indirect!]) expect(muscles).toContain(muscle);
      expect(direct!.filter((muscle) => indirect!.includes(muscle))).toEqual([]);
    }
    // Every muscle of the list is trained by something.
    expect(muscles.filter((muscle) => !starterExercises.some(({ direct }) => direct!.includes(muscle)))).toEqual([]);
  });
  it("has steps and bars that are round in pounds for a trainee who counts in them", () => {
    for (const { incrementKg, barKg } of starterExercisesIn("lb"))
      for (const kg of [incrementKg, barKg]) if (kg != null) expect((kg / KG_PER_LB / 2.5) % 1).toBeCloseTo(0, 9);
    expect(starterExercisesIn("kg")).toEqual(starterExercises);
  });
  it("is searched by the beginnings of words, names first, those done lately before others, and narrowed", () => {
    const find = (text: string, more: object = {}) =>
      findExercises(starterExercises, { text, muscle: null, equipment: null, group: null, ...more }, (id) =>
        id === "front-squat" ? { lastDone: "2026-06-01", sessions: 3 } : { lastDone: null, sessions: 0 },
      ).map(({ name }) => name);
    expect(find("squ")[0]).toBe("Front squat");
    expect(find("rom dea")).toEqual(["Romanian deadlift", "Dumbbell Romanian deadlift", "One-leg Romanian deadlift"]);
    expect(find("pull-up").slice(0, 2)).toEqual(["Pull-up", "Assisted pull-up"]);
    expect(find("kettlebell")).toContain("Get-up");
    expect(find("", { muscle: "calves" }).slice(0, 3)).toEqual([
      "Calf raise",
      "One-leg calf raise",
      "Seated calf raise",
    ]);
    expect(find("", { muscle: "calves" })).toContain("Box jump");
    expect(find("", { equipment: "trap bar" })).toEqual(["Trap-bar deadlift"]);
    expect(find("zzz")).toEqual([]);
  });
  it("puts what is called so first, then what this trainee does, then what begins so: Enter takes no other lift", () => {
    const find = (text: string, practised: string[] = []) =>
      findExercises(starterExercises, { text, muscle: null, equipment: null, group: null }, (id) =>
        practised.includes(id) ? { lastDone: "2026-06-01", sessions: 3 } : { lastDone: null, sessions: 0 },
      ).map(({ name }) => name)[0];
    expect([find("dead"), find("chin"), find("plank"), find("rdl"), find("ohp"), find("bench"), find("squat")]).toEqual(
      [
        "Deadlift",
        "Chin-up",
        "Plank",
        "Romanian deadlift",
        "Overhead press",
        "Bench press",
        expect.stringMatching(/squat/i),
      ],
    );
    expect([find("dead", ["dead-bug"]), find("deadlift", ["dead-bug", "romanian-deadlift"])]).toEqual([
      "Dead bug",
      "Deadlift",
    ]);
    // Every exercise is found first by its own name, whatever else the trainee does.
    for (const { name } of starterExercises)
      expect([
        name,
        find(
          name,
          starterExercises.map(({ id }) => id),
        ),
      ]).toEqual([name, name]);
  });
  it("two that are the same become one that knows what either knew", () => {
    const merged = mergedExercise(
      { id: "a", name: "Squat", direct: [], maximumFrom: { exerciseId: "b", ratio: 0.9 } },
      { id: "b", name: "Back squat", group: "squat", direct: ["quadriceps"], cues: "knees out" },
    );
    expect(merged).toEqual({
      id: "a",
      name: "Squat",
      group: "squat",
      direct: ["quadriceps"],
      cues: "knees out",
      aliases: ["Back squat"],
    });
  });
});

describe("a day's repetition records", () => {
  const told = (first: { reps: number; kg: number }[], day: { reps: number; kg: number }[]) =>
    liftRecords(courseOf([session(1, first), session(2, day)]), workKg).beaten.flatMap((one) =>
      one.what === "reps" ? [[one.reps, one.kg, one.beforeKg]] : [],
    );
  // Worked by hand: 5 × 95 stands for one to five repetitions; of the day, 110 is the heaviest for three and 100 for
  // five.
  it("beat what stood before the day, whichever set was done first", () => {
    const [five, three] = [
      { reps: 5, kg: 100 },
      { reps: 3, kg: 110 },
    ];
    expect(told([{ reps: 5, kg: 95 }], [five, three])).toEqual([
      [5, 100, 95],
      [3, 110, 95],
    ]);
    expect(told([{ reps: 5, kg: 95 }], [three, five])).toEqual([
      [3, 110, 95],
      [5, 100, 95],
    ]);
  });
  it("tell the day's heaviest where one set after another beats what stood", () => {
    expect(
      told(
        [{ reps: 5, kg: 95 }],
        [
          { reps: 5, kg: 97 },
          { reps: 5, kg: 100 },
        ],
      ),
    ).toEqual([[5, 100, 95]]);
  });
  it("are the same in any order of the day's sets, and none is told that does not stand at its end", () => {
    const sets = fc.array(fc.record({ reps: fc.integer({ min: 1, max: 12 }), kg: fc.integer({ min: 10, max: 30 }) }), {
      minLength: 1,
      maxLength: 6,
    });
    fc.assert(
      fc.property(sets, sets, fc.nat(), (first, day, seed) => {
        const shuffled = [...day].sort(
          (a, b) => ((a.reps * 7 + a.kg * 13 + seed) % 5) - ((b.reps * 7 + b.kg * 13 + seed) % 5),
        );
        const sorted = (list: number[][]) => [...list].sort((a, b) => a[0]! - b[0]!);
        expect(sorted(told(first, shuffled))).toEqual(sorted(told(first, day)));
        for (const [reps, kg, beforeKg] of told(first, day)) {
          const heaviest = (some: typeof day) =>
            Math.max(0, ...some.flatMap((one) => (one.reps >= reps! ? [one.kg] : [])));
          expect([kg, beforeKg]).toEqual([heaviest(day), heaviest(first)]);
        }
      }),
    );
  });
});
