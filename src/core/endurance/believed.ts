import { byWord } from "../base/byWord";
/** The fastest and the slowest that is believed of a kind, seconds per kilometre. */
export const believed: Readonly<Record<string, readonly [number, number]>> = byWord({
  run: [130, 1080],
  row: [150, 600],
  bike: [45, 720],
  swim: [430, 3600],
  walk: [240, 2400],
  hike: [240, 7200],
});
/** Slower than this a piece is seldom done: the time may be that of all of them. */
export const slowPiece: Readonly<Record<string, number>> = byWord({ run: 480, row: 330, bike: 240, swim: 2000 });
/** Kinds whose bare numbers are metres. */
export const inMetres = new Set(["row", "swim"]);
