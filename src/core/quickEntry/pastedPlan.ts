import Papa from "papaparse";
import { dateOf, type Day, isEntryDay, mustDay, weekStartOf, weekdayFrom } from "../base/calendar/day";
import { weekdayNames } from "../base/calendar/print";
import { counted } from "../base/units/number";
import type { EntryContext } from "../entry/parsedEntry";
import { tokensOf } from "../entry/tokens";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { type Change, put } from "../log/records";
import { plannedText } from "../planning/plannedText";
import { type Proposal, proposal, type ProposedSession } from "../planning/proposal";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { strengthOf } from "../strength/slice";
import { entryContext } from "./entryView";
import { readLine } from "./read";

/** A written plan, and how its weeks are counted. */
export interface PastedPlanAsk {
  text: string;
  /** Forward from the week that holds a day, or back from the one that holds the race, which is the last. */
  count: "from" | "to";
  day: string;
  /** The kind of a session that does not say what it is (`8 km easy`). */
  kind: string;
}

interface Written {
  line: number;
  week: number;
  weekday: number;
  text: string;
}

/** Words of a day without training. */
const restWords = /^(?:rest(?: day)?|off|day off|none|[-–—/.]*)$/i;

/** More text than this is no plan. */
const longest = 60_000;

/**
 * A plan in words or as a table: `W3 Tue 8 km easy`, lines of days under `Week 3`, or a row a week with the weekdays as
 * heads. Each session is read as the quick-entry line would read it, several of a day parted by semicolons.
 */
export function pastedPlan(asOf: AsOf, ask: PastedPlanAsk, newId: () => string): Proposal {
  const notUnderstood: Proposal["notUnderstood"] = [];
  if (ask.text.length > longest)
    return proposal("Nothing", {
      notUnderstood: [
        { line: 1, text: `${ask.text.slice(0, 20)}…`, why: `more than ${longest} characters are no plan` },
      ],
    });
  const written = tableOf(ask.text, notUnderstood) ?? linesOf(ask.text, notUnderstood);
  const weeks = Math.max(0, ...written.map(({ week }) => week));
  const anchor = weekStartOf(mustDay(ask.day), asOf.weekStart);
  const first = ask.count === "from" ? anchor : anchor - 7 * (weeks - 1);
  const change: Change = [];
  const sessions: ProposedSession[] = [];
  for (const one of written) {
    const day = weekdayFrom(first, one.weekday) + 7 * (one.week - 1);
    const said = { line: one.line, text: one.text };
    if (!isEntryDay(day)) {
      notUnderstood.push({ ...said, why: "there is no such day" });
      continue;
    }
    for (const part of one.text.split(/\s*;\s*|\s\+\s/)) {
      if (restWords.test(part.trim())) continue;
      const session = sessionOf(asOf, part, day, ask.kind, newId);
      if (session === null) {
        const why = "it is not understood: write a distance or a time, pieces, or exercises with their sets";
        notUnderstood.push({ line: one.line, text: part, why });
        continue;
      }
      const standing = sessionsOf(asOf)
        .on(day)
        .some((held) => titleOf(held) === titleOf(session));
      const text = plannedText(session, strengthOf(asOf).exercises(), asOf.printer);
      const line = { date: session.date, title: titleOf(session) };
      if (standing) sessions.push({ ...line, what: "stays", text: "is planned already" });
      else if (day < asOf.on) sessions.push({ ...line, what: "stays", text: "the day has passed: nothing is written" });
      else {
        change.push(put("sessions", session));
        sessions.push({ ...line, what: "new", text });
      }
    }
  }
  notUnderstood.sort((a, b) => a.line - b.line);
  return proposal(`A plan of ${counted(weeks, "week")}`, { change, sessions, notUnderstood });
}

/** What is written for a day as a session, titled as it was written; null where it is not understood. */
function sessionOf(asOf: AsOf, text: string, day: Day, kind: string, newId: () => string): Session | null {
  const context: EntryContext = {
    ...entryContext(asOf, day, null, newId),
    today: day,
    sessionsOn: () => [],
  };
  const read = (what: string) => {
    const said = `plan ${what}`;
    const steps = readLine({ text: said, tokens: tokensOf(said), day, context }).change ?? [];
    return steps.flatMap((step) => ("put" in step && step.kind === "sessions" ? [step.put] : []))[0];
  };
  const clean = text.trim().replace(/\s+/g, " ");
  const session = read(clean) ?? read(`${kind} ${clean}`);
  if (session !== undefined) return { ...session, title: clean };
  // Words alone are a session as well: `hill reps`, `strength`, `long run`.
  return /\d/.test(clean)
    ? null
    : {
        id: newId(),
        personId: asOf.personId,
        date: dateOf(day),
        kind: /strength|gym|weights|lift/i.test(clean) ? "strength" : kind,
        status: "planned",
        title: clean,
        planned: {},
      };
}

function weekdayNamed(word: string): number {
  const clean = word.trim().toLowerCase().replace(/[.:]$/, "");
  return clean.length < 2 ? 0 : weekdayNames.findIndex((name) => name.toLowerCase().startsWith(clean)) + 1;
}

/** A table with a row a week and the weekdays as heads; null where the text is none. */
function tableOf(text: string, notUnderstood: Proposal["notUnderstood"]): Written[] | null {
  const delimiter = text.includes("\t") ? "\t" : text.includes(";") ? ";" : ",";
  const { data } = Papa.parse<string[]>(text, { delimiter, skipEmptyLines: true }) as { data: string[][] };
  const heads = (data[0] ?? []).map(weekdayNamed);
  if (heads.filter((weekday) => weekday > 0).length < 3) return null;
  return data.slice(1).flatMap((cells, index) => {
    const at = heads.findIndex((weekday) => weekday === 0);
    const named = at === -1 ? null : /(\d{1,3})/.exec(cells[at] ?? "");
    const week = named === null ? index + 1 : Number(named[1]);
    if (week < 1 || week > 200) {
      notUnderstood.push({ line: index + 2, text: cells[at] ?? "", why: "no week from 1 to 200" });
      return [];
    }
    return cells.flatMap((cell, column): Written[] =>
      heads[column]! > 0 && cell.trim() !== ""
        ? [{ line: index + 2, week, weekday: heads[column]!, text: cell.replaceAll(/\s*\n\s*/g, "; ") }]
        : [],
    );
  });
}

const weekHead = /^(?:w|wk|week)\s*\.?\s*(\d{1,3})\b[\s:.,–-]*/i;

/** Lines of a plan: the week in front or over them, the weekday, and what is done. */
function linesOf(text: string, notUnderstood: Proposal["notUnderstood"]): Written[] {
  let week = 1;
  return text.split(/\r?\n/).flatMap((line, index): Written[] => {
    let rest = line.trim();
    if (rest === "") return [];
    const head = weekHead.exec(rest);
    if (head !== null) {
      week = Number(head[1]);
      rest = rest.slice(head[0].length).trim();
      if (rest === "") return [];
    }
    const day = /^([a-zA-Z]{2,9})\.?\s*[:,–-]?\s+(.+)$|^([a-zA-Z]{2,9})\.?[:,]?$/.exec(rest);
    const weekday = day === null ? 0 : weekdayNamed(day[1] ?? day[3]!);
    if (weekday === 0 || week < 1 || week > 200) {
      notUnderstood.push({
        line: index + 1,
        text: line.trim(),
        why: "no weekday stands in front, such as Tue 8 km easy",
      });
      return [];
    }
    return day![2] === undefined ? [] : [{ line: index + 1, week, weekday, text: day![2] }];
  });
}
