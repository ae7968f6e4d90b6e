"use client";

import { fromKg } from "@/core/base/units/mass";
import { counted, printNumber, printSigned } from "@/core/base/units/number";
import type { LiftTime, LiftView } from "@/core/strength/liftsView";
import { fullDate, shortDate } from "@/ui/dates";
import { by, type Column } from "@/ui/kit/column";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Tick } from "@/ui/kit/Tick";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { type ReactNode, useState } from "react";
import { DayLink } from "./DayLink";
import styles from "./lifts.module.css";

/** Every time a lift was done, newest first; two of them can be held against each other. */
export function History({ lift: { times, timesInAll, added }, more }: { lift: LiftView; more: (() => void) | null }) {
  const printer = usePrinter();
  const [picked, setPicked] = useState<string[]>([]);
  const toggle = (id: string) =>
    setPicked(picked.includes(id) ? picked.filter((one) => one !== id) : [...picked.slice(-1), id]);
  const two = picked
    .map((id) => times.find(({ sessionId }) => sessionId === id))
    .filter((time) => time !== undefined)
    .sort((a, b) => (a.date < b.date ? -1 : 1));
  return (
    <section className={view.section}>
      <h3>History</h3>
      {two.length === 2 && <Compared earlier={two[0]!} later={two[1]!} />}
      <RecordTable
        label="History"
        rows={times}
        keyOf={({ sessionId }) => sessionId}
        chosen={({ isBest }) => isBest}
        columns={[
          {
            head: "Date",
            compare: by(({ date }) => date),
            cell: ({ date }) => <DayLink date={date} />,
          },
          {
            head: "Sets",
            bare: true,
            cell: ({ text, isBest, superset, warmUps, note }) => (
              <>
                {text || "warm-up"}
                {isBest ? <span className="done small"> best</span> : ""}
                {superset !== null && <span className="quiet small"> superset {superset}</span>}
                {warmUps && <div className="quiet small">warm-up {warmUps}</div>}
                {note && <div className="quiet small">{note}</div>}
              </>
            ),
          },
          {
            head: "e1RM",
            num: true,
            compare: by(({ e1rmKg }) => e1rmKg),
            cell: ({ e1rmKg }) =>
              e1rmKg === null ? "" : `${added && e1rmKg >= 0 ? "+" : ""}${printer.massNumber(e1rmKg)}`,
          },
          {
            head: "Volume load",
            num: true,
            compare: by(({ volumeLoadKg }) => volumeLoadKg),
            cell: ({ volumeLoadKg }) => printer.volumeLoad(volumeLoadKg),
          },
          {
            head: "Hold against another",
            mute: true,
            num: true,
            folded: "beside",
            cell: ({ date, sessionId }) => (
              <Tick
                label={`Hold ${fullDate(date)} against another`}
                checked={picked.includes(sessionId)}
                onChange={() => toggle(sessionId)}
              />
            ),
          },
        ]}
      />
      <p className="quiet small above">
        {printNumber(times.length, 0)} of {counted(timesInAll, "time")}.{" "}
        {more && <LinkButton onClick={more}>Show more</LinkButton>}{" "}
        {picked.length === 1 ? "Tick another to hold the two against each other." : ""}
      </p>
    </section>
  );
}

/** What is said of each time, and by how much it has changed. */
type Line = [head: string, said: (time: LiftTime) => ReactNode, changed: string];

function Compared({ earlier, later }: { earlier: LiftTime; later: LiftTime }) {
  const printer = usePrinter();
  const change = (from: number | null, to: number | null, decimals: number, convert: (value: number) => number) =>
    from === null || to === null ? "" : printSigned(convert(to) - convert(from), decimals);
  const mass = (kg: number) => fromKg(kg, printer.units.mass);
  const lines: Line[] = [
    ["Sets", ({ text }) => <span className={styles.wrapped}>{text}</span>, ""],
    [
      `e1RM, ${printer.units.mass}`,
      ({ e1rmKg }) => (e1rmKg === null ? "" : printer.massNumber(e1rmKg)),
      change(earlier.e1rmKg, later.e1rmKg, 1, mass),
    ],
    [
      `Volume load, ${printer.units.mass}`,
      ({ volumeLoadKg }) => printer.volumeLoadNumber(volumeLoadKg),
      change(earlier.volumeLoadKg, later.volumeLoadKg, 0, mass),
    ],
    [
      "Number of lifts",
      ({ numberOfLifts }) => numberOfLifts,
      change(earlier.numberOfLifts, later.numberOfLifts, 0, (value) => value),
    ],
  ];
  return (
    <RecordTable
      label="Two dates held against each other"
      className={styles.compared}
      rows={lines}
      keyOf={([head]) => head}
      columns={[
        { head: "What", mute: true, cell: ([head]) => head },
        ...[earlier, later].map((time): Column<Line> => ({
          head: shortDate(time.date),
          num: true,
          cell: ([, said]) => said(time),
        })),
        { head: "Change", num: true, cell: ([, , changed]) => changed },
      ]}
    />
  );
}
