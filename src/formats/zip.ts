import { Inflate } from "fflate";

/** Files of a zip by their names. */
export type Unpacked = Map<string, Uint8Array>;

/** What is wrong with a zip, and where. */
export class ZipProblem extends Error {
  constructor(
    readonly place: string,
    message: string,
  ) {
    super(message);
  }
}

/** At most so many bytes of a file are taken, and what is said of one that has more. */
export interface Wanted {
  atMost: number;
  tooLarge: string;
}

/** An entry of a zip's directory: where its packed bytes lie, and how they are packed. */
interface Entry {
  name: string;
  from: number;
  to: number;
  method: number;
}

/** Packed bytes unpacked in a step: they become at most about a thousand times as many. */
const stepBytes = 16_384;
/** More entries than this no archive has. */
const entriesAtMost = 20_000;

const damaged = new ZipProblem("(zip)", "the zip is damaged");

/**
 * Unpacks the files of a zip that are wanted, in steps. What comes out is counted as it comes: sizes that a zip states
 * are not believed, and entries that lie over one another are refused.
 * Source: the ZIP file format, PKWARE APPNOTE 6.3, sections 4.3.7, 4.3.12 and 4.3.16 (from memory).
 * @param want whether a file is wanted, and how large it may be; null when it is not
 * @param inAll so many bytes may come out of all files together
 * @throws ZipProblem when the zip is damaged, or more comes out of it than may
 */
export function* unpacking(
  bytes: Uint8Array,
  want: (name: string) => Wanted | null,
  inAll: number,
): Generator<number, Unpacked> {
  const files: Unpacked = new Map();
  let total = 0;
  let done = 0;
  for (const { name, from, to, method } of entriesOf(bytes)) {
    const wanted = want(name);
    if (wanted === null) continue;
    if (files.has(name)) throw new ZipProblem(name, "the zip holds it twice");
    const chunks: Uint8Array[] = [];
    let size = 0;
    for (const chunk of method === 0 ? slicesOf(bytes.subarray(from, to)) : inflated(bytes.subarray(from, to), name)) {
      size += chunk.byteLength;
      total += chunk.byteLength;
      if (size > wanted.atMost) throw new ZipProblem(name, wanted.tooLarge);
      if (total > inAll) throw new ZipProblem(name, "the zip unpacks to more than 300 MB");
      chunks.push(chunk);
      done += stepBytes;
      yield Math.min(0.3, (0.3 * done) / bytes.byteLength);
    }
    files.set(name, joined(chunks, size));
  }
  return files;
}

/** The entries that a zip's directory names, in its order. */
function entriesOf(bytes: Uint8Array): Entry[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const read = { u16: (at: number) => view.getUint16(at, true), u32: (at: number) => view.getUint32(at, true) };
  try {
    let end = bytes.byteLength - 22;
    while (read.u32(end) !== 0x06054b50) end -= 1;
    const count = read.u16(end + 10);
    if (count > entriesAtMost) throw new ZipProblem("(zip)", `it holds more than ${entriesAtMost} files`);
    const entries: Entry[] = [];
    for (let number = 0, at = read.u32(end + 16); number < count; number++) {
      if (read.u32(at) !== 0x02014b50) throw damaged;
      const [flags, method, packed, nameBytes, local] = [
        read.u16(at + 8),
        read.u16(at + 10),
        read.u32(at + 20),
        read.u16(at + 28),
        read.u32(at + 42),
      ];
      const name = new TextDecoder().decode(bytes.subarray(at + 46, at + 46 + nameBytes));
      if ((flags & 1) !== 0) throw new ZipProblem(name, "it is locked with a password");
      if (method !== 0 && method !== 8) throw new ZipProblem(name, "it is packed in a way that is not read here");
      if (read.u32(local) !== 0x04034b50) throw damaged;
      const from = local + 30 + read.u16(local + 26) + read.u16(local + 28);
      if (from + packed > bytes.byteLength) throw damaged;
      entries.push({ name, from, to: from + packed, method });
      at += 46 + nameBytes + read.u16(at + 30) + read.u16(at + 32);
    }
    const inOrder = [...entries].sort((a, b) => a.from - b.from || a.to - b.to);
    for (const [index, entry] of inOrder.entries())
      if (index > 0 && entry.from < inOrder[index - 1]!.to)
        throw new ZipProblem(entry.name, "it lies over another file of the zip");
    return entries;
  } catch (error) {
    // A place outside of the bytes was named.
    throw error instanceof RangeError ? damaged : error;
  }
}

function* slicesOf(bytes: Uint8Array): Generator<Uint8Array> {
  for (let from = 0; from < bytes.byteLength; from += 1_000_000) yield bytes.slice(from, from + 1_000_000);
}

/** Packed bytes unpacked a little at a time. */
function* inflated(bytes: Uint8Array, name: string): Generator<Uint8Array> {
  let out: Uint8Array[] = [];
  const inflate = new Inflate((chunk) => {
    out.push(chunk.slice());
  });
  for (let from = 0; from < bytes.byteLength; from += stepBytes) {
    try {
      inflate.push(bytes.subarray(from, from + stepBytes), from + stepBytes >= bytes.byteLength);
    } catch {
      throw new ZipProblem(name, "it is damaged");
    }
    yield* out;
    out = [];
  }
}

function joined(chunks: readonly Uint8Array[], size: number): Uint8Array {
  const all = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    all.set(chunk, at);
    at += chunk.byteLength;
  }
  return all;
}
