import type { MassUnit } from "../base/units/mass";
import { printPlain } from "../base/units/number";
import { parseDuration } from "../base/units/time";
import { candidatesFor, sameName } from "../entry/names";
import type { CycleEntry, CycleSet } from "../log/kinds/cycles";
import type { Exercise } from "../log/kinds/exercises";
import { fieldNumber, readPlannedSets } from "../strength/setText";
import { aliasesOf } from "../strength/usualNames";

/** What a cell of a cycle says of one exercise: an entry without its day. */
export type CellLine = Pick<CycleEntry, "exerciseId" | "maximumOf" | "ratio" | "sets">;

/** What a cell is read and written with. */
export interface CellContext {
  exercises: ReadonlyMap<string, Exercise>;
  /** The lift of the column; null in the column of what accompanies the lifts, where every line names its exercise. */
  columnId: string | null;
  /** The lifts that have a column. */
  columns: readonly string[];
  /** The unit of a load that does not say its own. */
  unit: MassUnit;
}

/** More than this is not believed to be a number of sets. */
const setsAtMost = 30;

/**
 * A cell as it is typed: sets × repetitions and a percentage, a load or an effort, parted by commas (`4×5 70 %, 1×5+
 * 80 %`; `5/3/1+ 75/85/95 %`; `3×8 60 kg`; `3×5 @8`; `3×12`), a rest behind them. Exercises are parted by semicolons; one
 * that is not the column's is named in front (`pause deadlift 3×3 70 %`): its percentages are of the column's lift.
 * @returns the exercises with their sets, none for an empty cell; or what is wrong, in words
 */
export function readCell(text: string, context: CellContext): CellLine[] | { why: string } {
  const lines: CellLine[] = [];
  for (const part of text.split(/[;\n]/)) {
    const clean = part.replaceAll(/[×*✕]/g, "x").replaceAll(/\s+/g, " ").trim();
    if (clean === "") continue;
    const named = exerciseIn(clean, context);
    if ("why" in named) return named;
    const { exercise } = named;
    const sets = readSets(named.rest, exercise, context.unit);
    if ("why" in sets) return sets;
    if (lines.some(({ exerciseId }) => exerciseId === exercise.id))
      return { why: `${exercise.name} stands twice in this cell: part its sets by commas.` };
    const why = misplaced(exercise, sets, context);
    if (why !== null) return { why };
    const ofColumn = context.columnId === null || exercise.id === context.columnId;
    lines.push({ exerciseId: exercise.id, ...(ofColumn ? {} : { maximumOf: context.columnId }), sets });
  }
  return lines;
}

/** Why an exercise does not belong into a column: what follows another lift, or none, has a place of its own. */
function misplaced(
  exercise: Exercise,
  sets: readonly CycleSet[],
  { columnId, columns, exercises }: CellContext,
): string | null {
  if (exercise.id !== columnId && columns.includes(exercise.id)) return `${exercise.name} has a column of its own.`;
  if (columnId === null || exercise.id === columnId || exercise.maximumFrom?.exerciseId === columnId) return null;
  const lift = exercises.get(columnId)?.name ?? columnId;
  return sets.every(({ percent }) => percent != null)
    ? null
    : `${exercise.name} does not follow ${lift}: write it in the last column, or its sets as percentages of ${lift}.`;
}

/** The exercise that a line is of, and what follows its name. */
function exerciseIn(
  line: string,
  { exercises, columnId }: CellContext,
): { exercise: Exercise; rest: string } | { why: string } {
  const begins = /(?:^|\s)(?=\d+\s*x|\d+\s*sets?\b|\d+\s*(?:\+|\/)|\d+ |max\b|amrap\b)/i.exec(line);
  const typed = (begins === null ? line : line.slice(0, begins.index)).trim();
  const rest = begins === null ? "" : line.slice(begins.index).trim();
  if (typed === "") {
    const own = columnId === null ? undefined : exercises.get(columnId);
    return own === undefined ? { why: "Name the exercise first, such as “chin-up 3×8”." } : { exercise: own, rest };
  }
  const all = [...exercises.values()];
  const spelled = all.filter((one) => [one.name, ...aliasesOf(one)].some((name) => sameName(name, typed)));
  const found = spelled.length > 0 ? spelled : candidatesFor(typed, all);
  const ofColumn = found.filter(({ maximumFrom }) => columnId !== null && maximumFrom?.exerciseId === columnId);
  const [one, other] = ofColumn.length > 0 ? ofColumn : found;
  if (one === undefined) return { why: `There is no exercise called “${typed}” in the library.` };
  if (other !== undefined) {
    const names = (ofColumn.length > 0 ? ofColumn : found).slice(0, 4).map(({ name }) => name);
    return { why: `Which is meant by “${typed}”: ${names.join(", ")}?` };
  }
  return { exercise: one, rest };
}

/** A comma behind which another group of sets begins; between two digits it is a decimal mark. */
const betweenGroups = /(?<!\d),\s*|,\s+(?=\d|max|amrap)/i;

