/**
 * A file that is written at once and in place: what a browser calls a sync access handle. Only one hand holds it at a
 * time.
 */
export interface SyncFile {
  read(into: Uint8Array, options: { at: number }): number;
  /** How many bytes were written: on a full disk fewer, or a number that makes no sense. */
  write(bytes: Uint8Array, options: { at: number }): number;
  flush(): void;
  getSize(): number;
  truncate(size: number): void;
  close(): void;
}

/** A folder of the second copy. */
export interface CopyFolder {
  /** Opens a file for writing, made when it is missing (unless it must be there); null while another tab holds it. */
  open(name: string, mustExist?: boolean): Promise<SyncFile | null>;
  /** A file as it lies there, also while another tab holds it; null when there is none. */
  read(name: string): Promise<Blob | null>;
  files(): Promise<string[]>;
  folders(): Promise<string[]>;
  folder(name: string): Promise<CopyFolder>;
  /** Removes a file, or a folder with all it holds; nothing happens when there is none. */
  remove(name: string): Promise<void>;
}

/**
 * A file of zeros that stands ready to be given up, so that a browser that has to open what it keeps on a full disk
 * finds room: one that does not clears everything it keeps for these pages.
 */
export const reserveFile = "reserve";
export const reserveBytes = 16_000_000;

/** Below so much room the reserve is given up. */
export const exhausted = 2_000_000;

/** Says that there is no room for what had to be written. */
export class NoRoom extends Error {
  constructor() {
    super("the disk is full");
  }
}

const zeros = new Uint8Array(65_536);

/** Writes bytes at a place. @throws NoRoom when they do not all fit */
export function writeAll(file: SyncFile, bytes: Uint8Array, at: number): void {
  let written: number;
  try {
    written = file.write(bytes, { at });
  } catch (error) {
    throw error instanceof DOMException && error.name === "QuotaExceededError" ? new NoRoom() : error;
  }
  if (written !== bytes.byteLength) throw new NoRoom();
}

/**
 * Makes a file at least so long with zeros that are truly written, so that what is written there later needs no more
 * room. @throws NoRoom
 */
export function reserve(file: SyncFile, size: number): void {
  for (let at = file.getSize(); at < size; at += zeros.byteLength)
    writeAll(file, zeros.subarray(0, Math.min(zeros.byteLength, size - at)), at);
  file.flush();
}

/** Whether the disk has room for so many bytes more, found out by writing them behind a file and taking them back. */
export function hasRoom(file: SyncFile, bytes: number): boolean {
  const size = file.getSize();
  try {
    for (let at = size; at < size + bytes; at += zeros.byteLength)
      writeAll(file, zeros.subarray(0, Math.min(zeros.byteLength, size + bytes - at)), at);
    return true;
  } catch (error) {
    if (error instanceof NoRoom) return false;
    throw error;
  } finally {
    file.truncate(size);
  }
}

/** The same of a folder's disk; where another tab is asking at the very same moment, its answer will do. */
export async function hasRoomIn(folder: CopyFolder, bytes: number): Promise<boolean> {
  const file = await folder.open("room");
  if (file === null) return true;
  try {
    return hasRoom(file, bytes);
  } finally {
    file.close();
  }
}
