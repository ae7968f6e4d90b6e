"use client";

import type { Exercise } from "@/core/log/kinds/exercises";
import type { TrainingSet } from "@/core/log/kinds/sessions";
import { isTimed } from "@/core/strength/sets";
import { loadField, repsField } from "@/core/strength/setText";
import { isOpenEnded } from "@/core/training/perform";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Field, narrow, Row, RowButton, check as tick } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { TickField } from "@/ui/kit/Tick";
import { lateForm } from "@/ui/inputs/lateForm";
import { useLog } from "@/ui/log/LogContext";
import { Button } from "antd";

const setForm = lateForm(() => import("@/core/strength/forms").then((forms) => forms.setForm));

interface Props {
  set: TrainingSet;
  exercise: Exercise;
  onSave: (done: NonNullable<TrainingSet["done"]> | null) => Promise<boolean>;
  onClose: () => void;
}

/** Changes what was done in one set, or opens it again. */
export function SetEditor({ set, exercise, onSave, onClose }: Props) {
  const { units, today } = useLog();
  const done = set.done ?? set.planned ?? {};
  const amount = exercise.measure === "duration" ? "Seconds" : exercise.measure === "distance" ? "Metres" : "Reps";
  const shown = {
    reps: set.done == null && isOpenEnded(set.planned) ? "" : repsField({ ...done, failed: false }),
    failed: set.done?.failed === true,
    load: loadField(done, units.mass),
    rpe: set.done?.rpe == null ? "" : String(set.done.rpe),
  };
  const { control, save, meanwhile, drop } = useRecordForm(
    setForm,
    { units, today, exercise },
    `set ${set.id}`,
    shown,
    {
      reps: amount,
      failed: "Missed one more",
      load: "Load",
      rpe: "RPE",
    },
  );
  const timed = isTimed(exercise);
  const onSubmit = save(async (now, changed) => {
    // What was not touched keeps what it was, to the last digit. Repetitions and load belong together: a drop set has
    // both of each part.
    const {
      rpe: _rpe,
      reps: _reps,
      kg: _kg,
      seconds: _seconds,
      metres: _metres,
      failed: _failed,
      parts: _parts,
      ...kept
    } = set.done ?? {};
    const { rpe, kg, ...amounts } = now;
    const { rpe: heldRpe, ...held } = set.done ?? {};
    const worked =
      set.done && !changed.has("reps") && !changed.has("failed") && !changed.has("load")
        ? held
        : { ...amounts, kg: !changed.has("load") && done.kg != null ? done.kg : kg };
    const effort = set.done && !changed.has("rpe") ? heldRpe : rpe;
    const written = await onSave(withoutGaps({ ...kept, ...worked, rpe: effort }));
    if (written) onClose();
    return written;
  });
  return (
    <form onSubmit={(event) => void onSubmit(event)} noValidate className="around">
      <Row>
        <Field className={narrow} control={control} name="reps" label={amount} />
        {!timed && (
          <TickField control={control} name="failed" className={tick}>
            one more tried and missed
          </TickField>
        )}
        <Field className={narrow} control={control} name="load" label="Load" unit={units.mass} />
        <Field className={narrow} control={control} name="rpe" label="RPE" />
        <FormEnd save="Save set" drop={drop} onClose={onClose}>
          <RowButton>
            <Button
              onClick={() =>
                void onSave(null).then((written) => {
                  if (written) onClose();
                })
              }
            >
              Open again
            </Button>
          </RowButton>
        </FormEnd>
      </Row>
      <Meanwhile said={meanwhile} />
    </form>
  );
}

function withoutGaps(done: NonNullable<TrainingSet["done"]>): NonNullable<TrainingSet["done"]> {
  return Object.fromEntries(Object.entries(done).filter(([, value]) => value != null)) as NonNullable<
    TrainingSet["done"]
  >;
}
