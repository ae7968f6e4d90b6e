"use client";

import type { Session } from "@/core/log/kinds/sessions";
import { put } from "@/core/log/records";
import { nextStep, stepsOf } from "@/core/sessions/order";
import { hasPlan } from "@/core/sessions/planned";
import { withSet } from "@/core/sessions/sets";
import { newRecords } from "@/core/training/announced";
import { withMoreSets } from "@/core/training/change";
import { performedAs } from "@/core/training/perform";
import { restAfter } from "@/core/training/rest";
import type { TrainingItem, TrainingView } from "@/core/training/trainingView";
import { Dialog } from "@/ui/kit/Dialog";
import { LinkButton } from "@/ui/kit/LinkButton";
import { saveDone } from "@/ui/lifts/saveDone";
import { SetEditor } from "@/ui/lifts/SetEditor";
import { useLog } from "@/ui/log/LogContext";
import { NoticeBar } from "@/ui/shell/NoticeBar";
import { usePrinter } from "@/ui/usePrinter";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { v7 as newId } from "uuid";
import { Finish } from "./Finish";
import { ItemMenu, type Panel } from "./ItemMenu";
import { Overview } from "./Overview";
import { printSet } from "./printSet";
import { recordText } from "./recordText";
import { Rest } from "./Rest";
import { SetInFront } from "./SetInFront";
import styles from "./train.module.css";
import { useAwake } from "./useAwake";
import { doneOf, type Draft, useTraining } from "./useTraining";

/** What can be opened for the exercise in front. */
const ways = [
  ["sets", "Sets"],
  ["swap", "Swap"],
  ["skip", "Skip"],
  ["note", "Note"],
  ["add", "Add"],
] as const;

