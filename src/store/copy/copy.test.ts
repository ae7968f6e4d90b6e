import { dateOf, mustDay } from "@/core/base/calendar/day";
import type { WeighIn } from "@/core/log/kinds/weighIns";
import { emptyLog, putRecord } from "@/core/log/log";
import { mend } from "@/core/log/mend";
import { type AnyRecord, put } from "@/core/log/records";
import { Random } from "@/demo/random";
import { archiveOf } from "@/formats/archive/write";
import { IDBFactory } from "fake-indexeddb";
import "fake-indexeddb/auto";
import fc from "fast-check";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { Locks } from "../../../tests/locks";
import { MemoryDisk, MemoryFolder } from "../../../tests/memoryFolder";
import { openDatabase, headOf } from "../database";
import { compactJournal } from "../compactJournal";
import { layOut } from "../pages";
import { readLog } from "../reader";
import { Store } from "../store";
import { Copyist } from "./copyist";
import { type CopyEntry, frameOf, framesIn } from "./frames";
import { reserveBytes, reserveFile } from "./folder";
import { readCopy, restore } from "./restore";

const start = mustDay("2026-01-01");
const weighIn = (index: number, kg: number): WeighIn => ({
  id: `w${index}`,
  personId: "p",
  date: dateOf(start + index),
  kg,
  primary: true,
});

/** One tab: its store, with its copyist beside it. */
async function tab(folder: MemoryFolder, told: { lacks: string | null }[] = []) {
  const database = await openDatabase("own");
  const copyist = new Copyist("own", folder, database);
  const state = await copyist.open();
  const store = new Store("own", database, {
    room: (bytes) => copyist.room(bytes),
    keep: async (entry, standing, photos) => {
      const lacks = await copyist.keep(entry, standing, photos).then(
        () => null,
        (error: unknown) => (error as Error).message,
      );
      told.push({ lacks });
      return lacks;
    },
  });
  return {
    state,
    store,
    copyist,
    database,
    close: () => {
      copyist.close();
      store.close();
    },
  };
}

const archiveNow = async (database: Awaited<ReturnType<typeof openDatabase>>) =>
  JSON.stringify(archiveOf((await readLog(database)).log, ""));

/** The browser throws its database away; what comes back from the copy. */
async function afterLoss(folder: MemoryFolder) {
  globalThis.indexedDB = new IDBFactory();
  folder.letGo();
  const reading = await readCopy(folder, "own");
  const database = await openDatabase("own");
  const restored = reading === null ? null : await restore(database, reading);
  return { reading, restored, database };
}

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  vi.stubGlobal("navigator", { locks: new Locks() });
});

describe("frames", () => {
  const entry = (sequence: number): CopyEntry => ({
    sequence,
    stamp: `s${sequence}`,
    puts: [{ kind: "weighIns", id: "w", record: weighIn(sequence, 70) }],
    removed: [],
  });

  it("are found among any bytes, whole ones alone, wherever the disk ended or was damaged", async () => {
    const frames = await Promise.all([1, 2, 3].map((one) => frameOf(entry(one))));
    const all = Uint8Array.from(frames.flatMap((frame) => [...frame]));
    expect((await framesIn(all)).map(({ entry: { sequence } }) => sequence)).toEqual([1, 2, 3]);
    await fc.assert(
      fc.asyncProperty(fc.nat(all.byteLength - 1), fc.nat(255), fc.boolean(), async (at, byte, cut) => {
        const damaged = cut ? new Uint8Array(all.byteLength) : all.slice();
        if (cut) damaged.set(all.subarray(0, at));
        else damaged[at] = byte;
        const found = await framesIn(damaged);
        for (const one of found) expect(one.entry).toEqual(entry(one.entry.sequence));
        const untouched = frames.filter((frame, index) => {
          const from = frames.slice(0, index).reduce((sum, { byteLength }) => sum + byteLength, 0);
          return cut ? from + frame.byteLength <= at : at < from || at >= from + frame.byteLength;
        });
        expect(found.length).toBeGreaterThanOrEqual(untouched.length);
      }),
      { numRuns: 150 },
    );
  });
});

