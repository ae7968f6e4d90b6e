import { dateOf, mustDay, weekStartOf } from "../base/calendar/day";
import { perOwner } from "../base/memo";
import { weightOf } from "../body/slice";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { sessionsOf } from "../sessions/slice";
import { describeSets } from "./describe";
import { prilepin, zoneOf, zones } from "./intensity";
import { inAnatomicalOrder } from "./library";
import { isWork } from "./sets";
import { strengthOf } from "./slice";
import { averageKg, type LineSum, stretchOf, type WorkTotal } from "./stretch";
import { liftsOf, totalMaximum } from "./volume";
import { liftWorkOf } from "./workSlice";

/** From one day to another, both included. */
export interface WorkAsk {
  from: string;
  to: string;
}

/**
 * A week of work: performed beside planned, its average weight (volume load ÷ number of lifts), and its share of the
 * whole stretch.
 */
export interface WorkWeek {
  weekStart: string;
  open: boolean;
  sessions: number;
  volumeLoadKg: number;
  numberOfLifts: number;
  sets: number;
  averageIntensity: number | null;
  averageKg: number | null;
  byZone: number[];
  planned: { sets: number; volumeLoadKg: number; numberOfLifts: number };
  /** Of the number of lifts and the volume load of the stretch; null when nothing was lifted in it. */
  share: { lifts: number; load: number } | null;
}

/** A line of the stretch: a lift, or a group of lifts, with its shares. */
export interface WorkLine {
  id: string;
  name: string;
  sets: number | null;
  numberOfLifts: number;
  volumeLoadKg: number;
  liftShare: number;
  loadShare: number;
}

export interface WorkView {
  from: string;
  to: string;
  days: number;
  weeks: WorkWeek[];
  total: WorkTotal;
  byGroup: WorkLine[];
  byLift: WorkLine[];
  /** Hard sets over the stretch and a week, in anatomical order. */
  byMuscle: { muscle: string; sets: number; perWeek: number }[];
  zones: { name: string; lifts: number; share: number }[];
  /** Lifts without a maximum, in no zone. */
  unknownZone: number;
  /** The latest session's lifts against the guide rails of the heaviest zone they reached in force. */
  rails: { sessionId: string; date: string; title: string; lines: Rail[] } | null;
  /** Day by day, newest first: each session with its exercises as they were done. */
  sessions: SessionWork[];
}

/** A session's exercises as they were done, and how much that was. */
export interface SessionWork {
  sessionId: string;
  date: string;
  title: string;
  lines: { exerciseId: string; name: string; text: string }[];
  sets: number;
  numberOfLifts: number;
  volumeLoadKg: number;
  averageIntensity: number | null;
  planned: { numberOfLifts: number; volumeLoadKg: number };
}

/** One lift of a session in the zone where most of its lifts fell. */
export interface Rail {
  exerciseId: string;
  name: string;
  zone: string;
  lifts: number;
  low: number;
  usual: number;
  high: number;
}

/** A session's lines are listed up to so many. */
const sessionsAtMost = 60;

