"use client";

import type { BodyView, Morning } from "@/core/body/bodyView";
import { shortDate, weekdayShort, weekName } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { Scrollable } from "@/ui/Scrollable";
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
      <Scrollable label="Mornings, week by week">
        <table className={styles.mornings}>
          <thead>
            <tr>
              <th>Week from</th>
              {weekdays.map((weekday) => (
                <th key={weekday} className="num">
                  {weekdayShort(weekday)}
                </th>
              ))}
              <th className="num">Median, days</th>
            </tr>
          </thead>
          <tbody>
            {byWeekday.map(({ closingDate, mornings, medianKg, days, open }) => (
              <tr key={closingDate}>
                <th scope="row">
                  {weekName(closingDate)}
                  {open ? ", open" : ""}
                </th>
                {mornings.map((morning) => (
                  <td key={morning.date} className="num" aria-current={morning.date === day ? "date" : undefined}>
                    {morning.kg !== null && (
                      <button
                        type="button"
                        className={styles.morning}
                        title={shortDate(morning.date)}
                        onClick={() => chooseDay(morning.date)}
                      >
                        <Lean step={morning.step} />
                        {printer.massNumber(morning.kg)}
                        <span className="hidden">
                          {morning.step === null ? "" : `, ${words[morning.step]}`}, {shortDate(morning.date)}
                        </span>
                      </button>
                    )}
                  </td>
                ))}
                {Array.from({ length: 7 - mornings.length }, (_, index) => (
                  <td key={index} />
                ))}
                <td className="num">
                  {medianKg === null ? "" : printer.massNumber(medianKg)} <span className="quiet">· {days}</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
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
