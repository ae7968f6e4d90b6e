import { mustDay } from "../base/calendar/day";
import { parseDecimal } from "../base/units/number";
import type { Printer } from "../base/units/printer";
import { parseDuration, printDuration } from "../base/units/time";
import { type AsOf } from "../log/asOf";
import type { Exercise } from "../log/kinds/exercises";
import type { Session } from "../log/kinds/sessions";
import type { Change } from "../log/records";
import { sessionsOf } from "../sessions/slice";
import { describeSets } from "../strength/describe";
import { loadDoubt } from "../strength/doubt";
import { liftingOf } from "../strength/lifting";
import { loadField, plannedLoadField, plannedRepsField, readPlannedSets, repsField } from "../strength/setText";
import { strengthOf } from "../strength/slice";
import type { Target } from "../strength/suggest";
import { type PlannedRow, withPlan } from "./planSets";
import { lastLifted, lastTime } from "./sessionCard";
import { performedIn, sessionsOfRows, type SetsRow } from "./setRows";

export function strengthOn(asOf: AsOf, day: number) {
  return sessionsOf(asOf)
    .on(day)
    .find(({ kind }) => kind === "strength");
}

export function describe(
  performed: SetsRow["performed"],
  exercise: Parameters<typeof describeSets>[2],
  printer: Printer,
): string {
  return describeSets(
    performed.map(({ done, warmUp }, index) => ({ id: String(index), done, warmUp })),
    "done",
    exercise,
    printer,
  );
}

/** A line of the table as typed. */
export interface TypedLine {
  exerciseId: string;
  sets: string;
  reps: string;
  load: string;
  rpe: string;
  /** One more repetition was tried and missed in the last of the line's sets. */
  missed?: boolean;
}

export interface TableAsk {
  date: string;
  lines: TypedLine[];
}

/** What a typed table would write, each line with what it says or what is wrong with it. */
export interface TableView {
  lines: { text: string; problem: string | null; doubt: string | null; last: { date: string; text: string } | null }[];
  change: Change | null;
}

export function tableView(asOf: AsOf, { date, lines }: TableAsk, newId: () => string): TableView {
  const day = mustDay(date);
  const printer = asOf.printer;
  const rows: SetsRow[] = [];
  const session = { id: "", personId: asOf.person.id, date, kind: "strength", status: "done" as const };
  const read = lines.map(({ exerciseId, sets, reps, load, rpe, missed }): TableView["lines"][number] => {
    const exercise = strengthOf(asOf).exercises().get(exerciseId);
    if (exercise === undefined) return { text: "", problem: null, doubt: null, last: null };
    const last = lastTime(asOf, session, exerciseId, printer);
    if (reps.trim() === "" && load.trim() === "") return { text: "", problem: null, doubt: null, last };
    const performed = performedIn(sets.trim(), reps.trim(), load.trim(), rpe.trim(), exercise, printer.units.mass);
    if (typeof performed === "string") return { text: "", problem: performed, doubt: null, last };
    const ended = missed
      ? performed.map((set, index) =>
          index === performed.length - 1 ? { ...set, done: { ...set.done, failed: true } } : set,
        )
      : performed;
    rows.push({ day, exerciseId, performed: ended, note: null });
    return { text: describe(ended, exercise, printer), problem: null, doubt: doubtOf(asOf, exercise, ended), last };
  });
  const whole = rows.length > 0 && read.every(({ problem }) => problem === null);
  return {
    lines: read,
    change: whole ? sessionsOfRows(rows, asOf.person.id, (on) => strengthOn(asOf, on), newId) : null,
  };
}

/** What is odd about the loads of some sets; null where nothing is. */
export function doubtOf(asOf: AsOf, exercise: Exercise, performed: SetsRow["performed"]): string | null {
  const best = strengthOf(asOf).liftOf(exercise.id)?.best?.e1rmKg ?? null;
  return (
    performed.flatMap(({ done }) =>
      done.kg == null ? [] : (loadDoubt(exercise, done.kg, best, asOf.printer) ?? []),
    )[0] ?? null
  );
}

/** The lines of the latest earlier session of lifting, to be done the same. */
export function sameAsLast(asOf: AsOf, date: string): TypedLine[] {
  const unit = asOf.units.mass;
  return (lastLifted(asOf, date)?.items ?? []).flatMap(({ exerciseId, sets }) =>
    linesOf(
      exerciseId,
      sets.flatMap(({ done, warmUp }) =>
        done && !warmUp ? [{ reps: repsField(done), load: loadField(done, unit), rpe: "" }] : [],
      ),
    ),
  );
}

/** Sets of an exercise as lines of the table: those of one load and effort together. */
function linesOf(exerciseId: string, sets: readonly { reps: string; load: string; rpe: string }[]): TypedLine[] {
  const runs: { reps: string[]; load: string; rpe: string }[] = [];
  for (const { reps, load, rpe } of sets) {
    const last = runs.at(-1);
    if (last?.load === load && last.rpe === rpe) last.reps.push(reps);
    else runs.push({ reps: [reps], load, rpe });
  }
  return runs.map(({ reps, load, rpe }) =>
    new Set(reps).size === 1
      ? { exerciseId, sets: String(reps.length), reps: reps[0]!, load, rpe }
      : { exerciseId, sets: "", reps: reps.join(" "), load, rpe },
  );
}

