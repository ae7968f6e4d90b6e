// Runs inside a page of the application's address, on the store itself: for what no click can reach, such as a kill in
// the middle of folding.
import { Answers, everyView } from "@/compute/queries";
import { dateOf, mustDay } from "@/core/base/calendar/day";
import { equal } from "@/core/base/memo";
import { contract } from "@/core/contract";
import { checkLog } from "@/core/log/check";
import { copyOf } from "@/core/log/copy";
import type { WeighIn } from "@/core/log/kinds/weighIns";
import { type Change, put } from "@/core/log/records";
import { performedAs } from "@/core/training/perform";
import { demoLog, partnerId } from "@/demo/demoLog";
import { editKinds, madeUpEdit } from "@/demo/edits";
import { Random } from "@/demo/random";
import { writeArchive } from "../../src/formats/archive/write";
import { checkLayout } from "@/store/check";
import { type LogName, openDatabase } from "@/store/database";
import { compactJournal } from "@/store/compactJournal";
import { layOut } from "@/store/pages";
import { catchUp, readLog } from "@/store/reader";
import { rewriteDatabaseFile } from "@/store/rewriteDatabaseFile";
import { Store } from "@/store/store";
import { withSet } from "../../src/core/sessions/sets";

const first = mustDay("2026-01-01");
const today = mustDay("2026-06-11");
const weighIn = (index: number, kg: number): WeighIn => ({
  id: `w${index}`,
  personId: "p",
  date: dateOf(first + index),
  kg,
  primary: true,
});

/** What was acknowledged, by record; told to the test as it happens, since this page is about to be killed. */
const acknowledge = (id: string, kg: number) => console.info(`acknowledged ${id} ${kg}`);

