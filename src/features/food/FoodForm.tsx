"use client";

import { toKcal } from "@/core/base/units/energy";
import { parseDecimal } from "@/core/base/units/number";
import type { Food } from "@/core/log/kinds/foods";
import { put } from "@/core/log/records";
import { between, optional, required } from "@/ui/inputs/checks";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useForm } from "react-hook-form";
import { v7 as newId } from "uuid";

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
  const { commit, units } = useLog();
  const library = useHousehold("library");
  const { control, handleSubmit, reset, getValues } = useForm({
    mode: "onChange",
    defaultValues: {
      name: "",
      basis: "total",
      energy: "",
      protein: "",
      fat: "",
      carbohydrate: "",
      fibre: "",
      sugars: "",
      alcohol: "",
    },
  });
  const names = new Set((library?.foods ?? []).map(({ name }) => name.toLowerCase()));
  const grams = optional(between("It", 0, 100));
  /** Sugars (and, on a label that counts it in, fibre) are parts of the carbohydrate. */
  const part = (text: string) => {
    const wrong = grams(text);
    if (wrong !== null || text.trim() === "") return wrong;
    const { carbohydrate, basis } = getValues();
    const whole = parseDecimal(carbohydrate);
    return basis === "total" && whole !== null && parseDecimal(text)! > whole
      ? "It is a part of the carbohydrate and cannot be more."
      : null;
  };
  const save = handleSubmit(async (fields) => {
    const energy = parseDecimal(fields.energy);
    const values = nutrients.flatMap(([key]) => {
      const value = parseDecimal(fields[key]);
      return value === null ? [] : [[key, value] as const];
    });
    const food: Food = {
      id: newId(),
      name: fields.name.trim(),
      carbohydrateBasis: fields.basis as Food["carbohydrateBasis"],
      per100g: { ...Object.fromEntries(values), ...(energy === null ? {} : { kcal: toKcal(energy, units.energy) }) },
    };
    if (await commit([put("foods", food)], `Food ${food.name}`)) reset();
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>Add a food, per 100 g</h2>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row>
          <Field
            control={control}
            name="name"
            label="Name"
            check={(text) =>
              required("A name")(text) ?? (names.has(text.trim().toLowerCase()) ? "There is one of that name." : null)
            }
          />
          <Choice
            control={control}
            name="basis"
            label="Its carbohydrate is"
            options={[
              { value: "total", label: "with the fibre in it" },
              { value: "available", label: "without the fibre" },
            ]}
          />
          <Field
            control={control}
            name="energy"
            label="Energy, if stated"
            unit={units.energy}
            inputMode="decimal"
            check={optional(between("Energy", 0, 4000))}
          />
          {nutrients.map(([key, label]) => (
            <Field
              key={key}
              control={control}
              name={key}
              label={label}
              unit="g"
              inputMode="decimal"
              check={key === "fibre" || key === "sugars" ? part : grams}
            />
          ))}
          <RowButton>
            <Button htmlType="submit">Add food</Button>
          </RowButton>
        </Row>
      </form>
    </section>
  );
}
