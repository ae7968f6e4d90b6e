"use client";

import { counted } from "@/core/base/units/number";
import type { Session, TrainingSet } from "@/core/log/kinds/sessions";
import { put } from "@/core/log/records";
import { hasPlan } from "@/core/sessions/planned";
import { withSet } from "@/core/sessions/sets";
import { lackOf } from "@/core/strength/doubt";
import { withPartDone } from "@/core/sessions/parts";
import { asPlanned, confirmed, isShort, performedAs } from "@/core/training/perform";
import type { CardItem, SessionCard } from "@/core/training/sessionCard";
import { Mark } from "@/ui/column/Mark";
import { shortDate } from "@/ui/dates";
import { Actions } from "@/ui/kit/Actions";
import { Captioned } from "@/ui/kit/Captioned";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { saveDone } from "@/ui/lifts/saveDone";
import { SetEditor } from "@/ui/lifts/SetEditor";
import { useRemove } from "@/ui/log/useRemove";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import { Button, Input } from "antd";
import { trainingAt } from "@/ui/shell/views";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { SessionEditor } from "./SessionEditor";
import { SessionPictures } from "./SessionPictures";
import styles from "./today.module.css";

/**
 * A session of the day (`strong` when its confirming is the one strong action): to confirm set by set, or whole, or to
 * skip; afterwards what was planned beside what was done.
 */
export function SessionOfDay({ card, strong }: { card: SessionCard; strong: boolean }) {
  const { commit, today } = useLog();
  const removeRecord = useRemove();
  const [open, setOpen] = useState<"change" | "skip" | "pictures" | null>(null);
  const [asked, setAsked] = useState(false);
  const { session, status, title } = card;
  const router = useRouter();
  const pictures = card.photos.length > 0 ? `Pictures (${card.photos.length})` : "Pictures";
  const flip = (what: "change" | "skip" | "pictures") => setOpen(open === what ? null : what);
  const save = (next: Session, label: string) => commit([put("sessions", next, session)], label);
  const waits = status === "planned" || status === "partly" || status === "missed";
  const lifted = session.kind === "strength";
  const workedKg = (itemId: string, setId: string) => card.items.find(({ id }) => id === itemId)?.worked[setId];
  const ahead = session.date > today;
  const exerciseOf = (id: string) => card.items.find(({ exerciseId }) => exerciseId === id)?.exercise ?? undefined;
  const lacking = card.items.flatMap((item) =>
    item.skipped === null
      ? item.sets.filter((set) => !set.done && hasPlan(set) && needsMore(set, item)).map(() => item.name)
      : [],
  );
  const confirm = async () => {
    const next = confirmed(session, exerciseOf, workedKg);
    if (next.status === session.status && lacking.length > 0 && !next.distance?.done) return setAsked(true);
    const isWhole = (session.items ?? []).every(({ skipped }) => skipped == null);
    const label = isWhole ? `${title} as planned` : `${title}, but for what was left out`;
    if ((await save(next, label)) && lacking.length > 0) setAsked(true);
  };
  return (
    <section className={styles.section} aria-label={title}>
      <div className={styles.sessionHead}>
        <h2>
          <Mark kind={session.kind} status={status} title={title} /> {title}
          {session.time ? <span className="quiet small"> {session.time}</span> : null}
        </h2>
        <SessionNote card={card} />
      </div>
      {card.items.length > 0 && <Items card={card} save={save} ahead={ahead} />}
      {session.distance && <DistanceLine card={card} />}
      {card.parts.length > 0 && (
        <Parts
          card={card}
          ahead={ahead}
          onDone={(index, done) =>
            void save(
              withPartDone(session, index, done),
              `${title}, part ${index + 1}, ${done} of ${card.parts[index]!.times}`,
            )
          }
        />
      )}
      <div className={`${styles.actions} noprint`}>
        {lifted && (waits || (status === "done" && session.date === today)) && !ahead && (
          <Link
            className={styles.train}
            data-strong={strong && status !== "done"}
            href={trainingAt(session.date, session.id)}
          >
            {status === "partly" || status === "done" ? "Go on training" : "Train"}
          </Link>
        )}
        {waits && !ahead && card.items.length + card.parts.length + (session.distance ? 1 : 0) > 0 && (
          <Button type={strong && !lifted ? "primary" : "default"} onClick={() => void confirm()}>
            {status === "partly" ? "Confirm the rest" : "Confirm as planned"}
          </Button>
        )}
        {(status === "planned" || status === "missed") && (
          <LinkButton aria-expanded={open === "skip"} onClick={() => flip("skip")}>
            Skip
          </LinkButton>
        )}
        {status === "skipped" && (
          <LinkButton
            onClick={() => {
              const { reason: _reason, ...kept } = session;
              void save({ ...kept, status: "planned" }, `${title} planned again`);
            }}
          >
            Plan again
          </LinkButton>
        )}
        {status !== "skipped" && (
          <LinkButton aria-expanded={open === "change"} onClick={() => flip("change")}>
            Change
          </LinkButton>
        )}
        <Actions
          label={title}
          actions={[
            ...(lifted && status !== "skipped"
              ? [
                  {
                    name: "Plan sets",
                    act: () =>
                      router.push(`/lifts/write?date=${session.date}&session=${encodeURIComponent(session.id)}`),
                  },
                ]
              : []),
            { name: open === "pictures" ? "Close pictures" : pictures, act: () => flip("pictures") },
            {
              name: "Remove",
              act: () => void removeRecord("sessions", session.id),
            },
          ]}
        />
      </div>
      {asked && lacking.length > 0 && (
        <p className="warn small" role="alert">
          {lacking.length === 1 ? "One set has" : `${counted(lacking.length, "set")} have`} no load or no repetitions to
          be confirmed with ({[...new Set(lacking)].join(", ")}): press the square of each and write what was done.
        </p>
      )}
      {open === "change" && (
        <SessionEditor
          session={session}
          onClose={() => setOpen(null)}
          onSave={(next) => save(next, `${title} changed`)}
        />
      )}
      {open === "skip" && (
        <Skip
          onSkip={(reason) => {
            void save({ ...session, status: "skipped", ...(reason ? { reason } : {}) }, `${title} skipped`);
            setOpen(null);
          }}
        />
      )}
      {open === "pictures" && <SessionPictures card={card} />}
    </section>
  );
}