function readSets(text: string, exercise: Exercise, unit: MassUnit): CycleSet[] | { why: string } {
  if (text === "") return { why: `Say the sets of ${exercise.name}, such as 5×3 75 %.` };
  const rest = /[\s,]rest\s+(.+)$/i.exec(text);
  const restSeconds = rest === null ? null : parseDuration(rest[1]!);
  if (rest !== null && (restSeconds === null || !/[a-z:]/i.test(rest[1]!)))
    return { why: `“${rest[1]!}” is no rest: write 3 min, 90 s or 2:30.` };
  const sets: CycleSet[] = [];
  for (const group of (rest === null ? text : text.slice(0, rest.index)).split(betweenGroups)) {
    const read = readGroup(group.trim(), exercise, unit);
    if ("why" in read) return read;
    sets.push(...read.map((set) => (restSeconds === null ? set : { ...set, restSeconds })));
  }
  return sets;
}

/** `5x3 75 %`, `3x5 @8`, `5/3/1+ 75/85/95 %`, `1x5+ 80 %`, `5+ 80 %`, `3x40 s`. */
const groupPattern =
  /^(?:(\d+)\s*(?:x|sets?(?:\s+of)?)\s*)?((?:max|amrap|\d+(?:[.,]\d+)?(?::\d\d)?)(?:\s*(?:s|sec|min|m|or more)\b|\s*(?:-|–|to)\s*\d+|\+)?(?:\s*\/\s*\d+\+?)*)(?:\s+|(?=@)|$)(.*)$/i;

function readGroup(group: string, exercise: Exercise, unit: MassUnit): CycleSet[] | { why: string } {
  const match = groupPattern.exec(group);
  const example = `Write sets × repetitions and a load, such as 5×3 75 %, 3×8 60 kg or 3×5 @8.`;
  if (match === null) return { why: `“${group}” is not understood. ${example}` };
  const [, countText, repsText, behind] = match as unknown as [string, string | undefined, string, string];
  const count = countText === undefined ? null : Number(countText);
  const listed = repsText.split("/").length;
  if (count === null && listed === 1 && !/\+|max|amrap|more/i.test(repsText))
    return { why: `“${group}”: how many sets? ${example}` };
  if (count !== null && (count < 1 || count > setsAtMost)) return { why: `${count} sets are not believed.` };
  const effort =
    /(?:^|\s)(?:@\s*|rpe\s*)(\d+(?:[.,]\d+)?)(?!\s*%|[\d.,]|\s*(?:kg|lb))\s*$|(?:^|\s)(\d+)\s*rir\s*$/i.exec(behind);
  const load = (effort === null ? behind : behind.slice(0, effort.index)).replace(/^(?:@|at\b)\s*/i, "").trim();
  if (load !== "" && !/[%a-z+]/i.test(load))
    return { why: `Is ${load} a share of the maximum or a load? Write ${load} % or ${load} ${unit}.` };
  const read = readPlannedSets(
    count,
    repsText.replaceAll("/", " ").replace(/amrap/i, "max"),
    load.replaceAll("/", " "),
    effort === null ? "" : effort[2] === undefined ? effort[1]! : `${effort[2]} rir`,
    exercise,
    unit,
  );
  if (typeof read === "string") return { why: read };
  return together(read);
}

/** Equal sets one after another as one with their count. */
export function together(sets: readonly CycleSet[]): CycleSet[] {
  const runs: CycleSet[] = [];
  for (const { count, ...set } of sets) {
    const last = runs.at(-1);
    const { count: _, ...before } = last ?? {};
    if (last !== undefined && JSON.stringify(before) === JSON.stringify(set))
      last.count = (last.count ?? 1) + (count ?? 1);
    else runs.push({ count: count ?? 1, ...set });
  }
  return runs;
}

/** What a cell says, as `readCell` reads it back. */
export function cellText(lines: readonly CellLine[], { exercises, columnId, unit }: CellContext): string {
  return lines
    .map(({ exerciseId, sets }) =>
      [exerciseId === columnId ? "" : (exercises.get(exerciseId)?.name ?? exerciseId), setsText(sets, unit)]
        .filter(Boolean)
        .join(" "),
    )
    .join("; ");
}

/** Sets in the trade's notation: `4×5 70 %, 1×5+ 80 %`. */
export function setsText(sets: readonly CycleSet[], unit: MassUnit): string {
  const said = sets.map((set) =>
    [`${set.count ?? 1}×${amountText(set)}`, loadText(set, unit)].filter(Boolean).join(" "),
  );
  const rest = sets.find(({ restSeconds }) => restSeconds != null)?.restSeconds;
  return `${said.join(", ")}${rest == null ? "" : ` rest ${rest % 60 === 0 ? `${rest / 60} min` : `${rest} s`}`}`;
}

/** The repetitions, the time or the distance of a set: `5`, `5+`, `8–12`, `40 s`. */
function amountText({ reps, repsTo, seconds, metres, asManyAsPossible }: CycleSet): string {
  if (reps != null) return repsTo != null ? `${reps}–${repsTo}` : `${reps}${asManyAsPossible ? "+" : ""}`;
  if (asManyAsPossible) return "max";
  return seconds != null ? `${seconds} s` : metres != null ? `${metres} m` : "1";
}

function loadText({ percent, kg, rpe }: CycleSet, unit: MassUnit): string {
  return [
    percent != null ? `${printPlain(percent * 100, 2)} %` : kg != null ? `${fieldNumber(kg, unit)} ${unit}` : "",
    rpe == null ? "" : `@${printPlain(rpe, 1)}`,
  ]
    .filter(Boolean)
    .join(" ");
}
