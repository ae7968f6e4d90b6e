import { type Day, mustDay } from "../base/calendar/day";
import { completedReps } from "../log/doneSets";
import type { Session } from "../log/kinds/sessions";

/** One attempt at a lift: made when a repetition was completed. */
export interface Attempt {
  kg: number;
  made: boolean;
}

/**
 * A meet or a day of testing: each lift's attempts in order, its best made one, and the total over the chosen lifts.
 */
export interface Meet {
  sessionId: string;
  day: Day;
  title: string;
  lifts: { exerciseId: string; attempts: Attempt[]; bestKg: number | null; changeKg: number | null }[];
  /** Σ of the best made attempts over the chosen lifts; null when one of them has none. */
  totalKg: number | null;
  changeKg: number | null;
}

/**
 * Meets in order, each against the last one before it that has the same lift (or a total).
 * @param chosen the lifts that make the total; all lifts of the day when none are chosen
 */
export function meets(sessions: readonly Session[], chosen: readonly string[]): Meet[] {
  const last = new Map<string, number>();
  let lastTotal: number | null = null;
  return sessions
    .filter(({ test, items }) => test && items?.some(({ sets }) => sets.some(({ done }) => done)))
    .map((session): Meet => {
      const attempts = new Map<string, Attempt[]>();
      for (const { exerciseId, sets } of session.items ?? []) {
        const made = sets.flatMap(({ done, warmUp }): Attempt[] =>
          !done || warmUp || done.kg == null ? [] : [{ kg: done.kg, made: completedReps(done, true) >= 1 }],
        );
        if (made.length > 0) attempts.set(exerciseId, [...(attempts.get(exerciseId) ?? []), ...made]);
      }
      const lifts = [...attempts].map(([exerciseId, tries]) => {
        const made = tries.filter((one) => one.made).map(({ kg }) => kg);
        const bestKg = made.length === 0 ? null : Math.max(...made);
        const before = last.get(exerciseId);
        if (bestKg !== null) last.set(exerciseId, bestKg);
        return {
          exerciseId,
          attempts: tries,
          bestKg,
          changeKg: bestKg === null || before === undefined ? null : bestKg - before,
        };
      });
      const counted =
        chosen.length === 0
          ? lifts.map(({ bestKg }) => bestKg)
          : chosen.map((id) => lifts.find(({ exerciseId }) => exerciseId === id)?.bestKg ?? null);
      const totalKg =
        counted.length === 0 || counted.includes(null) ? null : counted.reduce<number>((sum, kg) => sum + kg!, 0);
      const changeKg = totalKg === null || lastTotal === null ? null : totalKg - lastTotal;
      if (totalKg !== null) lastTotal = totalKg;
      return {
        sessionId: session.id,
        day: mustDay(session.date),
        title: session.title || "Test day",
        lifts,
        totalKg,
        changeKg,
      };
    });
}
