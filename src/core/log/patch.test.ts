import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { canonical } from "./canonical";
import { applyPatches, diff, inverse } from "./patch";
import { nextStamp } from "./stamp";

const set = fc.record({ id: fc.constantFrom("a", "b", "c", "d"), reps: fc.nat(20), done: fc.option(fc.record({ kg: fc.nat(200) }), { nil: undefined }) });
const list = fc.uniqueArray(set, { selector: (element) => element.id, maxLength: 4 });
const record = fc.record({ id: fc.constant("s1"), note: fc.option(fc.string(), { nil: undefined }), tags: fc.array(fc.string(), { maxLength: 3 }), sets: list, deep: fc.record({ n: fc.integer() }) });

describe("field patches", () => {
  it("turn one record into another, and back", () => {
    fc.assert(fc.property(record, record, (before, after) => {
      const patches = diff(before, after);
      expect(canonical(applyPatches(before, patches))).toEqual(canonical(after));
      expect(canonical(applyPatches(after, inverse(patches)))).toEqual(canonical(before));
    }));
  });
  it("are none between equal records, whatever the key order", () => {
    expect(diff({ a: 1, b: { c: 2 } }, { b: { c: 2 }, a: 1 })).toEqual([]);
  });
  it("never touch a record's own revision and stamp, but do those of its parts", () => {
    expect(diff({ id: "a", revision: 1, changed: "x" }, { id: "a", revision: 2, changed: "y" })).toEqual([]);
    expect(diff({ id: "a", part: { revision: 1 } }, { id: "a", part: { revision: 2 } })).toHaveLength(1);
  });
  it("create and remove a whole record", () => {
    const patches = diff(undefined, { id: "x" });
    expect(applyPatches(undefined, patches)).toEqual({ id: "x" });
    expect(applyPatches({ id: "x" }, inverse(patches))).toBeUndefined();
  });
  it("undo leaves what another hand changed since", () => {
    const start = { id: "s", note: "a", sets: [{ id: "1", kg: 90 }, { id: "2", kg: 90 }] };
    const mine = { id: "s", note: "a", sets: [{ id: "1", kg: 95 }, { id: "2", kg: 90 }] };
    const theirs = { id: "s", note: "b", sets: [{ id: "1", kg: 95 }, { id: "2", kg: 100 }, { id: "3", kg: 100 }] };
    expect(applyPatches(theirs, inverse(diff(start, mine)))).toEqual({ id: "s", note: "b", sets: [{ id: "1", kg: 90 }, { id: "2", kg: 100 }, { id: "3", kg: 100 }] });
  });
  it("keep an own __proto__ key and pollute nothing", () => {
    const hostile = JSON.parse('{"id":"x","__proto__":{"polluted":true}}') as unknown;
    const result = applyPatches(hostile, [{ path: ["note"], before: undefined, after: "n" }]) as Record<string, unknown>;
    expect(Object.hasOwn(result, "__proto__")).toBe(true);
    expect(JSON.stringify(canonical(result))).toBe('{"__proto__":{"polluted":true},"id":"x","note":"n"}');
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
});

describe("stamps", () => {
  it("always grow, even when the clock goes back", () => {
    fc.assert(fc.property(fc.array(fc.integer({ min: 0, max: 4e12 }), { minLength: 2, maxLength: 30 }), (times) => {
      let last = "";
      for (const now of times) {
        const stamp = nextStamp(last, now, "n1");
        expect(stamp > last).toBe(true);
        last = stamp;
      }
    }));
  });
});
