import { dateOf, type Day, mustDay, weekStartOf } from "../base/calendar/day";
import { sessionLoad } from "../endurance/distance";
import { goalsOf } from "../goals/slice";
import { aimOf, planLine } from "../goals/plan";
import type { AsOf } from "../log/asOf";
import type { Block } from "../log/kinds/blocks";
import type { Phase } from "../log/kinds/phases";
import type { Session } from "../log/kinds/sessions";
import { notesOf } from "../log/notes";
import { effectiveStatus, wasPerformed } from "../sessions/adherence";
import { sessionMinutes } from "../sessions/minutes";
import { sessionsOf } from "../sessions/slice";
import { canMove } from "../sessions/planned";
import { titleOf } from "../sessions/title";
import { liftWorkOf, type Work } from "../strength/workSlice";
import { blockCourse, type BlockCourse } from "./blocks";
import { phaseStanding, type PhaseStanding } from "./phase";
import { plannedEffort } from "./plannedLoad";
import { planningOf } from "./slice";

/** What the weeks are asked for: from the week of a day on, so many. */
export interface WeeksAsk {
  from: string;
  weeks: number;
}

/** A session on a day of the plan. */
export interface SessionOfWeek {
  id: string;
  kind: string;
  status: Session["status"];
  title: string;
  /** Whether it can be moved: nothing of it is done. */
  open: boolean;
}

export interface DayOfWeek {
  date: string;
  sessions: SessionOfWeek[];
  /** Goals whose day it is, and meets or days of testing, in words. */
  marks: string[];
  /** Sessions that were first planned on this day and now stand on another. */
  movedAway: { title: string; to: string }[];
  /** Rest is planned for it, and nothing else stands on it. */
  rest: boolean;
}

/** Work of a week: what was done of it, and what is planned for it in all. */
export interface WeekWork {
  minutes: number;
  /** Σ effort × minutes. */
  sessionLoad: number;
  numberOfLifts: number;
  volumeLoadKg: number;
}

export interface WeekOfPlan {
  start: string;
  days: DayOfWeek[];
  /** Sessions as they were kept; `toCome` are planned and not yet due. */
  done: number;
  partly: number;
  skipped: number;
  missed: number;
  /** Moved to another week once this one had begun. */
  moved: number;
  toCome: number;
  performed: WeekWork;
  planned: WeekWork;
}

/** A phase or a block as it runs beside the weeks. */
export interface Bar {
  id: string;
  of: "phase" | "block";
  name: string;
  from: string;
  to: string;
  days: number;
  state: BlockCourse["state"];
  passed: number;
  /** Which of those of its sort that run at once it is, from 0. */
  lane: number;
}

export interface WeeksView {
  weeks: WeekOfPlan[];
  bars: Bar[];
  /** The lanes of each sort that are needed. */
  lanes: { phase: number; block: number };
  /** Every phase, the latest first. */
  phases: PhaseStanding[];
}

/** Weeks of the plan, with what was done of them, and what runs beside them. */
export function weeksView(asOf: AsOf, { from, weeks }: WeeksAsk): WeeksView {
  const first = weekStartOf(mustDay(from), asOf.weekStart);
  const last = first + 7 * weeks - 1;
  const marks = marksIn(asOf, first, last);
  const { bars, lanes } = barsIn(asOf, first, last);
  return {
    weeks: Array.from({ length: weeks }, (_, index) => weekOf(asOf, first + 7 * index, marks)),
    bars,
    lanes,
    phases: planningOf(asOf)
      .phases()
      .map((phase) => phaseStanding(asOf, phase))
      .toReversed(),
  };
}

function weekOf(asOf: AsOf, start: Day, marks: ReadonlyMap<Day, string[]>): WeekOfPlan {
  const sessions = sessionsOf(asOf).ofWeek(start);
  const { done, partly, skipped, missed, moved, extra } = sessionsOf(asOf).adherence(start, start + 6);
  return {
    start: dateOf(start),
    days: Array.from({ length: 7 }, (_, index) => ({
      date: dateOf(start + index),
      sessions: sessionsOf(asOf)
        .on(start + index)
        .map((session) => ({
          id: session.id,
          kind: session.kind,
          status: effectiveStatus(session, asOf.on),
          title: titleOf(session),
          open: canMove(session),
        })),
      marks: marks.get(start + index) ?? [],
      movedAway: (
        sessionsOf(asOf)
          .movedFrom()
          .get(dateOf(start + index)) ?? []
      ).map((session) => ({
        title: titleOf(session),
        to: session.date,
      })),
      rest: isRest(asOf, start + index),
    })),
    // What was done without a plan was done all the same.
    done: done + extra,
    partly,
    skipped,
    missed,
    moved,
    toCome: sessions.filter((session) => effectiveStatus(session, asOf.on) === "planned").length,
    ...weekWorkOf(asOf, sessions, liftWorkOf(asOf).ofWeek(start)),
  };
}

