"use client";

import { Button } from "antd";
import { useForm, useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";
import type { DayView } from "@/core/figures/views/today";
import { heaviest, lightest } from "@/core/body/weighIns";
import { put } from "@/core/log/records";
import { parseMass } from "@/core/units/mass";
import { massBetween } from "@/ui/inputs/checks";
import { Field } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import { useFarOff } from "../body/useFarOff";
import styles from "./today.module.css";

/** The morning's weight: a field while it is missing, else the weight with its change and removal. */
export function WeighInOfDay({ view: { weighIn, date, trend } }: { view: DayView }) {
  const { units, person, commit, today } = useLog();
  const printer = usePrinter();
  const { control, handleSubmit, reset } = useForm({ mode: "onChange", defaultValues: { kg: "" } });
  const typed = useWatch({ control, name: "kg" });
  const { question, passes } = useFarOff("kg" in trend ? trend.kg : null);
  const save = handleSubmit(async ({ kg }) => {
    const value = parseMass(kg, units.mass)!;
    if (!passes(value)) return;
    const written = weighIn === null ? put("weighIns", { id: newId(), personId: person.id, date, kg: value, primary: true }) : put("weighIns", { ...weighIn, kg: value }, weighIn);
    if (await commit([written], `Weigh-in ${printer.mass(value)}`)) reset();
  });
  if (weighIn !== null) {
    return (
      <p className={styles.section}>
        <span className="label">Weigh-in</span>{" "}
        {printer.mass(weighIn.kg)}{weighIn.time ? ` at ${weighIn.time}` : ""}{weighIn.note ? `, ${weighIn.note}` : ""} · {" "}
        <button type="button" className="link small" onClick={() => void commit([{ remove: { kind: "weighIns", id: weighIn.id } }], `Weigh-in of ${date} removed`)}>Remove</button>
        {typed !== "" && <span className="warn small"> Another tab has logged it while you wrote {typed}. <button type="button" className="link" onClick={() => void save()}>Write {typed} instead</button> <button type="button" className="link" onClick={() => reset()}>Leave it</button></span>}
      </p>
    );
  }
  if (date > today) return null;
  return (
    <form className={styles.weigh} onSubmit={(event) => void save(event)} noValidate>
      <Field control={control} name="kg" label={date === today ? "This morning's weight" : "Weight that morning"} unit={units.mass} inputMode="decimal" check={massBetween("Weight", units.mass, lightest, heaviest)} />
      <div style={{ paddingTop: 21 }}><Button htmlType="submit">Log weigh-in</Button></div>
      {question !== null && <p className="warn" role="alert" style={{ flexBasis: "100%" }}>{question}</p>}
    </form>
  );
}
