import { dateOf, entryDayOf, mustDay } from "../base/calendar/day";
import { counted, printNumber } from "../base/units/number";
import type { AsOf } from "../log/asOf";
import type { Routine } from "../log/kinds/routines";
import type { Item, Session } from "../log/kinds/sessions";
import { type Change, put } from "../log/records";
import { effectiveStatus } from "../sessions/adherence";
import { untickedParts } from "../sessions/parts";
import { hasPlan } from "../sessions/planned";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { strengthOf } from "../strength/slice";
import { isOpen } from "./cycleSessions";
import { movedTo } from "./movedTo";
import { plannedEffort } from "./plannedLoad";
import { expected, withIds } from "./plannedOn";
import { plannedText } from "./plannedText";
import { type Proposal, proposal, type ProposedSession } from "./proposal";
import { restChanged, restDaysIn } from "./rest";
import { planningOf } from "./slice";
import { plannedSum } from "./sums";

/** An exercise of a session without a day. */
export type PlannedItem = NonNullable<Routine["items"]>[number];

/** Why a session is not moved; null where it can be. What is done stays where it was done. */
function staysBecause(session: Session): string | null {
  if (!isOpen(session)) return session.status === "planned" ? "begun" : session.status;
  if (session.test === true) return "a meet or a day of testing keeps its day";
  return session.booked === true ? "booked: it keeps its day" : null;
}

/** Why nothing can be planned on a day; null where it can. */
function notOn(asOf: AsOf, date: string): string | null {
  const day = entryDayOf(date);
  if (day === null) return "there is no such day";
  return day < asOf.on ? "nothing is planned into the past" : null;
}

/** Everything planned from a day on, so many days later (earlier, when negative), after an illness say. */
export interface ShiftAsk {
  from: string;
  days: number;
  /** Whether phases, blocks and cycles that begin on that day or later move as well. */
  withBars: boolean;
}

/**
 * Moves what is planned from a day on by some days. A booked class, a meet, and whatever is begun or done keep their day;
 * so does all from which the days of the calendar would run out.
 */
export function shifted(asOf: AsOf, { from, days, withBars }: ShiftAsk, newId: () => string): Proposal {
  const change: Change = [];
  const sessions: ProposedSession[] = [];
  for (const session of sessionsOf(asOf).between(mustDay(from), Infinity)) {
    const date = dateOf(mustDay(session.date) + days);
    const why = staysBecause(session) ?? notOn(asOf, date);
    const said = { date: session.date, title: titleOf(session) };
    if (why !== null) sessions.push({ ...said, what: "stays", text: why });
    else {
      change.push(put("sessions", movedTo(session, date), session));
      sessions.push({ ...said, date, what: "moved", text: `from ${session.date}` });
    }
  }
  const rests = restDaysIn(asOf, mustDay(from), Infinity);
  const later = rests.map((day) => day + days).filter((day) => notOn(asOf, dateOf(day)) === null);
  if (later.length === rests.length) change.push(...restChanged(asOf, { off: rests, on: later }, newId));
  if (withBars) change.push(...barsMoved(asOf, from, days));
  return proposal(
    `What is planned from ${from} on, ${counted(Math.abs(days), "day")} ${days < 0 ? "earlier" : "later"}`,
    {
      change,
      sessions,
    },
  );
}

function barsMoved(asOf: AsOf, from: string, days: number): Change {
  const planning = planningOf(asOf);
  const later = (date: string) => dateOf(mustDay(date) + days);
  // What would run out of the calendar stays.
  const moves = ({ startDate }: { startDate: string }) => startDate >= from && entryDayOf(later(startDate)) !== null;
  return [
    ...planning
      .phases()
      .filter(moves)
      .map((one) => put("phases", { ...one, startDate: later(one.startDate) }, one)),
    ...planning
      .blocks()
      .filter(moves)
      .map((one) => put("blocks", { ...one, startDate: later(one.startDate) }, one)),
    ...planning
      .cycles()
      .filter(moves)
      .map((one) => put("cycles", { ...one, startDate: later(one.startDate) }, one)),
  ];
}