const probe = {
  /** Writes, folds and replaces the log without end, telling what is saved. */
  async churn(name: LogName, folding: boolean, importing: boolean): Promise<void> {
    const store = await Store.open(name);
    await rewriteDatabaseFile(store.database);
    const { log } = await readLog(store.database);
    if (log.records.people.size === 0) await store.commit([put("people", { id: "p", name: "Churn" })], "person");
    for (
      let round = Math.max(0, ...[...log.records.weighIns.values()].map(({ kg }) => Math.round((kg - 50) * 1000))) + 1;
      ;
      round++
    ) {
      const index = (round * 7) % 150;
      const kg = 50 + round / 1000;
      await store.commit([put("weighIns", weighIn(index, kg))], "weigh-in");
      acknowledge(`w${index}`, kg);
      if (folding && round % 5 === 0) await compactJournal(store.database, name, 1);
      if (importing && round % 12 === 0) await store.replace(layOut((await readLog(store.database)).log), "import");
    }
  },

  /** Every weigh-in as stored, and whether all is in order. */
  async inspect(name: LogName): Promise<{ kg: Record<string, number>; wrong: string[] }> {
    const database = await openDatabase(name);
    const { log, sequence } = await readLog(database);
    const layout = await checkLayout(database, log, sequence);
    database.close();
    return {
      kg: Object.fromEntries([...log.records.weighIns.values()].map(({ id, kg }) => [id, kg])),
      wrong: [...checkLog(log), ...layout].map(({ place, message }) => `${place}: ${message}`),
    };
  },

  /** A database of the older layout with many rows. */
  async older(name: LogName, rows: number): Promise<void> {
    const database = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open(`oat-column-${name}`, 1);
      request.onupgradeneeded = () => {
        for (const store of ["records", "removed"])
          request.result.createObjectStore(store, { keyPath: ["kind", "id"] });
        for (const store of ["journal", "history"]) request.result.createObjectStore(store, { keyPath: "sequence" });
        request.result.createObjectStore("meta");
      };
      request.onsuccess = () => resolve(request.result);
    });
    const transaction = database.transaction(["records", "meta"], "readwrite");
    transaction.objectStore("records").put({ kind: "people", id: "p", record: { id: "p", name: "Old" } });
    for (let index = 0; index < rows; index++)
      transaction
        .objectStore("records")
        .put({ kind: "weighIns", id: `w${index}`, record: weighIn(index, 60 + (index % 100) / 10) });
    transaction
      .objectStore("meta")
      .put({ sequence: 1, stamp: "", node: "old", undo: [], redo: [], extra: {} }, "standing");
    await new Promise((resolve) => {
      transaction.oncomplete = resolve;
    });
    database.close();
  },

  /** Fills a log with the partner's part of the demo, so that two tabs have something to edit. */
  async fill(name: LogName): Promise<void> {
    const store = await Store.open(name);
    const log = demoLog(today);
    for (const kind of [
      "sessions",
      "weighIns",
      "meals",
      "dayNotes",
      "water",
      "goals",
      "energySettings",
      "maxima",
      "readings",
    ] as const) {
      const records = log.records[kind] as unknown as Map<string, { personId: string }>;
      for (const [id, record] of records) if (record.personId !== partnerId) records.delete(id);
    }
    await store.replace(layOut(log), "fill");
    store.close();
  },

  /**
   * One tab's share of random edits, undos and redos. Now and then it follows the other tab, and its figures, brought
   * up to date, are compared with figures computed afresh.
   * @returns each field it wrote with the sequence number of the commit, in the phase without undo
   */
  async edit(
    name: LogName,
    seed: number,
    rounds: number,
    undoing: boolean,
  ): Promise<{ written: Record<string, [number, unknown]>; compared: number; sequence: number }> {
    const store = await Store.open(name);
    let { log, sequence } = await readLog(store.database);
    let answers = new Answers(log, () => "new");
    const asked = everyView({ personId: partnerId, today: dateOf(today) });
    const random = new Random(seed);
    const written: Record<string, [number, unknown]> = {};
    let compared = 0;
    const follow = async () => {
      const reached = await catchUp(store.database, log, sequence);
      if (reached !== null) return void (sequence = reached);
      ({ log, sequence } = await readLog(store.database));
      answers = new Answers(log, () => "new");
    };
    for (let round = 0; round < rounds; round++) {
      // Mostly what is edited was seen a while ago, as by a frozen tab.
      if (random.chance(0.15)) await follow();
      const drawn = random.next();
      if (undoing && drawn < 0.2) await store.undo();
      else if (undoing && drawn < 0.35) await store.redo();
      else if (undoing) {
        const step = madeUpEdit(log, partnerId, random.pick(editKinds), random, today - 112, today);
        if (step !== null) await store.commit([step], "edit");
      } else {
        const { change, field, value } = plainEdit(log, random, round);
        const { sequence: at } = await store.commit(change, field);
        written[field] = [at, value];
      }
      if (random.chance(0.01)) await compactJournal(store.database, name, 1);
      if (round % Math.ceil(rounds / 12) === 0) {
        await follow();
        const fresh = new Answers(copyOf(log), () => "new");
        for (const { name: query, asks } of asked)
          if (!equal(answers.answer(query, asks as never), fresh.answer(query, asks as never)))
            throw new Error(`${query} differs from a fresh one in round ${round}`);
        compared += 1;
      }
    }
    await follow();
    store.close();
    return { written, compared, sequence };
  },

  /** The value of each field as stored, and the archive and figures that a tab would give out. */
  async outcome(
    name: LogName,
    fields: string[],
  ): Promise<{ values: Record<string, unknown>; archive: string; figures: string; wrong: string[] }> {
    const database = await openDatabase(name);
    const { log, sequence } = await readLog(database);
    const wrong = [
      ...checkLog(log).filter(({ message }) => !message.includes("points to")),
      ...(await checkLayout(database, log, sequence)),
    ].map(({ place, message }) => `${place}: ${message}`);
    database.close();
    const values = Object.fromEntries(
      fields.map((field) => {
        const [kind, id, ...path] = field.split("|");
        const record = (log.records as unknown as Record<string, ReadonlyMap<string, Record<string, unknown>>>)[
          kind!
        ]!.get(id!);
        if (path[0] !== "set") return [field, record?.[path[0]!]];
        const item = (record?.items as { id: string; sets: { id: string; done?: { kg?: number } }[] }[]).find(
          (one) => one.id === path[1],
        );
        return [field, item?.sets.find((one) => one.id === path[2])?.done?.kg];
      }),
    );
    return {
      values,
      archive: writeArchive(log, "2026-06-11T00:00:00Z"),
      figures: `${JSON.stringify(contract(log, today), null, 2)}\n`,
      wrong,
    };
  },
};

/** An edit of one field of a record that both tabs know, and never a new record. */
function plainEdit(
  log: Parameters<typeof madeUpEdit>[0],
  random: Random,
  round: number,
): { change: Change; field: string; value: unknown } {
  const weights = [...log.records.weighIns.values()];
  const lifted = [...log.records.sessions.values()].filter(({ items }) => (items ?? []).length > 0);
  const kg = 60 + round / 100;
  if (random.chance(0.5)) {
    const session = random.pick(lifted);
    const item = random.pick(session.items!);
    const set = random.pick(item.sets);
    return {
      change: [
        put(
          "sessions",
          withSet(session, item.id, set.id, (old) => performedAs(old, { reps: 5, kg })),
          session,
        ),
      ],
      field: `sessions|${session.id}|set|${item.id}|${set.id}`,
      value: kg,
    };
  }
  const held = random.pick(weights);
  if (random.chance(0.5))
    return { change: [put("weighIns", { ...held, kg }, held)], field: `weighIns|${held.id}|kg`, value: kg };
  const note = `note ${round}`;
  return { change: [put("weighIns", { ...held, note }, held)], field: `weighIns|${held.id}|note`, value: note };
}

export type Probe = typeof probe;

Object.assign(globalThis, { probe });
