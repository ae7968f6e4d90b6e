import { writeArchive } from "@/formats/archive/write";
import { strToU8, zipSync } from "fflate";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { readArchive } from "./read";

const fixture = readFileSync(new URL("../../../tests/fixtures/archive-v1.json", import.meta.url));
const read = (value: unknown) => readArchive(strToU8(typeof value === "string" ? value : JSON.stringify(value)));
const base = { format: "oat-column", version: 1, people: [{ id: "p", name: "A" }] };

function logOf(bytes: Uint8Array) {
  const reading = readArchive(bytes);
  if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
  return reading.log;
}

describe("the archive", () => {
  it("opens a version-1 archive for ever", () => {
    const log = logOf(fixture);
    expect(log.records.people.get("p1")?.name).toBe("Version one");
    expect(log.records.sessions.size).toBe(2);
    expect(log.removed.size).toBe(1);
  });
  it("gives back every field, unknown ones at every depth included, in canonical order", () => {
    const text = writeArchive(logOf(fixture), "2026-05-01T06:10:00Z");
    const again = writeArchive(logOf(strToU8(text)), "2026-05-01T06:10:00Z");
    expect(again).toBe(text);
    const document = JSON.parse(text) as Record<string, unknown>;
    expect(document.household).toEqual({ colour: "unknown to version 1" });
    expect(text).toContain('"futureField":[1,{"deep":true}]');
    expect(text).toContain('"tempoNote":"3-1-1"');
    expect(text).toContain('"__proto__":{"polluted":true}');
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
  it("has one order, whatever the order of writing", () => {
    const people = ["c", "a", "b"].map((id) => ({ id, name: id }));
    const text = (list: object[]) => writeArchive(logOf(strToU8(JSON.stringify({ ...base, people: list }))), "");
    expect(text(people)).toBe(text([...people].reverse()));
    expect(text([{ name: "a", id: "a" }])).toBe(text([{ id: "a", name: "a" }]));
  });
  it("gives ids to items and sets that lack them, the same each time", () => {
    const session = {
      id: "s",
      personId: "p",
      date: "2026-05-01",
      kind: "strength",
      status: "done",
      items: [{ exerciseId: "e", sets: [{ done: { reps: 5 } }, { id: "s1" }] }],
    };
    const file = { ...base, exercises: [{ id: "e", name: "Squat" }], sessions: [session] };
    const reading = read(file);
    expect(reading.ok && reading.log.records.sessions.get("s")?.items?.[0]).toMatchObject({
      id: "i1",
      sets: [{ id: "s2" }, { id: "s1" }],
    });
    expect(read(file)).toEqual(reading);
  });
  it("reads the zip as it reads the JSON inside", () => {
    expect(readArchive(zipSync({ "log.json": fixture, "photos/a.jpg": new Uint8Array(3) }))).toMatchObject({
      ok: true,
      photos: new Map([["a.jpg", new Uint8Array(3)]]),
    });
  });
});

describe("a file that is not sound", () => {
  const weighIn = { id: "w", personId: "p", date: "2026-05-01", kg: 70 };
  const cases: [string, unknown, string][] = [
    ["no JSON", "{", "(file)"],
    ["another format", { format: "else", version: 1 }, "format"],
    ["no version", { format: "oat-column" }, "version"],
    ["a newer version", { format: "oat-column", version: 2 }, "version"],
    ["a list that is none", { ...base, weighIns: {} }, "weighIns"],
    ["a weight that is text", { ...base, weighIns: [{ ...weighIn, kg: "70" }] }, "weighIns[0].kg"],
    [
      "an infinite weight",
      '{"format":"oat-column","version":1,"people":[{"id":"p","name":"A"}],"weighIns":[{"id":"w","personId":"p","date":"2026-05-01","kg":1e400}]}',
      "weighIns[0].kg",
    ],
    ["a day that never was", { ...base, weighIns: [{ ...weighIn, date: "2026-02-30" }] }, "weighIns[0].date"],
    ["an id used twice", { ...base, weighIns: [weighIn, weighIn] }, "weighIns[1].id"],
    ["a person who is not there", { ...base, weighIns: [{ ...weighIn, personId: "q" }] }, "weighIns[0].personId"],
    [
      "a set id used twice",
      {
        ...base,
        exercises: [{ id: "e", name: "Squat" }],
        sessions: [
          {
            id: "s",
            personId: "p",
            date: "2026-05-01",
            kind: "strength",
            status: "done",
            items: [{ exerciseId: "e", sets: [{ id: "a" }, { id: "a" }] }],
          },
        ],
      },
      "sessions[0].items[0].sets[1].id",
    ],
    ["a record that is null", { ...base, weighIns: [null] }, "weighIns[0]"],
    ["deep nesting", `${"[".repeat(100_000)}${"]".repeat(100_000)}`, "(character 60)"],
    [
      "something kept and removed",
      { ...base, weighIns: [weighIn], removed: [{ id: "w", kind: "weighIns" }] },
      "removed[0]",
    ],
  ];
  it.each(cases)("%s is refused by name of the place", (_, file, path) => {
    const reading = read(file);
    expect(reading.ok).toBe(false);
    expect(!reading.ok && reading.problems[0]?.path).toBe(path);
  });
  it("a damaged zip is refused", () => {
    const zip = zipSync({ "log.json": fixture });
    expect(readArchive(zip.slice(0, zip.length - 30))).toMatchObject({ ok: false });
    expect(readArchive(zipSync({ "a.txt": fixture }))).toMatchObject({ ok: false });
  });
});
