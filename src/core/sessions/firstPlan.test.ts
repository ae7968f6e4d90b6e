import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { dateOf, mustDay } from "../base/calendar/day";
import type { Session } from "../log/kinds/sessions";
import { put } from "../log/records";
import { movedTo } from "../planning/movedTo";
import { planDone } from "../review/planDone";
import { askedItems, leftDays, planOf, remembering } from "./firstPlan";
import { sessionsOf } from "./slice";

/** A week from Monday 8 to Sunday 14 June 2026. */
const monday = "2026-06-08";
const planned = (id: string, date: string, more: Partial<Session> = {}): Session => ({
  id,
  personId: "p",
  date,
  kind: "row",
  status: "planned",
  planned: { minutes: 60 },
  changed: "2026-05-01T06:00:00.000Z/0000/me",
  ...more,
});
/** A session as it is written on a day. */
const written = (after: Session, before: Session, on: string): Session => {
  const [step] = remembering([put("sessions", after, before)], on);
  return (step as { put: Session }).put;
};
const moved = (session: Session, to: string, on: string) => written(movedTo(session, to), session, on);
const kept = (sessions: Session[], on: string, start = monday) => {
  const asOf = smallAsOf(on, { sessions });
  return sessionsOf(asOf).adherence(mustDay(start), mustDay(start) + 6);
};

describe("a planned session", () => {
  it("goes on knowing how it was first planned, whatever is changed of it and however often", () => {
    const items = [{ id: "i", exerciseId: "squat", sets: [{ id: "s", planned: { reps: 5, kg: 100 } }] }];
    const first = planned("a", "2026-06-10", { items, time: "18:00" });
    const heavier = { ...first, items: [{ ...items[0]!, sets: [{ id: "s", planned: { reps: 5, kg: 110 } }] }] };
    const once = written(heavier, first, "2026-06-09");
    expect(once.first).toEqual({
      date: "2026-06-10",
      time: "18:00",
      planned: { minutes: 60, items: [{ exerciseId: "squat", sets: [{ planned: { reps: 5, kg: 100 } }] }] },
    });
    const twice = moved(once, "2026-06-12", "2026-06-10");
    expect([twice.first, twice.moves]).toEqual([once.first, [{ from: "2026-06-10", on: "2026-06-10" }]]);
    // A comment on it, or what was done of it, changes no plan.
    expect(written({ ...first, note: "legs" }, first, "2026-06-09")).not.toHaveProperty("first");
    expect(written({ ...first, status: "done", minutes: 50 }, first, "2026-06-10")).not.toHaveProperty("first");
  });
  it("was moved once by what is moved about in one sitting, and not at all while it is still being planned", () => {
    const session = planned("a", "2026-06-10");
    const about = moved(moved(session, "2026-06-12", "2026-06-09"), "2026-06-19", "2026-06-09");
    expect(about.moves).toEqual([{ from: "2026-06-10", on: "2026-06-09" }]);
    const today = planned("a", "2026-06-10", { changed: "2026-06-09T12:00:00.000Z/0000/me" });
    expect(moved(today, "2026-06-19", "2026-06-09")).toMatchObject({ first: { date: "2026-06-10" }, moves: [] });
    expect(leftDays(moved(today, "2026-06-19", "2026-06-09"), 1)).toEqual([]);
  });
});

describe("adherence by the first plan", () => {
  it("keeps a miss that is planned again in its week, and counts it anew where it now stands", () => {
    const [done, missed] = [planned("a", monday, { status: "done" }), planned("b", "2026-06-09")];
    expect(kept([done, missed], "2026-06-14")).toMatchObject({ planned: 2, done: 1, missed: 1, share: 0.5 });
    const again = moved(missed, "2026-06-16", "2026-06-14");
    expect(kept([done, again], "2026-06-14")).toMatchObject({ planned: 2, done: 1, missed: 0, moved: 1, share: 0.5 });
    // Missed there too and moved on, it is a miss of both weeks; done in the third, it is done there.
    const third = { ...moved(again, "2026-06-24", "2026-06-20"), status: "done" as const };
    const week = (start: string) => kept([done, third], "2026-06-28", start);
    expect([week(monday), week("2026-06-15"), week("2026-06-22")].map(({ share }) => share)).toEqual([0.5, 0, 1]);
  });
  it("is not changed by a move within the week, nor by one made before the week began", () => {
    const session = planned("a", "2026-06-10");
    const within = { ...moved(session, "2026-06-12", "2026-06-11"), status: "done" as const };
    expect(kept([within], "2026-06-14")).toMatchObject({ planned: 1, done: 1, moved: 0 });
    expect(kept([moved(session, "2026-06-19", "2026-06-07")], "2026-06-14")).toMatchObject({ planned: 0, share: null });
  });
  it("goes by the first day alone in a log that tells no more", () => {
    const older = planned("a", "2026-06-16", { movedFrom: "2026-06-09" });
    expect(kept([older], "2026-06-14")).toMatchObject({ planned: 1, moved: 1, share: 0 });
    expect(kept([planned("b", "2026-06-16", { movedFrom: "2026-06-09", optional: true })], "2026-06-14").planned).toBe(
      0,
    );
  });
  it("never rises by moving something out of a week that has begun, and the same is told by kind", () => {
    const days = fc.integer({ min: 0, max: 6 });
    fc.assert(
      fc.property(
        fc.array(fc.record({ day: days, done: fc.boolean(), to: fc.integer({ min: 7, max: 20 }) }), {
          minLength: 1,
          maxLength: 9,
        }),
        days,
        (plan, on) => {
          const today = mustDay(monday) + on;
          const sessions = plan.map(({ day, done }, at) =>
            planned(String(at), dateOf(mustDay(monday) + day), done && day <= on ? { status: "done" } : {}),
          );
          const out = sessions.map((session, at) =>
            session.status === "done" ? session : moved(session, dateOf(mustDay(monday) + plan[at]!.to), dateOf(today)),
          );
          const sunday = dateOf(mustDay(monday) + 6);
          const over = dateOf(mustDay(monday) + 7);
          const [before, after] = [kept(sessions, over), kept(out, over)];
          expect([after.done, after.planned, after.share]).toEqual([before.done, before.planned, before.share]);
          const byKind = planDone(smallAsOf(over, { sessions: out }), { from: monday, to: sunday });
          expect(byKind.total.adherence).toEqual(after);
          expect(byKind.kinds.map(({ adherence }) => adherence)).toEqual([after]);
        },
      ),
    );
  });
});

describe("what is planned of a session", () => {
  it("is what was asked for, whatever was done in its place", () => {
    const asked = { reps: 8, kg: 80 };
    const items: Session["items"] = [
      { id: "a", exerciseId: "bench", sets: [{ id: "1", planned: asked, done: { reps: 8, kg: 80 } }] },
      {
        id: "b",
        exerciseId: "dumbbell",
        sets: [{ id: "2", planned: { reps: 8 } }],
        insteadOf: { exerciseId: "bench", sets: [{ planned: asked }] },
      },
    ];
    expect(askedItems(items).map(({ exerciseId, sets }) => [exerciseId, sets.map((set) => set.planned)])).toEqual([
      ["bench", [asked, asked]],
    ]);
    expect(planOf(planned("s", monday, { items })).planned.items).toHaveLength(2);
  });
});
