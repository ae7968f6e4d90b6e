"use client";

import { dateOf } from "@/core/base/calendar/day";
import { capitalised } from "@/core/base/text";
import { printNumber, printPlain } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import type { FoodView } from "@/core/nutrition/foodView";
import { guided, type Guided } from "@/core/nutrition/guides";
import { inPortions } from "@/core/nutrition/inPortions";
import { columnDate, longDate } from "@/ui/dates";
import { SmallFigure } from "@/ui/figure/Figure";
import { FoodLeft } from "@/ui/figure/FoodLeft";
import type { Column } from "@/ui/kit/column";
import { useDragParts } from "@/ui/kit/dragParts";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Matrix } from "@/ui/kit/Matrix";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { useState } from "react";
import { DayMarks } from "./DayMarks";
import { Averages } from "./Averages";
import { useEdibles } from "./eatenOf";
import { FoodHead } from "./FoodHead";
import { MealChange } from "./MealChange";
import { MealForm } from "./MealForm";
import { Stretch } from "./Stretch";
import { Usuals } from "./Usuals";

/** What did I eat, what is left? */
export function Food() {
  const { day } = useLog();
  const view = useFigure("food", { date: day });
  return (
    <>
      <FoodHead title={`Food, ${longDate(day)}`} />
      {view && (
        <>
          <Left view={view} date={day} />
          <Meals view={view} />
          <Guides meals={view.meals} />
          {view.others.length > 0 && (
            <p className="quiet">
              Also, of foods that state it:{" "}
              {view.others.map(({ name, mg }) => `${name} ${printNumber(mg, mg < 10 ? 1 : 0)} mg`).join(", ")}.
            </p>
          )}
          <Usuals day={day} meals={view.meals} />
          <MealForm key={`log ${day}`} />
          <DayMarks key={day} view={view} date={day} />
          <Week week={view.week} />
          <Averages />
          <Stretch />
        </>
      )}
    </>
  );
}

/** What is left of the day's energy, large, and of each nutrient that has a target, each by its direction; and water. */
function Left({ view: { food, standings }, date }: { view: FoodView; date: string }) {
  const water = "reason" in food.target ? null : food.target.waterMl;
  const parts = [
    ...standings.map((one) => ({
      label:
        one.nutrient === "fibre" || one.nutrient === "sugars" ? `of it ${one.nutrient}` : capitalised(one.nutrient),
      ...("reason" in one
        ? { value: "", note: one.reason }
        : { value: `${printNumber(one.by, 0)} g`, note: one.words }),
    })),
    ...(water === null
      ? []
      : [
          {
            label: "Water",
            value: `${printPlain(Math.abs(water - food.waterMl) / 1000, 2)} l`,
            note: `${food.waterMl < water ? "to go of" : "over"} at least ${printPlain(water / 1000, 2)} l`,
          },
        ]),
  ];
  return (
    <div className={styles.figureWithParts}>
      <FoodLeft food={food} date={date} />
      <div className={styles.partFigures}>
        {parts.map((part) => (
          <SmallFigure key={part.label} {...part} />
        ))}
      </div>
    </div>
  );
}

/** Meals beside what the trainee wants of each. */
function Guides({ meals }: { meals: FoodView["meals"] }) {
  const printer = usePrinter();
  const columns = meals.filter(({ guides }) => guides.length > 0);
  if (columns.length === 0) return null;
  const number = (of: Guided, value: number) => (of === "kcal" ? printer.energyNumber(value) : printNumber(value, 0));
  return (
    <Matrix<FoodView["meals"][number]>
      label="Meals beside their guides"
      corner="Beside its guide"
      columns={columns}
      keyOf={({ name }) => name}
      headOf={({ name }) => capitalised(name)}
      lines={guided
        .filter((of) => columns.some(({ guides }) => guides.some((one) => one.of === of)))
        .map((of) => ({
          head: of === "kcal" ? `Energy, ${printer.units.energy}` : `${capitalised(of)}, g`,
          cell: ({ guides }) => {
            const one = guides.find((guide) => guide.of === of);
            if (one === undefined) return "";
            const by = number(of, one.by);
            const said = { toGo: `${by} to go`, over: `${by} over`, there: "there", within: "within", left: "within" }[
              one.is
            ];
            return (
              <>
                {number(of, one.eaten)} <span className={one.is === "over" ? "warn small" : "quiet small"}>{said}</span>
              </>
            );
          },
        }))}
    />
  );
}

