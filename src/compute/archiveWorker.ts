import { mustDay } from "@/core/base/calendar/day";
import type { Steps } from "@/core/base/chunked";
import { contract } from "@/core/contract";
import { recordKinds } from "@/core/log/kinds/all";
import { type Log, putRecord } from "@/core/log/log";
import { mend } from "@/core/log/mend";
import { type MergeLine, mergeLines } from "@/core/log/merge/lines";
import { mergeLogs } from "@/core/log/merge/merge";
import { onlyOf } from "@/core/log/people";
import type { ChangeStep, RecordKind } from "@/core/log/records";
import "@/core/log/withoutEval";
import { decadesLog } from "@/demo/decades";
import { demoLog } from "@/demo/demoLog";
import { packArchive, type Problem, readingArchive, writeArchive } from "@/formats/archive";
import { OriginFolder } from "@/store/copy/originFolder";
import { readCopy } from "@/store/copy/restore";
import { type LogName, openDatabase, type StoredPhoto } from "@/store/database";
import { type LaidOut, layOut } from "@/store/pages";
import { photoFile } from "@/store/photos";
import { readLog } from "@/store/reader";
import { expose, type ProxyMarked } from "comlink";

/** Told how much of a long task is done, from 0 to 1. */
type Told = ((share: number) => void) & ProxyMarked;

/**
 * What merging an archive into the log would write, with each difference in words. `lines` is null when there are too many to be looked
 * through; `related` says whether the two speak of the same people.
 */
export interface Merge {
  steps: ChangeStep[];
  lines: MergeLine[] | null;
  count: number;
  related: boolean;
}

/** An archive read and laid out, or what is wrong with it. `healed`: stamps that were none and were left out. */
export type ImportReading =
  | {
      laidOut: LaidOut;
      counts: Record<RecordKind, number>;
      photos: StoredPhoto[];
      missing: number;
      healed: number;
      merge: Merge;
    }
  | { problems: Problem[] };

/** A log that was mended, laid out anew: records that came from its second copy, and how much was taken out. */
export interface MendedLog {
  laidOut: LaidOut;
  brought: number;
  out: number;
}

/** Beyond so many differences two logs are not copies of one. */
const differencesAtMost = 20_000;

/**
 * What goes through a whole log or a whole file at once, in a worker of its own that is ended afterwards, or before: nothing that lies in a
 * file can hold up what the trainee sees, and whatever room it took is given back.
 */
class ArchiveSession {
  /** Checks an archive's bytes and lays its log out for writing, or says what is wrong and where. */
  async read(name: LogName, bytes: Uint8Array, told: Told): Promise<ImportReading> {
    const reading = await inSteps(readingArchive(bytes), told);
    if (!reading.ok) return { problems: reading.problems };
    const { photos, missing } = await namedByContent(reading.log, reading.photos);
    const counts = Object.fromEntries(recordKinds.map((kind) => [kind, reading.log.records[kind].size])) as Record<
      RecordKind,
      number
    >;
    return {
      laidOut: layOut(reading.log),
      counts,
      photos,
      missing,
      healed: reading.healed,
      merge: mergeOf(await logOf(name), reading.log),
    };
  }

  /** The whole log as an archive, or one person's alone: JSON text, or a zip when it speaks of photographs. */
  async write(
    name: LogName,
    exportedAt: string,
    personId: string | null = null,
  ): Promise<string | Uint8Array<ArrayBuffer>> {
    const database = await openDatabase(name);
    try {
      const { log: whole } = await readLog(database);
      const log = personId === null ? whole : onlyOf(whole, personId);
      if (log.records.photos.size === 0) return writeArchive(log, exportedAt);
      const photos = new Map<string, Uint8Array>();
      for (const file of [...new Set([...log.records.photos.values()].map((photo) => photo.file))].sort()) {
        const kept = await database.get("photos", file);
        if (kept !== undefined) photos.set(file, kept.bytes);
      }
      return packArchive(log, exportedAt, photos);
    } finally {
      database.close();
    }
  }

  /** What the headless figures command prints for this log. */
  async figures(name: LogName, on: string): Promise<string> {
    return `${JSON.stringify(contract(await logOf(name), mustDay(on)), null, 2)}\n`;
  }

  /** The log as it stands, laid out anew. */
  async layOut(name: LogName): Promise<LaidOut> {
    return layOut(await logOf(name));
  }

  /** The log without what cannot be read, with what its second copy has of it, laid out anew. */
  async mended(name: LogName): Promise<MendedLog> {
    const log = await logOf(name);
    const root = await OriginFolder.root(false).catch(() => null);
    const { brought, out } = mend(log, root === null ? null : ((await readCopy(root, name))?.log ?? null));
    return { laidOut: layOut(log), brought, out: out.length };
  }

  /** What in the log cannot be read, as JSON. */
  async unread(name: LogName): Promise<string> {
    return `${JSON.stringify((await logOf(name)).unread, null, 2)}\n`;
  }

  /** A made-up log as it stands on a day: the demo household, or one of so many years. */
  madeUp(today: string, years: number | null): LaidOut {
    return layOut(years === null ? demoLog(mustDay(today)) : decadesLog(mustDay(today), years));
  }
}

async function logOf(name: LogName): Promise<Log> {
  const database = await openDatabase(name);
  try {
    return (await readLog(database)).log;
  } finally {
    database.close();
  }
}

async function inSteps<T>(steps: Steps<T>, told: Told): Promise<T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    await told(step.value);
  }
}

function mergeOf(ours: Log, theirs: Log): Merge {
  const differences = mergeLogs(ours, theirs);
  const related = [...theirs.records.people.keys()].some((id) => ours.records.people.has(id));
  const within = differences.length <= differencesAtMost;
  return {
    steps: within ? differences.map(({ step }) => step) : [],
    lines: within ? mergeLines(ours, theirs, differences) : null,
    count: differences.length,
    related,
  };
}

/** Gives each photograph that a log speaks of the name of its content, as it is kept under; `missing` counts those the archive does not hold. */
async function namedByContent(
  log: Log,
  found: ReadonlyMap<string, Uint8Array>,
): Promise<{ photos: StoredPhoto[]; missing: number }> {
  const photos = new Map<string, StoredPhoto>();
  let missing = 0;
  for (const photo of [...log.records.photos.values()]) {
    const bytes = found.get(photo.file);
    if (bytes === undefined) {
      missing += 1;
      continue;
    }
    const file = await photoFile(bytes);
    photos.set(file, { file, bytes: bytes.slice() });
    if (file !== photo.file) putRecord(log, "photos", { ...photo, file });
  }
  return { photos: [...photos.values()], missing };
}

export type { ArchiveSession };

expose(new ArchiveSession());
