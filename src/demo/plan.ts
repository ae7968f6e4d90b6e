import { byWord } from "@/core/base/byWord";
import { dateOf, type Day, mustDay, weekdayOf, weekStartOf } from "@/core/base/calendar/day";
import type { Cycle, CycleEntry, CycleSet } from "@/core/log/kinds/cycles";
import type { Item, Session } from "@/core/log/kinds/sessions";
import type { StandardWeek } from "@/core/log/kinds/standardWeeks";
import type { Routine } from "@/core/log/kinds/routines";
import { together } from "@/core/planning/cycleCell";
import { routineOf } from "@/core/planning/routines";

/** The maxima by which the rower's cycle goes, kilograms. */
const maxima: Readonly<Record<string, number>> = byWord({
  "back-squat": 132.5,
  "bench-press": 80,
  deadlift: 155,
});

/**
 * A cycle of four weeks that was begun last week: its first three weeks are the strength sessions of the plan, each load the
 * percentage that it is of the maximum; then an easy one, which is not written yet.
 */
export function demoCycle(
  personId: string,
  today: Day,
  sessions: readonly Session[],
): { cycle: Cycle; tagged: Session[] } {
  const start = weekStartOf(today, 1) - 7;
  const own = sessions.filter(
    ({ kind, test, date }) =>
      kind === "strength" && test !== true && mustDay(date) >= start && mustDay(date) < start + 21,
  );
  const id = "rower-cycle";
  const tagged = own.map((session): Session => {
    const day = mustDay(session.date);
    return { ...session, cycleId: id, week: Math.floor((day - start) / 7) + 1, weekday: weekdayOf(day) };
  });
  const written = tagged.flatMap(({ week, weekday, items }) =>
    (items ?? []).map((item) => entryOf(item, week as number, weekday as number)),
  );
  const easy = written
    .filter(({ week }) => week === 2)
    .map((entry) =>
      changed(entry, 4, (set) => ({ ...set, ...raised(set, -0.05), count: Math.ceil((set.count ?? 1) / 2) })),
    );
  const cycle: Cycle = {
    id,
    personId,
    name: "Summer strength",
    startDate: dateOf(start),
    weeks: 4,
    rounding: { kg: 2.5 },
    weekdays: [1, 4, 7],
    easyWeeks: [4],
    maxima: Object.entries(maxima).map(([exerciseId, kg]) => ({ exerciseId, kg })),
    entries: [...written, ...easy],
  };
  return { cycle, tagged };
}

function entryOf({ exerciseId, sets }: Item, week: number, weekday: number): CycleEntry {
  const written: CycleSet[] = [];
  const maximum = maxima[exerciseId];
  for (const { warmUp, planned } of sets) {
    if (warmUp || !planned) continue;
    const { kg, ...others } = planned;
    // To the half of a percent, which is less than the loads are rounded by.
    const load =
      kg == null || kg === 0
        ? {}
        : maximum === undefined
          ? { kg }
          : { percent: Math.round((kg / maximum) * 200) / 200 };
    written.push({ ...others, ...load });
  }
  return { id: `${week}-${weekday}-${exerciseId}`, week, weekday, exerciseId, sets: together(written) };
}

function changed(entry: CycleEntry, week: number, change: (set: CycleSet) => CycleSet): CycleEntry {
  return { ...entry, id: `${week}-${entry.weekday}-${entry.exerciseId}`, week, sets: entry.sets.map(change) };
}

const raised = ({ percent }: CycleSet, by: number) =>
  percent == null ? {} : { percent: Math.round((percent + by) * 1000) / 1000 };

/** What is booked and what is done beside the plan: a class on Fridays to come, and ten minutes for the hips. */
export function demoClasses(personId: string, today: Day): Session[] {
  const endOfNextWeek = weekStartOf(today, 1) + 13;
  const classes: Session[] = [];
  for (let day = today; day <= endOfNextWeek; day++)
    if (weekdayOf(day) === 5)
      classes.push({
        id: `${personId}-class-${dateOf(day)}`,
        personId,
        date: dateOf(day),
        time: "18:30",
        kind: "mobility",
        title: "Mobility class",
        place: "Boathouse gym",
        instructor: "Inês",
        booked: true,
        status: "planned",
        planned: { minutes: 45, effort: 2 },
      });
  const hips = (day: Day): Session => ({
    id: `${personId}-hips-${dateOf(day)}`,
    personId,
    date: dateOf(day),
    kind: "mobility",
    title: "Hips and back",
    status: "planned",
    planned: { minutes: 15, effort: 2 },
  });
  return [...classes, hips(today - 2), hips(today + 3)];
}

/** The routines of the plan, from its latest sessions, and the week that they make. */
export function demoRoutines(
  personId: string,
  sessions: readonly Session[],
): { routines: Routine[]; week: StandardWeek } {
  const last = (title: string) => sessions.findLast((session) => session.title === title && session.status === "done");
  const titles = ["Strength A", "Strength B", "Steady row", "Easy run", "Intervals 4 × 500 m", "On the water"];
  const routines = titles.flatMap((title, index) => {
    const session = last(title);
    return session === undefined ? [] : [routineOf(session, () => `routine-${index + 1}`)];
  });
  const called = (title: string) => routines.find(({ name }) => name === title)?.id ?? null;
  const on = (weekday: number, ...sessionsOn: { title: string; time?: string; optional?: boolean }[]) => ({
    weekday,
    sessions: sessionsOn.flatMap(({ title, ...more }) => {
      const routineId = called(title);
      return routineId === null ? [] : [{ routineId, ...more }];
    }),
  });
  return {
    routines,
    week: {
      id: "rower-week",
      personId,
      name: "Six days",
      days: [
        on(1, { title: "Strength A", time: "18:00" }),
        on(2, { title: "Intervals 4 × 500 m" }),
        on(3, { title: "Easy run" }),
        on(4, { title: "Strength B", time: "18:00" }, { title: "Steady row", time: "19:15" }),
        { weekday: 5, rest: true },
        on(6, { title: "On the water" }),
        on(7, { title: "Strength A", time: "10:00" }, { title: "Easy run", optional: true }),
      ],
    },
  };
}
