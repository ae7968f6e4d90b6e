import { dateOf, type Day, mustDay, weekdayFrom, weekdayOf, weekStartOf } from "../base/calendar/day";
import { weightOf } from "../body/slice";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import type { StandardWeek } from "../log/kinds/standardWeeks";
import { sessionLoad } from "../endurance/distance";
import { effectiveStatus, wasPerformed } from "../sessions/adherence";
import { sessionMinutes } from "../sessions/minutes";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { strengthOf } from "../strength/slice";
import { type PlannedLoad, plannedLoadOf } from "./plannedLoad";
import { plannedText } from "./plannedText";
import type { PlannedSum } from "./proposal";
import { restDaysIn } from "./rest";
import { standardWeeksOf } from "./routines";
import { doneSum, plannedSum, trainedWeeks } from "./sums";

/** A session as it stands in a list of a week. */
export interface SessionLine {
  session: Session;
  title: string;
  status: Session["status"];
  text: string;
}

/** What a week holds: as it was trained, or as it is planned. */
export interface WeekLine extends PlannedSum {
  start: string;
  /** Σ effort × minutes. */
  sessionLoad: number;
  what: "trained" | "so far and planned" | "planned";
}

/** Everything that is gone over once a week: the week that runs beside the next, and what was missed. */
export interface NextWeekView {
  thisWeek: { start: string; sessions: SessionLine[] };
  nextWeek: { start: string; sessions: SessionLine[] };
  /** What was missed or skipped of the week that runs and of the one before, and where it would be offered again. */
  missed: (SessionLine & { again: string })[];
  weeks: WeekLine[];
  standardWeeks: StandardWeek[];
}

export function nextWeekView(asOf: AsOf): NextWeekView {
  const start = weekStartOf(asOf.on, asOf.weekStart);
  const line = sessionLines(asOf);
  const of = (first: Day) => sessionsOf(asOf).ofWeek(first);
  const lines = (first: Day) => ({ start: dateOf(first), sessions: of(first).map(line) });
  return {
    thisWeek: lines(start),
    nextWeek: lines(start + 7),
    missed: sessionsOf(asOf)
      .between(start - 7, asOf.on)
      .map(line)
      .filter(({ status, session }) => (status === "missed" || status === "skipped") && !session.optional)
      .map((one) => ({ ...one, again: againOn(one.session, start + 7) })),
    weeks: [
      ...trainedWeeks(asOf, 4).map(({ start: first, ...sum }): WeekLine => ({
        ...sum,
        start: dateOf(first),
        sessionLoad: loadDone(asOf, of(first)),
        what: "trained",
      })),
      weekLine(asOf, start, "so far and planned"),
      weekLine(asOf, start + 7, "planned"),
    ],
    standardWeeks: standardWeeksOf(asOf),
  };
}

/** The same weekday of the week that begins on a day. */
function againOn({ date }: Session, nextWeek: Day): string {
  return dateOf(weekdayFrom(nextWeek, weekdayOf(mustDay(date))));
}

/** How a session stands in a list. */
export function sessionLines(asOf: AsOf): (session: Session) => SessionLine {
  const exercises = strengthOf(asOf).exercises();
  return (session) => ({
    session,
    title: titleOf(session),
    status: effectiveStatus(session, asOf.on),
    text: plannedText(session, exercises, asOf.printer),
  });
}

/** A day as the plan has it: its sessions, and what else stands on it. */
export interface PlanDayView {
  sessions: SessionLine[];
  /** Meals that are planned, by their names. */
  meals: string[];
  /** What was weighed, kilograms; null without it. */
  weighedKg: number | null;
  /** Whether rest is planned for it. */
  rest: boolean;
  /** What is planned of the day, and of its week so far as it is still to come, beside what was done of it. */
  load: { day: Load; week: Load; usual: Load };
}

/** Minutes, and Σ effort × minutes over the sessions that have both. */
type Load = Omit<PlannedLoad, "weekStart">;

export function planDay(asOf: AsOf, date: string): PlanDayView {
  const day = mustDay(date);
  const week = weekLine(asOf, weekStartOf(day, asOf.weekStart), "planned");
  const trained = trainedWeeks(asOf, 4).map(({ start, minutes }) => ({
    minutes,
    sessionLoad: loadDone(asOf, sessionsOf(asOf).ofWeek(start)),
  }));
  const mean = (of: keyof Load) => trained.reduce((sum, one) => sum + one[of], 0) / trained.length;
  return {
    rest: restDaysIn(asOf, day, day).length > 0,
    load: {
      day: plannedLoadOf(sessionsOf(asOf).on(day)),
      week: { minutes: week.minutes, sessionLoad: week.sessionLoad },
      usual: { minutes: mean("minutes"), sessionLoad: mean("sessionLoad") },
    },
    sessions: sessionsOf(asOf).on(day).map(sessionLines(asOf)),
    meals: [
      ...new Set(
        asOf.index
          .on("meals", asOf.personId, day)
          .filter(({ status }) => status === "planned")
          .map(({ meal }) => meal ?? "food"),
      ),
    ],
    weighedKg: weightOf(asOf).primaryOn(day)?.kg ?? null,
  };
}

/** A week as done where it is done, and as planned where it is still to come. */
function weekLine(asOf: AsOf, first: Day, what: WeekLine["what"]): WeekLine {
  const sessions = sessionsOf(asOf).ofWeek(first);
  const toCome = sessions.filter((session) => effectiveStatus(session, asOf.on) === "planned");
  const done = sessions.filter((session) => wasPerformed(session, asOf.on));
  const [was, comes] = [doneSum(asOf, done), plannedSum(asOf, toCome)];
  return {
    start: dateOf(first),
    what,
    numberOfLifts: comes.numberOfLifts + was.numberOfLifts,
    volumeLoadKg: comes.volumeLoadKg + was.volumeLoadKg,
    minutes: comes.minutes + was.minutes,
    metres: comes.metres + was.metres,
    sessionLoad: loadDone(asOf, done) + plannedLoadOf(toCome).sessionLoad,
  };
}

function loadDone(asOf: AsOf, sessions: readonly Session[]): number {
  return sessions
    .filter((session) => wasPerformed(session, asOf.on))
    .reduce((sum, session) => sum + sessionLoad(session.effort ?? 0, sessionMinutes(session) ?? 0), 0);
}
