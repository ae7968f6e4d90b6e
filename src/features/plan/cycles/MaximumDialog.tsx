"use client";

import { put } from "@/core/log/records";
import type { CycleColumn, CycleView } from "@/core/planning/cycleView";
import { fieldNumber } from "@/core/strength/setText";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Dialog } from "@/ui/kit/Dialog";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";

const maximumForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.cycleMaximumForm));

/** The maximum by which a lift of a cycle goes: in force when it begins, typed, or from a set. */
export function MaximumDialog({
  view: { cycle },
  column,
  onClose,
}: {
  view: CycleView;
  column: CycleColumn;
  onClose: () => void;
}) {
  const { units, today, commit } = useLog();
  const printer = usePrinter();
  const id = column.id!;
  const named = (cycle.maxima ?? []).find(({ exerciseId }) => exerciseId === id);
  const load = (kg: number) => `${fieldNumber(kg, units.mass)} ${units.mass}`;
  const { control, handleSubmit, drop } = useTypedForm(maximumForm, { units, today }, `maximum ${cycle.id} ${id}`, {
    defaultValues: {
      maximum:
        named?.kg != null
          ? load(named.kg)
          : named?.fromSet == null
            ? ""
            : `${load(named.fromSet.kg)} x ${named.fromSet.reps}`,
    },
  });
  const maximaWith = (mine: { kg?: number; fromSet?: { reps: number; kg: number } }) =>
    (cycle.maxima ?? []).map((one) => (one.exerciseId === id ? { exerciseId: id, ...mine } : one));
  const save = handleSubmit(async ({ maximum }) => {
    const next = { ...cycle, maxima: maximaWith(maximum) };
    if (!(await commit([put("cycles", next, cycle)], `${cycle.name}, maximum of ${column.name}`))) return;
    drop();
    onClose();
  });
  const remove = async () => {
    const next = {
      ...cycle,
      maxima: (cycle.maxima ?? []).filter(({ exerciseId }) => exerciseId !== id),
      entries: (cycle.entries ?? []).filter(({ exerciseId, maximumOf }) => exerciseId !== id && maximumOf !== id),
    };
    if (!(await commit([put("cycles", next, cycle)], `${cycle.name} without ${column.name}`))) return;
    drop();
    onClose();
  };
  return (
    <Dialog title={column.name} onClose={onClose}>
      <p className="quiet">
        {column.maximumKg === null
          ? "Nothing in the log tells its maximum."
          : `Its percentages are of ${printer.mass(column.maximumKg)}${column.from === "in force" ? ", the maximum in force when the cycle begins" : ""}.`}
      </p>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row>
          <Field
            control={control}
            name="maximum"
            label="Maximum: a load, a set such as 90 kg x 3, or empty for the one in force"
            autoFocus
          />
          <FormEnd save="Save" drop={drop} onClose={onClose}>
            <RowButton>
              <LinkButton onClick={() => void remove()}>Take the lift out, with its cells</LinkButton>
            </RowButton>
          </FormEnd>
        </Row>
      </form>
    </Dialog>
  );
}
