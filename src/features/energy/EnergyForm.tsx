"use client";

import { printNumber } from "@/core/base/units/number";
import { activityClasses, defaultActivityFactor, equationNames, equations } from "@/core/energy/resting";
import type { EnergySettings } from "@/core/log/kinds/energySettings";
import { put } from "@/core/log/records";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { Button } from "antd";
import { v7 as newId } from "uuid";

const energyForm = lateForm(() => import("@/core/energy/forms").then((forms) => forms.energyForm));

/**
 * Equation, activity factor, and own targets by kind of day. Saved as from today, so that past days keep what held for
 * them.
 */
export function EnergyForm({ settings }: { settings: EnergySettings | null }) {
  const { person, today, units, commit } = useLog();
  const printer = usePrinter();
  const own = (kind: "training" | "rest", key: "kcal" | "protein") => {
    const value = settings?.targets?.[kind]?.[key];
    return value == null ? "" : key === "kcal" ? printer.energyNumber(value).replaceAll(",", "") : String(value);
  };
  const shown = {
    equation: settings?.equation ?? "mifflinStJeor",
    factor: settings?.activityFactor == null ? String(defaultActivityFactor) : String(settings.activityFactor),
    sessions: settings?.sessionsInFactor === false ? ("added" as const) : ("inside" as const),
    trainingKcal: own("training", "kcal"),
    restKcal: own("rest", "kcal"),
    trainingProtein: own("training", "protein"),
    restProtein: own("rest", "protein"),
  };
  const { control, save, meanwhile } = useRecordForm(energyForm, { units, today }, `energy ${person.id}`, shown, {
    equation: "The equation",
    factor: "The factor",
    sessions: "Sessions",
    trainingKcal: "The training day's target",
    restKcal: "The rest day's target",
    trainingProtein: "The training day's protein",
    restProtein: "The rest day's protein",
  });
  const onSubmit = save(async (values, changed) => {
    const base = settings?.from === today ? settings : null;
    const target = (kind: "training" | "rest") => {
      const [kcalKey, proteinKey] = [`${kind}Kcal`, `${kind}Protein`] as const;
      return {
        ...settings?.targets?.[kind],
        ...(changed.has(kcalKey) ? { kcal: values[kcalKey] } : {}),
        ...(changed.has(proteinKey) ? { protein: values[proteinKey] } : {}),
      };
    };
    const written = {
      equation: changed.has("equation") || settings === null ? values.equation : settings.equation,
      activityFactor: changed.has("factor") || settings === null ? values.factor : settings.activityFactor,
      sessionsInFactor: changed.has("sessions") || settings === null ? values.sessions : settings.sessionsInFactor,
    };
    const next: EnergySettings = {
      ...(base ?? { id: newId(), personId: person.id }),
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
        <Row>
          <Field
            control={control}
            name="trainingKcal"
            label="Training day, own target"
            unit={units.energy}
            inputMode="numeric"
          />
          <Field control={control} name="trainingProtein" label="Protein" unit="g" inputMode="numeric" />
          <Field
            control={control}
            name="restKcal"
            label="Rest day, own target"
            unit={units.energy}
            inputMode="numeric"
          />
          <Field control={control} name="restProtein" label="Protein" unit="g" inputMode="numeric" />
          <RowButton>
            <Button htmlType="submit">Save settings</Button>
          </RowButton>
        </Row>
        <Meanwhile said={meanwhile} />
      </form>
      <p className="quiet small above">
        Left empty, the target is the expenditure plus what the plan asks. Factors:{" "}
        {activityClasses
          .map(({ name, from, to }) => `${name.toLowerCase()} ${printNumber(from, 2)} to ${printNumber(to, 2)}`)
          .join(", ")}{" "}
        (FAO/WHO/UNU 2004).
      </p>
    </section>
  );
}
