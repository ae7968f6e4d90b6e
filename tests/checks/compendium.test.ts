import { describe, expect, it } from "vitest";
import { netExerciseKcal, rowingWatts, sessionMet } from "@/core/energy/exercise";
import type { Session } from "@/core/log/kinds/sessions";

const session = (kind: string, done?: { metres?: number; seconds?: number }): Session => ({
  id: "s",
  personId: "p",
  date: "2026-06-11",
  kind,
  status: "done",
  ...(done === undefined ? {} : { distance: { done } }),
});
const met = (one: Session) => {
  const found = sessionMet(one, null);
  return "met" in found ? found.met : found.reason;
};
/** The metres of an hour at so many miles an hour; a mile is 1609.344 m (international yard and pound, 1959). */
const running = (milesAnHour: number) => session("run", { metres: milesAnHour * 1609.344, seconds: 3600 });
/** A row at so many watts: the pace from 2.80 / (s per metre)³. */
const rowing = (watts: number) => session("row", { metres: 1000, seconds: 1000 * (2.8 / watts) ** (1 / 3) });

describe("metabolic equivalents", () => {
  // Ainsworth et al. 2011, Compendium of Physical Activities, Med Sci Sports Exerc 43:1575, running 12029–12135; from
  // memory.
  it.each([
    [4, 6.0],
    [5, 8.3],
    [5.2, 9.0],
    [6, 9.8],
    [6.7, 10.5],
    [7, 11.0],
    [7.5, 11.5],
    [8, 11.8],
    [8.6, 12.3],
    [9, 12.8],
    [10, 14.5],
    [11, 16.0],
    [12, 19.0],
    [13, 19.8],
    [14, 23.0],
  ])("of running at %d miles an hour are %d", (speed, equivalents) =>
    expect(met(running(speed))).toBeCloseTo(equivalents, 6),
  );
  // The same, stationary rowing 02070–02074; from memory.
  it.each([
    [50, 3.5],
    [100, 7.0],
    [150, 8.5],
    [200, 12.0],
  ])("of rowing at %d watts are %d", (watts, equivalents) => expect(met(rowing(watts))).toBeCloseTo(equivalents, 6));

  it("lie straight between two rows, and are held at the ends", () => {
    expect(met(running(4.5))).toBeCloseTo((6 + 8.3) / 2, 6);
    expect(met(rowing(125))).toBeCloseTo((7 + 8.5) / 2, 6);
    expect([met(running(3)), met(running(15))]).toEqual([6, 23]);
    expect(met(rowing(20))).toBe(3.5);
    expect(met(rowing(300))).toBe(12);
  });

  it("of lifting are 3.5; of what has no distance or no time, and of other kinds, it is said why there are none", () => {
    expect(met(session("strength"))).toBe(3.5);
    for (const done of [undefined, { metres: 5000 }, { seconds: 1500 }, { metres: 0, seconds: 1500 }])
      expect(met(session("run", done))).toBe("distance and time are needed for the intensity");
    expect(met(session("origami", { metres: 1, seconds: 1 }))).toMatch(
      /no metabolic equivalent is known for .*origami/,
    );
  });

  // The same source, from memory: codes 02040, 01015, 18240, 17190, 02150, 02105.
  it.each([
    ["circuit", 8.0],
    ["spinning", 7.5],
    ["swim", 5.8],
    ["walk", 3.5],
    ["yoga", 2.5],
    ["pilates", 3.0],
  ])("of what goes by its minutes: %s %f", (kind, value) => expect(met(session(kind))).toBe(value));
  it("of a class are by its title", () => {
    expect(met({ ...session("class"), title: "Morning yoga" })).toBe(2.5);
    // A word inside another says nothing.
    expect(met({ ...session("class"), title: "Stepping stones" })).toMatch(/no metabolic equivalent/);
  });

  it("come to net energy above resting: 8.3 MET for 30 minutes at 70 kg is 268 kcal", () => {
    expect(netExerciseKcal(8.3, 70, 30)).toBeCloseTo(((8.3 - 1) * 3.5 * 70 * 30) / 200, 9);
    expect(netExerciseKcal(1, 70, 30)).toBe(0);
    // 2:00 /500 m, the common table of rowing machines.
    expect(rowingWatts(120 / 500)).toBeCloseTo(202.5, 1);
  });
});
