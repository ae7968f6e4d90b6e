import { dateOf, type Day, mustDay } from "../base/calendar/day";
import { type DayValue, measureGoal } from "../body/measureGoal";
import { measuresOf } from "../body/measuresSlice";
import { changePerWeek } from "../body/movingAverage";
import { type DayPhoto, photosView } from "../body/photosView";
import { weightOf } from "../body/slice";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import { notesOf } from "../log/notes";
import { report, type Report, type ReportWeek } from "./report";

/** What a report can be of: the weight, or a measure by its id. */
export interface ReportChoice {
  of: string;
  name: string;
}

/**
 * The goal's line beside what was weighed or measured, on the report's last day: what it asked, how far from it that
 * day was, and the share of the way.
 */
export interface ReportGoal {
  start: number;
  startDay: Day;
  target: number;
  deadline: Day;
  asked: number | null;
  apart: number | null;
  share: number | null;
  why: string | null;
}

/** A week of a report; for the weight with the trend and the goal's line on its last day. */
export type ReportWeekView = ReportWeek & { trend: number | null; planned: number | null };

/** So many notes are listed, the latest. */
const notesAtMost = 200;

export interface ReportView {
  choices: ReportChoice[];
  /** What it is of; `unit` is null for the weight, which is in kilograms and printed in the trainee's unit. */
  of: string;
  name: string;
  unit: string | null;
  report: (Omit<Report, "weeks"> & { weeks: ReportWeekView[] }) | null;
  goal: ReportGoal | null;
  /**
   * What was written of the days between the first and the last, oldest first; `notesInAll` counts those too many to
   * list.
   */
  notes: { date: string; text: string }[];
  notesInAll: number;
  /** For the weight: the trend on the first and the last day. */
  trend: { start: number; current: number; perWeek: number | null } | null;
  photos: { first: DayPhoto; latest: DayPhoto } | null;
}

/** What a report is asked of: only what was read from one date on and until another counts; null for all of it. */
export interface ReportAsk {
  of: string;
  from: string | null;
  until: string | null;
}

export function reportView(asOf: AsOf, { of, from, until }: ReportAsk): ReportView {
  const measures = [...measuresOf(asOf).all().values()]
    .filter(({ id }) => measuresOf(asOf).readings(id).length > 0)
    .sort((a, b) => (a.name < b.name ? -1 : 1));
  const measure = measures.find(({ id }) => id === of);
  const begin = from === null ? -Infinity : mustDay(from);
  const end = until === null ? asOf.on : Math.min(asOf.on, mustDay(until));
  // A day's last reading stands for it.
  const readings =
    measure === undefined
      ? weightOf(asOf)
          .weighed()
          .map(({ day, kg }) => ({ day, value: kg }))
      : [
          ...new Map(
            measuresOf(asOf)
              .values(measure.id)
              .map((reading) => [reading.day, reading]),
          ).values(),
        ];
  const result = report(
    readings.filter(({ day }) => day >= begin && day <= end),
    asOf.weekStart,
    end,
  );
  const photos = photosView(asOf).filter(({ date }) => mustDay(date) >= begin && mustDay(date) <= end);
  const [first, latest] = [photos[0], photos.at(-1)];
  const notes = result === null ? [] : notesOf(asOf).remarksBetween(Math.max(begin, result.start.day), end);
  return {
    choices: [{ of: "weight", name: "Weight" }, ...measures.map(({ id, name }) => ({ of: id, name }))],
    of: measure?.id ?? "weight",
    name: measure?.name ?? "Weight",
    unit: measure === undefined ? null : (measure.unit ?? ""),
    report: result && {
      ...result,
      weeks: result.weeks.map((week) => ({
        ...week,
        ...(measure === undefined
          ? onLastDay(asOf, Math.min(week.closingDay, result.current.day))
          : { trend: null, planned: null }),
      })),
    },
    goal: result === null ? null : goalOf(asOf, measure?.id ?? null, result.current),
    notes: notes.slice(-notesAtMost).map(({ day, text }) => ({ date: dateOf(day), text })),
    notesInAll: notes.length,
    trend: measure !== undefined || result === null ? null : trendBetween(asOf, result),
    photos: first && latest && first !== latest ? { first, latest } : null,
  };
}

function trendBetween(asOf: AsOf, { start, current }: Report): ReportView["trend"] {
  const [from, to] = [start, current].map(({ day }) => weightOf(asOf).heldOn(day));
  if (from == null || to == null) return null;
  return { start: from, current: to, perWeek: changePerWeek(to - from, current.day - start.day) };
}

function onLastDay(asOf: AsOf, day: Day): { trend: number | null; planned: number | null } {
  return { trend: weightOf(asOf).heldOn(day), planned: goalsOf(asOf).planOn(day) };
}

/** The goal in force on the last reading's day: of the weight against its trend, of a measure against the reading. */
function goalOf(asOf: AsOf, measureId: string | null, { day, value }: DayValue): ReportGoal | null {
  const goal = goalsOf(asOf).of(measureId, day);
  const stands = measureId === null ? weightOf(asOf).heldOn(day) : value;
  if (goal === null || stands === null) return null;
  // A weight goal is judged as one of a measure is: by what stands on the day.
  const standing = measureGoal(
    measureId === null ? { ...goal, startValue: goal.startKg, targetValue: goal.targetKg } : goal,
    { day, value: stands },
    null,
    day,
  );
  if (standing === null) return null;
  const { startValue, startDay, targetValue, deadline, planned, apart, doneShare } = standing;
  const over = day > deadline;
  return {
    start: startValue,
    startDay,
    target: targetValue,
    deadline,
    asked: over ? null : planned,
    apart: over ? null : apart,
    share: doneShare,
    why: goal.why || null,
  };
}
