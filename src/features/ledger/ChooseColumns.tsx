"use client";

import type { LedgerColumn, LedgerColumnId } from "@/core/ledger/columns";
import { Dialog } from "@/ui/kit/Dialog";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Tick } from "@/ui/kit/Tick";

/** Which columns the ledger shows, and in which order. */
export function ChooseColumns({
  all,
  columns,
  onChange,
  onClose,
}: {
  all: ReadonlyMap<LedgerColumnId, LedgerColumn>;
  columns: LedgerColumnId[];
  onChange: (columns: LedgerColumnId[]) => void;
  onClose: () => void;
}) {
  const hidden = [...all.keys()].filter((id) => !columns.includes(id));
  const swap = (at: number, by: number) => {
    const next = [...columns];
    [next[at], next[at + by]] = [next[at + by]!, next[at]!];
    onChange(next);
  };
  return (
    <Dialog title="Columns" onClose={onClose}>
      <RecordTable
        label="Columns"
        rows={[...columns, ...hidden].map((id) => ({ ...all.get(id)!, at: columns.indexOf(id) }))}
        keyOf={({ id }) => id}
        columns={[
          {
            head: "Column",
            mute: true,
            cell: ({ id, at, title }) => (
              <Tick
                checked={at >= 0}
                disabled={columns.length === 1 && at === 0}
                onChange={() => onChange(at >= 0 ? columns.filter((one) => one !== id) : [...columns, id])}
              >
                {title}
              </Tick>
            ),
          },
          {
            head: "How it is filled",
            mute: true,
            cell: ({ why }) => <span className="quiet small">{why === null ? "typed in place" : "derived"}</span>,
          },
          {
            head: "Further left",
            mute: true,
            folded: "beside",
            cell: ({ at, title }) =>
              at > 0 && (
                <LinkButton aria-label={`${title}, further left`} onClick={() => swap(at, -1)}>
                  Left
                </LinkButton>
              ),
          },
          {
            head: "Further right",
            mute: true,
            folded: "beside",
            cell: ({ at, title }) =>
              at >= 0 &&
              at < columns.length - 1 && (
                <LinkButton aria-label={`${title}, further right`} onClick={() => swap(at, 1)}>
                  Right
                </LinkButton>
              ),
          },
        ]}
      />
    </Dialog>
  );
}
