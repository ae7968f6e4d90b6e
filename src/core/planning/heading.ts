import type { Day } from "../base/calendar/day";
import { dot, leastSquares, type Observation } from "../base/numeric/regression";
import { measuresOf } from "../body/measuresSlice";
import { carriedDays, carriedLevel } from "../body/projection";
import { weightOf } from "../body/slice";
import { z80 } from "../body/trend";
import type { AsOf } from "../log/asOf";
import type { PhaseMeasure } from "../log/kinds/phases";
import { type Adherence, effectiveStatus } from "../sessions/adherence";
import { sessionsOf } from "../sessions/slice";
import { dayOf } from "../strength/liftRun";
import { daysBack, hasMaximum } from "../strength/maximum";
import { strengthOf } from "../strength/slice";
import type { BlockCourse } from "./blocks";

/** Where a figure is heading at the end of a phase, with the interval that holds it eight times in ten. */
export interface Heading {
  value: number;
  low80: number;
  high80: number;
}

/** A line is drawn through at least so many readings over so many days (our judgement). */
const [readingsAtLeast, daysAtLeast] = [5, 14];
/** Readings of so many days before a phase still tell where it is heading. */
const before = 28;

/**
 * Where a measure of a phase is heading: a weight by its trend carried forward; a maximum and a reading by the line through
 * those since four weeks before the phase; sessions by the share of the plan that was kept. Null where that cannot be said: of
 * a best time, of a phase that is not under way, and of too few readings.
 * @param kept how much of the phase's plan was done so far
 */
export function headingOf(
  asOf: AsOf,
  { of, exerciseId, kind }: PhaseMeasure,
  { first, last, state }: BlockCourse,
  now: number | null,
  { planned: due, share }: Pick<Adherence, "planned" | "share">,
): Heading | null {
  if (state !== "under way" || now === null || of === "bestTime") return null;
  if (of === "weight") {
    const trend = weightOf(asOf).trend();
    if (trend === null || asOf.on - trend.last > carriedDays) return null;
    const ahead = carriedLevel(trend, last);
    return ahead === null ? null : { value: ahead.kg, low80: ahead.low80, high80: ahead.high80 };
  }
  if (of === "sessions") {
    const toCome = sessionsOf(asOf)
      .between(asOf.on, last)
      .filter((one) => (kind == null || one.kind === kind) && effectiveStatus(one, asOf.on) === "planned").length;
    if (share === null) return null;
    // Beta-binomial, from an even prior: with few sessions due so far the share itself is not well known.
    const likely = (share * due + 1) / (due + 2);
    const spread = z80 * Math.sqrt((toCome * likely * (1 - likely) * (due + 2 + toCome)) / (due + 3));
    const value = now + toCome * share;
    return { value, low80: Math.max(now, value - spread), high80: Math.min(now + toCome, value + spread) };
  }
  const readings =
    of === "e1rm"
      ? exerciseId == null
        ? []
        : estimatesOf(asOf, exerciseId, first - before)
      : measuresOf(asOf)
          .values(of)
          .filter(({ day }) => day >= first - before && day <= asOf.on);
  return carriedLine(readings, last);
}

/** The highest estimate of each day of a lift from a day on, oldest first. */
function estimatesOf(asOf: AsOf, exerciseId: string, from: Day): { day: Day; value: number }[] {
  const found: { day: Day; value: number }[] = [];
  if (!strengthOf(asOf).exercises().has(exerciseId)) return found;
  for (const { part, index } of daysBack(strengthOf(asOf).courseOf(exerciseId))) {
    const day = dayOf(part.run, index);
    if (day < from) break;
    if (day <= asOf.on && hasMaximum(part, index)) found.push({ day, value: part.e1rmKg[index]! });
  }
  return found.reverse();
}

/**
 * A straight line through readings, carried to a day, with its 80 % prediction interval: what is not known of the line and how
 * far readings lie from it. The quantile of Student's distribution by its expansion (Abramowitz & Stegun 26.7.5). Null of too
 * few readings.
 */
export function carriedLine(readings: readonly { day: Day; value: number }[], to: Day): Heading | null {
  const [oldest, newest] = [readings[0]?.day ?? 0, readings.at(-1)?.day ?? 0];
  if (readings.length < readingsAtLeast || newest - oldest < daysAtLeast) return null;
  const rows = readings.map(({ day, value }): Observation => ({ y: value, x: [1, (day - newest) / 7], variance: 1 }));
  const line = leastSquares(rows);
  if (line === null) return null;
  const at = [1, (to - newest) / 7];
  const free = rows.length - 2;
  const scatter = rows.reduce((sum, { y, x }) => sum + (y - dot(x, line.coefficients)) ** 2, 0) / free;
  const ofLine = dot(
    at,
    line.covariance.map((row) => dot(row, at)),
  );
  const quantile = z80 + (z80 ** 3 + z80) / (4 * free);
  const value = dot(at, line.coefficients);
  const half = quantile * Math.sqrt(ofLine + scatter);
  return { value, low80: value - half, high80: value + half };
}
