"use client";

import { printNumber, printPlain } from "@/core/base/units/number";
import type { PlanDoneLine } from "@/core/review/planDone";
import { Mark } from "@/ui/column/Mark";
import { addDays, monthsLater } from "@/ui/dates";
import { Captioned } from "@/ui/kit/Captioned";
import { DateField } from "@/ui/kit/DateField";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { workColumns } from "./workColumns";
import { entryDayOf } from "@/core/base/calendar/day";
import { useState } from "react";

/** How much of the plan was done, by kind of activity and by category, over any days. */
export function PlanDone() {
  const { today } = useLog();
  const [from, setFrom] = useState(monthsLater(today, -3));
  const [to, setTo] = useState(today);
  const isSound = entryDayOf(from) !== null && entryDayOf(to) !== null && from <= to;
  const done = useFigure("planDone", isSound ? { from, to } : { from: addDays(today, -91), to: today });
  return (
    <section className={view.section}>
      <h2>How much of the plan was done</h2>
      <p className="row noprint">
        <Captioned caption="From">{(id) => <DateField id={id} value={from} onChange={setFrom} />}</Captioned>
        <Captioned caption="to">{(id) => <DateField id={id} value={to} onChange={setTo} />}</Captioned>
      </p>
      {done && <Lines label="By kind of activity" lines={[...done.kinds, done.total]} kinds />}
      {done && done.categories.length > 0 && (
        <>
          <h3 className="above">By category</h3>
          <Lines label="By category" lines={done.categories} />
        </>
      )}
    </section>
  );
}

function Lines({
  label,
  lines,
  kinds = false,
}: {
  label: string;
  lines: readonly PlanDoneLine[];
  /** Whether each but the last is a kind of activity, with its mark. */
  kinds?: boolean;
}) {
  const printer = usePrinter();
  const { lifts, load, minutes, distance } = workColumns<PlanDoneLine>(printer);
  return (
    <RecordTable
      label={label}
      rows={lines}
      keyOf={({ name }) => name}
      columns={[
        {
          head: "Kind",
          cell: (line) => (
            <>
              {kinds && line !== lines.at(-1) && <Mark kind={line.name} status="done" title={line.name} />} {line.name}
            </>
          ),
        },
        {
          head: "Done",
          num: true,
          folded: "beside",
          cell: ({ adherence: { share } }) => (share === null ? "" : <strong>{printNumber(share * 100, 0)} %</strong>),
        },
        {
          head: "Sessions",
          num: true,
          cell: ({ adherence: { done, partly, planned } }) =>
            planned === 0 ? "" : `${printPlain(done + partly / 2, 1)} of ${planned}`,
        },
        {
          head: "Partly",
          num: true,
          tone: "quiet",
          cell: ({ adherence: { partly } }) => (partly > 0 ? partly : ""),
        },
        {
          head: "Optional",
          num: true,
          tone: "quiet",
          cell: ({ optional: { of, done } }) => (of > 0 ? `${done} of ${of}` : ""),
        },
        {
          head: "Besides",
          num: true,
          tone: "quiet",
          cell: ({ adherence: { extra } }) => (extra > 0 ? extra : ""),
        },
        minutes,
        distance,
        lifts,
        load,
        {
          head: `Energy, ${printer.units.energy}`,
          num: true,
          cell: ({ kcal }) => (kcal === null ? "" : printer.energyNumber(kcal)),
        },
      ]}
    />
  );
}
