"use client";

import { printNumber, printSigned } from "@/core/base/units/number";
import { shortDate } from "@/ui/dates";
import { Figure } from "@/ui/figure/Figure";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import dynamic from "next/dynamic";
import { useState } from "react";
import { MeasureForm } from "./MeasureForm";
import { MeasureGoalForm } from "./MeasureGoalForm";
import { Readings } from "./Readings";

const MeasureChart = dynamic(() => import("./MeasureChart").then((module) => module.MeasureChart), {
  ssr: false,
  loading: () => <div className="chart-s" />,
});

/** Tape, measured body fat and the trainee's own measures, with what follows from them. */
export function Measures() {
  const view = useFigure("measures", {});
  const { today, chooseDay } = useLog();
  const printer = usePrinter();
  const [chosen, setChosen] = useState<string | null>(null);
  if (view === undefined) return null;
  const { measures, composition, waistToHeight, known } = view;
  const shown = measures.find(({ id }) => id === chosen) ?? measures[0];
  return (
    <section className={styles.section}>
      <h2>Measures</h2>
      {measures.length === 0 ? (
        <p className="quiet">
          Nothing is measured yet. Waist and neck (for women hip too) give an estimate of body fat.
        </p>
      ) : (
        <RecordTable
          label="Measures"
          rows={measures}
          keyOf={({ id }) => id}
          chosen={({ id }) => id === shown?.id}
          columns={[
            {
              head: "Measure",
              cell: ({ id, name }) => (
                <LinkButton aria-pressed={id === shown?.id} onClick={() => setChosen(id)}>
                  {name}
                </LinkButton>
              ),
            },
            {
              head: "Latest",
              num: true,
              bare: true,
              folded: "beside",
              cell: ({ latest, unit }) => `${printNumber(latest.value, 1)} ${unit}`,
            },
            {
              head: "On",
              cell: ({ latest }) => (
                <>
                  <LinkButton onClick={() => chooseDay(latest.date)}>{shortDate(latest.date)}</LinkButton>
                  {latest.method === null ? "" : <span className="quiet"> {latest.method}</span>}
                </>
              ),
            },
            {
              head: "Since the first",
              num: true,
              cell: ({ count, latest, first, unit }) =>
                count === 1 ? "" : `${printSigned(latest.value - first.value, 1)} ${unit}`,
            },
            {
              head: "A week, over 12 weeks",
              num: true,
              cell: ({ perWeek }) =>
                perWeek === null ? (
                  <span className="quiet">needs four readings over three weeks</span>
                ) : (
                  `${printSigned(perWeek.rate, 2)} ± ${printNumber(perWeek.half80, 2)}`
                ),
            },
            { head: "Readings", num: true, cell: ({ count }) => count },
          ]}
        />
      )}
      {shown && shown.points.length > 1 && <MeasureChart measure={shown} />}
      {shown && <Readings key={shown.id} measure={shown} />}
      {shown && <MeasureGoalForm key={`${shown.id} ${shown.goal?.goalId}`} measure={shown} />}
      <div className={styles.figures}>
        {"reason" in composition ? (
          <Figure
            label="Body fat"
            figure={{ figure: "composition" }}
            on={today}
            missing={`Not known: ${composition.reason}.`}
          />
        ) : (
          <Figure
            label={composition.by === "tape" ? "Body fat, from the tape" : "Body fat, measured"}
            value={printNumber(composition.percent, 1)}
            unit="%"
            figure={{ figure: "composition" }}
            on={today}
            note={
              <>
                {printNumber(composition.low80, 1)} to {printNumber(composition.high80, 1)} · fat{" "}
                {printer.mass(composition.fatKg)}, lean {printer.mass(composition.leanKg)}
              </>
            }
          />
        )}
        {"reason" in waistToHeight ? (
          <Figure
            label="Waist to height"
            figure={{ figure: "waistToHeight" }}
            on={today}
            missing={`Not known: ${waistToHeight.reason}.`}
          />
        ) : (
          <Figure
            label="Waist to height"
            value={printNumber(waistToHeight.ratio, 2)}
            figure={{ figure: "waistToHeight" }}
            on={today}
            note={`waist of ${shortDate(waistToHeight.date)}`}
          />
        )}
      </div>
      <MeasureForm known={known} measures={measures} />
    </section>
  );
}
