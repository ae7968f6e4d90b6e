"use client";

import { writePlanFile } from "@/compute/archives";
import { addDays } from "@/ui/dates";
import { handOutArchive } from "@/ui/handOutArchive";
import { check, Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { TickField } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import Link from "next/link";

const coachForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.coachForm));

/** The plan for a coach: an archive that holds nothing else; what comes back is merged in Files. */
export function CoachFile() {
  const { name, person, units, today } = useLog();
  const { control, handleSubmit } = useTypedForm(coachForm, { units, today }, `coach ${person.id}`, {
    defaultValues: { from: addDays(today, -28), to: addDays(today, 84), weights: false, food: false },
  });
  const write = handleSubmit(async (share) => {
    await handOutArchive(
      name,
      "oat-column-plan",
      async (exportedAt) => writePlanFile(name, exportedAt, person.id, share),
      today,
    );
  });
  return (
    <section className={view.section}>
      <h2>For a coach</h2>
      <p className="quiet">
        The plan and the sessions of these days as an archive, without weights and food unless they are ticked. The file
        that comes back is merged under <Link href="/files">Files</Link>, record by record: a change of the plan there
        and what was trained here both stand, and comments stand side by side.
      </p>
      <form onSubmit={(event) => void write(event)} noValidate aria-label="A file for a coach">
        <Row>
          <Field control={control} name="from" label="From" type="date" />
          <Field control={control} name="to" label="To" type="date" lean="ahead" />
          <TickField control={control} name="weights" className={check}>
            with weights
          </TickField>
          <TickField control={control} name="food" className={check}>
            with food
          </TickField>
          <RowButton>
            <Button htmlType="submit">Export the plan</Button>
          </RowButton>
        </Row>
      </form>
    </section>
  );
}
