"use client";

import { counted, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { LiftView } from "@/core/strength/liftsView";
import { fullDate, shortDate } from "@/ui/dates";
import { WorkingLink } from "@/ui/figure/Figure";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useState } from "react";
import { History } from "./History";
import styles from "./lifts.module.css";
import { quoted } from "./quoted";
import { Suggest } from "./Suggest";
import { Tests } from "./Tests";

const LiftChart = dynamic(() => import("./LiftChart").then((module) => module.LiftChart), { ssr: false });

/** Everything of one lift. */
export function OneLift({ exerciseId }: { exerciseId: string }) {
  const [times, setTimes] = useState(12);
  const lift = useFigure("lift", { exerciseId, times });
  const printer = usePrinter();
  const { today } = useLog();
  if (lift === undefined || lift === null) return <section className={view.section} />;
  const { exercise, latest, best, inForceKg, added, byFormula, bestVolume, parent } = lift;
  const says = [
    exercise.group,
    (exercise.direct ?? []).join(", "),
    exercise.setting,
    parent && `takes ${printer.percent(parent.ratio)} of ${parent.name}`,
  ]
    .filter(Boolean)
    .join(" · ");
  return (
    <section className={view.section}>
      <div className={view.head}>
        <h2>{exercise.name}</h2>
        <Link href={`/lifts/exercises?exercise=${encodeURIComponent(exercise.id)}`} className="small">
          Change exercise
        </Link>
      </div>
      <p className="quiet small">{says}</p>
      {latest && (
        <div className={styles.pair}>
          <p>
            <span className="label">Latest</span>
            <br />
            <span className={styles.big} data-figure="latest">
              {quoted(printer, latest.e1rmKg, added)}
            </span>
            <span className={styles.unit}>{printer.units.mass}</span>
            <br />
            <span className="quiet small">
              {latest.rpe === null ? "at least; its curve gives" : "80 % between"} {printer.massNumber(latest.low80)}{" "}
              and {printer.massNumber(latest.high80)}
            </span>
          </p>
          {best && best.date !== latest.date && (
            <p>
              <span className="label">Best</span>
              <br />
              <span className={styles.big}>{quoted(printer, best.e1rmKg, added)}</span>
              <span className={styles.unit}>{printer.units.mass}</span>
              <br />
              <span className="quiet small">
                {printer.loadNumber(best.kg)} × {best.reps}, {fullDate(best.date)}
              </span>
            </p>
          )}
        </div>
      )}
      <LiftChart course={lift.course} tests={lift.tests} name={exercise.name} />
      {bestVolume && (
        <p className="quiet small">
          Most work in a day: {printer.volumeLoad(bestVolume.kg)}, {fullDate(bestVolume.date)}
          {inForceKg === null ? "" : `. Maximum in force, for percentages: ${printer.mass(inForceKg)}`}.
        </p>
      )}
      {byFormula.length > 0 && (
        <p className="small quiet">
          From the best set: {byFormula.map(({ title, kg }) => `${title} ${printer.massNumber(kg)}`).join(", ")}.
        </p>
      )}
      {lift.table.length > 0 && <RepTable lift={lift} printer={printer} today={today} />}
      {lift.table.length > 0 && <Suggest exerciseId={exerciseId} />}
      <History lift={lift} more={lift.timesInAll > lift.times.length ? () => setTimes(times * 5) : null} />
      {lift.table.length > 0 && <Tests lift={lift} />}
    </section>
  );
}

function RepTable({
  lift: { exercise, table, curve, strength, added },
  printer,
  today,
}: {
  lift: LiftView;
  printer: Printer;
  today: string;
}) {
  return (
    <section className={view.section}>
      <h3>Repetitions and load</h3>
      <p className="quiet small">
        {"reason" in strength ? (
          strength.reason
        ) : (
          <>
            From{" "}
            {strength.standsOn === "test"
              ? "the maximum tested"
              : curve.sets > 0
                ? "the highest estimate by its own curve"
                : "the highest estimate"}{" "}
            {strength.recent ? "of the last four weeks" : "there is"}, {quoted(printer, strength.kg, added)}{" "}
            {printer.units.mass} on {fullDate(strength.date)}.
          </>
        )}{" "}
        {curve.sets === 0
          ? "No hard set tells this lift's own curve yet, so the common one stands."
          : `Its own curve rests on ${counted(curve.sets, "hard set")} on ${counted(curve.days, "day")}.`}{" "}
        <WorkingLink
          figure={{ figure: "repCurve", exerciseId: exercise.id }}
          on={today}
          label=" of the repetition curve"
        >
          working
        </WorkingLink>
      </p>
      <RecordTable
        label="Repetitions and load"
        rows={table}
        keyOf={({ reps }) => reps}
        columns={[
          { head: "Reps", cell: ({ reps }) => reps },
          {
            head: `Load, ${printer.units.mass}`,
            num: true,
            folded: "beside",
            cell: ({ kg }) => <strong>{kg === null ? "" : quoted(printer, kg, added)}</strong>,
          },
          {
            head: "80 % between",
            num: true,
            tone: "quiet",
            cell: ({ low80, high80 }) =>
              low80 === null || high80 === null ? "" : `${printer.massNumber(low80)} – ${printer.massNumber(high80)}`,
          },
          { head: "Share", num: true, tone: "quiet", cell: ({ share }) => `${printNumber(share * 100, 0)} %` },
          {
            head: "Heaviest done",
            num: true,
            cell: ({ reps, done }) =>
              done === null ? (
                <span className="quiet">none</span>
              ) : (
                <>
                  {printer.loadNumber(done.kg)}
                  {done.reps > reps ? <span className="quiet"> × {done.reps}</span> : ""}{" "}
                  <span className="quiet small">{shortDate(done.date)}</span>
                </>
              ),
          },
        ]}
      />
    </section>
  );
}
