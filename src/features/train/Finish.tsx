"use client";

import { counted, parseDecimal } from "@/core/base/units/number";
import type { Session } from "@/core/log/kinds/sessions";
import { hasPlan } from "@/core/sessions/planned";
import { describeSets } from "@/core/strength/describe";
import { withMoreSets, withoutIdleSets } from "@/core/training/change";
import type { TrainingView } from "@/core/training/trainingView";
import { shortDate } from "@/ui/dates";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { LinkButton } from "@/ui/kit/LinkButton";
import { usePrinter } from "@/ui/usePrinter";
import { Button, Input } from "antd";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { recordText } from "./recordText";
import styles from "./train.module.css";

/** What was touched on the page. */
interface Typed {
  effort?: number | null;
  feel?: number | null;
  minutes?: string;
  note?: string;
}

/** A session that seems to have lasted longer was left open. */
const longestMinutes = 240;

/** Nothing is open any more (or nothing was begun): what was done, how hard it was, and a note; or another exercise. */
export function Finish({
  view,
  startedAt,
  save,
  leave,
  addExercise,
  goOn,
}: {
  view: TrainingView;
  startedAt: number | null;
  goOn: (() => void) | null;
  save: (next: Session, label: string) => Promise<boolean>;
  leave: () => void;
  addExercise: () => void;
}) {
  const { session, items, title } = view;
  // Only what is touched here is kept apart from the session, which another tab may change while this page stands.
  const [typed, setTyped] = useState<Typed>({});
  // How long it has lasted, where training began and ended in this browser on one day.
  const [lasted] = useState(() => {
    const minutes = startedAt === null ? 0 : Math.round((Date.now() - startedAt) / 60_000);
    return minutes >= 5 && minutes <= longestMinutes ? minutes : null;
  });
  const change = (changed: Typed) => setTyped((now) => ({ ...now, ...changed }));
  const { effort, feel, minutes, note } = {
    effort: session.effort ?? null,
    feel: session.feel ?? null,
    minutes: session.minutes == null ? (lasted === null ? "" : String(lasted)) : String(Math.round(session.minutes)),
    note: session.note ?? "",
    ...typed,
  };
  const [opened] = useState(session);
  const meanwhile = (["effort", "feel", "minutes", "note"] as const).flatMap((key) =>
    session[key] === opened[key] || !(key in typed)
      ? []
      : [`${key} is now ${session[key] ?? "empty"}; what you chose is kept`],
  );
  const done = items.reduce((sum, { sets }) => sum + sets.filter((set) => set.done && !set.warmUp).length, 0);
  const open = items.reduce(
    (sum, { skipped, sets }) => sum + (skipped === null ? sets.filter((set) => !set.done && hasPlan(set)).length : 0),
    0,
  );
  const time = parseDecimal(minutes);
  const wrong = minutes.trim() !== "" && (time === null || time < 1 || time > 1440);
  if (done === 0) return <NothingDone view={view} save={save} addExercise={addExercise} />;
  const lastItem = items.findLast(({ skipped, sets }) => skipped === null && sets.some((set) => set.done));
  const finish = async () => {
    const { effort: heldEffort, feel: heldFeel, minutes: heldMinutes, note: heldNote, ...kept } = session;
    const said = {
      effort: "effort" in typed ? effort : heldEffort,
      feel: "feel" in typed ? feel : heldFeel,
      minutes: "minutes" in typed ? time : (heldMinutes ?? lasted),
      note: "note" in typed ? note.trim() || null : heldNote,
    };
    const next = {
      ...withoutIdleSets(kept as Session),
      ...Object.fromEntries(Object.entries(said).filter(([, value]) => value != null)),
    } as Session;
    if (await save(next, `${title} finished`)) leave();
  };
  return (
    <div className={styles.what}>
      <h1>{title}</h1>
      <p className="quiet below">
        {counted(done, "set")} done, {open === 0 ? "none" : open} open.
        {goOn && (
          <>
            {" "}
            <LinkButton onClick={goOn}>Go on</LinkButton>
          </>
        )}
      </p>
      <WhatWasDone view={view} />
      <Scale
        legend="effort of the whole session, 0 to 10"
        from={0}
        to={10}
        value={effort}
        onChange={(next) => change({ effort: next })}
      />
      <Scale
        legend="how it felt, 1 poor to 5 good"
        from={1}
        to={5}
        value={feel}
        onChange={(next) => change({ feel: next })}
      />
      <Meanwhile said={meanwhile} />
      <div className={styles.choices}>
        <label>
          minutes
          <Input
            inputMode="decimal"
            value={minutes}
            aria-invalid={wrong}
            onChange={(event) => change({ minutes: event.target.value })}
          />
        </label>
        {wrong && (
          <p className="warn small" role="alert">
            Minutes must be from 1 to 1440.
          </p>
        )}
        <label>
          note
          <Input.TextArea
            rows={2}
            value={note}
            onChange={(event) => change({ note: event.target.value })}
            maxLength={2000}
          />
        </label>
      </div>
      <div className={styles.act}>
        <Button type="primary" block className={styles.confirm} disabled={wrong} onClick={() => void finish()}>
          Finish session
        </Button>
        <p className={styles.more}>
          {lastItem && (
            <LinkButton
              onClick={() =>
                void save(withMoreSets(session, lastItem.id, newId), `${lastItem.exercise.name}, a set more`)
              }
            >
              Another set of {lastItem.exercise.name}
            </LinkButton>
          )}
          <LinkButton onClick={addExercise}>Add an exercise</LinkButton>
        </p>
      </div>
    </div>
  );
}

