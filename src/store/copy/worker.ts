import { messageOf } from "@/core/base/messageOf";
import { expose } from "comlink";
import { deleteDB } from "idb";
import {
  databaseName,
  type JournalEntry,
  type LogName,
  logNames,
  openDatabase,
  headOf,
  type StoredPhoto,
} from "../database";
import { hintChannel, writingLock } from "../hints";
import { type LaidOut, layOut } from "../pages";
import { problemOf } from "../problems";
import { ample, Copyist, copyLock } from "./copyist";
import { hasRoomIn, NoRoom } from "./folder";
import { OriginFolder } from "./originFolder";
import { type CopyReading, readCopy, restore, type Restored, toldOf } from "./restore";

/**
 * How a second copy stands: kept, ahead of the database (which has lost something then), or not kept for a reason in
 * words.
 */
export type CopyOpening = { state: "kept" | "ahead" } | { state: "none"; why: string };

/** A copy as it would be written into the log. */
export interface CopyLaidOut {
  laidOut: LaidOut;
  photos: StoredPhoto[];
}

/** Where another tab or device hears that a snapshot was laid down. */
const settledChannel = (name: LogName): string => `oat-column-copy-${name}`;

/** What a tab may ask of its copyist. One worker serves one tab and one log. */
class CopySession {
  #copyist: Copyist | null = null;
  #settled: BroadcastChannel | null = null;
  /** Logs that are in no file while what the browser keeps is emptied. */
  #held = new Map<LogName, CopyReading>();

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

  /** Lays the reserve, where there is room for it. */
  async fillReserve(): Promise<void> {
    await this.#copyist?.fillReserve();
  }

  /** Whether there is room for a commit of so many bytes. */
  async room(bytes: number): Promise<boolean> {
    return this.#copyist === null || this.#copyist.room(bytes);
  }

  /** Keeps what a commit did; null once it is on the disk, else why it is not. */
  async keep(
    entry: JournalEntry,
    standing: { node: string; stamp: string },
    photos: readonly StoredPhoto[],
  ): Promise<string | null> {
    if (this.#copyist === null) return "it is not open";
    return this.#told(this.#copyist.keep(entry, standing, photos));
  }

  /**
   * When nothing has been written for a while: writes what is owed, and lays the log down when much has come since.
   * Null, or what stood in the way.
   */
  async rest(): Promise<string | null> {
    const copyist = this.#copyist;
    if (copyist === null) return null;
    return this.#told(
      copyist
        .pay()
        .then(() => (copyist.isLong ? copyist.snapshot() : undefined))
        .then(() => copyist.fillReserve()),
    );
  }

  /** Bytes that the copy takes. */
  async bytes(): Promise<number> {
    return this.#copyist?.bytes() ?? 0;
  }

  /**
   * Brings the log back from its newest copy, unless the database has it; null when there is no copy.
   * @throws NoRoom, or what the browser says
   */
  async restore(name: LogName): Promise<Restored | null> {
    return this.#restore(name, () => Promise.resolve());
  }

  /**
   * The same for a database that cannot be read, which is given up; "stuck" when the browser can do neither that nor
   * make a new one.
   */
  async restoreAnew(name: LogName): Promise<Restored | "stuck" | null> {
    try {
      return await this.#restore(name, () => deleteDB(databaseName(name)));
    } catch (error) {
      if (problemOf(error).kind === "damaged") return "stuck";
      throw error;
    }
  }

  /**
   * Where the browser can neither open nor delete a database, all that it keeps for these pages has to go before there
   * can be a new one. The copies of all logs are held in memory meanwhile, and put back; should that fail, it can be
   * tried again as long as this worker lives.
   * @throws NoRoom before anything is emptied, or what the browser says
   */
  async restoreAll(name: LogName): Promise<Restored | null> {
    if (this.#held.size === 0) {
      const readings = await Promise.all(logNames.map(async (one) => [one, await this.#read(one)] as const));
      const held = new Map(readings.flatMap(([one, reading]) => (reading === null ? [] : [[one, reading] as const])));
      if (!held.has(name)) return null;
      this.close();
      await needRoom(name, [...held.values()]);
      const { ok } = await fetch("/empty-storage", { method: "POST" });
      if (!ok) throw new Error("the server did not say that it may be emptied. Nothing was changed");
      this.#held = held;
    }
    for (const [one, reading] of this.#held) {
      await putBack(one, reading);
      // Its copy went with all else, and is laid down again before the memory of it goes.
      await this.open(one);
      await this.#copyist?.snapshot();
      this.close();
    }
    const told = toldOf(this.#held.get(name)!);
    this.#held.clear();
    return told;
  }

  /** The newest copy laid out for writing, with its photographs; null when there is none. */
  async laidOut(name: LogName): Promise<CopyLaidOut | null> {
    const reading = await this.#read(name);
    if (reading === null) return null;
    return { laidOut: layOut(reading.log), photos: reading.photos };
  }

  /** The newest copy as an archive: JSON text, or a zip when it speaks of photographs; null when there is none. */
  async archive(name: LogName, exportedAt: string): Promise<string | Uint8Array<ArrayBuffer> | null> {
    const reading = await this.#read(name);
    if (reading === null) return null;
    const { packArchive, writeArchive } = await import("@/formats/archive/write");
    if (reading.photos.length === 0) return writeArchive(reading.log, exportedAt);
    return packArchive(reading.log, exportedAt, new Map(reading.photos.map(({ file, bytes }) => [file, bytes])));
  }

  close(): void {
    this.#copyist?.close();
    this.#copyist = null;
    this.#settled?.close();
    this.#settled = null;
  }

  async #restore(name: LogName, before: () => Promise<void>): Promise<Restored | null> {
    return navigator.locks.request(copyLock(name), async () => {
      const reading = await this.#read(name);
      if (reading === null) return null;
      this.close();
      await needRoom(name, [reading]);
      await before();
      return putBack(name, reading);
    });
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
      return error instanceof NoRoom ? error.message : `the browser says: ${messageOf(error)}`;
    }
  }
}

/** @throws NoRoom where not all of that could be written, and more besides */
async function needRoom(name: LogName, readings: readonly CopyReading[]): Promise<void> {
  let bytes = 0;
  for (const { log, photos } of readings) {
    for (const { text } of layOut(log).pages) bytes += text.length;
    for (const photo of photos) bytes += photo.bytes.byteLength;
  }
  const root = await OriginFolder.root();
  if (root === null || !(await navigator.locks.request(writingLock(name), () => hasRoomIn(root, ample + 3 * bytes))))
    throw new NoRoom();
}

/** Puts a log that was read from its copy in its database, unless that holds as much; tells the tabs that follow. */
async function putBack(name: LogName, reading: CopyReading): Promise<Restored | null> {
  const database = await openDatabase(name);
  try {
    if (headOf(await database.get("meta", "standing")).sequence >= reading.sequence) return null;
    const told = await restore(database, reading);
    const hints = new BroadcastChannel(hintChannel(name));
    hints.postMessage(headOf(await database.get("meta", "standing")).sequence);
    hints.close();
    return told;
  } finally {
    database.close();
  }
}

export type { CopySession };

expose(new CopySession());
