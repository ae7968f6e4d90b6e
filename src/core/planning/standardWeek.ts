import { dateOf, type Day, mustDay, weekdayFrom, weekdayOf, weekStartOf } from "../base/calendar/day";
import { counted } from "../base/units/number";
import type { AsOf } from "../log/asOf";
import type { Exercise } from "../log/kinds/exercises";
import type { Routine } from "../log/kinds/routines";
import type { Session } from "../log/kinds/sessions";
import type { StandardWeek } from "../log/kinds/standardWeeks";
import { type Change, put } from "../log/records";
import { firstDateOf } from "../sessions/firstPlan";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { liftingOf } from "../strength/lifting";
import { nearestStep } from "../strength/loading";
import { strengthOf } from "../strength/slice";
import { type CellStep, stepped } from "./cycleEdit";
import { plansOtherwise } from "./follow";
import { isLeftOut, isOfOtherForm, knownWeek, laidOver, placeOfPlan } from "./layAgain";
import { plannedOrDone } from "./moves";
import { plannedText } from "./plannedText";
import { type Proposal, proposal, type ProposedSession } from "./proposal";
import { type DaylessSession, plannedOn } from "./plannedOn";
import { followersOf, routineOf, standardWeeksOf } from "./routines";
import { plannedSum, usualWeek } from "./sums";
import { restChanged } from "./rest";

/** How a standard week grows from one week to the next, and which weeks are easy. */
export interface WeekRule extends CellStep {
  /** Every so many weeks one is easy: the fourth, the eighth; null for none. */
  easyEvery: number | null;
  /** Every so many weeks its hard variant stands; null for none. */
  hardEvery: number | null;
  /** Of an easy week: the share of the sets, and of the loads, that remains. */
  easySets: number;
  easyLoad: number;
}

export interface ApplyAsk {
  standardWeekId: string;
  /** A day of the first week. */
  from: string;
  weeks: number;
  rule: WeekRule;
}

type WeekSession = NonNullable<NonNullable<StandardWeek["days"]>[number]["sessions"]>[number];
type Items = NonNullable<DaylessSession["items"]>;

/**
 * A standard week laid over some weeks. Each week grows by the rule over the ordinary one before it; an easy week is its
 * easy variant, without one a share of the sets and loads of the ordinary week before; a hard week is its hard variant.
 * What is there stays; a session of the same name on the same day is not planned twice, and days that have passed get none.
 * A day of rest is planned as one where nothing else stands.
 */
export function standardWeekApplied(
  asOf: AsOf,
  { standardWeekId, from, weeks, rule }: ApplyAsk,
  newId: () => string,
): Proposal {
  const week = standardWeeksOf(asOf).find(({ id }) => id === standardWeekId);
  if (week === undefined) return proposal("Nothing", {});
  const first = weekStartOf(mustDay(from), asOf.weekStart);
  const change: Change = [];
  const sessions: ProposedSession[] = [];
  const sums: Proposal["sums"] = [{ label: "four weeks as trained, a week", ...usualWeek(asOf) }];
  for (let index = 0; index < weeks; index++) {
    const start = first + 7 * index;
    const { grown, easy } = stepOf(index, rule);
    const hard = !easy && rule.hardEvery !== null && (index + 1) % rule.hardEvery === 0;
    const own = easy ? variantOf(asOf, week, "easy") : hard ? variantOf(asOf, week, "hard") : null;
    const written = newSessions(
      asOf,
      own ?? week,
      start,
      (items) => grownItems(asOf, items, rule, grown, easy && own === null),
      newId,
    );
    const laid = laidOver(asOf, { laid: own ?? week, written, family: familyOf(asOf, week), start });
    change.push(...laid.change);
    sessions.push(...laid.lines);
    for (const day of restDays(own ?? week, start)) {
      const date = dateOf(day);
      if (day < asOf.on || laid.standing.some((one) => one.date === date)) continue;
      const rest = restChanged(asOf, { off: [], on: [day] }, newId);
      change.push(...rest);
      if (rest.length > 0) sessions.push({ date, title: "Rest", what: "new", text: "a day of rest" });
    }
    const all = laid.standing.filter(({ status }) => status !== "skipped");
    const sort = easy ? ", easy" : own === null ? "" : ", hard";
    sums.push({ label: `week from ${dateOf(start)}${sort}`, ...plannedSum(asOf, all) });
  }
  return proposal(`${week.name} over ${counted(weeks, "week")}`, { change, sessions, sums });
}

