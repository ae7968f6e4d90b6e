import { type FormulaChoice, formulaNames, formulas } from "@/core/strength/e1rm";

/** The ways to estimate a maximum, as they are offered. */
export const formulaChoices: readonly { value: FormulaChoice; label: string }[] = [
  { value: "mean", label: "mean of seven formulas" },
  { value: "personal", label: "each lift's own curve" },
  ...formulaNames.map((name) => ({ value: name, label: formulas[name].title })),
];
