"use client";

import { counted, printNumber, printPlain } from "@/core/base/units/number";
import type { MeasureRow } from "@/core/body/measuresView";
import { put, type RecordOf } from "@/core/log/records";
import { fullDate } from "@/ui/dates";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Field, narrow, Row } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { lateForm } from "@/ui/inputs/lateForm";
import { useState } from "react";

const readingForm = lateForm(() => import("@/core/body/forms").then((forms) => forms.readingForm));

/** So many are listed at once, the latest first. */
const listed = 30;

/** Every reading of a measure, several of a day too, to be changed or removed. */
export function Readings({ measure }: { measure: MeasureRow }) {
  const { commit } = useLog();
  const [editing, setEditing] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const latest = [...measure.readings].reverse();
  const shown = all ? latest : latest.slice(0, listed);
  const text = (value: number) => `${printPlain(value, 2)} ${measure.unit}`.trim();
  return (
    <details>
      <summary>
        {counted(measure.count, "reading")} of {measure.name.toLowerCase()}
      </summary>
      <RecordTable
        label={`Readings of ${measure.name}`}
        rows={shown}
        keyOf={({ id }) => id}
        below={(reading) =>
          editing === reading.id && <EditReading measure={measure} reading={reading} onClose={() => setEditing(null)} />
        }
        columns={[
          { head: "Day", cell: ({ date }) => fullDate(date) },
          { head: "Value", num: true, folded: "beside", bare: true, cell: ({ value }) => text(value) },
          { head: "Method", tone: "quiet", bare: true, cell: ({ method }) => method },
          {
            head: "Change or remove",
            mute: true,
            num: true,
            cell: (reading) => (
              <>
                <LinkButton
                  aria-label={`Change ${text(reading.value)} of ${fullDate(reading.date)}`}
                  onClick={() => setEditing(reading.id)}
                >
                  Change
                </LinkButton>{" "}
                <LinkButton
                  aria-label={`Remove ${text(reading.value)} of ${fullDate(reading.date)}`}
                  onClick={() =>
                    void commit(
                      [{ remove: { kind: "readings", id: reading.id, date: reading.date } }],
                      `${measure.name} ${text(reading.value)} removed`,
                    )
                  }
                >
                  Remove
                </LinkButton>
              </>
            ),
          },
        ]}
      />
      {latest.length > listed && !all && (
        <p>
          <LinkButton onClick={() => setAll(true)}>All {printNumber(latest.length, 0)}</LinkButton>
        </p>
      )}
    </details>
  );
}

function EditReading({
  measure,
  reading,
  onClose,
}: {
  measure: MeasureRow;
  reading: RecordOf<"readings">;
  onClose: () => void;
}) {
  const { units, today, commit } = useLog();
  const { control, save, meanwhile, drop } = useRecordForm(
    readingForm,
    { units, today, measured: measure },
    `reading ${reading.id}`,
    { date: reading.date, value: String(reading.value), method: reading.method ?? "" },
    { date: "Day", value: "Value", method: "Method" },
  );
  const onSubmit = save(async (values, changed) => {
    const { method: _method, ...kept } = reading;
    const method = changed.has("method") ? values.method : (reading.method ?? "");
    const next = {
      ...kept,
      ...(changed.has("date") ? { date: values.date } : {}),
      ...(changed.has("value") ? { value: values.value } : {}),
      ...(method ? { method } : {}),
    };
    const written = await commit([put("readings", next, reading)], `${measure.name} changed`);
    if (written) onClose();
    return written;
  });
  return (
    <form onSubmit={(event) => void onSubmit(event)} noValidate>
      <Row>
        <Field control={control} name="date" label="Day" type="date" />
        <Field
          className={narrow}
          control={control}
          name="value"
          label="Value"
          unit={measure.unit}
          inputMode="decimal"
        />
        <Field control={control} name="method" label="Method, if any" />
        <FormEnd save="Save reading" drop={drop} onClose={onClose} />
      </Row>
      <Meanwhile said={meanwhile} />
    </form>
  );
}
