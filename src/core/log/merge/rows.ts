import { pathKey } from "../past";
import type { RecordKind } from "../records";
import type { Stands } from "./join";
import type { Difference } from "./merge";

/** A difference as the merge command prints it. */
export interface MergeRow {
  kind: RecordKind;
  id: string;
  /** As in `past.fields`; empty where the record as a whole differs. */
  path: string;
  mine: unknown;
  theirs: unknown;
  stands: Stands;
  why: string;
}

/**
 * What merging two archives decides: a row for each field of a record that both changed without knowing of each other,
 * or of which that is not known. Where one side is a past of the other there is nothing to decide.
 */
export function mergeRows(differences: readonly Difference[]): MergeRow[] {
  return differences.flatMap(({ kind, id, what, record, fields, proposed, guessed, written }) => {
    if (what === "removed" && (guessed || !proposed)) {
      const why = proposed ? "removed there" : "removed there, and changed here without knowing of it";
      const whole = { kind, id, path: "", mine: record, theirs: null };
      return [{ ...whole, stands: proposed ? "theirs" : "mine", why: guessed ? `a guess: ${why}` : why }];
    }
    if (what === "brought back")
      return [
        {
          ...{ kind, id, path: "", mine: null, theirs: record, stands: "theirs" },
          why: "removed here, and changed there without knowing of it",
        },
      ];
    // Both have written to it.
    if (written === null) return [];
    return fields.map(({ path, before, after, stands, why }) => ({
      ...{ kind, id, path: pathKey(path), mine: before ?? null, theirs: after ?? null, stands, why },
    }));
  });
}
