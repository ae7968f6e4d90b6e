import { tombstoneKey } from "@/core/log/log";
import { byTime } from "@/core/log/logIndex";
import type { AnyRecord, RecordKind, Tombstone } from "@/core/log/records";
import type { JournalEntry, LogHead, WriteTransaction } from "./database";
import { hasId, monthOf, monthOfDate, recordsOf } from "./pages";
import { ofGeneration } from "./reader";

/** A record as it stands, with the month of the page in which it lies or will lie; its removal for one that was removed. */
type Held = { record: AnyRecord; month: string } | { removed: Tombstone };
const recordOf = (held: Held) => ("record" in held ? held : undefined);

/** Beyond so many records the journal is read anew from where the pages end. */
const rememberedAtMost = 5000;

/**
 * Finds the records that a commit replaces: first in what the journal holds, which is remembered from commit to commit,
 * then in the page of the month in which the record should lie. Only a record that was moved or removed meanwhile is
 * looked for everywhere.
 */
export class Lookup {
  readonly #journal = new Map<string, Held>();
  #generation = -1;
  #reached = -1;
  /** What the transaction under way has written; it counts from then on only if that transaction completes. */
  #writing = new Map<string, Held>();

  /** Begins a transaction: reads what other tabs have written since the last one. */
  async begin(transaction: WriteTransaction, { generation, folded, sequence }: LogHead): Promise<void> {
    this.#writing = new Map();
    const after = (number: number) => transaction.objectStore("journal").getAll(IDBKeyRange.lowerBound(number, true));
    const known = generation === this.#generation && this.#reached >= 0 && this.#journal.size < rememberedAtMost;
    let entries = known && this.#reached < sequence ? await after(this.#reached) : [];
    if (!known || this.#reached + entries.length !== sequence) {
      this.#journal.clear();
      entries = await after(folded);
    }
    for (const entry of entries) this.#follow(entry);
    this.#generation = generation;
    this.#reached = sequence;
  }

  /** Notes that the transaction is complete. */
  complete({ generation, sequence }: LogHead): void {
    for (const [key, held] of this.#writing) this.#journal.set(key, held);
    this.#generation = generation;
    this.#reached = sequence;
  }

  /** Forgets everything, after another generation of pages has come into force. */
  forget(): void {
    this.#journal.clear();
    this.#reached = -1;
  }

  /** Notes what the transaction writes. */
  wrote(kind: RecordKind, record: AnyRecord): void {
    this.#writing.set(tombstoneKey(kind, record.id), { record, month: monthOf(kind, record) });
  }

  /** Notes what the transaction removes. */
  removed(tombstone: Tombstone): void {
    this.#writing.set(tombstoneKey(tombstone.kind, tombstone.id), { removed: tombstone });
  }

  /** The removal of a record; undefined where it was not removed. */
  async removal(transaction: WriteTransaction, kind: RecordKind, id: string): Promise<Tombstone | undefined> {
    const key = tombstoneKey(kind, id);
    const held = this.#writing.get(key) ?? this.#journal.get(key);
    if (held !== undefined) return "removed" in held ? held.removed : undefined;
    const page = await transaction.objectStore("pages").get([this.#generation, "removed", ""]);
    return (recordsOf(page) as unknown as Tombstone[]).find((one) => hasId(one) && one.id === id && one.kind === kind);
  }

  /**
   * A record as it stands, or undefined.
   * @param dates dates it may bear; when none of them leads to it, all pages of the kind are searched, unless it is
   *   `fresh`
   */
  async find(
    transaction: WriteTransaction,
    kind: RecordKind,
    id: string,
    dates: readonly string[],
    fresh: boolean,
  ): Promise<{ record: AnyRecord; month: string } | undefined> {
    const key = tombstoneKey(kind, id);
    const held = this.#writing.get(key) ?? this.#journal.get(key);
    if (held !== undefined) return recordOf(held);
    const months = new Set(dates.length === 0 ? [monthOfDate(kind, "")] : dates.map((date) => monthOfDate(kind, date)));
    for (const month of months) {
      const record = recordsOf(await transaction.objectStore("pages").get([this.#generation, kind, month])).find(
        (one) => hasId(one) && one.id === id,
      );
      if (record !== undefined) return { record, month };
    }
    if (fresh) return undefined;
    const quoted = JSON.stringify(id);
    for (const page of await transaction.objectStore("pages").getAll(ofGeneration(this.#generation, kind))) {
      if (!page.text.includes(quoted)) continue;
      const record = recordsOf(page).find((one) => hasId(one) && one.id === id);
      if (record !== undefined) return { record, month: page.month };
    }
    return undefined;
  }

  /** Records of a kind, person and day as they stand, in the order in which the index has them. */
  async onDay(transaction: WriteTransaction, kind: RecordKind, personId: string, date: string): Promise<AnyRecord[]> {
    const found = new Map(
      recordsOf(await transaction.objectStore("pages").get([this.#generation, kind, monthOfDate(kind, date)]))
        .filter(hasId)
        .map((record) => [record.id, record]),
    );
    for (const source of [this.#journal, this.#writing]) {
      for (const [key, held] of source) {
        const id = key.slice(kind.length + 1);
        if (!key.startsWith(`${kind}/`)) continue;
        const standing = recordOf(held);
        if (standing === undefined) found.delete(id);
        else found.set(id, standing.record);
      }
    }
    return ([...found.values()] as (AnyRecord & { personId?: string; date?: string; time?: string })[])
      .filter((record) => record.personId === personId && record.date === date)
      .sort(byTime);
  }

  #follow({ puts, removed }: JournalEntry): void {
    for (const { kind, id, record } of puts)
      this.#journal.set(tombstoneKey(kind, id), { record, month: monthOf(kind, record) });
    for (const { tombstone } of removed)
      this.#journal.set(tombstoneKey(tombstone.kind, tombstone.id), { removed: tombstone });
  }
}
