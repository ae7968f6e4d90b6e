import { type Day, mustDay, weekdayOf } from "../base/calendar/day";
import { weightOf } from "../body/slice";
import { balanceForRate } from "../goals/plan";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import type { DayTarget, EnergySettings, Estimate, OwnDayKind } from "../log/kinds/energySettings";
import type { Session } from "../log/kinds/sessions";
import { notesOf } from "../log/notes";
import { wasPerformed } from "../sessions/adherence";
import { kindsOf } from "../sessions/kindsView";
import { sessionMinutes } from "../sessions/minutes";
import { sessionsOf } from "../sessions/slice";
import { type AskedNutrients, askedOn } from "./asked";
import { netExerciseKcal, restingKcalPerMinute, sessionMet } from "./exercise";
import type { EquationName } from "./resting";
import { defaultActivityFactor, equationError } from "./resting";
import { energyOf } from "./slice";

/** The kinds of day that everyone has. */
export const commonDayKinds = ["training", "rest"] as const;
type CommonDayKind = (typeof commonDayKinds)[number];

/** Expenditure that the targets go by: resting × activity factor, or the measured one that was taken over. */
export type Expenditure =
  | {
      kcal: number;
      /** By formula: resting × activity factor. */
      byFormula: number;
      resting: number;
      equation: EquationName;
      factor: number;
      factorSet: boolean;
      /** Which end of what the formula may be off by is gone by. */
      estimate: Estimate;
      /** Whether it is a measured one that the trainee has taken over, and since when. */
      takenOn: string | null;
    }
  | { reason: string };

/** What an estimate makes of the formula: its middle, or either end of its known error. */
export const estimateTimes: Readonly<Record<Estimate, number>> = {
  low: 1 - equationError,
  middle: 1,
  high: 1 + equationError,
};

export function expenditureOn(asOf: AsOf, day: Day): Expenditure {
  const settings = energyOf(asOf).settingsOn(day);
  const equation = settings?.equation ?? "mifflinStJeor";
  const factor = settings?.activityFactor ?? defaultActivityFactor;
  const resting = energyOf(asOf).restingOn(equation, day);
  if ("reason" in resting) return resting;
  const byFormula = resting.kcal * factor;
  const taken = settings?.follows === "measured" ? (settings.measuredKcal ?? null) : null;
  const estimate = settings?.estimate ?? "middle";
  return {
    kcal: taken ?? byFormula * estimateTimes[estimate],
    byFormula,
    resting: resting.kcal,
    equation,
    factor,
    factorSet: settings?.activityFactor != null,
    estimate,
    takenOn: taken === null ? null : settings!.from,
  };
}

/** A session's net energy, and whether it is added to the day's target. */
export type Credit =
  { sessionId: string; kcal: number; of: CreditOf; credited: boolean } | { sessionId: string; reason: string };

/** What it is reckoned from: a metabolic equivalent, or the number of a watch. */
type CreditOf =
  | { by: "met"; met: number; from: string; minutes: number; kg: number }
  | { by: "net"; said: number }
  | { by: "gross"; said: number; minutes: number; kg: number };

/**
 * Net credit of a performed session. It is added to the day only when the trainee said that the factor leaves sessions
 * out.
 */
export function creditOf(asOf: AsOf, session: Session, day: Day): Credit {
  const sessionId = session.id;
  const credited = energyOf(asOf).settingsOn(day)?.sessionsInFactor === false;
  const { kcal: said, kcalIs } = session;
  if (said != null && kcalIs === "net") return { sessionId, kcal: said, of: { by: "net", said }, credited };
  const isGross = said != null && kcalIs === "gross";
  const met = isGross ? null : sessionMet(session, kindsOf(asOf)(session.kind)?.met ?? null);
  if (met !== null && "reason" in met) return { sessionId, reason: met.reason };
  const minutes = sessionMinutes(session);
  if (minutes === null) return { sessionId, reason: "its duration is missing" };
  const kg = weightOf(asOf).on(day);
  if (kg === null) return { sessionId, reason: "no weight is written" };
  if (met === null) {
    const kcal = Math.max(0, said! - restingKcalPerMinute(kg) * minutes);
    return { sessionId, kcal, of: { by: "gross", said: said!, minutes, kg }, credited };
  }
  return {
    sessionId,
    kcal: netExerciseKcal(met.met, kg, minutes),
    of: { by: "met", met: met.met, from: met.from, minutes, kg },
    credited,
  };
}

