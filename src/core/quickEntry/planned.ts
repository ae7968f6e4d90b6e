import { dateOf, type Day } from "../base/calendar/day";
import { printDay } from "../base/calendar/print";
import { folded } from "../base/text";
import { isWord } from "../entry/amounts";
import { type Line, nothingWritten, type ParsedEntry, placeOf, reading } from "../entry/parsedEntry";
import type { Token } from "../entry/tokens";
import { dayInFront, type When } from "../entry/when";
import type { Session } from "../log/kinds/sessions";
import { put } from "../log/records";
import { asPlan } from "../planning/asPlan";
import { movedTo } from "../planning/movedTo";
import { withIds } from "../planning/plannedOn";
import { itemsText, readItems } from "../planning/routineText";
import { canMove } from "../sessions/planned";
import { titleOf } from "../sessions/title";

/** Reads a line as if it had been done. */
type Read = (line: Line) => ParsedEntry;

/** Says what is wrong at some tokens of a line, the first where none are said. */
function refusing({ tokens, day }: Line): (message: string, from?: number, to?: number) => ParsedEntry {
  return (message, from = 0, to = 1) =>
    reading("session", dateOf(day), { problems: [{ ...placeOf(tokens, from, to), message }] });
}

/** The day from which on a plan looks: a weekday is the next one, a day without its year the next such day. */
function dayAhead(line: Line, tokens: readonly Token[]): { day: Day; rest: readonly Token[] } | { why: string } | null {
  const found = dayInFront(line.text, tokens, line.context.today, line.context.dateOrder);
  if (found === null) return null;
  if (found.problem !== null && found.next === null) return { why: found.problem };
  const day = aheadOf(found, tokens, line.context.today);
  return day < line.context.today
    ? { why: `${printDay(day)} has passed: what is planned lies ahead.` }
    : { day, rest: tokens.slice(found.to) };
}

function aheadOf({ day, next, to }: When, tokens: readonly Token[], today: Day): Day {
  if (day >= today) return day;
  if (next !== null) return next;
  const isLed = tokens.slice(0, to).some((token) => isWord(token, "last", "ago", "yesterday"));
  const isDated = tokens.slice(0, to).some(({ kind }) => kind === "number");
  return isLed || isDated ? day : day + 7;
}

/**
 * `plan fri squat 5x3 75 %`, `plan sat row 60 min easy`: what follows the day is read as if it were done, and planned.
 * @param read reads the line without its day
 */
export function readPlanned(line: Line, read: Read): ParsedEntry {
  const { tokens, context } = line;
  const ahead = dayAhead(line, tokens.slice(1));
  const refuse = refusing(line);
  if (ahead !== null && "why" in ahead) return refuse(ahead.why, 1, 2);
  const day = ahead?.day ?? line.day;
  if (day < context.today) return refuse(`${printDay(day)} has passed: what is planned lies ahead.`);
  const rest = ahead?.rest ?? tokens.slice(1);
  if (rest.length === 0)
    return refuse("What is planned? For example plan fri squat 5x3 75 %, plan sat row 60 min easy.");
  const lifted = plannedLifts(line, rest, day);
  if (lifted !== null) return lifted;
  const found = read({
    ...line,
    day,
    tokens: rest,
    // As if that day had come, and nothing were there yet.
    context: { ...context, day, today: day, sessionsOn: () => [] },
  });
  const planned = (found.change ?? []).flatMap((step) =>
    "put" in step && step.kind === "sessions" ? [asPlan(step.put)] : [],
  );
  if (found.change === null) return { ...found, date: dateOf(day) };
  const others = found.change.filter(
    (step) => !("put" in step) || (step.kind !== "sessions" && step.kind !== "exercises"),
  );
  if (planned.length === 0 || others.length > 0)
    return refuse("Sessions are planned: exercises with their sets, or a distance or time of an activity.");
  return {
    ...found,
    date: dateOf(day),
    fields: [{ label: "planned on", text: printDay(day) }, ...found.fields],
    change: [
      ...found.change.filter((step) => "put" in step && step.kind === "exercises"),
      ...planned.map((session) => put("sessions", session)),
    ],
    // What is planned is not yet done.
    written: nothingWritten,
    label: `Planned on ${printDay(day)}: ${found.label}`,
  };
}

