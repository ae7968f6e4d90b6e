import { dateOf } from "../base/calendar/day";
import { fromKg } from "../base/units/mass";
import { rounded } from "../base/units/number";
import { weightOf } from "../body/slice";
import { trendDay } from "../body/trend";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import { notesOf } from "../log/notes";

/**
 * Day by day as rows for a spreadsheet, the first of them their heads: weigh-ins, trend with its interval, plan line
 * and note. Days on which nothing is known of any are left out.
 */
export function dailyRows(asOf: AsOf): (string | number | null)[][] {
  const unit = asOf.units.mass;
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
    weightOf(asOf).weighed()[0]?.day ?? asOf.on,
    ...asOf.log.index.days("dayNotes", asOf.personId).slice(0, 1),
  );
  const rows: (string | number | null)[][] = [head];
  for (let day = first; day <= asOf.on; day++) {
    const [weighIn, second, note, trend] = [
      weightOf(asOf).primaryOn(day),
      weightOf(asOf).secondOn(day),
      notesOf(asOf).noteOn(day),
      trendDay(weightOf(asOf).trend(), day),
    ];
    if (weighIn === null && second === null && trend === null && !note?.text) continue;
    rows.push([
      dateOf(day),
      two(weighIn?.kg),
      two(second?.kg),
      two(trend?.kg),
      two(trend?.low80),
      two(trend?.high80),
      two(goalsOf(asOf).planOn(day)),
      weighIn?.note ?? null,
      note?.text ?? null,
    ]);
  }
  return rows;
}
