import { checkLog } from "@/core/log/check";
import { recordKinds } from "@/core/log/kinds/all";
import { type Log, sizeOf } from "@/core/log/log";
import { type AnyRecord, put } from "@/core/log/records";
import { isStamp } from "@/core/log/stamp";
import { Random } from "@/demo/random";
import { readArchive } from "@/formats/archive/read";
import { archiveOf, writeArchive } from "@/formats/archive/write";
import { layOut } from "@/store/pages";
import { readLog } from "@/store/reader";
import { Store } from "@/store/store";
import { IDBFactory } from "fake-indexeddb";
import "fake-indexeddb/auto";
import { strToU8 } from "fflate";
import { readFileSync } from "node:fs";
import { describe, expect, it, vi } from "vitest";
import { Locks } from "../../tests/locks";
import { Answers, everyView } from "./queries";

type Json = Record<string, unknown>;

/** `MUTANTS=5000 npx vitest run src/compute/hostileArchives.test.ts`; a part of them by default. */
const mutants = Number(process.env.MUTANTS ?? 600);
/** One in so many is written into a database, opened anew, edited, undone and given out. */
const storedEvery = 20;
/** An answer may take so long, in milliseconds. */
const answerAtMost = 10_000;

const fixture = JSON.parse(
  readFileSync(new URL("../../tests/fixtures/archive-v1.json", import.meta.url), "utf8"),
) as Json;

function places(value: unknown, path: (string | number)[] = []): (string | number)[][] {
  if (value === null || typeof value !== "object") return [path];
  const inner: [string | number, unknown][] = Array.isArray(value) ? [...value.entries()] : Object.entries(value);
  return [path, ...inner.flatMap(([key, one]) => places(one, [...path, key]))];
}

const dates = [
  "1900-01-01",
  "1900-02-28",
  "2096-02-29",
  "2100-12-31",
  "2026-04-30",
  "2026-05-02",
  "1969-12-31",
  "2038-01-19",
];
const numbers = [
  0,
  -0,
  5e-324,
  1e-9,
  0.1 + 0.2,
  0.5,
  1,
  2,
  99,
  999,
  1000,
  19_999,
  100_000,
  1e6,
  1e9,
  Number.MAX_SAFE_INTEGER,
  Number.MAX_VALUE,
  -1,
  -40,
];
const keys = [
  "#",
  "#x",
  "#i1",
  "constructor",
  "hasOwnProperty",
  "toString",
  "length",
  "then",
  "toJSON",
  "valueOf",
  "__proto__",
  "",
  "\u0000",
  "record",
  "id2",
];
const stamps = [
  "z".repeat(90),
  `${"z".repeat(90)}/0001/n`,
  "9999-12-31T23:59:59.999Z/zzzz/~",
  "2999-01-01T00:00:00.000Z/0000/far",
  "0000-01-01T00:00:00.000Z/0000/a",
  "2026-99-99T00:00:00.000Z/0000/a",
  "",
  "~",
  "2026-05-01T06:10:00.123Z/0003/k3f9",
];
const texts = [
  "",
  " ",
  "#",
  "a/b",
  "__proto__",
  "constructor",
  '=HYPERLINK("x")',
  "\u0000",
  "\u202e",
  "x".repeat(2000),
  "p1",
  "i1",
  "s1",
  "e1",
  "strength",
  "done",
  "planned",
];

/** A value that a file may well hold at a place, at the end of what it may be, or beside it. */
function extreme(old: unknown, key: string | number | undefined, random: Random): unknown {
  if (typeof old === "number") return random.pick(numbers);
  if (typeof old === "string")
    return key === "changed"
      ? random.pick(stamps)
      : /^\d{4}-\d{2}-\d{2}$/.test(old)
        ? random.pick(dates)
        : random.pick(texts);
  if (Array.isArray(old)) {
    const list = old as unknown[];
    return random.pick([
      [],
      [...list, ...list],
      Array.from({ length: 300 }, () => list[0] ?? {}),
      [...list].reverse(),
      list,
    ]);
  }
  if (old === null || typeof old !== "object") return random.pick<unknown>([null, true, false, 0, "", {}]);
  const added = random.pick<unknown>([1, "x", { "#x": 1 }, [[1]], { id: "#x", sets: [{ id: "#y" }] }, { reps: 5 }]);
  return random.chance(0.4)
    ? { ...old, changed: random.pick(stamps) }
    : JSON.parse(
        JSON.stringify(old).replace(
          /\}$/,
          `${Object.keys(old).length > 0 ? "," : ""}${JSON.stringify(random.pick(keys))}:${JSON.stringify(added)}}`,
        ),
      );
}

