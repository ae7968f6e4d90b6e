import type { Printer } from "@/core/base/units/printer";
import type { TrainingView } from "@/core/training/trainingView";

/** A record as it was beaten, in words. */
export function recordText(one: TrainingView["beaten"][number], printer: Printer): string {
  if (one.what === "reps")
    return `${one.name}: ${printer.load(one.kg)} for ${one.reps}, before ${printer.load(one.beforeKg)}`;
  if (one.what === "volume")
    return `${one.name}: ${printer.volumeLoad(one.kg)} in a day, before ${printer.volumeLoad(one.beforeKg)}`;
  return `${one.name}: estimated maximum ${printer.mass(one.kg)}, before ${printer.mass(one.beforeKg)}`;
}
