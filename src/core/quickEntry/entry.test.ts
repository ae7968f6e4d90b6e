import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mustDay } from "../base/calendar/day";
import { metricUnits, Printer } from "../base/units/printer";
import type { EntryContext } from "../entry/parsedEntry";
import type { Meal } from "../log/kinds/meals";
import type { Session } from "../log/kinds/sessions";
import type { WeighIn } from "../log/kinds/weighIns";
import { starterFoods } from "../nutrition/starterFoods";
import { factorOf } from "../strength/e1rm";
import { starterExercises } from "../strength/starterExercises";
import { readEntry } from "./read";

const today = mustDay("2026-06-11"); // a Thursday
let next = 0;
const base: EntryContext = {
  personId: "p",
  day: today,
  today,
  printer: new Printer(metricUnits),
  exercises: starterExercises,
  kinds: [{ id: "k", name: "swim" }],
  foods: starterFoods,
  meals: ["breakfast", "lunch", "dinner", "After rowing", "Pre-workout"].map((name) => ({ id: name, name })),
  recipes: [{ id: "soup", name: "Lentil soup", portions: 4, ingredients: [{ foodId: "lentils", grams: 320 }] }],
  factorFor: () => factorOf.mean,
  sessionsOn: () => [],
  weighInOn: () => null,
  expectedKg: () => 72,
  bodyWeightOn: () => 72,
  bestOf: () => null,
  shareOf: () => null,
  noteOn: () => null,
  glassMl: null,
  mealsAgain: () => ({ change: [], eaten: [], kcal: 0 }),
  measures: [],
  lastReading: () => null,
  dateOrder: null,
  newId: () => `id${next++}`,
};
const read = (text: string, context: Partial<EntryContext> = {}) => readEntry(text, { ...base, ...context });
const only = <T>(text: string, context: Partial<EntryContext> = {}): T => {
  const { change, problems } = read(text, context);
  expect(problems).toEqual([]);
  expect(change).toHaveLength(1);
  return (change![0] as { put: T }).put;
};
const setsOf = (session: Session) =>
  session.items!.flatMap(({ sets }) => sets.map(({ done, warmUp }) => ({ ...done, ...(warmUp ? { warmUp } : {}) })));

describe("weigh-ins", () => {
  it("takes no day beyond those a log may speak of, and says which are", () => {
    for (const [text, why] of [
      ["1000-01-01: 71.6", "only dates from 1900 to 2100"],
      ["9999-12-31: 71.6", "only dates from 1900 to 2100"],
      ["2026-02-30: 71.6", "There is no day 2026-02-30"],
      ["1899-12-31: run 5 km 25:00", "only dates"],
      ["2101-01-01: 80 g oats", "only dates"],
    ] as const) {
      const found = read(text);
      expect([text, found.change, found.choices, found.problems.length]).toEqual([text, null, [], 1]);
      expect(found.problems[0]!.message).toContain(why);
      expect(text.slice(found.problems[0]!.start, found.problems[0]!.end)).toBe(text.slice(0, 11));
    }
    expect(read("1900-01-01: 71.6").change).not.toBeNull();
  });
  it("are a number, perhaps a unit, a time, a note", () => {
    expect(only<WeighIn>("71.4")).toMatchObject({ kg: 71.4, date: "2026-06-11", primary: true });
    expect(only<WeighIn>("71,4")).toMatchObject({ kg: 71.4 });
    expect(only<WeighIn>("71.4 kg 06:40 slept badly")).toMatchObject({ kg: 71.4, time: "06:40", note: "slept badly" });
    expect(only<WeighIn>("71.4 6:40")).toMatchObject({ time: "06:40" });
    expect(only<WeighIn>("160 lb").kg).toBeCloseTo(72.5748, 4);
    expect(only<WeighIn>("yesterday: 71.9").date).toBe("2026-06-10");
    expect(only<WeighIn>("mon: 71.9").date).toBe("2026-06-08");
    expect(only<WeighIn>("thu: 71.9").date).toBe("2026-06-11");
    expect(only<WeighIn>("2026-02-01: 71.9").date).toBe("2026-02-01");
  });
  it("change the one that is there, keeping what it knew", () => {
    const held: WeighIn = { id: "w", personId: "p", date: "2026-06-11", kg: 72, note: "late dinner", primary: true };
    expect(only<WeighIn>("71.4", { weighInOn: () => held })).toEqual({ ...held, kg: 71.4 });
  });
  it("are questioned when far off, refused when impossible", () => {
    expect(read("7.1").problems[0]?.message).toContain("no body weight");
    expect(read("18.4").caution).toContain("far from");
    expect(read("158").caution).toContain("far from");
    expect(read("72.5").caution).toBeNull();
    expect(read("tomorrow: 71").change).toBeNull();
    expect(read("0").change).toBeNull();
    expect(read("99999").change).toBeNull();
  });
});

