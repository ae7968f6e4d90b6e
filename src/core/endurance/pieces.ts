import { type Place, placeOf } from "../entry/parsedEntry";
import type { Collected } from "./collected";

/** What was covered, by pieces; one piece where there are no repeats. */
export interface Pieces {
  count: number;
  /** Of one piece; they are all alike. */
  metres: number | null;
  /** Of each piece. */
  seconds: (number | null)[];
  /** The times that are written, without the one that says how long a piece lasts. */
  times: readonly { seconds: number }[];
  /** The first of those as it is written. `clock`: its text where it has one colon. */
  time: { seconds: number; text: string; place: Place; clock: string | null } | null;
  total: { metres: number | null; seconds: number | null };
}

/** Shares what a line says out among its pieces, and asks where that does not come out. */
export function piecesOf(said: Collected): Pieces {
  const count = said.repeats ?? 1;
  const isTimed = said.repeats !== null && said.metres === null;
  const times = isTimed ? said.times.slice(1) : said.times;
  const { metres, seconds } = byPace(said, secondsOf(said, count, isTimed, times));
  const [first] = times;
  return {
    count,
    metres,
    seconds,
    times,
    time: first === undefined ? null : asWritten(said, first),
    total: {
      metres: metres === null ? null : metres * count,
      seconds: seconds.some((one) => one === null) ? null : sum(seconds),
    },
  };
}

/** The time of each piece as far as times say it. */
function secondsOf(
  said: Collected,
  count: number,
  isTimed: boolean,
  times: readonly { seconds: number }[],
): (number | null)[] {
  const each = (seconds: number | null) => Array.from({ length: count }, () => seconds);
  if (isTimed) {
    if (times.length > 0) said.ask("The pieces have a time already. What is the other?");
    return each(said.times[0]!.seconds);
  }
  if (times.length === 1) return each(said.timeOf === "all" ? times[0]!.seconds / count : times[0]!.seconds);
  if (times.length === count) return times.map((time) => time.seconds);
  if (times.length > 1)
    said.ask(
      count === 1
        ? "Several times are written. Which is that of all?"
        : `${times.length} times do not fit ${count} pieces.`,
    );
  return each(null);
}

/** With a pace, the time follows from the distance and the distance from the time; with both, they must agree. */
function byPace(said: Collected, seconds: (number | null)[]): Pick<Pieces, "metres" | "seconds"> {
  const { metres, pace } = said;
  if (pace === null) return { metres, seconds };
  const { secondsPerKm } = pace;
  const isTimed = seconds[0] != null;
  if (metres !== null && !isTimed) return { metres, seconds: seconds.map(() => exact((metres / 1000) * secondsPerKm)) };
  if (metres === null && isTimed)
    return { metres: exact((sum(seconds) / seconds.length / secondsPerKm) * 1000), seconds };
  const meant = metres === null ? null : (sum(seconds) / (metres * seconds.length)) * 1000;
  if (meant === null) said.ask("A pace needs a distance or a time beside it.");
  else if (Math.abs(meant / secondsPerKm - 1) > 0.02)
    said.ask(
      `Distance and time make ${said.line.context.printer.paceOf(said.kind, meant)}, not the pace that is written.`,
    );
  return { metres, seconds };
}

function asWritten(said: Collected, { seconds, from, to }: Collected["times"][number]): NonNullable<Pieces["time"]> {
  const token = said.line.tokens[from]!;
  return {
    seconds,
    text: said.said(from, to),
    place: placeOf(said.line.tokens, from, to),
    clock: token.kind === "clock" && token.text.split(":").length === 2 ? token.text : null,
  };
}

function sum(seconds: readonly (number | null)[]): number {
  return seconds.reduce<number>((total, one) => total + (one ?? 0), 0);
}

/** A product without the last bits of its arithmetic. */
function exact(value: number): number {
  return Math.round(value * 1e6) / 1e6;
}
