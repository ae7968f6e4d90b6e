"use client";

import { dayOf } from "@/core/base/calendar/day";
import { parseDecimal, printNumber } from "@/core/base/units/number";
import type { Block } from "@/core/log/kinds/blocks";
import { put } from "@/core/log/records";
import { longestBlock } from "@/core/planning/blocks";
import { v7 as newId } from "uuid";
import { addDays } from "../dates";
import { FormEnd } from "../inputs/FormEnd";
import { Choice, Field, Row, RowButton, wide } from "../inputs/Field";
import { lateForm } from "../inputs/lateForm";
import { Meanwhile } from "../inputs/Meanwhile";
import { changedOnly, useRecordForm } from "../inputs/useRecordForm";
import { LinkButton } from "../kit/LinkButton";
import { useLog } from "../log/LogContext";
import { useFigure } from "../log/useFigure";

const blockForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.blockForm));

type BlockFields = {
  name: string;
  startDate: string;
  weeks: string;
  endDate: string;
  aim: string;
  focus: string;
  easyWeeks: string;
  phaseId: string;
};

/** A block by its first day and its weeks or its last day: either follows the other. */
export function BlockForm({
  block,
  like = null,
  next,
  close,
}: {
  block: Block | null;
  /** What a new one begins as: the block before it, say. */
  like?: Block | null;
  next: string;
  close: () => void;
}) {
  const phases = useFigure("phases", {}) ?? [];
  const first = block ?? like;
  const { commit, person, units, today } = useLog();
  const start = first?.startDate ?? next;
  const length = first?.days ?? 42;
  const shown: BlockFields = {
    name: first?.name ?? "",
    startDate: start,
    weeks: weeksOf(length),
    endDate: addDays(start, length - 1),
    aim: first?.aim ?? "",
    focus: first?.focus ?? "",
    easyWeeks: (first?.easyWeeks ?? []).join(", "),
    // A phase that is gone is none.
    phaseId: phases.some(({ id }) => id === first?.phaseId) ? first!.phaseId! : "",
  };
  const { control, save, setValue, getValues, trigger, meanwhile, drop } = useRecordForm(
    blockForm,
    { units, today },
    `block ${block?.id ?? `${like?.id ?? ""} ${person.id}`}`,
    shown,
    {
      name: "Block",
      startDate: "The first day",
      endDate: "The last day",
      aim: "Aim",
      focus: "Focus",
      easyWeeks: "Easy weeks",
      phaseId: "The phase",
      weeks: "Weeks",
    },
  );
  const daysWritten = () => (dayOf(getValues("endDate")) ?? NaN) - (dayOf(getValues("startDate")) ?? NaN) + 1;
  const fit = (changed: "weeks" | "endDate") => {
    const days = Math.round((parseDecimal(getValues("weeks")) ?? NaN) * 7);
    if (changed === "weeks" && dayOf(getValues("startDate")) !== null && days >= 1 && days <= longestBlock)
      setValue("endDate", addDays(getValues("startDate"), days - 1), { shouldDirty: true });
    if (changed === "endDate" && daysWritten() >= 1) setValue("weeks", weeksOf(daysWritten()), { shouldDirty: true });
    void trigger(["weeks", "endDate"]);
  };
  const onSubmit = save(async ({ name, startDate, aim, focus, easyWeeks, phaseId }, changed) => {
    const begun = { id: newId(), personId: person.id, name, startDate, days: daysWritten() };
    const moved = changed.has("startDate") || changed.has("endDate") || changed.has("weeks");
    const written: Block =
      block === null
        ? { ...begun, aim: aim || null, focus: focus || null, easyWeeks, phaseId: phaseId || null }
        : {
            ...block,
            ...(moved ? { startDate, days: daysWritten() } : {}),
            ...changedOnly(changed, {
              name,
              aim: aim || null,
              focus: focus || null,
              easyWeeks,
              phaseId: phaseId || null,
            }),
          };
    const saved = await commit([put("blocks", written, block ?? undefined)], `Block ${written.name}`);
    if (saved) close();
    return saved;
  });
  const remove = async () => {
    if (await commit([{ remove: { kind: "blocks", id: block!.id } }], `Block ${block!.name} removed`)) close();
  };
  return (
    <form
      onSubmit={(event) => void onSubmit(event)}
      noValidate
      className="noprint above"
      aria-label={block === null ? "A new block" : `Block ${block.name}`}
    >
      <Row>
        <Field control={control} name="name" label="Block" autoFocus />
        <Field control={control} name="startDate" label="From" type="date" onChange={() => fit("weeks")} />
        <Field control={control} name="weeks" label="Weeks" inputMode="decimal" onChange={() => fit("weeks")} />
        <Field
          control={control}
          name="endDate"
          label="To, included"
          type="date"
          lean="ahead"
          onChange={() => fit("endDate")}
        />
        <Field control={control} name="easyWeeks" label="Easy weeks" placeholder="4, 8" />
        {phases.length > 0 && (
          <Choice
            control={control}
            name="phaseId"
            label="Phase"
            options={[
              { value: "", label: "by its days" },
              ...phases.map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
        )}
        <Field control={control} name="focus" label="Focus" />
        <Field control={control} name="aim" label="Aim" className={wide} />
        <FormEnd save="Save block" drop={drop} onClose={close}>
          {block !== null && (
            <RowButton>
              <LinkButton onClick={() => void remove()}>Remove</LinkButton>
            </RowButton>
          )}
        </FormEnd>
      </Row>
      <Meanwhile said={meanwhile} />
    </form>
  );
}

function weeksOf(days: number): string {
  return printNumber(days / 7, days % 7 === 0 ? 0 : 2);
}
