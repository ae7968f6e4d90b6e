"use client";

import { Button } from "antd";
import { useForm } from "react-hook-form";
import type { Session } from "@/core/log/records";
import { metresPer } from "@/core/units/length";
import { parseDecimal } from "@/core/units/number";
import { parseDuration, printDuration } from "@/core/units/time";
import { aDuration, between, optional } from "@/ui/inputs/checks";
import { check, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";

interface Props { session: Session; onSave: (session: Session) => void; onClose: () => void }

/** What was done in a session as a whole: distance and time where it has them, minutes, effort, feel, title, time, place, note. */
export function SessionEditor({ session, onSave, onClose }: Props) {
  const { units } = useLog();
  const per = metresPer(units.distance);
  const covered = session.distance ? (session.distance.done ?? session.distance.planned ?? {}) : null;
  const { control, handleSubmit, register } = useForm({
    mode: "onChange",
    defaultValues: {
      distance: covered?.metres == null ? "" : String(Math.round((covered.metres / per) * 1000) / 1000), time: covered?.seconds == null ? "" : printDuration(covered.seconds),
      title: session.title ?? "", at: session.time ?? "", place: session.place ?? "", feel: session.feel == null ? "" : String(session.feel), optional: session.optional ?? false, test: session.test ?? false,
      minutes: session.minutes == null ? "" : String(Math.round(session.minutes * 10) / 10), effort: session.effort == null ? "" : String(session.effort), note: session.note ?? "",
    },
  });
  const save = handleSubmit((fields) => {
    const { effort: _effort, note: _note, minutes: _minutes, feel: _feel, title: _title, time: _time, place: _place, optional: _optional, test: _test, ...kept } = session;
    const text = (key: "title" | "place" | "note", value: string) => (value.trim() === "" ? {} : { [key]: value.trim() });
    const [feel, effort, minutes, metres, seconds] = [parseDecimal(fields.feel), parseDecimal(fields.effort), parseDecimal(fields.minutes), parseDecimal(fields.distance), parseDuration(fields.time)];
    const unchanged = covered?.metres != null && metres !== null && Math.abs(metres * per - covered.metres) < 0.5;
    const done = { ...(metres === null ? {} : { metres: unchanged ? covered.metres! : metres * per }), ...(seconds === null ? {} : { seconds }) };
    onSave({
      ...kept, status: covered === null ? kept.status : "done", ...(effort === null ? {} : { effort }), ...(feel === null ? {} : { feel }), ...text("note", fields.note), ...text("title", fields.title), ...text("place", fields.place),
      ...(fields.at === "" ? {} : { time: fields.at }), ...(fields.optional ? { optional: true } : {}), ...(fields.test ? { test: true } : {}),
      ...(covered === null ? (minutes === null ? {} : { minutes }) : seconds === null ? {} : { minutes: seconds / 60 }), ...(covered === null ? {} : { distance: { ...session.distance, done } }),
    });
  });
  return (
    <form onSubmit={(event) => void save(event)} noValidate style={{ paddingTop: 10, display: "grid", gap: 10 }}>
      <Row>
        <Field control={control} name="title" label="Title" />
        <Field control={control} name="at" label="Time of day" type="time" />
        <Field control={control} name="place" label="Place" />
        <label className={check}><input type="checkbox" {...register("optional")} /> optional</label>
        {session.kind === "strength" && <label className={check}><input type="checkbox" {...register("test")} /> a meet or day of testing</label>}
      </Row>
      <Row>
        {covered !== null && <Field control={control} name="distance" label="Distance" unit={units.distance} inputMode="decimal" check={optional(between("Distance", 0.01, 10_000))} />}
        {covered !== null ? <Field control={control} name="time" label="Time" placeholder="33:10" check={aDuration} /> : <Field control={control} name="minutes" label="Minutes" inputMode="decimal" check={optional(between("Minutes", 1, 1440))} />}
        <Field control={control} name="effort" label="Effort, 0 to 10" inputMode="decimal" check={optional(between("Effort", 0, 10))} />
        <Field control={control} name="feel" label="Feel, 1 to 5" inputMode="decimal" check={optional(between("Feel", 0, 10))} />
        <Field control={control} name="note" label="Note" className={wide} />
        <RowButton><Button htmlType="submit">Save session</Button></RowButton>
        <RowButton><button type="button" className="link" style={{ paddingTop: 6 }} onClick={onClose}>Cancel</button></RowButton>
      </Row>
    </form>
  );
}
