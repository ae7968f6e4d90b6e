/**
 * The dynamic model of body weight of Hall, Sacks, Chandramohan, Chow, Wang, Gortmaker and Swinburn 2011, Lancet 378:826, and
 * its web appendix, constants from memory: fat and lean tissue share what is eaten over what is spent by how fat the body is;
 * what is spent follows body and intake; glycogen, its water and salt follow the intake. Its published rule comes out: 100 kJ
 * a day make about a kilogram in the end, about half of it in a year and 95 in 100 in three (checked in tests/checks).
 */
import { KJ_PER_KCAL } from "../base/units/energy";

/** Energy in fat, lean tissue and glycogen, kJ/kg. */
const [fatEnergy, leanEnergy, glycogenEnergy] = [39_500, 7600, 17_600];
/** What a kilogram of fat and of lean tissue spends, kJ a day; and what laying it down costs, kJ/kg. */
const [fatSpends, leanSpends] = [13, 92];
const [fatCosts, leanCosts] = [750, 960];
/** Of a changed intake, what digesting it takes. */
export const digests = 0.1;
/** Of a changed intake, what the body spends the less or more by itself within a fortnight. */
const [adapts, adaptDays] = [0.14, 14];
/** Glycogen, kg, and the water that a kilogram of it holds. */
const [glycogenKg, glycogenWater] = [0.5, 2.7];
/** Sodium: milligrams in a litre, let go for each litre over and for carbohydrate left out, and eaten a day. */
const [sodium, sodiumLetGo, sodiumOfCarbohydrate, sodiumEaten] = [3220, 3000, 4000, 4000];
/** Forbes' constant in energy: lean's share of a change is this ÷ (this + fat). */
const forbes = (10.4 * leanEnergy) / fatEnergy;
/** The share of intake that is carbohydrate where it is not said. */
const carbohydrateShare = 0.5;
const stepsADay = 8;

/** A body from which the weight is reckoned ahead. */
export interface DynamicBody {
  kg: number;
  fatKg: number;
  /** Resting and whole expenditure now, kilocalories a day. */
  restingKcal: number;
  expenditureKcal: number;
  /** What is eaten now, kilocalories a day: to this the body's water has settled. */
  intakeKcal: number;
}

/**
 * Body fat by body mass index, age and sex: Jackson et al. 2002, Int J Obes 26:789, from memory. For a body whose fat is not
 * measured; off by some 5 % of weight for one person.
 */
export function fatKgBy({
  kg,
  heightCm,
  ageYears,
  sex,
}: {
  kg: number;
  heightCm: number;
  ageYears: number;
  sex: "female" | "male" | "unspecified";
}): number {
  const index = Math.log(kg / (heightCm / 100) ** 2);
  const [woman, man] = [-102.01 + 39.96 * index + 0.14 * ageYears, -103.94 + 37.31 * index + 0.14 * ageYears];
  const percent = sex === "female" ? woman : sex === "male" ? man : (woman + man) / 2;
  return (kg * Math.min(60, Math.max(4, percent))) / 100;
}

/**
 * The weight on each day to come at an intake, kilograms: the first is today's.
 * @param intakeKcal what is eaten a day from now on
 */
export function weightAhead(body: DynamicBody, intakeKcal: number, days: number): Float64Array {
  const share = digests + adapts;
  // What would hold this body: at it, what digesting and adapting add to the expenditure is nothing.
  const holds = (KJ_PER_KCAL * (body.expenditureKcal - share * body.intakeKcal)) / (1 - share);
  const resting = KJ_PER_KCAL * body.restingKcal;
  const moving = Math.max(0, ((1 - digests) * holds - resting) / body.kg);
  const now = KJ_PER_KCAL * body.intakeKcal;
  const next = KJ_PER_KCAL * intakeKcal;
  const carbohydrate = carbohydrateShare * holds;
  const glycogenUse = carbohydrate / glycogenKg ** 2;
  const salt = (eaten: number) =>
    sodiumEaten * (eaten / holds - 1) - sodiumOfCarbohydrate * (1 - (carbohydrateShare * eaten) / carbohydrate);
  let fat = body.fatKg;
  let glycogen = Math.sqrt((carbohydrateShare * now) / glycogenUse);
  let fluid = salt(now) / sodiumLetGo;
  let adapted = adapts * (now - holds);
  // What is neither fat nor glycogen with its water nor the fluid that comes and goes.
  let lean = body.kg - fat - glycogen * (1 + glycogenWater) - fluid;
  const rest = holds - fatSpends * fat - leanSpends * lean - moving * body.kg;
  const weighs = () => fat + lean + glycogen * (1 + glycogenWater) + fluid;
  const weights = new Float64Array(days + 1);
  const step = 1 / stepsADay;
  for (let day = 0; day <= days; day++) {
    weights[day] = weighs();
    for (let part = 0; part < stepsADay; part++) {
      const glycogenChange = (carbohydrateShare * next - glycogenUse * glycogen ** 2) / glycogenEnergy;
      const toLean = forbes / (forbes + fat);
      const plain = rest + fatSpends * fat + leanSpends * lean + moving * weighs() + digests * (next - holds) + adapted;
      const laying = (leanCosts * toLean) / leanEnergy + (fatCosts * (1 - toLean)) / fatEnergy;
      const eaten = next - glycogenEnergy * glycogenChange;
      const over = (eaten - plain) / (1 + laying);
      fluid += (step * (salt(next) - sodiumLetGo * fluid)) / sodium;
      adapted += (step * (adapts * (next - holds) - adapted)) / adaptDays;
      glycogen += step * glycogenChange;
      fat += (step * (1 - toLean) * over) / fatEnergy;
      lean += (step * toLean * over) / leanEnergy;
    }
  }
  return weights;
}

/**
 * The intake at which the weight is met on a day to come, kilocalories a day; null where none between 500 and 8000 does.
 */
export function intakeFor(body: DynamicBody, targetKg: number, days: number): number | null {
  const at = (kcal: number) => weightAhead(body, kcal, days)[days]!;
  let [low, high] = [500, 8000];
  if (days < 1 || at(low) > targetKg || at(high) < targetKg) return null;
  for (let round = 0; round < 40; round++) {
    const middle = (low + high) / 2;
    if (at(middle) < targetKg) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
