import { dateOf, mustDay, weekStartOf, type Day } from "./base/calendar/day";
import { groupBy } from "./base/calendar/groupBy";
import { trendDays } from "./body/trend";
import { weightChange } from "./body/familiar";
import { equationNames } from "./energy/resting";
import { balanceForRate, catchUpRate, isHolding, planWeight } from "./goals/plan";
import { lastWeighedAgo } from "./body/projection";
import type { LiftMaximum } from "./strength/maximum";
import { adherence } from "./sessions/adherence";
import { peopleOf, type Log } from "./log/log";
import { dailyLoads, distanceTotals } from "./endurance/distances";
import { Figures, dateOrNull } from "./figures/figures";
import { lastEntryDay } from "./log/lastEntry";
import { compositionOf } from "./body/measuresView";
import { lifting } from "./strength/lifting";
import { quotedKg } from "./strength/sets";
import { blockWorks } from "./strength/stretch";
import { zones } from "./strength/intensity";
import { creditsOn, expenditureOn, foodDays, targetFor, type Target } from "./nutrition/foodDay";

/**
 * Every figure of a household as the documented contract (docs/figures.md), numbers rounded to ten significant digits since
 * engines may differ in the last bit of `exp` and `pow`.
 * @param on the day the figures are asked for; when absent, the household's last day with an entry
 */
export function contract(log: Log, on: Day | null): unknown {
  const people = peopleOf(log);
  const latest = people.flatMap(({ id }) => lastEntryDay(log, id) ?? []);
  const day = on ?? (latest.length > 0 ? Math.max(...latest) : null);
  if (day === null) return { on: null, reason: "nothing is written yet", people: [] };
  return rounded({ on: dateOf(day), people: people.map((person) => personContract(new Figures(log, person.id, day))) });
}

