"use client";

import { put } from "@/core/log/records";
import { mealOn } from "@/core/nutrition/mealOn";
import { statedNutrients } from "@/core/nutrition/stated";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { useLog } from "@/ui/log/LogContext";
import { Button } from "antd";
import { v7 as newId } from "uuid";
import { StatedFields } from "./StatedFields";
import { useMealOptions } from "./useMealOptions";

const statedForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.statedForm));

/** Something eaten of which the energy is known, and no food: a meal out. */
export function StatedForm() {
  const { person, units, day, today, commit } = useLog();
  const meals = useMealOptions();
  const { control, handleSubmit, drop } = useTypedForm(statedForm, { units, today }, `stated ${person.id}`, {
    defaultValues: {
      meal: meals.offered,
      name: "",
      energy: "",
      protein: "",
      fat: "",
      carbohydrate: "",
    },
  });
  const save = handleSubmit(async ({ meal, name, ...parts }) => {
    const place = { id: newId(), personId: person.id, date: day, meal };
    const record = mealOn(place, today, { name, nutrients: statedNutrients(parts) });
    if (await commit([put("meals", record)], `${name}, ${meal}`)) drop(["meal"]);
  });
  return (
    <details>
      <summary>Something by its energy alone</summary>
      <form onSubmit={(event) => void save(event)} noValidate aria-label="Something by its energy alone">
        <Row>
          <Choice control={control} name="meal" label="Meal" options={meals.options} />
          <Field control={control} name="name" label="What it was" placeholder="pizza, out" />
          <StatedFields control={control} />
          <RowButton>
            <Button htmlType="submit">{day > today ? "Plan it" : "Log it"}</Button>
          </RowButton>
        </Row>
      </form>
    </details>
  );
}
