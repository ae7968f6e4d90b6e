import type { Printer } from "@/core/base/units/printer";
import type { Exercise } from "@/core/log/kinds/exercises";
import type { TrainingSet } from "@/core/log/kinds/sessions";
import { describeSets } from "@/core/strength/describe";

/** One done set in words: `5 at 100 kg`. */
export function printSet(done: NonNullable<TrainingSet["done"]>, exercise: Exercise, printer: Printer): string {
  return describeSets([{ id: "one", done }], "done", exercise, printer).replace(/^1 × /, "");
}
