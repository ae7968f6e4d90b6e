"use client";

import { fromKcal } from "@/core/base/units/energy";
import { printTyped } from "@/core/base/units/number";
import type { Food } from "@/core/log/kinds/foods";
import { put } from "@/core/log/records";
import { isGtin } from "@/core/nutrition/label";
import { Cancel } from "@/ui/inputs/Cancel";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import { Button } from "antd";
import { useState } from "react";
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

const typed = (value: number | null | undefined) => (value == null ? "" : printTyped(value, 2));

/** A food of one's own, from its label, per 100 g. */
export function FoodForm({ food, close }: { food: Food | null; close: () => void }) {
  const { commit, units, today } = useLog();
  const library = useHousehold("library");
  const taken = new Set(
    (library?.foods ?? []).filter(({ id }) => id !== food?.id).map(({ name }) => name.toLowerCase()),
  );
  const fieldsOf = (one: Pick<Food, "name" | "carbohydrateBasis" | "per100g" | "portions" | "source">) => ({
    name: one.name,
    basis: one.carbohydrateBasis ?? ("total" as const),
    energy: one.per100g.kcal == null ? "" : typed(fromKcal(one.per100g.kcal, units.energy)),
    protein: typed(one.per100g.protein),
    fat: typed(one.per100g.fat),
    carbohydrate: typed(one.per100g.carbohydrate),
    fibre: typed(one.per100g.fibre),
    sugars: typed(one.per100g.sugars),
    alcohol: typed(one.per100g.alcohol),
    portions: (one.portions ?? []).map(({ name, grams }) => `${name} ${printTyped(grams, 2)}`).join(", "),
    source: one.source ?? "",
  });
  const shown = { ...fieldsOf(food ?? { name: "", per100g: {} }), gtin: food?.gtin ?? "" };
  const { control, save, setValue, getValues, setError, meanwhile, drop } = useRecordForm(
    foodForm,
    { units, today, taken },
    `food ${food?.id ?? "new"}`,
    shown,
    { name: "Name", energy: "Energy", portions: "Portions" },
  );
  const [asking, setAsking] = useState(false);
  const fill = async () => {
    const gtin = getValues("gtin").replaceAll(/[\s-]/g, "");
    const own = (library?.foods ?? []).find((one) => one.gtin === gtin && one.id !== food?.id);
    const say = (message: string) => setError("gtin", { message }, { shouldFocus: true });
    if (!isGtin(gtin)) return say("Its last digit does not fit the others: look again.");
    if (own !== undefined) return say(`You have it already: ${own.name}.`);
    setAsking(true);
    const { lookUp } = await import("./lookUp");
    const label = await lookUp(gtin);
    setAsking(false);
    if ("why" in label) return say(label.why);
    const fields = fieldsOf({ ...label, source: "label" });
    for (const name of Object.keys(fields) as (keyof typeof fields)[])
      setValue(name, fields[name], { shouldDirty: true });
  };
  const onSubmit = save(async (values, changed) => {
    const stated = nutrients.flatMap(([key]) =>
      food !== null && !changed.has(key) ? [] : [[key, values[key]] as const],
    );
    const per100g = {
      ...food?.per100g,
      ...Object.fromEntries(stated.filter(([, value]) => food !== null || value !== null)),
      ...(food !== null && !changed.has("energy") ? {} : { kcal: values.energy }),
    };
    const next: Food = {
      ...(food ?? { id: newId() }),
      name: values.name,
      carbohydrateBasis: values.basis,
      per100g,
      ...(values.portions.length === 0 && food?.portions == null ? {} : { portions: values.portions }),
      ...(values.gtin === null && food?.gtin == null ? {} : { gtin: values.gtin }),
      ...(values.source === "" && food?.source == null ? {} : { source: values.source || null }),
    };
    const saved = await commit([put("foods", next, food ?? undefined)], `Food ${next.name}`);
    if (saved) close();
    return saved;
  });
  return (
    <form
      onSubmit={(event) => void onSubmit(event)}
      noValidate
      className="noprint above"
      aria-label={food === null ? "A new food" : `Change ${food.name}`}
    >
      <Meanwhile said={meanwhile} />
      <Row>
        <Field control={control} name="name" label="Name" autoFocus />
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
          label="Energy of 100 g, if stated"
          unit={units.energy}
          inputMode="decimal"
        />
        {nutrients.map(([key, label]) => (
          <Field key={key} control={control} name={key} label={label} unit="g" inputMode="decimal" />
        ))}
      </Row>
      <Row>
        <Field control={control} name="portions" label="Portions, g" placeholder="slice 38, cup 80" />
        <Field control={control} name="gtin" label="Number of the bar code" inputMode="numeric" />
        <RowButton>
          <LinkButton disabled={asking} onClick={() => void fill()}>
            {asking ? "Asking" : "Look the label up"}
          </LinkButton>
        </RowButton>
        <Field control={control} name="source" label="From" placeholder="label" />
        <RowButton>
          <Button htmlType="submit" type="primary">
            Save food
          </Button>
        </RowButton>
        <Cancel drop={drop} onClose={close} />
      </Row>
    </form>
  );
}
