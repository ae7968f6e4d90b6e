import { byWord } from "@/core/base/byWord";
import type { IDBPDatabase } from "idb";
import { from1to2 } from "./1to2";
import { from2to3 } from "./2to3";
import { from3to4 } from "./3to4";
import type { Step } from "./step";

/** The step from each layout that ever shipped, the first one from layout 1. */
export const steps: readonly Step[] = [from1to2, from2to3, from3to4];

/** The layout written now. */
export const layout = steps.length + 1;

/** Stores of the layout, by how their values are found. Layout 1 had two more. */
const stores: Record<string, IDBObjectStoreParameters | undefined> = byWord({
  pages: { keyPath: ["generation", "kind", "month"] },
  journal: { keyPath: "sequence" },
  history: { keyPath: "sequence" },
  meta: undefined,
  saved: { keyPath: "key" },
  photos: { keyPath: "file" },
  places: undefined,
});

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
 * @param shipped the steps there are; given only to try what a next one would do
 * @returns false when it is of a newer layout
 */
export async function bringUp(database: IDBPDatabase<unknown>, shipped = steps): Promise<boolean> {
  const current = shipped.length + 1;
  const marked = (await database.get("meta", "layout")) as number | undefined;
  if (marked !== undefined && marked >= current) return marked === current;
  const names = [...database.objectStoreNames];
  const transaction = database.transaction(names, "readwrite", { durability: "strict" });
  transaction.done.catch(() => {});
  try {
    // Transactions over one store follow one another: another tab may have done it meanwhile.
    const from = await layoutOf(transaction);
    for (const step of shipped.slice(from - 1)) await step(transaction);
    if (from < current) await transaction.objectStore("meta").put(current, "layout");
  } catch (error) {
    transaction.abort();
    throw error;
  }
  await transaction.done;
  return true;
}

/**
 * The layout of what is stored. Before the fourth it was not marked: rows are of the first, and what came then is the
 * same to every step from 2 on.
 */
async function layoutOf(transaction: Parameters<Step>[0]): Promise<number> {
  const marked = (await transaction.objectStore("meta").get("layout")) as number | undefined;
  if (marked !== undefined) return marked;
  const rows = transaction.objectStoreNames.contains("records") ? await transaction.objectStore("records").count() : 0;
  return rows > 0 ? 1 : 2;
}