describe("sets", () => {
  it("are sets by reps, or load by reps", () => {
    expect(setsOf(only("front squat 3x6 90 kg"))).toEqual([
      { reps: 6, kg: 90 },
      { reps: 6, kg: 90 },
      { reps: 6, kg: 90 },
    ]);
    expect(setsOf(only("front squat 90 kg x 6, 95 kg x 4 rpe 9"))).toEqual([
      { reps: 6, kg: 90 },
      { reps: 4, kg: 95, rpe: 9 },
    ]);
    expect(setsOf(only("Front Squat 3 × 6 at 72,5 rir 2"))).toEqual(Array(3).fill({ reps: 6, kg: 72.5, rpe: 8 }));
    expect(setsOf(only("deadlift 225 lb x 5")).map(({ kg }) => kg)).toEqual([expect.closeTo(102.05828325, 8)]);
    expect(setsOf(only("deadlift 60 kg x 5 warm-up, 100 kg x 5"))).toEqual([
      { reps: 5, kg: 60, warmUp: true },
      { reps: 5, kg: 100 },
    ]);
    expect(setsOf(only("chin-up 3x6"))).toEqual(Array(3).fill({ reps: 6, kg: 0 }));
    expect(setsOf(only("chin-up 3x6 +10"))).toEqual(Array(3).fill({ reps: 6, kg: 10 }));
    expect(setsOf(only("side plank 3x40 s"))).toEqual(Array(3).fill({ seconds: 40 }));
  });
  it("show what they come to", () => {
    const { fields } = read("front squat 3x6 72.5 kg rpe 8");
    expect(fields.map(({ text }) => text)).toEqual([
      "Front squat",
      "3 × 6 at 72.5 kg, RPE 8",
      "18 lifts, 1,305 kg",
      expect.stringMatching(/^9\d\.\d kg$/) as string,
    ]);
  });
  it("ask instead of guessing", () => {
    const squat = read("squat 3x6 90 kg");
    expect(squat.change).toBeNull();
    expect(squat.choices.map(({ label }) => label)).toEqual([
      "Back squat",
      "Front squat",
      "High-bar squat",
      "Low-bar squat",
      "Box squat",
      "Paused squat",
    ]);
    expect(setsOf(only(squat.choices[1]!.text))).toHaveLength(3);
    const load = read("deadlift 15x5, 16x5");
    expect(load.change).toBeNull();
    expect(setsOf(only(load.choices[0]!.text))).toEqual([
      { reps: 5, kg: 15 },
      { reps: 5, kg: 16 },
    ]);
    expect(read("deadlift 3x6").problems[0]?.message).toContain("load is missing");
    expect(read("deadlift").problems[0]?.message).toContain("missing");
    expect(read("deadlift 3x6 90 kg rpe 11").change).toBeNull();
    expect(read("deadlift 0x6 90 kg").change).toBeNull();
  });
  it("fill the planned sets of the day first", () => {
    const planned: Session = {
      id: "s",
      personId: "p",
      date: "2026-06-11",
      kind: "strength",
      status: "planned",
      title: "B",
      items: [
        {
          id: "i",
          exerciseId: "deadlift",
          sets: [
            { id: "1", planned: { reps: 5, kg: 100 } },
            { id: "2", planned: { reps: 5, kg: 100 } },
          ],
        },
      ],
    };
    const one = only<Session>("deadlift 100 kg x 5", { sessionsOn: () => [planned] });
    expect(one).toMatchObject({ id: "s", status: "partly", title: "B" });
    expect(one.items![0]!.sets).toMatchObject([{ id: "1", done: { reps: 5, kg: 100 } }, { id: "2" }]);
    const more = only<Session>("deadlift 3x5 100", { sessionsOn: () => [one] });
    expect(more.status).toBe("done");
    expect(more.items![0]!.sets).toHaveLength(4);
  });
});

