"use client";

import type { Cycle } from "@/core/log/kinds/cycles";
import { put } from "@/core/log/records";
import type { RenewedMaximum } from "@/core/planning/nextCycle";
import { fullDate, shortDate } from "@/ui/dates";
import { Dialog } from "@/ui/kit/Dialog";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import { Button } from "antd";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";

/** The next cycle as a copy of this one, its maxima renewed, lift by lift, before it is written. */
export function NextCycle({ cycleId, onClose }: { cycleId: string; onClose: () => void }) {
  const { compute, person, today, commit } = useLog();
  const printer = usePrinter();
  const router = useRouter();
  const [found, setFound] = useState<{ cycle: Cycle; renewed: RenewedMaximum[] } | null>(null);
  useEffect(() => {
    let gone = false;
    void compute.ask("nextCycle", { personId: person.id, today, cycleId }).then((answer) => {
      if (!gone) setFound(answer);
    });
    return () => {
      gone = true;
    };
  }, [compute, person.id, today, cycleId]);
  const write = async () => {
    const { cycle } = found!;
    if (!(await commit([put("cycles", cycle)], `Cycle ${cycle.name}`))) return;
    onClose();
    router.push(`/plan/cycles?cycle=${encodeURIComponent(cycle.id)}`);
  };
  const mass = (kg: number | null) => (kg === null ? "" : printer.mass(kg));
  return (
    <Dialog title="The next cycle" onClose={onClose}>
      {found === null ? (
        <p className="quiet">Working it out.</p>
      ) : (
        <>
          <p>
            {found.cycle.name}, from {fullDate(found.cycle.startDate)}: the same days and percentages, of maxima as the
            sets of as many repetitions as possible have shown them.
          </p>
          <RecordTable
            label="Maxima, lift by lift"
            rows={found.renewed}
            keyOf={({ exerciseId }) => exerciseId}
            columns={[
              { head: "Lift", cell: ({ name }) => name },
              { head: "Was", num: true, tone: "quiet", cell: ({ beforeKg }) => mass(beforeKg) },
              { head: "Then", num: true, folded: "beside", cell: ({ afterKg }) => <strong>{mass(afterKg)}</strong> },
              {
                head: "Shown by",
                bare: true,
                cell: ({ shownBy }) =>
                  shownBy === null
                    ? "no such set: it stays"
                    : `${printer.loadNumber(shownBy.kg)} × ${shownBy.reps}, ${shortDate(shownBy.date)}`,
              },
            ]}
          />
          <p className="above">
            <Button type="primary" autoFocus onClick={() => void write()}>
              Begin it
            </Button>{" "}
            <LinkButton onClick={onClose}>Leave all as it is</LinkButton>
          </p>
        </>
      )}
    </Dialog>
  );
}
