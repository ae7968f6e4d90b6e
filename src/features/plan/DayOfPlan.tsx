"use client";

import { entryDayOf } from "@/core/base/calendar/day";
import { printNumber } from "@/core/base/units/number";
import type { Session } from "@/core/log/kinds/sessions";
import { put } from "@/core/log/records";
import { movedTo } from "@/core/planning/movedTo";
import { firstDateOf } from "@/core/sessions/firstPlan";
import { useRemove } from "@/ui/log/useRemove";
import type { PlanDayView, SessionLine } from "@/core/planning/nextWeekView";
import type { ProposalAsk } from "@/core/planning/proposals";
import { Mark } from "@/ui/column/Mark";
import { addDays, longDate, shortDate } from "@/ui/dates";
import { Actions } from "@/ui/kit/Actions";
import { Captioned } from "@/ui/kit/Captioned";
import { DateField } from "@/ui/kit/DateField";
import { Dialog } from "@/ui/kit/Dialog";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import { Button, Input } from "antd";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import styles from "./plan.module.css";
import { PlanSession } from "./PlanSession";
import { ProposalDialog } from "./ProposalDialog";
import { RepeatForm, ShiftForm, TaperForm } from "./MoveForms";

type Open = "shift" | "taper" | "swap" | null;

/** A day of the plan: its sessions, to be moved, copied or taken out, one more to be planned, and the days moved with it. */
export function DayOfPlan({ date, onClose }: { date: string; onClose: () => void }) {
  const { chooseDay, compute, commit, person, today } = useLog();
  const router = useRouter();
  const view = useFigure("planDay", { date });
  const printer = usePrinter();
  const [ask, setAsk] = useState<{ title: string; ask: ProposalAsk } | null>(null);
  const [open, setOpen] = useState<Open>(null);
  if (ask !== null) return <ProposalDialog {...ask} onClose={() => setAsk(null)} />;
  const show = (title: string) => (asked: ProposalAsk) => {
    setOpen(null);
    setAsk({ title, ask: asked });
  };
  const planRest = async (rest: boolean) => {
    const found = await compute.ask("planProposal", { personId: person.id, today, ask: { of: "rest", date, rest } });
    if (found !== null)
      await commit(found.change, rest ? `Rest on ${shortDate(date)}` : `No rest on ${shortDate(date)}`);
  };
  return (
    <Dialog title={longDate(date)} onClose={onClose}>
      {view && view.sessions.length > 0 ? (
        <ul className={styles.phaseList} aria-label="Sessions of the day">
          {view.sessions.map((line) => (
            <OneSession key={line.session.id} line={line} onRepeat={show("Planned again")} />
          ))}
        </ul>
      ) : (
        <p className="quiet">{view?.rest ? "Rest is planned on this day." : "Nothing is planned on this day."}</p>
      )}
      {view && <Load load={view.load} />}
      {view && (view.meals.length > 0 || view.weighedKg !== null) && (
        <p className="quiet small">
          {[
            view.weighedKg === null ? "" : `weighed ${printer.mass(view.weighedKg)}`,
            view.meals.length === 0 ? "" : `planned: ${view.meals.join(", ")}`,
          ]
            .filter(Boolean)
            .join(" · ")}
        </p>
      )}
      <PlanSession date={date} />
      {open === "swap" && (
        <ToDay
          date={addDays(date, 1)}
          verb="Swap"
          onTo={(b) => show("Two days swapped")({ of: "swap", a: date, b })}
          onClose={() => setOpen(null)}
        />
      )}
      {open === "shift" && (
        <ShiftForm from={date} onAsk={show("What is planned from a day on, moved")} onClose={() => setOpen(null)} />
      )}
      {open === "taper" && <TaperForm event={date} onAsk={show("A taper")} onClose={() => setOpen(null)} />}
      <p className="row above-l">
        <LinkButton
          onClick={() => {
            chooseDay(date);
            router.push("/");
          }}
        >
          Open this day
        </LinkButton>
        <Actions
          label={longDate(date)}
          actions={[
            ...(view === undefined || view === null || view.sessions.length > 0
              ? []
              : [{ name: view.rest ? "No rest any more" : "Plan rest", act: () => void planRest(!view.rest) }]),
            { name: "Swap with another day", act: () => setOpen("swap") },
            { name: "Move everything from here on", act: () => setOpen("shift") },
            { name: "Taper to this day", act: () => setOpen("taper") },
            { name: "Clear this day", act: () => show("This day cleared")({ of: "clear", from: date, to: date }) },
            {
              name: "Clear seven days from here",
              act: () => show("Seven days cleared")({ of: "clear", from: date, to: addDays(date, 6) }),
            },
          ]}
        />
      </p>
    </Dialog>
  );
}

/** What is planned of the day and of its week, minutes and effort × minutes, beside a week as it was trained of late. */
function Load({ load: { day, week, usual } }: { load: PlanDayView["load"] }) {
  if (day.minutes === 0 && week.minutes === 0) return null;
  const said = ({ minutes, sessionLoad }: PlanDayView["load"]["day"]) =>
    `${printNumber(minutes, 0)} min, ${printNumber(sessionLoad, 0)} effort × min`;
  return (
    <p className="quiet small">
      {day.minutes > 0 && <>The day as planned: {said(day)}. </>}
      Its week, done and to come: {said(week)}; the last four as trained: {said(usual)} a week.
    </p>
  );
}

