import { toKg } from "../base/units/mass";
import { printNumber } from "../base/units/number";
import type { Printer } from "../base/units/printer";
import { type EntryChoice, type Line, type Place, rewritten, type WrittenDown } from "../entry/parsedEntry";
import type { Exercise } from "../log/kinds/exercises";
import type { Performed } from "../sessions/sets";
import { loadDoubt } from "./doubt";
import type { Load } from "./setAmounts";
import type { SaidSet } from "./setLine";
import { bodyShare, quotedKg } from "./sets";

/** More repetitions than this in a set are questioned. */
const manyReps = 100;
/** With a load, fewer are odd already. */
const manyLoaded = 50;

/** Why a set cannot stand in the log as it is written, and what may be written instead. */
export interface Refusal {
  reason: string;
  offered?: EntryChoice[];
}

/** A set as it will stand in the log, what of it was said, and what is doubted in it. */
export interface SetDone {
  performed: Performed;
  said: WrittenDown;
  cautions: string[];
}

/** Sets as they are written of an exercise. */
export function exampleOf({ measure }: Exercise, { units }: Printer): string {
  return measure === "duration"
    ? "3x40 s"
    : measure === "distance"
      ? "4x40 m"
      : measure === "bodyweight-reps"
        ? "3x8"
        : `3x6 ${units.mass === "lb" ? "135 lb" : "60 kg"}`;
}

/**
 * One set as it will stand in the log.
 * @param isNew the exercise is not in the library yet, so that nothing is known of how it is counted
 * @param place where its exercise's sets stand in the line
 */
export function performedSet(
  set: SaidSet,
  exercise: Exercise,
  isNew: boolean,
  line: Line,
  place: Place,
): SetDone | Refusal {
  const miscounted = miscount(set, exercise, isNew, line.context.printer);
  if (miscounted !== null) return { reason: miscounted };
  const typed = typedKg(set.load, exercise, line);
  if (typeof typed !== "number") return typed;
  const parts = [];
  for (const { reps, load } of set.parts ?? []) {
    const kg = load === undefined ? undefined : kgOf(load, exercise, line);
    if (typeof kg === "object") return kg;
    parts.push({ reps, kg });
  }
  const reps = repsProblem(set, line.text, place);
  if (reps !== null) return reps;
  return {
    ...written(set, exercise, typed, parts),
    cautions: doubtsOf(set, exercise, typed, line).map((doubt) => `${doubt} Press Enter again if it is right.`),
  };
}

/** What a set lacks, or has too much of, for the way its exercise is counted. */
function miscount(set: SaidSet, exercise: Exercise, isNew: boolean, printer: Printer): string | null {
  const { name } = exercise;
  const measure = exercise.measure ?? "load-reps";
  const isTimed = set.seconds !== undefined || set.metres !== undefined;
  if (set.load === undefined && !isTimed && measure === "load-reps")
    return "The load is missing: write it behind the reps, with 0 for none.";
  if (set.load === undefined && measure === "assisted-reps")
    return "The assistance is missing: write it behind the reps, with 0 for none.";
  if (set.load?.bodyAlone && measure === "load-reps" && !isTimed)
    return `${name} counts what is loaded, not the body's own weight. Write the load, or 0 for none.`;
  if (isTimed && !isNew && measure.endsWith("-reps"))
    return `${name} is counted in repetitions, for example ${exampleOf(exercise, printer)}.`;
  if (measure === "duration" && !isTimed) return `${name} is held for a time, for example 3x40 s.`;
  if (measure === "distance" && !isTimed) return `${name} goes over a distance or a time, for example 4x40 m.`;
  return null;
}

/** The load as it was lifted, a share of the maximum worked out. */
function kgOf(load: Load | undefined, exercise: Exercise, { day, context }: Line): number | Refusal {
  if (load === undefined || load.bodyAlone) return 0;
  if (!load.percent) return toKg(load.value, load.unit ?? context.printer.units.mass);
  if (load.value <= 0 || load.value > 150) return { reason: "A share of the maximum runs from 1 to 150 %." };
  return (
    context.shareOf(exercise, load.value / 100, day) ?? {
      reason: `${printNumber(load.value, load.value % 1 === 0 ? 0 : 1)} % of what? There is no maximum of ${exercise.name.toLowerCase()} in force that day. Write the load, or a tested maximum under Lifts.`,
    }
  );
}

