"use client";

import type { LedgerColumn, LedgerColumnId } from "@/core/ledger/columns";
import type { LedgerRow } from "@/core/ledger/ledgerView";
import { CellInput } from "@/ui/grid/CellInput";
import { cellPointer } from "@/ui/grid/cellPointer";
import type { KeyboardEvent } from "react";
import grid from "@/ui/grid/grid.module.css";
import styles from "./ledger.module.css";

/** The id of a cell in the page. */
export function cellId(date: string, column: LedgerColumnId): string {
  return `cell-${date}-${column.replaceAll(" ", "-")}`;
}

/** One cell: what it says, or the field in which it is typed over. */
export function LedgerCell({
  id,
  row,
  column,
  index,
  active,
  chosen,
  editing,
  text,
  why,
  isUnseen,
  onEdit,
  onEditKey,
  onPoint,
  onOpen,
}: {
  id: string;
  row: LedgerRow | undefined;
  column: LedgerColumn;
  index: number;
  active: boolean;
  chosen: boolean;
  /** The text in the field; null while it is not typed into. */
  editing: string | null;
  /** What it says, what is on its way into the log included. */
  text: string;
  /** Why what was typed was not written; null where that did not come back. */
  why: string | null;
  isUnseen: boolean;
  onEdit: (text: string) => void;
  onEditKey: (event: KeyboardEvent) => void;
  onPoint: (widen: boolean) => void;
  onOpen: () => void;
}) {
  const { words } = column;
  const derived = column.why !== null;
  const classes = [
    styles.cell,
    words ? styles.words : styles.number,
    derived && styles.derived,
    chosen && styles.chosen,
    active && styles.active,
    why !== null && grid.back,
  ];
  return (
    <span
      id={id}
      role="gridcell"
      aria-colindex={index + 2}
      aria-selected={chosen}
      aria-readonly={derived}
      aria-invalid={why !== null}
      data-hint={why ?? undefined}
      className={classes.filter(Boolean).join(" ")}
      {...cellPointer({ isOpen: editing !== null, active, onPoint, onOpen })}
    >
      {editing === null ? (
        `${text}${column.id === "weight" && row?.gross ? "?" : ""}`
      ) : (
        <CellInput
          text={editing}
          name={column.title}
          inputMode={words ? "text" : "decimal"}
          isUnseen={isUnseen}
          onEdit={onEdit}
          onKeyDown={onEditKey}
        />
      )}
    </span>
  );
}
