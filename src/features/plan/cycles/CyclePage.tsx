"use client";

import { counted, printNumber } from "@/core/base/units/number";
import { Printer } from "@/core/base/units/printer";
import type { CycleColumn, CycleTyped, CycleView } from "@/core/planning/cycleView";
import { shortDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import Link from "next/link";
import { useState } from "react";
import { PlanHead } from "../PlanHead";
import { ProposalDialog } from "../ProposalDialog";
import { AddLift } from "./AddLift";
import { CycleBeside } from "./CycleBeside";
import { CycleForm } from "./CycleForm";
import { CycleGrid } from "./CycleGrid";
import styles from "./cycles.module.css";
import { MaximumDialog } from "./MaximumDialog";
import { NextCycle } from "./NextCycle";
import { QuietCycle } from "./QuietCycle";

type Open = "change" | "sessions" | "next" | "quiet" | null;

/** A cycle by percentage: time down, lifts across, what it comes to beside it. */
export function CyclePage({ cycleId }: { cycleId: string }) {
  const answer = useFigure("cycle", { cycleId });
  const { units } = useLog();
  /** The cycle as what is being typed makes it. */
  const [typed, setTyped] = useState<CycleTyped | null>(null);
  const [open, setOpen] = useState<Open>(null);
  const [lift, setLift] = useState<CycleColumn | null>(null);
  if (answer === undefined) return <PlanHead />;
  const held = answer.view;
  if (held === null)
    return (
      <>
        <PlanHead />
        <p>There is no such cycle in this log.</p>
      </>
    );
  const shown = typed?.view ?? held;
  const printer = new Printer({ ...units, mass: shown.unit });
  if (open === "quiet") return <QuietCycle view={held} onClose={() => setOpen(null)} />;
  return (
    <>
      <PlanHead>
        <span className="row noprint">
          <LinkButton onClick={() => setOpen("change")}>Change</LinkButton>
          <LinkButton onClick={() => setOpen("quiet")}>Quiet form</LinkButton>
          <LinkButton onClick={() => setOpen("next")}>Next cycle</LinkButton>
          <LinkButton disabled={held.toWrite === 0} onClick={() => setOpen("sessions")}>
            {held.toWrite === 0 ? "Its sessions are written" : `Write ${counted(held.toWrite, "session")}`}
          </LinkButton>
        </span>
      </PlanHead>
      <h2>{held.cycle.name}</h2>
      <p className="quiet">{saidOf(held, printer)}</p>
      {open === "change" && (
        <CycleForm key={held.cycle.id} cycle={held.cycle} next={held.from} close={() => setOpen(null)} />
      )}
      <div className={styles.page}>
        <div>
          <CycleGrid held={held} shown={shown} printer={printer} onTyped={setTyped} onLift={setLift} />
          <AddLift view={held} />
          {held.rows.length === 0 && (
            <p>
              It has no training days yet: choose them under{" "}
              <LinkButton onClick={() => setOpen("change")}>Change</LinkButton>.
            </p>
          )}
        </div>
        <CycleBeside view={shown} printer={printer} />
      </div>
      <p className="above-l">
        <Link href="/plan/cycles">All cycles</Link>
      </p>
      {open === "sessions" && (
        <ProposalDialog
          title={`The sessions of ${held.cycle.name}`}
          ask={{ of: "cycle", cycleId }}
          onClose={() => setOpen(null)}
        />
      )}
      {open === "next" && <NextCycle cycleId={cycleId} onClose={() => setOpen(null)} />}
      {lift !== null && <MaximumDialog view={held} column={lift} onClose={() => setLift(null)} />}
    </>
  );
}

function saidOf({ from, to, cycle, columns, unit }: CycleView, printer: Printer): string {
  const { rounding, trainingMaximumShare: share } = cycle;
  const step = rounding == null ? "the step of each exercise" : `${Number(rounding.kg ?? rounding.lb)} ${unit}`;
  const maxima = columns
    .filter(({ maximumKg }) => maximumKg !== null)
    .map(({ name, maximumKg }) => `${name.toLowerCase()} ${printer.loadNumber(maximumKg!)}`);
  return [
    `${shortDate(from)} to ${shortDate(to)}`,
    `to ${step}`,
    share != null && share !== 1
      ? `percentages of ${printNumber(share * 100, (share * 100) % 1 === 0 ? 0 : 1)} % of each maximum`
      : "",
    maxima.length > 0 ? `maxima: ${maxima.join(", ")}` : "",
  ]
    .filter(Boolean)
    .join(" · ");
}
