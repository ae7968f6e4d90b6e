/** A civil date as a whole number of days since 1970-01-01. No time zone: the day the trainee would write on paper. */
export type Day = number;

/** ISO weekday: 1 Monday … 7 Sunday. */
export type Weekday = 1 | 2 | 3 | 4 | 5 | 6 | 7;

const MS = 86_400_000;

/**
 * The day number of a civil date written `YYYY-MM-DD`, or null when there is no such day (30 February, year 0000).
 * @example dayOf("1970-01-02") // 1
 */
export function dayOf(date: string): Day | null {
  if (date.length !== 10 || date[4] !== "-" || date[7] !== "-") return null;
  const year = digits(date, 0, 4);
  const month = digits(date, 5, 7);
  const dayOfMonth = digits(date, 8, 10);
  if (!(year >= 1000 && month >= 1 && month <= 12 && dayOfMonth >= 1 && dayOfMonth <= daysInMonth(year, month)))
    return null;
  return Date.UTC(year, month - 1, dayOfMonth) / MS;
}

/** First and last year a log may speak of: no one who trains was born before, and no plan reaches beyond. */
export const [firstYear, lastYear] = [1900, 2100];
const [firstDay, lastDay] = [Date.UTC(firstYear, 0, 1) / MS, Date.UTC(lastYear, 11, 31) / MS];

/** Why a date that exists cannot be written, in words. */
export const outsideYears = `only dates from ${firstYear} to ${lastYear} are taken`;

/**
 * The day number of a date that may stand in a log, or null. This is the one bound of every date that is typed,
 * imported or stored; days that are only computed (a week's first day, the far end of a chart) may lie beyond it.
 */
export function entryDayOf(date: string): Day | null {
  const day = dayOf(date);
  return day !== null && isEntryDay(day) ? day : null;
}

/** Whether a day may stand in a log. */
export function isEntryDay(day: Day): boolean {
  return day >= firstDay && day <= lastDay;
}

/**
 * The number written by the characters from one place up to another; NaN when one of them is no digit. (A log holds
 * many dates.)
 */
function digits(text: string, from: number, to: number): number {
  let number = 0;
  for (let index = from; index < to; index++) {
    const digit = text.charCodeAt(index) - 48;
    if (digit < 0 || digit > 9) return NaN;
    number = number * 10 + digit;
  }
  return number;
}

function daysInMonth(year: number, month: number): number {
  if (month === 2) return year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0) ? 29 : 28;
  return month === 4 || month === 6 || month === 9 || month === 11 ? 30 : 31;
}

/** The day number of a date already known to be valid. @throws RangeError when it is not a civil date. */
export function mustDay(date: string): Day {
  const day = dayOf(date);
  if (day === null) throw new RangeError(`not a civil date: ${date}`);
  return day;
}

/** The civil date `YYYY-MM-DD` of a day number. */
export function dateOf(day: Day): string {
  const date = new Date(day * MS);
  const [month, dayOfMonth] = [date.getUTCMonth() + 1, date.getUTCDate()];
  return `${date.getUTCFullYear()}-${month < 10 ? "0" : ""}${month}-${dayOfMonth < 10 ? "0" : ""}${dayOfMonth}`;
}

/** ISO weekday of a day: 1 Monday … 7 Sunday. 1970-01-01 was a Thursday. */
export function weekdayOf(day: Day): Weekday {
  return (((((day + 3) % 7) + 7) % 7) + 1) as Weekday;
}

/** First day of the week that holds `day`, for weeks that begin on `weekStart`. */
export function weekStartOf(day: Day, weekStart: Weekday): Day {
  return day - ((weekdayOf(day) - weekStart + 7) % 7);
}

/** The first such weekday (Monday 1 to Sunday 7) from a day on. */
export function weekdayFrom(day: Day, weekday: number): Day {
  return day + ((weekday - weekdayOf(day) + 7) % 7);
}

/** Closing day of the week that holds `day`: the day on which the week's figures are drawn up. */
export function closingDay(day: Day, weekStart: Weekday): Day {
  return weekStartOf(day, weekStart) + 6;
}

/** First day of the month that holds `day`. */
export function monthStartOf(day: Day): Day {
  return mustDay(`${dateOf(day).slice(0, 7)}-01`);
}

/** Completed years of age on `on` for someone born on `birth`. Born on 29 February, one is a year older on 1 March. */
export function ageOn(birth: Day, on: Day): number {
  const [born, now] = [new Date(birth * MS), new Date(on * MS)];
  const months = now.getUTCMonth() - born.getUTCMonth();
  const before = months < 0 || (months === 0 && now.getUTCDate() < born.getUTCDate());
  return now.getUTCFullYear() - born.getUTCFullYear() - (before ? 1 : 0);
}

/** A day as the contract writes it, or null. */
export function dateOrNull(day: Day | null): string | null {
  return day === null ? null : dateOf(day);
}
