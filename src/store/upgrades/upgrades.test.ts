import { put } from "@/core/log/records";
import { isStamp } from "@/core/log/stamp";
import { IDBFactory } from "fake-indexeddb";
import "fake-indexeddb/auto";
import { type IDBPDatabase, openDB } from "idb";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { Locks } from "../../../tests/locks";
import { checkLayout } from "../check";
import { openDatabase } from "../database";
import { readLog } from "../reader";
import { Store } from "../store";

const weighed = (kg: number, date: string, id: string) => ({ id, personId: "p", date, kg, primary: true });
const text = (...records: object[]) => JSON.stringify(records);

/** The stores of each layout as it shipped. */
const layouts: Record<number, (database: IDBPDatabase) => void> = {
  1: (database) => {
    for (const name of ["records", "removed"]) database.createObjectStore(name, { keyPath: ["kind", "id"] });
    for (const name of ["journal", "history"]) database.createObjectStore(name, { keyPath: "sequence" });
    database.createObjectStore("meta");
  },
  2: (database) => {
    database.createObjectStore("pages", { keyPath: ["generation", "kind", "month"] });
    database.createObjectStore("saved", { keyPath: "key" });
    for (const name of ["journal", "history"]) database.createObjectStore(name, { keyPath: "sequence" });
    database.createObjectStore("meta");
  },
  3: (database) => {
    layouts[2]!(database);
    database.createObjectStore("photos", { keyPath: "file" });
  },
};

/** What lay in a database of each layout: a commit that can be undone, and an import before it. */
const contents: Record<number, [string, object, string?][]> = {
  1: [
    ["records", { kind: "people", id: "p", record: { id: "p", name: "A" } }],
    ["records", { kind: "weighIns", id: "w", record: weighed(71, "2026-06-01", "w") }],
    ["records", { kind: "weighIns", id: "v", record: weighed(70, "2026-07-01", "v") }],
    ["removed", { id: "gone", kind: "meals" }],
    ["journal", { sequence: 7, puts: [], removed: [] }],
    [
      "history",
      {
        sequence: 6,
        label: "import",
        before: {
          rows: [{ kind: "weighIns", id: "old", record: weighed(60, "2026-01-01", "old") }],
          removed: [],
          extra: { household: 1 },
        },
      },
    ],
    [
      "history",
      {
        sequence: 7,
        label: "weight",
        patches: [{ kind: "weighIns", id: "w", fields: [{ path: ["kg"], before: 72, after: 71 }] }],
      },
    ],
    ["meta", { sequence: 7, stamp: "", node: "n", undo: [6, 7], redo: [], extra: {} }, "standing"],
  ],
  2: pagesAndJournal(),
  3: [...pagesAndJournal(), ["photos", { file: "a.jpg", bytes: new Uint8Array([1]) }]],
};

function pagesAndJournal(): [string, object, string?][] {
  return [
    ["pages", { generation: 0, kind: "people", month: "", schema: 1, text: text({ id: "p", name: "A" }) }],
    [
      "pages",
      { generation: 0, kind: "weighIns", month: "2026-06", schema: 1, text: text(weighed(71, "2026-06-01", "w")) },
    ],
    [
      "pages",
      { generation: 0, kind: "weighIns", month: "2026-07", schema: 1, text: text(weighed(70, "2026-07-01", "v")) },
    ],
    ["pages", { generation: 0, kind: "removed", month: "", schema: 1, text: text({ id: "gone", kind: "meals" }) }],
    [
      "pages",
      { generation: 1, kind: "weighIns", month: "2026-01", schema: 1, text: text(weighed(60, "2026-01-01", "old")) },
    ],
    ["history", { sequence: 6, label: "import", generation: 1, extra: { household: 1 } }],
    [
      "history",
      {
        sequence: 7,
        label: "weight",
        patches: [
          { kind: "weighIns", id: "w", dates: ["2026-06-01"], fields: [{ path: ["kg"], before: 72, after: 71 }] },
        ],
      },
    ],
    ["journal", { sequence: 7, puts: [], removed: [] }],
    [
      "meta",
      {
        sequence: 7,
        stamp: "2026-06-01T06:00:00.000Z/0000/n",
        node: "n",
        undo: [6, 7],
        redo: [],
        extra: {},
        generation: 0,
        folded: 7,
      },
      "standing",
    ],
  ];
}

async function make(layout: number, given = contents[layout]!): Promise<void> {
  const database = await openDB("oat-column-own", layout, { upgrade: layouts[layout]! });
  for (const [store, value, key] of given) await database.put(store, value, key);
  database.close();
}

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  vi.stubGlobal("navigator", { locks: new Locks() });
});

describe("a database of an older layout", () => {
  it.each([1, 2, 3])("%i is brought over with everything in it and all that can be undone", async (layout) => {
    await make(layout);
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
    await make(3, [
      ["pages", { generation: 0, kind: "sessions", month: "2026-06", schema: 1, text: text(session(95, ["2", "1"])) }],
      [
        "history",
        { sequence: 7, label: "set", patches: [{ kind: "sessions", id: "s", dates: ["2026-06-01"], fields }] },
      ],
      [
        "meta",
        { sequence: 7, stamp: "", node: "n", undo: [7], redo: [], extra: {}, generation: 0, folded: 7 },
        "standing",
      ],
    ]);
    const store = await Store.open("own");
    await store.undo();
    expect((await readLog(store.database)).log.records.sessions.get("s")!.items).toEqual(session(90, ["1", "2"]).items);
    store.close();
  });

  it("3 that was poisoned by a stamp is healed: in pages, in the journal and in its own clock", async () => {
    const poison = "z".repeat(90);
    const person = { id: "p", name: "A", changed: poison };
    await make(3, [
      [
        "pages",
        {
          generation: 0,
          kind: "people",
          month: "",
          schema: 1,
          text: text(person, { id: "q", name: "B", changed: "2999-01-01T00:00:00.000Z/0000/far" }),
        },
      ],
      ["pages", { generation: 0, kind: "foods", month: "", schema: 1, text: "[{torn" }],
      [
        "journal",
        {
          sequence: 7,
          puts: [
            { kind: "weighIns", id: "w", record: { ...weighed(71, "2026-06-01", "w"), changed: `${poison}/0001/n` } },
          ],
          removed: [{ tombstone: { id: "x", kind: "meals", changed: poison }, month: "2026-06" }],
        },
      ],
      [
        "meta",
        { sequence: 7, stamp: `${poison}/0002/n`, node: "n", undo: [], redo: [], extra: {}, generation: 0, folded: 6 },
        "standing",
      ],
    ]);
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
    const newer = await openDB("oat-column-own", 6, {
      upgrade: (database) => {
        layouts[3]!(database);
        database.createObjectStore("places");
      },
    });
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
});
