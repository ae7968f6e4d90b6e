import type { Sex } from "../log/kinds/people";

export const equationNames = ["mifflinStJeor", "rozaShizgal", "katchMcArdle", "cunningham"] as const;
export type EquationName = (typeof equationNames)[number];

export interface Body {
  kg: number;
  heightCm: number | null;
  ageYears: number | null;
  sex: Sex;
  fatFreeKg: number | null;
}

export type Resting = { kcal: number } | { reason: string };

interface Equation {
  title: string;
  source: string;
  written: string;
  kcal: (body: Body) => Resting;
}

export const lacking = {
  height: "height is not set",
  birthDate: "birth date is not set",
  fat: "no body-fat measurement gives the fat-free mass",
};

/**
 * Where the trainee writes what a resting expenditure lacks: without the profile's or a body fat's reasons it is a
 * weight.
 */
export function whereToWrite(reason: string): string {
  if (reason === lacking.height || reason === lacking.birthDate) return "Write it under Settings.";
  return reason === lacking.fat
    ? "Write a reading of it under Body, or choose another equation under Energy."
    : "Type this morning's weight in the line above.";
}

type SexTerms = (kg: number, cm: number, years: number) => number;

/** An equation that needs height, age and sex; unspecified sex is the mean of both. */
function bySex(female: SexTerms, male: SexTerms): (body: Body) => Resting {
  return ({ kg, heightCm, ageYears, sex }) => {
    if (heightCm === null) return { reason: lacking.height };
    if (ageYears === null) return { reason: lacking.birthDate };
    const [f, m] = [female(kg, heightCm, ageYears), male(kg, heightCm, ageYears)];
    return { kcal: sex === "female" ? f : sex === "male" ? m : (f + m) / 2 };
  };
}

/** An equation on fat-free mass. */
function byFatFree(kcal: (fatFreeKg: number) => number): (body: Body) => Resting {
  return ({ fatFreeKg }) => (fatFreeKg === null ? { reason: lacking.fat } : { kcal: kcal(fatFreeKg) });
}

/**
 * Resting energy expenditure in kilocalories a day. Coefficients from memory until checked against the worked values in
 * tests/checks.
 */
export const equations: Record<EquationName, Equation> = {
  mifflinStJeor: {
    title: "Mifflin–St Jeor",
    source: "Mifflin et al. 1990, Am J Clin Nutr 51:241",
    written: "10 w + 6.25 h − 5 a + 5 (men) or − 161 (women)",
    kcal: bySex(
      (w, h, a) => 10 * w + 6.25 * h - 5 * a - 161,
      (w, h, a) => 10 * w + 6.25 * h - 5 * a + 5,
    ),
  },
  rozaShizgal: {
    title: "Harris–Benedict, revised",
    source: "Roza & Shizgal 1984, Am J Clin Nutr 40:168",
    written: "88.362 + 13.397 w + 4.799 h − 5.677 a (men), 447.593 + 9.247 w + 3.098 h − 4.330 a (women)",
    kcal: bySex(
      (w, h, a) => 447.593 + 9.247 * w + 3.098 * h - 4.33 * a,
      (w, h, a) => 88.362 + 13.397 * w + 4.799 * h - 5.677 * a,
    ),
  },
  katchMcArdle: {
    title: "Katch–McArdle",
    source: "McArdle, Katch & Katch, Exercise Physiology",
    written: "370 + 21.6 FFM",
    kcal: byFatFree((ffm) => 370 + 21.6 * ffm),
  },
  cunningham: {
    title: "Cunningham",
    source: "Cunningham 1980, Am J Clin Nutr 33:2372",
    written: "500 + 22 FFM",
    kcal: byFatFree((ffm) => 500 + 22 * ffm),
  },
};

/**
 * Activity factors (physical activity level) of FAO/WHO/UNU 2004, Human Energy Requirements: sedentary or light
 * 1.40–1.69, active
 * 1.70–1.99, vigorous 2.00–2.40.
 */
export const activityClasses = [
  { name: "Sedentary or light", from: 1.4, to: 1.69 },
  { name: "Active", from: 1.7, to: 1.99 },
  { name: "Vigorous", from: 2, to: 2.4 },
] as const;

/** Factor while the trainee has set none: the middle of the sedentary-or-light range. */
export const defaultActivityFactor = 1.55;

/**
 * Known error of a resting equation for one person, as a share of its value: about ± 10 % (common practice, no source).
 */
export const equationError = 0.1;
