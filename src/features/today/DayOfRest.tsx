"use client";

import { counted } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { Ahead, SessionAhead } from "@/core/days/ahead";
import { Mark } from "@/ui/column/Mark";
import { longDate, weekdayDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import styles from "./today.module.css";

/** A day without a session: what comes next and when, and what the week still holds. */
export function DayOfRest({ ahead: { next, week }, date }: { ahead: Ahead; date: string }) {
  const { today, chooseDay } = useLog();
  const printer = usePrinter();
  const [first] = next;
  const isPast = date < today;
  return (
    <section className={styles.section} aria-label="Sessions">
      <p className={first && !isPast ? undefined : "quiet"}>
        {isPast ? "No session is written. " : date > today ? "Nothing is planned for this day. " : "A day of rest. "}
        {first === undefined || isPast ? (
          "Write a session above, for example front squat 3x6 60 kg, or run 5 km 27:30."
        ) : (
          <>
            Next: <strong>{next.map(({ title }) => title).join(" and ")}</strong>, {whenOf(first)}
            {first.time === null ? "" : `, ${first.time}`}.
          </>
        )}
      </p>
      {!isPast && first !== undefined && (
        <RecordTable
          label={week.length > 0 ? "What the week still holds" : "What comes next"}
          className={styles.ahead}
          rows={week.length > 0 ? week : next}
          keyOf={({ sessionId }) => sessionId}
          columns={[
            {
              head: week.length > 0 ? "Still this week" : "After this week",
              cell: (session) => (
                <LinkButton ink className="nowrap" onClick={() => chooseDay(session.date)}>
                  {weekdayDate(session.date)}
                  {session.time === null ? "" : `, ${session.time}`}
                </LinkButton>
              ),
            },
            {
              head: "Session",
              bare: true,
              folded: "beside",
              cell: ({ kind, title, optional }) => (
                <>
                  <Mark kind={kind} status="planned" title={title} /> {title}
                  {optional && <span className="quiet small">, optional</span>}
                </>
              ),
            },
            { head: "Planned", mute: true, tone: "planned", cell: (session) => plannedText(session, printer) },
          ]}
        />
      )}
    </section>
  );
}

function whenOf({ date, inDays }: SessionAhead): string {
  return inDays === 1 ? "tomorrow" : `${longDate(date)}, in ${counted(inDays, "day")}`;
}

function plannedText({ kind, lifts, distance }: SessionAhead, printer: Printer): string {
  if (lifts.length > 0) return lifts.join(", ");
  return [
    distance?.metres != null ? printer.distanceOf(kind, distance.metres) : null,
    distance?.seconds != null ? printer.duration(distance.seconds) : null,
  ]
    .filter(Boolean)
    .join(", ");
}
