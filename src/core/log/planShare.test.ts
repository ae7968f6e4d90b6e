import { describe, expect, it } from "vitest";
import { demoLog, rowerId } from "../../demo/demoLog";
import { mustDay } from "../base/calendar/day";
import { copyOf } from "./copy";
import { recordKinds } from "./kinds/all";
import type { Session } from "./kinds/sessions";
import { type Log, putRecord } from "./log";
import { applyMerge } from "./merge/apply";
import { mergeLogs } from "./merge/merge";
import { planOf } from "./people";

const stamp = (minute: number, node: string) => `2026-06-11T10:${String(minute).padStart(2, "0")}:00.000Z/0000/${node}`;
const ours = demoLog(mustDay("2026-06-11"));
const share = { from: "2026-06-01", to: "2026-06-30", weights: false, food: false };
const take = applyMerge;
const sessionsOf = (log: Log) => [...log.records.sessions.values()];
const edit = (log: Log, id: string, node: string, change: (session: Session) => Session) => {
  const session = log.records.sessions.get(id)!;
  putRecord(log, "sessions", {
    ...change(session),
    revision: (session.revision ?? 0) + 1,
    changed: stamp(1, node),
  });
};

describe("a plan for a coach", () => {
  it("holds the person's sessions of its days and what they are made of, and nothing else", () => {
    const plan = planOf(ours, rowerId, share);
    expect(
      sessionsOf(plan).every(({ personId, date }) => personId === rowerId && date >= share.from && date <= share.to),
    ).toBe(true);
    expect(sessionsOf(plan).length).toBeGreaterThan(15);
    const held = recordKinds.filter((kind) => plan.records[kind].size > 0);
    expect(held.sort()).toEqual([
      "blocks",
      "cycles",
      "exercises",
      "kinds",
      "people",
      "phases",
      "routines",
      "sessions",
      "standardWeeks",
    ]);
    expect(JSON.stringify([...plan.records.people.values()])).not.toMatch(/birth|height/);
    const more = planOf(ours, rowerId, { ...share, weights: true, food: true });
    expect([...more.records.weighIns.values()].every(({ date }) => date >= share.from && date <= share.to)).toBe(true);
    expect(more.records.meals.size).toBeGreaterThan(20);
  });
  it("comes back as it went without changing anything", () => {
    expect(mergeLogs(ours, copyOf(planOf(ours, rowerId, share)))).toEqual([]);
  });
  it("loses nothing of either side: the coach's changes, what was trained meanwhile, and comments of both", () => {
    const [log, coach] = [copyOf(ours), copyOf(planOf(ours, rowerId, share))];
    const planned = sessionsOf(log).filter(
      ({ personId, status, date, items }) =>
        personId === rowerId && status === "planned" && date >= "2026-06-11" && items != null,
    );
    const [first, second] = planned as [Session, Session];
    // The coach asks for more of the first exercise and comments; the trainee has done the second, and comments as well.
    edit(coach, first.id, "coach", (session) => ({
      ...session,
      comments: [{ id: "k1", by: "coach", text: "one set more" }],
      items: session.items!.map((item, at) =>
        at === 0 ? { ...item, sets: [...item.sets, { id: "more", planned: { reps: 5, kg: 100 } }] } : item,
      ),
    }));
    edit(log, first.id, "phone", (session) => ({
      ...session,
      comments: [{ id: "t1", by: "trainee", text: "left knee" }],
      items: session.items!.map((item, at) =>
        at === 1 ? { ...item, sets: item.sets.map((set) => ({ ...set, done: { reps: 5, kg: 60 } })) } : item,
      ),
    }));
    take(log, mergeLogs(log, coach));
    const merged = log.records.sessions.get(first.id)!;
    expect(merged.comments!.map(({ id }) => id).sort()).toEqual(["k1", "t1"]);
    expect(merged.items![0]!.sets.some(({ id }) => id === "more")).toBe(true);
    expect(merged.items![1]!.sets.every(({ done }) => done?.kg === 60)).toBe(true);
    expect(log.records.sessions.get(second.id)).toEqual(ours.records.sessions.get(second.id));
    // What was not in the file is as it was: weights, food, the other person.
    for (const kind of ["weighIns", "meals", "people", "goals"] as const)
      expect(log.records[kind]).toEqual(ours.records[kind]);
  });
});
