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

/** Photographs of the body up to the day asked about, oldest first; those of recipes are with their recipes. */
export function photosView(asOf: AsOf): DayPhoto[] {
  const ofRecipes = new Set([...asOf.log.index.all("recipes").values()].map(({ photoId }) => photoId));
  const photos = asOf.own("photos").filter((photo) => dayOfRecord(photo) <= asOf.on && !ofRecipes.has(photo.id));
  return photos
    .sort(byDateAndId)
    .map(({ id, date, file }) => ({ id, date, file, kg: weightOf(asOf).levelOn(mustDay(date)) }));
}
