"use client";

import { capitalised } from "@/core/base/text";
import { printNumber } from "@/core/base/units/number";
import type { Asked, AskedNutrient, Macro } from "@/core/energy/asked";
import type { EnergyView, KindOfDay } from "@/core/energy/energyView";
import type { TargetsTyped } from "@/core/energy/targetsTyped";
import type { DayTarget, EnergySettings } from "@/core/log/kinds/energySettings";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Field, Row } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { changedOnly, useRecordForm } from "@/ui/inputs/useRecordForm";
import { lateCode, whenIdle } from "@/ui/kit/late";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { useEffect, useRef, useState } from "react";
import { type Control, useWatch } from "react-hook-form";
import { useEnergyChange } from "./useEnergyChange";

const code = lateCode(() => import("@/core/energy/targetsTyped"));
const dayKindForm = lateForm(() => import("@/core/energy/forms").then((forms) => forms.dayKindForm));

/** Targets by kind of day: training, rest, and kinds of the trainee's own. Saved as from today. */
export function DayKinds({ view }: { view: EnergyView }) {
  const { kinds, kindToday, settings } = view;
  const printer = usePrinter();
  const change = useEnergyChange(settings);
  /** Which is changed: its name, or a new one, without. */
  const [opened, setOpened] = useState<string | null>(null);
  const close = () => setOpened(null);
  const form = (kind: KindOfDay | null) => <DayKindForm key={kind?.name ?? ""} view={view} kind={kind} close={close} />;
  const remove = (name: string) =>
    void change({ dayKinds: (settings?.dayKinds ?? []).filter((one) => one.name !== name) }, `${name} day removed`);
  const grams = (of: AskedNutrient) => ({
    head: capitalised(of),
    num: true,
    cell: ({ target, typed }: KindOfDay) => {
      const asked = "asked" in target ? target.asked[of] : null;
      return asked === null ? null : <AskedGrams asked={asked} typed={typed[of]} />;
    },
  });
  return (
    <section className={styles.section}>
      <h2>Targets by kind of day</h2>
      <RecordTable<KindOfDay>
        label="Targets by kind of day"
        rows={kinds}
        keyOf={({ name }) => name}
        below={(kind) => kind.name === opened && form(kind)}
        columns={[
          {
            head: "Kind of day",
            cell: ({ name }) => (
              <>
                {capitalised(name)}
                {name === kindToday && <span className="done small">, today</span>}
              </>
            ),
          },
          {
            head: "When",
            tone: "quiet",
            cell: ({ name, turn }) => turn ?? (name === "training" ? "a session is on it" : "no session is on it"),
          },
          {
            head: printer.units.energy,
            num: true,
            folded: "beside",
            cell: ({ target }) =>
              "reason" in target ? (
                <span className="quiet small">{target.reason}</span>
              ) : (
                <>
                  {printer.energyNumber(target.kcal)}
                  <span className="quiet small"> {target.own ? "own" : "as planned"}</span>
                </>
              ),
          },
          grams("protein"),
          grams("fat"),
          grams("carbohydrate"),
          grams("fibre"),
          grams("sugars"),
          {
            head: "Change or remove",
            mute: true,
            num: true,
            cell: ({ name, turn }) => (
              <span className="small noprint">
                <LinkButton aria-label={`Change the ${name} day`} onClick={() => setOpened(name)}>
                  Change
                </LinkButton>
                {turn !== null && (
                  <>
                    {" "}
                    ·{" "}
                    <LinkButton aria-label={`Remove the ${name} day`} onClick={() => remove(name)}>
                      Remove
                    </LinkButton>
                  </>
                )}
              </span>
            ),
          },
        ]}
      />
      {opened === "" ? (
        form(null)
      ) : (
        <p className="noprint">
          <LinkButton onClick={() => setOpened("")}>Add a kind of day</LinkButton>
        </p>
      )}
    </section>
  );
}

/** Grams of a target, and how they were set where that is not the grams themselves. */
function AskedGrams({ asked, typed }: { asked: Asked; typed: string }) {
  if ("reason" in asked) return <span className="quiet small">{asked.reason}</span>;
  const grams = `${printNumber(asked.grams, 0)}${asked.to === null ? "" : ` to ${printNumber(asked.to, 0)}`}`;
  const [, bound] = /^(at least|at most) [\d.]+$/.exec(typed) ?? [];
  return (
    <>
      {bound !== undefined && <span className="quiet small">{bound} </span>}
      {grams} g{bound === undefined && /[^\d. to]/.test(typed) && <span className="quiet small"> {typed}</span>}
    </>
  );
}

type Fields = TargetsTyped & { name: string; turn: string };
const noTargets: TargetsTyped = { kcal: "", protein: "", fat: "", carbohydrate: "", fibre: "", sugars: "", water: "" };