/** What is planned on two days, each on the other. */
export function swapped(asOf: AsOf, { a, b }: { a: string; b: string }, newId: () => string): Proposal {
  const change: Change = [];
  const sessions: ProposedSession[] = [];
  for (const [here, there] of [
    [a, b],
    [b, a],
  ] as const)
    for (const session of sessionsOf(asOf).on(mustDay(here))) {
      const why = staysBecause(session) ?? notOn(asOf, there);
      if (why !== null) sessions.push({ date: here, title: titleOf(session), what: "stays", text: why });
      else {
        change.push(put("sessions", movedTo(session, there), session));
        sessions.push({ date: there, title: titleOf(session), what: "moved", text: `from ${here}` });
      }
    }
  const [one, other] = [mustDay(a), mustDay(b)];
  const rests = [one, other].filter(
    (day) => restDaysIn(asOf, day, day).length > 0 && notOn(asOf, dateOf(one + other - day)) === null,
  );
  change.push(...restChanged(asOf, { off: rests, on: rests.map((day) => one + other - day) }, newId));
  return proposal(`${a} and ${b} swapped`, { change, sessions });
}

/** What is planned on some days, taken out; what is done, begun or booked stays. */
export function cleared(asOf: AsOf, { from, to }: { from: string; to: string }, newId: () => string): Proposal {
  const change: Change = [];
  const sessions: ProposedSession[] = [];
  for (const session of sessionsOf(asOf).between(mustDay(from), mustDay(to))) {
    const why = staysBecause(session);
    const said = { date: session.date, title: titleOf(session) };
    if (why === null) change.push({ remove: { kind: "sessions", id: session.id, date: session.date } });
    sessions.push(why === null ? { ...said, what: "removed", text: "" } : { ...said, what: "stays", text: why });
  }
  change.push(...restChanged(asOf, { off: restDaysIn(asOf, mustDay(from), mustDay(to)), on: [] }, newId));
  return proposal(`${from} to ${to} cleared`, { change, sessions });
}

/** A session as it is planned, on other days: what was done of it, and where it came from, is not copied. */
export function copyOf(session: Session, date: string, newId: () => string): Session {
  const {
    id: _id,
    revision: _revision,
    changed: _changed,
    past: _past,
    reason: _reason,
    cycleId: _cycle,
    week: _week,
    weekday: _weekday,
    movedFrom: _movedFrom,
    first: _first,
    moves: _moves,
    booked: _booked,
    source: _source,
    standardWeekId: _standardWeek,
    photoIds: _photos,
    feel: _feel,
    kcal: _kcal,
    note: _note,
    repeats: _repeats,
    minutes: _minutes,
    effort: _effort,
    distance,
    items,
    steps,
    ...kept
  } = session;
  const { minutes, effort } = plannedOrDone(session);
  const covered = distance?.planned ?? distance?.done;
  return {
    ...kept,
    id: newId(),
    date,
    status: "planned",
    ...expected({ minutes, effort }),
    ...(steps == null ? {} : { steps: untickedParts(steps) }),
    ...(distance == null
      ? {}
      : { distance: { ...without(distance, "done"), ...(covered == null ? {} : { planned: covered }) } }),
    ...(items == null ? {} : { items: plannedItems(items).map((item) => withIds(item, newId)) }),
  };
}

/** The minutes and effort that were planned of a session, else those that it took. */
export function plannedOrDone(session: Session): { minutes: number | null; effort: number | null } {
  const plan = plannedEffort(session);
  return { minutes: plan.minutes ?? session.minutes ?? null, effort: plan.effort ?? session.effort ?? null };
}

function without<T extends object, K extends keyof T>(value: T, key: K): Omit<T, K> {
  const { [key]: _, ...rest } = value;
  return rest;
}

/**
 * The exercises of a session as a plan: what was planned of each set, else what was done of it. Exercises that were left
 * out are planned again.
 */
export function plannedItems(items: readonly Item[]): PlannedItem[] {
  return items.map(({ id: _, skipped: _skipped, insteadOf: _insteadOf, sets, ...item }) => ({
    ...item,
    exerciseId: item.exerciseId as string,
    sets: sets.map(({ id: _id, done, planned, ...set }) => {
      if (planned != null && hasPlan({ planned })) return { ...set, planned };
      const { reps, kg, seconds, metres } = done ?? {};
      return {
        ...set,
        planned: {
          ...(reps == null ? {} : { reps }),
          ...(kg == null ? {} : { kg }),
          ...(seconds == null ? {} : { seconds }),
          ...(metres == null ? {} : { metres }),
        },
      };
    }),
  }));
}

/** A session repeated: on a day, and every so many days after it, so often in all. */
export interface RepeatAsk {
  date: string;
  sessionId: string;
  on: string;
  everyDays: number;
  times: number;
}

