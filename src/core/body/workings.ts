import { dateOf, mustDay } from "../base/calendar/day";
import { printDate, printDay, weekdayNames } from "../base/calendar/print";
import { counted, printNumber } from "../base/units/number";
import type { Working, WorkingResult } from "../base/working";
import { balanceForRate, kcalPerKg, planWeight } from "../goals/plan";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import { arrivalFigure, planFigure } from "./keyFigures";
import { ewmaAlpha, exponentialMean, sevenDayMean, weightChange } from "./movingAverage";
import { carriedLevel, fading, levelOn } from "./projection";
import { weightOf } from "./slice";
import { damping, trendDay, z80 } from "./trend";
import { effectDays, type WeekdayEffects } from "./weekday";

const harvey =
  "Harvey 1989, Forecasting, Structural Time Series Models and the Kalman Filter; Durbin & Koopman 2012, Time Series Analysis by State Space Methods. Slope damping: Hall et al. 2011, Lancet 378:826.";

export function trendWorking(asOf: AsOf): WorkingResult {
  const trend = weightOf(asOf).trend();
  const weighed = weightOf(asOf).weighed();
  if (trend === null) return { reason: "No weight is written yet." };
  const p = asOf.printer;
  const last = trendDay(trend, trend.last)!;
  const now = levelOn(trend, asOf.on);
  const carried = asOf.on - trend.last;
  const { scale, water, memory, level, slope } = trend.scatter;
  const week = sevenDayMean(weighed, last.day);
  return {
    title: "Weight, trend",
    value: `${p.mass(last.kg)} on ${printDay(last.day)}`,
    formula:
      "level(t+1) = level(t) + slope(t);  slope(t+1) = damping × slope(t);  scale(t) = level(t) + water(t) + error(t)",
    steps: [
      `level ${p.mass(last.kg, 2)}, standard deviation ${p.mass(last.sd, 2)}; 80 % interval = level ± ${printNumber(z80, 2)} × ${p.massNumber(last.sd, 2)} = ${p.massNumber(last.low80, 2)} to ${p.mass(last.high80, 2)}`,
      `slope ${p.rate(last.kgPerWeek)}, 80 % interval ± ${p.massNumber(z80 * last.kgPerWeekSd, 2)}`,
      ...(carried <= 0 || now === null
        ? []
        : [
            `carried forward ${counted(carried, "day")} from ${printDay(trend.last)}: ${p.mass(now.kg, 2)}, 80 % interval ${p.massNumber(now.low80, 2)} to ${p.mass(now.high80, 2)}`,
          ]),
      `scatter: scale ${p.massNumber(scale, 2)}, water ${p.massNumber(water, 2)} with ${printNumber(memory * 100, 0)} % carried to the next day, level ${p.massNumber(level, 3)} and slope ${p.massNumber(slope, 4)} ${p.units.mass} a day`,
      `for comparison: exponentially weighted mean (α = ${ewmaAlpha}) ${p.mass(exponentialMean(weighed)!, 2)}; ${week === null ? "no weigh-in in the last seven days" : `mean of the last 7 days ${p.mass(week.kg, 2)} over ${counted(week.days, "weigh-in")}`}`,
    ],
    inputs: weighed
      .slice(-10)
      .reverse()
      .map(({ day, kg }) => ({ label: printDay(day), value: p.mass(kg), date: dateOf(day) })),
    assumptions: [
      `The last ${Math.min(10, weighed.length)} of ${counted(weighed.length, "weigh-in")} are listed.`,
      "Only the primary (morning) weigh-ins count; missing days are missing, not guessed.",
      `The slope loses half in ${printNumber(Math.log(0.5) / Math.log(damping), 0)} days when carried forward, as a change at constant intake does.`,
      "A weigh-in more than three standard deviations off loses weight, a gross error nearly all of it.",
      ...(weightOf(asOf).jumps().length === 0
        ? []
        : [
            `Where you marked that the weight may jump, the level is free to: ${weightOf(asOf).jumps().slice(-6).map(printDay).join(", ")}${weightOf(asOf).jumps().length > 6 ? " and earlier" : ""}.`,
          ]),
      trend.fittedOn === 0
        ? "The scatter is our prior judgement until four weeks before this month are written."
        : `The scatter was fitted on ${counted(trend.fittedOn, "weigh-in")} before this month.`,
    ],
    source: harvey,
    sureness: `Four times in five the tissue weight lies in the interval, if the model holds. It rests on ${counted(weighed.length, "weigh-in")}.`,
  };
}

