import type { Person } from "@/core/log/kinds/people";
import type { Session } from "@/core/log/kinds/sessions";
import type { WeighIn } from "@/core/log/kinds/weighIns";
import { emptyLog, type Log, putRecord } from "@/core/log/log";
import { LogIndex } from "@/core/log/logIndex";
import { put } from "@/core/log/records";
import { sameDayRecord } from "@/core/log/sameDay";
import { isStamp } from "@/core/log/stamp";
import { archiveOf } from "@/formats/archive/write";
import { IDBFactory } from "fake-indexeddb";
import "fake-indexeddb/auto";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Locks } from "../../tests/locks";
import { openDatabase } from "./database";
import { compactJournal } from "./compactJournal";
import { layOut } from "./pages";
import { StoreProblem } from "./problems";
import { catchUp, readLog } from "./reader";
import { keptOf, saveAnswers } from "./saved";
import { Store } from "./store";

const person: Person = { id: "p", name: "Rower" };
const weighed = (kg: number, date = "2026-06-01", id = "w", extra: Partial<WeighIn> = {}): WeighIn => ({
  id,
  personId: "p",
  date,
  kg,
  primary: true,
  ...extra,
});
const stores: Store[] = [];

async function open(): Promise<Store> {
  const store = await Store.open("own");
  stores.push(store);
  return store;
}
const logOf = async (store: Store): Promise<Log> => (await readLog(store.database)).log;
const kgOf = async (store: Store, id = "w") => (await logOf(store)).records.weighIns.get(id)?.kg;
/** The log without what a commit stamps, to compare before with after. */
const plain = async (store: Store) =>
  JSON.stringify({ ...archiveOf(await logOf(store), ""), removed: [] }, (key, value: unknown) =>
    ["changed", "revision", "past"].includes(key) ? undefined : value,
  );

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  vi.stubGlobal("navigator", { locks: new Locks() });
});
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
    vi.spyOn(IDBTransaction.prototype, "dispatchEvent").mockImplementation(function (
      this: IDBTransaction,
      event: Event,
    ) {
      if (event.type === "complete" && this.mode === "readwrite") complete = true;
      return original.call(this, event);
    });
    await store.commit([put("people", person)], "Person");
    expect(begun.mock.calls[0]![2]).toEqual({ durability: "strict" });
    expect(complete).toBe(true);
  });
  it("stamps later than what another device wrote with its clock ahead, and believes no clock that is ahead by years", async () => {
    const store = await open();
    const ahead = `${new Date(Date.now() + 40_000_000).toISOString()}/0000/phone`;
    await store.commit([put("weighIns", weighed(71))], "a");
    const held = (await logOf(store)).records.weighIns.get("w")!;
    await store.commit([put("weighIns", { ...held, kg: 71.5, revision: 7, changed: ahead }, held)], "merged");
    const merged = (await logOf(store)).records.weighIns.get("w")!;
    expect(merged.changed! > ahead).toBe(true);
    expect(merged).toMatchObject({ kg: 71.5, revision: 8 });
    await store.commit([put("weighIns", { ...merged, kg: 72 }, merged)], "b");
    const later = (await logOf(store)).records.weighIns.get("w")!;
    expect(later.changed! > merged.changed!).toBe(true);
    for (const poison of ["2099-01-01T00:00:00.000Z/0000/phone", "zzz", "z".repeat(100)])
      await store.commit([put("weighIns", weighed(73, "2026-06-02", "x", { changed: poison }))], "poison");
    await store.commit([put("weighIns", { ...later, kg: 74 }, later)], "c");
    const log = await logOf(store);
    for (const { changed } of log.records.weighIns.values())
      expect([isStamp(changed!), changed! < new Date(Date.now() + 90_000_000).toISOString()]).toEqual([true, true]);
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
    await expect(
      store.commit([put("weighIns", weighed(71)), put("weighIns", weighed(-3, "2026-06-02", "x"))], "a"),
    ).rejects.toMatchObject({ kind: "invalid" });
    expect((await logOf(store)).records.weighIns.size).toBe(0);
  });
  it("refuses what two sound changes would make together when that is not sound, and writes nothing of it", async () => {
    const [mine, theirs] = [await open(), await open()];
    const parts = (from: number, count: number) =>
      Array.from({ length: count }, (_, index) => ({ id: `i${from + index}`, exerciseId: "e", sets: [] }));
    const session = {
      id: "s",
      personId: "p",
      date: "2026-06-01",
      kind: "strength",
      status: "done",
      items: parts(0, 300),
    } as Session;
    await mine.commit([put("sessions", session)], "a");
    await theirs.commit(
      [put("sessions", { ...session, items: [...session.items!, ...parts(300, 150)] }, session)],
      "b",
    );
    await expect(
      mine.commit(
        [
          put("weighIns", weighed(71)),
          put("sessions", { ...session, items: [...session.items!, ...parts(450, 150)] }, session),
        ],
        "c",
      ),
    ).rejects.toMatchObject({ kind: "invalid" });
    const log = await logOf(mine);
    expect([log.records.sessions.get("s")!.items!.length, log.records.weighIns.size]).toEqual([450, 0]);
  });
  it("joins what was done of one set in two tabs, and a weigh-in to the one of its morning that it did not know", async () => {
    const [mine, theirs] = [await open(), await open()];
    const session = {
      id: "s",
      personId: "p",
      date: "2026-06-01",
      kind: "strength",
      status: "planned",
      items: [{ id: "i", exerciseId: "e", sets: [{ id: "1" }] }],
    } as Session;
    const withDone = (done: object) =>
      ({ ...session, items: [{ ...session.items![0]!, sets: [{ id: "1", done }] }] }) as Session;
    await mine.commit([put("sessions", session)], "a");
    await mine.commit([put("sessions", withDone({ kg: 100, reps: 5 }), session)], "b");
    expect(await theirs.commit([put("sessions", withDone({ rpe: 8 }), session)], "c")).toMatchObject({ clashes: [] });
    expect((await logOf(mine)).records.sessions.get("s")!.items![0]!.sets[0]!.done).toEqual({
      kg: 100,
      reps: 5,
      rpe: 8,
    });
    await mine.commit([put("weighIns", weighed(71, "2026-06-01", "w", { note: "salty" }))], "d");
    expect(
      await theirs.commit([put("weighIns", weighed(71.4, "2026-06-01", "other", { time: "06:40" }))], "e"),
    ).toMatchObject({ clashes: [{ path: ["kg"], theirs: 71, ours: 71.4, blind: true }] });
    expect([...(await logOf(mine)).records.weighIns.values()]).toMatchObject([
      { id: "w", kg: 71.4, note: "salty", time: "06:40" },
    ]);
  });
  it("an unknown key of any look stays a key through an edit, its undo and a reading", async () => {
    const store = await open();
    const odd = { ...weighed(71), "#note": 1, "#": [2], odd: { "#x": { id: "y" } } } as unknown as WeighIn;
    await store.commit([put("weighIns", odd)], "a");
    const held = (await logOf(store)).records.weighIns.get("w")!;
    await store.commit([put("weighIns", { ...held, kg: 72, "#note": 2 } as WeighIn, held)], "b");
    expect((await logOf(store)).records.weighIns.get("w")).toMatchObject({
      kg: 72,
      "#note": 2,
      "#": [2],
      odd: { "#x": { id: "y" } },
    });
    await store.undo();
    expect((await logOf(store)).records.weighIns.get("w")).toMatchObject({ kg: 71, "#note": 1, "#": [2] });
  });
  it("is not begun when there is no room for it, and tells when the second copy does not hold it", async () => {
    const told = { room: true, lacks: null as string | null, kept: [] as unknown[] };
    const store = new Store("own", await openDatabase("own"), {
      room: () => Promise.resolve(told.room),
      keep: (entry, standing, photos) => {
        told.kept.push([entry.sequence, entry.puts.length, standing.node.length, photos.length]);
        return Promise.resolve(told.lacks);
      },
    });
    stores.push(store);
    expect(await store.commit([put("weighIns", weighed(71))], "a")).toMatchObject({ copyLacks: null });
    told.lacks = "the disk is full";
    expect(await store.commit([put("weighIns", weighed(72))], "b")).toMatchObject({
      sequence: 2,
      copyLacks: "the disk is full",
    });
    told.room = false;
    await expect(store.commit([put("weighIns", weighed(73))], "c")).rejects.toMatchObject({
      kind: "noRoom",
      message: expect.stringContaining("was not written") as string,
    });
    await expect(store.undo()).rejects.toMatchObject({ kind: "noRoom" });
    expect(await kgOf(store)).toBe(72);
    expect(told.kept).toEqual([
      [1, 1, 8, 0],
      [2, 1, 8, 0],
    ]);
  });
  it("keeps one primary weigh-in a day, whoever wrote it first", async () => {
    const store = await open();
    await store.commit([put("weighIns", weighed(71, "2026-06-01", "first"))], "a");
    await store.commit(
      [
        put("weighIns", weighed(72, "2026-06-01", "second")),
        put("weighIns", weighed(73, "2026-06-01", "evening", { primary: false })),
      ],
      "b",
    );
    const { weighIns } = (await logOf(store)).records;
    expect([...weighIns.keys()].sort()).toEqual(["evening", "first"]);
    expect(weighIns.get("first")!.kg).toBe(72);
  });
  it("changes, of two that were imported for one day, the one that the figures go by", async () => {
    const store = await open();
    const log = emptyLog();
    putRecord(log, "people", person);
    putRecord(log, "weighIns", weighed(71, "2026-06-01", "a", { time: "08:00" }));
    putRecord(log, "weighIns", weighed(72, "2026-06-01", "z", { time: "06:00" }));
    await store.replace(layOut(log), "Import");
    const standing = sameDayRecord(new LogIndex(log.records), "weighIns", "p", weighed(73));
    await store.commit([put("weighIns", weighed(73, "2026-06-01", "new"))], "weigh-in");
    expect([standing!.id, await kgOf(store, "a"), await kgOf(store, "z")]).toEqual(["z", 71, 73]);
  });
  it("writes only what differs from its base, so two tabs or devices on one session both win", async () => {
    const store = await open();
    const base: Session = {
      id: "s",
      personId: "p",
      date: "2026-06-01",
      kind: "strength",
      status: "planned",
      items: [{ id: "i", exerciseId: "e", sets: [{ id: "1" }, { id: "2" }] }],
    };
    const withSet = (index: number): Session => ({
      ...base,
      items: [
        {
          ...base.items![0]!,
          sets: base.items![0]!.sets.map((set, at) => (at === index ? { ...set, done: { reps: 5 } } : set)),
        },
      ],
    });
    await store.commit([put("sessions", base)], "plan");
    await store.commit([put("sessions", withSet(0), base)], "set 1");
    await store.commit([put("sessions", withSet(1), base)], "set 2");
    expect((await logOf(store)).records.sessions.get("s")!.items![0]!.sets.map(({ done }) => done?.reps)).toEqual([
      5, 5,
    ]);
  });
});

