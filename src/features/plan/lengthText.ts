import { counted } from "@/core/base/units/number";

/** A length in days as it is said: `42 days, 6 weeks`; the first and the last day both belong to it. */
export function lengthText(days: number): string {
  return days % 7 === 0 && days >= 7 ? `${counted(days, "day")}, ${counted(days / 7, "week")}` : counted(days, "day");
}
