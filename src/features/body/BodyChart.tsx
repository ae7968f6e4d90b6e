"use client";

import { Area, CartesianGrid, ComposedChart, Line, ReferenceLine, ResponsiveContainer, Scatter, Tooltip, XAxis, YAxis } from "recharts";
import type { BodyView } from "@/core/figures/views/body";
import { fromKg } from "@/core/units/mass";
import { dayNumber, domainOf, tickDates } from "@/ui/charts/axis";
import { useChartColours } from "@/ui/charts/useChartColours";
import { fullDate, shortDate } from "@/ui/dates";
import { usePrinter } from "@/ui/usePrinter";

/** Weigh-ins as dots, the trend with its band, the plan line dashed, the course ahead dotted, the target level. */
export function BodyChart({ view }: { view: BodyView }) {
  const colours = useChartColours();
  const printer = usePrinter();
  const inUnit = (kg: number | null) => (kg === null ? null : fromKg(kg, printer.units.mass));
  const data = view.points.map((point) => ({
    day: dayNumber(point.date), date: point.date, weighed: point.gross ? null : inUnit(point.weighedKg), trend: inUnit(point.trendKg), plan: inUnit(point.planKg), ahead: inUnit(point.aheadKg),
    band: point.low80 === null || point.high80 === null ? null : [inUnit(point.low80), inUnit(point.high80)], aheadBand: point.aheadLow === null || point.aheadHigh === null ? null : [inUnit(point.aheadLow), inUnit(point.aheadHigh)],
  }));
  const values = data.flatMap(({ weighed, trend, plan, ahead }) => [weighed, trend, plan, ahead]).filter((value) => value !== null);
  const domain = domainOf([...values, ...(view.targetKg === null || view.plan === null ? [] : [inUnit(view.targetKg)!])], 1);
  const lastTrend = data.findLast(({ trend }) => trend !== null);
  const firstPlan = data.find(({ plan }) => plan !== null);
  const ahead = data.filter((point) => point.trend === null && point.ahead !== null);
  const aheadLabel = ahead[Math.floor(ahead.length / 2)];
  const rising = (ahead.at(-1)?.ahead ?? 0) > (ahead[0]?.ahead ?? 0);
  const label = (at: { day: number } | undefined, text: string, colour: string, dy: number) =>
    function Label(props: { x?: number | string; y?: number | string; index?: number }) {
      return at !== undefined && data[props.index ?? -1]?.day === at.day ? <text x={Number(props.x) + 6} y={Number(props.y) + dy} fill={colour} fontSize={13.5} fontWeight={600} textAnchor="start">{text}</text> : <g />;
    };
  return (
    <div style={{ height: 370 }} role="img" aria-label={chartSummary(view, printer.mass.bind(printer))}>
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={data} margin={{ top: 14, right: 20, bottom: 0, left: -10 }} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke={colours.rule} />
          <XAxis dataKey="day" type="number" domain={["dataMin", "dataMax"]} tickFormatter={tickDates(data.map(({ day }) => day))} tickCount={8} stroke={colours.slate} tick={{ fill: colours.slate, fontSize: 13 }} tickLine={false} axisLine={false} minTickGap={50} />
          <YAxis domain={domain} allowDecimals={false} tickCount={Math.min(9, domain[1] - domain[0] + 1)} stroke={colours.slate} tick={{ fill: colours.slate, fontSize: 13 }} tickLine={false} axisLine={false} width={52} />
          {view.targetKg !== null && <ReferenceLine y={inUnit(view.targetKg)!} stroke={colours.plum} label={{ value: `goal ${printer.massNumber(view.targetKg)}${view.deadline ? ` by ${shortDate(view.deadline)}` : ""}`, position: "insideBottomLeft", fill: colours.plum, fontSize: 13.5, offset: 6 }} />}
          <Area dataKey="band" stroke="none" fill={colours.pine} fillOpacity={0.18} isAnimationActive={false} activeDot={false} />
          <Area dataKey="aheadBand" stroke="none" fill={colours.pine} fillOpacity={0.09} isAnimationActive={false} activeDot={false} />
          <Line dataKey="plan" stroke={colours.oat} strokeWidth={2} strokeDasharray="6 4" dot={false} activeDot={false} isAnimationActive={false} label={label(firstPlan, "plan", colours.oat, -8)} />
          <Line dataKey="trend" stroke={colours.pine} strokeWidth={2.5} dot={false} activeDot={false} isAnimationActive={false} label={label(lastTrend, lastTrend ? `trend ${lastTrend.trend!.toFixed(1)}` : "", colours.pine, -14)} />
          <Line dataKey="ahead" stroke={colours.pine} strokeWidth={2} strokeDasharray="1.5 4" dot={false} activeDot={false} isAnimationActive={false} label={label(aheadLabel, "at this pace", colours.pine, rising ? 20 : -7)} />
          <Scatter dataKey="weighed" fill={colours.ink} fillOpacity={0.6} shape={(props: { cx?: number; cy?: number }) => (props.cy == null || Number.isNaN(props.cy) ? <g /> : <circle cx={props.cx} cy={props.cy} r={2.2} fill={colours.ink} fillOpacity={0.6} />)} isAnimationActive={false} />
          <Tooltip isAnimationActive={false} cursor={{ stroke: colours.rule }} content={({ active, payload }) => {
            const row = payload?.[0]?.payload as (typeof data)[number] | undefined;
            if (!active || !row) return null;
            const lines = ([["weigh-in", row.weighed], ["trend", row.trend], ["plan", row.plan], ["at this pace", row.trend === null ? row.ahead : null]] as const).filter(([, value]) => value !== null);
            return <div style={{ background: colours.paper, border: `1px solid ${colours.ink}`, padding: "6px 10px", fontSize: 14 }}><div className="quiet">{fullDate(row.date)}</div>{lines.map(([name, value]) => <div key={name}>{name} {value!.toFixed(1)} {printer.units.mass}</div>)}</div>;
          }} />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}

function chartSummary(view: BodyView, mass: (kg: number) => string): string {
  const first = view.points.find(({ trendKg }) => trendKg !== null);
  const last = view.points.findLast(({ trendKg }) => trendKg !== null);
  return first && last ? `Body weight: trend from ${mass(first.trendKg!)} on ${fullDate(first.date)} to ${mass(last.trendKg!)} on ${fullDate(last.date)}` : "Body weight: nothing to draw yet";
}
