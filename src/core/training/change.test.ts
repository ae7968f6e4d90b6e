import { describe, expect, it } from "vitest";
import type { Session } from "../log/kinds/sessions";
import { adherence } from "../sessions/adherence";
import { nextStep } from "../sessions/order";
import {
  repeated,
  withDropPart,
  withExercise,
  withJoined,
  withMoreSets,
  withMoved,
  withoutIdleSets,
  withoutOpenSet,
  withRamp,
  withSkipped,
  withSwapped,
} from "./change";
import { confirmed } from "./perform";
import { askedItems } from "../sessions/firstPlan";
import { type PlannedRow, withPlan } from "./planSets";

let next = 0;
const newId = () => `new${next++}`;
const session: Session = {
  id: "s",
  personId: "p",
  date: "2026-06-01",
  kind: "strength",
  status: "partly",
  items: [
    {
      id: "a",
      exerciseId: "squat",
      superset: "A",
      sets: [
        { id: "a1", restSeconds: 120, planned: { reps: 5, kg: 100 }, done: { reps: 5, kg: 100 } },
        { id: "a2", restSeconds: 120, planned: { reps: 5, kg: 100 } },
      ],
    },
    { id: "b", exerciseId: "press", sets: [{ id: "b1", planned: { reps: 8, percent: 0.7 } }] },
  ],
};
const ids = ({ items }: Session) =>
  items!.map(
    ({ exerciseId, sets }) =>
      `${exerciseId}: ${sets.map(({ id, done }) => `${id.startsWith("new") ? "new" : id}${done ? "!" : ""}`).join(" ")}`,
  );

describe("a session changed while it is trained", () => {
  it("a set more is like the last; an open one can go, a done one stays", () => {
    expect(withMoreSets(session, "a", newId).items![0]!.sets[2]).toMatchObject({
      restSeconds: 120,
      planned: { reps: 5, kg: 100 },
    });
    expect(ids(withoutOpenSet(session, "a", "a2"))).toEqual(["squat: a1!", "press: b1"]);
    expect(ids(withoutOpenSet(session, "a", "a1"))).toEqual(["squat: a1! a2", "press: b1"]);
    expect(ids(withoutOpenSet(session, "b", "b1"))).toEqual(["squat: a1! a2"]);
  });
  it("a swap keeps what was done, and asks no load of the other exercise", () => {
    const swapped = withSwapped(session, "a", "leg press", newId);
    expect(ids(swapped)).toEqual(["squat: a1!", "leg press: a2", "press: b1"]);
    expect(swapped.items![1]).toMatchObject({ superset: "A", sets: [{ planned: { reps: 5 } }] });
    expect(swapped.items![1]!.sets[0]!.planned).not.toHaveProperty("kg");
    expect(ids(withSwapped(session, "b", "dip", newId))).toEqual(["squat: a1! a2", "dip: b1"]);
    // What was planned stays the plan, through a second swap too, and is itself again once the first is taken back.
    const plan = (one: Session) =>
      askedItems(one.items!).map(({ exerciseId, sets }) => [exerciseId, sets.map(({ planned }) => planned)]);
    expect(plan(swapped)).toEqual(plan(session));
    const twice = withSwapped(swapped, swapped.items![1]!.id, "hack squat", newId);
    expect(plan(twice)).toEqual(plan(session));
    const back = withSwapped(twice, twice.items![1]!.id, "squat", newId);
    expect(back.items![1]).toMatchObject({ exerciseId: "squat", sets: [{ planned: { reps: 5, kg: 100 } }] });
    expect(back.items![1]).not.toHaveProperty("insteadOf");
  });
  it("a drop is a part of the done set, a ramp stands before the work, what is left out has no open sets", () => {
    expect(withDropPart(session, "a", "a1", { reps: 4, kg: 80 }).items![0]!.sets[0]!.done).toEqual({
      reps: 5,
      kg: 100,
      parts: [{ reps: 4, kg: 80 }],
    });
    expect(withRamp(session, "b", [{ reps: 8, kg: 20 }], newId).items![1]!.sets).toMatchObject([
      { warmUp: true, planned: { reps: 8, kg: 20 } },
      { id: "b1" },
    ]);
    const skipped = withSkipped(session, "a", "pain");
    expect(nextStep(skipped)!.set.id).toBe("b1");
    // Confirming the rest leaves it out too.
    expect(
      ids(
        confirmed(
          skipped,
          () => undefined,
          () => 70,
        ),
      ),
    ).toEqual(["squat: a1! a2", "press: b1!"]);
    expect(
      confirmed(
        skipped,
        () => undefined,
        () => 70,
      ).items![1]!.sets[0]!.done,
    ).toEqual({ reps: 8, kg: 70 });
  });
  it("what is added to be done as it comes was not planned: confirming passes over it, and the session is an extra", () => {
    const free = withExercise({ ...session, status: "planned", items: [] }, "row", newId);
    expect(free.items![0]!.sets[0]!.planned).toEqual({});
    expect(confirmed(free, () => undefined).items![0]!.sets[0]!.done).toBeUndefined();
    const done: Session = {
      ...free,
      status: "done",
      items: [{ ...free.items![0]!, sets: [{ ...free.items![0]!.sets[0]!, done: { reps: 5, kg: 50 } }] }],
    };
    expect(adherence([done], 30_000, [])).toMatchObject({ planned: 0, extra: 1 });
    // Going on to another exercise leaves the set that waits behind the done ones, and stands in front.
    const next = withExercise(withMoreSets(done, free.items![0]!.id, newId), "dip", newId);
    expect(next.items!.map(({ sets }) => sets.length)).toEqual([1, 1]);
    expect(nextStep(next)!.item.exerciseId).toBe("dip");
    // Begun and left empty, it is nothing.
    expect(adherence([{ ...session, status: "planned", items: [] }], 30_000, [])).toMatchObject({
      planned: 0,
      missed: 0,
      extra: 0,
    });
  });
  it("an exercise moves by one place, and not over the ends", () => {
    expect(withMoved(session, "b", -1).items!.map(({ id }) => id)).toEqual(["b", "a"]);
    expect([withMoved(session, "a", -1), withMoved(session, "b", 1), withMoved(session, "nothing", 1)]).toEqual([
      session,
      session,
      session,
    ]);
  });
  it("is joined to the one behind it and parted again, and others' supersets stay", () => {
    const three: Session = {
      ...session,
      items: [
        ...session.items!,
        { id: "c", exerciseId: "row", sets: [] },
        { id: "d", exerciseId: "curl", sets: [] },
      ].map(({ superset: _superset, ...item }) => item),
    };
    const letters = ({ items }: Session) => items!.map(({ superset }) => superset ?? "").join(",");
    const [pair, apart] = [withJoined(three, "a"), withJoined(withJoined(three, "a"), "c")];
    expect([letters(pair), letters(apart)]).toEqual(["A,A,,", "A,A,B,B"]);
    const all = withJoined(apart, "b");
    expect(new Set(letters(all).split(","))).toEqual(new Set(["A"]));
    const cut = withJoined(all, "b").items!;
    expect([
      cut[0]!.superset === cut[1]!.superset,
      cut[2]!.superset === cut[3]!.superset,
      cut[1]!.superset === cut[2]!.superset,
    ]).toEqual([true, true, false]);
    expect(letters(withJoined(three, "d"))).toBe(",,,");
  });
  it("sets of which nothing was asked go when training ends; planned ones stay as missed", () => {
    const free = withMoreSets(withExercise(session, "row", newId), "b", newId);
    expect(ids(withoutIdleSets(free))).toEqual(["squat: a1! a2", "press: b1 new"]);
    expect(withoutIdleSets(session).items).toEqual(session.items);
  });
  it("the same again plans what was done, warm-ups and supersets with it", () => {
    expect(repeated(session)).toEqual([
      {
        id: "a",
        exerciseId: "squat",
        superset: "A",
        sets: [{ id: "a1", restSeconds: 120, planned: { reps: 5, kg: 100 } }],
      },
    ]);
  });
});

