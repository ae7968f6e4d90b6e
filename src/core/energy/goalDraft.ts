import { dateOf } from "../base/calendar/day";
import { fromKcal } from "../base/units/energy";
import { fromKg, parseMass } from "../base/units/mass";
import { printNumber } from "../base/units/number";
import type { Printer } from "../base/units/printer";
import type { Goal } from "../log/kinds/goals";
import type { GoalDraft, GoalValues } from "./forms";
import type { GoalAsk, GoalPreview } from "./goalPreview";

/** A goal as it stands in the form; a new one begins today. */
export function draftOfGoal(goal: Goal | null, today: string, printer: Printer): GoalDraft {
  const typed = (kg: number | null | undefined) => (kg == null ? "" : printer.massNumber(kg));
  const rate =
    goal && "rateKgPerWeek" in goal.by
      ? printNumber(Math.abs(fromKg(goal.by.rateKgPerWeek as number, printer.units.mass)), 2)
      : "";
  return {
    startDate: goal?.startDate ?? today,
    startKg: typed(goal?.startKg),
    targetKg: typed(goal?.targetKg),
    by: rate !== "" ? "rate" : goal?.limit ? "limit" : "date",
    rate,
    date: goal && "date" in goal.by ? (goal.by.date as string) : "",
    intake: "",
    milestones: (goal?.milestonesKg ?? []).map(typed).join(" "),
    why: goal?.why ?? "",
  };
}

/** A goal with those parts of it anew whose fields were changed. */
export function goalWithChanged(goal: Goal, written: Goal, changed: ReadonlySet<keyof GoalDraft>): Goal {
  const parts: [(keyof GoalDraft)[], (keyof Goal & string)[]][] = [
    [["startDate"], ["startDate"]],
    [["startKg"], ["startKg"]],
    [["targetKg"], ["targetKg"]],
    [
      ["by", "rate", "date", "intake"],
      ["by", "limit"],
    ],
    [["milestones"], ["milestonesKg"]],
    [["why"], ["why"]],
  ];
  const next: Record<string, unknown> = { ...goal };
  for (const [fields, keys] of parts) {
    if (!fields.some((field) => changed.has(field))) continue;
    for (const key of keys)
      if (written[key] === undefined) delete next[key];
      else next[key] = written[key];
  }
  return next as Goal;
}

/** What is asked of a goal that is typed. */
export function goalAsked(
  values: GoalValues,
  printer: Printer,
  base: Goal | { id: string; personId: string },
): GoalAsk {
  const { startKg, targetKg, rate, date, intake, milestones, why } = values;
  const { limit: _limit, milestonesKg: _milestones, why: _why, ...keep } = base as Partial<Goal>;
  // A weight that is shown and was not touched stays to the last digit.
  const exact = (kg: number, before: number | null | undefined) =>
    before != null && kg === parseMass(printer.massNumber(before), printer.units.mass) ? before : kg;
  const goal: Goal = {
    ...keep,
    id: base.id,
    personId: base.personId,
    of: "weight",
    startDate: values.startDate,
    startKg: exact(startKg, keep.startKg),
    targetKg: exact(targetKg, keep.targetKg),
    by: date !== null ? { date } : { rateKgPerWeek: Math.sign(targetKg - startKg) * (rate ?? 0) },
    ...(values.by === "limit" ? { limit: true } : {}),
    ...(milestones.length > 0 ? { milestonesKg: milestones } : {}),
    ...(why ? { why } : {}),
  };
  return { goal, kcal: intake };
}

/**
 * What another way of setting a goal begins with, so that nothing that is shown is lost: the date, rate or energy that
 * the last way came to.
 * @returns the field to fill and its text; null where it is filled already or nothing is known
 */
export function carriedOver(
  draft: Pick<GoalDraft, "by" | "date" | "rate" | "intake">,
  shown: GoalPreview | null,
  units: Printer["units"],
): ["date" | "rate" | "intake", string] | null {
  if (shown === null || "reason" in shown) return null;
  if ((draft.by === "date" || draft.by === "limit") && draft.date === "") return ["date", dateOf(shown.line.deadline)];
  if (draft.by === "rate" && draft.rate === "")
    return ["rate", printNumber(Math.abs(fromKg(shown.line.kgPerWeek, units.mass)), 2)];
  if (draft.by === "intake" && draft.intake === "" && shown.targetKcal !== null)
    return ["intake", String(Math.round(fromKcal(shown.targetKcal, units.energy)))];
  return null;
}
