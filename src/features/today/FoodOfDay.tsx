"use client";

import { printNumber, printPlain } from "@/core/base/units/number";
import type { DayView } from "@/core/days/dayView";
import { put } from "@/core/log/records";
import type { MealLine } from "@/core/nutrition/mealGroups";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useDayNote } from "@/ui/log/useDayNote";
import { usePrinter } from "@/ui/usePrinter";
import Link from "next/link";
import styles from "./today.module.css";

/** The day's food, a line a meal; planned meals become eaten in one press. */
export function FoodOfDay({ view }: { view: DayView }) {
  const { commit, today } = useLog();
  const printer = usePrinter();
  return (
    <section className={styles.section} aria-label="Food">
      <div className={styles.sessionHead}>
        <h2>Food</h2>
        <Link href="/food" className="small">
          Add or change
        </Link>
      </div>
      {view.meals.length === 0 && (
        <p className="quiet">Nothing is written. Write it above, for example breakfast: 80 g oats, 2 eggs.</p>
      )}
      <RecordTable
        label="Meals"
        rows={view.meals}
        keyOf={({ name }) => name}
        columns={[
          { head: "Meal", mute: true, cell: ({ name }) => name.charAt(0).toUpperCase() + name.slice(1) },
          {
            head: "Foods",
            mute: true,
            cell: (meal) => (
              <span className={isPlanned(meal) ? "planned" : undefined}>{meal.lines.map(describe).join(", ")}</span>
            ),
          },
          {
            head: "Energy",
            mute: true,
            num: true,
            folded: "beside",
            cell: (meal) => (
              <span className={isPlanned(meal) ? "planned" : undefined}>
                {meal.planned.length > 0 && view.date <= today && (
                  <LinkButton
                    className="small"
                    onClick={() =>
                      void commit(
                        meal.planned.map((one) => put("meals", { ...one.meal, status: "eaten" }, one.meal)),
                        `${meal.name} eaten`,
                      )
                    }
                  >
                    Eaten
                  </LinkButton>
                )}{" "}
                {printer.energyNumber(meal.kcal)}
              </span>
            ),
          },
        ]}
      />
      <AtDaysEnd view={view} />
    </section>
  );
}

/** From this hour on a day is asked about. */
const evening = 20;

/** Asks at the end of a day, and afterwards, whether all that was eaten is written, until that was said. */
function AtDaysEnd({ view: { date, meals, note } }: { view: DayView }) {
  const { today } = useLog();
  const write = useDayNote(note, date);
  const isOver = date < today || (date === today && new Date().getHours() >= evening);
  const isEaten = meals.some(({ lines, planned }) => lines.length > planned.length);
  if (!isOver || !isEaten || note?.foodComplete != null) return null;
  const say = (foodComplete: boolean) =>
    void write({ foodComplete }, foodComplete ? "Day complete" : "Day not whole, out of all means");
  return (
    <p className="row noprint">
      <span>Is all that was eaten {date === today ? "today" : "that day"} written?</span>
      <LinkButton onClick={() => say(true)}>Yes, all of it</LinkButton>
      <LinkButton onClick={() => say(false)}>No, it is not whole</LinkButton>
    </p>
  );
}

const isPlanned = ({ planned, lines }: DayView["meals"][number]) => planned.length === lines.length;

function describe({ name, grams, portions }: MealLine): string {
  if (grams !== null) return `${printNumber(grams, 0)} g ${name.toLowerCase()}`;
  return portions === null ? name : `${printPlain(portions, 2)} × ${name.toLowerCase()}`;
}
