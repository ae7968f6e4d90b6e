import { type Day, type Weekday, weekStartOf } from "@/core/base/calendar/day";
import { printDay, weekdayNames } from "@/core/base/calendar/print";
import { printNumber } from "@/core/base/units/number";
import { forgetting } from "@/core/body/movingAverage";
import { mean, median, type Weighed } from "@/core/body/weighIns";
import type { Role, Sheet } from "./sheet";

/**
 * A way in which a column may have been computed, in words, and what it gives on each day (null where it gives
 * nothing).
 */
interface Rule {
  words: string;
  on: (day: Day) => number | null;
}

/**
 * One row in which the sheet and the way found differ; `why`: what in the weights would account for it, when something
 * would.
 */
export interface Differing {
  day: Day;
  line: number;
  theirs: number;
  ours: number;
  why: string | null;
}

/** What is made of one computed column. */
export interface ColumnReading {
  column: number;
  head: string;
  role: Role;
  /**
   * Rows with a number in the column and a figure of ours on that day, and in how many both agree within the column's
   * rounding.
   */
  compared: number;
  agree: number;
  /**
   * How ours is computed, and how the sheet's is, as far as it can be told; null when no known way gives its numbers.
   */
  ours: string;
  theirs: string | null;
  /** Rows that the way found gives to the last digit shown, of those that have a number. */
  explained: number;
  rows: number;
  /** The step to which the sheet rounds. */
  step: number;
  /** Rows that the way found (or ours, when none was) does not give, the first of them. */
  differing: Differing[];
}

const differingAtMost = 40;
/** For so many of them it is tried whether one weigh-in left out accounts for it. */
const searchedAtMost = 12;

/**
 * For each computed column of a sheet: how its numbers were made from the sheet's own weights, found by trying the
 * usual ways (other windows, other first days of the week, mean or median, how much a smoothed value forgets), and how
 * far they agree with ours. Where a row fits no better way, it is tried whether one weigh-in left out would account for
 * it.
 * @param weekStart the trainee's first day of the week
 * @param planOn our own plan line on a day; null where there is none
 */
export function explainSheet(sheet: Sheet, weekStart: Weekday, planOn: (day: Day) => number | null): ColumnReading[] {
  const weightColumn = sheet.roles.indexOf("weight");
  const weighed = sheet.rows.flatMap(({ day, values }): Weighed[] =>
    values[weightColumn] == null ? [] : [{ day, kg: values[weightColumn], id: "" }],
  );
  return sheet.roles.flatMap((role, column): ColumnReading[] => {
    if (role === "date" || role === "weight" || role === "second" || role === "note" || role === "none") return [];
    const told = sheet.rows.flatMap(({ day, line, values }) =>
      values[column] == null ? [] : [{ day, line, value: values[column] }],
    );
    if (told.length === 0) return [];
    const step = stepOf(told.map(({ value }) => value));
    const fits = (value: number | null, theirs: number) =>
      value !== null && Math.abs(value - theirs) <= step / 2 + 1e-9;
    const own = ownRule(role, weighed, weekStart, planOn);
    // Of two ways that give as many rows, the one that comes nearer in the others.
    const tried = (rule: Rule) => {
      const made = told.map(({ day, value }) => ({ value, by: rule.on(day) }));
      return {
        rule,
        explained: made.filter(({ by, value }) => fits(by, value)).length,
        apart: made.reduce((sum, { by, value }) => sum + (by === null ? 0 : Math.min(5, Math.abs(by - value))), 0),
      };
    };
    const ways = waysOf(role, weighed, weekStart, told);
    const best = ways
      .map(tried)
      .reduce(
        (a, b) => (b.explained > a.explained || (b.explained === a.explained && b.apart < a.apart - 1e-9) ? b : a),
        tried(own),
      );
    const found = best.explained >= Math.max(2, 0.5 * told.length);
    const compared = told.filter(({ day }) => own.on(day) !== null);
    const rule = found ? best.rule : own;
    const differing = told
      .flatMap(({ day, line, value }): Differing[] => {
        const made = rule.on(day);
        return made === null || fits(made, value) ? [] : [{ day, line, theirs: value, ours: made, why: null }];
      })
      .slice(0, differingAtMost);
    if (found && role !== "plan")
      for (const row of differing.slice(0, searchedAtMost))
        row.why = withoutOne(role, rule, weighed, weekStart, told, row.day, (made) => fits(made, row.theirs));
    return [
      {
        column,
        head: sheet.heads[column]!,
        role,
        compared: compared.length,
        agree: compared.filter(({ day, value }) => fits(own.on(day), value)).length,
        ours: own.words,
        theirs: found ? best.rule.words : null,
        explained: found ? best.explained : 0,
        rows: told.length,
        step,
        differing,
      },
    ];
  });
}

