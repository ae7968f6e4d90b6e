import type { Exercise, TrainingSet } from "../log/records";
import { hasPlan } from "../planning/perform";
import type { Printer } from "../units/printer";

type Measured = { reps?: number | null; kg?: number | null; seconds?: number | null; metres?: number | null; percent?: number | null; rpe?: number | null; asManyAsPossible?: boolean | null; failed?: boolean | null; parts?: readonly { reps?: number | null; kg?: number | null }[] | null };

/**
 * Sets as a lifter writes them: `3 × 6 at 72.5 kg`, `8, 8, 8, 7 at 52.5 kg`, `3 × 40 s`. Sets of one load stand together; warm-ups
 * are left out. A planned effort stands with its load. Empty text when none of the sets has that side.
 * @param side what was planned, or what was done
 */
export function describeSets(sets: readonly TrainingSet[], side: "planned" | "done", exercise: Exercise | undefined, printer: Printer): string {
  const runs: { load: string; counts: string[] }[] = [];
  for (const set of sets) {
    const measured = set[side];
    if (!measured || set.warmUp || (side === "planned" && !hasPlan(set))) continue;
    const load = [loadText(measured, exercise, printer), side === "planned" && measured.rpe != null ? `RPE ${measured.rpe}` : ""].filter(Boolean).join(", ");
    const last = runs.at(-1);
    if (last?.load === load) last.counts.push(countText(measured, printer));
    else runs.push({ load, counts: [countText(measured, printer)] });
  }
  return runs.map(({ load, counts }) => [new Set(counts).size === 1 ? `${counts.length} × ${counts[0]}` : counts.join(", "), load].filter(Boolean).join(" at ")).join("; ");
}

function countText({ reps, seconds, metres, parts, asManyAsPossible, failed }: Measured, printer: Printer): string {
  if (reps === 0 && failed) return "missed";
  if (reps != null) return [reps, ...(parts ?? []).map((part) => part.reps ?? 0)].join("+") + (asManyAsPossible ? " or more" : "") + (failed ? " (then missed)" : "");
  if (asManyAsPossible) return "as many as possible";
  if (seconds != null) return `${seconds} s`;
  return metres != null ? printer.distance(metres) : "1";
}

function loadText({ kg, parts, percent }: Measured, exercise: Exercise | undefined, printer: Printer): string {
  if (kg == null) return percent == null ? "" : printer.percent(percent);
  const loads = [kg, ...((parts ?? []).some((part) => part.kg != null && part.kg !== kg) ? parts!.map((part) => part.kg ?? kg) : [])];
  if (loads.every((one) => one === 0) && exercise?.measure !== "load-reps") return "";
  const sign = exercise?.measure === "bodyweight-reps" ? "+" : exercise?.measure === "assisted-reps" ? "−" : "";
  return `${sign}${loads.map((one) => printer.loadNumber(one)).join("+")} ${printer.units.mass}`;
}
