import { printNumber } from "@/core/base/units/number";
import type { KindNames } from "@/core/log/kinds/all";
import type { RecordKind } from "@/core/log/records";

/** `2 people, 323 weigh-ins`: what there is of each kind. */
export function holdingsText(names: KindNames, counts: readonly { kind: RecordKind; count: number }[]): string {
  return counts
    .filter(({ count }) => count > 0)
    .map(({ kind, count }) => `${printNumber(count, 0)} ${count === 1 ? names[kind].one : names[kind].several}`)
    .join(", ");
}
