"use client";

import { messageOf } from "@/core/base/messageOf";
import type { WorkingResult } from "@/core/base/working";
import type { FigureRef } from "@/core/workings";
import { useEffect, useState } from "react";
import { Dialog } from "../kit/Dialog";
import { LinkButton } from "../kit/LinkButton";
import { useLog } from "../log/LogContext";
import styles from "./figure.module.css";

/** How a figure was made: formula with the numbers put in, the entries it came from, assumptions, source, sureness. */
export function WorkingPanel({ figure, on, onClose }: { figure: FigureRef; on: string; onClose: () => void }) {
  const { compute, person, today, chooseDay } = useLog();
  const [working, setWorking] = useState<WorkingResult | null>(null);
  useEffect(() => {
    let left = false;
    void compute.ask("working", { personId: person.id, today, on, ref: figure }).then(
      (answer) => {
        if (!left) setWorking(answer);
      },
      (error: unknown) => {
        if (!left) setWorking({ reason: messageOf(error) });
      },
    );
    return () => {
      left = true;
    };
  }, [compute, person.id, today, on, figure]);

  if (working === null) return null;
  if ("reason" in working)
    return (
      <Dialog title="Working" onClose={onClose}>
        <p>{working.reason}</p>
      </Dialog>
    );
  return (
    <Dialog title={working.title} onClose={onClose}>
      <p className={styles.large}>{working.value}</p>
      <p className={styles.formula}>{working.formula}</p>
      <section className={styles.section}>
        <h3>With the numbers put in</h3>
        <ul className={styles.list}>
          {working.steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ul>
      </section>
      {working.inputs.length > 0 && (
        <section className={styles.section}>
          <h3>Entries it came from</h3>
          <div className={styles.inputs}>
            {working.inputs.map(({ label, value, date }, index) => [
              date === undefined ? (
                <span key={`l${index}`} className="quiet">
                  {label}
                </span>
              ) : (
                <LinkButton
                  key={`l${index}`}
                  onClick={() => {
                    chooseDay(date);
                    onClose();
                  }}
                >
                  {label}
                </LinkButton>
              ),
              <span key={`v${index}`}>{value}</span>,
            ])}
          </div>
        </section>
      )}
      <section className={styles.section}>
        <h3>Assumptions</h3>
        <ul className={styles.list}>
          {working.assumptions.map((assumption) => (
            <li key={assumption}>{assumption}</li>
          ))}
        </ul>
      </section>
      <section className={styles.section}>
        <h3>How sure</h3>
        <p>{working.sureness}</p>
      </section>
      <section className={styles.section}>
        <h3>Source</h3>
        <p>{working.source}</p>
      </section>
    </Dialog>
  );
}
