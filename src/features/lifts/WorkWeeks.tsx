"use client";

import type { Printer } from "@/core/base/units/printer";
import type { WorkView } from "@/core/strength/workView";
import { shortDate } from "@/ui/dates";
import { WorkingLink } from "@/ui/figure/Figure";
import { useLog } from "@/ui/log/LogContext";
import { Scrollable } from "@/ui/Scrollable";
import view from "@/ui/view.module.css";

/** Each week's work beside its plan, the newest first. */
export function WorkWeeks({ work: { weeks }, printer }: { work: WorkView; printer: Printer }) {
  const { today } = useLog();
  return (
    <section className={view.section}>
      <h2>Week by week</h2>
      <Scrollable label="Week by week">
        <table>
          <thead>
            <tr>
              <th>Week from</th>
              <th className="num">Sessions</th>
              <th className="num">Lifts</th>
              <th className="num">planned</th>
              <th className="num">Share</th>
              <th className="num">Volume load, {printer.units.mass}</th>
              <th className="num">planned</th>
              <th className="num">Share</th>
              <th className="num">Average weight, {printer.units.mass}</th>
              <th className="num">Intensity</th>
            </tr>
          </thead>
          <tbody>
            {[...weeks].reverse().map((week) => (
              <tr key={week.weekStart}>
                <td>
                  {shortDate(week.weekStart)}
                  {week.open ? <span className="quiet">, open</span> : ""}
                </td>
                <td className="num">{week.sessions}</td>
                <td className="num">{week.numberOfLifts}</td>
                <td className="num planned">{week.planned.numberOfLifts || ""}</td>
                <td className="num quiet">{week.share === null ? "" : printer.percent(week.share.lifts)}</td>
                <td className="num">
                  {week.sets === 0 ? (
                    "0"
                  ) : (
                    <WorkingLink
                      figure={{ figure: "volume", weekStart: week.weekStart }}
                      on={today}
                      label={`, working of the volume of the week from ${week.weekStart}`}
                    >
                      {printer.volumeLoadNumber(week.volumeLoadKg)}
                    </WorkingLink>
                  )}
                </td>
                <td className="num planned">
                  {week.planned.volumeLoadKg > 0 ? printer.volumeLoadNumber(week.planned.volumeLoadKg) : ""}
                </td>
                <td className="num quiet">{week.share === null ? "" : printer.percent(week.share.load)}</td>
                <td className="num">{week.averageKg === null ? "" : printer.massNumber(week.averageKg)}</td>
                <td className="num">{week.averageIntensity === null ? "" : printer.percent(week.averageIntensity)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
    </section>
  );
}
