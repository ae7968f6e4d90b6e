"use client";

import { counted, printNumber, printPlain } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import { printDuration } from "@/core/base/units/time";
import type { Phase } from "@/core/log/kinds/phases";
import { put } from "@/core/log/records";
import { judgedBy } from "@/core/planning/judgedBy";
import type { PhaseProgress, PhaseStanding } from "@/core/planning/phase";
import { addDays, fullDate } from "@/ui/dates";
import { Choice, Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure, useHousehold } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import { useState } from "react";
import { useWatch } from "react-hook-form";
import { v7 as newId } from "uuid";
import { lengthText } from "./lengthText";
import { useMeasureNames } from "./useMeasureNames";
import styles from "./plan.module.css";

const phaseForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.phaseForm));
const phaseMeasureForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.phaseMeasureForm));

/** Phases, the latest first: how they are kept, and how far the figures are by which they are judged. */
export function Phases({ phases }: { phases: readonly PhaseStanding[] }) {
  const [edited, setEdited] = useState<string | null>(null);
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
                <PhaseForm phase={one.phase} close={() => setEdited(null)} />
              ) : (
                <PhaseRow standing={one} onChange={() => setEdited(one.phase.id)} />
              )}
            </li>
          ))}
        </ul>
      )}
      {edited === "new" ? (
        <PhaseForm phase={null} close={() => setEdited(null)} />
      ) : (
        <p className="noprint above">
          <LinkButton onClick={() => setEdited("new")}>Write a phase</LinkButton>
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

const aims = [
  "gain muscle",
  "lose fat",
  "recompose",
  "hold",
  "get stronger",
  "go faster",
  "go farther",
  "make a weight",
];

function PhaseForm({ phase, close }: { phase: Phase | null; close: () => void }) {
  const { person, units, today, commit } = useLog();
  const shown = {
    name: phase?.name ?? "",
    aim: phase?.aim ?? "",
    startDate: phase?.startDate ?? today,
    weeks: printPlain((phase?.days ?? 84) / 7, 2),
    intention: phase?.intention ?? "",
    why: phase?.why ?? "",
  };
  const { control, save, meanwhile, drop } = useRecordForm(
    phaseForm,
    { units, today },
    `phase ${phase?.id ?? person.id}`,
    shown,
    { name: "Name", aim: "Aim", startDate: "The first day", weeks: "Weeks", intention: "Intention", why: "Why" },
  );
  const leave = () => {
    drop();
    close();
  };
  const onSubmit = save(async ({ name, aim, startDate, weeks, intention, why }, changed) => {
    const all: Phase = { id: newId(), personId: person.id, name, startDate, days: Math.round(weeks * 7) };
    const written: Phase =
      phase === null
        ? { ...all, aim: aim || null, intention: intention || null, why: why || null }
        : {
            ...phase,
            ...(changed.has("name") ? { name } : {}),
            ...(changed.has("aim") ? { aim: aim || null } : {}),
            ...(changed.has("startDate") ? { startDate } : {}),
            ...(changed.has("weeks") ? { days: all.days } : {}),
            ...(changed.has("intention") ? { intention: intention || null } : {}),
            ...(changed.has("why") ? { why: why || null } : {}),
          };
    const saved = await commit([put("phases", written, phase ?? undefined)], `Phase ${written.name}`);
    if (saved) close();
    return saved;
  });
  const remove = async () => {
    if (await commit([{ remove: { kind: "phases", id: phase!.id } }], `Phase ${phase!.name} removed`)) leave();
  };
  return (
    <form
      onSubmit={(event) => void onSubmit(event)}
      noValidate
      className="noprint around"
      aria-label={phase === null ? "A new phase" : `Phase ${phase.name}`}
    >
      <Row>
        <Field control={control} name="name" label="Phase" autoFocus />
        <Choice
          control={control}
          name="aim"
          label="Aim"
          options={[
            { value: "", label: "not said" },
            ...[...new Set([...aims, ...(phase?.aim ? [phase.aim] : [])])].map((aim) => ({ value: aim, label: aim })),
          ]}
        />
        <Field control={control} name="startDate" label="From" type="date" lean="ahead" />
        <Field control={control} name="weeks" label="Weeks" inputMode="decimal" />
      </Row>
      <Row>
        <Field control={control} name="intention" label="Intention" className={wide} />
        <Field control={control} name="why" label="Why it matters" className={wide} />
        <RowButton>
          <Button htmlType="submit">Save phase</Button>
        </RowButton>
        <RowButton>
          <LinkButton onClick={leave}>Leave</LinkButton>
        </RowButton>
        {phase !== null && (
          <RowButton>
            <LinkButton onClick={() => void remove()}>Remove</LinkButton>
          </RowButton>
        )}
      </Row>
      <Meanwhile said={meanwhile} />
    </form>
  );
}

const sorts: Record<(typeof judgedBy)[number], string> = {
  weight: "the weight's trend",
  e1rm: "a lift's maximum",
  bestTime: "a best time",
  sessions: "sessions done",
  measure: "a measure",
};

function MeasureForm({ phase, close }: { phase: Phase; close: () => void }) {
  const { units, today, commit } = useLog();
  const lifts = useHousehold("library")?.exercises ?? [];
  const known = useFigure("measures", {})?.known ?? [];
  const { control, handleSubmit, drop } = useTypedForm(
    phaseMeasureForm,
    { units, today },
    `measure of phase ${phase.id}`,
    {
      defaultValues: {
        of: "weight" as (typeof judgedBy)[number],
        exerciseId: "",
        measureId: "",
        kind: "",
        distance: "",
        from: "",
        to: "",
      },
    },
  );
  const of = useWatch({ control, name: "of" });
  const leave = () => {
    drop();
    close();
  };
  const save = handleSubmit(async ({ of, exerciseId, measureId, kind, distance, from, to }) => {
    const measure = {
      of: measureId ?? of,
      ...(exerciseId === null ? {} : { exerciseId }),
      ...(kind ? { kind: kind.toLowerCase() } : {}),
      ...(distance === null ? {} : { metres: distance }),
      ...(from === null ? {} : { from }),
      to,
    };
    const next = { ...phase, measures: [...(phase.measures ?? []), measure] };
    if (await commit([put("phases", next, phase)], `${phase.name}, judged by ${sorts[of]}`)) leave();
  });
  const unit = of === "weight" || of === "e1rm" ? units.mass : undefined;
  return (
    <form onSubmit={(event) => void save(event)} noValidate aria-label={`Judge ${phase.name}`} className="noprint">
      <Row>
        <Choice
          control={control}
          name="of"
          label="Judged by"
          options={judgedBy.map((value) => ({ value, label: sorts[value] }))}
        />
        {of === "e1rm" && (
          <Choice
            control={control}
            name="exerciseId"
            label="Lift"
            options={lifts.map(({ id, name }) => ({ value: id, label: name }))}
          />
        )}
        {of === "measure" && (
          <Choice
            control={control}
            name="measureId"
            label="Measure"
            options={known.map(({ id, name }) => ({ value: id, label: name }))}
          />
        )}
        {(of === "bestTime" || of === "sessions") && (
          <Field
            control={control}
            name="kind"
            label={of === "sessions" ? "Kind, if one" : "Kind"}
            placeholder="run, row, swim"
          />
        )}
        {of === "bestTime" && (
          <Field control={control} name="distance" label="Over" unit={units.distance} inputMode="decimal" />
        )}
        <Field control={control} name="from" label="From, if not as the log says" unit={unit} inputMode="decimal" />
        <Field control={control} name="to" label="Aim" unit={unit} inputMode="decimal" />
        <RowButton>
          <Button htmlType="submit">Judge by it</Button>
        </RowButton>
        <RowButton>
          <LinkButton onClick={leave}>Leave</LinkButton>
        </RowButton>
      </Row>
    </form>
  );
}