/** The coarsest usual step of which all values are whole multiples: what the sheet shows is rounded to it. */
function stepOf(values: readonly number[]): number {
  return (
    [1, 0.5, 0.2, 0.1, 0.05, 0.01, 0.001].find((step) =>
      values.every((value) => Math.abs(value / step - Math.round(value / step)) < 1e-6),
    ) ?? 1e-6
  );
}

type Window = { words: string; of: (day: Day) => Weighed[] };

function ownRule(
  role: Role,
  weighed: readonly Weighed[],
  weekStart: Weekday,
  planOn: (day: Day) => number | null,
): Rule {
  const week = weekWindow(weighed, weekStart);
  switch (role) {
    case "median":
      return { words: `the median of the week from ${weekdayNames[weekStart - 1]}`, on: statisticOf(median, week) };
    case "smoothed":
      return smoothedRule(weighed, 0.1, "days");
    case "change":
      return changeBetween("median", median, week, (day) => day - 7);
    case "plan":
      return { words: "the plan line of your goal", on: planOn };
    default:
      return { words: `the mean of the week from ${weekdayNames[weekStart - 1]}`, on: statisticOf(mean, week) };
  }
}

function waysOf(
  role: Role,
  weighed: readonly Weighed[],
  weekStart: Weekday,
  told: readonly { day: Day; value: number }[],
): Rule[] {
  const starts = [weekStart, ...([1, 2, 3, 4, 5, 6, 7] as const).filter((one) => one !== weekStart)];
  const statistics =
    role === "median"
      ? ([
          ["median", median],
          ["mean", mean],
        ] as const)
      : ([
          ["mean", mean],
          ["median", median],
        ] as const);
  switch (role) {
    case "smoothed":
      return [
        ...[0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5].flatMap((share) => [
          smoothedRule(weighed, share, "days"),
          smoothedRule(weighed, share, "rows"),
        ]),
        ...windowsOf(weighed, starts).map((window) => ({
          words: `the mean of ${window.words}`,
          on: statisticOf(mean, window),
        })),
      ];
    case "change":
      return [
        { words: "the difference from the weigh-in before", on: (day) => sinceBefore(weighed, day) },
        {
          words: "the difference from the weigh-in seven days before",
          on: (day) => {
            const [now, then] = [kgOn(weighed, day), kgOn(weighed, day - 7)];
            return now === null || then === null ? null : now - then;
          },
        },
        {
          words: "the difference from the first weigh-in",
          on: (day) => {
            const now = kgOn(weighed, day);
            return now === null ? null : now - weighed[0]!.kg;
          },
        },
        ...statistics.flatMap(([name, statistic]) =>
          windowsOf(weighed, starts).map((window) => changeBetween(name, statistic, window, (day) => day - 7)),
        ),
      ];
    case "plan":
      return straightLines(told);
    default:
      return statistics.flatMap(([name, statistic]) =>
        windowsOf(weighed, starts).map((window) => ({
          words: `the ${name} of ${window.words}`,
          on: statisticOf(statistic, window),
        })),
      );
  }
}

function weekWindow(weighed: readonly Weighed[], start: Weekday): Window {
  return {
    words: `the week from ${weekdayNames[start - 1]}`,
    of: (day) => {
      const first = weekStartOf(day, start);
      return between(weighed, first, first + 6);
    },
  };
}

function windowsOf(weighed: readonly Weighed[], starts: readonly Weekday[]): Window[] {
  const last = (days: number, back = 0): Window => ({
    words: back === 0 ? `the ${days} days up to each day` : `the ${days} days before each day`,
    of: (day) => between(weighed, day - back - days + 1, day - back),
  });
  const rows = (count: number): Window => ({
    words: `the last ${count} weigh-ins`,
    of: (day) => lastRows(weighed, day, count),
  });
  return [
    ...starts.map((start) => weekWindow(weighed, start)),
    last(7),
    rows(7),
    last(7, 1),
    { words: "the seven days around each day", of: (day) => between(weighed, day - 3, day + 3) },
    ...starts.map((start): Window => ({
      words: `the week from ${weekdayNames[start - 1]}, as far as it had gone`,
      of: (day) => between(weighed, weekStartOf(day, start), day),
    })),
    last(10),
    last(14),
    last(28),
    rows(5),
    rows(10),
    ...starts.map((start): Window => ({
      words: `the week before, from ${weekdayNames[start - 1]}`,
      of: (day) => {
        const first = weekStartOf(day, start) - 7;
        return between(weighed, first, first + 6);
      },
    })),
  ];
}

