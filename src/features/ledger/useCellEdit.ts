"use client";

import { messageOf } from "@/core/base/messageOf";
import { counted } from "@/core/base/units/number";
import type { LedgerColumn, LedgerColumnId } from "@/core/ledger/columns";
import type { LedgerAsk, LedgerPreview } from "@/core/ledger/ledgerView";
import { ledgerDate } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { useUnsaved } from "@/ui/unsaved";
import { useRef, useState } from "react";

/**
 * The cell that is being typed into, and what it said before: another tab may write in it meanwhile. It stays where it
 * is, and open, until it is written or left with Escape.
 */
export interface OpenCell {
  date: string;
  column: LedgerColumnId;
  before: string;
  text: string;
}

export interface Message {
  text: string;
  warn: boolean;
}

/** Edits of several cells that wait to be agreed to. */
export interface Proposal {
  ask: LedgerAsk;
  label: string;
  found: LedgerPreview;
}

/**
 * Typing into one cell, and edits of several at once: each is asked about before it is written, and what is wrong or
 * doubtful is said.
 */
export function useCellEdit(all: ReadonlyMap<LedgerColumnId, LedgerColumn>) {
  const { commit, compute, person, today } = useLog();
  const [editing, setEditing] = useState<OpenCell | null>(null);
  const [message, setMessage] = useState<Message | null>(null);
  const [proposal, setProposal] = useState<Proposal | null>(null);
  /** The text that was questioned once and is written when Enter is pressed again. */
  const questioned = useRef<string | null>(null);
  useUnsaved(editing !== null);
  const ask = (asked: LedgerAsk) => compute.ask("ledgerPreview", { personId: person.id, today, ask: asked });
  return {
    editing,
    message,
    proposal,
    say: setMessage,
    dropProposal: () => setProposal(null),
    type: (text: string) => setEditing((held) => held && { ...held, text }),
    leave: () => {
      setEditing(null);
      setMessage(null);
    },

    /** Opens a cell to be typed into; false where it is derived, which is said. */
    begin: (date: string, column: LedgerColumnId, before: string, text: string): boolean => {
      const { why, title } = all.get(column)!;
      if (why !== null) {
        setMessage({ text: `${title} cannot be typed over. ${why}`, warn: true });
        return false;
      }
      questioned.current = null;
      setMessage(null);
      setEditing({ date, column, before, text });
      return true;
    },

    /** Writes the cell that is typed into; false where it was refused or is questioned, and stays open. */
    write: async (): Promise<boolean> => {
      const { date, column, before, text } = editing!;
      const found = await ask({ edits: [{ date, column, text }] });
      if (found === null) return false;
      const [change, refused] = [found.changes[0], found.refused[0]];
      if (refused !== undefined) {
        setMessage({ text: refused.why, warn: true });
        return false;
      }
      const now = change?.before ?? before;
      const meanwhile = now === before ? "" : `Another tab has written ${now === "" ? "nothing" : now} here meanwhile.`;
      const caution = [meanwhile, change?.caution ?? ""].filter((one) => one !== "").join(" ");
      if (caution !== "" && questioned.current !== text) {
        questioned.current = text;
        setMessage({ text: `${caution} Press Enter again if it is right.`, warn: true });
        return false;
      }
      if (found.change.length > 0 && !(await commit(found.change, `${all.get(column)!.title}, ${ledgerDate(date)}`)))
        return false;
      setEditing(null);
      return true;
    },

    /** Shows what edits of several cells would do, before they are written. */
    propose: async (asked: LedgerAsk, label: string): Promise<void> => {
      try {
        const found = await ask(asked);
        if (found !== null) setProposal({ ask: asked, label, found });
      } catch (error) {
        setMessage({ text: messageOf(error), warn: true });
      }
    },

    /** Writes what was proposed. */
    agree: async (): Promise<void> => {
      const { found, label } = proposal!;
      if (await commit(found.change, `${label}: ${counted(found.changes.length, "cell")}`)) setProposal(null);
    },
  };
}
