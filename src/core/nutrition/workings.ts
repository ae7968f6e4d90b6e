import { mustDay } from "../base/calendar/day";
import { printDate } from "../base/calendar/print";
import { printNumber } from "../base/units/number";
import type { WorkingResult } from "../base/working";
import { weekdayEffectsWorking, weekdayWorking } from "../body/workings";
import { expenditureOn } from "../energy/expenditure";
import { kcalPerKg } from "../goals/plan";
import type { AsOf } from "../log/asOf";
import { foodDay, weekdayIntake } from "./foodDay";
import { mealLines } from "./mealGroups";

export function foodLeftWorking(asOf: AsOf, date: string): WorkingResult {
  const day = mustDay(date);
  const { target, eaten, remainingKcal, complete, unknown, unknownWhy, planned } = foodDay(asOf, day);
  const p = asOf.printer;
  if ("reason" in target) return { reason: `No target: ${target.reason}.` };
  if (remainingKcal === null)
    return {
      reason: `Not known: ${unknownWhy}. At least ${p.energy(eaten.kcal)} was eaten, of ${p.energy(target.kcal)}.`,
    };
  const expenditure = expenditureOn(asOf, day);
  const takenOn = "reason" in expenditure ? null : expenditure.takenOn;
  const which = takenOn === null ? "by formula" : `measured, taken over on ${printDate(takenOn)},`;
  const from = target.own
    ? [`own target for a ${target.kind} day ${p.energy(target.kcal - target.creditKcal)}`]
    : [
        `expenditure ${which} ${p.energy(target.expenditureKcal!)}, plan's balance ${p.energyChange(target.balanceKcal)} (${p.energyPerMass(kcalPerKg)}): ${p.energy(target.expenditureKcal! + target.balanceKcal)}`,
      ];
  return {
    title: `Left to eat, ${printDate(date)}`,
    value: p.energy(remainingKcal),
    formula: "target of the day − energy eaten",
    steps: [
      ...from,
      ...(target.creditKcal > 0 ? [`net energy of the day's sessions ${p.energyChange(target.creditKcal)}`] : []),
      `${p.energyNumber(target.kcal)} − ${p.energyNumber(eaten.kcal)} = ${p.energy(remainingKcal)}`,
      ...(planned.kcal > 0 ? [`planned and not yet eaten: ${p.energy(planned.kcal)}`] : []),
    ],
    inputs: mealLines(asOf, day)
      .filter(({ meal }) => meal.status !== "planned")
      .map(({ name, grams, nutrients, reason }) => ({
        label: `${name}${grams === null ? "" : `, ${printNumber(grams, 0)} g`}`,
        value: nutrients === null ? (reason ?? "unknown") : p.energy(nutrients.kcal),
        date,
      })),
    assumptions: [
      "Energy of a food without a stated one: 4 × available carbohydrate, 2 × fibre, 2.4 × polyols, 4 × protein, 9 × fat, 7 × alcohol.",
      "Fibre and sugars are parts of the carbohydrate.",
      ...(complete ? [] : ["The day is not marked complete."]),
      ...unknown.map(({ reason }) => `One planned line counts for nothing: ${reason}.`),
    ],
    source: "Regulation (EU) 1169/2011, Annex XIV; Wishnofsky 1958 for the balance.",
    sureness: "Labels may be off by a fifth either way (common practice, no source).",
  };
}

export function weekdayIntakeWorking(asOf: AsOf): WorkingResult {
  return weekdayEffectsWorking(weekdayIntake(asOf)(), {
    title: "Weekdays and intake",
    formula: "eaten = mean of the seven weekdays + effect of the weekday + error",
    print: (kcal) => asOf.printer.energyChange(kcal),
    assumptions: [
      "Only days whose food is marked as complete count, of the last half-year.",
      "Days are taken as independent of one another.",
    ],
    source: "Least squares; all seven at once: Wald's test.",
  });
}

/** The workings of this domain, by the figure's name in a reference to it. */
export const nutritionWorkings = {
  foodLeft: (asOf: AsOf, { date }: { date: string }) => foodLeftWorking(asOf, date),
  weekday: (asOf: AsOf, { of }: { of: "weight" | "intake" }) =>
    of === "weight" ? weekdayWorking(asOf) : weekdayIntakeWorking(asOf),
};
