import "@/core/log/withoutEval";
import { expose } from "comlink";
import { deleteDB, type IDBPDatabase } from "idb";
import { databaseName, openDatabase, standingOf, type JournalEntry, type LogDatabase, type LogName, type StoredPhoto } from "../database";
import { sizeOf } from "@/core/log/log";
import { hintChannel, writingLock } from "../hints";
import { layOut, type LaidOut } from "../pages";
import { ample, Copyist, copyLock } from "./copyist";
import { hasRoomIn, NoRoom } from "./folder";
import { OriginFolder } from "./originFolder";
import { readCopy, restore, type CopyReading, type Restored } from "./restore";

/** How a second copy stands: kept, ahead of the database (which has lost something then), or not kept for a reason in words. */
export type CopyOpening = { state: "kept" | "ahead" } | { state: "none"; why: string };

/** A copy as it would be written into the log, and what is told of it. */
export interface CopyLaidOut { laidOut: LaidOut; photos: StoredPhoto[]; told: Restored }

/** Where another hand hears that a snapshot was laid down. */
const settledChannel = (name: LogName): string => `oat-column-copy-${name}`;

/** What a tab may ask of its copyist. One worker serves one tab and one log. */
class CopySession {
  #copyist: Copyist | null = null;
  #settled: BroadcastChannel | null = null;

  /** Opens the copy beside the log's database. */
  async open(name: LogName): Promise<CopyOpening> {
    const root = await OriginFolder.root();
    if (root === null) return { state: "none", why: "this browser has no place for it" };
    const database = await openDatabase(name, () => this.close());
    const copyist = new Copyist(name, root, database);
    const state = await copyist.open();
    this.#copyist = copyist;
    this.#settled = new BroadcastChannel(settledChannel(name));
    this.#settled.onmessage = ({ data }: MessageEvent<number>) => copyist.settle(data);
    return { state };
  }

  /** Whether there is room for a commit of so many bytes. */
  async room(bytes: number): Promise<boolean> {
    return this.#copyist === null || this.#copyist.room(bytes);
  }

  /** Keeps what a commit did; null once it is on the disk, else why it is not. */
  async keep(entry: JournalEntry, standing: { node: string; stamp: string }, photos: readonly StoredPhoto[]): Promise<string | null> {
    if (this.#copyist === null) return "it is not open";
    return this.#told(this.#copyist.keep(entry, standing, photos));
  }

  /** When nothing has been written for a while: writes what is owed, and lays the log down when much has come since. Null, or what stood in the way. */
  async rest(): Promise<string | null> {
    const copyist = this.#copyist;
    if (copyist === null) return null;
    return this.#told(copyist.pay().then(() => (copyist.isLong ? copyist.snapshot() : undefined)).then(() => copyist.fillReserve()));
  }

  /** Bytes that the copy takes. */
  async bytes(): Promise<number> {
    return this.#copyist?.bytes() ?? 0;
  }

  /**
   * Brings the log back from its newest copy, unless the database has it; null when there is no copy.
   * @param anew whether a database that cannot be read is given up for it
   * @throws NoRoom, or what the browser says
   */
  async restore(name: LogName, anew: boolean): Promise<Restored | null> {
    return navigator.locks.request(copyLock(name), async () => {
      const reading = await this.#read(name);
      if (reading === null) return null;
      this.close();
      const bytes = layOut(reading.log).pages.reduce((sum, { text }) => sum + text.length, 0) + reading.photos.reduce((sum, photo) => sum + photo.bytes.byteLength, 0);
      const root = await OriginFolder.root();
      if (root === null || !(await navigator.locks.request(writingLock(name), () => hasRoomIn(root, ample + 3 * bytes)))) throw new NoRoom();
      if (anew) await deleteDB(databaseName(name));
      const database = await openDatabase(name);
      try {
        if (standingOf(await database.get("meta", "standing")).sequence >= reading.sequence) return null;
        return await restored(name, database, reading);
      } finally {
        database.close();
      }
    });
  }

  /** The newest copy laid out for writing, with its photographs; null when there is none. */
  async laidOut(name: LogName): Promise<CopyLaidOut | null> {
    const reading = await this.#read(name);
    if (reading === null) return null;
    const { log, photos, stamp, missing } = reading;
    return { laidOut: layOut(log), photos, told: { records: sizeOf(log), photos: photos.length, stamp, missing } };
  }

  /** The newest copy as an archive: JSON text, or a zip when it speaks of photographs; null when there is none. */
  async archive(name: LogName, exportedAt: string): Promise<string | Uint8Array<ArrayBuffer> | null> {
    const reading = await this.#read(name);
    if (reading === null) return null;
    const { packArchive, writeArchive } = await import("@/formats/archive");
    if (reading.photos.length === 0) return writeArchive(reading.log, exportedAt);
    return packArchive(reading.log, exportedAt, new Map(reading.photos.map(({ file, bytes }) => [file, bytes])));
  }

  close(): void {
    this.#copyist?.close();
    this.#copyist = null;
    this.#settled?.close();
    this.#settled = null;
  }

  async #read(name: LogName): Promise<CopyReading | null> {
    const root = await OriginFolder.root();
    return root === null ? null : readCopy(root, name);
  }

  async #told(work: Promise<unknown>): Promise<string | null> {
    const before = this.#copyist?.settled;
    try {
      await work;
      if (this.#copyist !== null && this.#copyist.settled !== before) this.#settled?.postMessage(this.#copyist.settled);
      return null;
    } catch (error) {
      return error instanceof NoRoom ? error.message : `the browser says: ${error instanceof Error ? error.message : String(error)}`;
    }
  }
}

async function restored(name: LogName, database: IDBPDatabase<LogDatabase>, reading: CopyReading): Promise<Restored> {
  const told = await restore(database, reading);
  const hints = new BroadcastChannel(hintChannel(name));
  hints.postMessage(standingOf(await database.get("meta", "standing")).sequence);
  hints.close();
  return told;
}

export type { CopySession };

expose(new CopySession());
