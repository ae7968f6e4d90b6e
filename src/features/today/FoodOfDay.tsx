"use client";

import { printNumber } from "@/core/base/units/number";
import type { DayView } from "@/core/days/dayView";
import { put } from "@/core/log/records";
import type { MealLine } from "@/core/nutrition/mealGroups";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
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
      <table className={styles.foodTable}>
        <tbody>
          {view.meals.map(({ name, lines, planned, kcal }) => {
            return (
              <tr key={name}>
                <td>{name.charAt(0).toUpperCase() + name.slice(1)}</td>
                <td className={planned.length === lines.length ? "planned" : undefined}>
                  {lines.map(describe).join(", ")}
                </td>
                <td className={`num ${planned.length === lines.length ? "planned" : ""}`}>
                  {planned.length > 0 && view.date <= today && (
                    <LinkButton
                      className="small"
                      onClick={() =>
                        void commit(
                          planned.map(({ meal }) => put("meals", { ...meal, status: "eaten" }, meal)),
                          `${name} eaten`,
                        )
                      }
                    >
                      Eaten
                    </LinkButton>
                  )}{" "}
                  {printer.energyNumber(kcal)}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function describe({ name, grams, portions }: MealLine): string {
  if (grams !== null) return `${printNumber(grams, 0)} g ${name.toLowerCase()}`;
  return portions === null ? name : `${printNumber(portions, portions % 1 === 0 ? 0 : 1)} × ${name.toLowerCase()}`;
}
