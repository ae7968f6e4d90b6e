import { printNumber } from "@/core/base/units/number";
import { kinds } from "@/core/log/kinds/all";
import type { RecordKind } from "@/core/log/records";

/** `2 people, 323 weigh-ins`: what there is of each kind. */
export function holdingsText(counts: readonly { kind: RecordKind; count: number }[]): string {
  return counts
    .filter(({ count }) => count > 0)
    .map(({ kind, count }) => `${printNumber(count, 0)} ${kindName(kind, count)}`)
    .join(", ");
}

/** What a kind of record is called, one or several of it. */
export function kindName(kind: RecordKind, count: number): string {
  return count === 1 ? kinds[kind].names.one : kinds[kind].names.several;
}
