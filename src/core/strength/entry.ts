import { dateOf } from "../base/calendar/day";
import { toKg } from "../base/units/mass";
import { printNumber } from "../base/units/number";
import type { Printer } from "../base/units/printer";
import {
  type EntryChoice,
  type EntryProblem,
  type Line,
  nothingWritten,
  type ParsedEntry,
  placeOf,
  reading,
  rewritten,
  type WrittenDown,
} from "../entry/parsedEntry";
import type { Token } from "../entry/tokens";
import type { Exercise } from "../log/kinds/exercises";
import type { Session, TrainingSet } from "../log/kinds/sessions";
import { put } from "../log/records";
import { type Performed, withSets } from "../sessions/sets";
import { describeSets } from "./describe";
import { loadDoubt } from "./doubt";
import { estimateMaximum } from "./e1rm";
import { namedExercise } from "./library";
import type { Load } from "./setGrammar";
import { type SaidSet, SetLineReader } from "./setLine";
import { bodyShare, quotedKg, totalLoad } from "./sets";

/** One exercise of a line with what was written of it. */
export interface Segment {
  exercise: Exercise;
  isNew: boolean;
  tokens: readonly Token[];
  name: { start: number; end: number };
  superset?: string;
}

/** More repetitions than this in a set are questioned. */
const manyReps = 100;
/** With a load, fewer are odd already. */
const manyLoaded = 50;

interface Read {
  segment: Segment;
  sets: Performed[];
  said: WrittenDown[];
  note: string | null;
  superset: string | null;
  tempo: string | null;
}

/** The sets of one exercise or of several. */
export function readLifting(line: Line, segments: readonly Segment[]): ParsedEntry {
  const { day, context, text } = line;
  const date = dateOf(day);
  const problems: EntryProblem[] = [];
  const choices: EntryChoice[] = [];
  const cautions: string[] = [];
  const doubts: { place: { start: number; end: number }; readings: { label: string; text: string }[] }[] = [];
  const read = segments.map((segment): Read => {
    const { exercise, tokens } = segment;
    const result = new SetLineReader(text, tokens, exercise, context.printer.units.mass).read();
    const at = (from: number, to: number) => (tokens.length === 0 ? segment.name : placeOf(tokens, from, to));
    for (const { from, to, message, readings } of result.problems) {
      const place = at(from, to);
      problems.push({ ...place, message });
      if (readings)
        choices.push(
          ...readings.map((one) => ({ label: one.label, text: rewritten(text, [{ ...place, text: one.text }]) })),
        );
    }
    for (const { from, to, message, readings } of result.doubts) {
      problems.push({ ...at(from, to), message });
      doubts.push({ place: at(from, to), readings });
    }
    const ok = result.problems.length === 0 && result.doubts.length === 0;
    if (ok && result.sets.length === 0) {
      problems.push({
        ...segment.name,
        message: `Sets are missing, for example ${exercise.name.toLowerCase()} ${exampleOf(exercise, context.printer)}.`,
      });
    }
    const sets = ok
      ? result.sets.map((set) =>
          performed(set, segment, line, { problems, choices, cautions, place: at(0, tokens.length) }),
        )
      : [];
    return {
      segment,
      sets: sets.flatMap((set) => set?.performed ?? []),
      said: sets.flatMap((set) => set?.said ?? []),
      note: result.note,
      superset: result.superset ?? segment.superset ?? null,
      tempo: result.tempo,
    };
  });
  // A form that is doubted once is doubted wherever it stands: one answer reads all of the line.
  const answers =
    doubts.length === 0
      ? []
      : Array.from({ length: Math.min(...doubts.map(({ readings }) => readings.length)) }, (_, index): EntryChoice => ({
          label: [...new Set(doubts.map(({ readings }) => readings[index]!.label))].join(", "),
          text: rewritten(
            text,
            doubts.map(({ place, readings }) => ({ ...place, text: readings[index]!.text })),
          ),
        }));
  choices.unshift(...answers);
  if (day > context.today)
    problems.push({ ...segments[0]!.name, message: "A set cannot have been done in the future." });
  const distinct = problems
    .filter(
      (problem, index) =>
        problems.findIndex(({ message, start }) => message === problem.message && start === problem.start) === index,
    )
    .slice(0, 3);
  const held = context.sessionsOn(day).find(({ kind }) => kind === "strength");
  let session: Session = held ?? {
    id: context.newId(),
    personId: context.personId,
    date,
    kind: "strength",
    status: "done",
    items: [],
  };
  for (const { segment, sets, note, superset, tempo } of read)
    session = withSaid(withSets(session, segment.exercise.id, sets, context.newId), segment.exercise.id, {
      note,
      superset,
      tempo,
    });
  const described = read.map(({ segment, sets }) => ({
    name: segment.exercise.name,
    text: describeSets(
      sets.map(({ done, warmUp }, index): TrainingSet => ({ id: String(index), done, warmUp })),
      "done",
      segment.exercise,
      context.printer,
    ),
  }));
  const added = segments.filter(({ isNew }) => isNew).map(({ exercise }) => exercise);
  for (const { name } of added)
    cautions.unshift(`"${name}" is not in your library yet. Enter once more adds it as an exercise, with these sets.`);
  return reading("session", date, {
    fields: read.flatMap(({ segment, sets, said, note, superset, tempo }, index) => [
      { label: "exercise", text: segment.exercise.name },
      ...(superset ? [{ label: "superset", text: superset }] : []),
      ...(sets.length > 0 ? [{ label: "sets", text: described[index]!.text || "warm-up only" }] : []),
      ...warmUpField(sets, segment.exercise, line),
      ...shareField(said),
      ...restField(sets, line),
      ...(tempo ? [{ label: "tempo", text: tempo }] : []),
      ...(note ? [{ label: "note", text: note }] : []),
      ...figuresOf(segment.exercise, sets, line),
    ]),
    problems: distinct,
    choices: choices.slice(0, 6),
    caution: cautions.length > 0 ? [...new Set(cautions)].join(" ") : null,
    change:
      distinct.length > 0 || choices.length > 0
        ? null
        : [...added.map((exercise) => put("exercises", exercise)), put("sessions", session, held)],
    written: {
      ...nothingWritten,
      sessions: [
        {
          kind: "strength",
          title: held?.title ?? "",
          metres: null,
          seconds: null,
          purpose: null,
          effort: null,
          note: read.flatMap(({ note }) => note ?? []).join("; "),
          exercises: read.map(({ segment, said, note }) => ({
            name: segment.exercise.name,
            exerciseId: segment.isNew ? "" : segment.exercise.id,
            note: note ?? "",
            sets: said,
          })),
        },
      ],
    },
    label: described.map(({ name, text: sets }) => `${name} ${sets}`).join("; "),
  });
}

