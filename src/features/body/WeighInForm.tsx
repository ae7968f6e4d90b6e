"use client";

import { parseMass } from "@/core/base/units/mass";
import { heaviest, lightest } from "@/core/body/weighIns";
import { put } from "@/core/log/records";
import { fullDate } from "@/ui/dates";
import { aDate, massBetween } from "@/ui/inputs/checks";
import { check, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { TickField } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useForm } from "react-hook-form";
import { v7 as newId } from "uuid";
import { useOutlierCheck } from "../../ui/inputs/useOutlierCheck";

/** A weigh-in of any day; the morning's that is already written is changed, a second one is added. */
export function WeighInForm() {
  const { units, person, today, day, commit } = useLog();
  const printer = usePrinter();
  const { control, handleSubmit, reset } = useForm({
    mode: "onChange",
    values: { date: day < today ? day : today, kg: "", time: "", note: "", second: false },
  });
  const trend = useFigure("day", { date: today })?.trend;
  const { question, passes } = useOutlierCheck(trend && "kg" in trend ? trend.kg : null);
  const save = handleSubmit(async ({ date, kg, time, note, second }) => {
    const value = parseMass(kg, units.mass)!;
    if (!passes(value)) return;
    const saved = await commit(
      [
        put("weighIns", {
          id: newId(),
          personId: person.id,
          date,
          kg: value,
          primary: !second,
          ...(time ? { time } : {}),
          ...(note.trim() ? { note: note.trim() } : {}),
        }),
      ],
      `${second ? "Second weigh-in" : "Weigh-in"} ${printer.mass(value)}, ${fullDate(date)}`,
    );
    if (saved) reset();
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>Log a weigh-in</h2>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row>
          <Field control={control} name="date" label="Date" type="date" check={aDate("The date", today)} />
          <Field
            control={control}
            name="kg"
            label="Weight"
            unit={units.mass}
            inputMode="decimal"
            check={massBetween("Weight", units.mass, lightest, heaviest)}
          />
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
