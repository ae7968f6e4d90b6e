"use client";

import type { StandardWeek } from "@/core/log/kinds/standardWeeks";
import type { ProposalAsk } from "@/core/planning/proposals";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { useLog } from "@/ui/log/LogContext";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import { useWatch } from "react-hook-form";

const applyForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.applyForm));

/** Lays a standard week over some weeks, growing by a rule; what will be written is seen first. */
export function ApplyWeek({
  weeks,
  from,
  onAsk,
}: {
  weeks: readonly StandardWeek[];
  from: string;
  onAsk: (ask: ProposalAsk) => void;
}) {
  const { person, units, today } = useLog();
  const { control, handleSubmit } = useTypedForm(applyForm, { units, today }, `apply ${person.id}`, {
    defaultValues: {
      standardWeekId: weeks[0]!.id,
      from,
      weeks: "1",
      kg: "0",
      reps: "0",
      percent: "0",
      easyEvery: "",
      hardEvery: "",
      easySets: "60",
      easyLoad: "90",
    },
  });
  const chosen = useWatch({ control, name: "standardWeekId" });
  const hasVariant = (variant: StandardWeek["variant"]) =>
    weeks.some((one) => one.variantOf === chosen && one.variant === variant);
  const show = handleSubmit((asked) => onAsk({ of: "standardWeek", ...asked }));
  return (
    <section className={view.section}>
      <h2>Lay one over the plan</h2>
      <form onSubmit={(event) => void show(event)} noValidate aria-label="Lay a standard week over the plan">
        <Row>
          <Choice
            control={control}
            name="standardWeekId"
            label="Standard week"
            options={weeks
              .filter(({ variantOf }) => variantOf == null)
              .map(({ id, name }) => ({ value: id, label: name }))}
          />
          <Field control={control} name="from" label="From the week of" type="date" lean="ahead" />
          <Field control={control} name="weeks" label="Weeks" inputMode="numeric" />
        </Row>
        <Row>
          <Field control={control} name="kg" label="More each week" unit={units.mass} inputMode="decimal" />
          <Field control={control} name="reps" label="reps" inputMode="numeric" />
          <Field control={control} name="percent" label="of the maximum" unit="%" inputMode="decimal" />
          <Field control={control} name="easyEvery" label="Easy every so many weeks" inputMode="numeric" />
          {!hasVariant("easy") && (
            <>
              <Field control={control} name="easySets" label="then, of the sets" unit="%" inputMode="decimal" />
              <Field control={control} name="easyLoad" label="of the loads" unit="%" inputMode="decimal" />
            </>
          )}
          {hasVariant("hard") && (
            <Field control={control} name="hardEvery" label="Hard every so many weeks" inputMode="numeric" />
          )}
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