export function creditsOn(asOf: AsOf, day: Day): Credit[] {
  return sessionsOf(asOf)
    .on(day)
    .filter((session) => wasPerformed(session, asOf.on))
    .map((session) => creditOf(asOf, session, day));
}

/** Net energy of the sessions of a day that are credited each by itself. */
export function creditedOn(asOf: AsOf, day: Day): number {
  return creditsOn(asOf, day).reduce((sum, one) => sum + ("kcal" in one && one.credited ? one.kcal : 0), 0);
}

/**
 * The kind of a day: as the trainee said, else the first of the trainee's own kinds whose turn it is, else training or
 * rest, by whether a session is on it that was not dropped.
 */
export function dayKind(asOf: AsOf, day: Day): string {
  const note = notesOf(asOf).noteOn(day);
  const own = energyOf(asOf).settingsOn(day)?.dayKinds ?? [];
  if (note?.dayKind != null && own.some(({ name }) => name === note.dayKind)) return note.dayKind;
  if (note?.activity) return note.activity;
  return own.find((kind) => isTurnOf(kind, day))?.name ?? commonKindOf(asOf, day);
}

/** Whether a kind of day of the trainee's own falls on a day by its weekdays or its rhythm. */
function isTurnOf({ weekdays, everyDays, firstDate }: OwnDayKind, day: Day): boolean {
  if (weekdays?.includes(weekdayOf(day)) === true) return true;
  if (everyDays == null) return false;
  const first = firstDate == null ? day : mustDay(firstDate);
  return day >= first && (day - first) % everyDays === 0;
}

function commonKindOf(asOf: AsOf, day: Day): CommonDayKind {
  return sessionsOf(asOf)
    .on(day)
    .some(({ status }) => status !== "skipped" && status !== "missed")
    ? "training"
    : "rest";
}

/** The kinds of day there are by some settings: the common ones, then the trainee's own. */
export function dayKindsOf(settings: EnergySettings | null): string[] {
  return [...new Set<string>([...commonDayKinds, ...(settings?.dayKinds ?? []).map(({ name }) => name)])];
}

/** What is asked of a kind of day by some settings; a training or rest day may be among the trainee's own kinds too. */
export function targetsOfKind(settings: EnergySettings | null, kind: string): DayTarget {
  const common = commonDayKinds.find((one) => one === kind);
  return (
    settings?.dayKinds?.find(({ name }) => name === kind)?.targets ??
    (common === undefined ? null : settings?.targets?.[common]) ??
    {}
  );
}

/** A day's target: the trainee's own where set, else expenditure plus the balance the plan asks for. */
export type Target =
  | {
      kcal: number;
      asked: AskedNutrients;
      /** Water, millilitres at least; null where none is asked. */
      waterMl: number | null;
      kind: string;
      own: boolean;
      expenditureKcal: number | null;
      balanceKcal: number;
      creditKcal: number;
    }
  | { reason: string };

export function targetFor(asOf: AsOf, kind: string, day: Day, creditKcal = 0): Target {
  const targets = targetsOfKind(energyOf(asOf).settingsOn(day), kind);
  const expenditure = expenditureOn(asOf, day);
  const own = targets.kcal ?? null;
  const balanceKcal = own === null ? balanceOn(asOf, day) : 0;
  if (own === null && "reason" in expenditure) return expenditure;
  const expenditureKcal = "reason" in expenditure ? null : expenditure.kcal;
  const kcal = (own ?? expenditureKcal! + balanceKcal) + creditKcal;
  return {
    kcal,
    asked: askedOn(targets, { kcal, body: () => energyOf(asOf).bodyOn(day) }),
    waterMl: targets.water ?? null,
    kind,
    own: own !== null,
    expenditureKcal,
    balanceKcal,
    creditKcal,
  };
}

/** The balance a day that the plan asks for, kilocalories; none from the goal's day on. */
function balanceOn(asOf: AsOf, day: Day): number {
  const line = goalsOf(asOf).lineOn(day);
  return "reason" in line || day >= line.deadline ? 0 : balanceForRate(line.kgPerWeek);
}

/** The energy of a day that has no target of its own: expenditure and what the plan asks; null where it is not known. */
export function plannedKcal(asOf: AsOf, day: Day): number | null {
  const expenditure = expenditureOn(asOf, day);
  return "reason" in expenditure ? null : expenditure.kcal + balanceOn(asOf, day);
}

/** The target of one particular day, with credited sessions added. */
export function targetOn(asOf: AsOf, day: Day): Target {
  return targetFor(asOf, dayKind(asOf, day), day, creditedOn(asOf, day));
}
