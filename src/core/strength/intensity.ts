import { type BodyWeightOn, type Counting, isWork, type PerformedSet } from "./sets";
import { type MaximumOn, totalMaximum } from "./volume";

/** Zones of intensity by share of the maximum in force, lightest first. The lowest holds all below 55 %. */
export const zones = [
  { name: "below 55 %", from: 0 },
  { name: "55–69 %", from: 0.55 },
  { name: "70–79 %", from: 0.7 },
  { name: "80–89 %", from: 0.8 },
  { name: "90 % and more", from: 0.9 },
] as const;

/**
 * Prilepin's guide rails for one lift in one session, by zone: repetitions a set, and in total (lowest, usual,
 * highest). From memory; drawn from weightlifters' training, so a rail and no rule.
 */
export const prilepin: ({ perSet: [number, number]; total: [number, number, number] } | null)[] = [
  null,
  { perSet: [3, 6], total: [18, 24, 30] },
  { perSet: [3, 6], total: [12, 18, 24] },
  { perSet: [2, 4], total: [10, 15, 20] },
  { perSet: [1, 2], total: [4, 7, 10] },
];

/** Number of lifts by zone, as `zones` has them, and those of lifts without a maximum or a known load. */
export interface ZoneLifts {
  byZone: number[];
  unknown: number;
}

/** The zone of a share of the maximum. A share a hair below a bound, as arithmetic leaves it, is on it. */
export function zoneOf(share: number): number {
  return zones.findLastIndex(({ from }) => share + 1e-9 >= from);
}

function countIn(
  lifts: ZoneLifts,
  { reps, totalKg }: { reps: number; totalKg: number | null },
  sides: number,
  maximum: number | null,
): void {
  if (maximum === null || totalKg === null) lifts.unknown += reps * sides;
  else lifts.byZone[zoneOf(totalKg / maximum)]! += reps * sides;
}

/**
 * How the lifts of some performed sets are spread over the zones. Each part of a drop or cluster set counts by its own
 * load.
 */
export function liftsByZone(
  sets: readonly PerformedSet[],
  counting: Counting,
  maximumOn: MaximumOn,
  bodyWeightOn: BodyWeightOn,
): ZoneLifts {
  const lifts: ZoneLifts = { byZone: zones.map(() => 0), unknown: 0 };
  for (const set of sets) {
    if (!isWork(set, counting)) continue;
    const maximum = totalMaximum(set, maximumOn, bodyWeightOn);
    countIn(lifts, set, set.sides, maximum);
    for (const part of set.parts) countIn(lifts, part, set.sides, maximum);
  }
  return lifts;
}