describe("runs and rows", () => {
  it("read distance, time, purpose, effort and note in any order", () => {
    expect(only<Session>("run 6 km 33:10 easy")).toMatchObject({
      kind: "run",
      status: "done",
      distance: { done: { metres: 6000, seconds: 1990 }, purpose: "easy" },
    });
    expect(only<Session>("row 4x500 m 1:52")).toMatchObject({
      kind: "row",
      distance: { done: { metres: 2000, seconds: 448 }, purpose: "interval" },
    });
    expect(only<Session>("run 33:10 6 km rpe 4 windy")).toMatchObject({ effort: 4, note: "windy", minutes: 1990 / 60 });
    expect(only<Session>("ran 3 mi 25 min").distance!.done).toMatchObject({
      metres: expect.closeTo(4828.032, 6) as number,
      seconds: 1500,
    });
    expect(only<Session>("swim 1500 m 30:00").kind).toBe("swim");
    expect(read("row 4x500 m 1:52").fields.find(({ label }) => label === "split")?.text).toBe("1:52.0 /500 m");
  });
  it("ask whether a time is a split, and refuse the impossible", () => {
    const { change, choices } = read("row 2000 m 1:52");
    expect(change).toBeNull();
    expect(only<Session>(choices[0]!.text).distance!.done).toEqual({ metres: 2000, seconds: 448 });
    expect(only<Session>("run 6 km 33:10 450 kcal net")).toMatchObject({ kcal: 450, kcalIs: "net" });
    expect(only<Session>("row 30 min 1255.2 kJ total").kcal).toBeCloseTo(300, 9);
    expect(read("run 6 km 33:10 450 kcal").choices.map(({ text }) => text)).toEqual([
      "run 6 km 33:10 450 kcal gross",
      "run 6 km 33:10 450 kcal net",
    ]);
    expect(read("run 10 km 10:00").change).toBeNull();
    expect(read("run").change).toBeNull();
    expect(read("run 5 km 20:75").change).toBeNull();
    expect(read("tomorrow: run 5 km 25:00").change).toBeNull();
  });
  it("fill the planned one", () => {
    const planned: Session = {
      id: "s",
      personId: "p",
      date: "2026-06-11",
      kind: "run",
      status: "planned",
      distance: { planned: { metres: 6000 }, purpose: "easy" },
    };
    expect(only<Session>("run 6 km 33:10", { sessionsOn: () => [planned] })).toMatchObject({
      id: "s",
      status: "done",
      distance: { planned: { metres: 6000 }, done: { seconds: 1990 }, purpose: "easy" },
    });
  });
  it("skip with a reason", () => {
    const planned = (id: string, title: string): Session => ({
      id,
      personId: "p",
      date: "2026-06-11",
      kind: "run",
      status: "planned",
      title,
    });
    expect(only<Session>("skip calf", { sessionsOn: () => [planned("a", "Easy run")] })).toMatchObject({
      status: "skipped",
      reason: "calf",
    });
    const both = read("skip", { sessionsOn: () => [planned("a", "Easy run"), planned("b", "Row")] });
    expect(both.choices.map(({ text }) => text)).toEqual(["skip Easy run", "skip Row"]);
    expect(read("skip").change).toBeNull();
  });
});