/** The contract's figures of one person. */
export function personContract(figures: Figures): Record<string, unknown> {
  const goal = goalContract(figures);
  return {
    personId: figures.person.id,
    weight: weightContract(figures),
    ...goal,
    measureGoals: [...figures.measures.keys()].sort().flatMap((measureId) => {
      const standing = figures.measureGoal(measureId);
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
    energy: energyContract(figures),
    food: foodDays(figures).map(({ day, eaten, eatenKcal, unknownWhy, waterMl, complete, remainingKcal, target }) => ({
      date: dateOf(day),
      kcal: eatenKcal,
      protein: eaten.protein,
      fat: eaten.fat,
      carbohydrate: eaten.carbohydrate,
      fibre: eaten.fibre,
      sugars: eaten.sugars,
      alcohol: eaten.alcohol,
      water: waterMl,
      complete,
      remainingKcal,
      ...(eatenKcal === null ? { reason: unknownWhy } : "reason" in target ? { reason: target.reason } : {}),
    })),
    lifts: figures.lifts.map(({ exerciseId, best, latest, lastDone }) => ({
      exerciseId,
      best: maximumContract(best),
      latest: maximumContract(latest),
      lastDone: dateOrNull(lastDone),
      ...(best === null
        ? {
            reason:
              lastDone === null
                ? "it was tested, and no set of it is written"
                : "no set so far may stand for a maximum",
          }
        : {}),
      curve: figures.curveOf(exerciseId),
      tested: figures.testsOf(exerciseId).map((test) => ({ date: dateOf(test.day), kg: test.kg })),
      bestRatio: ratioContract(lifting(figures).bestRatio(exerciseId)),
      repRecords: lifting(figures)
        .records(exerciseId)
        .standing.map(({ reps, kg, day }) => ({ reps, kg, date: dateOf(day) })),
    })),
    e1rm: { formula: figures.formula },
    volume: figures.liftedWeeks.map((start) => {
      const {
        volume: { byExercise, ...volume },
        zones: { byZone, unknown },
        planned,
      } = lifting(figures).weekWork(start);
      return {
        weekStart: dateOf(start),
        ...volume,
        byExercise,
        zones: zones.map(({ name }, zone) => ({ zone: name, numberOfLifts: byZone[zone]! })),
        withoutMaximum: unknown,
        planned,
        ...(volume.averageIntensity === null ? { reason: "no lift of the week has a maximum" } : {}),
      };
    }),
    blocks: blockWorks(figures).map(
      ({
        block,
        course,
        sessions,
        sets,
        numberOfLifts,
        volumeLoadKg,
        averageKg,
        averageIntensity,
        perWeek,
        planned,
        plannedSoFar,
      }) => ({
        blockId: block.id,
        name: block.name,
        startDate: block.startDate,
        endDate: dateOf(course.last),
        days: block.days,
        passed: course.passed,
        sessions,
        sets,
        numberOfLifts,
        volumeLoadKg,
        averageKg,
        averageIntensity,
        perWeek,
        planned,
        plannedSoFar,
        ...(averageKg === null
          ? { reason: course.state === "ahead" ? "the block has not begun" : "nothing was lifted in the block" }
          : averageIntensity === null
            ? { reason: "no lift of the block has a maximum" }
            : {}),
      }),
    ),
    distance: distanceTotals(figures),
    load: dailyLoads(figures, -Infinity, figures.on).map(({ day, sessionLoad }) => ({
      date: dateOf(day),
      sessionLoad,
    })),
    adherence: adherenceContract(figures),
  };
}

function weightContract(figures: Figures) {
  const change = weightChange(figures.weighed);
  const { weekdayWeight: weekdays, afterTraining, secondOffset: second } = figures;
  const composition = compositionOf(figures);
  const reasons = [
    ...("reason" in weekdays ? [weekdays.reason] : []),
    ...(change === null
      ? ["no weight is written"]
      : change.kgPerWeek === null
        ? ["a weekly rate needs seven days"]
        : []),
  ];
  return {
    trend: trendDays(figures.trend).map(({ day, kg, low80, high80, kgPerWeek, filteredKg, gross }) => ({
      date: dateOf(day),
      kg,
      low80,
      high80,
      kgPerWeek,
      filteredKg,
      ...(gross ? { gross } : {}),
    })),
    weekly: figures.weekly().map(({ closingDay, from, days, medianKg, meanKg, open }) => ({
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

function goalContract(figures: Figures) {
  const { line, on, trend, projection } = figures;
  if ("reason" in line) return { goal: null, reason: line.reason };
  const trendKg = figures.levelOn(on);
  const planKg = planWeight(line, on);
  const heldKg = figures.heldOn(on);
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
    milestones: figures.milestones.map(({ kg, planned, reached, atThisPace }) => ({
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

function energyContract(figures: Figures) {
  const { on } = figures;
  const resting = equationNames.map((name) => [name, figures.restingOn(name, on)] as const);
  const missing = [...new Set(resting.flatMap(([, result]) => ("reason" in result ? [result.reason] : [])))];
  const expenditure = expenditureOn(figures, on);
  const sessions = figures.pastSessionDays.flatMap((day) =>
    creditsOn(figures, day).map((credit) => ({ date: dateOf(day), ...credit })),
  );
  return {
    resting: {
      ...Object.fromEntries(resting.map(([name, result]) => [name, "kcal" in result ? result.kcal : null])),
      ...(missing.length > 0 ? { reason: missing.join("; ") } : {}),
    },
    formula:
      "reason" in expenditure
        ? { kcal: null, factor: null, reason: expenditure.reason }
        : { kcal: expenditure.kcal, factor: expenditure.factor, equation: expenditure.equation },
    measured: {
      kcal: null,
      low80: null,
      high80: null,
      days: 0,
      reason: "measured expenditure is not computed by this version",
    },
    targets: {
      training: targetContract(targetFor(figures, "training", on)),
      rest: targetContract(targetFor(figures, "rest", on)),
    },
    exercise: sessions.map(({ date, ...credit }) =>
      "reason" in credit
        ? { date, sessionId: credit.sessionId, netKcal: null, reason: credit.reason }
        : { date, sessionId: credit.sessionId, met: credit.met, netKcal: credit.kcal, credited: credit.credited },
    ),
  };
}

function targetContract(target: Target) {
  if ("reason" in target) return { kcal: null, protein: null, fat: null, carbohydrate: null, reason: target.reason };
  const { kcal, protein, fat, carbohydrate } = target;
  return {
    kcal,
    protein,
    fat,
    carbohydrate,
    ...(protein === null || fat === null || carbohydrate === null ? { reason: "no target in grams is set" } : {}),
  };
}

function maximumContract(maximum: LiftMaximum | null) {
  return maximum === null
    ? null
    : {
        e1rmKg: maximum.e1rmKg,
        date: dateOf(maximum.set.day),
        kg: quotedKg(maximum.set.exercise, maximum.set.typedKg),
        reps: maximum.set.reps,
      };
}

/** Adherence of every week that holds a session, up to the week of the day asked about. */
function adherenceContract(figures: Figures) {
  return [
    ...groupBy(figures.sessionsBetween(-Infinity, figures.on), ({ date }) =>
      weekStartOf(mustDay(date), figures.weekStart),
    ),
  ].map(([start, sessions]) => {
    const counts = adherence(sessions, figures.on);
    return { weekStart: dateOf(start), ...counts, ...(counts.share === null ? { reason: "nothing was planned" } : {}) };
  });
}

function ratioContract(best: { ratio: number; day: Day } | null) {
  return best && { ratio: best.ratio, date: dateOf(best.day) };
}

/** Ten significant digits for every number, at every depth. */
export function rounded(value: unknown): unknown {
  if (typeof value === "number")
    return Number.isInteger(value) && Math.abs(value) < 1e10 ? value + 0 : Number(value.toPrecision(10)) + 0;
  if (Array.isArray(value)) return value.map(rounded);
  if (value === null || typeof value !== "object") return value;
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, rounded(inner)]));
}
