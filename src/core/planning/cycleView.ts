import Papa from "papaparse";
import { dateOf, mustDay, weekStartOf } from "../base/calendar/day";
import type { MassUnit } from "../base/units/mass";
import { printNumber } from "../base/units/number";
import { Printer } from "../base/units/printer";
import { weightOf } from "../body/slice";
import type { AsOf } from "../log/asOf";
import type { Cycle, CycleEntry } from "../log/kinds/cycles";
import type { Session } from "../log/kinds/sessions";
import { effectiveStatus } from "../sessions/adherence";
import { strengthOf } from "../strength/slice";
import { intensitySums, workOf } from "../strength/volume";
import { cycleDay, type CycleLoad, type CycleSum } from "./cycle";
import { cellText } from "./cycleCell";
import { type BlockCourse, blockCourse } from "./blocks";
import {
  cellContext,
  type CellPlace,
  type CellStep,
  columnsOf,
  type CycleCellEdit,
  entriesAt,
  filledWeeks,
  withCells,
} from "./cycleEdit";
import { nextCycle, type RenewedMaximum } from "./nextCycle";
import { cycleSessions } from "./cycleSessions";
import { cycleStanding, placeOf } from "./cycleStanding";
import { planningOf } from "./slice";
import { plannedZones, type ZoneOfLift } from "./zones";

/** A column of a cycle: a lift, or what accompanies the lifts. */
export interface CycleColumn {
  id: string | null;
  name: string;
  maximumKg: number | null;
  /** Where the maximum is from. */
  from: "typed" | "set" | "in force" | null;
}

export interface CycleCell {
  columnId: string | null;
  /** What it says, in the trade's notation. */
  text: string;
  /** The loads it comes to. */
  loads: string;
  /** What was done of it. */
  done: string;
}

/** A training day of a cycle. */
export interface CycleRow {
  week: number;
  weekday: number;
  /** The day it falls on, or to which its session was moved. */
  date: string;
  status: Session["status"] | null;
  cells: CycleCell[];
}

/** A week of a cycle as it is planned, and as it stands. */
export interface CycleWeek {
  week: number;
  planned: CycleSum;
  stands: CycleSum;
  easy: boolean;
  /** What stands out of it, in words. */
  warning: string | null;
}

/** The weeks before a cycle as they were trained, of the cycle's exercises: a week each, oldest first. */
export interface WeekBefore {
  start: string;
  numberOfLifts: number;
  averageIntensity: number | null;
}

export interface CycleView {
  cycle: Cycle;
  from: string;
  to: string;
  /** The unit in which loads are said: that to which they are rounded. */
  unit: MassUnit;
  columns: CycleColumn[];
  rows: CycleRow[];
  weeks: CycleWeek[];
  lifts: { exerciseId: string; name: string; planned: CycleSum; stands: CycleSum | null }[];
  total: { planned: CycleSum; stands: CycleSum };
  before: WeekBefore[];
  zones: (ZoneOfLift & { name: string })[];
  /** Exercises of which percentages are taken and that have no maximum. */
  withoutMaximum: string[];
  /** Sessions that are not written yet, or not as the cycle now has them. */
  toWrite: number;
}

/** More or fewer lifts than this share of the weeks before stand out (our judgement). */
const [fewShare, manyShare] = [0.6, 1.4];
const weeksBefore = 4;

/** The unit in which the loads of a cycle are said: that of its rounding, else the person's. */
function unitOfCycle(asOf: AsOf, { rounding }: Pick<Cycle, "rounding">): MassUnit {
  return rounding == null ? asOf.units.mass : "lb" in rounding ? "lb" : "kg";
}

/** A cycle of the log, or null. */
export function cycleById(asOf: AsOf, cycleId: string): Cycle | null {
  return (
    planningOf(asOf)
      .cycles()
      .find(({ id }) => id === cycleId) ?? null
  );
}

/** A cycle worked out for its form; `view` is null when it is not in the log. */
export function cycleViewOf(asOf: AsOf, cycleId: string): { view: CycleView | null } {
  const cycle = cycleById(asOf, cycleId);
  return { view: cycle === null ? null : cycleView(asOf, cycle) };
}

