import { type Day, weekStartOf } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { sessionsOf } from "../sessions/slice";
import { zones } from "./intensity";
import { strengthOf } from "./slice";
import { liftWorkOf, type Work } from "./workSlice";

/**
 * The part of a week that falls into a stretch of days: the sessions in which something was lifted, and the work of
 * all.
 */
export interface WeekOfStretch {
  start: Day;
  done: Session[];
  work: Work;
}

/** The work from one day to another, both included: week by week, and in all. */
export interface Stretch {
  weeks: WeekOfStretch[];
  done: Session[];
  sum: WorkSum;
  total: WorkTotal;
}

/** How much was done in a stretch of days, beside what was planned. */
export interface WorkTotal extends Pick<
  WorkSum,
  "sets" | "numberOfLifts" | "volumeLoadKg" | "averageIntensity" | "averageKg" | "planned"
> {
  sessions: number;
}

/**
 * Performed and planned sums over several weeks; lifts by zone, `known` of them with a maximum in force and `unknown`
 * without.
 */
export interface WorkSum {
  volumeLoadKg: number;
  numberOfLifts: number;
  sets: number;
  averageKg: number | null;
  averageIntensity: number | null;
  planned: { sets: number; numberOfLifts: number; volumeLoadKg: number };
  byZone: number[];
  known: number;
  unknown: number;
  byGroup: Map<string, LineSum>;
  byExercise: Map<string, LineSum>;
  byMuscle: Map<string, number>;
}

/** What falls to one lift, or to a group of lifts, whose sets are not counted. */
export interface LineSum {
  sets: number | null;
  numberOfLifts: number;
  volumeLoadKg: number;
}

/** The work of a stretch of days. Whole weeks are kept, so a long stretch costs its first and its last week. */
export function stretchOf(asOf: AsOf, first: Day, last: Day): Stretch {
  const weeks: WeekOfStretch[] = [];
  for (let start = weekStartOf(first, asOf.weekStart); start <= last; start += 7) {
    const whole = start >= first && start + 6 <= last;
    const sessions = whole
      ? sessionsOf(asOf).ofWeek(start)
      : sessionsOf(asOf).between(Math.max(first, start), Math.min(last, start + 6));
    weeks.push({
      start,
      done: sessions.filter((session) => strengthOf(asOf).setsOf(session).length > 0),
      work: whole ? liftWorkOf(asOf).ofWeek(start) : liftWorkOf(asOf).of(sessions),
    });
  }
  const done = weeks.flatMap((week) => week.done);
  const sum = sumOf(weeks.map(({ work }) => work));
  const { sets, numberOfLifts, volumeLoadKg, averageIntensity, averageKg: kg, planned } = sum;
  return {
    weeks,
    done,
    sum,
    total: { sessions: done.length, sets, numberOfLifts, volumeLoadKg, averageIntensity, averageKg: kg, planned },
  };
}

/** Average weight of a lift: volume load ÷ number of lifts, kilograms; null when nothing was lifted. */
export function averageKg({
  volumeLoadKg,
  numberOfLifts,
}: {
  volumeLoadKg: number;
  numberOfLifts: number;
}): number | null {
  return numberOfLifts === 0 ? null : volumeLoadKg / numberOfLifts;
}

function sumOf(works: readonly Work[]): WorkSum {
  const sum: WorkSum = {
    volumeLoadKg: 0,
    numberOfLifts: 0,
    sets: 0,
    averageKg: null,
    averageIntensity: null,
    planned: { sets: 0, numberOfLifts: 0, volumeLoadKg: 0 },
    byZone: zones.map(() => 0),
    known: 0,
    unknown: 0,
    byGroup: new Map(),
    byExercise: new Map(),
    byMuscle: new Map(),
  };
  let [weighted, reps] = [0, 0];
  for (const { volume, zones: spread, intensity, planned } of works) {
    sum.volumeLoadKg += volume.volumeLoadKg;
    sum.numberOfLifts += volume.numberOfLifts;
    sum.sets += volume.sets;
    weighted += intensity.weighted;
    reps += intensity.reps;
    sum.planned.sets += planned.sets;
    sum.planned.numberOfLifts += planned.numberOfLifts;
    sum.planned.volumeLoadKg += planned.volumeLoadKg;
    spread.byZone.forEach((lifts, zone) => {
      sum.byZone[zone]! += lifts;
      sum.known += lifts;
    });
    sum.unknown += spread.unknown;
    for (const [group, one] of Object.entries(volume.byGroup)) addLine(sum.byGroup, group, { sets: null, ...one });
    for (const [id, one] of Object.entries(volume.byExercise)) addLine(sum.byExercise, id, one);
    for (const [muscle, { sets }] of Object.entries(volume.byMuscle))
      sum.byMuscle.set(muscle, (sum.byMuscle.get(muscle) ?? 0) + sets);
  }
  return { ...sum, averageKg: averageKg(sum), averageIntensity: reps > 0 ? weighted / reps : null };
}

function addLine(lines: Map<string, LineSum>, key: string, one: LineSum): void {
  const held = lines.get(key);
  if (held === undefined) lines.set(key, { ...one });
  else {
    held.numberOfLifts += one.numberOfLifts;
    held.volumeLoadKg += one.volumeLoadKg;
    if (one.sets !== null) held.sets = (held.sets ?? 0) + one.sets;
  }
}
