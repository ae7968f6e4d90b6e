"use client";

import { printNumber } from "@/core/base/units/number";
import type { MergeLine } from "@/core/log/merge/lines";
import type { ChangeStep } from "@/core/log/records";
import type { Merge } from "@/formats/importing/importing";
import { fullDate, instantText } from "@/ui/dates";
import { by } from "@/ui/kit/column";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Tick } from "@/ui/kit/Tick";
import { useHousehold } from "@/ui/log/useFigure";
import { Button } from "antd";
import { useState } from "react";

/** More lines than this are counted and not listed. */
const listed = 400;

/**
 * What differs between an archive and the log, record by record and field by field; what is ticked is written as one
 * change.
 */
export function MergeList({
  merge,
  file,
  onWrite,
}: {
  merge: Merge;
  file: string;
  onWrite: (steps: ChangeStep[]) => Promise<void>;
}) {
  const [left, setLeft] = useState<ReadonlySet<number>>(
    () => new Set(merge.lines?.flatMap(({ proposed }, index) => (proposed ? [] : [index]))),
  );
  const [writing, setWriting] = useState(false);
  const names = useHousehold("kindNames");
  const { lines, steps, count, related } = merge;
  if (names === undefined) return null;
  if (lines === null)
    return (
      <p className="quiet">
        It differs from the log in {printNumber(count, 0)} records, too many to look through: it can only take the
        log&apos;s place.
      </p>
    );
  if (lines.length === 0) return <p>It holds nothing that the log does not hold already.</p>;
  const taken = steps.filter((_, index) => !left.has(index));
  const toggle = (index: number) =>
    setLeft(left.has(index) ? new Set([...left].filter((one) => one !== index)) : new Set([...left, index]));
  return (
    <>
      {!related && <p className="warn">It speaks of other people than this log: merged, they join the household.</p>}
      <p>{summary(lines)}. Untick what should stay as it is here.</p>
      <RecordTable
        label="What differs"
        rows={lines.slice(0, listed).map((line, index) => ({ line, index }))}
        keyOf={({ index }) => index}
        columns={[
          {
            head: "Take",
            bare: true,
            folded: "beside",
            cell: ({ line: { kind, title, date }, index }) => (
              <Tick
                label={`Take ${names[kind].one} ${title} ${date === null ? "" : fullDate(date)}`}
                checked={!left.has(index)}
                onChange={() => toggle(index)}
              />
            ),
          },
          {
            head: "Day",
            bare: true,
            compare: by(({ line }) => line.date),
            cell: ({ line: { date } }) => (date === null ? "" : fullDate(date)),
          },
          {
            head: "Record",
            folded: "name",
            kind: ({ line }) => names[line.kind].one,
            cell: ({ line: { kind, title } }) => `${names[kind].one} ${title}`,
          },
          {
            head: "What differs",
            bare: true,
            cell: ({ line, index }) => <WhatDiffers line={line} taken={!left.has(index)} />,
          },
        ]}
      />
      {lines.length > listed && <p className="quiet">and {printNumber(lines.length - listed, 0)} more</p>}
      <p className="above">
        <Button
          type="primary"
          disabled={taken.length === 0 || writing}
          onClick={() => {
            setWriting(true);
            void onWrite(taken).finally(() => setWriting(false));
          }}
        >
          Merge {printNumber(taken.length, 0)} of {file} into the log
        </Button>
      </p>
    </>
  );
}

/** What one record says here and there, and which of the two stands. */
function WhatDiffers({ line: { what, fields, proposed, written }, taken }: { line: MergeLine; taken: boolean }) {
  if (what === "removed" && !taken && !proposed) return <>removed there, changed here since</>;
  if (what !== "changed" && what !== "kept") return <>{what} there</>;
  return (
    <>
      {fields.map(({ name, before, after }) => (
        <div key={name}>
          {name}:{" "}
          {taken ? (
            <>
              {before} → {after}
            </>
          ) : (
            <>
              {before} stays, {after} there
            </>
          )}
        </div>
      ))}
      {written !== null && <div className="quiet">{whenWritten(written)}</div>}
    </>
  );
}

/** `written later there: 11 Jun 2026, 10:09, here 11 Jun 2026, 10:05` */
function whenWritten({ later, here, there }: NonNullable<MergeLine["written"]>): string {
  if (later === null) return "The two do not say which was written later: which is right is yours to say.";
  const when = (instant: string | null) => (instant === null ? "at no known time" : instantText(instant));
  return later === "here"
    ? `written later here: ${when(here)}, there ${when(there)}`
    : `written later there: ${when(there)}, here ${when(here)}`;
}

/** `3 new, 2 changed, 1 removed` */
function summary(lines: readonly MergeLine[]): string {
  const named = {
    new: "new",
    changed: "changed",
    removed: "removed",
    "brought back": "brought back",
    kept: "changed here and there that stay as they are here",
  } as const;
  const counts = (Object.keys(named) as MergeLine["what"][]).map(
    (what) => [named[what], lines.filter((line) => line.what === what).length] as const,
  );
  return counts
    .filter(([, count]) => count > 0)
    .map(([what, count]) => `${printNumber(count, 0)} ${what}`)
    .join(", ");
}
