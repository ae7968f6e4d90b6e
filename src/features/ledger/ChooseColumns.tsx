"use client";

import type { LedgerColumn, LedgerColumnId } from "@/core/ledger/columns";
import { Dialog } from "@/ui/figure/Dialog";

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
      <table>
        <tbody>
          {[...columns, ...hidden].map((id) => {
            const at = columns.indexOf(id);
            const { title, why } = all.get(id)!;
            return (
              <tr key={id}>
                <td>
                  <label>
                    <input
                      type="checkbox"
                      checked={at >= 0}
                      disabled={columns.length === 1 && at === 0}
                      onChange={() => onChange(at >= 0 ? columns.filter((one) => one !== id) : [...columns, id])}
                    />{" "}
                    {title}
                  </label>
                </td>
                <td className="quiet small">{why === null ? "typed in place" : "derived"}</td>
                <td>
                  {at > 0 && (
                    <button
                      type="button"
                      className="link"
                      aria-label={`${title}, further left`}
                      onClick={() => swap(at, -1)}
                    >
                      Left
                    </button>
                  )}
                </td>
                <td>
                  {at >= 0 && at < columns.length - 1 && (
                    <button
                      type="button"
                      className="link"
                      aria-label={`${title}, further right`}
                      onClick={() => swap(at, 1)}
                    >
                      Right
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Dialog>
  );
}
