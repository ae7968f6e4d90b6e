import { deflateSync, strToU8, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { readArchive } from "./archive/read";
import { unpacking } from "./zip";

const limit = 300_000_000;
const read = (bytes: Uint8Array, want = () => ({ atMost: limit, tooLarge: "too large" }), inAll = limit) => {
  const steps = unpacking(bytes, want, inAll);
  let longest = 0;
  for (;;) {
    const began = performance.now();
    const step = steps.next();
    longest = Math.max(longest, performance.now() - began);
    if (step.done) return { files: step.value, longest };
  }
};
const problemOf = (bytes: Uint8Array, inAll = limit, atMost = limit) => {
  try {
    read(bytes, () => ({ atMost, tooLarge: "too large" }), inAll);
    return null;
  } catch (error) {
    return error;
  }
};

/** A zip written by hand: entries of the directory may name any place and any sizes. */
function zipOf(
  locals: Uint8Array[],
  entries: { name: string; local: number; packed: number; size: number }[],
): Uint8Array {
  const heads = entries.map(({ name, local, packed, size }) => {
    const bytes = new Uint8Array(46 + name.length);
    const view = new DataView(bytes.buffer);
    view.setUint32(0, 0x02014b50, true);
    view.setUint16(10, 8, true);
    view.setUint32(20, packed, true);
    view.setUint32(24, size, true);
    view.setUint16(28, name.length, true);
    view.setUint32(42, local, true);
    bytes.set(strToU8(name), 46);
    return bytes;
  });
  const [before, directory] = [locals, heads].map((parts) =>
    parts.reduce((sum, { byteLength }) => sum + byteLength, 0),
  ) as [number, number];
  const end = new Uint8Array(22);
  const view = new DataView(end.buffer);
  view.setUint32(0, 0x06054b50, true);
  view.setUint16(10, entries.length, true);
  view.setUint32(12, directory, true);
  view.setUint32(16, before, true);
  return Uint8Array.from([...locals, ...heads, end].flatMap((part) => [...part]));
}

/** A local head with packed bytes behind it. */
function localOf(name: string, packed: Uint8Array): Uint8Array {
  const bytes = new Uint8Array(30 + name.length + packed.byteLength);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, 0x04034b50, true);
  view.setUint16(8, 8, true);
  view.setUint16(26, name.length, true);
  bytes.set(strToU8(name), 30);
  bytes.set(packed, 30 + name.length);
  return bytes;
}

describe("unpacking a zip", () => {
  it("gives back what a general library packed, stored or deflated", () => {
    const [a, b] = [new Uint8Array(300_000).map((_, index) => (index * 7919) % 251), strToU8("x".repeat(100_000))];
    const { files } = read(
      zipSync({ "a.bin": [a, { level: 0 }], "folder/b.txt": [b, { level: 9 }], "empty.txt": new Uint8Array() }),
    );
    expect([...files.keys()]).toEqual(["a.bin", "folder/b.txt", "empty.txt"]);
    expect(files.get("a.bin")).toEqual(a);
    expect(files.get("folder/b.txt")).toEqual(b);
  });

  it("counts what comes out, whatever size is stated, and stops in the middle", () => {
    // 40 kB that become 40 MB, and say that they become ten bytes.
    const packed = deflateSync(new Uint8Array(40_000_000), { level: 9 });
    expect(packed.byteLength).toBeLessThan(50_000);
    const zip = zipOf(
      [localOf("log.json", packed)],
      [{ name: "log.json", local: 0, packed: packed.byteLength, size: 10 }],
    );
    expect(problemOf(zip, limit, 10_000_000)).toMatchObject({ place: "log.json", message: "too large" });
    expect(problemOf(zip, 20_000_000)).toMatchObject({ message: "the zip unpacks to more than 300 MB" });
    const { files, longest } = read(zip);
    expect(files.get("log.json")!.byteLength).toBe(40_000_000);
    expect(longest).toBeLessThan(5000);
    const steps = unpacking(zip, () => ({ atMost: limit, tooLarge: "" }), limit);
    expect([steps.next().done, steps.next().done, steps.return(new Map()).done]).toEqual([false, false, true]);
  });

  it("refuses entries that lie over one another: a thousand names for the same bytes", () => {
    const packed = deflateSync(new Uint8Array(1_000_000));
    const entries = Array.from({ length: 1000 }, (_, index) => ({
      name: `photos/${index}.jpg`,
      local: 0,
      packed: packed.byteLength,
      size: 1_000_000,
    }));
    const zip = zipOf([localOf("photos/0.jpg", packed)], entries);
    expect(problemOf(zip)).toMatchObject({ message: "it lies over another file of the zip" });
    expect(readArchive(zip)).toMatchObject({
      ok: false,
      problems: [{ message: "it lies over another file of the zip" }],
    });
  });

  it("names what is damaged, doubled, locked, packed otherwise, or not there", () => {
    const zip = zipSync({ "log.json": strToU8("{}".repeat(500)) });
    for (let length = 0; length < zip.byteLength; length++)
      expect(problemOf(zip.slice(0, length)), `cut at ${length}`).toMatchObject({ name: "Error" });
    const packed = deflateSync(strToU8("{}"));
    const one = { name: "log.json", local: 0, packed: packed.byteLength, size: 2 };
    const second = localOf("log.json", packed);
    expect(
      problemOf(zipOf([localOf("log.json", packed), second], [one, { ...one, local: second.byteLength }])),
    ).toMatchObject({ place: "log.json", message: "the zip holds it twice" });
    expect(problemOf(zipOf([localOf("log.json", packed)], [{ ...one, local: 4_000_000_000 }]))).toMatchObject({
      message: "the zip is damaged",
    });
    expect(problemOf(zipOf([localOf("log.json", packed)], [{ ...one, packed: 4_000_000_000 }]))).toMatchObject({
      message: "the zip is damaged",
    });
    expect(
      problemOf(zipOf([localOf("log.json", new Uint8Array([255, 255, 255]))], [{ ...one, packed: 3 }])),
    ).toMatchObject({ place: "log.json", message: "it is damaged" });
    const locked = zipSync({ "log.json": strToU8("{}") });
    const view = new DataView(locked.buffer);
    for (let at = 0; at < locked.byteLength - 4; at++)
      if (view.getUint32(at, true) === 0x02014b50) view.setUint16(at + 8, 1, true);
    expect(problemOf(locked)).toMatchObject({ message: "it is locked with a password" });
    for (let at = 0; at < locked.byteLength - 4; at++)
      if (view.getUint32(at, true) === 0x02014b50) {
        view.setUint16(at + 8, 0, true);
        view.setUint16(at + 10, 12, true);
      }
    expect(problemOf(locked)).toMatchObject({ message: "it is packed in a way that is not read here" });
  });
});
