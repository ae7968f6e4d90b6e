"use client";

import { capitalised } from "@/core/base/text";
import { counted } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import { keptMeal } from "@/core/nutrition/keptMeal";
import { mealAtHour } from "@/core/nutrition/mealNames";
import { mealOn } from "@/core/nutrition/mealOn";
import type { MealGroup } from "@/core/nutrition/mealGroups";
import type { Usual } from "@/core/nutrition/usuals";
import { addDays, longDate, shortDate } from "@/ui/dates";
import { Actions } from "@/ui/kit/Actions";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { v7 as newId } from "uuid";
import { amountOf, useEatenOf, useEdibles } from "./eatenOf";
import { hourNow } from "./hourNow";

/** What is usual at each meal, each a press with the amount of the last time; and whole days and meals again. */
export function Usuals({ day, meals }: { day: string; meals: readonly MealGroup[] }) {
  const { person, today, compute, commit, warn } = useLog();
  const eatenOf = useEatenOf();
  const { foods, recipes } = useEdibles();
  const groups = useFigure("usuals", { date: day });
  if (groups === undefined) return null;
  // The meal of the hour stands first.
  const now = day === today ? mealAtHour(person.settings ?? {}, hourNow()) : null;
  const inTurn = groups
    .filter(({ usuals }) => usuals.length > 0)
    .toSorted((a, b) => Number(b.meal === now) - Number(a.meal === now));
  const status = day > today ? ("planned" as const) : ("eaten" as const);
  const eat = async (usual: Usual) => {
    const eaten = eatenOf(usual);
    if (eaten === null) return;
    const place = { id: newId(), personId: person.id, date: day, meal: usual.meal };
    await commit([put("meals", mealOn(place, today, eaten))], `${usual.name}, ${usual.meal}`);
  };
  const copy = async (from: string, to: string, meal: string | null, days: number) => {
    const change = await compute.ask("mealsCopied", { personId: person.id, today, from, to, meal, days });
    if (change === null) return;
    const what = meal ?? "all";
    const label =
      to === day
        ? `${counted(change.length, "food")} as on ${shortDate(from)}`
        : `${what} of ${shortDate(from)} again, ${counted(change.length, "food")}`;
    await commit(change, change.length === 0 ? "Nothing was eaten on that day" : label);
  };
  const allEaten = (group: MealGroup) =>
    commit(
      group.planned.map(({ meal }) => put("meals", { ...meal, status: "eaten" }, meal)),
      `${group.name} eaten`,
    );
  const keep = async (group: MealGroup) => {
    const taken = new Set([...foods.values(), ...recipes.values()].map(({ name }) => name.toLowerCase()));
    const recipe = keptMeal(group, `${capitalised(group.name)} of ${shortDate(day)}`, taken, newId());
    if (recipe === null)
      return warn(`${capitalised(group.name)} holds something that is no food by its weight: no recipe was made.`);
    await commit([put("recipes", recipe)], `Recipe ${recipe.name}`);
  };
  return (
    <section className={`${styles.section} noprint`}>
      <h2>{status === "planned" ? "Plan what is usual" : "As usual"}</h2>
      <p className="row">
        <Button onClick={() => void copy(addDays(day, -1), day, null, 1)}>Same as the day before</Button>
        <Button onClick={() => void copy(addDays(day, -7), day, null, 1)}>
          As {longDate(addDays(day, -7)).replace(/,? \d{4}$/, "")}
        </Button>
        {meals.length > 0 && (
          <Actions
            label={longDate(day)}
            actions={[
              { name: "The whole day on the next day", act: () => void copy(day, addDays(day, 1), null, 1) },
              ...meals.flatMap((group) => [
                ...(group.planned.length > 0 && day <= today
                  ? [{ name: `${group.name}: all of it eaten`, act: () => void allEaten(group) }]
                  : []),
                { name: `${group.name} on the next day`, act: () => void copy(day, addDays(day, 1), group.name, 1) },
                { name: `${group.name} kept as a recipe`, act: () => void keep(group) },
                {
                  name: `${group.name} on the next seven days`,
                  act: () => void copy(day, addDays(day, 1), group.name, 7),
                },
              ]),
            ]}
          />
        )}
      </p>
      {inTurn.map(({ meal, usuals }) => (
        <p key={meal} className="row" role="group" aria-label={`Usual at ${meal}`}>
          <span className="quiet">{meal}</span>
          {usuals.map((usual) => (
            <Button key={usual.foodId ?? usual.recipeId} onClick={() => void eat(usual)}>
              {`${amountOf(usual)} ${usual.name}`}
            </Button>
          ))}
        </p>
      ))}
    </section>
  );
}
