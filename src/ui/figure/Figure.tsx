"use client";

import type { FigureRef } from "@/core/workings";
import dynamic from "next/dynamic";
import { type ReactNode, useState } from "react";
import { LinkButton } from "../kit/LinkButton";
import styles from "./figure.module.css";

const WorkingPanel = dynamic(() => import("./WorkingPanel").then((module) => module.WorkingPanel), { ssr: false });

/** Opens the working of a figure. `on` is the day the figure is asked for; `label` is read out after what is shown. */
export function WorkingLink({
  figure,
  on,
  children,
  label,
}: {
  figure: FigureRef;
  on: string;
  children: ReactNode;
  label: string;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <LinkButton aria-haspopup="dialog" onClick={() => setOpen(true)}>
        {children}
        <span className="hidden">{label}</span>
      </LinkButton>
      {open && <WorkingPanel figure={figure} on={on} onClose={() => setOpen(false)} />}
    </>
  );
}

/** A figure that answers a question: label, large value with its unit, a note on how sure it is, and its working. */
export function Figure({
  label,
  value,
  unit,
  note,
  figure,
  on,
  missing,
}: {
  label: string;
  value?: string;
  unit?: string;
  note?: ReactNode;
  figure: FigureRef;
  on: string;
  missing?: string;
}) {
  return (
    <section className={styles.figure}>
      <div className={styles.top}>
        <span className="label">{label}</span>
        {missing === undefined && (
          <WorkingLink figure={figure} on={on} label={` of ${label}`}>
            <span className="small">working</span>
          </WorkingLink>
        )}
      </div>
      {missing === undefined ? (
        <p>
          <span className={styles.value} data-figure={figure.figure}>
            {value}
          </span>
          <span className={styles.unit}>{unit}</span>
        </p>
      ) : (
        <p className={styles.missing}>{missing}</p>
      )}
      {note && <p className={styles.note}>{note}</p>}
    </section>
  );
}

/** A figure beside a larger one: its name, its value, and what that is of. */
export function SmallFigure({ label, value, note }: { label: string; value: string; note: string }) {
  return (
    <section className={styles.figure}>
      <span className="label">{label}</span>
      {value !== "" && <p className={styles.smallValue}>{value}</p>}
      <p className={styles.note}>{note}</p>
    </section>
  );
}
