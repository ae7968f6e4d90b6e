"use client";

import { Button } from "antd";
import { useForm, useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";
import { withSets } from "@/core/planning/perform";
import { put } from "@/core/log/records";
import { parseMass } from "@/core/units/mass";
import { parseDecimal } from "@/core/units/number";
import { aDate, between, massBetween, optional } from "@/ui/inputs/checks";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import { useFigure, useHousehold } from "@/ui/log/useFigure";
import styles from "@/ui/view.module.css";

/** Sets of one exercise on a day; the day's planned sets are filled first. */
export function SetsForm() {
  const { units, person, today, day, commit } = useLog();
  const library = useHousehold("library");
  const exercises = library?.exercises ?? [];
  const { control, handleSubmit, resetField } = useForm({ mode: "onChange", defaultValues: { date: day < today ? day : today, exerciseId: "", sets: "3", reps: "", load: "", rpe: "" } });
  const [exerciseId, date] = useWatch({ control, name: ["exerciseId", "date"] });
  const exercise = exercises.find(({ id }) => id === exerciseId) ?? exercises[0];
  const session = useFigure("day", { date: /^\d{4}-\d{2}-\d{2}$/.test(date) ? date : today })?.sessions.find(({ session: { kind } }) => kind === "strength")?.session;
  const timed = exercise?.measure === "duration";
  const save = handleSubmit(async (fields) => {
    if (!exercise) return;
    const rpe = parseDecimal(fields.rpe);
    const amount = parseDecimal(fields.reps)!;
    const done = { ...(timed ? { seconds: amount } : { reps: amount, kg: parseMass(fields.load, units.mass) ?? 0 }), ...(rpe === null ? {} : { rpe }) };
    const base = session?.date === fields.date ? session : undefined;
    const next = withSets(base ?? { id: newId(), personId: person.id, date: fields.date, kind: "strength", status: "done", items: [] }, exercise.id, Array.from({ length: parseDecimal(fields.sets)! }, () => ({ done, warmUp: false })), newId);
    if (await commit([put("sessions", next, base)], `${exercise.name} ${fields.sets} × ${fields.reps}`)) resetField("reps");
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>Log sets</h2>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row>
          <Field control={control} name="date" label="Date" type="date" check={aDate("The date", today)} />
          <Choice control={control} name="exerciseId" label="Exercise" options={exercises.map(({ id, name }) => ({ value: id, label: name }))} />
          <Field control={control} name="sets" label="Sets" inputMode="numeric" check={between("Sets", 1, 50)} />
          <Field control={control} name="reps" label={timed ? "Seconds" : "Reps"} inputMode="numeric" check={between(timed ? "Seconds" : "Reps", 0, 10_000)} />
          {!timed && <Field control={control} name="load" label={exercise?.measure === "bodyweight-reps" ? "Added load" : exercise?.measure === "assisted-reps" ? "Assistance" : "Load"} unit={units.mass} inputMode="decimal" check={exercise?.measure === "bodyweight-reps" ? optional(massBetween("Load", units.mass, -300, 2000)) : massBetween("Load", units.mass, -300, 2000)} />}
          <Field control={control} name="rpe" label="RPE" inputMode="decimal" check={optional(between("RPE", 0, 10))} />
          <RowButton><Button htmlType="submit">Log sets</Button></RowButton>
        </Row>
      </form>
    </section>
  );
}
