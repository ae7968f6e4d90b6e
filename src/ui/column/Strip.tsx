import type { ColumnRow } from "@/core/days/columnView";

export const stripWidth = 104;
export const dayHeight = 34;

/** Horizontal scale of the weight strip: kilograms to pixels. */
export interface Scale {
  low: number;
  high: number;
}

/** The scale that holds the rows in sight, in steps of half a kilogram so that it rests while scrolling. */
export function scaleOf(rows: readonly ColumnRow[]): Scale {
  const values = rows.flatMap(({ weighedKg, gross, low80, high80, planKg }) =>
    [gross ? null : weighedKg, low80, high80, planKg].filter((value) => value !== null),
  );
  if (values.length === 0) return { low: 0, high: 1 };
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const low = Math.floor((least - 0.2) * 2) / 2;
  return { low, high: Math.max(low + 2, Math.ceil((most + 0.2) * 2) / 2) };
}

type Key = "trendKg" | "planKg" | "low80" | "high80";

/**
 * One day's piece of the strip: the trend as a thread with its interval, the plan line dashed, the weigh-in as a dot.
 * Pieces of neighbouring days meet at the row's edge.
 */
export function Strip({
  before,
  row,
  next,
  height,
  scale,
}: {
  before?: ColumnRow;
  row: ColumnRow;
  next?: ColumnRow;
  height: number;
  scale: Scale;
}) {
  const x = (kg: number) => ((kg - scale.low) / (scale.high - scale.low)) * (stripWidth - 8) + 4;
  const at = (key: Key): { points: [number, number][] } | null => {
    const here = row[key];
    if (here === null) return null;
    const join = (other: ColumnRow | undefined, y: number): [number, number][] => {
      const there = other?.[key];
      return there == null ? [] : [[(x(here) + x(there)) / 2, y]];
    };
    return { points: [...join(before, 0), [x(here), dayHeight / 2], ...join(next, height)] };
  };
  const tenths = (at: number) => Math.round(at * 10) / 10;
  const path = (points: [number, number][]) =>
    points.map(([px, py], index) => `${index === 0 ? "M" : "L"}${tenths(px)} ${tenths(py)}`).join("");
  const [trend, plan, low, high] = [at("trendKg"), at("planKg"), at("low80"), at("high80")];
  return (
    <svg width={stripWidth} height={height} aria-hidden="true">
      {low && high && low.points.length > 1 && (
        <path
          d={`${path(low.points)}${path([...high.points].reverse()).replace("M", "L")}Z`}
          fill="var(--pine)"
          opacity="0.16"
        />
      )}
      {plan && <path d={path(plan.points)} fill="none" stroke="var(--oat)" strokeWidth="1.5" strokeDasharray="4 3" />}
      {trend && <path d={path(trend.points)} fill="none" stroke="var(--pine)" strokeWidth="2" />}
      {row.weighedKg !== null && !row.gross && (
        <circle cx={x(row.weighedKg)} cy={dayHeight / 2} r="2.6" fill="var(--ink)" />
      )}
    </svg>
  );
}
