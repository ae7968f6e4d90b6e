import type { Step } from "./step";

/*
 * Frozen: layout 1 kept a row for every record, and whole logs in the history; layout 2 keeps pages of a kind and month
 * as JSON text, in
 * generations. What is written here is what layout 2 was, whatever today's code does.
 */

interface Row {
  kind: string;
  record: { id: string; date?: string };
}
interface Snapshot {
  rows: Row[];
  removed: object[];
  extra: Record<string, unknown>;
}
interface History {
  sequence: number;
  label: string;
  before?: Snapshot;
}

const dated = new Set(["weighIns", "dayNotes", "maxima", "sessions", "readings", "meals", "water", "photos"]);

export const from1to2: Step = async (transaction) => {
  const [rows, removed, history, standing] = (await Promise.all([
    transaction.objectStore("records").getAll(),
    transaction.objectStore("removed").getAll(),
    transaction.objectStore("history").getAll(),
    transaction.objectStore("meta").get("standing"),
  ])) as [Row[], object[], History[], { sequence: number } | undefined];
  const pages = transaction.objectStore("pages");
  const write = async (generation: number, snapshot: Pick<Snapshot, "rows" | "removed">) => {
    for (const page of pagesOf(snapshot)) await pages.put({ generation, schema: 1, ...page });
  };
  let generation = 0;
  await write(generation, { rows, removed });
  for (const entry of history) {
    if (entry.before === undefined) continue;
    generation += 1;
    await write(generation, entry.before);
    await transaction
      .objectStore("history")
      .put({ sequence: entry.sequence, label: entry.label, generation, extra: entry.before.extra });
  }
  await transaction.objectStore("journal").clear();
  if (standing !== undefined)
    await transaction.objectStore("meta").put({ ...standing, generation: 0, folded: standing.sequence }, "standing");
  for (const name of ["records", "removed"]) await transaction.objectStore(name).clear();
};

function pagesOf({
  rows,
  removed,
}: Pick<Snapshot, "rows" | "removed">): { kind: string; month: string; text: string }[] {
  const lists = new Map<string, { kind: string; month: string; records: object[] }>();
  for (const { kind, record } of rows) {
    const month = dated.has(kind) ? (record.date ?? "").slice(0, 7) : "";
    const key = `${kind} ${month}`;
    const list = lists.get(key) ?? { kind, month, records: [] };
    lists.set(key, list);
    list.records.push(record);
  }
  if (removed.length > 0) lists.set("removed", { kind: "removed", month: "", records: removed });
  return [...lists.values()].map(({ kind, month, records }) => ({ kind, month, text: JSON.stringify(records) }));
}
