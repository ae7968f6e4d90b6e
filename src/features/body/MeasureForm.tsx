"use client";

import { Button } from "antd";
import { useForm, useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";
import type { MeasuresView } from "@/core/figures/views/measures";
import { put, type ChangeStep } from "@/core/log/records";
import { parseDecimal, printNumber } from "@/core/units/number";
import { aDate, required } from "@/ui/inputs/checks";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";

/** Measures offered before anything is measured; each is written with its first reading. */
const usual = [["Waist", "cm"], ["Hip", "cm"], ["Neck", "cm"], ["Chest", "cm"], ["Arm", "cm"], ["Thigh", "cm"], ["Body fat", "%"]] as const;
const own = "own";
const aNumber = (text: string) => (text.trim() === "" ? "The value is missing." : parseDecimal(text) === null ? "Write a number, with a point or a comma." : null);

/** A reading of any measure; one that is not known yet is made with it, in the same step. */
export function MeasureForm({ known }: { known: MeasuresView["known"] }) {
  const { person, today, day, commit } = useLog();
  const offered = [...known.map(({ id, name, unit }) => ({ value: id, label: name, unit })), ...usual.filter(([name]) => !known.some((one) => one.name.toLowerCase() === name.toLowerCase())).map(([name, unit]) => ({ value: `new ${name}`, label: name, unit })), { value: own, label: "one of my own", unit: "" }];
  const { control, handleSubmit, resetField } = useForm({ mode: "onChange", defaultValues: { date: day < today ? day : today, measure: offered[0]!.value, value: "", method: "", name: "", unit: "", aggregate: "last" } });
  const measure = useWatch({ control, name: "measure" });
  const chosen = offered.find(({ value }) => value === measure);
  const save = handleSubmit(async (fields) => {
    const made = fields.measure === own ? { name: fields.name.trim(), unit: fields.unit.trim() } : fields.measure.startsWith("new ") ? { name: chosen!.label, unit: chosen!.unit } : null;
    const same = made && known.find(({ name }) => name.toLowerCase() === made.name.toLowerCase());
    const measureId = same?.id ?? (made ? newId() : fields.measure);
    const value = parseDecimal(fields.value)!;
    const title = made?.name ?? chosen!.label;
    const steps: ChangeStep[] = [
      ...(made && !same ? [put("measures", { id: measureId, name: made.name, ...(made.unit ? { unit: made.unit } : {}), aggregate: fields.measure === own ? (fields.aggregate as "last") : "last" })] : []),
      put("readings", { id: newId(), personId: person.id, measureId, date: fields.date, value, ...(fields.method.trim() ? { method: fields.method.trim() } : {}) }),
    ];
    if (await commit(steps, `${title} ${printNumber(value, 1)} ${made?.unit ?? chosen!.unit}`.trim())) resetField("value");
  });
  return (
    <form onSubmit={(event) => void save(event)} noValidate aria-label="Write a measure" className="noprint">
      <Row>
        <Field control={control} name="date" label="Measured on" type="date" check={aDate("The date", today)} />
        <Choice control={control} name="measure" label="Measure" options={offered} />
        {measure === own && <Field control={control} name="name" label="Its name" check={required("The name")} />}
        {measure === own && <Field control={control} name="unit" label="Its unit" />}
        {measure === own && <Choice control={control} name="aggregate" label="Over a week" options={[{ value: "last", label: "the latest" }, { value: "mean", label: "the mean" }, { value: "sum", label: "the sum" }]} />}
        <Field control={control} name="value" label="Value" unit={measure === own ? undefined : chosen?.unit} inputMode="decimal" check={aNumber} />
        <Field control={control} name="method" label="Method, if any" />
        <RowButton><Button htmlType="submit">Write measure</Button></RowButton>
      </Row>
    </form>
  );
}
