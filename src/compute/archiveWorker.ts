import { mustDay } from "@/core/base/calendar/day";
import type { OnProgress } from "@/core/base/chunked";
import { contract } from "@/core/contract";
import { checkLog } from "@/core/log/check";
import { copyOf } from "@/core/log/copy";
import { type Log, putRecord } from "@/core/log/log";
import { mend } from "@/core/log/mend";
import { AsOf } from "@/core/log/asOf";
import { calendarDays } from "@/core/planning/classes";
import { onlyOf, planOf, type PlanShare } from "@/core/log/people";
import { decadesLog } from "@/demo/decades";
import { demoLog } from "@/demo/demoLog";
import { archive } from "@/formats/archive/archive";
import { readArchive } from "@/formats/archive/read";
import { daysAhead, readCalendar } from "@/formats/calendar/read";
import { writeCalendar } from "@/formats/calendar/write";
import type { Given, Problem } from "@/formats/format";
import { type Preview, previewImport } from "@/formats/importing/importing";
import { recipesOfPage } from "@/formats/recipePage/recipes";
import { OriginFolder } from "@/store/copy/originFolder";
import { readCopy } from "@/store/copy/restore";
import { type LogName, openDatabase } from "@/store/database";
import { type LaidOut, layOut } from "@/store/pages";
import { readLog } from "@/store/reader";
import { expose, type ProxyMarked } from "comlink";

/** A file read and laid out for writing, with what taking it would do; or what is wrong with it. */
export type ImportReading = (Omit<Preview, "log"> & { laidOut: LaidOut }) | { problems: Problem[] };

/** A log that was mended, laid out anew: records that came from its second copy, and how much was taken out. */
export interface MendedLog {
  laidOut: LaidOut;
  brought: number;
  out: number;
}

/** An archive that our own reader takes, and in how many places it was mended for that. */
export interface Readable {
  archive: string | Uint8Array<ArrayBuffer>;
  mended: number;
}

/**
 * What goes through a whole log or a whole file at once, in a worker of its own that is ended afterwards, or before:
 * nothing that lies in a file can hold up what the trainee sees, and whatever room it took is given back.
 */
class ArchiveSession {
  /** Checks a file and lays its log out for writing, or says what is wrong and where. */
  async read(name: LogName, given: Given, onProgress: OnProgress & ProxyMarked): Promise<ImportReading> {
    const found = await previewImport(given, () => logOf(name), onProgress);
    if ("problems" in found) return found;
    const { log, ...preview } = found;
    return { laidOut: layOut(log), ...preview };
  }

  /** The whole log as an archive, or one person's alone: JSON text, or a zip when it speaks of photographs. */
  async write(name: LogName, exportedAt: string, personId: string | null = null): Promise<Readable> {
    const database = await openDatabase(name);
    try {
      const { log: whole } = await readLog(database);
      const log = personId === null ? whole : onlyOf(whole, personId);
      const photos = new Map<string, Uint8Array>();
      for (const file of [...new Set([...log.records.photos.values()].map((photo) => photo.file))].sort()) {
        const kept = await database.get("photos", file);
        if (kept !== undefined) photos.set(file, kept.bytes);
      }
      return readableArchive(log, exportedAt, photos);
    } finally {
      database.close();
    }
  }

  /** The plan of a person, and their sessions of some days, as an archive that holds nothing else. */
  async writePlan(name: LogName, exportedAt: string, personId: string, share: PlanShare): Promise<string> {
    return readableArchive(planOf(await logOf(name), personId, share), exportedAt, new Map()).archive as string;
  }

  /** What a person has planned from a day on, as an iCalendar file. */
  async writeCalendar(
    name: LogName,
    writtenAt: string,
    { personId, today, alarmMinutes }: { personId: string; today: string; alarmMinutes: number | null },
  ): Promise<string> {
    return writeCalendar(new AsOf(await logOf(name), personId, mustDay(today)), writtenAt, alarmMinutes);
  }

  /** The events of an iCalendar file from today on, in the civil time of a zone, or what is wrong with it. */
  readCalendar(text: string, today: string, zone: string): ReturnType<typeof readCalendar> {
    return readCalendar(text, { ...daysAhead(mustDay(today), calendarDays), zone });
  }

  /** The recipes of a page that was pasted, or why there are none. */
  readRecipes(page: string): ReturnType<typeof recipesOfPage> {
    return recipesOfPage(page);
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

/**
 * An archive that our own reader takes: it is read back before it is handed out. What would be refused (something that
 * points to what is not there) is mended in the file as Files would mend it in the log.
 * @throws Error that names the place, where it cannot be mended
 */
function readableArchive(log: Log, exportedAt: string, photos: ReadonlyMap<string, Uint8Array>): Readable {
  const written = archive.write!(log, exportedAt, photos) as string | Uint8Array<ArrayBuffer>;
  if (problemOf(written) === null) return { archive: written, mended: 0 };
  const whole = copyOf(log);
  const repairs = checkLog(whole).flatMap(({ repair }) => (repair === null ? [] : [repair]));
  for (const repair of repairs) for (const step of repair) if ("put" in step) putRecord(whole, step.kind, step.put);
  const mended = archive.write!(whole, exportedAt, photos) as string | Uint8Array<ArrayBuffer>;
  const problem = problemOf(mended);
  if (problem !== null)
    throw new Error(`The archive could not be read back (${problem}). Files › Check the log says what is wrong.`);
  return { archive: mended, mended: repairs.length };
}

/** Why our own reader would not take an archive; null when it does. */
function problemOf(written: string | Uint8Array): string | null {
  const reading = readArchive(typeof written === "string" ? new TextEncoder().encode(written) : written);
  return reading.ok ? null : reading.problems.map(({ path, message }) => `${path}: ${message}`).join("; ");
}

async function logOf(name: LogName): Promise<Log> {
  const database = await openDatabase(name);
  try {
    return (await readLog(database)).log;
  } finally {
    database.close();
  }
}

export type { ArchiveSession };

expose(new ArchiveSession());
