"use client";

import type { Exercise } from "@/core/log/kinds/exercises";
import { put } from "@/core/log/records";
import type { ExerciseDraft } from "@/core/strength/forms";
import { carriesBody, draftOfExercise, exerciseOf, exerciseWithChanged } from "@/core/strength/exerciseDraft";
import type { ExercisesView } from "@/core/strength/libraryView";
import { check, Choice, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import inputs from "@/ui/inputs/inputs.module.css";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Suggested } from "@/ui/kit/Suggested";
import { Tags } from "@/ui/kit/Tags";
import { TickField } from "@/ui/kit/Tick";
import { ExercisePicker } from "@/ui/lifts/ExercisePicker";
import { useLog } from "@/ui/log/LogContext";
import { lateForm } from "@/ui/inputs/lateForm";
import { Button } from "antd";
import { useId } from "react";
import { type Control, Controller, useController, useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";

const exerciseForm = lateForm(() => import("@/core/strength/forms").then((forms) => forms.exerciseForm));

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
  parentId: "The exercise whose maximum it takes",
  ratio: "The share of the other's maximum",
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
  const { commit, units, today } = useLog();
  const taken = new Set(
    Object.entries(library.names)
      .filter(([other]) => other !== exercise?.id)
      .map(([, name]) => name.toLowerCase()),
  );
  const { control, save, meanwhile } = useRecordForm(
    exerciseForm,
    { units, today, taken },
    `exercise ${exercise?.id ?? "new"}`,
    draftOfExercise(exercise, units.mass),
    fieldNames,
  );
  const [measure, parentId] = useWatch({ control, name: ["measure", "parentId"] });
  const onSubmit = save(async (values, changed) => {
    const written = exerciseOf(exercise?.id ?? newId(), values);
    const next = exercise === null ? written : exerciseWithChanged(exercise, written, changed);
    const saved = await commit([put("exercises", next, exercise ?? undefined)], `Exercise ${next.name}`);
    if (saved) onSaved(next.id);
    return saved;
  });
  return (
    <form onSubmit={(event) => void onSubmit(event)} noValidate className="stack">
      <Row>
        <Field control={control} name="name" label="Name" className={wide} />
        <Field control={control} name="aliases" label="Also written as, with commas" className={wide} />
        <Usual control={control} name="group" label="Group" options={library.groups} />
        <Usual control={control} name="equipment" label="Equipment" options={library.equipment} />
      </Row>
      <Row>
        <Choice control={control} name="measure" label="Counted by" options={measures} />
        <Choice control={control} name="mechanics" label="Mechanics" options={mechanics} />
        {carriesBody(measure) && (
          <Field control={control} name="bodyShare" label="Share of body weight" unit="%" inputMode="decimal" />
        )}
        <TickField control={control} name="perSide" className={check}>
          one side at a time
        </TickField>
      </Row>
      <Row>
        <Muscles control={control} name="direct" label="Muscles, direct" options={library.muscles} />
        <Muscles control={control} name="indirect" label="Muscles, indirect" options={library.muscles} />
      </Row>
      <Row>
        <Field control={control} name="increment" label="Increment" unit={units.mass} inputMode="decimal" />
        <Field control={control} name="bar" label="Bar or handle" unit={units.mass} inputMode="decimal" />
        <Field control={control} name="setting" label="Setting of the machine" placeholder="seat 4, pin 2" />
      </Row>
      <MaximumFrom control={control} exerciseId={exercise?.id} parentId={parentId} />
      <Field control={control} name="cues" label="Cues" type="long" />
      <Row>
        <Field control={control} name="links" label="Links, opened in a new tab" className={wide} />
        <Field control={control} name="note" label="Note" className={wide} />
      </Row>
      {exercise?.links && exercise.links.length > 0 && <Links links={exercise.links} />}
      <Meanwhile said={meanwhile} />
      <p>
        <Button htmlType="submit" type={exercise === null ? "primary" : "default"}>
          {exercise === null ? "Add exercise" : "Save exercise"}
        </Button>
      </p>
    </form>
  );
}

/** The lift whose maximum this one goes by, and the share of it. */
function MaximumFrom({
  control,
  exerciseId,
  parentId,
}: {
  control: Control<ExerciseDraft>;
  exerciseId: string | undefined;
  parentId: string | null;
}) {
  const { field } = useController({ control, name: "parentId" });
  return (
    <Row>
      <div className={`${inputs.field} ${wide}`}>
        <span className={inputs.caption}>Takes its maximum from</span>
        <ExercisePicker
          value={field.value}
          label="Takes its maximum from"
          except={exerciseId}
          placeholder="no other lift"
          onPick={(other) => field.onChange(other.id === exerciseId ? null : other.id)}
        />
      </div>
      {parentId !== null && (
        <>
          <Field control={control} name="ratio" label="of which" unit="%" inputMode="decimal" />
          <RowButton>
            <LinkButton onClick={() => field.onChange(null)}>its own instead</LinkButton>
          </RowButton>
        </>
      )}
    </Row>
  );
}

function Links({ links }: { links: readonly string[] }) {
  return (
    <p className="small">
      {links.map((link) => (
        <a
          key={link}
          href={/^https?:/i.test(link) ? link : undefined}
          target="_blank"
          rel="noopener noreferrer"
          className="apart"
        >
          {link}
        </a>
      ))}
    </p>
  );
}

function Usual({
  control,
  name,
  label,
  options,
}: {
  control: Control<ExerciseDraft>;
  name: "group" | "equipment";
  label: string;
  options: readonly string[];
}) {
  const id = useId();
  const {
    field: { value, onChange, onBlur },
  } = useController({ control, name });
  return (
    <div className={inputs.field}>
      <label htmlFor={id}>{label}</label>
      <Suggested
        id={id}
        value={value}
        onChange={onChange}
        onBlur={onBlur}
        options={options.filter((option) => option !== "none")}
      />
    </div>
  );
}

function Muscles({
  control,
  name,
  label,
  options,
}: {
  control: Control<ExerciseDraft>;
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
        render={({ field }) => <Tags label={label} value={field.value} onChange={field.onChange} options={options} />}
      />
    </div>
  );
}
