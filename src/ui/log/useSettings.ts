"use client";

import type { Settings } from "@/core/log/kinds/people";
import { put } from "@/core/log/records";
import { useLog } from "@/ui/log/LogContext";

/** The trainee's settings, and the way to change some of them. */
export function useSettings(): [Settings, (changed: Partial<Settings>, label: string) => Promise<boolean>] {
  const { person, commit } = useLog();
  const settings = person.settings ?? {};
  return [
    settings,
    (changed, label) => commit([put("people", { ...person, settings: { ...settings, ...changed } }, person)], label),
  ];
}
