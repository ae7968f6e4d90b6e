import { type Day } from "../base/calendar/day";
import { perOwner } from "../base/memo";
import { measuresOf } from "../body/measuresSlice";
import { jumps } from "../body/mornings";
import { weightOf } from "../body/slice";
import { z80 } from "../body/trend";
import { kcalPerKg } from "../goals/plan";
import type { EnergySettings } from "../log/kinds/energySettings";
import { type AsOf, Slice } from "../log/asOf";
import { bucketDays, bucketOf, daysOfBucket } from "../log/logIndex";
import { notesOf } from "../log/notes";
import { mealKcal } from "../nutrition/energy";
import { nutritionOf } from "../nutrition/slice";
import { creditedOn, expenditureOn } from "../energy/expenditure";
import { defaultActivityFactor, equationError, equations } from "../energy/resting";
import { energyOf } from "../energy/slice";
import { type BalanceState, beginBalance, handedOn, type Start, takeDay } from "./filter";

/** What was eaten on a day of which all is written; else why it does not count. */
export type WholeDay = { kcal: number } | { reason: string };

/** The expenditure as it was known on a day, kilocalories. */
export interface MeasuredDay {
  day: Day;
  kcal: number;
  low80: number;
  high80: number;
  /** Whole days of food and mornings that it rests on, from the first weigh-in to that morning. */
  days: number;
  mornings: number;
  /** How much of it are sessions that are credited each by itself: the mean of the last four weeks. */
  creditedKcal: number;
  /** `formula` until the data speak: then it is what the formula says, with its known error. */
  from: "formula" | "measured";
}

/** Of fat and of lean tissue: Hall 2008, Int J Obes 32:573 (39.5 and 7.6 MJ), from memory. */
const [fatDensity, leanDensity] = [9440, 1820];
/** Forbes 1987: a change of lean with fat, ln fat × 10.4 kg; from memory. */
const forbesKg = 10.4;

/** What a kilogram of change holds in a body with so much fat, kilocalories (Hall 2008 after Forbes). */
export function densityAt(fatKg: number): number {
  const fat = fatKg / (fatKg + forbesKg);
  return fat * fatDensity + (1 - fat) * leanDensity;
}

/** Expenditure of a kilogram of body where neither height, age nor sex is known, and how far off that may be (our judgement, no source). */
const spentPerKg = 33;
const spentPerKgError = 0.2;
/** An unmarked day with less than this share of what the formula says is spent is plainly not whole (our judgement). */
const plainlyTooLow = 0.5;
/** Who of late has marked so many of the days as whole marks all that are; of late is within so many days (our judgement). */
const [marksFrom, marksWithin] = [0.4, 28];
/** The data speak once so many whole days and mornings are written (our judgement). */
const speaksFrom = 7;
/** So many buckets of days without a weigh-in before one are more than a year. */
const idleBuckets = Math.ceil(365 / bucketDays);
/** A changed intake is one by so much, kilocalories a day. */
const unsettledFrom = 200;

interface Stretch {
  kcal: Float64Array;
  sd: Float64Array;
  /** Whole days and mornings up to each day, since the stretch began. */
  days: Float64Array;
  mornings: Float64Array;
  end: Float64Array;
}

const numberOrNull = (value: number) => (Number.isNaN(value) ? null : value);