/** Sets as they are written of an exercise. */
function exampleOf({ measure }: Exercise, { units }: Printer): string {
  return measure === "duration"
    ? "3x40 s"
    : measure === "distance"
      ? "4x40 m"
      : measure === "bodyweight-reps"
        ? "3x8"
        : `3x6 ${units.mass === "lb" ? "135 lb" : "60 kg"}`;
}

interface Told {
  problems: EntryProblem[];
  choices: EntryChoice[];
  cautions: string[];
  place: { start: number; end: number };
}

/** One set as it will stand in the log; null where something is missing, which is told. */
function performed(
  set: SaidSet,
  { exercise, isNew }: Segment,
  { text, day, context }: Line,
  { problems, choices, cautions, place }: Told,
): { performed: Performed; said: WrittenDown } | null {
  const { printer } = context;
  const measure = exercise.measure ?? "load-reps";
  const refuse = (message: string, offered: EntryChoice[] = []) => {
    problems.push({ ...place, message });
    if (choices.length === 0) choices.push(...offered);
    return null;
  };
  const timed = set.seconds !== undefined || set.metres !== undefined;
  if (set.load === undefined && !timed && measure === "load-reps")
    return refuse("The load is missing: write it behind the reps, with 0 for none.");
  if (set.load === undefined && measure === "assisted-reps")
    return refuse("The assistance is missing: write it behind the reps, with 0 for none.");
  if (set.load?.bodyAlone && measure === "load-reps" && !timed)
    return refuse(`${exercise.name} counts what is loaded, not the body's own weight. Write the load, or 0 for none.`);
  if (timed && !isNew && measure.endsWith("-reps"))
    return refuse(`${exercise.name} is counted in repetitions, for example ${exampleOf(exercise, printer)}.`);
  if (measure === "duration" && !timed) return refuse(`${exercise.name} is held for a time, for example 3x40 s.`);
  if (measure === "distance" && !timed)
    return refuse(`${exercise.name} goes over a distance or a time, for example 4x40 m.`);
  const kgOfLoad = (load: Load | undefined): number | { reason: string } => {
    if (load === undefined || load.bodyAlone) return 0;
    if (load.percent) {
      if (load.value <= 0 || load.value > 150) return { reason: "A share of the maximum runs from 1 to 150 %." };
      const kg = context.shareOf(exercise, load.value / 100, day);
      return (
        kg ?? {
          reason: `${printNumber(load.value, load.value % 1 === 0 ? 0 : 1)} % of what? There is no maximum of ${exercise.name.toLowerCase()} in force that day. Write the load, or a tested maximum under Lifts.`,
        }
      );
    }
    return toKg(load.value, load.unit ?? printer.units.mass);
  };
  const kg = kgOfLoad(set.load);
  if (typeof kg !== "number") return refuse(kg.reason);
  const typed = measure === "assisted-reps" && set.load?.added && kg < 0 ? -kg : kg;
  if (measure === "assisted-reps" && set.load?.added && kg > 0)
    return refuse("With a load added it is no assisted movement. Write the assistance without +.");
  if (typed < 0)
    return refuse(
      measure === "bodyweight-reps"
        ? "Less than the body's own weight is assistance: write it with the assisted exercise."
        : "A load below zero was not lifted.",
    );
  const parts = set.parts?.map((part) => ({
    reps: part.reps,
    kg: part.load === undefined ? undefined : kgOfLoad(part.load),
  }));
  const wrong = parts?.find((part) => typeof part.kg === "object");
  if (wrong && typeof wrong.kg === "object") return refuse(wrong.kg.reason);
  if (set.reps === 0 && !set.failed)
    return refuse(
      "No repetition was completed. If it was tried and missed, write 0f.",
      [
        {
          label: "tried and missed",
          text: rewritten(text, [
            { ...place, text: text.slice(place.start, place.end).replace(/(?<=[x×*]\s*)0(?![.,\d])/i, "0f") },
          ]),
        },
      ].filter((one) => one.text !== text),
    );
  if ((set.reps ?? 0) > 1000) return refuse("More than 1,000 repetitions in a set are not taken.");
  if ((set.reps ?? 0) > (measure === "load-reps" ? manyLoaded : manyReps))
    cautions.push(`${set.reps} repetitions in one set? Press Enter again if it is right.`);
  const best = context.bestOf(exercise.id);
  const doubt = loadDoubt(exercise, typed, best?.e1rmKg ?? null, printer);
  if (doubt !== null) cautions.push(`${doubt} Press Enter again if it is right.`);
  const done = {
    ...(set.seconds !== undefined
      ? { seconds: set.seconds }
      : set.metres !== undefined
        ? { metres: set.metres }
        : { reps: set.reps! }),
    ...(timed && set.load === undefined ? {} : { kg: typed }),
    ...(set.rpe === undefined ? {} : { rpe: set.rpe }),
    ...(set.failed ? { failed: true } : {}),
    ...(parts
      ? { parts: parts.map((part) => ({ reps: part.reps, ...(typeof part.kg === "number" ? { kg: part.kg } : {}) })) }
      : {}),
  };
  const percent = set.load?.percent ? set.load.value / 100 : null;
  const planned = {
    ...(percent === null ? {} : { percent, ...(set.reps === undefined ? {} : { reps: set.reps }) }),
    ...(set.asManyAsPossible ? { asManyAsPossible: true } : {}),
  };
  return {
    performed: {
      done,
      warmUp: set.warmUp ?? false,
      ...(Object.keys(planned).length > 0 ? { planned } : {}),
      ...(set.restSeconds === undefined ? {} : { restSeconds: set.restSeconds }),
    },
    said: {
      reps: set.reps ?? null,
      kg:
        (bodyShare(exercise) !== null && typed === 0) || (timed && set.load === undefined)
          ? null
          : quotedKg(exercise, typed),
      rpe: set.rpe ?? null,
      seconds: set.seconds ?? null,
      metres: set.metres ?? null,
      warmUp: set.warmUp ?? false,
      failed: set.failed ?? false,
      percent,
      ...(parts
        ? { parts: parts.map((part) => ({ reps: part.reps, kg: typeof part.kg === "number" ? part.kg : null })) }
        : {}),
    },
  };
}

