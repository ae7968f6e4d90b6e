import { sameName } from "../entry/names";
import { folded } from "../base/text";
import type { Exercise } from "../log/kinds/exercises";
import { muscles } from "./muscles";
import { aliasesOf } from "./usualNames";

/** When and how often an exercise was done by the trainee. */
export interface Practice {
  lastDone: string | null;
  sessions: number;
}

/** What the library is narrowed to; empty text and null narrow nothing. */
export interface LibraryFilter {
  text: string;
  muscle: string | null;
  equipment: string | null;
  group: string | null;
}

/**
 * Exercises that every typed word fits (the beginning of a word of a name, the group, equipment or a muscle). The one
 * that is called so comes first, then those the trainee does, then those whose name begins so; of as good ones compound
 * lifts, then what is done oftener, then the plainer name.
 */
export function findExercises(
  exercises: readonly Exercise[],
  { text, muscle, equipment, group }: LibraryFilter,
  practiceOf: (id: string) => Practice,
): Exercise[] {
  const typed = folded(text).trim();
  const words = typed.split(/[\s,()-]+/).filter(Boolean);
  const begin = (haystack: string) => {
    const parts = folded(haystack).split(/[\s,()-]+/);
    return (word: string) => parts.some((part) => part.startsWith(word));
  };
  const ranked = exercises.flatMap((exercise) => {
    if (muscle !== null && !exercise.direct?.includes(muscle) && !exercise.indirect?.includes(muscle)) return [];
    if (equipment !== null && (exercise.equipment || "none") !== equipment) return [];
    if (group !== null && (exercise.group || "other") !== group) return [];
    const names = [exercise.name, ...aliasesOf(exercise)];
    const inName = names.some((name) => words.every(begin(name)));
    if (
      !inName &&
      !words.every(
        begin(
          [...names, exercise.group, exercise.equipment, ...(exercise.direct ?? []), ...(exercise.indirect ?? [])].join(
            " ",
          ),
        ),
      )
    )
      return [];
    const { lastDone, sessions } = practiceOf(exercise.id);
    const order = [
      typed !== "" && names.some((name) => sameName(name, typed)) ? 0 : 1,
      inName ? 0 : 1,
      muscle === null || exercise.direct?.includes(muscle) ? 0 : 1,
      lastDone === null ? 1 : 0,
      typed !== "" && names.some((name) => folded(name).startsWith(typed)) ? 0 : 1,
      typed !== "" && exercise.mechanics !== "compound" ? 1 : 0,
    ];
    return [{ exercise, order, sessions, lastDone: lastDone ?? "" }];
  });
  const before = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
  return ranked
    .sort((a, b) => {
      const at = a.order.findIndex((one, index) => one !== b.order[index]);
      if (at >= 0) return a.order[at]! - b.order[at]!;
      const words = (name: string) => (typed === "" ? 0 : name.split(/[\s-]+/).length);
      return (
        (typed === "" ? before(b.lastDone, a.lastDone) : b.sessions - a.sessions) ||
        words(a.exercise.name) - words(b.exercise.name) ||
        before(a.exercise.name.toLowerCase(), b.exercise.name.toLowerCase())
      );
    })
    .map(({ exercise }) => exercise);
}

/** An exercise of which only the name is known yet. */
export function namedExercise(id: string, name: string): Exercise {
  return { id, name, group: "other", measure: "load-reps", direct: [], indirect: [] };
}

/** Muscles in anatomical order, then the trainee's own names in alphabetical order. */
export function inAnatomicalOrder(names: Iterable<string>): string[] {
  const rank = (name: string) => {
    const at = muscles.indexOf(name);
    return at < 0 ? muscles.length : at;
  };
  return [...names].sort((a, b) => rank(a) - rank(b) || (a < b ? -1 : 1));
}

/** The exercise that two of the same become: what the kept one leaves open is taken from the other. */
export function mergedExercise(kept: Exercise, gone: Exercise): Exercise {
  const filled = Object.fromEntries(
    Object.entries(gone).filter(
      ([key, value]) =>
        value != null &&
        !(Array.isArray(value) && value.length === 0) &&
        (kept[key as keyof Exercise] == null ||
          (Array.isArray(kept[key as keyof Exercise]) && (kept[key as keyof Exercise] as unknown[]).length === 0)),
    ),
  );
  const aliases = [...new Set([...aliasesOf(kept), ...aliasesOf(gone), gone.name])].filter(
    (name) => !sameName(name, kept.name),
  );
  const { maximumFrom, ...rest } = { ...kept, ...filled, id: kept.id, ...(aliases.length > 0 ? { aliases } : {}) };
  return maximumFrom && maximumFrom.exerciseId !== kept.id && maximumFrom.exerciseId !== gone.id
    ? { ...rest, maximumFrom }
    : rest;
}
