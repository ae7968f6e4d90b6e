"use client";

import { printNumber } from "@/core/base/units/number";
import type { MeasuresView } from "@/core/body/measuresView";
import { isFarReading, readReading, usualMeasureOf, usualMeasures } from "@/core/body/usualMeasures";
import { sameName } from "@/core/entry/names";
import { type ChangeStep, put } from "@/core/log/records";
import { aDate, required } from "@/ui/inputs/checks";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import { Button } from "antd";
import { useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";

const own = "own";

/** A reading of any measure; one that is not known yet is made with it, in the same step. */
export function MeasureForm({ known, measures }: Pick<MeasuresView, "known" | "measures">) {
  const { person, today, day, commit } = useLog();
  const usual = usualMeasures.filter(({ name }) => !known.some((one) => sameName(one.name, name)));
  const offered = [
    ...known.map(({ id, name, unit }) => ({ value: id, label: name, unit })),
    ...usual.map(({ name, unit }) => ({ value: `new ${name}`, label: name, unit: unit as string })),
    { value: own, label: "one of my own", unit: "" },
  ];
  const { control, handleSubmit, resetField, getValues, setValue, setError } = useForm({
    mode: "onChange",
    defaultValues: {
      date: day < today ? day : today,
      measure: offered[0]!.value,
      value: "",
      method: "",
      name: "",
      unit: "",
      aggregate: "last",
    },
  });
  const [measure, name] = useWatch({ control, name: ["measure", "name"] });
  const chosen = offered.find(({ value }) => value === measure);
  const [doubt, setDoubt] = useState<{ of: string; text: string } | null>(null);
  const measured = () => {
    const fields = getValues();
    return fields.measure === own
      ? { name: fields.name, unit: fields.unit }
      : { name: chosen?.label ?? "", unit: chosen?.unit ?? "" };
  };
  const aReading = (text: string) => {
    if (text.trim() === "") return "The value is missing.";
    const read = readReading(text, measured());
    return "why" in read ? read.why : null;
  };
  // One's own that is called as one that is known is that one, and says so.
  const same =
    measure === own && name.trim() !== ""
      ? (known.find((one) => sameName(one.name, name))?.name ?? usualMeasureOf(name)?.name ?? null)
      : null;
  const save = handleSubmit(async (fields) => {
    if (same !== null) return setError("name", { message: `${same} is there already: choose it under Measure.` });
    const made =
      fields.measure === own
        ? { name: fields.name.trim(), unit: fields.unit.trim() }
        : fields.measure.startsWith("new ")
          ? { name: chosen!.label, unit: chosen!.unit }
          : null;
    const measureId = made ? newId() : fields.measure;
    const read = readReading(fields.value, measured());
    if ("why" in read) return;
    const title = made?.name ?? chosen!.label;
    const unit = made?.unit ?? chosen!.unit;
    const last =
      measures.find(({ id }) => id === measureId)?.points.findLast(({ date }) => date < fields.date)?.value ?? null;
    if (isFarReading({ name: title, unit }, read.value, last) && doubt?.of !== `${measureId} ${fields.value}`) {
      return setDoubt({
        of: `${measureId} ${fields.value}`,
        text: `${title} was ${printNumber(last!, 1)} ${unit} last. Press again if it is right.`,
      });
    }
    const steps: ChangeStep[] = [
      ...(made
        ? [
            put("measures", {
              id: measureId,
              name: made.name,
              ...(made.unit ? { unit: made.unit } : {}),
              aggregate: fields.measure === own ? (fields.aggregate as "last") : "last",
            }),
          ]
        : []),
      put("readings", {
        id: newId(),
        personId: person.id,
        measureId,
        date: fields.date,
        value: read.value,
        ...(fields.method.trim() ? { method: fields.method.trim() } : {}),
      }),
    ];
    if (!(await commit(steps, `${title} ${printNumber(read.value, 1)} ${unit}`.trim()))) return;
    setDoubt(null);
    resetField("value");
    // How one was measured says nothing of the next.
    setValue("method", "");
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
        <Field control={control} name="date" label="Measured on" type="date" check={aDate("The date", today)} />
        <Choice control={control} name="measure" label="Measure" options={offered} />
        {measure === own && <Field control={control} name="name" label="Its name" check={required("The name")} />}
        {measure === own && <Field control={control} name="unit" label="Its unit" />}
        {measure === own && (
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
          unit={measure === own ? undefined : chosen?.unit}
          inputMode="decimal"
          check={aReading}
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
