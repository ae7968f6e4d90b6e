import type { Person } from "@/core/log/kinds/people";
import { emptyLog } from "@/core/log/log";
import { put, type RecordOf } from "@/core/log/records";
import { readArchive } from "@/formats/archive/read";
import { packArchive } from "@/formats/archive/write";
import { photoFile } from "@/formats/importing/photoFile";
import { IDBFactory } from "fake-indexeddb";
import "fake-indexeddb/auto";
import { createHash } from "node:crypto";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Locks } from "../../tests/locks";
import { layOut } from "./pages";
import { releasePhotos } from "./photos";
import { readLog } from "./reader";
import { Store } from "./store";

const person: Person = { id: "p", name: "Rower" };
const bytesOf = (...values: number[]) => new Uint8Array([0xff, 0xd8, 0xff, ...values]);
const photo = (id: string, file: string): RecordOf<"photos"> => ({ id, personId: "p", date: "2026-06-01", file });
const stores: Store[] = [];
const open = async () => {
  const store = await Store.open("own");
  stores.push(store);
  return store;
};
const release = async (store: Store) => {
  const { log, sequence } = await readLog(store.database);
  return releasePhotos(store.database, log, sequence);
};

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  vi.stubGlobal("navigator", { locks: new Locks() });
});
afterEach(() => {
  for (const store of stores.splice(0)) store.close();
});

describe("photographs", () => {
  it("are named by their content", async () => {
    expect(await photoFile(bytesOf(1, 2))).toBe(`${createHash("sha256").update(bytesOf(1, 2)).digest("hex")}.jpg`);
    expect(await photoFile(new Uint8Array([0x89, 0x50]))).toMatch(/\.png$/);
  });
  it("are written with their record or not at all", async () => {
    const store = await open();
    await store.commit([put("people", person), put("photos", photo("a", "a.jpg"))], "Photograph", [
      { file: "a.jpg", bytes: bytesOf(1) },
    ]);
    expect(await store.photo("a.jpg")).toEqual(bytesOf(1));
    expect(await store.photo("b.jpg")).toBeNull();
    await expect(
      store.commit([put("photos", { ...photo("b", "b.jpg"), date: "no date" })], "b", [
        { file: "b.jpg", bytes: bytesOf(2) },
      ]),
    ).rejects.toThrow("photos date");
    expect(await store.photo("b.jpg")).toBeNull();
  });
  it("are let go only when nothing could bring them back", async () => {
    const store = await open();
    await store.commit([put("people", person)], "Person");
    await store.commit([put("photos", photo("a", "a.jpg"))], "Photograph", [{ file: "a.jpg", bytes: bytesOf(1) }]);
    await store.commit([{ remove: { kind: "photos", id: "a", date: "2026-06-01" } }], "removed");
    // Undo would bring it back.
    expect(await release(store)).toBe(0);
    await store.undo();
    expect((await readLog(store.database)).log.records.photos.get("a")).toMatchObject({ file: "a.jpg" });
    await store.undo();
    expect(await release(store)).toBe(0);
    // A new change ends what could be done again, and with it the last that spoke of the picture.
    await store.commit([put("people", { ...person, name: "Sculler" })], "Name");
    expect(await release(store)).toBe(1);
    expect(await store.photo("a.jpg")).toBeNull();
  });
  it("stay while a replaced log can come back, and when the log in memory is behind", async () => {
    const store = await open();
    await store.commit([put("people", person), put("photos", photo("a", "a.jpg"))], "Photograph", [
      { file: "a.jpg", bytes: bytesOf(1) },
    ]);
    const { log } = await readLog(store.database);
    await store.replace(layOut(emptyLog()), "Log emptied");
    expect(await release(store)).toBe(0);
    expect(await releasePhotos(store.database, log, 1)).toBe(0);
    await store.undo();
    expect(await store.photo("a.jpg")).toEqual(bytesOf(1));
  });
  it("go out and in with the archive byte for byte, and the same log gives the same zip", async () => {
    const log = emptyLog();
    const pictures = new Map([
      ["a.jpg", bytesOf(1, 2, 3)],
      ["b.png", new Uint8Array([0x89, 9, 9])],
    ]);
    const zip = packArchive(log, "2026-06-11T06:10:00Z", pictures);
    expect(packArchive(log, "2026-06-11T06:10:00Z", pictures)).toEqual(zip);
    expect(readArchive(zip)).toMatchObject({ ok: true, photos: pictures });
    expect(
      readArchive(packArchive(log, "2026-06-11T06:10:00Z", new Map([["big.jpg", new Uint8Array(31_000_000)]]))),
    ).toEqual({ ok: false, problems: [{ path: "photos/big.jpg", message: "the photograph is larger than 30 MB" }] });
  });
});
