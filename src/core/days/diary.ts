import { type Day, dateOf, mustDay } from "../base/calendar/day";
import { counted, printNumber, printPlain } from "../base/units/number";
import { measuresOf } from "../body/measuresSlice";
import { weightOf } from "../body/slice";
import type { AsOf } from "../log/asOf";
import { notesOf } from "../log/notes";
import { foodDay } from "../nutrition/foodDay";
import { mealGroups } from "../nutrition/mealGroups";
import { sessionsOf } from "../sessions/slice";
import { sessionCard } from "../training/sessionCard";

/** What of a diary can be handed out; each is left out unless it is named. */
export const diaryParts = ["weight", "food", "sessions", "measures", "notes", "name"] as const;
export type DiaryPart = (typeof diaryParts)[number];

export interface DiaryAsk {
  from: string;
  to: string;
  parts: readonly DiaryPart[];
}

/** A day of a diary: of what is left out, nothing. */
export interface DiaryDay {
  date: string;
  kg: number | null;
  trendKg: number | null;
  food: { kcal: number; protein: number; fat: number; carbohydrate: number; fibre: number; isWhole: boolean } | null;
  meals: { meal: string; text: string }[];
  sessions: string[];
  measures: string[];
  note: string;
}

export interface Diary {
  /** Whose it is; empty where the name is left out. */
  name: string;
  from: string;
  to: string;
  parts: readonly DiaryPart[];
  /** Days of which something is written, oldest first. */
  days: DiaryDay[];
}

/** A range of the diary to be handed out, up to the day asked about. */
export function diary(asOf: AsOf, { from, to, parts }: DiaryAsk): Diary {
  const has = new Set(parts);
  const last = Math.min(mustDay(to), asOf.on);
  const measures = has.has("measures") ? measuresByDay(asOf) : new Map<Day, string[]>();
  const days: DiaryDay[] = [];
  for (let day = mustDay(from); day <= last; day++) {
    const one: DiaryDay = {
      date: dateOf(day),
      kg: has.has("weight") ? (weightOf(asOf).primaryOn(day)?.kg ?? null) : null,
      trendKg: has.has("weight") ? weightOf(asOf).levelOn(day) : null,
      ...(has.has("food") ? foodOn(asOf, day) : { food: null, meals: [] }),
      sessions: has.has("sessions")
        ? sessionsOf(asOf)
            .on(day)
            .map((session) => sessionText(asOf, session))
        : [],
      measures: measures.get(day) ?? [],
      note: has.has("notes") ? (notesOf(asOf).noteOn(day)?.text ?? "") : "",
    };
    const { kg, food, sessions, measures: measured, note } = one;
    if (kg !== null || food !== null || note !== "" || sessions.length + measured.length > 0) days.push(one);
  }
  return { name: has.has("name") ? asOf.person.name : "", from, to, parts, days };
}

function foodOn(asOf: AsOf, day: Day): Pick<DiaryDay, "food" | "meals"> {
  const { eaten, complete } = foodDay(asOf, day);
  const groups = mealGroups(asOf, day)
    .map(({ name, lines }) => ({ name, lines: lines.filter(({ meal }) => meal.status !== "planned") }))
    .filter(({ lines }) => lines.length > 0);
  if (groups.length === 0) return { food: null, meals: [] };
  const { kcal, protein, fat, carbohydrate, fibre } = eaten;
  return {
    food: { kcal, protein, fat, carbohydrate, fibre, isWhole: complete },
    meals: groups.map(({ name, lines }) => ({
      meal: name,
      text: lines
        .map(({ name: food, grams, portions }) =>
          grams !== null
            ? `${printNumber(grams, 0)} g ${food}`
            : portions === null
              ? food
              : `${printPlain(portions, 2)} × ${food}`,
        )
        .join(", "),
    })),
  };
}

function sessionText(asOf: AsOf, session: Parameters<typeof sessionCard>[1]): string {
  const { title, status, items, done } = sessionCard(asOf, session);
  const p = asOf.printer;
  const said = [
    ...items.filter(({ done: sets }) => sets !== "").map(({ name, done: sets }) => `${name} ${sets}`),
    ...(done?.metres == null ? [] : [p.distance(done.metres)]),
    ...(session.minutes == null ? [] : [`${printNumber(session.minutes, 0)} min`]),
    ...(session.effort == null ? [] : [`effort ${printPlain(session.effort, 1)}`]),
    ...(session.note ? [session.note] : []),
  ];
  return `${title}${status === "done" ? "" : ` (${status})`}${said.length === 0 ? "" : `: ${said.join("; ")}`}`;
}

function measuresByDay(asOf: AsOf): Map<Day, string[]> {
  const byDay = new Map<Day, string[]>();
  for (const { id, name, unit } of measuresOf(asOf).all().values())
    for (const { date, value } of measuresOf(asOf).readings(id)) {
      const day = mustDay(date);
      byDay.set(day, [...(byDay.get(day) ?? []), `${name} ${printPlain(value, 2)} ${unit}`.trim()]);
    }
  return byDay;
}

/** How much of it there is, in words. */
export function diaryText({ days }: Diary): string {
  return days.length === 0 ? "Nothing is written in these days." : counted(days.length, "day");
}