/** Whether rest is planned for a day on which nothing else stands. */
export function isRest(asOf: AsOf, day: Day): boolean {
  return notesOf(asOf).noteOn(day)?.restPlanned === true && sessionsOf(asOf).on(day).length === 0;
}

/** The work of some sessions, done and planned; of a whole week its lifting is kept. */
export function weekWorkOf(
  asOf: AsOf,
  sessions: readonly Session[],
  lifting: Pick<Work, "volume" | "planned"> = liftWorkOf(asOf).of(sessions),
): Pick<WeekOfPlan, "performed" | "planned"> {
  const { volume, planned: lifts } = lifting;
  const performed = {
    minutes: 0,
    sessionLoad: 0,
    numberOfLifts: volume.numberOfLifts,
    volumeLoadKg: volume.volumeLoadKg,
  };
  const planned = { minutes: 0, sessionLoad: 0, numberOfLifts: lifts.numberOfLifts, volumeLoadKg: lifts.volumeLoadKg };
  for (const session of sessions) {
    const minutes = sessionMinutes(session);
    if (wasPerformed(session, asOf.on) && minutes !== null) {
      performed.minutes += minutes;
      performed.sessionLoad += sessionLoad(session.effort ?? 0, minutes);
    }
    const plan = plannedEffort(session);
    planned.minutes += plan.minutes ?? 0;
    planned.sessionLoad += sessionLoad(plan.effort ?? 0, plan.minutes ?? 0);
  }
  return { performed, planned };
}

/** What is marked on days: the days of goals, and meets. */
export function marksIn(asOf: AsOf, first: Day, last: Day): Map<Day, string[]> {
  const marks = new Map<Day, string[]>();
  const mark = (day: Day, text: string) => {
    if (day >= first && day <= last) marks.set(day, [...(marks.get(day) ?? []), text]);
  };
  for (const goal of goalsOf(asOf).all()) {
    if (aimOf(goal) !== "weight" || goal.targetKg == null) continue;
    const line = planLine(goal);
    if (!("reason" in line)) mark(line.deadline, `goal ${asOf.printer.mass(line.targetKg)}`);
  }
  for (const session of sessionsOf(asOf).between(first, last))
    if (session.test === true) mark(mustDay(session.date), titleOf(session));
  return marks;
}

/** Phases and blocks that run in some days, each in a lane of its own where several of a sort run at once. */
export function barsIn(asOf: AsOf, first: Day, last: Day): Pick<WeeksView, "bars" | "lanes"> {
  const all: (Omit<Bar, "lane"> & { first: Day; last: Day })[] = [
    ...planningOf(asOf)
      .phases()
      .map((one) => barOf(asOf, "phase", one)),
    ...planningOf(asOf)
      .blocks()
      .map((one) => barOf(asOf, "block", one)),
  ];
  const ends = { phase: [] as Day[], block: [] as Day[] };
  const bars: Bar[] = [];
  for (const { first: begins, last: ends_, ...bar } of all) {
    if (begins > last || ends_ < first) continue;
    const used = ends[bar.of];
    const free = used.findIndex((end) => end < begins);
    const lane = free === -1 ? used.length : free;
    used[lane] = ends_;
    bars.push({ ...bar, lane });
  }
  return { bars, lanes: { phase: ends.phase.length, block: ends.block.length } };
}

function barOf(asOf: AsOf, of: Bar["of"], one: Phase | Block): Omit<Bar, "lane"> & { first: Day; last: Day } {
  const { first, last, state, passed } = blockCourse(one, asOf.on);
  return {
    id: one.id,
    of,
    name: one.name,
    from: one.startDate,
    to: dateOf(last),
    days: one.days,
    state,
    passed,
    first,
    last,
  };
}
