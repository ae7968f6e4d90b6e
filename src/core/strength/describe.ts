import type { Printer } from "../base/units/printer";
import type { Exercise } from "../log/kinds/exercises";
import type { Item, TrainingSet } from "../log/kinds/sessions";
import { hasPlan } from "../sessions/planned";

type Measured = {
  reps?: number | null;
  repsTo?: number | null;
  kg?: number | null;
  seconds?: number | null;
  metres?: number | null;
  percent?: number | null;
  rpe?: number | null;
  asManyAsPossible?: boolean | null;
  failed?: boolean | null;
  parts?: readonly { reps?: number | null; kg?: number | null }[] | null;
};

/**
 * Sets as a lifter writes them: `3 × 6 at 72.5 kg, RPE 8`, `8, 8, 8, 7 at 52.5 kg`, `3 × 40 s`. Sets of one load stand
 * together, with the effort of each where they differ (`RPE 7, 8, –`; `last RPE 8` where the last alone is rated);
 * warm-ups are left out. Empty text when none of the sets has that side.
 * @param side what was planned, or what was done
 * @param worked the loads, by the sets' ids, that planned percentages and efforts come to on the day, told behind them
 */
export function describeSets(
  sets: readonly TrainingSet[],
  side: "planned" | "done",
  exercise: Exercise | undefined,
  printer: Printer,
  worked: Readonly<Record<string, number>> = {},
): string {
  const runs: { load: string; comesTo: string; counts: string[]; efforts: string[] }[] = [];
  for (const set of sets) {
    const measured = set[side];
    if (!measured || set.warmUp || (side === "planned" && !hasPlan(set))) continue;
    const load = loadText(measured, exercise, printer);
    const comesTo =
      measured.kg != null || worked[set.id] === undefined
        ? ""
        : ` (${printer.load(worked[set.id]!).replace(" ", "\u00a0")})`;
    const [count, effort] = [countText(measured, printer), measured.rpe == null ? "–" : String(measured.rpe)];
    const last = runs.at(-1);
    if (last?.load === load && last.comesTo === comesTo) {
      last.counts.push(count);
      last.efforts.push(effort);
    } else runs.push({ load, comesTo, counts: [count], efforts: [effort] });
  }
  return runs
    .map(({ load, comesTo, counts, efforts }) => {
      const rated = efforts.filter((one) => one !== "–");
      const effort =
        rated.length === 0
          ? ""
          : new Set(efforts).size === 1
            ? `RPE ${rated[0]!}`
            : rated.length === 1 && efforts.at(-1) !== "–"
              ? `last RPE ${rated[0]!}`
              : `RPE ${efforts.join(", ")}`;
      return [
        new Set(counts).size === 1 ? `${counts.length} × ${counts[0]}` : counts.join(", "),
        `${[load, effort].filter(Boolean).join(", ")}${comesTo}`,
      ]
        .filter(Boolean)
        .join(" at ");
    })
    .join("; ");
}

/** The warm-ups of an exercise in the same words; empty when there are none of that side. */
export function describeWarmUps(
  sets: readonly TrainingSet[],
  side: "planned" | "done",
  exercise: Exercise | undefined,
  printer: Printer,
): string {
  return describeSets(
    sets.filter(({ warmUp }) => warmUp).map((set) => ({ ...set, warmUp: false })),
    side,
    exercise,
    printer,
  );
}

/** The mark that the exercises of a superset share; null outside one. */
export function supersetOf(item: Pick<Item, "superset"> | undefined): string | null {
  return item?.superset == null ? null : String(item.superset);
}

function countText(
  { reps, repsTo, seconds, metres, parts, asManyAsPossible, failed }: Measured,
  printer: Printer,
): string {
  if (reps === 0 && failed) return "missed";
  if (reps != null && repsTo != null && repsTo > reps) return `${reps}–${repsTo}`;
  if (reps != null)
    return (
      [reps, ...(parts ?? []).map((part) => part.reps ?? 0)].join("+") +
      (asManyAsPossible ? " or more" : "") +
      (failed ? " (then missed)" : "")
    );
  if (asManyAsPossible) return "as many as possible";
  if (seconds != null) return `${seconds} s`;
  return metres != null ? printer.distance(metres) : "1";
}

function loadText({ kg, parts, percent }: Measured, exercise: Exercise | undefined, printer: Printer): string {
  if (kg == null) return percent == null ? "" : printer.percent(percent);
  const loads = [
    kg,
    ...((parts ?? []).some((part) => part.kg != null && part.kg !== kg) ? parts!.map((part) => part.kg ?? kg) : []),
  ];
  if (loads.every((one) => one === 0) && exercise?.measure !== "load-reps") return "";
  const sign = exercise?.measure === "bodyweight-reps" ? "+" : exercise?.measure === "assisted-reps" ? "−" : "";
  return `${sign}${loads.map((one) => printer.loadNumber(one)).join("+")} ${printer.units.mass}`;
}
