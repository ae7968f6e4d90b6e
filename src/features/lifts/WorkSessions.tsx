"use client";

import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { WorkView } from "@/core/strength/workView";
import { shortDate } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { Scrollable } from "@/ui/Scrollable";
import view from "@/ui/view.module.css";
import Link from "next/link";
import styles from "./lifts.module.css";

/** Each session's work beside its plan, the newest first. */
export function WorkSessions({ work: { sessions, total }, printer }: { work: WorkView; printer: Printer }) {
  const { chooseDay } = useLog();
  return (
    <section className={view.section}>
      <h2>Day by day</h2>
      <Scrollable label="Day by day">
        <table>
          <thead>
            <tr>
              <th>Day</th>
              <th>Session</th>
              <th className="num">Sets</th>
              <th className="num">Lifts</th>
              <th className="num">planned</th>
              <th className="num">Volume load, {printer.units.mass}</th>
              <th className="num">planned</th>
              <th className="num">Intensity</th>
            </tr>
          </thead>
          <tbody>
            {sessions.map((session) => (
              <tr key={session.sessionId}>
                <td style={{ whiteSpace: "nowrap" }}>
                  <Link href="/" onClick={() => chooseDay(session.date)}>
                    {shortDate(session.date)}
                  </Link>
                </td>
                <td>
                  {session.title}
                  {session.lines.map(({ exerciseId, name, text }, index) => (
                    <div key={`${exerciseId} ${index}`} className="quiet small">
                      <Link href={`/lifts?exercise=${encodeURIComponent(exerciseId)}`} className={styles.plain}>
                        {name}
                      </Link>{" "}
                      {text}
                    </div>
                  ))}
                </td>
                <td className="num">{session.sets}</td>
                <td className="num">{session.numberOfLifts}</td>
                <td className="num planned">{session.planned.numberOfLifts || ""}</td>
                <td className="num">{printer.volumeLoadNumber(session.volumeLoadKg)}</td>
                <td className="num planned">
                  {session.planned.volumeLoadKg > 0 ? printer.volumeLoadNumber(session.planned.volumeLoadKg) : ""}
                </td>
                <td className="num">
                  {session.averageIntensity === null ? "" : printer.percent(session.averageIntensity)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
      {total.sessions > sessions.length && (
        <p className="quiet small">
          The latest {sessions.length} of {printNumber(total.sessions, 0)} sessions.
        </p>
      )}
    </section>
  );
}
