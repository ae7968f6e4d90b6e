"use client";

import { completed } from "@/core/endurance/entry";
import { put } from "@/core/log/records";
import { Field, Row, RowButton } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { v7 as newId } from "uuid";

const activityForm = lateForm(() => import("@/core/sessions/forms").then((forms) => forms.activityForm));

/** A run, a row or another activity after the fact. */
export function DistanceForm() {
  const { units, person, today, day, commit } = useLog();
  const printer = usePrinter();
  const { control, handleSubmit, drop } = useTypedForm(activityForm, { units, today }, `activity ${person.id}`, {
    defaultValues: { date: day < today ? day : today, kind: "run", distance: "", time: "", purpose: "", effort: "" },
  });
  const save = handleSubmit(async ({ date, kind, distance, time, purpose, effort }) => {
    const session = completed(
      { id: newId(), personId: person.id, date, kind, status: "done", distance: {} },
      { metres: distance, seconds: time },
      { purpose: purpose || null, effort },
    );
    const label = distance === null ? kind : `${kind} ${printer.distance(distance)}`;
    if (await commit([put("sessions", session)], label)) drop();
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>Log a run, a row or another activity</h2>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row>
          <Field control={control} name="date" label="Date" type="date" />
          <Field control={control} name="kind" label="Kind" placeholder="run, row, swim" />
          <Field control={control} name="distance" label="Distance" unit={units.distance} inputMode="decimal" />
          <Field control={control} name="time" label="Time" placeholder="33:10" />
          <Field control={control} name="purpose" label="Purpose" placeholder="easy, interval" />
          <Field control={control} name="effort" label="Effort, 0 to 10" inputMode="decimal" />
          <RowButton>
            <Button htmlType="submit">Log activity</Button>
          </RowButton>
        </Row>
      </form>
    </section>
  );
}
