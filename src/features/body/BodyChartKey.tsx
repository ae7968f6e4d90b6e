"use client";

import type { BodyPoint, BodyView } from "@/core/body/bodyView";
import { useChartColours } from "@/ui/charts/useChartColours";
import styles from "./body.module.css";

/** What the lines and marks mean, those alone that are drawn. */
export function BodyChartKey({ view, withMedians }: { view: BodyView; withMedians: boolean }) {
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
