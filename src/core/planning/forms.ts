import * as z from "zod";
import { dayOf } from "../base/calendar/day";
import { civilDate, figure, type FormContext, nameText, read, words } from "../entry/form";
import { longestBlock } from "./blocks";

/** A block by its first day and its weeks or its last day. */
export function blockForm(context: FormContext, { startDate }: { startDate: string }) {
  const end = civilDate("The last day", context);
  return z.object({
    name: nameText("The name"),
    startDate: civilDate("The first day", context),
    weeks: figure(
      "The length",
      z
        .number()
        .min(0.14)
        .max(longestBlock / 7),
    ),
    endDate: end.pipe(
      read((date, no) => {
        const days = (dayOf(date) ?? NaN) - (dayOf(startDate) ?? NaN) + 1;
        return days < 1
          ? no("It ends before it begins.")
          : days > longestBlock
            ? no("A block has two years at most.")
            : date;
      }),
    ),
    aim: words,
  });
}
