import type { Day } from "../base/calendar/day";
import { dateOf, dateOrNull } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { zones } from "./intensity";
import { liftingOf } from "./lifting";
import type { LiftMaximum } from "./maximum";
import { quotedKg } from "./sets";
import { strengthOf } from "./slice";
import { liftWorkOf } from "./workSlice";

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

function ratioContract(best: { ratio: number; day: Day } | null) {
  return best && { ratio: best.ratio, date: dateOf(best.day) };
}

/** The contract's figures of lifting: maxima, records, work by week. */
export function strengthContract(asOf: AsOf) {
  return {
    lifts: strengthOf(asOf)
      .lifts()
      .map(({ exerciseId, best, latest, lastDone }) => ({
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
        curve: strengthOf(asOf).curveOf(exerciseId),
        tested: strengthOf(asOf)
          .testsOf(exerciseId)
          .map((test) => ({ date: dateOf(test.day), kg: test.kg })),
        bestRatio: ratioContract(liftingOf(asOf).bestRatio(exerciseId)),
        repRecords: liftingOf(asOf)
          .records(exerciseId)
          .standing.map(({ reps, kg, day }) => ({ reps, kg, date: dateOf(day) })),
      })),
    e1rm: { formula: strengthOf(asOf).formula() },
    volume: strengthOf(asOf)
      .liftedWeeks()
      .map((start) => {
        const {
          volume: { byExercise, ...volume },
          zones: { byZone, unknown },
          planned,
        } = liftWorkOf(asOf).ofWeek(start);
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
  };
}
