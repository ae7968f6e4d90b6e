import { dateOf } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { type MeasuredDay, measuredOf } from "./measured";
import { whatIf, type WhatIfAsk, type WhatIfView } from "./whatIf";

/** The contract's figures of what weight and food together show: the expenditure through time, and an intake asked about. */
export function balanceContract(asOf: AsOf, ask: WhatIfAsk | null) {
  return {
    measured: measuredSection(measuredOf(asOf).on(asOf.on)),
    measuredByDay: measuredOf(asOf)
      .byDay()
      .map(({ day, kcal, low80, high80 }) => ({ date: dateOf(day), kcal, low80, high80 })),
    ...(ask === null ? {} : whatIfSection(whatIf(asOf, ask))),
  };
}

function measuredSection(measured: MeasuredDay | { reason: string }) {
  if ("reason" in measured) return { kcal: null, low80: null, high80: null, days: 0, reason: measured.reason };
  const { kcal, low80, high80, days, mornings, from } = measured;
  return { kcal, low80, high80, days, mornings, from };
}

function whatIfSection(view: WhatIfView) {
  return "reason" in view ? { whatIf: null, whatIfReason: view.reason } : { whatIf: view.weeks };
}
