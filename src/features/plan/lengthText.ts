import { counted } from "@/core/base/units/number";

/** Lengths of a session that there may be time for, minutes. */
export const lengths = [15, 20, 30, 45, 60] as const;

/** A length in days as it is said: `42 days, 6 weeks`; the first and the last day both belong to it. */
export function lengthText(days: number): string {
  return days % 7 === 0 && days >= 7 ? `${counted(days, "day")}, ${counted(days / 7, "week")}` : counted(days, "day");
}