/** One kind of day and its targets. @param kind null for a new one */
function DayKindForm({ view, kind, close }: { view: EnergyView; kind: KindOfDay | null; close: () => void }) {
  const { person, today, units } = useLog();
  const { settings, kinds, plannedKcal, body } = view;
  const change = useEnergyChange(settings);
  const context = { units, body, dayKcal: plannedKcal };
  const names = kinds.map(({ name }) => name).filter((name) => name !== kind?.name);
  const isOwn = kind === null || kind.turn !== null;
  const shown: Fields = { name: kind?.name ?? "", turn: kind?.turn ?? "", ...(kind?.typed ?? noTargets) };
  const made = useRecordForm(
    dayKindForm,
    { ...context, today, names },
    `kind of day ${person.id} ${kind?.name ?? ""}`,
    shown,
    {
      name: "Name",
      kcal: "The energy",
      protein: "Protein",
      fat: "Fat",
      carbohydrate: "Carbohydrate",
      fibre: "Fibre",
      sugars: "Sugars",
      water: "Water",
      turn: "When it is",
    },
  );
  const { control, save, drop, meanwhile, getValues, setValue } = made;
  const typing = code.useCode();
  useEffect(() => whenIdle(code.fetch), []);
  const left = useRef<Partial<Record<Macro, string>>>({});
  /** Once a share was changed the others move with it. */
  const move = (macro: Macro) => {
    const typed = getValues();
    const before = left.current[macro] ?? shown[macro];
    left.current[macro] = typed[macro];
    if (typing === null || before === typed[macro]) return;
    for (const [other, text] of Object.entries(typing.sharesMoved(typed, macro)) as [Macro, string][]) {
      left.current[other] = text;
      setValue(other, text, { shouldDirty: true, shouldValidate: true });
    }
  };
  const onSubmit = save(async ({ name, turn, ...values }, changed) => {
    const targets: DayTarget = { ...kind?.targets, ...changedOnly(changed, values) };
    const saved = await change(
      isOwn
        ? { dayKinds: withKind(settings, kind?.name ?? null, { name, ...turn, targets }) }
        : { targets: { ...settings?.targets, [kind.name]: targets } },
      `Targets of a ${name} day`,
    );
    if (saved) close();
    return saved;
  });
  const grams = (name: AskedNutrient, placeholder: string) => (
    <Field control={control} name={name} label={capitalised(name)} placeholder={placeholder} />
  );
  const macro = (name: Macro, placeholder: string) => (
    <Field
      control={control}
      name={name}
      label={capitalised(name)}
      placeholder={placeholder}
      onLeave={() => move(name)}
    />
  );
  return (
    <form
      onSubmit={(event) => void onSubmit(event)}
      noValidate
      aria-label={kind === null ? "A kind of day" : `Targets of a ${kind.name} day`}
    >
      <Meanwhile said={meanwhile} />
      <Row>
        {isOwn && (
          <>
            <Field
              control={control}
              name="name"
              label="Name"
              placeholder="high carbohydrate"
              autoFocus={kind === null}
            />
            <Field control={control} name="turn" label="When" placeholder="Mon, Thu, or every 3 days" />
          </>
        )}
        <Field control={control} name="kcal" label="Own energy" unit={units.energy} placeholder="as planned" />
        <Field control={control} name="water" label="Water" unit="ml" placeholder="2500" />
      </Row>
      <Row>
        {macro("protein", "1.8 g/kg")}
        {macro("fat", "25 %")}
        {macro("carbohydrate", "the rest")}
        {grams("fibre", "at least 30")}
        {grams("sugars", "at most 10 %")}
      </Row>
      <Made control={control} context={context} />
      <Row>
        <FormEnd save="Save targets" drop={drop} onClose={close} />
      </Row>
      <p className="quiet small">
        Grams (130), grams for each kg of body weight (1.8 g/kg) or of lean mass (2.2 g/kg lean), shares of the energy
        (25 %), shares of what the others leave (40 % of the rest), or the rest; with at least, at most, or as a range
        (60 to 80). Shares move together, so that they stay 100 %.
        {isOwn &&
          " When: weekdays (Mon, Thu), every 3 days from 1 Dec, all other days; empty, you say it of a day under Food."}
      </p>
    </form>
  );
}

/** The trainee's own kinds with one of them written anew, or one more. */
function withKind(
  settings: EnergySettings | null,
  name: string | null,
  kind: NonNullable<EnergySettings["dayKinds"]>[number],
): NonNullable<EnergySettings["dayKinds"]> {
  const kinds = settings?.dayKinds ?? [];
  return name === null ? [...kinds, kind] : kinds.map((one) => (one.name === name ? { ...one, ...kind } : one));
}

/** What the targets make together, while they are typed. */
function Made({
  control,
  context,
}: {
  control: Control<Fields>;
  context: Parameters<(typeof import("@/core/energy/targetsTyped"))["targetsTyped"]>[1];
}) {
  const fields = useWatch({ control }) as Fields;
  const said = code.useCode()?.targetsTyped(fields, context).said ?? "";
  return (
    <p aria-live="polite" className={said === "" ? "hidden" : "quiet small"}>
      {said}
    </p>
  );
}
