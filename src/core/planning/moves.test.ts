import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { smallAsOf, smallLog } from "../../../tests/smallLog";
import { dateOf, mustDay } from "../base/calendar/day";
import { AsOf } from "../log/asOf";
import type { Log } from "../log/log";
import type { Session } from "../log/kinds/sessions";
import { notesOf } from "../log/notes";
import type { Change } from "../log/records";
import { sessionsOf } from "../sessions/slice";
import { strengthOf } from "../strength/slice";
import { liftWorkOf } from "../strength/workSlice";
import { cleared, copyOf, repeated, shifted, swapped, tapered } from "./moves";
import { movedTo } from "./movedTo";
import { restDaysIn } from "./rest";
import { plannedSum } from "./sums";
import { isRest } from "./weeksView";

const today = "2026-06-10";
const exercises = [{ id: "squat", name: "Squat", equipment: "barbell" }];
const setsOf = (count: number, planned: object, done?: object) =>
  Array.from({ length: count }, (_, index) => ({ id: `${index}`, planned, ...(done ? { done } : {}) }));
const lifting = (count: number, planned: object, done?: object) => [
  { id: "i", exerciseId: "squat", sets: setsOf(count, planned, done) },
];
const counter = () => {
  let at = 0;
  return () => `new-${++at}`;
};
/** A log with a change written into it, as the store would leave it. */
function after(log: Log, change: Change): AsOf {
  const records = Object.fromEntries(
    Object.entries(log.records).map(([kind, map]) => [kind, new Map(map as ReadonlyMap<string, object>)]),
  );
  for (const step of change)
    if ("remove" in step) records[step.remove.kind]!.delete(step.remove.id);
    else records[step.kind]!.set(step.put.id, step.put);
  const lists = Object.entries(records).map(([kind, map]) => [kind, [...map.values()]]);
  return new AsOf(smallLog(Object.fromEntries(lists) as Record<string, object[]>), "p", mustDay(today));
}

/** Sessions of any kind and state on some weeks around today. */
const anySession = fc
  .record({
    offset: fc.integer({ min: -20, max: 30 }),
    status: fc.constantFrom("planned", "done", "partly", "skipped"),
    kind: fc.constantFrom("strength", "row"),
    count: fc.integer({ min: 1, max: 5 }),
    reps: fc.integer({ min: 1, max: 8 }),
    kg: fc.integer({ min: 10, max: 60 }).map((one) => one * 2.5),
    booked: fc.boolean(),
    test: fc.boolean(),
    minutes: fc.integer({ min: 10, max: 90 }),
  })
  .map(({ offset, status, kind, count, reps, kg, booked, test, minutes }) => ({
    date: dateOf(mustDay(today) + offset),
    kind,
    // What is done cannot lie ahead.
    status: offset > 0 && status !== "skipped" ? "planned" : status,
    planned: { minutes, effort: 5 },
    ...(booked ? { booked } : {}),
    ...(test ? { test } : {}),
    ...(kind === "strength"
      ? { items: lifting(count, { reps, kg }, offset <= 0 && status === "done" ? { reps, kg } : undefined) }
      : { distance: { planned: { metres: 5000, seconds: minutes * 60 } } }),
  }));
const anyLog = fc.array(anySession, { maxLength: 12 }).map((sessions) => smallLog({ exercises, sessions }));
const all = (asOf: AsOf) => sessionsOf(asOf).between(-Infinity, Infinity);
const plannedOf = (asOf: AsOf) => plannedSum(asOf, all(asOf));
/** What was performed, whatever is planned: the sets that count, the records, and what was done of every session. */
const performedOf = (asOf: AsOf) =>
  JSON.stringify({
    done: all(asOf)
      .filter(({ status }) => status === "done" || status === "partly")
      .map(({ id, date, status, items, distance }) => [id, date, status, items, distance]),
    maximum: strengthOf(asOf).maximumOn("squat", asOf.on),
    weeks: Array.from({ length: 8 }, (_, index) => liftWorkOf(asOf).ofWeek(mustDay("2026-05-11") + 7 * index).volume),
  });

const newId = counter();

