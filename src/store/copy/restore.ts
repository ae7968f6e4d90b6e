import { emptyLog, type Log, sizeOf } from "@/core/log/log";
import type { IDBPDatabase } from "idb";
import { type LogDatabase, type LogName, headOf, type StoredPhoto, written } from "../database";
import { type LaidOut, layOut, readPage, stored } from "../pages";
import { follow, ofGeneration } from "../reader";
import { entriesBehind, headsOf, photoFolder } from "./copyist";
import type { CopyFolder } from "./folder";
import type { CopyEntry } from "./frames";
import { linesIn } from "./snapshot";

/** A second copy as it was read. */
export interface CopyReading {
  /** The database it is the copy of, by its name in stamps. */
  node: string;
  log: Log;
  /** The last commit that it holds, and the stamp given last. */
  sequence: number;
  stamp: string;
  /** Commits before that which it does not hold. */
  missing: number;
  photos: StoredPhoto[];
}

/** What is told of a log that was brought back. */
export interface Restored {
  records: number;
  stamp: string;
  missing: number;
  photos: number;
}

/** Reads the newest of a log's copies; null when there is none that holds anything. */
export async function readCopy(root: CopyFolder, name: LogName): Promise<CopyReading | null> {
  if (!(await root.folders()).includes(name)) return null;
  const copies = await root.folder(name);
  let newest: CopyReading | null = null;
  for (const node of await copies.folders()) {
    const reading = await readOne(await copies.folder(node), node);
    if (reading !== null && (newest === null || reading.stamp > newest.stamp)) newest = reading;
  }
  return newest;
}

async function readOne(folder: CopyFolder, node: string): Promise<CopyReading | null> {
  const heads = await headsOf(folder);
  const { log, sequence: from, stamp: stampThen } = await readBase(heads);
  const entries = await entriesBehind(folder, from);
  // What stands behind a log that was replaced is of another log, unless that one was laid down.
  const end = entries.findIndex(({ replaced }) => replaced === true);
  const usable = end < 0 ? entries : entries.slice(0, end);
  for (const entry of usable) follow(log, entry);
  const sequence = usable.at(-1)?.sequence ?? from;
  if (sequence === 0) return null;
  const stamp = usable.reduce((latest, entry) => (entry.stamp > latest ? entry.stamp : latest), stampThen);
  const known = Math.max(heads[0]?.head.sequence ?? 0, entries.at(-1)?.sequence ?? 0, sequence);
  return { node, log, sequence, stamp, missing: known - from - usable.length, photos: await photosIn(folder) };
}

/** The log as the better snapshot holds it; where that is damaged, as the other one does; else an empty one. */
async function readBase(
  heads: Awaited<ReturnType<typeof headsOf>>,
): Promise<{ log: Log; sequence: number; stamp: string }> {
  for (const { file, head } of heads) {
    try {
      return { log: await logIn(linesIn(file, head)), sequence: head.sequence, stamp: head.stamp };
    } catch {
      // The other one is looked at; what it lacks is counted as missing.
    }
  }
  return { log: emptyLog(), sequence: 0, stamp: "" };
}

async function logIn(lines: ReturnType<typeof linesIn>): Promise<Log> {
  let log = emptyLog();
  const entries: CopyEntry[] = [];
  for await (const line of lines) {
    if ("extra" in line) log = emptyLog(line.extra);
    else if ("entry" in line) entries.push(line.entry);
    else if ("kind" in line) readPage(log, { schema: 1, ...line, generation: 0 }, new Map());
  }
  for (const entry of entries) follow(log, entry);
  return log;
}

async function photosIn(folder: CopyFolder): Promise<StoredPhoto[]> {
  if (!(await folder.folders()).includes(photoFolder)) return [];
  const photos = await folder.folder(photoFolder);
  return Promise.all(
    (await photos.files()).map(async (file) => ({
      file,
      bytes: new Uint8Array(await (await photos.read(file))!.arrayBuffer()),
    })),
  );
}

/**
 * Puts a log read from its copy in force, in one transaction: what was in the database is replaced, and its name and
 * clock go on.
 */
export async function restore(database: IDBPDatabase<LogDatabase>, reading: CopyReading): Promise<Restored> {
  const laidOut: LaidOut = layOut(reading.log);
  const transaction = database.transaction(written, "readwrite", { durability: "strict" });
  transaction.done.catch(() => {});
  const standing = headOf(await transaction.objectStore("meta").get("standing"), reading.node);
  const sequence = Math.max(standing.sequence, reading.sequence) + 1;
  const pages = transaction.objectStore("pages");
  await pages.delete(ofGeneration(standing.generation));
  for (const page of laidOut.pages) void pages.put(stored(sequence, page));
  for (const photo of reading.photos) void transaction.objectStore("photos").put(photo);
  void transaction.objectStore("journal").put({ sequence, puts: [], removed: [], replaced: true });
  void transaction.objectStore("meta").put(
    {
      ...standing,
      sequence,
      node: reading.node,
      stamp: reading.stamp,
      extra: laidOut.extra,
      generation: sequence,
      folded: sequence,
    },
    "standing",
  );
  await transaction.done;
  return toldOf(reading);
}

/** What is told of a copy that takes the log's place. */
export function toldOf({ log, stamp, missing, photos }: CopyReading): Restored {
  return { records: sizeOf(log), stamp, missing, photos: photos.length };
}
