import type { IDBPTransaction } from "idb";

/**
 * Brings what is stored from one layout to the next, inside a transaction over all stores: all of it is done, or the
 * log stays as it was. A step is never edited once it has shipped, and runs no code but its own.
 *
 * It is an ordinary transaction. Chromium was seen to leave half of a transaction that changes the version behind when
 * it was killed in it again and again; that kind only makes the stores.
 */
export type Step = (transaction: IDBPTransaction<unknown, string[], "readwrite">) => Promise<void>;