/** Cells of a cycle that are typed, or a table that is pasted with its first cell at a place of the form. */
export type CycleTypedAsk = { cycleId: string } & (
  { edits: readonly CycleCellEdit[] } | { paste: string; at: CellPlace }
);

/** A cycle as it would be with some cells written anew, and which of them are refused. */
export interface CycleTyped {
  /** The cycle as the log has it: on what the view was made. */
  held: Cycle;
  view: CycleView;
  refused: (CycleCellEdit & { why: string })[];
  /** How many cells were written. */
  edits: number;
  /** Lines of a pasted table that lie beyond the last training day, and were left out. */
  beyond: number;
}

/** @returns null when the cycle is not in the log */
export function cycleTyped(asOf: AsOf, ask: CycleTypedAsk, newId: () => string): CycleTyped | null {
  const held = cycleById(asOf, ask.cycleId);
  if (held === null) return null;
  const { edits, beyond } = "paste" in ask ? pastedInto(held, ask.paste, ask.at) : { edits: ask.edits, beyond: 0 };
  const { cycle, refused } = withCells(held, edits, strengthOf(asOf).exercises(), asOf.units.mass, newId);
  return { held, view: cycleView(asOf, cycle), refused, edits: edits.length, beyond };
}

/** The cells of a table from a spreadsheet, laid over the form from a place on. */
function pastedInto(cycle: Cycle, paste: string, at: CellPlace): { edits: CycleCellEdit[]; beyond: number } {
  const { data } = Papa.parse<string[]>(paste.replace(/\r?\n$/, ""), { delimiter: "\t" }) as { data: string[][] };
  const rows = rowsOf(cycle);
  const columns = [...columnsOf(cycle), null];
  const top = rows.findIndex(({ week, weekday }) => week === at.week && weekday === at.weekday);
  const left = columns.indexOf(at.columnId);
  const edits = data.flatMap((cells, down) => {
    const row = rows[top + down];
    return row === undefined
      ? []
      : cells.flatMap((text, across): CycleCellEdit[] => {
          const columnId = columns[left + across];
          return columnId === undefined ? [] : [{ ...row, columnId, text }];
        });
  });
  return { edits, beyond: Math.max(0, data.length - (rows.length - top)) };
}

/** A cell of a cycle filled into the weeks after it, so much more each week. */
export interface CycleFilledAsk {
  cycleId: string;
  place: CellPlace;
  step: CellStep;
}

/** @returns null when the cycle is not in the log */
export function cycleFilled(
  asOf: AsOf,
  { cycleId, place, step }: CycleFilledAsk,
  newId: () => string,
): CycleTyped | null {
  const cycle = cycleById(asOf, cycleId);
  if (cycle === null) return null;
  const edits = filledWeeks(cycle, place, step, strengthOf(asOf).exercises(), asOf.units.mass);
  return cycleTyped(asOf, { cycleId, edits }, newId);
}

/** The cycle after a cycle, with its maxima renewed; null when the cycle is not in the log. */
export function nextCycleOf(
  asOf: AsOf,
  cycleId: string,
  newId: () => string,
): { cycle: Cycle; renewed: RenewedMaximum[] } | null {
  const cycle = cycleById(asOf, cycleId);
  return cycle === null ? null : nextCycle(asOf, cycle, newId);
}

/** A cycle in the list of all. */
export interface CycleLine {
  cycle: Cycle;
  from: string;
  to: string;
  state: BlockCourse["state"];
  /** The week that runs; null before and after. */
  week: number | null;
  numberOfLifts: number;
  volumeLoadKg: number;
  averageIntensity: number | null;
}

