"use client";

import { printPlain } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import { mealOn } from "@/core/nutrition/mealOn";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import styles from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";
import { StatedForm } from "./StatedForm";
import { useMealOptions } from "./useMealOptions";
import { isRecipe, useTableFor, useThings } from "./useThings";

const mealForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.mealForm));

/** A food or a recipe on the chosen day; on a day to come it is planned. */
export function MealForm() {
  const { person, units, day, today, commit } = useLog();
  const { options, onOpen, countedIn, eatenOf, madeOf } = useThings("foods");
  const meals = useMealOptions();
  const { control, handleSubmit, drop } = useTypedForm(mealForm, { units, today, countedIn }, `meal ${person.id}`, {
    defaultValues: {
      meal: meals.offered,
      thing: "",
      amount: "",
    },
  });
  const chosen = useWatch({ control, name: "thing" });
  useTableFor(chosen);
  const save = handleSubmit(async ({ meal, amount }) => {
    const eaten = eatenOf(chosen, amount);
    if (eaten === null) return;
    const record = mealOn({ id: newId(), personId: person.id, date: day, meal }, today, eaten);
    if (
      await commit(
        [...madeOf(chosen), put("meals", record)],
        `${options.find(({ value }) => value === chosen)?.label ?? ""}, ${printPlain(amount, 1)} ${isRecipe(chosen) ? "portions" : "g"}`,
      )
    )
      drop(chosen.startsWith("table ") ? ["meal"] : ["meal", "thing"]);
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>{day > today ? "Plan food" : "Log food"}</h2>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row>
          <Choice control={control} name="meal" label="Meal" options={meals.options} />
          <Choice control={control} name="thing" label="Food or recipe" {...{ options, onOpen }} />
          <Field
            control={control}
            name="amount"
            label="Amount"
            unit={isRecipe(chosen) ? "portions" : "g"}
            inputMode="decimal"
          />
          <RowButton>
            <Button htmlType="submit">{day > today ? "Plan food" : "Log food"}</Button>
          </RowButton>
        </Row>
      </form>
      <StatedForm />
    </section>
  );
}
