import { perOwner } from "../base/memo";

/**
 * The performed sets of a session in columns. Figures of every lift run through all sets of a log; a row of numbers is
 * read many times as fast as a record with its parts, and the rows are made while the session has just been read and is
 * at hand.
 */
export interface DoneSets {
  /** Exercises of the session's items, in order. */
  readonly exerciseIds: readonly string[];
  /**
   * Rows of `doneSetRow` numbers, in the order of the sets: place of the item, repetitions, load as typed, RPE (NaN
   * without), marks.
   */
  readonly rows: readonly number[];
}

export const doneSetRow = 5;

/**
 * Marks of a row. A part of a drop or cluster set has a row after its set's, with the load of its own or of the set.
 */
export const doneSetMarks = { warmUp: 1, failed: 2, asManyAsPossible: 4, part: 8 } as const;

/** What of a session its performed sets are read from. */
interface Lifted {
  test?: boolean | null;
  items?:
    | readonly {
        exerciseId: string;
        sets: readonly {
          warmUp?: boolean | null;
          planned?: { asManyAsPossible?: boolean | null } | null;
          done?: {
            reps?: number | null;
            kg?: number | null;
            rpe?: number | null;
            failed?: boolean | null;
            parts?: readonly { reps?: number | null; kg?: number | null }[] | null;
          } | null;
        }[];
      }[]
    | null;
}

export const doneSets = perOwner((session: Lifted): DoneSets => {
  const items = session.items ?? noItems;
  const rows: number[] = [];
  for (let item = 0; item < items.length; item++) {
    for (const { planned, done, warmUp } of items[item]!.sets) {
      if (!done) continue;
      const kg = done.kg ?? 0;
      const marks =
        (warmUp ? doneSetMarks.warmUp : 0) |
        (done.failed ? doneSetMarks.failed : 0) |
        (planned?.asManyAsPossible ? doneSetMarks.asManyAsPossible : 0);
      rows.push(item, completedReps(done, session.test === true), kg, done.rpe ?? NaN, marks);
      if (done.parts)
        for (const part of done.parts) rows.push(item, part.reps ?? 0, part.kg ?? kg, NaN, doneSetMarks.part);
    }
  }
  return { exerciseIds: items.map(({ exerciseId }) => exerciseId), rows };
});

/**
 * How many repetitions of a set were completed. `failed` says that one more was tried and missed; an attempt of a meet
 * or a test is a single, so one that failed was missed.
 */
export function completedReps(
  { reps, failed }: { reps?: number | null; failed?: boolean | null },
  test: boolean,
): number {
  return test && failed === true && reps === 1 ? 0 : (reps ?? 0);
}

const noItems: NonNullable<Lifted["items"]> = [];
