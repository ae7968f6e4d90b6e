"use client";

import { printNumber } from "@/core/base/units/number";
import type { CycleLine } from "@/core/planning/cycleView";
import { useAddress } from "@/ui/address";
import { fullDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import Link from "next/link";
import { useState } from "react";
import { PlanHead } from "../PlanHead";
import { CycleForm } from "./CycleForm";
import { CyclePage } from "./CyclePage";

/** Cycles by percentage: one of them, or the list of all. */
export function Cycles() {
  const { cycle } = useAddress();
  return cycle === null ? <AllCycles /> : <CyclePage cycleId={cycle} />;
}

function AllCycles() {
  const all = useFigure("cycles", {});
  const printer = usePrinter();
  const [adding, setAdding] = useState(false);
  return (
    <>
      <PlanHead />
      {all && (
        <section className={view.section}>
          <h2>Cycles by percentage</h2>
          {all.cycles.length === 0 && (
            <p className="quiet">
              A cycle is some weeks of lifting by percentages of maxima: a row a training day, a column a lift. Its
              lifts, load and intensity stand beside it while it is written, and it plans its sessions.
            </p>
          )}
          {all.cycles.length > 0 && (
            <RecordTable<CycleLine>
              label="Cycles"
              rows={all.cycles}
              keyOf={({ cycle }) => cycle.id}
              columns={[
                {
                  head: "Cycle",
                  cell: ({ cycle }) => (
                    <Link href={`/plan/cycles?cycle=${encodeURIComponent(cycle.id)}`}>{cycle.name}</Link>
                  ),
                },
                {
                  head: "From",
                  bare: true,
                  cell: ({ from, to }) => `${fullDate(from)} to ${fullDate(to)}`,
                },
                {
                  head: "How it stands",
                  bare: true,
                  folded: "beside",
                  tone: "quiet",
                  cell: ({ state, week, cycle }) =>
                    state === "under way" ? `week ${week} of ${cycle.weeks}` : state === "ahead" ? "ahead" : "over",
                },
                { head: "Lifts", num: true, cell: ({ numberOfLifts }) => printNumber(numberOfLifts, 0) },
                {
                  head: `Load, ${printer.units.mass}`,
                  num: true,
                  cell: ({ volumeLoadKg }) => printer.volumeLoadNumber(volumeLoadKg),
                },
                {
                  head: "Intensity",
                  num: true,
                  cell: ({ averageIntensity }) =>
                    averageIntensity === null ? "" : `${printNumber(averageIntensity * 100, 1)} %`,
                },
              ]}
            />
          )}
          {adding ? (
            <CycleForm cycle={null} next={all.next} close={() => setAdding(false)} />
          ) : (
            <p className="noprint above">
              <LinkButton onClick={() => setAdding(true)}>Write a cycle</LinkButton>
            </p>
          )}
        </section>
      )}
    </>
  );
}
