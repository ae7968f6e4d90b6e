import type { IDBPDatabase } from "idb";
import { from1to2 } from "./1to2";
import { from2to3 } from "./2to3";
import { from3to4 } from "./3to4";
import type { Step } from "./step";

/** The step from each layout that ever shipped, the first one from layout 1. */
const steps: readonly Step[] = [from1to2, from2to3, from3to4];

/** The layout written now. */
export const layout = steps.length + 1;

/** Stores of the layout, by how their values are found. Layout 1 had two more. */
const stores: Record<string, IDBObjectStoreParameters | undefined> = {
  pages: { keyPath: ["generation", "kind", "month"] },
  journal: { keyPath: "sequence" },
  history: { keyPath: "sequence" },
  meta: undefined,
  saved: { keyPath: "key" },
  photos: { keyPath: "file" },
  places: undefined,
};

/** Makes the stores that are missing. */
export function makeStores(database: IDBPDatabase<unknown>): void {
  for (const [name, options] of Object.entries(stores))
    if (!database.objectStoreNames.contains(name)) database.createObjectStore(name, options);
}

/** Whether every store is there; a browser that was killed while they were made can have forgotten some. */
export function hasStores(database: IDBPDatabase<unknown>): boolean {
  return Object.keys(stores).every((name) => database.objectStoreNames.contains(name));
}

/**
 * Brings what is stored up to the layout written now, of several tabs once.
 * @returns false when it is of a newer layout
 */
export async function bringUp(database: IDBPDatabase<unknown>): Promise<boolean> {
  const marked = (await database.get("meta", "layout")) as number | undefined;
  if (marked !== undefined) return marked <= layout;
  const names = [...database.objectStoreNames];
  const transaction = database.transaction(names, "readwrite", { durability: "strict" });
  transaction.done.catch(() => {});
  try {
    // Transactions over one store follow one another: another tab may have done it meanwhile.
    if ((await transaction.objectStore("meta").get("layout")) === undefined) {
      // Rows are of layout 1; what came after it is the same to every step from 2 on.
      const rows = transaction.objectStoreNames.contains("records")
        ? await transaction.objectStore("records").count()
        : 0;
      for (const step of steps.slice(rows > 0 ? 0 : 1)) await step(transaction);
      await transaction.objectStore("meta").put(layout, "layout");
    }
  } catch (error) {
    transaction.abort();
    throw error;
  }
  await transaction.done;
  return true;
}
