"use client";

import type { ReactNode } from "react";
import { CartesianGrid, ComposedChart, ResponsiveContainer, XAxis, YAxis } from "recharts";
import { axisStyle, tickDates } from "./axis";
import { useChartColours } from "./useChartColours";

/** The frame of a chart over days; its lines are the children, the scale beside them is said by `scale`. */
export function CourseChart({
  label,
  data,
  scale,
  className = "chart-m",
  children,
}: {
  label: string;
  data: readonly { day: number }[];
  scale: Pick<Parameters<typeof YAxis>[0], "domain" | "width" | "allowDecimals" | "tickCount">;
  className?: string;
  children: ReactNode;
}) {
  const colours = useChartColours();
  const grid = axisStyle(colours.slate);
  return (
    <div className={className} role="img" aria-label={label}>
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={[...data]} margin={{ top: 16, right: 20, bottom: 0, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke={colours.rule} />
          <XAxis
            dataKey="day"
            type="number"
            domain={["dataMin", "dataMax"]}
            tickFormatter={tickDates(data.map(({ day }) => day))}
            tickCount={7}
            minTickGap={50}
            {...grid}
          />
          <YAxis {...scale} {...grid} />
          {children}
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
