import * as z from "zod";
import {
  energyUnits,
  figure,
  type FormContext,
  gramUnits,
  millilitreUnits,
  nameText,
  optional,
  read,
  readFigure,
} from "../entry/form";
import { energyKcal, grams, portions, waterMl } from "../log/kinds/fields";
import { readMealNames } from "./mealNames";

/** A food by its label, per 100 g. @param context with the names that foods have, in small letters */
export function foodForm(
  { units, taken }: FormContext & { taken: ReadonlySet<string> },
  { basis, carbohydrate }: { basis: string; carbohydrate: string },
) {
  const part = optional(figure("It", grams.max(100), gramUnits));
  const whole = basis === "total" ? readFigure(carbohydrate, gramUnits) : null;
  /** Sugars (and, on a label that counts it in, fibre) are parts of the carbohydrate. */
  const inside = part.refine(
    (value) => value === null || whole === null || value <= whole,
    "It is a part of the carbohydrate and cannot be more.",
  );
  return z.object({
    name: nameText("A name", (name) => (taken.has(name.toLowerCase()) ? "There is one of that name." : null)),
    basis: z.enum(["total", "available"]),
    // Pure fat, the densest there is, has 900 kcal.
    energy: optional(figure("Energy", energyKcal.max(950), energyUnits(units.energy))),
    protein: part,
    fat: part,
    carbohydrate: part,
    fibre: inside,
    sugars: inside,
    alcohol: part,
  });
}

/** So much of a food, in grams, or of a recipe, in portions. @param context with what is meant where none is chosen */
export function mealForm({ first }: FormContext & { first: string }, { thing }: { thing: string }) {
  const isRecipe = (thing || first).startsWith("recipe ");
  return z.object({
    meal: z.string(),
    thing: z.string(),
    amount: isRecipe
      ? figure("The amount", portions.min(0.1).max(100))
      : figure("The amount", grams.min(1).max(20_000), gramUnits),
  });
}

export function waterForm() {
  return z.object({ ml: figure("Water", waterMl.min(1).max(20_000), millilitreUnits) });
}

export function mealNamesForm() {
  return z.object({
    meals: read((typed, no) => {
      const names = readMealNames(typed);
      return typeof names === "string" ? no(names) : names;
    }),
  });
}
