import { type SyncFile, writeAll } from "./folder";
import type { CopyEntry } from "./frames";

/**
 * What a snapshot holds, line by line, packed with gzip: what belongs to no record, then pages, then commits that the
 * pages do not hold yet, then how many lines there were.
 */
export type SnapshotLine =
  | { extra: Record<string, unknown> }
  /** `schema` as a page has it; absent in snapshots of before it was written, which are of version 1. */
  | { kind: string; month: string; schema?: number; text: string }
  | { entry: CopyEntry }
  | { end: number };

/** The head of a snapshot's file, written last: without it the file is none. */
export interface SnapshotHead {
  format: "oat-column-second-copy";
  version: 1;
  /** The commit up to which it holds the log. */
  sequence: number;
  /** The database's last stamp then. */
  stamp: string;
  /** Bytes of the packed lines behind the head. */
  bytes: number;
}

const headBytes = 512;

/** Writes a snapshot over whatever a file held. Until all of it is on the disk the file holds none. @throws NoRoom */
export async function writeSnapshot(
  file: SyncFile,
  head: Pick<SnapshotHead, "sequence" | "stamp">,
  lines: AsyncIterable<SnapshotLine>,
): Promise<SnapshotHead> {
  writeAll(file, new Uint8Array(headBytes), 0);
  file.flush();
  const bytes = await pack(lines, (chunk, at) => writeAll(file, chunk, headBytes + at));
  file.truncate(headBytes + bytes);
  file.flush();
  const whole: SnapshotHead = { format: "oat-column-second-copy", version: 1, ...head, bytes };
  writeAll(file, new TextEncoder().encode(JSON.stringify(whole).padEnd(headBytes, " ")), 0);
  file.flush();
  return whole;
}

/** The head of a snapshot, or null when the file holds none. */
export async function headIn(file: Blob): Promise<SnapshotHead | null> {
  try {
    const head = JSON.parse(await file.slice(0, headBytes).text()) as SnapshotHead;
    const sound =
      head.format === "oat-column-second-copy" &&
      head.version === 1 &&
      file.size >= headBytes + head.bytes &&
      Number.isInteger(head.sequence);
    return sound ? head : null;
  } catch {
    return null;
  }
}

/** The lines of a snapshot. @throws when the packed bytes are damaged or end too early */
export async function* linesIn(file: Blob, head: SnapshotHead): AsyncGenerator<SnapshotLine> {
  let count = 0;
  let ended = false;
  for await (const text of unpack(file.slice(headBytes, headBytes + head.bytes))) {
    const line = JSON.parse(text) as SnapshotLine;
    ended = "end" in line && line.end === count;
    count += 1;
    if (!("end" in line)) yield line;
  }
  if (!ended) throw new Error("the snapshot ends too early");
}

async function pack(
  lines: AsyncIterable<SnapshotLine>,
  write: (chunk: Uint8Array, at: number) => void,
): Promise<number> {
  const { writable, readable } = new CompressionStream("gzip");
  const writer = writable.getWriter();
  const encoder = new TextEncoder();
  const feeding = (async () => {
    for await (const line of lines) await writer.write(encoder.encode(`${JSON.stringify(line)}\n`));
    await writer.close();
  })();
  // Its reason is told below; should writing fail first, feeding fails as well and is not asked any more.
  feeding.catch((error: unknown) => writer.abort(error).catch(() => {}));
  const reader = readable.getReader();
  let at = 0;
  try {
    for (let next = await reader.read(); !next.done; next = await reader.read()) {
      write(next.value, at);
      at += next.value.byteLength;
    }
  } catch (error) {
    await reader.cancel(error).catch(() => {});
    throw error;
  }
  await feeding;
  return at;
}

/** Lines of text in packed bytes. */
async function* unpack(bytes: Blob): AsyncGenerator<string> {
  const reader = bytes
    .stream()
    .pipeThrough(new DecompressionStream("gzip") as unknown as TransformStream<Uint8Array, Uint8Array>)
    .pipeThrough(new TextDecoderStream() as unknown as TransformStream<Uint8Array, string>)
    .getReader();
  let rest = "";
  for (let next = await reader.read(); !next.done; next = await reader.read()) {
    const parts = (rest + next.value).split("\n");
    rest = parts.pop()!;
    yield* parts;
  }
  if (rest !== "") yield rest;
}
