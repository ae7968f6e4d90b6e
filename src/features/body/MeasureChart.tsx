"use client";

import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { dateOf } from "@/core/calendar/day";
import type { MeasureRow } from "@/core/figures/views/measures";
import { printNumber } from "@/core/units/number";
import { dayNumber, domainOf, tickDates } from "@/ui/charts/axis";
import { useChartColours } from "@/ui/charts/useChartColours";
import { fullDate } from "@/ui/dates";

/** The readings of one measure over time, with the line of the goal on it. */
export function MeasureChart({ measure: { name, unit, points, goal } }: { measure: MeasureRow }) {
  const colours = useChartColours();
  const data = [...points.map(({ date, value }): { day: number; value: number | null } => ({ day: dayNumber(date), value })), ...(goal === null ? [] : [{ day: goal.deadline, value: null }])];
  const values = [...points.map(({ value }) => value), ...(goal === null ? [] : [goal.targetValue])];
  const step = Math.max(...values) - Math.min(...values) > 8 ? 5 : 1;
  return (
    <div style={{ height: 180 }} role="img" aria-label={`${name}, ${points.length} readings; the numbers are in the table`}>
      <ResponsiveContainer width="100%" height="100%">
        <LineChart data={data} margin={{ top: 10, right: 12, bottom: 0, left: -12 }} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke={colours.rule} />
          <XAxis dataKey="day" type="number" domain={["dataMin", "dataMax"]} tickFormatter={tickDates(data.map(({ day }) => day))} tick={{ fill: colours.slate, fontSize: 13 }} tickLine={false} axisLine={{ stroke: colours.slate }} minTickGap={24} />
          <YAxis domain={domainOf(values, step)} tick={{ fill: colours.slate, fontSize: 13 }} tickLine={false} axisLine={false} width={52} allowDecimals={false} />
          {goal !== null && <ReferenceLine segment={[{ x: goal.startDay, y: goal.startValue }, { x: goal.deadline, y: goal.targetValue }]} stroke={colours.oat} strokeWidth={2} strokeDasharray="6 4" />}
          <Line dataKey="value" type="linear" stroke={colours.pine} strokeWidth={1.5} dot={{ r: 3, fill: colours.pine, stroke: "none" }} isAnimationActive={false} />
          <Tooltip isAnimationActive={false} labelFormatter={(day) => fullDate(dateOf(Number(day)))} formatter={(value) => [`${printNumber(Number(value), 1)} ${unit}`, name]} contentStyle={{ background: colours.paper, border: `1px solid ${colours.ink}`, borderRadius: 0, fontSize: 14 }} itemStyle={{ color: colours.ink }} />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
