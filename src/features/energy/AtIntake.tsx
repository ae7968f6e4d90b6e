"use client";

import type { WhatIfView } from "@/core/balance/whatIf";
import { fullDate, monthsLater, shortDate } from "@/ui/dates";
import { Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useState } from "react";

const whatIfForm = lateForm(() => import("@/core/energy/forms").then((forms) => forms.whatIfForm));

/** At this intake, what weight then? By the dynamic model, beside the straight line of the same balance. */
export function AtIntake() {
  const { person, units, today } = useLog();
  const printer = usePrinter();
  const [asked, setAsked] = useState<{ intakeKcal: number; until: string } | null>(null);
  const { control, handleSubmit } = useTypedForm(whatIfForm, { units, today }, `what if ${person.id}`, {
    defaultValues: { intake: "", until: monthsLater(today, 3) },
  });
  const show = handleSubmit(({ intake, until }) => setAsked({ intakeKcal: intake, until }));
  return (
    <section className={`${styles.section} noprint`}>
      <h2>What if</h2>
      <form onSubmit={(event) => void show(event)} noValidate aria-label="What if">
        <Row>
          <Field control={control} name="intake" label="Intake a day" unit={units.energy} inputMode="numeric" />
          <Field control={control} name="until" label="Until" type="date" lean="ahead" />
          <RowButton>
            <Button htmlType="submit">See the weight</Button>
          </RowButton>
        </Row>
      </form>
      <ForGoal printer={printer} />
      {asked !== null && <Answer asked={asked} printer={printer} />}
    </section>
  );
}

/** What the goal in force asks to be eaten, by the dynamic model and by the straight line. */
function ForGoal({ printer }: { printer: ReturnType<typeof usePrinter> }) {
  const goal = useFigure("intakeForGoal", {})?.goal;
  if (!goal) return null;
  const { targetKg, date, kcal, straightKcal } = goal;
  return (
    <p className="quiet">
      {kcal === null
        ? `No intake that can be kept lands on ${printer.mass(targetKg)} on ${fullDate(date)}.`
        : `To stand at ${printer.mass(targetKg)} on ${fullDate(date)}, ${printer.energy(kcal)} a day from now on, by the dynamic model; by the straight line ${printer.energy(straightKcal)}.`}
    </p>
  );
}

function Answer({
  asked,
  printer,
}: {
  asked: { intakeKcal: number; until: string };
  printer: ReturnType<typeof usePrinter>;
}) {
  const view: WhatIfView | null | undefined = useFigure("whatIf", asked);
  if (!view) return null;
  if ("reason" in view) return <p className="warn">Not known: {view.reason}.</p>;
  const last = view.weeks.at(-1)!;
  const step = Math.max(1, Math.ceil(view.weeks.length / 14));
  return (
    <>
      <p>
        <strong className="figure">{printer.mass(last.kg)}</strong> on {fullDate(last.date)},{" "}
        {printer.massNumber(last.low80)} to {printer.mass(last.high80)} four times in five. The straight line of the
        same balance says {printer.mass(view.straightKg)}: it leaves out that a lighter body spends less, and a heavier
        one more, and that water follows the food within days.
      </p>
      <p className="quiet small">
        From {printer.energy(view.expenditureKcal)} a day {view.from === "measured" ? "as measured" : "by the formula"}
        {view.intakeNowKcal === null ? "" : `, eating ${printer.energy(view.intakeNowKcal)} of late`}. Dynamic model of
        Hall et al. 2011, Lancet 378:826.
      </p>
      <RecordTable
        label="Weight by week at this intake"
        rows={view.weeks.filter((_, index) => index % step === 0 || index === view.weeks.length - 1)}
        keyOf={({ date }) => date}
        columns={[
          { head: "Day", cell: ({ date }) => shortDate(date) },
          {
            head: `Weight, ${printer.units.mass}`,
            num: true,
            folded: "beside",
            cell: ({ kg }) => printer.massNumber(kg),
          },
          {
            head: "80 % interval",
            num: true,
            cell: ({ low80, high80 }) => `${printer.massNumber(low80)} to ${printer.massNumber(high80)}`,
          },
        ]}
      />
    </>
  );
}