/** The load as it stands in the log: an assistance is written as a number above zero, and may be typed with a minus. */
function typedKg(load: Load | undefined, exercise: Exercise, line: Line): number | Refusal {
  const kg = kgOf(load, exercise, line);
  if (typeof kg !== "number") return kg;
  const isAssisted = exercise.measure === "assisted-reps";
  if (isAssisted && load?.added && kg > 0)
    return { reason: "With a load added it is no assisted movement. Write the assistance without +." };
  const typed = isAssisted && load?.added && kg < 0 ? -kg : kg;
  if (typed >= 0) return typed;
  return {
    reason:
      exercise.measure === "bodyweight-reps"
        ? "Less than the body's own weight is assistance: write it with the assisted exercise."
        : "A load below zero was not lifted.",
  };
}

function repsProblem({ reps, failed }: SaidSet, text: string, place: Place): Refusal | null {
  if ((reps ?? 0) > 1000) return { reason: "More than 1,000 repetitions in a set are not taken." };
  if (reps !== 0 || failed) return null;
  const missed = text.slice(place.start, place.end).replace(/(?<=[x×*]\s*)0(?![.,\d])/i, "0f");
  return {
    reason: "No repetition was completed. If it was tried and missed, write 0f.",
    offered: [{ label: "tried and missed", text: rewritten(text, [{ ...place, text: missed }]) }].filter(
      (one) => one.text !== text,
    ),
  };
}

function doubtsOf({ reps = 0 }: SaidSet, exercise: Exercise, kg: number, { context }: Line): string[] {
  const most = (exercise.measure ?? "load-reps") === "load-reps" ? manyLoaded : manyReps;
  const load = loadDoubt(exercise, kg, context.bestOf(exercise.id)?.e1rmKg ?? null, context.printer);
  return [...(reps > most ? [`${reps} repetitions in one set?`] : []), ...(load === null ? [] : [load])];
}

function written(
  set: SaidSet,
  exercise: Exercise,
  typed: number,
  parts: readonly { reps: number; kg: number | undefined }[],
): Omit<SetDone, "cautions"> {
  const isHeldAlone = (set.seconds !== undefined || set.metres !== undefined) && set.load === undefined;
  const amount =
    set.seconds !== undefined
      ? { seconds: set.seconds }
      : set.metres !== undefined
        ? { metres: set.metres }
        : { reps: set.reps! };
  const percent = set.load?.percent ? set.load.value / 100 : null;
  const planned = {
    ...(percent === null ? {} : { percent, ...(set.reps === undefined ? {} : { reps: set.reps }) }),
    ...(set.asManyAsPossible ? { asManyAsPossible: true } : {}),
  };
  return {
    performed: {
      done: {
        ...amount,
        ...(isHeldAlone ? {} : { kg: typed }),
        ...(set.rpe === undefined ? {} : { rpe: set.rpe }),
        ...(set.failed ? { failed: true } : {}),
        ...(parts.length > 0
          ? { parts: parts.map(({ reps, kg }) => ({ reps, ...(kg === undefined ? {} : { kg }) })) }
          : {}),
      },
      warmUp: set.warmUp ?? false,
      ...(Object.keys(planned).length > 0 ? { planned } : {}),
      ...(set.restSeconds === undefined ? {} : { restSeconds: set.restSeconds }),
    },
    said: {
      reps: set.reps ?? null,
      kg: (bodyShare(exercise) !== null && typed === 0) || isHeldAlone ? null : quotedKg(exercise, typed),
      rpe: set.rpe ?? null,
      seconds: set.seconds ?? null,
      metres: set.metres ?? null,
      warmUp: set.warmUp ?? false,
      failed: set.failed ?? false,
      percent,
      ...(parts.length > 0 ? { parts: parts.map(({ reps, kg }) => ({ reps, kg: kg ?? null })) } : {}),
    },
  };
}
