"use client";

import type { FormulaChoice as Chosen } from "@/core/strength/e1rm";
import { formulaChoices } from "@/ui/inputs/formulaChoices";
import { useSettings } from "@/ui/log/useSettings";
import styles from "./lifts.module.css";

/** By which relation of repetitions to load every maximum is estimated; it holds for the whole log. */
export function FormulaChoice({ formula }: { formula: Chosen }) {
  const [, change] = useSettings();
  return (
    <label className={`${styles.inline} quiet small`}>
      estimated by{" "}
      <select
        className={styles.select}
        value={formula}
        onChange={(event) => {
          const chosen = formulaChoices.find(({ value }) => value === event.target.value)!;
          void change({ e1rmFormula: chosen.value }, `Maxima by ${chosen.label}`);
        }}
      >
        {formulaChoices.map(({ value, label }) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}
