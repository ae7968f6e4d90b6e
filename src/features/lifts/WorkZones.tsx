"use client";

import { printNumber } from "@/core/base/units/number";
import type { WorkView } from "@/core/strength/workView";
import { shortDate } from "@/ui/dates";
import view from "@/ui/view.module.css";
import styles from "./lifts.module.css";

/** Lifts by zone of intensity, and the latest session in Prilepin's ranges. */
export function WorkZones({ work: { zones, unknownZone, rails } }: { work: WorkView }) {
  const most = Math.max(0.01, ...zones.map(({ share }) => share));
  return (
    <section className={view.section}>
      <h2>Zones of intensity</h2>
      <div className={styles.scale} role="table" aria-label="Number of lifts by zone of intensity">
        {zones.map(({ name, lifts, share }) => (
          <div key={name} role="row" className="contents">
            <span role="rowheader">{name}</span>
            <span role="presentation" className={styles.track}>
              <span style={{ width: `${(100 * share) / most}%` }} />
            </span>
            <span role="cell" className="num">
              {printNumber(lifts, 0)} <span className="quiet">({printNumber(share * 100, 0)} %)</span>
            </span>
          </div>
        ))}
      </div>
      {unknownZone > 0 && (
        <p className="quiet small above">
          {printNumber(unknownZone, 0)} lifts had no maximum in force and are in no zone.
        </p>
      )}
      {rails && rails.lines.length > 0 && (
        <>
          <p className="quiet small around">
            {rails.title}, {shortDate(rails.date)}: lifts in the zone where most of them fell, in Prilepin&rsquo;s range
            (outlined; drawn from weightlifters, a guide and no rule).
          </p>
          <div className={styles.scale} role="table" aria-label="Lifts of the latest session in Prilepin's ranges">
            {rails.lines.map(({ exerciseId, name, zone, lifts, low, usual, high }) => {
              const full = Math.max(high, lifts) * 1.05;
              return (
                <div key={exerciseId} role="row" className="contents">
                  <span role="rowheader">
                    {name} <span className="quiet small">{zone}</span>
                  </span>
                  <span role="presentation" className={styles.track}>
                    <span className={styles.thin} style={{ width: `${(100 * lifts) / full}%` }} />
                    <span
                      className={styles.rail}
                      style={{ left: `${(100 * low) / full}%`, width: `${(100 * (high - low)) / full}%` }}
                    />
                  </span>
                  <span role="cell" className="num">
                    {lifts}{" "}
                    <span className="quiet">
                      of {low}–{high}, usually {usual}
                    </span>
                  </span>
                </div>
              );
            })}
          </div>
        </>
      )}
    </section>
  );
}
