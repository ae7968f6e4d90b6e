"use client";

import { Button } from "antd";
import { useForm } from "react-hook-form";
import type { TrainingSet } from "@/core/log/records";
import { parseMass } from "@/core/units/mass";
import { parseDecimal } from "@/core/units/number";
import type { Printer } from "@/core/units/printer";
import { between, massBetween, optional } from "@/ui/inputs/checks";
import { Field, narrow, Row, RowButton } from "@/ui/inputs/Field";

interface Props { set: TrainingSet; printer: Printer; onSave: (done: NonNullable<TrainingSet["done"]> | null) => void; onClose: () => void }

/** Changes what was done in one set, or opens it again. */
export function SetEditor({ set, printer, onSave, onClose }: Props) {
  const done = set.done ?? set.planned ?? {};
  const timed = done.seconds != null;
  const { control, handleSubmit } = useForm({ mode: "onChange", defaultValues: { reps: String(done.reps ?? ""), seconds: String(done.seconds ?? ""), load: done.kg == null ? "" : printer.loadNumber(done.kg).replace("−", "-").replaceAll(",", ""), rpe: set.done?.rpe == null ? "" : String(set.done.rpe) } });
  const unit = printer.units.mass;
  const save = handleSubmit(({ reps, seconds, load, rpe }) => {
    const kg = parseMass(load, unit);
    const effort = parseDecimal(rpe);
    const { reps: _reps, kg: _kg, rpe: _rpe, seconds: _seconds, ...kept } = set.done ?? {};
    onSave({ ...kept, ...(timed ? { seconds: parseDecimal(seconds)! } : { reps: parseDecimal(reps)! }), ...(kg === null ? {} : { kg }), ...(effort === null ? {} : { rpe: effort }) });
  });
  return (
    <form onSubmit={(event) => void save(event)} noValidate style={{ padding: "4px 0 8px" }}>
      <Row>
        {timed ? <Field className={narrow} control={control} name="seconds" label="Seconds" unit="s" inputMode="numeric" check={between("Seconds", 0, 100_000)} /> : <Field className={narrow} control={control} name="reps" label="Reps" inputMode="numeric" check={between("Reps", 0, 1000)} />}
        {!timed && <Field className={narrow} control={control} name="load" label="Load" unit={unit} inputMode="decimal" check={optional(massBetween("Load", unit, -300, 2000))} />}
        <Field className={narrow} control={control} name="rpe" label="RPE" inputMode="decimal" check={optional(between("RPE", 0, 10))} />
        <RowButton><Button htmlType="submit">Save set</Button></RowButton>
        <RowButton><Button onClick={() => onSave(null)}>Open again</Button></RowButton>
        <RowButton><button type="button" className="link" style={{ paddingTop: 6 }} onClick={onClose}>Cancel</button></RowButton>
      </Row>
    </form>
  );
}
