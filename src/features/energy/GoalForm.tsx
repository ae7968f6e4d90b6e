"use client";

import { dateOf } from "@/core/base/calendar/day";
import { counted, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { Projection } from "@/core/body/projection";
import type { EnergyView } from "@/core/energy/energyView";
import type { GoalDraft } from "@/core/energy/forms";
import { draftOfGoal, goalAsked, goalWithChanged } from "@/core/energy/goalDraft";
import type { GoalPreview } from "@/core/energy/goalPreview";
import type { Goal } from "@/core/log/kinds/goals";
import { put } from "@/core/log/records";
import { fullDate, shortDate } from "@/ui/dates";
import { Choice, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { Button } from "antd";
import dynamic from "next/dynamic";
import { type Control, useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";
import { useGoalPreview } from "./useGoalPreview";

const goalForm = lateForm(() => import("@/core/energy/forms").then((forms) => forms.goalForm));

const WhatIfChart = dynamic(() => import("./WhatIfChart").then((module) => module.WhatIfChart), {
  ssr: false,
  loading: () => <div className="chart-m" />,
});

const fieldNames = {
  startDate: "The start",
  startKg: "The start weight",
  targetKg: "The goal weight",
  by: "The way it is set",
  rate: "The rate",
  intake: "The intake",
  date: "The date",
  milestones: "Milestones",
  why: "Why it matters",
};

const ways = [
  { value: "date", label: "deadline" },
  { value: "limit", label: "limit on a morning" },
  { value: "rate", label: "weekly rate" },
  { value: "intake", label: "daily energy" },
];

/**
 * A weight goal by deadline, by a limit on one morning, by rate or by daily energy; what each asks of the others, and
 * the lines it draws, are shown while typing.
 */
export function GoalForm({ goal, starts }: { goal: Goal | null; starts: EnergyView["starts"] }) {
  const { units, person, today, commit, compute } = useLog();
  const printer = usePrinter();
  const context = { units, today };
  const keep = `goal ${goal?.id ?? person.id}`;
  const form = useRecordForm(goalForm, context, keep, draftOfGoal(goal, today, printer), fieldNames);
  const { control, save: saving, setValue, meanwhile } = form;
  const by = useWatch({ control, name: "by" });
  const preview = useGoalPreview(goal, form, goalForm);
  const save = (asNew: boolean) =>
    saving(async (values, changed) => {
      const base = asNew || goal === null ? null : goal;
      const ask = goalAsked(values, printer, base ?? { id: newId(), personId: person.id });
      const answer = await compute.ask("goalPreview", { personId: person.id, today, ...ask });
      if (answer === null || "reason" in answer) return false;
      const next = base === null ? answer.goal : goalWithChanged(base, answer.goal, changed);
      return commit([put("goals", next, base ?? undefined)], `Goal ${printer.mass(next.targetKg!)}`);
    });
  const beginAt = (kg: number) => {
    setValue("startKg", printer.massNumber(kg), { shouldValidate: true, shouldDirty: true });
    setValue("startDate", today, { shouldDirty: true });
  };
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>{goal === null ? "Set a goal" : "Change the goal, or try another"}</h2>
      <form onSubmit={(event) => void save(false)(event)} noValidate>
        <Row>
          <Field control={control} name="startDate" label="From" type="date" />
          <Field control={control} name="startKg" label="Start weight" unit={units.mass} inputMode="decimal" />
          <Field control={control} name="targetKg" label="Goal weight" unit={units.mass} inputMode="decimal" />
          <Choice control={control} name="by" label="Set by" options={ways} />
          <WayField by={by} control={control} />
        </Row>
        <Starts starts={starts} onBegin={beginAt} />
        <Row>
          <Field control={control} name="why" label="Why it matters" className={wide} />
          <Field
            control={control}
            name="milestones"
            label="Own milestones"
            unit={units.mass}
            placeholder={units.mass === "lb" ? "every 10" : "every 5"}
          />
          <RowButton>
            <Button htmlType="submit">{goal === null ? "Set goal" : "Save goal"}</Button>
          </RowButton>
          {goal !== null && (
            <>
              <RowButton>
                <LinkButton onClick={() => void commit([{ remove: { kind: "goals", id: goal.id } }], "Goal removed")}>
                  Remove
                </LinkButton>
              </RowButton>
              <RowButton>
                <LinkButton onClick={(event) => void save(true)(event)}>Save as a new goal</LinkButton>
              </RowButton>
            </>
          )}
        </Row>
        <Meanwhile said={meanwhile} />
      </form>
      <div aria-live="polite" className="above">
        {preview !== null && <PreviewText preview={preview} />}
      </div>
      {preview !== null && !("reason" in preview) && <WhatIfChart course={preview.course} />}
    </section>
  );
}

/** What the way asks for besides the two weights. */
function WayField({ by, control }: { by: GoalDraft["by"]; control: Control<GoalDraft> }) {
  const { units } = useLog();
  if (by === "rate")
    return <Field control={control} name="rate" label="A week" unit={units.mass} inputMode="decimal" />;
  if (by === "intake")
    return <Field control={control} name="intake" label="Eaten a day" unit={units.energy} inputMode="decimal" />;
  return (
    <Field
      control={control}
      name="date"
      label={by === "date" ? "Deadline" : "On the morning of"}
      type="date"
      lean="ahead"
    />
  );
}

/** Weights a goal may begin from today. */
function Starts({ starts, onBegin }: { starts: EnergyView["starts"]; onBegin: (kg: number) => void }) {
  const printer = usePrinter();
  const offered = [
    ["this morning", starts.morningKg],
    ["the week's median", starts.medianKg],
    ["the trend", starts.trendKg],
  ] as const;
  return (
    <p className="small row above">
      <span className="quiet">Start today from</span>
      {offered.map(
        ([name, kg]) =>
          kg !== null && (
            <LinkButton key={name} className="small" onClick={() => onBegin(kg)}>
              {name} {printer.massNumber(kg)}
            </LinkButton>
          ),
      )}
    </p>
  );
}

/** What a goal as it is written comes to, or why it cannot be. */
function PreviewText({ preview }: { preview: GoalPreview }) {
  const printer = usePrinter();
  if ("reason" in preview) return <p className="warn">{preview.reason}</p>;
  const { line, targetKcal, pace } = preview;
  return (
    <p>
      {counted(line.days, "day")}, until {fullDate(dateOf(line.deadline))}; {printer.rate(line.kgPerWeek)},{" "}
      {printNumber(preview.percentPerWeek * 100, 2)} % of body weight; {printer.energyChange(preview.kcalPerDay)} a day
      {targetKcal === null ? "" : `, a daily target of ${printer.energy(targetKcal)}`}.{" "}
      {pace === null ? "" : paceText(pace, line.deadline, printer)}{" "}
      {preview.warnings.map((warning) => (
        <span key={warning} className="warn">
          {warning}{" "}
        </span>
      ))}
    </p>
  );
}

/** What today's trend makes of a goal that is being written. */
function paceText(pace: Projection, deadline: number, printer: Printer): string {
  if (pace.onMorning !== null)
    return `At today's pace the scale shows it on the morning of ${shortDate(dateOf(deadline))} in ${printNumber(pace.onMorning.chance * 100, 0)} cases of 100; four in five would take a trend of ${printer.mass(pace.onMorning.saferKg)} that day.`;
  if (pace.arrived) return "The trend stands there already.";
  return `At today's pace the trend is there by then in ${printNumber(pace.byDeadline * 100, 0)} cases of 100${pace.p50 === null ? ", and as it stands it is not reached" : `, most likely on ${fullDate(dateOf(pace.p50))}`}.`;
}
