"use client";

import { mealNames, readMealNames } from "@/core/nutrition/mealNames";
import { Field, list, Row, RowButton } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { useSettings } from "@/ui/log/useSettings";
import view from "@/ui/view.module.css";
import { Button } from "antd";

/** The meals of the trainee's day, in their order. */
export function MealSettings() {
  const [settings, change] = useSettings();
  const { control, save, meanwhile } = useRecordForm({ meals: mealNames(settings).join(", ") }, { meals: "Meals" });
  const onSubmit = save(({ meals }) => {
    const names = readMealNames(meals);
    if (typeof names === "string") return Promise.resolve(false);
    // What else is kept of a meal stays with its name.
    return change(
      { meals: names.map((name) => ({ ...settings.meals?.find((one) => one.name === name), name })) },
      "Meals",
    );
  });
  return (
    <section className={`${view.form} ${view.section} noprint`}>
      <h2>Meals</h2>
      <form onSubmit={(event) => void onSubmit(event)} noValidate>
        <Row>
          <Field
            control={control}
            name="meals"
            label="Meals of a day, in their order"
            className={list}
            check={(text) => {
              const names = readMealNames(text);
              return typeof names === "string" ? names : null;
            }}
          />
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
