"use client";

import { fromKg } from "@/core/base/units/mass";
import { counted, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { LiftPoint, LiftView } from "@/core/strength/liftsView";
import { axisStyle, dayNumber, domainOf, still, tickDates } from "@/ui/charts/axis";
import { ChartReader } from "@/ui/charts/ChartReader";
import { useChartColours } from "@/ui/charts/useChartColours";
import { fullDate } from "@/ui/dates";
import { usePrinter } from "@/ui/usePrinter";
import { memo, useState } from "react";
import { Area, CartesianGrid, ComposedChart, Line, ReferenceDot, ResponsiveContainer, XAxis, YAxis } from "recharts";

/** Beyond so many points the line alone is clearer. */
const dotsUpTo = 80;
const [height, axisWidth, axisHeight] = [230, 44, 30];
const margin = { top: 18, right: 24, bottom: 0, left: 0 };

/**
 * The highest estimated maximum of each day on which the lift was done with its interval, records filled, tests as
 * diamonds; a line to read it by.
 */
export function LiftChart({
  course,
  tests,
  name,
}: {
  course: readonly LiftPoint[];
  tests: LiftView["tests"];
  name: string;
}) {
  const printer = usePrinter();
  const [at, setAt] = useState<number | null>(null);
  if (course.length < 2) return <p className="quiet small">A chart needs two days with an estimate.</p>;
  const point = at === null ? undefined : course[at];
  const says = point === undefined ? "" : reading(point, printer);
  return (
    <div>
      <p className="quiet small noprint" aria-hidden={point === undefined}>
        {point === undefined
          ? "Filled dots are records. Move over the chart, or use its arrow keys, to read the set behind a day."
          : says}
      </p>
      <div className="anchor" style={{ height }}>
        <Drawing course={course} tests={tests} name={name} />
        <ChartReader
          days={course.map(({ date }) => dayNumber(date))}
          inset={{ left: axisWidth, right: margin.right, top: margin.top, bottom: axisHeight }}
          at={at}
          onRead={setAt}
          says={says}
          label={`Day read on the chart of ${name}`}
        />
      </div>
    </div>
  );
}

const Drawing = memo(function Drawing({
  course,
  tests,
  name,
}: {
  course: readonly LiftPoint[];
  tests: LiftView["tests"];
  name: string;
}) {
  const colours = useChartColours();
  const printer = usePrinter();
  const mass = (kg: number) => fromKg(kg, printer.units.mass);
  const data = course.map(({ date, e1rmKg, low80, high80, record }) => ({
    day: dayNumber(date),
    kg: mass(e1rmKg),
    band: [mass(low80), mass(high80)] as [number, number],
    record,
  }));
  const best = data.reduce((top, one) => (one.kg > top.kg ? one : top));
  const days = data.map(({ day }) => day);
  const tested = tests
    .map(({ date, kg }) => ({ day: dayNumber(date), kg: mass(kg) }))
    .filter(({ day }) => day >= days[0]! && day <= days.at(-1)!);
  return (
    <div
      style={{ height }}
      role="img"
      aria-label={`${name}: estimated maximum over ${counted(data.length, "day")}, best ${printNumber(best.kg, 1)} ${printer.units.mass}`}
    >
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={data} margin={margin} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke={colours.rule} />
          <XAxis
            dataKey="day"
            type="number"
            domain={["dataMin", "dataMax"]}
            tickFormatter={tickDates(days)}
            height={axisHeight}
            minTickGap={40}
            {...axisStyle(colours.slate)}
          />
          <YAxis
            domain={domainOf([...data.flatMap(({ band }) => band), ...tested.map(({ kg }) => kg)], 10)}
            allowDecimals={false}
            width={axisWidth}
            {...axisStyle(colours.slate)}
          />
          <Area dataKey="band" stroke="none" fill={colours.pine} fillOpacity={0.13} {...still} />
          <Line
            dataKey="kg"
            stroke={colours.pine}
            strokeWidth={1.5}
            isAnimationActive={false}
            activeDot={false}
            dot={
              data.length > dotsUpTo ? false : { r: 2.4, fill: colours.paper, stroke: colours.pine, strokeWidth: 1.2 }
            }
          />
          {data
            .filter(({ record }) => record)
            .map(({ day, kg }) => (
              <ReferenceDot key={day} x={day} y={kg} r={3.2} fill={colours.pine} stroke="none" />
            ))}
          {tested.map(({ day, kg }) => (
            <ReferenceDot
              key={`t${day}`}
              x={day}
              y={kg}
              r={5}
              shape={(props: { cx?: number; cy?: number }) => (
                <path d={`M${props.cx ?? 0} ${(props.cy ?? 0) - 6}l6 6l-6 6l-6-6z`} fill={colours.oat} />
              )}
            />
          ))}
          <ReferenceDot
            x={best.day}
            y={best.kg}
            r={0}
            label={{
              value: printNumber(best.kg, 1),
              position: "top",
              fill: colours.pine,
              fontSize: 13.5,
              fontWeight: 600,
            }}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
});

function reading({ date, kg, reps, rpe, e1rmKg, low80, high80, record }: LiftPoint, printer: Printer): string {
  return `${fullDate(date)}: ${printer.load(kg)} × ${reps}${rpe === null ? "" : ` at RPE ${rpe}`}, e1RM ${printer.massNumber(e1rmKg)} (${printer.massNumber(low80)} to ${printer.massNumber(high80)})${record ? ", a record" : ""}`;
}
