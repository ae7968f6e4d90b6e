"use client";

import { Button } from "antd";
import { useEffect, useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";
import { dateOf } from "@/core/calendar/day";
import type { GoalPreview } from "@/core/figures/views/energy";
import type { Projection } from "@/core/goal/projection";
import { put, type Goal } from "@/core/log/records";
import { fromKg, parseMass } from "@/core/units/mass";
import { parseDecimal, printNumber } from "@/core/units/number";
import { fullDate } from "@/ui/dates";
import { aDate, between, massBetween } from "@/ui/inputs/checks";
import { Choice, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";

interface GoalFields { startDate: string; startKg: string; targetKg: string; by: string; rate: string; date: string; why: string }

/** A weight goal by rate or by deadline; what each asks of the other is shown while typing. */
export function GoalForm({ goal }: { goal: Goal | null }) {
  const { units, person, today, commit, compute } = useLog();
  const printer = usePrinter();
  const [preview, setPreview] = useState<GoalPreview | null>(null);
  const typed = (kg: number | null | undefined) => (kg == null ? "" : printer.massNumber(kg));
  const rate = goal && "rateKgPerWeek" in goal.by ? printNumber(Math.abs(fromKg(goal.by.rateKgPerWeek as number, units.mass)), 2) : "";
  const { control, handleSubmit, subscribe, getValues } = useForm<GoalFields>({
    mode: "onChange", defaultValues: { startDate: goal?.startDate ?? today, startKg: typed(goal?.startKg), targetKg: typed(goal?.targetKg), by: rate === "" ? "date" : "rate", rate, date: goal && "date" in goal.by ? (goal.by.date as string) : "", why: goal?.why ?? "" },
  });
  const by = useWatch({ control, name: "by" });
  useEffect(() => {
    let left = false;
    const show = () => {
      const next = goalOf(getValues(), units.mass, goal ?? { id: "preview", personId: person.id });
      if (next === null) setPreview(null);
      else void compute.ask("goalPreview", { personId: person.id, today, goal: next }).then((answer) => { if (!left) setPreview(answer); });
    };
    show();
    const stop = subscribe({ formState: { values: true }, callback: show });
    return () => { left = true; stop(); };
  }, [subscribe, getValues, compute, units.mass, person.id, today, goal]);
  const save = (asNew: boolean) => handleSubmit(async (fields) => {
    const base = asNew || goal === null ? null : goal;
    const next = goalOf(fields, units.mass, base ?? { id: newId(), personId: person.id });
    if (next !== null) await commit([put("goals", next, base ?? undefined)], `Goal ${printer.mass(next.targetKg!)}`);
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>{goal === null ? "Set a goal" : "Change the goal"}</h2>
      <form onSubmit={(event) => void save(false)(event)} noValidate>
        <Row>
          <Field control={control} name="startDate" label="From" type="date" check={aDate("The start")} />
          <Field control={control} name="startKg" label="Start weight" unit={units.mass} inputMode="decimal" check={massBetween("Start weight", units.mass, 25, 350)} />
          <Field control={control} name="targetKg" label="Goal weight" unit={units.mass} inputMode="decimal" check={massBetween("Goal weight", units.mass, 25, 350)} />
          <Choice control={control} name="by" label="Set by" options={[{ value: "date", label: "deadline" }, { value: "rate", label: "weekly rate" }]} />
          {by === "date" ? <Field control={control} name="date" label="Deadline" type="date" check={aDate("The deadline")} /> : <Field control={control} name="rate" label="A week" unit={units.mass} inputMode="decimal" check={between("The rate", 0.01, 10)} />}
        </Row>
        <Row>
          <Field control={control} name="why" label="Why it matters" className={wide} />
          <RowButton><Button htmlType="submit">{goal === null ? "Set goal" : "Save goal"}</Button></RowButton>
          {goal !== null && <RowButton><button type="button" className="link" style={{ paddingTop: 6 }} onClick={() => void commit([{ remove: { kind: "goals", id: goal.id } }], "Goal removed")}>Remove</button></RowButton>}
          {goal !== null && <RowButton><button type="button" className="link" style={{ paddingTop: 6 }} onClick={(event) => void save(true)(event)}>Save as a new goal</button></RowButton>}
        </Row>
      </form>
      <p aria-live="polite" style={{ paddingTop: 8 }}>
        {preview === null ? "" : "reason" in preview ? <span className="warn">{preview.reason}</span> : (
          <>{preview.line.days} days, until {fullDate(dateOf(preview.line.deadline))}; {printer.rate(preview.line.kgPerWeek)}, {printNumber(preview.percentPerWeek * 100, 2)} % of body weight; {printer.energyChange(preview.kcalPerDay)} a day{preview.targetKcal === null ? "" : `, a daily target of ${printer.energy(preview.targetKcal)}`}. {preview.pace === null ? "" : paceText(preview.pace)} {preview.warnings.map((warning) => <span key={warning} className="warn">{warning} </span>)}</>
        )}
      </p>
    </section>
  );
}

/** What today's trend makes of a goal that is being written. */
function paceText(pace: Projection): string {
  if (pace.arrived) return "The trend stands there already.";
  return `At today's pace the trend is there by then in ${printNumber(pace.byDeadline * 100, 0)} cases of 100${pace.p50 === null ? ", and as it stands it is not reached" : `, most likely on ${fullDate(dateOf(pace.p50))}`}.`;
}

function goalOf(fields: GoalFields, unit: "kg" | "lb", base: Goal | { id: string; personId: string }): Goal | null {
  const [startKg, targetKg, rate] = [parseMass(fields.startKg, unit), parseMass(fields.targetKg, unit), parseMass(fields.rate, unit)];
  if (startKg === null || targetKg === null || fields.startDate === "" || (fields.by === "date" ? fields.date === "" : rate === null)) return null;
  const keep = base as Partial<Goal>;
  const exact = (typed: string, kg: number, before: number | null | undefined) => (before != null && parseDecimal(typed) !== null && Math.abs(kg - before) < 0.051 * (unit === "lb" ? 0.4536 : 1) ? before : kg);
  return {
    ...keep, id: base.id, personId: base.personId, of: "weight", startDate: fields.startDate, startKg: exact(fields.startKg, startKg, keep.startKg), targetKg: exact(fields.targetKg, targetKg, keep.targetKg),
    by: fields.by === "date" ? { date: fields.date } : { rateKgPerWeek: Math.sign(targetKg - startKg) * rate! }, ...(fields.why.trim() ? { why: fields.why.trim() } : {}),
  };
}
