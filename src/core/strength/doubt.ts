import type { Printer } from "../base/units/printer";
import type { Exercise } from "../log/kinds/exercises";
import type { TrainingSet } from "../log/kinds/sessions";
import { isTimed } from "./sets";

/** Beyond this nothing was ever lifted in training, kilograms, and so much nobody hangs on the body. */
const [heaviestKg, heaviestAddedKg] = [500, 150];
/** So many times the best estimated maximum is a slip of the finger, or another unit. */
const farBeyond = 1.6;

/**
 * Why a load is asked about before it is written, as a far-off weigh-in is; null where nothing is odd.
 * @param kg as typed: on the bar, added, or taken off as assistance
 * @param bestKg the best estimated maximum as the lift is quoted; null without one
 */
export function loadDoubt(exercise: Exercise, kg: number, bestKg: number | null, printer: Printer): string | null {
  const loaded = (exercise.measure ?? "load-reps") === "load-reps";
  if (kg > (loaded || isTimed(exercise) ? heaviestKg : heaviestAddedKg))
    return `${printer.load(kg)} is more than anyone lifts.`;
  return loaded && bestKg !== null && bestKg > 0 && kg > farBeyond * bestKg
    ? `${printer.load(kg)} is far beyond your best estimated maximum of ${printer.mass(bestKg)}.`
    : null;
}

/** What a set lacks to be written as done; null when it is whole. Nothing is done "as planned" without its load. */
export function lackOf(
  exercise: Exercise | null | undefined,
  done: Partial<NonNullable<TrainingSet["done"]>>,
): "load" | "repetitions" | "time" | "distance" | null {
  const measure = exercise?.measure ?? "load-reps";
  const { reps, kg, seconds, metres } = done;
  if (reps == null && seconds == null && metres == null)
    return measure === "duration" ? "time" : measure === "distance" ? "distance" : "repetitions";
  return (measure === "load-reps" || measure === "assisted-reps") && reps != null && kg == null ? "load" : null;
}