/** The session with what else was said of one of its exercises. */
function withSaid(
  session: Session,
  exerciseId: string,
  { note, superset, tempo }: Pick<Read, "note" | "superset" | "tempo">,
): Session {
  if (note === null && superset === null && tempo === null) return session;
  return {
    ...session,
    items: session.items!.map((item) =>
      item.exerciseId !== exerciseId
        ? item
        : {
            ...item,
            ...(note === null ? {} : { note: item.note ? `${item.note}; ${note}` : note }),
            ...(superset === null ? {} : { superset }),
            ...(tempo === null ? {} : { tempo }),
          },
    ),
  };
}

/** An exercise that is not in the library yet. */
export function newExercise(name: string, line: Line): Exercise {
  return namedExercise(line.context.newId(), name.charAt(0).toUpperCase() + name.slice(1));
}

function warmUpField(sets: readonly Performed[], exercise: Exercise, { context }: Line): ParsedEntry["fields"] {
  const warmUps = sets.filter(({ warmUp }) => warmUp);
  const text = describeSets(
    warmUps.map(({ done }, index): TrainingSet => ({ id: String(index), done })),
    "done",
    exercise,
    context.printer,
  );
  return warmUps.length === 0 ? [] : [{ label: "warm-up", text }];
}

function restField(sets: readonly Performed[], { context }: Line): ParsedEntry["fields"] {
  const rest = sets.find(({ restSeconds }) => restSeconds !== undefined)?.restSeconds;
  return rest === undefined ? [] : [{ label: "rest", text: context.printer.duration(rest) }];
}