function statisticOf(statistic: (values: readonly number[]) => number, window: Window): Rule["on"] {
  return (day) => {
    const some = window.of(day);
    return some.length === 0 ? null : statistic(some.map(({ kg }) => kg));
  };
}

function changeBetween(
  name: string,
  statistic: (values: readonly number[]) => number,
  window: Window,
  before: (day: Day) => Day,
): Rule {
  const on = statisticOf(statistic, window);
  return {
    words: `the change of the ${name} of ${window.words} from a week before`,
    on: (day) => {
      const [now, then] = [on(day), on(before(day))];
      return now === null || then === null ? null : now - then;
    },
  };
}

/**
 * A smoothed value to which each new weight gives a share; over missing days it forgets as if day by day, or not at all
 * (by rows).
 */
function smoothedRule(weighed: readonly Weighed[], share: number, by: "days" | "rows"): Rule {
  const made = new Map<Day, number>();
  let value: number | null = null;
  let before = 0;
  for (const { day, kg } of weighed) {
    value = value === null ? kg : forgetting(value, kg, by === "rows" ? 1 : day - before, share);
    before = day;
    made.set(day, value);
  }
  return {
    words: `a smoothed weight that takes ${Math.round(share * 100)} % of each new one${by === "rows" ? ", whatever days were missed" : ", and forgets over missed days too"}`,
    on: (day) => made.get(day) ?? null,
  };
}

/** The straight line through the first and last numbers of the column itself, and the flat one. */
function straightLines(told: readonly { day: Day; value: number }[]): Rule[] {
  const [first, last] = [told[0]!, told.at(-1)!];
  if (first.day === last.day) return [];
  const perDay = (last.value - first.value) / (last.day - first.day);
  return [
    {
      words: `a straight line of ${printNumber(perDay * 7, 2)} a week from ${first.value}`,
      on: (day) => first.value + perDay * (day - first.day),
    },
  ];
}

/**
 * The weigh-in without which the rule gives what the sheet shows; null when there is none, or several weigh-ins would
 * do.
 */
function withoutOne(
  role: Role,
  rule: Rule,
  weighed: readonly Weighed[],
  weekStart: Weekday,
  told: readonly { day: Day; value: number }[],
  day: Day,
  fits: (value: number | null) => boolean,
): string | null {
  const near = weighed.filter((one) => Math.abs(one.day - day) <= 14);
  const able = near.filter((left) => {
    const again = waysOf(
      role,
      weighed.filter((one) => one !== left),
      weekStart,
      told,
    ).find(({ words }) => words === rule.words);
    return again !== undefined && fits(again.on(day));
  });
  return able.length === 1 ? `without the weigh-in of ${printDay(able[0]!.day)} it is so` : null;
}

function sinceBefore(weighed: readonly Weighed[], day: Day): number | null {
  const at = placeOf(weighed, day);
  return at < 1 || weighed[at]?.day !== day ? null : weighed[at]!.kg - weighed[at - 1]!.kg;
}

/** Place of the first weigh-in on a day or after it. */
function placeOf(weighed: readonly Weighed[], day: Day): number {
  let [low, high] = [0, weighed.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (weighed[middle]!.day < day) low = middle + 1;
    else high = middle;
  }
  return low;
}

function kgOn(weighed: readonly Weighed[], day: Day): number | null {
  const one = weighed[placeOf(weighed, day)];
  return one?.day === day ? one.kg : null;
}

const between = (weighed: readonly Weighed[], from: Day, to: Day) =>
  weighed.slice(placeOf(weighed, from), placeOf(weighed, to + 1));
const lastRows = (weighed: readonly Weighed[], day: Day, count: number) => {
  const end = placeOf(weighed, day + 1);
  return weighed.slice(Math.max(0, end - count), end);
};
