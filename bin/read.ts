import { readFileSync, writeFileSync } from "node:fs";
import { v7 as newId } from "uuid";
import { dateOf, dayOf } from "../src/core/base/calendar/day";
import { AsOf } from "../src/core/log/asOf";
import type { Person } from "../src/core/log/kinds/people";
import { emptyLog, type Log, putRecord } from "../src/core/log/log";
import type { AnyRecord, Change, RecordKind } from "../src/core/log/records";
import { nextStamp } from "../src/core/log/stamp";
import { starterFoods } from "../src/core/nutrition/starterFoods";
import { entryView } from "../src/core/quickEntry/entryView";
import { readLines } from "../src/core/quickEntry/readLines";
import { starterExercisesIn } from "../src/core/strength/starterExercises";
import { readArchive } from "../src/formats/archive/read";
import { writeArchive } from "../src/formats/archive/write";

const usage =
  "usage: npm run --silent read -- FILE [--on YYYY-MM-DD] [--archive FILE] [--units lb,mi] [--person NAME] [--write FILE]";

function fail(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(1);
}

const args = process.argv.slice(2);
function option(name: string): string | null {
  const at = args.indexOf(name);
  return at < 0 ? null : (args.splice(at, 2)[1] ?? fail(usage));
}
const [onText, archivePath, unitsText, personName, writePath] = [
  "--on",
  "--archive",
  "--units",
  "--person",
  "--write",
].map(option) as [string | null, string | null, string | null, string | null, string | null];
const [file, ...rest] = args;
if (file === undefined || rest.length > 0) fail(usage);

function bytesOf(path: string): Uint8Array {
  try {
    return readFileSync(path);
  } catch (error) {
    return fail(`${path}: it cannot be read (${(error as NodeJS.ErrnoException).code ?? "unknown reason"})`);
  }
}

/** What is read of an archive, or a log of one person with the exercises and foods that every log begins with. */
function logOf(units: NonNullable<Person["units"]>): Log {
  if (archivePath !== null) {
    const reading = readArchive(bytesOf(archivePath));
    return reading.ok
      ? reading.log
      : fail(reading.problems.map(({ path, message }) => `${path}: ${message}`).join("\n"));
  }
  const log = emptyLog();
  write(log, [
    { kind: "people", put: { id: newId(), name: "Trainee", units } },
    ...starterExercisesIn(units.mass ?? "kg").map((exercise) => ({ kind: "exercises" as const, put: exercise })),
    ...starterFoods.map((food) => ({ kind: "foods" as const, put: food })),
  ]);
  return log;
}

let stamp = "";
function write(log: Log, change: Change): void {
  for (const step of change) {
    if (!("put" in step)) continue;
    stamp = nextStamp([stamp], Date.now(), "read");
    const held = log.records[step.kind].get(step.put.id) as { revision?: number | null } | undefined;
    putRecord(
      log,
      step.kind as RecordKind,
      { ...step.put, revision: (held?.revision ?? 0) + 1, changed: stamp } as AnyRecord,
    );
  }
}

const units: NonNullable<Person["units"]> = {};
for (const unit of unitsText === null ? [] : unitsText.split(",").map((one) => one.trim().toLowerCase())) {
  if (unit === "kg" || unit === "lb") units.mass = unit;
  else if (unit === "km" || unit === "mi") units.distance = unit;
  else if (unit === "kcal" || unit === "kj") units.energy = unit === "kj" ? "kJ" : "kcal";
  else fail(`--units: "${unit}" is none of kg, lb, km, mi, kcal, kJ`);
}
const log = logOf(units);
const people = [...log.records.people.values()];
const person =
  personName === null ? people[0] : people.find(({ id, name }) => id === personName || name === personName);
if (person === undefined)
  fail(personName === null ? "the archive holds nobody" : `--person: nobody in the archive is called "${personName}"`);
if (unitsText !== null && archivePath !== null)
  putRecord(log, "people", { ...person, units: { ...person.units, ...units } });
const now = new Date();
const on =
  dayOf(
    onText ??
      `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, "0")}-${String(now.getDate()).padStart(2, "0")}`,
  ) ?? fail(`--on: "${onText}" is not a date written YYYY-MM-DD`);

const text = new TextDecoder().decode(bytesOf(file)).replace(/^\uFEFF/, "");
const lines = text.replace(/\r?\n$/, "").split(/\r?\n/);
const asOf = new AsOf(log, person.id, on);
/** Of each that lines name one, so that what it has worked out is kept from line to line. */
const others = new Map(people.map(({ id }) => [id, id === person.id ? asOf : new AsOf(log, id, on)]));
const left: { number: number; line: string; why: string }[] = [];
let number = 0;
for (const read of readLines(
  lines,
  on,
  null,
  (line, day) => entryView(asOf, line, day, null, newId, (id) => others.get(id) ?? null),
  (change) => {
    if (writePath !== null) write(log, change);
  },
)) {
  number += 1;
  process.stdout.write(`${JSON.stringify(read)}\n`);
  if (read.as !== "written" && read.line.trim() !== "") left.push({ number, line: read.line, why: read.question });
}
if (writePath !== null) {
  try {
    writeFileSync(writePath, writeArchive(log, now.toISOString()));
  } catch (error) {
    fail(`${writePath}: it cannot be written (${(error as NodeJS.ErrnoException).code ?? "unknown reason"})`);
  }
  process.stderr.write(
    `${number - left.length} of ${number} lines are in ${writePath}, as of ${dateOf(on)}.${left.length > 0 ? ` Not read:\n${left.map((one) => `${one.number}: ${one.line}\n   ${one.why}`).join("\n")}` : ""}\n`,
  );
}
