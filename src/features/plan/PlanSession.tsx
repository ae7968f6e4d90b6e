"use client";

import type { Session } from "@/core/log/kinds/sessions";
import { put } from "@/core/log/records";
import { plannedOn } from "@/core/planning/plannedOn";
import { shortDate } from "@/ui/dates";
import { check, Field, Row, RowButton } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Captioned } from "@/ui/kit/Captioned";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Select } from "@/ui/kit/Select";
import { TickField } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { Button } from "antd";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { lengths } from "./lengthText";

const plannedSessionForm = lateForm(() => import("@/core/sessions/forms").then((forms) => forms.plannedSessionForm));

/** One more session on the day: a routine, or one of any kind. */
export function PlanSession({ date }: { date: string }) {
  const { person, units, today, commit } = useLog();
  const [isClass, setClass] = useState(false);
  const { control, handleSubmit, drop } = useTypedForm(
    plannedSessionForm,
    { units, today },
    `planned session ${person.id} ${date}`,
    {
      defaultValues: {
        kind: "strength",
        title: "",
        time: "",
        minutes: "",
        effort: "",
        optional: false,
        place: "",
        instructor: "",
        link: "",
        booked: false,
      },
    },
  );
  const save = handleSubmit(async (values) => {
    const { kind, title, time, minutes, effort, optional, place, instructor, link, booked } = values;
    const session: Session = {
      id: newId(),
      personId: person.id,
      date,
      kind,
      status: "planned",
      planned: { ...(minutes === null ? {} : { minutes }), ...(effort === null ? {} : { effort }) },
      ...(title ? { title } : {}),
      ...(time === null ? {} : { time }),
      ...(optional ? { optional } : {}),
      ...(place ? { place } : {}),
      ...(instructor ? { instructor } : {}),
      ...(link ? { links: [link] } : {}),
      ...(booked ? { booked } : {}),
    };
    if (await commit([put("sessions", session)], `${title || kind} planned on ${shortDate(date)}`)) drop();
  });
  return (
    <>
      <FromRoutine date={date} />
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
        </Row>
        {isClass && (
          <Row>
            <Field control={control} name="place" label="Place" />
            <Field control={control} name="instructor" label="Led by" />
            <Field control={control} name="link" label="Link" />
            <TickField control={control} name="booked" className={check}>
              booked
            </TickField>
          </Row>
        )}
        <Row>
          <RowButton>
            <Button htmlType="submit">Plan session</Button>
          </RowButton>
          {!isClass && (
            <RowButton>
              <LinkButton onClick={() => setClass(true)}>It is a class</LinkButton>
            </RowButton>
          )}
        </Row>
      </form>
    </>
  );
}

/** A routine placed on the day, its minutes filled in; found by its kind, how long it takes, and who leads it. */
function FromRoutine({ date }: { date: string }) {
  const { person, commit } = useLog();
  const routines = useFigure("routines", {})?.routines ?? [];
  const [kind, setKind] = useState("");
  const [longest, setLongest] = useState("");
  if (routines.length === 0) return null;
  const kinds = [...new Set(routines.flatMap(({ routine }) => routine.kind ?? []))];
  const fitting = routines.filter(
    ({ routine }) =>
      (kind === "" || routine.kind === kind) && (longest === "" || (routine.minutes ?? Infinity) <= Number(longest)),
  );
  const place = (id: string) => {
    const { routine } = routines.find((one) => one.routine.id === id)!;
    const session: Session = {
      id: newId(),
      personId: person.id,
      date,
      status: "planned",
      routineId: routine.id,
      ...plannedOn({ ...routine, title: routine.name }, undefined, newId),
    };
    void commit([put("sessions", session)], `${routine.name} planned on ${shortDate(date)}`);
  };
  return (
    <p className="row above-l">
      {kinds.length > 1 && (
        <Captioned caption="Kind">
          {(id) => (
            <Select
              id={id}
              value={kind}
              onChange={setKind}
              options={[{ value: "", label: "any" }, ...kinds.map((one) => ({ value: one, label: one }))]}
            />
          )}
        </Captioned>
      )}
      <Captioned caption="At most">
        {(id) => (
          <Select
            id={id}
            value={longest}
            onChange={setLongest}
            options={[
              { value: "", label: "any length" },
              ...lengths.map((most) => ({ value: String(most), label: `${most} min` })),
            ]}
          />
        )}
      </Captioned>
      <Captioned caption="Plan a routine">
        {(id) => (
          <Select
            id={id}
            value={null}
            placeholder={fitting.length === 0 ? "none fits" : "choose"}
            onChange={(chosen: string | null) => chosen !== null && place(chosen)}
            options={fitting.map(({ routine }) => ({
              value: routine.id,
              label: [
                routine.name,
                routine.minutes == null ? "" : `${Math.round(routine.minutes)} min`,
                routine.instructor ?? "",
              ]
                .filter(Boolean)
                .join(", "),
            }))}
          />
        )}
      </Captioned>
    </p>
  );
}
