"use client";

import type { CycleCell as Cell, CycleRow } from "@/core/planning/cycleView";
import { CellInput } from "@/ui/grid/CellInput";
import { cellPointer } from "@/ui/grid/cellPointer";
import grid from "@/ui/grid/grid.module.css";
import type { Place } from "@/ui/grid/selection";
import type { KeyboardEvent } from "react";
import styles from "./cycles.module.css";

/** The id of a cell in the page. */
export function cycleCellId({ row, column }: Place): string {
  return `cycle-${row}-${column}`;
}

/** A cell: what it says, the loads it comes to, what was done; or the field in which it is typed over. */
export function CycleCell({
  place,
  cell: { loads, done },
  status,
  lift,
  name,
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
  place: Place;
  cell: Cell;
  status: CycleRow["status"];
  /** What its column is called, where columns stand one under another. */
  lift: string;
  name: string;
  active: boolean;
  chosen: boolean;
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
  const isDone = done !== "";
  return (
    <span
      id={cycleCellId(place)}
      role="gridcell"
      aria-colindex={place.column + 2}
      aria-selected={chosen}
      data-lift={lift}
      className={[styles.cell, chosen && styles.chosen, active && styles.active, why !== null && grid.back]
        .filter(Boolean)
        .join(" ")}
      aria-invalid={why !== null}
      data-hint={why ?? undefined}
      {...cellPointer({ isOpen: editing !== null, active, onPoint, onOpen })}
    >
      {editing === null ? (
        <span className={isDone ? "done" : status === "skipped" || status === "missed" ? "quiet" : "planned"}>
          {text.split("; ").map((line) => (
            <span key={line} className={styles.entry}>
              {line.replaceAll(" %", "\u00a0%")}
            </span>
          ))}
        </span>
      ) : (
        <CellInput
          text={editing}
          name={name}
          inputMode="text"
          isUnseen={isUnseen}
          onEdit={onEdit}
          onKeyDown={onEditKey}
        />
      )}
      {(loads !== "" || isDone) && (
        <span className={styles.loads}>{[loads, isDone ? `done ${done}` : ""].filter(Boolean).join(" · ")}</span>
      )}
    </span>
  );
}
