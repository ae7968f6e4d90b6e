import type { Weighed } from "@/core/body/weighIns";
import { Random } from "@/demo/random";

/** A made-up trainee of whom everything is known. */
export interface Simulated {
  /** True tissue weight on each day from day 0. */
  tissue: number[];
  weighed: Weighed[];
  /** The goal they set out for on day 0. */
  targetKg: number;
  /** Day of the last weigh-in, on which it is asked how they are doing: some way along, the goal not yet reached. */
  asked: number;
}

/** First day of every simulated log. */
export const firstDay = 20_000;

/**
 * Trainees who eat to a fixed intake which they keep more or less well: their adherence wanders from week to week,
 * weekends are heavier, the body spends less as it grows lighter. Water, scale, habits and missed mornings differ from
 * one to the next. The trend's own model knows nothing of intake; it has only the mornings.
 */
export function simulatedTrainees(count: number, seed: number): Simulated[] {
  return Array.from({ length: count }, (_, index) => simulate(new Random(seed + 7919 * index)));
}

function simulate(random: Random): Simulated {
  const between = (low: number, high: number) => low + random.next() * (high - low);
  const [startKg, deficit, daily, wander, weekend] = [
    between(60, 105),
    random.chance(0.75) ? between(200, 650) : between(-350, -150),
    between(120, 280),
    between(40, 140),
    between(0, 350),
  ];
  const [water, memory, scale, weighs] = [between(0.2, 0.5), between(0.35, 0.7), between(0.08, 0.2), between(0.7, 1)];
  const planned = Math.round(between(60, 240));
  const targetKg = startKg - (deficit / 7700) * planned;
  const until = Math.round(between(0.3, 0.9) * planned);
  const [tissue, weighed]: [number[], Weighed[]] = [[], []];
  let [kg, wet, adherence] = [startKg, 0, 0];
  for (let day = 0; day < until + 1100; day++) {
    tissue.push(kg);
    wet = memory * wet + random.normal(water * Math.sqrt(1 - memory ** 2)) + (day % 7 === 0 ? weekend / 4000 : 0);
    if (day <= until && random.chance(weighs))
      weighed.push({
        day: firstDay + day,
        kg: Math.round((kg + wet + random.normal(scale)) * 10) / 10,
        id: String(day),
      });
    adherence = 0.97 * adherence + random.normal(wander * Math.sqrt(1 - 0.97 ** 2));
    // 24 kcal a day less for each kilogram lost: what is spent at rest and in moving the body (Hall et al. 2011).
    kg +=
      (-deficit + 24 * (startKg - kg) + adherence + (day % 7 >= 5 ? weekend : -0.4 * weekend) + random.normal(daily)) /
      7700;
  }
  const there = tissue.findIndex((one) => (deficit > 0 ? one <= targetKg : one >= targetKg));
  return there >= 0 && there <= until ? simulate(random) : { tissue, weighed, targetKg, asked: until };
}