describe("undo and redo", () => {
  it("go back and forth through every kind of change, also after reopening", async () => {
    let store = await open();
    const states: string[] = [await plain(store)];
    const changes = [
      [put("people", person)],
      [put("weighIns", weighed(71))],
      [put("weighIns", weighed(70)), put("weighIns", weighed(69, "2026-06-02", "v"))],
      [{ remove: { kind: "weighIns" as const, id: "w" } }],
    ];
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
  it("an undo leaves the other field that another tab or device changed since", async () => {
    const store = await open();
    await store.commit([put("weighIns", weighed(71))], "a");
    await store.commit([put("weighIns", weighed(70), weighed(71))], "b");
    const seen = (await logOf(store)).records.weighIns.get("w")!;
    // A hand whose work is not in this history, as one that came with a merge.
    const standing = (await store.database.get("meta", "standing"))!;
    await store.database.put("journal", {
      sequence: 3,
      puts: [{ kind: "weighIns", id: "w", record: { ...seen, note: "theirs", revision: 3 } }],
      removed: [],
    });
    await store.database.put("meta", { ...standing, sequence: 3 }, "standing");
    await store.undo();
    expect((await logOf(store)).records.weighIns.get("w")).toMatchObject({ kg: 71, note: "theirs" });
  });
  it("a whole log that was replaced comes back, unknown top-level keys included", async () => {
    const store = await open();
    await store.commit([put("people", person), put("weighIns", weighed(71))], "a");
    const other = emptyLog({ household: 1 });
    putRecord(other, "people", { id: "q", name: "Other" });
    const before = await plain(store);
    await store.replace(layOut(other), "Import");
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
    await mine.replace(layOut(emptyLog()), "emptied");
    expect(await catchUp(theirs.database, log, reached!)).toBeNull();
  });
  it("are hinted at after the commit", async () => {
    const store = await open();
    const channel = new BroadcastChannel("oat-column-own");
    const heard = new Promise((resolve) => {
      channel.onmessage = (event) => resolve((event as MessageEvent).data);
    });
    const { sequence } = await store.commit([put("people", person)], "a");
    expect(await heard).toBe(sequence);
    channel.close();
  });
});

describe("pages", () => {
  const months = ["2026-04-10", "2026-05-10", "2026-06-10"];
  async function written(): Promise<Store> {
    const store = await open();
    await store.commit(
      [put("people", person), ...months.map((date, index) => put("weighIns", weighed(70 + index, date, `w${index}`)))],
      "a",
    );
    await store.commit(
      [put("meals", { id: "m", personId: "p", date: "2026-05-10", name: "soup", nutrients: { kcal: 300 } })],
      "b",
    );
    return store;
  }
  it("hold what the journal held, and the log reads the same", async () => {
    const store = await written();
    await store.commit([{ remove: { kind: "weighIns", id: "w0", date: "2026-04-10" } }], "c");
    const before = archiveOf(await logOf(store), "");
    expect(await compactJournal(store.database, "own", 1)).toBe(3);
    expect((await store.database.getAllKeys("pages")).map(([, kind, month]) => `${kind} ${month}`).sort()).toEqual([
      "meals 2026-05",
      "people ",
      "removed ",
      "weighIns 2026-05",
      "weighIns 2026-06",
    ]);
    expect(archiveOf(await logOf(store), "")).toEqual(before);
    expect(await compactJournal(store.database, "own", 1)).toBe(0);
  });
  it("are found by a commit, an undo and a removal, moved records included, and by a tab that has just opened", async () => {
    for (const folding of [false, true]) {
      globalThis.indexedDB = new IDBFactory();
      const first = await written();
      if (folding) await compactJournal(first.database, "own", 1);
      const store = await open();
      const base = (await logOf(store)).records.weighIns.get("w1")!;
      await store.commit([put("weighIns", { ...base, date: "2026-06-11" }, base)], "moved");
      if (folding) await compactJournal(store.database, "own", 1);
      expect((await logOf(store)).records.weighIns.get("w1")).toMatchObject({ date: "2026-06-11", revision: 2 });
      // Changed by a hand that saw it where it was before.
      await first.commit([put("weighIns", { ...base, kg: 71.5 }, base)], "edited");
      expect((await logOf(store)).records.weighIns.get("w1")).toMatchObject({
        date: "2026-06-11",
        kg: 71.5,
        revision: 3,
      });
      await first.commit([{ remove: { kind: "weighIns", id: "w1" } }], "removed");
      if (folding) await compactJournal(store.database, "own", 1);
      expect((await logOf(store)).records.weighIns.has("w1")).toBe(false);
      for (const wanted of [
        { date: "2026-06-11", kg: 71.5 },
        { date: "2026-06-11", kg: 71 },
        { date: "2026-05-10", kg: 71 },
      ]) {
        await store.undo();
        if (folding) await compactJournal(store.database, "own", 1);
        expect((await logOf(store)).records.weighIns.get("w1")).toMatchObject(wanted);
      }
    }
  });
  it("are folded by one hand at a time", async () => {
    const store = await written();
    await navigator.locks.request("oat-column-fold-own", async () => {
      expect(await compactJournal(store.database, "own", 1)).toBeNull();
      expect(await store.database.count("pages")).toBe(0);
    });
    const begun = vi.spyOn(store.database, "transaction");
    expect(await compactJournal(store.database, "own", 1)).toBe(2);
    expect(begun.mock.calls.find(([, mode]) => mode === "readwrite")![2]).toEqual({ durability: "strict" });
  });
  it("never overwrite what the journal has written since", async () => {
    const store = await written();
    await compactJournal(store.database, "own", 1);
    const base = (await logOf(store)).records.weighIns.get("w2")!;
    await store.commit(
      [put("weighIns", { ...base, kg: 80 }, base), { remove: { kind: "weighIns", id: "w0", date: "2026-04-10" } }],
      "later",
    );
    const { weighIns } = (await logOf(store)).records;
    expect(weighIns.get("w2")!.kg).toBe(80);
    expect(weighIns.has("w0")).toBe(false);
  });
  it("of a replaced log go once the replacement can no longer be undone", async () => {
    const store = await written();
    await store.replace(layOut(emptyLog()), "emptied");
    expect(await store.database.count("pages")).toBe(5);
    await store.undo();
    expect((await logOf(store)).records.weighIns.size).toBe(3);
    await store.redo();
    await store.undo();
    await store.replace(layOut(emptyLog()), "emptied again");
    await store.undo();
    const base = (await logOf(store)).records.weighIns.get("w2")!;
    await store.commit([put("weighIns", { ...base, kg: 80 }, base)], "later");
    expect(new Set((await store.database.getAllKeys("pages")).map(([generation]) => generation))).toEqual(new Set([0]));
  });
});

describe("other tabs and devices", () => {
  it("a field that two tabs or devices changed keeps the later value, and both are told", async () => {
    const [mine, theirs] = [await open(), await open()];
    await mine.commit([put("weighIns", weighed(71))], "a");
    const seen = (await logOf(mine)).records.weighIns.get("w")!;
    expect((await theirs.commit([put("weighIns", { ...seen, kg: 72 }, seen)], "b")).clashes).toEqual([]);
    expect(await mine.commit([put("weighIns", { ...seen, kg: 70, note: "mine" }, seen)], "c")).toMatchObject({
      clashes: [{ path: ["kg"], theirs: 72, ours: 70 }],
      revived: false,
    });
    expect(await kgOf(mine)).toBe(70);
  });
  it("undo leaves a field that another tab or device has changed since, and says so", async () => {
    const [mine, theirs] = [await open(), await open()];
    await mine.commit([put("weighIns", weighed(71))], "a");
    const seen = (await logOf(mine)).records.weighIns.get("w")!;
    await mine.commit([put("weighIns", { ...seen, kg: 72, note: "mine" }, seen)], "b");
    const now = (await logOf(mine)).records.weighIns.get("w")!;
    // As another tab's commit, which this one's undo does not take back.
    await theirs.commit([put("weighIns", { ...now, kg: 73 }, now)], "c");
    const standing = (await mine.database.get("meta", "standing"))!;
    await mine.database.put("meta", { ...standing, undo: standing.undo.filter((one) => one !== 3) }, "standing");
    expect(await mine.undo()).toMatchObject({
      label: "b",
      clashes: [{ path: ["kg"], theirs: 73, ours: 71, kept: "theirs" }],
    });
    expect((await logOf(mine)).records.weighIns.get("w")).toMatchObject({ kg: 73 });
    expect((await logOf(mine)).records.weighIns.get("w")!.note).toBeUndefined();
  });
  it("an edit beats a removal, and says so", async () => {
    const [mine, theirs] = [await open(), await open()];
    await mine.commit([put("weighIns", weighed(71))], "a");
    const seen = (await logOf(mine)).records.weighIns.get("w")!;
    await theirs.commit([{ remove: { kind: "weighIns", id: "w", date: seen.date } }], "b");
    expect(await mine.commit([put("weighIns", { ...seen, note: "kept" }, seen)], "c")).toMatchObject({ revived: true });
    expect((await logOf(mine)).records.weighIns.get("w")).toMatchObject({ kg: 71, note: "kept" });
    expect((await logOf(mine)).removed.size).toBe(0);
  });
});

describe("saved answers", () => {
  it("are given back while the log stands where it stood and the core is the same, and never else", async () => {
    const store = await open();
    expect((await keptOf(store.database)).written).toBe(false);
    await store.commit([put("people", person)], "a");
    await saveAnswers(store.database, 1, [
      { key: "people null", answer: [person] },
      { key: "shell x", answer: { on: "day one" } },
    ]);
    expect(await keptOf(store.database)).toEqual({
      written: true,
      answers: new Map<string, unknown>([
        ["people null", [person]],
        ["shell x", { on: "day one" }],
      ]),
    });
    const [held] = await store.database.getAll("saved");
    await store.database.put("saved", { ...held!, core: "an older core" });
    expect([...(await keptOf(store.database)).answers.keys()]).toEqual(["shell x"]);
    await store.commit([put("weighIns", weighed(71))], "b");
    expect((await keptOf(store.database)).answers).toEqual(new Map());
    await saveAnswers(store.database, 2, [{ key: "shell x", answer: { on: "day two" } }]);
    expect(await store.database.getAllKeys("saved")).toEqual(["shell x"]);
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
    await expect(store.commit([put("weighIns", weighed(60))], "b")).rejects.toMatchObject({
      kind: "full",
      message: expect.stringContaining("this change was not written") as string,
    });
    vi.restoreAllMocks();
    expect(await kgOf(store)).toBe(71);
    await store.commit([put("weighIns", weighed(70))], "c");
    expect(await kgOf(store)).toBe(70);
  });
  it("no storage, a blocked upgrade, a newer layout", async () => {
    const newer = await openDatabase("demo");
    await newer.put("meta", 5 as never, "layout" as never);
    newer.close();
    await expect(Store.open("demo")).rejects.toMatchObject({ kind: "newer" });
    vi.stubGlobal("indexedDB", undefined);
    await expect(Store.open("own")).rejects.toBeInstanceOf(StoreProblem);
    vi.unstubAllGlobals();
    globalThis.indexedDB = new IDBFactory();
    // A connection to an older layout that does not close when asked to.
    await new Promise((resolve) => {
      const request = indexedDB.open("oat-column-own", 3);
      request.onsuccess = resolve;
    });
    const realOpen = indexedDB.open.bind(indexedDB);
    vi.spyOn(indexedDB, "open").mockImplementation((name) => realOpen(name, 4));
    await expect(Store.open("own")).rejects.toMatchObject({ kind: "blocked" });
  });
});
