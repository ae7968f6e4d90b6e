"use client";

import { counted } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import type { CycleView } from "@/core/planning/cycleView";
import type { Place } from "@/ui/grid/selection";
import type { Message } from "@/ui/grid/useTypedGrid";
import { typingSettled } from "@/ui/grid/writeBehind";
import { Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { Button } from "antd";
import { useState } from "react";

const stepForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.cycleStepForm));

/** Fills the cell in hand into the weeks after it, so much more each week. */
export function FillWeeks({
  view: { cycle, rows, columns },
  place,
  onSaid,
}: {
  view: CycleView;
  place: Place;
  onSaid: (said: Message) => void;
}) {
  const { compute, person, units, today, commit } = useLog();
  const [open, setOpen] = useState(false);
  const { control, handleSubmit } = useTypedForm(stepForm, { units, today }, `fill ${cycle.id}`, {
    defaultValues: { percent: "2.5", load: "0", reps: "0" },
  });
  const row = rows[place.row];
  const column = columns[place.column];
  if (!open || row === undefined || column === undefined)
    return (
      <LinkButton disabled={row === undefined} onClick={() => setOpen(true)}>
        Fill weeks
      </LinkButton>
    );
  const fill = handleSubmit(async ({ percent, load, reps }) => {
    await typingSettled();
    const answer = await compute.ask("cycleFilled", {
      personId: person.id,
      today,
      cycleId: cycle.id,
      place: { week: row.week, weekday: row.weekday, columnId: column.id },
      step: { percent, kg: load, reps },
    });
    if (answer === null) return;
    const { refused, view, held } = answer;
    if (refused.length > 0)
      onSaid({ text: `${counted(refused.length, "week")} refused: ${refused[0]!.why}`, warn: true });
    if (await commit([put("cycles", view.cycle, held)], `${cycle.name}, ${column.name} filled into the weeks`))
      setOpen(false);
  });
  return (
    <form onSubmit={(event) => void fill(event)} noValidate aria-label="Fill weeks">
      <Row>
        <Field control={control} name="percent" label="Each week" unit="%" inputMode="decimal" autoFocus />
        <Field control={control} name="load" label="load" unit={units.mass} inputMode="decimal" />
        <Field control={control} name="reps" label="reps" inputMode="numeric" />
        <RowButton>
          <Button htmlType="submit">Fill</Button>
        </RowButton>
        <RowButton>
          <LinkButton onClick={() => setOpen(false)}>Cancel</LinkButton>
        </RowButton>
      </Row>
    </form>
  );
}
