import { sameJson } from "@/core/log/canonical";
import { kinds } from "@/core/log/kinds/all";
import { diff, inverse } from "@/core/log/patch";
import { removalOf, revised } from "@/core/log/past";
import type { AnyRecord, Change, ChangeStep, RecordKind, Tombstone } from "@/core/log/records";
import { oneADayOf, standing } from "@/core/log/sameDay";
import { nextStamp } from "@/core/log/stamp";
import { applyPatches, type Clash, threeWay } from "@/core/log/threeWay";
import type { IDBPDatabase } from "idb";
import { v7 as newId } from "uuid";
import type { SecondCopy } from "./copy/client";
import {
  type HistoryEntry,
  type JournalEntry,
  type LogDatabase,
  type LogName,
  openDatabase,
  type RecordPatch,
  type LogHead,
  headOf,
  type StoredPhoto,
  type WriteTransaction,
  written,
} from "./database";
import { compactWithin } from "./compactJournal";
import { hintChannel, writingLock } from "./hints";
import { Lookup } from "./lookup";
import { type LaidOut, monthOf, monthOfDate, stored } from "./pages";
import { problemOf, StoreProblem } from "./problems";
import { ofGeneration } from "./reader";

/** Commits that can be undone. */
const historyCap = 300;

/**
 * What a commit, an undo or a redo did.
 */
export interface Committed {
  sequence: number;
  label: string;
  /** Fields on which another tab or device and this one did not agree. */
  clashes: RecordClash[];
  /** Whether a record was written that another tab or device had removed. */
  revived: boolean;
  /** Why the second copy does not hold it, or null when it does. */
  copyLacks: string | null;
}

/**
 * A clash in a record. `blind`: the writer did not know that there was one already, as with two weigh-ins of a morning.
 */
export interface RecordClash extends Clash {
  kind: RecordKind;
  id: string;
  blind: boolean;
}

/** Where no second copy is kept. */
const noCopy: SecondCopy = { room: () => Promise.resolve(true), keep: () => Promise.resolve(null) };

/** A record as it stands, with the month of its page; undefined where there is none. */
type Current = { record: AnyRecord; month: string } | undefined;

/** A commit under way. */
interface CommitContext {
  transaction: WriteTransaction;
  standing: LogHead;
  entry: JournalEntry;
  owners: Set<string>;
}
type Done = {
  label: string;
  history: OpenHistory | null;
  onto?: "undo" | "redo";
  clashes?: RecordClash[];
  revived?: boolean;
};
/** What is to be written besides records, and about how many bytes it takes in all. */
interface Load {
  photos: readonly StoredPhoto[];
  bytes: number;
}
type OpenHistory = { patches: RecordPatch[] } | { generation: number; extra: Record<string, unknown> };

/**
 * The tab's own hand on the log: every write goes through here, each in one transaction, and is said to be saved only
 * when it is.
 */
export class Store {
  readonly #hints: BroadcastChannel;
  readonly #lookup = new Lookup();
  /** Writes of this tab wait for one another, since they share the lookup. */
  #last: Promise<unknown> = Promise.resolve();

  constructor(
    readonly name: LogName,
    readonly database: IDBPDatabase<LogDatabase>,
    private readonly copy: SecondCopy = noCopy,
  ) {
    this.#hints = new BroadcastChannel(hintChannel(name));
  }

  static async open(name: LogName): Promise<Store> {
    return new Store(name, await openDatabase(name));
  }

  close(): void {
    this.#hints.close();
    this.database.close();
  }

  /**
   * Writes a change, with the photographs it speaks of: all of it or nothing. Resolves when the transaction is complete
   * and on disk, never at a request's success, and the second copy has been asked to hold it as well.
   * @throws StoreProblem; nothing was written then
   */
  async commit(change: Change, label: string, photos: readonly StoredPhoto[] = []): Promise<Committed> {
    for (const step of change) if ("put" in step) validate(step.kind, step.put);
    return this.#write(
      async (work) => {
        await keepPhotos(work.transaction, photos);
        const patches: RecordPatch[] = [];
        const clashes: RecordClash[] = [];
        let revived = false;
        for (const step of change) {
          if ("remove" in step) {
            const { kind, id, date } = step.remove;
            const current = await this.#lookup.find(
              work.transaction,
              kind,
              id,
              date === undefined ? [] : [date],
              false,
            );
            if (current !== undefined) patches.push(this.#remove(work, kind, id, current, step.tombstone));
            else if (step.tombstone !== undefined)
              this.#noteRemoval(work, step.tombstone, monthOfDate(kind, date ?? ""));
            continue;
          }
          const { kind, base, merged = false } = step;
          const id = await this.#identify(work.transaction, step);
          const current = await this.#lookup.find(
            work.transaction,
            kind,
            id,
            datesOf(base, step.put),
            base === undefined,
          );
          revived ||= base !== undefined && current === undefined;
          // What two copies make together stands as it is, unless ours has changed since it was looked at.
          if (merged && isAsSeen(current?.record, base)) {
            patches.push(this.#takeOver(work, kind, id, current, { ...step.put, id }));
            continue;
          }
          const joined = threeWay(base, { ...step.put, id }, current?.record ?? base);
          const wanted = joined.value as AnyRecord;
          clashes.push(...joined.clashes.map((clash) => ({ ...clash, kind, id, blind: base === undefined })));
          if (current !== undefined && diff(current.record, wanted).length === 0) continue;
          validate(kind, wanted);
          const removed =
            current === undefined && base !== undefined
              ? await this.#lookup.removal(work.transaction, kind, id)
              : undefined;
          const follows = current?.record ?? base;
          patches.push(this.#put(work, kind, id, { current, wanted, follows, removed, seen: step.put }));
        }
        return { label, history: { patches }, clashes, revived };
      },
      { photos, bytes: sizeOfChange(change) },
    );
  }

