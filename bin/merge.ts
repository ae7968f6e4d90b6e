import { readFileSync, writeFileSync } from "node:fs";
import { applyMerge } from "../src/core/log/merge/apply";
import { mergeLogs } from "../src/core/log/merge/merge";
import { mergeRows } from "../src/core/log/merge/rows";
import { type ArchiveContent, readArchive } from "../src/formats/archive/read";
import { packArchive, writeArchive } from "../src/formats/archive/write";

const usage = "usage: npm run --silent merge -- MINE THEIRS [--write FILE]";

function fail(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(1);
}

const args = process.argv.slice(2);
const at = args.indexOf("--write");
const [, writePath = at < 0 ? null : fail(usage)] = at < 0 ? [] : args.splice(at, 2);
const [minePath, theirsPath, ...rest] = args;
if (minePath === undefined || theirsPath === undefined || rest.length > 0) fail(usage);

function contentOf(path: string): ArchiveContent {
  let bytes: Uint8Array;
  try {
    bytes = readFileSync(path);
  } catch (error) {
    return fail(`${path}: it cannot be read (${(error as NodeJS.ErrnoException).code ?? "unknown reason"})`);
  }
  const reading = readArchive(bytes);
  return reading.ok ? reading : fail(reading.problems.map((one) => `${path}: ${one.path}: ${one.message}`).join("\n"));
}

const [mine, theirs] = [contentOf(minePath), contentOf(theirsPath)];
const differences = mergeLogs(mine.log, theirs.log);
for (const row of mergeRows(differences)) process.stdout.write(`${JSON.stringify(row)}\n`);
if (writePath !== null) {
  applyMerge(mine.log, differences);
  const photos = new Map([...theirs.photos, ...mine.photos]);
  const exportedAt = new Date().toISOString();
  const bytes =
    photos.size > 0
      ? packArchive(mine.log, exportedAt, photos)
      : new TextEncoder().encode(writeArchive(mine.log, exportedAt));
  // What our own reader would refuse is not said to be written.
  const read = readArchive(bytes);
  if (!read.ok) fail(read.problems.map((one) => `${writePath}: ${one.path}: ${one.message}`).join("\n"));
  writeFileSync(writePath, bytes);
}
