"use client";

import { dateOf } from "@/core/base/calendar/day";
import { printNumber } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import type { FoodDay } from "@/core/nutrition/foodDay";
import type { FoodView } from "@/core/nutrition/foodView";
import { columnDate, longDate } from "@/ui/dates";
import { WorkingLink } from "@/ui/figure/Figure";
import type { Column } from "@/ui/kit/column";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Matrix } from "@/ui/kit/Matrix";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { DayMarks } from "./DayMarks";
import { FoodForm } from "./FoodForm";
import { MealForm } from "./MealForm";

/** What did I eat, what is left? */
export function Food() {
  const { day } = useLog();
  const view = useFigure("food", { date: day });
  return (
    <>
      <div className={styles.head}>
        <h1>Food, {longDate(day)}</h1>
        {view && <Left food={view.food} date={day} />}
      </div>
      {view && (
        <>
          <Meals view={view} />
          <DayMarks key={day} food={view.food} date={day} />
          <Week week={view.week} />
        </>
      )}
      <MealForm key={day} />
      <FoodForm />
    </>
  );
}

function Left({ food, date }: { food: FoodDay; date: string }) {
  const { today } = useLog();
  const printer = usePrinter();
  if ("reason" in food.target || food.remainingKcal === null)
    return <span className="quiet">No target: {"reason" in food.target ? food.target.reason : ""}.</span>;
  return (
    <span>
      <WorkingLink figure={{ figure: "foodLeft", date }} on={today} label=", working of what is left to eat">
        <span className="larger">{printer.energy(Math.abs(food.remainingKcal))}</span>
      </WorkingLink>{" "}
      <span className="quiet">
        {food.remainingKcal < 0 ? "over" : "left of"} {printer.energyNumber(food.target.kcal)}, {food.target.kind} day
      </span>
    </span>
  );
}

/** A line of a meal, the first of it under the meal's name; or what was eaten in all. */
type Line = { name: string; index: number; line: FoodView["meals"][number]["lines"][number] } | "eaten";

const shownNutrients = [
  ["protein", "Protein, g"],
  ["fat", "Fat, g"],
  ["carbohydrate", "Carbohydrate, g"],
  ["fibre", "of it fibre"],
  ["sugars", "of it sugars"],
] as const;

function Meals({ view: { meals, food } }: { view: FoodView }) {
  const { commit } = useLog();
  const printer = usePrinter();
  if (meals.length === 0)
    return (
      <p>Nothing is written on this day. Write foods in the line above, for example breakfast: 80 g oats, 2 eggs.</p>
    );
  const grams = (value: number) => printNumber(value, 0);
  return (
    <RecordTable<Line>
      label="Meals"
      rows={[...meals.flatMap(({ name, lines }) => lines.map((line, index) => ({ name, index, line }))), "eaten"]}
      keyOf={(row) => (row === "eaten" ? row : row.line.meal.id)}
      tone={(row) => (row !== "eaten" && row.line.meal.status === "planned" ? "planned" : undefined)}
      columns={[
        {
          head: "Meal",
          bare: true,
          cell: (row) => {
            if (row === "eaten") return <strong>Eaten</strong>;
            return row.index === 0 ? row.name.charAt(0).toUpperCase() + row.name.slice(1) : "";
          },
        },
        {
          head: "Food",
          mute: true,
          folded: "name",
          cell: (row) =>
            row !== "eaten" && (
              <>
                {row.line.name}
                {row.line.meal.status === "planned" ? <span className="small">, planned</span> : ""}
              </>
            ),
        },
        {
          head: "Amount",
          num: true,
          bare: true,
          cell: (row) => {
            if (row === "eaten") return "";
            const { grams: weight, portions } = row.line;
            if (weight !== null) return `${grams(weight)} g`;
            return portions === null
              ? ""
              : `${printNumber(portions, portions % 1 === 0 ? 0 : 1)} ${portions === 1 ? "portion" : "portions"}`;
          },
        },
        {
          head: printer.units.energy,
          num: true,
          folded: "beside",
          cell: (row) => {
            if (row === "eaten") return <strong>{printer.energyNumber(food.eaten.kcal)}</strong>;
            const { nutrients, reason } = row.line;
            return nutrients === null ? <span className="quiet">{reason}</span> : printer.energyNumber(nutrients.kcal);
          },
        },
        ...shownNutrients.map(([name, head]): Column<Line> => ({
          head,
          num: true,
          tone: name === "fibre" || name === "sugars" ? "quiet" : undefined,
          cell: (row) => {
            if (row === "eaten") return <strong>{grams(food.eaten[name])}</strong>;
            return row.line.nutrients === null ? "" : grams(row.line.nutrients[name]);
          },
        })),
        {
          head: "Eaten or remove",
          mute: true,
          num: true,
          cell: (row) =>
            row !== "eaten" && (
              <span className="small noprint">
                {row.line.meal.status === "planned" && (
                  <>
                    <LinkButton
                      onClick={() =>
                        void commit(
                          [put("meals", { ...row.line.meal, status: "eaten" }, row.line.meal)],
                          `${row.line.name} eaten`,
                        )
                      }
                    >
                      Eaten
                    </LinkButton>{" "}
                    ·{" "}
                  </>
                )}
                <LinkButton
                  aria-label={`Remove ${row.line.name}`}
                  onClick={() =>
                    void commit([{ remove: { kind: "meals", id: row.line.meal.id } }], `${row.line.name} removed`)
                  }
                >
                  Remove
                </LinkButton>
              </span>
            ),
        },
      ]}
    />
  );
}

function Week({ week }: { week: FoodView["week"] }) {
  const printer = usePrinter();
  if (week.length === 0) return null;
  return (
    <section className={styles.section}>
      <h2>Last seven days</h2>
      <Matrix
        label="Last seven days"
        corner="Day"
        columns={week}
        keyOf={({ day }) => day}
        headOf={({ day, complete }) => `${columnDate(dateOf(day))}${complete ? "" : ", open"}`}
        lines={[
          { head: `Energy, ${printer.units.energy}`, cell: ({ eaten }) => printer.energyNumber(eaten.kcal) },
          {
            head: "Target",
            tone: "quiet",
            cell: ({ target }) => ("reason" in target ? "" : printer.energyNumber(target.kcal)),
          },
          { head: "Protein, g", cell: ({ eaten }) => printNumber(eaten.protein, 0) },
          { head: "Fibre, g", cell: ({ eaten }) => printNumber(eaten.fibre, 0) },
          { head: "Water, l", cell: ({ waterMl }) => (waterMl === 0 ? "" : printNumber(waterMl / 1000, 1)) },
        ]}
      />
    </section>
  );
}
