// A cycle of four weeks and three days, and a phase, worked out by hand: the arithmetic stands beside each figure.
import { contract } from "@/core/contract";
import { mustDay } from "@/core/base/calendar/day";
import { describe, expect, it } from "vitest";
import { smallLog } from "../smallLog";

const exercises = [
  { id: "squat", name: "Back squat", equipment: "barbell" },
  { id: "front-squat", name: "Front squat", equipment: "barbell" },
  { id: "bench", name: "Bench press", equipment: "barbell" },
  { id: "deadlift", name: "Deadlift", equipment: "barbell" },
];
const at = (week: number, weekday: number, exerciseId: string, sets: object[], more: object = {}) => ({
  id: `${week}-${weekday}`,
  week,
  weekday,
  exerciseId,
  sets,
  ...more,
});
const sets = (count: number, reps: number, percent: number, more: object = {}) => ({ count, reps, percent, ...more });
/** 5 January 2026 is a Monday. */
const cycle = {
  id: "c",
  name: "Four weeks",
  startDate: "2026-01-05",
  weeks: 4,
  // Training maxima: squat 150 × 0.9 = 135, bench 99 × 0.9 = 89.1, deadlift 180 × 0.9 = 162 kg.
  trainingMaximumShare: 0.9,
  rounding: { kg: 2.5 },
  maxima: [
    { exerciseId: "squat", kg: 150 },
    // Epley: 90 × (1 + 3/30) = 99 kg.
    { exerciseId: "bench", fromSet: { reps: 3, kg: 90 } },
    { exerciseId: "deadlift", kg: 180 },
  ],
  entries: [
    at(1, 1, "squat", [sets(5, 3, 0.75)]),
    at(1, 3, "bench", [sets(3, 5, 0.7)]),
    at(1, 5, "deadlift", [sets(4, 5, 0.7), sets(1, 5, 0.8, { asManyAsPossible: true })]),
    at(2, 1, "front-squat", [sets(4, 4, 0.75)], { maximumOf: "squat", ratio: 0.8 }),
    at(2, 3, "bench", [sets(4, 4, 0.75)]),
    at(2, 5, "deadlift", [sets(3, 3, 0.8)]),
    at(3, 1, "squat", [sets(3, 3, 0.85)]),
    at(3, 3, "bench", [sets(3, 3, 0.85)]),
    at(3, 5, "deadlift", [sets(3, 2, 0.9)]),
    at(4, 1, "squat", [sets(2, 3, 0.65)]),
    at(4, 3, "bench", [sets(2, 3, 0.65)]),
    at(4, 5, "deadlift", [sets(2, 3, 0.65)]),
  ],
};
const people = [{ id: "p", name: "Ana", settings: { e1rmFormula: "epley" } }];

interface Sum {
  numberOfLifts: number;
  volumeLoadKg: number;
  averageIntensity: number | null;
  shareOfLifts: number;
  shareOfVolumeLoad: number;
}
interface Sums {
  weeks: (Sum & { week: number })[];
  lifts: (Sum & { exerciseId: string })[];
  total: Sum;
}
interface Figures {
  cycles: (Sums & {
    maxima: { exerciseId: string; kg: number }[];
    loads: {
      week: number;
      weekday: number;
      exerciseId: string;
      sets: { reps: number; percent: number; kg: number }[];
    }[];
    asItStands: Sums;
  })[];
  phases: {
    endDate: string;
    days: number;
    passed: number;
    sessions: object;
    measures: { of: string; doneShare: number | null; heading?: object }[];
  }[];
  plannedLoad: object[];
}
const figures = (on: string, records: object) =>
  (contract(smallLog({ people, exercises, ...records }), mustDay(on)) as { people: [Figures] }).people[0];

