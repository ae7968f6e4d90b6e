import { METRES_PER_MILE } from "../base/units/length";
import type { Session } from "../log/kinds/sessions";

/**
 * Metabolic equivalents after Ainsworth et al. 2011, Compendium of Physical Activities, Med Sci Sports Exerc 43:1575,
 * from memory: running by speed (miles an hour), stationary rowing by power (watts), resistance training 3.5 (codes
 * 02054) to 6.0 (02050).
 */
const runningMet: readonly (readonly [metresPerSecond: number, met: number])[] = (
  [
    [4, 6.0],
    [5, 8.3],
    [5.2, 9.0],
    [6, 9.8],
    [6.7, 10.5],
    [7, 11.0],
    [7.5, 11.5],
    [8, 11.8],
    [8.6, 12.3],
    [9, 12.8],
    [10, 14.5],
    [11, 16.0],
    [12, 19.0],
    [13, 19.8],
    [14, 23.0],
  ] as const
).map(([milesAnHour, met]) => [(milesAnHour * METRES_PER_MILE) / 3600, met] as const);
const rowingMet: readonly (readonly [watts: number, met: number])[] = [
  [50, 3.5],
  [100, 7.0],
  [150, 8.5],
  [200, 12.0],
];
const strengthMet = 3.5;

/**
 * Power of a rowing machine from its pace: 2.80 / (s per metre)³ watts (common practice, no source). 2:00 /500 m is
 * 202.5 W.
 */
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
  if (session.kind === "strength")
    return { met: strengthMet, from: "resistance training, several exercises, 8–15 repetitions" };
  const { metres, seconds } = session.distance?.done ?? {};
  if (session.kind === "run" || session.kind === "row") {
    if (!metres || !seconds) return { reason: "distance and time are needed for the intensity" };
    if (session.kind === "run") return { met: interpolate(runningMet, metres / seconds), from: "running, by speed" };
    return { met: interpolate(rowingMet, rowingWatts(seconds / metres)), from: "rowing, by power" };
  }
  return { reason: `no metabolic equivalent is known for the kind "${session.kind}"` };
}

/**
 * Net energy of exercise: what it costs above resting, (MET − 1) × 3.5 × kg / 200 kilocalories a minute. Gross energy
 * would count the resting part twice.
 * Source of MET × 3.5 × kg / 200: ACSM's guidelines (1 MET = 3.5 ml O₂ /kg/min, 5 kcal a litre), common practice.
 */
export function netExerciseKcal(met: number, kg: number, minutes: number): number {
  return (((met - 1) * 3.5 * kg) / 200) * minutes;
}
