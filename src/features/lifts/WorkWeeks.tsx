"use client";

import type { Printer } from "@/core/base/units/printer";
import type { WorkView } from "@/core/strength/workView";
import { shortDate } from "@/ui/dates";
import { WorkingLink } from "@/ui/figure/Figure";
import { by } from "@/ui/kit/column";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import view from "@/ui/view.module.css";

/** Each week's work beside its plan, the newest first. */
export function WorkWeeks({ work: { weeks }, printer }: { work: WorkView; printer: Printer }) {
  const { today } = useLog();
  return (
    <section className={view.section}>
      <h2>Week by week</h2>
      <RecordTable
        label="Week by week"
        keep="work-weeks"
        rows={weeks.toReversed()}
        keyOf={({ weekStart }) => weekStart}
        columns={[
          {
            head: "Week from",
            compare: by(({ weekStart }) => weekStart),
            cell: ({ weekStart, open }) => (
              <>
                {shortDate(weekStart)}
                {open ? <span className="quiet">, open</span> : ""}
              </>
            ),
          },
          { head: "Sessions", num: true, compare: by(({ sessions }) => sessions), cell: ({ sessions }) => sessions },
          {
            head: "Lifts",
            num: true,
            compare: by(({ numberOfLifts }) => numberOfLifts),
            cell: ({ numberOfLifts }) => numberOfLifts,
          },
          { head: "Lifts planned", num: true, tone: "planned", cell: ({ planned }) => planned.numberOfLifts || "" },
          {
            head: "Share of lifts",
            num: true,
            tone: "quiet",
            cell: ({ share }) => (share === null ? "" : printer.percent(share.lifts)),
          },
          {
            head: `Volume load, ${printer.units.mass}`,
            num: true,
            folded: "beside",
            compare: by(({ volumeLoadKg }) => volumeLoadKg),
            cell: ({ weekStart, sets, volumeLoadKg }) =>
              sets === 0 ? (
                "0"
              ) : (
                <WorkingLink
                  figure={{ figure: "volume", weekStart }}
                  on={today}
                  label={`, working of the volume of the week from ${weekStart}`}
                >
                  {printer.volumeLoadNumber(volumeLoadKg)}
                </WorkingLink>
              ),
          },
          {
            head: "Load planned",
            num: true,
            tone: "planned",
            cell: ({ planned }) => (planned.volumeLoadKg > 0 ? printer.volumeLoadNumber(planned.volumeLoadKg) : ""),
          },
          {
            head: "Share of load",
            num: true,
            tone: "quiet",
            cell: ({ share }) => (share === null ? "" : printer.percent(share.load)),
          },
          {
            head: `Average weight, ${printer.units.mass}`,
            num: true,
            compare: by(({ averageKg }) => averageKg),
            cell: ({ averageKg }) => (averageKg === null ? "" : printer.massNumber(averageKg)),
          },
          {
            head: "Intensity",
            num: true,
            compare: by(({ averageIntensity }) => averageIntensity),
            cell: ({ averageIntensity }) => (averageIntensity === null ? "" : printer.percent(averageIntensity)),
          },
        ]}
      />
    </section>
  );
}
