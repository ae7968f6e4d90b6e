import type { PlanShare } from "@/core/log/people";
import type { CalendarRead } from "@/formats/calendar/read";
import type { Given } from "@/formats/format";
import type { ReadRecipe } from "@/formats/recipePage/recipes";
import type { LogName } from "@/store/database";
import type { LaidOut } from "@/store/pages";
import { proxy, type Remote, wrap } from "comlink";
import type { ArchiveSession, ImportReading, MendedLog, Readable } from "./archiveWorker";

/** Told how much of a long task is done, from 0 to 1; answers whether to go on. */
export type MayStop = (share: number) => boolean;

/** Without a sign of life for so long, in milliseconds, a file is given up. */
const silentAtMost = 30_000;

/** Reads a file; null when it was stopped. @throws Error that says what went wrong, whatever it was */
export function readArchiveFile(name: LogName, given: Given, onProgress: MayStop): Promise<ImportReading | null> {
  return worked<ImportReading | null>((session, end) => {
    let silence: ReturnType<typeof setTimeout>;
    // An ended worker answers no more: nothing is to be told after that.
    const over = () => {
      clearTimeout(silence);
      clearInterval(stopped);
    };
    const listen = () => {
      clearTimeout(silence);
      silence = setTimeout(() => {
        over();
        end(Promise.reject(new Error("Reading it took too long and was given up. Nothing was changed.")));
      }, silentAtMost);
    };
    // Stopping ends the worker itself, so that it works in the middle of anything.
    const stopped = setInterval(() => {
      if (onProgress(share)) return;
      over();
      end(Promise.resolve(null));
    }, 200);
    listen();
    let share = 0;
    const told = proxy((done: number) => {
      share = done;
      listen();
    });
    return session.read(name, given, told).finally(over);
  });
}

/**
 * The log as an archive, or with a person's id that person's alone; read back before it is given out.
 * @param onMended told in how many places it was mended so that it can be read
 */
export async function writeArchiveFile(
  name: LogName,
  exportedAt: string,
  personId: string | null = null,
  onMended: (places: number) => void = () => {},
): Promise<string | Uint8Array<ArrayBuffer>> {
  const { archive, mended } = await worked<Readable>(
    (session) => session.write(name, exportedAt, personId) as Promise<Readable>,
  );
  if (mended > 0) onMended(mended);
  return archive;
}

/** The plan of a person, and their sessions of some days, as an archive that holds nothing else. */
export function writePlanFile(name: LogName, exportedAt: string, personId: string, share: PlanShare): Promise<string> {
  return worked((session) => session.writePlan(name, exportedAt, personId, share));
}

/** What a person has planned from a day on, as an iCalendar file. */
export function writeCalendarFile(
  name: LogName,
  writtenAt: string,
  asked: { personId: string; today: string; alarmMinutes: number | null },
): Promise<string> {
  return worked((session) => session.writeCalendar(name, writtenAt, asked));
}

/** The events of an iCalendar file from today on, in the civil time of a zone, or what is wrong with it. */
export function readCalendarFile(
  text: string,
  today: string,
  zone: string,
): Promise<CalendarRead | { problem: string }> {
  return inTime((session) => session.readCalendar(text, today, zone) as Promise<CalendarRead | { problem: string }>);
}

/** The recipes of a page that was pasted, or why there are none. */
export function readRecipes(page: string): Promise<ReadRecipe[] | { why: string }> {
  return inTime((session) => session.readRecipes(page) as Promise<ReadRecipe[] | { why: string }>);
}

/** Reads something that somebody else wrote, in a worker that is ended when it takes too long. */
function inTime<T>(read: (session: Remote<ArchiveSession>) => Promise<T>): Promise<T> {
  return worked<T>((session, end) => {
    const slow = setTimeout(
      () => end(Promise.reject(new Error("Reading it took too long and was given up. Nothing was changed."))),
      silentAtMost,
    );
    return read(session).finally(() => clearTimeout(slow));
  });
}

export function writeFiguresFile(name: LogName, on: string): Promise<string> {
  return worked((session) => session.figures(name, on));
}

/** The log as it stands in the database, laid out anew. */
export function laidOutAnew(name: LogName): Promise<LaidOut> {
  return worked((session) => session.layOut(name));
}

/** The log without what cannot be read, with what its second copy has of it, laid out anew. */
export function mendedLog(name: LogName): Promise<MendedLog> {
  return worked((session) => session.mended(name) as Promise<MendedLog>);
}

/** What in the log cannot be read, as JSON. */
export function writeUnreadFile(name: LogName): Promise<string> {
  return worked((session) => session.unread(name));
}

/** A made-up log as it stands on a day: the demo household, or one of so many years. */
export function madeUpLog(today: string, years: number | null): Promise<LaidOut> {
  return worked((session) => session.madeUp(today, years));
}

/**
 * Does something in a worker that is ended when it is done, when it fails in any way, or when `end` gives another
 * outcome.
 */
async function worked<T>(
  ask: (session: Remote<ArchiveSession>, end: (outcome: Promise<T>) => void) => Promise<T>,
): Promise<T> {
  const worker = new Worker(new URL("./archiveWorker.ts", import.meta.url), {
    type: "module",
    name: "oat-column-archive",
  });
  try {
    return await new Promise<T>((resolve, reject) => {
      worker.onerror = (event) =>
        reject(new Error(`It could not be worked on (${event.message || "the worker ended"}). Nothing was changed.`));
      ask(wrap<ArchiveSession>(worker), resolve).then(resolve, reject);
    });
  } finally {
    worker.terminate();
  }
}
