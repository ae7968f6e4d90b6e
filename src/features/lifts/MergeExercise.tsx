"use client";

import { counted } from "@/core/base/units/number";
import type { Exercise } from "@/core/log/kinds/exercises";
import type { MergeExercises } from "@/core/strength/libraryView";
import { ExercisePicker } from "@/ui/lifts/ExercisePicker";
import { useLog } from "@/ui/log/LogContext";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import { useState } from "react";

/** Makes this exercise and another one the same: the other's history becomes this one's. It can be undone. */
export function MergeExercise({ exercise, onMerged }: { exercise: Exercise; onMerged: (id: string) => void }) {
  const { compute, person, today, commit } = useLog();
  const [other, setOther] = useState<Exercise | null>(null);
  const [found, setFound] = useState<MergeExercises | null>(null);
  const look = async (picked: Exercise) => {
    setOther(picked);
    setFound(
      picked.id === exercise.id
        ? null
        : await compute.ask("mergeExercises", { personId: person.id, today, keptId: exercise.id, goneId: picked.id }),
    );
  };
  const merge = async () => {
    // Asked again, so that what was written meanwhile is in it.
    const now =
      other &&
      (await compute.ask("mergeExercises", { personId: person.id, today, keptId: exercise.id, goneId: other.id }));
    if (now && (await commit(now.change, `${other!.name} is now ${exercise.name}`))) {
      setOther(null);
      setFound(null);
      onMerged(exercise.id);
    }
  };
  return (
    <section className={`${view.section} noprint`}>
      <h3>The same as another</h3>
      <p className="quiet small below">
        The other&rsquo;s sets and maxima become those of {exercise.name}, and the other goes.
      </p>
      <ExercisePicker
        value={other?.id ?? null}
        label="The same as"
        placeholder="choose the other"
        onPick={(picked) => void look(picked)}
      />
      {other?.id === exercise.id && <p className="warn small">That is this exercise itself.</p>}
      {found && other && (
        <p className="above">
          {counted(found.sessions, "session")} and {counted(found.maxima, "tested maximum", "tested maxima")} of{" "}
          {other.name} move.{" "}
          <Button size="small" onClick={() => void merge()}>
            Make them one
          </Button>
        </p>
      )}
    </section>
  );
}