function changedAt(value: unknown, [key, ...rest]: (string | number)[], change: (old: unknown) => unknown): unknown {
  if (key === undefined) return change(value);
  if (Array.isArray(value))
    return value.map((inner, index) => (index === key ? changedAt(inner, rest, change) : inner));
  return Object.fromEntries(
    Object.entries(value as Json).map(([name, inner]) => [name, name === key ? changedAt(inner, rest, change) : inner]),
  );
}

function mutant(random: Random, all: readonly (string | number)[][]): string {
  let document: unknown = fixture;
  for (let hits = 1 + Math.floor(random.next() * 3); hits > 0; hits--) {
    const path = random.pick(all);
    try {
      document = changedAt(document, path, (old) => extreme(old, path.at(-1), random));
    } catch {
      // An earlier hit took the place away.
    }
  }
  return JSON.stringify(document);
}

let slowest: [number, string] = [0, ""];
function answersOf(log: Log): string[] {
  const answers = new Answers(log, () => "new");
  return [...log.records.people.keys()].slice(0, 3).flatMap((personId) =>
    everyView({ personId, today: "2026-05-02" }).map(({ name, asks }) => {
      const begun = performance.now();
      const answer = JSON.stringify(answers.answer(name, asks));
      const took = performance.now() - begun;
      if (took > slowest[0]) slowest = [took, `${name} of ${JSON.stringify(archiveOf(log, "")).slice(0, 2000)}`];
      return answer;
    }),
  );
}

describe("mutated archives with extreme but valid dates, numbers, keys and stamps", () => {
  it(`${mutants} of them: none crashes, none is slow, every one that is taken opens, can be edited and given out`, async () => {
    const random = new Random(20_261_127);
    const all = places(fixture).filter((path) => path.length > 0);
    const counts = { taken: 0, refused: 0, stored: 0, healed: 0 };
    for (let round = 0; round < mutants; round++) {
      const text = mutant(random, all);
      const told = `mutant ${round}: ${text.slice(0, 3000)}`;
      const reading = readArchive(strToU8(text));
      if (!reading.ok) {
        counts.refused += 1;
        expect(reading.problems[0]!.message.length, told).toBeGreaterThan(3);
        continue;
      }
      counts.taken += 1;
      if (reading.healed > 0) counts.healed += 1;
      const { log } = reading;
      expect(log.unread, told).toEqual([]);
      for (const kind of recordKinds)
        for (const record of log.records[kind].values() as Iterable<AnyRecord>)
          if (record.changed != null) expect(isStamp(record.changed), told).toBe(true);
      try {
        checkLog(log);
        const answers = answersOf(log);
        if (counts.taken % storedEvery === 0) await stored(log, random, answers);
      } catch (error) {
        throw new Error(told, { cause: error });
      }
    }
    counts.stored = Math.floor(counts.taken / storedEvery);
    expect(({} as Json)["#x"]).toBeUndefined();
    expect(slowest[0], slowest[1]).toBeLessThan(answerAtMost);
    expect(counts.taken, JSON.stringify(counts)).toBeGreaterThan(mutants / 5);
    expect(counts.healed, JSON.stringify(counts)).toBeGreaterThan(mutants / 100);
    if (process.env.MUTANTS !== undefined)
      console.info(JSON.stringify({ ...counts, slowestMs: Math.round(slowest[0]) }));
  }, 600_000);
});

const unstamped = (archive: unknown) =>
  JSON.stringify(archive, (key, value: unknown) => (["changed", "revision", "past"].includes(key) ? undefined : value));

/**
 * Writes a log into a database as an import does, opens it anew, edits a record, takes that back, and reads what is
 * given out.
 */
async function stored(log: Log, random: Random, answers: string[]): Promise<void> {
  globalThis.indexedDB = new IDBFactory();
  vi.stubGlobal("navigator", { locks: new Locks() });
  const store = await Store.open("own");
  try {
    await store.replace(layOut(log), "Import");
    const { log: opened } = await readLog(store.database);
    expect(opened.unread).toEqual([]);
    expect(sizeOf(opened)).toBe(sizeOf(log));
    expect(answersOf(opened)).toEqual(answers);
    const before = unstamped(archiveOf(opened, ""));
    const filled = recordKinds.filter((kind) => opened.records[kind].size > 0);
    if (filled.length > 0) {
      const kind = random.pick(filled);
      const record = random.pick([...opened.records[kind].values()] as AnyRecord[]);
      await store.commit([put(kind, { ...record, "#noted": random.next() } as never, record as never)], "edit");
      const edited = (await readLog(store.database)).log;
      expect(edited.unread).toEqual([]);
      expect(isStamp((edited.records[kind].get(record.id) as AnyRecord).changed!)).toBe(true);
      await store.undo();
      expect(unstamped(archiveOf((await readLog(store.database)).log, ""))).toBe(before);
    }
    expect(readArchive(strToU8(writeArchive((await readLog(store.database)).log, "2026-01-01T00:00:00Z"))).ok).toBe(
      true,
    );
  } finally {
    store.close();
  }
}