describe("what is planned, moved", () => {
  it("keeps the sum of the work that is planned, and never touches what was performed", () => {
    fc.assert(
      fc.property(anyLog, fc.integer({ min: -5, max: 20 }), fc.integer({ min: -3, max: 30 }), (log, from, days) => {
        const asOf = new AsOf(log, "p", mustDay(today));
        const { change } = shifted(asOf, { from: dateOf(asOf.on + from), days, withBars: true }, newId);
        const then = after(log, change);
        expect(plannedOf(then)).toEqual(plannedOf(asOf));
        expect(performedOf(then)).toBe(performedOf(asOf));
      }),
      { numRuns: 60 },
    );
  });

  it("comes back to where it was when it is swapped twice, or moved there and back", () => {
    const places = (asOf: AsOf) =>
      all(asOf)
        .map(({ id, date, movedFrom }) => `${id} ${date} ${movedFrom ?? ""}`)
        .sort();
    fc.assert(
      fc.property(anyLog, fc.integer({ min: 1, max: 9 }), (log, apart) => {
        const asOf = new AsOf(log, "p", mustDay(today));
        const days = { a: dateOf(asOf.on + 2), b: dateOf(asOf.on + 2 + apart) };
        const once = after(log, swapped(asOf, days, newId).change);
        const twice = after(once.log, swapped(once, days, newId).change);
        expect(places(twice)).toEqual(places(asOf));
        expect(performedOf(once)).toBe(performedOf(asOf));
      }),
      { numRuns: 60 },
    );
  });

  it("takes days of rest along, and what else is noted on a day stays on it", () => {
    const asOf = smallAsOf(today, {
      dayNotes: [
        { id: "n1", date: "2026-06-12", text: "travel", restPlanned: true },
        { id: "n2", date: "2026-06-13", restPlanned: true },
      ],
    });
    const rests = (then: AsOf) => restDaysIn(then, -Infinity, Infinity).map(dateOf);
    const later = after(asOf.log, shifted(asOf, { from: today, days: 1, withBars: false }, newId).change);
    expect(rests(later)).toEqual(["2026-06-13", "2026-06-14"]);
    expect(notesOf(later).noteOn(mustDay("2026-06-12"))!.text).toBe("travel");
    const other = after(asOf.log, swapped(asOf, { a: "2026-06-13", b: "2026-06-16" }, newId).change);
    expect(rests(other)).toEqual(["2026-06-12", "2026-06-16"]);
    expect(rests(after(asOf.log, cleared(asOf, { from: today, to: "2026-06-20" }, newId).change))).toEqual([]);
    // A session planned on the day takes the place of rest.
    expect(isRest(asOf, mustDay("2026-06-12"))).toBe(true);
    const session = { id: "s", date: "2026-06-12", kind: "row", status: "planned" };
    expect(
      isRest(
        smallAsOf(today, { sessions: [session], dayNotes: [{ id: "n1", date: "2026-06-12", restPlanned: true }] }),
        mustDay("2026-06-12"),
      ),
    ).toBe(false);
  });

  it("leaves where it is what is done, begun, booked, or a meet, and says so", () => {
    const asOf = smallAsOf(today, {
      exercises,
      blocks: [{ id: "b", name: "Next", startDate: "2026-06-15", days: 14 }],
      sessions: [
        { id: "begun", date: today, kind: "strength", status: "planned", items: lifting(2, { reps: 5 }, { reps: 5 }) },
        { id: "plain", date: "2026-06-11", kind: "row", status: "planned" },
        { id: "class", date: "2026-06-12", kind: "class", status: "planned", booked: true },
        { id: "meet", date: "2026-06-20", kind: "strength", status: "planned", test: true },
      ],
    });
    const found = shifted(asOf, { from: today, days: 3, withBars: true }, newId);
    expect(found.sessions.map(({ date, what, text }) => [date, what, text])).toEqual([
      ["2026-06-10", "stays", "begun"],
      ["2026-06-12", "stays", "booked: it keeps its day"],
      ["2026-06-14", "moved", "from 2026-06-11"],
      ["2026-06-20", "stays", "a meet or a day of testing keeps its day"],
    ]);
    expect(found.change).toHaveLength(2);
    expect(shifted(asOf, { from: today, days: 3, withBars: false }, newId).change).toHaveLength(1);
    expect(cleared(asOf, { from: today, to: "2026-06-30" }, newId).sessions.map(({ what }) => what)).toEqual([
      "stays",
      "removed",
      "stays",
      "stays",
    ]);
  });

  it("remembers the day it was first planned on, and forgets it when it is back", () => {
    const session = {
      id: "s",
      personId: "p",
      date: "2026-06-11",
      kind: "row",
      status: "skipped",
      reason: "cold",
    } as Session;
    const once = movedTo(session, "2026-06-12");
    expect(once).toEqual({
      id: "s",
      personId: "p",
      date: "2026-06-12",
      kind: "row",
      status: "planned",
      movedFrom: "2026-06-11",
    });
    expect(movedTo(once, "2026-06-14").movedFrom).toBe("2026-06-11");
    expect(movedTo(once, "2026-06-11")).not.toHaveProperty("movedFrom");
  });
});