describe("foods", () => {
  it("by volume weigh what a millilitre of them does, and a recipe weighs what it did cooked", () => {
    const oil = { id: "oil", name: "Olive oil", per100g: { kcal: 900 }, gramsPerMl: 0.92 };
    const stew = {
      id: "stew",
      name: "Bean stew",
      portions: 4,
      cookedGrams: 1400,
      ingredients: [{ foodId: "oil", grams: 100 }],
    };
    const known = { foods: [oil], recipes: [stew] };
    // 10 ml of 0.92 g each; 525 g of portions that weigh 1400 ÷ 4 = 350 g.
    expect(only<Meal>("10 ml olive oil", known)).toMatchObject({ grams: expect.closeTo(9.2, 9) as number });
    expect(only<Meal>("525 g bean stew", known)).toMatchObject({ recipeId: "stew", portions: 1.5 });
    expect(read("200 g lentil soup").problems[0]!.message).toMatch(/counted in portions.*cooked weight/);
  });
  it("read amounts, portions and meals", () => {
    const { change, date } = read("yesterday: 2 eggs, 80 g oats");
    expect(date).toBe("2026-06-10");
    expect(
      change!.map((step) => {
        const meal = (step as { put: Meal }).put;
        return [meal.foodId, meal.grams, meal.status];
      }),
    ).toEqual([
      ["eggs", 116, "eaten"],
      ["oats", 80, "eaten"],
    ]);
    expect(only<Meal>("breakfast: 80 g oats")).toMatchObject({
      meal: "breakfast",
      grams: 80,
      nutrients: { protein: expect.closeTo(10.8, 9) as number },
    });
    expect(only<Meal>("2 slices of rye bread")).toMatchObject({ foodId: "rye-bread", grams: 90 });
    expect(only<Meal>("half a portion lentil soup")).toMatchObject({ recipeId: "soup", portions: 0.5 });
    expect(only<Meal>("an apple")).toMatchObject({ grams: 160 });
    expect(only<Meal>("tomorrow: 140 g salmon")).toMatchObject({ status: "planned" });
    expect(only<Meal>("1,5 kg potatoes")).toMatchObject({ grams: 1500 });
    // Meals of the trainee's own, which may be called after what they follow; one alone behind the foods.
    for (const text of ["after rowing: 80 g oats", "After Rowing - 80 g oats", "AFTER ROWING: oats 80 g"])
      expect(only<Meal>(text)).toMatchObject({ meal: "After rowing", foodId: "oats", grams: 80 });
    expect(only<Meal>("80 g oats for pre-workout")).toMatchObject({ meal: "Pre-workout", grams: 80 });
    expect(only<Meal>("pre workout: 80 g oats")).toMatchObject({ meal: "Pre-workout" });
    expect(only<Meal>("yesterday pre-workout: 80 g oats")).toMatchObject({ meal: "Pre-workout", date: "2026-06-10" });
    expect(only<Meal>("supper 80 g oats")).toMatchObject({ meal: "dinner" });
    expect(read("after rowing:").problems[0]!.message).toContain("Foods are missing");
    expect(read("rowing: 6 km 25:00").change?.[0]).toMatchObject({ kind: "sessions" });
  });
  it("ask what is meant", () => {
    const bread = read("2 slices bread");
    expect(bread.choices.map(({ text }) => text)).toEqual(["2 slices Rye bread", "2 slices Wheat bread"]);
    expect(only<Meal>(bread.choices[0]!.text)).toMatchObject({ foodId: "rye-bread", grams: 90 });
    expect(read("50 g bread").choices.map(({ label }) => label)).toEqual(["Rye bread", "Wheat bread"]);
    expect(only<Meal>(read("dinner: 50 g bread").choices[0]!.text)).toMatchObject({
      foodId: "rye-bread",
      grams: 50,
      meal: "dinner",
    });
    expect(read("lentils").change).toBeNull();
    expect(read("breakfast: 80 g oats, 5 g moonrock").problems).toEqual([
      { start: 22, end: 34, message: expect.stringContaining("moonrock") as string, makes: "moonrock" },
    ]);
    for (const text of ["2 moonrocks", "half a moonrock", "1/2 moonrock", "two portions of moonrock"])
      expect(read(text).problems[0], text).toMatchObject({ makes: expect.stringMatching(/^moonrocks?$/) as string });
    expect(read("2 large eggs").choices.map(({ text }) => text)).toEqual(["2 egg"]);
  });
  it("in halves, thirds and sums, as people say them", () => {
    const portions = (text: string) => only<Meal>(text).portions;
    expect(portions("a third of a lentil soup")).toBeCloseTo(1 / 3, 12);
    expect(portions("two thirds of the lentil soup")).toBeCloseTo(2 / 3, 12);
    expect(portions("one and a half lentil soup")).toBe(1.5);
    expect(portions("2 and a quarter lentil soup")).toBe(2.25);
    // Three of 55 g.
    expect(only<Meal>("3*55 g eggs")).toMatchObject({ grams: 165 });
    expect(only<Meal>("2 x 125 g oats")).toMatchObject({ grams: 250 });
    expect(read("2 eggs and a half lentil soup").change).toHaveLength(2);
  });
  it("by their energy alone at a meal that is said; without one it is asked, and of a known food how much", () => {
    expect(only<Meal>("lunch: pizza 900 kcal, 40 g protein and 30 g fat")).toMatchObject({
      meal: "lunch",
      name: "Pizza",
      nutrients: { kcal: 900, protein: 40, fat: 30 },
    });
    expect(only<Meal>("dinner 2720 kJ")).toMatchObject({ name: "Dinner", nutrients: { kcal: 2720 / 4.184 } });
    expect(read("lunch: pizza 900 kcal, 2 eggs").change).toHaveLength(2);
    expect(read("pizza 900 kcal").choices.map(({ text }) => text)).toContain("dinner: pizza 900 kcal");
    expect(read("dinner: oats 370 kcal").choices[0]!.text).toMatch(/^dinner: \d+ g Oats$/);
    for (const text of ["lunch 1,200 kcal", "lunch 1.200 kcal", "lunch 1200kcal"])
      expect(only<Meal>(text).nutrients, text).toEqual({ kcal: 1200 });
    expect(only<Meal>("lunch: pizza - 900 kcal")).toMatchObject({ name: "Pizza", nutrients: { kcal: 900 } });
    expect(only<Meal>("lunch 0,125 kcal").nutrients).toEqual({ kcal: 0.125 });
    // Of grams and millilitres a mark before three figures is asked about.
    expect(read("dinner: 1,200 g potatoes").choices.map(({ text }) => text)).toEqual(["dinner: 1200 g potatoes"]);
    expect(read("1.500 ml water").choices.map(({ text }) => text)).toEqual(["1500 ml water"]);
    expect(only<Meal>("0,125 kg oats")).toMatchObject({ grams: 125 });
    expect(only<Meal>("about 700 kcal lunch")).toMatchObject({ meal: "lunch", nutrients: { kcal: 700 } });
    expect(read("lunch: 2 eggs 140 kcal").choices.map(({ text }) => text)).toEqual(["lunch: 2 eggs"]);
    for (const text of [
      "lunch: pizza 900 kcal 12",
      "lunch: pizza 90 kcal 40 g protein",
      "lunch: pizza -900 kcal",
      "run 6 km 33:10 -450 kcal net",
      "lunch: pizza 99000 kcal",
      "lunch: pizza 900 kcal 5 g protein 6 g protein",
    ])
      expect(read(text).change, text).toBeNull();
  });
});

