import { mustDay, type Weekday, weekStartOf } from "../base/calendar/day";
import { localDate } from "../base/calendar/localDate";
import type { Item, Session } from "../log/kinds/sessions";
import { diff } from "../log/patch";
import type { Change } from "../log/records";
import { canMove } from "./planned";

/** A session as it was first planned. */
export type FirstPlan = NonNullable<Session["first"]>;

/**
 * What is planned of a session, without what was done of it: its day, the week of its cycle, its hour, minutes, effort,
 * distance, and the sets of each exercise.
 */
export function planOf({ date, week, time, planned, distance, items }: Session): FirstPlan {
  const { minutes, effort } = planned ?? {};
  const { metres, seconds } = distance?.planned ?? {};
  return {
    date,
    ...(week == null ? {} : { week }),
    ...(time == null ? {} : { time }),
    planned: {
      ...(minutes == null ? {} : { minutes }),
      ...(effort == null ? {} : { effort }),
      ...(metres == null ? {} : { metres }),
      ...(seconds == null ? {} : { seconds }),
      ...(items == null ? {} : { items: items.map(askedOf) }),
    },
  };
}

type Asked = NonNullable<FirstPlan["planned"]["items"]>[number];

/** What was asked for of an exercise, whatever is done in its place. */
export function askedOf({ exerciseId, sets, insteadOf }: Item): Asked {
  if (insteadOf != null) return { exerciseId: insteadOf.exerciseId, sets: insteadOf.sets };
  return {
    exerciseId,
    sets: sets.flatMap(({ warmUp, planned }) =>
      planned == null ? [] : [{ ...(warmUp ? { warmUp } : {}), planned: { ...planned } }],
    ),
  };
}

/**
 * The exercises of a session as they were asked for: what was swapped on the day is asked for of the first exercise, in
 * one line with those of its sets that were done.
 */
export function askedItems(items: readonly Item[]): Pick<Item, "exerciseId" | "sets">[] {
  const asked: Pick<Item, "exerciseId" | "sets">[] = [];
  for (const { exerciseId, sets, insteadOf } of items) {
    if (insteadOf == null) asked.push({ exerciseId, sets });
    else {
      const own = insteadOf.sets.map((set) => ({ ...set, id: "" }));
      const last = asked.at(-1);
      if (last?.exerciseId === insteadOf.exerciseId)
        asked[asked.length - 1] = { ...last, sets: [...last.sets, ...own] };
      else asked.push({ exerciseId: insteadOf.exerciseId, sets: own });
    }
  }
  return asked;
}

/** The day on which a session was first planned. */
export function firstDateOf({ date, first, movedFrom }: Pick<Session, "date" | "first" | "movedFrom">): string {
  return first?.date ?? movedFrom ?? date;
}

/**
 * A change as it is written on a day: each planned session that it moves or plans otherwise goes on knowing how it was
 * first planned, and which days it has left.
 */
export function remembering(change: Change, today: string): Change {
  return change.map((step) =>
    "put" in step && step.kind === "sessions" && step.base !== undefined && step.merged !== true
      ? { ...step, put: remembered(step.base, step.put, today) }
      : step,
  );
}

function remembered(before: Session, after: Session, today: string): Session {
  if (!canMove(before)) return after;
  const plan = planOf(before);
  if (diff(plan, planOf(after)).length === 0) return after;
  const moves = before.date === after.date ? after.moves : movesOf(before, after, today);
  return { ...after, first: after.first ?? plan, ...(moves == null ? {} : { moves }) };
}

/**
 * The days that a session has left, with a move of today. What is moved about in one sitting was moved once, and what
 * was planned today is still being planned.
 */
function movesOf(before: Session, after: Session, today: string): NonNullable<Session["moves"]> {
  const moves = after.moves ?? [];
  const writtenFirst = before.past?.first ?? before.changed ?? "";
  if (moves.at(-1)?.on === today || isOnDay(writtenFirst, today)) return [...moves];
  return [...moves, { from: before.date, on: today }];
}

/** Whether a stamp was made on a day, as the day runs where the trainee is. */
function isOnDay(stamp: string, date: string): boolean {
  return stamp !== "" && localDate(new Date(stamp.slice(0, 24))) === date;
}

/**
 * The days, one a week, that a session left although their week had begun, and on which it no longer counts: it now
 * stands in another week. A log from before these moves were noted tells only the first day, and that counts.
 */
export function leftDays(session: Session, weekStart: Weekday): string[] {
  const weekOf = (date: string) => weekStartOf(mustDay(date), weekStart);
  const left =
    session.moves == null
      ? [firstDateOf(session)]
      : session.moves.filter(({ from, on }) => mustDay(on) >= weekOf(from)).map(({ from }) => from);
  const weeks = new Map(left.map((date) => [weekOf(date), date] as const));
  weeks.delete(weekOf(session.date));
  return [...weeks.values()];
}
