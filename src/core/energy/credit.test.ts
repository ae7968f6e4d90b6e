import { describe, expect, it } from "vitest";
import { mustDay } from "../base/calendar/day";
import { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { emptyLog, putRecord } from "../log/log";
import { creditOf } from "./expenditure";

const date = "2026-06-10";
const session = (more: Partial<Session>): Session => ({
  id: "s",
  personId: "p",
  date,
  kind: "class",
  status: "done",
  minutes: 60,
  ...more,
});
const credit = (one: Session, met?: number) => {
  const log = emptyLog();
  putRecord(log, "people", { id: "p", name: "P" });
  putRecord(log, "weighIns", { id: "w", personId: "p", date, kg: 70 });
  if (met !== undefined) putRecord(log, "kinds", { id: "k", name: "Class", met });
  putRecord(log, "sessions", one);
  return creditOf(new AsOf(log, "p", mustDay(date)), one, mustDay(date));
};

describe("the energy of a session", () => {
  it("is what a watch says net, or gross without an hour at rest", () => {
    // 3.5 × 70 ÷ 200 × 60 = 73.5 kcal at rest.
    expect(credit(session({ kcal: 600, kcalIs: "gross" }))).toMatchObject({ kcal: 526.5, of: { by: "gross" } });
    expect(credit(session({ kcal: 600, kcalIs: "net" }))).toMatchObject({ kcal: 600, of: { by: "net" } });
    expect(credit(session({ kcal: 50, kcalIs: "gross" }))).toMatchObject({ kcal: 0 });
    expect(credit(session({ kcal: 600, kcalIs: "gross", minutes: null }))).toEqual({
      sessionId: "s",
      reason: "its duration is missing",
    });
  });
  it("is by the minutes of a class, by its title, or by what the trainee wrote of the kind", () => {
    // (8 − 1) × 3.5 × 70 ÷ 200 × 60 = 514.5; (6 − 1) × 73.5 = 367.5.
    expect(credit(session({ title: "Circuits" }))).toMatchObject({ kcal: expect.closeTo(514.5, 9) as number });
    expect(credit(session({ title: "Circuits" }), 6)).toMatchObject({ kcal: expect.closeTo(367.5, 9) as number });
    expect(credit(session({ title: "Something" }))).toHaveProperty("reason");
    // A number that is neither gross nor net says nothing.
    expect(credit(session({ title: "Circuits", kcal: 600 }))).toMatchObject({ of: { by: "met" } });
  });
});
