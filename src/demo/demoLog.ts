import type { DayTarget } from "@/core/log/kinds/energySettings";
import { dateOf, type Day, weekStartOf } from "@/core/base/calendar/day";
import type { Person } from "@/core/log/kinds/people";
import type { Session } from "@/core/log/kinds/sessions";
import { emptyLog, type Log, putRecord } from "@/core/log/log";
import type { AnyRecord, RecordKind, RecordOf } from "@/core/log/records";
import { starterFoods } from "@/core/nutrition/starterFoods";
import { starterExercises } from "@/core/strength/starterExercises";
import { type Life, live, type LivedDay } from "./days";
import { dayMeals, energyOfMeals, lentilSoup, oatBars } from "./meals";
import { demoClasses, demoCycle, demoRoutines } from "./plan";
import { Random } from "./random";
import { partnerSessions, rowerSessions } from "./sessions";

export const rowerId = "demo-1-rower";
export const partnerId = "demo-2-partner";

/** Days of the rower's history before today, and of the partner's. */
const rowerDays = 273;
const partnerDays = 112;

/**
 * The made-up demo household as it stands on a day: a coastal rower who must weigh in at 71.0 kg in nine weeks, and a
 * training partner who is adding muscle. The same day gives the same log, to the last digit.
 */
export function demoLog(today: Day): Log {
  const log = emptyLog();
  for (const exercise of starterExercises) add(log, "exercises", exercise);
  for (const food of starterFoods) add(log, "foods", food);
  for (const recipe of [lentilSoup, oatBars]) add(log, "recipes", recipe);
  add(log, "kinds", { id: "mobility", name: "mobility", mark: "ring" });
  add(log, "measures", { id: "waist", name: "Waist", unit: "cm", aggregate: "last" });
  add(log, "measures", { id: "body-fat", name: "Body fat", unit: "%", aggregate: "last" });
  addRower(log, today);
  addPartner(log, today);
  return log;
}

function add<K extends RecordKind>(log: Log, kind: K, record: RecordOf<K>): void {
  putRecord(log, kind, { revision: 1, changed: "2026-01-01T05:00:00.000Z/0000/demo", ...record } as AnyRecord);
}

const person = (id: string, name: string, sex: Person["sex"], birthDate: string, heightCm: number): Person => ({
  id,
  name,
  sex,
  birthDate,
  heightCm,
  units: { mass: "kg", distance: "km", energy: "kcal" },
  weekStart: 1,
  settings: { e1rmFormula: "mean" },
});

