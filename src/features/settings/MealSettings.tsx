"use client";

import { capitalised } from "@/core/base/text";
import { printTyped } from "@/core/base/units/number";
import type { Settings } from "@/core/log/kinds/people";
import { guided, type Guided, printGuide } from "@/core/nutrition/guides";
import { mealNames, mealsOf } from "@/core/nutrition/mealNames";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Field, list, Row, RowButton } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { changedOnly, useRecordForm } from "@/ui/inputs/useRecordForm";
import type { Column } from "@/ui/kit/column";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useSettings } from "@/ui/log/useSettings";
import view from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { Button } from "antd";
import { useState } from "react";

const guidesForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.guidesForm));
const mealNamesForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.mealNamesForm));

/** The meals of the trainee's day, in their order. */
export function MealSettings() {
  const { person, units, today } = useLog();
  const [settings, change] = useSettings();
  const { control, save, meanwhile } = useRecordForm(
    mealNamesForm,
    { units, today },
    `meals ${person.id}`,
    {
      meals: mealNames(settings).join(", "),
      glass: settings.glassMl == null ? "" : printTyped(settings.glassMl, 0),
    },
    { meals: "Meals", glass: "The glass" },
  );
  const meals = mealsOf(settings);
  const [opened, setOpened] = useState<string | null>(null);
  const onSubmit = save(({ meals: named, glass }, changed) =>
    change(
      {
        // What else is kept of a meal stays with its name.
        ...(changed.has("meals")
          ? { meals: named.map((name) => ({ ...settings.meals?.find((one) => one.name === name), name })) }
          : {}),
        ...(changed.has("glass") ? { glassMl: glass } : {}),
      },
      "Meals",
    ),
  );
  return (
    <section className={`${view.form} ${view.section} noprint`}>
      <h2>Meals</h2>
      <form onSubmit={(event) => void onSubmit(event)} noValidate>
        <Row>
          <Field control={control} name="meals" label="Meals of a day, in their order" className={list} />
          <Field control={control} name="glass" label="A glass holds" unit="ml" inputMode="numeric" placeholder="250" />
          <RowButton>
            <Button htmlType="submit">Save meals</Button>
          </RowButton>
        </Row>
        <Meanwhile said={meanwhile} />
      </form>
      <p className="quiet small">
        Foods are written to one by its name and a colon: {mealNames(settings).at(-1)}: 80 g oats.
      </p>
      <RecordTable
        label="What each meal is to hold"
        rows={meals}
        keyOf={({ name }) => name}
        below={(meal) =>
          meal.name === opened && <GuideForm key={meal.name} meal={meal} close={() => setOpened(null)} />
        }
        columns={[
          { head: "Meal", cell: ({ name }) => name },
          { head: "From about", num: true, tone: "quiet", cell: ({ hour }) => clockOf(hour) },
          ...guided.map((of): Column<Guidable> => ({
            head: of === "kcal" ? units.energy : `${capitalised(of)}, g`,
            num: true,
            cell: ({ guides }) => printGuide(of, guides, units.energy),
          })),
          {
            head: "Change",
            mute: true,
            num: true,
            cell: ({ name }) => (
              <LinkButton aria-label={`Change what ${name} is to hold`} onClick={() => setOpened(name)}>
                Change
              </LinkButton>
            ),
          },
        ]}
      />
    </section>
  );
}

type Guidable = NonNullable<Settings["meals"]>[number];

/** From when a meal is, and what it is to hold: its energy and nutrients, each as a range, at least, or at most. */
function GuideForm({ meal: { name, hour, guides }, close }: { meal: Guidable; close: () => void }) {
  const { person, units, today } = useLog();
  const [settings, change] = useSettings();
  const shown = {
    hour: clockOf(hour),
    ...(Object.fromEntries(guided.map((of) => [of, printGuide(of, guides, units.energy)])) as Record<Guided, string>),
  };
  const { control, save, drop, meanwhile } = useRecordForm(
    guidesForm,
    { units, today },
    `guides ${person.id} ${name}`,
    shown,
    {
      hour: "When it is",
      kcal: "Energy",
      protein: "Protein",
      fat: "Fat",
      carbohydrate: "Carbohydrate",
      fibre: "Fibre",
    },
  );
  const onSubmit = save(async ({ hour: from, ...values }, changed) => {
    const next = {
      guides: { ...guides, ...changedOnly(changed, values) },
      ...(changed.has("hour") ? { hour: from } : {}),
    };
    const meals = mealsOf(settings).map((one) => (one.name === name ? { ...one, ...next } : one));
    const saved = await change({ meals }, `What ${name} is to hold`);
    if (saved) close();
    return saved;
  });
  return (
    <form onSubmit={(event) => void onSubmit(event)} noValidate aria-label={`What ${name} is to hold`}>
      <Meanwhile said={meanwhile} />
      <Row>
        <Field control={control} name="hour" label="From about" type="time" />
        {guided.map((of) => (
          <Field
            key={of}
            control={control}
            name={of}
            label={of === "kcal" ? "Energy" : capitalised(of)}
            unit={of === "kcal" ? units.energy : "g"}
            placeholder={placeholders[of]}
          />
        ))}
        <FormEnd save="Save" drop={drop} onClose={close} />
      </Row>
    </form>
  );
}
/** An hour of the day as a clock shows it. */
function clockOf(hour: number | null | undefined): string {
  if (hour == null) return "";
  const minutes = Math.round(hour * 60);
  return `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
}

const placeholders: Readonly<Record<Guided, string>> = {
  kcal: "400 to 600",
  protein: "at least 30",
  fat: "at most 25",
  carbohydrate: "40 to 80",
  fibre: "at least 8",
};
