import { withSet } from "@/core/sessions/sets";
import { describe, expect, it } from "vitest";
import type { Session, TrainingSet } from "../log/kinds/sessions";
import { asPlanned, confirmed, isAsPlanned, isShort, performedAs } from "./perform";

const session: Session = {
  id: "s",
  personId: "p",
  date: "2026-06-01",
  kind: "strength",
  status: "planned",
  planned: { minutes: 60, effort: 7 },
  items: [
    {
      id: "i",
      exerciseId: "e",
      sets: [
        { id: "a", planned: { reps: 5, kg: 100, percent: 0.8 } },
        { id: "b", planned: { reps: 5, kg: 100 } },
      ],
    },
  ],
};

/** A session of one done set with an idle one opened again beside it. */
const withIdle = (session: Session): Session =>
  withSet(
    {
      ...session,
      items: [
        {
          id: "x",
          exerciseId: "f",
          sets: [
            { id: "c", done: { reps: 8, kg: 20 } },
            { id: "d", done: { reps: 8, kg: 20 } },
          ],
        },
      ],
    },
    "x",
    "d",
    (set) => performedAs(set, null),
  );

describe("confirming", () => {
  it("a set makes the session partly done, the last one done, and reopening goes back", () => {
    const one = withSet(session, "i", "a", (set) => performedAs(set, asPlanned(set)));
    expect(one).toMatchObject({ status: "partly", items: [{ sets: [{ done: { reps: 5, kg: 100 } }, {}] }] });
    expect(one.items![0]!.sets[0]!.done).not.toHaveProperty("percent");
    const both = withSet(one, "i", "b", (set) => performedAs(set, { reps: 4, kg: 100 }));
    expect(both.status).toBe("done");
    const back = withSet(
      withSet(both, "i", "a", (set) => performedAs(set, null)),
      "i",
      "b",
      (set) => performedAs(set, null),
    );
    expect(back).toEqual(session);
  });
  it("an unplanned set opened again stays, to be done as it comes", () => {
    const extra: Session = {
      ...session,
      status: "done",
      items: [...session.items!, { id: "x", exerciseId: "f", sets: [{ id: "c", done: { reps: 8, kg: 20 } }] }],
    };
    expect(withSet(extra, "x", "c", (set) => performedAs(set, null)).items).toEqual([
      ...session.items!,
      { id: "x", exerciseId: "f", sets: [{ id: "c", planned: {} }] },
    ]);
    // It was asked of nobody: it does not keep the session from being done.
    expect(withIdle(extra).status).toBe("done");
  });
  it("a warm-up left open does not keep a session from being done", () => {
    const warmed: Session = {
      ...session,
      items: [
        {
          ...session.items![0]!,
          sets: [{ id: "w", warmUp: true, planned: { reps: 5, kg: 60 } }, ...session.items![0]!.sets.slice(0, 1)],
        },
      ],
    };
    expect(withSet(warmed, "i", "a", (set) => performedAs(set, asPlanned(set))).status).toBe("done");
  });
  it("a whole session keeps what was already done and takes planned minutes and effort", () => {
    const one = withSet(session, "i", "b", (set) => performedAs(set, { reps: 3, kg: 100 }));
    expect(confirmed(one, () => undefined)).toMatchObject({
      status: "done",
      minutes: 60,
      effort: 7,
      items: [{ sets: [{ done: { reps: 5 } }, { done: { reps: 3 } }] }],
    });
    const run: Session = {
      id: "r",
      personId: "p",
      date: "2026-06-01",
      kind: "run",
      status: "planned",
      distance: { planned: { metres: 6000, seconds: 1980 }, purpose: "easy" },
    };
    // A set whose load nobody knows is not done as planned: it stays open, and so does the session.
    const open: Session = {
      ...session,
      items: [
        {
          id: "i",
          exerciseId: "squat",
          sets: [
            { id: "a", planned: { reps: 5, percent: 0.8 } },
            { id: "b", planned: { reps: 5, kg: 80 } },
          ],
        },
      ],
    };
    expect(confirmed(open, () => undefined)).toMatchObject({
      status: "partly",
      items: [
        {
          sets: [
            { id: "a", planned: { percent: 0.8 } },
            { id: "b", done: { reps: 5, kg: 80 } },
          ],
        },
      ],
    });
    expect(confirmed(open, () => undefined).items![0]!.sets[0]!.done).toBeUndefined();
    expect(
      confirmed({ ...open, items: [{ ...open.items![0]!, sets: open.items![0]!.sets.slice(0, 1) }] }, () => undefined)
        .status,
    ).toBe("planned");
    // How many they were is the trainee's to say where the plan leaves it open.
    const ranges: Session = {
      ...session,
      items: [
        {
          id: "i",
          exerciseId: "squat",
          sets: [
            { id: "a", planned: { reps: 8, repsTo: 12, kg: 60 } },
            { id: "b", planned: { reps: 5, kg: 80, asManyAsPossible: true } },
            { id: "c", planned: { reps: 5, kg: 80 } },
          ],
        },
      ],
    };
    expect(confirmed(ranges, () => undefined).items![0]!.sets.map(({ done }) => done)).toEqual([
      undefined,
      undefined,
      { reps: 5, kg: 80 },
    ]);
    const [range, most] = ranges.items![0]!.sets as [TrainingSet, TrainingSet];
    expect([7, 8, 12, 13].map((reps) => isAsPlanned({ ...range, done: { reps, kg: 60 } }))).toEqual([
      false,
      true,
      true,
      false,
    ]);
    expect([4, 5, 9].map((reps) => isAsPlanned({ ...most, done: { reps, kg: 80 } }))).toEqual([false, true, true]);
    expect(isShort({ ...range, done: { reps: 7, kg: 60 } })).toBe(true);
    expect(confirmed(run, () => undefined).distance).toEqual({
      planned: { metres: 6000, seconds: 1980 },
      done: { metres: 6000, seconds: 1980 },
      purpose: "easy",
    });
  });
});
