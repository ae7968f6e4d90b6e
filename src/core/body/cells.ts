import { type Day, weekStartOf } from "../base/calendar/day";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import type { weightColumns } from "./columns";
import { weightOf } from "./slice";
import { trendDay } from "./trend";
import { mean } from "./weighIns";

/** What a day's cells of the columns of body weight say, in the trainee's units; empty where there is nothing. */
export function weightCells(asOf: AsOf, day: Day): Record<(typeof weightColumns)[number]["id"], string> {
  const { printer } = asOf;
  const weight = weightOf(asOf);
  const trend = trendDay(weight.trend(), day);
  const [morning, before] = [weight.primaryOn(day), weight.primaryOn(day - 1)];
  const start = weekStartOf(day, asOf.weekStart);
  const week = day === start + 6 && day <= asOf.on ? weight.weekFrom(start) : null;
  const seven =
    day > asOf.on
      ? []
      : Array.from({ length: 7 }, (_, back) => weight.primaryOn(day - back)?.kg).filter((kg) => kg !== undefined);
  const plan = goalsOf(asOf).planOn(day);
  const change = (kg: number) => printer.massChange(kg).split(" ")[0]!;
  return {
    trend: trend === null ? "" : printer.massNumber(trend.kg, 2),
    rate: trend === null || day - weight.trend()!.first < 7 ? "" : change(trend.kgPerWeek),
    step: morning === null || before === null ? "" : change(morning.kg - before.kg),
    median: week?.medianKg == null ? "" : printer.massNumber(week.medianKg, 2),
    mean: week?.meanKg == null ? "" : printer.massNumber(week.meanKg, 2),
    seven: seven.length === 0 ? "" : printer.massNumber(mean(seven), 2),
    plan: plan === null ? "" : printer.massNumber(plan, 2),
    against: trend === null || plan === null ? "" : change(trend.kg - plan),
  };
}
