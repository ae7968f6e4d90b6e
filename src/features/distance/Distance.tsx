"use client";

import type { Printer } from "@/core/base/units/printer";
import type { DistanceView } from "@/core/endurance/distanceView";
import type { SessionCard } from "@/core/training/sessionCard";
import { Mark } from "@/ui/column/Mark";
import { columnDate, monthName, shortDate } from "@/ui/dates";
import { WorkingLink } from "@/ui/figure/Figure";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Segmented } from "@/ui/kit/Segmented";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { Scrollable } from "@/ui/Scrollable";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import dynamic from "next/dynamic";
import { useState } from "react";
import { DistanceForm } from "./DistanceForm";

const DistanceChart = dynamic(() => import("./DistanceChart").then((module) => module.DistanceChart), {
  ssr: false,
  loading: () => <div style={{ height: 232 }} />,
});

const ranges = [
  { label: "4 weeks", value: 28 },
  { label: "12 weeks", value: 84 },
  { label: "year", value: 366 },
  { label: "all", value: null },
] as const;

/** How far, how fast, how hard? */
export function Distance() {
  const [days, setDays] = useState<number | null>(84);
  const view = useFigure("distance", { days });
  const printer = usePrinter();
  return (
    <>
      <div className={styles.head}>
        <h1>Distance</h1>
        <Segmented options={ranges} value={days} onChange={setDays} label="How far back" />
      </div>
      {view && view.sessions.length === 0 && (
        <p>No run or row is written here. Write one in the line above, for example run 6 km 33:10 easy.</p>
      )}
      {view && view.sessions.length > 0 && (
        <>
          <div className={styles.two}>
            <Totals view={view} printer={printer} days={days} />
            <section className={styles.section}>
              <DistanceChart weeks={view.weeks} />
              <Loads weeks={view.weeks} />
            </section>
          </div>
          <Sessions sessions={view.sessions} printer={printer} />
        </>
      )}
      <DistanceForm />
    </>
  );
}

function Totals({ view, printer, days }: { view: DistanceView; printer: Printer; days: number | null }) {
  const { today } = useLog();
  return (
    <section className={styles.section}>
      <h2>By purpose</h2>
      <Scrollable label="By purpose">
        <table>
          <thead>
            <tr>
              <th>Kind, purpose</th>
              <th className="num">Done of planned</th>
              <th className="num">Distance</th>
              <th className="num">Time</th>
              <th className="num">Pace or split</th>
            </tr>
          </thead>
          <tbody>
            {view.totals.map(({ kind, purpose, planned, done, metres, seconds, secondsPerKm }) => (
              <tr key={`${kind} ${purpose}`}>
                <td>
                  {kind}
                  {purpose ? `, ${purpose}` : ""}
                </td>
                <td className="num">{planned === 0 ? `${done} unplanned` : `${done} of ${Math.max(planned, done)}`}</td>
                <td className="num">{printer.distanceOf(kind, metres)}</td>
                <td className="num">{printer.duration(seconds)}</td>
                <td className="num">
                  {secondsPerKm === null ? (
                    ""
                  ) : (
                    <WorkingLink
                      figure={{ figure: "pace", kind, purpose, days }}
                      on={today}
                      label={`, working of the pace, ${kind} ${purpose ?? ""}`}
                    >
                      {printer.paceOf(kind, secondsPerKm)}
                    </WorkingLink>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
    </section>
  );
}

function Loads({ weeks }: { weeks: DistanceView["weeks"] }) {
  const shown = weeks.slice(-6);
  return (
    <Scrollable label="Session load">
      <table>
        <thead>
          <tr>
            <th>Week from</th>
            {shown.map(({ weekStart }) => (
              <th key={weekStart} className="num">
                {shortDate(weekStart)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <td title="Effort × minutes of every session (Foster et al. 2001)">Session load</td>
            {shown.map(({ weekStart, load }) => (
              <td key={weekStart} className="num">
                {load === 0 ? "" : Math.round(load)}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </Scrollable>
  );
}

function Sessions({ sessions, printer }: { sessions: readonly SessionCard[]; printer: Printer }) {
  const { chooseDay } = useLog();
  const covered = (metres: number | null | undefined, seconds: number | null | undefined) =>
    [metres != null ? printer.distance(metres) : null, seconds != null ? printer.duration(seconds) : null]
      .filter(Boolean)
      .join(", ");
  return (
    <section className={styles.section}>
      <h2>Sessions</h2>
      <Scrollable label="Sessions">
        <table>
          <thead>
            <tr>
              <th>Date</th>
              <th>Session</th>
              <th>Planned</th>
              <th>Done</th>
              <th className="num">Pace or split</th>
              <th className="num">Effort</th>
            </tr>
          </thead>
          <tbody>
            {sessions.map(({ session, status, title, planned, done, secondsPerKm }) => (
              <tr key={session.id}>
                <td style={{ whiteSpace: "nowrap" }}>
                  <LinkButton title={monthName(session.date)} onClick={() => chooseDay(session.date)}>
                    {columnDate(session.date)} {shortDate(session.date).split(" ")[1]}
                  </LinkButton>
                </td>
                <td>
                  <Mark kind={session.kind} status={status} title={title} /> {title}
                  {session.distance?.purpose ? <span className="quiet">, {session.distance.purpose}</span> : null}
                </td>
                <td className="planned">{covered(planned?.metres, planned?.seconds)}</td>
                <td>{done ? covered(done.metres, done.seconds) : <span className="quiet">{status}</span>}</td>
                <td className="num">{secondsPerKm === null ? "" : printer.paceOf(session.kind, secondsPerKm)}</td>
                <td className="num">{done ? session.effort : ""}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
    </section>
  );
}
