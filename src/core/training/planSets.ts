import type { Item, Session, TrainingSet } from "../log/kinds/sessions";

/**
 * Sets alike of one exercise, as planned. Rows of one item (or, without one, of one exercise in a row) belong together.
 */
export interface PlannedRow {
  itemId: string | null;
  exerciseId: string;
  superset: string | null;
  tempo: string | null;
  count: number;
  planned: NonNullable<TrainingSet["planned"]>;
  restSeconds: number | null;
  warmUp: boolean;
}

/**
 * The session with these sets planned, in this order. What was done stays: a done set keeps its place among its
 * exercise's sets and takes the plan that is there now, or none when there are fewer; open sets beyond the plan go, and
 * so do exercises of which nothing is left.
 */
export function withPlan(session: Session, rows: readonly PlannedRow[], newId: () => string): Session {
  const held = new Map((session.items ?? []).map((item) => [item.id, item]));
  const groups: { base: Item | null; rows: PlannedRow[] }[] = [];
  for (const row of rows) {
    const last = groups.at(-1);
    const first = last?.rows[0];
    if (
      last &&
      first!.exerciseId === row.exerciseId &&
      (row.itemId ?? first!.itemId) === first!.itemId &&
      (row.superset ?? first!.superset) === first!.superset
    ) {
      last.rows.push(row);
      continue;
    }
    const base = row.itemId === null ? null : (held.get(row.itemId) ?? null);
    if (base !== null) held.delete(base.id);
    groups.push({ base, rows: [row] });
  }
  const items = groups.map(({ base, rows: planned }): Item => {
    const waiting = {
      warm: (base?.sets ?? []).filter(({ warmUp }) => warmUp),
      working: (base?.sets ?? []).filter(({ warmUp }) => !warmUp),
    };
    const setsFor = (warm: boolean) =>
      planned
        .filter(({ warmUp }) => warmUp === warm)
        .flatMap((row) =>
          Array.from({ length: row.count }, (): TrainingSet => {
            const set = (warm ? waiting.warm : waiting.working).shift();
            const { restSeconds: _rest, ...kept } = set ?? { id: newId(), ...(warm ? { warmUp: true } : {}) };
            return {
              ...kept,
              planned: row.planned,
              ...(row.restSeconds === null ? {} : { restSeconds: row.restSeconds }),
            };
          }),
        );
    const sets = [...setsFor(true), ...setsFor(false)];
    const { superset: _superset, tempo: _tempo, ...kept } = base ?? { id: newId(), exerciseId: planned[0]!.exerciseId };
    const [superset, tempo] = [
      planned.find((row) => row.superset !== null)?.superset,
      planned.find((row) => row.tempo !== null)?.tempo,
    ];
    return {
      ...kept,
      exerciseId: planned[0]!.exerciseId,
      ...(superset == null ? {} : { superset }),
      ...(tempo == null ? {} : { tempo }),
      sets: [...sets, ...doneOf([...waiting.warm, ...waiting.working])],
    };
  });
  const left = [...held.values()].flatMap((item): Item[] => {
    const sets = doneOf(item.sets);
    return sets.length === 0 ? [] : [{ ...item, sets }];
  });
  return { ...session, items: [...items, ...left] };
}

/** Done sets without what was planned for them. */
function doneOf(sets: readonly TrainingSet[]): TrainingSet[] {
  return sets.flatMap(({ planned: _planned, ...set }) => (set.done ? [set] : []));
}
