"use client";

import { fromKcal } from "@/core/base/units/energy";
import type { ExpenditurePoint } from "@/core/balance/measuredView";
import { dayNumber, still } from "@/ui/charts/axis";
import { CourseChart } from "@/ui/charts/CourseChart";
import { useChartColours } from "@/ui/charts/useChartColours";
import { usePrinter } from "@/ui/usePrinter";
import { Area, Line } from "recharts";

/** The measured expenditure through time, as it was known on each day, beside the formula and what was to be eaten. */
export function ExpenditureChart({ course }: { course: readonly ExpenditurePoint[] }) {
  const colours = useChartColours();
  const printer = usePrinter();
  const inUnit = (kcal: number | null) => (kcal === null ? null : fromKcal(kcal, printer.units.energy));
  const data = course.map(({ date, kcal, low80, high80, formulaKcal, targetKcal }) => ({
    day: dayNumber(date),
    measured: inUnit(kcal),
    band: [inUnit(low80), inUnit(high80)],
    formula: inUnit(formulaKcal),
    target: inUnit(targetKcal),
  }));
  const key = (colour: string, dash: string | undefined, text: string) => (
    <span className="apart nowrap">
      <svg width="26" height="8" aria-hidden="true">
        <line x1="0" y1="4" x2="26" y2="4" stroke={colour} strokeWidth="2.5" strokeDasharray={dash} />
      </svg>{" "}
      {text}
    </span>
  );
  return (
    <figure className="flat">
      <figcaption className="quiet small">
        {printer.units.energy} a day: {key(colours.pine, undefined, "measured, with its 80 % interval")}
        {key(colours.slate, "6 4", "formula")}
        {key(colours.oat, "1.5 4", "to be eaten")}
      </figcaption>
      <CourseChart
        label="Measured expenditure through time with its interval, beside the formula and the target; the numbers are in the table"
        data={data}
        scale={{ domain: ["auto", "auto"], width: 56 }}
      >
        <Area dataKey="band" stroke="none" fill={colours.pine} fillOpacity={0.14} {...still} />
        <Line dataKey="target" stroke={colours.oat} strokeWidth={2} strokeDasharray="1.5 4" {...still} />
        <Line dataKey="formula" stroke={colours.slate} strokeWidth={1.5} strokeDasharray="6 4" {...still} />
        <Line dataKey="measured" stroke={colours.pine} strokeWidth={2.5} {...still} />
      </CourseChart>
    </figure>
  );
}