/** A line of a meal, the first of it under the meal's name; or what was eaten in all, and what is still planned. */
type Line =
  { name: string; at: number; index: number; line: FoodView["meals"][number]["lines"][number] } | "eaten" | "planned";

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
  const { parts, inside } = useDragParts();
  const { foods } = useEdibles();
  const [changed, setChanged] = useState<string | null>(null);
  const lines = meals.flatMap(({ lines }) => lines);
  /** A line is let go on another meal. */
  const onDrop = (id: string, at: string) => {
    const line = lines.find(({ meal }) => meal.id === id);
    const name = meals[Number(at.split("|")[0])]?.name;
    if (line === undefined || name === undefined || line.meal.meal === name) return;
    void commit([put("meals", { ...line.meal, meal: name }, line.meal)], `${line.name} to ${name}`);
  };
  if (meals.length === 0)
    return (
      <p>Nothing is written on this day. Write foods in the line above, for example breakfast: 80 g oats, 2 eggs.</p>
    );
  const grams = (value: number) => printNumber(value, 0);
  const table = (
    <RecordTable<Line>
      label="Meals"
      below={(row) =>
        typeof row === "object" &&
        row.line.meal.id === changed && <MealChange line={row.line} close={() => setChanged(null)} />
      }
      rows={[
        ...meals.flatMap(({ name, lines }, at) => lines.map((line, index) => ({ name, at, index, line }))),
        "eaten",
        ...(food.planned.kcal > 0 ? (["planned"] as const) : []),
      ]}
      keyOf={(row) => (typeof row === "string" ? row : row.line.meal.id)}
      tone={(row) =>
        row === "planned" || (typeof row === "object" && row.line.meal.status === "planned") ? "planned" : undefined
      }
      columns={[
        {
          head: "Meal",
          bare: true,
          cell: (row, isFolded) => {
            if (typeof row === "string") return <strong>{row === "eaten" ? "Eaten" : "Still planned"}</strong>;
            const said = row.index === 0 || isFolded ? capitalised(row.name) : "\u00a0";
            return <parts.Place id={`${row.at}|${row.index}`}>{said}</parts.Place>;
          },
        },
        {
          head: "Food",
          mute: true,
          folded: "name",
          cell: (row) =>
            typeof row === "object" && (
              <parts.Place id={`${row.at}|${row.index}|food`}>
                <parts.Taken id={row.line.meal.id}>
                  <span>
                    {row.line.name}
                    {row.line.meal.status === "planned" ? <span className="small">, planned</span> : ""}
                  </span>
                </parts.Taken>
              </parts.Place>
            ),
        },
        {
          head: "Amount",
          num: true,
          bare: true,
          cell: (row) => {
            if (typeof row === "string") return "";
            const { grams: weight, portions, meal } = row.line;
            const pieces = weight === null ? null : inPortions(weight, foods.get(meal.foodId ?? "")?.portions);
            if (weight !== null)
              return (
                <>
                  {pieces !== null && <span className="quiet small">{pieces} </span>}
                  {grams(weight)} g
                </>
              );
            return portions === null ? "" : `${printPlain(portions, 2)} ${portions === 1 ? "portion" : "portions"}`;
          },
        },
        {
          head: printer.units.energy,
          num: true,
          folded: "beside",
          cell: (row) => {
            if (typeof row === "string") return <strong>{printer.energyNumber(food[row].kcal)}</strong>;
            const { nutrients, reason } = row.line;
            return nutrients === null ? <span className="quiet">{reason}</span> : printer.energyNumber(nutrients.kcal);
          },
        },
        ...shownNutrients.map(([name, head]): Column<Line> => ({
          head,
          num: true,
          tone: name === "fibre" || name === "sugars" ? "quiet" : undefined,
          cell: (row) => {
            if (typeof row === "string") return <strong>{grams(food[row][name])}</strong>;
            const { nutrients, meal } = row.line;
            const isSaid = meal.name == null || meal.nutrients?.[name] != null;
            return nutrients === null || !isSaid ? "" : grams(nutrients[name]);
          },
        })),
        {
          head: "Eaten, change or remove",
          mute: true,
          num: true,
          cell: (row) =>
            typeof row === "object" && (
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
                <LinkButton aria-label={`Change ${row.line.name}`} onClick={() => setChanged(row.line.meal.id)}>
                  Change
                </LinkButton>{" "}
                ·{" "}
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
  return (
    <parts.Context onDrop={onDrop}>
      <div {...inside}>{table}</div>
    </parts.Context>
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
