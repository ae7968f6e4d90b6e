"use client";

import { parseMass } from "@/core/base/units/mass";
import { parseDecimal } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import { hasPlan } from "@/core/sessions/planned";
import { describeSets } from "@/core/strength/describe";
import { lackOf, loadDoubt } from "@/core/strength/doubt";
import { type Loaded, platesFor } from "@/core/strength/loading";
import { fieldNumber, ironText, stepLoad } from "@/core/strength/setText";
import { isOpenEnded, isShort } from "@/core/training/perform";
import type { TrainingItem, TrainingStep, TrainingView } from "@/core/training/trainingView";
import { shortDate } from "@/ui/dates";
import { usePrinter } from "@/ui/usePrinter";
import { Button } from "antd";
import { type ReactNode, useState } from "react";
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
  onConfirm: (draft: Draft) => Promise<void>;
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
  const timed = exercise.measure === "duration";
  const far = exercise.measure === "distance";
  const amountKey = timed ? "seconds" : far ? "metres" : "reps";
  const [amountStep, amountName] = timed ? [5, "seconds"] : far ? [10, "metres"] : [1, "reps"];
  const loaded = (exercise.measure ?? "load-reps") === "load-reps";
  const sign = exercise.measure === "bodyweight-reps" ? "+" : exercise.measure === "assisted-reps" ? "−" : "";
  const lack = lackOf(exercise, doneOf(now, exercise));
  const ready = lack === null && ((now[amountKey] ?? 0) > 0 || (amountKey === "reps" && now.failed));
  const doubt = now.kg === null ? null : loadDoubt(exercise, now.kg, item.best?.e1rmKg ?? null, printer);
  const [doubted, setDoubted] = useState<number | null>(null);
  const working = item.sets.filter(({ warmUp }) => !warmUp);
  const last = item.last?.sets[set.warmUp ? -1 : working.indexOf(set)]?.done;
  const record = now.reps === null ? undefined : item.repRecords.findLast(({ reps }) => reps <= now.reps! && reps >= 1);
  const confirm = async () => {
    if (doubt !== null && doubted !== now.kg) return setDoubted(now.kg);
    setSaving(true);
    await onConfirm(now);
    setSaving(false);
  };
  return (
    <>
      <div className={styles.what}>
        <h1>{exercise.name}</h1>
        <p className="planned">
          {set.warmUp ? "warm-up" : `set ${working.indexOf(set) + 1} of ${working.length}`}
          {hasPlan(set)
            ? `, planned ${describeSets([{ ...set, warmUp: false }], "planned", exercise, printer).replace(/^1 × /, "")}`
            : ""}
          {item.superset !== null ? ", superset" : ""}
          {item.tempo ? `, tempo ${item.tempo}` : ""}
        </p>
        <Boxes item={item} at={step.setId} choose={choose} printer={printer} />
        {proposal.reason && <p className="warn small">No load could be worked out: {proposal.reason}.</p>}
        {(item.note || exercise.cues || exercise.setting) && (
          <p className="quiet small">{[exercise.setting, exercise.cues, item.note].filter(Boolean).join(" · ")}</p>
        )}
      </div>
      {!timed && !far && (
        <Dial
          label="Load"
          text={now.kg === null ? "" : `${sign}${fieldNumber(now.kg, printer.units.mass)}`}
          unit={printer.units.mass}
          onText={(text) => {
            const kg = parseMass(text.replace(/^[+−]/, ""), printer.units.mass);
            if (kg !== null && Math.abs(kg) <= 2000) change({ kg });
          }}
          step={(up) => change({ kg: stepLoad(now.kg ?? item.barKg ?? 0, item.stepKg, up) })}
        >
          {loaded && item.barKg !== null && now.kg !== null && (
            <Plates kg={now.kg} barKg={item.barKg} view={view} printer={printer} onPick={(kg) => change({ kg })} />
          )}
        </Dial>
      )}
      <Dial
        label={amountName[0]!.toUpperCase() + amountName.slice(1)}
        text={now[amountKey] === null ? "" : String(now[amountKey])}
        unit={exercise.perSide ? `${amountName} a side` : amountName}
        onText={(text) => {
          const value = parseDecimal(text);
          if (value !== null && value >= 0 && value <= 100_000) change({ [amountKey]: value });
        }}
        step={(up) => change({ [amountKey]: Math.max(0, (now[amountKey] ?? 0) + (up ? amountStep : -amountStep)) })}
      >
        {set.planned?.asManyAsPossible ? (
          <span className="planned">as many as possible</span>
        ) : isOpenEnded(set.planned) ? (
          <span className="planned">
            {set.planned!.reps ?? 0} to {set.planned!.repsTo} planned
          </span>
        ) : null}
      </Dial>
      {!timed && !far && (
        <Ending reps={now.reps ?? 0} failed={now.failed} test={view.session.test === true} onChange={change} />
      )}
      {timed && <Hold key={now.setId} seconds={now.seconds ?? 0} />}
      <fieldset className={styles.effort}>
        <legend>effort, RPE{now.rpe === null ? "" : <span className={styles.left}> {10 - now.rpe} left</span>}</legend>
        {efforts.map((rpe) => (
          <button
            key={rpe}
            type="button"
            aria-pressed={now.rpe === rpe}
            onClick={() => change({ rpe: now.rpe === rpe ? null : rpe })}
          >
            {rpe}
          </button>
        ))}
        <button
          type="button"
          aria-label="+½, half a point more"
          aria-pressed={now.rpe !== null && now.rpe % 1 === 0.5}
          disabled={now.rpe === null || now.rpe === 10}
          onClick={() => change({ rpe: now.rpe === null ? null : now.rpe % 1 === 0.5 ? now.rpe - 0.5 : now.rpe + 0.5 })}
        >
          +½
        </button>
      </fieldset>
      <dl className={styles.facts}>
        <div>
          <dt>last time</dt>
          <dd>
            {last ? printSet(last, exercise, printer) : item.last ? item.last.text : "never done"}
            {item.last && <span className="quiet small"> {shortDate(item.last.date)}</span>}
          </dd>
        </div>
        {!timed && !far && !set.warmUp && (
          <div>
            <dt>to beat</dt>
            <dd>
              {record && record.reps === Math.min(12, now.reps!)
                ? `${sign}${printer.load(Math.abs(record.kg))} for ${record.reps}`
                : "nothing for so many"}
              {item.best && <span className="quiet small"> e1RM {printer.massNumber(item.best.e1rmKg)}</span>}
            </dd>
          </div>
        )}
        <div>
          <dt>then</dt>
          <dd>{thenText(view, step, printer)}</dd>
        </div>
      </dl>
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

/** A number at arm's length with a button on either side; the number itself can be typed. */
function Dial({
  label,
  text,
  unit,
  onText,
  step,
  children,
}: {
  label: string;
  text: string;
  unit: string;
  onText: (text: string) => void;
  step: (up: boolean) => void;
  children?: ReactNode;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <div className={styles.dial} role="group" aria-label={label}>
      <button
        type="button"
        aria-label={`${label} down`}
        onClick={() => {
          setTyped(null);
          step(false);
        }}
      >
        −
      </button>
      <div>
        <input
          aria-label={`${label}, ${unit}`}
          inputMode="decimal"
          value={typed ?? text}
          onFocus={(event) => event.target.select()}
          onChange={(event) => {
            setTyped(event.target.value);
            onText(event.target.value);
          }}
          onBlur={() => setTyped(null)}
          onKeyDown={(event) => {
            if (event.key === "Enter") event.currentTarget.blur();
          }}
        />
        <p className="quiet">
          {unit} {children}
        </p>
      </div>
      <button
        type="button"
        aria-label={`${label} up`}
        onClick={() => {
          setTyped(null);
          step(true);
        }}
      >
        +
      </button>
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
                <button key={loaded.kg} type="button" className="link" onClick={() => onPick(loaded.kg)}>
                  {printer.loadNumber(loaded.kg)}
                </button>,
              ],
        )
        .reduce<ReactNode[]>((all, one, index) => (index === 0 ? [one] : [...all, " or ", one]), [])}
    </>
  );
}
