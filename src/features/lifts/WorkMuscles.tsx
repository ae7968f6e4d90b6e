"use client";

import { printNumber } from "@/core/base/units/number";
import type { WorkView } from "@/core/strength/workView";
import view from "@/ui/view.module.css";
import styles from "./lifts.module.css";

/** Hard sets a week by muscle, from head to foot, as bars with their numbers. */
export function WorkMuscles({ work: { byMuscle } }: { work: WorkView }) {
  const most = Math.max(1, ...byMuscle.map(({ perWeek }) => perWeek));
  return (
    <section className={view.section}>
      <h2>Hard sets a week, by muscle</h2>
      <div className={styles.scale} role="table" aria-label="Hard sets a week, by muscle">
        {byMuscle.map(({ muscle, sets, perWeek }) => (
          <div key={muscle} role="row" className="contents">
            <span role="rowheader">{muscle}</span>
            <span role="presentation" className={styles.track}>
              <span style={{ width: `${(100 * perWeek) / most}%` }} />
            </span>
            <span role="cell" className="num">
              {printNumber(perWeek, 1)}
              <span className="hidden"> a week, {printNumber(sets, 1)} in all</span>
            </span>
          </div>
        ))}
      </div>
      <p className="quiet small above">
        Working sets with at most four repetitions in reserve, or unrated; a direct muscle counts 1, an indirect one ½
        (common practice).
      </p>
    </section>
  );
}
