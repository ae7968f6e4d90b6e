import type { AnyRecord, RecordKind } from "./records";

interface Reference {
  path: string;
  kind: RecordKind;
  id: string;
}

/** Every place in a record that points to another record, with its path inside the record. */
export function referencesOf(kind: RecordKind, record: AnyRecord): Reference[] {
  const found: Reference[] = [];
  const refer = (path: string, target: RecordKind, id: unknown) => {
    if (typeof id === "string") found.push({ path, kind: target, id });
  };
  refer("personId", "people", record.personId);
  if (kind === "sessions") {
    const items = (record as { items?: { exerciseId: string }[] | null }).items ?? [];
    items.forEach((item, index) => refer(`items[${index}].exerciseId`, "exercises", item.exerciseId));
  }
  if (kind === "maxima") refer("exerciseId", "exercises", record.exerciseId);
  if (kind === "exercises")
    refer(
      "maximumFrom.exerciseId",
      "exercises",
      (record.maximumFrom as { exerciseId?: string } | null | undefined)?.exerciseId,
    );
  if (kind === "readings") refer("measureId", "measures", record.measureId);
  if (kind === "meals") {
    refer("foodId", "foods", record.foodId);
    refer("recipeId", "recipes", record.recipeId);
  }
  if (kind === "recipes") {
    const ingredients = (record as { ingredients?: { foodId: string }[] }).ingredients ?? [];
    ingredients.forEach((ingredient, index) => refer(`ingredients[${index}].foodId`, "foods", ingredient.foodId));
  }
  return found;
}