/** The work of a stretch of days by week, group, lift, muscle, zone and session. */
export function workView(asOf: AsOf, { from, to }: WorkAsk): WorkView {
  const [first, last] = [mustDay(from), Math.max(mustDay(from), mustDay(to))];
  const { weeks, done, sum, total } = stretchOf(asOf, first, last);
  const thisWeek = weekStartOf(asOf.on, asOf.weekStart);
  const { volumeLoadKg, numberOfLifts } = total;
  const share = (lifts: number, load: number) => ({
    lifts: numberOfLifts === 0 ? 0 : lifts / numberOfLifts,
    load: volumeLoadKg === 0 ? 0 : load / volumeLoadKg,
  });
  const lines = (entries: ReadonlyMap<string, LineSum>, nameOf: (id: string) => string) =>
    [...entries]
      .map(([id, one]): WorkLine => {
        const { lifts, load } = share(one.numberOfLifts, one.volumeLoadKg);
        return { id, name: nameOf(id), ...one, liftShare: lifts, loadShare: load };
      })
      .sort((a, b) => b.numberOfLifts - a.numberOfLifts || (a.name < b.name ? -1 : 1));
  const days = last - first + 1;
  return {
    from,
    to: dateOf(last),
    days,
    weeks: weeks.map(({ start, done: inWeek, work: { volume, zones: spread, planned } }): WorkWeek => ({
      weekStart: dateOf(start),
      open: start === thisWeek,
      sessions: inWeek.length,
      volumeLoadKg: volume.volumeLoadKg,
      numberOfLifts: volume.numberOfLifts,
      sets: volume.sets,
      averageIntensity: volume.averageIntensity,
      averageKg: averageKg(volume),
      byZone: spread.byZone,
      planned: { sets: planned.sets, volumeLoadKg: planned.volumeLoadKg, numberOfLifts: planned.numberOfLifts },
      share: numberOfLifts === 0 ? null : share(volume.numberOfLifts, volume.volumeLoadKg),
    })),
    total,
    byGroup: lines(sum.byGroup, (group) => group),
    byLift: lines(sum.byExercise, (id) => strengthOf(asOf).exercises().get(id)?.name ?? id),
    byMuscle: inAnatomicalOrder(sum.byMuscle.keys()).map((muscle) => {
      const sets = sum.byMuscle.get(muscle)!;
      return { muscle, sets, perWeek: (sets / days) * 7 };
    }),
    zones: zones.map(({ name }, zone) => ({
      name,
      lifts: sum.byZone[zone]!,
      share: sum.known === 0 ? 0 : sum.byZone[zone]! / sum.known,
    })),
    unknownZone: sum.unknown,
    rails: railsOf(asOf, done.at(-1)),
    sessions: done.slice(-sessionsAtMost).reverse().map(sessionWork(asOf)),
  };
}

/** A session with what was lifted in it. */
const sessionWork = perOwner((asOf: AsOf) => {
  const lines = sessionsOf(asOf).keptBySession((session) => linesOf(asOf, session));
  return sessionsOf(asOf).keptBySession((session): SessionWork => {
    const {
      volume: { sets, numberOfLifts, volumeLoadKg, averageIntensity },
      planned,
    } = liftWorkOf(asOf).ofSession(session);
    return {
      sessionId: session.id,
      date: session.date,
      title: session.title || session.kind,
      lines: lines(session),
      sets,
      numberOfLifts,
      volumeLoadKg,
      averageIntensity,
      planned: { numberOfLifts: planned.numberOfLifts, volumeLoadKg: planned.volumeLoadKg },
    };
  });
});

function linesOf(asOf: AsOf, { items }: Session): SessionWork["lines"] {
  const printer = asOf.printer;
  return (items ?? []).flatMap(({ exerciseId, sets }) => {
    const exercise = strengthOf(asOf).exercises().get(exerciseId);
    const text = describeSets(sets, "done", exercise, printer);
    return text === "" ? [] : [{ exerciseId, name: exercise?.name ?? exerciseId, text }];
  });
}

function railsOf(asOf: AsOf, session: Session | undefined): WorkView["rails"] {
  if (session === undefined) return null;
  const lifts = new Map<string, number[]>();
  for (const set of strengthOf(asOf).setsOf(session)) {
    const maximum = isWork(set, strengthOf(asOf).counting())
      ? totalMaximum(set, strengthOf(asOf).maximumOn, weightOf(asOf).on)
      : null;
    if (maximum === null || set.totalKg === null) continue;
    const byZone = lifts.get(set.exercise.id) ?? zones.map(() => 0);
    byZone[zoneOf(set.totalKg / maximum)]! += liftsOf(set);
    lifts.set(set.exercise.id, byZone);
  }
  const lines = [...lifts].flatMap(([exerciseId, byZone]): Rail[] => {
    const zone = byZone.reduce((most, count, index) => (count > byZone[most]! ? index : most), 0);
    const rail = prilepin[zone];
    return rail
      ? [
          {
            exerciseId,
            name: strengthOf(asOf).exercises().get(exerciseId)!.name,
            zone: zones[zone]!.name,
            lifts: byZone[zone]!,
            low: rail.total[0],
            usual: rail.total[1],
            high: rail.total[2],
          },
        ]
      : [];
  });
  return { sessionId: session.id, date: session.date, title: session.title || session.kind, lines };
}
