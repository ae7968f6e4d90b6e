"use client";

import type { Printer } from "@/core/base/units/printer";
import type { DistanceView } from "@/core/endurance/distanceView";
import type { SessionCard } from "@/core/training/sessionCard";
import { Mark } from "@/ui/column/Mark";
import { shortDate, weekdayDate } from "@/ui/dates";
import { WorkingLink } from "@/ui/figure/Figure";
import { by } from "@/ui/kit/column";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Matrix } from "@/ui/kit/Matrix";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Segmented } from "@/ui/kit/Segmented";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import dynamic from "next/dynamic";
import { useState } from "react";
import { DistanceForm } from "./DistanceForm";

const DistanceChart = dynamic(() => import("./DistanceChart").then((module) => module.DistanceChart), {
  ssr: false,
  loading: () => <div className="chart-m" />,
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
      <RecordTable
        label="By purpose"
        rows={view.totals}
        keyOf={({ kind, purpose }) => `${kind} ${purpose}`}
        columns={[
          {
            head: "Kind, purpose",
            cell: ({ kind, purpose }) => (
              <>
                <Mark kind={kind} status="done" title={kind} /> {kind}
                {purpose ? `, ${purpose}` : ""}
              </>
            ),
          },
          {
            head: "Done of planned",
            num: true,
            cell: ({ planned, done }) =>
              planned === 0 ? `${done} unplanned` : `${done} of ${Math.max(planned, done)}`,
          },
          {
            head: "Distance",
            num: true,
            bare: true,
            folded: "beside",
            compare: by(({ metres }) => metres),
            cell: ({ kind, metres }) => printer.distanceOf(kind, metres),
          },
          {
            head: "Time",
            num: true,
            compare: by(({ seconds }) => seconds),
            cell: ({ seconds }) => printer.duration(seconds),
          },
          {
            head: "Pace or split",
            num: true,
            bare: true,
            cell: ({ kind, purpose, secondsPerKm }) =>
              secondsPerKm === null ? (
                ""
              ) : (
                <WorkingLink
                  figure={{ figure: "pace", kind, purpose, days }}
                  on={today}
                  label={`, working of the pace, ${kind} ${purpose ?? ""}`}
                >
                  {printer.paceOf(kind, secondsPerKm)}
                </WorkingLink>
              ),
          },
        ]}
      />
    </section>
  );
}

function Loads({ weeks }: { weeks: DistanceView["weeks"] }) {
  const shown = weeks.slice(-6);
  return (
    <Matrix
      label="Session load"
      corner="Week from"
      columns={shown}
      keyOf={({ weekStart }) => weekStart}
      headOf={({ weekStart }) => shortDate(weekStart)}
      lines={[{ head: "Session load", cell: ({ load }) => (load === 0 ? "" : Math.round(load)) }]}
    />
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
      <RecordTable
        label="Sessions"
        keep="distance"
        rows={sessions}
        keyOf={({ session }) => session.id}
        columns={[
          {
            head: "Date",
            compare: by(({ session }) => session.date),
            cell: ({ session }) => (
              <LinkButton onClick={() => chooseDay(session.date)}>{weekdayDate(session.date)}</LinkButton>
            ),
          },
          {
            head: "Session",
            bare: true,
            folded: "beside",
            kind: ({ session }) => session.kind,
            cell: ({ session, status, title }) => (
              <>
                <Mark kind={session.kind} status={status} title={title} /> {title}
                {session.distance?.purpose ? <span className="quiet">, {session.distance.purpose}</span> : null}
              </>
            ),
          },
          {
            head: "Planned",
            tone: "planned",
            cell: ({ planned }) => covered(planned?.metres, planned?.seconds),
          },
          {
            head: "Done",
            cell: ({ done, status }) =>
              done ? covered(done.metres, done.seconds) : <span className="quiet">{status}</span>,
          },
          {
            head: "Pace or split",
            num: true,
            bare: true,
            cell: ({ session, secondsPerKm }) =>
              secondsPerKm === null ? "" : printer.paceOf(session.kind, secondsPerKm),
          },
          { head: "Effort", num: true, cell: ({ done, session }) => (done ? session.effort : "") },
        ]}
      />
    </section>
  );
}
