import { runToEnd, type ChunkedTask } from "@/core/base/chunked";
import { messageOf } from "@/core/base/messageOf";
import { doubledId, withElementIds } from "@/core/log/idLists";
import { isRecordKind, kinds, recordKinds, tombstoneSchema } from "@/core/log/kinds/all";
import { emptyLog, type Log, putRecord, removeRecord } from "@/core/log/log";
import { migrate } from "@/core/log/migrations";
import type { AnyRecord, RecordKind } from "@/core/log/records";
import { referencesOf } from "@/core/log/references";
import { withSoundStamp } from "@/core/log/stamp";
import type { Problem } from "@/formats/format";
import { strFromU8 } from "fflate";
import type { Read } from "../format";
import { type Unpacked, unpacking, ZipProblem } from "../zip";

/**
 * `photos`: the pictures that the log speaks of, by the name under which its records know them. `healed`: how many
 * records bore a stamp
 * that is none, or lies far ahead; the record is taken, without it or with one of now.
 */
export interface ArchiveContent {
  log: Log;
  photos: ReadonlyMap<string, Uint8Array>;
  healed: number;
}

export type ArchiveReading = Read<ArchiveContent>;

const maxBytes = 300_000_000;
const maxPhotoBytes = 30_000_000;
const maxDepth = 60;
const maxProblems = 20;

/**
 * Reads an archive (JSON text, or a zip that holds it) into a log, checking every record before anything is returned.
 * Nothing is executed, nothing is written, and unknown keys are kept at every depth.
 */
export function readArchive(bytes: Uint8Array): ArchiveReading {
  return runToEnd(readingArchive(bytes));
}

/** The same in steps. Whatever goes wrong, it is told and not thrown. */
export function* readingArchive(bytes: Uint8Array): ChunkedTask<ArchiveReading> {
  try {
    const { text, photos } = isZip(bytes)
      ? yield* unpack(bytes)
      : { text: decode(bytes), photos: new Map<string, Uint8Array>() };
    const document = parse(text);
    if (!isObject(document)) return refuse("(file)", "it is not an Oat Column archive: the file holds no JSON object");
    if (document.format !== "oat-column")
      return refuse("format", 'it is not an Oat Column archive: `format` is not "oat-column"');
    return yield* collect(migrated(document), photos);
  } catch (error) {
    if (error instanceof Refusal) return refuse(error.path, error.message);
    if (error instanceof ZipProblem) return refuse(error.place, error.message);
    return refuse("(file)", `it could not be read: ${messageOf(error)}`);
  }
}

class Refusal extends Error {
  constructor(
    readonly path: string,
    message: string,
  ) {
    super(message);
  }
}

export type Document = Record<string, unknown>;

const isObject = (value: unknown): value is Document =>
  typeof value === "object" && value !== null && !Array.isArray(value);
const refuse = (path: string, message: string): ArchiveReading => ({ ok: false, problems: [{ path, message }] });
const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b;

const inPhotos = /^photos\/([^/]+)$/;

function* unpack(bytes: Uint8Array): Generator<number, { text: string; photos: Map<string, Uint8Array> }> {
  const files: Unpacked = yield* unpacking(
    bytes,
    (name) =>
      inPhotos.test(name)
        ? { atMost: maxPhotoBytes, tooLarge: "the photograph is larger than 30 MB" }
        : /^[^/]+\.json$/.test(name)
          ? { atMost: maxBytes, tooLarge: "it unpacks to more than 300 MB" }
          : null,
    maxBytes,
  );
  const photos = new Map(
    [...files].flatMap(([name, content]) => {
      const file = inPhotos.exec(name)?.[1];
      return file === undefined ? [] : [[file, content] as const];
    }),
  );
  const [first, ...others] = [...files].filter(([name]) => !inPhotos.test(name)).map(([, content]) => content);
  if (first === undefined || others.length > 0)
    throw new Refusal("(zip)", "the zip must hold exactly one JSON file beside its photos");
  return { text: decode(first), photos };
}

function migrated(document: Document): Document {
  try {
    return migrate(document);
  } catch (error) {
    throw error instanceof RangeError ? new Refusal("version", error.message) : error;
  }
}

function decode(bytes: Uint8Array): string {
  if (bytes.byteLength > maxBytes) throw new Refusal("(file)", "it is larger than 300 MB");
  const text = strFromU8(bytes);
  return text.startsWith("\uFEFF") ? text.slice(1) : text;
}