/** Nothing was done in it: what may be done instead. */
function NothingDone({
  view: { session, items, title, again },
  save,
  addExercise,
}: {
  view: TrainingView;
  save: (next: Session, label: string) => Promise<boolean>;
  addExercise: () => void;
}) {
  return (
    <div className={styles.what}>
      <h1>{title}</h1>
      <p className="quiet around">
        {items.length === 0
          ? "No exercise yet. Add the first one, or do the last session again."
          : "All of it was left out."}
      </p>
      <div className={styles.choices}>
        <Button type="primary" block className={styles.confirm} onClick={addExercise}>
          Add an exercise
        </Button>
        {again && (
          <Button
            block
            onClick={() =>
              void save({ ...session, items: again.items }, `The same as ${again.title} of ${shortDate(again.date)}`)
            }
          >
            The same as {again.title}, {shortDate(again.date)}
          </Button>
        )}
      </div>
    </div>
  );
}

/** The sets of each exercise, and the records they beat. */
function WhatWasDone({ view: { items, beaten } }: { view: TrainingView }) {
  const printer = usePrinter();
  return (
    <>
      <ul className={styles.doneSets} aria-label="What was done">
        {items
          .filter(({ sets }) => sets.some((set) => set.done))
          .map((item) => (
            <li key={item.id}>
              <strong>{item.exercise.name}</strong> {describeSets(item.sets, "done", item.exercise, printer)}
              {item.superset !== null && <span className="quiet small"> superset</span>}
              {item.note && <span className="quiet small"> {item.note}</span>}
            </li>
          ))}
      </ul>
      {beaten.length > 0 && (
        <ul className={styles.records}>
          {beaten.map((one) => (
            <li key={`${one.exerciseId} ${one.what} ${one.what === "reps" ? one.reps : ""}`}>
              {recordText(one, printer)}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** Whole numbers to choose one of; the one that is chosen is let go of by choosing it again. */
function Scale({
  legend,
  from,
  to,
  value,
  onChange,
}: {
  legend: string;
  from: number;
  to: number;
  value: number | null;
  onChange: (next: number | null) => void;
}) {
  return (
    <fieldset className={`${styles.effort} ${styles.row}`}>
      <legend>{legend}</legend>
      {Array.from({ length: to - from + 1 }, (_, index) => from + index).map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={value === one}
          onClick={() => onChange(value === one ? null : one)}
        >
          {one}
        </button>
      ))}
    </fieldset>
  );
}
