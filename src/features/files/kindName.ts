import type { RecordKind } from "@/core/log/records";

const one: Partial<Record<RecordKind, string>> = { people: "person", dayNotes: "day note", maxima: "tested maximum", energySettings: "energy setting", water: "drink", photos: "photograph" };
const several: Partial<Record<RecordKind, string>> = { weighIns: "weigh-ins", dayNotes: "day notes", maxima: "tested maxima", kinds: "own kinds", energySettings: "energy settings", water: "drinks", photos: "photographs" };

/** What a kind of record is called, one or several of it. */
export function kindName(kind: RecordKind, count: number): string {
  const plural = several[kind] ?? kind;
  return count === 1 ? (one[kind] ?? plural.replace(/s$/, "")) : plural;
}
