import { dateOf, type Day, weekdayOf } from "@/core/base/calendar/day";
import type { Item, Session, TrainingSet } from "@/core/log/kinds/sessions";
import { starterExercises } from "@/core/strength/starterExercises";
import type { Random } from "./random";

/** One exercise of a routine: sets × reps, the load it begins with and what a good month adds. */
type Line = [exercise: string, sets: number, reps: number, startKg: number, kgPerMonth: number];

interface Routine {
  title: string;
  lines: Line[];
}

const strengthA: Routine = {
  title: "Strength A",
  lines: [
    ["back-squat", 4, 5, 82.5, 3],
    ["bench-press", 4, 6, 55, 1.2],
    ["bench-pull", 4, 8, 50, 1.5],
    ["chin-up", 3, 6, 0, 1],
    ["side-plank", 3, 40, 0, 0],
  ],
};
const strengthB: Routine = {
  title: "Strength B",
  lines: [
    ["deadlift", 3, 5, 100, 3.5],
    ["front-squat", 3, 6, 62.5, 2.2],
    ["overhead-press", 3, 5, 37.5, 0.8],
    ["dumbbell-row", 3, 10, 22, 0.8],
    ["back-extension", 3, 12, 0, 1],
  ],
};
const partnerA: Routine = {
  title: "Upper",
  lines: [
    ["bench-press", 4, 8, 40, 2],
    ["pulldown", 4, 10, 45, 2],
    ["dumbbell-press", 3, 10, 14, 0.7],
    ["biceps-curl", 3, 12, 8, 0.4],
  ],
};
const partnerB: Routine = {
  title: "Lower",
  lines: [
    ["leg-press", 4, 10, 90, 5],
    ["romanian-deadlift", 3, 8, 55, 3],
    ["leg-curl", 3, 12, 30, 1.5],
    ["calf-raise", 3, 15, 40, 2],
  ],
};

const exercises = new Map(starterExercises.map((exercise) => [exercise.id, exercise]));

interface When {
  random: Random;
  personId: string;
  today: Day;
  day: Day;
  firstDay: Day;
  illness: (day: Day) => boolean;
  holiday: (day: Day) => boolean;
}

/**
 * The rower's sessions of a day: strength on Monday, Thursday and Sunday, the machine on Tuesday and after strength on
 * Thursday, a run on Wednesday and now and then on Sunday, the water on Saturday, rest on Friday.
 */
export function rowerSessions(when: When): Session[] {
  const { day } = when;
  const week = Math.floor((day - when.firstDay) / 7);
  const steady = (metres: number, effort: number) =>
    distance(when, {
      kind: "row",
      title: metres < 7000 ? "Easy row" : "Steady row",
      purpose: "steady",
      surface: "machine",
      metres,
      paceSeconds: 0.266 - week * 0.00015,
      spread: 0.002,
      effort,
    });
  switch (weekdayOf(day)) {
    case 1:
      return [strength(when, strengthA, "18:00")];
    case 2:
      return [
        week % 2 === 0
          ? distance(when, {
              kind: "row",
              title: "Intervals 4 × 500 m",
              purpose: "interval",
              surface: "machine",
              metres: 2000,
              paceSeconds: 0.2285 - week * 0.0002,
              spread: 0.0015,
              effort: 9,
              steps: [
                { seconds: 600, target: { effort: 3 }, note: "to warm up" },
                { times: 4, metres: 500, rest: { seconds: 120 }, target: { effort: 9 } },
                { seconds: 300, target: { effort: 2 }, note: "to end with" },
              ],
            })
          : steady(7500, 5),
      ];
    case 3:
      return [
        distance(when, {
          kind: "run",
          title: "Easy run",
          purpose: "easy",
          surface: "path",
          metres: 5000 + (week % 3) * 1000,
          paceSeconds: 0.342 - week * 0.0004,
          spread: 0.006,
          effort: 4,
        }),
      ];
    case 4:
      return [strength(when, strengthB, "18:00"), { ...steady(6500, 3), time: "19:15" }];
    case 6:
      return [
        distance(when, {
          kind: "row",
          title: "On the water",
          purpose: "technique",
          surface: "water",
          metres: 11_000,
          paceSeconds: 0.318,
          spread: 0.008,
          effort: 6,
          steps: [
            { metres: 3000, note: "easy" },
            { times: 3, metres: 2000, rest: { seconds: 180 }, target: { effort: 7 } },
            { metres: 2000, note: "easy" },
          ],
        }),
      ];
    case 7:
      return [
        week === 13 || week === 26 ? testDay(when) : strength(when, week % 2 === 0 ? strengthA : strengthB, "10:00"),
        ...(week % 2 === 1
          ? [
              distance(when, {
                kind: "run",
                title: "Long run",
                purpose: "long",
                surface: "path",
                metres: 11_000,
                paceSeconds: 0.352 - week * 0.0004,
                spread: 0.006,
                effort: 6,
                optional: true,
              }),
            ]
          : []),
      ];
    default:
      return [];
  }
}

