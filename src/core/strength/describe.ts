import type { Exercise, TrainingSet } from "../log/records";
import type { Printer } from "../units/printer";

type Measured = { reps?: number | null; kg?: number | null; seconds?: number | null; metres?: number | null };

/**
 * Sets as a lifter writes them: `3 × 6 at 72.5 kg`, `8, 8, 8, 7 at 52.5 kg`, `3 × 40 s`. Sets of one load stand together; warm-ups
 * are left out. Empty text when none of the sets has that side.
 * @param side what was planned, or what was done
 */
export function describeSets(sets: readonly TrainingSet[], side: "planned" | "done", exercise: Exercise | undefined, printer: Printer): string {
  const runs: { load: string; counts: string[] }[] = [];
  for (const set of sets) {
    const measured = set[side];
    if (!measured || set.warmUp) continue;
    const load = loadText(measured, exercise, printer);
    const last = runs.at(-1);
    if (last?.load === load) last.counts.push(countText(measured, printer));
    else runs.push({ load, counts: [countText(measured, printer)] });
  }
  return runs.map(({ load, counts }) => [new Set(counts).size === 1 ? `${counts.length} × ${counts[0]}` : counts.join(", "), load].filter(Boolean).join(" at ")).join("; ");
}

function countText({ reps, seconds, metres }: Measured, printer: Printer): string {
  if (reps != null) return String(reps);
  if (seconds != null) return `${seconds} s`;
  return metres != null ? printer.distance(metres) : "1";
}

function loadText({ kg }: Measured, exercise: Exercise | undefined, printer: Printer): string {
  if (kg == null || (kg === 0 && exercise?.measure !== "load-reps")) return "";
  if (exercise?.measure === "bodyweight-reps") return `+${printer.load(kg)}`;
  return exercise?.measure === "assisted-reps" ? `−${printer.load(kg)}` : printer.load(kg);
}
