import { dateOf } from "../base/calendar/day";
import type { Beaten } from "./strengthRecords";
import type { Figures } from "../figures/figures";
import { lifting } from "./lifting";
import type { Meet } from "./meet";
import { stretchOf, type WorkTotal } from "./stretch";
import { liftsView, type LiftRow } from "./liftsView";

/** A record as it was beaten, newest first in the list. */
export interface RecordLine {
  date: string;
  exerciseId: string;
  name: string;
  what: Beaten["what"];
  reps: number | null;
  kg: number;
  beforeKg: number;
  set: { kg: number; reps: number } | null;
  ratio: number | null;
}

export interface RecordsView {
  beaten: RecordLine[];
  beatenInAll: number;
  /** Standing repetition records by lift, the most often done first. */
  standing: {
    exerciseId: string;
    name: string;
    ratio: { ratio: number; date: string } | null;
    byReps: { reps: number; kg: number; date: string }[];
  }[];
  meets: (Omit<Meet, "day"> & { date: string; names: Record<string, string> })[];
  totalLifts: string[];
}

/** Records by date, newest first (at most so many), the standing ones by lift, and meets. */
export function recordsView(figures: Figures, ask: { exerciseId: string | null; atMost: number }): RecordsView {
  const of = figures.lifts
    .map(({ exerciseId }) => exerciseId)
    .filter((id) => ask.exerciseId === null || id === ask.exerciseId);
  const nameOf = (id: string) => figures.exercises.get(id)?.name ?? id;
  const beaten = of.flatMap((id) => lifting(figures).records(id).beaten).sort((a, b) => b.day - a.day);
  const sessions = new Map(figures.lifts.map((lift) => [lift.exerciseId, lift.sessions]));
  return {
    beaten: beaten.slice(0, ask.atMost).map((one): RecordLine => {
      const body = figures.bodyWeightOn(one.day);
      const exercise = figures.exercises.get(one.exerciseId)!;
      return {
        date: dateOf(one.day),
        exerciseId: one.exerciseId,
        name: nameOf(one.exerciseId),
        what: one.what,
        reps: one.what === "reps" ? one.reps : null,
        kg: one.kg,
        beforeKg: one.beforeKg,
        set: one.what === "volume" ? null : { kg: one.set.typedKg, reps: one.set.reps },
        ratio:
          one.what === "e1rm" && body !== null ? (one.kg + lifting(figures).bodyPart(exercise, one.day)) / body : null,
      };
    }),
    beatenInAll: beaten.length,
    standing: [...of]
      .sort((a, b) => sessions.get(b)! - sessions.get(a)!)
      .flatMap((exerciseId) => {
        const { standing } = lifting(figures).records(exerciseId);
        const best = lifting(figures).bestRatio(exerciseId);
        const byReps = standing.map(({ reps, kg, day }) => ({ reps, kg, date: dateOf(day) }));
        return byReps.length === 0
          ? []
          : [
              {
                exerciseId,
                name: nameOf(exerciseId),
                ratio: best && { ratio: best.ratio, date: dateOf(best.day) },
                byReps,
              },
            ];
      }),
    meets: lifting(figures)
      .meets.map(({ day, ...meet }) => ({
        ...meet,
        date: dateOf(day),
        names: Object.fromEntries(meet.lifts.map(({ exerciseId }) => [exerciseId, nameOf(exerciseId)])),
      }))
      .reverse(),
    totalLifts: figures.settings.totalLifts ?? [],
  };
}

/** The lifts of several people side by side: for each lift that anyone has an estimate of, each person's best and latest; and the work of each in the latest twelve weeks. */
export interface HouseholdLifts {
  people: { id: string; name: string; work: WorkTotal }[];
  rows: { exerciseId: string; name: string; cells: (Pick<LiftRow, "best" | "latest" | "ratio" | "added"> | null)[] }[];
}

const workDays = 84;

export function householdLifts(everyone: readonly Figures[]): HouseholdLifts {
  const lifts = everyone.map((figures) => new Map(liftsView(figures).lifts.map((row) => [row.exercise.id, row])));
  const ids = [...new Set(lifts.flatMap((rows) => [...rows].flatMap(([id, { best }]) => (best === null ? [] : [id]))))];
  const rows = ids.map((exerciseId) => ({
    exerciseId,
    name: lifts.map((one) => one.get(exerciseId)?.exercise.name).find((name) => name !== undefined)!,
    cells: lifts.map((one) => {
      const row = one.get(exerciseId);
      return row?.best ? { best: row.best, latest: row.latest, ratio: row.ratio, added: row.added } : null;
    }),
  }));
  const shared = (row: HouseholdLifts["rows"][number]) => row.cells.filter((cell) => cell !== null).length;
  return {
    people: everyone.map((figures) => ({
      id: figures.person.id,
      name: figures.person.name,
      work: stretchOf(figures, figures.on - workDays + 1, figures.on).total,
    })),
    rows: rows.sort((a, b) => shared(b) - shared(a) || (a.name < b.name ? -1 : 1)),
  };
}
