"use client";

import { toKcal } from "@/core/base/units/energy";
import { parseDecimal, printNumber } from "@/core/base/units/number";
import {
  activityClasses,
  defaultActivityFactor,
  type EquationName,
  equationNames,
  equations,
} from "@/core/energy/resting";
import type { EnergySettings } from "@/core/log/kinds/energySettings";
import { put } from "@/core/log/records";
import { between, optional } from "@/ui/inputs/checks";
import { Choice, Field, Row, RowButton } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { v7 as newId } from "uuid";

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
    equation: (settings?.equation ?? "mifflinStJeor") as string,
    factor: settings?.activityFactor == null ? String(defaultActivityFactor) : String(settings.activityFactor),
    sessions: settings?.sessionsInFactor === false ? "added" : "inside",
    trainingKcal: own("training", "kcal"),
    restKcal: own("rest", "kcal"),
    trainingProtein: own("training", "protein"),
    restProtein: own("rest", "protein"),
  };
  const { control, save, meanwhile } = useRecordForm(shown, {
    equation: "The equation",
    factor: "The factor",
    sessions: "Sessions",
    trainingKcal: "The training day's target",
    restKcal: "The rest day's target",
    trainingProtein: "The training day's protein",
    restProtein: "The rest day's protein",
  });
  const onSubmit = save(async (fields, changed) => {
    const base = settings?.from === today ? settings : null;
    const target = (kind: "training" | "rest") => {
      const [kcalKey, proteinKey] = [`${kind}Kcal`, `${kind}Protein`] as const;
      const [kcal, protein] = [fields[kcalKey], fields[proteinKey]];
      return {
        ...settings?.targets?.[kind],
        ...(changed.has(kcalKey)
          ? { kcal: kcal.trim() === "" ? null : toKcal(parseDecimal(kcal)!, units.energy) }
          : {}),
        ...(changed.has(proteinKey) ? { protein: parseDecimal(protein) } : {}),
      };
    };
    const written = {
      equation: changed.has("equation") || settings === null ? (fields.equation as EquationName) : settings.equation,
      activityFactor:
        changed.has("factor") || settings === null ? parseDecimal(fields.factor)! : settings.activityFactor,
      sessionsInFactor:
        changed.has("sessions") || settings === null ? fields.sessions === "inside" : settings.sessionsInFactor,
    };
    const next: EnergySettings = {
      ...(base ?? { id: newId(), personId: person.id }),
      from: today,
      ...written,
      targets: { ...settings?.targets, training: target("training"), rest: target("rest") },
    };
    return commit([put("energySettings", next, base ?? undefined)], "Energy settings");
  });
  const energy = optional(between("The target", 500, 40_000));
  const grams = optional(between("Protein", 0, 600));
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
          <Field
            control={control}
            name="factor"
            label="Activity factor"
            inputMode="decimal"
            check={between("The factor", 1.2, 2.6)}
          />
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
            check={energy}
          />
          <Field control={control} name="trainingProtein" label="Protein" unit="g" inputMode="numeric" check={grams} />
          <Field
            control={control}
            name="restKcal"
            label="Rest day, own target"
            unit={units.energy}
            inputMode="numeric"
            check={energy}
          />
          <Field control={control} name="restProtein" label="Protein" unit="g" inputMode="numeric" check={grams} />
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
