"use client";

import { printDuration } from "@/core/base/units/time";
import { madeIn, usualBarKg, usualPlates } from "@/core/strength/loading";
import { ironText } from "@/core/strength/setText";
import { check, Field, list, Row, RowButton } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { TickField } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useSettings } from "@/ui/log/useSettings";
import view from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { Button } from "antd";

const ironForm = lateForm(() => import("@/core/strength/forms").then((forms) => forms.ironForm));

/**
 * The trainee's bar, plates and usual rest, and whether warm-ups count. Plates are written `25 × 2, 20 × 4`: how many
 * there are in all.
 */
export function PlateSettings() {
  const { person, units, today } = useLog();
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
  const { control, save, meanwhile } = useRecordForm(ironForm, { units, today }, `iron ${person.id}`, shown, {
    bar: "Bar",
    plates: "Plates",
    rest: "Rest",
    warmUps: "Warm-ups as work",
  });
  const onSubmit = save((values, changed) =>
    change(
      {
        ...(changed.has("bar") ? { barKg: values.bar } : {}),
        ...(changed.has("plates") ? { plates: values.plates } : {}),
        ...(changed.has("rest") ? { restSeconds: values.rest } : {}),
        ...(changed.has("warmUps") ? { countWarmUps: values.warmUps } : {}),
      },
      "Bar, plates and rest",
    ),
  );
  return (
    <section className={`${view.form} ${view.section} noprint`}>
      <h2>Bar, plates and rest</h2>
      <form onSubmit={(event) => void onSubmit(event)} noValidate>
        <Row>
          <Field control={control} name="bar" label="Bar" unit={unit} inputMode="decimal" />
          <Field control={control} name="plates" label={`Plates, ${unit}, and how many in all`} className={list} />
          <Field control={control} name="rest" label="Rest between sets" />
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