/** A session of the day. What is done stays where it was done. */
function OneSession({
  line: { session, title, status, text },
  onRepeat,
}: {
  line: SessionLine;
  onRepeat: (ask: ProposalAsk) => void;
}) {
  const { commit, compute, person, today } = useLog();
  const removeRecord = useRemove();
  const [open, setOpen] = useState<"move" | "repeat" | "comment" | null>(null);
  const isDone = status === "done" || status === "partly";
  const move = async (to: string) => {
    if (await commit([put("sessions", movedTo(session, to), session)], `${title} moved to ${shortDate(to)}`))
      setOpen(null);
  };
  const keep = async () => {
    const found = await compute.ask("sessionAsRoutine", {
      personId: person.id,
      today,
      date: session.date,
      sessionId: session.id,
    });
    if (found === null) return;
    const { routine } = found;
    await commit(
      [put("routines", routine), put("sessions", { ...session, routineId: routine.id }, session)],
      `${title} kept as a routine`,
    );
  };
  return (
    <li>
      <span className="row">
        <Mark kind={session.kind} status={status} title={title} />
        <strong>{title}</strong>
        <span className="quiet">
          {[status, firstDateOf(session) === session.date ? null : `moved from ${shortDate(firstDateOf(session))}`]
            .filter(Boolean)
            .join(" · ")}
        </span>
        {!isDone && open === null && <LinkButton onClick={() => setOpen("move")}>Move to…</LinkButton>}
        {!isDone && <LinkButton onClick={() => void removeRecord("sessions", session.id)}>Remove</LinkButton>}
        <Actions
          label={title}
          actions={[
            { name: "Copy or repeat", act: () => setOpen("repeat") },
            { name: "Comment", act: () => setOpen("comment") },
            { name: "Keep as a routine", act: () => void keep() },
            ...(isDone
              ? []
              : [
                  {
                    name: session.booked ? "Not booked any more" : "Mark as booked",
                    act: () =>
                      void commit(
                        [put("sessions", { ...session, booked: !session.booked }, session)],
                        `${title} ${session.booked ? "not booked" : "booked"}`,
                      ),
                  },
                ]),
          ]}
        />
      </span>
      {text && <p className="quiet small">{text}</p>}
      {[session.place, session.instructor, ...(session.links ?? [])].some(Boolean) && (
        <p className="quiet small">
          {[session.place, session.instructor, ...(session.links ?? [])].filter(Boolean).join(" · ")}
        </p>
      )}
      {(session.comments ?? []).map(({ id, by, text: said }) => (
        <p key={id} className="small">
          {by && <span className="quiet">{by}: </span>}
          {said}
        </p>
      ))}
      {open === "comment" && <Comment session={session} title={title} onClose={() => setOpen(null)} />}
      {open === "move" && (
        <ToDay date={session.date} verb="Move" onTo={(to) => void move(to)} onClose={() => setOpen(null)} />
      )}
      {open === "repeat" && <RepeatForm session={session} onAsk={onRepeat} onClose={() => setOpen(null)} />}
    </li>
  );
}

/** A comment on a session; each stands for itself, whoever writes another. */
function Comment({ session, title, onClose }: { session: Session; title: string; onClose: () => void }) {
  const { commit, person } = useLog();
  const [text, setText] = useState("");
  const save = async () => {
    const comment = { id: newId(), by: person.name, text: text.trim() };
    const next = { ...session, comments: [...(session.comments ?? []), comment] };
    if (await commit([put("sessions", next, session)], `${title}, a comment`)) onClose();
  };
  return (
    <span className="row above">
      <Captioned caption="Comment">
        {(id) => (
          <Input id={id} value={text} onChange={(event) => setText(event.target.value)} autoComplete="off" autoFocus />
        )}
      </Captioned>
      <Button disabled={text.trim() === ""} onClick={() => void save()}>
        Save
      </Button>
      <LinkButton onClick={onClose}>Leave it</LinkButton>
    </span>
  );
}

/** To which day. */
function ToDay({
  date,
  verb,
  onTo,
  onClose,
}: {
  date: string;
  verb: string;
  onTo: (date: string) => void;
  onClose: () => void;
}) {
  const { today } = useLog();
  const [to, setTo] = useState(date < today ? today : date);
  const isPast = entryDayOf(to) !== null && to < today;
  return (
    <span className="row above">
      <Captioned caption={verb === "Move" ? "to" : "with"}>
        {(id) => <DateField id={id} value={to} min={today} lean="ahead" onChange={setTo} />}
      </Captioned>
      <Button disabled={entryDayOf(to) === null || isPast || (verb === "Move" && to === date)} onClick={() => onTo(to)}>
        {verb}
      </Button>
      {isPast && <span className="warn small">Nothing is planned into the past: choose today or a day to come.</span>}
      <LinkButton onClick={onClose}>Leave it</LinkButton>
    </span>
  );
}