export function weeklyWorking(asOf: AsOf, closingDate: string): WorkingResult {
  const closing = mustDay(closingDate);
  const week = weightOf(asOf).weekFrom(closing - 6);
  if (!week || week.medianKg === null) return { reason: "There is no weigh-in in that week." };
  const p = asOf.printer;
  const values = weightOf(asOf)
    .weighed()
    .filter(({ day }) => day >= week.from && day <= Math.min(closing, asOf.on));
  const sorted = values.map(({ kg }) => kg).sort((a, b) => a - b);
  return {
    title: `Week from ${printDay(closing - 6)}`,
    value: `median ${p.mass(week.medianKg, 2)}, mean ${p.mass(week.meanKg!, 2)}`,
    formula:
      "median: the middle weight in order of size (of an even count, the mean of the middle two); mean: sum ÷ count",
    steps: [
      `in order: ${sorted.map((kg) => p.massNumber(kg)).join(" · ")}`,
      `mean = ${p.massNumber(sorted.reduce((a, b) => a + b, 0))} ÷ ${week.days} = ${p.mass(week.meanKg!, 2)}`,
    ],
    inputs: values.map(({ day, kg }) => ({ label: printDay(day), value: p.mass(kg), date: dateOf(day) })),
    assumptions: [`It counts the days from ${printDay(week.from)}${week.open ? "; the week is still open" : ""}.`],
    source: "Common practice, no source.",
    sureness: `It rests on ${week.days} of 7 mornings.`,
  };
}

export function changeWorking(asOf: AsOf): WorkingResult {
  const change = weightChange(weightOf(asOf).weighed());
  if (change === null) return { reason: "No weight is written yet." };
  const p = asOf.printer;
  const [first, last] = [weightOf(asOf).weighed()[0]!, weightOf(asOf).weighed().at(-1)!];
  return {
    title: "Change, weigh-in to weigh-in",
    value: p.massChange(change.totalKg),
    formula: "total = current − start; a week = total ÷ days × 7",
    steps: [
      `${p.massNumber(change.currentKg)} − ${p.massNumber(change.startKg)} = ${p.massChange(change.totalKg)}`,
      change.kgPerWeek === null
        ? "A weekly rate needs at least seven days."
        : `${p.massChange(change.totalKg)} ÷ ${change.days} × 7 = ${p.rate(change.kgPerWeek)}`,
    ],
    inputs: [first, last].map(({ day, kg }) => ({ label: printDay(day), value: p.mass(kg), date: dateOf(day) })),
    assumptions: ["Both ends are single mornings with their full scatter; the trend is the better account."],
    source: "Common practice, no source.",
    sureness: "As uncertain as two single weigh-ins.",
  };
}

export function weekdayWorking(asOf: AsOf): WorkingResult {
  return weekdayEffectsWorking(weightOf(asOf).weekday(), {
    title: "Weekdays and weight",
    formula: "scale = level + water + effect of the weekday + error",
    print: (kg) => asOf.printer.massChange(kg),
    assumptions: [
      "Estimated together with the trend, given its scatter; weigh-ins more than three standard deviations off are left out.",
      `At most the last ${effectDays} days count, since habits change.`,
    ],
    source:
      "Generalised least squares on the innovations of the filter: de Jong 1991, The Annals of Statistics 19:1073. All seven at once: Wald's test.",
  });
}

/** How the effects of weekdays on something were found, in the words of what it is. */
export function weekdayEffectsWorking(
  result: WeekdayEffects | { reason: string },
  words: Pick<Working, "title" | "formula" | "assumptions" | "source"> & { print: (value: number) => string },
): WorkingResult {
  if ("reason" in result) return { reason: `Nothing is shown: ${result.reason}.` };
  const { effects, chance, days, from, to } = result;
  const { print, ...told } = words;
  return {
    title: told.title,
    value: `${effects.length} effects that sum to zero`,
    formula: told.formula,
    steps: [
      ...effects.map(
        ({ weekday, effect, low80, high80, days: times }) =>
          `${weekdayNames[weekday - 1]}: ${print(effect)}, 80 % interval ${print(low80)} to ${print(high80)}, over ${counted(times, "day")}`,
      ),
      `probability that chance alone would make the days differ as much: ${chance < 0.001 ? "below 0.001" : printNumber(chance, 3)}`,
    ],
    inputs: [
      { label: "From", value: printDay(from), date: dateOf(from) },
      { label: "To", value: printDay(to), date: dateOf(to) },
    ],
    assumptions: told.assumptions,
    source: told.source,
    sureness: `It rests on ${counted(days, "day")}. Shown only when chance alone would do this in fewer than one case in twenty: seven intervals looked at singly would show something four times in five where there is nothing.`,
  };
}

