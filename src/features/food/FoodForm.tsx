"use client";

import type { Food } from "@/core/log/kinds/foods";
import { put } from "@/core/log/records";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import styles from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { v7 as newId } from "uuid";

const foodForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.foodForm));

const nutrients = [
  ["protein", "Protein"],
  ["fat", "Fat"],
  ["carbohydrate", "Carbohydrate"],
  ["fibre", "Fibre"],
  ["sugars", "Sugars"],
  ["alcohol", "Alcohol"],
] as const;

/** A food of one's own, from its label, per 100 g. */
export function FoodForm() {
  const { commit, units, today } = useLog();
  const library = useHousehold("library");
  const taken = new Set((library?.foods ?? []).map(({ name }) => name.toLowerCase()));
  const { control, handleSubmit, drop } = useTypedForm(foodForm, { units, today, taken }, "food", {
    defaultValues: {
      name: "",
      basis: "total" as "total" | "available",
      energy: "",
      protein: "",
      fat: "",
      carbohydrate: "",
      fibre: "",
      sugars: "",
      alcohol: "",
    },
  });
  const save = handleSubmit(async (values) => {
    const stated = nutrients.flatMap(([key]) => (values[key] === null ? [] : [[key, values[key]] as const]));
    const food: Food = {
      id: newId(),
      name: values.name,
      carbohydrateBasis: values.basis,
      per100g: { ...Object.fromEntries(stated), ...(values.energy === null ? {} : { kcal: values.energy }) },
    };
    if (await commit([put("foods", food)], `Food ${food.name}`)) drop();
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>Add a food, per 100 g</h2>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row>
          <Field control={control} name="name" label="Name" />
          <Choice
            control={control}
            name="basis"
            label="Its carbohydrate is"
            options={[
              { value: "total", label: "with the fibre in it" },
              { value: "available", label: "without the fibre" },
            ]}
          />
          <Field control={control} name="energy" label="Energy, if stated" unit={units.energy} inputMode="decimal" />
          {nutrients.map(([key, label]) => (
            <Field key={key} control={control} name={key} label={label} unit="g" inputMode="decimal" />
          ))}
          <RowButton>
            <Button htmlType="submit">Add food</Button>
          </RowButton>
        </Row>
      </form>
    </section>
  );
}
