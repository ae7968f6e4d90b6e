import type { RecordKind } from "@/core/log/records";
import { printNumber } from "@/core/units/number";

const one: Partial<Record<RecordKind, string>> = {
  people: "person",
  dayNotes: "day note",
  maxima: "tested maximum",
  energySettings: "energy setting",
  water: "drink",
  photos: "photograph",
};
const several: Partial<Record<RecordKind, string>> = {
  weighIns: "weigh-ins",
  dayNotes: "day notes",
  maxima: "tested maxima",
  kinds: "own kinds",
  energySettings: "energy settings",
  water: "drinks",
  photos: "photographs",
};

/** `2 people, 323 weigh-ins`: what there is of each kind. */
export function holdingsText(counts: readonly { kind: RecordKind; count: number }[]): string {
  return counts
    .filter(({ count }) => count > 0)
    .map(({ kind, count }) => `${printNumber(count, 0)} ${kindName(kind, count)}`)
    .join(", ");
}

/** What a kind of record is called, one or several of it. */
export function kindName(kind: RecordKind, count: number): string {
  const plural = several[kind] ?? kind;
  return count === 1 ? (one[kind] ?? plural.replace(/s$/, "")) : plural;
}
