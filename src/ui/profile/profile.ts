import { parseHeight } from "@/core/base/units/length";
import type { Person } from "@/core/log/kinds/people";

/** What the profile form holds, all of it text as typed. */
export interface ProfileFields {
  name: string;
  mass: string;
  distance: string;
  energy: string;
  heightCm: string;
  birthDate: string;
  sex: string;
  weekStart: string;
  e1rmFormula: string;
}

/** What the first-run page holds besides. */
export interface FirstFields extends ProfileFields {
  startKg: string;
  startDate: string;
  targetKg: string;
  deadline: string;
  why: string;
}

export function profileFields(person: Person | null): ProfileFields {
  return {
    name: person?.name ?? "",
    mass: person?.units?.mass ?? "kg",
    distance: person?.units?.distance ?? "km",
    energy: person?.units?.energy ?? "kcal",
    heightCm: person?.heightCm == null ? "" : String(person.heightCm),
    birthDate: person?.birthDate ?? "",
    sex: person?.sex ?? "unspecified",
    weekStart: String(person?.weekStart ?? 1),
    e1rmFormula: person?.settings?.e1rmFormula ?? "mean",
  };
}

/** The person's record with those fields of the form that were changed; all others stay. */
export function withProfile(person: Person, fields: ProfileFields, changed: ReadonlySet<keyof ProfileFields>): Person {
  return personOf(
    { ...profileFields(person), ...Object.fromEntries([...changed].map((key) => [key, fields[key]])) },
    person,
  );
}

/** The person's record with what the form says; an emptied field is taken out. */
export function personOf(fields: ProfileFields, base: Person | { id: string }): Person {
  const heightCm = parseHeight(fields.heightCm);
  const { heightCm: _height, birthDate: _birth, ...kept } = base as Person;
  return {
    ...kept,
    name: fields.name.trim() || "Own log",
    sex: fields.sex as Person["sex"],
    weekStart: Number(fields.weekStart),
    units: {
      ...kept.units,
      mass: fields.mass as "kg" | "lb",
      distance: fields.distance as "km" | "mi",
      energy: fields.energy as "kcal" | "kJ",
    },
    settings: { ...kept.settings, e1rmFormula: fields.e1rmFormula as NonNullable<Person["settings"]>["e1rmFormula"] },
    ...(heightCm === null ? {} : { heightCm }),
    ...(fields.birthDate === "" ? {} : { birthDate: fields.birthDate }),
  };
}
