"use client";

import { put, type RecordOf } from "@/core/log/records";
import { movedTo } from "@/core/planning/movedTo";
import type { Bar, DayOfWeek, WeeksView } from "@/core/planning/weeksView";
import { addDays, daysBetween, longDate, shortDate } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { type KeyboardEvent, useState } from "react";

/** A session that was taken up with the keyboard, and the day that it is held over. */
export interface Held {
  sessionId: string;
  title: string;
  from: string;
  over: string;
}

/**
 * Moving sessions and bars about the weeks of the plan: by what was dropped where, and by keys on a day or a bar. Each move
 * is one change of the log, undone like any other.
 */
export function usePlanMoves(view: WeeksView, onScale: () => void, onDrawn: (from: string, days: number) => void) {
  const { commit, compute, person, today } = useLog();
  const [held, setHeld] = useState<Held | null>(null);
  const [said, setSaid] = useState("");
  const days = view.weeks.flatMap((week) => week.days);

  const moveSession = async (sessionId: string, from: string, to: string) => {
    if (from === to) return;
    if (to < today) return setSaid("That day has passed: what is planned lies ahead.");
    const found = await compute.ask("planDay", { personId: person.id, today, date: from });
    const line = found?.sessions.find(({ session }) => session.id === sessionId);
    if (line === undefined) return;
    await commit([put("sessions", movedTo(line.session, to), line.session)], `${line.title} moved to ${shortDate(to)}`);
  };
  const copySession = async (sessionId: string, from: string, to: string) => {
    if (to < today) return setSaid("That day has passed: what is planned lies ahead.");
    const found = await compute.ask("planProposal", {
      personId: person.id,
      today,
      ask: { of: "repeat", date: from, sessionId, on: to, everyDays: 7, times: 1 },
    });
    const title = found?.sessions[0]?.title;
    if (found != null && title !== undefined) await commit(found.change, `${title} copied to ${shortDate(to)}`);
  };
  const changeBar = async (bar: Bar, change: { startDate?: string; days?: number }) => {
    const found = await compute.ask("barRecord", { personId: person.id, today, of: bar.of, id: bar.id });
    if (found === null || found.record === null) return;
    const next = { ...found.record, ...change };
    const step =
      bar.of === "phase"
        ? put("phases", next as RecordOf<"phases">, found.record as RecordOf<"phases">)
        : put("blocks", next as RecordOf<"blocks">, found.record as RecordOf<"blocks">);
    const from = next.startDate;
    await commit([step], `${bar.name}, ${shortDate(from)} to ${shortDate(addDays(from, next.days - 1))}`);
  };

  /** The day that has the keyboard, by moving from one to another. */
  const stepOf = (key: string): number | null =>
    ({ ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 })[key] ?? null;
  const focusDay = (date: string) =>
    document.querySelector<HTMLElement>(`[data-day="${date}"]`)?.focus({ preventScroll: false });

  return {
    held,
    said,
    /**
     * Something was dropped: a session on a day, a bar or its end on a day of a week; a week drawn down to another makes a
     * block of them.
     */
    onDrop: (what: string, place: string, copies: boolean) => {
      const [of, id, from] = what.split("|") as [string, string, string];
      const isWeek = place.startsWith(weekPlace);
      const onto = isWeek ? place.slice(weekPlace.length) : place;
      if (of === "draw") {
        const [one, other] = [mondayOf(days, from), mondayOf(days, onto)];
        return onDrawn(addDays(days[0]!.date, Math.min(one, other)), Math.abs(one - other) + 7);
      }
      if (of === "session" && isWeek) return;
      if (of === "session") return void (copies ? copySession : moveSession)(id, from, onto);
      const bar = view.bars.find((one) => one.id === id);
      if (bar === undefined) return;
      const weeks = Math.round((mondayOf(days, onto) - mondayOf(days, from)) / 7);
      if (of === "bar") void changeBar(bar, { startDate: addDays(bar.from, 7 * weeks) });
      else if (bar.days + 7 * weeks >= 1) void changeBar(bar, { days: bar.days + 7 * weeks });
    },
    onDayKey: (event: KeyboardEvent, day: DayOfWeek) => {
      const step = stepOf(event.key);
      if (step !== null) {
        event.preventDefault();
        if (held === null) return focusDay(addDays(day.date, step));
        const over = addDays(held.over, step);
        setHeld({ ...held, over });
        setSaid(`${held.title}, over ${longDate(over)}`);
        return;
      }
      if (event.key === "m" && !event.ctrlKey && !event.metaKey && !event.altKey) {
        event.preventDefault();
        event.stopPropagation();
        const open = day.sessions.filter((one) => one.open);
        const at = open.findIndex(({ id }) => id === held?.sessionId);
        const next = open[at + 1] ?? open[0];
        if (next === undefined) return setSaid("Nothing on this day can be moved.");
        setHeld({ sessionId: next.id, title: next.title, from: day.date, over: day.date });
        setSaid(
          `${next.title} taken: arrows choose the day, Enter puts it there (Ctrl Enter a copy), Escape leaves it.`,
        );
        return;
      }
      if (event.key === "s" && !event.ctrlKey && !event.metaKey && !event.altKey) {
        event.preventDefault();
        event.stopPropagation();
        return onScale();
      }
      if (held === null) return;
      if (event.key === "Escape") {
        event.preventDefault();
        setHeld(null);
        setSaid(`${held.title} stays.`);
      } else if (event.key === "Enter") {
        event.preventDefault();
        const { sessionId, from, over } = held;
        setHeld(null);
        setSaid("");
        void (event.ctrlKey || event.metaKey ? copySession : moveSession)(sessionId, from, over).then(() =>
          focusDay(over),
        );
      }
    },
    /** Arrows move a bar by a week, by a day with Shift; with Alt they move its end. */
    onBarKey: (event: KeyboardEvent, bar: Bar) => {
      const direction = { ArrowUp: -1, ArrowDown: 1 }[event.key];
      if (direction === undefined) return;
      event.preventDefault();
      const by = direction * (event.shiftKey ? 1 : 7);
      if (!event.altKey) void changeBar(bar, { startDate: addDays(bar.from, by) });
      else if (bar.days + by >= 1) void changeBar(bar, { days: bar.days + by });
    },
  };
}

/** How the place of a week begins where something is dropped on its head; its first day follows. */
export const weekPlace = "week|";

/** How many days after the first of the weeks the week of a day begins. */
function mondayOf(days: readonly DayOfWeek[], date: string): number {
  return Math.floor(daysBetween(days[0]!.date, date) / 7) * 7;
}