function addRower(log: Log, today: Day): void {
  const random = new Random(20_260_611);
  const firstDay = today - rowerDays;
  const goalStart = today - 98;
  const deadline = today + 63;
  const illness = (day: Day) => day >= today - 71 && day < today - 66;
  const holiday = (day: Day) => day >= today - 47 && day < today - 37;
  const aim = (day: Day) =>
    day < goalStart
      ? 73.6 + (1.7 * (day - firstDay)) / (goalStart - firstDay)
      : 75.2 - (4.5 * (day - goalStart)) / (deadline - goalStart);
  const life: Life = {
    firstDay,
    lastDay: today,
    startKg: 73.6,
    heightCm: 179,
    ageYears: 31,
    sex: "male",
    aim,
    illness,
    holiday,
    minutes: { 1: 55, 2: 35, 3: 30, 4: 85, 5: 10, 6: 60, 7: 75 },
    weighs: 0.93,
  };

  add(log, "people", {
    ...person(rowerId, "Rower", "male", dateOf(today - 31 * 365 - 130), 179),
    settings: { e1rmFormula: "mean", totalLifts: ["back-squat", "bench-press", "deadlift"] },
  });
  add(log, "goals", {
    id: "rower-goal",
    personId: rowerId,
    of: "weight",
    startDate: dateOf(goalStart),
    startKg: 75.3,
    targetKg: 71,
    limit: true,
    by: { date: dateOf(deadline) },
    why: "Weigh-in of the lightweight class at the harbour regatta",
  });
  add(log, "energySettings", {
    id: "rower-energy",
    personId: rowerId,
    from: dateOf(firstDay),
    equation: "mifflinStJeor",
    activityFactor: 1.65,
    sessionsInFactor: true,
    targets: { training: rowerTargets, rest: { ...rowerTargets, water: 2000 } },
  });
  add(log, "maxima", {
    id: "rower-squat-test",
    personId: rowerId,
    exerciseId: "back-squat",
    date: dateOf(today - 101),
    kg: 115,
    tested: true,
  });

  const monday = weekStartOf(firstDay, 1);
  ["Base one", "Base two", "Build one", "Build two", "Build three", "Build four", "Sharpening"].forEach((name, index) =>
    add(log, "blocks", {
      id: `rower-block-${index + 1}`,
      personId: rowerId,
      name,
      startDate: dateOf(monday + 42 * index),
      days: 42,
      easyWeeks: [6],
      aim: "Five weeks rising, the sixth lighter",
    }),
  );
  add(log, "phases", {
    id: "rower-phase-base",
    personId: rowerId,
    name: "Winter base",
    aim: "get stronger",
    startDate: dateOf(monday),
    days: goalStart - monday,
    intention: "Lift heavier while the water is cold.",
    measures: [{ of: "e1rm", exerciseId: "back-squat", from: 105, to: 120 }],
  });
  add(log, "phases", {
    id: "rower-phase-weight",
    personId: rowerId,
    name: "To the regatta",
    aim: "make a weight",
    startDate: dateOf(goalStart),
    days: deadline - goalStart + 1,
    intention: "Lighter by the day, no weaker on the bar.",
    why: "The lightweight class at the harbour regatta",
    measures: [
      { of: "weight", from: 75.3, to: 71 },
      { of: "e1rm", exerciseId: "back-squat", to: 135 },
      { of: "sessions", to: 130 },
    ],
  });
  liveAndWrite(log, rowerId, life, random, today);
  const when = { random: new Random(7), personId: rowerId, today, firstDay, illness, holiday };
  // The week that runs, and the one after it, are planned.
  const sessions: Session[] = [];
  for (let day = firstDay; day <= weekStartOf(today, 1) + 13; day++) sessions.push(...rowerSessions({ ...when, day }));
  const { cycle, tagged } = demoCycle(rowerId, today, sessions);
  const { routines, week } = demoRoutines(rowerId, sessions);
  for (const session of [...sessions, ...tagged, ...demoClasses(rowerId, today)]) add(log, "sessions", session);
  add(log, "cycles", cycle);
  for (const routine of routines) add(log, "routines", routine);
  add(log, "standardWeeks", week);
  const evening = new Random(31);
  const notes: [number, string][] = [
    [-71, "fever, stayed in bed"],
    [-47, "holiday: no scale, no barbell"],
    [-12, "dinner at the boathouse"],
    [-5, "cut short, calf"],
    [-2, "slept badly"],
  ];
  for (const [offset, text] of notes) addNote(log, rowerId, today + offset, { text });
  for (let day = today - 61; day < today; day += 4) {
    const morning = log.records.weighIns.get(`${rowerId}-weighed-${dateOf(day)}`);
    if (morning)
      add(log, "weighIns", {
        id: `rower-evening-${dateOf(day)}`,
        personId: rowerId,
        date: dateOf(day),
        time: "20:30",
        kg: Math.round((morning.kg + 0.9 + evening.normal(0.3)) * 10) / 10,
        primary: false,
        note: "evening",
      });
  }
  for (let day = firstDay + 3; day <= today; day += 14) {
    const done = (day - firstDay) / rowerDays;
    add(log, "readings", {
      id: `rower-waist-${dateOf(day)}`,
      personId: rowerId,
      measureId: "waist",
      date: dateOf(day),
      value: Math.round((82.5 - 3 * done + random.normal(0.3)) * 10) / 10,
      method: "tape",
    });
  }
  for (let day = firstDay + 5; day <= today; day += 60)
    add(log, "readings", {
      id: `rower-fat-${dateOf(day)}`,
      personId: rowerId,
      measureId: "body-fat",
      date: dateOf(day),
      value: Math.round((15.5 - (2.2 * (day - firstDay)) / rowerDays) * 10) / 10,
      method: "skinfolds",
    });
}