describe("the second copy", () => {
  it("brings back everything that was said to be saved, whatever was edited, folded, snapshot and undone before the database was lost", async () => {
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 1, max: 1e6 }), async (seed) => {
        globalThis.indexedDB = new IDBFactory();
        const random = new Random(seed);
        const folder = new MemoryFolder();
        const tabs = [await tab(folder), await tab(folder)];
        await tabs[0]!.store.commit([put("people", { id: "p", name: "A" })], "begin");
        for (let round = 0; round < 25; round++) {
          const { store, copyist, database } = random.pick(tabs);
          const drawn = random.next();
          const index = Math.floor(random.next() * 60);
          if (drawn < 0.1) await store.undo();
          else if (drawn < 0.15) await store.commit([{ remove: { kind: "weighIns", id: `w${index}` } }], "removal");
          else if (drawn < 0.22) await compactJournal(database, "own", 1);
          else if (drawn < 0.32) await copyist.snapshot();
          else if (drawn < 0.36) {
            const log = emptyLog({ household: round });
            putRecord(log, "people", { id: "p", name: "B" });
            putRecord(log, "weighIns", weighIn(index, 60));
            await store.replace(layOut(log), "import");
          } else await store.commit([put("weighIns", weighIn(index, 60 + round / 10))], "weigh-in");
        }
        const before = await archiveNow(tabs[0]!.database);
        const { sequence, node } = headOf(await tabs[0]!.database.get("meta", "standing"));
        for (const one of tabs) one.close();
        const { reading, restored, database } = await afterLoss(folder);
        expect(reading).toMatchObject({ sequence, node, missing: 0 });
        expect(restored!.missing).toBe(0);
        expect(await archiveNow(database)).toBe(before);
        // And the log goes on: under the same name, with a copy of what was brought back.
        const again = await tab(folder);
        expect(again.state).toBe("kept");
        await again.store.commit([put("weighIns", weighIn(3, 99))], "after");
        expect(headOf(await again.database.get("meta", "standing")).node).toBe(node);
        const after = await archiveNow(again.database);
        again.close();
        expect(await archiveNow((await afterLoss(folder)).database)).toBe(after);
      }),
      { numRuns: 20 },
    );
  });

  it("holds what was written by a tab that died before it could note it, once another is opened", async () => {
    const folder = new MemoryFolder();
    const first = await tab(folder);
    await first.store.commit([put("people", { id: "p", name: "A" })], "begin");
    const dying = new Store("own", first.database);
    await dying.commit([put("weighIns", weighIn(1, 71))], "not noted");
    await first.store.commit([put("weighIns", weighIn(2, 72))], "noted");
    first.close();
    expect((await readCopy(folder, "own"))!.missing).toBe(1);
    const second = await tab(folder);
    await second.copyist.pay();
    const before = await archiveNow(second.database);
    second.close();
    const { restored, database } = await afterLoss(folder);
    expect(restored).toMatchObject({ missing: 0, records: 3 });
    expect(await archiveNow(database)).toBe(before);
  });

  it("of a log that is older than it is made at rest, by a snapshot", async () => {
    const plain = new Store("own", await openDatabase("own"));
    await plain.commit([put("people", { id: "p", name: "A" })], "before");
    for (let index = 0; index < 5; index++) await plain.commit([put("weighIns", weighIn(index, 70 + index))], "before");
    await compactJournal(plain.database, "own", 1);
    await plain.database.clear("journal");
    const folder = new MemoryFolder();
    const one = await tab(folder);
    expect(one.copyist.isLong).toBe(true);
    await one.copyist.pay();
    expect(one.copyist.settled).toBe(6);
    expect(one.copyist.isLong).toBe(false);
    const before = await archiveNow(one.database);
    one.close();
    expect(await archiveNow((await afterLoss(folder)).database)).toBe(before);
  });

  it("tells that the database has fallen behind it, and brings it up without losing what can be undone", async () => {
    const folder = new MemoryFolder();
    const one = await tab(folder);
    await one.store.commit([put("people", { id: "p", name: "A" })], "begin");
    await one.store.commit([put("weighIns", weighIn(1, 71))], "kept");
    const keys = ["journal", "history", "meta"] as const;
    const older = await Promise.all(
      keys.map(
        async (store) => [store, await one.database.getAll(store), await one.database.getAllKeys(store)] as const,
      ),
    );
    await one.store.commit([put("weighIns", weighIn(1, 72)), put("weighIns", weighIn(2, 70))], "lost by the browser");
    const before = await archiveNow(one.database);
    one.close();
    const database = await openDatabase("own");
    for (const [store, values, ids] of older) {
      await database.clear(store);
      for (const [index, value] of values.entries())
        await database.put(store, value as never, store === "meta" ? (ids[index] as never) : undefined);
    }
    folder.letGo();
    const again = await tab(folder);
    expect(again.state).toBe("ahead");
    await restore(database, (await readCopy(folder, "own"))!);
    expect(await archiveNow(database)).toBe(before);
    expect((await again.store.undo())?.label).toBe("kept");
    again.close();
    database.close();
  });

  it("whose newer snapshot is damaged brings back what the older one and the slots hold, and counts what is missing", async () => {
    const folder = new MemoryFolder();
    const one = await tab(folder);
    await one.store.commit([put("people", { id: "p", name: "A" })], "begin");
    await one.copyist.snapshot();
    for (let index = 0; index < 4; index++) await one.store.commit([put("weighIns", weighIn(index, 70))], "weigh-in");
    await one.copyist.snapshot();
    await one.store.commit([put("weighIns", weighIn(9, 79))], "after");
    one.close();
    const snapshots = folder.all().filter(([name]) => name.includes("snapshot"));
    const newer = snapshots.map(([, file]) => file).sort((a, b) => b.bytes.byteLength - a.bytes.byteLength)[0]!;
    newer.bytes.fill(7, newer.bytes.byteLength - 40);
    const { restored, database } = await afterLoss(folder);
    expect(restored).toMatchObject({ missing: 4, records: 2 });
    expect((await readLog(database)).log.records.weighIns.get("w9")?.kg).toBe(79);
  });

  it("is not laid down over what it holds whole when a stored page is torn, folded or not; mending brings all of that back", async () => {
    const folder = new MemoryFolder(new MemoryDisk());
    const one = await tab(folder);
    await one.store.commit([put("people", { id: "p", name: "A" })], "begin");
    for (let index = 0; index < 60; index++) await one.store.commit([put("weighIns", weighIn(index, 70))], "weigh-in");
    await compactJournal(one.database, "own", 0);
    await one.copyist.snapshot();
    const before = await archiveNow(one.database);
    const page = (await one.database.get("pages", [0, "weighIns", "2026-01"]))!;
    await one.database.put("pages", { ...page, text: page.text.slice(0, 900) });
    await expect(one.copyist.snapshot()).rejects.toThrow("the copy may hold it whole");
    expect(one.copyist.isLong).toBe(false);
    await one.store.commit([put("weighIns", weighIn(3, 99))], "after");
    await compactJournal(one.database, "own", 0);
    await expect(one.copyist.snapshot()).rejects.toThrow("the copy may hold it whole");
    const { log } = await readLog(one.database);
    expect([log.records.weighIns.size, log.unread.length]).toEqual([30, 1]);
    const { brought, out } = mend(log, (await readCopy(folder, "own"))!.log);
    expect([brought, out.length, log.unread.length]).toEqual([30, 1, 0]);
    await one.store.replace(layOut(log), "repair");
    expect((await readLog(one.database)).log.records.weighIns.get("w3")!.kg).toBe(99);
    await one.store.commit([put("weighIns", { ...weighIn(3, 70) })], "as it was");
    const strip = (text: string) =>
      JSON.stringify(JSON.parse(text), (key, value: unknown) =>
        ["changed", "revision", "past"].includes(key) ? undefined : value,
      );
    expect(strip(await archiveNow(one.database))).toBe(strip(before));
    await one.copyist.snapshot();
    one.close();
    expect((await readCopy(folder, "own"))!.log.records.weighIns.size).toBe(60);
  });

  it("leaves nothing of a log that was emptied in its files, in any tab's slot", async () => {
    const folder = new MemoryFolder();
    const [one, two] = [await tab(folder), await tab(folder)];
    await one.store.commit([put("people", { id: "p", name: "Secretname" })], "begin");
    await two.store.commit([put("weighIns", { ...weighIn(1, 71), note: "Secretnote" })], "weigh-in");
    await one.copyist.snapshot();
    await two.store.commit([put("weighIns", { ...weighIn(2, 71), note: "Secretnote" })], "weigh-in");
    await one.store.replace(layOut(emptyLog()), "Log emptied");
    two.copyist.settle(one.copyist.settled);
    const left = folder.all().filter(([, { bytes }]) => new TextDecoder("latin1").decode(bytes).includes("Secret"));
    expect(left.map(([name]) => name)).toEqual([]);
    one.close();
    two.close();
    const { restored } = await afterLoss(folder);
    expect(restored).toMatchObject({ records: 0, missing: 0 });
  });

  it("holds the photographs that the log speaks of, and lets go of those it no longer does", async () => {
    const folder = new MemoryFolder();
    const one = await tab(folder);
    await one.store.commit([put("people", { id: "p", name: "A" })], "begin");
    const photo = (id: string) => [put("photos", { id, personId: "p", date: "2026-06-01", file: `${id}.jpg` })];
    await one.store.commit(photo("a"), "photograph", [{ file: "a.jpg", bytes: new Uint8Array([1, 2, 3]) }]);
    await one.database.delete("photos", "a.jpg");
    await one.store.commit(photo("b"), "photograph", [{ file: "b.jpg", bytes: new Uint8Array([4, 5]) }]);
    await one.copyist.snapshot();
    one.close();
    const { restored, database } = await afterLoss(folder);
    expect(restored!.photos).toBe(1);
    expect((await database.get("photos", "b.jpg"))!.bytes).toEqual(new Uint8Array([4, 5]));
    expect(await database.get("photos", "a.jpg")).toBeUndefined();
  });

  it("is of one database: one begun anew beside it does not mix with it, and the newest is what comes back", async () => {
    const folder = new MemoryFolder();
    const one = await tab(folder);
    await one.store.commit([put("people", { id: "p", name: "First" })], "begin");
    one.close();
    globalThis.indexedDB = new IDBFactory();
    folder.letGo();
    const two = await tab(folder);
    await two.store.commit([put("people", { id: "q", name: "Second" })], "begin anew");
    two.close();
    const { reading } = await afterLoss(folder);
    expect([...reading!.log.records.people.values()].map(({ name }) => name)).toEqual(["Second"]);
    expect(await (await folder.folder("own")).folders()).toHaveLength(2);
  });
});

