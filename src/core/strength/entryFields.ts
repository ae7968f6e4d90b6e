import { printNumber } from "../base/units/number";
import type { Line, ParsedEntry, WrittenDown } from "../entry/parsedEntry";
import type { Exercise } from "../log/kinds/exercises";
import type { TrainingSet } from "../log/kinds/sessions";
import type { Performed } from "../sessions/sets";
import { describeSets } from "./describe";
import { estimateMaximum } from "./e1rm";
import { bodyShare, totalLoad } from "./sets";

/** Its warm-up sets. */
export function warmUpField(sets: readonly Performed[], exercise: Exercise, { context }: Line): ParsedEntry["fields"] {
  const warmUps = sets.filter(({ warmUp }) => warmUp);
  const text = describeSets(
    warmUps.map(({ done }, index): TrainingSet => ({ id: String(index), done })),
    "done",
    exercise,
    context.printer,
  );
  return warmUps.length === 0 ? [] : [{ label: "warm-up", text }];
}

/** The rest behind its sets. */
export function restField(sets: readonly Performed[], { context }: Line): ParsedEntry["fields"] {
  const rest = sets.find(({ restSeconds }) => restSeconds !== undefined)?.restSeconds;
  return rest === undefined ? [] : [{ label: "rest", text: context.printer.duration(rest) }];
}

/** The shares of the maximum that were written for loads. */
export function shareField(sets: readonly WrittenDown[]): ParsedEntry["fields"] {
  const shares = [
    ...new Set(
      sets.flatMap(({ percent }) =>
        percent === null ? [] : [`${printNumber(percent * 100, (percent * 100) % 1 === 0 ? 0 : 1)} %`],
      ),
    ),
  ];
  return shares.length === 0 ? [] : [{ label: "of the maximum", text: shares.join(", ") }];
}

/** What the sets come to: lifts, load, the maximum they estimate. */
export function figuresOf(
  exercise: Exercise,
  sets: readonly Performed[],
  { day, context }: Line,
): ParsedEntry["fields"] {
  const working = sets.filter(({ warmUp, done }) => !warmUp && done.reps != null);
  const sides = exercise.perSide ? 2 : 1;
  const parts = working.flatMap(({ done }) => [
    { reps: done.reps!, kg: done.kg ?? 0 },
    ...(done.parts ?? []).map((part) => ({ reps: part.reps ?? 0, kg: part.kg ?? done.kg ?? 0 })),
  ]);
  const lifts = parts.reduce((sum, { reps }) => sum + reps * sides, 0);
  if (lifts === 0) return [];
  const load = parts.reduce(
    (sum, { reps, kg }) => sum + reps * sides * (totalLoad(exercise, kg, day, context.bodyWeightOn) ?? 0),
    0,
  );
  const share = (bodyShare(exercise) ?? 0) * (context.bodyWeightOn(day) ?? 0);
  const maxima = working.flatMap(({ done }) => {
    const total = totalLoad(exercise, done.kg ?? 0, day, context.bodyWeightOn);
    const one = total === null ? null : estimateMaximum(context.factorFor(exercise.id), total, done.reps!, done.rpe);
    return one !== null && "kg" in one ? [one.kg - share] : [];
  });
  const best = context.bestOf(exercise.id);
  return [
    { label: "volume", text: `${lifts} lifts, ${context.printer.volumeLoad(load)}` },
    ...(maxima.length > 0
      ? [
          {
            label: "estimated maximum",
            text: `${context.printer.mass(Math.max(...maxima))}${best ? ` (best ${context.printer.massNumber(best.e1rmKg)}, ${best.date})` : ""}`,
          },
        ]
      : []),
  ];
}
