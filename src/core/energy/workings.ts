import { dateOf, mustDay } from "../base/calendar/day";
import { printDate } from "../base/calendar/print";
import { printNumber } from "../base/units/number";
import type { WorkingResult } from "../base/working";
import { measuresOf } from "../body/measuresSlice";
import type { AsOf } from "../log/asOf";
import { creditOf, expenditureOn } from "./expenditure";
import { defaultActivityFactor, equationError, type EquationName, equations } from "./resting";
import { energyOf } from "./slice";

export function restingWorking(asOf: AsOf, equation: EquationName): WorkingResult {
  const { title, written, source } = equations[equation];
  const result = energyOf(asOf).restingOn(equation, asOf.on);
  if ("reason" in result) return { reason: `${title}: ${result.reason}.` };
  const p = asOf.printer;
  const body = energyOf(asOf).bodyOn(asOf.on)!;
  const fat = measuresOf(asOf).bodyFatOn(asOf.on);
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

export function expenditureWorking(asOf: AsOf): WorkingResult {
  const expenditure = expenditureOn(asOf, asOf.on);
  if ("reason" in expenditure) return { reason: `Expenditure: ${expenditure.reason}.` };
  const p = asOf.printer;
  const { byFormula: kcal, resting, factor, equation, factorSet } = expenditure;
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

export function creditWorking(asOf: AsOf, sessionId: string): WorkingResult {
  const session = asOf.log.index.all("sessions").get(sessionId);
  if (!session) return { reason: "That session is not in the log." };
  const credit = creditOf(asOf, session, mustDay(session.date));
  if ("reason" in credit) return { reason: `No energy for this session: ${credit.reason}.` };
  const p = asOf.printer;
  const { of } = credit;
  return {
    title: `Energy of ${session.title || session.kind}, ${printDate(session.date)}`,
    value: `${p.energy(credit.kcal)} net`,
    formula:
      of.by === "met"
        ? "(MET − 1) × 3.5 × kg ÷ 200 × minutes"
        : of.by === "gross"
          ? "what the watch said − 3.5 × kg ÷ 200 × minutes"
          : "what the watch said",
    steps: [
      of.by === "met"
        ? `(${printNumber(of.met, 2)} − 1) × 3.5 × ${printNumber(of.kg, 1)} ÷ 200 × ${printNumber(of.minutes, 1)} = ${p.inKilocalories(credit.kcal)}`
        : of.by === "gross"
          ? `${p.inKilocalories(of.said)} − 3.5 × ${printNumber(of.kg, 1)} ÷ 200 × ${printNumber(of.minutes, 1)} = ${p.inKilocalories(credit.kcal)}`
          : p.inKilocalories(of.said),
    ],
    inputs: [
      { label: "Session", value: session.title || session.kind, date: session.date },
      ...(of.by === "net"
        ? []
        : [{ label: "Body weight", value: p.inKilograms(of.kg, 1), date: dateOf(mustDay(session.date)) }]),
    ],
    assumptions: [
      of.by === "met"
        ? `MET ${printNumber(of.met, 1)}: ${of.from}${of.from.startsWith("yours") ? "" : " (from memory)"}.`
        : `A watch said ${p.energy(of.said)}, ${of.by === "gross" ? "what is spent at rest counted in" : "without what is spent at rest"}.`,
      "Net: the resting part of that time is already in the day's expenditure.",
      credit.credited
        ? "It is added to the day's target: you said the factor leaves sessions out."
        : "It is not added to the day's target: the activity factor already holds it.",
    ],
    source: "Ainsworth et al. 2011, Med Sci Sports Exerc 43:1575; MET arithmetic common practice.",
    sureness: "Within about a quarter either way for one person (common practice, no source).",
  };
}

/** The workings of this domain, by the figure's name in a reference to it. */
export const energyWorkings = {
  resting: (asOf: AsOf, { equation }: { equation: EquationName }) => restingWorking(asOf, equation),
  expenditure: expenditureWorking,
  credit: (asOf: AsOf, { sessionId }: { sessionId: string }) => creditWorking(asOf, sessionId),
};
