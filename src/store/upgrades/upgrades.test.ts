import { migrate, migrateRecords } from "@/core/log/migrations";
import { put } from "@/core/log/records";
import { isStamp } from "@/core/log/stamp";
import { IDBFactory } from "fake-indexeddb";
import "fake-indexeddb/auto";
import { type IDBPDatabase, openDB } from "idb";
import { readFileSync } from "node:fs";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { Locks } from "../../../tests/locks";
import { checkLayout } from "../check";
import { openDatabase } from "../database";
import { readLog } from "../reader";
import { recordsOf } from "../pages";
import { Store } from "../store";
import { bringUp, makeStores, steps } from "./bringUp";
import type { Step } from "./step";

const weighed = (kg: number, date: string, id: string) => ({ id, personId: "p", date, kg, primary: true });
const text = (...records: object[]) => JSON.stringify(records);

/**
 * A database of a layout that shipped, as it was stored: its stores, how their values are found, and what lay in them
 * (a commit that can be undone, and an import before it).
 */
interface Stored {
  layout: number;
  version: number;
  stores: Record<string, { keyPath: string | string[] | null; rows: unknown[] }>;
}
const stored = (layout: number): Stored =>
  JSON.parse(readFileSync(`tests/fixtures/layouts/${layout}.json`, "utf8"), (_, value: unknown) =>
    value !== null && typeof value === "object" && "bytes" in value && Array.isArray(value.bytes)
      ? new Uint8Array(value.bytes as number[])
      : value,
  ) as Stored;

/** Writes a stored database into the browser's; of the stores named in `instead` with these rows. */
async function make({ version, stores }: Stored, instead: Record<string, unknown[]> = {}): Promise<void> {
  const database = await openDB("oat-column-own", version, {
    upgrade: (opened) => {
      for (const [name, { keyPath }] of Object.entries(stores))
        opened.createObjectStore(name, keyPath === null ? undefined : { keyPath });
    },
  });
  for (const [name, { keyPath, rows }] of Object.entries(stores))
    for (const row of instead[name] ?? rows)
      if (keyPath === null) await database.put(name, (row as [string, unknown])[1], (row as [string, unknown])[0]);
      else await database.put(name, row);
  database.close();
}

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  vi.stubGlobal("navigator", { locks: new Locks() });
});

