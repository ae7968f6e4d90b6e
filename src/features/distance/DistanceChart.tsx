"use client";

import { metresPer } from "@/core/base/units/length";
import { counted, printNumber } from "@/core/base/units/number";
import type { DistanceView } from "@/core/endurance/distanceView";
import { KindMarks } from "@/ui/column/kindMarks";
import { tooltipStyle } from "@/ui/charts/axis";
import { useChartColours } from "@/ui/charts/useChartColours";
import { shortDate } from "@/ui/dates";
import { usePrinter } from "@/ui/usePrinter";
import { use } from "react";
import { Bar, BarChart, CartesianGrid, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";

/** Distance a week, a bar a kind, told apart by fill as well as by colour; a kind has the colour that was chosen for it. */
export function DistanceChart({ weeks }: { weeks: DistanceView["weeks"] }) {
  const colours = useChartColours();
  const { units } = usePrinter();
  const kinds = [...new Set(weeks.flatMap(({ byKind }) => byKind.map(({ kind }) => kind)))].sort();
  const data = weeks.map(({ weekStart, byKind }) => ({
    week: shortDate(weekStart),
    ...Object.fromEntries(byKind.map(({ kind, metres }) => [kind, metres / metresPer(units.distance)])),
  }));
  const marks = use(KindMarks);
  const drawn = kinds.map((kind, index) => {
    const chosen = marks.get(kind.toLowerCase())?.colour;
    const stroke = chosen == null ? colours.pine : `var(--${chosen})`;
    return { kind, stroke, fill: [stroke, colours.paper, chosen == null ? colours.slate : stroke][index % 3] };
  });
  return (
    <figure className="flat">
      <figcaption className="quiet small">
        Distance a week, {units.distance}:{" "}
        {drawn.map(({ kind, stroke, fill }) => (
          <span key={kind} className="apart">
            <svg width="11" height="11" aria-hidden="true">
              <rect x="0.75" y="0.75" width="9.5" height="9.5" fill={fill} stroke={stroke} strokeWidth="1.5" />
            </svg>{" "}
            {kind}
          </span>
        ))}
      </figcaption>
      <div
        className="chart-m"
        role="img"
        aria-label={`Distance a week over ${counted(weeks.length, "week")} for ${kinds.join(" and ")}; the numbers are in the table`}
      >
        <ResponsiveContainer width="100%" height="100%">
          <BarChart
            data={data}
            margin={{ top: 12, right: 0, bottom: 0, left: -18 }}
            barGap={2}
            accessibilityLayer={false}
          >
            <CartesianGrid vertical={false} stroke={colours.rule} />
            <XAxis
              dataKey="week"
              tick={{ fill: colours.slate, fontSize: 13 }}
              tickLine={false}
              axisLine={{ stroke: colours.slate }}
              interval="preserveStartEnd"
              minTickGap={14}
            />
            <YAxis tick={{ fill: colours.slate, fontSize: 13 }} tickLine={false} axisLine={false} width={52} />
            {drawn.map(({ kind, stroke, fill }) => (
              <Bar
                key={kind}
                dataKey={kind}
                fill={fill}
                stroke={stroke}
                strokeWidth={1.5}
                isAnimationActive={false}
                maxBarSize={18}
              />
            ))}
            <Tooltip
              isAnimationActive={false}
              cursor={{ fill: colours.wash }}
              formatter={(value) => `${printNumber(Number(value), 1)} ${units.distance}`}
              {...tooltipStyle(colours)}
            />
          </BarChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}
