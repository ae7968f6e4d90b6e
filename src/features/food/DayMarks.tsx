"use client";

import { printPlain } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import type { FoodView } from "@/core/nutrition/foodView";
import { check, Field, Row, RowButton } from "@/ui/inputs/Field";
import { Captioned } from "@/ui/kit/Captioned";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Select } from "@/ui/kit/Select";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useDayNote } from "@/ui/log/useDayNote";
import { useFigure } from "@/ui/log/useFigure";
import styles from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { v7 as newId } from "uuid";

const waterForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.waterForm));

/** Water, what kind of day it is, and whether everything eaten that day is written. */
export function DayMarks({ view: { food, kinds, kindSaid }, date }: { view: FoodView; date: string }) {
  const { person, units, commit, today } = useLog();
  const note = useFigure("day", { date })?.note ?? null;
  const glassMl = person.settings?.glassMl ?? null;
  const { control, handleSubmit, drop } = useTypedForm(
    waterForm,
    { units, today, glassMl },
    `water ${person.id} ${date}`,
    {
      defaultValues: { ml: "" },
    },
  );
  const addWater = handleSubmit(async ({ ml }) => {
    const drink = put("water", { id: newId(), personId: person.id, date, ml });
    if (await commit([drink], `Water ${printPlain(ml, 0)} ml`)) drop();
  });
  const write = useDayNote(note, date);
  const setComplete = (foodComplete: boolean) =>
    write(
      { foodComplete },
      foodComplete ? "Day complete" : food.complete ? "Day open again" : "Day not whole, out of all means",
    );
  const setKind = (kind: string) => {
    const activity = kind === "training" || kind === "rest" ? kind : null;
    void write(
      { activity, dayKind: activity === null && kind !== "" ? kind : null },
      kind === "" ? "Kind of day by its turn" : `A ${kind} day`,
    );
  };
  const comes = "reason" in food.target || kindSaid !== null ? "" : `, ${food.target.kind}`;
  const kind = (
    <Captioned caption="Kind of day" over>
      {(id) => (
        <Select
          id={id}
          value={kindSaid ?? ""}
          options={[
            { value: "", label: `by its turn${comes}` },
            ...kinds.map((name) => ({ value: name, label: name })),
          ]}
          onChange={setKind}
        />
      )}
    </Captioned>
  );
  if (date > today) return <Row>{kind}</Row>;
  return (
    <form className={styles.section} onSubmit={(event) => void addWater(event)} noValidate>
      <Row>
        <Field
          control={control}
          name="ml"
          label={`Water, ${food.waterMl} ml so far`}
          unit="ml"
          inputMode="numeric"
          placeholder={glassMl === null ? "" : "2 glasses"}
        />
        <RowButton>
          <Button htmlType="submit">Add water</Button>
        </RowButton>
        {kind}
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
