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
/** Kinds that go by their minutes alone, by a word of the kind, or of the title of a class; the same source, from memory. */
const byWord: readonly (readonly [word: RegExp, met: number, from: string])[] = [
  [/\bcircuit/, 8.0, "circuit training, with kettlebells or body weight, vigorous (02040)"],
  [/\b(?:spin|spinning|cycling|cycle|bike|bicycle|ride)\b/, 7.5, "bicycling, general (01015)"],
  [/\b(?:swim|swimming)\b/, 5.8, "swimming laps, freestyle, light or moderate (18240)"],
  [/\b(?:walk|walking)\b/, 3.5, "walking, 2.8 to 3.2 miles an hour, level (17190)"],
  [/\b(?:hike|hiking)\b/, 6.0, "hiking, cross country (17080)"],
  [/\byoga\b/, 2.5, "yoga, hatha (02150)"],
  [/\bpilates\b/, 3.0, "pilates, general (02105)"],
  [/\b(?:mobility|stretching|stretch)\b/, 2.3, "stretching, mild (02101)"],
  [/\b(?:aerobics|dance|step)\b/, 7.3, "aerobic dance, general (03015)"],
  [/\belliptical\b/, 5.0, "elliptical trainer, moderate effort (02048)"],
  [/\b(?:climb|climbing|boulder|bouldering)\b/, 8.0, "rock or mountain climbing (15533)"],
  [/\btennis\b/, 7.3, "tennis, general (15675)"],
  [/\b(?:football|soccer)\b/, 7.0, "football (soccer), casual (15610)"],
  [/\b(?:ski|skiing)\b/, 9.0, "skiing, cross country, 4.0 to 4.9 miles an hour (19090)"],
];

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

/**
 * The metabolic equivalent of a session that was performed: the trainee's own of its kind, else from its speed or power, else
 * by what its kind, or the title of a class, is called.
 * @param own what the trainee has written of the kind; null where nothing is
 */
export function sessionMet(session: Session, own: number | null): Met {
  if (own !== null) return { met: own, from: `yours of the kind "${session.kind}"` };
  if (session.kind === "strength")
    return { met: strengthMet, from: "resistance training, several exercises, 8–15 repetitions" };
  const { metres, seconds } = session.distance?.done ?? {};
  if (session.kind === "run" || session.kind === "row") {
    if (!metres || !seconds) return { reason: "distance and time are needed for the intensity" };
    if (session.kind === "run") return { met: interpolate(runningMet, metres / seconds), from: "running, by speed" };
    return { met: interpolate(rowingMet, rowingWatts(seconds / metres)), from: "rowing, by power" };
  }
  const said = session.kind === "class" ? `${session.kind} ${session.title ?? ""}` : session.kind;
  const found = byWord.find(([word]) => word.test(said.toLowerCase()));
  if (found !== undefined) return { met: found[1], from: found[2] };
  return { reason: `no metabolic equivalent is known for the kind "${session.kind}": write one under Settings` };
}

/** What is spent at rest, kilocalories a minute: one MET. */
export function restingKcalPerMinute(kg: number): number {
  return (3.5 * kg) / 200;
}

/**
 * Net energy of exercise: what it costs above resting, (MET − 1) × 3.5 × kg / 200 kilocalories a minute. Gross energy
 * would count the resting part twice.
 * Source of MET × 3.5 × kg / 200: ACSM's guidelines (1 MET = 3.5 ml O₂ /kg/min, 5 kcal a litre), common practice.
 */
export function netExerciseKcal(met: number, kg: number, minutes: number): number {
  return (met - 1) * restingKcalPerMinute(kg) * minutes;
}
