"use client";

import { dateOf } from "@/core/base/calendar/day";
import { counted, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { Block } from "@/core/log/kinds/blocks";
import type { BlocksView } from "@/core/planning/blocksView";
import type { BlockWork } from "@/core/planning/blockWorks";
import { shortDate } from "@/ui/dates";
import type { Column } from "@/ui/kit/column";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { BlockForm } from "@/ui/planning/BlockForm";
import view from "@/ui/view.module.css";
import Link from "next/link";
import { useState } from "react";

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
        <RecordTable
          label="Blocks"
          rows={blocks}
          keyOf={({ block }) => block.id}
          columns={columns(printer, choose, setEdited)}
        />
      )}
      {blocks.length > 0 && (
        <p className="quiet small above">
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
        <p className="noprint above">
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

function columns(
  printer: Printer,
  choose: Props["choose"],
  edit: (block: Block) => void,
): readonly Column<BlockWork>[] {
  const load = (kg: number) => printer.volumeLoadNumber(kg);
  const isAhead = ({ course }: BlockWork) => course.state === "ahead";
  const planOf = (one: BlockWork) => (isAhead(one) ? one.planned : one.plannedSoFar);
  return [
    {
      head: "Block",
      cell: (one) => (
        <>
          <LinkButton onClick={() => choose(daysOf(one))}>
            {one.block.name}
            <span className="hidden">, show the work of these days</span>
          </LinkButton>
          <div className="quiet small nowrap">
            {shortDate(one.block.startDate)} to {shortDate(daysOf(one).to)}, {lengthOf(one.block.days)}
            {one.course.state === "under way" ? `; day ${one.course.passed}` : isAhead(one) ? "; ahead" : ""}
          </div>
          {one.block.aim && <div className="quiet small">{one.block.aim}</div>}
        </>
      ),
    },
    { head: "Sessions", num: true, cell: (one) => (isAhead(one) ? "" : one.sessions) },
    { head: "Lifts", num: true, cell: (one) => (isAhead(one) ? "" : printNumber(one.numberOfLifts, 0)) },
    {
      head: "Lifts planned",
      num: true,
      tone: "planned",
      cell: (one) => (planOf(one).numberOfLifts > 0 ? printNumber(planOf(one).numberOfLifts, 0) : ""),
    },
    {
      head: "Lifts a week",
      num: true,
      cell: ({ perWeek, against }) =>
        perWeek && (
          <>
            {printNumber(perWeek.numberOfLifts, 0)}
            <Change share={against?.numberOfLifts} />
          </>
        ),
    },
    {
      head: `Volume load, ${printer.units.mass}`,
      num: true,
      cell: (one) => (isAhead(one) ? "" : load(one.volumeLoadKg)),
    },
    {
      head: "Load planned",
      num: true,
      tone: "planned",
      cell: (one) => (planOf(one).volumeLoadKg > 0 ? load(planOf(one).volumeLoadKg) : ""),
    },
    {
      head: "Load a week",
      num: true,
      cell: ({ perWeek, against }) =>
        perWeek && (
          <>
            {load(perWeek.volumeLoadKg)}
            <Change share={against?.volumeLoadKg} />
          </>
        ),
    },
    {
      head: `Average weight, ${printer.units.mass}`,
      num: true,
      cell: ({ averageKg, against }) =>
        averageKg !== null && (
          <>
            {printer.massNumber(averageKg)}
            <Change share={against?.averageKg} />
          </>
        ),
    },
    {
      head: "Intensity",
      num: true,
      cell: ({ averageIntensity }) => (averageIntensity === null ? "" : printer.percent(averageIntensity)),
    },
    {
      head: "Change",
      mute: true,
      folded: "beside",
      cell: ({ block }) => (
        <span className="row noprint">
          <Link
            className="small"
            href={`/plan/block?block=${encodeURIComponent(block.id)}`}
            aria-label={`The page of ${block.name}`}
          >
            Page
          </Link>
          <LinkButton className="small" onClick={() => edit(block)} aria-label={`Change ${block.name}`}>
            Change
          </LinkButton>
        </span>
      ),
    },
  ];
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
