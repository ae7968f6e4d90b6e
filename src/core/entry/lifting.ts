import { dateOf, type Day } from "../calendar/day";
import { put, type Exercise, type TrainingSet } from "../log/records";
import { withSets } from "../planning/perform";
import { estimateMaximum } from "../strength/e1rm";
import { describeSets } from "../strength/describe";
import { bodyShare, totalLoad } from "../strength/sets";
import { printNumber } from "../units/number";
import { toKg } from "../units/mass";
import { parseDecimal } from "../units/number";
import { problemAt, reading, splitList, after, type EntryContext, type EntryProblem, type EntryChoice, type Part, type Reading } from "./reading";

type Done = NonNullable<TrainingSet["done"]>;

interface Group { count: number; done: Done; warmUp: boolean }

const number = String.raw`(\d+(?:[.,]\d+)?)`;
const unit = String.raw`(kg|lbs?|lb)`;
const times = String.raw`\s*[x×*]\s*`;
/** `90 kg x 6`: one set of six with ninety kilograms. */
const loadFirst = new RegExp(`^${number}\\s*${unit}${times}(\\d+)$`, "i");
/** `3x6`, `3x6 90`, `3x6 at 90 kg`, `3x40 s`: sets by reps (or seconds), then the load. */
const setsFirst = new RegExp(`^(\\d+)${times}(\\d+)(?:\\s*(s|sec|seconds|m)\\b)?(?:\\s*(?:@|at)?\\s*[+]?${number}\\s*${unit}?)?$`, "i");
/** `5 reps 90 kg`, `6 at 90 kg`: one set. */
const repsFirst = new RegExp(`^(\\d+)(?:\\s*reps?)?\\s*(?:@|at)\\s*${number}\\s*${unit}?$`, "i");
/** Both stand at the end of a text without spaces behind it; they look no further back than they must, so that a line of blanks costs nothing. */
const effort = /(?:rpe|@)\s{0,9}(\d{1,4}(?:[.,]\d)?)$|rir\s{0,9}(\d(?:[.,]\d)?)$/i;

/** More sets than this in one go are not believed: a load without its unit is meant. */
const setsBelieved = 12;

/** The sets of one exercise. `part` is what follows its name. */
export function readLifting(exercise: Exercise, part: Part, day: Day, context: EntryContext, prefix: string): Reading {
  const date = dateOf(day);
  const problems: EntryProblem[] = [];
  const choices: EntryChoice[] = [];
  const groups: Group[] = [];
  for (const piece of splitList(part)) {
    const result = readGroup(piece, exercise, context);
    if ("message" in result) problems.push(problemAt(piece, result.message));
    else groups.push(result);
    if ("choices" in result) choices.push(...result.choices.map((text) => ({ label: text, text: `${prefix}${exercise.name} ${text}` })));
  }
  if (groups.length === 0 && problems.length === 0) {
    const ask = exercise.measure === "duration" ? "3x40 s" : `3x6 ${context.printer.units.mass === "lb" ? "135 lb" : "60 kg"}`;
    return reading("session", date, { fields: [{ label: "exercise", text: exercise.name }], problems: [{ start: part.start, end: part.start + 1, message: `Sets are missing, for example ${ask}.` }] });
  }
  if (day > context.today) problems.push({ start: part.start, end: part.start + 1, message: "A set cannot have been done in the future." });
  const done = groups.flatMap(({ count, done, warmUp }) => Array.from({ length: count }, () => ({ done, warmUp })));
  const held = context.sessionsOn(day).find(({ kind }) => kind === "strength");
  const session = withSets(held ?? { id: context.newId(), personId: context.personId, date, kind: "strength", status: "done", items: [] }, exercise.id, done, context.newId);
  const text = describeSets(done.map(({ done, warmUp }, index) => ({ id: String(index), done, warmUp })), "done", exercise, context.printer);
  return reading("session", date, {
    fields: [{ label: "exercise", text: exercise.name }, { label: "sets", text: text || "warm-up only" }, ...effortField(groups), ...figuresOf(exercise, done, day, context)],
    problems, choices, change: problems.length > 0 || choices.length > 0 ? null : [put("sessions", session, held)], label: `${exercise.name} ${text}`,
  });
}