/** Why a session was left out, if that is to be kept. */
function Skip({ onSkip }: { onSkip: (reason: string) => void }) {
  const [reason, setReason] = useState("");
  return (
    <form
      className={`${styles.skip} noprint`}
      onSubmit={(event) => {
        event.preventDefault();
        onSkip(reason.trim());
      }}
    >
      <Captioned caption="because" className="quiet">
        {(id) => (
          <Input
            id={id}
            aria-label="Reason for skipping"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            maxLength={200}
            autoFocus
          />
        )}
      </Captioned>
      <Button htmlType="submit">Skip session</Button>
    </form>
  );
}

function SessionNote({ card: { session, status, volumeLoadKg, numberOfLifts } }: { card: SessionCard }) {
  const printer = usePrinter();
  const parts = [
    status === "done" ? null : status,
    session.test ? "meet or test" : null,
    session.optional ? "optional" : null,
    session.place,
    session.reason,
    numberOfLifts > 0 ? `${numberOfLifts} lifts, ${printer.volumeLoad(volumeLoadKg)}` : null,
    session.minutes != null && !session.distance?.done ? `${Math.round(session.minutes)} min` : null,
    session.effort != null && status !== "planned" ? `effort ${session.effort}` : null,
  ];
  return <span className="quiet small">{parts.filter(Boolean).join(" · ")}</span>;
}

function Items({
  card,
  save,
  ahead,
}: {
  card: SessionCard;
  save: (next: Session, label: string) => Promise<boolean>;
  ahead: boolean;
}) {
  const [editing, setEditing] = useState<{ item: string; set: string } | null>(null);
  const { session } = card;
  const press = (item: CardItem, setId: string) => {
    const set = item.sets.find(({ id }) => id === setId)!;
    if (set.done || !set.planned || needsMore(set, item))
      return setEditing(editing?.set === setId && editing.item === item.id ? null : { item: item.id, set: setId });
    void save(
      withSet(session, item.id, setId, (one) => performedAs(one, asPlanned(one, item.worked[setId]))),
      `${item.name}, set ${item.sets.filter(({ warmUp }) => !warmUp).indexOf(set) + 1}`,
    );
  };
  return (
    <RecordTable
      label={`${card.title}, exercises`}
      rows={card.items}
      keyOf={({ id }) => id}
      below={(item) =>
        editing?.item === item.id && (
          <EditedSet item={item} setId={editing.set} session={session} save={save} onClose={() => setEditing(null)} />
        )
      }
      columns={[
        {
          head: "Exercise",
          cell: (item) => (
            <>
              <strong>{item.name}</strong>
              {item.superset !== null && <span className="quiet small"> superset {item.superset}</span>}
              {item.warmUps && <div className="quiet small">warm-up {item.warmUps}</div>}
              {item.skipped !== null ? (
                <div className="quiet small">left out{item.skipped ? `: ${item.skipped}` : ""}</div>
              ) : item.note ? (
                <div className="quiet small">{item.note}</div>
              ) : null}
            </>
          ),
        },
        { head: "Planned", tone: "planned", cell: ({ planned }) => planned },
        {
          head: "Last time",
          tone: "quiet",
          cell: ({ last }) =>
            last ? (
              <>
                {last.text} <span className="small nowrap">{shortDate(last.date)}</span>
              </>
            ) : (
              "first time"
            ),
        },
        {
          head: "Done",
          num: true,
          bare: true,
          folded: "beside",
          cell: (item) => (
            <span className={styles.sets}>
              {item.sets.every(({ done }) => done) && item.done && (
                <span className="done small">{item.asPlanned ? "as planned" : item.done}</span>
              )}
              {item.sets
                .filter(({ warmUp }) => !warmUp)
                .map((set, index) => (
                  <button
                    key={set.id}
                    type="button"
                    disabled={ahead}
                    className={`${styles.set} ${set.done ? (isShort(set) ? styles.short : styles.full) : ""}`}
                    aria-label={`${item.name}, set ${index + 1}, ${set.done ? "done, change" : needsMore(set, item) ? "open, write what was done" : "confirm as planned"}`}
                    aria-pressed={set.done != null}
                    onClick={() => press(item, set.id)}
                  />
                ))}
            </span>
          ),
        },
      ]}
    />
  );
}

