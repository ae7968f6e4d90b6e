"use client";

import { dateOf, dayOf } from "@/core/base/calendar/day";
import { counted, parseDecimal, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { Block } from "@/core/log/kinds/blocks";
import { put } from "@/core/log/records";
import type { BlocksView } from "@/core/planning/blocksView";
import type { BlockWork } from "@/core/planning/blockWorks";
import { addDays, shortDate } from "@/ui/dates";
import { aDate, between, required } from "@/ui/inputs/checks";
import { Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { Scrollable } from "@/ui/Scrollable";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import { useState } from "react";
import { v7 as newId } from "uuid";
import styles from "./lifts.module.css";

interface Props {
  blocks: BlocksView;
  printer: Printer;
  choose: (stretch: { from: string; to: string }) => void;
  showMore: () => void;
}

/**
 * Blocks of training one under another, each with its work and held against the one before; a new one, or a changed
 * one.
 */
export function Blocks({ blocks: { blocks, blocksInAll, next }, printer, choose, showMore }: Props) {
  const [edited, setEdited] = useState<Block | "new" | null>(null);
  return (
    <section className={view.section}>
      <h2>Blocks</h2>
      {blocks.length > 0 && (
        <Scrollable label="Blocks">
          <table>
            <thead>
              <tr>
                <th>Block</th>
                <th className="num">Sessions</th>
                <th className="num">Lifts</th>
                <th className="num">planned</th>
                <th className="num">a week</th>
                <th className="num">Volume load, {printer.units.mass}</th>
                <th className="num">planned</th>
                <th className="num">a week</th>
                <th className="num">Average weight, {printer.units.mass}</th>
                <th className="num">Intensity</th>
                <th></th>
              </tr>
            </thead>
            <tbody>
              {blocks.map((one) => (
                <Line
                  key={one.block.id}
                  one={one}
                  printer={printer}
                  choose={choose}
                  edit={() => setEdited(one.block)}
                />
              ))}
            </tbody>
          </table>
        </Scrollable>
      )}
      {blocks.length > 0 && (
        <p className="quiet small" style={{ paddingTop: 6 }}>
          Planned is what was planned up to today. A week: over the days that have passed, with the change against the
          block before.
          {blocksInAll > blocks.length && (
            <>
              {" "}
              {blocks.length} of {blocksInAll} blocks. <LinkButton onClick={showMore}>Show all</LinkButton>
            </>
          )}
        </p>
      )}
      {edited === null ? (
        <p className="noprint" style={{ paddingTop: 4 }}>
          {blocks.length === 0 && (
            <span className="quiet">
              A block is some weeks of training with one aim; its work is summed and held against the block before.{" "}
            </span>
          )}
          <LinkButton onClick={() => setEdited("new")}>Write a block</LinkButton>
        </p>
      ) : (
        <BlockForm
          key={edited === "new" ? "new" : edited.id}
          block={edited === "new" ? null : (blocks.find(({ block }) => block.id === edited.id)?.block ?? edited)}
          next={next}
          close={() => setEdited(null)}
        />
      )}
    </section>
  );
}

/** The first and the last day of a block. */
export function daysOf({ course }: BlockWork): { from: string; to: string } {
  return { from: dateOf(course.first), to: dateOf(course.last) };
}

function Line({
  one,
  printer,
  choose,
  edit,
}: {
  one: BlockWork;
  printer: Printer;
  choose: Props["choose"];
  edit: () => void;
}) {
  const {
    block,
    course,
    sessions,
    numberOfLifts,
    volumeLoadKg,
    averageKg,
    averageIntensity,
    perWeek,
    plannedSoFar,
    planned,
    against,
  } = one;
  const load = (kg: number) => printer.volumeLoadNumber(kg);
  const ahead = course.state === "ahead";
  const plan = ahead ? planned : plannedSoFar;
  return (
    <tr>
      <td>
        <LinkButton onClick={() => choose(daysOf(one))} title="Show the work of these days">
          {block.name}
        </LinkButton>
        <div className="quiet small" style={{ whiteSpace: "nowrap" }}>
          {shortDate(block.startDate)} to {shortDate(daysOf(one).to)}, {lengthOf(block.days)}
          {course.state === "under way" ? `; day ${course.passed}` : ahead ? "; ahead" : ""}
        </div>
        {block.aim && <div className="quiet small">{block.aim}</div>}
      </td>
      <td className="num">{ahead ? "" : sessions}</td>
      <td className="num">{ahead ? "" : printNumber(numberOfLifts, 0)}</td>
      <td className="num planned">{plan.numberOfLifts > 0 ? printNumber(plan.numberOfLifts, 0) : ""}</td>
      <td className="num">
        {perWeek && printNumber(perWeek.numberOfLifts, 0)}
        <Change share={against?.numberOfLifts} />
      </td>
      <td className="num">{ahead ? "" : load(volumeLoadKg)}</td>
      <td className="num planned">{plan.volumeLoadKg > 0 ? load(plan.volumeLoadKg) : ""}</td>
      <td className="num">
        {perWeek && load(perWeek.volumeLoadKg)}
        <Change share={against?.volumeLoadKg} />
      </td>
      <td className="num">
        {averageKg === null ? "" : printer.massNumber(averageKg)}
        <Change share={against?.averageKg} />
      </td>
      <td className="num">{averageIntensity === null ? "" : printer.percent(averageIntensity)}</td>
      <td className="noprint">
        <LinkButton className="small" onClick={edit} aria-label={`Change ${block.name}`}>
          Change
        </LinkButton>
      </td>
    </tr>
  );
}

/** Whole weeks where it is some, else days. */
function lengthOf(days: number): string {
  return days % 7 === 0 ? counted(days / 7, "week") : counted(days, "day");
}

function Change({ share }: { share: number | undefined }) {
  if (share === undefined) return null;
  const percent = Math.round((share - 1) * 100);
  return (
    <div className="quiet small">{percent === 0 ? "the same" : `${percent > 0 ? "+" : "−"}${Math.abs(percent)} %`}</div>
  );
}

type BlockFields = { name: string; startDate: string; weeks: string; endDate: string; aim: string };

/** A block by its first day and its weeks or its last day: either follows the other. */
function BlockForm({ block, next, close }: { block: Block | null; next: string; close: () => void }) {
  const { commit, person } = useLog();
  const start = block?.startDate ?? next;
  const length = block?.days ?? 42;
  const shown: BlockFields = {
    name: block?.name ?? "",
    startDate: start,
    weeks: weeksOf(length),
    endDate: addDays(start, length - 1),
    aim: block?.aim ?? "",
  };
  const { control, save, setValue, getValues, trigger, meanwhile } = useRecordForm(shown, {
    name: "Block",
    startDate: "The first day",
    endDate: "The last day",
    aim: "Aim",
  });
  const daysWritten = () => (dayOf(getValues("endDate")) ?? NaN) - (dayOf(getValues("startDate")) ?? NaN) + 1;
  const fit = (changed: "weeks" | "endDate") => {
    const days = Math.round((parseDecimal(getValues("weeks")) ?? NaN) * 7);
    if (changed === "weeks" && dayOf(getValues("startDate")) !== null && days >= 1 && days <= mostDays)
      setValue("endDate", addDays(getValues("startDate"), days - 1), { shouldDirty: true });
    if (changed === "endDate" && daysWritten() >= 1) setValue("weeks", weeksOf(daysWritten()), { shouldDirty: true });
    void trigger(["weeks", "endDate"]);
  };
  const anEnd = (text: string) =>
    aDate("The last day")(text) ??
    (daysWritten() < 1
      ? "It ends before it begins."
      : daysWritten() > mostDays
        ? "A block has two years at most."
        : null);
  const onSubmit = save(async ({ name, startDate, aim }, changed) => {
    const begun = { id: newId(), personId: person.id, name: name.trim(), startDate, days: daysWritten() };
    const moved = changed.has("startDate") || changed.has("endDate") || changed.has("weeks");
    const written: Block =
      block === null
        ? { ...begun, aim: aim.trim() || null }
        : {
            ...block,
            ...(changed.has("name") ? { name: name.trim() } : {}),
            ...(moved ? { startDate, days: daysWritten() } : {}),
            ...(changed.has("aim") ? { aim: aim.trim() || null } : {}),
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
      className={`${styles.blockForm} noprint`}
      aria-label={block === null ? "A new block" : `Block ${block.name}`}
    >
      <Row>
        <Field control={control} name="name" label="Block" check={required("The name")} autoFocus />
        <Field
          control={control}
          name="startDate"
          label="From"
          type="date"
          check={aDate("The first day")}
          onChange={() => fit("weeks")}
        />
        <Field
          control={control}
          name="weeks"
          label="Weeks"
          inputMode="decimal"
          check={between("The length", 0.14, mostDays / 7)}
          onChange={() => fit("weeks")}
        />
        <Field
          control={control}
          name="endDate"
          label="To, included"
          type="date"
          lean="ahead"
          check={anEnd}
          onChange={() => fit("endDate")}
        />
        <Field control={control} name="aim" label="Aim" className={wide} />
        <RowButton>
          <Button htmlType="submit">Save block</Button>
        </RowButton>
        <RowButton>
          <LinkButton style={{ paddingTop: 6 }} onClick={close}>
            Leave
          </LinkButton>
        </RowButton>
        {block !== null && (
          <RowButton>
            <LinkButton style={{ paddingTop: 6 }} onClick={() => void remove()}>
              Remove
            </LinkButton>
          </RowButton>
        )}
      </Row>
      <Meanwhile said={meanwhile} />
    </form>
  );
}

const mostDays = 728;

function weeksOf(days: number): string {
  return printNumber(days / 7, days % 7 === 0 ? 0 : 2);
}
