import { dateOf } from "../base/calendar/day";
import { trendDay } from "../body/trend";
import { fromKg } from "../base/units/mass";
import { rounded } from "../base/units/number";
import type { Figures } from "../figures/figures";

/** Day by day as rows for a spreadsheet, the first of them their heads: weigh-ins, trend with its interval, plan line and note. Days on which nothing is known of any are left out. */
export function dailyRows(figures: Figures): (string | number | null)[][] {
  const unit = figures.units.mass;
  const two = (kg: number | null | undefined) => (kg == null ? null : rounded(fromKg(kg, unit), 2));
  const head = [
    "date",
    `weight (${unit})`,
    `second weigh-in (${unit})`,
    `trend (${unit})`,
    `trend low 80 % (${unit})`,
    `trend high 80 % (${unit})`,
    `plan (${unit})`,
    "what influenced the weight",
    "note of the day",
  ];
  const first = Math.min(
    figures.weighed[0]?.day ?? figures.on,
    ...figures.log.index.days("dayNotes", figures.personId).slice(0, 1),
  );
  const rows: (string | number | null)[][] = [head];
  for (let day = first; day <= figures.on; day++) {
    const [weighIn, second, note, trend] = [
      figures.primaryOn(day),
      figures.secondOn(day),
      figures.noteOn(day),
      trendDay(figures.trend, day),
    ];
    if (weighIn === null && second === null && trend === null && !note?.text) continue;
    rows.push([
      dateOf(day),
      two(weighIn?.kg),
      two(second?.kg),
      two(trend?.kg),
      two(trend?.low80),
      two(trend?.high80),
      two(figures.planOn(day)),
      weighIn?.note ?? null,
      note?.text ?? null,
    ]);
  }
  return rows;
}