function addPartner(log: Log, today: Day): void {
  const random = new Random(4_711);
  const firstDay = today - partnerDays;
  const never = () => false;
  const life: Life = {
    firstDay,
    lastDay: today,
    startKg: 62.4,
    heightCm: 168,
    ageYears: 27,
    sex: "female",
    aim: (day) => 62.4 + 0.16 * ((day - firstDay) / 7),
    illness: never,
    holiday: never,
    minutes: { 1: 50, 2: 10, 3: 50, 4: 10, 5: 50, 6: 10, 7: 10 },
    weighs: 0.6,
    held: (day) => (day >= today - 58 ? 0.9 : 0),
  };
  add(log, "people", {
    ...person(partnerId, "Training partner", "female", dateOf(today - 27 * 365 - 40), 168),
    settings: { e1rmFormula: "epley" },
  });
  add(log, "goals", {
    id: "partner-goal",
    personId: partnerId,
    of: "weight",
    startDate: dateOf(firstDay),
    startKg: 62.4,
    targetKg: 66,
    by: { rateKgPerWeek: 0.15 },
    why: "Stronger for the double",
  });
  add(log, "energySettings", {
    id: "partner-energy",
    personId: partnerId,
    from: dateOf(firstDay),
    equation: "mifflinStJeor",
    activityFactor: 1.6,
    sessionsInFactor: true,
    targets: { training: { protein: 115 }, rest: { protein: 115 } },
  });
  liveAndWrite(log, partnerId, life, random, today);
  addNote(log, partnerId, today - 58, { text: "creatine begun, 5 g a day", levelMayJump: true });
  const when = { random: new Random(11), personId: partnerId, today, firstDay, illness: never, holiday: never };
  for (let day = firstDay; day <= today + 4; day++)
    for (const session of partnerSessions({ ...when, day })) add(log, "sessions", session);
}

/** What the rower asks of a day: protein by weight, carbohydrate what the others leave. */
const rowerTargets: DayTarget = {
  protein: { gramsPerKg: 1.8, direction: "atLeast" },
  fat: { grams: 60, to: 90, direction: "between" },
  carbohydrate: { shareOfRest: 1 },
  fibre: { grams: 35, direction: "atLeast" },
  sugars: { grams: 110, direction: "atMost" },
  water: 2500,
};

/**
 * Lives the days and writes what was weighed, eaten and drunk; today's later meals and three days to come are planned.
 */
function liveAndWrite(log: Log, personId: string, life: Life, random: Random, today: Day): void {
  const eat = ({ day, wantedKcal }: LivedDay) => {
    const meals = dayMeals(random, personId, day, wantedKcal, (meal) =>
      day === today && meal !== "breakfast" ? "planned" : "eaten",
    );
    // Now and then dinner goes unwritten: the day is left open, what was eaten still counts for the body.
    const forgot = day < today && random.chance(life.holiday(day) ? 0.6 : 0.05);
    for (const meal of meals) if (!(forgot && meal.meal === "dinner")) add(log, "meals", meal);
    if (!forgot && day < today) addNote(log, personId, day, { foodComplete: true });
    if (day < today)
      add(log, "water", {
        id: `${personId}-water-${dateOf(day)}`,
        personId,
        date: dateOf(day),
        ml: Math.round((2000 + random.normal(300)) / 100) * 100,
      });
    return energyOfMeals(meals);
  };
  const days = live(life, random, eat);
  for (const { day, scaleKg } of days)
    if (scaleKg !== null || day === today)
      addWeighIn(log, personId, day, scaleKg ?? Math.round(days.at(-1)!.tissueKg * 10) / 10);
  for (let ahead = 1; ahead <= 3; ahead++)
    for (const meal of dayMeals(random, personId, today + ahead, days.at(-1)!.wantedKcal, () => "planned"))
      if (meal.meal !== "snack") add(log, "meals", meal);
}

function addWeighIn(log: Log, personId: string, day: Day, kg: number): void {
  add(log, "weighIns", {
    id: `${personId}-weighed-${dateOf(day)}`,
    personId,
    date: dateOf(day),
    time: "06:40",
    kg,
    primary: true,
  });
}

/** A day has one note: a second remark about it adds to the first. */
function addNote(log: Log, personId: string, day: Day, fields: Partial<RecordOf<"dayNotes">>): void {
  const id = `${personId}-note-${dateOf(day)}`;
  add(log, "dayNotes", { ...log.records.dayNotes.get(id), id, personId, date: dateOf(day), ...fields });
}
