"use client";

import { addDays } from "@/ui/dates";
import { Choice, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { useLog } from "@/ui/log/LogContext";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import type { Asked } from "../ProposalDialog";

const pastedPlanForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.pastedPlanForm));

/** A plan as it was written elsewhere, in words or as a table. */
export function PastePlan({ onAsk }: { onAsk: (ask: Asked, onWritten: () => void) => void }) {
  const { person, units, today } = useLog();
  const { control, handleSubmit, drop } = useTypedForm(pastedPlanForm, { units, today }, `pasted plan ${person.id}`, {
    defaultValues: { text: "", count: "from" as "from" | "to", day: addDays(today, 7), kind: "run" },
  });
  const show = handleSubmit((plan) => onAsk({ of: "paste", plan }, () => drop(["count", "day", "kind"])));
  return (
    <section className={view.section}>
      <h2>Paste a written plan</h2>
      <p className="quiet">
        A line a day (W3 Tue 8 km easy; Week 2, then Wed: 6x800 m 3:20 rest 2 min), or a table with a row a week and the
        weekdays as heads. Several of one day are parted by semicolons.
      </p>
      <form onSubmit={(event) => void show(event)} noValidate aria-label="Paste a written plan">
        <Field control={control} name="text" label="The plan" type="long" className={wide} />
        <Row>
          <Choice
            control={control}
            name="count"
            label="Its weeks are counted"
            options={[
              { value: "from", label: "forward from the week of" },
              { value: "to", label: "back from the week of the race" },
            ]}
          />
          <Field control={control} name="day" label="This day" type="date" lean="ahead" />
          <Field control={control} name="kind" label="What does not say its kind is a" />
          <RowButton>
            <Button htmlType="submit" type="primary">
              See it first
            </Button>
          </RowButton>
        </Row>
      </form>
    </section>
  );
}
