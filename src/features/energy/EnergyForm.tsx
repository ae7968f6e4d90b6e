"use client";

import { printNumber, printTyped } from "@/core/base/units/number";
import type { EnergyView } from "@/core/energy/energyView";
import {
  activityClasses,
  defaultActivityFactor,
  type EquationName,
  equationError,
  equationNames,
  equations,
} from "@/core/energy/resting";
import type { Estimate } from "@/core/log/kinds/energySettings";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { useLog } from "@/ui/log/LogContext";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useEnergyChange } from "./useEnergyChange";

type Fields = { equation: EquationName; factor: string; sessions: "inside" | "added"; estimate: Estimate };

const energyForm = lateForm(() => import("@/core/energy/forms").then((forms) => forms.energyForm));

/** Equation, activity factor, and which end of the formula is gone by. Saved as from today. */
export function EnergyForm({ view: { settings } }: { view: EnergyView }) {
  const { person, today, units } = useLog();
  const change = useEnergyChange(settings);
  const shown: Fields = {
    equation: settings?.equation ?? "mifflinStJeor",
    factor: printTyped(settings?.activityFactor ?? defaultActivityFactor, 3),
    sessions: settings?.sessionsInFactor === false ? "added" : "inside",
    estimate: settings?.estimate ?? "middle",
  };
  const { control, save, meanwhile } = useRecordForm(energyForm, { units, today }, `energy ${person.id}`, shown, {
    equation: "The equation",
    factor: "The factor",
    sessions: "Sessions",
    estimate: "The estimate",
  });
  const onSubmit = save((values, changed) => {
    const has = (field: keyof Fields) => changed.has(field) || settings === null;
    return change(
      {
        ...(has("equation") ? { equation: values.equation } : {}),
        ...(has("factor") ? { activityFactor: values.factor } : {}),
        ...(has("sessions") ? { sessionsInFactor: values.sessions } : {}),
        ...(changed.has("estimate") ? { estimate: values.estimate, estimateSince: today, estimateHeld: null } : {}),
      },
      "Energy settings",
    );
  });
  return (
    <section className={`${styles.form} ${styles.section} noprint`}>
      <h2>Equation</h2>
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
          <Choice
            control={control}
            name="estimate"
            label="Go by its estimate"
            options={[
              { value: "high", label: `high, + ${printNumber(equationError * 100, 0)} %` },
              { value: "middle", label: "middle" },
              { value: "low", label: `low, − ${printNumber(equationError * 100, 0)} %` },
            ]}
          />
          <RowButton>
            <Button htmlType="submit">Save settings</Button>
          </RowButton>
        </Row>
        <Meanwhile said={meanwhile} />
      </form>
      <p className="quiet small above">
        Factors:{" "}
        {activityClasses
          .map(({ name, from, to }) => `${name.toLowerCase()} ${printNumber(from, 2)} to ${printNumber(to, 2)}`)
          .join(", ")}{" "}
        (FAO/WHO/UNU 2004). Who loses weight begins with the high estimate, holds it for two weeks at least, and steps
        down only if the weight moves slower than the plan asks; who gains begins with the low one and steps up.
      </p>
    </section>
  );
}