export function repeated(
  asOf: AsOf,
  { date, sessionId, on, everyDays, times }: RepeatAsk,
  newId: () => string,
): Proposal {
  const session = sessionsOf(asOf).find(mustDay(date), sessionId);
  if (session === null) return proposal("Nothing", {});
  const dates = Array.from({ length: times }, (_, index) => dateOf(mustDay(on) + index * everyDays));
  const copies = dates.filter((day) => notOn(asOf, day) === null).map((day) => copyOf(session, day, newId));
  const refused = dates.filter((day) => entryDayOf(day) !== null && notOn(asOf, day) !== null);
  return proposal(`${titleOf(session)} planned ${counted(copies.length, "time")}`, {
    change: copies.map((copy) => put("sessions", copy)),
    sessions: [
      ...refused.map((day): ProposedSession => ({
        date: day,
        title: titleOf(session),
        what: "stays",
        text: "nothing is planned into the past",
      })),
      ...copies.map((copy): ProposedSession => ({
        date: copy.date,
        title: titleOf(copy),
        what: "new",
        text: plannedText(copy, strengthOf(asOf).exercises(), asOf.printer),
      })),
    ],
  });
}

/** How a taper is counted back from an event. */
export interface TaperAsk {
  event: string;
  /** Its days before the event: one or two weeks. */
  days: number;
  /** The share of the volume that is taken away. */
  share: number;
}

/**
 * What is planned in the days before an event with less volume and the same intensity and number of sessions: of each
 * exercise fewer sets, of a distance or time the share that remains. Source: L. Bosquet, J. Montpetit, D. Arvisais, I. Mujika,
 * "Effects of tapering on performance: a meta-analysis", Med Sci Sports Exerc 39 (2007) 1358–1365: 41 to 60 % less volume
 * over two weeks, intensity and frequency kept, shows the largest gain (from memory).
 */
export function tapered(asOf: AsOf, { event, days, share }: TaperAsk): Proposal {
  const last = mustDay(event) - 1;
  const all = sessionsOf(asOf).between(last - days + 1, last);
  const open = all.filter((session) => staysBecause(session) === null && mustDay(session.date) >= asOf.on);
  const next = open.map((session) => lessOf(session, 1 - share));
  const sessions = all.map((session): ProposedSession => {
    const at = open.indexOf(session);
    const said = { date: session.date, title: titleOf(session) };
    return at === -1
      ? { ...said, what: "stays", text: staysBecause(session) ?? effectiveStatus(session, asOf.on) }
      : { ...said, what: "changed", text: plannedText(next[at]!, strengthOf(asOf).exercises(), asOf.printer) };
  });
  return proposal(`Taper to ${event}, ${printNumber(share * 100, 0)} % less`, {
    change: next.map((session, index) => put("sessions", session, open[index]!)),
    sessions,
    sums: [
      { label: "as planned", ...plannedSum(asOf, open) },
      { label: "tapered", ...plannedSum(asOf, next) },
    ],
  });
}

/** A planned session with a share of its volume: the first sets of each exercise, the heaviest kept. */
function lessOf(session: Session, share: number): Session {
  const planned = session.distance?.planned;
  const part = (value: number, step: number) => Math.max(step, Math.round((value * share) / step) * step);
  return {
    ...session,
    ...(session.planned?.minutes == null
      ? {}
      : { planned: { ...session.planned, minutes: part(session.planned.minutes, 1) } }),
    ...(planned == null
      ? {}
      : {
          distance: {
            ...session.distance,
            planned: {
              ...planned,
              ...(planned.metres == null ? {} : { metres: part(planned.metres, 100) }),
              ...(planned.seconds == null ? {} : { seconds: part(planned.seconds, 60) }),
            },
          },
        }),
    ...(session.items == null
      ? {}
      : {
          items: session.items.map((item) => {
            const working = item.sets.filter(({ warmUp }) => !warmUp);
            const kept = new Set(heaviest(working, Math.max(1, Math.round(working.length * share))));
            return { ...item, sets: item.sets.filter((set) => set.warmUp || kept.has(set)) };
          }),
        }),
  };
}

/** So many of some sets, the heaviest, in their order; of equal ones the first. */
function heaviest(sets: readonly Item["sets"][number][], count: number): Item["sets"][number][] {
  const weightOfSet = ({ planned }: Item["sets"][number]) => planned?.kg ?? planned?.percent ?? planned?.rpe ?? 0;
  return [...sets]
    .map((set, index) => ({ set, index }))
    .sort((a, b) => weightOfSet(b.set) - weightOfSet(a.set) || a.index - b.index)
    .slice(0, count)
    .sort((a, b) => a.index - b.index)
    .map(({ set }) => set);
}
