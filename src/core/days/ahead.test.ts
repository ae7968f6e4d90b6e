import { describe, expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { mustDay } from "../base/calendar/day";
import { aheadOf } from "./ahead";
import { dayView } from "./dayView";

// 10 June 2026 is a Wednesday; the week ends on Sunday the 14th.
const asOf = smallAsOf("2026-06-10", {
  exercises: [{ id: "squat", name: "Back squat", group: "squat" }],
  sessions: [
    { id: "past", date: "2026-06-08", kind: "run", status: "planned" },
    { id: "skipped", date: "2026-06-11", kind: "run", status: "skipped" },
    {
      id: "b",
      date: "2026-06-12",
      kind: "strength",
      title: "Strength B",
      time: "18:00",
      status: "planned",
      items: [
        { id: "1", exerciseId: "squat", sets: [] },
        { id: "2", exerciseId: "gone", sets: [] },
      ],
    },
    {
      id: "long",
      date: "2026-06-14",
      kind: "run",
      status: "planned",
      optional: true,
      distance: { purpose: "long", planned: { metres: 16_000 } },
    },
    { id: "monday", date: "2026-06-15", kind: "row", status: "planned" },
  ],
});
const ahead = (date: string) => aheadOf(asOf, mustDay(date));

describe("what comes after a day of rest", () => {
  it("is the next day's sessions, and what the week still holds; a skipped session is none", () => {
    expect(ahead("2026-06-10")).toEqual({
      next: [
        {
          sessionId: "b",
          date: "2026-06-12",
          inDays: 2,
          kind: "strength",
          title: "Strength B",
          time: "18:00",
          optional: false,
          lifts: ["Back squat"],
          distance: null,
        },
      ],
      week: [
        expect.objectContaining({ sessionId: "b" }),
        expect.objectContaining({
          title: "Run",
          optional: true,
          distance: { metres: 16_000, seconds: null },
          lifts: [],
          inDays: 4,
        }),
      ],
    });
  });
  it("may lie beyond the week, or be nothing", () => {
    expect(ahead("2026-06-14")).toMatchObject({ next: [{ sessionId: "monday", inDays: 1 }], week: [] });
    expect(ahead("2026-06-15")).toEqual({ next: [], week: [] });
  });
  it("is told on a day without a session alone", () => {
    expect(dayView(asOf, mustDay("2026-06-10")).ahead).toEqual(ahead("2026-06-10"));
    expect(dayView(asOf, mustDay("2026-06-12")).ahead).toBeNull();
  });
});
