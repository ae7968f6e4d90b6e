"use client";

import { fromKg } from "@/core/base/units/mass";
import { counted, printNumber, printSigned } from "@/core/base/units/number";
import type { LiftTime, LiftView } from "@/core/strength/liftsView";
import { fullDate, shortDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { Scrollable } from "@/ui/Scrollable";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import Link from "next/link";
import { useState } from "react";
import styles from "./lifts.module.css";

/** Every time a lift was done, newest first; two of them can be held against each other. */
export function History({ lift: { times, timesInAll, added }, more }: { lift: LiftView; more: (() => void) | null }) {
  const printer = usePrinter();
  const { chooseDay } = useLog();
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
      <Scrollable label="History">
        <table>
          <thead>
            <tr>
              <th>Date</th>
              <th>Sets</th>
              <th className="num">e1RM</th>
              <th className="num">Volume load</th>
              <th className="num">
                <span className="hidden">Hold against another</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {times.map((time) => (
              <tr key={time.sessionId} className={time.isBest ? styles.best : undefined}>
                <td style={{ whiteSpace: "nowrap" }}>
                  <Link href="/" onClick={() => chooseDay(time.date)} style={{ fontWeight: 400 }}>
                    {shortDate(time.date)}
                  </Link>
                </td>
                <td>
                  {time.text || "warm-up"}
                  {time.isBest ? <span className="done small"> best</span> : ""}
                  {time.superset !== null && <span className="quiet small"> superset {time.superset}</span>}
                  {time.warmUps && <div className="quiet small">warm-up {time.warmUps}</div>}
                  {time.note && <div className="quiet small">{time.note}</div>}
                </td>
                <td className="num">
                  {time.e1rmKg === null
                    ? ""
                    : `${added && time.e1rmKg >= 0 ? "+" : ""}${printer.massNumber(time.e1rmKg)}`}
                </td>
                <td className="num">{printer.volumeLoad(time.volumeLoadKg)}</td>
                <td className="num">
                  <Tick
                    label={`Hold ${fullDate(time.date)} against another`}
                    checked={picked.includes(time.sessionId)}
                    onChange={() => toggle(time.sessionId)}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
      <p className="quiet small" style={{ paddingTop: 6 }}>
        {printNumber(times.length, 0)} of {counted(timesInAll, "time")}.{" "}
        {more && <LinkButton onClick={more}>Show more</LinkButton>}{" "}
        {picked.length === 1 ? "Tick another to hold the two against each other." : ""}
      </p>
    </section>
  );
}

function Compared({ earlier, later }: { earlier: LiftTime; later: LiftTime }) {
  const printer = usePrinter();
  const change = (from: number | null, to: number | null, decimals: number, convert: (value: number) => number) =>
    from === null || to === null ? "" : printSigned(convert(to) - convert(from), decimals);
  const mass = (kg: number) => fromKg(kg, printer.units.mass);
  return (
    <table aria-label="Two dates held against each other" style={{ marginBottom: 12 }}>
      <thead>
        <tr>
          <th></th>
          <th className="num">{shortDate(earlier.date)}</th>
          <th className="num">{shortDate(later.date)}</th>
          <th className="num">Change</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <td>Sets</td>
          <td className="num" style={{ whiteSpace: "normal" }}>
            {earlier.text}
          </td>
          <td className="num" style={{ whiteSpace: "normal" }}>
            {later.text}
          </td>
          <td />
        </tr>
        <tr>
          <td>e1RM, {printer.units.mass}</td>
          {[earlier, later].map((time) => (
            <td key={time.sessionId} className="num">
              {time.e1rmKg === null ? "" : printer.massNumber(time.e1rmKg)}
            </td>
          ))}
          <td className="num">{change(earlier.e1rmKg, later.e1rmKg, 1, mass)}</td>
        </tr>
        <tr>
          <td>Volume load, {printer.units.mass}</td>
          {[earlier, later].map((time) => (
            <td key={time.sessionId} className="num">
              {printer.volumeLoadNumber(time.volumeLoadKg)}
            </td>
          ))}
          <td className="num">{change(earlier.volumeLoadKg, later.volumeLoadKg, 0, mass)}</td>
        </tr>
        <tr>
          <td>Number of lifts</td>
          {[earlier, later].map((time) => (
            <td key={time.sessionId} className="num">
              {time.numberOfLifts}
            </td>
          ))}
          <td className="num">{change(earlier.numberOfLifts, later.numberOfLifts, 0, (value) => value)}</td>
        </tr>
      </tbody>
    </table>
  );
}