/** Every cycle, the latest first. */
export function cyclesView(asOf: AsOf): { cycles: CycleLine[]; next: string } {
  const cycles = planningOf(asOf)
    .cycles()
    .map((cycle): CycleLine => {
      const { first, last, state, passed } = blockCourse(
        { startDate: cycle.startDate, days: 7 * cycle.weeks },
        asOf.on,
      );
      const { numberOfLifts, volumeLoadKg, averageIntensity } = cycleStanding(asOf, cycle).planned.total;
      return {
        cycle,
        from: dateOf(first),
        to: dateOf(last),
        state,
        week: state === "under way" ? Math.ceil(passed / 7) : null,
        numberOfLifts,
        volumeLoadKg,
        averageIntensity,
      };
    })
    .toReversed();
  return { cycles, next: dateOf(weekStartOf(asOf.on, asOf.weekStart) + 7) };
}

export function cycleView(asOf: AsOf, cycle: Cycle): CycleView {
  const standing = cycleStanding(asOf, cycle);
  const { loads, planned, asItStands, ground, maxima } = standing;
  const exercises = strengthOf(asOf).exercises();
  const nameOf = (id: string) => exercises.get(id)?.name ?? id;
  const unit = unitOfCycle(asOf, cycle);
  const printer = new Printer({ ...asOf.units, mass: unit });
  const sessions = planningOf(asOf).sessionsOfCycle(cycle.id);
  const before = weeksBeforeOf(asOf, cycle);
  const usual = before.reduce((sum, { numberOfLifts }) => sum + numberOfLifts, 0) / before.length;
  const withPercent = new Set(
    (cycle.entries ?? [])
      .filter(({ sets }) => sets.some(({ percent }) => percent != null))
      .map(({ exerciseId, maximumOf }) => maximumOf ?? exerciseId),
  );
  return {
    cycle,
    from: cycle.startDate,
    to: dateOf(mustDay(cycle.startDate) + 7 * cycle.weeks - 1),
    unit,
    columns: [
      ...columnsOf(cycle).map((id): CycleColumn => {
        const named = (cycle.maxima ?? []).find(({ exerciseId }) => exerciseId === id)!;
        return {
          id,
          name: nameOf(id),
          maximumKg: maxima.find(({ exerciseId }) => exerciseId === id)?.kg ?? null,
          from: named.kg != null ? "typed" : named.fromSet == null ? "in force" : "set",
        };
      }),
      { id: null, name: "With it", maximumKg: null, from: null },
    ],
    rows: rowsOf(cycle).map(({ week, weekday }): CycleRow => {
      const session = sessions.find((one) => {
        const place = placeOf(cycle, one);
        return place.week === week && place.weekday === weekday;
      });
      return {
        week,
        weekday,
        date: session?.date ?? dateOf(cycleDay(cycle, week, weekday)),
        status: session === undefined ? null : effectiveStatus(session, asOf.on),
        cells: [...columnsOf(cycle), null].map((columnId) => {
          const entries = entriesAt(cycle, { week, weekday, columnId });
          return {
            columnId,
            text: cellText(entries, cellContext(cycle, columnId, exercises, asOf.units.mass)),
            loads: entries
              .map(({ id }) => loadsText(loads.find(({ entryId }) => entryId === id)?.sets ?? [], printer))
              .filter(Boolean)
              .join("; "),
            done: session === undefined ? "" : doneText(session, entries, printer),
          };
        }),
      };
    }),
    weeks: planned.weeks.map((sum, index): CycleWeek => {
      const easy = (cycle.easyWeeks ?? []).includes(sum.week);
      return {
        week: sum.week,
        planned: sum,
        stands: asItStands.weeks[index]!,
        easy,
        warning: easy ? null : outOfTheUsual(sum.numberOfLifts, usual),
      };
    }),
    lifts: planned.lifts.map((sum) => ({
      exerciseId: sum.exerciseId,
      name: nameOf(sum.exerciseId),
      planned: sum,
      stands: asItStands.lifts.find(({ exerciseId }) => exerciseId === sum.exerciseId) ?? null,
    })),
    total: { planned: planned.total, stands: asItStands.total },
    before,
    zones: plannedZones(loads, ground).map((zone) => ({ ...zone, name: nameOf(zone.exerciseId) })),
    withoutMaximum: maxima
      .filter(({ exerciseId, kg }) => kg === null && withPercent.has(exerciseId))
      .map(({ exerciseId }) => nameOf(exerciseId)),
    toWrite: cycleSessions(asOf, cycle, () => "", loads).change.length,
  };
}

