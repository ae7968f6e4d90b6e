"use client";

import { printTyped } from "@/core/base/units/number";
import type { Cycle } from "@/core/log/kinds/cycles";
import { put } from "@/core/log/records";
import { roundingField, roundings, weekdayFields } from "@/core/planning/cycleFields";
import { weekdayShort } from "@/ui/dates";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { check, Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { changedOnly, useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { TickField } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useRemove } from "@/ui/log/useRemove";
import { useRouter } from "next/navigation";
import { v7 as newId } from "uuid";

const cycleForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.cycleForm));

/** What a cycle is apart from its cells: its days, its weeks, and to what its loads are rounded. */
export function CycleForm({ cycle, next, close }: { cycle: Cycle | null; next: string; close: () => void }) {
  const { person, units, today, commit } = useLog();
  const removeRecord = useRemove();
  const router = useRouter();
  const weekdays = cycle?.weekdays ?? (cycle === null ? [1, 3, 5] : []);
  const { control, save, meanwhile, drop } = useRecordForm(
    cycleForm,
    { units, today },
    `cycle ${cycle?.id ?? person.id}`,
    {
      name: cycle?.name ?? "",
      startDate: cycle?.startDate ?? next,
      weeks: String(cycle?.weeks ?? 4),
      share: printTyped((cycle?.trainingMaximumShare ?? 1) * 100, 2),
      rounding: roundingField(cycle?.rounding),
      ...(Object.fromEntries(weekdayFields.map((day, index) => [day, weekdays.includes(index + 1)])) as Record<
        (typeof weekdayFields)[number],
        boolean
      >),
    },
    {
      name: "Name",
      startDate: "The first day",
      weeks: "Weeks",
      share: "Training maximum",
      rounding: "Rounding",
      mon: "Monday",
      tue: "Tuesday",
      wed: "Wednesday",
      thu: "Thursday",
      fri: "Friday",
      sat: "Saturday",
      sun: "Sunday",
    },
  );
  const onSubmit = save(async ({ name, startDate, weeks, share, rounding, weekdays: days }, changed) => {
    const written: Cycle =
      cycle === null
        ? {
            id: newId(),
            personId: person.id,
            name,
            startDate,
            weeks,
            trainingMaximumShare: share,
            rounding,
            weekdays: days,
          }
        : {
            ...cycle,
            ...changedOnly(changed, { name, startDate, weeks, rounding }),
            ...(changed.has("share") ? { trainingMaximumShare: share } : {}),
            ...(weekdayFields.some((day) => changed.has(day)) ? { weekdays: days } : {}),
          };
    const saved = await commit([put("cycles", written, cycle ?? undefined)], `Cycle ${written.name}`);
    if (saved) {
      close();
      if (cycle === null) router.push(`/plan/cycles?cycle=${encodeURIComponent(written.id)}`);
    }
    return saved;
  });
  const remove = async () => {
    if (!(await removeRecord("cycles", cycle!.id))) return;
    drop();
    router.push("/plan/cycles");
  };
  return (
    <form
      onSubmit={(event) => void onSubmit(event)}
      noValidate
      aria-label={cycle === null ? "A new cycle" : `Change ${cycle.name}`}
    >
      <Meanwhile said={meanwhile} />
      <Row>
        <Field control={control} name="name" label="Name" autoFocus />
        <Field control={control} name="startDate" label="The first day" type="date" lean="ahead" />
        <Field control={control} name="weeks" label="Weeks" inputMode="numeric" />
        <Field control={control} name="share" label="Training maximum, of the maximum" unit="%" inputMode="decimal" />
        <Choice
          control={control}
          name="rounding"
          label="Loads to the nearest"
          options={roundings.map((value) => ({ value, label: value === "own" ? "step of the exercise" : value }))}
        />
      </Row>
      <Row>
        <span role="group" aria-label="Training days" className="row">
          {weekdayFields.map((day, index) => (
            <TickField key={day} control={control} name={day} className={check}>
              {weekdayShort(index + 1)}
            </TickField>
          ))}
        </span>
        <FormEnd save={cycle === null ? "Begin the cycle" : "Save"} drop={drop} onClose={close}>
          {cycle !== null && (
            <RowButton>
              <LinkButton onClick={() => void remove()}>Remove the cycle</LinkButton>
            </RowButton>
          )}
        </FormEnd>
      </Row>
    </form>
  );
}
