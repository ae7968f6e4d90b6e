import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Session } from "../log/kinds/sessions";
import { filled, imperial, metric, whyNot } from "../../../tests/filled";
import { sessionForm } from "./forms";
import { sessionFields, type SessionFields, withSessionFields } from "./sessionForm";

const row: Session = {
  id: "s",
  personId: "p",
  date: "2026-06-11",
  kind: "row",
  status: "done",
  title: "Easy row",
  minutes: 27.9116,
  effort: 4,
  distance: { purpose: "steady", done: { metres: 6204.7, seconds: 1674.6 } },
};
/** The session with the changed fields of a form, as they are typed. */
const written = (
  session: Session,
  fields: SessionFields,
  changed: ReadonlySet<keyof SessionFields>,
  unit: "km" | "mi",
) =>
  withSessionFields(
    session,
    filled(sessionForm, { ...(unit === "mi" ? imperial : metric), covered: session.distance != null }, fields),
    changed,
  );
const none: ReadonlySet<keyof SessionFields> = new Set();

describe("a session by its form", () => {
  it("that was not touched stays to the last digit, in every unit", () => {
    for (const unit of ["km", "mi"] as const)
      expect(written(row, sessionFields(row, unit, "kcal"), none, unit)).toEqual(row);
  });

  it("takes a watch's number with what it counts, in the trainee's unit, and not without", () => {
    const shown = { ...sessionFields(row, "km", "kJ"), kcal: "1255.2", kcalIs: "gross" as const };
    const kJ = { ...metric, units: { ...metric.units, energy: "kJ" as const }, covered: true };
    // 1255.2 kJ are 300 kcal of 4.184 kJ.
    const values = filled(sessionForm, kJ, shown);
    const next = withSessionFields(row, values, new Set(["kcal", "kcalIs"]));
    expect([next.kcal, next.kcalIs]).toEqual([expect.closeTo(300, 9), "gross"]);
    expect(sessionFields(next, "km", "kJ").kcal).toBe("1255");
    expect(whyNot(sessionForm, kJ, { ...shown, kcalIs: "" })).toEqual({
      kcalIs: "Does it count what is spent at rest as well? Say gross or net.",
    });
  });

  it("takes a changed field alone: the others keep what the record says now, not what the form shows", () => {
    // The record as another tab has left it since the form was opened.
    const now: Session = {
      ...row,
      effort: 7,
      note: "wind",
      distance: { ...row.distance, done: { metres: 6300.4, seconds: 1700 } },
    };
    const shown = { ...sessionFields(row, "km", "kcal"), place: " the lake " };
    expect(written(now, shown, new Set(["place"]), "km")).toEqual({ ...now, place: "the lake" });
    expect(written(now, { ...shown, time: "30:00" }, new Set(["time"]), "km")).toEqual({
      ...now,
      minutes: 30,
      distance: { ...row.distance, done: { metres: 6300.4, seconds: 1800 } },
    });
  });

  it("writes each of its fields, and it alone", () => {
    const fields: SessionFields = {
      ...sessionFields(row, "km", "kcal"),
      title: "Hard row",
      place: "lake",
      note: "wind",
      at: "06:40",
      optional: true,
      test: true,
      effort: "7",
      feel: "4",
    };
    for (const [key, value] of [
      ["title", { title: "Hard row" }],
      ["place", { place: "lake" }],
      ["note", { note: "wind" }],
      ["at", { time: "06:40" }],
      ["optional", { optional: true }],
      ["test", { test: true }],
      ["effort", { effort: 7 }],
      ["feel", { feel: 4 }],
    ] as const)
      expect(written(row, fields, new Set([key]), "km")).toEqual({ ...row, ...value });
  });

  it("drops what was emptied, and makes a planned distance a done one", () => {
    const planned: Session = {
      id: "s",
      personId: "p",
      date: "2026-06-12",
      kind: "run",
      status: "planned",
      note: "easy",
      distance: { planned: { metres: 8000, seconds: 2700 } },
    };
    const fields = { ...sessionFields(planned, "km", "kcal"), note: "  " };
    expect(fields).toMatchObject({ distance: "8", time: "45:00" });
    expect(written(planned, fields, new Set(["note"]), "km")).toEqual({
      id: "s",
      personId: "p",
      date: "2026-06-12",
      kind: "run",
      status: "done",
      minutes: 45,
      distance: { planned: { metres: 8000, seconds: 2700 }, done: { metres: 8000, seconds: 2700 } },
    });
    expect(written(planned, { ...fields, distance: "5" }, new Set(["distance"]), "mi").distance!.done).toEqual({
      metres: 5 * 1609.344,
      seconds: 2700,
    });
  });

  it("of any two tabs, each with fields of its own, holds both whichever saves last", () => {
    const texts = ["title", "place", "note", "effort", "feel"] as const;
    fc.assert(
      fc.property(
        fc.record({
          title: fc.stringMatching(/^\w{1,8}$/),
          place: fc.stringMatching(/^\w{1,8}$/),
          note: fc.stringMatching(/^\w{1,8}$/),
          effort: fc.integer({ min: 0, max: 10 }).map(String),
          feel: fc.integer({ min: 1, max: 5 }).map(String),
        }),
        fc.subarray([...texts]),
        (typed, first) => {
          const shown = sessionFields(row, "km", "kcal");
          const second = texts.filter((field) => !first.includes(field));
          const write = (session: Session, fields: readonly (keyof SessionFields)[]) =>
            written(
              session,
              { ...shown, ...Object.fromEntries(fields.map((field) => [field, typed[field as keyof typeof typed]])) },
              new Set(fields),
              "km",
            );
          expect(write(write(row, first), second)).toEqual(write(write(row, second), first));
          expect(sessionFields(write(write(row, first), second), "km", "kcal")).toMatchObject(typed);
        },
      ),
    );
  });
});
