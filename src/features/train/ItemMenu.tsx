"use client";

import type { Exercise } from "@/core/log/kinds/exercises";
import type { Session } from "@/core/log/kinds/sessions";
import { nearestStep } from "@/core/strength/loading";
import {
  withDropPart,
  withExercise,
  withMoreSets,
  withoutOpenSet,
  withRamp,
  withSkipped,
  withSwapped,
} from "@/core/training/change";
import type { TrainingItem, TrainingView } from "@/core/training/trainingView";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { Captioned } from "@/ui/kit/Captioned";
import { Dialog } from "@/ui/kit/Dialog";
import { Select } from "@/ui/kit/Select";
import { ExercisePicker } from "@/ui/lifts/ExercisePicker";
import { usePrinter } from "@/ui/usePrinter";
import { Button, Input } from "antd";
import { useState } from "react";
import styles from "./train.module.css";

export type Panel = "overview" | "sets" | "swap" | "skip" | "note" | "add" | null;

interface Props {
  panel: Exclude<Panel, null | "overview">;
  view: TrainingView;
  item: TrainingItem | null;
  setId: string | null;
  save: (next: Session, label: string) => Promise<boolean>;
  onClose: () => void;
  newId: () => string;
}

const titles = {
  sets: "Sets",
  swap: "Swap the exercise",
  skip: "Leave the exercise out",
  note: "Note",
  add: "Add an exercise",
};
const reasons = ["no time", "pain", "tired", "equipment taken"];

/** What can be done to the exercise in front, a panel at a time. */
export function ItemMenu({ panel, view, item, setId, save, onClose, newId }: Props) {
  const { session } = view;
  const act = async (next: Session, label: string) => {
    if (await save(next, label)) onClose();
  };
  return (
    <Dialog
      title={item && panel !== "add" ? `${titles[panel]}: ${item.exercise.name}` : titles[panel]}
      onClose={onClose}
    >
      {panel === "sets" && item && <Sets session={session} item={item} setId={setId} act={act} newId={newId} />}
      {panel === "swap" && item && (
        <Choose
          label="Swap for"
          onPick={(exercise) =>
            act(withSwapped(session, item.id, exercise.id, newId), `${exercise.name} for ${item.exercise.name}`)
          }
        />
      )}
      {panel === "add" && (
        <Choose
          label="Add"
          onPick={(exercise) => act(withExercise(session, exercise.id, newId), `${exercise.name} added`)}
        />
      )}
      {panel === "skip" && item && (
        <Skip onSkip={(reason) => act(withSkipped(session, item.id, reason), `${item.exercise.name} left out`)} />
      )}
      {panel === "note" && item && (
        <Note
          item={item}
          onNote={(note) => {
            const { note: _note, ...rest } = session.items!.find(({ id }) => id === item.id)!;
            return act(
              {
                ...session,
                items: session.items!.map((one) => (one.id === item.id ? { ...rest, ...(note ? { note } : {}) } : one)),
              },
              `Note of ${item.exercise.name}`,
            );
          }}
        />
      )}
    </Dialog>
  );
}

function Sets({
  session,
  item,
  setId,
  act,
  newId,
}: {
  session: Session;
  item: TrainingItem;
  setId: string | null;
  act: (next: Session, label: string) => Promise<void>;
  newId: () => string;
}) {
  const printer = usePrinter();
  const { exercise, ramp } = item;
  const lastDone = item.sets.findLast(({ done, warmUp }) => done && !warmUp);
  const withReps = exercise.measure !== "duration" && exercise.measure !== "distance";
  return (
    <div className={styles.choices}>
      <Button block onClick={() => void act(withMoreSets(session, item.id, newId), `${exercise.name}, a set more`)}>
        A set more
      </Button>
      {setId !== null && (
        <Button
          block
          onClick={() => void act(withoutOpenSet(session, item.id, setId), `${exercise.name}, a set fewer`)}
        >
          Without the set in front
        </Button>
      )}
      {lastDone && withReps && (
        <DropPart
          kg={lastDone.done!.kg ?? 0}
          onPart={(reps, kg) =>
            act(
              withDropPart(session, item.id, lastDone.id, { reps, kg }),
              `${exercise.name}, a drop of ${reps} at ${printer.load(kg)}`,
            )
          }
          stepKg={item.stepKg}
        />
      )}
      {ramp.length > 0 && (
        <Button block onClick={() => void act(withRamp(session, item.id, ramp, newId), `Warm-up for ${exercise.name}`)}>
          Warm-up: {ramp.map(({ reps, kg }) => `${printer.loadNumber(kg)} × ${reps}`).join(", ")}
        </Button>
      )}
    </div>
  );
}