  /**
   * What an undo (or a redo) would take back: what it was called, and whose records it changed. Null when there is
   * nothing.
   */
  async next(from: "undo" | "redo"): Promise<{ label: string; of: readonly string[]; sequence: number } | null> {
    const target = (await this.database.get("meta", "standing"))?.[from].at(-1);
    const past = target === undefined ? undefined : await this.database.get("history", target);
    return past === undefined ? null : { label: past.label, of: past.of ?? [], sequence: past.sequence };
  }

  /** Takes the latest commit back, leaving what others changed since. Null when there is nothing to undo. */
  undo(): Promise<Committed | null> {
    return this.#travel("undo", "redo");
  }

  /** Does again what was last undone. Null when there is nothing to redo. */
  redo(): Promise<Committed | null> {
    return this.#travel("redo", "undo");
  }

  /** Replaces the whole log by another; the old one is kept, so that this too can be undone. */
  async replace(laidOut: LaidOut, label: string, photos: readonly StoredPhoto[] = []): Promise<Committed> {
    return this.#write(
      async ({ transaction, standing, entry }) => {
        await keepPhotos(transaction, photos);
        const generation = standing.sequence;
        await Promise.all(laidOut.pages.map((one) => transaction.objectStore("pages").put(stored(generation, one))));
        return { label, history: await flip(transaction, standing, entry, generation, laidOut.extra) };
      },
      { photos, bytes: laidOut.pages.reduce((sum, { text }) => sum + text.length, 0) },
    );
  }

  /** A photograph's bytes; null when they are not here. */
  async photo(file: string): Promise<Uint8Array<ArrayBuffer> | null> {
    return (await this.database.get("photos", file))?.bytes ?? null;
  }

  async #travel(from: "undo" | "redo", to: "undo" | "redo"): Promise<Committed | null> {
    const waiting = await this.database.get("meta", "standing");
    if (!waiting || waiting[from].length === 0) return null;
    return this.#write(
      async (work) => {
        const { transaction, standing } = work;
        const target = standing[from].pop();
        const past = target === undefined ? undefined : await transaction.objectStore("history").get(target);
        if (past === undefined) return { label: "nothing", history: null, onto: to };
        await transaction.objectStore("history").delete(past.sequence);
        if ("generation" in past)
          return {
            label: past.label,
            history: await flip(transaction, standing, work.entry, past.generation, past.extra),
            onto: to,
          };
        const patches: RecordPatch[] = [];
        const clashes: RecordClash[] = [];
        for (const { kind, id, dates, fields } of [...past.patches].reverse()) {
          const current = await this.#lookup.find(transaction, kind, id, dates ?? [], false);
          if (current === undefined && fields.some(({ path }) => path.length > 0)) continue;
          const joined = applyPatches(current?.record, inverse(fields));
          const wanted = joined.value as AnyRecord | undefined;
          clashes.push(...joined.clashes.map((clash) => ({ ...clash, kind, id, blind: false })));
          if (sameJson(current?.record, wanted)) continue;
          if (wanted === undefined) patches.push(this.#remove(work, kind, id, current!));
          else {
            validate(kind, wanted);
            // What is brought back follows what it was when it was removed.
            const removed = current === undefined ? await this.#lookup.removal(work.transaction, kind, id) : undefined;
            patches.push(this.#put(work, kind, id, { current, wanted, follows: current?.record ?? wanted, removed }));
          }
        }
        return { label: past.label, history: { patches }, onto: to, clashes };
      },
      { photos: [], bytes: 0 },
    );
  }

  /** The id under which a put is kept: what there is one of a day is identified by person and date. */
  async #identify(transaction: WriteTransaction, step: Put): Promise<string> {
    const rule = oneADayOf(step.kind);
    if (rule === null || !rule.is(step.put)) return step.put.id;
    const { personId, date } = step.put as { personId: string; date: string };
    const held = (await this.#lookup.onDay(transaction, step.kind, personId, date)).filter(rule.is);
    return (held.find(({ id }) => id === step.put.id) ?? standing(rule, held) ?? step.put).id;
  }

  /**
   * Writes one record with the next revision and stamp, and with what it follows, into the journal; returns what
   * changed.
   * @param follows the record of which it is the next revision; undefined where it is new
   * @param removed its removal, where it is brought back
   * @param seen the record as its writer had it: the stamp is later than its own
   */
  #put(
    work: CommitContext,
    kind: RecordKind,
    id: string,
    {
      current,
      wanted,
      follows,
      removed,
      seen,
    }: {
      current: Current;
      wanted: AnyRecord;
      follows: AnyRecord | undefined;
      removed?: Tombstone | undefined;
      seen?: AnyRecord;
    },
  ): RecordPatch {
    // Later also than what another device wrote, so that what is changed here after a merge or an import counts as
    // later there.
    const before = [current?.record, seen, follows, removed].map((one) => one?.changed);
    const stamp = this.#stamp(work, kind, wanted, before);
    return this.#journal(work, kind, id, current, revised(kind, wanted, follows, stamp, removed));
  }

  /** Writes what two copies of a record make together, with the stamps of those who wrote it. */
  #takeOver(work: CommitContext, kind: RecordKind, id: string, current: Current, record: AnyRecord): RecordPatch {
    this.#stamp(work, kind, record, [current?.record.changed, record.changed]);
    return this.#journal(work, kind, id, current, record);
  }

  /** Writes a removal, with all that was known of the record, into the journal. */
  #remove(
    work: CommitContext,
    kind: RecordKind,
    id: string,
    current: NonNullable<Current>,
    merged?: Tombstone,
  ): RecordPatch {
    const { record, month } = current;
    const stamp = this.#stamp(work, kind, record, [record.changed, merged?.changed]);
    this.#noteRemoval(work, removalOf(kind, record, stamp, merged), month);
    return { kind, id, dates: datesOf(record), fields: diff(record, undefined) };
  }

  #noteRemoval({ entry }: CommitContext, tombstone: Tombstone, month: string): void {
    entry.removed.push({ tombstone, month });
    this.#lookup.removed(tombstone);
  }

  /** The next stamp, later than those given and than all before it; notes whose record is written. */
  #stamp(
    { standing, owners }: CommitContext,
    kind: RecordKind,
    record: AnyRecord,
    after: readonly (string | null | undefined)[],
  ): string {
    const owner = ownerOf(kind, record);
    if (owner !== null) owners.add(owner);
    standing.stamp = nextStamp([standing.stamp, ...after], Date.now(), standing.node);
    return standing.stamp;
  }

  #journal({ entry }: CommitContext, kind: RecordKind, id: string, current: Current, record: AnyRecord): RecordPatch {
    const moved = current !== undefined && current.month !== monthOf(kind, record);
    entry.puts.push({ kind, id, record, ...(moved ? { was: current.month } : {}) });
    this.#lookup.wrote(kind, record);
    return { kind, id, dates: datesOf(current?.record, record), fields: diff(current?.record, record) };
  }

  #write(work: (work: CommitContext) => Promise<Done>, load: Load): Promise<Committed> {
    const mine = this.#last.then(() => this.#writeNow(work, load));
    this.#last = mine.catch(() => {});
    return mine;
  }

  async #writeNow(work: (work: CommitContext) => Promise<Done>, { photos, bytes }: Load): Promise<Committed> {
    // Asked before anything is begun: a browser that meets a full disk in the middle of a write may throw its whole
    // database away.
    if (!(await this.copy.room(bytes + photos.reduce((sum, photo) => sum + photo.bytes.byteLength, 0))))
      throw new StoreProblem("noRoom");
    try {
      const { outcome, entry, standing } = await navigator.locks.request(
        writingLock(this.name),
        { mode: "shared" },
        () => this.#transact(work),
      );
      this.#hints.postMessage(entry.sequence);
      const copyLacks = await this.copy.keep(entry, { node: standing.node, stamp: standing.stamp }, photos);
      return {
        sequence: entry.sequence,
        label: outcome.label,
        clashes: outcome.clashes ?? [],
        revived: outcome.revived ?? false,
        copyLacks,
      };
    } catch (error) {
      throw problemOf(error);
    }
  }

  async #transact(
    work: (work: CommitContext) => Promise<Done>,
  ): Promise<{ outcome: Done; entry: JournalEntry; standing: LogHead }> {
    const transaction = this.database.transaction(written, "readwrite", { durability: "strict" });
    // A failed request aborts the transaction; its reason then arrives by `done`, which is awaited below.
    transaction.done.catch(() => {});
    let outcome: Done;
    const kept = headOf(await transaction.objectStore("meta").get("standing"), newId());
    const sequence = kept.sequence + 1;
    const standing: LogHead = { ...kept, undo: [...kept.undo], redo: [...kept.redo], sequence };
    const entry: JournalEntry = { sequence, puts: [], removed: [] };
    try {
      await this.#lookup.begin(transaction, kept);
      const owners = new Set<string>();
      outcome = await work({ transaction, standing, entry, owners });
      const { history, onto } = outcome;
      if (history !== null) {
        await transaction
          .objectStore("history")
          .put({ sequence, label: outcome.label, of: [...owners], ...history } as HistoryEntry);
        standing[onto ?? "undo"].push(sequence);
        if (onto === undefined) await forget(transaction, standing, standing.redo.splice(0));
        await forget(transaction, standing, standing.undo.splice(0, Math.max(0, standing.undo.length - historyCap)));
      }
      await transaction.objectStore("journal").put(entry);
      await transaction.objectStore("meta").put(standing, "standing");
    } catch (error) {
      throw await aborted(transaction, error);
    }
    await transaction.done;
    if (standing.generation === kept.generation) this.#lookup.complete(standing);
    else this.#lookup.forget();
    return { outcome, entry, standing };
  }
}

