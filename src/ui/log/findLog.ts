import { logNames, openDatabase, type LogName } from "@/store/database";
import { keptOf } from "@/store/saved";

/** The log that this tab is for: as its address says, else as it was. A generated log has a number of years. */
function chosenLog(): { name: LogName; years: number } {
  const asked = new URLSearchParams(location.search);
  const name = logNames.find((one) => one === (asked.get("log") ?? sessionStorage.getItem("oat-column-log"))) ?? "own";
  sessionStorage.setItem("oat-column-log", name);
  return { name, years: Math.min(60, Math.max(1, Number(asked.get("years")) || 20)) };
}

interface Found { name: LogName; years: number; discarded: string | null; database: Awaited<ReturnType<typeof openDatabase>>; saved: Map<string, unknown> }

/** When the trainee's own log was last open here. It lies outside the database, so that it outlives one that the browser has thrown away as damaged. */
export const lastOpenKey = "oat-column-last-open";

/** Told when the database had to be closed for a newer layout. */
export const outdated = new EventTarget();

async function findLog(): Promise<Found> {
  const { name, years } = chosenLog();
  const database = await openDatabase(name, () => outdated.dispatchEvent(new Event("outdated")));
  const { written, answers } = await keptOf(database);
  return { name, years, database, saved: answers, discarded: name === "own" && !written ? localStorage.getItem(lastOpenKey) : null };
}

/** Begun as soon as this file is there, before the first drawing: what was saved can then be in it. */
export const found = typeof window === "undefined" ? null : findLog();
found?.catch(() => {});