/** How far a week has grown, in steps of the ordinary weeks before it, and whether it is easy. */
function stepOf(index: number, { easyEvery }: WeekRule): { grown: number; easy: boolean } {
  if (easyEvery === null) return { grown: index, easy: false };
  const easy = (index + 1) % easyEvery === 0;
  const easyBefore = Math.floor(index / easyEvery);
  return { grown: index - easyBefore - (easy ? 1 : 0), easy };
}

/** The week that stands for a standard week in its easy or its hard weeks; null without one. */
function variantOf(asOf: AsOf, week: StandardWeek, variant: "easy" | "hard"): StandardWeek | null {
  return standardWeeksOf(asOf).find((one) => one.variantOf === week.id && one.variant === variant) ?? null;
}

/** The ids of a standard week, of what it stands for, and of their other variants. */
function familyOf(asOf: AsOf, week: StandardWeek): ReadonlySet<string> {
  const base = week.variantOf ?? week.id;
  return new Set([
    base,
    ...standardWeeksOf(asOf)
      .filter(({ variantOf }) => variantOf === base)
      .map(({ id }) => id),
  ]);
}

/** The days of rest of a standard week that begins on a day. */
function restDays(week: StandardWeek, start: Day): Day[] {
  return (week.days ?? [])
    .filter(({ rest, sessions }) => rest === true && (sessions ?? []).length === 0)
    .map(({ weekday }) => weekdayFrom(start, weekday));
}

/**
 * What the planned weeks come to that were made of a standard week which has been changed since: a session that it holds
 * now is planned where it is missing, one that it holds no more is taken out. What is done or begun stays, and so do loads
 * that have grown.
 */
export function standardWeekFollowed(
  asOf: AsOf,
  { standardWeekId }: { standardWeekId: string },
  newId: () => string,
): Proposal {
  const week = standardWeeksOf(asOf).find(({ id }) => id === standardWeekId);
  if (week === undefined) return proposal("Nothing", {});
  const exercises = strengthOf(asOf).exercises();
  const change: Change = [];
  const sessions: ProposedSession[] = [];
  const tell = (session: Session, what: ProposedSession["what"], text: string) => {
    sessions.push({ date: session.date, title: titleOf(session), what, text });
  };
  const open = followersOf(asOf, week.id);
  const family = familyOf(asOf, week);
  for (const start of new Set(open.map((session) => weekStartOf(mustDay(firstDateOf(session)), asOf.weekStart)))) {
    const asked = newSessions(asOf, week, start, (items) => items, newId);
    const { standing, away } = knownWeek(asOf, start);
    const names = new Map(asked.map((session) => [placeOfPlan(session), session]));
    const there = new Set([...standing, ...away].map(placeOfPlan));
    for (const session of [...standing, ...away].filter((one) => open.includes(one))) {
      const now = names.get(placeOfPlan(session));
      if (now === undefined) {
        change.push({ remove: { kind: "sessions", id: session.id, date: session.date } });
        tell(session, "removed", "");
      } else if (now.time !== session.time && isHourAsLaid(session)) {
        const { time: _time, ...kept } = session;
        const next = { ...kept, ...(now.time == null ? {} : { time: now.time }) };
        change.push(put("sessions", next, session));
        tell(session, "changed", now.time == null ? "no hour" : `at ${now.time}`);
      } else tell(session, "stays", session.date === now.date ? "as it is planned" : `moved from ${now.date}`);
    }
    for (const session of asked) {
      const isOfVariant = standing.some((one) => firstDateOf(one) === session.date && isOfOtherForm(one, week, family));
      if (mustDay(session.date) < asOf.on || there.has(placeOfPlan(session)) || isOfVariant) continue;
      if (isLeftOut(week, session)) {
        tell(session, "stays", "taken out by hand; it stays out");
        continue;
      }
      change.push(put("sessions", session));
      tell(session, "new", plannedText(session, exercises, asOf.printer));
    }
  }
  return proposal(`Planned weeks follow ${week.name}`, { change, sessions });
}

/** Whether nobody has changed the hour of a laid session by hand. */
function isHourAsLaid({ first, time }: Session): boolean {
  return first == null || (first.time ?? null) === (time ?? null);
}

function newSessions(
  asOf: AsOf,
  week: StandardWeek,
  start: Day,
  grow: (items: Items) => Items,
  newId: () => string,
): Session[] {
  return (week.days ?? []).flatMap(({ weekday, sessions }) => {
    const date = dateOf(weekdayFrom(start, weekday));
    return (sessions ?? []).map((one): Session => {
      const routine = one.routineId == null ? undefined : asOf.index.all("routines").get(one.routineId);
      const made = madeOf(one, routine);
      return {
        id: newId(),
        personId: week.personId,
        date,
        status: "planned",
        ...plannedOn({ ...made, ...(made.items == null ? {} : { items: grow(made.items) }) }, undefined, newId),
        ...(one.time == null ? {} : { time: one.time }),
        ...(one.optional ? { optional: true } : {}),
        ...(one.routineId == null ? {} : { routineId: one.routineId }),
        standardWeekId: week.id,
      };
    });
  });
}

