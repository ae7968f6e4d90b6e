import { describe, expect, it } from "vitest";
import type { Exercise } from "../log/kinds/exercises";
import { draftOfExercise, exerciseOf, exerciseWithChanged, namesIn } from "./exerciseDraft";

const press: Exercise = {
  id: "press",
  name: "Close-grip press",
  aliases: ["cgp", "narrow press"],
  group: "push",
  measure: "load-reps",
  mechanics: "compound",
  equipment: "barbell",
  incrementKg: 1.25,
  barKg: 15,
  setting: "pin 4",
  cues: "elbows in",
  links: ["https://example.org/a", "https://example.org/b"],
  note: "after the bench",
  direct: ["triceps"],
  indirect: ["chest"],
  maximumFrom: { exerciseId: "bench-press", ratio: 0.92 },
};
const dip: Exercise = {
  id: "dip",
  name: "Dip",
  aliases: [],
  group: "push",
  measure: "assisted-reps",
  mechanics: "compound",
  bodyShare: 0.95,
  perSide: true,
  direct: [],
  indirect: [],
};

describe("the form of an exercise", () => {
  it("says an exercise in the trainee's units, and comes back to the same exercise", () => {
    expect(draftOfExercise(press, "kg")).toEqual({
      name: "Close-grip press",
      aliases: "cgp, narrow press",
      group: "push",
      measure: "load-reps",
      mechanics: "compound",
      equipment: "barbell",
      bodyShare: "",
      perSide: false,
      increment: "1.25",
      bar: "15",
      setting: "pin 4",
      cues: "elbows in",
      links: "https://example.org/a\nhttps://example.org/b",
      note: "after the bench",
      direct: ["triceps"],
      indirect: ["chest"],
      parentId: "bench-press",
      ratio: "92",
    });
    for (const one of [press, dip]) expect(exerciseOf(one.id, draftOfExercise(one, "kg"), "kg")).toEqual(one);
  });

  it("is empty for a new one, and what stays empty is left out of the record", () => {
    const draft = draftOfExercise(null, "kg");
    expect({ ...draft, name: " Sled push ", aliases: "sled, , sled" }).toMatchObject({ measure: "load-reps" });
    expect(exerciseOf("new", { ...draft, name: " Sled push ", aliases: "sled, , sled" }, "kg")).toEqual({
      id: "new",
      name: "Sled push",
      aliases: ["sled"],
      group: "other",
      measure: "load-reps",
      mechanics: "compound",
      direct: [],
      indirect: [],
    });
  });

  it("counts the whole body where no share is written, and no share where the body is not carried", () => {
    const { bodyShare: _, ...kept } = draftOfExercise(dip, "kg");
    expect(exerciseOf("dip", { ...kept, bodyShare: "" }, "kg").bodyShare).toBe(1);
    expect(exerciseOf("dip", { ...kept, bodyShare: "62.5" }, "kg").bodyShare).toBe(0.625);
    expect(exerciseOf("dip", { ...kept, bodyShare: "62.5", measure: "load-reps" }, "kg")).not.toHaveProperty(
      "bodyShare",
    );
  });

  it("reads loads in pounds where the trainee uses them", () => {
    const made = exerciseOf("press", { ...draftOfExercise(press, "kg"), increment: "5", bar: "45" }, "lb");
    // 1 lb is 0.45359237 kg exactly (international yard and pound agreement, 1959).
    expect(made.incrementKg).toBeCloseTo(5 * 0.45359237, 9);
    expect(made.barKg).toBeCloseTo(45 * 0.45359237, 9);
  });

  it("counts a muscle that is worked directly once", () => {
    const draft = { ...draftOfExercise(press, "kg"), indirect: ["chest", "triceps"] };
    expect(exerciseOf("press", draft, "kg").indirect).toEqual(["chest"]);
  });

  it("needs both the other lift and the share to take its maximum from it", () => {
    const draft = draftOfExercise(press, "kg");
    expect(exerciseOf("press", { ...draft, ratio: "" }, "kg")).not.toHaveProperty("maximumFrom");
    expect(exerciseOf("press", { ...draft, parentId: null }, "kg")).not.toHaveProperty("maximumFrom");
  });

  it("writes only what was changed in it, and leaves what others wrote meanwhile", () => {
    const meanwhile = { ...press, note: "from another tab", direct: ["triceps", "shoulders"] };
    const form = exerciseOf("press", { ...draftOfExercise(press, "kg"), bar: "", measure: "bodyweight-reps" }, "kg");
    const next = exerciseWithChanged(meanwhile, form, new Set(["bar", "measure"]));
    const { barKg: _, ...others } = meanwhile;
    expect(next).toEqual({ ...others, measure: "bodyweight-reps", bodyShare: 1 });
  });

  it("reads names with commas between, each once", () => {
    expect(namesIn(" a, b ,,a")).toEqual(["a", "b"]);
    expect(namesIn("")).toEqual([]);
  });
});
