import type { IDBPDatabase } from "idb";
import { type JournalEntry, type LogDatabase, type LogName, headOf, type StoredPhoto } from "../database";
import { foldLock } from "../compactJournal";
import { writingLock } from "../hints";
import { type Page, recordsOf } from "../pages";
import { ofGeneration } from "../reader";
import {
  type CopyFolder,
  exhausted,
  hasRoom,
  hasRoomIn,
  NoRoom,
  reserve,
  reserveBytes,
  reserveFile,
  type SyncFile,
  writeAll,
} from "./folder";
import { type CopyEntry, frameOf, framesIn } from "./frames";
import { headIn, type SnapshotHead, type SnapshotLine, writeSnapshot } from "./snapshot";

/**
 * Files of a copy: two snapshots, of which the better one counts, and slots in which tabs write what each commit did.
 */
export const snapshotNames = ["snapshot-a", "snapshot-b"] as const;
export const isSlot = (name: string): boolean => name.startsWith("slot-");
export const photoFolder = "photos";

/**
 * Room that a slot has from the start, in which writing succeeds on a full disk as well; and what is left of it when it
 * grows.
 */
const slotBytes = 524_288;
const leastLeft = 131_072;

/**
 * Less free room than this and nothing is written: below about half of it the browser was seen to destroy what it
 * keeps.
 */
export const ample = 12_000_000;
/** For so long, and for so many bytes, ample room counts as there once it was found. */
const ampleFor = { ms: 20_000, bytes: 1_000_000 };

/** From so many commits, or bytes, behind the last snapshot on, another is worth its writing. */
const snapshotFrom = { commits: 300, bytes: 400_000 };

/** Slots that are tried for one that no other tab holds. */
const slotsAtMost = 64;

/** Pages read at once for a snapshot: others wait for the database meanwhile. */
const pagesAtOnce = 8;

/** The lock under which one hand at a time changes snapshots or brings a log back. */
export const copyLock = (name: LogName): string => `oat-column-copy-${name}`;

/** How the copy stands to the database: it holds what that holds, or more than that. */
export type CopyState = "kept" | "ahead";

/**
 * One tab's hand on the second copy of a log: it notes what each commit did in a slot of its own, and now and then lays
 * the whole log down in a snapshot. It lives in a dedicated worker. The copy of a database lies in a folder named by
 * it, so that one begun anew never mixes with it.
 */
export class Copyist {
  #folder: CopyFolder | null = null;
  #slot: SyncFile | null = null;
  /** Where the next frame goes. */
  #at = 0;
  #lastKept = 0;
  #snapshot: Pick<SnapshotHead, "sequence" | "bytes"> = { sequence: 0, bytes: 0 };
  /** Commits behind the snapshot, and their bytes. */
  #behind = { commits: 0, bytes: 0 };
  /** What could not be written yet. */
  #owed: CopyEntry[] = [];
  #lacksSnapshot = false;
  /**
   * Whether a stored page was found damaged: the snapshot may hold it whole, and stays as it is until the log is
   * repaired.
   */
  #damaged = false;
  #ample = { until: 0, bytes: 0 };
  /** Writings of what is owed follow one another; a snapshot may be laid down meanwhile. */
  #paying: Promise<void> = Promise.resolve();

  constructor(
    private readonly name: LogName,
    private readonly root: CopyFolder,
    private readonly database: IDBPDatabase<LogDatabase>,
  ) {}