/** Exercises in the notation of a plan: `squat 5x3 75 %`, `bench press 3x8-12 @8`. Null where the line is none. */
function plannedLifts({ text, context }: Line, rest: readonly Token[], day: Day): ParsedEntry | null {
  const written = text.slice(rest[0]!.start, rest.at(-1)!.end);
  const exercises = new Map(context.exercises.map((exercise) => [exercise.id, exercise]));
  const unit = context.printer.units.mass;
  const items = readItems(written, [], exercises, unit);
  if ("why" in items || items.length === 0) return null;
  const session: Session = {
    id: context.newId(),
    personId: context.personId,
    date: dateOf(day),
    kind: "strength",
    status: "planned",
    items: items.map((item) => withIds(item, context.newId)),
  };
  const said = itemsText(items, exercises, unit).split("\n");
  return reading("session", session.date, {
    fields: [{ label: "planned on", text: printDay(day) }, ...said.map((one) => ({ label: "exercise", text: one }))],
    change: [put("sessions", session)],
    label: `Planned on ${printDay(day)}: ${said.join("; ")}`,
  });
}

/** `move today to sat`, `move fri row to sunday`, `move all fri to sat`: what is planned on a day, on another. */
export function readMove(line: Line): ParsedEntry {
  const { tokens, context } = line;
  const refuse = refusing(line);
  const at = tokens.findLastIndex((token) => isWord(token, "to"));
  const example = "For example move today to sat, or move fri row to sun.";
  if (at < 1) return refuse(`To which day? ${example}`);
  const target = dayAhead(line, tokens.slice(at + 1));
  if (target === null) return refuse(`To which day? ${example}`, at, at + 1);
  if ("why" in target) return refuse(target.why, at + 1, at + 2);
  if (target.rest.length > 0)
    return refuse(`“${wordsOf(target.rest)}” is not understood behind the day.`, at + 2, tokens.length);
  let what = tokens.slice(1, at);
  const all = isWord(what[0], "all", "everything");
  if (all) what = what.slice(1);
  const source = sourceOf(line, what);
  if ("why" in source) return refuse(source.why, 1, at);
  const open = context.sessionsOn(source.day).filter(canMove);
  const named = wordsOf(source.words);
  const meant = named === "" ? open : open.filter((session) => fits(session, named));
  const [day, to] = [printDay(source.day), printDay(target.day)];
  if (meant.length === 0)
    return refuse(
      named === ""
        ? `Nothing that is planned on ${day} can be moved.`
        : `Nothing called “${named}” is planned on ${day}.`,
    );
  if (meant.length > 1 && !all)
    return reading("session", dateOf(line.day), {
      problems: [{ ...placeOf(tokens, 1, at), message: `Several are planned on ${day}. Which one?` }],
      choices: [
        ...meant.map((session) => ({
          label: titleOf(session),
          text: `move ${dateOf(source.day)} ${titleOf(session)} to ${dateOf(target.day)}`,
        })),
        { label: "all of them", text: `move all ${dateOf(source.day)} to ${dateOf(target.day)}` },
      ],
    });
  return reading("session", dateOf(target.day), {
    fields: [
      { label: "moved", text: meant.map(titleOf).join(", ") },
      { label: "from", text: day },
      { label: "to", text: to },
    ],
    change: meant.map((session) => put("sessions", movedTo(session, dateOf(target.day)), session)),
    label: `${meant.map(titleOf).join(", ")} moved to ${to}`,
  });
}

/** The day of which something is moved, and the words behind it; today where none is named. */
function sourceOf(line: Line, tokens: readonly Token[]): { day: Day; words: readonly Token[] } | { why: string } {
  const { context } = line;
  for (let from = 0; from < tokens.length; from++) {
    const found = dayInFront(line.text, tokens.slice(from), context.today, context.dateOrder);
    if (found === null) continue;
    // A day without its year is the next such day, unless it is the last one that has something.
    const near = found.next !== null && (found.problem !== null || context.sessionsOn(found.day).length === 0);
    if (near) return { day: found.next!, words: [...tokens.slice(0, from), ...tokens.slice(from + found.to)] };
    if (found.problem !== null) return { why: found.problem };
    // A weekday is the next one with something planned on it: `move fri to sat` looks ahead before it looks back.
    const isWeekday = found.day < context.today && found.day > context.today - 7 && found.next === null;
    const ahead = isWeekday && !tokens.slice(from, from + found.to).some(({ kind }) => kind === "number");
    const later = ahead && context.sessionsOn(found.day + 7).length > 0;
    return {
      day: later ? found.day + 7 : found.day,
      words: [...tokens.slice(0, from), ...tokens.slice(from + found.to)],
    };
  }
  return { day: line.day, words: tokens };
}

function wordsOf(tokens: readonly Token[]): string {
  return tokens.map(({ text }) => text).join(" ");
}

function fits(session: Session, words: string): boolean {
  const said = folded(`${session.title ?? ""} ${session.kind}`);
  return folded(words)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .every((word) => said.includes(word));
}