describe("a cycle by percentage", () => {
  const [worked] = figures("2026-01-04", { cycles: [cycle] }).cycles;
  it("has its maxima: typed, or from a set by the formula in force", () => {
    expect(worked!.maxima).toEqual([
      { exerciseId: "squat", kg: 150 },
      { exerciseId: "bench", kg: 99 },
      { exerciseId: "deadlift", kg: 180 },
    ]);
  });
  it("has loads that can be loaded, to the nearest 2.5 kg, a tie going down", () => {
    expect(
      worked!.loads.map(({ week, weekday, sets }) => [week, weekday, ...new Set(sets.map(({ kg }) => kg))]),
    ).toEqual([
      // 0.75 × 135 = 101.25, between 100 and 102.5: down. 0.70 × 89.1 = 62.37. 0.70 × 162 = 113.4; 0.80 × 162 = 129.6.
      [1, 1, 100],
      [1, 3, 62.5],
      [1, 5, 112.5, 130],
      // The front squat goes by 0.8 of the squat: 0.75 × 0.9 × 0.8 × 150 = 81. 0.75 × 89.1 = 66.825.
      [2, 1, 80],
      [2, 3, 67.5],
      [2, 5, 130],
      // 0.85 × 135 = 114.75; 0.85 × 89.1 = 75.735; 0.90 × 162 = 145.8.
      [3, 1, 115],
      [3, 3, 75],
      [3, 5, 145],
      // 0.65 × 135 = 87.75; 0.65 × 89.1 = 57.915; 0.65 × 162 = 105.3.
      [4, 1, 87.5],
      [4, 3, 57.5],
      [4, 5, 105],
    ]);
    expect(worked!.loads[2]!.sets).toHaveLength(5);
  });
  it("sums lifts, load and intensity by week", () => {
    const { weeks, total } = worked!;
    // 15 + 15 + 25; 16 + 16 + 9; 9 + 9 + 6; 6 + 6 + 6.
    expect(weeks.map(({ numberOfLifts }) => numberOfLifts)).toEqual([55, 41, 24, 18]);
    // 15×100 + 15×62.5 + 20×112.5 + 5×130; 16×80 + 16×67.5 + 9×130; 9×115 + 9×75 + 6×145; 6×87.5 + 6×57.5 + 6×105.
    expect(weeks.map(({ volumeLoadKg }) => volumeLoadKg)).toEqual([5337.5, 3530, 2580, 1500]);
    // Of the maxima themselves, the front squat's 120 kg: (10 + 9.469697 + 12.5 + 3.611111) ÷ 55 and so on.
    const intensities = [
      (15 * (100 / 150) + 15 * (62.5 / 99) + 20 * (112.5 / 180) + 5 * (130 / 180)) / 55,
      (16 * (80 / 120) + 16 * (67.5 / 99) + 9 * (130 / 180)) / 41,
      (9 * (115 / 150) + 9 * (75 / 99) + 6 * (145 / 180)) / 24,
      (6 * (87.5 / 150) + 6 * (57.5 / 99) + 6 * (105 / 180)) / 18,
    ];
    weeks.forEach(({ averageIntensity }, index) => expect(averageIntensity).toBeCloseTo(intensities[index]!, 9));
    expect(intensities.map((one) => one.toFixed(4))).toEqual(["0.6469", "0.6848", "0.7730", "0.5825"]);
    expect(weeks.map(({ shareOfLifts }) => shareOfLifts.toFixed(4))).toEqual(["0.3986", "0.2971", "0.1739", "0.1304"]);
    expect(weeks[0]!.shareOfVolumeLoad).toBeCloseTo(5337.5 / 12947.5, 9);
    expect([total.numberOfLifts, total.volumeLoadKg]).toEqual([138, 12947.5]);
  });
  it("sums them by lift, a variation for itself", () => {
    expect(
      worked!.lifts.map(({ exerciseId, numberOfLifts, volumeLoadKg }) => [exerciseId, numberOfLifts, volumeLoadKg]),
    ).toEqual([
      // 15 + 9 + 6 lifts: 1500 + 1035 + 525.
      ["squat", 30, 3060],
      // 15 + 16 + 9 + 6: 937.5 + 1080 + 675 + 345.
      ["bench", 46, 3037.5],
      // 25 + 9 + 6 + 6: 2900 + 1170 + 870 + 630.
      ["deadlift", 46, 5570],
      ["front-squat", 16, 1280],
    ]);
  });
  it("in pounds is rounded to 5 lb, without changing a percentage", () => {
    const [pounds] = figures("2026-01-04", { cycles: [{ ...cycle, rounding: { lb: 5 } }] }).cycles;
    // 101.25 kg = 223.2 lb: 225 lb = 102.05828 kg. 62.37 kg = 137.5 lb, a hair above the tie: 137.502 → 140 lb.
    expect(pounds!.loads[0]!.sets[0]).toEqual({ reps: 3, percent: 0.75, kg: 102.0582833 });
    expect(pounds!.loads[1]!.sets[0]!.kg).toBeCloseTo(140 * 0.45359237, 6);
  });
  it("goes by the maximum in force when it began, whatever is lifted after", () => {
    const inForce = {
      ...cycle,
      maxima: [{ exerciseId: "squat" }],
      entries: cycle.entries.filter(({ exerciseId }) => exerciseId === "squat"),
    };
    const maxima = [
      { exerciseId: "squat", date: "2025-12-20", kg: 140, tested: true },
      { exerciseId: "squat", date: "2026-01-10", kg: 160, tested: true },
    ];
    for (const on of ["2026-01-04", "2026-01-20"])
      expect(figures(on, { cycles: [inForce], maxima }).cycles[0]!.maxima).toEqual([{ exerciseId: "squat", kg: 140 }]);
  });
  it("without a maximum has its lifts, no loads, and says why", () => {
    const [unknown] = figures("2026-01-04", { cycles: [{ ...cycle, maxima: [] }] }).cycles;
    expect(unknown!.maxima[0]).toEqual({ exerciseId: "squat", kg: null, reason: "the lift has no maximum" });
    expect(unknown!.total).toMatchObject({ numberOfLifts: 138, volumeLoadKg: 0, averageIntensity: null });
  });
});

