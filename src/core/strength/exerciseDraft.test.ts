import { describe, expect, it } from "vitest";
import type { Exercise } from "../log/kinds/exercises";
import { filled, imperial, metric, whyNot } from "../../../tests/filled";
import { draftOfExercise, exerciseOf, exerciseWithChanged, namesIn } from "./exerciseDraft";
import { type ExerciseDraft, exerciseForm } from "./forms";

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

const taken = new Set(["back squat"]);
const made = (id: string, draft: ExerciseDraft, unit: "kg" | "lb") =>
  exerciseOf(id, filled(exerciseForm, { ...(unit === "lb" ? imperial : metric), taken }, draft));

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
    for (const one of [press, dip]) expect(made(one.id, draftOfExercise(one, "kg"), "kg")).toEqual(one);
  });

  it("is empty for a new one, and what stays empty is left out of the record", () => {
    const draft = draftOfExercise(null, "kg");
    expect({ ...draft, name: " Sled push ", aliases: "sled, , sled" }).toMatchObject({ measure: "load-reps" });
    expect(made("new", { ...draft, name: " Sled push ", aliases: "sled, , sled" }, "kg")).toEqual({
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
    expect(made("dip", { ...kept, bodyShare: "" }, "kg").bodyShare).toBe(1);
    expect(made("dip", { ...kept, bodyShare: "62.5" }, "kg").bodyShare).toBe(0.625);
    expect(made("dip", { ...kept, bodyShare: "62.5", measure: "load-reps" }, "kg")).not.toHaveProperty("bodyShare");
  });

  it("reads loads in pounds where the trainee uses them", () => {
    const inPounds = made("press", { ...draftOfExercise(press, "kg"), increment: "5", bar: "45" }, "lb");
    // 1 lb is 0.45359237 kg exactly (international yard and pound agreement, 1959).
    expect(inPounds.incrementKg).toBeCloseTo(5 * 0.45359237, 9);
    expect(inPounds.barKg).toBeCloseTo(45 * 0.45359237, 9);
  });

  it("counts a muscle that is worked directly once", () => {
    const draft = { ...draftOfExercise(press, "kg"), indirect: ["chest", "triceps"] };
    expect(made("press", draft, "kg").indirect).toEqual(["chest"]);
  });

  it("needs both the other lift and the share to take its maximum from it", () => {
    const draft = draftOfExercise(press, "kg");
    expect(whyNot(exerciseForm, { ...metric, taken }, { ...draft, ratio: "" })).toEqual({
      ratio: "The share is missing.",
    });
    expect(made("press", { ...draft, parentId: null }, "kg")).not.toHaveProperty("maximumFrom");
  });

  it("writes only what was changed in it, and leaves what others wrote meanwhile", () => {
    const meanwhile = { ...press, note: "from another tab", direct: ["triceps", "shoulders"] };
    const form = made("press", { ...draftOfExercise(press, "kg"), bar: "", measure: "bodyweight-reps" }, "kg");
    const next = exerciseWithChanged(meanwhile, form, new Set(["bar", "measure"]));
    const { barKg: _, ...others } = meanwhile;
    expect(next).toEqual({ ...others, measure: "bodyweight-reps", bodyShare: 1 });
  });

  it("refuses another's name, and addresses that are none", () => {
    const draft = {
      ...draftOfExercise(press, "kg"),
      name: " Back Squat ",
      aliases: "back squat",
      links: "example.org",
    };
    expect(whyNot(exerciseForm, { ...metric, taken }, { ...draft, ratio: "600", increment: "0", bar: "-1" })).toEqual({
      name: "There is one of that name.",
      aliases: '"back squat" is the name of another exercise.',
      links: "Write whole addresses, each beginning with https.",
      ratio: "The share must be from 1 to 500 %.",
      increment: "The increment must be from 0.02 to 100 kg.",
      bar: "The bar must be from 0 to 100 kg.",
    });
  });

  it("reads names with commas between, each once", () => {
    expect(namesIn(" a, b ,,a")).toEqual(["a", "b"]);
    expect(namesIn("")).toEqual([]);
  });
});
