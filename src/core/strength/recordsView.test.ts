import { describe, expect, it } from "vitest";
import { smallAsOf, smallLog } from "../../../tests/smallLog";
import { AsOf } from "../log/asOf";
import { exercisesView, mergeExercises } from "./libraryView";
import { householdLifts, recordsView } from "./recordsView";

const session = (date: string, exerciseId: string, ...sets: object[]) => ({
  date,
  kind: "strength",
  status: "done",
  items: [{ id: "i", exerciseId, sets: sets.map((done, index) => ({ id: `${index}`, done })) }],
});
const records = {
  people: [
    { id: "p", name: "Ana" },
    { id: "q", name: "Ben" },
  ],
  exercises: [
    { id: "squat", name: "Back squat", group: "squat", direct: ["quadriceps"] },
    { id: "row", name: "Row", group: "pull", equipment: "barbell" },
    { id: "twin", name: "Squat", aliases: ["sq"] },
  ],
  sessions: [
    session("2026-06-01", "squat", { reps: 5, kg: 100 }),
    session("2026-06-08", "squat", { reps: 5, kg: 105 }),
    session("2026-06-08", "row", { reps: 8, kg: 60 }),
    { ...session("2026-06-09", "squat", { reps: 3, kg: 80 }), id: "ben", personId: "q" },
  ],
  maxima: [{ exerciseId: "twin", date: "2026-05-01", kg: 120, tested: true }],
};
const asOf = smallAsOf("2026-06-10", records);

describe("the view of records", () => {
  const view = recordsView(asOf, { exerciseId: null, atMost: 2 });
  it("tells them newest first, at most so many, and how many there are", () => {
    expect(view.beaten.map(({ date, name, what }) => [date, name, what])).toEqual([
      ["2026-06-08", "Back squat", "reps"],
      ["2026-06-08", "Back squat", "e1rm"],
    ]);
    expect(view.beaten[0]).toMatchObject({ reps: 5, kg: 105, beforeKg: 100, set: { kg: 105, reps: 5 } });
    expect(view.beatenInAll).toBe(3);
  });
  it("has those that stand by lift, the most often done first, or of one lift alone", () => {
    expect(view.standing.map(({ name }) => name)).toEqual(["Back squat", "Row"]);
    expect(view.standing[0]!.byReps).toHaveLength(5);
    expect(recordsView(asOf, { exerciseId: "row", atMost: 9 })).toMatchObject({
      beaten: [],
      standing: [{ exerciseId: "row" }],
    });
  });
  it("of a household holds its people's lifts beside one another", () => {
    const log = smallLog(records);
    const { people, rows } = householdLifts(["p", "q"].map((id) => new AsOf(log, id, asOf.on)));
    expect(people.map(({ name, work }) => [name, work.numberOfLifts])).toEqual([
      ["Ana", 18],
      ["Ben", 3],
    ]);
    expect(rows.map(({ name, cells }) => [name, cells.map((cell) => cell !== null)])).toEqual([
      ["Back squat", [true, true]],
      ["Row", [true, false]],
    ]);
  });
});

describe("the library", () => {
  const nothing = { text: "", muscle: null, equipment: null, group: null };
  it("is narrowed by words, muscle, equipment and group, and says what there is to narrow by", () => {
    const found = (ask: Partial<typeof nothing> | { muscle: string } | { equipment: string }) =>
      exercisesView(asOf, { ...nothing, ...ask }).found.map(({ exercise }) => exercise.id);
    expect(found({ text: "squ" }).sort()).toEqual(["squat", "twin"]);
    expect([found({ muscle: "quadriceps" }), found({ equipment: "barbell" })]).toEqual([["squat"], ["row"]]);
    const { inAll, groups, equipment, found: all } = exercisesView(asOf, nothing);
    expect([inAll, groups, equipment]).toEqual([3, ["other", "pull", "squat"], ["barbell", "none"]]);
    expect(all.find(({ exercise }) => exercise.id === "squat")).toMatchObject({ lastDone: "2026-06-08", sessions: 2 });
  });
  it("makes two exercises one: every record that names the one that goes names the other", () => {
    const merged = mergeExercises(asOf, "twin", "squat")!;
    expect([merged.sessions, merged.maxima]).toEqual([3, 0]);
    expect(merged.change.at(-1)).toEqual({ remove: { kind: "exercises", id: "squat" } });
    expect(JSON.stringify(merged.change.slice(1, -1).map((step) => ("put" in step ? step.put : null)))).not.toContain(
      '"squat"',
    );
    expect(mergeExercises(asOf, "squat", "squat")).toBeNull();
    expect(mergeExercises(asOf, "squat", "gone")).toBeNull();
  });
});