function readGroup(piece: Part, exercise: Exercise, context: EntryContext): Group | { message: string; choices: string[] } {
  const warmUp = /(warm-?up|wu)$/i.exec(piece.text);
  let text = (warmUp ? piece.text.slice(0, warmUp.index) : piece.text).trimEnd();
  const rated = effort.exec(text);
  const isLoadAt = rated !== null && rated[0].startsWith("@") && parseDecimal(rated[1] ?? "")! > 10;
  let rpe: number | null = null;
  if (rated && !isLoadAt) {
    rpe = rated[1] !== undefined ? parseDecimal(rated[1])! : 10 - parseDecimal(rated[2]!)!;
    if (rpe > 10 || rpe < 0) return { message: "An effort (RPE) runs from 0 to 10.", choices: [] };
    text = text.slice(0, rated.index);
  }
  const kgOf = (value: string, named: string | undefined) => toKg(parseDecimal(value)!, named === undefined ? context.printer.units.mass : /^kg$/i.test(named) ? "kg" : "lb");
  const group = (count: number, done: Done): Group => ({ count, done: { ...done, ...(rpe === null ? {} : { rpe }) }, warmUp: warmUp !== null });
  text = text.trim();
  const first = loadFirst.exec(text);
  if (first) return group(1, { reps: Number(first[3]), kg: kgOf(first[1]!, first[2]) });
  const single = repsFirst.exec(text);
  if (single) return group(1, { reps: Number(single[1]), kg: kgOf(single[2]!, single[3]) });
  const sets = setsFirst.exec(text);
  if (!sets) return { message: "Sets are written 3x6 90 kg, or 90 kg x 6.", choices: [] };
  const [, countText = "", amount = "", measure, load, named] = sets;
  const count = Number(countText);
  if (count > setsBelieved) {
    const loaded = `${countText} ${context.printer.units.mass} x ${amount}`;
    return { message: `Is ${countText} the load? It can be read two ways.`, choices: load === undefined && measure === undefined ? [loaded] : [] };
  }
  if (count === 0) return { message: "No sets are no work: write at least 1x.", choices: [] };
  if (measure?.toLowerCase().startsWith("s") || (exercise.measure === "duration" && measure === undefined)) return group(count, { seconds: Number(amount), ...(load === undefined ? {} : { kg: kgOf(load, named) }) });
  if (measure !== undefined) return group(count, { metres: Number(amount), ...(load === undefined ? {} : { kg: kgOf(load, named) }) });
  if (load === undefined && (exercise.measure ?? "load-reps") === "load-reps") return { message: "The load is missing: write it behind the reps, with 0 for none.", choices: [] };
  return group(count, { reps: Number(amount), kg: load === undefined ? 0 : kgOf(load, named) });
}

function effortField(groups: readonly Group[]): Reading["fields"] {
  const efforts = groups.flatMap(({ done }) => (done.rpe == null ? [] : [printNumber(done.rpe, done.rpe % 1 === 0 ? 0 : 1)]));
  return efforts.length === 0 ? [] : [{ label: "effort", text: `RPE ${[...new Set(efforts)].join(", ")}` }];
}

function figuresOf(exercise: Exercise, sets: readonly { done: Done; warmUp: boolean }[], day: Day, context: EntryContext): Reading["fields"] {
  const working = sets.filter(({ warmUp, done }) => !warmUp && done.reps != null);
  const sides = exercise.perSide ? 2 : 1;
  const lifts = working.reduce((sum, { done }) => sum + done.reps! * sides, 0);
  if (lifts === 0) return [];
  const load = working.reduce((sum, { done }) => sum + done.reps! * sides * (totalLoad(exercise, done.kg ?? 0, day, context.bodyWeightOn) ?? 0), 0);
  const share = (bodyShare(exercise) ?? 0) * (context.bodyWeightOn(day) ?? 0);
  const maxima = working.flatMap(({ done }) => { const total = totalLoad(exercise, done.kg ?? 0, day, context.bodyWeightOn); const one = total === null ? null : estimateMaximum(context.factorFor(exercise.id), total, done.reps!, done.rpe); return one !== null && "kg" in one ? [one.kg - share] : []; });
  const best = context.bestOf(exercise.id);
  return [
    { label: "volume", text: `${lifts} lifts, ${context.printer.volumeLoad(load)}` },
    ...(maxima.length > 0 ? [{ label: "estimated maximum", text: `${context.printer.mass(Math.max(...maxima))}${best ? ` (best ${context.printer.massNumber(best.e1rmKg)}, ${best.date})` : ""}` }] : []),
  ];
}

/** What follows an exercise's name of the given length. */
export function afterName(part: Part, length: number): Part {
  const rest = after(part, length);
  return rest.text.startsWith(":") ? after(rest, 1) : rest;
}
