"use client";

import { printNumber } from "@/core/base/units/number";
import { ownMeasure, sameMeasure } from "@/core/body/measured";
import type { MeasuresView } from "@/core/body/measuresView";
import { isFarReading, usualMeasures } from "@/core/body/usualMeasures";
import { sameName } from "@/core/entry/names";
import { type ChangeStep, put } from "@/core/log/records";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { useState } from "react";
import { useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";

const measureForm = lateForm(() => import("@/core/body/forms").then((forms) => forms.measureForm));

/** A reading of any measure; one that is not known yet is made with it, in the same step. */
export function MeasureForm({ known, measures }: Pick<MeasuresView, "known" | "measures">) {
  const { person, units, today, day, commit } = useLog();
  const usual = usualMeasures.filter(({ name }) => !known.some((one) => sameName(one.name, name)));
  const offered = [
    ...known.map(({ id, name, unit }) => ({ value: id, label: name, unit })),
    ...usual.map(({ name, unit }) => ({ value: `new ${name}`, label: name, unit: unit as string })),
    { value: ownMeasure, label: "one of my own", unit: "" },
  ];
  const context = {
    units,
    today,
    offered: Object.fromEntries(offered.map(({ value, label, unit }) => [value, { name: label, unit }])),
    known: known.map(({ name }) => name),
  };
  const { control, handleSubmit, drop } = useTypedForm(measureForm, context, `reading ${person.id}`, {
    defaultValues: {
      date: day < today ? day : today,
      measure: offered[0]!.value,
      value: "",
      method: "",
      name: "",
      unit: "",
      aggregate: "last" as const,
    },
  });
  const [measure, name] = useWatch({ control, name: ["measure", "name"] });
  const chosen = offered.find(({ value }) => value === measure);
  const [doubt, setDoubt] = useState<{ of: string; text: string } | null>(null);
  const same = measure === ownMeasure && name.trim() !== "" ? sameMeasure(name, context.known) : null;
  const save = handleSubmit(async ({ date, measure, value, method, name, unit, aggregate }) => {
    const { name: title, unit: measuredIn } = name === null ? context.offered[measure]! : { name, unit };
    const isNew = name !== null || measure.startsWith("new ");
    const measureId = isNew ? newId() : measure;
    const last =
      measures.find(({ id }) => id === measureId)?.points.findLast((point) => point.date < date)?.value ?? null;
    const far = isFarReading({ name: title, unit: measuredIn }, value, last);
    if (far && doubt?.of !== `${measureId} ${value}`) {
      return setDoubt({
        of: `${measureId} ${value}`,
        text: `${title} was ${printNumber(last!, 1)} ${measuredIn} last. Press again if it is right.`,
      });
    }
    const steps: ChangeStep[] = [
      ...(isNew
        ? [
            put("measures", {
              id: measureId,
              name: title,
              ...(measuredIn ? { unit: measuredIn } : {}),
              aggregate: name === null ? "last" : aggregate,
            }),
          ]
        : []),
      put("readings", {
        id: newId(),
        personId: person.id,
        measureId,
        date,
        value,
        ...(method ? { method } : {}),
      }),
    ];
    if (!(await commit(steps, `${title} ${printNumber(value, 1)} ${measuredIn}`.trim()))) return;
    setDoubt(null);
    // How one was measured says nothing of the next.
    drop(["date", "measure"]);
  });
  return (
    <form
      onSubmit={(event) => void save(event)}
      onChange={() => setDoubt(null)}
      noValidate
      aria-label="Write a measure"
      className="noprint"
    >
      <Row>
        <Field control={control} name="date" label="Measured on" type="date" />
        <Choice control={control} name="measure" label="Measure" options={offered} />
        {measure === ownMeasure && <Field control={control} name="name" label="Its name" />}
        {measure === ownMeasure && <Field control={control} name="unit" label="Its unit" />}
        {measure === ownMeasure && (
          <Choice
            control={control}
            name="aggregate"
            label="Over a week"
            options={[
              { value: "last", label: "the latest" },
              { value: "mean", label: "the mean" },
              { value: "sum", label: "the sum" },
            ]}
          />
        )}
        <Field
          control={control}
          name="value"
          label="Value"
          unit={measure === ownMeasure ? undefined : chosen?.unit}
          inputMode="decimal"
        />
        <Field control={control} name="method" label="Method, if any" />
        <RowButton>
          <Button htmlType="submit">Write measure</Button>
        </RowButton>
      </Row>
      {same !== null && (
        <p className="warn small" role="status">
          {same} is there already: choose it under Measure.
        </p>
      )}
      {doubt !== null && (
        <p className="warn small" role="alert">
          {doubt.text}
        </p>
      )}
    </form>
  );
}
