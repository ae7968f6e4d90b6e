"use client";

import { messageOf } from "@/core/base/messageOf";
import { counted } from "@/core/base/units/number";
import type { LedgerColumn, LedgerColumnId } from "@/core/ledger/columns";
import type { LedgerAsk, LedgerPreview } from "@/core/ledger/ledgerView";
import { ledgerDate } from "@/ui/dates";
import type { Message } from "@/ui/grid/useTypedGrid";
import { writeBehind, type WriteCell } from "@/ui/grid/writeBehind";
import { useLog } from "@/ui/log/LogContext";
import { useCallback, useMemo, useState } from "react";

/** A cell of the ledger. */
export interface DayCell {
  date: string;
  column: LedgerColumnId;
}

export const keyOfCell = ({ date, column }: DayCell): string => `${date} ${column}`;

/** Edits of several cells that wait to be agreed to. */
export interface Proposal {
  ask: LedgerAsk;
  label: string;
  found: LedgerPreview;
}

/** How a typed cell of the ledger is written: asked about first; what is wrong or doubtful comes back. */
export function useWriteCell(all: ReadonlyMap<LedgerColumnId, LedgerColumn>) {
  const { name, commit, compute, person, today } = useLog();
  const personId = person.id;
  const behind = useMemo(
    () => writeBehind<DayCell>(`ledger-${name}-${personId}`, keyOfCell, ({ date }) => date),
    [name, personId],
  );
  const write = useCallback<WriteCell<DayCell>>(
    async ({ cell, text, before, agreed }, own) => {
      const found = await compute.ask("ledgerPreview", { personId, today, ask: { edits: [{ ...cell, text }] } });
      if (found === null) return { refused: "This person is not in the log any more." };
      const [change, refused] = [found.changes[0], found.refused[0]];
      if (refused !== undefined) return { refused: refused.why };
      const now = change?.before ?? before;
      const meanwhile =
        now === before || now === own ? "" : `Another tab has written ${now === "" ? "nothing" : now} here meanwhile.`;
      const caution = [meanwhile, change?.caution ?? ""].filter((one) => one !== "").join(" ");
      if (caution !== "" && !agreed) return { questioned: caution };
      const label = `${all.get(cell.column)?.title ?? cell.column}, ${ledgerDate(cell.date)}`;
      if (found.change.length > 0 && !(await commit(found.change, label)))
        return { refused: "It could not be written, and stands here as it was typed. Enter tries again." };
      return { now: change?.after ?? text.trim(), shown: compute.caughtUp() };
    },
    [all, commit, compute, personId, today],
  );
  return { behind, write };
}

/** Edits of several cells at once, each shown before it is written. */
export function useProposal(say: (message: Message) => void, settled: () => Promise<void>) {
  const { commit, compute, person, today } = useLog();
  const [proposal, setProposal] = useState<Proposal | null>(null);
  return {
    proposal,
    dropProposal: () => setProposal(null),

    /** Shows what edits of several cells would do, before they are written. */
    propose: async (asked: LedgerAsk, label: string): Promise<void> => {
      try {
        await settled();
        const found = await compute.ask("ledgerPreview", { personId: person.id, today, ask: asked });
        if (found !== null) setProposal({ ask: asked, label, found });
      } catch (error) {
        say({ text: messageOf(error), warn: true });
      }
    },

    /** Writes what was proposed. */
    agree: async (): Promise<void> => {
      const { found, label } = proposal!;
      if (await commit(found.change, `${label}: ${counted(found.changes.length, "cell")}`)) setProposal(null);
    },
  };
}
