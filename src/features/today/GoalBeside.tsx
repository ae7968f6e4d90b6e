"use client";

import { BodyChartDrawing } from "@/ui/charts/body/BodyChartDrawing";
import { useFigure } from "@/ui/log/useFigure";
import Link from "next/link";
import styles from "./today.module.css";

/** The weight's course to the goal, where there is room for it beside the day; under Body it can be read. */
export function GoalBeside() {
  const view = useFigure("body", { days: 183, zoom: null });
  if (view === undefined) return <div className="chart-xl" />;
  return (
    <figure className={styles.beside}>
      <figcaption className={styles.sessionHead}>
        <h2>The way to the goal</h2>
        <Link href="/body" className="small">
          Read it under Body
        </Link>
      </figcaption>
      <BodyChartDrawing view={view} withMedians={false} />
    </figure>
  );
}
