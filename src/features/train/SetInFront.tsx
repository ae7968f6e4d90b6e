"use client";

import { parseMass } from "@/core/base/units/mass";
import { parseDecimal } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { Exercise } from "@/core/log/kinds/exercises";
import { hasPlan } from "@/core/sessions/planned";
import { describeSets } from "@/core/strength/describe";
import { lackOf, loadDoubt } from "@/core/strength/doubt";
import { type Loaded, platesFor } from "@/core/strength/loading";
import { fieldNumber, ironText, stepLoad } from "@/core/strength/setText";
import { isOpenEnded, isShort } from "@/core/training/perform";
import type { TrainingItem, TrainingStep, TrainingView } from "@/core/training/trainingView";
import { shortDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { usePrinter } from "@/ui/usePrinter";
import { Button } from "antd";
import { type ReactNode, useState } from "react";
import { Dial } from "./Dial";
import { Hold } from "./Hold";
import { printSet } from "./printSet";
import styles from "./train.module.css";
import { doneOf, type Draft } from "./useTraining";

interface Props {
  view: TrainingView;
  item: TrainingItem;
  step: TrainingStep;
  draft: Draft | null;
  onDraft: (draft: Draft) => void;
  /** Resolves to whether it was written; the next set then comes in front. */
  onConfirm: (draft: Draft) => Promise<boolean>;
  choose: (setId: string) => void;
  children: ReactNode;
}

const efforts = [6, 7, 8, 9, 10];

/**
 * The set to do: load and repetitions large, changed with a thumb; what was planned, what was done last time, the
 * record; and the one strong button.
 */
export function SetInFront({ view, item, step, draft, onDraft, onConfirm, choose, children }: Props) {
  const printer = usePrinter();
  const [saving, setSaving] = useState(false);
  const { exercise } = item;
  const { proposal } = step;
  const now: Draft = draft ?? {
    itemId: step.itemId,
    setId: step.setId,
    reps: proposal.reps,
    kg: proposal.kg,
    seconds: proposal.seconds,
    metres: proposal.metres,
    rpe: null,
    failed: false,
  };
  const set = item.sets.find(({ id }) => id === step.setId)!;
  const change = (changed: Partial<Draft>) => onDraft({ ...now, ...changed });
  const amount = amountOf(exercise);
  const lack = lackOf(exercise, doneOf(now, exercise));
  const ready = lack === null && ((now[amount.key] ?? 0) > 0 || (amount.key === "reps" && now.failed));
  const doubt = now.kg === null ? null : loadDoubt(exercise, now.kg, item.best?.e1rmKg ?? null, printer);
  const [doubted, setDoubted] = useState<number | null>(null);
  const confirm = async () => {
    if (doubt !== null && doubted !== now.kg) return setDoubted(now.kg);
    // Until the next set is in front, so that a second press does not confirm this one again.
    setSaving(true);
    if (!(await onConfirm(now))) setSaving(false);
  };
  return (
    <>
      <Heading item={item} step={step} choose={choose} />
      {amount.key === "reps" && (
        <Dial
          label="Load"
          text={now.kg === null ? "" : `${signOf(exercise)}${fieldNumber(now.kg, printer.units.mass)}`}
          unit={printer.units.mass}
          onText={(text) => {
            const kg = parseMass(text.replace(/^[+−]/, ""), printer.units.mass);
            if (kg !== null && Math.abs(kg) <= 2000) change({ kg });
          }}
          step={(up) => change({ kg: stepLoad(now.kg ?? item.barKg ?? 0, item.stepKg, up) })}
        >
          {(exercise.measure ?? "load-reps") === "load-reps" && item.barKg !== null && now.kg !== null && (
            <Plates kg={now.kg} barKg={item.barKg} view={view} printer={printer} onPick={(kg) => change({ kg })} />
          )}
        </Dial>
      )}
      <Dial
        label={amount.label}
        text={now[amount.key] === null ? "" : String(now[amount.key])}
        unit={exercise.perSide ? `${amount.unit} a side` : amount.unit}
        onText={(text) => {
          const value = parseDecimal(text);
          if (value !== null && value >= 0 && value <= 100_000) change({ [amount.key]: value });
        }}
        step={(up) => change({ [amount.key]: Math.max(0, (now[amount.key] ?? 0) + (up ? amount.step : -amount.step)) })}
      >
        {set.planned?.asManyAsPossible ? (
          <span className="planned">as many as possible</span>
        ) : isOpenEnded(set.planned) ? (
          <span className="planned">
            {set.planned!.reps ?? 0} to {set.planned!.repsTo} planned
          </span>
        ) : null}
      </Dial>
      {amount.key === "reps" && (
        <Ending reps={now.reps ?? 0} failed={now.failed} test={view.session.test === true} onChange={change} />
      )}
      {amount.key === "seconds" && <Hold key={now.setId} seconds={now.seconds ?? 0} />}
      <EffortChoice rpe={now.rpe} onChange={(rpe) => change({ rpe })} />
      <Facts view={view} item={item} step={step} reps={now.reps} />
      <div className={styles.act}>
        {children}
        {lack === "load" && (
          <p className="warn small" role="status">
            Write the load: nothing is done without one, 0 for none.
          </p>
        )}
        {doubt !== null && doubted === now.kg && (
          <p className="warn small" role="alert">
            {doubt} Press again if it is right.
          </p>
        )}
        <Button
          type="primary"
          block
          className={styles.confirm}
          disabled={!ready || saving}
          onClick={() => void confirm()}
        >
          Set done
        </Button>
      </div>
    </>
  );
}

/** What is counted of a set of an exercise, and by how much the buttons change it. */
function amountOf({ measure }: Exercise) {
  if (measure === "duration") return { key: "seconds", label: "Seconds", unit: "seconds", step: 5 } as const;
  if (measure === "distance") return { key: "metres", label: "Metres", unit: "metres", step: 10 } as const;
  return { key: "reps", label: "Reps", unit: "reps", step: 1 } as const;
}

/** What stands before a load that is added to the body's weight, or taken from it. */
function signOf({ measure }: Exercise): string {
  return measure === "bodyweight-reps" ? "+" : measure === "assisted-reps" ? "−" : "";
}

/** The exercise, which of its sets this is, what was planned, and what is to be minded. */
function Heading({ item, step, choose }: Pick<Props, "item" | "step" | "choose">) {
  const printer = usePrinter();
  const { exercise, sets, superset, tempo, note } = item;
  const set = sets.find(({ id }) => id === step.setId)!;
  const working = sets.filter(({ warmUp }) => !warmUp);
  const said = [
    set.warmUp ? "warm-up" : `set ${working.indexOf(set) + 1} of ${working.length}`,
    hasPlan(set) &&
      `planned ${describeSets([{ ...set, warmUp: false }], "planned", exercise, printer).replace(/^1 × /, "")}`,
    superset !== null && "superset",
    tempo && `tempo ${tempo}`,
  ];
  const minded = [exercise.setting, exercise.cues, note].filter(Boolean);
  return (
    <div className={styles.what}>
      <h1>{exercise.name}</h1>
      <p className="planned">{said.filter(Boolean).join(", ")}</p>
      <Boxes item={item} at={step.setId} choose={choose} printer={printer} />
      {step.proposal.reason && <p className="warn small">No load could be worked out: {step.proposal.reason}.</p>}
      {minded.length > 0 && <p className="quiet small">{minded.join(" · ")}</p>}
    </div>
  );
}

/** The effort of a set, by whole points and a half more. */
function EffortChoice({ rpe, onChange }: { rpe: number | null; onChange: (rpe: number | null) => void }) {
  const isHalf = rpe !== null && rpe % 1 === 0.5;
  return (
    <fieldset className={styles.effort}>
      <legend>effort, RPE{rpe === null ? "" : <span className={styles.left}> {10 - rpe} left</span>}</legend>
      {efforts.map((one) => (
        <button key={one} type="button" aria-pressed={rpe === one} onClick={() => onChange(rpe === one ? null : one)}>
          {one}
        </button>
      ))}
      <button
        type="button"
        aria-label="+½, half a point more"
        aria-pressed={isHalf}
        disabled={rpe === null || rpe === 10}
        onClick={() => onChange(rpe === null ? null : isHalf ? rpe - 0.5 : rpe + 0.5)}
      >
        +½
      </button>
    </fieldset>
  );
}

/** What was done last time, what there is to beat with so many repetitions, and what comes next. */
function Facts({ view, item, step, reps }: Pick<Props, "view" | "item" | "step"> & { reps: number | null }) {
  const printer = usePrinter();
  const { exercise, best } = item;
  const set = item.sets.find(({ id }) => id === step.setId)!;
  const working = item.sets.filter(({ warmUp }) => !warmUp);
  const last = item.last?.sets[set.warmUp ? -1 : working.indexOf(set)]?.done;
  const record = reps === null ? undefined : item.repRecords.findLast((one) => one.reps <= reps && one.reps >= 1);
  return (
    <dl className={styles.facts}>
      <div>
        <dt>last time</dt>
        <dd>
          {last ? printSet(last, exercise, printer) : item.last ? item.last.text : "never done"}
          {item.last && <span className="quiet small"> {shortDate(item.last.date)}</span>}
        </dd>
      </div>
      {amountOf(exercise).key === "reps" && !set.warmUp && (
        <div>
          <dt>to beat</dt>
          <dd>
            {record && record.reps === Math.min(12, reps!)
              ? `${signOf(exercise)}${printer.load(Math.abs(record.kg))} for ${record.reps}`
              : "nothing for so many"}
            {best && <span className="quiet small"> e1RM {printer.massNumber(best.e1rmKg)}</span>}
          </dd>
        </div>
      )}
      <div>
        <dt>then</dt>
        <dd>{thenText(view, step, printer)}</dd>
      </div>
    </dl>
  );
}

/**
 * How a set ended: how many were completed is the number above, and whether one more was tried and missed is chosen
 * here.
 */
function Ending({
  reps,
  failed,
  test,
  onChange,
}: {
  reps: number;
  failed: boolean;
  test: boolean;
  onChange: (changed: Partial<Draft>) => void;
}) {
  const single = reps === 1 || (reps === 0 && failed);
  const missedLast = () => onChange({ reps: Math.max(0, reps - 1), failed: true });
  const made = () => onChange({ reps: Math.max(1, reps), failed: false });
  return (
    <div className={styles.ending} role="group" aria-label="How the set ended">
      <button type="button" aria-pressed={!failed} onClick={made}>
        {test || single ? "made" : "all made"}
      </button>
      <button
        type="button"
        aria-pressed={failed && (single || test)}
        hidden={failed && !single && !test}
        onClick={failed ? undefined : missedLast}
      >
        {test || single ? "missed" : "last one missed"}
      </button>
      {!test && !(reps === 0 && failed) && (
        <button type="button" aria-pressed={failed} onClick={() => onChange({ failed: true })}>
          one more missed
        </button>
      )}
    </div>
  );
}

/** The open set after the one in front, in words. */
function thenText({ steps, items }: TrainingView, step: TrainingStep, printer: Printer): string {
  const at = steps.indexOf(step);
  const open = [...steps.slice(at + 1), ...steps.slice(0, at)].find(({ itemId, setId }) => {
    const held = items.find(({ id }) => id === itemId)!;
    return held.skipped === null && !held.sets.find(({ id }) => id === setId)!.done;
  });
  if (open === undefined) return "the end of the session";
  const { exercise } = items.find(({ id }) => id === open.itemId)!;
  const { reps, kg, seconds, metres } = open.proposal;
  return [open.itemId === step.itemId ? "" : exercise.name, printSet({ reps, kg, seconds, metres }, exercise, printer)]
    .filter(Boolean)
    .join(", ");
}

/**
 * The exercise's sets as squares: filled when done, half when cut short, hollow when open, the one in front marked;
 * warm-ups small.
 */
function Boxes({
  item,
  at,
  choose,
  printer,
}: {
  item: TrainingItem;
  at: string;
  choose: (setId: string) => void;
  printer: Printer;
}) {
  return (
    <div className={styles.boxes} role="group" aria-label="Sets of this exercise">
      {item.sets.map((set, index) => {
        const said = set.done
          ? `done, ${printSet(set.done, item.exercise, printer)}, change`
          : set.id === at
            ? "in front"
            : "open";
        return (
          <button
            key={set.id}
            type="button"
            className={`${styles.box} ${set.warmUp ? styles.warm : ""} ${set.done ? (isShort(set) ? styles.short : styles.full) : ""} ${set.id === at ? styles.front : ""}`}
            aria-label={`${set.warmUp ? "Warm-up" : "Set"} ${index + 1}, ${said}`}
            onClick={() => choose(set.id)}
          />
        );
      })}
    </div>
  );
}

/** What to put on each side of the bar; when the plates at hand cannot make it, the nearest weights they can. */
function Plates({
  kg,
  barKg,
  view,
  printer,
  onPick,
}: {
  kg: number;
  barKg: number;
  view: TrainingView;
  printer: Printer;
  onPick: (kg: number) => void;
}) {
  const { exact, below, above } = platesFor(kg, barKg, view.plates);
  const side = ({ perSide }: Loaded) =>
    perSide.length === 0
      ? "empty bar"
      : `${perSide.map((plate) => ironText(plate, printer.units.mass)).join(" + ")} a side`;
  if (exact) return <>· {side(exact)}</>;
  return (
    <>
      · not with your plates:{" "}
      {[below, above]
        .flatMap((loaded) =>
          loaded === null
            ? []
            : [
                <LinkButton key={loaded.kg} onClick={() => onPick(loaded.kg)}>
                  {printer.loadNumber(loaded.kg)}
                </LinkButton>,
              ],
        )
        .reduce<ReactNode[]>((all, one, index) => (index === 0 ? [one] : [...all, " or ", one]), [])}
    </>
  );
}
