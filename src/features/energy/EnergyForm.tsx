"use client";

import { fromKcal } from "@/core/base/units/energy";
import { printNumber, printTyped } from "@/core/base/units/number";
import type { EnergyView } from "@/core/energy/energyView";
import type { TargetFields, targetsOf as TargetsOf } from "@/core/energy/forms";
import type { DayKind as Kind } from "@/core/energy/expenditure";
import type { Macro } from "@/core/energy/targetsTyped";
import {
  activityClasses,
  defaultActivityFactor,
  type EquationName,
  equationNames,
  equations,
} from "@/core/energy/resting";
import type { EnergySettings } from "@/core/log/kinds/energySettings";
import { put } from "@/core/log/records";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { lateCode, whenIdle } from "@/ui/kit/late";
import { Button } from "antd";
import { useEffect } from "react";
import { type Control, useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";

type Fields = TargetFields & { equation: EquationName; factor: string; sessions: "inside" | "added" };
const targetKeys = [
  ["kcal", "Kcal"],
  ["protein", "Protein"],
  ["fat", "Fat"],
  ["carbohydrate", "Carbohydrate"],
] as const;

const forms = lateCode(() => import("@/core/energy/forms"));
const energyForm = lateForm(() => import("@/core/energy/forms").then((forms) => forms.energyForm));

/**
 * Equation, activity factor, and own targets by kind of day. Saved as from today, so that past days keep what held for
 * them.
 */
export function EnergyForm({ view: { settings, targets, starts, balanceKcal } }: { view: EnergyView }) {
  const { person, today, units, commit } = useLog();
  const printer = usePrinter();
  const own = (kind: Kind, key: "kcal" | Macro) => {
    const value = settings?.targets?.[kind]?.[key];
    return value == null ? "" : printTyped(key === "kcal" ? fromKcal(value, printer.units.energy) : value, 1);
  };
  const shown: Fields = {
    equation: settings?.equation ?? "mifflinStJeor",
    factor: settings?.activityFactor == null ? String(defaultActivityFactor) : String(settings.activityFactor),
    sessions: settings?.sessionsInFactor === false ? "added" : "inside",
    trainingKcal: own("training", "kcal"),
    trainingProtein: own("training", "protein"),
    trainingFat: own("training", "fat"),
    trainingCarbohydrate: own("training", "carbohydrate"),
    restKcal: own("rest", "kcal"),
    restProtein: own("rest", "protein"),
    restFat: own("rest", "fat"),
    restCarbohydrate: own("rest", "carbohydrate"),
  };
  // Without a target of one's own a day's energy is what is spent with what the plan asks.
  const asked = (kind: Kind) => {
    const target = targets[kind];
    if ("reason" in target) return null;
    if (!target.own) return target.kcal;
    return target.expenditureKcal === null ? null : target.expenditureKcal + (balanceKcal ?? 0);
  };
  const context = {
    units,
    kg: starts.trendKg ?? starts.morningKg,
    dayKcal: { training: asked("training"), rest: asked("rest") },
  };
  const { control, save, meanwhile } = useRecordForm(energyForm, { ...context, today }, `energy ${person.id}`, shown, {
    equation: "The equation",
    factor: "The factor",
    sessions: "Sessions",
    trainingKcal: "The training day's target",
    restKcal: "The rest day's target",
    trainingProtein: "The training day's protein",
    trainingFat: "The training day's fat",
    trainingCarbohydrate: "The training day's carbohydrate",
    restProtein: "The rest day's protein",
    restFat: "The rest day's fat",
    restCarbohydrate: "The rest day's carbohydrate",
  });
  const onSubmit = save(async (values, changed) => {
    const base = settings?.from === today ? settings : null;
    const target = (kind: Kind) => ({
      ...settings?.targets?.[kind],
      ...Object.fromEntries(
        targetKeys.flatMap(([key, name]) => (changed.has(`${kind}${name}`) ? [[key, values[`${kind}${name}`]]] : [])),
      ),
    });
    const written = {
      equation: changed.has("equation") || settings === null ? values.equation : settings.equation,
      activityFactor: changed.has("factor") || settings === null ? values.factor : settings.activityFactor,
      sessionsInFactor: changed.has("sessions") || settings === null ? values.sessions : settings.sessionsInFactor,
    };
    const next: EnergySettings = {
      ...(base ?? {
        id: newId(),
        personId: person.id,
        follows: settings?.follows,
        measuredKcal: settings?.measuredKcal,
      }),
      from: today,
      ...written,
      targets: { ...settings?.targets, training: target("training"), rest: target("rest") },
    };
    return commit([put("energySettings", next, base ?? undefined)], "Energy settings");
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>Equation and targets</h2>
      <form onSubmit={(event) => void onSubmit(event)} noValidate>
        <Row>
          <Choice
            control={control}
            name="equation"
            label="Equation"
            options={equationNames.map((name) => ({ value: name, label: equations[name].title }))}
          />
          <Field control={control} name="factor" label="Activity factor" inputMode="decimal" />
          <Choice
            control={control}
            name="sessions"
            label="Sessions are"
            options={[
              { value: "inside", label: "inside the factor" },
              { value: "added", label: "added, net" },
            ]}
          />
        </Row>
        {(["training", "rest"] as const).map((kind) => (
          <div key={kind}>
            <Row>
              <Field
                control={control}
                name={`${kind}Kcal`}
                label={kind === "training" ? "Training day, own target" : "Rest day, own target"}
                unit={units.energy}
                inputMode="text"
              />
              <Field control={control} name={`${kind}Protein`} label={`Protein, ${kind}`} placeholder="1.8 g/kg" />
              <Field control={control} name={`${kind}Fat`} label={`Fat, ${kind}`} placeholder="25 %" />
              <Field
                control={control}
                name={`${kind}Carbohydrate`}
                label={`Carbohydrate, ${kind}`}
                placeholder="the rest"
              />
            </Row>
            <Made control={control} kind={kind} context={context} />
          </div>
        ))}
        <Row>
          <RowButton>
            <Button htmlType="submit">Save settings</Button>
          </RowButton>
        </Row>
        <Meanwhile said={meanwhile} />
      </form>
      <p className="quiet small above">
        Left empty, the target is the expenditure plus what the plan asks; protein, fat and carbohydrate are grams
        (130), grams for each kg of body weight (1.8 g/kg), shares of the energy (25 %) or the rest of it, and are kept
        in grams. Factors:{" "}
        {activityClasses
          .map(({ name, from, to }) => `${name.toLowerCase()} ${printNumber(from, 2)} to ${printNumber(to, 2)}`)
          .join(", ")}{" "}
        (FAO/WHO/UNU 2004).
      </p>
    </section>
  );
}

/** What the targets of a kind of day make together, while they are typed. */
function Made({
  control,
  kind,
  context,
}: {
  control: Control<Fields>;
  kind: Kind;
  context: Parameters<typeof TargetsOf>[2];
}) {
  const fields = useWatch({ control }) as Fields;
  const code = forms.useCode();
  useEffect(() => whenIdle(forms.fetch), []);
  const said = code?.targetsOf(kind, fields, context).said ?? "";
  return (
    <p aria-live="polite" className={said === "" ? "hidden" : "quiet small"}>
      {said}
    </p>
  );
}