/** The parts of a session, each ticked as it is done; the last one ticked is taken back by a press on it. */
function Parts({
  card: { title, parts },
  ahead,
  onDone,
}: {
  card: SessionCard;
  ahead: boolean;
  onDone: (index: number, done: number) => void;
}) {
  return (
    <RecordTable
      label={`${title}, parts`}
      rows={parts.map((part, index) => ({ ...part, index }))}
      keyOf={({ index }) => index}
      columns={[
        { head: "Part", mute: true, cell: ({ text }) => text },
        {
          head: "Done",
          mute: true,
          num: true,
          bare: true,
          folded: "beside",
          cell: ({ index, times, done }) => (
            <span className={styles.sets}>
              {Array.from({ length: times }, (_, at) => (
                <button
                  key={at}
                  type="button"
                  disabled={ahead}
                  className={`${styles.set} ${at < done ? styles.full : ""}`}
                  aria-label={`Part ${index + 1}, ${at + 1} of ${times}, ${at < done ? "done" : "open"}`}
                  aria-pressed={at < done}
                  onClick={() => onDone(index, at + 1 === done ? at : at + 1)}
                />
              ))}
            </span>
          ),
        },
      ]}
    />
  );
}

/** The editor of one set, unless another tab has removed it meanwhile. */
function EditedSet({
  item,
  setId,
  session,
  save,
  onClose,
}: {
  item: CardItem;
  setId: string;
  session: Session;
  save: (next: Session, label: string) => Promise<boolean>;
  onClose: () => void;
}) {
  const set = item.sets.find(({ id }) => id === setId);
  if (set === undefined)
    return (
      <p className="warn small">
        Another tab has removed this set. <LinkButton onClick={onClose}>Close</LinkButton>
      </p>
    );
  return (
    <SetEditor
      key={setId}
      exercise={item.exercise ?? { id: item.exerciseId, name: item.name }}
      set={set}
      onClose={onClose}
      onSave={saveDone(session, item, setId, save)}
    />
  );
}

/** Whether a planned set cannot be confirmed by a tap, since its repetitions or its load are open. */
function needsMore(set: TrainingSet, { worked, exercise }: CardItem): boolean {
  return lackOf(exercise, asPlanned(set, worked[set.id])) !== null;
}

function DistanceLine({ card: { session, planned, done, secondsPerKm, plannedSecondsPerKm } }: { card: SessionCard }) {
  const printer = usePrinter();
  const side = (covered: typeof done, pace: number | null) =>
    covered &&
    [
      covered.metres !== null ? printer.distanceOf(session.kind, covered.metres) : null,
      covered.seconds !== null ? printer.duration(covered.seconds) : null,
      pace !== null ? printer.paceOf(session.kind, pace) : null,
    ]
      .filter(Boolean)
      .join(" · ");
  return (
    <RecordTable
      label={session.title ?? session.kind}
      rows={[
        ...(planned
          ? [
              {
                head: "Planned" as const,
                text: side(planned, plannedSecondsPerKm),
                more: [
                  session.distance?.purpose,
                  session.planned?.effort != null ? `effort ${session.planned.effort}` : null,
                ]
                  .filter(Boolean)
                  .join(" · "),
              },
            ]
          : []),
        ...(done ? [{ head: "Done" as const, text: side(done, secondsPerKm), more: session.note ?? "" }] : []),
      ]}
      keyOf={({ head }) => head}
      columns={[
        { head: "Which", mute: true, tone: "quiet", cell: ({ head }) => <span className={styles.which}>{head}</span> },
        {
          head: "Distance, time and pace",
          mute: true,
          folded: "beside",
          cell: ({ head, text }) => <span className={head === "Done" ? "done" : "planned"}>{text}</span>,
        },
        {
          head: "More",
          mute: true,
          num: true,
          cell: ({ more }) => more && <span className="quiet small">{more}</span>,
        },
      ]}
    />
  );
}
