import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Clock, Dependency, equal, memo, Memo, memoByKey, track, untracked } from "./memo";

/** A few cells that can be written, each a part of its own. */
class Cells implements Clock {
  version = 0;
  readonly #cells = new Map<string, Dependency & { value: number }>();
  #cell(name: string) {
    const cell = this.#cells.get(name) ?? Object.assign(new Dependency(this.version), { value: 0 });
    this.#cells.set(name, cell);
    return cell;
  }
  read = (name: string): number => {
    track(this.#cell(name));
    return this.#cell(name).value;
  };
  write(name: string, value: number): void {
    this.version += 1;
    Object.assign(this.#cell(name), { value, changed: this.version });
  }
}

describe("a kept value", () => {
  it("is computed once while nothing that it read changes", () => {
    const cells = new Cells();
    let runs = 0;
    const sum = memo(cells, () => {
      runs++;
      return cells.read("a") + cells.read("b");
    });
    expect(sum()).toBe(0);
    cells.write("c", 5);
    expect(sum()).toBe(0);
    expect(runs).toBe(1);
    cells.write("b", 2);
    expect(sum()).toBe(2);
    expect(runs).toBe(2);
  });
  it("that comes out equal leaves what rests on it alone", () => {
    const cells = new Cells();
    let runs = 0;
    const sign = memo(cells, () => Math.sign(cells.read("a")));
    const text = memo(cells, () => {
      runs++;
      return { sign: [sign()] };
    });
    cells.write("a", 3);
    const first = text();
    cells.write("a", 7);
    expect(text()).toBe(first);
    expect(runs).toBe(1);
    cells.write("a", -7);
    expect(text()).toEqual({ sign: [-1] });
  });
  it("reads other things when it takes another way, and forgets those it no longer reads", () => {
    const cells = new Cells();
    let runs = 0;
    const chosen = memo(cells, () => {
      runs++;
      return cells.read(cells.read("which") === 0 ? "a" : "b");
    });
    chosen();
    cells.write("which", 1);
    chosen();
    cells.write("a", 9);
    expect(chosen()).toBe(0);
    expect(runs).toBe(2);
    cells.write("b", 4);
    expect(chosen()).toBe(4);
  });
  it("that throws is tried again, and does not spoil what is being computed around it", () => {
    const cells = new Cells();
    const odd = memo(cells, () => {
      if (cells.read("a") % 2 === 0) throw new Error("even");
      return cells.read("a");
    });
    expect(odd).toThrow("even");
    cells.write("a", 3);
    expect(odd()).toBe(3);
  });
  it("says since when it is what it is, and nothing read untracked counts", () => {
    const cells = new Cells();
    const answer = new Memo(cells, () => cells.read("a") + untracked(() => cells.read("b")));
    answer.refresh();
    const since = answer.changed;
    cells.write("b", 1);
    answer.refresh();
    expect(answer.changed).toBe(since);
    cells.write("a", 1);
    answer.refresh();
    expect(answer.changed).toBe(2);
  });
  it("always equals a fresh computation, whatever is written and asked in whatever order", () => {
    const names = ["a", "b", "c", "d"];
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.record({ write: fc.constantFrom(...names), value: fc.integer({ min: -2, max: 2 }) }),
            fc.record({ ask: fc.integer({ min: 0, max: 5 }) }),
          ),
          { maxLength: 80 },
        ),
        (steps) => {
          const cells = new Cells();
          const plain = (n: number): number =>
            n === 0
              ? cells.read("a")
              : Math.trunc((plain(n - 1) + cells.read(names[(n + cells.read("d") + 2) % 4]!)) / 2);
          const kept: (n: number) => number = memoByKey(cells, (n: number): number =>
            n === 0
              ? cells.read("a")
              : Math.trunc((kept(n - 1) + cells.read(names[(n + cells.read("d") + 2) % 4]!)) / 2),
          );
          for (const step of steps) {
            if ("write" in step) cells.write(step.write, step.value);
            else expect(kept(step.ask)).toBe(plain(step.ask));
          }
        },
      ),
    );
  });
});

describe("equal", () => {
  it("is what JSON shows, to the order of keys, with dates apart that differ in the last bit", () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => {
        expect(equal(a, structuredClone(a))).toBe(true);
        if (!Object.is(a, b) && JSON.stringify(a) !== JSON.stringify(b)) expect(equal(a, b)).toBe(false);
      }),
    );
    expect(equal({ a: 1, b: 2 }, { b: 2, a: 1 })).toBe(false);
    expect(equal([0.1 + 0.2], [0.3])).toBe(false);
    expect(equal(new Map([["a", [1]]]), new Map([["a", [1]]]))).toBe(true);
    expect(equal(new Map([["a", 1]]), new Map([["b", 1]]))).toBe(false);
    expect(equal(Float64Array.of(1, NaN), Float64Array.of(1, NaN))).toBe(true);
    expect(equal({ f: () => 1 }, { f: () => 1 })).toBe(false);
    expect(equal({}, [])).toBe(false);
  });
});