/** The person to whom a record belongs; null for what the household shares. */
function ownerOf(kind: RecordKind, record: AnyRecord | undefined): string | null {
  if (kind === "people") return record?.id ?? null;
  return (record as { personId?: string } | undefined)?.personId ?? null;
}

async function keepPhotos(transaction: WriteTransaction, photos: readonly StoredPhoto[]): Promise<void> {
  await Promise.all(photos.map((photo) => transaction.objectStore("photos").put(photo)));
}

/**
 * Puts another generation of pages in force, the present one brought up to date first, and returns what it takes to go
 * back.
 */
async function flip(
  transaction: WriteTransaction,
  standing: LogHead,
  entry: JournalEntry,
  generation: number,
  extra: Record<string, unknown>,
): Promise<OpenHistory> {
  await compactWithin(transaction, { ...standing, sequence: standing.sequence - 1 });
  const back = { generation: standing.generation, extra: standing.extra };
  Object.assign(standing, { generation, extra, folded: standing.sequence });
  entry.replaced = true;
  return back;
}

/**
 * Makes sure that nothing of a failed transaction is kept, and returns the reason: a full disk shows only as the reason
 * of the abort.
 */
async function aborted(transaction: WriteTransaction, error: unknown): Promise<unknown> {
  try {
    transaction.abort();
  } catch {
    // A failed request has aborted it already.
  }
  const reason: unknown = await transaction.done.then(
    () => null,
    (abort: unknown) => abort,
  );
  return problemOf(reason).kind === "full" ? reason : error;
}

