"use client";

import { put } from "@/core/log/records";
import { fullDate } from "@/ui/dates";
import { check, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { TickField } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { v7 as newId } from "uuid";
import { useOutlierCheck } from "../../ui/inputs/useOutlierCheck";

const weighInForm = lateForm(() => import("@/core/body/forms").then((forms) => forms.weighInForm));

/** A weigh-in of any day; the morning's that is already written is changed, a second one is added. */
export function WeighInForm() {
  const { units, person, today, day, commit } = useLog();
  const printer = usePrinter();
  const { control, handleSubmit, drop } = useTypedForm(weighInForm, { units, today }, `weigh-in ${person.id}`, {
    values: { date: day < today ? day : today, kg: "", time: "", note: "", second: false },
  });
  const trend = useFigure("day", { date: today })?.trend;
  const { question, passes } = useOutlierCheck(trend && "kg" in trend ? trend.kg : null);
  const save = handleSubmit(async ({ date, kg, time, note, second }) => {
    if (!passes(kg)) return;
    const saved = await commit(
      [
        put("weighIns", {
          id: newId(),
          personId: person.id,
          date,
          kg,
          primary: !second,
          ...(time ? { time } : {}),
          ...(note ? { note } : {}),
        }),
      ],
      `${second ? "Second weigh-in" : "Weigh-in"} ${printer.mass(kg)}, ${fullDate(date)}`,
    );
    if (saved) drop();
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>Log a weigh-in</h2>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row>
          <Field control={control} name="date" label="Date" type="date" />
          <Field control={control} name="kg" label="Weight" unit={units.mass} inputMode="decimal" />
          <Field control={control} name="time" label="Time" type="time" />
          <Field control={control} name="note" label="What influenced it" className={wide} />
          <TickField control={control} name="second" className={check}>
            A second one, not the morning&apos;s
          </TickField>
          <RowButton>
            <Button htmlType="submit">Log weigh-in</Button>
          </RowButton>
        </Row>
        {question !== null && (
          <p className="warn" role="alert">
            {question}
          </p>
        )}
      </form>
    </section>
  );
}
