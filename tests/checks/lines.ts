import { readFileSync } from "node:fs";
import { mustDay } from "../../src/core/base/calendar/day";
import { AsOf } from "../../src/core/log/asOf";
import { emptyLog, putRecord } from "../../src/core/log/log";
import { starterFoods } from "../../src/core/nutrition/starterFoods";
import type { ParsedEntry } from "../../src/core/entry/parsedEntry";
import { entryContext } from "../../src/core/quickEntry/entryView";
import { readEntry } from "../../src/core/quickEntry/read";
import { lineRead, type LineRead } from "../../src/core/quickEntry/readLines";
import { starterExercisesIn } from "../../src/core/strength/starterExercises";
import { spoken } from "./lineCorpus";

/**
 * Lines as people type them, with their right readings: put down by hand from how the trade writes (common practice, no
 * source), each reading judged by eye. `?` stands where a line has several readings or none: it must not be written.
 * `ordinary` lines say one thing plainly.
 */
export const rows = readFileSync(new URL("./lines.tsv", import.meta.url), "utf8")
  .trim()
  .split("\n")
  .slice(1)
  .map((row) => {
    const [sort, how, units, day, right, line] = row.split("\t") as [string, string, string, string, string, string];
    return { sort, how, units, day, right, line };
  });

/** Further lines, of which only is held what is shown of them. */
export const more = readFileSync(new URL("./lines.more.txt", import.meta.url), "utf8")
  .trim()
  .split("\n")
  .map((line) => ({ units: "kg", line }));

const today = mustDay("2026-11-27");
function readerIn(mass: "kg" | "lb"): (line: string) => ParsedEntry {
  const log = emptyLog();
  putRecord(log, "people", { id: "p", name: "P", units: mass === "lb" ? { mass, distance: "mi" } : {} });
  for (const exercise of starterExercisesIn(mass)) putRecord(log, "exercises", exercise);
  for (const food of starterFoods) putRecord(log, "foods", food);
  let next = 0;
  const context = entryContext(new AsOf(log, "p", today), today, null, () => `n${next++}`);
  return (line) => readEntry(line, context);
}
const entries = { kg: readerIn("kg"), lb: readerIn("lb") };
/** All that is understood of a line. */
export const entry = ({ units, line }: { units: string; line: string }) => entries[units as "kg" | "lb"](line);
/** What is read of a line, in one way or none. */
export const read = (row: { units: string; line: string }) => lineRead(row.line, entry(row));
/** What was read, as the right readings are written. */
export const said = (one: LineRead) => `${one.day.slice(5)} ${spoken(one)}`;
