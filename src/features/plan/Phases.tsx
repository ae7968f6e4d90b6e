"use client";

import { counted, printNumber, printPlain } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import { printDuration } from "@/core/base/units/time";
import { put } from "@/core/log/records";
import type { PhaseProgress, PhaseStanding } from "@/core/planning/phase";
import { addDays, fullDate } from "@/ui/dates";
import { late, whenIdle } from "@/ui/kit/late";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { useEffect, useState } from "react";
import { lengthText } from "./lengthText";
import { useMeasureNames } from "./useMeasureNames";
import styles from "./plan.module.css";

const PhaseForm = late(
  () => import("./PhaseForms").then((forms) => forms.PhaseForm),
  () => null,
);
const MeasureForm = late(
  () => import("./PhaseForms").then((forms) => forms.MeasureForm),
  () => null,
);
const NewBlock = late(
  () => import("./NewBlock").then((form) => form.NewBlock),
  () => null,
);

/** Phases, the latest first: how they are kept, and how far the figures are by which they are judged. */
export function Phases({ phases }: { phases: readonly PhaseStanding[] }) {
  const [edited, setEdited] = useState<string | null>(null);
  const close = () => setEdited(null);
  useEffect(
    () =>
      whenIdle(() => {
        for (const form of [PhaseForm, MeasureForm, NewBlock]) form.fetch();
      }),
    [],
  );
  return (
    <section className={view.section}>
      <h2>Phases</h2>
      {phases.length === 0 && edited === null && (
        <p className="quiet">
          A phase is some months of training with one aim, judged by figures of the log: a weight, a maximum, a time, a
          measure, sessions done.
        </p>
      )}
      {phases.length > 0 && (
        <ul className={styles.phaseList} aria-label="Phases">
          {phases.map((one) => (
            <li key={one.phase.id} id={`phase-${one.phase.id}`}>
              {edited === one.phase.id ? (
                <PhaseForm phase={one.phase} close={close} />
              ) : (
                <PhaseRow standing={one} onChange={() => setEdited(one.phase.id)} />
              )}
            </li>
          ))}
        </ul>
      )}
      {edited === "new" && <PhaseForm phase={null} close={close} />}
      {edited === "block" && <NewBlock close={close} />}
      {edited !== "new" && edited !== "block" && (
        <p className="row noprint above">
          <LinkButton onClick={() => setEdited("new")}>Write a phase</LinkButton>
          <LinkButton onClick={() => setEdited("block")}>Write a block</LinkButton>
        </p>
      )}
    </section>
  );
}

function PhaseRow({ standing, onChange }: { standing: PhaseStanding; onChange: () => void }) {
  const { commit } = useLog();
  const [adding, setAdding] = useState(false);
  const { phase, course, sessions, toCome, measures } = standing;
  const kept = sessions.done + sessions.partly / 2;
  const removeMeasure = (index: number) =>
    void commit(
      [put("phases", { ...phase, measures: (phase.measures ?? []).filter((_, at) => at !== index) }, phase)],
      `${phase.name}, a measure removed`,
    );
  return (
    <>
      <div className="row">
        <h3>{phase.name}</h3>
        <span className="quiet">
          {[
            phase.aim,
            `${fullDate(phase.startDate)} to ${fullDate(addDays(phase.startDate, phase.days - 1))}`,
            lengthText(phase.days),
            course.state === "under way" ? `day ${course.passed}` : course.state === "ahead" ? "ahead" : "over",
          ]
            .filter(Boolean)
            .join(" · ")}
        </span>
        <LinkButton onClick={onChange}>
          Change<span className="hidden"> {phase.name}</span>
        </LinkButton>
      </div>
      {(phase.intention || phase.why) && (
        <p>
          {phase.intention}
          {phase.intention && phase.why ? " " : ""}
          {phase.why && <span className="quiet">{phase.why}</span>}
        </p>
      )}
      {sessions.planned + sessions.extra + toCome > 0 && (
        <p className="small">
          {printNumber(kept, Number.isInteger(kept) ? 0 : 1)} of {counted(sessions.planned, "planned session")} done
          {sessions.share === null ? "" : `, ${printNumber(sessions.share * 100, 0)} %`}
          {sessions.extra > 0 ? `; ${sessions.extra} besides` : ""}
          {toCome > 0 ? `; ${toCome} to come` : ""}.
        </p>
      )}
      {measures.length > 0 && <Measures measures={measures} onRemove={removeMeasure} />}
      {adding ? (
        <MeasureForm phase={phase} close={() => setAdding(false)} />
      ) : (
        <p className="noprint">
          <LinkButton className="small" onClick={() => setAdding(true)}>
            Judge it by…<span className="hidden"> {phase.name}</span>
          </LinkButton>
        </p>
      )}
    </>
  );
}

function Measures({ measures, onRemove }: { measures: readonly PhaseProgress[]; onRemove: (index: number) => void }) {
  const printer = usePrinter();
  const nameOf = useMeasureNames();
  return (
    <RecordTable
      label="What it is judged by"
      rows={measures.map((one, index) => ({ ...one, index }))}
      keyOf={({ index }) => index}
      columns={[
        { head: "Judged by", cell: (one) => nameOf(one.measure) },
        { head: "Beginning", num: true, tone: "quiet", cell: (one) => valueText(one.measure, one.from, printer) },
        { head: "Now", num: true, cell: (one) => valueText(one.measure, one.now, printer) },
        { head: "Aim", num: true, tone: "planned", cell: (one) => valueText(one.measure, one.to, printer) },
        {
          head: "Heading for",
          num: true,
          cell: ({ measure, heading }) =>
            heading && (
              <>
                {valueText(measure, heading.value, printer)}
                <span className="quiet small">
                  {" "}
                  {bareText(measure, heading.low80, printer)} to {bareText(measure, heading.high80, printer)}
                </span>
              </>
            ),
        },
        {
          head: "Of the way",
          num: true,
          folded: "beside",
          cell: ({ doneShare, reason }) =>
            doneShare === null ? (
              <span className="quiet small">{reason}</span>
            ) : (
              <strong>{printNumber(doneShare * 100, 0)} %</strong>
            ),
        },
        {
          head: "Remove",
          mute: true,
          num: true,
          cell: ({ index, measure }) => (
            <LinkButton className="small" aria-label={`Remove ${nameOf(measure)}`} onClick={() => onRemove(index)}>
              Remove
            </LinkButton>
          ),
        },
      ]}
    />
  );
}

function valueText({ of }: PhaseProgress["measure"], value: number | null, printer: Printer): string {
  if (value === null) return "";
  if (of === "weight" || of === "e1rm") return printer.mass(value);
  return of === "bestTime" ? printDuration(value) : printPlain(value, 1);
}

/** The same without its unit. */
function bareText({ of }: PhaseProgress["measure"], value: number, printer: Printer): string {
  return of === "weight" || of === "e1rm" ? printer.massNumber(value) : printPlain(value, 1);
}