/** The expenditure that the person's own weight and food show. */
class MeasuredEnergy extends Slice {
  /** Where it begins: the first weigh-in, and the formula there; null without one. */
  readonly #start = this.kept((): (Start & { day: Day }) | null => {
    const first = weightOf(this.asOf).weighed()[0];
    if (first === undefined) return null;
    const { day, kg } = first;
    const fat = measuresOf(this.asOf).bodyFatOn(day);
    const settings = energyOf(this.asOf).settingsOn(day);
    const equation = equations[settings?.equation ?? "mifflinStJeor"];
    const resting = equation.kcal(energyOf(this.asOf).bodyAt(kg, day));
    const factor = settings?.activityFactor ?? defaultActivityFactor;
    const [kcal, error] =
      "reason" in resting ? [spentPerKg * kg, spentPerKgError] : [resting.kcal * factor, equationError];
    const density = fat === null ? kcalPerKg : densityAt((kg * fat.percent) / 100);
    return { day, kg, kcal, kcalSd: error * kcal, density };
  });

  /** Energy eaten on the days of a bucket: NaN where nothing is written, infinite where something has no known energy. */
  readonly #eaten = this.keptBy((bucket: number): Float64Array => {
    const nutrition = nutritionOf(this.asOf);
    const [foods, recipes] = [nutrition.foods(), nutrition.recipes()];
    return Float64Array.from(daysOfBucket(bucket), (day) => {
      const eaten = nutrition.mealsOn(day).filter(({ status }) => status !== "planned");
      let kcal = eaten.length === 0 ? NaN : 0;
      for (const meal of eaten) kcal += mealKcal(meal, foods, recipes) ?? Infinity;
      return kcal;
    });
  });

  /** Of the days of a bucket up to the day asked about: 2 where what is eaten is marked as whole, 1 where it is not, 0 without food. */
  readonly #marked = this.keptBy((bucket: number): Uint8Array => {
    const eaten = this.#eaten(bucket);
    return Uint8Array.from(daysOfBucket(bucket), (day, at) => {
      if (day > this.asOf.on || Number.isNaN(eaten[at]!)) return 0;
      return notesOf(this.asOf).noteOn(day)?.foodComplete === true ? 2 : 1;
    });
  });

  /**
   * On which days of a bucket the trainee marks whole days as such, by the four weeks up to each: then one that is not marked is
   * not taken for one. Nothing later is looked at, but for the first week of food, in which nothing is measured yet.
   */
  readonly #marksOn = this.keptBy((bucket: number): Uint8Array => {
    const [began] = this.asOf.index.buckets("meals", this.asOf.personId);
    const first = began === undefined ? -1 : began * bucketDays + this.#marked(began).findIndex((one) => one > 0);
    const reach = bucketOf(first) === bucket ? bucket + 1 : bucket;
    const from = (bucket - 1) * bucketDays;
    const held = Array.from({ length: reach - bucket + 2 }, (_, at) => [...this.#marked(bucket - 1 + at)]).flat();
    return Uint8Array.from(daysOfBucket(bucket), (day) => {
      const last = Math.max(day, first + speaksFrom - 1);
      const lately = held.slice(last - marksWithin + 1 - from, last + 1 - from).filter((one) => one > 0);
      const marked = lately.filter((one) => one === 2).length;
      return Number(marked >= marksFrom * lately.length && lately.length > 0);
    });
  });

  /** What was eaten on a day, if all of it is written. A day marked incomplete, or plainly too low to be whole, is missing. */
  wholeOn(day: Day): WholeDay {
    const bucket = bucketOf(day);
    const kcal = this.#eaten(bucket)[day - bucket * bucketDays]!;
    const marked = notesOf(this.asOf).noteOn(day)?.foodComplete;
    if (Number.isNaN(kcal)) return marked === true ? { kcal: 0 } : { reason: "nothing is written" };
    if (marked === false) return { reason: "marked as not everything written" };
    if (marked !== true && this.#marksOn(bucket)[day - bucket * bucketDays] === 1)
      return { reason: "not marked as everything, as your whole days are" };
    if (kcal === Infinity) return { reason: "something eaten has no known energy" };
    const formula = this.#start()?.kcal ?? 0;
    return marked !== true && kcal < plainlyTooLow * formula
      ? { reason: "plainly too little to be a whole day, and not marked as everything" }
      : { kcal };
  }

  /**
   * What the days of a bucket bring, a column each and NaN where nothing: kept together, so that an edit asks of some hundred
   * buckets whether they have changed, and not of thousands of days.
   */
  readonly #columns = this.keptBy((bucket: number): { kg: Float64Array; kcal: Float64Array; credit: Float64Array } => {
    const [kg, kcal, credit] = [0, 1, 2].map(() => new Float64Array(bucketDays).fill(NaN)) as [
      Float64Array,
      Float64Array,
      Float64Array,
    ];
    const energy = energyOf(this.asOf);
    const steady = this.#steadyIn(bucket);
    for (let at = 0; at < bucketDays; at++) {
      const day = bucket * bucketDays + at;
      if (day > this.asOf.on) break;
      const whole = this.wholeOn(day);
      kg[at] = weightOf(this.asOf).primaryOn(day)?.kg ?? NaN;
      kcal[at] = "reason" in whole ? NaN : whole.kcal;
      const settings = steady === undefined ? energy.settingsOn(day) : steady;
      credit[at] = settings?.sessionsInFactor === false ? creditedOn(this.asOf, day) : 0;
    }
    return { kg, kcal, credit };
  });

  #kcalOn(day: Day): number | null {
    const bucket = bucketOf(day);
    return numberOrNull(this.#columns(bucket).kcal[day - bucket * bucketDays]!);
  }

  /** Mean of the whole days of some days; null with fewer than so many. */
  meanOf(from: Day, to: Day, atLeast: number): number | null {
    let [sum, count] = [0, 0];
    for (let day = from; day <= to; day++) {
      const kcal = this.#kcalOn(day);
      if (kcal === null) continue;
      sum += kcal;
      count += 1;
    }
    return count < Math.max(1, atLeast) ? null : sum / count;
  }

  /**
   * On each day of a bucket the change of the intake within the last fortnight, as the body still answers it with water; 0
   * without one.
   */
  #unsettled(bucket: number, formula: number): Float64Array {
    const reach = 20;
    const first = bucket * bucketDays - reach;
    // Sums and counts of the whole days up to each.
    const [sums, counts] = [new Float64Array(reach + bucketDays + 1), new Float64Array(reach + bucketDays + 1)];
    for (let at = 0; at < reach + bucketDays; at++) {
      const kcal = this.#kcalOn(first + at);
      sums[at + 1] = sums[at]! + (kcal ?? 0);
      counts[at + 1] = counts[at]! + Number(kcal !== null);
    }
    const mean = (from: number, to: number, atLeast: number) => {
      const count = counts[to + 1]! - counts[from]!;
      return count < atLeast ? null : (sums[to + 1]! - sums[from]!) / count;
    };
    return Float64Array.from({ length: bucketDays }, (_, index) => {
      const at = index + reach;
      const recent = mean(at - 6, at, 3);
      const change = recent === null ? 0 : recent - (mean(at - reach, at - 7, 7) ?? formula);
      return Math.abs(change) > unsettledFrom ? change : 0;
    });
  }

  /** The settings of a bucket of days and of the day before it where they are the same ones; undefined where they change in it. */
  #steadyIn(bucket: number): EnergySettings | null | undefined {
    const energy = energyOf(this.asOf);
    const [before, last] = [
      energy.settingsOn(bucket * bucketDays - 1),
      energy.settingsOn((bucket + 1) * bucketDays - 1),
    ];
    return before === last ? last : undefined;
  }

  /** By how much another activity factor changes the formula from the day before. */
  #said(day: Day): number {
    const energy = energyOf(this.asOf);
    const [now, before] = [energy.settingsOn(day), energy.settingsOn(day - 1)];
    if (now === before) return 0;
    const [one, other] = [
      now?.activityFactor ?? defaultActivityFactor,
      before?.activityFactor ?? defaultActivityFactor,
    ];
    if (one === other) return 0;
    const resting = energy.restingOn(now?.equation ?? "mifflinStJeor", day);
    return "reason" in resting ? 0 : resting.kcal * (one - other);
  }

  /** Buckets of days that hold a weigh-in, up to the day asked about. */
  readonly #weighedIn = this.kept((): ReadonlyMap<number, true> => {
    const last = bucketOf(this.asOf.on);
    const held = this.asOf.index.buckets("weighIns", this.asOf.personId).filter((bucket) => bucket <= last);
    return new Map(held.map((bucket) => [bucket, true]));
  });

  /** Whether nothing was weighed in a bucket of days and for more than a year before: then nothing is known any more. */
  #isIdle(bucket: number): boolean {
    const weighed = this.#weighedIn();
    for (let back = 0; back <= idleBuckets; back++) if (weighed.has(bucket - back)) return false;
    return true;
  }

  /**
   * The state with which a bucket of days is entered; rounded, so that what an edit no longer changes stays. After more than
   * a year without a weight it begins anew, from the formula and the weight there is now.
   */
  readonly #entered = this.keptBy((bucket: number): Float64Array | null => {
    const start = this.#start();
    if (start === null || bucket < bucketOf(start.day)) return null;
    if (bucket === bucketOf(start.day)) return beginBalance(start);
    if (!this.#isIdle(bucket - 1)) return handedOn(this.#stretch(bucket - 1)!.end.slice(0, -2));
    const kg = this.#columns(bucket).kg.find((one) => !Number.isNaN(one));
    return beginBalance({ ...start, kg: kg ?? start.kg });
  });

  readonly #stretch = this.keptBy((bucket: number): Stretch | null => {
    const start = this.#start();
    if (start === null || bucket < bucketOf(start.day)) return null;
    const nothing = new Float64Array(bucketDays).fill(NaN);
    if (this.#isIdle(bucket))
      return { kcal: nothing, sd: nothing, days: nothing, mornings: nothing, end: new Float64Array(2) };
    const entered = this.#entered(bucket)!;
    const state: BalanceState = entered.slice();
    const [kcal, sd, days, mornings] = Array.from({ length: 4 }, () => new Float64Array(bucketDays).fill(NaN)) as [
      Float64Array,
      Float64Array,
      Float64Array,
      Float64Array,
    ];
    const { log, personId, on } = this.asOf;
    const marked = new Set(jumps(log)(personId)());
    const columns = this.#columns(bucket);
    const unsettled = this.#unsettled(bucket, start.kcal);
    const isSteady = this.#steadyIn(bucket) !== undefined;
    const first = bucket * bucketDays;
    let [whole, weighed] = [0, 0];
    for (let day = Math.max(first, start.day); day < first + bucketDays && day <= on; day++) {
      const at = day - first;
      const [morning, eaten] = [numberOrNull(columns.kg[at]!), numberOrNull(columns.kcal[at]!)];
      const known = takeDay(state, start, {
        kg: morning,
        kcal: eaten,
        jumps: marked.has(day),
        unsettledKcal: unsettled[at]!,
        saidKcal: isSteady || day === start.day ? 0 : this.#said(day),
        creditKcal: columns.credit[at]!,
      });
      weighed += Number(morning !== null);
      [kcal[at], sd[at], days[at], mornings[at]] = [known.kcal, known.sd, whole, weighed];
      // What is eaten on a day is known of it the next morning.
      whole += Number(eaten !== null);
    }
    return { kcal, sd, days, mornings, end: Float64Array.from([...state, whole, weighed]) };
  });

  /**
   * Whole days and mornings before each bucket of days. The stretches are worked out here one after another from the first, so
   * that none has to ask its way back over all of those before it.
   */
  readonly #before = this.kept((): ReadonlyMap<number, { days: number; mornings: number }> => {
    const before = new Map<number, { days: number; mornings: number }>();
    const start = this.#start();
    let [days, mornings] = [0, 0];
    for (let bucket = bucketOf(start?.day ?? Infinity); bucket <= bucketOf(this.asOf.on); bucket++) {
      if (this.#isIdle(bucket)) [days, mornings] = [0, 0];
      before.set(bucket, { days, mornings });
      const [whole, weighed] = this.#stretch(bucket)!.end.slice(-2);
      days += whole!;
      mornings += weighed!;
    }
    return before;
  });

  /** The expenditure as it was known on a day, its own morning included; or why it cannot be said. */
  on(day: Day): MeasuredDay | { reason: string } {
    const bucket = bucketOf(day);
    const before = this.#before().get(bucket);
    const stretch = before === undefined || day > this.asOf.on ? null : this.#stretch(bucket);
    const at = day - bucket * bucketDays;
    if (before === undefined || stretch === null || Number.isNaN(stretch.kcal[at]!))
      return { reason: before === undefined ? "no weight is written" : "nothing was weighed for more than a year" };
    const [days, mornings] = [before.days + stretch.days[at]!, before.mornings + stretch.mornings[at]!];
    if (days >= speaksFrom && mornings >= speaksFrom) {
      const creditedKcal = this.#creditedLately(day);
      const kcal = stretch.kcal[at]! + creditedKcal;
      const half = z80 * stretch.sd[at]!;
      return { day, kcal, low80: kcal - half, high80: kcal + half, days, mornings, creditedKcal, from: "measured" };
    }
    const formula = expenditureOn(this.asOf, day);
    if ("reason" in formula) return formula;
    // The formula takes the trend, which later mornings move: of a day gone by, its own week is taken.
    const lately = Array.from({ length: 7 }, (_, back) => weightOf(this.asOf).primaryOn(day - back)?.kg ?? []).flat();
    const body = energyOf(this.asOf).bodyOn(day)!;
    const then = lately.length === 0 ? body.kg : lately.reduce((sum, one) => sum + one, 0) / lately.length;
    const resting = equations[formula.equation].kcal({ ...body, kg: then });
    const kcal = day === this.asOf.on || "reason" in resting ? formula.byFormula : resting.kcal * formula.factor;
    const half = z80 * equationError * kcal;
    return { day, kcal, low80: kcal - half, high80: kcal + half, days, mornings, creditedKcal: 0, from: "formula" };
  }

  /** Credited sessions of the last four weeks, a day: the filter leaves them out of the expenditure. */
  #creditedLately(day: Day): number {
    if (energyOf(this.asOf).settingsOn(day)?.sessionsInFactor !== false) return 0;
    let sum = 0;
    for (let back = 1; back <= 28; back++) {
      const bucket = bucketOf(day - back);
      sum += numberOrNull(this.#columns(bucket).credit[day - back - bucket * bucketDays]!) ?? 0;
    }
    return sum / 28;
  }

  /** Every day from the first weigh-in to the day asked about, as it was known then. */
  byDay(from: Day = this.#start()?.day ?? Infinity): MeasuredDay[] {
    const days: MeasuredDay[] = [];
    for (let day = Math.max(from, this.#start()?.day ?? Infinity); day <= this.asOf.on; day++) {
      const one = this.on(day);
      if (!("reason" in one)) days.push(one);
    }
    return days;
  }

  /** What a kilogram of change is reckoned to hold, kilocalories. */
  density(): number {
    return this.#start()?.density ?? kcalPerKg;
  }
}

export const measuredOf = perOwner((asOf: AsOf) => new MeasuredEnergy(asOf));
