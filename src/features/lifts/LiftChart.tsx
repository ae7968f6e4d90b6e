"use client";

import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import type { LiftPoint } from "@/core/figures/views/lifts";
import { fromKg } from "@/core/units/mass";
import { dayNumber, domainOf, tickDates } from "@/ui/charts/axis";
import { useChartColours } from "@/ui/charts/useChartColours";
import { fullDate } from "@/ui/dates";
import { usePrinter } from "@/ui/usePrinter";

/** Beyond so many points the line alone is clearer. */
const dotsUpTo = 80;

/** The highest estimated maximum of each day on which the lift was done, oldest at the left. */
export function LiftChart({ course, name }: { course: readonly LiftPoint[]; name: string }) {
  const colours = useChartColours();
  const printer = usePrinter();
  const data = course.map(({ date, e1rmKg, kg, reps }) => ({ day: dayNumber(date), date, set: `${printer.load(kg)} × ${reps}`, kg: fromKg(e1rmKg, printer.units.mass) }));
  if (data.length < 2) return <p className="quiet small">A chart needs two days with an estimate.</p>;
  const best = data.reduce((top, one) => (one.kg > top.kg ? one : top));
  return (
    <div style={{ height: 200 }} role="img" aria-label={`${name}: estimated maximum over ${data.length} days, best ${best.kg.toFixed(1)} ${printer.units.mass} on ${best.date}`}>
      <ResponsiveContainer width="100%" height="100%">
        <LineChart data={data} margin={{ top: 18, right: 24, bottom: 0, left: -14 }} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke={colours.rule} />
          <XAxis dataKey="day" type="number" domain={["dataMin", "dataMax"]} tickFormatter={tickDates(data.map(({ day }) => day))} tick={{ fill: colours.slate, fontSize: 13 }} tickLine={false} axisLine={false} minTickGap={40} />
          <YAxis domain={domainOf(data.map(({ kg }) => kg), 5)} allowDecimals={false} tick={{ fill: colours.slate, fontSize: 13 }} tickLine={false} axisLine={false} width={52} />
          <Line dataKey="kg" stroke={colours.pine} strokeWidth={1.5} isAnimationActive={false} dot={data.length > dotsUpTo ? false : { r: 2.4, fill: colours.pine, strokeWidth: 0 }} label={(props: { x?: number | string; y?: number | string; index?: number }) => (data[props.index ?? -1] === best ? <text x={Number(props.x)} y={Number(props.y) - 8} fill={colours.pine} fontSize={13.5} fontWeight={600} textAnchor="middle">{best.kg.toFixed(1)}</text> : <g />)} />
          <Tooltip isAnimationActive={false} cursor={{ stroke: colours.rule }} content={({ active, payload }) => {
            const row = payload?.[0]?.payload as (typeof data)[number] | undefined;
            return active && row ? <div style={{ background: colours.paper, border: `1px solid ${colours.ink}`, padding: "6px 10px", fontSize: 14 }}><div className="quiet">{fullDate(row.date)}</div>{row.set}<div>{row.kg.toFixed(1)} {printer.units.mass}</div></div> : null;
          }} />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
