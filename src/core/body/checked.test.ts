import { describe, expect, it } from "vitest";
import { mustDay } from "../base/calendar/day";
import { contract } from "../contract";
import { emptyLog, type Log, putRecord } from "../log/log";
import type { AnyRecord, RecordKind } from "../log/records";
import { starterExercises } from "../strength/starterExercises";
import { secondWeighInOffset } from "./secondWeighIns";

interface Lift {
  exerciseId: string;
  best: { e1rmKg: number; kg: number; reps: number } | null;
  latest: { e1rmKg: number; kg: number; reps: number } | null;
  lastDone: string | null;
  repRecords: { reps: number; kg: number }[];
  tested: { kg: number }[];
  reason?: string;
}
interface FoodOfDay {
  date: string;
  kcal: number | null;
  complete: boolean;
  remainingKcal: number | null;
  reason?: string;
}
interface OfPerson {
  lifts: Lift[];
  food: FoodOfDay[];
  weight: { reason?: string };
  goal: { arrived: boolean; reachableBy: number; projected: { p50: string | null } };
}

function logOf(...records: [RecordKind, Record<string, unknown>][]): Log {
  const log = emptyLog();
  putRecord(log, "people", { id: "p", name: "P", settings: { e1rmFormula: "epley" } });
  for (const exercise of starterExercises) putRecord(log, "exercises", exercise);
  records.forEach(([kind, record], index) =>
    putRecord(log, kind, { id: `r${index}`, personId: "p", ...record } as unknown as AnyRecord),
  );
  return log;
}
const of = (log: Log, on: string | null = null) =>
  (contract(log, on === null ? null : mustDay(on)) as { on: string; people: unknown[] }).people[0] as OfPerson;
const session = (
  id: string,
  date: string,
  exerciseId: string,
  sets: readonly { reps: number; kg: number; rpe?: number }[],
  time?: string,
): [RecordKind, Record<string, unknown>] => [
  "sessions",
  {
    id,
    date,
    kind: "strength",
    status: "done",
    ...(time ? { time } : {}),
    items: [{ id: `${id}i`, exerciseId, sets: sets.map((done, index) => ({ id: `${id}${index}`, done })) }],
  },
];
const lift = (log: Log, exerciseId: string) => of(log).lifts.find((one) => one.exerciseId === exerciseId)!;

describe("lifts", () => {
  it("records quoted as added load need no weigh-in", () => {
    const before = session("a", "2026-01-05", "pull-up", [{ reps: 5, kg: 30 }]);
    const pull = lift(
      logOf(
        before,
        ["weighIns", { date: "2026-02-01", kg: 80, primary: true }],
        session("b", "2026-02-02", "pull-up", [{ reps: 5, kg: 20 }]),
      ),
      "pull-up",
    );
    expect(pull.repRecords.find(({ reps }) => reps === 5)).toMatchObject({ kg: 30 });
    // The estimate needs the body it was added to: 100 × (1 + 5/30) − 80.
    expect(pull.best).toMatchObject({ kg: 20, e1rmKg: expect.closeTo(100 * (1 + 5 / 30) - 80, 6) as number });
    expect(lift(logOf(before), "pull-up")).toMatchObject({
      best: null,
      repRecords: expect.arrayContaining([expect.objectContaining({ reps: 5, kg: 30 })]) as unknown,
    });
  });
  it("the latest estimate is that of the latest session, not the best of its day", () => {
    const log = logOf(
      session("a", "2026-01-05", "deadlift", [{ reps: 5, kg: 150 }], "08:00"),
      session(
        "b",
        "2026-01-05",
        "deadlift",
        [
          { reps: 5, kg: 120 },
          { reps: 5, kg: 130 },
        ],
        "18:00",
      ),
    );
    expect(lift(log, "deadlift")).toMatchObject({
      best: { kg: 150 },
      latest: { kg: 130, e1rmKg: expect.closeTo(130 * (1 + 5 / 30), 6) as number },
    });
  });
  it("of equal estimates on a day the earlier set is named", () => {
    const log = logOf(
      session("a", "2026-01-05", "deadlift", [
        { reps: 5, kg: 100, rpe: 8 },
        { reps: 7, kg: 100, rpe: 10 },
      ]),
    );
    expect(lift(log, "deadlift").best).toMatchObject({ kg: 100, reps: 5 });
    expect(lift(log, "deadlift").repRecords.find(({ reps }) => reps === 7)).toMatchObject({ kg: 100 });
  });
  it("assistance has one sign in best and in the records", () => {
    const dip = lift(
      logOf(
        ["weighIns", { date: "2026-01-01", kg: 80, primary: true }],
        session("a", "2026-01-05", "assisted-dip", [{ reps: 5, kg: 20 }]),
      ),
      "assisted-dip",
    );
    expect([dip.best!.kg, dip.repRecords.find(({ reps }) => reps === 5)!.kg]).toEqual([-20, -20]);
  });
  it("known by a tested maximum alone is there, and a tested maximum is an entry of its day", () => {
    const log = logOf(["maxima", { exerciseId: "bench-press", date: "2026-03-01", kg: 120, tested: true }]);
    expect((contract(log, null) as { on: string }).on).toBe("2026-03-01");
    expect(lift(log, "bench-press")).toMatchObject({
      best: null,
      latest: null,
      lastDone: null,
      tested: [{ kg: 120 }],
      reason: expect.stringContaining("tested") as string,
    });
  });
});

