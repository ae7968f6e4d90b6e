import "@/core/log/withoutEval";
import type { IDBPDatabase, IDBPTransaction } from "idb";
import { v7 as newId } from "uuid";
import { sameJson } from "@/core/log/canonical";
import { applyPatches, diff, inverse, type FieldPatch } from "@/core/log/patch";
import type { Log } from "@/core/log/log";
import type { AnyRecord, Change, ChangeStep, RecordKind, Tombstone } from "@/core/log/records";
import { recordKinds } from "@/core/log/records";
import { recordSchemas } from "@/core/log/schema";
import { nextStamp } from "@/core/log/stamp";
import { openDatabase, type HistoryEntry, type JournalEntry, type LogDatabase, type LogName, type Row, type Snapshot, type Standing } from "./database";
import { StoreProblem, problemOf } from "./problems";
import { hintChannel } from "./hints";
import { standingOf } from "./reader";

type Transaction = IDBPTransaction<LogDatabase, ("records" | "removed" | "journal" | "history" | "meta")[], "readwrite">;

/** Commits that can be undone, and journal entries kept for readers that follow. */
const historyCap = 300;
const journalCap = 2000;

/** What a commit, an undo or a redo did. */
export interface Committed { sequence: number; label: string }

/** The tab's own hand on the log: every write goes through here, each in one transaction, and is said to be saved only when it is. */
export class Store {
  readonly #hints: BroadcastChannel;

  private constructor(readonly name: LogName, readonly database: IDBPDatabase<LogDatabase>) {
    this.#hints = new BroadcastChannel(hintChannel(name));
  }

  static async open(name: LogName, onOutdated?: () => void): Promise<Store> {
    return new Store(name, await openDatabase(name, onOutdated));
  }

  close(): void {
    this.#hints.close();
    this.database.close();
  }

  /**
   * Writes a change: all of it or nothing. Resolves when the transaction is complete and on disk, never at a request's success.
   * @throws StoreProblem; nothing was written then
   */
  async commit(change: Change, label: string): Promise<Committed> {
    for (const step of change) if ("put" in step) validate(step);
    return this.#write(async (transaction, standing) => {
      const fields: { kind: RecordKind; id: string; fields: FieldPatch[] }[] = [];
      for (const step of change) {
        const { kind, id } = "put" in step ? { kind: step.kind, id: await identify(transaction, step) } : step.remove;
        const current = (await transaction.objectStore("records").get([kind, id]))?.record;
        const wanted = "put" in step ? merged(step, id, current) : undefined;
        const patches = diff(current, wanted);
        if (patches.length > 0) fields.push({ kind, id, fields: await this.#apply(transaction, standing, kind, id, current, wanted) });
      }
      return { label, history: { patches: fields } };
    });
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
  async replace(log: Log, label: string): Promise<Committed> {
    const rows = recordKinds.flatMap((kind) => [...log.records[kind].values()].map((record): Row => ({ kind, id: record.id, record })));
    return this.#write(async (transaction, standing) => {
      const before = await snapshot(transaction, standing);
      await restore(transaction, standing, { rows, removed: [...log.removed.values()], extra: log.extra });
      return { label, history: { before } };
    });
  }

  async #travel(from: "undo" | "redo", to: "undo" | "redo"): Promise<Committed | null> {
    const waiting = await this.database.get("meta", "standing");
    if (!waiting || waiting[from].length === 0) return null;
    return this.#write(async (transaction, standing) => {
      const target = standing[from].pop();
      const entry = target === undefined ? undefined : await transaction.objectStore("history").get(target);
      if (entry === undefined) return { label: "nothing", history: null, onto: to };
      await transaction.objectStore("history").delete(entry.sequence);
      if ("before" in entry) {
        const before = await snapshot(transaction, standing);
        await restore(transaction, standing, entry.before);
        return { label: entry.label, history: { before }, onto: to };
      }
      const patches: { kind: RecordKind; id: string; fields: FieldPatch[] }[] = [];
      for (const { kind, id, fields } of [...entry.patches].reverse()) {
        const current = (await transaction.objectStore("records").get([kind, id]))?.record;
        if (current === undefined && fields.some(({ path }) => path.length > 0)) continue;
        const wanted = applyPatches(current, inverse(fields)) as AnyRecord | undefined;
        if (!sameJson(current, wanted)) patches.push({ kind, id, fields: await this.#apply(transaction, standing, kind, id, current, wanted) });
      }
      return { label: entry.label, history: { patches }, onto: to };
    });
  }

  /** Writes one record (or its removal) with the next revision and stamp, notes it in the journal, and returns what changed. */
  async #apply(transaction: Transaction, standing: Standing & { entry: JournalEntry }, kind: RecordKind, id: string, current: AnyRecord | undefined, wanted: AnyRecord | undefined): Promise<FieldPatch[]> {
    standing.stamp = nextStamp(standing.stamp, Date.now(), standing.node);
    if (wanted === undefined) {
      const tombstone: Tombstone = { id, kind, changed: standing.stamp };
      await transaction.objectStore("records").delete([kind, id]);
      await transaction.objectStore("removed").put(tombstone);
      standing.entry.removed.push(tombstone);
    } else {
      const record = { ...wanted, revision: (current?.revision ?? wanted.revision ?? 0) + 1, changed: standing.stamp } as AnyRecord;
      const row: Row = { kind, id, record };
      await transaction.objectStore("records").put(row);
      await transaction.objectStore("removed").delete([kind, id]);
      standing.entry.puts.push(row);
    }
    return diff(current, wanted);
  }

  async #write(
    work: (transaction: Transaction, standing: Standing & { entry: JournalEntry }) => Promise<{ label: string; history: OpenHistory | null; onto?: "undo" | "redo" }>,
  ): Promise<Committed> {
    try {
      const transaction = this.database.transaction(["records", "removed", "journal", "history", "meta"], "readwrite", { durability: "strict" });
      // A failed request aborts the transaction; its reason then arrives by `done`, which is awaited below.
      transaction.done.catch(() => {});
      const kept = standingOf(await transaction.objectStore("meta").get("standing"), newId());
      const sequence = kept.sequence + 1;
      const standing = { ...kept, undo: [...kept.undo], redo: [...kept.redo], sequence, entry: { sequence, puts: [], removed: [] } as JournalEntry };
      let outcome: Awaited<ReturnType<typeof work>>;
      try {
        outcome = await work(transaction, standing);
        const { history, onto } = outcome;
        if (history !== null) {
          await transaction.objectStore("history").put({ sequence, label: outcome.label, ...history } as HistoryEntry);
          standing[onto ?? "undo"].push(sequence);
          if (onto === undefined) await forget(transaction, standing.redo.splice(0));
          await forget(transaction, standing.undo.splice(0, Math.max(0, standing.undo.length - historyCap)));
        }
        const { entry, ...meta } = standing;
        await transaction.objectStore("journal").put({ ...entry, ...(history && "before" in history ? { replaced: true } : {}) });
        await transaction.objectStore("journal").delete(IDBKeyRange.upperBound(sequence - journalCap));
        await transaction.objectStore("meta").put(meta, "standing");
      } catch (error) {
        throw await aborted(transaction, error);
      }
      await transaction.done;
      this.#hints.postMessage(sequence);
      return { sequence, label: outcome.label };
    } catch (error) {
      throw problemOf(error);
    }
  }
}

