import type { Step } from "./step";

/*
 * Frozen: in layout 3 a step of a path in the history was a text, and one that began with `#` was an element of a list
 * (`#id`) or the order
 * of one (`#`), which a key of the same look could not be told from. In layout 4 they are objects. Layout 3 also took
 * any text as a stamp:
 * those that are none, or lie far ahead of the clock, go or are brought to now. Layout 4 gains a store for the places
 * outside of the browser
 * where a backup file is kept.
 */

type OldPatch = { path: string[] };
interface History {
  sequence: number;
  patches?: { fields: OldPatch[] }[];
}
interface Stamped {
  changed?: unknown;
}
interface Row {
  record: Stamped;
}
interface Journal {
  sequence: number;
  puts: Row[];
  removed: { tombstone: Stamped }[];
}

const stampPattern = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z\/[0-9a-z]{4,8}\/[^/]{0,40}$/;
const aheadAtMost = 129_600_000;

export const from3to4: Step = async (transaction) => {
  const now = Date.now();
  const history = transaction.objectStore("history");
  for (const entry of (await history.getAll()) as History[]) {
    if (entry.patches === undefined) continue;
    const patches = entry.patches.map((patch) => ({
      ...patch,
      fields: patch.fields.map((field) => ({ ...field, path: field.path.map(stepOf) })),
    }));
    await history.put({ ...entry, patches });
  }
  const journal = transaction.objectStore("journal");
  for (const entry of (await journal.getAll()) as Journal[]) {
    const puts = entry.puts.map((row) => ({ ...row, record: healed(row.record, now) }));
    const removed = entry.removed.map((one) => ({ ...one, tombstone: healed(one.tombstone, now) }));
    const changed =
      puts.some(({ record }, index) => record !== entry.puts[index]!.record) ||
      removed.some(({ tombstone }, index) => tombstone !== entry.removed[index]!.tombstone);
    if (changed) await journal.put({ ...entry, puts, removed });
  }
  const pages = transaction.objectStore("pages");
  for (let cursor = await pages.openCursor(); cursor !== null; cursor = await cursor.continue()) {
    const page = cursor.value as { text: string };
    const text = healedText(page.text, now);
    if (text !== page.text) await cursor.update({ ...page, text });
  }
  const standing = (await transaction.objectStore("meta").get("standing")) as { stamp: string } | undefined;
  if (standing !== undefined)
    await transaction.objectStore("meta").put({ ...standing, stamp: sound(standing.stamp, now) ?? "" }, "standing");
};

function stepOf(step: string): string | { element: string } | { order: true } {
  if (step === "#") return { order: true };
  return step.startsWith("#") ? { element: step.slice(1) } : step;
}

/** A page with sound stamps; the same text where nothing is wrong, or where it cannot be read. */
function healedText(text: string, now: number): string {
  try {
    const records = JSON.parse(text) as Stamped[];
    const after = records.map((record) => healed(record, now));
    return after.some((record, index) => record !== records[index]) ? JSON.stringify(after) : text;
  } catch {
    return text;
  }
}

function healed<R extends Stamped>(record: R, now: number): R {
  if (typeof record !== "object" || record === null || record.changed === undefined || record.changed === null)
    return record;
  const stamp = sound(record.changed, now);
  if (stamp === record.changed) return record;
  const { changed: _changed, ...rest } = record;
  return (stamp === undefined ? rest : { ...rest, changed: stamp }) as R;
}

function sound(stamp: unknown, now: number): string | undefined {
  if (typeof stamp !== "string" || !stampPattern.test(stamp)) return undefined;
  const at = Date.parse(stamp.slice(0, 24));
  if (Number.isNaN(at)) return undefined;
  return at <= now + aheadAtMost ? stamp : `${new Date(now).toISOString()}/0000/${stamp.split("/")[2]}`;
}