function shareField(sets: readonly WrittenDown[]): ParsedEntry["fields"] {
  const shares = [
    ...new Set(
      sets.flatMap(({ percent }) =>
        percent === null ? [] : [`${printNumber(percent * 100, (percent * 100) % 1 === 0 ? 0 : 1)} %`],
      ),
    ),
  ];
  return shares.length === 0 ? [] : [{ label: "of the maximum", text: shares.join(", ") }];
}

function figuresOf(exercise: Exercise, sets: readonly Performed[], { day, context }: Line): ParsedEntry["fields"] {
  const working = sets.filter(({ warmUp, done }) => !warmUp && done.reps != null);
  const sides = exercise.perSide ? 2 : 1;
  const parts = working.flatMap(({ done }) => [
    { reps: done.reps!, kg: done.kg ?? 0 },
    ...(done.parts ?? []).map((part) => ({ reps: part.reps ?? 0, kg: part.kg ?? done.kg ?? 0 })),
  ]);
  const lifts = parts.reduce((sum, { reps }) => sum + reps * sides, 0);
  if (lifts === 0) return [];
  const load = parts.reduce(
    (sum, { reps, kg }) => sum + reps * sides * (totalLoad(exercise, kg, day, context.bodyWeightOn) ?? 0),
    0,
  );
  const share = (bodyShare(exercise) ?? 0) * (context.bodyWeightOn(day) ?? 0);
  const maxima = working.flatMap(({ done }) => {
    const total = totalLoad(exercise, done.kg ?? 0, day, context.bodyWeightOn);
    const one = total === null ? null : estimateMaximum(context.factorFor(exercise.id), total, done.reps!, done.rpe);
    return one !== null && "kg" in one ? [one.kg - share] : [];
  });
  const best = context.bestOf(exercise.id);
  return [
    { label: "volume", text: `${lifts} lifts, ${context.printer.volumeLoad(load)}` },
    ...(maxima.length > 0
      ? [
          {
            label: "estimated maximum",
            text: `${context.printer.mass(Math.max(...maxima))}${best ? ` (best ${context.printer.massNumber(best.e1rmKg)}, ${best.date})` : ""}`,
          },
        ]
      : []),
  ];
}
