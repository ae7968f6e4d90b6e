"use client";

import { fromKg } from "@/core/base/units/mass";
import type { WhatIf } from "@/core/energy/goalPreview";
import { dayNumber, domainOf, still } from "@/ui/charts/axis";
import { CourseChart } from "@/ui/charts/CourseChart";
import { useChartColours } from "@/ui/charts/useChartColours";
import { usePrinter } from "@/ui/usePrinter";
import { Area, Line } from "recharts";

/** Where on a line its name stands: `share` of the way from its first point to its last. */
function along(
  key: "planKg" | "nowKg" | "aheadKg" | "trendKg",
  course: readonly WhatIf[],
  share: number,
): string | undefined {
  const drawn = course.filter((point) => point[key] !== null);
  return drawn[Math.round(share * (drawn.length - 1))]?.date;
}

/**
 * The plan as it would be, beside the plan as it stands, the trend and the course at today's pace: it moves while the
 * goal is typed.
 */
export function WhatIfChart({ course }: { course: WhatIf[] }) {
  const colours = useChartColours();
  const { units } = usePrinter();
  const inUnit = (kg: number | null) => (kg === null ? null : fromKg(kg, units.mass));
  const data = course.map((point) => ({
    day: dayNumber(point.date),
    date: point.date,
    trend: inUnit(point.trendKg),
    plan: inUnit(point.planKg),
    now: inUnit(point.nowKg),
    ahead: inUnit(point.aheadKg),
    band:
      point.aheadLow === null || point.aheadHigh === null ? null : [inUnit(point.aheadLow), inUnit(point.aheadHigh)],
  }));
  const [low, high] = domainOf(
    data.flatMap(({ trend, plan, now, ahead }) => [trend, plan, now, ahead]).filter((value) => value !== null),
    1,
  );
  const name = (date: string | undefined, text: string, colour: string, dy: number) =>
    function Name(props: { x?: number | string; y?: number | string; index?: number }) {
      return date !== undefined && data[props.index ?? -1]?.date === date ? (
        <text
          x={Number(props.x)}
          y={Number(props.y) + dy}
          fill={colour}
          fontSize={13.5}
          fontWeight={600}
          textAnchor="end"
        >
          {text}
        </text>
      ) : (
        <g />
      );
    };
  return (
    <CourseChart
      label="The plan as it would be, beside the plan as it stands, the trend and the course at today's pace"
      data={data}
      scale={{ domain: [low, high], allowDecimals: false, tickCount: Math.min(6, high - low + 1), width: 44 }}
      className="chart-m measure"
    >
      <Area dataKey="band" stroke="none" fill={colours.pine} fillOpacity={0.1} {...still} />
      <Line
        dataKey="now"
        stroke={colours.slate}
        strokeWidth={1.5}
        strokeDasharray="6 4"
        {...still}
        label={name(along("nowKg", course, 0.2), "plan now", colours.slate, -10)}
      />
      <Line
        dataKey="trend"
        stroke={colours.pine}
        strokeWidth={2.5}
        {...still}
        label={name(along("trendKg", course, 0.95), "trend", colours.pine, -10)}
      />
      <Line
        dataKey="ahead"
        stroke={colours.pine}
        strokeWidth={2}
        strokeDasharray="1.5 4"
        {...still}
        label={name(along("aheadKg", course, 1), "at this pace", colours.pine, -8)}
      />
      <Line
        dataKey="plan"
        stroke={colours.oat}
        strokeWidth={3}
        strokeDasharray="6 4"
        {...still}
        label={name(along("planKg", course, 0.45), "plan as typed", colours.oat, 22)}
      />
    </CourseChart>
  );
}
