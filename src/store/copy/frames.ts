import type { JournalEntry } from "../database";

/** What one commit did, as the second copy keeps it, with the stamp it gave last. */
export interface CopyEntry extends JournalEntry {
  stamp: string;
}

/** "OCF1" at the head of every frame, the length of its text, and the first half of the text's SHA-256. */
const mark = [0x4f, 0x43, 0x46, 0x31] as const;
const headBytes = 24;
const hashBytes = 16;

/** A commit as bytes that can be told from anything else, also where only part of them was written. */
export async function frameOf(entry: CopyEntry): Promise<Uint8Array> {
  const text = new TextEncoder().encode(JSON.stringify(entry));
  const frame = new Uint8Array(headBytes + text.byteLength);
  frame.set(mark);
  new DataView(frame.buffer).setUint32(4, text.byteLength);
  frame.set(await hashOf(text), 8);
  frame.set(text, headBytes);
  return frame;
}

/** A whole frame found among bytes: the commit, and where the frame ends. */
export interface FoundFrame {
  entry: CopyEntry;
  end: number;
}

/**
 * Every whole frame among bytes, in the order in which they lie. What is torn, damaged or no frame at all is passed
 * over.
 */
export async function framesIn(bytes: Uint8Array): Promise<FoundFrame[]> {
  const found: FoundFrame[] = [];
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (
    let at = bytes.indexOf(mark[0]);
    at >= 0 && at + headBytes <= bytes.byteLength;
    at = bytes.indexOf(mark[0], at)
  ) {
    const end = at + headBytes + view.getUint32(at + 4);
    const isMarked = mark.every((byte, index) => bytes[at + index] === byte) && end <= bytes.byteLength;
    const entry = isMarked ? await entryIn(bytes.subarray(at, end)) : null;
    if (entry !== null) found.push({ entry, end });
    at = entry === null ? at + 1 : end;
  }
  return found;
}

async function entryIn(frame: Uint8Array): Promise<CopyEntry | null> {
  const text = frame.subarray(headBytes);
  const hash = await hashOf(text);
  if (!hash.every((byte, index) => byte === frame[8 + index])) return null;
  return JSON.parse(new TextDecoder().decode(text)) as CopyEntry;
}

async function hashOf(bytes: Uint8Array): Promise<Uint8Array> {
  return new Uint8Array(await crypto.subtle.digest("SHA-256", bytes.slice())).subarray(0, hashBytes);
}
