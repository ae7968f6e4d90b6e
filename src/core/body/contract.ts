import { dateOf, dateOrNull } from "../base/calendar/day";
import { balanceForRate, catchUpRate, isHolding, planWeight } from "../goals/plan";
import { goalsOf } from "../goals/slice";
import { AsOf } from "../log/asOf";
import { measuresOf } from "./measuresSlice";
import { compositionOf } from "./measuresView";
import { weightChange } from "./movingAverage";
import { lastWeighedAgo } from "./projection";
import { weightOf } from "./slice";
import { trendDays } from "./trend";

function weightContract(asOf: AsOf) {
  const change = weightChange(weightOf(asOf).weighed());
  const weekdays = weightOf(asOf).weekday();
  const afterTraining = weightOf(asOf).afterTraining();
  const second = weightOf(asOf).secondOffset();
  const composition = compositionOf(asOf);
  const reasons = [
    ...("reason" in weekdays ? [weekdays.reason] : []),
    ...(change === null
      ? ["no weight is written"]
      : change.kgPerWeek === null
        ? ["a weekly rate needs seven days"]
        : []),
  ];
  return {
    trend: trendDays(weightOf(asOf).trend()).map(({ day, kg, low80, high80, kgPerWeek, filteredKg, gross }) => ({
      date: dateOf(day),
      kg,
      low80,
      high80,
      kgPerWeek,
      filteredKg,
      ...(gross ? { gross } : {}),
    })),
    weekly: weightOf(asOf)
      .weekly()
      .map(({ closingDay, from, days, medianKg, meanKg, open }) => ({
        closingDate: dateOf(closingDay),
        from: dateOf(from),
        days,
        medianKg,
        meanKg,
        ...(open ? { open } : {}),
        ...(days === 0 ? { reason: "no weigh-in that week" } : {}),
      })),
    weekday:
      "reason" in weekdays
        ? null
        : weekdays.effects.map(({ weekday, effect, low80, high80, days }) => ({
            weekday,
            effectKg: effect,
            low80,
            high80,
            days,
          })),
    afterTraining:
      "reason" in afterTraining
        ? { effectKg: null, reason: afterTraining.reason }
        : {
            effectKg: afterTraining.effect,
            low80: afterTraining.low80,
            high80: afterTraining.high80,
            afterTraining: afterTraining.afterTraining,
            afterRest: afterTraining.afterRest,
          },
    second:
      "reason" in second
        ? { offsetKg: null, reason: second.reason }
        : { offsetKg: second.offset, low80: second.low80, high80: second.high80, days: second.days },
    composition: "reason" in composition ? { percent: null, reason: composition.reason } : composition,
    change,
    ...(reasons.length > 0 ? { reason: [...new Set(reasons)].join("; ") } : {}),
  };
}

function goalContract(asOf: AsOf) {
  const { on } = asOf;
  const line = goalsOf(asOf).line();
  const trend = weightOf(asOf).trend();
  const projection = weightOf(asOf).projection();
  if ("reason" in line) return { goal: null, reason: line.reason };
  const trendKg = weightOf(asOf).levelOn(on);
  const planKg = planWeight(line, on);
  const heldKg = weightOf(asOf).heldOn(on);
  const catchUp = trendKg === null ? null : catchUpRate(line, trendKg, on);
  const known = "reason" in projection ? null : projection;
  const reasons = [
    ...("reason" in projection ? [projection.reason] : []),
    ...(trend !== null && trendKg === null && !("reason" in projection) ? [lastWeighedAgo(trend, on)] : []),
    ...(catchUp === null && trendKg !== null ? ["the deadline is not ahead"] : []),
    ...(isHolding(line)
      ? [
          "a weight to be kept is not crossed: no date is projected, and reachableBy is the chance of standing within 1 % of it",
        ]
      : known !== null && known.p90 === null
        ? ["some dates are not reached at this pace within three years"]
        : []),
  ];
  const goal = {
    targetKg: line.targetKg,
    deadline: dateOf(line.deadline),
    days: line.days,
    daysLeft: line.deadline - on,
    kgPerWeek: line.kgPerWeek,
    planKg,
    aboveKg: trendKg === null ? null : trendKg - planKg,
    catchUpKgPerWeek: catchUp,
    kcalPerDay: balanceForRate(line.kgPerWeek),
    projected: {
      p10: dateOrNull(known?.p10 ?? null),
      p50: dateOrNull(known?.p50 ?? null),
      p90: dateOrNull(known?.p90 ?? null),
    },
    doneShare:
      heldKg === null || line.targetKg === line.startKg
        ? null
        : (heldKg - line.startKg) / (line.targetKg - line.startKg),
    toGoKg: heldKg === null ? null : line.targetKg - heldKg,
    milestones: weightOf(asOf)
      .milestones()
      .map(({ kg, planned, reached, atThisPace }) => ({
        kg,
        planned: dateOf(planned),
        reached: dateOrNull(reached),
        atThisPace: dateOrNull(atThisPace),
      })),
    reachableBy: known?.byDeadline ?? null,
    ...(line.limit
      ? { onMorning: known?.onMorning ? { chance: known.onMorning.chance, saferKg: known.onMorning.saferKg } : null }
      : {}),
    arrived: known?.arrived ?? false,
    ...(reasons.length > 0 ? { reason: reasons.join("; ") } : {}),
  };
  return { goal };
}

/** The contract's figures of body weight, its goal and the measures. */
export function bodyContract(asOf: AsOf) {
  return {
    weight: weightContract(asOf),
    ...goalContract(asOf),
    measureGoals: [...measuresOf(asOf).all().keys()].sort().flatMap((measureId) => {
      const standing = measuresOf(asOf).goal(measureId);
      if (standing === null) return [];
      const { targetValue, deadline, perWeek, planned, apart, doneShare, projected } = standing;
      return [
        {
          measureId,
          target: targetValue,
          deadline: dateOf(deadline),
          perWeek,
          planned,
          apart,
          doneShare,
          projected: projected && {
            p10: dateOrNull(projected.p10),
            p50: dateOrNull(projected.p50),
            p90: dateOrNull(projected.p90),
          },
          ...(projected === null ? { reason: "a rate needs four readings over three weeks" } : {}),
        },
      ];
    }),
  };
}
