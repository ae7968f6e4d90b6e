"use client";

import type { FoodMean } from "@/core/balance/foodAverages";
import { capitalised } from "@/core/base/text";
import { counted, printNumber } from "@/core/base/units/number";
import { weekdayShort } from "@/ui/dates";
import { Matrix } from "@/ui/kit/Matrix";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";

/** What is eaten on average: over 7 and 28 days, by weekday, by kind of day; and protein over the meals. */
export function Averages() {
  const printer = usePrinter();
  const view = useFigure("foodAverages", {});
  if (view === undefined || view.spans.length === 0) return null;
  const table = (label: string, columns: readonly FoodMean[], headOf: (mean: FoodMean) => string) => (
    <Matrix
      label={label}
      corner={label}
      columns={columns}
      keyOf={({ name }) => name}
      headOf={headOf}
      lines={[
        { head: `Energy, ${printer.units.energy}`, cell: ({ nutrients }) => printer.energyNumber(nutrients.kcal) },
        { head: "Protein, g", cell: ({ nutrients }) => printNumber(nutrients.protein, 0) },
        { head: "Fat, g", cell: ({ nutrients }) => printNumber(nutrients.fat, 0) },
        { head: "Carbohydrate, g", cell: ({ nutrients }) => printNumber(nutrients.carbohydrate, 0) },
        { head: "of it fibre, g", tone: "quiet", cell: ({ nutrients }) => printNumber(nutrients.fibre, 0) },
        { head: "Whole days", tone: "quiet", cell: ({ days }) => days },
      ]}
    />
  );
  return (
    <section className={styles.section}>
      <h2>On average</h2>
      {table("Means a day", [...view.spans, ...view.kinds], ({ name }) => name)}
      <h3 className="above">By weekday, twelve weeks</h3>
      {table("By weekday", view.weekdays, ({ name }) => weekdayShort(Number(name)))}
      <p className="quiet small above">
        {view.protein.length > 0 &&
          `Protein by meal, 28 days: ${view.protein.map(({ meal, grams, share }) => `${meal} ${printNumber(grams, 0)} g (${printNumber(share * 100, 0)} %)`).join(", ")}. `}
        {view.left > 0 &&
          `${capitalised(counted(view.left, "day"))} of the last 28 ${view.left === 1 ? "is" : "are"} not whole and in no mean.`}
      </p>
    </section>
  );
}
