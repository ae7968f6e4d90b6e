"use client";

import { dateOf } from "@/core/base/calendar/day";
import { axisStyle, domainOf, tickDates } from "@/ui/charts/axis";
import { useChartColours } from "@/ui/charts/useChartColours";
import { fullDate } from "@/ui/dates";
import { Bar, CartesianGrid, ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from "recharts";

export interface WeekPoint {
  day: number;
  mean: number;
  days: number;
  trend: number | null;
  planned: number | null;
}

/**
 * Weekly means as dots, on a line of their own where there is no trend, whole where each week has readings; the goal's
 * line dashed; below, on how many days each mean rests.
 */
export function ReportChart({ weeks, name }: { weeks: WeekPoint[]; name: string }) {
  const colours = useChartColours();
  // Weeks without a reading leave a gap in the line.
  const data = weeks.flatMap((week, index) => {
    const before = weeks[index - 1];
    return before !== undefined && week.day - before.day > 7
      ? [{ day: before.day + 7, mean: null, days: 0, trend: null, planned: null }, week]
      : [week];
  });
  const values = weeks.flatMap(({ mean, trend, planned }) => [mean, trend, planned].filter((value) => value !== null));
  const withTrend = weeks.some(({ trend }) => trend !== null);
  const [low, high] = domainOf(values, Math.max(...values) - Math.min(...values) > 8 ? 5 : 1);
  const step = Math.ceil((high - low) / 8);
  const ticks = Array.from({ length: Math.floor((high - low) / step) + 1 }, (_, index) => low + index * step);
  const grid = axisStyle(colours.slate);
  return (
    <div
      className="chart-l"
      role="img"
      aria-label={`${name}, mean of each week from ${fullDate(dateOf(weeks[0]!.day))} to ${fullDate(dateOf(weeks.at(-1)!.day))}; the numbers are in the table by week`}
    >
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={data} margin={{ top: 14, right: 20, bottom: 0, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke={colours.rule} />
          <XAxis
            dataKey="day"
            type="number"
            domain={["dataMin", "dataMax"]}
            tickFormatter={tickDates(weeks.map(({ day }) => day))}
            tickCount={8}
            minTickGap={50}
            {...grid}
          />
          <YAxis domain={[low, high]} ticks={ticks} width={44} {...grid} />
          <YAxis yAxisId="days" domain={[0, 60]} hide />
          <Bar
            yAxisId="days"
            dataKey="days"
            fill={colours.slate}
            fillOpacity={0.35}
            barSize={4}
            isAnimationActive={false}
          />
          <Line
            dataKey="planned"
            stroke={colours.oat}
            strokeWidth={2}
            strokeDasharray="6 4"
            dot={false}
            activeDot={false}
            isAnimationActive={false}
          />
          {withTrend && (
            <Line
              dataKey="trend"
              stroke={colours.pine}
              strokeWidth={2.5}
              dot={false}
              activeDot={false}
              isAnimationActive={false}
            />
          )}
          <Line
            dataKey="mean"
            stroke={withTrend ? "none" : colours.pine}
            strokeWidth={2}
            dot={
              weeks.length > 120 && !withTrend
                ? false
                : { r: weeks.length > 120 ? 1.6 : 3, fill: withTrend ? colours.ink : colours.pine, stroke: "none" }
            }
            activeDot={false}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
