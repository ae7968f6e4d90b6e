import type { IDBPDatabase, IDBPTransaction } from "idb";
import { emptyLog, putRecord, removeRecord } from "@/core/log/log";
import type { AnyRecord, RecordKind, Tombstone } from "@/core/log/records";
import type { HistoryEntry, LogDatabase, Standing, StoreName } from "./database";
import { layOut, stored } from "./pages";

/** Layout 1 kept a row for every record and whole logs in the history. */
interface OldRow { kind: RecordKind; record: AnyRecord }
interface OldSnapshot { rows: OldRow[]; removed: Tombstone[]; extra: Record<string, unknown> }
type OldHistory = { sequence: number; label: string } & ({ patches: Extract<HistoryEntry, { patches: unknown }>["patches"] } | { before: OldSnapshot });

/** Turns layout 1 into pages, inside the transaction that changes the layout: all of it is done, or the log stays as it was. */
export async function upgradeFromRows(database: IDBPDatabase<LogDatabase>, transaction: IDBPTransaction<LogDatabase, (StoreName | "saved")[], "versionchange">): Promise<void> {
  const old = transaction as unknown as IDBPTransaction<unknown, string[], "versionchange">;
  const [rows, removed, history, standing] = (await Promise.all([old.objectStore("records").getAll(), old.objectStore("removed").getAll(), old.objectStore("history").getAll(), old.objectStore("meta").get("standing")])) as [OldRow[], Tombstone[], OldHistory[], Omit<Standing, "generation" | "folded"> | undefined];
  const pages = transaction.objectStore("pages");
  const write = async (generation: number, snapshot: OldSnapshot) => {
    const log = emptyLog(snapshot.extra);
    for (const tombstone of snapshot.removed) removeRecord(log, tombstone);
    for (const { kind, record } of snapshot.rows) putRecord(log, kind, record);
    for (const one of layOut(log).pages) await pages.put(stored(generation, one));
  };
  let generation = 0;
  await write(generation, { rows, removed, extra: {} });
  for (const entry of history) {
    if (!("before" in entry)) continue;
    generation += 1;
    await write(generation, entry.before);
    await transaction.objectStore("history").put({ sequence: entry.sequence, label: entry.label, generation, extra: entry.before.extra });
  }
  await transaction.objectStore("journal").clear();
  if (standing !== undefined) await transaction.objectStore("meta").put({ ...standing, generation: 0, folded: standing.sequence }, "standing");
  for (const name of ["records", "removed"]) (database as unknown as IDBPDatabase).deleteObjectStore(name);
}
