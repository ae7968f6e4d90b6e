import { compare } from "../base/text";
import { type Units } from "../base/units/printer";
import type { AsOf } from "../log/asOf";
import { recordKinds } from "../log/kinds/all";
import type { Exercise } from "../log/kinds/exercises";
import type { Food } from "../log/kinds/foods";
import type { Person } from "../log/kinds/people";
import type { Recipe } from "../log/kinds/recipes";
import { type Log, peopleOf } from "../log/log";
import type { RecordKind } from "../log/records";
import { columnSpan } from "./columnView";

/** What surrounds every view: who there is, whose log is open, how far the Column runs. */
export interface ShellView {
  people: { id: string; name: string }[];
  person: Person;
  units: Units;
  span: { first: string; last: string };
}

export function shellView(asOf: AsOf): ShellView {
  return {
    people: peopleOf(asOf.log).map(({ id, name }) => ({ id, name })),
    person: asOf.person,
    units: asOf.units,
    span: columnSpan(asOf),
  };
}

/** The household's own exercises, foods and recipes, by name. */
export interface LibraryView {
  exercises: Exercise[];
  foods: Food[];
  recipes: Recipe[];
  /** The files of the pictures of recipes, by the recipe. */
  pictures: Record<string, string>;
}

export function libraryView(log: Log): LibraryView {
  const byName = <T extends { name: string }>(things: Iterable<T>) =>
    [...things].sort((a, b) => compare(a.name.toLowerCase(), b.name.toLowerCase()));
  return {
    exercises: byName(log.index.all("exercises").values()),
    foods: byName(log.index.all("foods").values()),
    recipes: byName(log.index.all("recipes").values()),
    pictures: Object.fromEntries(
      [...log.index.all("recipes").values()].flatMap(({ id, photoId }) => {
        const photo = photoId == null ? undefined : log.index.all("photos").get(photoId);
        return photo === undefined ? [] : [[id, photo.file]];
      }),
    ),
  };
}

/** How much is written, by kind of record, and how much lies there that cannot be read. */
export interface HoldingsView {
  counts: { kind: RecordKind; count: number }[];
  total: number;
  unread: number;
}

export function holdingsView(log: Log): HoldingsView {
  const counts = recordKinds.map((kind) => ({ kind, count: log.index.all(kind).size }));
  return { counts, total: counts.reduce((sum, { count }) => sum + count, 0), unread: log.unread.length };
}
