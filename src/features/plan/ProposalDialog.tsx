"use client";

import { messageOf } from "@/core/base/messageOf";
import { counted, printNumber } from "@/core/base/units/number";
import type { Proposal, ProposedSession } from "@/core/planning/proposal";
import type { ProposalAsk } from "@/core/planning/proposals";
import type { PastedPlanAsk } from "@/core/quickEntry/pastedPlan";
import { weekdayDate } from "@/ui/dates";
import { Dialog } from "@/ui/kit/Dialog";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import { Button } from "antd";
import { useEffect, useState } from "react";

const said: Record<ProposedSession["what"], string> = {
  new: "new",
  changed: "changed",
  moved: "moved",
  removed: "taken out",
  stays: "stays",
};

/** A change of the plan, by what it is of, or a plan that was pasted. */
export type Asked = ProposalAsk | { of: "paste"; plan: PastedPlanAsk };

/** What would be written of the plan, day by day, before it is; written as one change that is undone as one. */
export function ProposalDialog({
  title,
  ask,
  onClose,
  onWritten,
}: {
  title: string;
  ask: Asked;
  onClose: () => void;
  onWritten?: () => void;
}) {
  const { compute, person, today, commit } = useLog();
  const [found, setFound] = useState<Proposal | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [writing, setWriting] = useState(false);
  const key = JSON.stringify(ask);
  useEffect(() => {
    let gone = false;
    const asked = JSON.parse(key) as Asked;
    const who = { personId: person.id, today };
    (asked.of === "paste"
      ? compute.ask("pastedPlan", { ...who, plan: asked.plan })
      : compute.ask("planProposal", { ...who, ask: asked })
    )
      .then((answer) => {
        if (!gone) setFound(answer);
      })
      .catch((error: unknown) => {
        if (!gone) setProblem(messageOf(error));
      });
    return () => {
      gone = true;
    };
  }, [compute, person.id, today, key]);
  const write = async () => {
    setWriting(true);
    const done = await commit(found!.change, found!.label);
    setWriting(false);
    if (!done) return;
    onWritten?.();
    onClose();
  };
  return (
    <Dialog title={title} onClose={onClose}>
      {problem !== null && <p className="warn">{problem}</p>}
      {found === null && problem === null && <p className="quiet">Working it out.</p>}
      {found !== null && (
        <>
          <p>{countsText(found)}</p>
          <p>
            <Button
              type="primary"
              autoFocus
              disabled={found.change.length === 0 || writing}
              onClick={() => void write()}
            >
              {found.change.length === 0 ? "Nothing to write" : `Write ${counted(found.change.length, "change")}`}
            </Button>{" "}
            <LinkButton onClick={onClose}>Leave all as it is</LinkButton>
          </p>
          <Sums sums={found.sums} />
          {found.notUnderstood.length > 0 && (
            <ul className="warn" aria-label="Not understood">
              {found.notUnderstood.map(({ line, text, why }) => (
                <li key={line}>
                  Line {line}, “{text}”: {why}
                </li>
              ))}
            </ul>
          )}
          {found.sessions.length > 0 && (
            <RecordTable
              label="Before it is written"
              rows={found.sessions.map((one, index) => ({ ...one, index }))}
              keyOf={({ index }) => index}
              tone={({ what }) => (what === "stays" ? "quiet" : undefined)}
              columns={[
                { head: "Day", bare: true, cell: ({ date }) => weekdayDate(date) },
                { head: "Session", folded: "name", cell: ({ title: name }) => name },
                { head: "What", bare: true, folded: "beside", cell: ({ what }) => said[what] },
                { head: "Then", bare: true, cell: ({ text }) => text },
              ]}
            />
          )}
        </>
      )}
    </Dialog>
  );
}

function countsText({ sessions, notUnderstood }: Proposal): string {
  const count = (what: ProposedSession["what"]) => sessions.filter((one) => one.what === what).length;
  const parts = (Object.keys(said) as ProposedSession["what"][])
    .map((what) => [count(what), said[what]] as const)
    .filter(([number]) => number > 0)
    .map(([number, words]) => `${counted(number, "session")} ${number === 1 || words !== "stays" ? words : "stay"}`);
  if (notUnderstood.length > 0) parts.push(`${counted(notUnderstood.length, "line")} not understood`);
  return parts.length === 0 ? "There is nothing to do." : `${parts.join(", ")}.`;
}

function Sums({ sums }: { sums: Proposal["sums"] }) {
  const printer = usePrinter();
  if (sums.length === 0) return null;
  const number = (value: number) => (value > 0 ? printNumber(value, 0) : "");
  return (
    <RecordTable
      label="What it comes to"
      rows={sums}
      keyOf={({ label }) => label}
      columns={[
        { head: "Work", cell: ({ label }) => label },
        { head: "Lifts", num: true, cell: ({ numberOfLifts }) => number(numberOfLifts) },
        {
          head: `Load, ${printer.units.mass}`,
          num: true,
          cell: ({ volumeLoadKg }) => (volumeLoadKg > 0 ? printer.volumeLoadNumber(volumeLoadKg) : ""),
        },
        { head: "Minutes", num: true, cell: ({ minutes }) => number(minutes) },
        { head: "Distance", num: true, cell: ({ metres }) => (metres > 0 ? printer.distance(metres) : "") },
      ]}
    />
  );
}
