import type { Log } from "@/core/log/log";
import type { RecordOf } from "@/core/log/records";
import type { IDBPDatabase } from "idb";
import { type HistoryEntry, type LogDatabase, headOf, written } from "./database";

/**
 * Lets go of photographs that nothing speaks of any more: neither the log nor anything that undo or redo could bring
 * back. Does nothing while a replaced log is kept, or when the log in memory is not the one that lies in the database.
 * @param sequence the sequence number at which `log` stands
 * @returns how many were let go
 */
export async function releasePhotos(database: IDBPDatabase<LogDatabase>, log: Log, sequence: number): Promise<number> {
  if ((await database.count("photos")) === 0) return 0;
  const transaction = database.transaction(written, "readwrite", { durability: "strict" });
  const photos = transaction.objectStore("photos");
  const files = await photos.getAllKeys();
  let released = 0;
  if (headOf(await transaction.objectStore("meta").get("standing")).sequence === sequence) {
    const history = await transaction.objectStore("history").getAll();
    const kept = new Set([...[...log.records.photos.values()].map(({ file }) => file), ...history.flatMap(filesOf)]);
    if (history.every((entry) => "patches" in entry)) {
      for (const file of files)
        if (!kept.has(file)) {
          await photos.delete(file);
          released += 1;
        }
    }
  }
  await transaction.done;
  return released;
}

/** Files that an undo or redo of a commit speaks of. */
function filesOf(entry: HistoryEntry): string[] {
  if (!("patches" in entry)) return [];
  return entry.patches
    .filter(({ kind }) => kind === "photos")
    .flatMap(({ fields }) =>
      fields.flatMap(({ before, after }) =>
        [before, after].flatMap((value) =>
          typeof value === "string" ? [value] : ((value as RecordOf<"photos"> | undefined)?.file ?? []),
        ),
      ),
    );
}
