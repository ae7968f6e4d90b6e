import type * as z from "zod";
import type { Printer } from "../../base/units/printer";

/**
 * What a kind needs to tell of one of its records in words: its person's units, and the names of records that it points
 * to.
 */
export interface Wording {
  printer: Printer;
  /** The name of a record, its id where it is not there, an empty text without an id. */
  nameOf(kind: string, id: string | null | undefined): string;
}

/**
 * A list inside a record whose elements have ids of their own, so that two tabs or devices can change different ones.
 */
export interface IdList {
  /** With which an id begins that an element had to be given. */
  letter: string;
  /** An element in words, by itself and its place in the list. */
  called(element: never, index: number, wording: Wording): string;
  /** The lists inside each element; each element has them. */
  inside: Readonly<Record<string, IdList>>;
}

/** What is to be known of every kind of record. */
interface Knowledge<S extends z.ZodType> {
  schema: S;
  /** One of them in words, and several. */
  names: { one: string; several: string };
  /**
   * The fields that point to another record, by their paths (`items[].exerciseId`), and the kind to which each points.
   */
  refersTo: Readonly<Record<string, string>>;
  /**
   * The same of fields that say where a record came from: it stands by itself when that is gone, and a file is sound
   * without.
   */
  cameFrom?: Readonly<Record<string, string>>;
  /** What a record is called behind its kind. */
  title(record: z.infer<S>, wording: Wording): string;
  /** Whether what changed in a record says which it is, so that its title need not. */
  changesSayWhich: boolean;
  /**
   * A record that stands where one is missing to which others point, of the same owner as they are; null where none
   * points to the kind.
   */
  standIn: ((id: string, name: string, personId: string) => z.infer<S>) | null;
  /** Lists with ids inside a record, null where there are none; `what` they hold, in words. */
  lists: { what: string; of: Readonly<Record<string, IdList>> } | null;
}

/** A kind that the household shares. */
export type HouseholdKind<S extends z.ZodType = z.ZodType> = Knowledge<S>;

/** A kind that belongs to a person and lasts. */
export interface PersonalKind<S extends z.ZodType = z.ZodType> extends Knowledge<S> {
  /** The field that says from when it counts; null where it counts always. */
  begins: "startDate" | "from" | null;
}

/** A kind that belongs to a person and a day. */
export interface DailyKind<S extends z.ZodType = z.ZodType> extends Knowledge<S> {
  /** Whether a record tells of something measured or performed, so that its day counts as one with an entry. */
  tells(record: z.infer<S>): boolean;
  /** Where a person has at most one of some sort a day, whatever its id; null where any number can stand. */
  oneADay: OneADay<z.infer<S>> | null;
  /** What is worked out of a record while it has just been read and is at hand; null where nothing is. */
  readAhead: ((record: z.infer<S>) => void) | null;
}

export interface OneADay<R> {
  /** Whether a record is of that sort. */
  is(record: R): boolean;
  /** Which of several of that sort, given in order of time and id, stands for the day. */
  stands: "first" | "last";
  /** Two people made one: what becomes of their own record of a day and of the other's. */
  join(own: R, other: R): { own: R; other: R | null };
}

// The literal types of `refersTo` are kept, so that the registry can be checked against its own names.
type Refers = Readonly<Record<string, string>>;
type Referring<K, F extends Refers> = Omit<K, "refersTo"> & { refersTo: F };

export function householdKind<S extends z.ZodType, const F extends Refers>(
  kind: Referring<HouseholdKind<S>, F>,
): Referring<HouseholdKind<S>, F> & { belongsTo: "household" } {
  return { ...kind, belongsTo: "household" };
}

export function personalKind<S extends z.ZodType, const F extends Refers>(
  kind: Referring<PersonalKind<S>, F>,
): Referring<PersonalKind<S>, F> & { belongsTo: "person" } {
  return { ...kind, belongsTo: "person" };
}

export function dailyKind<S extends z.ZodType, const F extends Refers>(
  kind: Referring<DailyKind<S>, F>,
): Referring<DailyKind<S>, F> & { belongsTo: "day" } {
  return { ...kind, belongsTo: "day" };
}

/** The title of what bears a name. */
export const byName = ({ name }: { name: string }): string => name;