/**
 * The partner's sessions of a day: upper body on Monday and Friday, lower body on Wednesday, none of them on the plan.
 */
export function partnerSessions(when: When): Session[] {
  const weekday = weekdayOf(when.day);
  if (weekday === 3) return [strength(when, partnerB, "19:00")];
  return weekday === 1 || weekday === 5 ? [strength(when, partnerA, "19:00")] : [];
}

function fate({ day, today, random, illness, holiday }: When): Session["status"] {
  const drawn = random.next();
  if (day >= today) return "planned";
  if (illness(day) || holiday(day)) return drawn < 0.5 ? "skipped" : "planned";
  return drawn < 0.025 ? "skipped" : drawn < 0.04 ? "planned" : drawn < 0.07 ? "partly" : "done";
}

function frame(
  when: When,
  kind: string,
  title: string,
): Pick<Session, "id" | "personId" | "date" | "kind" | "title" | "status" | "reason"> {
  const status = fate(when);
  const reason =
    status !== "skipped"
      ? {}
      : { reason: when.illness(when.day) ? "ill" : when.holiday(when.day) ? "away" : "no time" };
  return {
    id: `${when.personId}-${kind}-${dateOf(when.day)}`,
    personId: when.personId,
    date: dateOf(when.day),
    kind,
    title,
    status,
    ...reason,
  };
}

function strength(when: When, routine: Routine, time: string): Session {
  const head = frame(when, "strength", routine.title);
  const months = (when.day - when.firstDay) / 30.4;
  const blockWeek = Math.floor((when.day - when.firstDay) / 7) % 6;
  // Five weeks rising, the sixth lighter.
  const wave = blockWeek === 5 ? 0.9 : 0.975 + 0.01 * blockWeek;
  const performed = head.status === "done" || head.status === "partly";
  const items = routine.lines.map(([exerciseId, sets, reps, startKg, perMonth], index): Item => {
    const exercise = exercises.get(exerciseId)!;
    const step = exercise.incrementKg ?? 2.5;
    const kg = Math.max(0, Math.round(((startKg + perMonth * months) * wave) / step) * step);
    const dropped = head.status === "partly" && index >= 3;
    // Bench press and bench pull are done in turn.
    const together = exerciseId === "bench-press" || exerciseId === "bench-pull" ? { superset: "A" } : {};
    return {
      id: `i${index + 1}`,
      exerciseId,
      ...together,
      sets: [
        ...warmUps(exerciseId, kg, performed),
        ...work(
          when.random,
          exerciseId,
          exercise.measure ?? "load-reps",
          sets,
          reps,
          kg,
          performed && !dropped,
          index === 0 ? 150 : 90,
        ),
      ],
    };
  });
  const after = performed
    ? {
        minutes: Math.round(58 + when.random.normal(5)),
        effort: Math.round(7 + when.random.normal(0.8)),
        feel: when.random.pick([3, 3, 4, 4, 5]),
      }
    : {};
  return { ...head, time, planned: { minutes: 60, effort: 7 }, ...after, items };
}

function warmUps(exerciseId: string, kg: number, performed: boolean): TrainingSet[] {
  if (exerciseId !== "back-squat" && exerciseId !== "deadlift") return [];
  return [0.5, 0.75].map((share, index) => {
    const set = { reps: 5 - index * 2, kg: Math.round((kg * share) / 2.5) * 2.5 };
    return { id: `w${index + 1}`, warmUp: true, restSeconds: 60, planned: set, ...(performed ? { done: set } : {}) };
  });
}

