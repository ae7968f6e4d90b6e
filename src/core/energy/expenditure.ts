import type { Day } from "../base/calendar/day";
import { weightOf } from "../body/slice";
import { balanceForRate } from "../goals/plan";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { notesOf } from "../log/notes";
import { wasPerformed } from "../sessions/adherence";
import { kindsOf } from "../sessions/kindsView";
import { sessionMinutes } from "../sessions/minutes";
import { sessionsOf } from "../sessions/slice";
import { netExerciseKcal, restingKcalPerMinute, sessionMet } from "./exercise";
import type { EquationName } from "./resting";
import { defaultActivityFactor } from "./resting";
import { energyOf } from "./slice";

export type DayKind = "training" | "rest";

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
      /** Whether it is a measured one that the trainee has taken over, and since when. */
      takenOn: string | null;
    }
  | { reason: string };

export function expenditureOn(asOf: AsOf, day: Day): Expenditure {
  const settings = energyOf(asOf).settingsOn(day);
  const equation = settings?.equation ?? "mifflinStJeor";
  const factor = settings?.activityFactor ?? defaultActivityFactor;
  const resting = energyOf(asOf).restingOn(equation, day);
  if ("reason" in resting) return resting;
  const byFormula = resting.kcal * factor;
  const taken = settings?.follows === "measured" ? (settings.measuredKcal ?? null) : null;
  return {
    kcal: taken ?? byFormula,
    byFormula,
    resting: resting.kcal,
    equation,
    factor,
    factorSet: settings?.activityFactor != null,
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
 * Whether a day is a training or a rest day: as the trainee said, else by whether a session is on it that was not
 * dropped.
 */
export function dayKind(asOf: AsOf, day: Day): DayKind {
  const said = notesOf(asOf).noteOn(day)?.activity;
  if (said) return said;
  return sessionsOf(asOf)
    .on(day)
    .some(({ status }) => status !== "skipped" && status !== "missed")
    ? "training"
    : "rest";
}

/** A day's target: the trainee's own where set, else expenditure plus the balance the plan asks for. */
export type Target =
  | {
      kcal: number;
      protein: number | null;
      fat: number | null;
      carbohydrate: number | null;
      kind: DayKind;
      own: boolean;
      expenditureKcal: number | null;
      balanceKcal: number;
      creditKcal: number;
    }
  | { reason: string };

export function targetFor(asOf: AsOf, kind: DayKind, day: Day, creditKcal = 0): Target {
  const own = energyOf(asOf).settingsOn(day)?.targets?.[kind];
  const grams = { protein: own?.protein ?? null, fat: own?.fat ?? null, carbohydrate: own?.carbohydrate ?? null };
  const expenditure = expenditureOn(asOf, day);
  const expenditureKcal = "reason" in expenditure ? null : expenditure.kcal;
  if (own?.kcal != null)
    return { ...grams, kcal: own.kcal + creditKcal, kind, own: true, expenditureKcal, balanceKcal: 0, creditKcal };
  if ("reason" in expenditure) return expenditure;
  const line = goalsOf(asOf).lineOn(day);
  const balanceKcal = "reason" in line || day >= line.deadline ? 0 : balanceForRate(line.kgPerWeek);
  return {
    ...grams,
    kcal: expenditure.kcal + balanceKcal + creditKcal,
    kind,
    own: false,
    expenditureKcal,
    balanceKcal,
    creditKcal,
  };
}

/** The target of one particular day, with credited sessions added. */
export function targetOn(asOf: AsOf, day: Day): Target {
  return targetFor(asOf, dayKind(asOf, day), day, creditedOn(asOf, day));
}
