import { dateOf, type Day, monthStartOf, mustDay } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { effectiveStatus } from "../sessions/adherence";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { barsIn, type Bar, isRest, marksIn, type SessionOfWeek, type WeekWork, weekWorkOf } from "./weeksView";

/** A day of a month of the plan. */
export interface DayOfMonth {
  date: string;
  sessions: Pick<SessionOfWeek, "id" | "kind" | "status" | "title">[];
  marks: string[];
  /** Rest is planned for it, and nothing else stands on it. */
  rest: boolean;
}

export interface MonthOfPlan {
  month: string;
  days: DayOfMonth[];
  done: number;
  /** Sessions that were planned and due. */
  due: number;
  toCome: number;
  performed: WeekWork;
  planned: WeekWork;
  /** What runs in the month: phases and blocks, by name. */
  runs: Pick<Bar, "id" | "of" | "name">[];
}

/** Months of the plan, a row each, from the month of a day on. */
export function monthsView(asOf: AsOf, { from, months }: { from: string; months: number }): { months: MonthOfPlan[] } {
  const starts: Day[] = [monthStartOf(mustDay(from))];
  while (starts.length <= months) starts.push(monthStartOf(starts.at(-1)! + 31));
  return {
    months: starts.slice(0, months).map((start, index): MonthOfPlan => {
      const last = starts[index + 1]! - 1;
      const sessions = sessionsOf(asOf).between(start, last);
      const marks = marksIn(asOf, start, last);
      const { done, partly, planned, extra } = sessionsOf(asOf).adherence(start, last);
      return {
        month: dateOf(start),
        days: Array.from({ length: last - start + 1 }, (_, at) => ({
          date: dateOf(start + at),
          sessions: sessionsOf(asOf)
            .on(start + at)
            .map((session) => ({
              id: session.id,
              kind: session.kind,
              status: effectiveStatus(session, asOf.on),
              title: titleOf(session),
            })),
          marks: marks.get(start + at) ?? [],
          rest: isRest(asOf, start + at),
        })),
        done: done + partly / 2 + extra,
        due: planned + extra,
        toCome: sessions.filter((session) => effectiveStatus(session, asOf.on) === "planned").length,
        ...weekWorkOf(asOf, sessions),
        runs: barsIn(asOf, start, last).bars.map(({ id, of, name }) => ({ id, of, name })),
      };
    }),
  };
}
