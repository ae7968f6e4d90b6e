"use client";

import { laidOutAnew } from "@/compute/archives";
import type { Diagnosis } from "@/compute/worker";
import { messageOf } from "@/core/base/messageOf";
import { counted, printNumber } from "@/core/base/units/number";
import { download } from "@/ui/download";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useState } from "react";
import { useProgress } from "./useProgress";

/** At most so many findings are told one by one; the report holds all. */
const toldAtMost = 12;

/**
 * Is the log sound? Records, storage and figures are checked; what can be repaired is repaired by a change that undo
 * takes back.
 */
export function Diagnostics() {
  const { compute, today, name, commit, replace } = useLog();
  const [found, setFound] = useState<Diagnosis | null>(null);
  const checking = useProgress("Checking");
  const [problem, setProblem] = useState<string | null>(null);
  const check = async () => {
    setFound(null);
    setProblem(null);
    try {
      setFound(await checking.run((told) => compute.diagnose(today, told)));
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  const repairs = found?.findings.flatMap(({ repair }) => repair ?? []) ?? [];
  const mend = async () => {
    if (found !== null && found.layout.length > 0 && !(await replace(await laidOutAnew(name), "The log laid out anew")))
      return;
    if (repairs.length === 0 || (await commit(repairs, counted(repairs.length, "repair")))) await check();
  };
  const report = () =>
    download(
      `oat-column-check-${today}.json`,
      `${JSON.stringify({ log: name, checkedOn: today, ...found }, null, 2)}\n`,
      "application/json",
    );
  const told =
    found === null
      ? []
      : [
          ...found.findings,
          ...found.layout,
          ...found.figures.map((place) => ({
            place,
            message: "it differs from the same figure computed afresh; reload this tab",
          })),
        ];
  return (
    <section className={styles.section}>
      <h2>Check the log</h2>
      <p className="quiet">
        Looks for records that point nowhere or share an id, compares what is stored with what is shown, and computes
        every view afresh.
      </p>
      <p className="row above">
        <Button onClick={() => void check()} disabled={checking.line !== null}>
          Check now
        </Button>
        {found && <LinkButton onClick={report}>Save the report</LinkButton>}
        {(repairs.length > 0 || (found?.layout.length ?? 0) > 0) && (
          <LinkButton onClick={() => void mend()}>Repair what can be repaired</LinkButton>
        )}
      </p>
      <div aria-live="polite" className="above">
        {checking.line}
        {problem && (
          <p role="alert" className="warn">
            {problem}
          </p>
        )}
        {found && told.length === 0 && (
          <p>
            All is well: {printNumber(found.records, 0)} records, {found.answers} answers computed twice and found
            equal.
          </p>
        )}
        {told.length > 0 && (
          <>
            <p className="warn">
              {told.length === 1 ? "One thing is" : `${counted(told.length, "thing")} are`} not as they should be.
              Nothing was changed.
            </p>
            <ul className="bullets">
              {told.slice(0, toldAtMost).map(({ place, message }) => (
                <li key={place + message}>
                  <code>{place}</code>: {message}
                </li>
              ))}
            </ul>
            {told.length > toldAtMost && <p className="quiet small">The report tells of all of them.</p>}
          </>
        )}
      </div>
    </section>
  );
}
