import { believed, slowPiece } from "./believed";
import type { Collected } from "./collected";
import type { Pieces } from "./pieces";

/**
 * Asks about a distance in a time that nobody covers, as far as the pieces and their times leave one.
 * @returns what is said of a pace that is slow, and may be right all the same; null when there is nothing
 */
export function askIfUnbelievable(said: Collected, pieces: Pieces): string | null {
  const { printer } = said.line.context;
  const { metres, count, total } = pieces;
  if (total.metres === null || total.seconds === null || total.metres === 0) return null;
  const secondsPerKm = (total.seconds / total.metres) * 1000;
  const [fastest, slowest] = believed[said.kind] ?? [0, Infinity];
  if (secondsPerKm < fastest) {
    askIfTooFast(said, pieces, { metres: metres!, seconds: pieces.seconds[0]!, secondsPerKm });
    return null;
  }
  if (secondsPerKm <= (count > 1 ? (slowPiece[said.kind] ?? slowest) : slowest)) return null;
  const ofAll = secondsPerKm / count;
  if (count > 1 && said.timeOf === null && pieces.times.length === 1 && ofAll >= fastest && ofAll <= slowest) {
    const { text, place } = pieces.time!;
    said.ask("Is that the time of each piece, or of all of them?", place, [
      { label: "of each", instead: `${text} each` },
      { label: "of all", instead: `${text} in all` },
    ]);
  } else if (secondsPerKm > slowest)
    return `That is a pace of ${printer.paceOf(said.kind, secondsPerKm)}. Press Enter again if it is right.`;
  return null;
}

/** The time may be a split, a pace, or hours that were read as minutes. */
function askIfTooFast(
  said: Collected,
  { count, time }: Pieces,
  { metres, seconds, secondsPerKm }: { metres: number; seconds: number; secondsPerKm: number },
): void {
  const { printer } = said.line.context;
  const [fastest, slowest] = believed[said.kind]!;
  const isBelievable = (pace: number) => pace >= fastest && pace <= slowest;
  if (said.kind === "row" && metres > 500 && seconds >= 75) {
    const split = printer.duration((seconds / 500) * metres);
    return said.ask(
      `${printer.distanceOf(said.kind, metres)} in that time is faster than anyone rows. Is it the split per 500 m?`,
      time?.place ?? null,
      [{ label: `split: ${split} ${count > 1 ? "a piece" : "in all"}`, instead: split }],
    );
  }
  const clock = time?.clock ?? null;
  if (clock !== null && said.kind !== "row" && isBelievable(seconds)) {
    const pace = `${clock} /${printer.units.distance}`;
    return said.ask("That is faster than anyone covers the distance. Is it the pace?", time!.place, [
      { label: pace, instead: pace },
    ]);
  }
  said.ask(
    "That is faster than anyone covers the distance. Check distance and time.",
    time?.place ?? null,
    clock !== null && isBelievable(secondsPerKm * 60)
      ? [{ label: `${clock}:00, in hours`, instead: `${clock}:00` }]
      : [],
  );
}
