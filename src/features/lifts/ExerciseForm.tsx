"use client";

import { Button } from "antd";
import { useForm } from "react-hook-form";
import { v7 as newId } from "uuid";
import { put, type Exercise } from "@/core/log/records";
import { required } from "@/ui/inputs/checks";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import styles from "@/ui/view.module.css";

const measures = [{ value: "load-reps", label: "load and reps" }, { value: "bodyweight-reps", label: "bodyweight" }, { value: "assisted-reps", label: "assisted" }, { value: "duration", label: "timed" }, { value: "distance", label: "distance" }];

/** An exercise of one's own; it is at once in every list and total. */
export function ExerciseForm() {
  const { commit } = useLog();
  const library = useHousehold("library");
  const { control, handleSubmit, reset } = useForm({ mode: "onChange", defaultValues: { name: "", group: "", measure: "load-reps", direct: "", indirect: "" } });
  const names = new Set((library?.exercises ?? []).map(({ name }) => name.toLowerCase()));
  const list = (text: string) => text.split(",").map((one) => one.trim()).filter(Boolean);
  const save = handleSubmit(async (fields) => {
    const exercise: Exercise = { id: newId(), name: fields.name.trim(), group: fields.group.trim() || "other", measure: fields.measure as Exercise["measure"], direct: list(fields.direct), indirect: list(fields.indirect) };
    if (await commit([put("exercises", exercise)], `Exercise ${exercise.name}`)) reset();
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>Add an exercise</h2>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row>
          <Field control={control} name="name" label="Name" check={(text) => required("A name")(text) ?? (names.has(text.trim().toLowerCase()) ? "There is one of that name." : null)} />
          <Field control={control} name="group" label="Group" placeholder="squat, pull, …" />
          <Choice control={control} name="measure" label="Counted by" options={measures} />
          <Field control={control} name="direct" label="Muscles, direct" placeholder="quadriceps, glutes" />
          <Field control={control} name="indirect" label="Muscles, indirect" />
          <RowButton><Button htmlType="submit">Add exercise</Button></RowButton>
        </Row>
      </form>
    </section>
  );
}