describe("a cycle as it stands", () => {
  const done = (reps: number, kg: number) => ({ done: { reps, kg } });
  const session = (date: string, status: string, exerciseId: string, sets: object[]) => ({
    id: date,
    date,
    kind: "strength",
    status,
    cycleId: "c",
    week: 1,
    items: [{ id: "i", exerciseId, sets: sets.map((set, index) => ({ id: `s${index}`, ...set })) }],
  });
  const sessions = [
    session(
      "2026-01-05",
      "done",
      "squat",
      Array.from({ length: 5 }, () => done(3, 100)),
    ),
    session("2026-01-07", "skipped", "bench", [{ planned: { reps: 5, kg: 62.5 } }]),
    // The last set was of as many repetitions as possible: 8 in place of 5.
    session("2026-01-09", "done", "deadlift", [...Array.from({ length: 4 }, () => done(5, 112.5)), done(8, 130)]),
  ];
  const stands = (on: string, some = sessions) =>
    figures(on, { cycles: [cycle], sessions: some }).cycles[0]!.asItStands;

  it("takes done work in place of planned, skipped not at all, and what is to come as planned", () => {
    const { weeks, total } = stands("2026-01-10");
    // 55 lifts less 15 of the bench that was skipped, and 3 more of the deadlift: 43; 5337.5 − 937.5 + 3 × 130 = 4790.
    expect(weeks[0]).toMatchObject({ numberOfLifts: 43, volumeLoadKg: 4790 });
    expect(weeks[0]!.averageIntensity).toBeCloseTo((15 * (100 / 150) + 20 * (112.5 / 180) + 8 * (130 / 180)) / 43, 9);
    expect(weeks.slice(1).map(({ numberOfLifts }) => numberOfLifts)).toEqual([41, 24, 18]);
    expect(total).toMatchObject({ numberOfLifts: 126, volumeLoadKg: 12400 });
    expect(weeks[0]!.shareOfLifts).toBeCloseTo(43 / 126, 9);
  });
  it("as planned stays as it was", () => {
    expect(figures("2026-01-10", { cycles: [cycle], sessions }).cycles[0]!.weeks[0]).toMatchObject({
      numberOfLifts: 55,
    });
  });
  it("counts nothing for a day that passed without a session", () => {
    // The second week has passed and nothing was written: 43 + 0 + 24 + 18.
    expect(stands("2026-01-18").total.numberOfLifts).toBe(85);
    // On a day itself its work is still to come.
    expect(stands("2026-01-12").weeks[1]!.numberOfLifts).toBe(41);
    expect(stands("2026-01-13").weeks[1]!.numberOfLifts).toBe(25);
  });
  it("in a session under way counts what is done and what is still open of it", () => {
    const open = { planned: { reps: 3, kg: 100 } };
    const [half] = stands("2026-01-05", [
      session("2026-01-05", "partly", "squat", [done(3, 100), done(3, 105), open, open, open]),
    ]).weeks;
    // 5 sets of 3, one of them 5 kg heavier, then the bench and the deadlift as planned.
    expect(half).toMatchObject({ numberOfLifts: 55, volumeLoadKg: 5337.5 + 15 });
  });
});

