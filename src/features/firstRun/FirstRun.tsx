"use client";

import { unitsOf } from "@/core/base/units/printer";
import { profileFields } from "@/core/profile/profile";
import { fullDate } from "@/ui/dates";
import { Field, Row } from "@/ui/inputs/Field";
import { LinkButton } from "@/ui/kit/LinkButton";
import type { FirstRunActions } from "@/ui/log/useOpenLog";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { useEffect, useState } from "react";
import { useWatch } from "react-hook-form";
import { ProfileFieldset } from "../../ui/profile/ProfileFieldset";
import { FirstImport } from "./FirstImport";
import styles from "./firstRun.module.css";

const firstForm = lateForm(() => import("@/core/profile/forms").then((forms) => forms.firstForm));

/** What is typed before a unit is chosen is in kilograms. */
const units = unitsOf({});

/** The one short page of the first run: units, start, height, birth date, sex, goal — or the demo. */
export function FirstRun({ actions }: { actions: FirstRunActions }) {
  const { today, openLog } = actions;
  const { control, handleSubmit, formState, drop } = useTypedForm(firstForm, { units, today }, "first run", {
    defaultValues: { ...profileFields(null), startKg: "", startDate: today, targetKg: "", deadline: "", why: "" },
  });
  const unit = useWatch({ control, name: "mass" });
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
  const begin = handleSubmit(async (values) => {
    const { firstChange } = await import("./firstChange");
    if (await actions.commit(firstChange(values), "Log begun")) drop();
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
        <ProfileFieldset control={control} />
        <h2>Start and goal</h2>
        <Row>
          <Field control={control} name="startKg" label="Weight now" unit={unit} inputMode="decimal" />
          <Field control={control} name="startDate" label="On" type="date" />
          <Field control={control} name="targetKg" label="Goal weight, if any" unit={unit} inputMode="decimal" />
          <Field control={control} name="deadline" label="By" type="date" lean="ahead" />
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
