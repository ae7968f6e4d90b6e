"use client";

import dynamic from "next/dynamic";
import { useState } from "react";
import { formulas } from "@/core/strength/e1rm";
import type { LiftsView, MaximumFigure } from "@/core/figures/views/lifts";
import type { Printer } from "@/core/units/printer";
import { shortDate } from "@/ui/dates";
import { WorkingLink } from "@/ui/figure/Figure";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { ExerciseForm } from "./ExerciseForm";
import { SetsForm } from "./SetsForm";
import { Scrollable } from "@/ui/Scrollable";

const LiftChart = dynamic(() => import("./LiftChart").then((module) => module.LiftChart), { ssr: false });

/** Am I getting stronger, and from what work? */
export function Lifts() {
  const [exerciseId, setExerciseId] = useState<string | null>(null);
  const view = useFigure("lifts", { exerciseId });
  const printer = usePrinter();
  return (
    <>
      <div className={styles.head}><h1>Lifts</h1></div>
      {view && view.lifts.length === 0 && <p>Nothing was lifted yet. Write sets in the line above, for example deadlift 3x5 100 kg.</p>}
      {view && view.lifts.length > 0 && (
        <>
          <div className={styles.two}>
            <LiftTable view={view} printer={printer} chosen={view.chosen?.exercise.id ?? null} choose={setExerciseId} />
            <History view={view} printer={printer} />
          </div>
          <Volumes view={view} printer={printer} />
        </>
      )}
      <SetsForm />
      <ExerciseForm />
    </>
  );
}

interface Part { view: LiftsView; printer: Printer }

function LiftTable({ view, printer, chosen, choose }: Part & { chosen: string | null; choose: (id: string) => void }) {
  const { today } = useLog();
  const cell = (maximum: MaximumFigure | null, added: boolean, exerciseId: string, which: "best" | "latest", measure: string) => (
    <td className="num">
      {maximum === null ? <span className="quiet">{measure === "duration" ? "timed" : "none"}</span> : (
        <>
          <WorkingLink figure={{ figure: "maximum", exerciseId, which }} on={today} label={`, working of the ${which} estimated maximum`}>{added && maximum.e1rmKg >= 0 ? "+" : ""}{printer.massNumber(maximum.e1rmKg)}</WorkingLink>
          <div className="quiet small">{printer.loadNumber(maximum.kg)} × {maximum.reps}{maximum.rpe === null ? "" : ` @${maximum.rpe}`}, {shortDate(maximum.date)}{maximum.rough ? ", rough" : ""}</div>
        </>
      )}
    </td>
  );
  return (
    <section className={styles.section}>
      <h2>Estimated maximum</h2>
      <Scrollable label="Estimated maximum"><table>
        <thead><tr><th>Lift</th><th className="num">Best, {printer.units.mass}</th><th className="num">Latest, {printer.units.mass}</th></tr></thead>
        <tbody>
          {view.lifts.map(({ exercise, best, latest, lastDone, added, sessions }) => (
            <tr key={exercise.id} className={exercise.id === chosen ? styles.chosen : undefined}>
              <td><button type="button" className="link" style={{ color: "var(--ink)" }} aria-pressed={exercise.id === chosen} onClick={() => choose(exercise.id)}>{exercise.name}</button><div className="quiet small">{sessions} times, last {shortDate(lastDone)}</div></td>
              {cell(best, added, exercise.id, "best", exercise.measure ?? "load-reps")}{cell(latest, added, exercise.id, "latest", exercise.measure ?? "load-reps")}
            </tr>
          ))}
        </tbody>
      </table></Scrollable>
    </section>
  );
}

function History({ view: { chosen }, printer }: Part) {
  if (chosen === null) return <section className={styles.section}><h2>History</h2><p className="quiet">Choose a lift to see every time it was done.</p></section>;
  const { exercise, times, course, byFormula, inForceKg } = chosen;
  return (
    <section className={styles.section}>
      <h2>{exercise.name}</h2>
      <p className="quiet small">{[exercise.group, (exercise.direct ?? []).join(", "), inForceKg === null ? null : `maximum in force ${printer.mass(inForceKg)}`].filter(Boolean).join(" · ")}</p>
      <LiftChart course={course} name={exercise.name} />
      {byFormula.length > 0 && <p className="small quiet">From the best set each formula says: {byFormula.map(({ name, kg }) => `${formulas[name].title} ${printer.massNumber(kg)}`).join(", ")}.</p>}
      <Scrollable label="History"><table>
        <thead><tr><th>Date</th><th>Sets</th><th className="num">e1RM</th><th className="num">Volume load</th></tr></thead>
        <tbody>{times.map((time) => <tr key={time.sessionId}><td className="quiet" style={{ whiteSpace: "nowrap" }}>{shortDate(time.date)}</td><td>{time.text || "warm-up"}</td><td className="num">{time.e1rmKg === null ? "" : printer.massNumber(time.e1rmKg)}</td><td className="num">{printer.volumeLoad(time.volumeLoadKg)}</td></tr>)}</tbody>
      </table></Scrollable>
    </section>
  );
}

function Volumes({ view: { weeks }, printer }: Part) {
  const { today } = useLog();
  const shown = weeks.slice(-6);
  const groups = [...new Set(shown.flatMap(({ byGroup }) => Object.keys(byGroup)))].sort();
  const muscles = [...new Set(shown.flatMap(({ byMuscle }) => Object.keys(byMuscle)))].sort();
  const head = shown.map(({ weekStart, open }) => <th key={weekStart} className="num">{shortDate(weekStart)}{open ? ", open" : ""}</th>);
  return (
    <div className={styles.two}>
      <section className={styles.section}>
        <h2>Volume, weeks from</h2>
        <Scrollable label="Volume, weeks from"><table>
          <thead><tr><th></th>{head}</tr></thead>
          <tbody>
            <tr><td>Volume load, {printer.units.mass}</td>{shown.map((week) => <td key={week.weekStart} className="num"><WorkingLink figure={{ figure: "volume", weekStart: week.weekStart }} on={today} label={`, working of the volume of the week from ${week.weekStart}`}>{printer.volumeLoad(week.volumeLoadKg).split(" ")[0]}</WorkingLink></td>)}</tr>
            <tr><td>Number of lifts</td>{shown.map((week) => <td key={week.weekStart} className="num">{week.numberOfLifts}</td>)}</tr>
            <tr><td>Sets</td>{shown.map((week) => <td key={week.weekStart} className="num">{week.sets}</td>)}</tr>
            <tr><td>Average intensity</td>{shown.map((week) => <td key={week.weekStart} className="num">{week.averageIntensity === null ? "" : printer.percent(week.averageIntensity)}</td>)}</tr>
            {groups.map((group) => <tr key={group}><td className="quiet">{group}, lifts</td>{shown.map((week) => <td key={week.weekStart} className="num quiet">{week.byGroup[group]?.numberOfLifts ?? ""}</td>)}</tr>)}
          </tbody>
        </table></Scrollable>
      </section>
      <section className={styles.section}>
        <h2>Hard sets per muscle</h2>
        <Scrollable label="Hard sets per muscle"><table>
          <thead><tr><th></th>{head}</tr></thead>
          <tbody>{muscles.map((muscle) => <tr key={muscle}><td>{muscle}</td>{shown.map((week) => <td key={week.weekStart} className="num">{week.byMuscle[muscle]?.sets ?? ""}</td>)}</tr>)}</tbody>
        </table></Scrollable>
      </section>
    </div>
  );
}
