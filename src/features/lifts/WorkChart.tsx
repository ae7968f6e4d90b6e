"use client";

import { fromKg } from "@/core/base/units/mass";
import { counted, printNumber } from "@/core/base/units/number";
import type { WorkWeek } from "@/core/strength/workView";
import { axisStyle, domainOf, tooltipStyle } from "@/ui/charts/axis";
import { useChartColours } from "@/ui/charts/useChartColours";
import { shortDate } from "@/ui/dates";
import { usePrinter } from "@/ui/usePrinter";
import { memo } from "react";
import { Bar, CartesianGrid, ComposedChart, Line, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";

/**
 * Week by week: number of lifts as bars (performed filled, planned in outline), average weight as a line on its own
 * axis at the right.
 */
export const WorkChart = memo(function WorkChart({ weeks }: { weeks: readonly WorkWeek[] }) {
  const colours = useChartColours();
  const printer = usePrinter();
  const unit = printer.units.mass;
  const data = weeks.map(({ weekStart, numberOfLifts, planned, averageKg }) => ({
    week: shortDate(weekStart),
    lifts: numberOfLifts,
    planned: planned.numberOfLifts,
    average: averageKg === null ? null : fromKg(averageKg, unit),
  }));
  if (data.length < 2) return null;
  return (
    <figure className="flat above-l">
      <figcaption className="quiet small">
        <svg width="11" height="11" aria-hidden="true">
          <rect width="11" height="11" fill={colours.pine} />
        </svg>{" "}
        number of lifts{"  "}
        <svg width="11" height="11" aria-hidden="true">
          <rect x="0.75" y="0.75" width="9.5" height="9.5" fill="none" stroke={colours.oat} strokeWidth="1.5" />
        </svg>{" "}
        planned{"  "}
        <svg width="20" height="11" aria-hidden="true">
          <path d="M0 6H20" stroke={colours.ink} strokeWidth="1.5" />
          <circle cx="10" cy="6" r="2.6" fill={colours.paper} stroke={colours.ink} strokeWidth="1.3" />
        </svg>{" "}
        average weight, {unit}, at the right
      </figcaption>
      <div
        className="chart-m"
        role="img"
        aria-label={`Number of lifts and average weight over ${counted(weeks.length, "week")}; the numbers are in the table below`}
      >
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart
            data={data}
            margin={{ top: 12, right: 0, bottom: 0, left: 0 }}
            barGap={weeks.length > 30 ? 0 : 2}
            accessibilityLayer={false}
          >
            <CartesianGrid vertical={false} stroke={colours.rule} />
            <XAxis dataKey="week" interval="preserveStartEnd" minTickGap={16} {...axisStyle(colours.slate)} />
            <YAxis yAxisId="lifts" width={44} {...axisStyle(colours.slate)} />
            <YAxis
              yAxisId="kg"
              orientation="right"
              width={44}
              domain={domainOf(
                data.flatMap(({ average }) => average ?? []),
                20,
              )}
              {...axisStyle(colours.slate)}
            />
            <Bar yAxisId="lifts" dataKey="lifts" fill={colours.pine} isAnimationActive={false} maxBarSize={20} />
            <Bar
              yAxisId="lifts"
              dataKey="planned"
              fill={colours.paper}
              stroke={colours.oat}
              strokeWidth={1.3}
              isAnimationActive={false}
              maxBarSize={20}
            />
            <Line
              yAxisId="kg"
              dataKey="average"
              stroke={colours.ink}
              strokeWidth={1.5}
              isAnimationActive={false}
              activeDot={false}
              connectNulls
              dot={weeks.length > 60 ? false : { r: 2.6, fill: colours.paper, stroke: colours.ink, strokeWidth: 1.3 }}
            />
            <Tooltip
              isAnimationActive={false}
              cursor={{ fill: colours.wash }}
              formatter={(value, name) => [
                `${printNumber(Number(value), name === "average" ? 1 : 0)}${name === "average" ? ` ${unit}` : ""}`,
                name === "average" ? "average weight" : name === "lifts" ? "number of lifts" : "planned",
              ]}
              {...tooltipStyle(colours)}
            />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
});
