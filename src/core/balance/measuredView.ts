import { dateOf, type Day, mustDay } from "../base/calendar/day";
import { weightOf } from "../body/slice";
import type { AsOf } from "../log/asOf";
import { foodDay } from "../nutrition/foodDay";
import { expenditureOn } from "../energy/expenditure";
import { energyOf } from "../energy/slice";
import { type MeasuredDay, measuredOf } from "./measured";

/** A day of the expenditure through time, kilocalories. */
export interface ExpenditurePoint {
  date: string;
  kcal: number;
  low80: number;
  high80: number;
  /** What the formula said of that day, and what was to be eaten on it. */
  formulaKcal: number | null;
  targetKcal: number | null;
}

/** What the targets would go by from today on, and why. */
export interface ExpenditureProposal {
  kcal: number;
  /** What they go by now. */
  insteadOf: number;
  /** What of the measured expenditure is left out of it, since sessions are credited each by itself. */
  creditedKcal: number;
  why: string;
}

export interface MeasuredView {
  now: MeasuredDay | { reason: string };
  formulaKcal: number | null;
  /** The last half-year, a point every few days. */
  course: ExpenditurePoint[];
  /** Since when a measured expenditure is gone by, and what it is; null while it is the formula. */
  taken: { date: string; kcal: number } | null;
  proposal: ExpenditureProposal | null;
  /** The day from which another is proposed; null when one may be today. */
  nextFrom: string | null;
  /** What it rests on of late: of the last 28 days those that are whole, and why others are not. */
  lately: { whole: number; of: number; missing: { reason: string; days: number }[] };
  /** What moved it: over the last four weeks the mean eaten, the change of the weight, and of the expenditure itself. */
  moved: { eatenKcal: number | null; weightKg: number | null; kcal: number | null };
}

/** The chart reaches so far back, in points so far apart. */
const [courseDays, courseStep] = [182, 4];
/** Another one is proposed at most so often, and when it is so far off: what a trainee would notice (our judgement). */
const [proposedEvery, proposedFrom] = [7, 50];
/** A proposal is rounded to what can be eaten. */
const proposedTo = 10;
const lateDays = 28;

export function measuredView(asOf: AsOf): MeasuredView {
  const { on } = asOf;
  const measured = measuredOf(asOf);
  const now = measured.on(on);
  const expenditure = expenditureOn(asOf, on);
  const settings = energyOf(asOf).settingsOn(on);
  const taken =
    "kcal" in expenditure && expenditure.takenOn !== null
      ? { date: expenditure.takenOn, kcal: expenditure.kcal }
      : null;
  const free = taken === null ? on : mustDay(taken.date) + proposedEvery;
  return {
    now,
    formulaKcal: "reason" in expenditure ? null : expenditure.byFormula,
    course: course(asOf),
    taken: settings === null ? null : taken,
    proposal: on < free || "reason" in now || "reason" in expenditure ? null : proposed(now, expenditure.kcal, taken),
    nextFrom: on < free ? dateOf(free) : null,
    lately: lately(asOf),
    moved: moved(asOf, now),
  };
}

function proposed(now: MeasuredDay, insteadOf: number, taken: MeasuredView["taken"]): ExpenditureProposal | null {
  // Sessions that are credited each by itself are added to their day: what the targets go by leaves them out.
  const without = (value: number) => value - now.creditedKcal;
  const kcal = Math.round(without(now.kcal) / proposedTo) * proposedTo;
  if (now.from === "formula" || Math.abs(kcal - insteadOf) < proposedFrom) return null;
  const far = insteadOf < without(now.low80) || insteadOf > without(now.high80);
  return {
    kcal,
    insteadOf,
    creditedKcal: now.creditedKcal,
    why: far
      ? `${taken === null ? "the formula" : "what you go by"} lies outside the 80 % interval of what your weight and food show`
      : `it lies inside the interval still: ${taken === null ? "the formula" : "what you go by"} may be right as well`,
  };
}

function course(asOf: AsOf): ExpenditurePoint[] {
  return measuredOf(asOf)
    .byDay(asOf.on - courseDays)
    .filter(({ day }) => (asOf.on - day) % courseStep === 0)
    .map(({ day, kcal, low80, high80 }) => {
      const formula = expenditureOn(asOf, day);
      const { target } = foodDay(asOf, day);
      return {
        date: dateOf(day),
        kcal,
        low80,
        high80,
        formulaKcal: "reason" in formula ? null : formula.byFormula,
        targetKcal: "reason" in target ? null : target.kcal,
      };
    });
}

function lately(asOf: AsOf): MeasuredView["lately"] {
  const days = Array.from({ length: lateDays }, (_, index) => asOf.on - lateDays + index);
  const reasons = new Map<string, number>();
  let whole = 0;
  for (const day of days) {
    const one = measuredOf(asOf).wholeOn(day);
    if ("kcal" in one) whole += 1;
    else reasons.set(one.reason, (reasons.get(one.reason) ?? 0) + 1);
  }
  return { whole, of: lateDays, missing: [...reasons].map(([reason, count]) => ({ reason, days: count })) };
}

function moved(asOf: AsOf, now: MeasuredView["now"]): MeasuredView["moved"] {
  const start: Day = asOf.on - lateDays;
  const [level, before] = [weightOf(asOf).levelOn(asOf.on), weightOf(asOf).levelOn(start)];
  const then = measuredOf(asOf).on(start);
  return {
    eatenKcal: measuredOf(asOf).meanOf(start, asOf.on - 1, 7),
    weightKg: level === null || before === null ? null : level - before,
    kcal: "reason" in now || "reason" in then ? null : now.kcal - then.kcal,
  };
}
