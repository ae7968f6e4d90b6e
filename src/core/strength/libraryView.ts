import { dateOf } from "../base/calendar/day";
import { compare } from "../base/text";
import type { AsOf } from "../log/asOf";
import type { Exercise } from "../log/kinds/exercises";
import { type Change, put, type RecordKind } from "../log/records";
import { repointed } from "../log/references";
import { findExercises, inAnatomicalOrder, type LibraryFilter, mergedExercise, type Practice } from "./library";
import { muscles } from "./muscles";
import { strengthOf } from "./slice";

export interface ExerciseRow {
  exercise: Exercise;
  lastDone: string | null;
  sessions: number;
}

export interface ExercisesView {
  found: ExerciseRow[];
  inAll: number;
  /** What the log's exercises can be narrowed by. */
  muscles: string[];
  equipment: string[];
  groups: string[];
  /** All exercises by id, for references between them. */
  names: Record<string, string>;
}

/** The exercise library as searched, each with when and how often the trainee did it. */
export function exercisesView(asOf: AsOf, filter: LibraryFilter): ExercisesView {
  const all = [...strengthOf(asOf).exercises().values()];
  const practice = new Map(
    strengthOf(asOf)
      .lifts()
      .map(({ exerciseId, lastDone, sessions }): [string, Practice] => [
        exerciseId,
        { lastDone: lastDone === null ? null : dateOf(lastDone), sessions },
      ]),
  );
  const practiceOf = (id: string) => practice.get(id) ?? { lastDone: null, sessions: 0 };
  const distinct = (values: Iterable<string>) => [...new Set(values)].sort(compare);
  return {
    found: findExercises(all, filter, practiceOf).map((exercise) => ({ exercise, ...practiceOf(exercise.id) })),
    inAll: all.length,
    muscles: inAnatomicalOrder(
      new Set([...muscles, ...all.flatMap(({ direct, indirect }) => [...(direct ?? []), ...(indirect ?? [])])]),
    ),
    equipment: distinct(all.map(({ equipment }) => equipment || "none")),
    groups: distinct(all.map(({ group }) => group || "other")),
    names: Object.fromEntries(all.map(({ id, name }) => [id, name])),
  };
}

/**
 * What makes two exercises one: sessions and maxima of everybody, other exercises that follow it, chosen lifts, and the
 * exercise itself.
 */
export interface MergeExercises {
  change: Change;
  sessions: number;
  maxima: number;
}

/**
 * Everything that names one exercise, naming another instead; the first is removed. Null when one of them is not in the
 * log.
 */
export function mergeExercises({ log }: AsOf, keptId: string, goneId: string): MergeExercises | null {
  const { index } = log;
  const [kept, gone] = [index.all("exercises").get(keptId), index.all("exercises").get(goneId)];
  if (kept === undefined || gone === undefined || keptId === goneId) return null;
  const change: Change = [put("exercises", mergedExercise(kept, gone), kept)];
  const moved = repointed(log, "exercises", goneId, keptId, [keptId, goneId]);
  change.push(...moved);
  for (const person of index.all("people").values()) {
    const chosen = person.settings?.totalLifts;
    if (chosen?.includes(goneId))
      change.push(
        put(
          "people",
          {
            ...person,
            settings: {
              ...person.settings,
              totalLifts: [...new Set(chosen.map((id) => (id === goneId ? keptId : id)))],
            },
          },
          person,
        ),
      );
  }
  change.push({ remove: { kind: "exercises", id: goneId } });
  const count = (kind: RecordKind) => moved.filter((step) => "kind" in step && step.kind === kind).length;
  return { change, sessions: count("sessions"), maxima: count("maxima") };
}
