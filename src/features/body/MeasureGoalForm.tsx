"use client";

import { dateOf } from "@/core/base/calendar/day";
import { printNumber, printSigned } from "@/core/base/units/number";
import type { MeasureGoal } from "@/core/body/measureGoal";
import type { MeasureRow } from "@/core/body/measuresView";
import { put } from "@/core/log/records";
import { fullDate, shortDate } from "@/ui/dates";
import { Field, Row, RowButton } from "@/ui/inputs/Field";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { v7 as newId } from "uuid";

const measureGoalForm = lateForm(() => import("@/core/body/forms").then((forms) => forms.measureGoalForm));

/** The goal on a measure: how it stands, or a form to set one by a date. */
export function MeasureGoalForm({ measure: { id, name, unit, latest, goal } }: { measure: MeasureRow }) {
  const { person, units, today, commit } = useLog();
  const { control, handleSubmit, drop } = useTypedForm(
    measureGoalForm,
    { units, today, latest: latest.date },
    `goal of ${id} ${person.id}`,
    { defaultValues: { target: "", date: "" } },
  );
  if (goal !== null) {
    return (
      <p className="small">
        {standing(goal, unit)}{" "}
        <LinkButton
          className="noprint"
          onClick={() => void commit([{ remove: { kind: "goals", id: goal.goalId } }], `Goal of ${name} removed`)}
        >
          Remove this goal
        </LinkButton>
      </p>
    );
  }
  const save = handleSubmit(async ({ target, date }) => {
    const saved = await commit(
      [
        put("goals", {
          id: newId(),
          personId: person.id,
          of: id,
          startDate: latest.date,
          startValue: latest.value,
          targetValue: target,
          by: { date },
        }),
      ],
      `Goal of ${name} ${printNumber(target, 1)} ${unit}`.trim(),
    );
    if (saved) drop();
  });
  return (
    <form onSubmit={(event) => void save(event)} noValidate aria-label={`Set a goal for ${name}`} className="noprint">
      <Row>
        <Field control={control} name="target" label={`Goal of ${name}`} unit={unit} inputMode="decimal" />
        <Field control={control} name="date" label="By" type="date" lean="ahead" />
        <RowButton>
          <Button htmlType="submit">Set this goal</Button>
        </RowButton>
      </Row>
    </form>
  );
}

function standing(
  { targetValue, deadline, perWeek, planned, apart, doneShare, projected, reached }: MeasureGoal,
  unit: string,
): string {
  const date = (day: number | null) => (day === null ? "never at this rate" : shortDate(dateOf(day)));
  const asked = `Goal ${printNumber(targetValue, 1)} ${unit} by ${fullDate(dateOf(deadline))}: ${printSigned(perWeek, 2)} a week; the line asks ${printNumber(planned, 1)} today, the latest reading is ${printSigned(apart, 1)} against it${doneShare === null ? "" : `, ${printNumber(doneShare * 100, 0)} % of the way`}.`;
  if (reached) return `${asked} It is reached.`;
  return `${asked} ${projected === null ? "When it will be reached is said from four readings over three weeks on." : projected.p50 === null ? "At this rate it is not reached." : `At this rate it is reached most likely on ${date(projected.p50)} (${date(projected.p10)} to ${date(projected.p90)}).`}`;
}