describe("a database of an older layout", () => {
  it.each([1, 2, 3, 4])("%i is brought over with everything in it and all that can be undone", async (layout) => {
    await make(stored(layout));
    const store = await Store.open("own");
    const { log, sequence } = await readLog(store.database);
    expect([...log.records.weighIns.values()].map(({ kg }) => kg).sort()).toEqual([70, 71]);
    expect(log.removed.size).toBe(1);
    expect(await checkLayout(store.database, log, sequence)).toEqual([]);
    expect((await store.undo())?.label).toBe("weight");
    expect((await readLog(store.database)).log.records.weighIns.get("w")?.kg).toBe(72);
    expect((await store.undo())?.label).toBe("import");
    const before = (await readLog(store.database)).log;
    expect(before.extra).toEqual({ household: 1 });
    expect([...before.records.weighIns.keys()]).toEqual(["old"]);
    await store.commit([put("photos", { id: "a", personId: "p", date: "2026-06-01", file: "b.jpg" })], "photograph", [
      { file: "b.jpg", bytes: new Uint8Array([2]) },
    ]);
    expect(await store.photo("b.jpg")).toEqual(new Uint8Array([2]));
    store.close();
  });

  it("3 keeps the undo of a set inside a list, whose path was written otherwise", async () => {
    const session = (kg: number, order: string[]) => ({
      id: "s",
      personId: "p",
      date: "2026-06-01",
      kind: "strength",
      status: "done",
      items: [
        { id: "i", exerciseId: "e", sets: order.map((id) => ({ id, done: { reps: 5, kg: id === "1" ? kg : 60 } })) },
      ],
    });
    const fields = [
      { path: ["items", "#i", "sets", "#1", "done", "kg"], before: 90, after: 95 },
      { path: ["items", "#i", "sets", "#"], before: ["1", "2"], after: ["2", "1"] },
    ];
    await make(stored(3), {
      pages: [{ generation: 0, kind: "sessions", month: "2026-06", schema: 1, text: text(session(95, ["2", "1"])) }],
      history: [{ sequence: 7, label: "set", patches: [{ kind: "sessions", id: "s", dates: ["2026-06-01"], fields }] }],
      meta: [
        ["standing", { sequence: 7, stamp: "", node: "n", undo: [7], redo: [], extra: {}, generation: 0, folded: 7 }],
      ],
    });
    const store = await Store.open("own");
    await store.undo();
    expect((await readLog(store.database)).log.records.sessions.get("s")!.items).toEqual(session(90, ["1", "2"]).items);
    store.close();
  });

  it("3 that was poisoned by a stamp is healed: in pages, in the journal and in its own clock", async () => {
    const poison = "z".repeat(90);
    const person = { id: "p", name: "A", changed: poison };
    const page = (kind: string, held: string) => ({ generation: 0, kind, month: "", schema: 1, text: held });
    await make(stored(3), {
      pages: [
        page("people", text(person, { id: "q", name: "B", changed: "2999-01-01T00:00:00.000Z/0000/far" })),
        page("foods", "[{torn"),
      ],
      history: [],
      journal: [
        {
          sequence: 7,
          puts: [
            { kind: "weighIns", id: "w", record: { ...weighed(71, "2026-06-01", "w"), changed: `${poison}/0001/n` } },
          ],
          removed: [{ tombstone: { id: "x", kind: "meals", changed: poison }, month: "2026-06" }],
        },
      ],
      meta: [
        [
          "standing",
          {
            sequence: 7,
            stamp: `${poison}/0002/n`,
            node: "n",
            undo: [],
            redo: [],
            extra: {},
            generation: 0,
            folded: 6,
          },
        ],
      ],
    });
    const store = await Store.open("own");
    const { log } = await readLog(store.database);
    expect(log.records.people.get("p")!.changed).toBeUndefined();
    expect(log.records.people.get("q")!.changed! < new Date(Date.now() + 1000).toISOString()).toBe(true);
    expect(log.records.weighIns.get("w")!.changed).toBeUndefined();
    expect(log.removed.get("meals/x")!.changed).toBeUndefined();
    expect(log.unread).toMatchObject([{ kind: "foods", record: "[{torn" }]);
    await store.commit(
      [put("people", { ...log.records.people.get("p")!, name: "Edited" }, log.records.people.get("p"))],
      "edit",
    );
    expect(isStamp((await readLog(store.database)).log.records.people.get("p")!.changed!)).toBe(true);
    store.close();
  });

  it("newer than ours is left alone", async () => {
    await make({ ...stored(4), version: 6 });
    const newer = await openDB("oat-column-own");
    await newer.put("meta", 5, "layout");
    newer.close();
    await expect(openDatabase("own")).rejects.toMatchObject({ kind: "newer" });
    const left = await openDB("oat-column-own");
    expect([left.version, await left.get("meta", "layout")]).toEqual([6, 5]);
    left.close();
  });

  it.each([
    [0, "no store at all"],
    [2, "some of them"],
  ])("that was left behind by a browser killed while it made the stores is made whole: %i, %s", async (count) => {
    const names = ["journal", "meta"].slice(0, count);
    (
      await openDB("oat-column-own", 4, {
        upgrade: (database) =>
          names.forEach((name) =>
            database.createObjectStore(name, name === "meta" ? undefined : { keyPath: "sequence" }),
          ),
      })
    ).close();
    const store = await Store.open("own");
    await store.commit([put("people", { id: "p", name: "A" })], "first");
    expect((await readLog(store.database)).log.records.people.size).toBe(1);
    store.close();
  });

  it.each([1, 2, 3, 4])("%i goes through each step once when a next one is shipped", async (layout) => {
    await make(stored(layout));
    (await openDB("oat-column-own", 5, { upgrade: makeStores as (database: IDBPDatabase) => void })).close();
    const ran: string[] = [];
    const counted = [...steps, () => Promise.resolve()].map((step, index): Step => async (transaction) => {
      ran.push(`${index + 1}to${index + 2}`);
      await step(transaction);
    });
    const database = await openDB("oat-column-own");
    expect(await bringUp(database, counted)).toBe(true);
    expect(await database.get("meta", "layout")).toBe(5);
    // The second layout cannot be told from the third, and the step between them does nothing.
    const first = layout === 3 ? 2 : layout;
    expect(ran).toEqual(["1to2", "2to3", "3to4", "4to5"].slice(first - 1));
    expect(await bringUp(database, counted)).toBe(true);
    expect(ran.length).toBe(5 - first);
    expect(await bringUp(database)).toBe(false);
    database.close();
  });

  it("is whole or left as it was: a step that fails changes nothing", async () => {
    await make(stored(4));
    const database = await openDB("oat-column-own");
    const failing: Step = async (transaction) => {
      await transaction.objectStore("pages").clear();
      throw new Error("no room");
    };
    await expect(bringUp(database, [...steps, failing])).rejects.toThrow("no room");
    expect(await database.count("pages")).toBe(stored(4).stores.pages!.rows.length);
    expect(await database.get("meta", "layout")).toBe(4);
    database.close();
  });
});

describe("a stored page", () => {
  const page = (schema: number) => ({ kind: "weighIns", schema, text: text(weighed(70, "2026-06-01", "w")) });
  it("of a newer version is kept as it is and set aside", () => {
    expect(recordsOf(page(1))).toEqual([weighed(70, "2026-06-01", "w")]);
    expect(recordsOf(page(2))).toEqual([page(2).text]);
  });
  it("of an older one is brought up as an archive is", () => {
    const grams = (document: Record<string, unknown>) => ({
      ...document,
      ...(Array.isArray(document.weighIns)
        ? {
            weighIns: (document.weighIns as { kg: number }[]).map(({ kg, ...rest }) => ({ ...rest, grams: kg * 1000 })),
          }
        : {}),
    });
    const named = (document: Record<string, unknown>) => ({ ...document, renamed: true });
    const [one] = [weighed(70, "2026-06-01", "w")];
    expect(migrateRecords("weighIns", [one], 1, [grams, named])).toMatchObject([{ id: "w", grams: 70_000 }]);
    expect(migrateRecords("weighIns", [one], 2, [grams, named])).toEqual([one]);
    expect(migrateRecords("foods", [one], 1, [grams, named])).toEqual([one]);
    expect(migrate({ version: 1, weighIns: [one] }, [grams, named])).toMatchObject({ version: 3, renamed: true });
    expect(() => migrateRecords("weighIns", [one], 4, [grams, named])).toThrow("newer Oat Column (version 4");
    expect(() => migrateRecords("weighIns", [one], "x", [grams])).toThrow("does not say which version");
  });
});
