import type { Due } from "@/core/days/due";
import { shortDate } from "./dates";

/** What is due, in words. */
export function dueText({ what, date, title }: Due): string {
  if (what === "weighIn") return "This morning's weight is not written yet.";
  if (what === "step") return "The weight moves slower than the plan asks: a step of the targets is proposed.";
  return what === "session"
    ? `${title} of ${shortDate(date)} is neither done nor skipped.`
    : `What was eaten on ${shortDate(date)} is not marked as complete.`;
}
