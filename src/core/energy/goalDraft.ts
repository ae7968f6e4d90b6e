import { dayOf, dateOf } from "../base/calendar/day";
import { fromKcal, toKcal } from "../base/units/energy";
import { fromKg, parseMass } from "../base/units/mass";
import { parseDecimal, printNumber } from "../base/units/number";
import type { Printer } from "../base/units/printer";
import type { Goal } from "../log/kinds/goals";
import type { GoalAsk, GoalPreview } from "./goalPreview";

/**
 * A weight goal as it is typed: weights in the trainee's unit, empty where nothing stands. `by` is the way it is set.
 */
export type GoalDraft = {
  startDate: string;
  startKg: string;
  targetKg: string;
  by: string;
  rate: string;
  date: string;
  intake: string;
  milestones: string;
  why: string;
};

/** Numbers with spaces (or semicolons) between; null when something else stands there. */
export function numbersOf(text: string): number[] | null {
  const numbers = text
    .split(/[\s;]+/)
    .filter(Boolean)
    .map(parseDecimal);
  return numbers.some((number) => number === null || number <= 0) ? null : (numbers as number[]);
}

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

/** What is asked of a goal as far as it is typed; null while something is missing. */
export function goalAsked(
  fields: GoalDraft,
  units: Printer["units"],
  base: Goal | { id: string; personId: string },
): GoalAsk | null {
  const [startKg, targetKg, rate] = [
    parseMass(fields.startKg, units.mass),
    parseMass(fields.targetKg, units.mass),
    parseMass(fields.rate, units.mass),
  ];
  const [intake, milestones] = [parseDecimal(fields.intake), numbersOf(fields.milestones)];
  const dated = fields.by === "date" || fields.by === "limit";
  if (
    startKg === null ||
    targetKg === null ||
    milestones === null ||
    dayOf(fields.startDate) === null ||
    (dated ? dayOf(fields.date) === null : fields.by === "rate" ? rate === null : intake === null)
  )
    return null;
  const { limit: _limit, milestonesKg: _milestones, why: _why, ...keep } = base as Partial<Goal>;
  const exact = (typed: string, kg: number, before: number | null | undefined) =>
    before != null && parseDecimal(typed) !== null && Math.abs(kg - before) < 0.051 * (units.mass === "lb" ? 0.4536 : 1)
      ? before
      : kg;
  const goal: Goal = {
    ...keep,
    id: base.id,
    personId: base.personId,
    of: "weight",
    startDate: fields.startDate,
    startKg: exact(fields.startKg, startKg, keep.startKg),
    targetKg: exact(fields.targetKg, targetKg, keep.targetKg),
    by: dated ? { date: fields.date } : { rateKgPerWeek: Math.sign(targetKg - startKg) * (rate ?? 0) },
    ...(fields.by === "limit" ? { limit: true } : {}),
    ...(milestones.length > 0
      ? { milestonesKg: milestones.map((number) => parseMass(String(number), units.mass)!) }
      : {}),
    ...(fields.why.trim() ? { why: fields.why.trim() } : {}),
  };
  return { goal, kcal: fields.by === "intake" ? toKcal(intake!, units.energy) : null };
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
