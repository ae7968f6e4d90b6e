"use client";

import type { Session } from "@/core/log/kinds/sessions";
import type { ProposalAsk } from "@/core/planning/proposals";
import { addDays } from "@/ui/dates";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { check, Field, Row } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { TickField } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import type { ReactNode } from "react";

const shiftForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.shiftForm));
const taperForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.taperForm));
const repeatForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.repeatForm));

interface Asks {
  onAsk: (ask: ProposalAsk) => void;
  onClose: () => void;
}

function Ends({ drop, onClose }: { drop: () => void; onClose: () => void }): ReactNode {
  return <FormEnd save="See it first" drop={drop} onClose={onClose} />;
}

/** Everything planned from a day on, by so many days. */
export function ShiftForm({ from, onAsk, onClose }: { from: string } & Asks) {
  const { units, today } = useLog();
  const { control, handleSubmit, drop } = useTypedForm(shiftForm, { units, today }, `shift ${from}`, {
    defaultValues: { from, days: "7", withBars: true },
  });
  const save = handleSubmit((asked) => {
    drop();
    onAsk({ of: "shift", ...asked });
  });
  return (
    <form onSubmit={(event) => void save(event)} noValidate aria-label="Move everything from a day on">
      <Row>
        <Field control={control} name="from" label="Everything from" type="date" lean="ahead" />
        <Field control={control} name="days" label="by days" inputMode="numeric" autoFocus />
        <TickField control={control} name="withBars" className={check}>
          with the phases, blocks and cycles that begin then
        </TickField>
        <Ends drop={drop} onClose={onClose} />
      </Row>
    </form>
  );
}

/** A taper to a day. */
export function TaperForm({ event, onAsk, onClose }: { event: string } & Asks) {
  const { units, today } = useLog();
  const { control, handleSubmit, drop } = useTypedForm(taperForm, { units, today }, `taper ${event}`, {
    defaultValues: { event, days: "14", share: "50" },
  });
  const save = handleSubmit((asked) => {
    drop();
    onAsk({ of: "taper", ...asked });
  });
  return (
    <form onSubmit={(event_) => void save(event_)} noValidate aria-label="Taper">
      <p className="quiet small">
        Less volume, the same loads and the same number of sessions: 41 to 60 % less over two weeks has shown the
        largest gain (Bosquet and others, 2007).
      </p>
      <Row>
        <Field control={control} name="event" label="Counted back from" type="date" lean="ahead" />
        <Field control={control} name="days" label="Days" inputMode="numeric" autoFocus />
        <Field control={control} name="share" label="Less volume" unit="%" inputMode="decimal" />
        <Ends drop={drop} onClose={onClose} />
      </Row>
    </form>
  );
}

/** A session copied to another day, or repeated. */
export function RepeatForm({ session, onAsk, onClose }: { session: Session } & Asks) {
  const { units, today } = useLog();
  const { control, handleSubmit, drop } = useTypedForm(repeatForm, { units, today }, `repeat ${session.id}`, {
    defaultValues: { on: addDays(session.date, 7), everyDays: "7", times: "1" },
  });
  const save = handleSubmit((asked) => {
    drop();
    onAsk({ of: "repeat", date: session.date, sessionId: session.id, ...asked });
  });
  return (
    <form onSubmit={(event) => void save(event)} noValidate aria-label="Copy or repeat">
      <Row>
        <Field control={control} name="on" label="Again on" type="date" lean="ahead" />
        <Field control={control} name="times" label="Times" inputMode="numeric" autoFocus />
        <Field control={control} name="everyDays" label="Every so many days" inputMode="numeric" />
        <Ends drop={drop} onClose={onClose} />
      </Row>
    </form>
  );
}
