import type { Log } from "../log/log";
import type { AnyRecord, RecordKind, RecordOf } from "../log/records";
import { stepText } from "../log/patch";
import type { Difference } from "./merge";

/** One difference, as it is read before it is written. */
export interface MergeLine { kind: RecordKind; what: Difference["what"]; date: string | null; title: string; fields: { name: string; before: string; after: string }[]; proposed: boolean }

/** Differences in words: what each record is called, and each field's value on either side. */
export function mergeLines(ours: Log, theirs: Log, differences: readonly Difference[]): MergeLine[] {
  const nameOf = (kind: "exercises" | "foods" | "measures" | "recipes" | "people", id: string | null | undefined) => (id ? (theirs.records[kind].get(id)?.name ?? ours.records[kind].get(id)?.name ?? id) : "");
  const titleOf = (kind: RecordKind, record: AnyRecord): string => {
    switch (kind) {
      case "sessions": { const session = record as RecordOf<"sessions">; return session.title || session.kind; }
      case "meals": { const meal = record as RecordOf<"meals">; return meal.name || nameOf("foods", meal.foodId) || nameOf("recipes", meal.recipeId) || meal.meal || ""; }
      case "readings": return nameOf("measures", (record as RecordOf<"readings">).measureId);
      case "maxima": return nameOf("exercises", (record as RecordOf<"maxima">).exerciseId);
      case "weighIns": return `${(record as RecordOf<"weighIns">).kg} kg`;
      case "water": return `${(record as RecordOf<"water">).ml} ml`;
      case "dayNotes": return (record as RecordOf<"dayNotes">).text ?? "";
      case "goals": return `${(record as RecordOf<"goals">).targetKg ?? ""} kg`;
      default: return "name" in record ? String(record.name) : "";
    }
  };
  return differences.map(({ kind, what, record, fields, proposed }): MergeLine => ({
    kind, what, proposed, title: titleOf(kind, record), date: dateIn(record),
    fields: fields.map(({ path, before, after }) => ({ name: path.map(stepText).join(" › "), before: printed(before), after: printed(after) })),
  }));
}

function dateIn(record: AnyRecord): string | null {
  const { date, startDate, from } = record as { date?: string; startDate?: string; from?: string };
  return date ?? startDate ?? from ?? null;
}

/** A field's value in a line; a long one is cut. */
function printed(value: unknown): string {
  if (value === undefined || value === null || value === "") return "nothing";
  const text = typeof value === "string" ? value : JSON.stringify(value);
  return text.length > 80 ? `${text.slice(0, 79)}…` : text;
}
