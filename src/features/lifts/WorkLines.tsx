"use client";

import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { WorkLine } from "@/core/strength/workView";
import { by } from "@/ui/kit/column";
import { RecordTable } from "@/ui/kit/RecordTable";
import view from "@/ui/view.module.css";
import Link from "next/link";

/** Work by group or by lift, with each one's share. */
export function WorkLines({ title, lines, printer }: { title: string; lines: readonly WorkLine[]; printer: Printer }) {
  return (
    <section className={view.section}>
      <h2>{title}</h2>
      <RecordTable
        label={title}
        rows={lines}
        keyOf={({ id }) => id}
        columns={[
          {
            head: "Name",
            mute: true,
            cell: ({ id, name, sets }) =>
              sets === null ? name : <Link href={`/lifts?exercise=${encodeURIComponent(id)}`}>{name}</Link>,
          },
          ...(lines.some(({ sets }) => sets !== null)
            ? [
                {
                  head: "Sets",
                  num: true,
                  compare: by(({ sets }: WorkLine) => sets),
                  cell: ({ sets }: WorkLine) => sets,
                },
              ]
            : []),
          {
            head: "Lifts",
            num: true,
            compare: by(({ numberOfLifts }) => numberOfLifts),
            cell: ({ numberOfLifts }) => printNumber(numberOfLifts, 0),
          },
          { head: "Share of lifts", num: true, tone: "quiet", cell: ({ liftShare }) => printer.percent(liftShare) },
          {
            head: `Volume load, ${printer.units.mass}`,
            num: true,
            folded: "beside",
            compare: by(({ volumeLoadKg }) => volumeLoadKg),
            cell: ({ volumeLoadKg }) => printer.volumeLoadNumber(volumeLoadKg),
          },
          { head: "Share of load", num: true, tone: "quiet", cell: ({ loadShare }) => printer.percent(loadShare) },
        ]}
      />
    </section>
  );
}
