import { dateOf } from "../base/calendar/day";
import { weightOf } from "../body/slice";
import type { AsOf } from "../log/asOf";
import { liftingOf } from "./lifting";
import { type LiftRow, liftsView } from "./liftsView";
import type { Meet } from "./meet";
import { strengthOf } from "./slice";
import type { Beaten } from "./strengthRecords";
import { stretchOf, type WorkTotal } from "./stretch";

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
export function recordsView(asOf: AsOf, ask: { exerciseId: string | null; atMost: number }): RecordsView {
  const of = strengthOf(asOf)
    .lifts()
    .map(({ exerciseId }) => exerciseId)
    .filter((id) => ask.exerciseId === null || id === ask.exerciseId);
  const nameOf = (id: string) => strengthOf(asOf).exercises().get(id)?.name ?? id;
  const beaten = of.flatMap((id) => liftingOf(asOf).records(id).beaten).sort((a, b) => b.day - a.day);
  const sessions = new Map(
    strengthOf(asOf)
      .lifts()
      .map((lift) => [lift.exerciseId, lift.sessions]),
  );
  return {
    beaten: beaten.slice(0, ask.atMost).map((one): RecordLine => {
      const body = weightOf(asOf).on(one.day);
      const exercise = strengthOf(asOf).exercises().get(one.exerciseId)!;
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
          one.what === "e1rm" && body !== null ? (one.kg + liftingOf(asOf).bodyPart(exercise, one.day)) / body : null,
      };
    }),
    beatenInAll: beaten.length,
    standing: [...of]
      .sort((a, b) => sessions.get(b)! - sessions.get(a)!)
      .flatMap((exerciseId) => {
        const { standing } = liftingOf(asOf).records(exerciseId);
        const best = liftingOf(asOf).bestRatio(exerciseId);
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
    meets: liftingOf(asOf)
      .meets()
      .map(({ day, ...meet }) => ({
        ...meet,
        date: dateOf(day),
        names: Object.fromEntries(meet.lifts.map(({ exerciseId }) => [exerciseId, nameOf(exerciseId)])),
      }))
      .reverse(),
    totalLifts: asOf.settings.totalLifts ?? [],
  };
}

/**
 * The lifts of several people side by side: for each lift that anyone has an estimate of, each person's best and
 * latest; and the work of each in the latest twelve weeks.
 */
export interface HouseholdLifts {
  people: { id: string; name: string; work: WorkTotal }[];
  rows: { exerciseId: string; name: string; cells: (Pick<LiftRow, "best" | "latest" | "ratio" | "added"> | null)[] }[];
}

const workDays = 84;

export function householdLifts(everyone: readonly AsOf[]): HouseholdLifts {
  const lifts = everyone.map((asOf) => new Map(liftsView(asOf).lifts.map((row) => [row.exercise.id, row])));
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
    people: everyone.map((asOf) => ({
      id: asOf.person.id,
      name: asOf.person.name,
      work: stretchOf(asOf, asOf.on - workDays + 1, asOf.on).total,
    })),
    rows: rows.sort((a, b) => shared(b) - shared(a) || (a.name < b.name ? -1 : 1)),
  };
}