/** The training days of a cycle in their order: the weekdays it names, and those of its entries. */
export function rowsOf(cycle: Cycle): { week: number; weekday: number }[] {
  const always = cycle.weekdays ?? [];
  const rows = new Map<string, { week: number; weekday: number }>();
  const add = (week: number, weekday: number) => rows.set(`${week} ${weekday}`, { week, weekday });
  for (let week = 1; week <= cycle.weeks; week++) for (const weekday of always) add(week, weekday);
  for (const { week, weekday } of cycle.entries ?? []) add(week, weekday);
  return [...rows.values()].sort(
    (a, b) => cycleDay(cycle, a.week, a.weekday) - cycleDay(cycle, b.week, b.weekday) || a.week - b.week,
  );
}

/**
 * `72.5`, `120, 127.5 as many as possible`: the loads that percentages and efforts come to, each once, in order. A load that
 * was written as one stands in the cell already.
 */
function loadsText(sets: readonly CycleLoad[], printer: Printer): string {
  const worked = sets.filter(({ percent, rpe }) => percent !== null || rpe !== null);
  const runs = worked.filter(({ kg }, index) => kg !== worked[index - 1]?.kg);
  return runs
    .map(({ kg, asManyAsPossible }) =>
      kg === null ? "?" : `${printer.loadNumber(kg)}${asManyAsPossible ? " as many as possible" : ""}`,
    )
    .join(", ");
}

/** What was done of a cell's exercises: `5 5 4`, with the loads where they are not all as planned. */
function doneText(session: Session, entries: readonly CycleEntry[], printer: Printer): string {
  return entries
    .flatMap(({ exerciseId }) => {
      const sets = (session.items ?? [])
        .filter((item) => item.exerciseId === exerciseId)
        .flatMap((item) => item.sets)
        .filter(({ done, warmUp }) => done && !warmUp);
      if (sets.length === 0) return [];
      const amounts = sets.map(({ done }) => done!.reps ?? done!.seconds ?? done!.metres ?? 0).join(" ");
      const asPlanned = sets.every(({ done, planned }) => planned?.kg == null || done!.kg === planned.kg);
      const loads = [...new Set(sets.map(({ done }) => printer.loadNumber(done!.kg ?? 0)))];
      return [asPlanned ? amounts : `${amounts} at ${loads.join(", ")}`];
    })
    .join("; ");
}

function outOfTheUsual(lifts: number, usual: number): string | null {
  if (!(usual > 0) || lifts === 0) return null;
  const share = lifts / usual;
  if (share >= fewShare && share <= manyShare) return null;
  return `${printNumber(Math.abs(share - 1) * 100, 0)} % ${share < 1 ? "fewer" : "more"} lifts than in the ${weeksBefore} weeks before (${printNumber(usual, 0)} a week)`;
}

/** The four whole weeks before a cycle, or before today where it lies ahead, of the cycle's exercises. */
function weeksBeforeOf(asOf: AsOf, cycle: Cycle): WeekBefore[] {
  const ids = new Set([...columnsOf(cycle), ...(cycle.entries ?? []).map(({ exerciseId }) => exerciseId)]);
  const end = weekStartOf(Math.min(mustDay(cycle.startDate), asOf.on), asOf.weekStart);
  const strength = strengthOf(asOf);
  const counting = strength.counting();
  return Array.from({ length: weeksBefore }, (_, index) => {
    const start = end - 7 * (weeksBefore - index);
    const sets = strength.setsOfWeek(start).filter(({ exercise }) => ids.has(exercise.id));
    const { weighted, reps } = intensitySums(sets, counting, strength.maximumOn, weightOf(asOf).on);
    return {
      start: dateOf(start),
      numberOfLifts: workOf(sets, counting).numberOfLifts,
      averageIntensity: reps === 0 ? null : weighted / reps,
    };
  });
}