/** A further part of the last done set, without a full rest: lighter (a drop set) or as heavy (a cluster). */
function DropPart({
  kg,
  stepKg,
  onPart,
}: {
  kg: number;
  stepKg: number;
  onPart: (reps: number, kg: number) => Promise<void>;
}) {
  const printer = usePrinter();
  const [share, setShare] = useState(0.8);
  const [reps, setReps] = useState(5);
  const loadAt = (part: number) => nearestStep(kg * part, stepKg);
  return (
    <div className={styles.drop}>
      <p>Straight after the last set:</p>
      <Captioned caption="load">
        {(id) => (
          <Select
            id={id}
            value={String(share)}
            onChange={(chosen) => setShare(Number(chosen))}
            options={[1, 0.9, 0.8, 0.7, 0.6, 0.5].map((one) => ({
              value: String(one),
              label: printer.load(loadAt(one)),
            }))}
          />
        )}
      </Captioned>
      <Captioned caption="reps">
        {(id) => (
          <Select
            id={id}
            value={String(reps)}
            onChange={(chosen) => setReps(Number(chosen))}
            options={Array.from({ length: 20 }, (_, index) => ({
              value: String(index + 1),
              label: String(index + 1),
            }))}
          />
        )}
      </Captioned>
      <Button onClick={() => void onPart(reps, loadAt(share))}>Add to the set</Button>
    </div>
  );
}

function Choose({ label, onPick }: { label: string; onPick: (exercise: Exercise) => Promise<void> }) {
  return (
    <div className={styles.roomForList}>
      <ExercisePicker value={null} label={label} opened onPick={(exercise) => void onPick(exercise)} />
    </div>
  );
}

function Skip({ onSkip }: { onSkip: (reason: string) => Promise<void> }) {
  const [reason, setReason] = useState("");
  return (
    <form
      className={styles.choices}
      onSubmit={(event) => {
        event.preventDefault();
        void onSkip(reason.trim());
      }}
    >
      {reasons.map((one) => (
        <Button key={one} block onClick={() => void onSkip(one)}>
          {one}
        </Button>
      ))}
      <label>
        another reason
        <Input value={reason} onChange={(event) => setReason(event.target.value)} maxLength={200} />
      </label>
      <Button block htmlType="submit">
        Leave it out
      </Button>
    </form>
  );
}

function Note({ item, onNote }: { item: TrainingItem; onNote: (note: string) => Promise<void> }) {
  const [opened] = useState(item.note ?? "");
  const [note, setNote] = useState(opened);
  const now = item.note ?? "";
  return (
    <form
      className={styles.choices}
      onSubmit={(event) => {
        event.preventDefault();
        void onNote(note.trim());
      }}
    >
      <label>
        Note of this exercise today
        <Input.TextArea
          rows={3}
          value={note}
          onChange={(event) => setNote(event.target.value)}
          maxLength={2000}
          autoFocus
        />
      </label>
      <Meanwhile
        said={
          now === opened ? [] : [`the note is now ${now === "" ? "empty" : `“${now}”`}; saving puts yours in its place`]
        }
      />
      <Button block htmlType="submit">
        Save note
      </Button>
      {(item.exercise.links ?? [])
        .filter((link) => /^https?:/i.test(link))
        .map((link) => (
          <a key={link} href={link} target="_blank" rel="noopener noreferrer">
            {link}
          </a>
        ))}
    </form>
  );
}
