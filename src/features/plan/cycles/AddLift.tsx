"use client";

import type { Exercise } from "@/core/log/kinds/exercises";
import { put } from "@/core/log/records";
import type { CycleView } from "@/core/planning/cycleView";
import { ExercisePicker } from "@/ui/lifts/ExercisePicker";
import { useLog } from "@/ui/log/LogContext";
import styles from "./cycles.module.css";

/** One more lift for a cycle, with a column of its own. */
export function AddLift({ view: { cycle } }: { view: CycleView }) {
  const { commit } = useLog();
  const maxima = cycle.maxima ?? [];
  const add = ({ id, name }: Exercise) => {
    if (maxima.some(({ exerciseId }) => exerciseId === id)) return;
    const next = { ...cycle, maxima: [...maxima, { exerciseId: id }] };
    void commit([put("cycles", next, cycle)], `${cycle.name}, a column for ${name}`);
  };
  return (
    <div className={`${styles.add} noprint`}>
      <ExercisePicker value={null} label="Add a lift" placeholder="Add a lift: squat, bench press" onPick={add} />
    </div>
  );
}
