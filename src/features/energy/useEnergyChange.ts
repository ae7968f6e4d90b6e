import type { EnergySettings } from "@/core/log/kinds/energySettings";
import { put } from "@/core/log/records";
import { useLog } from "@/ui/log/LogContext";
import { v7 as newId } from "uuid";

/**
 * Changes energy settings from today on; the past keeps what held for it.
 * @param settings those in force
 * @returns changes them under a name; true once it is written
 */
export function useEnergyChange(
  settings: EnergySettings | null,
): (change: Partial<EnergySettings>, label: string) => Promise<boolean> {
  const { person, today, commit } = useLog();
  return (change, label) => {
    const base = settings?.from === today ? settings : null;
    const { id: _id, revision: _revision, changed: _changed, ...kept } = settings ?? {};
    const next: EnergySettings = {
      ...kept,
      ...(base ?? { id: newId(), personId: person.id }),
      from: today,
      ...change,
    };
    return commit([put("energySettings", next, base ?? undefined)], label);
  };
}
