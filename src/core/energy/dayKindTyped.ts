import { dateOf, mustDay } from "../base/calendar/day";
import { printDate, weekdayNames } from "../base/calendar/print";
import type { FormContext } from "../entry/form";
import { typedDate } from "../entry/typed";
import type { OwnDayKind } from "../log/kinds/energySettings";

/** When a kind of day of the trainee's own is: on weekdays, every so many days, or, with neither, where it is said. */
export type Turn = Pick<OwnDayKind, "weekdays" | "everyDays" | "firstDate">;

const howToWrite =
  "Write weekdays, such as Mon, Thu; every 3 days from 1 Dec; or all other days. Empty, it is said of a day.";

/**
 * When a kind of day is, as it is written: `Mon, Thu`, `every 3 days from 1 Dec` (without a day, from today), `all other
 * days`; empty where it is only said of a day.
 * @returns its turn, or why it is none
 */
export function turnTyped(typed: string, { today, order }: Pick<FormContext, "today" | "order">): Turn | string {
  const text = typed.trim().toLowerCase();
  if (text === "") return { weekdays: null, everyDays: null, firstDate: null };
  if (/^(?:(?:all|every) )?other days?$|^(?:every|all|each) days?$/.test(text))
    return { weekdays: null, everyDays: 1, firstDate: null };
  const every = /^every (\d+|second|third|fourth) days?(?:,? from (.+))?$/.exec(text);
  if (every !== null) {
    const everyDays = ["second", "third", "fourth"].indexOf(every[1]!) + 2;
    const count = everyDays > 1 ? everyDays : Number(every[1]);
    if (count < 1 || count > 366) return "Every 1 to 366 days.";
    const day = every[2] === undefined ? mustDay(today) : typedDate(every[2], mustDay(today), order, "ahead");
    return typeof day === "number" ? { weekdays: null, everyDays: count, firstDate: dateOf(day) } : day.problem;
  }
  const words = text.split(/[\s,;]+|\band\b/).filter((word) => word !== "");
  const weekdays = words.map(
    (word) =>
      weekdayNames.findIndex((name) => word.length > 1 && name.toLowerCase().startsWith(word.replace(/s$|\.$/, ""))) +
      1,
  );
  return weekdays.includes(0)
    ? howToWrite
    : { weekdays: [...new Set(weekdays)].sort((a, b) => a - b), everyDays: null, firstDate: null };
}

/** When a kind of day is, so that it is read again as the same. */
export function printTurn({ weekdays, everyDays, firstDate }: Turn): string {
  if (weekdays != null && weekdays.length > 0)
    return weekdays.map((weekday) => weekdayNames[weekday - 1]!.slice(0, 3)).join(", ");
  if (everyDays == null) return "";
  return everyDays === 1 && firstDate == null
    ? "all other days"
    : `every ${everyDays} days from ${firstDate == null ? "" : printDate(firstDate)}`;
}
