import { printDate } from "../base/calendar/print";
import { counted } from "../base/units/number";
import type { WorkingResult } from "../base/working";
import type { AsOf } from "../log/asOf";
import { coveredBy, pacePerKm } from "../sessions/covered";
import { sessionsOf } from "../sessions/slice";

export function paceWorking(asOf: AsOf, kind: string, purpose: string | null, days: number | null): WorkingResult {
  const from = days === null ? -Infinity : asOf.on - days + 1;
  const done = sessionsOf(asOf)
    .between(from, asOf.on)
    .flatMap((session) => {
      const covered = coveredBy(session, asOf.on);
      return covered && session.kind === kind && (session.distance?.purpose ?? null) === purpose
        ? [{ session, covered }]
        : [];
    });
  const pace = pacePerKm(done.map(({ covered }) => covered));
  if (pace === null) return { reason: "No session here has both a distance and a time." };
  const p = asOf.printer;
  const both = done.filter(({ covered }) => covered.metres && covered.seconds !== null);
  const metres = both.reduce((sum, { covered }) => sum + covered.metres!, 0);
  const seconds = both.reduce((sum, { covered }) => sum + covered.seconds!, 0);
  return {
    title: `Pace, ${kind}${purpose ? ` ${purpose}` : ""}`,
    value: p.paceOf(kind, pace),
    formula: kind === "row" ? "split = Σ time ÷ Σ distance × 500 m" : "pace = Σ time ÷ Σ distance",
    steps: [`${p.duration(seconds)} ÷ ${p.distanceOf(kind, metres)} = ${p.paceOf(kind, pace)}`],
    inputs: both
      .slice(-12)
      .reverse()
      .map(({ session, covered }) => ({
        label: printDate(session.date),
        value: `${p.distanceOf(kind, covered.metres!)} in ${p.duration(covered.seconds!)}`,
        date: session.date,
      })),
    assumptions: ["Never a mean of paces: long sessions weigh more."],
    source: "Arithmetic.",
    sureness: `Exact over ${counted(both.length, "session")}.`,
  };
}

/** The workings of this domain, by the figure's name in a reference to it. */
export const enduranceWorkings = {
  pace: (asOf: AsOf, { kind, purpose, days }: { kind: string; purpose: string | null; days: number | null }) =>
    paceWorking(asOf, kind, purpose, days),
};