export function afterTrainingWorking(asOf: AsOf): WorkingResult {
  const result = weightOf(asOf).afterTraining();
  if ("reason" in result) return { reason: `Nothing is shown: ${result.reason}.` };
  const p = asOf.printer;
  return {
    title: "The morning after training",
    value: p.massChange(result.effect),
    formula: "scale = level + water + effect of the weekday + effect of training the day before + error",
    steps: [
      `mornings after training ${result.afterTraining}, after rest ${result.afterRest}`,
      `difference ${p.massChange(result.effect)}, 80 % interval ${p.massChange(result.low80)} to ${p.massChange(result.high80)}`,
    ],
    inputs: [],
    assumptions: [
      "A day counts as training when a session of it was performed, wholly or partly.",
      "Weekdays are held apart, so that a training day's weekday does not stand for the training.",
    ],
    source:
      "Generalised least squares on the innovations of the filter: de Jong 1991, The Annals of Statistics 19:1073.",
    sureness: "An association, not a cause: what goes with training days (food, salt, sleep) is in it.",
  };
}

export function secondWorking(asOf: AsOf): WorkingResult {
  const result = weightOf(asOf).secondOffset();
  if ("reason" in result) return { reason: `Nothing is shown: ${result.reason}.` };
  const p = asOf.printer;
  return {
    title: "Second weigh-ins against the mornings",
    value: p.massChange(result.offset),
    formula: "offset = mean of (second weigh-in − morning of the same day);  interval = offset ± t × s ÷ √days",
    steps: [
      `s = ${p.mass(result.sd, 2)} over ${counted(result.days, "day")} with both`,
      `80 % interval ${p.massChange(result.low80)} to ${p.massChange(result.high80)}`,
    ],
    inputs: weightOf(asOf)
      .seconds()
      .filter(({ morningKg }) => morningKg !== null)
      .slice(-10)
      .reverse()
      .map(({ day, time, kg, morningKg }) => ({
        label: `${printDay(day)}${time === null ? "" : `, ${time}`}`,
        value: `${p.massNumber(kg)} − ${p.massNumber(morningKg!)} = ${p.massChange(kg - morningKg!)}`,
        date: dateOf(day),
      })),
    assumptions: [
      "Second weigh-ins never enter the trend or the weeks.",
      "Days are taken as independent; pairs more than 8 % apart are left out as errors.",
      "At most the last 120 pairs count.",
    ],
    source: "Mean of paired differences; Student's t by the series of Abramowitz & Stegun, 26.7.5.",
    sureness: `It rests on ${counted(result.days, "day")}.`,
  };
}

export function planWorking(asOf: AsOf): WorkingResult {
  const { on } = asOf;
  const line = goalsOf(asOf).line();
  if ("reason" in line) return { reason: `There is no plan line: ${line.reason}.` };
  const figure = planFigure(asOf);
  if ("reason" in figure) return figure;
  const p = asOf.printer;
  const trendKg = weightOf(asOf).levelOn(on)!;
  const planKg = planWeight(line, on);
  const elapsed = Math.min(Math.max(0, on - line.startDay), line.days);
  const change = line.targetKg - line.startKg;
  return {
    title: "Against the plan",
    value: `${p.massChange(figure.aboveKg)} (${figure.standing})`,
    formula: "plan(day) = start + rate ÷ 7 × days since the start;  above = trend − plan",
    steps: [
      line.by === "deadline"
        ? `rate = ${p.massChange(change)} ÷ ${counted(line.days, "day")} × 7 = ${p.rate(line.kgPerWeek, 4)}`
        : `days = ${p.massNumber(Math.abs(change), 2)} ÷ ${p.massNumber(Math.abs(line.kgPerWeek), 4)} × 7, rounded up = ${line.days}`,
      `plan = ${p.massNumber(line.startKg, 3)} + (${p.rate(line.kgPerWeek, 4)}) ÷ 7 × ${elapsed} = ${p.mass(planKg, 3)}`,
      `above = ${p.massNumber(trendKg, 3)} − ${p.massNumber(planKg, 3)} = ${p.massChange(figure.aboveKg)}`,
      `band = largest of half a week's rate ${p.massNumber(Math.abs(line.kgPerWeek) / 2, 2)}, 0.5 % of body weight ${p.massNumber(trendKg * 0.005, 2)}, and the trend's half-interval = ${p.mass(figure.bandKg, 2)}`,
      figure.catchUpKgPerWeek === null
        ? "The deadline is not ahead."
        : `to land on the deadline from here: (${p.massNumber(line.targetKg, 2)} − ${p.massNumber(trendKg, 2)}) ÷ ${line.deadline - on} × 7 = ${p.rate(figure.catchUpKgPerWeek)}`,
      `daily balance of the plan = ${p.rate(line.kgPerWeek, 4)} × ${p.energyPerMass(kcalPerKg)} ÷ 7 = ${p.energyChange(balanceForRate(line.kgPerWeek))}`,
    ],
    inputs: [
      { label: "Start", value: `${p.mass(line.startKg)}, ${printDay(line.startDay)}`, date: dateOf(line.startDay) },
      { label: "Target", value: p.mass(line.targetKg) },
      { label: "Deadline", value: printDay(line.deadline) },
    ],
    assumptions: ["The plan is a straight line. Too far below it is flagged as clearly as too far above."],
    source:
      "The line is arithmetic. Energy of a kilogram: Wishnofsky 1958, Am J Clin Nutr 6:542. Band: common practice, no source.",
    sureness: "As sure as the trend: its 80 % interval is part of the band.",
  };
}

