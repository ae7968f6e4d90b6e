"use client";

import { printPlain } from "@/core/base/units/number";
import type { Meal } from "@/core/log/kinds/meals";
import { put } from "@/core/log/records";
import { ofFood, ofRecipe } from "@/core/nutrition/energy";
import { mealNames } from "@/core/nutrition/mealNames";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import styles from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";

const mealForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.mealForm));

/** A food or a recipe on the chosen day; on a day to come it is planned. */
export function MealForm() {
  const { person, units, day, today, commit } = useLog();
  const library = useHousehold("library");
  const meals = mealNames(person.settings ?? {});
  const options = [
    ...(library?.foods ?? []).map(({ id, name }) => ({ value: `food ${id}`, label: name })),
    ...(library?.recipes ?? []).map(({ id, name }) => ({ value: `recipe ${id}`, label: `${name} (recipe)` })),
  ];
  const first = options[0]?.value ?? "";
  const { control, handleSubmit, drop } = useTypedForm(mealForm, { units, today, first }, `meal ${person.id}`, {
    defaultValues: { meal: meals[0]!, thing: "", amount: "" },
  });
  const chosen = useWatch({ control, name: "thing" }) || first;
  const isRecipe = chosen.startsWith("recipe ");
  const save = handleSubmit(async ({ meal, amount }) => {
    const id = chosen.slice(chosen.indexOf(" ") + 1);
    const foods = new Map((library?.foods ?? []).map((food) => [food.id, food]));
    const recipe = library?.recipes.find((one) => one.id === id);
    const base: Meal = { id: newId(), personId: person.id, date: day, meal, status: day > today ? "planned" : "eaten" };
    const record: Meal =
      isRecipe && recipe
        ? { ...base, ...ofRecipe(recipe, amount, foods) }
        : { ...base, ...ofFood(foods.get(id)!, amount) };
    if (
      await commit(
        [put("meals", record)],
        `${options.find(({ value }) => value === chosen)?.label ?? ""}, ${printPlain(amount, 1)} ${isRecipe ? "portions" : "g"}`,
      )
    )
      drop(["meal", "thing"]);
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>{day > today ? "Plan food" : "Log food"}</h2>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row>
          <Choice
            control={control}
            name="meal"
            label="Meal"
            options={meals.map((value) => ({ value, label: value }))}
          />
          <Choice control={control} name="thing" label="Food or recipe" options={options} />
          <Field
            control={control}
            name="amount"
            label="Amount"
            unit={isRecipe ? "portions" : "g"}
            inputMode="decimal"
          />
          <RowButton>
            <Button htmlType="submit">{day > today ? "Plan food" : "Log food"}</Button>
          </RowButton>
        </Row>
      </form>
    </section>
  );
}
