"use client";

import type { FormulaChoice as Chosen } from "@/core/strength/e1rm";
import { formulaChoices } from "@/ui/inputs/formulaChoices";
import { Captioned } from "@/ui/kit/Captioned";
import { Select } from "@/ui/kit/Select";
import { useSettings } from "@/ui/log/useSettings";

/** By which relation of repetitions to load every maximum is estimated; it holds for the whole log. */
export function FormulaChoice({ formula }: { formula: Chosen }) {
  const [, change] = useSettings();
  return (
    <Captioned caption="estimated by" className="quiet small">
      {(id) => (
        <Select
          id={id}
          value={formula}
          options={formulaChoices}
          onChange={(chosen) => {
            const { label } = formulaChoices.find(({ value }) => value === chosen)!;
            void change({ e1rmFormula: chosen }, `Maxima by ${label}`);
          }}
        />
      )}
    </Captioned>
  );
}