describe("food whose energy is not known", () => {
  const known: [RecordKind, Record<string, unknown>] = [
    "meals",
    { date: "2026-01-05", status: "eaten", name: "soup", nutrients: { kcal: 300, protein: 10 } },
  ];
  const complete: [RecordKind, Record<string, unknown>] = ["dayNotes", { date: "2026-01-05", foodComplete: true }];
  const foods: [RecordKind, Record<string, unknown>][] = [
    ["foods", { id: "bare", name: "Bare", per100g: {} }],
    ["foods", { id: "oats", name: "Oats", per100g: { kcal: 370 } }],
  ];
  it.each([
    ["a meal with a name alone", { name: "stew" }, "no nutrients are written of stew"],
    ["a food without nutrients", { foodId: "bare", grams: 100 }, "the nutrients of Bare are not written"],
    [
      "a snapshot of such a food",
      { foodId: "bare", grams: 100, nutrients: { kcal: 0, protein: 0, fat: 0, carbohydrate: 0 } },
      "the nutrients of Bare",
    ],
    ["a food without grams", { foodId: "oats" }, "the weight of Oats is missing"],
    ["empty nutrients", { name: "thing", nutrients: {} }, "no nutrients"],
  ])("%s makes the day's energy unknown, and the day is not complete", (_, meal, why) => {
    const day = of(logOf(...foods, known, complete, ["meals", { date: "2026-01-05", status: "eaten", ...meal }]))
      .food[0]!;
    expect(day).toMatchObject({
      kcal: null,
      complete: false,
      remainingKcal: null,
      reason: expect.stringContaining(why) as string,
    });
  });
  it("is no matter while it is only planned, and water of no energy is known", () => {
    const day = of(
      logOf(
        ...foods,
        known,
        complete,
        ["meals", { date: "2026-01-05", status: "planned", name: "stew" }],
        ["meals", { date: "2026-01-05", status: "eaten", name: "tea", nutrients: { kcal: 0 } }],
      ),
    ).food[0]!;
    expect(day).toMatchObject({ kcal: 300, complete: true });
  });
});

describe("weights", () => {
  it("second weigh-ins are counted by days: three days with two each are three", () => {
    const two = [1, 2, 3].flatMap((day) => [
      { day, time: null, kg: 81, morningKg: 80 },
      { day, time: null, kg: 82, morningKg: 80 },
    ]);
    expect(secondWeighInOffset(two)).toEqual({
      reason: "5 days with both a morning and a second weigh-in are needed; there are 3",
    });
    const six = [1, 2, 3, 4, 5, 6].flatMap((day) => [
      { day, time: null, kg: 81 + day / 10, morningKg: 80 },
      { day, time: null, kg: 82 + day / 10, morningKg: 80 },
    ]);
    expect(secondWeighInOffset(six)).toMatchObject({ days: 6, offset: expect.closeTo(1.85, 9) as number });
  });
  it("a weight to be kept is an aim of its own, within a band", () => {
    const weighIns = (kg: number) =>
      Array.from({ length: 28 }, (_, index): [RecordKind, Record<string, unknown>] => [
        "weighIns",
        {
          id: `w${index}`,
          date: `2026-01-${String(index + 1).padStart(2, "0")}`,
          kg: kg + 0.2 * Math.sin(index * 2.4),
          primary: true,
        },
      ]);
    const goal: [RecordKind, Record<string, unknown>] = [
      "goals",
      { of: "weight", startDate: "2026-01-01", startKg: 70, targetKg: 70, by: { date: "2026-02-28" } },
    ];
    expect(of(logOf(goal, ...weighIns(70)), "2026-01-28").goal).toMatchObject({
      arrived: true,
      projected: { p50: null },
    });
    expect(of(logOf(goal, ...weighIns(70)), "2026-01-28").goal.reachableBy).toBeGreaterThan(0.4);
    expect(of(logOf(goal, ...weighIns(68.5)), "2026-01-28").goal.arrived).toBe(false);
    expect(of(logOf(goal, ...weighIns(68.5)), "2026-01-28").goal.reachableBy).toBeLessThan(0.4);
  });
  it("an empty log gives each reason once", () => {
    expect(of(logOf(), "2026-01-01").weight.reason).toBe("no weight is written");
  });
});

describe("a goal that does not say what it is of", () => {
  it("is of the weight, as files from elsewhere mean it", () => {
    const weighIns = Array.from({ length: 20 }, (_, day): [RecordKind, Record<string, unknown>] => [
      "weighIns",
      { date: `2026-01-${String(day + 1).padStart(2, "0")}`, kg: 80 - day * 0.1, primary: true },
    ]);
    const goal = { startDate: "2026-01-01", startKg: 80, targetKg: 75, by: { date: "2026-04-01" } };
    const [bare, said] = [goal, { ...goal, of: "weight" }].map((one) =>
      of(logOf(...weighIns, ["goals", { id: "g", ...one }]), "2026-01-20"),
    );
    expect(bare!.goal).toEqual(said!.goal);
    expect(bare!.goal).toMatchObject({ arrived: false, projected: expect.anything() as unknown });
  });
});