/** A line of a planned session as typed: of one exercise, sets alike. Lines with the same letter are a superset. */
export interface PlanLine {
  itemId: string | null;
  exerciseId: string;
  superset: string;
  sets: string;
  reps: string;
  load: string;
  rpe: string;
  rest: string;
  tempo: string;
  warmUp: boolean;
}

export interface PlanAsk {
  date: string;
  sessionId: string | null;
  lines: PlanLine[];
}

/** What a typed plan would write, each line with the load it comes to on the day or with what is wrong with it. */
export interface PlanView {
  lines: { text: string; problem: string | null; last: { date: string; text: string } | null }[];
  session: Session | null;
  held: Session | null;
}

export function planView(asOf: AsOf, { date, sessionId, lines }: PlanAsk, newId: () => string): PlanView {
  const day = mustDay(date);
  const printer = asOf.printer;
  const held =
    sessionId === null
      ? null
      : (sessionsOf(asOf)
          .on(day)
          .find(({ id }) => id === sessionId) ?? null);
  const base: Session = held ?? { id: newId(), personId: asOf.person.id, date, kind: "strength", status: "planned" };
  const rows: PlannedRow[] = [];
  const read = lines.map((line): PlanView["lines"][number] => {
    const exercise = strengthOf(asOf).exercises().get(line.exerciseId);
    if (exercise === undefined) return { text: "", problem: null, last: null };
    const last = lastTime(asOf, base, exercise.id, printer);
    if (line.reps.trim() === "" && line.load.trim() === "")
      return { text: "", problem: line.rpe.trim() || line.sets.trim() ? "No repetitions are written." : null, last };
    const count = line.sets.trim() === "" ? null : parseDecimal(line.sets);
    if (line.sets.trim() !== "" && (count === null || count % 1 !== 0 || count < 1 || count > 50))
      return { text: "", problem: `"${line.sets}" is no number of sets from 1 to 50.`, last };
    const planned = readPlannedSets(count, line.reps, line.load, line.rpe, exercise, printer.units.mass);
    const restSeconds = line.rest.trim() === "" ? null : (parseDuration(line.rest) ?? parseDecimal(line.rest));
    if (typeof planned === "string") return { text: "", problem: planned, last };
    if (line.rest.trim() !== "" && (restSeconds === null || restSeconds > 7200))
      return { text: "", problem: `"${line.rest}" is no rest, such as 2:00 or 90.`, last };
    for (const set of planned)
      rows.push({
        itemId: line.itemId,
        exerciseId: exercise.id,
        superset: line.superset.trim() || null,
        tempo: line.tempo.trim() || null,
        count: 1,
        planned: set,
        restSeconds,
        warmUp: line.warmUp,
      });
    return {
      text: comesTo(
        planned.map((set) => liftingOf(asOf).target(exercise, set, day)),
        printer,
      ),
      problem: null,
      last,
    };
  });
  const whole = rows.length > 0 && read.every(({ problem }) => problem === null);
  return { lines: read, session: whole ? withPlan(base, rows, newId) : null, held };
}

/**
 * What planned shares and efforts come to on the day, set by set where they differ; empty where the loads are written.
 */
function comesTo(targets: readonly Target[], printer: Printer): string {
  const lacking = targets.find((target) => "reason" in target);
  if (lacking !== undefined && "reason" in lacking) return `No load yet: ${lacking.reason}.`;
  const loads = targets.flatMap((target) =>
    "reason" in target || target.from === "plan" || target.kg === null ? [] : [printer.loadNumber(target.kg)],
  );
  return loads.length === 0
    ? ""
    : `${(new Set(loads).size === 1 ? loads.slice(0, 1) : loads).join(", ")} ${printer.units.mass} on the day`;
}

/** The plan of a session as lines of the table. */
export function planLines(asOf: AsOf, date: string, sessionId: string): PlanLine[] {
  const unit = asOf.units.mass;
  const session = sessionsOf(asOf)
    .on(mustDay(date))
    .find(({ id }) => id === sessionId);
  return (session?.items ?? []).flatMap((item) =>
    [true, false].flatMap((warm) => {
      const sets = item.sets.filter((set) => set.planned && (set.warmUp ?? false) === warm);
      const rest = sets[0]?.restSeconds;
      return linesOf(
        item.exerciseId,
        sets.map(({ planned }) => ({
          reps: plannedRepsField(planned!),
          load: plannedLoadField(planned!, unit),
          rpe: planned!.rpe == null ? "" : String(planned!.rpe),
        })),
      )
        .flatMap((line) =>
          line.sets === "" ? line.reps.split(" ").map((reps) => ({ ...line, sets: "1", reps })) : [line],
        )
        .map((line): PlanLine => ({
          ...line,
          itemId: item.id,
          superset: item.superset == null ? "" : String(item.superset),
          rest: rest == null ? "" : printDuration(rest),
          tempo: item.tempo ?? "",
          warmUp: warm,
        }));
    }),
  );
}
