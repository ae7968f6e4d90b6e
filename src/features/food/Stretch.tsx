"use client";

import type { NutrientDay } from "@/core/balance/nutrientTable";
import { entryDayOf } from "@/core/base/calendar/day";
import { counted, printNumber } from "@/core/base/units/number";
import { csv } from "@/formats/csv";
import { nutrientRows } from "@/formats/nutrientRows";
import { addDays, columnDate, shortDate } from "@/ui/dates";
import { download } from "@/ui/download";
import type { Column } from "@/ui/kit/column";
import { Captioned } from "@/ui/kit/Captioned";
import { DateField } from "@/ui/kit/DateField";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { useState } from "react";

type Line = NutrientDay | "mean";
const shownAtMost = 31;
const columns = [
  ["protein", "Protein, g"],
  ["fat", "Fat, g"],
  ["carbohydrate", "Carbohydrate, g"],
  ["fibre", "of it fibre"],
  ["sugars", "of it sugars"],
  ["alcohol", "Alcohol, g"],
] as const;

/** Nutrients by day over any stretch, with their mean over whole days; as CSV too. */
export function Stretch() {
  const [isOpen, setOpen] = useState(false);
  return (
    <details className={styles.section} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>Nutrients over any days</summary>
      {isOpen && <Days />}
    </details>
  );
}

function Days() {
  const { today } = useLog();
  const printer = usePrinter();
  const [from, setFrom] = useState(addDays(today, -27));
  const [to, setTo] = useState(today);
  const isSound = entryDayOf(from) !== null && entryDayOf(to) !== null && from <= to;
  const table = useFigure("nutrients", isSound ? { from, to } : { from: today, to: today });
  const lines: Line[] =
    table === undefined || table.days.length === 0 ? [] : ["mean", ...table.days.slice(0, shownAtMost)];
  const more = (table?.days.length ?? 0) - shownAtMost;
  return (
    <>
      <p className="row noprint">
        <Captioned caption="From">
          {(id) => <DateField id={id} value={from} max={today} onChange={(next) => setFrom(next || from)} />}
        </Captioned>
        <Captioned caption="to">
          {(id) => <DateField id={id} value={to} max={today} onChange={(next) => setTo(next || to)} />}
        </Captioned>
        {table !== undefined && table.days.length > 0 && (
          <LinkButton
            onClick={() =>
              download(`nutrients-${from}-to-${to}.csv`, csv(nutrientRows(table, printer.units.energy)), "text/csv")
            }
          >
            As CSV
          </LinkButton>
        )}
      </p>
      {!isSound && <p className="warn">The first day is after the last.</p>}
      {lines.length === 0 && isSound && <p className="quiet">Nothing is written in these days.</p>}
      {lines.length > 0 && (
        <RecordTable<Line>
          label="Nutrients by day"
          rows={lines}
          keyOf={(line) => (line === "mean" ? line : line.date)}
          tone={(line) => (line !== "mean" && !line.isWhole ? "quiet" : undefined)}
          columns={[
            {
              head: "Day",
              cell: (line) =>
                line === "mean" ? (
                  <strong>Mean of {counted(table!.mean?.days ?? 0, "whole day")}</strong>
                ) : (
                  `${columnDate(line.date)}${line.isWhole ? "" : ", not whole"}`
                ),
            },
            {
              head: printer.units.energy,
              num: true,
              folded: "beside",
              cell: (line) => {
                const kcal = line === "mean" ? (table!.mean?.nutrients.kcal ?? null) : line.kcal;
                return kcal === null ? "" : printer.energyNumber(kcal);
              },
            },
            ...columns.map(([name, head]): Column<Line> => ({
              head,
              num: true,
              tone: name === "fibre" || name === "sugars" ? "quiet" : undefined,
              cell: (line) => {
                const nutrients = line === "mean" ? table!.mean?.nutrients : line.nutrients;
                return nutrients === undefined ? "" : printNumber(nutrients[name], 0);
              },
            })),
            {
              head: "Water, ml",
              num: true,
              cell: (line) => (line === "mean" || line.waterMl === 0 ? "" : printNumber(line.waterMl, 0)),
            },
          ]}
        />
      )}
      {more > 0 && (
        <p className="quiet small">
          {counted(more, "day")} more, before {shortDate(table!.days[shownAtMost - 1]!.date)}: they are in the mean and
          in the CSV.
        </p>
      )}
    </>
  );
}
