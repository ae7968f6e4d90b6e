"use client";

import { dateOf } from "@/core/base/calendar/day";
import { printNumber } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import type { FoodDay } from "@/core/nutrition/foodDay";
import type { FoodView } from "@/core/nutrition/foodView";
import { columnDate, longDate } from "@/ui/dates";
import { WorkingLink } from "@/ui/figure/Figure";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { Scrollable } from "@/ui/Scrollable";
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
        <span style={{ fontSize: 20 }}>{printer.energy(Math.abs(food.remainingKcal))}</span>
      </WorkingLink>{" "}
      <span className="quiet">
        {food.remainingKcal < 0 ? "over" : "left of"} {printer.energyNumber(food.target.kcal)}, {food.target.kind} day
      </span>
    </span>
  );
}

function Meals({ view: { meals, food } }: { view: FoodView }) {
  const { commit } = useLog();
  const printer = usePrinter();
  if (meals.length === 0)
    return (
      <p>Nothing is written on this day. Write foods in the line above, for example breakfast: 80 g oats, 2 eggs.</p>
    );
  const grams = (value: number) => printNumber(value, 0);
  return (
    <Scrollable label="Meals">
      <table>
        <thead>
          <tr>
            <th>Meal</th>
            <th></th>
            <th className="num">Amount</th>
            <th className="num">{printer.units.energy}</th>
            <th className="num">Protein, g</th>
            <th className="num">Fat, g</th>
            <th className="num">Carbohydrate, g</th>
            <th className="num">of it fibre</th>
            <th className="num">of it sugars</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          {meals.flatMap(({ name, lines }) =>
            lines.map(({ meal, name: food, grams: weight, portions, nutrients, reason }, index) => (
              <tr key={meal.id} className={meal.status === "planned" ? "planned" : undefined}>
                <td>{index === 0 ? name.charAt(0).toUpperCase() + name.slice(1) : ""}</td>
                <td>
                  {food}
                  {meal.status === "planned" ? <span className="small">, planned</span> : ""}
                </td>
                <td className="num">
                  {weight !== null
                    ? `${grams(weight)} g`
                    : portions !== null
                      ? `${printNumber(portions, portions % 1 === 0 ? 0 : 1)} ${portions === 1 ? "portion" : "portions"}`
                      : ""}
                </td>
                {nutrients === null ? (
                  <td colSpan={6} className="quiet">
                    {reason}
                  </td>
                ) : (
                  <>
                    <td className="num">{printer.energyNumber(nutrients.kcal)}</td>
                    <td className="num">{grams(nutrients.protein)}</td>
                    <td className="num">{grams(nutrients.fat)}</td>
                    <td className="num">{grams(nutrients.carbohydrate)}</td>
                    <td className="num quiet">{grams(nutrients.fibre)}</td>
                    <td className="num quiet">{grams(nutrients.sugars)}</td>
                  </>
                )}
                <td className="num small noprint">
                  {meal.status === "planned" && (
                    <>
                      <LinkButton
                        onClick={() => void commit([put("meals", { ...meal, status: "eaten" }, meal)], `${food} eaten`)}
                      >
                        Eaten
                      </LinkButton>{" "}
                      ·{" "}
                    </>
                  )}
                  <LinkButton
                    aria-label={`Remove ${food}`}
                    onClick={() => void commit([{ remove: { kind: "meals", id: meal.id } }], `${food} removed`)}
                  >
                    Remove
                  </LinkButton>
                </td>
              </tr>
            )),
          )}
          <tr>
            <td>
              <strong>Eaten</strong>
            </td>
            <td></td>
            <td></td>
            {(["kcal", "protein", "fat", "carbohydrate", "fibre", "sugars"] as const).map((name) => (
              <td key={name} className="num">
                <strong>{name === "kcal" ? printer.energyNumber(food.eaten.kcal) : grams(food.eaten[name])}</strong>
              </td>
            ))}
            <td></td>
          </tr>
        </tbody>
      </table>
    </Scrollable>
  );
}

function Week({ week }: { week: FoodView["week"] }) {
  const printer = usePrinter();
  if (week.length === 0) return null;
  return (
    <section className={styles.section}>
      <h2>Last seven days</h2>
      <Scrollable label="Last seven days">
        <table>
          <thead>
            <tr>
              <th></th>
              {week.map(({ day, complete }) => (
                <th key={day} className="num">
                  {columnDate(dateOf(day))}
                  {complete ? "" : ", open"}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr>
              <td>Energy, {printer.units.energy}</td>
              {week.map(({ day, eaten }) => (
                <td key={day} className="num">
                  {printer.energyNumber(eaten.kcal)}
                </td>
              ))}
            </tr>
            <tr>
              <td>Target</td>
              {week.map(({ day, target }) => (
                <td key={day} className="num quiet">
                  {"reason" in target ? "" : printer.energyNumber(target.kcal)}
                </td>
              ))}
            </tr>
            <tr>
              <td>Protein, g</td>
              {week.map(({ day, eaten }) => (
                <td key={day} className="num">
                  {printNumber(eaten.protein, 0)}
                </td>
              ))}
            </tr>
            <tr>
              <td>Fibre, g</td>
              {week.map(({ day, eaten }) => (
                <td key={day} className="num">
                  {printNumber(eaten.fibre, 0)}
                </td>
              ))}
            </tr>
            <tr>
              <td>Water, l</td>
              {week.map(({ day, waterMl }) => (
                <td key={day} className="num">
                  {waterMl === 0 ? "" : printNumber(waterMl / 1000, 1)}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </Scrollable>
    </section>
  );
}
