"use client";

import { counted } from "@/core/base/units/number";
import { mealOnDays } from "@/core/nutrition/mealOn";
import { shortDate } from "@/ui/dates";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Choice, Field, Row } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Dialog } from "@/ui/kit/Dialog";
import { useLog } from "@/ui/log/LogContext";
import { useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";
import { isRecipe, useTableFor, useThings } from "../useThings";

const mealOnDaysForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.mealOnDaysForm));

/** A food or a recipe at a meal of the week, on one day or on several in a row. */
export function AddMeal({ date, meal, close }: { date: string; meal: string; close: () => void }) {
  const { person, units, today, commit } = useLog();
  const { options, onOpen, countedIn, eatenOf, madeOf } = useThings("recipes");
  const { control, handleSubmit, drop } = useTypedForm(
    mealOnDaysForm,
    { units, today, countedIn },
    `week ${date} ${meal}`,
    { defaultValues: { meal, thing: "", amount: "", days: "1" } },
  );
  const chosen = useWatch({ control, name: "thing" });
  useTableFor(chosen);
  const save = handleSubmit(async ({ amount, days }) => {
    const eaten = eatenOf(chosen, amount);
    if (eaten === null) return;
    const meals = mealOnDays({ personId: person.id, date, meal, days }, today, eaten, newId);
    const change = [...madeOf(chosen), ...meals];
    const name = options.find(({ value }) => value === chosen)?.label ?? "";
    if (!(await commit(change, `${name}, ${meal}, from ${shortDate(date)}, ${counted(days, "day")}`))) return;
    drop();
    close();
  });
  return (
    <Dialog title={`${meal}, ${shortDate(date)}`} onClose={close}>
      <form onSubmit={(event) => void save(event)} noValidate aria-label={`Add to ${meal}, ${shortDate(date)}`}>
        <Row>
          <Choice control={control} name="thing" label="Food or recipe" {...{ options, onOpen }} />
          <Field
            control={control}
            name="amount"
            label="Amount"
            unit={chosen === "" ? "" : isRecipe(chosen) ? "portions" : "g"}
            inputMode="decimal"
          />
          <Field control={control} name="days" label="Days in a row" inputMode="numeric" />
          <FormEnd save="Put there" drop={drop} onClose={close} />
        </Row>
      </form>
    </Dialog>
  );
}
