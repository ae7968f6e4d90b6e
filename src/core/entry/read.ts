import { dateOf, type Day } from "../calendar/day";
import { put } from "../log/records";
import { namedExercise } from "../strength/library";
import { readDistance } from "./distance";
import { readFood } from "./food";
import { afterName, readLifting } from "./lifting";
import { candidatesFor, matchName } from "./names";
import { after, folded, longestLine, problemAt, reading, tooLongLine, trimmed, type EntryChoice, type EntryContext, type Part, type Reading } from "./reading";
import { readWeighIn } from "./weighIn";
import { readWhen } from "./when";

/** Kinds of activity that are always understood; the trainee's own come beside them. */
const kindWords: Record<string, string> = { run: "run", ran: "run", running: "run", row: "row", rowed: "row", rowing: "row" };

/**
 * Reads the quick-entry line: a weigh-in, sets of an exercise, a run or a row, foods, or `skip`, with a day before it if not the
 * chosen one. Nothing is guessed: what can be read two ways comes back as choices, what cannot be read is underlined with the reason.
 */
export function readEntry(text: string, context: EntryContext): Reading {
  if (text.length > longestLine) return reading("unclear", dateOf(context.day), { problems: [{ start: longestLine, end: longestLine + 1, message: tooLongLine(text.length) }] });
  const whole = trimmed({ text, start: 0 });
  const { day, rest, said, problem } = readWhen(whole, context.day, context.today);
  if (problem !== null) return reading("unclear", dateOf(day), { problems: [problem] });
  if (rest.text === "") return reading("empty", dateOf(day), said ? { fields: [{ label: "day", text: dateOf(day) }] } : {});
  const prefix = text.slice(0, rest.start);
  const result = readBody(rest, day, context, prefix);
  const dayField = day === context.today ? [] : [{ label: "day", text: dateOf(day) }];
  return { ...result, fields: [...dayField, ...result.fields], completions: result.change === null && result.choices.length === 0 ? completionsFor(rest, context, prefix) : [] };
}

function readBody(rest: Part, day: Day, context: EntryContext, prefix: string): Reading {
  const skip = /^skip(?=\s|$)/i.exec(rest.text);
  if (skip) return readSkip(after(rest, skip[0].length), day, context, prefix);
  const weighIn = readWeighIn(rest, day, context);
  if (weighIn) return weighIn;
  const word = /^\p{L}+/u.exec(rest.text)?.[0] ?? "";
  const own = context.kinds.find(({ name }) => folded(name) === folded(word));
  const kind = kindWords[folded(word)] ?? own?.name;
  if (kind !== undefined) return readDistance(kind, after(rest, word.length), day, context, prefix);
  const lift = matchName(rest.text, context.exercises);
  if (lift.found) return readLifting(lift.found, afterName(rest, lift.length), day, context, prefix);
  const food = readFood(rest, day, context, prefix);
  if (food && (food.change || lift.candidates.length === 0)) return food;
  if (lift.candidates.length > 1 && /\d/.test(rest.text)) {
    const typed = rest.text.slice(0, lift.length);
    return reading("session", dateOf(day), {
      problems: [problemAt({ text: typed, start: rest.start }, `"${typed}" is part of several exercises. Which one?`)],
      choices: lift.candidates.slice(0, 6).map(({ name }) => ({ label: name, text: `${prefix}${name}${rest.text.slice(lift.length)}` })),
    });
  }
  const added = lift.candidates.length === 0 ? readNewExercise(rest, day, context, prefix) : null;
  if (added) return added;
  const first = /^\S+/.exec(rest.text)![0];
  const message = lift.candidates.length > 0 ? "Go on typing, or choose one below." : `Nothing of yours begins like this. A weight (71.4), an exercise with sets, run or row, or foods with amounts can be written here.`;
  return reading("unclear", dateOf(day), { problems: [problemAt({ text: first, start: rest.start }, message)] });
}

/** Sets of an exercise that is not in the library yet: it is added with them, after a second Enter. Null when the text is not a name with sets. */
function readNewExercise(rest: Part, day: Day, context: EntryContext, prefix: string): Reading | null {
  const typed = /^\p{L}[\p{L}\s'’-]*?(?=\s+\d)/u.exec(rest.text)?.[0];
  if (typed === undefined || typed.length < 3) return null;
  const name = typed.charAt(0).toUpperCase() + typed.slice(1);
  const exercise = namedExercise(context.newId(), name);
  const read = readLifting(exercise, afterName(rest, typed.length), day, context, prefix);
  return read.change === null ? null : { ...read, change: [put("exercises", exercise), ...read.change], caution: `"${name}" is not in your library yet. Enter once more adds it as an exercise, with these sets.` };
}

function readSkip(rest: Part, day: Day, context: EntryContext, prefix: string): Reading {
  const date = dateOf(day);
  const open = context.sessionsOn(day).filter(({ status }) => status === "planned");
  const titleOf = (session: (typeof open)[number]) => session.title || session.kind;
  const named = open.filter((session) => rest.text !== "" && folded(rest.text).startsWith(folded(titleOf(session))));
  const chosen = named.length > 0 ? named : open;
  if (chosen.length === 0) return reading("skip", date, { problems: [{ start: 0, end: 4, message: "Nothing is planned and still open on that day." }] });
  if (chosen.length > 1) {
    return reading("skip", date, { problems: [{ start: 0, end: 4, message: "Several sessions are planned. Which one?" }], choices: chosen.map((session): EntryChoice => ({ label: titleOf(session), text: `${prefix}skip ${titleOf(session)}${rest.text ? ` ${rest.text}` : ""}` })) });
  }
  const session = chosen[0]!;
  const reason = named.length > 0 ? rest.text.slice(titleOf(session).length).trim() : rest.text;
  return reading("skip", date, {
    fields: [{ label: "skip", text: titleOf(session) }, ...(reason ? [{ label: "reason", text: reason }] : [])],
    change: [put("sessions", { ...session, status: "skipped", ...(reason ? { reason } : {}) }, session)], label: `${titleOf(session)} skipped`,
  });
}

/** Names of the trainee's own that the last words typed may become. */
function completionsFor(rest: Part, context: EntryContext, prefix: string): EntryChoice[] {
  const tail = lastWords(rest.text);
  if (tail.length < 2) return [];
  const before = rest.text.slice(0, rest.text.length - tail.length);
  const whole = before === "";
  // Behind other words only what follows an amount, or a mark between two things, is the beginning of a name.
  if (!whole && !/(?:[,;:]\s*|\d\s*(?:g|ml|kg)?\s)$/.test(before.slice(-40))) return [];
  const things = [...(whole ? context.exercises : []), ...(whole ? [] : [...context.foods, ...context.recipes])];
  return candidatesFor(tail.trim(), things).filter(({ name }) => folded(name) !== folded(tail.trim())).slice(0, 6).map(({ name }) => ({ label: name, text: `${prefix}${before}${name}${whole ? " " : ""}` }));
}

/** The letters, spaces and hyphens at the end of a text, from the first letter on, without the unit of an amount that stands before them. */
function lastWords(text: string): string {
  let from = text.length;
  while (from > 0 && /[\p{L}\s-]/u.test(text[from - 1]!)) from -= 1;
  const run = text.slice(from).replace(/^[\s-]+/, "");
  const unit = from > 0 && /\d/.test(text[from - 1]!) ? /^(?:g|ml|kg)\s+(?=\p{L})/iu.exec(run) : null;
  return unit === null ? run : run.slice(unit[0].length);
}
