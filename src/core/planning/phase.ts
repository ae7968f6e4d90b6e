import type { Day } from "../base/calendar/day";
import { measuresOf } from "../body/measuresSlice";
import { weightOf } from "../body/slice";
import type { AsOf } from "../log/asOf";
import type { Phase, PhaseMeasure } from "../log/kinds/phases";
import { type Adherence, effectiveStatus, wasPerformed } from "../sessions/adherence";
import { sessionsOf } from "../sessions/slice";
import { strengthOf } from "../strength/slice";
import { type BlockCourse, blockCourse } from "./blocks";
import { type Heading, headingOf } from "./heading";

/** A figure by which a phase is judged, read from the log. */
export interface PhaseProgress {
  measure: PhaseMeasure;
  /** What stood at the beginning: as written, else as the log says. */
  from: number | null;
  to: number | null;
  /** What stands on the day asked about, or at the end of a phase that is over. */
  now: number | null;
  /** The share of the way from `from` to `to`: below 0 when it went the other way, above 1 beyond it. */
  doneShare: number | null;
  /** Where it is heading at the end of the phase; null where that cannot be said. */
  heading: Heading | null;
  /** Why something of it is not known. */
  reason: string | null;
}

/** How a phase stands on a day. */
export interface PhaseStanding {
  phase: Phase;
  course: BlockCourse;
  sessions: Adherence;
  /** Sessions that are planned and still to come. */
  toCome: number;
  measures: PhaseProgress[];
}

export function phaseStanding(asOf: AsOf, phase: Phase): PhaseStanding {
  const course = blockCourse(phase, asOf.on);
  const sessions = sessionsOf(asOf).between(course.first, course.last);
  const kept = sessionsOf(asOf).adherence(course.first, course.last);
  return {
    phase,
    course,
    sessions: kept,
    toCome: sessions.filter((session) => effectiveStatus(session, asOf.on) === "planned").length,
    measures: (phase.measures ?? []).map((measure) => progressOf(asOf, measure, course, kept)),
  };
}

function progressOf(asOf: AsOf, measure: PhaseMeasure, course: BlockCourse, kept: Adherence): PhaseProgress {
  const { first, last, state } = course;
  const end = Math.min(last, asOf.on);
  const read = state === "ahead" ? { from: null, now: null } : readingOf(asOf, measure, first, end);
  const [from, to, now] = [measure.from ?? read.from, measure.to ?? null, read.now];
  const reason =
    state === "ahead"
      ? "the phase has not begun"
      : now === null
        ? nothingFor(measure)
        : from === null
          ? "nothing tells where it stood at the beginning"
          : to === null
            ? "no aim is written"
            : to === from
              ? "it began at its aim"
              : null;
  return {
    measure,
    from,
    to,
    now,
    doneShare: from === null || to === null || now === null || to === from ? null : (now - from) / (to - from),
    heading: headingOf(asOf, measure, course, now, kept),
    reason,
  };
}

function nothingFor({ of }: PhaseMeasure): string {
  return of === "weight"
    ? "no weight is written"
    : of === "e1rm"
      ? "the lift has no maximum yet"
      : of === "bestTime"
        ? "the distance was not covered yet"
        : "no reading is written";
}

/** What a measure was at a phase's beginning and is at its end, or on the day asked about. */
function readingOf(
  asOf: AsOf,
  { of, exerciseId, kind, metres }: PhaseMeasure,
  first: Day,
  end: Day,
): { from: number | null; now: number | null } {
  if (of === "weight") return { from: weightOf(asOf).levelOn(first), now: weightOf(asOf).levelOn(end) };
  if (of === "e1rm") {
    const known = exerciseId != null && strengthOf(asOf).exercises().has(exerciseId);
    if (!known) return { from: null, now: null };
    const { maximumOn } = strengthOf(asOf);
    return { from: maximumOn(exerciseId, first - 1) ?? maximumOn(exerciseId, first), now: maximumOn(exerciseId, end) };
  }
  const isOf = (session: { kind: string }) => kind == null || session.kind === kind;
  if (of === "sessions") {
    const done = sessionsOf(asOf)
      .between(first, end)
      .filter((session) => isOf(session) && wasPerformed(session, asOf.on));
    return { from: 0, now: done.length };
  }
  if (of === "bestTime")
    return metres == null || metres <= 0
      ? { from: null, now: null }
      : { from: bestTime(asOf, isOf, metres, -Infinity, first - 1), now: bestTime(asOf, isOf, metres, first, end) };
  const values = measuresOf(asOf).values(of);
  return {
    from: (values.findLast(({ day }) => day <= first) ?? values.find(({ day }) => day <= end))?.value ?? null,
    now: values.findLast(({ day }) => day <= end)?.value ?? null,
  };
}

/**
 * The best time over a distance in sessions and their pieces, seconds: of a longer one its share at the same pace, so
 * that 6 km in 30:00 stand for 5 km in 25:00. Null where none is as long.
 */
function bestTime(
  asOf: AsOf,
  isOf: (session: { kind: string }) => boolean,
  metres: number,
  from: Day,
  to: Day,
): number | null {
  const times = sessionsOf(asOf)
    .between(from, to)
    .filter((session) => isOf(session) && wasPerformed(session, asOf.on))
    .flatMap(({ distance, repeats }) => [distance?.done, ...(repeats ?? [])])
    .flatMap((covered) =>
      covered?.metres != null && covered.seconds != null && covered.metres >= metres
        ? [(covered.seconds * metres) / covered.metres]
        : [],
    );
  return times.length === 0 ? null : Math.min(...times);
}