/** Whether a record stands as it was when a merge was looked at. */
function isAsSeen(current: AnyRecord | undefined, base: AnyRecord | undefined): boolean {
  return current === undefined || base === undefined ? current === base : sameJson(current, base);
}

type Put = Extract<ChangeStep, { put: AnyRecord }>;

/** Checks a record as it would be written. @throws StoreProblem that names what is not sound */
function validate(kind: RecordKind, record: AnyRecord): void {
  const result = kinds[kind].schema.safeParse(record);
  if (result.success) return;
  const issue = result.error.issues[0]!;
  throw new StoreProblem("invalid", `${kind} ${issue.path.join(".")}: ${issue.message}`);
}

/** About how many bytes a change takes. */
function sizeOfChange(change: Change): number {
  return change.reduce((sum, step) => sum + ("put" in step ? JSON.stringify(step.put).length : 100), 0);
}

function datesOf(...records: (AnyRecord | undefined)[]): string[] {
  return [...new Set(records.flatMap((record) => (record as { date?: string } | undefined)?.date ?? []))];
}

/** Drops history that can no longer be gone back to, and with it the pages of logs that were replaced. */
async function forget(transaction: WriteTransaction, standing: LogHead, sequences: number[]): Promise<void> {
  for (const sequence of sequences) {
    const entry = await transaction.objectStore("history").get(sequence);
    if (entry !== undefined && "generation" in entry && entry.generation !== standing.generation)
      await transaction.objectStore("pages").delete(ofGeneration(entry.generation));
    await transaction.objectStore("history").delete(sequence);
  }
}