export function arrivalWorking(asOf: AsOf): WorkingResult {
  const { on } = asOf;
  const line = goalsOf(asOf).line();
  const trend = weightOf(asOf).trend();
  const arrival = arrivalFigure(asOf);
  if ("reason" in arrival) return { reason: arrival.reason };
  if ("reason" in line || trend === null) return { reason: "No weight is written yet." };
  const p = asOf.printer;
  const at = carriedLevel(trend, Math.max(line.deadline, on))!;
  const now = levelOn(trend, on)!;
  const distance = line.targetKg < line.startKg ? line.targetKg - at.kg : at.kg - line.targetKg;
  const dates = (
    [
      ["10 %", arrival.p10],
      ["50 %", arrival.p50],
      ["90 %", arrival.p90],
    ] as const
  ).map(([share, date]) => `${share} by ${date === null ? "no date within three years" : printDate(date)}`);
  return {
    title: `${p.mass(line.targetKg)} ${arrival.onMorning ? "on the morning of" : "by"} ${printDate(arrival.deadline)}`,
    value: `${printNumber((arrival.onMorning?.chance ?? arrival.chance) * 100, 0)} in 100`,
    formula: "chance(day) = Φ((target − level(day)) ÷ standard deviation(day)), level and damped slope carried forward",
    steps: [
      `today: level ${p.mass(now.kg, 2)}, ${p.rate(now.kgPerWeek)}`,
      `on ${printDate(arrival.deadline)}: level ${p.massNumber(at.kg, 2)} ± ${p.mass(at.sd, 2)} (standard deviation)`,
      `Φ(${p.massNumber(distance, 2)} ${p.units.mass} ÷ ${p.massNumber(at.sd, 2)} ${p.units.mass}) = Φ(${printNumber(distance / at.sd, 2)}) → ${printNumber(arrival.chance * 100, 0)} %`,
      ...(arrival.onMorning === null
        ? []
        : [
            `on one morning water and scale add ${p.mass(arrival.onMorning.noise, 2)}: √(${p.massNumber(at.sd, 2)}² + ${p.massNumber(arrival.onMorning.noise, 2)}²) = ${p.massNumber(arrival.onMorning.sd, 2)} ${p.units.mass}; Φ(${p.massNumber(distance, 2)} ÷ ${p.massNumber(arrival.onMorning.sd, 2)}) → ${printNumber(arrival.onMorning.chance * 100, 0)} %`,
            `a trend of ${p.mass(arrival.onMorning.saferKg, 1)} that morning would make it four times in five: ${p.massNumber(line.targetKg)} ${line.targetKg < line.startKg ? "−" : "+"} 0.84 × ${p.massNumber(arrival.onMorning.noise, 2)} ${p.units.mass}`,
          ]),
      `the trend has crossed the target with a chance of ${dates.join(", ")}`,
    ],
    inputs: [
      { label: "Trend today", value: p.mass(now.kg, 2), date: dateOf(trend.last) },
      { label: "Target", value: p.mass(line.targetKg) },
      { label: "Deadline", value: printDate(arrival.deadline) },
    ],
    assumptions: [
      `You go on as in the last weeks: a change of pace comes as often as it did, and fades to half in ${printNumber(Math.log(0.5) / Math.log(fading), 0)} days.`,
      arrival.onMorning
        ? "The one morning counts, with its water and its scale; the dates are those of the trend."
        : "It is the trend that must cross, not one lucky morning.",
      "A chance once reached is kept; a crossing and return between days is not counted, so early dates are cautious.",
    ],
    source: harvey,
    sureness: "The dates spread as the rate is uncertain; beyond a month the spread is wide.",
  };
}

/** The workings of this domain, by the figure's name in a reference to it. */
export const bodyWorkings = {
  trend: trendWorking,
  weekly: (asOf: AsOf, { closingDate }: { closingDate: string }) => weeklyWorking(asOf, closingDate),
  change: changeWorking,
  afterTraining: afterTrainingWorking,
  second: secondWorking,
  plan: planWorking,
  arrival: arrivalWorking,
};
