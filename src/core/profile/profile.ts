import type { Person } from "../log/kinds/people";
import type { ProfileFields, ProfileValues } from "./forms";

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
export function withProfile(
  person: Person,
  values: Partial<ProfileValues>,
  changed: ReadonlySet<keyof ProfileValues>,
): Person {
  const next: Person = { ...person };
  const { mass, distance, energy, name, heightCm, birthDate, sex, weekStart, e1rmFormula } = Object.fromEntries(
    Object.entries(values).filter(([key]) => changed.has(key as keyof ProfileValues)),
  ) as Partial<ProfileValues>;
  if (name !== undefined) next.name = name;
  if (sex !== undefined) next.sex = sex;
  if (weekStart !== undefined) next.weekStart = weekStart;
  if (mass !== undefined || distance !== undefined || energy !== undefined) {
    const { mass: heldMass = "kg", distance: heldDistance = "km", energy: heldEnergy = "kcal" } = person.units ?? {};
    next.units = {
      ...person.units,
      mass: mass ?? heldMass,
      distance: distance ?? heldDistance,
      energy: energy ?? heldEnergy,
    };
  }
  if (e1rmFormula !== undefined) next.settings = { ...person.settings, e1rmFormula };
  // What was emptied is taken out.
  if (heightCm === null) delete next.heightCm;
  else if (heightCm !== undefined) next.heightCm = heightCm;
  if (birthDate === null) delete next.birthDate;
  else if (birthDate !== undefined) next.birthDate = birthDate;
  return next;
}

/** A new person as the form says. */
export function personOf(id: string, values: ProfileValues): Person {
  return withProfile({ id, name: "" }, values, new Set(Object.keys(values) as (keyof ProfileValues)[]));
}
