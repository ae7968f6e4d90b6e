"use client";

import { dateOf } from "@/core/base/calendar/day";
import { counted, printNumber } from "@/core/base/units/number";
import type { MeasureRow } from "@/core/body/measuresView";
import { dayNumber, domainOf, tickDates, tooltipStyle } from "@/ui/charts/axis";
import { useChartColours } from "@/ui/charts/useChartColours";
import { fullDate } from "@/ui/dates";
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";

interface Row {
  day: number;
  value: number | null;
  line?: number;
  band?: [number, number];
}

/**
 * The readings of one measure over time, the line through its latest twelve weeks with its 80 % band, and the line of
 * the goal on it.
 */
export function MeasureChart({ measure: { name, unit, points, line, goal } }: { measure: MeasureRow }) {
  const colours = useChartColours();
  const data = [
    ...points.map(({ date, value }): Row => ({ day: dayNumber(date), value })),
    ...line.map(({ day, value, low80, high80 }): Row => ({ day, value: null, line: value, band: [low80, high80] })),
    ...(goal === null ? [] : [{ day: goal.deadline, value: null }]),
  ].sort((a, b) => a.day - b.day);
  const values = [...points.map(({ value }) => value), ...(goal === null ? [] : [goal.targetValue])];
  const step = Math.max(...values) - Math.min(...values) > 8 ? 5 : 1;
  return (
    <div
      className="chart-s"
      role="img"
      aria-label={`${name}, ${counted(points.length, "reading")}; the numbers are in the table`}
    >
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={data} margin={{ top: 10, right: 12, bottom: 0, left: -12 }} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke={colours.rule} />
          <XAxis
            dataKey="day"
            type="number"
            domain={["dataMin", "dataMax"]}
            tickFormatter={tickDates(data.map(({ day }) => day))}
            tick={{ fill: colours.slate, fontSize: 13 }}
            tickLine={false}
            axisLine={{ stroke: colours.slate }}
            minTickGap={24}
          />
          <YAxis
            domain={domainOf(values, step)}
            tick={{ fill: colours.slate, fontSize: 13 }}
            tickLine={false}
            axisLine={false}
            width={52}
            allowDecimals={false}
          />
          {goal !== null && (
            <ReferenceLine
              segment={[
                { x: goal.startDay, y: goal.startValue },
                { x: goal.deadline, y: goal.targetValue },
              ]}
              stroke={colours.oat}
              strokeWidth={2}
              strokeDasharray="6 4"
            />
          )}
          <Area
            dataKey="band"
            connectNulls
            stroke="none"
            fill={colours.pine}
            fillOpacity={0.18}
            isAnimationActive={false}
            activeDot={false}
            tooltipType="none"
          />
          <Line
            dataKey="line"
            connectNulls
            stroke={colours.pine}
            strokeWidth={2.5}
            dot={false}
            activeDot={false}
            isAnimationActive={false}
            tooltipType="none"
          />
          <Line
            dataKey="value"
            connectNulls
            type="linear"
            stroke={colours.slate}
            strokeWidth={1}
            dot={{ r: 3, fill: colours.ink, stroke: "none" }}
            isAnimationActive={false}
          />
          <Tooltip
            isAnimationActive={false}
            labelFormatter={(day) => fullDate(dateOf(Number(day)))}
            formatter={(value) => [`${printNumber(Number(value), 1)} ${unit}`, name]}
            {...tooltipStyle(colours)}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
