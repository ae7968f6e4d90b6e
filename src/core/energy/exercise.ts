import type { Session } from "../log/records";

/**
 * Metabolic equivalents after Ainsworth et al. 2011, Compendium of Physical Activities, Med Sci Sports Exerc 43:1575, from memory:
 * running by speed (m/s from mph), stationary rowing by power (watts), resistance training 3.5 (codes 02054) to 6.0 (02050).
 */
const runningMet: readonly (readonly [metresPerSecond: number, met: number])[] = [
  [1.788, 6.0], [2.235, 8.3], [2.325, 9.0], [2.682, 9.8], [2.995, 10.5], [3.129, 11.0], [3.353, 11.5], [3.576, 11.8], [3.844, 12.3], [4.023, 12.8], [4.470, 14.5], [4.917, 16.0], [5.364, 19.0], [5.811, 19.8], [6.258, 23.0],
];
const rowingMet: readonly (readonly [watts: number, met: number])[] = [[50, 3.5], [100, 7.0], [150, 8.5], [200, 12.0]];
const strengthMet = 3.5;

/** Power of a rowing machine from its pace: 2.80 / (s per metre)³ watts (common practice, no source). 2:00 /500 m is 202.5 W. */
export function rowingWatts(secondsPerMetre: number): number {
  return 2.8 / secondsPerMetre ** 3;
}

/** Straight between the table's rows, held at its ends. */
function interpolate(table: readonly (readonly [number, number])[], at: number): number {
  const above = table.findIndex(([x]) => x >= at);
  if (above === 0) return table[0]![1];
  if (above < 0) return table.at(-1)![1];
  const [[x0, y0], [x1, y1]] = [table[above - 1]!, table[above]!];
  return y0 + ((at - x0) / (x1 - x0)) * (y1 - y0);
}

export type Met = { met: number; from: string } | { reason: string };

/** The metabolic equivalent of a session that was performed, from its kind, speed or power. */
export function sessionMet(session: Session): Met {
  if (session.kind === "strength") return { met: strengthMet, from: "resistance training, several exercises, 8–15 repetitions" };
  const { metres, seconds } = session.distance?.done ?? {};
  if (session.kind === "run" || session.kind === "row") {
    if (!metres || !seconds) return { reason: "distance and time are needed for the intensity" };
    if (session.kind === "run") return { met: interpolate(runningMet, metres / seconds), from: "running, by speed" };
    return { met: interpolate(rowingMet, rowingWatts(seconds / metres)), from: "rowing, by power" };
  }
  return { reason: `no metabolic equivalent is known for the kind "${session.kind}"` };
}

/**
 * Net energy of exercise: what it costs above resting, (MET − 1) × 3.5 × kg / 200 kilocalories a minute. Gross energy would count
 * the resting part twice.
 * Source of MET × 3.5 × kg / 200: ACSM's guidelines (1 MET = 3.5 ml O₂ /kg/min, 5 kcal a litre), common practice.
 */
export function netExerciseKcal(met: number, kg: number, minutes: number): number {
  return (((met - 1) * 3.5 * kg) / 200) * minutes;
}

/** Minutes of a performed session: as written, else its timed distance; null when neither is known. */
export function sessionMinutes(session: Session): number | null {
  return session.minutes ?? (session.distance?.done?.seconds != null ? session.distance.done.seconds / 60 : null);
}