function work(
  random: Random,
  exerciseId: string,
  measure: string,
  sets: number,
  reps: number,
  kg: number,
  performed: boolean,
  restSeconds: number,
): TrainingSet[] {
  return Array.from({ length: sets }, (_, index) => {
    const last = index === sets - 1;
    // The last bench press goes for as many as possible; the deadlift's load is left to the day, by its effort.
    const most = last && exerciseId === "bench-press";
    const planned =
      measure === "duration"
        ? { seconds: reps }
        : exerciseId === "deadlift"
          ? { reps, rpe: 8 }
          : { reps, kg, ...(most ? { asManyAsPossible: true } : {}) };
    const short = last && random.chance(0.12);
    const rpe = Math.min(10, 7 + index * 0.5 + Math.round(random.normal(0.5)) * 0.5 + (short ? 1 : 0));
    const extra = most && !short ? Math.max(0, Math.round(1.5 + random.normal(1))) : 0;
    const done =
      measure === "duration"
        ? { seconds: reps + Math.round(random.normal(2)) }
        : {
            reps: short ? reps - 1 : reps + extra,
            kg,
            ...(last ? { rpe: most ? 10 : rpe } : {}),
            ...(short && rpe >= 10 ? { failed: true } : {}),
          };
    return { id: `s${index + 1}`, restSeconds, planned, ...(performed ? { done } : {}) };
  });
}

/** Three lifts to a single, three attempts each; now and then the last is missed. */
function testDay(when: When): Session {
  const head = frame(when, "strength", "Test day");
  const performed = head.status === "done" || head.status === "partly";
  const months = (when.day - when.firstDay) / 30.4;
  const lift = (exerciseId: string, startKg: number, perMonth: number): Item => ({
    id: exerciseId,
    exerciseId,
    sets: [0.91, 0.96, 1].map((share, index) => {
      const kg = Math.round(((startKg + perMonth * months) * share) / 2.5) * 2.5;
      const missed = index === 2 && when.random.chance(0.35);
      return {
        id: `t${index + 1}`,
        restSeconds: 240,
        planned: { reps: 1, kg },
        ...(performed
          ? { done: { reps: missed ? 0 : 1, kg, ...(missed ? { failed: true } : { rpe: 8 + index }) } }
          : {}),
      };
    }),
  });
  return {
    ...head,
    time: "10:00",
    test: true,
    place: "Boathouse gym",
    planned: { minutes: 75, effort: 8 },
    ...(performed ? { minutes: 78, effort: 8, feel: 4 } : {}),
    items: [lift("back-squat", 101, 3.6), lift("bench-press", 68, 1.5), lift("deadlift", 124, 4.2)],
  };
}

interface Piece {
  kind: string;
  title: string;
  purpose: string;
  surface: string;
  metres: number;
  paceSeconds: number;
  spread: number;
  effort: number;
  optional?: boolean;
  /** What is asked for part by part; written only while it is planned. */
  steps?: NonNullable<Session["steps"]>;
}

function distance(when: When, piece: Piece): Session {
  const head = frame(when, piece.kind, piece.title);
  const plannedSeconds = Math.round((piece.metres * piece.paceSeconds) / 30) * 30;
  const planned = { metres: piece.metres, seconds: plannedSeconds };
  const base = {
    ...head,
    optional: piece.optional ?? false,
    planned: { minutes: Math.round(plannedSeconds / 60), effort: piece.effort },
  };
  if (head.status !== "done" && head.status !== "partly")
    return {
      ...base,
      distance: { planned, purpose: piece.purpose, surface: piece.surface },
      ...(piece.steps === undefined ? {} : { steps: piece.steps }),
    };
  const share = head.status === "partly" ? 0.6 : 1;
  const metres =
    piece.purpose === "interval"
      ? piece.metres * share
      : Math.round((piece.metres * share + when.random.normal(60)) / 10) * 10;
  const seconds = Math.round(metres * (piece.paceSeconds + when.random.normal(piece.spread)));
  return {
    ...base,
    minutes: Math.round(seconds / 60),
    effort: Math.min(10, Math.max(1, Math.round(piece.effort + when.random.normal(0.7)))),
    feel: when.random.pick([2, 3, 4, 4, 5]),
    distance: { planned, done: { metres, seconds }, purpose: piece.purpose, surface: piece.surface },
  };
}
