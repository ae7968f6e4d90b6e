// A small household worked out by hand, line by line beside each figure. Sources of the single methods stand in their
// own checks;
// this one holds the whole contract to arithmetic that anyone can redo on paper.
import { dateOf, mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import type { Log } from "@/core/log/log";
import { readArchive } from "@/formats/archive/read";
import fc from "fast-check";
import { strToU8 } from "fflate";
import { describe, expect, it } from "vitest";

const start = mustDay("2026-01-05"); // a Monday
const date = (offset: number) => dateOf(start + offset);

const archive = {
  format: "oat-column",
  version: 1,
  people: [
    {
      id: "man",
      name: "By hand",
      sex: "male",
      birthDate: "1995-12-01",
      heightCm: 180,
      units: { mass: "kg", distance: "km", energy: "kcal" },
      weekStart: 1,
      settings: { e1rmFormula: "epley" },
    },
  ],
  // Two weeks at 80.0 kg every morning but the second Thursday.
  weighIns: Array.from({ length: 14 }, (_, index) => ({
    id: `w${index}`,
    personId: "man",
    date: date(index),
    kg: 80,
  })).filter((_, index) => index !== 10),
  exercises: [
    { id: "squat", name: "Squat", group: "squat", measure: "load-reps", direct: ["quadriceps"], indirect: ["glutes"] },
    { id: "chin", name: "Chin-up", group: "pull", measure: "bodyweight-reps", bodyShare: 1, direct: ["lats"] },
  ],
  maxima: [{ id: "m", personId: "man", exerciseId: "squat", date: date(0), kg: 125, tested: true }],
  sessions: [
    {
      id: "s1",
      personId: "man",
      date: date(1),
      kind: "strength",
      status: "done",
      minutes: 60,
      effort: 7,
      planned: { minutes: 60 },
      items: [
        {
          id: "a",
          exerciseId: "squat",
          sets: [
            { id: "1", warmUp: true, done: { reps: 5, kg: 60 } },
            { id: "2", done: { reps: 5, kg: 100 } },
            { id: "3", done: { reps: 5, kg: 100, rpe: 8 } },
          ],
        },
        { id: "b", exerciseId: "chin", sets: [{ id: "4", done: { reps: 5, kg: 20 } }] },
      ],
    },
    {
      id: "s2",
      personId: "man",
      date: date(2),
      kind: "run",
      status: "done",
      distance: { planned: { metres: 6000 }, done: { metres: 6000, seconds: 1980 }, purpose: "easy" },
    },
    {
      id: "s3",
      personId: "man",
      date: date(4),
      kind: "run",
      status: "done",
      distance: { planned: { metres: 4000 }, done: { metres: 4000, seconds: 1200 }, purpose: "easy" },
    },
    {
      id: "s4",
      personId: "man",
      date: date(5),
      kind: "run",
      status: "planned",
      distance: { planned: { metres: 8000 }, purpose: "easy" },
    },
    {
      id: "s5",
      personId: "man",
      date: date(20),
      kind: "run",
      status: "done",
      distance: { done: { metres: 99_000, seconds: 99_000 }, purpose: "easy" },
    },
    {
      id: "s6",
      personId: "man",
      date: date(20),
      kind: "strength",
      status: "done",
      items: [{ id: "c", exerciseId: "squat", sets: [{ id: "5", done: { reps: 5, kg: 200 } }] }],
    },
  ],
  foods: [
    {
      id: "oats",
      name: "Oats",
      carbohydrateBasis: "available",
      per100g: { protein: 13.5, fat: 7, carbohydrate: 58.7, fibre: 10, sugars: 1 },
    },
  ],
  meals: [
    { id: "e1", personId: "man", date: date(13), meal: "breakfast", status: "eaten", foodId: "oats", grams: 80 },
    {
      id: "e2",
      personId: "man",
      date: date(13),
      meal: "dinner",
      status: "eaten",
      name: "Dinner out",
      nutrients: { kcal: 900, protein: 40, carbohydrate: 80, fat: 45 },
    },
    { id: "e3", personId: "man", date: date(13), meal: "snack", status: "planned", foodId: "oats", grams: 500 },
  ],
  water: [
    { id: "h", personId: "man", date: date(13), ml: 1500 },
    { id: "i", personId: "man", date: date(13), ml: 500 },
  ],
  goals: [
    {
      id: "g",
      personId: "man",
      of: "weight",
      startDate: date(0),
      startKg: 80,
      targetKg: 74,
      by: { rateKgPerWeek: -0.4 },
    },
  ],
  energySettings: [{ id: "n", personId: "man", from: date(0), equation: "mifflinStJeor", activityFactor: 1.5 }],
};

function logOf(value: unknown): Log {
  const reading = readArchive(strToU8(JSON.stringify(value)));
  if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
  return reading.log;
}

type Loose = Record<string, never>;
const on = start + 13;
const [man] = (contract(logOf(archive), on) as { people: Loose[] }).people as unknown as [
  Record<string, never> & { [key: string]: never },
];
const part = <T>(name: string) => (man as unknown as Record<string, T>)[name]!;

describe("the contract by hand", () => {
  it("weight: an unvarying weight is its own trend; thirteen of fourteen mornings", () => {
    const weight = part<{ trend: { kg: number; kgPerWeek: number }[]; weekly: object[]; change: object }>("weight");
    expect(weight.trend).toHaveLength(14);
    for (const day of weight.trend) expect(day).toMatchObject({ kg: 80, kgPerWeek: 0 });
    expect(weight.weekly).toEqual([
      { closingDate: date(6), from: date(0), days: 7, medianKg: 80, meanKg: 80 },
      { closingDate: date(13), from: date(7), days: 6, medianKg: 80, meanKg: 80 },
    ]);
    expect(weight.change).toEqual({ startKg: 80, currentKg: 80, totalKg: 0, kgPerWeek: 0, days: 13 });
  });
  it("goal: 6 kg at 0.4 kg a week is 105 days; after 13 days the line stands at 80 − 0.4 × 13/7", () => {
    // catch-up: 6 kg in the 92 days left; balance: 0.4 × 7700 / 7
    expect(part("goal")).toMatchObject({
      targetKg: 74,
      deadline: date(105),
      days: 105,
      daysLeft: 92,
      kgPerWeek: -0.4,
      planKg: 79.25714286,
      aboveKg: 0.7428571429,
      catchUpKgPerWeek: -0.4565217391,
      kcalPerDay: -440,
    });
  });
  it("energy: Mifflin 10·80 + 6.25·180 − 5·30 + 5 = 1780, times 1.5; target less 440", () => {
    expect(part("energy")).toMatchObject({
      resting: {
        mifflinStJeor: 1780,
        rozaShizgal: 1853.632,
        katchMcArdle: null,
        cunningham: null,
        reason: "no body-fat measurement gives the fat-free mass",
      },
      formula: { kcal: 2670, factor: 1.5 },
      targets: { training: { kcal: 2230 }, rest: { kcal: 2230 } },
    });
    // Strength, 60 min at 3.5 MET net of 1: 2.5 × 3.5 × 80 / 200 × 60 = 210 kcal
    expect(part<{ exercise: object[] }>("energy").exercise[0]).toEqual({
      date: date(1),
      sessionId: "s1",
      met: 3.5,
      netKcal: 210,
      credited: false,
    });
  });
  it("food: 80 g of oats are 297.44 kcal (4·58.7 + 2·10 + 4·13.5 + 9·7 = 371.8 per 100 g), planned food does not count", () => {
    expect(part("food")).toEqual([
      {
        date: date(13),
        kcal: 1197.44,
        protein: 50.8,
        fat: 50.6,
        carbohydrate: 134.96,
        fibre: 8,
        sugars: 0.8,
        alcohol: 0,
        water: 2000,
        complete: false,
        remainingKcal: 1032.56,
      },
    ]);
  });
  it("lifts: 100 kg × 5 with two in reserve is 100 (1 + 7/30); chin-up 80 + 20 for 5 is + 36.67", () => {
    expect(part("lifts")).toMatchObject([
      {
        exerciseId: "chin",
        best: { e1rmKg: 36.66666667, date: date(1), kg: 20, reps: 5 },
        latest: { e1rmKg: 36.66666667, date: date(1), kg: 20, reps: 5 },
        lastDone: date(1),
        tested: [],
        bestRatio: { ratio: 1.458333333, date: date(1) },
        repRecords: [1, 2, 3, 4, 5].map((reps) => ({ reps, kg: 20, date: date(1) })),
      },
      {
        exerciseId: "squat",
        best: { e1rmKg: 123.3333333, date: date(1), kg: 100, reps: 5 },
        latest: { e1rmKg: 123.3333333, date: date(1), kg: 100, reps: 5 },
        lastDone: date(1),
        tested: [{ date: date(0), kg: 125 }],
        bestRatio: { ratio: 1.541666667, date: date(1) },
        repRecords: [1, 2, 3, 4, 5].map((reps) => ({ reps, kg: 100, date: date(1) })),
      },
    ]);
  });
  it("volume: ten squats at 100 and five chin-ups at 100 total; intensity against 125 tested and 116.67 total", () => {
    expect(part("volume")).toMatchObject([
      {
        weekStart: date(0),
        volumeLoadKg: 1500,
        numberOfLifts: 15,
        sets: 3,
        averageIntensity: Number(((10 * 0.8 + 5 * (100 / (100 * (1 + 5 / 30)))) / 15).toPrecision(10)),
        byGroup: { squat: { volumeLoadKg: 1000, numberOfLifts: 10 }, pull: { volumeLoadKg: 500, numberOfLifts: 5 } },
        byMuscle: { quadriceps: { sets: 2 }, glutes: { sets: 1 }, lats: { sets: 1 } },
        // 100 of 125 is 80 %, and 100 of 116.67 is 85.7 %: all fifteen lifts fall into one zone.
        zones: [
          { numberOfLifts: 0 },
          { numberOfLifts: 0 },
          { numberOfLifts: 0 },
          { zone: "80–89 %", numberOfLifts: 15 },
          { numberOfLifts: 0 },
        ],
        withoutMaximum: 0,
        planned: { sets: 0 },
      },
    ]);
  });
  it("distance: 10 km in 53:00 is 5:18 /km; the untouched run of the week is missed; what is dated later is not read", () => {
    expect(part("distance")).toEqual([
      { kind: "run", purpose: "easy", planned: 3, done: 2, metres: 10_000, seconds: 3180, secondsPerKm: 318 },
    ]);
    expect(part("load")).toEqual([{ date: date(1), sessionLoad: 420 }]);
    expect(part("adherence")).toEqual([
      { weekStart: date(0), planned: 4, done: 3, partly: 0, skipped: 0, moved: 0, missed: 1, extra: 0, share: 0.75 },
    ]);
  });
});

describe("the contract in general", () => {
  const lists = ["weighIns", "sessions", "meals", "water", "exercises"] as const;
  it("does not depend on the order of the records", () => {
    const plain = contract(logOf(archive), on);
    fc.assert(
      fc.property(fc.infiniteStream(fc.nat()), (stream) => {
        const shuffled = {
          ...archive,
          ...Object.fromEntries(
            lists.map((name) => [
              name,
              [...archive[name]]
                .map((record) => [stream.next().value as number, record] as const)
                .sort(([a], [b]) => a - b)
                .map(([, record]) => record),
            ]),
          ),
        };
        expect(contract(logOf(shuffled), on)).toEqual(plain);
      }),
      { numRuns: 20 },
    );
  });
  it("asked for an earlier day, it is what a log cut off on that day gives", () => {
    const cut = {
      ...archive,
      ...Object.fromEntries(
        (["weighIns", "sessions", "meals", "water", "maxima"] as const).map((name) => [
          name,
          (archive[name] as { date: string }[]).filter((record) => record.date <= date(6)),
        ]),
      ),
    };
    expect(contract(logOf(archive), start + 6)).toEqual(contract(logOf(cut), start + 6));
  });
  it("without --on it takes the last day with an entry; planned days are none", () => {
    expect(contract(logOf(archive), null)).toMatchObject({ on: date(20) });
    expect(contract(logOf({ ...archive, sessions: archive.sessions.slice(0, 4) }), null)).toMatchObject({
      on: date(13),
    });
    expect(contract(logOf({ format: "oat-column", version: 1 }), null)).toMatchObject({ on: null, people: [] });
  });
  it("gives a reason beside everything it cannot know", () => {
    const [bare] = (
      contract(logOf({ format: "oat-column", version: 1, people: [{ id: "p", name: "Bare" }] }), start) as {
        people: object[];
      }
    ).people;
    expect(bare).toMatchObject({
      goal: null,
      reason: "no weight goal has begun",
      weight: { change: null, trend: [], weekly: [] },
      energy: { formula: { kcal: null, reason: "no weight is written" }, measured: { kcal: null } },
      food: [],
      lifts: [],
    });
    const missing: string[] = [];
    const look = (value: unknown, path: string) => {
      if (value === null || typeof value !== "object") return;
      const entries = Object.entries(value);
      if (entries.some(([, inner]) => inner === null) && !("reason" in value) && !path.endsWith("purpose"))
        missing.push(path);
      for (const [key, inner] of entries) look(inner, `${path}.${key}`);
    };
    look(bare, "bare");
    expect(missing.filter((path) => !path.endsWith(".projected"))).toEqual([]);
  });
});
