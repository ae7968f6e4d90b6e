"use client";

import { printPlain } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import type { FoodDay } from "@/core/nutrition/foodDay";
import { check, Field, Row, RowButton } from "@/ui/inputs/Field";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import styles from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { v7 as newId } from "uuid";

const waterForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.waterForm));

/** Water, and whether everything eaten that day is written. */
export function DayMarks({ food, date }: { food: FoodDay; date: string }) {
  const { person, units, commit, today } = useLog();
  const note = useFigure("day", { date })?.note ?? null;
  const { control, handleSubmit, drop } = useTypedForm(waterForm, { units, today }, `water ${person.id} ${date}`, {
    defaultValues: { ml: "" },
  });
  const addWater = handleSubmit(async ({ ml }) => {
    const drink = put("water", { id: newId(), personId: person.id, date, ml });
    if (await commit([drink], `Water ${printPlain(ml, 0)} ml`)) drop();
  });
  const setComplete = async (foodComplete: boolean) => {
    const next = { ...(note ?? { id: newId(), personId: person.id, date }), foodComplete };
    const label = foodComplete ? "Day complete" : food.complete ? "Day open again" : "Day not whole, out of all means";
    await commit([put("dayNotes", next, note ?? undefined)], label);
  };
  if (date > today) return null;
  return (
    <form className={styles.section} onSubmit={(event) => void addWater(event)} noValidate>
      <Row>
        <Field control={control} name="ml" label={`Water, ${food.waterMl} ml so far`} unit="ml" inputMode="numeric" />
        <RowButton>
          <Button htmlType="submit">Add water</Button>
        </RowButton>
        <Tick className={check} checked={food.complete} onChange={(complete) => void setComplete(complete)}>
          Everything eaten that day is written
        </Tick>
        {!food.complete &&
          (note?.foodComplete === false ? (
            <span className={`${check} quiet`}>not whole: out of means and of the measured expenditure</span>
          ) : (
            <RowButton>
              <LinkButton onClick={() => void setComplete(false)}>It is not whole</LinkButton>
            </RowButton>
          ))}
      </Row>
    </form>
  );
}
