"use client";

import { metresPer } from "@/core/base/units/length";
import { parseDecimal } from "@/core/base/units/number";
import { parseDuration } from "@/core/base/units/time";
import { completed } from "@/core/endurance/entry";
import { put } from "@/core/log/records";
import { aDate, aDuration, between, optional, required } from "@/ui/inputs/checks";
import { Field, Row, RowButton } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useForm } from "react-hook-form";
import { v7 as newId } from "uuid";

/** A run, a row or another activity after the fact. */
export function DistanceForm() {
  const { units, person, today, day, commit } = useLog();
  const { control, handleSubmit, reset } = useForm({
    mode: "onChange",
    defaultValues: { date: day < today ? day : today, kind: "run", distance: "", time: "", purpose: "", effort: "" },
  });
  const save = handleSubmit(async (fields) => {
    const kind = fields.kind.trim().toLowerCase();
    const session = completed(
      { id: newId(), personId: person.id, date: fields.date, kind, status: "done", distance: {} },
      {
        metres: fields.distance.trim() === "" ? null : parseDecimal(fields.distance)! * metresPer(units.distance),
        seconds: parseDuration(fields.time)!,
      },
      { purpose: fields.purpose.trim().toLowerCase() || null, effort: parseDecimal(fields.effort) },
    );
    if (await commit([put("sessions", session)], `${kind} ${fields.distance} ${units.distance}`)) reset();
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>Log a run, a row or another activity</h2>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row>
          <Field control={control} name="date" label="Date" type="date" check={aDate("The date", today)} />
          <Field control={control} name="kind" label="Kind" placeholder="run, row, swim" check={required("The kind")} />
          <Field
            control={control}
            name="distance"
            label="Distance"
            unit={units.distance}
            inputMode="decimal"
            check={optional(between("Distance", 0.01, 10_000))}
          />
          <Field control={control} name="time" label="Time" placeholder="33:10" check={aDuration} />
          <Field control={control} name="purpose" label="Purpose" placeholder="easy, interval" />
          <Field
            control={control}
            name="effort"
            label="Effort, 0 to 10"
            inputMode="decimal"
            check={optional(between("Effort", 0, 10))}
          />
          <RowButton>
            <Button htmlType="submit">Log activity</Button>
          </RowButton>
        </Row>
      </form>
    </section>
  );
}
