"use client";

import { counted, printNumber } from "@/core/base/units/number";
import type { DayNote } from "@/core/log/kinds/dayNotes";
import type { ToBuy } from "@/core/nutrition/mealWeek";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Tick } from "@/ui/kit/Tick";
import { useDayNote } from "@/ui/log/useDayNote";
import view from "@/ui/view.module.css";

/** What the planned meals of a week need, by food; what is at home is ticked off, and stays so in the log. */
export function Shopping({
  from,
  note,
  shopping,
}: {
  from: string;
  /** The note of the first day, in which it is kept what is at home. */
  note: DayNote | null;
  shopping: readonly ToBuy[];
}) {
  const write = useDayNote(note, from);
  const left = shopping.filter(({ isAtHome }) => !isAtHome).length;
  const tick = ({ foodId, name }: ToBuy, isAtHome: boolean) => {
    const others = shopping
      .filter((one) => one.isAtHome && one.foodId !== foodId)
      .map((one) => ({ foodId: one.foodId }));
    const atHome = isAtHome ? [...others, { foodId }] : others;
    void write({ atHome }, `${name}, ${isAtHome ? "at home" : "to buy"}`);
  };
  return (
    <section className={view.section}>
      <h2>To buy</h2>
      {shopping.length === 0 ? (
        <p className="quiet">Nothing is planned in this week from today on.</p>
      ) : (
        <>
          <p className="quiet small">
            {counted(left, "food")} for what is planned from today on; recipes by their ingredients, as they are weighed
            raw.
          </p>
          <RecordTable<ToBuy>
            label="To buy"
            rows={shopping}
            keyOf={({ foodId }) => foodId}
            tone={({ isAtHome }) => (isAtHome ? "quiet" : undefined)}
            columns={[
              { head: "Food", folded: "name", cell: ({ name, isAtHome }) => (isAtHome ? <s>{name}</s> : name) },
              {
                head: "Amount",
                num: true,
                folded: "beside",
                cell: ({ grams, pieces }) =>
                  pieces !== null
                    ? `${printNumber(pieces, 0)} ×`
                    : grams >= 1000
                      ? `${printNumber(grams / 1000, 2)} kg`
                      : `${printNumber(grams, 0)} g`,
              },
              {
                head: "At home",
                bare: true,
                cell: (one) => (
                  <Tick
                    label={`${one.name} is at home`}
                    checked={one.isAtHome}
                    onChange={(isAtHome) => tick(one, isAtHome)}
                  />
                ),
              },
            ]}
          />
        </>
      )}
    </section>
  );
}