describe("a full disk", () => {
  it("is found out before anything is written, and what was reserved still takes what was begun", async () => {
    const disk = new MemoryDisk(40_000_000);
    const folder = new MemoryFolder(disk);
    const told: { lacks: string | null }[] = [];
    const one = await tab(folder, told);
    await one.store.commit([put("people", { id: "p", name: "A" })], "begin");
    const used = disk.used;
    expect(await one.copyist.room(1000)).toBe(true);
    expect(disk.used).toBe(used);
    disk.size = disk.used;
    await expect(one.store.commit([put("weighIns", weighIn(1, 71))], "refused")).rejects.toMatchObject({
      kind: "noRoom",
    });
    // A commit that was under way when the disk ran full.
    const direct = new Store("own", one.database);
    await direct.commit([put("weighIns", weighIn(2, 72))], "under way");
    const entry = (await one.database.getAll("journal")).at(-1)!;
    await one.copyist.keep(entry, headOf(await one.database.get("meta", "standing")), []);
    await expect(one.copyist.snapshot()).rejects.toThrow("the disk is full");
    disk.size = 60_000_000;
    await one.store.commit([put("weighIns", weighIn(1, 71))], "now");
    await one.copyist.snapshot();
    const before = await archiveNow(one.database);
    one.close();
    const { restored, database } = await afterLoss(folder);
    expect(restored!.missing).toBe(0);
    expect(await archiveNow(database)).toBe(before);
  });

  it("that is full before the reserve lies takes nothing: what is said to be saved has it beside it", async () => {
    for (const size of [0, 5e6, 15e6, 27e6, 28.9e6, 40e6]) {
      globalThis.indexedDB = new IDBFactory();
      const folder = new MemoryFolder(new MemoryDisk(size));
      const one = await tab(folder);
      const written = await one.store.commit([put("people", { id: "p", name: "A" })], "begin").then(
        () => true,
        () => false,
      );
      const reserved = (await folder.read(reserveFile))?.size ?? 0;
      expect([written, reserved], `of ${size}`).toEqual(size >= 28.9e6 ? [true, reserveBytes] : [false, 0]);
      one.close();
    }
  });

  it("between the commit and the copy is told with the commit, and made good with the next one", async () => {
    const disk = new MemoryDisk();
    const folder = new MemoryFolder(disk);
    const told: { lacks: string | null }[] = [];
    const one = await tab(folder, told);
    await one.store.commit([put("people", { id: "p", name: "A" })], "begin");
    const long = "x".repeat(15_000);
    // Ample room was found a moment ago; then another program takes all of it.
    await one.copyist.room(100_000);
    disk.size = disk.used + 200_000;
    for (let index = 0; told.at(-1)!.lacks === null && index < 100; index++) {
      await one.store.commit([put("weighIns", { ...weighIn(index, 71), note: long })], "weigh-in").catch(() => {});
    }
    disk.size = Infinity;
    await one.store.commit([put("weighIns", weighIn(200, 71))], "after");
    expect(told.at(-1)!.lacks).toBeNull();
    const before = await archiveNow(one.database);
    one.close();
    const { restored, database } = await afterLoss(folder);
    expect(restored!.missing).toBe(0);
    expect(await archiveNow(database)).toBe(before);
  });

  it("in the middle of a snapshot leaves the one before in force", async () => {
    for (let left = 0; left < 3000; left += 97) {
      globalThis.indexedDB = new IDBFactory();
      const disk = new MemoryDisk();
      const folder = new MemoryFolder(disk);
      const one = await tab(folder);
      await one.store.commit(
        [
          put("people", { id: "p", name: "A" }),
          ...Array.from({ length: 30 }, (_, index) => put("weighIns", weighIn(index, 70 + index))),
        ],
        "begin",
      );
      await one.copyist.snapshot();
      await one.store.commit(
        [
          put("weighIns", {
            ...weighIn(40, 71),
            note: Array.from({ length: 300 }, (_, index) => (index * 7919) % 997).join(" "),
          } as AnyRecord as WeighIn),
        ],
        "after",
      );
      disk.size = disk.used + left;
      await one.copyist.snapshot().catch(() => {});
      const before = await archiveNow(one.database);
      one.close();
      const { restored, database } = await afterLoss(folder);
      expect(restored!.missing, `with ${left} bytes left`).toBe(0);
      expect(await archiveNow(database)).toBe(before);
    }
  });
});
