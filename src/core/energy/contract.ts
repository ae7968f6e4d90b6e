import { dateOf } from "../base/calendar/day";
import { AsOf } from "../log/asOf";
import { sessionsOf } from "../sessions/slice";
import type { Target } from "./expenditure";
import { askedNutrients, macros } from "./asked";
import { commonDayKinds, creditsOn, dayKindsOf, expenditureOn, targetFor } from "./expenditure";
import { equationNames } from "./resting";
import { energyOf } from "./slice";

/** The contract's figures of expenditure by formula, of targets and of exercise. */
export function energyContract(asOf: AsOf) {
  const { on } = asOf;
  const resting = equationNames.map((name) => [name, energyOf(asOf).restingOn(name, on)] as const);
  const missing = [...new Set(resting.flatMap(([, result]) => ("reason" in result ? [result.reason] : [])))];
  const expenditure = expenditureOn(asOf, on);
  const own = dayKindsOf(energyOf(asOf).settingsOn(on)).slice(commonDayKinds.length);
  const sessions = sessionsOf(asOf)
    .pastDays()
    .flatMap((day) => creditsOn(asOf, day).map((credit) => ({ date: dateOf(day), ...credit })));
  return {
    resting: {
      ...Object.fromEntries(resting.map(([name, result]) => [name, "kcal" in result ? result.kcal : null])),
      ...(missing.length > 0 ? { reason: missing.join("; ") } : {}),
    },
    formula:
      "reason" in expenditure
        ? { kcal: null, factor: null, reason: expenditure.reason }
        : { kcal: expenditure.byFormula, factor: expenditure.factor, equation: expenditure.equation },
    targets: {
      training: targetContract(targetFor(asOf, "training", on)),
      rest: targetContract(targetFor(asOf, "rest", on)),
      ...Object.fromEntries(own.map((kind) => [kind, targetContract(targetFor(asOf, kind, on))])),
    },
    exercise: sessions.map(({ date, ...credit }) =>
      "reason" in credit
        ? { date, sessionId: credit.sessionId, netKcal: null, reason: credit.reason }
        : {
            date,
            sessionId: credit.sessionId,
            met: credit.of.by === "met" ? credit.of.met : null,
            netKcal: credit.kcal,
            credited: credit.credited,
          },
    ),
  };
}

function targetContract(target: Target) {
  if ("reason" in target) return { kcal: null, protein: null, fat: null, carbohydrate: null, reason: target.reason };
  const why = macros.flatMap((macro) => {
    const one = target.asked[macro];
    return one === null ? ["no target in grams is set"] : "reason" in one ? [one.reason] : [];
  });
  const known = askedNutrients.flatMap((nutrient) => {
    const one = target.asked[nutrient];
    return one === null || "reason" in one ? [] : [[nutrient, one] as const];
  });
  return {
    kcal: target.kcal,
    protein: null,
    fat: null,
    carbohydrate: null,
    ...Object.fromEntries(known.map(([nutrient, { grams }]) => [nutrient, grams])),
    ...(target.waterMl === null ? {} : { water: target.waterMl }),
    directions: Object.fromEntries(known.map(([nutrient, { meant }]) => [nutrient, meant])),
    to: Object.fromEntries(known.flatMap(([nutrient, { to }]) => (to === null ? [] : [[nutrient, to]]))),
    ...(why.length > 0 ? { reason: [...new Set(why)].join("; ") } : {}),
  };
}