/** Makes sure that nothing of a failed transaction is kept, and returns the reason: a full disk shows only as the reason of the abort. */
async function aborted(transaction: Transaction, error: unknown): Promise<unknown> {
  try {
    transaction.abort();
  } catch {
    // A failed request has aborted it already.
  }
  const reason: unknown = await transaction.done.then(() => null, (abort: unknown) => abort);
  return problemOf(reason).kind === "full" ? reason : error;
}

type OpenHistory = { patches: { kind: RecordKind; id: string; fields: FieldPatch[] }[] } | { before: Snapshot };

function validate(step: Extract<ChangeStep, { put: AnyRecord }>): void {
  const result = recordSchemas[step.kind].safeParse(step.put);
  if (!result.success) {
    const issue = result.error.issues[0]!;
    throw new StoreProblem("invalid", `${step.kind} ${issue.path.join(".")}: ${issue.message}`);
  }
}

/** The id under which a put is kept: the primary weigh-in and the note of a day are identified by person and date. */
async function identify(transaction: Transaction, step: Extract<ChangeStep, { put: AnyRecord }>): Promise<string> {
  if (step.kind !== "weighIns" && step.kind !== "dayNotes") return step.put.id;
  if (step.kind === "weighIns" && step.put.primary === false) return step.put.id;
  const sameDay = await transaction.objectStore("records").index("day").getAll([step.kind, step.put.personId, step.put.date]);
  const held = sameDay.find(({ record }) => step.kind === "dayNotes" || (record as { primary?: boolean | null }).primary !== false);
  return held?.id ?? step.put.id;
}

/** What a put makes of the record as it stands now: only what differs from its base is written. */
function merged(step: Extract<ChangeStep, { put: AnyRecord }>, id: string, current: AnyRecord | undefined): AnyRecord {
  const wanted = { ...step.put, id } as AnyRecord;
  if (current === undefined || step.base === undefined) return wanted;
  return applyPatches(current, diff(step.base, wanted)) as AnyRecord;
}

async function forget(transaction: Transaction, sequences: number[]): Promise<void> {
  for (const sequence of sequences) await transaction.objectStore("history").delete(sequence);
}

async function snapshot(transaction: Transaction, standing: Standing): Promise<Snapshot> {
  return { rows: await transaction.objectStore("records").getAll(), removed: await transaction.objectStore("removed").getAll(), extra: standing.extra };
}

async function restore(transaction: Transaction, standing: Standing, wanted: Snapshot): Promise<void> {
  await transaction.objectStore("records").clear();
  await transaction.objectStore("removed").clear();
  await Promise.all([...wanted.rows.map((row) => transaction.objectStore("records").put(row)), ...wanted.removed.map((tombstone) => transaction.objectStore("removed").put(tombstone))]);
  standing.extra = wanted.extra;
}
