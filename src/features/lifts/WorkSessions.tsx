"use client";

import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { WorkView } from "@/core/strength/workView";
import { by } from "@/ui/kit/column";
import { RecordTable } from "@/ui/kit/RecordTable";
import view from "@/ui/view.module.css";
import Link from "next/link";
import { DayLink } from "./DayLink";
import styles from "./lifts.module.css";

/** Each session's work beside its plan, the newest first. */
export function WorkSessions({ work: { sessions, total }, printer }: { work: WorkView; printer: Printer }) {
  return (
    <section className={view.section}>
      <h2>Day by day</h2>
      <RecordTable
        label="Day by day"
        keep="work-sessions"
        rows={sessions}
        keyOf={({ sessionId }) => sessionId}
        columns={[
          {
            head: "Day",
            compare: by(({ date }) => date),
            cell: ({ date }) => <DayLink date={date} />,
          },
          {
            head: "Session",
            bare: true,
            kind: ({ title }) => title,
            cell: ({ title, lines }) => (
              <>
                {title}
                {lines.map(({ exerciseId, name, text }, index) => (
                  <div key={`${exerciseId} ${index}`} className="quiet small">
                    <Link href={`/lifts?exercise=${encodeURIComponent(exerciseId)}`} className={styles.plain}>
                      {name}
                    </Link>{" "}
                    {text}
                  </div>
                ))}
              </>
            ),
          },
          { head: "Sets", num: true, compare: by(({ sets }) => sets), cell: ({ sets }) => sets },
          {
            head: "Lifts",
            num: true,
            compare: by(({ numberOfLifts }) => numberOfLifts),
            cell: ({ numberOfLifts }) => numberOfLifts,
          },
          {
            head: "Lifts planned",
            num: true,
            tone: "planned",
            cell: ({ planned }) => planned.numberOfLifts || "",
          },
          {
            head: `Volume load, ${printer.units.mass}`,
            num: true,
            folded: "beside",
            compare: by(({ volumeLoadKg }) => volumeLoadKg),
            cell: ({ volumeLoadKg }) => printer.volumeLoadNumber(volumeLoadKg),
          },
          {
            head: "Load planned",
            num: true,
            tone: "planned",
            cell: ({ planned }) => (planned.volumeLoadKg > 0 ? printer.volumeLoadNumber(planned.volumeLoadKg) : ""),
          },
          {
            head: "Intensity",
            num: true,
            compare: by(({ averageIntensity }) => averageIntensity),
            cell: ({ averageIntensity }) => (averageIntensity === null ? "" : printer.percent(averageIntensity)),
          },
        ]}
      />
      {total.sessions > sessions.length && (
        <p className="quiet small">
          The latest {sessions.length} of {printNumber(total.sessions, 0)} sessions.
        </p>
      )}
    </section>
  );
}
