"use client";

import type { DayView } from "@/core/days/dayView";
import type { WeighIn } from "@/core/log/kinds/weighIns";
import { put } from "@/core/log/records";
import { fullDate } from "@/ui/dates";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Field, narrow, Row, RowButton } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { useState } from "react";
import { useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";
import { useOutlierCheck } from "../../ui/inputs/useOutlierCheck";
import styles from "./today.module.css";

const weightForm = lateForm(() => import("@/core/body/forms").then((forms) => forms.weightForm));
const weighedForm = lateForm(() => import("@/core/body/forms").then((forms) => forms.weighedForm));

/** The day's weigh-ins: a field while the morning's is missing, else each with its change and removal. */
export function WeighInOfDay({ view: { weighIn, seconds, date, trend } }: { view: DayView }) {
  const { units, person, commit, today } = useLog();
  const printer = usePrinter();
  const { control, handleSubmit, drop } = useTypedForm(weightForm, { units, today }, `weight ${person.id} ${date}`, {
    defaultValues: { kg: "" },
  });
  const typed = useWatch({ control, name: "kg" });
  const { question, passes } = useOutlierCheck("kg" in trend ? trend.kg : null);
  const save = handleSubmit(async ({ kg }) => {
    if (!passes(kg)) return;
    const written =
      weighIn === null
        ? put("weighIns", { id: newId(), personId: person.id, date, kg, primary: true })
        : put("weighIns", { ...weighIn, kg }, weighIn);
    if (await commit([written], `Weigh-in ${printer.mass(kg)}`)) drop();
  });
  const others = seconds.map((second) => (
    <Weighed key={second.id} weighIn={second} label="Second weigh-in" expectedKg={"kg" in trend ? trend.kg : null} />
  ));
  if (weighIn !== null) {
    return (
      <div className={styles.section}>
        <Weighed weighIn={weighIn} label="Weigh-in" expectedKg={"kg" in trend ? trend.kg : null} />
        {others}
        {typed !== "" && (
          <p className="warn small">
            {" "}
            Another tab has logged it while you wrote {typed}.{" "}
            <LinkButton onClick={() => void save()}>Write {typed} instead</LinkButton>{" "}
            <LinkButton onClick={() => drop()}>Leave it</LinkButton>
          </p>
        )}
      </div>
    );
  }
  if (date > today) return null;
  return (
    <>
      <form className={styles.weigh} onSubmit={(event) => void save(event)} noValidate>
        <Field
          control={control}
          name="kg"
          label={date === today ? "This morning's weight" : "Weight that morning"}
          unit={units.mass}
          inputMode="decimal"
        />
        <RowButton>
          <Button htmlType="submit">Log weigh-in</Button>
        </RowButton>
        {question !== null && (
          <p className="warn whole-line" role="alert">
            {question}
          </p>
        )}
      </form>
      {others}
    </>
  );
}

/** One weigh-in, to be changed or removed. */
function Weighed({ weighIn, label, expectedKg }: { weighIn: WeighIn; label: string; expectedKg: number | null }) {
  const { commit } = useLog();
  const printer = usePrinter();
  const [changing, setChanging] = useState(false);
  if (changing)
    return <Change weighIn={weighIn} label={label} expectedKg={expectedKg} onClose={() => setChanging(false)} />;
  return (
    <p>
      <span className="label">{label}</span> {printer.mass(weighIn.kg)}
      {weighIn.time ? ` at ${weighIn.time}` : ""}
      {weighIn.note ? `, ${weighIn.note}` : ""} ·{" "}
      <LinkButton className="small" onClick={() => setChanging(true)}>
        Change<span className="hidden"> the {label.toLowerCase()}</span>
      </LinkButton>{" "}
      <LinkButton
        className="small"
        onClick={() =>
          void commit(
            [{ remove: { kind: "weighIns", id: weighIn.id, date: weighIn.date } }],
            `${label} of ${fullDate(weighIn.date)} removed`,
          )
        }
      >
        Remove<span className="hidden"> the {label.toLowerCase()}</span>
      </LinkButton>
    </p>
  );
}

function Change({
  weighIn,
  label,
  expectedKg,
  onClose,
}: {
  weighIn: WeighIn;
  label: string;
  expectedKg: number | null;
  onClose: () => void;
}) {
  const { units, today, commit } = useLog();
  const printer = usePrinter();
  const { question, passes } = useOutlierCheck(expectedKg);
  const { control, save, meanwhile, drop } = useRecordForm(
    weighedForm,
    { units, today },
    `weigh-in ${weighIn.id}`,
    { kg: printer.massNumber(weighIn.kg), time: weighIn.time ?? "", note: weighIn.note ?? "" },
    { kg: "Weight", time: "Time", note: "What influenced it" },
  );
  const onSubmit = save(async (values, changed) => {
    const kg = changed.has("kg") ? values.kg : weighIn.kg;
    if (!passes(kg)) return false;
    const { time: _time, note: _note, ...kept } = weighIn;
    const time = changed.has("time") ? values.time : (weighIn.time ?? "");
    const note = changed.has("note") ? values.note : (weighIn.note ?? "");
    const written = await commit(
      [put("weighIns", { ...kept, kg, ...(time ? { time } : {}), ...(note ? { note } : {}) }, weighIn)],
      `${label} ${printer.mass(kg)}`,
    );
    if (written) onClose();
    return written;
  });
  return (
    <form onSubmit={(event) => void onSubmit(event)} noValidate aria-label={`Change the ${label.toLowerCase()}`}>
      <Row>
        <Field
          className={narrow}
          control={control}
          name="kg"
          label={label}
          unit={units.mass}
          inputMode="decimal"
          autoFocus
        />
        <Field className={narrow} control={control} name="time" label="Time" type="time" />
        <Field control={control} name="note" label="What influenced it" />
        <FormEnd save="Save" drop={drop} onClose={onClose} />
      </Row>
      {question !== null && (
        <p className="warn" role="alert">
          {question}
        </p>
      )}
      <Meanwhile said={meanwhile} />
    </form>
  );
}