describe("a phase", () => {
  const phase = {
    id: "f",
    name: "Stronger",
    startDate: "2026-01-05",
    days: 42,
    measures: [
      { of: "e1rm", exerciseId: "squat", to: 160 },
      { of: "bestTime", kind: "run", metres: 5000, to: 1380 },
      { of: "sessions", to: 12 },
      { of: "waist", to: 80 },
      { of: "weight", from: 80, to: 76 },
    ],
  };
  const records = {
    phases: [phase],
    maxima: [
      { exerciseId: "squat", date: "2025-12-20", kg: 140, tested: true },
      { exerciseId: "squat", date: "2026-01-18", kg: 150, tested: true },
    ],
    measures: [{ id: "waist", name: "Waist", unit: "cm" }],
    readings: [
      { measureId: "waist", date: "2026-01-02", value: 90 },
      { measureId: "waist", date: "2026-01-16", value: 86 },
    ],
    sessions: [
      { id: "a", date: "2025-12-28", kind: "run", status: "done", distance: { done: { metres: 5000, seconds: 1500 } } },
      { id: "b", date: "2026-01-08", kind: "run", status: "done", distance: { done: { metres: 6000, seconds: 1728 } } },
      { id: "c", date: "2026-01-10", kind: "run", status: "done", distance: { done: { metres: 4000, seconds: 1000 } } },
      { id: "d", date: "2026-01-12", kind: "row", status: "skipped", planned: { minutes: 40 } },
      { id: "e", date: "2026-01-14", kind: "row", status: "planned", planned: { minutes: 40 } },
      { id: "f", date: "2026-01-20", kind: "row", status: "planned", planned: { minutes: 40, effort: 3 } },
      { id: "g", date: "2026-01-27", kind: "row", status: "planned", planned: { minutes: 50, effort: 6 } },
    ],
  };
  const { phases, plannedLoad } = figures("2026-01-19", records);
  it("counts its days from the first to the last, both included", () => {
    // Monday 5 January to Sunday 15 February: 27 days of January and 15 of February.
    expect(phases[0]).toMatchObject({ endDate: "2026-02-15", days: 42, passed: 15 });
  });
  it("counts its sessions by how they were kept", () => {
    expect(phases[0]!.sessions).toEqual({ planned: 2, done: 0, partly: 0, skipped: 1, missed: 1, extra: 2, toCome: 2 });
  });
  it("is as far as its figures are", () => {
    expect(phases[0]!.measures).toEqual([
      // (150 − 140) ÷ (160 − 140).
      { of: "e1rm", exerciseId: "squat", from: 140, to: 160, now: 150, doneShare: 0.5 },
      // 6 km in 28:48 stand for 5 km in 24:00: (1440 − 1500) ÷ (1380 − 1500). The 4 km are too short.
      { of: "bestTime", kind: "run", metres: 5000, from: 1500, to: 1380, now: 1440, doneShare: 0.5 },
      // Of two that were due none was kept, two are to come: 2 + 2 × 0; beta-binomial: (0 + 1) ÷ 4, √(2 × ¼ × ¾ × 6 ÷ 5) = √0.45.
      {
        of: "sessions",
        from: 0,
        to: 12,
        now: 2,
        doneShare: 0.1666666667,
        heading: { value: 2, low80: 2, high80: Number((2 + 1.2815515655446004 * Math.sqrt(0.45)).toPrecision(10)) },
      },
      // (86 − 90) ÷ (80 − 90).
      { of: "waist", from: 90, to: 80, now: 86, doneShare: 0.4 },
      { of: "weight", from: 80, to: 76, now: null, doneShare: null, reason: "no weight is written" },
    ]);
  });
  it("is judged from its own days alone, and not before they begin", () => {
    expect(figures("2026-01-01", records).phases[0]!.measures.map(({ doneShare }) => doneShare)).toEqual([
      null,
      null,
      null,
      null,
      null,
    ]);
    // After its end it stays what it was on its last day.
    const later = figures("2026-06-01", {
      ...records,
      maxima: [...records.maxima, { exerciseId: "squat", date: "2026-03-01", kg: 170, tested: true }],
    });
    expect(later.phases[0]!.measures[0]!.doneShare).toBe(0.5);
  });
  it("planned minutes times planned effort are the load of this week and those to come", () => {
    // From Monday 19 January: 40 × 3 = 120; the week after 50 × 6 = 300.
    expect(plannedLoad).toEqual([
      { weekStart: "2026-01-19", sessionLoad: 120, minutes: 40 },
      { weekStart: "2026-01-26", sessionLoad: 300, minutes: 50 },
    ]);
  });
});
