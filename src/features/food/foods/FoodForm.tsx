"use client";

import { fromKcal } from "@/core/base/units/energy";
import { printTyped } from "@/core/base/units/number";
import type { Food } from "@/core/log/kinds/foods";
import { put } from "@/core/log/records";
import { isGtin } from "@/core/nutrition/label";
import { namedText } from "@/core/nutrition/namedText";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { FilePicker } from "@/ui/kit/FilePicker";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import { useState } from "react";
import { useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";
import { numberIn, readsBarCodes } from "./barCode";

const foodForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.foodForm));

const nutrients = [
  ["protein", "Protein"],
  ["fat", "Fat"],
  ["carbohydrate", "Carbohydrate"],
  ["fibre", "Fibre"],
  ["sugars", "Sugars"],
  ["alcohol", "Alcohol"],
] as const;

type LabelOf = Pick<
  Food,
  "name" | "carbohydrateBasis" | "per100g" | "per100ml" | "gramsPerMl" | "portions" | "others" | "source"
>;

/** A label of one weight as it is of another. */
function scaledBy(label: Food["per100g"], times: number): Food["per100g"] {
  return Object.fromEntries(
    Object.entries(label).map(([key, value]) => [key, typeof value === "number" ? value * times : value]),
  );
}

const typed = (value: number | null | undefined) => (value == null ? "" : printTyped(value, 2));

