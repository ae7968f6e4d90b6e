import { mustDay } from "../base/calendar/day";
import { type AsOf, byDateAndId, dayOfRecord } from "../log/asOf";
import { weightOf } from "./slice";

/** A photograph of a day, with the trend's level that day (null before the first weigh-in). */
export interface DayPhoto {
  id: string;
  date: string;
  file: string;
  kg: number | null;
}

/** Photographs up to the day asked about, oldest first. */
export function photosView(asOf: AsOf): DayPhoto[] {
  const photos = asOf.own("photos").filter((photo) => dayOfRecord(photo) <= asOf.on);
  return photos
    .sort(byDateAndId)
    .map(({ id, date, file }) => ({ id, date, file, kg: weightOf(asOf).levelOn(mustDay(date)) }));
}
