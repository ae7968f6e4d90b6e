"use client";

import { parseMass } from "@/core/base/units/mass";
import { parseDecimal } from "@/core/base/units/number";
import { parseDuration, printDuration } from "@/core/base/units/time";
import { madeIn, usualBarKg, usualPlates } from "@/core/strength/loading";
import { ironText } from "@/core/strength/setText";
import { type Check, massBetween } from "@/ui/inputs/checks";
import { check, Field, list, Row, RowButton } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { TickField } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useSettings } from "@/ui/log/useSettings";
import view from "@/ui/view.module.css";
import { Button } from "antd";

/**
 * The trainee's bar, plates and usual rest, and whether warm-ups count. Plates are written `25 × 2, 20 × 4`: how many
 * there are in all.
 */
export function PlateSettings() {
  const { units } = useLog();
  const [settings, change] = useSettings();
  const unit = units.mass;
  const plates = settings.plates ?? usualPlates(unit);
  const foreign = plates.some(({ kg }) => madeIn(kg, unit) !== unit);
  const shown = {
    bar: ironText(settings.barKg ?? usualBarKg(unit), unit),
    plates: plates.map(({ kg, count }) => `${ironText(kg, unit)} × ${count}`).join(", "),
    rest: printDuration(settings.restSeconds ?? 120),
    warmUps: settings.countWarmUps ?? false,
  };
  const { control, save, meanwhile } = useRecordForm(shown, {
    bar: "Bar",
    plates: "Plates",
    rest: "Rest",
    warmUps: "Warm-ups as work",
  });
  const readPlates = (text: string) =>
    text
      .split(/[,;]\s+|;/)
      .filter((one) => one.trim() !== "")
      .map((one) => {
        const [weight, count] = one.split(/\s*[x×*]\s*/i);
        const kg = parseMass(weight ?? "", unit);
        const number = parseDecimal(count ?? "");
        return kg !== null && kg > 0 && kg <= 100 && number !== null && number >= 0 && number <= 100 && number % 1 === 0
          ? { kg, count: number }
          : null;
      });
  const arePlates: Check = (text) =>
    readPlates(text).includes(null) ? "Write each weight with how many there are, such as 20 × 4, 10 × 2." : null;
  const aRest: Check = (text) => {
    const seconds = parseDuration(text) ?? parseDecimal(text);
    return seconds === null || seconds < 0 || seconds > 7200 ? "Write a time such as 2:00 or 90." : null;
  };
  const onSubmit = save((fields, changed) =>
    change(
      {
        ...(changed.has("bar") ? { barKg: parseMass(fields.bar, unit)! } : {}),
        ...(changed.has("plates") ? { plates: readPlates(fields.plates).flatMap((one) => one ?? []) } : {}),
        ...(changed.has("rest") ? { restSeconds: parseDuration(fields.rest) ?? parseDecimal(fields.rest)! } : {}),
        ...(changed.has("warmUps") ? { countWarmUps: fields.warmUps } : {}),
      },
      "Bar, plates and rest",
    ),
  );
  return (
    <section className={`${view.form} ${view.section} noprint`}>
      <h2>Bar, plates and rest</h2>
      <form onSubmit={(event) => void onSubmit(event)} noValidate>
        <Row>
          <Field
            control={control}
            name="bar"
            label="Bar"
            unit={unit}
            inputMode="decimal"
            check={massBetween("The bar", unit, 0, 100)}
          />
          <Field
            control={control}
            name="plates"
            label={`Plates, ${unit}, and how many in all`}
            className={list}
            check={arePlates}
          />
          <Field control={control} name="rest" label="Rest between sets" check={aRest} />
          <TickField control={control} name="warmUps" className={check}>
            count warm-ups as work
          </TickField>
          <RowButton>
            <Button htmlType="submit">Save</Button>
          </RowButton>
        </Row>
        {foreign && (
          <p className="quiet small above">
            The plates are made in {unit === "lb" ? "kilograms" : "pounds"}.{" "}
            <LinkButton
              onClick={() =>
                void change(
                  { barKg: usualBarKg(unit), plates: usualPlates(unit) },
                  `The usual bar and plates in ${unit}`,
                )
              }
            >
              Take the usual bar and plates in {unit}
            </LinkButton>
          </p>
        )}
        <Meanwhile said={meanwhile} />
      </form>
    </section>
  );
}