/** A session, a set at a time. Each confirmed set is saved at once; everything else waits in this browser. */
export function TrainingMode({ view }: { view: TrainingView }) {
  const { session, items } = view;
  const { name, person, commit, chooseDay, notice, undo, dismiss } = useLog();
  const router = useRouter();
  const printer = usePrinter();
  const [state, change, forget] = useTraining({
    name,
    personId: person.id,
    date: session.date,
    sessionId: session.id,
  });
  const [panel, setPanel] = useState<Panel>(null);
  const [told, setTold] = useState("");
  const [edited, setEdited] = useState<string | null>(null);
  useAwake();
  useRecords(view, (record) => setTold(record));

  const chosen =
    state.at &&
    stepsOf(session).find(
      ({ item, set }) =>
        item.id === state.at!.itemId && set.id === state.at!.setId && !set.done && item.skipped == null,
    );
  const step = chosen || nextStep(session);
  const item = step && items.find(({ id }) => id === step.item.id);
  const held = step && view.steps.find(({ itemId, setId }) => itemId === step.item.id && setId === step.set.id);
  const save = (next: Session, label: string) => commit([put("sessions", next, session)], label);
  // After another exercise or other sets, what was typed for the set in front no longer holds.
  const saveAnew = async (next: Session, label: string) => {
    const written = await save(next, label);
    if (written) change({ at: null, draft: null, finishing: false });
    return written;
  };
  const leave = () => {
    chooseDay(session.date);
    router.push("/");
  };

  const confirm = async (draft: Draft) => {
    if (!step || !item) return false;
    const done = doneOf(draft, item.exercise);
    const written = withSet(session, step.item.id, step.set.id, (set) => performedAs(set, done));
    // Where nothing was planned another set waits, until the exercise or the session is left.
    const next =
      nextStep(written) === null && !hasPlan(step.set) ? withMoreSets(written, step.item.id, newId) : written;
    setTold("");
    if (!(await save(next, `${item.exercise.name}, ${printSet(done, item.exercise, printer)}`))) return false;
    const seconds = restAfter(step, nextStep(next), view.restSeconds);
    change({
      at: null,
      draft: null,
      rest: seconds === null ? null : { until: Date.now() + seconds * 1000, seconds },
    });
    return true;
  };

  return (
    <>
      <header className={styles.top}>
        <LinkButton onClick={leave}>Leave</LinkButton>
        <span>{view.title}</span>
        <LinkButton onClick={() => setPanel("overview")}>
          {item ? `exercise ${items.indexOf(item) + 1} of ${items.length}` : "all sets"}
        </LinkButton>
      </header>
      {item && step && held && !state.finishing ? (
        <SetInFront
          key={`${step.item.id} ${step.set.id}`}
          view={view}
          item={item}
          step={held}
          draft={state.draft?.itemId === item.id && state.draft.setId === step.set.id ? state.draft : null}
          onDraft={(draft) => change({ draft })}
          onConfirm={confirm}
          choose={(setId) => {
            if (item.sets.find(({ id }) => id === setId)?.done) setEdited(setId);
            else change({ at: { itemId: item.id, setId }, draft: null });
          }}
        >
          <Rest rest={state.rest} change={(rest) => change({ rest })} />
        </SetInFront>
      ) : (
        <Finish
          view={view}
          startedAt={state.startedAt ?? null}
          save={save}
          leave={() => {
            forget();
            leave();
          }}
          addExercise={() => setPanel("add")}
          goOn={item && step ? () => change({ finishing: false }) : null}
        />
      )}
      <div className={styles.told}>
        <p role="status">{told}</p>
        <NoticeBar notice={notice} undo={undo} dismiss={dismiss} within />
      </div>
      {item && (
        <nav className={styles.foot} aria-label="This exercise">
          {ways.map(([to, label]) => (
            <LinkButton key={to} onClick={() => setPanel(to)}>
              {label}
            </LinkButton>
          ))}
          {!state.finishing && items.some(({ sets }) => sets.some(({ done }) => done)) && (
            <LinkButton onClick={() => change({ finishing: true })}>Finish</LinkButton>
          )}
        </nav>
      )}
      {item && edited !== null && (
        <ChangeDone session={session} item={item} setId={edited} save={save} onClose={() => setEdited(null)} />
      )}
      {panel === "overview" ? (
        <Overview
          view={view}
          onClose={() => setPanel(null)}
          choose={(itemId, setId) => {
            change({ at: { itemId, setId }, draft: null });
            setPanel(null);
          }}
          save={save}
        />
      ) : (
        panel !== null && (
          <ItemMenu
            panel={panel}
            view={view}
            item={item ?? null}
            setId={step?.set.id ?? null}
            save={panel === "note" ? save : saveAnew}
            onClose={() => setPanel(null)}
            newId={newId}
          />
        )
      )}
    </>
  );
}

/** A set that is done, to be changed or opened again; nothing when it is open meanwhile. */
function ChangeDone({
  session,
  item,
  setId,
  save,
  onClose,
}: {
  session: Session;
  item: TrainingItem;
  setId: string;
  save: (next: Session, label: string) => Promise<boolean>;
  onClose: () => void;
}) {
  const set = item.sets.find(({ id }) => id === setId);
  if (!set?.done) return null;
  return (
    <Dialog title={`${item.exercise.name}, set done`} onClose={onClose}>
      <SetEditor
        key={setId}
        exercise={item.exercise}
        set={set}
        onClose={onClose}
        onSave={saveDone(session, { id: item.id, name: item.exercise.name }, setId, save)}
      />
    </Dialog>
  );
}

/**
 * Calls `tell` with each record as it is beaten on this day, but not with those that stood when the session was opened.
 */
function useRecords({ beaten }: TrainingView, tell: (record: string) => void): void {
  const printer = usePrinter();
  const known = useRef<TrainingView["beaten"] | null>(null);
  useEffect(() => {
    const fresh = newRecords(known.current, beaten);
    if (fresh.length > 0) tell(`Record. ${fresh.map((one) => recordText(one, printer)).join(". ")}`);
    known.current = beaten;
  });
}
