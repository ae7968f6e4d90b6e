"use client";

import { counted, printNumber } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import { movedTo } from "@/core/planning/movedTo";
import type { NextWeekView, SessionLine, WeekLine } from "@/core/planning/nextWeekView";
import type { ProposalAsk } from "@/core/planning/proposals";
import { Mark } from "@/ui/column/Mark";
import { addDays, shortDate, weekdayDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import view_ from "@/ui/view.module.css";
import { Button } from "antd";
import Link from "next/link";
import { useState } from "react";
import { DayOfPlan } from "../DayOfPlan";
import { PlanHead } from "../PlanHead";
import { ProposalDialog } from "../ProposalDialog";
import styles from "./next.module.css";

const ordinary = { kg: 0, reps: 0, percent: 0, easyEvery: null, hardEvery: null, easySets: 1, easyLoad: 1 };

/** What is gone over once a week: this week beside the next, what was missed, and what next week comes to. */
export function NextWeek() {
  const view = useFigure("nextWeek", {});
  const [ask, setAsk] = useState<ProposalAsk | null>(null);
  const [day, setDay] = useState<string | null>(null);
  if (view === undefined) return <PlanHead />;
  const { thisWeek, nextWeek, standardWeeks } = view;
  return (
    <>
      <PlanHead />
      <div className={view_.two}>
        <section className={view_.section}>
          <h2>This week, from {shortDate(thisWeek.start)}</h2>
          <WeekDays start={thisWeek.start} sessions={thisWeek.sessions} onDay={setDay} />
          <Missed view={view} />
        </section>
        <section className={view_.section}>
          <h2>Next week, from {shortDate(nextWeek.start)}</h2>
          <WeekDays start={nextWeek.start} sessions={nextWeek.sessions} onDay={setDay} />
          <p className="row noprint above">
            {standardWeeks.map(({ id, name }) => (
              <Button
                key={id}
                onClick={() =>
                  setAsk({ of: "standardWeek", standardWeekId: id, from: nextWeek.start, weeks: 1, rule: ordinary })
                }
              >
                Plan it as {name}
              </Button>
            ))}
            {standardWeeks.length === 0 && (
              <span className="quiet">
                With a standard week under <Link href="/plan/routines">Routines</Link>, it is planned in two actions.
              </span>
            )}
          </p>
        </section>
      </div>
      <Work weeks={view.weeks} />
      {ask !== null && <ProposalDialog title="Next week" ask={ask} onClose={() => setAsk(null)} />}
      {day !== null && <DayOfPlan date={day} onClose={() => setDay(null)} />}
    </>
  );
}

function WeekDays({
  start,
  sessions,
  onDay,
}: {
  start: string;
  sessions: readonly SessionLine[];
  onDay: (date: string) => void;
}) {
  return (
    <ul className={styles.days}>
      {Array.from({ length: 7 }, (_, index) => addDays(start, index)).map((date) => {
        const own = sessions.filter(({ session }) => session.date === date);
        return (
          <li key={date}>
            <LinkButton ink onClick={() => onDay(date)}>
              {weekdayDate(date)}
            </LinkButton>
            <ul>
              {own.length === 0 && <li className="quiet">rest</li>}
              {own.map(({ session, title, status, text }) => (
                <li key={session.id}>
                  <Mark kind={session.kind} status={status} title={title} /> {title}{" "}
                  <span className="quiet small">{text}</span>
                </li>
              ))}
            </ul>
          </li>
        );
      })}
    </ul>
  );
}

/** What was missed, offered again on the same weekday of next week. */
function Missed({ view: { missed } }: { view: NextWeekView }) {
  const { commit } = useLog();
  if (missed.length === 0) return null;
  return (
    <>
      <h3 className="above">Missed or skipped</h3>
      <RecordTable
        label="Missed or skipped"
        rows={missed}
        keyOf={({ session }) => session.id}
        columns={[
          { head: "Session", cell: ({ title }) => title },
          { head: "Day", bare: true, cell: ({ session }) => weekdayDate(session.date) },
          { head: "Why", bare: true, tone: "quiet", cell: ({ status, session }) => session.reason ?? status },
          {
            head: "Again",
            mute: true,
            num: true,
            folded: "beside",
            cell: ({ session, title, again }) => (
              <LinkButton
                onClick={() =>
                  void commit(
                    [put("sessions", movedTo(session, again), session)],
                    `${title} moved to ${shortDate(again)}`,
                  )
                }
              >
                Plan it on {weekdayDate(again)}
              </LinkButton>
            ),
          },
        ]}
      />
    </>
  );
}

function Work({ weeks }: { weeks: readonly WeekLine[] }) {
  const printer = usePrinter();
  const number = (value: number) => (value > 0 ? printNumber(value, 0) : "");
  return (
    <section className={view_.section}>
      <h2>The work, beside the last four weeks</h2>
      <RecordTable
        label="Work by week"
        rows={weeks}
        keyOf={({ start }) => start}
        tone={({ what }) => (what === "trained" ? undefined : "planned")}
        columns={[
          { head: "Week from", cell: ({ start }) => shortDate(start) },
          { head: "As", bare: true, folded: "beside", cell: ({ what }) => what },
          { head: "Lifts", num: true, cell: ({ numberOfLifts }) => number(numberOfLifts) },
          {
            head: `Load, ${printer.units.mass}`,
            num: true,
            cell: ({ volumeLoadKg }) => (volumeLoadKg > 0 ? printer.volumeLoadNumber(volumeLoadKg) : ""),
          },
          { head: "Minutes", num: true, cell: ({ minutes }) => number(minutes) },
          { head: "Effort × min", num: true, cell: ({ sessionLoad }) => number(sessionLoad) },
          { head: "Distance", num: true, cell: ({ metres }) => (metres > 0 ? printer.distance(metres) : "") },
        ]}
      />
      <p className="quiet small">{counted(weeks.length - 2, "week")} as trained, then as it stands and as planned.</p>
    </section>
  );
}
