import { pacePerKm } from "@/core/sessions/covered";
import { describe, expect, it } from "vitest";
import { mustDay } from "../base/calendar/day";
import type { Session } from "../log/kinds/sessions";
import { adherence, wasPlanned } from "../sessions/adherence";
import { splitPer500, totalsByPurpose } from "./distance";

describe("pace", () => {
  it("is total time over total distance: 6 km in 33:00 and 4 km in 20:00 are 5:18 /km", () => {
    expect(
      pacePerKm([
        { metres: 6000, seconds: 1980 },
        { metres: 4000, seconds: 1200 },
      ]),
    ).toBeCloseTo(318, 9);
    expect(pacePerKm([{ metres: 6000, seconds: null }])).toBeNull();
    expect(splitPer500(2000, 448)).toBe(112);
  });
  it("totals by kind and purpose, planned beside done", () => {
    const totals = totalsByPurpose([
      { kind: "run", purpose: "easy", planned: true, done: { metres: 6000, seconds: 1980 } },
      { kind: "run", purpose: "easy", planned: true, done: null },
      { kind: "row", purpose: null, planned: false, done: { metres: 2000, seconds: null } },
    ]);
    expect(totals).toEqual([
      { kind: "row", purpose: null, planned: 0, done: 1, metres: 2000, seconds: 0, secondsPerKm: null },
      { kind: "run", purpose: "easy", planned: 2, done: 1, metres: 6000, seconds: 1980, secondsPerKm: 330 },
    ]);
  });
});

it("pace of a metre a second, over metres of which there is one: 16:40 /km", () => {
  expect(
    pacePerKm([
      { metres: 1, seconds: 1 },
      { metres: 0, seconds: 60 },
    ]),
  ).toBe(1000);
});

describe("adherence", () => {
  const session = (status: Session["status"], extra: Partial<Session> = {}): Session => ({
    id: Math.random().toString(),
    personId: "p",
    date: "2026-06-01",
    kind: "run",
    status,
    planned: {},
    ...extra,
  });
  it("takes a session that was not done for planned unless it was begun and left empty", () => {
    const planned = (extra: Partial<Session>) => wasPlanned(session("skipped", { planned: null, ...extra }));
    expect([
      planned({}),
      planned({ items: [] }),
      planned({ items: [], planned: { minutes: 30 } }),
      planned({ items: [], distance: { purpose: "steady" } }),
      planned({ items: [{ id: "i", exerciseId: "e", sets: [] }] }),
    ]).toEqual([true, false, true, true, true]);
  });
  it("counts partly as half, an untouched past session as missed, and nothing of what is to come", () => {
    const week = [
      session("done"),
      session("partly"),
      session("skipped"),
      session("planned"),
      session("planned", { date: "2026-06-03" }),
      session("done", { planned: null }),
      session("skipped", { optional: true }),
      session("done", { optional: true }),
    ];
    expect(adherence(week, mustDay("2026-06-02"), [])).toEqual({
      planned: 5,
      done: 2,
      partly: 1,
      skipped: 1,
      missed: 1,
      moved: 0,
      extra: 1,
      share: 0.5,
    });
    // A session done today counts today.
    expect(adherence([session("done")], mustDay("2026-06-01"), [])).toMatchObject({ planned: 1, done: 1 });
    expect(adherence([], 0, []).share).toBeNull();
    expect(adherence([session("planned", { date: "2026-06-02" })], mustDay("2026-06-02"), [])).toMatchObject({
      planned: 0,
      missed: 0,
      share: null,
    });
  });
});