/** A food of one's own, from its label, of 100 g, of 100 ml or of a portion. @param called what a new one is called already */
export function FoodForm({ food, called = "", close }: { food: Food | null; called?: string; close: () => void }) {
  const { commit, units, today } = useLog();
  const library = useHousehold("library");
  const taken = new Set(
    (library?.foods ?? []).filter(({ id }) => id !== food?.id).map(({ name }) => name.toLowerCase()),
  );
  const fieldsOf = (one: LabelOf) => {
    const isLiquid = one.per100ml != null && one.gramsPerMl != null;
    return { ...statedFields(isLiquid ? one.per100ml! : one.per100g), ...otherFields(one, isLiquid) };
  };
  const statedFields = (label: Food["per100g"]) => ({
    energy: label.kcal == null ? "" : typed(fromKcal(label.kcal, units.energy)),
    protein: typed(label.protein),
    fat: typed(label.fat),
    carbohydrate: typed(label.carbohydrate),
    fibre: typed(label.fibre),
    sugars: typed(label.sugars),
    alcohol: typed(label.alcohol),
  });
  const otherFields = (one: LabelOf, isLiquid: boolean) => ({
    name: one.name,
    basis: one.carbohydrateBasis ?? ("total" as const),
    per: (isLiquid ? "ml" : "g") as "g" | "ml" | "portion",
    weighs: isLiquid ? typed(one.gramsPerMl! * 100) : "",
    portions: namedText((one.portions ?? []).map(({ name, grams }) => [name, printTyped(grams, 2)])),
    others: namedText((one.others ?? []).map(({ name, mg }) => [name, printTyped(mg, 3)])),
    source: one.source ?? "",
  });
  const shown = { ...fieldsOf(food ?? { name: called, per100g: {} }), gtin: food?.gtin ?? "" };
  const { control, save, setValue, getValues, setError, meanwhile, drop } = useRecordForm(
    foodForm,
    { units, today, taken },
    `food ${food?.id ?? "new"}`,
    shown,
    {
      name: "Name",
      basis: "What the carbohydrate counts",
      per: "What it is of",
      weighs: "What that weighs",
      energy: "Energy",
      protein: "Protein",
      fat: "Fat",
      carbohydrate: "Carbohydrate",
      fibre: "Fibre",
      sugars: "Sugars",
      alcohol: "Alcohol",
      portions: "Portions",
      others: "What else is in it",
      gtin: "The bar-code number",
      source: "The source",
    },
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
  const readPicture = async ([picture]: File[]) => {
    if (picture === undefined) return;
    const read = await numberIn(picture);
    if ("why" in read) return setError("gtin", { message: read.why }, { shouldFocus: true });
    setValue("gtin", read.number, { shouldDirty: true, shouldValidate: true });
    await fill();
  };
  const onSubmit = save(async (values, changed) => {
    const { per } = values;
    const times = values.weighs === null ? 1 : 100 / values.weighs;
    // What stands as it did keeps its digits, unless all of it is of another weight now.
    const isAnew = food === null || per !== "g" || changed.has("per");
    const stated = ([["kcal", "energy"], ...nutrients.map(([key]) => [key, key] as const)] as const).flatMap(
      ([key, field]) => {
        const value = values[field];
        return (isAnew ? food !== null || value !== null : changed.has(field)) ? [[key, value] as const] : [];
      },
    );
    const label: Food["per100g"] = Object.fromEntries(stated);
    const per100g = { ...food?.per100g, ...scaledBy(label, times) };
    const portion =
      per === "portion" && values.portions.length === 0 ? [{ name: "portion", grams: values.weighs! }] : [];
    const written = food === null || changed.has("portions") ? values.portions : (food.portions ?? []);
    const portions = [...portion, ...written];
    const next: Food = {
      ...(food ?? { id: newId() }),
      name: values.name,
      carbohydrateBasis: values.basis,
      per100g,
      ...(per === "ml"
        ? { per100ml: label, gramsPerMl: values.weighs! / 100 }
        : food?.per100ml == null
          ? {}
          : { per100ml: null }),
      ...(portions.length === 0 && food?.portions == null ? {} : { portions }),
      ...(changed.has("others") || (food === null && values.others.length > 0) ? { others: values.others } : {}),
      ...(changed.has("gtin") || (food === null && values.gtin !== null) ? { gtin: values.gtin } : {}),
      ...(changed.has("source") || (food === null && values.source !== "") ? { source: values.source || null } : {}),
    };
    const saved = await commit([put("foods", next, food ?? undefined)], `Food ${next.name}`);
    if (saved) close();
    return saved;
  });
  const per = useWatch({ control, name: "per" });
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
        <Choice
          control={control}
          name="per"
          label="The label is of"
          options={[
            { value: "g", label: "100 g" },
            { value: "ml", label: "100 ml" },
            { value: "portion", label: "a portion" },
          ]}
        />
        {per !== "g" && (
          <Field
            control={control}
            name="weighs"
            label={per === "ml" ? "100 ml weigh" : "A portion weighs"}
            unit="g"
            inputMode="decimal"
            placeholder={per === "ml" ? "103" : "38"}
          />
        )}
        <Field
          control={control}
          name="energy"
          label={`Energy of ${per === "portion" ? "a portion" : `100 ${per}`}, if stated`}
          unit={units.energy}
          inputMode="decimal"
        />
        {nutrients.map(([key, label]) => (
          <Field key={key} control={control} name={key} label={label} unit="g" inputMode="decimal" />
        ))}
      </Row>
      <Row>
        <Field control={control} name="portions" label="Portions, g" placeholder="slice 38, cup 80" />
        <Field control={control} name="others" label="Also in 100 g, mg" placeholder="caffeine 40, iron 2" />
        <Field control={control} name="gtin" label="Number of the bar code" inputMode="numeric" />
        <RowButton>
          <LinkButton disabled={asking} onClick={() => void fill()}>
            {asking ? "Asking" : "Look the label up"}
          </LinkButton>
        </RowButton>
        {readsBarCodes() && (
          <FilePicker label="A picture of its bar code" accept="image/*" onFiles={(files) => void readPicture(files)}>
            Read it from a picture
          </FilePicker>
        )}
        <Field control={control} name="source" label="From" placeholder="label" />
        <FormEnd save="Save food" drop={drop} onClose={close} />
      </Row>
    </form>
  );
}
