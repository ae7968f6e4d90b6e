"use client";

import { put } from "@/core/log/records";
import type { LiftView } from "@/core/strength/liftsView";
import { fullDate } from "@/ui/dates";
import { Field, Row, RowButton } from "@/ui/inputs/Field";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { v7 as newId } from "uuid";
import { quoted } from "./quoted";

const testForm = lateForm(() => import("@/core/strength/forms").then((forms) => forms.testForm));

/** Maxima that were tested: trusted over estimates, from their day on. */
export function Tests({ lift: { exercise, tests, added } }: { lift: LiftView }) {
  const { commit, person, today, units } = useLog();
  const printer = usePrinter();
  const { control, handleSubmit, drop } = useTypedForm(
    testForm,
    { units, today },
    `test of ${exercise.id} ${person.id}`,
    { defaultValues: { kg: "", date: today } },
  );
  const save = handleSubmit(async ({ kg, date }) => {
    if (
      await commit(
        [put("maxima", { id: newId(), personId: person.id, exerciseId: exercise.id, date, kg, tested: true })],
        `Tested ${exercise.name} ${printer.load(kg)}`,
      )
    )
      drop(["date"]);
  });
  return (
    <section className={`${view.section} noprint`}>
      <h3>Tested maxima</h3>
      {tests.length > 0 && (
        <RecordTable
          label="Tested maxima"
          rows={tests}
          keyOf={({ id, date }) => `${id} ${date}`}
          columns={[
            { head: "Day", mute: true, cell: ({ date }) => fullDate(date) },
            {
              head: "Load",
              mute: true,
              num: true,
              folded: "beside",
              cell: ({ kg }) => `${quoted(printer, kg, added)} ${printer.units.mass}`,
            },
            {
              head: "Remove",
              mute: true,
              num: true,
              folded: "beside",
              cell: ({ date, maximum }) =>
                maximum === null ? (
                  <span className="quiet small">from a day of testing</span>
                ) : (
                  <LinkButton
                    className="small"
                    onClick={() =>
                      void commit(
                        [{ remove: { kind: "maxima", id: maximum.id, date } }],
                        `Tested ${exercise.name} removed`,
                      )
                    }
                  >
                    Remove
                  </LinkButton>
                ),
            },
          ]}
        />
      )}
      <form onSubmit={(event) => void save(event)} noValidate className="above">
        <Row>
          <Field
            control={control}
            name="kg"
            label={`Tested 1RM${added ? ", added load" : ""}`}
            unit={units.mass}
            inputMode="decimal"
          />
          <Field control={control} name="date" label="On" type="date" />
          <RowButton>
            <Button htmlType="submit">Write test</Button>
          </RowButton>
        </Row>
      </form>
    </section>
  );
}
