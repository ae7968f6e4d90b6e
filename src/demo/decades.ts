import { dateOf, type Day, weekdayOf } from "@/core/base/calendar/day";
import type { Session, TrainingSet } from "@/core/log/kinds/sessions";
import { emptyLog, type Log, putRecord } from "@/core/log/log";
import type { AnyRecord, RecordKind, RecordOf } from "@/core/log/records";
import { ofFood } from "@/core/nutrition/energy";
import { starterFoods } from "@/core/nutrition/starterFoods";
import { starterExercises } from "@/core/strength/starterExercises";
import { Random } from "./random";

export const veteranId = "generated-1-veteran";

/** Two routines of five lifts, five sets each. */
const routines = [
  ["back-squat", "bench-press", "bench-pull", "chin-up", "romanian-deadlift"],
  ["deadlift", "front-squat", "overhead-press", "dumbbell-row", "back-extension"],
];
const mealNames = ["breakfast", "lunch", "dinner", "snack"];

/**
 * A log of many years, for trying how the application bears them: a weigh-in a day, 250 sessions a year (four in five
 * of lifting with 25 sets, the others runs and rows), about twenty lines of food a day. Twenty years hold 7,300
 * weigh-ins, 5,000 sessions with 100,000 sets, and 150,000 lines of food. The same day and years give the same log.
 */
export function decadesLog(today: Day, years: number): Log {
  const log = emptyLog();
  const random = new Random(years * 1000 + 7);
  let written = 0;
  const newId = (letter: string) =>
    `${(written++).toString(16).padStart(8, "0")}-${letter}000-7000-8000-${Math.floor(random.next() * 2 ** 32)
      .toString(16)
      .padStart(8, "0")}0a1b`;
  const add = <K extends RecordKind>(kind: K, record: RecordOf<K>) =>
    putRecord(log, kind, { revision: 1, changed: "2026-01-01T05:00:00.000Z/0000/decades0", ...record } as AnyRecord);
  for (const exercise of starterExercises) add("exercises", exercise);
  for (const food of starterFoods) add("foods", food);
  add("people", {
    id: veteranId,
    name: "Veteran",
    sex: "male",
    birthDate: dateOf(today - Math.round((years + 21) * 365.25)),
    heightCm: 180,
    weekStart: 1,
    settings: { e1rmFormula: "mean" },
  });
  const days = Math.round(years * 365);
  const first = today - days + 1;
  add("goals", {
    id: "generated-goal",
    personId: veteranId,
    of: "weight",
    startDate: dateOf(today - 60),
    startKg: 80,
    targetKg: 76,
    by: { date: dateOf(today + 90) },
  });
  add("energySettings", {
    id: "generated-energy",
    personId: veteranId,
    from: dateOf(first),
    equation: "mifflinStJeor",
    activityFactor: 1.6,
    sessionsInFactor: false,
  });
  for (let start = first, number = 1; start <= today; start += 42, number++)
    add("blocks", {
      id: `generated-block-${number}`,
      personId: veteranId,
      name: `Block ${number}`,
      startDate: dateOf(start),
      days: 42,
    });
  let water = 0;
  let strengths = 0;
  for (let day = first; day <= today; day++) {
    const date = dateOf(day);
    const owned = { personId: veteranId, date };
    water = 0.5 * water + random.normal(0.3);
    const kg = 79 + 4 * Math.abs((((day - first) / 400) % 2) - 1) + water + random.normal(0.25);
    add("weighIns", { id: newId("7"), ...owned, time: "06:30", kg: Math.round(kg * 10) / 10, primary: true });
    // 250 sessions a year: every day with an even remainder of 25 over 36.5.
    if (Math.floor(((day - first + 1) * 250) / 365) > Math.floor(((day - first) * 250) / 365)) {
      if (strengths % 5 === 4) add("sessions", covered(newId("8"), owned, random));
      else add("sessions", lifted(newId("8"), owned, routines[strengths % 2]!, (day - first) / 365, random));
      strengths += 1;
    }
    const lines = 20 + (day % 2 === 0 ? 1 : 0) + (weekdayOf(day) === 7 ? 1 : 0) - (day % 14 === 0 ? 1 : 0);
    for (let line = 0; line < lines; line++) {
      add("meals", {
        id: newId("9"),
        ...owned,
        meal: mealNames[line % 4]!,
        status: "eaten",
        ...ofFood(random.pick(starterFoods), 5 * (4 + Math.floor(random.next() * 30))),
      });
    }
  }
  return log;
}

function lifted(
  id: string,
  owned: { personId: string; date: string },
  routine: readonly string[],
  years: number,
  random: Random,
): Session {
  const items = routine.map((exerciseId, index) => {
    const exercise = starterExercises.find((one) => one.id === exerciseId)!;
    const kg =
      exercise.measure === "bodyweight-reps"
        ? 5
        : Math.round((50 + 10 * index + 2.5 * Math.min(years, 12) + random.normal(4)) / 2.5) * 2.5;
    const sets = Array.from({ length: 5 }, (_, at): TrainingSet => ({
      id: `s${at + 1}`,
      planned: { reps: 5, kg },
      done: { reps: random.chance(0.1) ? 4 : 5, kg, ...(at === 4 ? { rpe: 8 } : {}) },
    }));
    return { id: `i${index + 1}`, exerciseId, sets };
  });
  return {
    id,
    ...owned,
    time: "18:00",
    kind: "strength",
    title: "Strength",
    status: "done",
    minutes: 70,
    effort: 7,
    planned: { minutes: 70, effort: 7 },
    items,
  };
}

function covered(id: string, owned: { personId: string; date: string }, random: Random): Session {
  const metres = 100 * (50 + Math.floor(random.next() * 60));
  const seconds = Math.round(metres * (0.32 + random.normal(0.01)));
  return {
    id,
    ...owned,
    time: "07:00",
    kind: random.pick(["run", "row"]),
    title: "Steady",
    status: "done",
    minutes: Math.round(seconds / 60),
    effort: 5,
    distance: { purpose: "steady", done: { metres, seconds } },
  };
}
