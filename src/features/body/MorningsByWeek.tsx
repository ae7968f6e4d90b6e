"use client";

import type { BodyView, Morning } from "@/core/body/bodyView";
import { shortDate, weekdayShort, weekName } from "@/ui/dates";
import type { Column } from "@/ui/kit/column";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import styles from "./body.module.css";

const words = { up: "above the day before", down: "below the day before", level: "as the day before" } as const;

/**
 * Every morning of the last weeks, a week a row; a stroke before each weight leans the way it went since the day
 * before.
 */
export function MorningsByWeek({ view: { byWeekday } }: { view: BodyView }) {
  const printer = usePrinter();
  const { person, chooseDay, day } = useLog();
  const weekdays = Array.from({ length: 7 }, (_, index) => (((person.weekStart ?? 1) - 1 + index) % 7) + 1);
  return (
    <section className={view.section}>
      <h2>Mornings, week by week</h2>
      <RecordTable
        label="Mornings by week"
        rows={byWeekday}
        keyOf={({ closingDate }) => closingDate}
        columns={[
          {
            head: "Week from",
            cell: ({ closingDate, open }) => `${weekName(closingDate)}${open ? ", open" : ""}`,
          },
          ...weekdays.map((weekday, index): Column<BodyView["byWeekday"][number]> => ({
            head: weekdayShort(weekday),
            num: true,
            cell: ({ mornings }) => {
              const morning = mornings[index];
              return morning === undefined || morning.kg === null ? (
                ""
              ) : (
                <button
                  type="button"
                  className={styles.morning}
                  aria-current={morning.date === day ? "date" : undefined}
                  onClick={() => chooseDay(morning.date)}
                >
                  <Lean step={morning.step} />
                  {printer.massNumber(morning.kg)}
                  <span className="hidden">
                    {morning.step === null ? "" : `, ${words[morning.step]}`}, {shortDate(morning.date)}
                  </span>
                </button>
              );
            },
          })),
          {
            head: "Median, days",
            num: true,
            folded: "beside",
            cell: ({ medianKg, days }) => (
              <>
                {medianKg === null ? "" : printer.massNumber(medianKg)} <span className="quiet">· {days}</span>
              </>
            ),
          },
        ]}
      />
    </section>
  );
}

function Lean({ step }: { step: Morning["step"] }) {
  const [from, to] = step === "up" ? [10, 2] : step === "down" ? [2, 10] : [6, 6];
  return (
    <svg viewBox="0 0 12 12" className={styles.lean} aria-hidden="true">
      {step !== null && (
        <line x1="1" y1={from} x2="11" y2={to} className={step === "level" ? styles.flat : styles.leaning} />
      )}
    </svg>
  );
}
