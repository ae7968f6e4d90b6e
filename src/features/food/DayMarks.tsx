"use client";

import { parseDecimal } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import type { FoodDay } from "@/core/nutrition/foodDay";
import { between } from "@/ui/inputs/checks";
import { check, Field, Row, RowButton } from "@/ui/inputs/Field";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useForm } from "react-hook-form";
import { v7 as newId } from "uuid";

/** Water, and whether everything eaten that day is written. */
export function DayMarks({ food, date }: { food: FoodDay; date: string }) {
  const { person, commit, today } = useLog();
  const note = useFigure("day", { date })?.note ?? null;
  const { control, handleSubmit, reset } = useForm({ mode: "onChange", defaultValues: { ml: "" } });
  const addWater = handleSubmit(async ({ ml }) => {
    if (
      await commit([put("water", { id: newId(), personId: person.id, date, ml: parseDecimal(ml)! })], `Water ${ml} ml`)
    )
      reset();
  });
  const setComplete = async (foodComplete: boolean) => {
    const next = { ...(note ?? { id: newId(), personId: person.id, date }), foodComplete };
    await commit([put("dayNotes", next, note ?? undefined)], foodComplete ? "Day complete" : "Day open again");
  };
  if (date > today) return null;
  return (
    <form className={styles.section} onSubmit={(event) => void addWater(event)} noValidate>
      <Row>
        <Field
          control={control}
          name="ml"
          label={`Water, ${food.waterMl} ml so far`}
          unit="ml"
          inputMode="numeric"
          check={between("Water", 1, 20_000)}
        />
        <RowButton>
          <Button htmlType="submit">Add water</Button>
        </RowButton>
        <Tick className={check} checked={food.complete} onChange={(complete) => void setComplete(complete)}>
          Everything eaten that day is written
        </Tick>
      </Row>
    </form>
  );
}
