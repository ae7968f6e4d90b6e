"use client";

import type { DayView } from "@/core/days/dayView";
import { fullDate } from "@/ui/dates";
import { check, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { TickField } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useDayNote } from "@/ui/log/useDayNote";
import { lateForm } from "@/ui/inputs/lateForm";
import { Button } from "antd";
import { useState } from "react";
import styles from "./today.module.css";

const noteForm = lateForm(() => import("@/core/days/forms").then((forms) => forms.noteForm));

/** The note of the day: read, and written in place. */
export function NoteOfDay({ view: { note, date } }: { view: DayView }) {
  const [open, setOpen] = useState(false);
  const { person, units, today } = useLog();
  const write = useDayNote(note, date);
  const { control, save, meanwhile, drop } = useRecordForm(
    noteForm,
    { units, today },
    `note ${person.id} ${date}`,
    { text: note?.text ?? "", levelMayJump: note?.levelMayJump ?? false },
    { text: "The note", levelMayJump: "That the weight may jump" },
  );
  if (!open) {
    return (
      <p className={styles.section}>
        <span className="label">Note</span>{" "}
        {note?.text ? `${note.text}${note.levelMayJump ? " (the weight may jump here)" : ""} · ` : ""}
        <LinkButton className="small" onClick={() => setOpen(true)}>
          {note?.text ? "Change" : "Write one"}
          <span className="hidden"> {note?.text ? "the" : "as the"} note of the day</span>
        </LinkButton>
      </p>
    );
  }
  const onSubmit = save(async ({ text, levelMayJump }, changed) => {
    const written = await write(
      {
        ...(changed.has("text") ? { text } : {}),
        ...(changed.has("levelMayJump") ? { levelMayJump } : {}),
      },
      text === "" ? `Note of ${fullDate(date)} emptied` : `Note of ${fullDate(date)}`,
    );
    if (written) setOpen(false);
    return written;
  });
  return (
    <form className={styles.section} onSubmit={(event) => void onSubmit(event)} noValidate>
      <Row>
        <Field control={control} name="text" label="Note of the day" className={wide} autoFocus />
        {date <= today && (
          <TickField control={control} name="levelMayJump" className={check}>
            From here the weight may jump: creatine begun, a diet break
          </TickField>
        )}
        <RowButton>
          <Button htmlType="submit">Save note</Button>{" "}
          <Button
            type="text"
            onClick={() => {
              drop();
              setOpen(false);
            }}
          >
            Cancel
          </Button>
        </RowButton>
      </Row>
      <Meanwhile said={meanwhile} />
    </form>
  );
}
