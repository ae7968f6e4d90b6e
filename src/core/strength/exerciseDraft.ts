import type { MassUnit } from "../base/units/mass";
import type { Exercise } from "../log/kinds/exercises";
import type { ExerciseDraft, ExerciseValues } from "./forms";
import { loadStep } from "./loading";
import { fieldNumber, ironText } from "./setText";
import { aliasesOf } from "./usualNames";

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
export function exerciseOf(id: string, values: ExerciseValues): Exercise {
  const { measure, mechanics, direct, parentId, ratio, links } = values;
  const text = (value: string) => value || undefined;
  return withoutGaps({
    id,
    name: values.name,
    aliases: values.aliases,
    group: text(values.group) ?? "other",
    measure,
    mechanics,
    equipment: text(values.equipment),
    perSide: values.perSide || undefined,
    bodyShare: carriesBody(measure) ? (values.bodyShare ?? 1) : undefined,
    incrementKg: values.increment ?? undefined,
    barKg: values.bar ?? undefined,
    setting: text(values.setting),
    cues: text(values.cues),
    note: text(values.note),
    links: links.length === 0 ? undefined : links,
    direct,
    indirect: values.indirect.filter((muscle) => !direct.includes(muscle)),
    maximumFrom: parentId === null || ratio === null ? undefined : { exerciseId: parentId, ratio },
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
