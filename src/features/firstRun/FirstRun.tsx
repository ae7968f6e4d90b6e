"use client";

import type { MassUnit } from "@/core/base/units/mass";
import { fullDate } from "@/ui/dates";
import { aDate, massBetween, optional } from "@/ui/inputs/checks";
import { Field, Row } from "@/ui/inputs/Field";
import { LinkButton } from "@/ui/kit/LinkButton";
import type { FirstRunActions } from "@/ui/log/useOpenLog";
import { Button } from "antd";
import { useEffect, useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { type FirstFields, profileFields } from "../../ui/profile/profile";
import { ProfileFieldset } from "../../ui/profile/ProfileFieldset";
import { FirstImport } from "./FirstImport";
import styles from "./firstRun.module.css";

/** The one short page of the first run: units, start, height, birth date, sex, goal — or the demo. */
export function FirstRun({ actions }: { actions: FirstRunActions }) {
  const { today, openLog } = actions;
  const { control, handleSubmit, formState } = useForm<FirstFields>({
    mode: "onChange",
    defaultValues: { ...profileFields(null), startKg: "", startDate: today, targetKg: "", deadline: "", why: "" },
  });
  const [unit, target, start] = useWatch({ control, name: ["mass", "targetKg", "startDate"] }) as [
    MassUnit,
    string,
    string,
  ];
  const [undoable, setUndoable] = useState<string | null>(null);
  const { nextUndo } = actions;
  useEffect(() => {
    let left = false;
    void nextUndo().then(
      (label) => {
        if (!left) setUndoable(label);
      },
      () => {},
    );
    return () => {
      left = true;
    };
  }, [nextUndo]);
  const begin = handleSubmit(async (fields) => {
    const { firstChange } = await import("./firstChange");
    await actions.commit(firstChange(fields), "Log begun");
  });
  return (
    <main className={styles.page}>
      <h1>Oat Column</h1>
      <p className={styles.lead}>
        A training log that does the arithmetic. It lives in this browser, works without a network, and leaves whole
        through open files.
      </p>
      {actions.discarded && (
        <p role="alert" className="warn">
          On {fullDate(actions.discarded)} this browser held a log, and now its storage is empty: the browser has
          discarded it, as it does with storage that it finds damaged. Begin below, then bring in your last export under
          Files.
        </p>
      )}
      {undoable !== null && (
        <p role="status">
          The last change here was “{undoable}”. <LinkButton onClick={() => void actions.undo()}>Undo it</LinkButton>{" "}
          and the log is as it was.
        </p>
      )}
      <form onSubmit={(event) => void begin(event)} noValidate>
        <h2>Begin a log</h2>
        <Row>
          <Field control={control} name="name" label="Name of the log" placeholder="Own log" />
        </Row>
        <ProfileFieldset control={control} today={today} />
        <h2>Start and goal</h2>
        <Row>
          <Field
            control={control}
            name="startKg"
            label="Weight now"
            unit={unit}
            inputMode="decimal"
            check={optional(massBetween("Weight", unit, 25, 350))}
          />
          <Field control={control} name="startDate" label="On" type="date" check={aDate("The start", today)} />
          <Field
            control={control}
            name="targetKg"
            label="Goal weight, if any"
            unit={unit}
            inputMode="decimal"
            check={optional(massBetween("Goal weight", unit, 25, 350))}
          />
          <Field
            control={control}
            name="deadline"
            label="By"
            type="date"
            lean="ahead"
            check={(text) =>
              target.trim() === ""
                ? null
                : (aDate("The goal's date")(text) ?? (text <= start ? "The goal's date lies after the start." : null))
            }
          />
        </Row>
        <Row>
          <Field control={control} name="why" label="Why it matters, if you like" className={styles.why} />
        </Row>
        <p className="quiet small">
          All of this can be changed later. The figures are for healthy adults: not for anyone under 18, in pregnancy,
          or with an eating disorder.
        </p>
        <div className={styles.actions}>
          <Button type="primary" htmlType="submit" size="large" disabled={formState.isSubmitting}>
            Begin
          </Button>
          <LinkButton onClick={() => openLog("demo")}>Open the demo log instead</LinkButton>
        </div>
      </form>
      <FirstImport actions={actions} />
    </main>
  );
}
