"use client";

import { Button } from "antd";
import { useForm } from "react-hook-form";
import type { Exercise, TrainingSet } from "@/core/log/records";
import { loadField, readSet, repsField } from "@/core/strength/setText";
import type { Printer } from "@/core/units/printer";
import { Field, narrow, Row, RowButton } from "@/ui/inputs/Field";

interface Props { set: TrainingSet; exercise: Exercise; printer: Printer; onSave: (done: NonNullable<TrainingSet["done"]> | null) => void; onClose: () => void }

/** Changes what was done in one set, or opens it again. */
export function SetEditor({ set, exercise, printer, onSave, onClose }: Props) {
  const unit = printer.units.mass;
  const done = set.done ?? set.planned ?? {};
  const { control, handleSubmit, getValues, trigger } = useForm({ mode: "onChange", defaultValues: { reps: repsField(done), load: loadField(done, unit), rpe: set.done?.rpe == null ? "" : String(set.done.rpe) } });
  const read = ({ reps, load, rpe }: { reps: string; load: string; rpe: string }) => readSet(reps, load, rpe, exercise, unit);
  const save = handleSubmit((fields) => {
    const now = read(fields);
    if (typeof now === "string") return;
    const { reps: _reps, kg: _kg, rpe: _rpe, seconds: _seconds, metres: _metres, failed: _failed, parts: _parts, ...kept } = set.done ?? {};
    // A load that reads as it was keeps the digits it had.
    const same = now.kg != null && done.kg != null && Math.abs(now.kg - done.kg) < 0.005;
    onSave({ ...kept, ...now, ...(same ? { kg: done.kg } : {}) });
  });
  const check = () => { const now = read(getValues()); return typeof now === "string" ? now : null; };
  const amount = exercise.measure === "duration" ? "Seconds" : exercise.measure === "distance" ? "Metres" : "Reps";
  return (
    <form onSubmit={(event) => void save(event)} onChange={() => void trigger("reps")} noValidate style={{ padding: "4px 0 8px" }}>
      <Row>
        <Field className={narrow} control={control} name="reps" label={amount} check={check} />
        <Field className={narrow} control={control} name="load" label="Load" unit={unit} />
        <Field className={narrow} control={control} name="rpe" label="RPE" inputMode="decimal" />
        <RowButton><Button htmlType="submit">Save set</Button></RowButton>
        <RowButton><Button onClick={() => onSave(null)}>Open again</Button></RowButton>
        <RowButton><button type="button" className="link" style={{ paddingTop: 6 }} onClick={onClose}>Cancel</button></RowButton>
      </Row>
    </form>
  );
}
