"use client";

import { Button } from "antd";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { v7 as newId } from "uuid";
import type { DayView } from "@/core/figures/views/today";
import { put } from "@/core/log/records";
import { check, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import styles from "./today.module.css";

/** The note of the day: read, and written in place. */
export function NoteOfDay({ view: { note, date } }: { view: DayView }) {
  const [open, setOpen] = useState(false);
  const { person, commit, today } = useLog();
  const { control, handleSubmit, register } = useForm({ defaultValues: { text: note?.text ?? "", levelMayJump: note?.levelMayJump ?? false } });
  if (!open) {
    return (
      <p className={styles.section}>
        <span className="label">Note</span> {note?.text ? `${note.text}${note.levelMayJump ? " (the weight may jump here)" : ""} · ` : ""}
        <button type="button" className="link small" onClick={() => setOpen(true)}>{note?.text ? "Change" : "Write one"}</button>
      </p>
    );
  }
  const save = handleSubmit(async ({ text, levelMayJump }) => {
    const says = text.trim();
    const next = { ...(note ?? { id: newId(), personId: person.id, date }), text: says, levelMayJump };
    if (await commit([put("dayNotes", next, note ?? undefined)], says === "" ? `Note of ${date} emptied` : `Note of ${date}`)) setOpen(false);
  });
  return (
    <form className={styles.section} onSubmit={(event) => void save(event)} noValidate>
      <Row>
        <Field control={control} name="text" label="Note of the day" className={wide} autoFocus />
        {date <= today && <label className={check}><input type="checkbox" {...register("levelMayJump")} /> From here the weight may jump: creatine begun, a diet break</label>}
        <RowButton><Button htmlType="submit">Save note</Button> <Button type="text" onClick={() => setOpen(false)}>Cancel</Button></RowButton>
      </Row>
    </form>
  );
}
