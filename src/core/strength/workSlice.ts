import { byWord } from "../base/byWord";
import { type Day, mustDay } from "../base/calendar/day";
import { concatMap } from "../base/calendar/groupBy";
import { perOwner } from "../base/memo";
import { weightOf } from "../body/slice";
import { type AsOf, Slice } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { askedItems } from "../sessions/firstPlan";
import { hasPlan } from "../sessions/planned";
import { sessionsOf } from "../sessions/slice";
import { liftsByZone, type ZoneLifts } from "./intensity";
import { liftingOf } from "./lifting";
import { type PerformedSet, totalLoad } from "./sets";
import { strengthOf } from "./slice";
import { intensitySums, type Volume, workOf } from "./volume";

/** The work of a stretch of days: performed, how it is spread over the zones, and what was planned for it. */
export interface Work {
  volume: Volume;
  zones: ZoneLifts;
  intensity: { weighted: number; reps: number };
  planned: PlannedWork;
}

/**
 * What was planned: sets of work, Σ reps and Σ reps × total load, kilograms. A set without a load adds its repetitions
 * alone.
 */
export interface PlannedWork {
  sets: number;
  numberOfLifts: number;
  volumeLoadKg: number;
  byGroup: Record<string, { numberOfLifts: number; volumeLoadKg: number }>;
}

type Lifted = Pick<Work, "volume" | "planned">;

function withIntensity({ volume, planned }: Lifted, { intensity, zones }: Pick<Work, "intensity" | "zones">): Work {
  return {
    volume: { ...volume, averageIntensity: intensity.reps > 0 ? intensity.weighted / intensity.reps : null },
    zones,
    intensity,
    planned,
  };
}

/** The work done and planned in lifting: of a session, a week, a stretch. */
class LiftWork extends Slice {
  /** The work of the week that begins on a day. */
  readonly ofWeek = this.keptBy((start: Day): Work =>
    withIntensity(this.#weekLifted(start), this.#intensityOf(sessionsOf(this.asOf).ofWeek(start))),
  );
  readonly #weekLifted = this.keptBy((start: Day): Lifted => this.#lifted(sessionsOf(this.asOf).ofWeek(start)));

  /** The work of one session. */
  ofSession(session: Session): Work {
    return withIntensity(this.#liftedIn(session), this.#intensityOf([session]));
  }
  readonly #liftedIn = sessionsOf(this.asOf).keptBySession((session) => this.#lifted([session]));

  /** The work of some sessions, those to come only as planned. */
  of(sessions: readonly Session[]): Work {
    return withIntensity(this.#lifted(sessions), this.#intensityOf(sessions));
  }

  /** What was lifted and planned, which stays whatever formula is chosen. */
  #lifted(sessions: readonly Session[]): Lifted {
    return {
      volume: workOf(this.#setsOf(sessions), strengthOf(this.asOf).counting()),
      planned: this.plannedOf(sessions),
    };
  }

  #intensityOf(sessions: readonly Session[]): Pick<Work, "intensity" | "zones"> {
    const counting = strengthOf(this.asOf).counting();
    const maximumOn = strengthOf(this.asOf).maximumOn;
    const bodyWeightOn = weightOf(this.asOf).on;
    const sets = this.#setsOf(sessions);
    return {
      intensity: intensitySums(sets, counting, maximumOn, bodyWeightOn),
      zones: liftsByZone(sets, counting, maximumOn, bodyWeightOn),
    };
  }

  #setsOf(sessions: readonly Session[]): PerformedSet[] {
    return concatMap(sessions, (session) => strengthOf(this.asOf).setsOf(session));
  }

  /** What some sessions plan, whether or not they are in the log. */
  plannedOf(sessions: readonly Session[]): PlannedWork {
    const work: PlannedWork = { sets: 0, numberOfLifts: 0, volumeLoadKg: 0, byGroup: byWord({}) };
    for (const session of sessions) {
      const day = mustDay(session.date);
      for (const { exerciseId, sets } of askedItems(session.items ?? [])) {
        const exercise = strengthOf(this.asOf).exercises().get(exerciseId);
        if (exercise === undefined) continue;
        for (const set of sets) {
          if (!set.planned || !hasPlan(set) || set.warmUp) continue;
          const target = liftingOf(this.asOf).target(exercise, set.planned, day);
          const reps = (set.planned.reps ?? 0) * (exercise.perSide ? 2 : 1);
          const load =
            reps *
            ("reason" in target || target.kg === null
              ? 0
              : (totalLoad(exercise, target.kg, day, weightOf(this.asOf).on) ?? 0));
          work.sets += 1;
          work.numberOfLifts += reps;
          work.volumeLoadKg += load;
          const group = (work.byGroup[exercise.group || "other"] ??= { numberOfLifts: 0, volumeLoadKg: 0 });
          group.numberOfLifts += reps;
          group.volumeLoadKg += load;
        }
      }
    }
    return work;
  }
}

export const liftWorkOf = perOwner((asOf: AsOf) => new LiftWork(asOf));
