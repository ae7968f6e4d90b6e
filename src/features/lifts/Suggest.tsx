"use client";

import { parseDecimal } from "@/core/base/units/number";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { Input } from "antd";
import { useState } from "react";
import styles from "./lifts.module.css";

/** "For 6 reps at RPE 8 today": the load, and why. */
export function Suggest({ exerciseId }: { exerciseId: string }) {
  const printer = usePrinter();
  const [reps, setReps] = useState("6");
  const [rpe, setRpe] = useState("8");
  const [asked, effort] = [parseDecimal(reps), parseDecimal(rpe)];
  const sound =
    asked !== null && asked >= 1 && asked <= 20 && asked % 1 === 0 && effort !== null && effort >= 6 && effort <= 10;
  const answer = useFigure("suggest", { exerciseId, reps: sound ? asked : 6, rpe: sound ? effort : 8 });
  return (
    <section className={view.section}>
      <h3>A load for today</h3>
      <div className={styles.suggest}>
        <label>
          for{" "}
          <Input
            value={reps}
            inputMode="numeric"
            aria-label="Repetitions"
            onChange={(event) => setReps(event.target.value)}
          />{" "}
          reps
        </label>
        <label>
          at RPE{" "}
          <Input value={rpe} inputMode="decimal" aria-label="RPE" onChange={(event) => setRpe(event.target.value)} />
        </label>
        <span aria-live="polite" className={styles.answer}>
          {!sound || !answer || "reason" in answer ? "" : printer.load(answer.kg)}
        </span>
      </div>
      <p className="quiet small" aria-live="polite">
        {!sound
          ? "Whole repetitions from 1 to 20, an effort from 6 to 10."
          : answer &&
            ("reason" in answer ? answer.reason : `${answer.because[0]!.toUpperCase()}${answer.because.slice(1)}.`)}
      </p>
    </section>
  );
}