describe("what is planned, copied", () => {
  const done: Session = {
    id: "s",
    personId: "p",
    date: "2026-06-08",
    kind: "strength",
    title: "Legs",
    status: "done",
    minutes: 62,
    effort: 7,
    note: "heavy",
    cycleId: "c",
    week: 1,
    weekday: 1,
    items: [
      {
        id: "i",
        exerciseId: "squat",
        sets: [
          { id: "1", planned: { reps: 5, kg: 100 }, done: { reps: 4, kg: 100 } },
          { id: "2", done: { reps: 5, kg: 95, rpe: 9 } },
        ],
      },
    ],
  };
  it("asks for what was planned, else for what was done, and is of no cycle", () => {
    expect(copyOf(done, "2026-06-15", counter())).toEqual({
      personId: "p",
      kind: "strength",
      title: "Legs",
      id: "new-1",
      date: "2026-06-15",
      status: "planned",
      planned: { minutes: 62, effort: 7 },
      items: [
        {
          id: "new-2",
          exerciseId: "squat",
          sets: [
            { id: "new-3", planned: { reps: 5, kg: 100 } },
            { id: "new-4", planned: { reps: 5, kg: 95 } },
          ],
        },
      ],
    });
  });
  it("is repeated every so many days", () => {
    const asOf = smallAsOf(today, { exercises, sessions: [done] });
    const { sessions, change } = repeated(
      asOf,
      { date: done.date, sessionId: "s", on: "2026-06-15", everyDays: 7, times: 3 },
      counter(),
    );
    expect(sessions.map(({ date, what }) => [date, what])).toEqual([
      ["2026-06-15", "new"],
      ["2026-06-22", "new"],
      ["2026-06-29", "new"],
    ]);
    expect(change).toHaveLength(3);
  });
});

describe("a taper, counted back from its event", () => {
  // Two weeks before Saturday 27 June: 13 to 26 June. Half the volume of three sessions, worked out by hand.
  const asOf = smallAsOf(today, {
    exercises,
    sessions: [
      {
        id: "before",
        date: "2026-06-12",
        kind: "strength",
        status: "planned",
        items: lifting(6, { reps: 3, kg: 100 }),
      },
      {
        id: "heavy",
        date: "2026-06-15",
        kind: "strength",
        status: "planned",
        items: [
          {
            id: "i",
            exerciseId: "squat",
            sets: [...setsOf(3, { reps: 5, kg: 100 }), { id: "t1", planned: { reps: 1, kg: 130 } }],
          },
        ],
      },
      {
        id: "row",
        date: "2026-06-18",
        kind: "row",
        status: "planned",
        planned: { minutes: 45, effort: 4 },
        distance: { planned: { metres: 8000, seconds: 2400 } },
      },
      { id: "meet", date: "2026-06-27", kind: "strength", status: "planned", test: true },
    ],
  });
  const found = tapered(asOf, { event: "2026-06-27", days: 14, share: 0.5 });
  it("takes sets away and keeps the heaviest, halves distances and minutes, and leaves what lies before", () => {
    expect(found.sessions.map(({ date, what }) => [date, what])).toEqual([
      ["2026-06-15", "changed"],
      ["2026-06-18", "changed"],
    ]);
    const [heavy, row] = found.change.map((step) => (step as { put: Session }).put);
    // Two of four sets: the single at 130, and the first of the fives.
    expect(heavy!.items![0]!.sets.map(({ planned }) => planned)).toEqual([
      { reps: 5, kg: 100 },
      { reps: 1, kg: 130 },
    ]);
    expect(row!.distance!.planned).toEqual({ metres: 4000, seconds: 1200 });
    expect(row!.planned).toEqual({ minutes: 23, effort: 4 });
  });
  it("says what it comes to", () => {
    // 3 × 5 + 1 = 16 lifts, 1,500 + 130 kg; then 5 + 1 = 6 lifts, 500 + 130 kg.
    expect(found.sums).toEqual([
      { label: "as planned", numberOfLifts: 16, volumeLoadKg: 1630, minutes: 45, metres: 8000 },
      { label: "tapered", numberOfLifts: 6, volumeLoadKg: 630, minutes: 23, metres: 4000 },
    ]);
  });
});
