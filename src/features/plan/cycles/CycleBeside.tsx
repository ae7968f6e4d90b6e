"use client";

import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { CycleView } from "@/core/planning/cycleView";
import { shortDate } from "@/ui/dates";
import type { CSSProperties } from "react";
import styles from "./cycles.module.css";

/** What a cycle comes to, beside its cells: lifts and intensity by week, shares by lift, zones of intensity. */
export function CycleBeside({ view, printer }: { view: CycleView; printer: Printer }) {
  const { weeks, before, lifts, zones, withoutMaximum } = view;
  const most = Math.max(
    1,
    ...weeks.map(({ planned }) => planned.numberOfLifts),
    ...before.map((one) => one.numberOfLifts),
  );
  const ofLoad = lifts.filter(({ planned }) => (planned.shareOfVolumeLoad ?? 0) > 0);
  const largest = Math.max(...ofLoad.map(({ planned }) => planned.shareOfVolumeLoad ?? 0), Number.MIN_VALUE);
  return (
    <aside className={styles.beside} aria-label="What the cycle comes to">
      {withoutMaximum.length > 0 && (
        <p className="warn">
          {withoutMaximum.join(", ")}: no maximum is known, so {withoutMaximum.length === 1 ? "its" : "their"} loads
          stay open. Press the name of the lift to write one.
        </p>
      )}
      <h3>Lifts a week, average intensity</h3>
      <ul className={styles.bars}>
        {before.map(({ start, numberOfLifts, averageIntensity }) => (
          <BarLine
            key={start}
            label={shortDate(start)}
            quiet
            share={numberOfLifts / most}
            isDone
            value={printNumber(numberOfLifts, 0)}
            intensity={averageIntensity}
          />
        ))}
        {weeks.map(({ week, planned, stands, easy }) => (
          <BarLine
            key={week}
            label={`week ${week}${easy ? ", easy" : ""}`}
            share={planned.numberOfLifts / most}
            isDone={false}
            value={
              stands.numberOfLifts === planned.numberOfLifts
                ? printNumber(planned.numberOfLifts, 0)
                : `${printNumber(stands.numberOfLifts, 0)} of ${printNumber(planned.numberOfLifts, 0)}`
            }
            intensity={stands.averageIntensity ?? planned.averageIntensity}
          />
        ))}
      </ul>
      <p className="quiet small">The four weeks before as trained, of the same exercises.</p>
      {ofLoad.length > 0 && (
        <>
          <h3>Share of the load, and of the lifts</h3>
          <ul className={styles.bars}>
            {ofLoad.map(({ exerciseId, name, planned }) => (
              <li key={exerciseId}>
                <span className={styles.barLabel}>{name}</span>
                <span className={styles.track}>
                  <span
                    className={styles.planned}
                    style={{ "--share": (planned.shareOfVolumeLoad ?? 0) / largest } as CSSProperties}
                  />
                </span>
                <span className="num">
                  {printNumber((planned.shareOfVolumeLoad ?? 0) * 100, 0)} % ·{" "}
                  {printNumber((planned.shareOfLifts ?? 0) * 100, 0)} %
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      {zones.length > 0 && (
        <>
          <h3>Lifts by zone, a session</h3>
          <ul className={styles.zones}>
            {zones.map(({ exerciseId, name, zone, fewest, most: highest, published, above }) => (
              <li key={`${exerciseId} ${zone}`}>
                <strong>{name}</strong> {zone}: {fewest === highest ? highest : `${fewest} to ${highest}`}
                {published !== null && (
                  <span className="quiet">
                    , published {published.from} to {published.to}
                  </span>
                )}
                {above > 0 && (
                  <span className="warn"> · above it in {above === 1 ? "one session" : `${above} sessions`}</span>
                )}
              </li>
            ))}
          </ul>
          <p className="quiet small">
            Prilepin’s ranges of repetitions in one session, drawn from weightlifters’ training: a rail, no rule.
          </p>
        </>
      )}
      <p className="quiet small">
        In all {printNumber(view.total.planned.numberOfLifts, 0)} lifts,{" "}
        {printer.volumeLoad(view.total.planned.volumeLoadKg)}
        {view.total.planned.averageIntensity === null
          ? ""
          : `, ${printNumber(view.total.planned.averageIntensity * 100, 1)} %`}
        ; as it stands {printNumber(view.total.stands.numberOfLifts, 0)}.
      </p>
    </aside>
  );
}

/** A week as a bar of its lifts, and its intensity as a mark on a scale from 50 to 100 %. */
function BarLine({
  label,
  quiet = false,
  share,
  isDone,
  value,
  intensity,
}: {
  label: string;
  quiet?: boolean;
  share: number;
  isDone: boolean;
  value: string;
  intensity: number | null;
}) {
  return (
    <li>
      <span className={`${styles.barLabel} ${quiet ? "quiet" : ""}`}>{label}</span>
      <span className={styles.track}>
        {share > 0 && (
          <span className={isDone ? styles.done : styles.planned} style={{ "--share": share } as CSSProperties} />
        )}
      </span>
      <span className="num">{value}</span>
      <span className={styles.scale}>
        {intensity !== null && (
          <span style={{ "--share": Math.min(1, Math.max(0, (intensity - 0.5) / 0.5)) } as CSSProperties} />
        )}
      </span>
      <span className="num">{intensity === null ? "" : `${printNumber(intensity * 100, 1)} %`}</span>
    </li>
  );
}
