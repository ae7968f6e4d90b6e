"use client";

import { weekdayNames } from "@/core/base/calendar/print";
import type { ProfileFields } from "@/core/profile/forms";
import { Choice, Field, Row, wide } from "@/ui/inputs/Field";
import { formulaChoices } from "@/ui/inputs/formulaChoices";
import type { Control } from "react-hook-form";

const weekdays = weekdayNames.map((label, index) => ({ value: String(index + 1), label }));
const same = (values: string[]) => values.map((value) => ({ value, label: value }));

/** Units and what the equations need to know of a person. */
export function ProfileFieldset<T extends ProfileFields>({ control: given }: { control: Control<T> }) {
  const control = given as unknown as Control<ProfileFields>;
  return (
    <>
      <Row>
        <Choice control={control} name="mass" label="Weights in" options={same(["kg", "lb"])} />
        <Choice control={control} name="distance" label="Distances in" options={same(["km", "mi"])} />
        <Choice control={control} name="energy" label="Energy in" options={same(["kcal", "kJ"])} />
        <Choice control={control} name="weekStart" label="Week begins on" options={weekdays} />
      </Row>
      <Row>
        <Field control={control} name="heightCm" label="Height" unit="cm" />
        <Field control={control} name="birthDate" label="Birth date" type="date" />
        <Choice
          control={control}
          name="sex"
          label="Sex, for the equations"
          options={[
            { value: "unspecified", label: "not given" },
            { value: "female", label: "female" },
            { value: "male", label: "male" },
          ]}
        />
        <Choice
          control={control}
          name="e1rmFormula"
          label="Estimated maximum by"
          options={formulaChoices}
          className={wide}
        />
      </Row>
    </>
  );
}