  /** Takes a slot and brings the copy up to the database. */
  async open(): Promise<CopyState> {
    const { node } = headOf(await this.database.get("meta", "standing"));
    if (node === "") return "kept";
    await this.#begin(node);
    const held = await this.#held();
    const standing = headOf(await this.database.get("meta", "standing"));
    if (held.last > standing.sequence) return "ahead";
    const entries = await this.database.getAll("journal", IDBKeyRange.lowerBound(this.#snapshot.sequence, true));
    const missing = entries.filter(({ sequence }) => !held.sequences.has(sequence));
    const first = entries[0]?.sequence ?? standing.sequence + 1;
    this.#lacksSnapshot =
      standing.sequence > this.#snapshot.sequence &&
      (first > this.#snapshot.sequence + 1 || entries.some(({ replaced }) => replaced === true));
    if (!this.#lacksSnapshot) this.#owed = missing.map((entry) => ({ ...entry, stamp: standing.stamp }));
    this.#behind.commits = standing.sequence - this.#snapshot.sequence;
    return "kept";
  }

  /**
   * Whether there is room for a commit of so many bytes besides a full reserve, asked where failing hurts nothing. Only
   * where the reserve lies: nothing is said to be saved before a browser that meets a full disk has something to give up.
   */
  async room(bytes: number): Promise<boolean> {
    const lacking = await this.#lackingReserve();
    const asked =
      this.#slot === null
        ? (more: number) => hasRoomIn(this.root, more)
        : (more: number) => Promise.resolve(hasRoom(this.#slot!, more));
    if (lacking > 0 || Date.now() > this.#ample.until || this.#ample.bytes < bytes) {
      const enough = await navigator.locks.request(writingLock(this.name), async () => {
        if (await asked(ample + 3 * bytes + lacking)) return lacking === 0 || this.#fillReserve();
        if (!(await asked(exhausted))) await this.#giveUpReserve();
        return false;
      });
      if (!enough) return false;
      this.#ample = { until: Date.now() + ampleFor.ms, bytes: ampleFor.bytes + bytes };
    }
    return asked(leastLeft + bytes);
  }

  /**
   * Keeps what a commit did. Resolves when it is on the disk.
   * @throws NoRoom, or whatever else the file system says; then it is owed, and tried again with the next commit or at
   *   rest
   */
  async keep(
    entry: JournalEntry,
    { node, stamp }: { node: string; stamp: string },
    photos: readonly StoredPhoto[],
  ): Promise<void> {
    await this.#begin(node);
    for (const photo of photos) await this.#keepPhoto(photo);
    this.#owed.push({ ...entry, stamp });
    await this.pay();
  }

  /** Writes what is owed. A log that was replaced is laid down whole, and nothing of the former one is left. */
  pay(): Promise<void> {
    const mine = this.#paying.then(() => this.#pay());
    this.#paying = mine.catch(() => {});
    return mine;
  }

  async #pay(): Promise<void> {
    const replaced = this.#owed.some((entry) => entry.replaced === true);
    if (replaced || this.#lacksSnapshot) {
      await this.snapshot(replaced);
      return;
    }
    while (this.#owed.length > 0) {
      await this.#append(this.#owed[0]!);
      this.#owed.shift();
    }
  }

  /** Fills the reserve up, where there is ample room besides. */
  async fillReserve(): Promise<void> {
    if ((await this.#lackingReserve()) > 0) await this.room(0);
  }

  async #lackingReserve(): Promise<number> {
    return Math.max(0, reserveBytes - ((await this.root.read(reserveFile))?.size ?? 0));
  }

  /** Whether it fitted; another program may have been faster. */
  async #fillReserve(): Promise<boolean> {
    try {
      await this.#withReserve((file) => reserve(file, reserveBytes));
      return true;
    } catch (error) {
      if (!(error instanceof NoRoom)) throw error;
      await this.#giveUpReserve();
      return false;
    }
  }

  #giveUpReserve(): Promise<void> {
    return this.#withReserve((file) => file.truncate(0));
  }

  async #withReserve(work: (file: SyncFile) => void): Promise<void> {
    const file = await this.root.open(reserveFile);
    // Another tab is at it.
    if (file === null) return;
    try {
      work(file);
    } finally {
      file.close();
    }
  }

  /** Whether so much lies behind the last snapshot that another is worth it. */
  get isLong(): boolean {
    return (
      !this.#damaged &&
      (this.#lacksSnapshot || this.#behind.commits >= snapshotFrom.commits || this.#behind.bytes >= snapshotFrom.bytes)
    );
  }

  /** Lays the whole log down anew. @param wipes whether nothing of what was kept before may be left */
  async snapshot(wipes = false): Promise<void> {
    const { node } = headOf(await this.database.get("meta", "standing"));
    if (node === "") return;
    await this.#begin(node);
    await navigator.locks.request(copyLock(this.name), async () => {
      await this.#readHeads();
      const [older, better] = await this.#byAge();
      const head = await this.#lay(older, wipes);
      this.#snapshot = head;
      this.#lacksSnapshot = false;
      this.#owed = this.#owed.filter(({ sequence }) => sequence > head.sequence);
      this.#behind = { commits: this.#owed.length, bytes: 0 };
      if (wipes) await this.#wipe(better);
      await this.#settlePhotos();
    });
    this.settle(this.#snapshot.sequence);
  }

  /** Called when a snapshot was laid down here or by another tab: what this tab kept of commits up to there goes. */
  settle(sequence: number): void {
    if (this.#slot === null || this.#lastKept > sequence) return;
    writeAll(this.#slot, new Uint8Array(this.#at), 0);
    this.#slot.flush();
    this.#at = 0;
    this.#lastKept = 0;
    if (this.#slot.getSize() > 2 * slotBytes) this.#slot.truncate(slotBytes);
  }

  /** The commit up to which the last snapshot holds the log. */
  get settled(): number {
    return this.#snapshot.sequence;
  }

  /** Bytes that the copy takes on the disk. */
  async bytes(): Promise<number> {
    if (this.#folder === null) return 0;
    const photos = (await this.#folder.folders()).includes(photoFolder)
      ? await sizesIn(await this.#folder.folder(photoFolder))
      : 0;
    return photos + (await sizesIn(this.#folder));
  }

  close(): void {
    this.#slot?.close();
    this.#slot = null;
  }

  async #begin(node: string): Promise<void> {
    if (this.#slot !== null) return;
    this.#folder ??= await (await this.root.folder(this.name)).folder(node);
    await this.#readHeads();
    for (let number = 0; number < slotsAtMost && this.#slot === null; number++)
      this.#slot = await this.#folder.open(`slot-${String(number).padStart(2, "0")}`);
    if (this.#slot === null) throw new Error("every place for it is taken by another tab");
    const bytes = new Uint8Array(this.#slot.getSize());
    this.#slot.read(bytes, { at: 0 });
    const last = (await framesIn(bytes)).filter(({ entry }) => entry.sequence > this.#snapshot.sequence).at(-1);
    this.#at = last?.end ?? 0;
    this.#lastKept = last?.entry.sequence ?? 0;
    if (this.#slot.getSize() < slotBytes) reserve(this.#slot, slotBytes);
  }

  /** The commits that lie in the slots behind the snapshot. */
  async #held(): Promise<{ sequences: Set<number>; last: number }> {
    const entries = await entriesBehind(this.#folder!, this.#snapshot.sequence);
    return {
      sequences: new Set(entries.map(({ sequence }) => sequence)),
      last: entries.at(-1)?.sequence ?? this.#snapshot.sequence,
    };
  }

  async #readHeads(): Promise<void> {
    const heads = await headsOf(this.#folder!);
    this.#snapshot = heads[0]?.head ?? { sequence: 0, bytes: 0 };
  }

  /** Names of the two snapshots, the one to be written over first. */
  async #byAge(): Promise<[string, string]> {
    const better = (await headsOf(this.#folder!))[0]?.name ?? snapshotNames[0];
    return [snapshotNames.find((name) => name !== better)!, better];
  }

  /**
   * Writes a snapshot under the lock that keeps pages from being folded meanwhile; begun anew when the log is replaced
   * under it.
   */
  async #lay(name: string, replaced: boolean): Promise<SnapshotHead> {
    const file = await this.#folder!.open(name);
    if (file === null) throw new Error("another tab holds the snapshot");
    try {
      return await navigator.locks.request(foldLock(this.name), async () => {
        for (;;) {
          const standing = headOf(await this.database.get("meta", "standing"));
          const head = await writeSnapshot(file, standing, this.#lines(standing, replaced));
          if (headOf(await this.database.get("meta", "standing")).generation === standing.generation) return head;
        }
      });
    } finally {
      file.close();
    }
  }

  async *#lines(
    { generation, folded, sequence, extra, stamp }: ReturnType<typeof headOf>,
    replaced: boolean,
  ): AsyncGenerator<SnapshotLine> {
    let count = 1;
    this.#damaged = false;
    yield { extra };
    const keys = await this.database.getAllKeys("pages", ofGeneration(generation));
    for (let from = 0; from < keys.length; from += pagesAtOnce) {
      const some = keys.slice(from, from + pagesAtOnce);
      for (const page of await this.database.getAll("pages", IDBKeyRange.bound(some[0]!, some.at(-1)!))) {
        this.#damaged ||= !replaced && isDamaged(page);
        if (this.#damaged)
          throw new Error("part of the stored log cannot be read, and the copy may hold it whole; repair it in Files");
        yield { kind: page.kind, month: page.month, schema: page.schema, text: page.text };
        count += 1;
      }
    }
    for (const entry of await this.database.getAll("journal", IDBKeyRange.lowerBound(folded, true))) {
      if (entry.sequence > sequence) break;
      yield { entry: { ...entry, stamp } };
      count += 1;
    }
    yield { end: count };
  }

  async #append(entry: CopyEntry): Promise<void> {
    const slot = this.#slot!;
    const frame = await frameOf(entry);
    if (this.#at + frame.byteLength > slot.getSize()) reserve(slot, this.#at + frame.byteLength);
    writeAll(slot, frame, this.#at);
    slot.flush();
    this.#at += frame.byteLength;
    this.#lastKept = Math.max(this.#lastKept, entry.sequence);
    this.#behind = { commits: this.#behind.commits + 1, bytes: this.#behind.bytes + frame.byteLength };
    this.#ample.bytes -= frame.byteLength;
    try {
      if (slot.getSize() - this.#at < leastLeft) reserve(slot, this.#at + slotBytes);
    } catch (error) {
      // This one is kept; the next one asks for room before it writes anything.
      if (!(error instanceof NoRoom)) throw error;
    }
  }

  /** Empties what a replaced log has left, in files that no other tab holds; those that do hear of it. */
  async #wipe(snapshot: string): Promise<void> {
    for (const name of [snapshot, ...(await this.#folder!.files()).filter(isSlot)]) {
      const file = await this.#folder!.open(name);
      if (file === null) continue;
      file.truncate(0);
      file.flush();
      file.close();
    }
  }

  async #keepPhoto({ file, bytes }: StoredPhoto): Promise<void> {
    const folder = await this.#folder!.folder(photoFolder);
    const handle = await folder.open(file);
    // Another tab is writing the very same bytes.
    if (handle === null) return;
    try {
      if (handle.getSize() === bytes.byteLength) return;
      writeAll(handle, bytes, 0);
      handle.truncate(bytes.byteLength);
      handle.flush();
    } finally {
      handle.close();
    }
  }

  /** Brings the photographs of the copy to those of the database. */
  async #settlePhotos(): Promise<void> {
    const wanted = new Set(await this.database.getAllKeys("photos"));
    const folder = await this.#folder!.folder(photoFolder);
    const held = new Set(await folder.files());
    for (const file of held) if (!wanted.has(file)) await folder.remove(file);
    for (const file of wanted) {
      if (held.has(file)) continue;
      const photo = await this.database.get("photos", file);
      if (photo !== undefined) await this.#keepPhoto(photo);
    }
  }
}

/** Whether a page, or one that was folded into it, can no longer be read. */
function isDamaged(page: Page): boolean {
  return recordsOf(page).some((record) => typeof record === "string");
}

async function sizesIn(folder: CopyFolder): Promise<number> {
  const sizes = await Promise.all((await folder.files()).map(async (name) => (await folder.read(name))?.size ?? 0));
  return sizes.reduce((sum, size) => sum + size, 0);
}

/** The sound snapshots of a copy with their heads, the better one first. */
export async function headsOf(folder: CopyFolder): Promise<{ name: string; file: Blob; head: SnapshotHead }[]> {
  const found = await Promise.all(
    snapshotNames.map(async (name) => {
      const file = await folder.read(name);
      const head = file === null ? null : await headIn(file);
      return file === null || head === null ? [] : [{ name, file, head }];
    }),
  );
  return found.flat().sort((a, b) => b.head.sequence - a.head.sequence);
}

/** What the slots of a copy hold behind a commit, in order, each commit once. */
export async function entriesBehind(folder: CopyFolder, sequence: number): Promise<CopyEntry[]> {
  const entries = new Map<number, CopyEntry>();
  for (const name of (await folder.files()).filter(isSlot)) {
    const file = await folder.read(name);
    if (file === null) continue;
    for (const { entry } of await framesIn(new Uint8Array(await file.arrayBuffer())))
      if (entry.sequence > sequence) entries.set(entry.sequence, entry);
  }
  return [...entries.values()].sort((a, b) => a.sequence - b.sequence);
}
