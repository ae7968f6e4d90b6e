import { dateOf, mustDay } from "../base/calendar/day";
import { measuresOf } from "../body/measuresSlice";
import { weightOf } from "../body/slice";
import { carriedLevel } from "../body/projection";
import { z80 } from "../body/trend";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import { type DynamicBody, fatKgBy, intakeFor, weightAhead } from "./dynamic";
import { expenditureOn } from "../energy/expenditure";
import { measuredOf } from "./measured";
import { defaultActivityFactor } from "../energy/resting";
import { energyOf } from "../energy/slice";

/** The weight on a day to come, kilograms. */
export interface WeightThen {
  date: string;
  kg: number;
  low80: number;
  high80: number;
}

export interface WhatIfAsk {
  /** What would be eaten a day from now on, kilocalories. */
  intakeKcal: number;
  until: string;
}

export type WhatIfView =
  | {
      /** A row a week, today's first and the last day's last. */
      weeks: WeightThen[];
      /** The straight line of the same balance on the last day, kilograms: what expenditure that never changed would make. */
      straightKg: number;
      /** What the body spends now, measured or by formula, and what it is made of. */
      expenditureKcal: number;
      from: "formula" | "measured";
      /** What is eaten now, where enough whole days say so. */
      intakeNowKcal: number | null;
    }
  | { reason: string };

/** Reckoned ahead at most so far: by then intake, age and activity have changed as well (our judgement). */
const horizon = 5 * 366;
/** Of the change itself the model may be off by so much, a standard deviation (our judgement, no source). */
const modelError = 0.12;
/** What a body holds of fat where neither height nor age are known: a quarter (our judgement). */
const usualFat = 0.25;

/** A body, how sure its weight and expenditure are, and what is eaten of late where enough whole days say so. */
interface BodyNow {
  body: DynamicBody;
  sd: number;
  low: number;
  high: number;
  from: "formula" | "measured";
  intakeNowKcal: number | null;
}

/** The body as it is on the day asked about, for the dynamic model; or why it is not known. */
function bodyNow(asOf: AsOf): BodyNow | { reason: string } {
  const { on } = asOf;
  const trend = weightOf(asOf).trend();
  const level = trend === null ? null : carriedLevel(trend, on);
  if (level === null) return { reason: "no weight is written" };
  const measured = measuredOf(asOf).on(on);
  if ("reason" in measured) return measured;
  const formula = expenditureOn(asOf, on);
  const fat = measuresOf(asOf).bodyFatOn(on);
  const known = energyOf(asOf).bodyOn(on);
  const { kg } = level;
  const fatKg =
    fat !== null
      ? (kg * fat.percent) / 100
      : known?.heightCm != null && known.ageYears !== null
        ? fatKgBy({ kg, heightCm: known.heightCm, ageYears: known.ageYears, sex: known.sex })
        : usualFat * kg;
  const intakeNowKcal = measuredOf(asOf).meanOf(on - 14, on - 1, 5);
  const body: DynamicBody = {
    kg,
    fatKg,
    restingKcal: "reason" in formula ? measured.kcal / defaultActivityFactor : formula.resting,
    expenditureKcal: measured.kcal,
    intakeKcal: intakeNowKcal ?? measured.kcal,
  };
  return { body, sd: level.sd, low: measured.low80, high: measured.high80, from: measured.from, intakeNowKcal };
}

/** The weight at an intake from the day asked about on, by the dynamic model, with its 80 % interval. */
export function whatIf(asOf: AsOf, { intakeKcal, until }: WhatIfAsk): WhatIfView {
  const days = mustDay(until) - asOf.on;
  if (days < 1) return { reason: "the day must lie ahead" };
  if (days > horizon) return { reason: "nothing is reckoned ahead further than five years" };
  const now = bodyNow(asOf);
  if ("reason" in now) return now;
  const { body, sd, low, high, from, intakeNowKcal } = now;
  const middle = weightAhead(body, intakeKcal, days);
  const spends = (expenditureKcal: number) => weightAhead({ ...body, expenditureKcal }, intakeKcal, days);
  const [less, more] = [spends(low), spends(high)];
  const shown = [...Array.from({ length: Math.ceil(days / 7) }, (_, week) => 7 * week), days];
  return {
    weeks: shown.map((day) => {
      const kg = middle[day]!;
      const ofExpenditure = Math.abs(less[day]! - more[day]!) / 2;
      const half = Math.hypot(ofExpenditure, z80 * sd, z80 * modelError * Math.abs(kg - body.kg));
      return { date: dateOf(asOf.on + day), kg, low80: kg - half, high80: kg + half };
    }),
    straightKg: body.kg + ((intakeKcal - body.expenditureKcal) * days) / measuredOf(asOf).density(),
    expenditureKcal: body.expenditureKcal,
    from,
    intakeNowKcal,
  };
}

/** What the goal in force asks to be eaten, kilocalories a day. */
export interface IntakeForGoal {
  targetKg: number;
  date: string;
  /** By the dynamic model; null where no intake between 500 and 8000 meets it. */
  kcal: number | null;
  /** By the straight line of the same energy. */
  straightKcal: number;
}

/** The intake that lands on the goal in force on its day; null without one that lies ahead, or where the body is not known. */
export function intakeForGoal(asOf: AsOf): IntakeForGoal | null {
  const line = goalsOf(asOf).line();
  const now = bodyNow(asOf);
  if ("reason" in line || "reason" in now || line.deadline <= asOf.on) return null;
  const days = Math.min(horizon, line.deadline - asOf.on);
  const { body } = now;
  return {
    targetKg: line.targetKg,
    date: dateOf(line.deadline),
    kcal: intakeFor(body, line.targetKg, days),
    straightKcal: body.expenditureKcal + ((line.targetKg - body.kg) * measuredOf(asOf).density()) / days,
  };
}
