import type { Day } from "../base/calendar/day";
import { weekdayMeans, type WeekdayEffects } from "../body/weekday";
import { netExerciseKcal, sessionMet, sessionMinutes } from "../energy/exercise";
import { defaultActivityFactor, type EquationName } from "../energy/resting";
import { balanceForRate } from "../goals/plan";
import { addUp, mealNutrients, type FullNutrients } from "./energy";
import { wasPerformed } from "../sessions/adherence";
import type { Session } from "../log/kinds/sessions";
import { family, memo, ownedBy } from "../base/memo";
import type { Figures } from "../figures/figures";

export type DayKind = "training" | "rest";

/** Expenditure by formula: resting × activity factor. */
export type Expenditure =
  { kcal: number; resting: number; equation: EquationName; factor: number; factorSet: boolean } | { reason: string };

export function expenditureOn(figures: Figures, day: Day): Expenditure {
  const settings = figures.energySettingsOn(day);
  const equation = settings?.equation ?? "mifflinStJeor";
  const factor = settings?.activityFactor ?? defaultActivityFactor;
  const resting = figures.restingOn(equation, day);
  return "reason" in resting
    ? resting
    : {
        kcal: resting.kcal * factor,
        resting: resting.kcal,
        equation,
        factor,
        factorSet: settings?.activityFactor != null,
      };
}

/** A session's net energy, and whether it is added to the day's target. */
export type Credit =
  | { sessionId: string; kcal: number; met: number; from: string; minutes: number; kg: number; credited: boolean }
  | { sessionId: string; reason: string };

/** Net credit of a performed session. It is added to the day only when the trainee said that the factor leaves sessions out. */
export function creditOf(figures: Figures, session: Session, day: Day): Credit {
  const sessionId = session.id;
  const met = sessionMet(session);
  if ("reason" in met) return { sessionId, reason: met.reason };
  const minutes = sessionMinutes(session);
  if (minutes === null) return { sessionId, reason: "its duration is missing" };
  const kg = figures.bodyWeightOn(day);
  if (kg === null) return { sessionId, reason: "no weight is written" };
  return {
    sessionId,
    kcal: netExerciseKcal(met.met, kg, minutes),
    met: met.met,
    from: met.from,
    minutes,
    kg,
    credited: figures.energySettingsOn(day)?.sessionsInFactor === false,
  };
}

export function creditsOn(figures: Figures, day: Day): Credit[] {
  return figures
    .sessionsOn(day)
    .filter((session) => wasPerformed(session, figures.on))
    .map((session) => creditOf(figures, session, day));
}

/** Whether a day is a training or a rest day: as the trainee said, else by whether a session is on it that was not dropped. */
export function dayKind(figures: Figures, day: Day): DayKind {
  const said = figures.noteOn(day)?.activity;
  if (said) return said;
  return figures.sessionsOn(day).some(({ status }) => status !== "skipped" && status !== "missed")
    ? "training"
    : "rest";
}

/** A day's target: the trainee's own where set, else expenditure plus the balance the plan asks for. */
export type Target =
  | {
      kcal: number;
      protein: number | null;
      fat: number | null;
      carbohydrate: number | null;
      kind: DayKind;
      own: boolean;
      expenditureKcal: number | null;
      balanceKcal: number;
      creditKcal: number;
    }
  | { reason: string };

export function targetFor(figures: Figures, kind: DayKind, day: Day, creditKcal = 0): Target {
  const own = figures.energySettingsOn(day)?.targets?.[kind];
  const grams = { protein: own?.protein ?? null, fat: own?.fat ?? null, carbohydrate: own?.carbohydrate ?? null };
  const expenditure = expenditureOn(figures, day);
  const expenditureKcal = "reason" in expenditure ? null : expenditure.kcal;
  if (own?.kcal != null)
    return { ...grams, kcal: own.kcal + creditKcal, kind, own: true, expenditureKcal, balanceKcal: 0, creditKcal };
  if ("reason" in expenditure) return expenditure;
  const line = figures.lineOn(day);
  const balanceKcal = "reason" in line || day >= line.deadline ? 0 : balanceForRate(line.kgPerWeek);
  return {
    ...grams,
    kcal: expenditure.kcal + balanceKcal + creditKcal,
    kind,
    own: false,
    expenditureKcal,
    balanceKcal,
    creditKcal,
  };
}

