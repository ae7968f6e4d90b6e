"use client";

import { mealNames } from "@/core/nutrition/mealNames";
import { Field, list, Row, RowButton } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { useLog } from "@/ui/log/LogContext";
import { useSettings } from "@/ui/log/useSettings";
import view from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { Button } from "antd";

const mealNamesForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.mealNamesForm));

/** The meals of the trainee's day, in their order. */
export function MealSettings() {
  const { person, units, today } = useLog();
  const [settings, change] = useSettings();
  const { control, save, meanwhile } = useRecordForm(
    mealNamesForm,
    { units, today },
    `meals ${person.id}`,
    { meals: mealNames(settings).join(", ") },
    { meals: "Meals" },
  );
  const onSubmit = save(({ meals }) =>
    change(
      // What else is kept of a meal stays with its name.
      { meals: meals.map((name) => ({ ...settings.meals?.find((one) => one.name === name), name })) },
      "Meals",
    ),
  );
  return (
    <section className={`${view.form} ${view.section} noprint`}>
      <h2>Meals</h2>
      <form onSubmit={(event) => void onSubmit(event)} noValidate>
        <Row>
          <Field control={control} name="meals" label="Meals of a day, in their order" className={list} />
          <RowButton>
            <Button htmlType="submit">Save meals</Button>
          </RowButton>
        </Row>
        <Meanwhile said={meanwhile} />
      </form>
      <p className="quiet small">
        Foods are written to one by its name and a colon: {mealNames(settings).at(-1)}: 80 g oats.
      </p>
    </section>
  );
}