/** What a session of a standard week is made of: its routine, with what it says itself before that. */
function madeOf(one: WeekSession, routine: Routine | undefined): DaylessSession {
  return {
    ...(routine ?? {}),
    title: one.title ?? routine?.name ?? null,
    kind: one.kind ?? routine?.kind ?? null,
    minutes: one.minutes ?? routine?.minutes ?? null,
    effort: one.effort ?? routine?.effort ?? null,
    items: one.items ?? routine?.items ?? null,
    distance: one.distance ?? routine?.distance ?? null,
  };
}

/** Exercises some steps on; in an easy week the first sets of each, lighter, to what can be loaded. */
function grownItems(asOf: AsOf, items: Items, rule: WeekRule, steps: number, easy: boolean): Items {
  return items.map((item) => {
    const exercise = strengthOf(asOf).exercises().get(item.exerciseId);
    const working = item.sets.filter(({ warmUp }) => !warmUp);
    const left = easy ? new Set(working.slice(0, Math.max(1, Math.round(working.length * rule.easySets)))) : null;
    return {
      ...item,
      sets: item.sets
        .filter((set) => left === null || set.warmUp || left.has(set))
        .map((set) =>
          set.warmUp || set.planned == null
            ? set
            : { ...set, planned: grownSet(asOf, exercise, set.planned, rule, steps, easy) },
        ),
    };
  });
}

type Planned = NonNullable<Items[number]["sets"][number]["planned"]>;

function grownSet(
  asOf: AsOf,
  exercise: Exercise | undefined,
  planned: Planned,
  rule: WeekRule,
  steps: number,
  easy: boolean,
): Planned {
  const grown = stepped(planned, rule, steps);
  if (!easy) return grown;
  const load = grown.kg == null ? null : grown.kg * rule.easyLoad;
  return {
    ...grown,
    ...(grown.percent == null ? {} : { percent: Math.round(grown.percent * rule.easyLoad * 1e6) / 1e6 }),
    ...(load === null ? {} : { kg: exercise === undefined ? load : nearestStep(load, liftingOf(asOf).step(exercise)) }),
  };
}

/**
 * A week of the log kept as a standard week: its sessions by weekday, as they were planned or else done; those made of a
 * routine go on following it.
 */
export function standardWeekOf(asOf: AsOf, from: string, name: string, newId: () => string): StandardWeek {
  const start = weekStartOf(mustDay(from), asOf.weekStart);
  const days = Array.from({ length: 7 }, (_, index) => start + index).map((day) => ({
    weekday: weekdayOf(day),
    sessions: sessionsOf(asOf)
      .on(day)
      .map((session): WeekSession => {
        const { optional, time, routineId } = session;
        const own = {
          ...(time == null ? {} : { time }),
          ...(optional ? { optional } : {}),
        };
        const routine = routineId == null ? undefined : asOf.index.all("routines").get(routineId);
        // What still is as its routine goes on following it; what was changed for the week is kept as it is.
        if (routine !== undefined && (isBare(session) || !plansOtherwise(routine, asRoutine(session, routine))))
          return { routineId, ...own };
        const { minutes, effort } = plannedOrDone(session);
        const { kind, name: title, items, distance } = routineOf(session, () => "");
        return {
          ...(routine === undefined ? {} : { routineId }),
          ...(kind == null ? {} : { kind }),
          title,
          ...own,
          ...(minutes === null ? {} : { minutes }),
          ...(effort === null ? {} : { effort }),
          ...(items == null ? {} : { items }),
          ...(distance == null ? {} : { distance }),
        };
      }),
  }));
  return {
    id: newId(),
    personId: asOf.personId,
    name,
    days: days.map(({ weekday, sessions }) =>
      sessions.length === 0 ? { weekday, rest: true } : { weekday, sessions },
    ),
  };
}

/** Whether a session says nothing itself of what is to be done. */
const isBare = ({ items, planned, distance, steps }: Session): boolean =>
  items == null && planned == null && distance == null && steps == null;

/** A session as the routine that it would be, named and led as the one it was made of. */
function asRoutine(session: Session, { name, instructor, links }: Routine): Routine {
  const { instructor: _instructor, links: _links, ...made } = routineOf(session, () => "");
  return {
    ...made,
    name,
    ...(instructor == null ? {} : { instructor }),
    ...(links == null ? {} : { links }),
  };
}
