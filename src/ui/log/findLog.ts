import { messageOf } from "@/core/base/messageOf";
import { OriginFolder } from "@/store/copy/originFolder";
import type { Restored } from "@/store/copy/restore";
import { type ClosedBy, type LogName, logNames, openDatabase } from "@/store/database";
import { StoreProblem } from "@/store/problems";
import { keptOf } from "@/store/saved";

/** The log that this tab is for: as its address says, else as it was. A generated log has a number of years. */
function chosenLog(): { name: LogName; years: number } {
  const asked = new URLSearchParams(location.search);
  const name = logNames.find((one) => one === (asked.get("log") ?? sessionStorage.getItem("oat-column-log"))) ?? "own";
  sessionStorage.setItem("oat-column-log", name);
  return { name, years: Math.min(60, Math.max(1, Number(asked.get("years")) || 20)) };
}

/** The name of that log, also where the browser forbids to ask. */
export function chosenName(): LogName {
  try {
    return chosenLog().name;
  } catch {
    return "own";
  }
}

export interface FoundLog {
  name: LogName;
  years: number;
  /** The day on which this browser last had the log open, when it has lost it since and no copy is left. */
  discarded: string | null;
  /** What was brought back from the second copy, when the browser had lost the log. */
  restored: Restored | null;
  database: Awaited<ReturnType<typeof openDatabase>>;
  saved: Map<string, unknown>;
}

/**
 * When the trainee's own log was last open here. It lies outside the database, so that it outlives one that the browser
 * has thrown away as damaged.
 */
export const lastOpenKey = "oat-column-last-open";

/** Told, as an event of the reason's name, when the database was closed from outside. */
export const closedFromOutside = new EventTarget();

async function findLog(): Promise<FoundLog> {
  const { name, years } = chosenLog();
  // Begun by the page's first script (public/mode.js): on a full disk there must be room before the database is opened.
  await (window as { oatColumnReady?: Promise<void> }).oatColumnReady;
  const open = () => openDatabase(name, (by: ClosedBy) => closedFromOutside.dispatchEvent(new Event(by)));
  let database = await open();
  let kept = await keptOf(database);
  let restored: Restored | null = null;
  if (!kept.written && (await OriginFolder.holds(name))) {
    database.close();
    restored = await bringBack(name);
    database = await open();
    kept = await keptOf(database);
  }
  return {
    name,
    years,
    database,
    restored,
    saved: kept.answers,
    discarded: name === "own" && !kept.written ? localStorage.getItem(lastOpenKey) : null,
  };
}

async function bringBack(name: LogName): Promise<Restored | null> {
  const { CopyClient } = await import("@/store/copy/client");
  const copy = CopyClient.lookingAt(name);
  try {
    return await copy.restore();
  } catch (error) {
    throw new StoreProblem("lost", messageOf(error));
  } finally {
    copy.end();
  }
}

/** Begun as soon as this file is there, before the first drawing: what was saved can then be in it. */
export const found = typeof window === "undefined" ? null : findLog();
found?.catch(() => {});
