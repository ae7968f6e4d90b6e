import { type MassUnit, parseMass } from "../base/units/mass";
import { parseDecimal } from "../base/units/number";
import type { Exercise } from "../log/kinds/exercises";
import { loadStep } from "./loading";
import { fieldNumber, ironText } from "./setText";
import { aliasesOf } from "./usualNames";

/** An exercise as a form holds it: each field as it is typed, loads in the trainee's unit, shares in percent. */
export type ExerciseDraft = {
  name: string;
  aliases: string;
  group: string;
  measure: string;
  mechanics: string;
  equipment: string;
  bodyShare: string;
  perSide: boolean;
  increment: string;
  bar: string;
  setting: string;
  cues: string;
  links: string;
  note: string;
  direct: string[];
  indirect: string[];
  parentId: string | null;
  ratio: string;
};

/** Which parts of the record each field writes. */
const written: Record<keyof ExerciseDraft, readonly (keyof Exercise & string)[]> = {
  name: ["name"],
  aliases: ["aliases"],
  group: ["group"],
  measure: ["measure", "bodyShare"],
  mechanics: ["mechanics"],
  equipment: ["equipment"],
  bodyShare: ["bodyShare"],
  perSide: ["perSide"],
  increment: ["incrementKg"],
  bar: ["barKg"],
  setting: ["setting"],
  cues: ["cues"],
  links: ["links"],
  note: ["note"],
  direct: ["direct", "indirect"],
  indirect: ["indirect"],
  parentId: ["maximumFrom"],
  ratio: ["maximumFrom"],
};

/** Whether a set counted in this way moves a share of the body's weight. */
export function carriesBody(measure: string): boolean {
  return measure === "bodyweight-reps" || measure === "assisted-reps";
}

/** What the form holds of an exercise; of a new one where it is null. */
export function draftOfExercise(exercise: Exercise | null, unit: MassUnit): ExerciseDraft {
  return {
    name: exercise?.name ?? "",
    aliases: exercise === null ? "" : aliasesOf(exercise).join(", "),
    group: exercise?.group ?? "",
    measure: exercise?.measure ?? "load-reps",
    mechanics: exercise?.mechanics ?? "compound",
    equipment: exercise?.equipment ?? "",
    bodyShare: exercise?.bodyShare == null ? "" : percentText(exercise.bodyShare),
    perSide: exercise?.perSide ?? false,
    increment: exercise?.incrementKg == null ? "" : fieldNumber(loadStep(exercise, unit), unit),
    bar: exercise?.barKg == null ? "" : ironText(exercise.barKg, unit),
    setting: exercise?.setting ?? "",
    cues: exercise?.cues ?? "",
    links: (exercise?.links ?? []).join("\n"),
    note: exercise?.note ?? "",
    direct: exercise?.direct ?? [],
    indirect: exercise?.indirect ?? [],
    parentId: exercise?.maximumFrom?.exerciseId ?? null,
    ratio: exercise?.maximumFrom ? percentText(exercise.maximumFrom.ratio) : "",
  };
}

/** The exercise that a form comes to; what is empty in it is left out of the record. */
export function exerciseOf(id: string, draft: ExerciseDraft, unit: MassUnit): Exercise {
  const text = (value: string) => value.trim() || undefined;
  const [share, ratio] = [parseDecimal(draft.bodyShare), parseDecimal(draft.ratio)];
  return withoutGaps({
    id,
    name: draft.name.trim(),
    aliases: namesIn(draft.aliases),
    group: text(draft.group) ?? "other",
    measure: draft.measure as Exercise["measure"],
    mechanics: draft.mechanics as Exercise["mechanics"],
    equipment: text(draft.equipment),
    perSide: draft.perSide || undefined,
    bodyShare: carriesBody(draft.measure) ? (share === null ? 1 : share / 100) : undefined,
    incrementKg: parseMass(draft.increment, unit) ?? undefined,
    barKg: parseMass(draft.bar, unit) ?? undefined,
    setting: text(draft.setting),
    cues: text(draft.cues),
    note: text(draft.note),
    links: draft.links.trim() === "" ? undefined : draft.links.split(/\s+/).filter(Boolean),
    direct: draft.direct,
    indirect: draft.indirect.filter((muscle) => !draft.direct.includes(muscle)),
    maximumFrom:
      draft.parentId === null || ratio === null ? undefined : { exerciseId: draft.parentId, ratio: ratio / 100 },
  });
}

/** An exercise with only what was changed in its form; the rest stays as it is, whoever wrote it meanwhile. */
export function exerciseWithChanged(
  exercise: Exercise,
  form: Exercise,
  changed: ReadonlySet<keyof ExerciseDraft>,
): Exercise {
  const keys = [...changed].flatMap((field) => written[field]);
  return withoutGaps({ ...exercise, ...Object.fromEntries(keys.map((key) => [key, form[key]])) });
}

/** Names parted by commas, each once. */
export function namesIn(text: string): string[] {
  return [
    ...new Set(
      text
        .split(",")
        .map((one) => one.trim())
        .filter(Boolean),
    ),
  ];
}

function percentText(share: number): string {
  return String(Math.round(share * 1000) / 10);
}

function withoutGaps(exercise: Exercise): Exercise {
  return Object.fromEntries(Object.entries(exercise).filter(([, value]) => value !== undefined)) as Exercise;
}
