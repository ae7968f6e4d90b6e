"use client";

import { parseMass } from "@/core/base/units/mass";
import { parseDecimal } from "@/core/base/units/number";
import type { Exercise } from "@/core/log/kinds/exercises";
import { put } from "@/core/log/records";
import type { ExercisesView } from "@/core/strength/libraryView";
import { loadStep } from "@/core/strength/loading";
import { fieldNumber, ironText } from "@/core/strength/setText";
import { aliasesOf } from "@/core/strength/usualNames";
import { between, massBetween, optional, required } from "@/ui/inputs/checks";
import { check, type Check, Choice, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import inputs from "@/ui/inputs/inputs.module.css";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { ExercisePicker } from "@/ui/lifts/ExercisePicker";
import { useLog } from "@/ui/log/LogContext";
import { Button, Select } from "antd";
import { useId } from "react";
import { type Control, Controller, useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";

const measures = [
  { value: "load-reps", label: "load and reps" },
  { value: "bodyweight-reps", label: "bodyweight" },
  { value: "assisted-reps", label: "assisted" },
  { value: "duration", label: "time" },
  { value: "distance", label: "distance" },
];
const mechanics = [
  { value: "compound", label: "compound" },
  { value: "isolation", label: "isolation" },
];
const aLink: Check = (text) =>
  text
    .split(/\s+/)
    .filter(Boolean)
    .every((one) => /^https?:\/\/\S+$/i.test(one))
    ? null
    : "Write whole addresses, each beginning with https.";

type Fields = {
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

const fieldNames = {
  name: "Name",
  aliases: "Also written as",
  group: "Group",
  measure: "Counted by",
  mechanics: "Mechanics",
  equipment: "Equipment",
  bodyShare: "Share of body weight",
  perSide: "One side at a time",
  increment: "Increment",
  bar: "Bar",
  setting: "Setting",
  cues: "Cues",
  links: "Links",
  note: "Note",
  direct: "Muscles, direct",
  indirect: "Muscles, indirect",
  ratio: "The share of the other's maximum",
};

/** Which parts of the record each field writes. */
const recordKeys: Record<keyof Fields, (keyof Exercise & string)[]> = {
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

/** Everything of an exercise, or a new one; it is at once what every list, total and chart goes by. */
export function ExerciseEditor({
  exercise,
  library,
  onSaved,
}: {
  exercise: Exercise | null;
  library: ExercisesView;
  onSaved: (id: string) => void;
}) {
  const { commit, units } = useLog();
  const id = useId();
  const shown: Fields = {
    name: exercise?.name ?? "",
    aliases: exercise === null ? "" : aliasesOf(exercise).join(", "),
    group: exercise?.group ?? "",
    measure: exercise?.measure ?? "load-reps",
    mechanics: exercise?.mechanics ?? "compound",
    equipment: exercise?.equipment ?? "",
    bodyShare: exercise?.bodyShare == null ? "" : String(Math.round(exercise.bodyShare * 1000) / 10),
    perSide: exercise?.perSide ?? false,
    increment: exercise?.incrementKg == null ? "" : fieldNumber(loadStep(exercise, units.mass), units.mass),
    bar: exercise?.barKg == null ? "" : ironText(exercise.barKg, units.mass),
    setting: exercise?.setting ?? "",
    cues: exercise?.cues ?? "",
    links: (exercise?.links ?? []).join("\n"),
    note: exercise?.note ?? "",
    direct: exercise?.direct ?? [],
    indirect: exercise?.indirect ?? [],
    parentId: exercise?.maximumFrom?.exerciseId ?? null,
    ratio: exercise?.maximumFrom ? String(Math.round(exercise.maximumFrom.ratio * 1000) / 10) : "",
  };
  const { control, save, register, meanwhile } = useRecordForm<Fields>(shown, fieldNames);
  const [measure, parentId] = useWatch({ control, name: ["measure", "parentId"] });
  const carries = measure === "bodyweight-reps" || measure === "assisted-reps";
  const taken = new Set(
    Object.entries(library.names)
      .filter(([other]) => other !== exercise?.id)
      .map(([, name]) => name.toLowerCase()),
  );
  const onSubmit = save(async (fields, changed) => {
    const written = recordOf(exercise?.id ?? newId(), fields, carries, units.mass);
    const next =
      exercise === null
        ? withoutGaps(written)
        : withoutGaps({
            ...exercise,
            ...Object.fromEntries([...changed].flatMap((field) => recordKeys[field].map((key) => [key, written[key]]))),
          });
    const saved = await commit([put("exercises", next, exercise ?? undefined)], `Exercise ${next.name}`);
    if (saved) onSaved(next.id);
    return saved;
  });
  return (
    <form onSubmit={(event) => void onSubmit(event)} noValidate style={{ display: "grid", gap: 12 }}>
      <Row>
        <Field
          control={control}
          name="name"
          label="Name"
          className={wide}
          check={(text) =>
            required("A name")(text) ?? (taken.has(text.trim().toLowerCase()) ? "There is one of that name." : null)
          }
        />
        <Field
          control={control}
          name="aliases"
          label="Also written as, with commas"
          className={wide}
          check={(text) => {
            const same = listOf(text).find((one) => taken.has(one.toLowerCase()));
            return same === undefined ? null : `"${same}" is the name of another exercise.`;
          }}
        />
        <Suggested control={control} name="group" label="Group" options={library.groups} />
        <Suggested control={control} name="equipment" label="Equipment" options={library.equipment} />
      </Row>
      <Row>
        <Choice control={control} name="measure" label="Counted by" options={measures} />
        <Choice control={control} name="mechanics" label="Mechanics" options={mechanics} />
        {carries && (
          <Field
            control={control}
            name="bodyShare"
            label="Share of body weight"
            unit="%"
            inputMode="decimal"
            check={optional(between("The share", 0, 150))}
          />
        )}
        <label className={check}>
          <input type="checkbox" {...register("perSide")} /> one side at a time
        </label>
      </Row>
      <Row>
        <Muscles control={control} name="direct" label="Muscles, direct" options={library.muscles} />
        <Muscles control={control} name="indirect" label="Muscles, indirect" options={library.muscles} />
      </Row>
      <Row>
        <Field
          control={control}
          name="increment"
          label="Increment"
          unit={units.mass}
          inputMode="decimal"
          check={optional(massBetween("The increment", units.mass, 0.05, 100))}
        />
        <Field
          control={control}
          name="bar"
          label="Bar or handle"
          unit={units.mass}
          inputMode="decimal"
          check={optional(massBetween("The bar", units.mass, 0, 100))}
        />
        <Field control={control} name="setting" label="Setting of the machine" placeholder="seat 4, pin 2" />
      </Row>
      <Row>
        <div className={`${inputs.field} ${wide}`}>
          <span className={inputs.caption}>Takes its maximum from</span>
          <Controller
            control={control}
            name="parentId"
            render={({ field }) => (
              <ExercisePicker
                value={field.value}
                label="Takes its maximum from"
                except={exercise?.id}
                placeholder="no other lift"
                onPick={(other) => field.onChange(other.id === exercise?.id ? null : other.id)}
              />
            )}
          />
        </div>
        {parentId !== null && (
          <Field
            control={control}
            name="ratio"
            label="of which"
            unit="%"
            inputMode="decimal"
            check={between("The share", 1, 500)}
          />
        )}
        {parentId !== null && (
          <RowButton>
            <Controller
              control={control}
              name="parentId"
              render={({ field }) => (
                <button type="button" className="link" style={{ paddingTop: 6 }} onClick={() => field.onChange(null)}>
                  its own instead
                </button>
              )}
            />
          </RowButton>
        )}
      </Row>
      <div className={inputs.field}>
        <label htmlFor={`${id}c`}>Cues</label>
        <textarea
          id={`${id}c`}
          className={inputs.native}
          style={{ height: 62, padding: "6px 10px" }}
          {...register("cues")}
        />
      </div>
      <Row>
        <Field control={control} name="links" label="Links, opened in a new tab" className={wide} check={aLink} />
        <Field control={control} name="note" label="Note" className={wide} />
      </Row>
      {exercise?.links && exercise.links.length > 0 && (
        <p className="small">
          {exercise.links.map((link) => (
            <a
              key={link}
              href={/^https?:/i.test(link) ? link : undefined}
              target="_blank"
              rel="noopener noreferrer"
              style={{ marginRight: 14 }}
            >
              {link}
            </a>
          ))}
        </p>
      )}
      <Meanwhile said={meanwhile} />
      <p>
        <Button htmlType="submit" type={exercise === null ? "primary" : "default"}>
          {exercise === null ? "Add exercise" : "Save exercise"}
        </Button>
      </p>
    </form>
  );
}

/** Names parted by commas. */
function listOf(text: string): string[] {
  return [
    ...new Set(
      text
        .split(",")
        .map((one) => one.trim())
        .filter(Boolean),
    ),
  ];
}

function withoutGaps(exercise: Exercise): Exercise {
  return Object.fromEntries(Object.entries(exercise).filter(([, value]) => value !== undefined)) as Exercise;
}

function recordOf(id: string, fields: Fields, carries: boolean, unit: "kg" | "lb"): Exercise {
  const text = (value: string) => value.trim() || undefined;
  const [share, ratio] = [parseDecimal(fields.bodyShare), parseDecimal(fields.ratio)];
  return {
    id,
    name: fields.name.trim(),
    aliases: listOf(fields.aliases),
    group: text(fields.group) ?? "other",
    measure: fields.measure as Exercise["measure"],
    mechanics: fields.mechanics as Exercise["mechanics"],
    equipment: text(fields.equipment),
    perSide: fields.perSide || undefined,
    bodyShare: carries ? (share === null ? 1 : share / 100) : undefined,
    incrementKg: parseMass(fields.increment, unit) ?? undefined,
    barKg: parseMass(fields.bar, unit) ?? undefined,
    setting: text(fields.setting),
    cues: text(fields.cues),
    note: text(fields.note),
    links: fields.links.trim() === "" ? undefined : fields.links.split(/\s+/).filter(Boolean),
    direct: fields.direct,
    indirect: fields.indirect.filter((muscle) => !fields.direct.includes(muscle)),
    maximumFrom:
      fields.parentId === null || ratio === null ? undefined : { exerciseId: fields.parentId, ratio: ratio / 100 },
  };
}

function Suggested({
  control,
  name,
  label,
  options,
}: {
  control: Control<Fields>;
  name: "group" | "equipment";
  label: string;
  options: readonly string[];
}) {
  const id = useId();
  return (
    <div className={inputs.field}>
      <label htmlFor={id}>{label}</label>
      <Controller
        control={control}
        name={name}
        render={({ field }) => (
          <input
            id={id}
            className={inputs.native}
            list={`${id}l`}
            value={field.value}
            onChange={field.onChange}
            onBlur={field.onBlur}
            autoComplete="off"
          />
        )}
      />
      <datalist id={`${id}l`}>
        {options
          .filter((option) => option !== "none")
          .map((option) => (
            <option key={option} value={option} />
          ))}
      </datalist>
    </div>
  );
}

function Muscles({
  control,
  name,
  label,
  options,
}: {
  control: Control<Fields>;
  name: "direct" | "indirect";
  label: string;
  options: readonly string[];
}) {
  return (
    <div className={`${inputs.field} ${wide}`}>
      <span className={inputs.caption}>{label}</span>
      <Controller
        control={control}
        name={name}
        render={({ field }) => (
          <Select
            mode="tags"
            aria-label={label}
            value={field.value}
            onChange={field.onChange}
            options={options.map((muscle) => ({ value: muscle, label: muscle }))}
            style={{ width: "100%" }}
            tokenSeparators={[","]}
          />
        )}
      />
    </div>
  );
}
