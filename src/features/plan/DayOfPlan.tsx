"use client";

import { entryDayOf } from "@/core/base/calendar/day";
import type { Session } from "@/core/log/kinds/sessions";
import { put } from "@/core/log/records";
import type { DayOfWeek, SessionOfWeek } from "@/core/planning/weeksView";
import { Mark } from "@/ui/column/Mark";
import { longDate, shortDate } from "@/ui/dates";
import { check, Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Captioned } from "@/ui/kit/Captioned";
import { DateField } from "@/ui/kit/DateField";
import { Dialog } from "@/ui/kit/Dialog";
import { LinkButton } from "@/ui/kit/LinkButton";
import { TickField } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { Button } from "antd";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import styles from "./plan.module.css";

const plannedSessionForm = lateForm(() => import("@/core/sessions/forms").then((forms) => forms.plannedSessionForm));

/** A day of the plan: its sessions, to be moved or taken out, and one more to be planned. */
export function DayOfPlan({ date, day, onClose }: { date: string; day: DayOfWeek | null; onClose: () => void }) {
  const { chooseDay } = useLog();
  const router = useRouter();
  const view = useFigure("day", { date });
  const records = new Map((view?.sessions ?? []).map(({ session }) => [session.id, session]));
  return (
    <Dialog title={longDate(date)} onClose={onClose}>
      {day && day.sessions.length > 0 ? (
        <ul className={styles.phaseList} aria-label="Sessions of the day">
          {day.sessions.map((session) => (
            <SessionLine key={session.id} session={session} record={records.get(session.id) ?? null} />
          ))}
        </ul>
      ) : (
        <p className="quiet">Nothing is planned on this day.</p>
      )}
      <PlanSession date={date} />
      <p className="above-l">
        <LinkButton
          onClick={() => {
            chooseDay(date);
            router.push("/");
          }}
        >
          Open this day
        </LinkButton>
      </p>
    </Dialog>
  );
}

/** A session of the day. What is done stays where it was done. */
function SessionLine({ session, record }: { session: SessionOfWeek; record: Session | null }) {
  const { commit } = useLog();
  const [moving, setMoving] = useState<string | null>(null);
  const { kind, status, title, time, optional } = session;
  const canMove = record !== null && (status === "planned" || status === "missed" || status === "skipped");
  const move = async (to: string) => {
    const { reason: _reason, ...kept } = record!;
    const next = { ...kept, date: to, status: "planned" as const };
    if (await commit([put("sessions", next, record!)], `${title} moved to ${shortDate(to)}`)) setMoving(null);
  };
  return (
    <li>
      <span className="row">
        <Mark kind={kind} status={status} title={title} />
        <strong>{title}</strong>
        <span className="quiet">{[time, status, optional ? "optional" : null].filter(Boolean).join(" · ")}</span>
        {canMove && moving === null && <LinkButton onClick={() => setMoving(record.date)}>Move to…</LinkButton>}
        {canMove && (
          <LinkButton
            onClick={() => void commit([{ remove: { kind: "sessions", id: record.id } }], `${title} removed`)}
          >
            Remove
          </LinkButton>
        )}
      </span>
      {moving !== null && record !== null && (
        <span className="row above">
          <Captioned caption="to">
            {(id) => <DateField id={id} value={moving} lean="ahead" onChange={setMoving} />}
          </Captioned>
          <Button disabled={entryDayOf(moving) === null || moving === record.date} onClick={() => void move(moving)}>
            Move
          </Button>
          <LinkButton onClick={() => setMoving(null)}>Leave it</LinkButton>
        </span>
      )}
    </li>
  );
}

/** One more session on the day, of any kind. */
function PlanSession({ date }: { date: string }) {
  const { person, units, today, commit } = useLog();
  const { control, handleSubmit, drop } = useTypedForm(
    plannedSessionForm,
    { units, today },
    `planned session ${person.id} ${date}`,
    { defaultValues: { kind: "strength", title: "", time: "", minutes: "", effort: "", optional: false } },
  );
  const save = handleSubmit(async ({ kind, title, time, minutes, effort, optional }) => {
    const planned = {
      ...(minutes === null ? {} : { minutes }),
      ...(effort === null ? {} : { effort }),
    };
    const session: Session = {
      id: newId(),
      personId: person.id,
      date,
      kind,
      status: "planned",
      planned,
      ...(title ? { title } : {}),
      ...(time === null ? {} : { time }),
      ...(optional ? { optional } : {}),
    };
    if (await commit([put("sessions", session)], `${title || kind} planned on ${shortDate(date)}`)) drop();
  });
  return (
    <form onSubmit={(event) => void save(event)} noValidate aria-label="Plan a session" className="above-l">
      <Row>
        <Field control={control} name="kind" label="Kind" placeholder="strength, run, row" />
        <Field control={control} name="title" label="Title, if any" />
        <Field control={control} name="time" label="Time of day" type="time" />
        <Field control={control} name="minutes" label="Minutes" inputMode="decimal" />
        <Field control={control} name="effort" label="Effort, 0 to 10" inputMode="decimal" />
        <TickField control={control} name="optional" className={check}>
          optional
        </TickField>
        <RowButton>
          <Button htmlType="submit">Plan session</Button>
        </RowButton>
      </Row>
    </form>
  );
}
