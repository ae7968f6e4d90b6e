import { dateOf, mustDay } from "../base/calendar/day";
import { printDate } from "../base/calendar/print";
import { defaultActivityFactor, equations, equationError, type EquationName } from "./resting";
import { kcalPerKg } from "../goals/plan";
import { printNumber } from "../base/units/number";
import type { Figures } from "../figures/figures";
import { creditOf, expenditureOn, foodDay } from "../nutrition/foodDay";
import { mealLines } from "../days/dayView";
import type { WorkingResult } from "../base/working";

export function restingWorking(figures: Figures, equation: EquationName): WorkingResult {
  const { title, written, source } = equations[equation];
  const result = figures.restingOn(equation, figures.on);
  if ("reason" in result) return { reason: `${title}: ${result.reason}.` };
  const p = figures.printer;
  const body = figures.bodyOn(figures.on)!;
  const fat = figures.bodyFatOn(figures.on);
  const fatFree = equation === "katchMcArdle" || equation === "cunningham";
  return {
    title: `Resting expenditure, ${title}`,
    value: `${p.energy(result.kcal)} a day`,
    formula: written,
    steps: [
      fatFree
        ? `FFM = ${p.inKilograms(body.kg)} × (1 − ${printNumber(fat!.percent, 1)} %) = ${printNumber(body.fatFreeKg!, 2)} kg`
        : `w = ${p.inKilograms(body.kg)}, h = ${printNumber(body.heightCm!, 1)} cm, a = ${body.ageYears} years, sex for the equations ${body.sex}`,
      `= ${p.inKilocalories(result.kcal, 1)} a day`,
    ],
    inputs: [
      { label: "Weight, trend", value: p.mass(body.kg, 2) },
      ...(fatFree ? [{ label: "Body fat", value: `${printNumber(fat!.percent, 1)} %`, date: fat!.date }] : []),
    ],
    assumptions: [
      "The weight is the trend, not one morning.",
      ...(body.sex === "unspecified" && !fatFree
        ? ["Sex is not given: the mean of both equations, with the wider error."]
        : []),
    ],
    source,
    sureness: `For one person the equation is off by about ± ${printNumber(equationError * 100, 0)} % (common practice, no source).`,
  };
}

export function expenditureWorking(figures: Figures): WorkingResult {
  const expenditure = expenditureOn(figures, figures.on);
  if ("reason" in expenditure) return { reason: `Expenditure: ${expenditure.reason}.` };
  const p = figures.printer;
  const { kcal, resting, factor, equation, factorSet } = expenditure;
  return {
    title: "Expenditure by formula",
    value: `${p.energy(kcal)} a day`,
    formula: "resting expenditure × activity factor",
    steps: [
      `${p.energyNumber(resting)} × ${printNumber(factor, 2)} = ${p.energy(kcal)}`,
      `low ${p.energy(kcal * (1 - equationError))}, high ${p.energy(kcal * (1 + equationError))}`,
    ],
    inputs: [
      { label: "Equation", value: equations[equation].title },
      {
        label: "Activity factor",
        value: factorSet ? printNumber(factor, 2) : `${defaultActivityFactor}, our default: none is set`,
      },
    ],
    assumptions: [
      "Sessions are inside the factor and are not added again, unless you said that the factor leaves them out.",
    ],
    source: `${equations[equation].source}. Activity factors: FAO/WHO/UNU 2004, Human Energy Requirements.`,
    sureness: "An estimate: hold two weeks on a target before stepping it.",
  };
}

export function foodLeftWorking(figures: Figures, date: string): WorkingResult {
  const day = mustDay(date);
  const { target, eaten, remainingKcal, complete, unknown, unknownWhy, planned } = foodDay(figures, day);
  const p = figures.printer;
  if ("reason" in target) return { reason: `No target: ${target.reason}.` };
  if (remainingKcal === null)
    return {
      reason: `Not known: ${unknownWhy}. At least ${p.energy(eaten.kcal)} was eaten, of ${p.energy(target.kcal)}.`,
    };
  const from = target.own
    ? [`own target for a ${target.kind} day ${p.energy(target.kcal - target.creditKcal)}`]
    : [
        `expenditure ${p.energy(target.expenditureKcal!)}, plan's balance ${p.energyChange(target.balanceKcal)} (${p.energyPerMass(kcalPerKg)}): ${p.energy(target.expenditureKcal! + target.balanceKcal)}`,
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
    inputs: mealLines(figures, day)
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

export function creditWorking(figures: Figures, sessionId: string): WorkingResult {
  const session = figures.log.index.all("sessions").get(sessionId);
  if (!session) return { reason: "That session is not in the log." };
  const credit = creditOf(figures, session, mustDay(session.date));
  if ("reason" in credit) return { reason: `No energy for this session: ${credit.reason}.` };
  const p = figures.printer;
  return {
    title: `Energy of ${session.title || session.kind}, ${printDate(session.date)}`,
    value: `${p.energy(credit.kcal)} net`,
    formula: "(MET − 1) × 3.5 × kg ÷ 200 × minutes",
    steps: [
      `(${printNumber(credit.met, 2)} − 1) × 3.5 × ${printNumber(credit.kg, 1)} ÷ 200 × ${printNumber(credit.minutes, 1)} = ${p.inKilocalories(credit.kcal)}`,
    ],
    inputs: [
      { label: "Session", value: session.title || session.kind, date: session.date },
      { label: "Body weight", value: p.inKilograms(credit.kg, 1), date: dateOf(mustDay(session.date)) },
    ],
    assumptions: [
      `MET ${printNumber(credit.met, 1)}: ${credit.from} (from memory).`,
      "Net: the resting part of that time is already in the day's expenditure.",
      credit.credited
        ? "It is added to the day's target: you said the factor leaves sessions out."
        : "It is not added to the day's target: the activity factor already holds it.",
    ],
    source: "Ainsworth et al. 2011, Med Sci Sports Exerc 43:1575; MET arithmetic common practice.",
    sureness: "Within about a quarter either way for one person (common practice, no source).",
  };
}
