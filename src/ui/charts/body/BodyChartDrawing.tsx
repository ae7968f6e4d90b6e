"use client";

import { printNumber } from "@/core/base/units/number";
import type { BodyView } from "@/core/body/bodyView";
import { axisStyle, dayNumber, still, tickDates } from "@/ui/charts/axis";
import { useChartColours } from "@/ui/charts/useChartColours";
import { shortDate } from "@/ui/dates";
import { usePrinter } from "@/ui/usePrinter";
import { memo } from "react";
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from "recharts";
import { chartSummary } from "./bodyReading";
import { bodySeries, strip } from "./bodySeries";

export const height = 380;
export const axisWidth = 44;
export const axisHeight = 30;
export const margin = { top: 14, right: 20, bottom: 0, left: 0 };

/** The lines, bands and marks of the body chart, drawn anew only when what they show has changed. */
export const BodyChartDrawing = memo(function BodyChartDrawing({
  view,
  withMedians,
}: {
  view: BodyView;
  withMedians: boolean;
}) {
  const colours = useChartColours();
  const printer = usePrinter();
  const { data, first, last, bottom, high, ticks, target, lastTrend, arrival, limit, medians } = bodySeries(
    view,
    printer.units.mass,
  );
  const grid = axisStyle(colours.slate);
  return (
    <div style={{ height }} role="img" aria-label={chartSummary(view, printer)}>
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={data} margin={margin} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke={colours.rule} />
          <XAxis
            dataKey="day"
            type="number"
            domain={[first, last]}
            tickFormatter={tickDates(data.map(({ day }) => day))}
            tickCount={8}
            minTickGap={50}
            height={axisHeight}
            {...grid}
          />
          <YAxis domain={[bottom, high]} ticks={ticks} width={axisWidth} {...grid} />
          <YAxis yAxisId="strip" domain={[0, 1]} hide />
          {target !== null && (
            <ReferenceLine
              y={target}
              stroke={colours.plum}
              label={{
                value: `${limit ? "limit" : "goal"} ${printer.massNumber(view.targetKg!)}${view.deadline ? ` ${limit ? "on" : "by"} ${shortDate(view.deadline)}` : ""}`,
                position: "insideBottomLeft",
                fill: colours.plum,
                fontSize: 13.5,
                offset: 6,
              }}
            />
          )}
          <Area dataKey="planBand" stroke="none" fill={colours.oat} fillOpacity={0.13} {...still} />
          <Area dataKey="aheadBand" stroke="none" fill={colours.pine} fillOpacity={0.1} {...still} />
          <Area dataKey="band" stroke="none" fill={colours.pine} fillOpacity={0.22} {...still} />
          <Line dataKey="plan" stroke={colours.oat} strokeWidth={2} strokeDasharray="6 4" {...still} />
          <Line dataKey="catchUp" stroke={colours.plum} strokeWidth={1.8} strokeDasharray="9 4 2 4" {...still} />
          <Line dataKey="ahead" stroke={colours.pine} strokeWidth={2} strokeDasharray="1.5 4" {...still} />
          <Line
            dataKey="trend"
            stroke={colours.pine}
            strokeWidth={2.5}
            {...still}
            label={(props: { x?: number | string; y?: number | string; index?: number }) =>
              lastTrend !== undefined && data[props.index ?? -1]?.day === lastTrend.day ? (
                <text
                  x={Number(props.x) + 6}
                  y={Number(props.y) - 14}
                  fill={colours.pine}
                  fontSize={13.5}
                  fontWeight={600}
                  textAnchor={lastTrend.day > first + 0.85 * (last - first) ? "end" : "start"}
                >
                  trend {printNumber(lastTrend.trend!, 1)}
                </text>
              ) : (
                <g />
              )
            }
          />
          {withMedians &&
            medians.map(({ from, to, value }) => (
              <ReferenceLine
                key={from}
                segment={[
                  { x: from, y: value },
                  { x: to, y: value },
                ]}
                stroke={colours.ink}
                strokeWidth={2.2}
              />
            ))}
          <Scatter
            dataKey="weighed"
            shape={(props: Spot) =>
              visible(props) ? (
                <circle cx={props.cx} cy={props.cy} r={2.2} fill={colours.ink} fillOpacity={0.6} />
              ) : (
                <g />
              )
            }
            isAnimationActive={false}
          />
          <Scatter
            dataKey="second"
            shape={(props: Spot) =>
              visible(props) ? (
                <circle cx={props.cx} cy={props.cy} r={2.6} fill="none" stroke={colours.ink} strokeOpacity={0.75} />
              ) : (
                <g />
              )
            }
            isAnimationActive={false}
          />
          <Scatter
            yAxisId="strip"
            dataKey="strip"
            shape={(props: Spot & { payload?: { sessions: number } }) =>
              visible(props) && props.payload!.sessions > 0 ? (
                <rect x={props.cx! - 0.9} y={props.cy! - 4} width={1.8} height={8} fill={colours.slate} />
              ) : (
                <g />
              )
            }
            isAnimationActive={false}
          />
          {view.marks
            .filter(({ date }) => dayNumber(date) >= first && dayNumber(date) <= last)
            .map(({ date, text, levelMayJump }) => (
              <ReferenceDot
                key={date}
                yAxisId="strip"
                x={dayNumber(date)}
                y={strip / 2}
                shape={({ cx, cy }: Spot) => (
                  <g>
                    <title>{text}</title>
                    {levelMayJump && (
                      <line x1={cx} x2={cx} y1={margin.top} y2={cy} stroke={colours.slate} strokeDasharray="2 3" />
                    )}
                    <path
                      d={`M${cx! - 4.5},${cy! - 4.5} h9 v9 h-9 z`}
                      fill={levelMayJump ? colours.ink : colours.paper}
                      stroke={colours.ink}
                    />
                  </g>
                )}
              />
            ))}
          {target !== null && arrival.p10 !== null && arrival.p90 !== null && (
            <ReferenceLine
              segment={[
                { x: arrival.p10, y: target },
                { x: arrival.p90, y: target },
              ]}
              stroke={colours.pine}
              strokeWidth={5}
              strokeOpacity={0.45}
            />
          )}
          {target !== null && arrival.p50 !== null && (
            <ReferenceDot x={arrival.p50} y={target} r={4} fill={colours.pine} stroke={colours.paper} />
          )}
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
});

interface Spot {
  cx?: number;
  cy?: number;
}

const visible = ({ cy }: Spot) => cy != null && !Number.isNaN(cy);
