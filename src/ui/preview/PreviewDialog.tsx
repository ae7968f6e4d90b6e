"use client";

import type { MassUnit } from "@/core/base/units/mass";
import { counted, printNumber } from "@/core/base/units/number";
import type { LedgerColumn, LedgerColumnId } from "@/core/ledger/columns";
import type { LedgerPreview } from "@/core/ledger/ledgerView";
import type { DateOrder } from "@/core/ledger/paste";
import { ledgerDate } from "@/ui/dates";
import { orderNames } from "@/ui/inputs/dateOrders";
import { Captioned } from "@/ui/kit/Captioned";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Select } from "@/ui/kit/Select";
import { useUnsaved } from "@/ui/unsaved";
import { Button } from "antd";
import { useState } from "react";
import { Dialog } from "../kit/Dialog";
import { RecordTable } from "../kit/RecordTable";
import styles from "./preview.module.css";

/** More lines than this are counted and not listed. */
const listed = 300;

/**
 * What a paste, a fill or an emptying would change, what is refused and why; written as one change that can be undone.
 */
export function PreviewDialog({
  all,
  label,
  found,
  onOrder,
  onUnit,
  onWrite,
  onClose,
}: {
  all: ReadonlyMap<LedgerColumnId, LedgerColumn>;
  label: string;
  found: LedgerPreview;
  onOrder: (order: DateOrder) => void;
  onUnit: (unit: MassUnit) => void;
  onWrite: () => Promise<void>;
  onClose: () => void;
}) {
  const [writing, setWriting] = useState(false);
  useUnsaved(true);
  const { changes, refused, lines, order, orders, unit, units } = found;
  const refusals = refused.length + lines.length;
  return (
    <Dialog title="Before it is written" onClose={onClose}>
      <p>
        {label}: {counted(changes.length, "cell changes", "cells change")}
        {refusals > 0 ? `, ${printNumber(refusals, 0)} refused` : ""}.
      </p>
      {order !== null && orders.length > 1 && (
        <p className="warn">
          Its dates can be read in more than one way.{" "}
          <Captioned caption="They are written as">
            {(id) => (
              <Select
                id={id}
                value={order}
                onChange={onOrder}
                options={orders.map((one) => ({ value: one, label: orderNames[one] }))}
              />
            )}
          </Captioned>
        </p>
      )}
      {units.length > 1 && (
        <p className="warn">
          Its weights name no unit and may be kilograms or pounds.{" "}
          <Captioned caption="They are in">
            {(id) => (
              <Select
                id={id}
                value={unit}
                placeholder="choose"
                onChange={onUnit}
                options={[
                  { value: "kg", label: "kilograms" },
                  { value: "lb", label: "pounds" },
                ]}
              />
            )}
          </Captioned>
        </p>
      )}
      {refusals > 0 && (
        <>
          <h3 className={styles.heading}>Refused</h3>
          <ul className={styles.refused}>
            {lines.slice(0, listed).map(({ line, text, why }) => (
              <li key={line}>
                Line {line} ({text}): {why}
              </li>
            ))}
            {refused.slice(0, listed).map(({ date, column, text, why }) => (
              <li key={`${date} ${column}`}>
                {ledgerDate(date)}, {all.get(column)?.title ?? column} “{text}”: {why}
              </li>
            ))}
          </ul>
          {(refused.length > listed || lines.length > listed) && (
            <p className="quiet">
              and {Math.max(0, refused.length - listed) + Math.max(0, lines.length - listed)} more
            </p>
          )}
        </>
      )}
      {changes.length > 0 && (
        <div className={styles.changes}>
          <RecordTable
            label="Changes"
            rows={changes.slice(0, listed)}
            keyOf={({ date, column }) => `${date} ${column}`}
            columns={[
              { head: "Day", cell: ({ date }) => ledgerDate(date) },
              { head: "Column", bare: true, folded: "beside", cell: ({ column }) => all.get(column)?.title ?? column },
              { head: "Now", cell: ({ before }) => before || <span className="quiet">nothing</span> },
              { head: "Then", cell: ({ after }) => after || <span className="quiet">nothing</span> },
              {
                head: "What to look at",
                mute: true,
                cell: ({ caution }) => caution && <span className="warn small">{caution}</span>,
              },
            ]}
          />
          {changes.length > listed && <p className="quiet">and {changes.length - listed} more</p>}
        </div>
      )}
      <p className={styles.actions}>
        <Button
          type="primary"
          // What was pasted is kept by Enter, and left by Escape.
          autoFocus
          disabled={changes.length === 0 || writing || (units.length > 1 && unit === null)}
          onClick={() => {
            setWriting(true);
            void onWrite().finally(() => setWriting(false));
          }}
        >
          Write {changes.length} {changes.length === 1 ? "change" : "changes"}
        </Button>{" "}
        <LinkButton onClick={onClose}>Leave all as it is</LinkButton>
      </p>
    </Dialog>
  );
}
