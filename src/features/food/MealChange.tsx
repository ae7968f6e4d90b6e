"use client";

import { fromKcal } from "@/core/base/units/energy";
import { printTyped } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import { ofAmount } from "@/core/nutrition/energy";
import type { MealLine } from "@/core/nutrition/mealGroups";
import { mealNames } from "@/core/nutrition/mealNames";
import { statedNutrients } from "@/core/nutrition/stated";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Choice, Field, Row } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { useLog } from "@/ui/log/LogContext";
import { StatedFields } from "./StatedFields";
import { foodCounted, recipeCounted, useEdibles } from "./eatenOf";

const mealChangeForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.mealChangeForm));

const statedNames = ["name", "energy", "protein", "fat", "carbohydrate"] as const;
const noParts = { kcal: null, protein: null, fat: null, carbohydrate: null };
const typed = (value: number | null | undefined) => (value == null ? "" : printTyped(value, 1));

/** Something eaten or planned, of another amount or at another meal. */
export function MealChange({ line: { meal, name }, close }: { line: MealLine; close: () => void }) {
  const { person, units, today, commit } = useLog();
  const { foods, recipes } = useEdibles();
  const of = meal.recipeId != null ? "recipe" : meal.grams != null || meal.foodId != null ? "food" : "words";
  const stated = of === "words" ? (meal.nutrients ?? {}) : {};
  const amount = of === "recipe" ? meal.portions : meal.grams;
  const food = foodCounted(foods.get(meal.foodId ?? ""));
  const counted = of === "words" ? null : of === "recipe" ? recipeCounted(recipes.get(meal.recipeId!)) : food;
  const [portion] = food.portions ?? [];
  const { control, save, meanwhile, drop } = useRecordForm(
    mealChangeForm,
    { units, today, counted, isEaten: meal.status !== "planned" },
    `meal ${meal.id}`,
    {
      date: meal.date,
      meal: meal.meal ?? "",
      amount: amount == null ? "" : printTyped(amount, 2),
      name: meal.name ?? "",
      energy: typed(stated.kcal == null ? null : fromKcal(stated.kcal, units.energy)),
      protein: typed(stated.protein),
      fat: typed(stated.fat),
      carbohydrate: typed(stated.carbohydrate),
    },
    {
      date: "Day",
      meal: "Meal",
      amount: "Amount",
      name: "What it was",
      energy: "Energy",
      protein: "Protein",
      fat: "Fat",
      carbohydrate: "Carbohydrate",
    },
  );
  const isStated = (field: string) => of === "words" && statedNames.some((one) => one === field);
  const names = [...new Set([...mealNames(person.settings ?? {}), ...(meal.meal ? [meal.meal] : [])])];
  const onSubmit = save(async ({ date, meal: at, amount: much, name: called, energy, ...parts }, changed) => {
    const next = {
      ...(much === null || !changed.has("amount") ? meal : ofAmount(meal, much, foods, recipes)),
      ...([...changed].some(isStated)
        ? { name: called, nutrients: { ...meal.nutrients, ...noParts, ...statedNutrients({ energy, ...parts }) } }
        : {}),
      ...(changed.has("meal") ? { meal: at } : {}),
      ...(changed.has("date") ? { date } : {}),
    };
    const saved = await commit([put("meals", next, meal)], `${name} changed`);
    if (saved) close();
    return saved;
  });
  return (
    <form onSubmit={(event) => void onSubmit(event)} noValidate aria-label={`Change ${name}`}>
      <Meanwhile said={meanwhile} />
      <Row>
        {of === "words" ? (
          <>
            <Field control={control} name="name" label="What it was" autoFocus />
            <StatedFields control={control} />
          </>
        ) : (
          <Field
            control={control}
            name="amount"
            label="Amount"
            unit={of === "recipe" ? "portions" : "g"}
            inputMode="decimal"
            placeholder={portion === undefined ? "" : `2 ${portion.name}`}
            autoFocus
          />
        )}
        <Choice control={control} name="meal" label="Meal" options={names.map((value) => ({ value, label: value }))} />
        <Field
          control={control}
          name="date"
          label="Day"
          type="date"
          lean={meal.status === "planned" ? "ahead" : "back"}
        />
        <FormEnd save="Save" drop={drop} onClose={close} />
      </Row>
    </form>
  );
}
