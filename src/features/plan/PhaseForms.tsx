"use client";

import { printTyped } from "@/core/base/units/number";
import type { Phase } from "@/core/log/kinds/phases";
import { put } from "@/core/log/records";
import { judgedBy } from "@/core/planning/judgedBy";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Choice, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { changedOnly, useRecordForm } from "@/ui/inputs/useRecordForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { useRemove } from "@/ui/log/useRemove";
import { useFigure, useHousehold } from "@/ui/log/useFigure";
import { useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";

const phaseForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.phaseForm));
const phaseMeasureForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.phaseMeasureForm));

const aims = [
  "gain muscle",
  "lose fat",
  "recompose",
  "hold",
  "get stronger",
  "go faster",
  "go farther",
  "make a weight",
];

export function PhaseForm({ phase, close }: { phase: Phase | null; close: () => void }) {
  const { person, units, today, commit } = useLog();
  const removeRecord = useRemove();
  const shown = {
    name: phase?.name ?? "",
    aim: phase?.aim ?? "",
    startDate: phase?.startDate ?? today,
    weeks: printTyped((phase?.days ?? 84) / 7, 2),
    intention: phase?.intention ?? "",
    why: phase?.why ?? "",
  };
  const { control, save, meanwhile, drop } = useRecordForm(
    phaseForm,
    { units, today },
    `phase ${phase?.id ?? person.id}`,
    shown,
    { name: "Name", aim: "Aim", startDate: "The first day", weeks: "Weeks", intention: "Intention", why: "Why" },
  );
  const leave = () => {
    drop();
    close();
  };
  const onSubmit = save(async ({ name, aim, startDate, weeks, intention, why }, changed) => {
    const all: Phase = { id: newId(), personId: person.id, name, startDate, days: Math.round(weeks * 7) };
    const written: Phase =
      phase === null
        ? { ...all, aim: aim || null, intention: intention || null, why: why || null }
        : {
            ...phase,
            ...changedOnly(changed, {
              name,
              aim: aim || null,
              startDate,
              intention: intention || null,
              why: why || null,
            }),
            ...(changed.has("weeks") ? { days: all.days } : {}),
          };
    const saved = await commit([put("phases", written, phase ?? undefined)], `Phase ${written.name}`);
    if (saved) close();
    return saved;
  });
  const remove = async () => {
    if (await removeRecord("phases", phase!.id)) leave();
  };
  return (
    <form
      onSubmit={(event) => void onSubmit(event)}
      noValidate
      className="noprint around"
      aria-label={phase === null ? "A new phase" : `Phase ${phase.name}`}
    >
      <Row>
        <Field control={control} name="name" label="Phase" autoFocus />
        <Choice
          control={control}
          name="aim"
          label="Aim"
          options={[
            { value: "", label: "not said" },
            ...[...new Set([...aims, ...(phase?.aim ? [phase.aim] : [])])].map((aim) => ({ value: aim, label: aim })),
          ]}
        />
        <Field control={control} name="startDate" label="From" type="date" lean="ahead" />
        <Field control={control} name="weeks" label="Weeks" inputMode="decimal" />
      </Row>
      <Row>
        <Field control={control} name="intention" label="Intention" className={wide} />
        <Field control={control} name="why" label="Why it matters" className={wide} />
        <FormEnd save="Save phase" drop={drop} onClose={close}>
          {phase !== null && (
            <RowButton>
              <LinkButton onClick={() => void remove()}>Remove</LinkButton>
            </RowButton>
          )}
        </FormEnd>
      </Row>
      <Meanwhile said={meanwhile} />
    </form>
  );
}

const sorts: Record<(typeof judgedBy)[number], string> = {
  weight: "the weight's trend",
  e1rm: "a lift's maximum",
  bestTime: "a best time",
  sessions: "sessions done",
  measure: "a measure",
};

export function MeasureForm({ phase, close }: { phase: Phase; close: () => void }) {
  const { units, today, commit } = useLog();
  const lifts = useHousehold("library")?.exercises ?? [];
  const known = useFigure("measures", {})?.known ?? [];
  const { control, handleSubmit, drop } = useTypedForm(
    phaseMeasureForm,
    { units, today },
    `measure of phase ${phase.id}`,
    {
      defaultValues: {
        of: "weight" as (typeof judgedBy)[number],
        exerciseId: "",
        measureId: "",
        kind: "",
        distance: "",
        from: "",
        to: "",
      },
    },
  );
  const of = useWatch({ control, name: "of" });
  const leave = () => {
    drop();
    close();
  };
  const save = handleSubmit(async ({ of, exerciseId, measureId, kind, distance, from, to }) => {
    const measure = {
      of: measureId ?? of,
      ...(exerciseId === null ? {} : { exerciseId }),
      ...(kind ? { kind: kind.toLowerCase() } : {}),
      ...(distance === null ? {} : { metres: distance }),
      ...(from === null ? {} : { from }),
      to,
    };
    const next = { ...phase, measures: [...(phase.measures ?? []), measure] };
    if (await commit([put("phases", next, phase)], `${phase.name}, judged by ${sorts[of]}`)) leave();
  });
  const unit = of === "weight" || of === "e1rm" ? units.mass : undefined;
  return (
    <form onSubmit={(event) => void save(event)} noValidate aria-label={`Judge ${phase.name}`} className="noprint">
      <Row>
        <Choice
          control={control}
          name="of"
          label="Judged by"
          options={judgedBy.map((value) => ({ value, label: sorts[value] }))}
        />
        {of === "e1rm" && (
          <Choice
            control={control}
            name="exerciseId"
            label="Lift"
            options={lifts.map(({ id, name }) => ({ value: id, label: name }))}
          />
        )}
        {of === "measure" && (
          <Choice
            control={control}
            name="measureId"
            label="Measure"
            options={known.map(({ id, name }) => ({ value: id, label: name }))}
          />
        )}
        {(of === "bestTime" || of === "sessions") && (
          <Field
            control={control}
            name="kind"
            label={of === "sessions" ? "Kind, if one" : "Kind"}
            placeholder="run, row, swim"
          />
        )}
        {of === "bestTime" && (
          <Field control={control} name="distance" label="Over" unit={units.distance} inputMode="decimal" />
        )}
        <Field control={control} name="from" label="From, if not as the log says" unit={unit} inputMode="decimal" />
        <Field control={control} name="to" label="Aim" unit={unit} inputMode="decimal" />
        <FormEnd save="Judge by it" drop={drop} onClose={close} />
      </Row>
    </form>
  );
}
