import { dateOf } from "../base/calendar/day";
import {
  type EntryChoice,
  type EntryProblem,
  type Line,
  nothingWritten,
  type ParsedEntry,
  type Place,
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
import { figuresOf, restField, shareField, warmUpField } from "./entryFields";
import { namedExercise } from "./library";
import { exampleOf, performedSet, type SetDone } from "./performedSet";
import { SetLineReader } from "./setLine";

/** One exercise of a line with what was written of it. */
export interface Segment {
  exercise: Exercise;
  isNew: boolean;
  tokens: readonly Token[];
  name: Place;
  superset?: string;
}

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
  const told = new Told(text);
  const read = segments.map((segment) => readSegment(segment, line, told));
  if (day > context.today) told.refuse(segments[0]!.name, "A set cannot have been done in the future.");
  const held = context.sessionsOn(day).find(({ kind }) => kind === "strength");
  const begun: Session = held ?? {
    id: context.newId(),
    personId: context.personId,
    date,
    kind: "strength",
    status: "done",
    items: [],
  };
  const session = read.reduce(
    (so, { segment, sets, ...said }) =>
      withSaid(withSets(so, segment.exercise.id, sets, context.newId), segment.exercise.id, said),
    begun,
  );
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
    told.cautions.unshift(
      `"${name}" is not in your library yet. Enter once more adds it as an exercise, with these sets.`,
    );
  const problems = told.distinctProblems();
  const choices = told.allChoices();
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
    problems,
    choices: choices.slice(0, 6),
    caution: told.cautions.length > 0 ? [...new Set(told.cautions)].join(" ") : null,
    change:
      problems.length > 0 || choices.length > 0
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

/** What is to be told of a line: what it lacks, what is offered instead, what is doubted. */
class Told {
  readonly cautions: string[] = [];
  readonly #problems: EntryProblem[] = [];
  readonly #choices: EntryChoice[] = [];
  readonly #doubts: { place: Place; readings: readonly { label: string; text: string }[] }[] = [];

  constructor(readonly text: string) {}

  refuse(place: Place, message: string): void {
    this.#problems.push({ ...place, message });
  }

  /** What may be written in a place instead. */
  offer(place: Place, readings: readonly { label: string; text: string }[]): void {
    this.#choices.push(
      ...readings.map(({ label, text }) => ({ label, text: rewritten(this.text, [{ ...place, text }]) })),
    );
  }

  /** Whole lines that may be written instead, where nothing is offered yet. */
  offerLines(choices: readonly EntryChoice[]): void {
    if (this.#choices.length === 0) this.#choices.push(...choices);
  }

  /** A place that can be read in several ways. */
  doubt(place: Place, message: string, readings: readonly { label: string; text: string }[]): void {
    this.refuse(place, message);
    this.#doubts.push({ place, readings });
  }

  /** Each problem once, and three at most. */
  distinctProblems(): EntryProblem[] {
    return this.#problems
      .filter(
        (problem, index) =>
          this.#problems.findIndex(({ message, start }) => message === problem.message && start === problem.start) ===
          index,
      )
      .slice(0, 3);
  }

  /** A form that is doubted once is doubted wherever it stands: one answer reads all of the line. */
  allChoices(): EntryChoice[] {
    if (this.#doubts.length === 0) return this.#choices;
    const ways = Math.min(...this.#doubts.map(({ readings }) => readings.length));
    const answers = Array.from({ length: ways }, (_, way) => ({
      label: [...new Set(this.#doubts.map(({ readings }) => readings[way]!.label))].join(", "),
      text: rewritten(
        this.text,
        this.#doubts.map(({ place, readings }) => ({ ...place, text: readings[way]!.text })),
      ),
    }));
    return [...answers, ...this.#choices];
  }
}

/** What a line says of one exercise. */
function readSegment(segment: Segment, line: Line, told: Told): Read {
  const { exercise, tokens, isNew } = segment;
  const { printer } = line.context;
  const found = new SetLineReader(line.text, tokens, exercise, printer.units.mass).read();
  const at = (from: number, to: number) => (tokens.length === 0 ? segment.name : placeOf(tokens, from, to));
  for (const { from, to, message, readings } of found.problems) {
    told.refuse(at(from, to), message);
    if (readings) told.offer(at(from, to), readings);
  }
  for (const { from, to, message, readings } of found.doubts) told.doubt(at(from, to), message, readings);
  const isClear = found.problems.length === 0 && found.doubts.length === 0;
  if (isClear && found.sets.length === 0)
    told.refuse(
      segment.name,
      `Sets are missing, for example ${exercise.name.toLowerCase()} ${exampleOf(exercise, printer)}.`,
    );
  const done: SetDone[] = [];
  for (const set of isClear ? found.sets : []) {
    const one = performedSet(set, exercise, isNew, line, at(0, tokens.length));
    if ("reason" in one) {
      told.refuse(at(0, tokens.length), one.reason);
      told.offerLines(one.offered ?? []);
    } else {
      done.push(one);
      told.cautions.push(...one.cautions);
    }
  }
  return {
    segment,
    sets: done.map(({ performed }) => performed),
    said: done.map(({ said }) => said),
    note: found.note,
    superset: found.superset ?? segment.superset ?? null,
    tempo: found.tempo,
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
