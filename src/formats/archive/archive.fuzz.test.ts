import { mustDay } from "@/core/base/calendar/day";
import { demoLog } from "@/demo/demoLog";
import { Random } from "@/demo/random";
import { archiveOf, writeArchive } from "@/formats/archive/write";
import { strFromU8, strToU8, zipSync } from "fflate";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { readArchive } from "./read";

type Json = Record<string, unknown>;

const fixture = JSON.parse(
  readFileSync(new URL("../../../tests/fixtures/archive-v1.json", import.meta.url), "utf8"),
) as Json;

/** Every place in a document, as a path of keys. */
function places(value: unknown, path: string[] = []): string[][] {
  if (value === null || typeof value !== "object") return [path];
  return [
    ...(path.length > 0 ? [path] : []),
    ...Object.entries(value).flatMap(([key, inner]) => places(inner, [...path, key])),
  ];
}

function changedAt(value: unknown, [key, ...rest]: string[], change: (old: unknown) => unknown): unknown {
  if (key === undefined) return change(value);
  if (Array.isArray(value))
    return value.map((inner, index) => (String(index) === key ? changedAt(inner, rest, change) : inner));
  return Object.fromEntries(
    Object.entries(value as Json).map(([name, inner]) => [name, name === key ? changedAt(inner, rest, change) : inner]),
  );
}

const hostile: ((old: unknown, random: Random) => unknown)[] = [
  () => "nonsense",
  () => -1,
  () => ({}),
  () => [[]],
  () => null,
  () => "2026-02-30",
  () => 1e308 * 10,
  () => "x".repeat(30_000),
  (old) => [old, old],
  () => ({ constructor: { prototype: { polluted: true } } }),
  (old) => (typeof old === "string" ? `${old}\u0000` : old),
  () => JSON.parse('{"__proto__":{"polluted":true}}') as unknown,
  () => true,
  (_, random) => random.next() * 1e9,
  () => "=cmd|' /C calc'!A0",
];

/**
 * Reads bytes and holds what came back to the promise: a sound log that survives a round trip, or problems that each
 * name a place.
 */
function holds(bytes: Uint8Array): boolean {
  const reading = readArchive(bytes);
  if (reading.ok) {
    const text = writeArchive(reading.log, "2026-01-01T00:00:00Z");
    const again = readArchive(strToU8(text));
    expect(again.ok && archiveOf(again.log, "")).toEqual(archiveOf(reading.log, ""));
  } else {
    expect(reading.problems.length).toBeGreaterThan(0);
    expect(reading.problems.length).toBeLessThanOrEqual(20);
    for (const { path, message } of reading.problems) {
      expect(path).not.toBe("");
      expect(message.length).toBeGreaterThan(3);
    }
  }
  expect(({} as Json).polluted).toBeUndefined();
  return reading.ok;
}

describe("a thousand damaged archives", () => {
  it("none crashes, each names its place or is sound", () => {
    const random = new Random(20_261_125);
    const all = places(fixture);
    let refused = 0;
    for (let round = 0; round < 700; round++) {
      let document: unknown = fixture;
      for (let hits = 1 + Math.floor(random.next() * 3); hits > 0; hits--) {
        const change = random.pick(hostile);
        const path = random.pick(all);
        try {
          document = changedAt(document, path, (old) => change(old, random));
        } catch {
          // An earlier hit took the place away.
        }
      }
      if (!holds(strToU8(JSON.stringify(document)))) refused += 1;
    }
    expect(refused).toBeGreaterThan(200);
  });
  it("cut off or with a byte changed anywhere, as text and as a zip", () => {
    const random = new Random(7);
    const bytes = strToU8(JSON.stringify(fixture));
    const zip = zipSync({ "log.json": bytes });
    for (let round = 0; round < 300; round++) {
      const whole = round % 2 === 0 ? bytes : zip;
      const damaged = whole.slice(0, round % 3 === 0 ? Math.floor(random.next() * whole.length) : whole.length);
      if (damaged.length > 0) damaged[Math.floor(random.next() * damaged.length)] = Math.floor(random.next() * 256);
      holds(damaged);
    }
  });
  it("infinite numbers, a hundred thousand brackets, a zip that claims gigabytes", () => {
    const text = strFromU8(strToU8(JSON.stringify(fixture)));
    expect(holds(strToU8(text.replace('"kg":71.4', '"kg":1e400')))).toBe(false);
    expect(holds(strToU8("[".repeat(100_000)))).toBe(false);
    expect(
      holds(strToU8(`{"format":"oat-column","version":1,"people":${"[".repeat(50_000)}${"]".repeat(50_000)}}`)),
    ).toBe(false);
    const bomb = zipSync({ "log.json": strToU8("{}") });
    // The size the directory and the local head claim: 4 GB less a byte.
    const view = new DataView(bomb.buffer, bomb.byteOffset);
    for (let at = 0; at < bomb.length - 4; at++)
      if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 0xfffffffe, true);
    expect(holds(bomb)).toBe(false);
  });
  it("and the whole demo log goes out and in to the last field", () => {
    const log = demoLog(mustDay("2026-06-11"));
    expect(holds(strToU8(writeArchive(log, "2026-06-11T00:00:00Z")))).toBe(true);
  });
});