describe("anything", () => {
  it("completes from the trainee's own names", () => {
    expect(read("front s").completions).toEqual([{ label: "Front squat", text: "Front squat " }]);
    expect(read("80 g oa").choices).toEqual([{ label: "Oats", text: "80 g Oats" }]);
    expect(read("oa").completions).toEqual([]);
    expect(read("100 g be").choices.map(({ text }) => text)).toEqual([
      "100 g Berries, mixed",
      "100 g Beef mince, 10 %",
      "100 g Beer",
    ]);
  });
  it("never throws, and either says what it writes or what is wrong", () => {
    const word = fc.constantFrom(
      "squat",
      "run",
      "row",
      "3x6",
      "90",
      "kg",
      "x",
      "71,4",
      ",",
      ":",
      "rpe",
      "@",
      "oats",
      "g",
      "80",
      "skip",
      "yesterday:",
      "6 km",
      "33:10",
      "-5",
      "½",
      "\u0000",
      "é",
      "(",
      "$",
      "1e9",
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(word, { maxLength: 8 }).map((words) => words.join(" ")),
        ),
        (text) => {
          const { change, problems, choices, kind } = read(text);
          if (kind !== "empty") expect(change !== null || problems.length > 0 || choices.length > 0).toBe(true);
          for (const problem of problems) expect(problem.end).toBeGreaterThan(problem.start);
        },
      ),
      { numRuns: 2000 },
    );
  });
});

describe("an exercise that is not there yet", () => {
  it("is added with its sets after a second Enter, and only when it is sets", () => {
    const { change, caution, fields } = read("Zottman lifts 3x12 10 kg");
    expect(caution).toContain('"Zottman lifts" is not in your library yet');
    expect(fields.find(({ label }) => label === "sets")!.text).toBe("3 × 12 at 10 kg");
    expect(change).toHaveLength(2);
    expect(change![0]).toMatchObject({ kind: "exercises", put: { name: "Zottman lifts", group: "other" } });
    expect(read("flurb 12").change).toBeNull();
    expect(read("flurb").change).toBeNull();
  });
});

describe("what stands at an edge", () => {
  it("a share of nothing, of more than 150 %, and a time of nothing are refused", () => {
    // Of a maximum of 200 kg, 75 % are 150 kg.
    expect(read("front squat 3x5 75 %", { shareOf: (_, share) => share * 200 }).fields).toContainEqual({
      label: "sets",
      text: "3 × 5 at 150 kg",
    });
    const shareOf = () => 100;
    for (const text of ["back squat 3x5 0 %", "back squat 3x5 151 %", "run 5 km 0:00"]) {
      const { change, problems } = read(text, { shareOf });
      expect([text, change, problems.length > 0]).toEqual([text, null, true]);
    }
    for (const text of ["back squat 3x5 1 %", "back squat 3x5 150 %"])
      expect([text, read(text, { shareOf }).change]).not.toEqual([text, null]);
  });
  it("a mark inside brackets parts nothing, one behind them does", () => {
    const { change, problems } = read("72.1 (slept well; up late); run 5 km 25:00");
    expect(problems).toEqual([]);
    expect(change).toHaveLength(2);
    expect((change![0] as { put: WeighIn }).put.note).toBe("slept well; up late");
  });
  it("a name in quotes is underlined whole where its sets are missing", () => {
    const { problems } = read('"log press"');
    expect(problems.map(({ start, end }) => '"log press"'.slice(start, end))).toEqual(["log press"]);
  });
});
