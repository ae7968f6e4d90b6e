import { tombstoneKey } from "@/core/log/log";
import type { AnyRecord, Tombstone } from "@/core/log/records";
import type { IDBPDatabase } from "idb";
import { type LogDatabase, type LogName, type LogHead, headOf, type WriteTransaction, written } from "./database";
import { hasId, monthOf, recordsOf, stored } from "./pages";

/** Journal entries kept for readers that follow, whether or not they are in the pages already. */
const journalCap = 2000;

/** Below so many unfolded entries folding is not worth a write. */
const foldFrom = 40;

/** The lock under which one hand at a time folds. */
export const foldLock = (name: LogName): string => `oat-column-fold-${name}`;

/**
 * Folds the journal into the pages, in one transaction and under a lock, so that of several tabs only one spends the
 * time.
 * @param from fold only when at least so many entries wait
 * @returns how many entries were folded; null when another tab is folding
 */
export async function compactJournal(
  database: IDBPDatabase<LogDatabase>,
  name: LogName,
  from = foldFrom,
): Promise<number | null> {
  return navigator.locks.request(foldLock(name), { ifAvailable: true }, async (lock) => {
    if (lock === null) return null;
    const { sequence, folded } = headOf(await database.get("meta", "standing"));
    if (sequence - folded < from) return 0;
    const transaction = database.transaction(written, "readwrite", { durability: "strict" });
    transaction.done.catch(() => {});
    const standing = headOf(await transaction.objectStore("meta").get("standing"));
    const before = standing.folded;
    await compactWithin(transaction, standing);
    await transaction.objectStore("meta").put(standing, "standing");
    await transaction.done;
    return standing.folded - before;
  });
}

/** The same inside a transaction that does more; the caller writes the standing. */
export async function compactWithin(transaction: WriteTransaction, standing: LogHead): Promise<void> {
  if (standing.folded >= standing.sequence) return;
  const { generation } = standing;
  const pages = transaction.objectStore("pages");
  const open = new Map<
    string,
    { kind: string; month: string; records: Map<string, AnyRecord | Tombstone>; unread: AnyRecord[] }
  >();
  const at = async (kind: string, month: string) => {
    const key = `${kind} ${month}`;
    let held = open.get(key);
    if (held === undefined) {
      const records = recordsOf(await pages.get([generation, kind, month]));
      held = {
        kind,
        month,
        records: new Map(records.filter(hasId).map((record) => [keyIn(kind, record), record])),
        unread: records.filter((record) => !hasId(record)),
      };
      open.set(key, held);
    }
    return held.records;
  };
  const entries = await transaction
    .objectStore("journal")
    .getAll(IDBKeyRange.bound(standing.folded, standing.sequence, true, false));
  for (const { puts, removed } of entries) {
    for (const { kind, id, record, was } of puts) {
      if (was !== undefined) (await at(kind, was)).delete(id);
      (await at(kind, monthOf(kind, record))).set(id, record);
      (await at("removed", "")).delete(tombstoneKey(kind, id));
    }
    for (const { tombstone, month } of removed) {
      (await at(tombstone.kind, month)).delete(tombstone.id);
      (await at("removed", "")).set(tombstoneKey(tombstone.kind, tombstone.id), tombstone);
    }
  }
  for (const { kind, month, records, unread } of open.values()) {
    if (records.size + unread.length === 0) await pages.delete([generation, kind, month]);
    else await pages.put(stored(generation, { kind, month, text: JSON.stringify([...records.values(), ...unread]) }));
  }
  standing.folded = standing.sequence;
  await transaction.objectStore("journal").delete(IDBKeyRange.upperBound(standing.sequence - journalCap));
}

function keyIn(kind: string, record: AnyRecord | Tombstone): string {
  return kind === "removed" ? tombstoneKey((record as Tombstone).kind, record.id) : record.id;
}
