"use client";

import { mealAtHour, mealNames } from "@/core/nutrition/mealNames";
import { useLog } from "@/ui/log/LogContext";
import { hourNow } from "./hourNow";

/** The meals of the trainee's day for a choice, and the one that is offered first: today that of the hour, else the first. */
export function useMealOptions() {
  const { person, day, today } = useLog();
  const settings = person.settings ?? {};
  const names = mealNames(settings);
  return {
    options: names.map((value) => ({ value, label: value })),
    offered: day === today ? mealAtHour(settings, hourNow()) : names[0]!,
  };
}
