import { type OnProgress, runInSteps } from "@/core/base/chunked";
import { recordKinds } from "@/core/log/kinds/all";
import { type Log, putRecord } from "@/core/log/log";
import { type MergeLine, mergeLines } from "@/core/log/merge/lines";
import { type Difference, mergeLogs } from "@/core/log/merge/merge";
import type { RecordKind } from "@/core/log/records";
import { formatOf, formats } from "../all";
import type { Given, Problem } from "../format";
import { photoFile } from "./photoFile";

/** A picture as it is kept: under the name of its content. */
export interface NamedPhoto {
  file: string;
  bytes: Uint8Array<ArrayBuffer>;
}

/**
 * What merging a log into ours would write, each difference with its line in words. `lines` is null when there are too
 * many to be looked through; `related` says whether the two speak of the same people.
 */
export interface Merge {
  differences: Difference[];
  lines: MergeLine[] | null;
  count: number;
  related: boolean;
}

/**
 * What a file holds and what taking it would do, before anything is written. `healed`: stamps that were none and were
 * left out; `missing`: photographs that it speaks of and does not hold.
 */
export interface Preview {
  log: Log;
  counts: Record<RecordKind, number>;
  photos: NamedPhoto[];
  missing: number;
  healed: number;
  merge: Merge;
}

/** Beyond so many differences two logs are not copies of one. */
const differencesAtMost = 20_000;

/**
 * Reads a file and holds it against our log; nothing is written.
 * @param ours gives our log, asked once the file is known to be sound
 * @param onProgress told how much is done, from 0 to 1
 */
export async function previewImport(
  given: Given,
  ours: () => Promise<Log>,
  onProgress: OnProgress,
): Promise<Preview | { problems: Problem[] }> {
  const format = formatOf(given);
  if (format !== null && format !== "archive")
    return { problems: [{ path: "(file)", message: `it is ${formats[format].title}, not ${formats.archive.title}` }] };
  const reading = await runInSteps(formats.archive.read(given, null), onProgress);
  if (!reading.ok) return { problems: reading.problems };
  const { log, healed } = reading;
  const { photos, missing } = await namedByContent(log, reading.photos);
  const counts = Object.fromEntries(recordKinds.map((kind) => [kind, log.records[kind].size]));
  return { log, counts: counts as Preview["counts"], photos, missing, healed, merge: mergeOf(await ours(), log) };
}

function mergeOf(ours: Log, theirs: Log): Merge {
  const differences = mergeLogs(ours, theirs);
  const related = [...theirs.records.people.keys()].some((id) => ours.records.people.has(id));
  const within = differences.length <= differencesAtMost;
  return {
    differences: within ? differences : [],
    lines: within ? mergeLines(ours, theirs, differences) : null,
    count: differences.length,
    related,
  };
}

/**
 * Gives each photograph that a log speaks of the name of its content, as it is kept under; `missing` counts those that
 * were not found.
 */
async function namedByContent(
  log: Log,
  found: ReadonlyMap<string, Uint8Array>,
): Promise<{ photos: NamedPhoto[]; missing: number }> {
  const photos = new Map<string, NamedPhoto>();
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
