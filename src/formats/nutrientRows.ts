import type { NutrientTable } from "@/core/balance/nutrientTable";
import { type EnergyUnit, fromKcal } from "@/core/base/units/energy";
import { rounded } from "@/core/base/units/number";

const columns = ["protein", "fat", "carbohydrate", "fibre", "sugars", "polyols", "alcohol"] as const;

/** Nutrients by day as rows of a CSV, the oldest first, with their names above; what is not known is empty. */
export function nutrientRows({ days }: NutrientTable, unit: EnergyUnit): (string | number | null)[][] {
  const energy = (kcal: number | null) => (kcal === null ? null : rounded(fromKcal(kcal, unit), 1));
  return [
    ["date", `energy (${unit})`, ...columns.map((name) => `${name} (g)`), "water (ml)", `target (${unit})`, "whole"],
    ...days
      .toReversed()
      .map(({ date, kcal, nutrients, waterMl, targetKcal, isWhole }) => [
        date,
        energy(kcal),
        ...columns.map((name) => rounded(nutrients[name], 1)),
        rounded(waterMl, 0),
        energy(targetKcal),
        isWhole ? "yes" : "no",
      ]),
  ];
}