describe("a session planned anew", () => {
  const row = (exerciseId: string, count: number, more: Partial<PlannedRow> = {}): PlannedRow => ({
    itemId: null,
    exerciseId,
    superset: null,
    tempo: null,
    count,
    planned: { reps: 3 },
    restSeconds: null,
    warmUp: false,
    ...more,
  });
  it("what was done stays, open sets follow the plan, exercises follow its order", () => {
    const planned = withPlan(
      session,
      [row("row", 1), row("squat", 3, { itemId: "a", superset: "B", restSeconds: 90 })],
      newId,
    );
    expect(ids(planned)).toEqual(["row: new", "squat: a1! a2 new"]);
    expect(planned.items![1]).toMatchObject({
      superset: "B",
      sets: [{ planned: { reps: 3 }, restSeconds: 90, done: { reps: 5 } }, { planned: { reps: 3 } }, {}],
    });
  });
  it("a done set beyond the plan, or of an exercise no longer planned, stays without a plan", () => {
    const fewer = withPlan(session, [row("press", 2, { itemId: "b" })], newId);
    expect(ids(fewer)).toEqual(["press: b1 new", "squat: a1!"]);
    expect(fewer.items![1]!.sets[0]).not.toHaveProperty("planned");
  });
  it("nor are done sets beyond those planned of their exercise lost", () => {
    const both: Session = {
      ...session,
      items: [
        { ...session.items![0]!, sets: session.items![0]!.sets.map((set) => ({ ...set, done: { reps: 5, kg: 100 } })) },
      ],
    };
    const one = withPlan(both, [row("squat", 1, { itemId: "a" })], newId);
    expect(ids(one)).toEqual(["squat: a1! a2!"]);
    expect(one.items![0]!.sets[1]).not.toHaveProperty("planned");
  });
  it("lines of one exercise in a row are one exercise, warm-ups before the work", () => {
    const planned = withPlan(
      { ...session, items: [] },
      [
        row("squat", 2),
        row("squat", 1, { planned: { reps: 1, kg: 120 } }),
        row("squat", 1, { warmUp: true }),
        row("press", 1, { superset: "A" }),
        row("press", 1, { superset: "B" }),
      ],
      newId,
    );
    expect(
      planned.items!.map(({ exerciseId, superset, sets }) => [
        exerciseId,
        superset,
        sets.map(({ warmUp }) => warmUp ?? false),
      ]),
    ).toEqual([
      ["squat", undefined, [true, false, false, false]],
      ["press", "A", [false]],
      ["press", "B", [false]],
    ]);
  });
});
