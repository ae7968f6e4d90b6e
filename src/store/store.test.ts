import "fake-indexeddb/auto";
import { IDBFactory } from "fake-indexeddb";
import { openDB } from "idb";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { emptyLog, putRecord, type Log } from "@/core/log/log";
import { put, type Person, type Session, type WeighIn } from "@/core/log/records";
import { archiveOf } from "@/formats/archive";
import { StoreProblem } from "./problems";
import { catchUp, readLog } from "./reader";
import { Store } from "./store";

const person: Person = { id: "p", name: "Rower" };
const weighed = (kg: number, date = "2026-06-01", id = "w", extra: Partial<WeighIn> = {}): WeighIn => ({ id, personId: "p", date, kg, primary: true, ...extra });
const stores: Store[] = [];

async function open(): Promise<Store> {
  const store = await Store.open("own");
  stores.push(store);
  return store;
}
const logOf = async (store: Store): Promise<Log> => (await readLog(store.database)).log;
const kgOf = async (store: Store, id = "w") => (await logOf(store)).records.weighIns.get(id)?.kg;
/** The log without what a commit stamps, to compare before with after. */
const plain = async (store: Store) => JSON.stringify(archiveOf(await logOf(store), "")).replaceAll(/"(changed|revision)":("[^"]*"|\d+),?/g, "").replace(/"removed":\[.*?\]/, "");

beforeEach(() => { globalThis.indexedDB = new IDBFactory(); });
afterEach(() => {
  for (const store of stores.splice(0)) store.close();
  vi.restoreAllMocks();
});

describe("a commit", () => {
  it("asks for strict durability and resolves only when the transaction is complete", async () => {
    const store = await open();
    const begun = vi.spyOn(store.database, "transaction");
    let complete = false;
    const original = IDBTransaction.prototype.dispatchEvent;
    vi.spyOn(IDBTransaction.prototype, "dispatchEvent").mockImplementation(function (this: IDBTransaction, event: Event) {
      if (event.type === "complete" && this.mode === "readwrite") complete = true;
      return original.call(this, event);
    });
    await store.commit([put("people", person)], "Person");
    expect(begun.mock.calls[0]![2]).toEqual({ durability: "strict" });
    expect(complete).toBe(true);
  });
  it("stamps and counts revisions, and numbers commits without a gap", async () => {
    const store = await open();
    expect((await store.commit([put("weighIns", weighed(71))], "a")).sequence).toBe(1);
    expect((await store.commit([put("weighIns", weighed(71.5))], "b")).sequence).toBe(2);
    const record = (await logOf(store)).records.weighIns.get("w")!;
    expect(record).toMatchObject({ kg: 71.5, revision: 2 });
    expect(record.changed).toMatch(/^\d{4}-.*\/\d+\/.+/);
  });
  it("refuses an unsound record and writes nothing of the change", async () => {
    const store = await open();
    await expect(store.commit([put("weighIns", weighed(71)), put("weighIns", weighed(-3, "2026-06-02", "x"))], "a")).rejects.toMatchObject({ kind: "invalid" });
    expect((await logOf(store)).records.weighIns.size).toBe(0);
  });
  it("keeps one primary weigh-in a day, whoever wrote it first", async () => {
    const store = await open();
    await store.commit([put("weighIns", weighed(71, "2026-06-01", "first"))], "a");
    await store.commit([put("weighIns", weighed(72, "2026-06-01", "second")), put("weighIns", weighed(73, "2026-06-01", "evening", { primary: false }))], "b");
    const { weighIns } = (await logOf(store)).records;
    expect([...weighIns.keys()].sort()).toEqual(["evening", "first"]);
    expect(weighIns.get("first")!.kg).toBe(72);
  });
  it("writes only what differs from its base, so two hands on one session both win", async () => {
    const store = await open();
    const base: Session = { id: "s", personId: "p", date: "2026-06-01", kind: "strength", status: "planned", items: [{ id: "i", exerciseId: "e", sets: [{ id: "1" }, { id: "2" }] }] };
    const withSet = (index: number): Session => ({ ...base, items: [{ ...base.items![0]!, sets: base.items![0]!.sets.map((set, at) => (at === index ? { ...set, done: { reps: 5 } } : set)) }] });
    await store.commit([put("sessions", base)], "plan");
    await store.commit([put("sessions", withSet(0), base)], "set 1");
    await store.commit([put("sessions", withSet(1), base)], "set 2");
    expect((await logOf(store)).records.sessions.get("s")!.items![0]!.sets.map(({ done }) => done?.reps)).toEqual([5, 5]);
  });
});

describe("undo and redo", () => {
  it("go back and forth through every kind of change, also after reopening", async () => {
    let store = await open();
    const states: string[] = [await plain(store)];
    const changes = [[put("people", person)], [put("weighIns", weighed(71))], [put("weighIns", weighed(70)), put("weighIns", weighed(69, "2026-06-02", "v"))], [{ remove: { kind: "weighIns" as const, id: "w" } }]];
    for (const [index, change] of changes.entries()) {
      await store.commit(change, `step ${index}`);
      states.push(await plain(store));
    }
    store.close();
    store = await open();
    for (let index = changes.length - 1; index >= 0; index--) {
      expect((await store.undo())?.label).toBe(`step ${index}`);
      expect(await plain(store)).toBe(states[index]);
    }
    expect(await store.undo()).toBeNull();
    for (let index = 1; index <= changes.length; index++) {
      expect((await store.redo())?.label).toBe(`step ${index - 1}`);
      expect(await plain(store)).toBe(states[index]);
    }
    expect(await store.redo()).toBeNull();
    expect((await logOf(store)).removed.size).toBe(1);
  });
  it("a new commit ends what could be redone", async () => {
    const store = await open();
    await store.commit([put("weighIns", weighed(71))], "a");
    await store.undo();
    await store.commit([put("weighIns", weighed(72))], "b");
    expect(await store.redo()).toBeNull();
    expect(await kgOf(store)).toBe(72);
  });
  it("an undo leaves the other field that another hand changed since", async () => {
    const store = await open();
    await store.commit([put("weighIns", weighed(71))], "a");
    await store.commit([put("weighIns", weighed(70), weighed(71))], "b");
    await store.database.put("records", { kind: "weighIns", id: "w", record: { ...(await logOf(store)).records.weighIns.get("w")!, note: "theirs" } });
    await store.undo();
    expect((await logOf(store)).records.weighIns.get("w")).toMatchObject({ kg: 71, note: "theirs" });
  });
  it("a whole log that was replaced comes back, unknown top-level keys included", async () => {
    const store = await open();
    await store.commit([put("people", person), put("weighIns", weighed(71))], "a");
    const other = emptyLog({ household: 1 });
    putRecord(other, "people", { id: "q", name: "Other" });
    const before = await plain(store);
    await store.replace(other, "Import");
    expect((await logOf(store)).extra).toEqual({ household: 1 });
    const after = await plain(store);
    await store.undo();
    expect(await plain(store)).toBe(before);
    await store.redo();
    expect(await plain(store)).toBe(after);
  });
});

describe("readers", () => {
  it("follow from the journal and equal a fresh reading; a replacement makes them read anew", async () => {
    const [mine, theirs] = [await open(), await open()];
    await mine.commit([put("people", person)], "a");
    const { log, sequence } = await readLog(theirs.database);
    await mine.commit([put("weighIns", weighed(71))], "b");
    await mine.commit([{ remove: { kind: "weighIns", id: "w" } }], "c");
    await mine.undo();
    const reached = await catchUp(theirs.database, log, sequence);
    expect(reached).toBe(4);
    expect(archiveOf(log, "")).toEqual(archiveOf(await logOf(mine), ""));
    await mine.replace(emptyLog(), "emptied");
    expect(await catchUp(theirs.database, log, reached!)).toBeNull();
  });
  it("are hinted at after the commit", async () => {
    const store = await open();
    const channel = new BroadcastChannel("oat-column-own");
    const heard = new Promise((resolve) => { channel.onmessage = (event) => resolve((event as MessageEvent).data); });
    const { sequence } = await store.commit([put("people", person)], "a");
    expect(await heard).toBe(sequence);
    channel.close();
  });
});

describe("bad days of the browser's storage", () => {
  it("a full disk: a plain message, nothing of the change, all that was before", async () => {
    const store = await open();
    await store.commit([put("weighIns", weighed(71))], "a");
    const original = IDBObjectStore.prototype.put;
    vi.spyOn(IDBObjectStore.prototype, "put").mockImplementation(function (this: IDBObjectStore, ...given) {
      if (this.name === "history") throw new DOMException("full", "QuotaExceededError");
      return original.apply(this, given);
    });
    await expect(store.commit([put("weighIns", weighed(60))], "b")).rejects.toMatchObject({ kind: "full", message: expect.stringContaining("everything written before is safe") as string });
    vi.restoreAllMocks();
    expect(await kgOf(store)).toBe(71);
    await store.commit([put("weighIns", weighed(70))], "c");
    expect(await kgOf(store)).toBe(70);
  });
  it("no storage, a blocked upgrade, a newer layout", async () => {
    const holder = await openDB("oat-column-demo", 99);
    await expect(Store.open("demo")).rejects.toMatchObject({ kind: "newer" });
    holder.close();
    vi.stubGlobal("indexedDB", undefined);
    await expect(Store.open("own")).rejects.toBeInstanceOf(StoreProblem);
    vi.unstubAllGlobals();
    globalThis.indexedDB = new IDBFactory();
    // A connection to an older layout that does not close when asked to.
    await new Promise((resolve) => { const request = indexedDB.open("oat-column-own", 1); request.onsuccess = resolve; });
    const realOpen = indexedDB.open.bind(indexedDB);
    vi.spyOn(indexedDB, "open").mockImplementation((name) => realOpen(name, 2));
    await expect(Store.open("own")).rejects.toMatchObject({ kind: "blocked" });
  });
});
