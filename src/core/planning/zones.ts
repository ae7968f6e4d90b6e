import type { Exercise } from "../log/kinds/exercises";
import { prilepin, zoneOf, zones } from "../strength/intensity";
import { bodyPartOf, totalWith } from "../strength/sets";
import type { CycleGround, CycleLoads } from "./cycle";

/** The lifts of an exercise in one zone of intensity, over the sessions of a cycle that have some. */
export interface ZoneOfLift {
  exerciseId: string;
  zone: string;
  /** Sessions with lifts in this zone, and the fewest and most lifts in one of them. */
  sessions: number;
  fewest: number;
  most: number;
  /** The published range for one session; null where none is published for the zone. */
  published: { from: number; to: number } | null;
  /** How many sessions lie above it. */
  above: number;
}

/**
 * Planned lifts per zone of intensity and session, exercise by exercise, beside Prilepin's ranges of total repetitions in a
 * session. Sets without a load or a maximum, and those below 55 %, are left out.
 * @see prilepin for the source
 */
export function plannedZones(loads: readonly CycleLoads[], ground: CycleGround): ZoneOfLift[] {
  const found = new Map<string, ZoneOfLift & { at: number }>();
  for (const one of loads) {
    const exercise = ground.exercises.get(one.exerciseId);
    if (exercise === undefined) continue;
    for (const [zone, lifts] of liftsByZone(one, exercise, ground.bodyKg)) {
      const key = `${one.exerciseId} ${zone}`;
      const rail = prilepin[zone] ?? null;
      const held = found.get(key) ?? {
        exerciseId: one.exerciseId,
        zone: zones[zone]!.name,
        sessions: 0,
        fewest: Infinity,
        most: 0,
        published: rail === null ? null : { from: rail.total[0], to: rail.total[2] },
        above: 0,
        at: zone,
      };
      held.sessions += 1;
      held.fewest = Math.min(held.fewest, lifts);
      held.most = Math.max(held.most, lifts);
      if (rail !== null && lifts > rail.total[2]) held.above += 1;
      found.set(key, held);
    }
  }
  const order = [...new Set(loads.map(({ exerciseId }) => exerciseId))];
  return [...found.values()]
    .sort((a, b) => order.indexOf(a.exerciseId) - order.indexOf(b.exerciseId) || a.at - b.at)
    .map(({ at: _, ...zone }) => zone);
}

function liftsByZone(
  { maximumKg, sets }: CycleLoads,
  exercise: Exercise,
  bodyKg: number | null,
): ReadonlyMap<number, number> {
  const lifts = new Map<number, number>();
  const maximum = maximumKg === null ? 0 : maximumKg + bodyPartOf(exercise, bodyKg);
  for (const { reps, kg } of sets) {
    const total = kg === null ? null : totalWith(exercise, kg, bodyKg);
    if (reps === null || total === null || maximum <= 0) continue;
    const zone = zoneOf(total / maximum);
    if (zone > 0) lifts.set(zone, (lifts.get(zone) ?? 0) + reps);
  }
  return lifts;
}
