"use client";

import { dateOf } from "@/core/base/calendar/day";
import { fromKg } from "@/core/base/units/mass";
import { counted, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { BodyPoint, BodyView } from "@/core/body/bodyView";
import { axisStyle, dayNumber, domainOf, still, tickDates } from "@/ui/charts/axis";
import { ChartReader } from "@/ui/charts/ChartReader";
import { useChartColours } from "@/ui/charts/useChartColours";
import { fullDate, longDate, shortDate } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import { useRouter } from "next/navigation";
import { memo, useState } from "react";
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
import styles from "./body.module.css";

const height = 380;
const axisWidth = 44;
const axisHeight = 30;
const margin = { top: 14, right: 20, bottom: 0, left: 0 };
/** The strip of sessions and notes under the plot, as a share of it. */
const strip = 0.05;

/** Weigh-ins as dots, second ones hollow, the trend with its band, the plan line dashed in its band, the ways ahead, the goal; sessions and notes in a strip below; a line to read them by. */
export function BodyChart({
  view,
  onZoom,
}: {
  view: BodyView;
  onZoom: (stretch: { from: string; to: string } | null) => void;
}) {
  const printer = usePrinter();
  const { chooseDay } = useLog();
  const router = useRouter();
  const [at, setAt] = useState<number | null>(null);
  const [withMedians, setWithMedians] = useState(false);
  const days = view.points.map(({ date }) => dayNumber(date));
  const point = at === null ? undefined : view.points[at];
  const marks = point === undefined ? [] : marksOf(view, at!);
  const says = point === undefined ? "" : reading(point, printer);
  return (
    <div>
      <p className={`${styles.reading} noprint`} aria-hidden={point === undefined}>
        {point === undefined ? (
          <span className="quiet">
            Move over the chart, or choose it and use the arrow keys, to read a day; click to hold it. Drag, or press +,
            to look closer.
          </span>
        ) : (
          <>
            {says}
            {marks.map(({ date, text, levelMayJump }) => (
              <span key={date}>
                {" "}
                · “{text || "marked"}”{levelMayJump ? ", the weight may jump here" : ""}{" "}
                <button
                  type="button"
                  className="link"
                  onClick={() => {
                    chooseDay(date);
                    router.push("/");
                  }}
                >
                  open {shortDate(date)}
                </button>
              </span>
            ))}
          </>
        )}
      </p>
      <div style={{ position: "relative", height }}>
        <Drawing view={view} withMedians={withMedians} />
        <ChartReader
          days={days}
          inset={{ left: axisWidth, right: margin.right, top: margin.top, bottom: axisHeight }}
          at={at}
          onRead={setAt}
          says={[says, ...marks.map(({ text }) => text)].join("; ")}
          label="Day read on the chart"
          onZoom={(stretch) => {
            setAt(null);
            onZoom(stretch && { from: dateOf(stretch.from), to: dateOf(stretch.to) });
          }}
        />
      </div>
      <Key view={view} withMedians={withMedians} />
      {view.medians.length > 0 && (
        <p className={`${styles.choice} noprint`}>
          <label>
            <input type="checkbox" checked={withMedians} onChange={(event) => setWithMedians(event.target.checked)} />{" "}
            weekly medians
          </label>
        </p>
      )}
    </div>
  );
}

/** Notes of the days that a point stands for. */
function marksOf({ points, marks }: BodyView, at: number) {
  const [from, to] = [points[at - 1]?.date ?? "", points[at]!.date];
  return marks.filter(({ date }) => date > from && date <= to);
}

function reading(point: BodyPoint, printer: Printer): string {
  const number = (kg: number | null) => (kg === null ? "" : printer.massNumber(kg));
  const shown = point.trendKg ?? point.aheadKg;
  return [
    longDate(point.date),
    point.weighedKg === null
      ? null
      : `weigh-in ${number(point.weighedKg)}${point.gross ? ", kept out as a gross error" : ""}`,
    point.secondKg === null ? null : `second ${number(point.secondKg)}`,
    point.trendKg === null
      ? point.aheadKg === null
        ? null
        : `at this pace ${number(point.aheadKg)} (${number(point.aheadLow)} to ${number(point.aheadHigh)})`
      : `trend ${number(point.trendKg)} (${number(point.low80)} to ${number(point.high80)})${point.knownKg === null ? "" : `, known that day ${number(point.knownKg)}`}`,
    point.planKg === null
      ? null
      : `plan ${number(point.planKg)}${shown === null ? "" : `, ${printer.massChange(shown - point.planKg)} against it`}`,
    point.trendKg === null && point.catchUpKg !== null ? `to land on the day ${number(point.catchUpKg)}` : null,
    point.sessions === 0 ? null : point.sessions === 1 ? "trained" : `${counted(point.sessions, "day")} with training`,
  ]
    .filter(Boolean)
    .join(" · ");
}

const Drawing = memo(function Drawing({ view, withMedians }: { view: BodyView; withMedians: boolean }) {
  const colours = useChartColours();
  const printer = usePrinter();
  const inUnit = (kg: number | null) => (kg === null ? null : fromKg(kg, printer.units.mass));
  const pair = (low: number | null, high: number | null) =>
    low === null || high === null ? null : [inUnit(low)!, inUnit(high)!];
  const data = view.points.map((point) => ({
    day: dayNumber(point.date),
    weighed: point.gross ? null : inUnit(point.weighedKg),
    second: inUnit(point.secondKg),
    trend: inUnit(point.trendKg),
    plan: inUnit(point.planKg),
    ahead: inUnit(point.aheadKg),
    catchUp: inUnit(point.catchUpKg),
    band: pair(point.low80, point.high80),
    aheadBand: pair(point.aheadLow, point.aheadHigh),
    planBand: pair(point.planLow, point.planHigh),
    // On every point, so that the strip and the notes in it are there without a session too.
    strip: strip / 2,
    sessions: point.sessions,
  }));
  const values = data
    .flatMap(({ weighed, second, trend, plan, ahead }) => [weighed, second, trend, plan, ahead])
    .filter((value) => value !== null);
  const [low, high] = domainOf([...values, ...(view.targetKg === null ? [] : [inUnit(view.targetKg)!])], 1);
  // Room below the lowest line for the strip of sessions and notes.
  const bottom = low - Math.max(0.5, (high - low) * strip * 1.6);
  const ticks = Array.from({ length: high - low + 1 }, (_, index) => low + index).filter(
    (tick) => (tick - low) % Math.ceil((high - low) / 8) === 0,
  );
  const [first, last] = [data[0]?.day ?? 0, data.at(-1)?.day ?? 0];
  const lastTrend = data.findLast(({ trend }) => trend !== null);
  const arrival = "reason" in view.arrival || view.arrival.arrived ? null : view.arrival;
  const limit = !("reason" in view.arrival) && view.arrival.onMorning !== null;
  const shownDay = (date: string | null | undefined) => {
    const day = date ? dayNumber(date) : null;
    return day !== null && day >= first && day <= last ? day : null;
  };
  const [p10, p50, p90] = [shownDay(arrival?.p10), shownDay(arrival?.p50), shownDay(arrival?.p90)];
  const target = view.targetKg === null ? null : inUnit(view.targetKg)!;
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
            view.medians.map(({ from, closingDate, kg }) => (
              <ReferenceLine
                key={closingDate}
                segment={[
                  { x: dayNumber(from), y: inUnit(kg)! },
                  { x: Math.max(dayNumber(closingDate), dayNumber(from) + 0.5), y: inUnit(kg)! },
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
            .filter(({ date }) => shownDay(date) !== null)
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
          {target !== null && p10 !== null && p90 !== null && (
            <ReferenceLine
              segment={[
                { x: p10, y: target },
                { x: p90, y: target },
              ]}
              stroke={colours.pine}
              strokeWidth={5}
              strokeOpacity={0.45}
            />
          )}
          {target !== null && p50 !== null && (
            <ReferenceDot x={p50} y={target} r={4} fill={colours.pine} stroke={colours.paper} />
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

/** What the lines and marks mean, those alone that are drawn. */
function Key({ view, withMedians }: { view: BodyView; withMedians: boolean }) {
  const colours = useChartColours();
  const has = (key: keyof BodyPoint) => view.points.some((point) => point[key] !== null && point[key] !== 0);
  const line = (colour: string, dash?: string, width = 2) => (
    <line x1={0} x2={24} y1={6} y2={6} stroke={colour} strokeWidth={width} strokeDasharray={dash} />
  );
  const arrival = "reason" in view.arrival ? null : view.arrival;
  const entries = [
    has("weighedKg") && {
      name: "weigh-in",
      mark: <circle cx={12} cy={6} r={2.2} fill={colours.ink} fillOpacity={0.6} />,
    },
    has("secondKg") && {
      name: "second weigh-in",
      mark: <circle cx={12} cy={6} r={2.6} fill="none" stroke={colours.ink} />,
    },
    withMedians && view.medians.length > 0 && { name: "median of a week", mark: line(colours.ink, undefined, 2.2) },
    has("trendKg") && {
      name: "trend, 80 % band",
      mark: (
        <>
          <rect width={24} height={12} fill={colours.pine} fillOpacity={0.22} />
          {line(colours.pine, undefined, 2.5)}
        </>
      ),
    },
    has("planKg") && {
      name: "plan, its band",
      mark: (
        <>
          <rect width={24} height={12} fill={colours.oat} fillOpacity={0.13} />
          {line(colours.oat, "6 4")}
        </>
      ),
    },
    has("catchUpKg") && { name: "to land on the day", mark: line(colours.plum, "9 4 2 4", 1.8) },
    view.points.filter(({ aheadKg }) => aheadKg !== null).length > 1 && {
      name: "at this pace, 80 % band",
      mark: (
        <>
          <rect width={24} height={12} fill={colours.pine} fillOpacity={0.1} />
          {line(colours.pine, "1.5 4")}
        </>
      ),
    },
    arrival?.p50 != null &&
      !arrival.arrived &&
      arrival.p50 <= (view.points.at(-1)?.date ?? "") && {
        name: "arrival, 80 %",
        mark: (
          <>
            <line x1={2} x2={22} y1={6} y2={6} stroke={colours.pine} strokeWidth={5} strokeOpacity={0.45} />
            <circle cx={12} cy={6} r={4} fill={colours.pine} />
          </>
        ),
      },
    has("sessions") && { name: "training", mark: <rect x={11} y={2} width={1.8} height={8} fill={colours.slate} /> },
    view.marks.length > 0 && {
      name: "note",
      mark: <rect x={7.5} y={1.5} width={9} height={9} fill="none" stroke={colours.ink} />,
    },
    view.marks.some(({ levelMayJump }) => levelMayJump) && {
      name: "the weight may jump",
      mark: <rect x={7.5} y={1.5} width={9} height={9} fill={colours.ink} />,
    },
  ].filter((entry) => entry !== false);
  return (
    <ul className={styles.key} aria-label="Key">
      {entries.map(({ name, mark }) => (
        <li key={name}>
          <svg width={24} height={12} aria-hidden="true">
            {mark}
          </svg>
          {name}
        </li>
      ))}
    </ul>
  );
}

function chartSummary(view: BodyView, printer: Printer): string {
  const first = view.points.find(({ trendKg }) => trendKg !== null);
  const last = view.points.findLast(({ trendKg }) => trendKg !== null);
  return first && last
    ? `Body weight: trend from ${printer.mass(first.trendKg!)} on ${fullDate(first.date)} to ${printer.mass(last.trendKg!)} on ${fullDate(last.date)}`
    : "Body weight: nothing to draw yet";
}
