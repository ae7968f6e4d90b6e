import { dateOf } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { sessionsOf } from "../sessions/slice";
import { planDone, type PlanDoneLine } from "./planDone";

/** The contract's figures of how much of the plan was done, over the whole log: by kind, by category, and in all. */
export function reviewContract(asOf: AsOf) {
  const first = sessionsOf(asOf).days()[0] ?? asOf.on;
  const { kinds, categories, total } = planDone(asOf, { from: dateOf(first), to: dateOf(asOf.on) });
  const line = ({ adherence, optional, planned, done, kcal }: PlanDoneLine) => ({
    ...adherence,
    optional,
    plannedWork: planned,
    doneWork: done,
    kcal,
    ...(adherence.share === null ? { reason: "nothing was planned" } : {}),
  });
  return {
    planDone: {
      kinds: kinds.map((one) => ({ kind: one.name, ...line(one) })),
      categories: categories.map((one) => ({ category: one.name, ...line(one) })),
      total: line(total),
    },
  };
}
