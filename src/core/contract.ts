import { dateOf, type Day } from "./base/calendar/day";
import { balanceContract } from "./balance/contract";
import { bodyContract } from "./body/contract";
import { enduranceContract } from "./endurance/contract";
import { energyContract } from "./energy/contract";
import type { WhatIfAsk } from "./balance/whatIf";
import { AsOf } from "./log/asOf";
import { lastEntryDay } from "./log/lastEntry";
import { type Log, peopleOf } from "./log/log";
import { nutritionContract } from "./nutrition/contract";
import { planningContract } from "./planning/contract";
import { reviewContract } from "./review/contract";
import { sessionsContract } from "./sessions/contract";
import { strengthContract } from "./strength/contract";

/**
 * Every figure of a household as the documented contract (docs/figures.md), numbers rounded to ten significant digits
 * since engines may differ in the last bit of `exp` and `pow`.
 * @param on the day the figures are asked for; when absent, the household's last day with an entry
 * @param ask an intake and a day, for `energy.whatIf`; left out without it
 */
export function contract(log: Log, on: Day | null, ask: WhatIfAsk | null = null): unknown {
  const people = peopleOf(log);
  const latest = people.flatMap(({ id }) => lastEntryDay(log, id) ?? []);
  const day = on ?? (latest.length > 0 ? Math.max(...latest) : null);
  if (day === null) return { on: null, reason: "nothing is written yet", people: [] };
  return rounded({
    on: dateOf(day),
    people: people.map((person) => personContract(new AsOf(log, person.id, day), ask)),
  });
}

/** The contract's figures of one person, domain by domain. */
export function personContract(asOf: AsOf, ask: WhatIfAsk | null = null): Record<string, unknown> {
  return {
    personId: asOf.person.id,
    ...bodyContract(asOf),
    energy: { ...energyContract(asOf), ...balanceContract(asOf, ask) },
    ...nutritionContract(asOf),
    ...strengthContract(asOf),
    ...planningContract(asOf),
    ...enduranceContract(asOf),
    ...sessionsContract(asOf),
    ...reviewContract(asOf),
  };
}

/** Ten significant digits for every number, at every depth. */
export function rounded(value: unknown): unknown {
  if (typeof value === "number")
    return Number.isInteger(value) && Math.abs(value) < 1e10 ? value + 0 : Number(value.toPrecision(10)) + 0;
  if (Array.isArray(value)) return value.map(rounded);
  if (value === null || typeof value !== "object") return value;
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, rounded(inner)]));
}