function parse(text: string): unknown {
  let depth = 0;
  for (let index = 0; index < text.length; index++) {
    const code = text.charCodeAt(index);
    if (code === 34) index = endOfText(text, index);
    else if (code === 123 || code === 91) {
      depth += 1;
      if (depth > maxDepth) throw new Refusal(`(character ${index})`, `it is nested more than ${maxDepth} deep`);
    } else if (code === 125 || code === 93) depth -= 1;
  }
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new Refusal("(file)", `it is not readable JSON: ${(error as Error).message}`);
  }
}

/** Place of the quote that ends the text begun at a quote. */
function endOfText(text: string, start: number): number {
  for (let end = text.indexOf('"', start + 1); end >= 0; end = text.indexOf('"', end + 1)) {
    let slashes = 0;
    while (text.charCodeAt(end - 1 - slashes) === 92) slashes += 1;
    if (slashes % 2 === 0) return end;
  }
  return text.length;
}

/** After so many records a step ends. */
const recordsAStep = 2000;

function* collect(document: Document, photos: Map<string, Uint8Array>): Generator<number, ArchiveReading> {
  const problems: Problem[] = [];
  const report = (path: string, message: string) => {
    if (problems.length < maxProblems) problems.push({ path, message });
  };
  const known = new Set<string>(["format", "version", "exportedAt", "removed", ...recordKinds]);
  const log = emptyLog(Object.fromEntries(Object.entries(document).filter(([key]) => !known.has(key))));

  const total = recordKinds.reduce((sum, kind) => sum + (Array.isArray(document[kind]) ? document[kind].length : 0), 0);
  let read = 0;
  let healed = 0;
  const now = Date.now();
  for (const kind of recordKinds) {
    for (const [index, raw] of list(document, kind, report).entries()) {
      if (++read % recordsAStep === 0) yield read / total;
      const path = `${kind}[${index}]`;
      const given = withIds(kind, raw, `${kind}-${index + 1}`);
      const record = isObject(given) ? withSoundStamp(given, now) : given;
      if (record !== given) healed += 1;
      const result = kinds[kind].schema.safeParse(record);
      if (!result.success) {
        for (const issue of result.error.issues)
          report([path, ...issue.path].reduce<string>(joinPath, ""), issue.message);
      } else if (log.records[kind].has(result.data.id))
        report(`${path}.id`, `the id "${result.data.id}" is used twice`);
      else {
        const doubled = doubledId(kind, record as AnyRecord);
        if (doubled) report(`${path}.${doubled.path}`, `the id "${doubled.id}" is used twice`);
        // The checked record itself, not Zod's copy: nothing may be lost or reordered by checking.
        putRecord(log, kind, record as AnyRecord);
      }
    }
  }
  for (const [index, raw] of list(document, "removed", report).entries()) {
    const result = tombstoneSchema.safeParse(isObject(raw) ? withSoundStamp(raw, now) : raw);
    if (!result.success) report(`removed[${index}]`, result.error.issues[0]?.message ?? "not a removal");
    else if (isRecordKind(result.data.kind) && log.records[result.data.kind].has(result.data.id))
      report(`removed[${index}]`, `"${result.data.id}" is both kept and removed`);
    else removeRecord(log, result.data);
  }
  for (const kind of recordKinds) {
    for (const [index, record] of [...log.records[kind].values()].entries()) {
      for (const reference of referencesOf(kind, record)) {
        if (!log.records[reference.kind].has(reference.id))
          report(
            `${kind}[${index}].${reference.path}`,
            `it points to "${reference.id}", which is not among the ${reference.kind} of the file`,
          );
      }
    }
  }
  return problems.length > 0 ? { ok: false, problems } : { ok: true, log, photos, healed };
}

function joinPath(path: string, step: PropertyKey): string {
  return typeof step === "number" ? `${path}[${step}]` : path === "" ? String(step) : `${path}.${String(step)}`;
}

function list(document: Document, key: string, report: (path: string, message: string) => void): unknown[] {
  if (!Object.hasOwn(document, key) || document[key] === null) return [];
  const value = document[key];
  if (Array.isArray(value)) return value;
  report(key, "it should be a list");
  return [];
}

/**
 * A record with the ids it may lack: its own, and those of the elements of its lists. Given in the order of the file,
 * so that twice the same file is twice the same log.
 */
function withIds(kind: RecordKind, raw: unknown, fallback: string): unknown {
  if (!isObject(raw)) return raw;
  return withElementIds(kind, raw.id === undefined || raw.id === null ? { ...raw, id: fallback } : raw);
}
