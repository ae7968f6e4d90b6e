"use client";

import type { Session } from "@/core/log/kinds/sessions";
import { sessionFields, withSessionFields } from "@/core/sessions/sessionForm";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { check, Choice, Field, Row, wide } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { TickField } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { lateForm } from "@/ui/inputs/lateForm";

const sessionForm = lateForm(() => import("@/core/sessions/forms").then((forms) => forms.sessionForm));

interface Props {
  session: Session;
  onSave: (session: Session) => Promise<boolean>;
  onClose: () => void;
}

const names = {
  title: "Title",
  at: "Time of day",
  place: "Place",
  optional: "optional",
  test: "meet",
  distance: "Distance",
  time: "Time",
  minutes: "Minutes",
  effort: "Effort",
  feel: "Feel",
  note: "Note",
  kcal: "Energy",
  kcalIs: "gross or net",
};

/**
 * What was done in a session as a whole: distance and time where it has them, minutes, effort, feel, title, time,
 * place, note.
 */
export function SessionEditor({ session, onSave, onClose }: Props) {
  const { units, today } = useLog();
  const covered = session.distance != null;
  const { control, save, meanwhile, drop } = useRecordForm(
    sessionForm,
    { units, today, covered },
    `session ${session.id}`,
    sessionFields(session, units.distance, units.energy),
    names,
  );
  const onSubmit = save(async (values, changed) => {
    const written = await onSave(withSessionFields(session, values, changed));
    if (written) onClose();
    return written;
  });
  return (
    <form onSubmit={(event) => void onSubmit(event)} noValidate className="stack above-l">
      <Row>
        <Field control={control} name="title" label="Title" />
        <Field control={control} name="at" label="Time of day" type="time" />
        <Field control={control} name="place" label="Place" />
        <TickField control={control} name="optional" className={check}>
          optional
        </TickField>
        {session.kind === "strength" && (
          <TickField control={control} name="test" className={check}>
            a meet or day of testing
          </TickField>
        )}
      </Row>
      <Row>
        {covered && (
          <Field control={control} name="distance" label="Distance" unit={units.distance} inputMode="decimal" />
        )}
        {covered ? (
          <Field control={control} name="time" label="Time" placeholder="33:10" />
        ) : (
          <Field control={control} name="minutes" label="Minutes" inputMode="decimal" />
        )}
        <Field control={control} name="effort" label="Effort, 0 to 10" inputMode="decimal" />
        <Field control={control} name="feel" label="Feel, 1 to 5" inputMode="decimal" />
        <Field control={control} name="kcal" label="Energy, of a watch" unit={units.energy} inputMode="decimal" />
        <Choice
          control={control}
          name="kcalIs"
          label="It counts"
          options={[
            { value: "", label: "no number" },
            { value: "gross", label: "rest as well (gross)" },
            { value: "net", label: "exercise alone (net)" },
          ]}
        />
        <Field control={control} name="note" label="Note" className={wide} />
        <FormEnd save="Save session" drop={drop} onClose={onClose} />
      </Row>
      <Meanwhile said={meanwhile} />
    </form>
  );
}
