"use client";

import { weekdayNames } from "@/core/base/calendar/print";
import { parseHeight } from "@/core/base/units/length";
import { aDate, optional } from "@/ui/inputs/checks";
import { Choice, Field, Row, wide } from "@/ui/inputs/Field";
import { formulaChoices } from "@/ui/inputs/formulaChoices";
import type { Control } from "react-hook-form";
import type { ProfileFields } from "./profile";

const weekdays = weekdayNames.map((label, index) => ({ value: String(index + 1), label }));
const same = (values: string[]) => values.map((value) => ({ value, label: value }));

const aHeight = (text: string) =>
  parseHeight(text) !== null
    ? null
    : /^\s*\d{2}\s*$/.test(text)
      ? `Is ${text.trim()} inches? Write ${text.trim()} in, or the height in cm.`
      : "Write the height in cm, or as 5'11\".";

/** Units and what the equations need to know of a person. */
export function ProfileFieldset<T extends ProfileFields>({
  control: given,
  today,
}: {
  control: Control<T>;
  today: string;
}) {
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
        <Field control={control} name="heightCm" label="Height" unit="cm" check={optional(aHeight)} />
        <Field
          control={control}
          name="birthDate"
          label="Birth date"
          type="date"
          check={optional(aDate("Birth date", today))}
        />
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
