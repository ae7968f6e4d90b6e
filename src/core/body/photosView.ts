import { mustDay } from "../base/calendar/day";
import type { Figures } from "../figures/figures";

/** A photograph of a day, with the trend's level that day (null before the first weigh-in). */
export interface DayPhoto {
  id: string;
  date: string;
  file: string;
  kg: number | null;
}

/** Photographs up to the day asked about, oldest first. */
export function photosView(figures: Figures): DayPhoto[] {
  return figures.photos.map(({ id, date, file }) => ({ id, date, file, kg: figures.levelOn(mustDay(date)) }));
}