/** The target of one particular day, with credited sessions added. */
export function targetOn(figures: Figures, day: Day): Target {
  const credit = creditsOn(figures, day).reduce((sum, one) => sum + ("kcal" in one && one.credited ? one.kcal : 0), 0);
  return targetFor(figures, dayKind(figures, day), day, credit);
}

/** What was eaten on a day. */
export interface FoodDay {
  day: Day;
  /** Of what is known: where something eaten has no known energy, the least. */
  eaten: FullNutrients;
  /** Energy eaten; null where something eaten has none that is known. */
  eatenKcal: number | null;
  planned: FullNutrients;
  waterMl: number;
  /** Whether the trainee said that everything eaten is written, and all of it has a known energy. */
  complete: boolean;
  target: Target;
  remainingKcal: number | null;
  /** Meals whose nutrients cannot be known, with the reason. */
  unknown: { mealId: string; reason: string; planned: boolean }[];
  /** Why the energy eaten is not known; empty where it is. */
  unknownWhy: string;
}

/** What is written of a day's food, whatever its target. */
const eatenOn = ownedBy((figures: Figures) =>
  family(figures.log.index, (day: Day) => {
    const { foods, recipes } = figures;
    const read = figures.mealsOn(day).map((meal) => ({ meal, result: mealNutrients(meal, foods, recipes) }));
    const sumOf = (planned: boolean) =>
      addUp(
        read.flatMap(({ meal, result }) =>
          "nutrients" in result && (meal.status === "planned") === planned ? [result.nutrients] : [],
        ),
      );
    return {
      eaten: sumOf(false),
      planned: sumOf(true),
      unknown: read.flatMap(({ meal, result }) =>
        "reason" in result ? [{ mealId: meal.id, reason: result.reason, planned: meal.status === "planned" }] : [],
      ),
    };
  }),
);

/** Whether everything eaten on a day has a known energy. */
const isKnown = ({ unknown }: Pick<FoodDay, "unknown">) => unknown.every(({ planned }) => planned);

const foodDaysOf = ownedBy((figures: Figures) =>
  family(figures.log.index, (day: Day): FoodDay => {
    const { eaten, planned, unknown } = eatenOn(figures)(day);
    const target = targetOn(figures, day);
    const eatenKcal = isKnown({ unknown }) ? eaten.kcal : null;
    return {
      day,
      eaten,
      eatenKcal,
      planned,
      waterMl: figures.waterOn(day),
      complete: eatenKcal !== null && (figures.noteOn(day)?.foodComplete ?? false),
      target,
      remainingKcal: "reason" in target || eatenKcal === null ? null : target.kcal - eatenKcal,
      unknown,
      unknownWhy: [...new Set(unknown.filter(({ planned: ahead }) => !ahead).map(({ reason }) => reason))].join("; "),
    };
  }),
);

export function foodDay(figures: Figures, day: Day): FoodDay {
  return foodDaysOf(figures)(day);
}

/** Weekday effects on intake rest on at most so many days. */
const intakeDays = 182;

/** What each weekday does to what is eaten, over days that are written completely; or why that cannot be said. */
export const weekdayIntake = ownedBy((figures: Figures) =>
  memo(figures.log.index, (): WeekdayEffects | { reason: string } => {
    const days = figures.mealDays.filter(
      (day) =>
        day <= figures.on &&
        day > figures.on - intakeDays &&
        figures.noteOn(day)?.foodComplete === true &&
        isKnown(eatenOn(figures)(day)),
    );
    return days.length === 0
      ? { reason: "no day's food is marked as complete" }
      : weekdayMeans(days.map((day) => ({ day, value: eatenOn(figures)(day).eaten.kcal })));
  }),
);

/** Days up to the one asked about (and not before `from`) on which something was eaten or drunk, oldest first. */
export function foodDays(figures: Figures, from = -Infinity): FoodDay[] {
  const within = (day: Day) => day >= from && day <= figures.on;
  const days = new Set(figures.waterDays.filter(within));
  for (const day of figures.mealDays.filter(within))
    if (figures.mealsOn(day).some(({ status }) => status !== "planned")) days.add(day);
  return [...days].sort((a, b) => a - b).map((day) => foodDay(figures, day));
}
