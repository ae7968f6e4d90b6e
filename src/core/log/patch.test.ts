import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { canonical } from "./canonical";
import { diff, inverse, stepText } from "./patch";
import { applyPatches, threeWay } from "./threeWay";

/** Keys that look like steps of a path, among others. */
const oddKey = fc.constantFrom("#", "#a", "#1", "element", "order", "__proto__", "constructor", "a/b", "\u0000", "");
const odd = fc.dictionary(oddKey, fc.oneof(fc.integer(), fc.string(), fc.constant({ "#x": 1 })), { maxKeys: 3 });
const set = fc.record({
  id: fc.constantFrom("a", "b", "c", "d"),
  reps: fc.nat(20),
  done: fc.option(fc.record({ kg: fc.nat(200), rpe: fc.nat(10) }, { requiredKeys: [] }), { nil: undefined }),
});
const list = fc.uniqueArray(set, { selector: (element) => element.id, maxLength: 4 });
const record = fc.record({
  id: fc.constant("s1"),
  note: fc.option(fc.string(), { nil: undefined }),
  tags: fc.array(fc.string(), { maxLength: 3 }),
  sets: list,
  deep: fc.record({ n: fc.integer() }),
  odd,
});

describe("field patches", () => {
  it("turn one record into another, and back, whatever its keys are called", () => {
    fc.assert(
      fc.property(record, record, (before, after) => {
        const patches = diff(before, after);
        expect(canonical(applyPatches(before, patches).value)).toEqual(canonical(after));
        expect(canonical(applyPatches(after, inverse(patches)).value)).toEqual(canonical(before));
        expect(applyPatches(after, inverse(patches)).clashes).toEqual([]);
      }),
    );
  });
  it("survive being stored as JSON", () => {
    fc.assert(
      fc.property(record, record, (before, after) => {
        const stored = JSON.parse(JSON.stringify(diff(before, after))) as ReturnType<typeof diff>;
        expect(canonical(applyPatches(before, stored).value)).toEqual(canonical(JSON.parse(JSON.stringify(after))));
      }),
    );
  });
  it("are none between equal records, whatever the key order", () => {
    expect(diff({ a: 1, b: { c: 2 } }, { b: { c: 2 }, a: 1 })).toEqual([]);
  });
  it("never touch a record's own revision and stamp, but do those of its parts", () => {
    expect(diff({ id: "a", revision: 1, changed: "x" }, { id: "a", revision: 2, changed: "y" })).toEqual([]);
    expect(diff({ id: "a", part: { revision: 1 } }, { id: "a", part: { revision: 2 } })).toHaveLength(1);
  });
  it("a key that begins like a step into a list is a key", () => {
    const before = { id: "w", kg: 71, "#note": "a", odd: { "#": 1 } };
    const after = { id: "w", kg: 72, "#note": "b", odd: { "#": 2, "#x": { id: "y" } } };
    expect(applyPatches(before, diff(before, after)).value).toEqual(after);
    expect(threeWay(before, after, { ...before, note: "theirs" }).value).toEqual({ ...after, note: "theirs" });
  });
  it("create and remove a whole record, whatever stamps it has got since", () => {
    const patches = diff(undefined, { id: "x" });
    expect(applyPatches(undefined, patches).value).toEqual({ id: "x" });
    expect(applyPatches({ id: "x", revision: 1, changed: "s" }, inverse(patches))).toEqual({
      value: undefined,
      clashes: [],
    });
  });
  it("undo leaves what another tab or device changed since", () => {
    const start = {
      id: "s",
      note: "a",
      sets: [
        { id: "1", kg: 90 },
        { id: "2", kg: 90 },
      ],
    };
    const mine = {
      id: "s",
      note: "a",
      sets: [
        { id: "1", kg: 95 },
        { id: "2", kg: 90 },
      ],
    };
    const theirs = {
      id: "s",
      note: "b",
      sets: [
        { id: "1", kg: 95 },
        { id: "2", kg: 100 },
        { id: "3", kg: 100 },
      ],
    };
    expect(applyPatches(theirs, inverse(diff(start, mine)))).toEqual({
      value: {
        id: "s",
        note: "b",
        sets: [
          { id: "1", kg: 90 },
          { id: "2", kg: 100 },
          { id: "3", kg: 100 },
        ],
      },
      clashes: [],
    });
  });
  it("undo takes back what was changed here alone, and says what it left", () => {
    const kg = diff({ id: "w", kg: 71 }, { id: "w", kg: 72 });
    expect(applyPatches({ id: "w", kg: 73 }, inverse(kg))).toEqual({
      value: { id: "w", kg: 73 },
      clashes: [{ path: ["kg"], theirs: 73, ours: 71, kept: "theirs" }],
    });
    const done = diff({ id: "s" }, { id: "s", done: { rpe: 8 } });
    expect(applyPatches({ id: "s", done: { kg: 100, rpe: 8 } }, inverse(done)).value).toEqual({
      id: "s",
      done: { kg: 100 },
    });
    expect(applyPatches({ id: "s", done: { rpe: 8 } }, inverse(done)).value).toEqual({ id: "s" });
    const whole = diff(undefined, { id: "w", kg: 71 });
    expect(applyPatches({ id: "w", kg: 71, note: "theirs" }, inverse(whole))).toMatchObject({
      value: { id: "w", kg: 71, note: "theirs" },
      clashes: [{ kept: "theirs" }],
    });
    const inside = diff({ id: "s", done: { kg: 90 } }, { id: "s", done: { kg: 95 } });
    expect(applyPatches({ id: "s" }, inverse(inside)).value).toEqual({ id: "s" });
  });
  it("keep an own __proto__ key and pollute nothing", () => {
    const hostile = JSON.parse('{"id":"x","__proto__":{"polluted":true}}') as unknown;
    const result = applyPatches(hostile, [{ path: ["note"], before: undefined, after: "n" }]).value as Record<
      string,
      unknown
    >;
    expect(Object.hasOwn(result, "__proto__")).toBe(true);
    expect(JSON.stringify(canonical(result))).toBe('{"__proto__":{"polluted":true},"id":"x","note":"n"}');
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
});

describe("joining what two tabs or devices made of one record", () => {
  it("takes from each what only that one changed, by key and by element", () => {
    fc.assert(
      fc.property(record, record, (base, mine) => {
        expect(canonical(threeWay(base, mine, base).value)).toEqual(canonical(mine));
        expect(canonical(threeWay(base, base, mine).value)).toEqual(canonical(mine));
        expect(threeWay(base, mine, mine).clashes).toEqual([]);
      }),
    );
  });
  it("gives either hand's value and nothing else in every field, and both where they do not meet", () => {
    fc.assert(
      fc.property(record, record, record, (base, mine, theirs) => {
        const joined = threeWay(base, mine, theirs).value as typeof base;
        expect([mine.note, theirs.note]).toContain(joined.note);
        if (mine.note === base.note) expect(joined.note).toBe(theirs.note);
        const ids = (of: typeof base) => of.sets.map(({ id }) => id);
        for (const id of ids(joined)) expect([...ids(mine), ...ids(theirs)]).toContain(id);
        for (const { id, reps } of mine.sets) {
          const [was, now] = [base.sets.find((one) => one.id === id), theirs.sets.find((one) => one.id === id)];
          if (was !== undefined && now !== undefined && was.reps !== reps)
            expect(joined.sets.find((one) => one.id === id)!.reps).toBe(reps);
        }
      }),
    );
  });
  it("joins an object that neither had: what was done of a set, its load in one tab and its effort in the other", () => {
    const base = { id: "s", sets: [{ id: "1" }] };
    const mine = { id: "s", sets: [{ id: "1", done: { kg: 100, reps: 5 } }] };
    const theirs = { id: "s", sets: [{ id: "1", done: { rpe: 8 } }] };
    expect(threeWay(base, mine, theirs)).toEqual({
      value: { id: "s", sets: [{ id: "1", done: { rpe: 8, kg: 100, reps: 5 } }] },
      clashes: [],
    });
  });
  it("keeps what was changed over what was removed, whoever removed it, and says so", () => {
    const base = {
      id: "s",
      sets: [
        { id: "1", kg: 90 },
        { id: "2", kg: 90 },
      ],
    };
    const removed = { id: "s", sets: [{ id: "2", kg: 90 }] };
    const changed = {
      id: "s",
      sets: [
        { id: "1", kg: 95 },
        { id: "2", kg: 90 },
      ],
    };
    expect(threeWay(base, removed, changed)).toMatchObject({
      value: changed,
      clashes: [{ path: ["sets", { element: "1" }], ours: undefined, kept: "theirs" }],
    });
    expect(threeWay(base, changed, removed)).toMatchObject({
      value: changed,
      clashes: [{ theirs: undefined, kept: "ours" }],
    });
  });
  it("keeps the order of the hand that changed it, with what the other added in its place", () => {
    const ids = (text: string) => ({ id: "s", sets: [...text].map((id) => ({ id })) });
    expect(threeWay(ids("abc"), ids("cab"), ids("abxc")).value).toEqual(ids("cabx"));
    expect(threeWay(ids("abc"), ids("abc"), ids("cab")).value).toEqual(ids("cab"));
    expect(threeWay(ids("abc"), ids("abyc"), ids("xabc")).value).toEqual(ids("xabyc"));
  });
});

it("a step is told by its key, its element's id, or as the order", () => {
  expect([stepText("sets"), stepText({ element: "s1" }), stepText({ order: true })]).toEqual(["sets", "s1", "order"]);
});
