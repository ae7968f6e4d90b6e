import type { IDBPDatabase } from "idb";
import type { LogDatabase } from "./database";

/**
 * Pieces stay below the size from which a browser keeps a value in a file of its own; together they are more than it
 * collects before it begins a new file.
 */
const pieces = 100;
const pieceBytes = 48_000;

/**
 * Makes the browser begin a new file for what it writes next. Chromium appends what is written to a file that it goes
 * on using after a restart. When it was killed in the middle of a large write, the file ends in half an entry; what is
 * written behind that reads well until the browser starts once more, when it takes the whole database for damaged and
 * throws it away. A few megabytes that cannot be compressed, written and removed, make it lay down what it has and take
 * a new file. (Observed with Chromium 156; tests/browser/foundations.test.ts tears such a file.)
 */
export async function rewriteDatabaseFile(database: IDBPDatabase<LogDatabase>): Promise<void> {
  const write = database.transaction("saved", "readwrite", { durability: "relaxed" });
  write.done.catch(() => {});
  for (let index = 0; index < pieces; index++)
    void write.store.put({
      key: keyOf(index),
      sequence: -1,
      core: "",
      answer: crypto.getRandomValues(new Uint8Array(pieceBytes)),
    });
  await write.done;
  const remove = database.transaction("saved", "readwrite", { durability: "relaxed" });
  remove.done.catch(() => {});
  void remove.store.delete(IDBKeyRange.bound(keyOf(0), keyOf(pieces - 1)));
  await remove.done;
}

function keyOf(index: number): string {
  return `settle ${String(index).padStart(3, "0")}`;
}
