"use client";

import { counted, printNumber } from "@/core/base/units/number";
import type { MergeLine } from "@/core/log/merge/lines";
import { type Difference, stepsOf, takenAtFirst } from "@/core/log/merge/merge";
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

/** What is decided of each difference: whether it is taken, and which of its fields are. */
interface Decision {
  taken: boolean;
  fields: ReadonlySet<number>;
}

const firstDecision = (difference: Difference): Decision => ({
  taken: difference.proposed,
  fields: takenAtFirst(difference),
});

/** What writes a difference as it was decided. */
function stepsDecided(difference: Difference, { taken, fields }: Decision): ChangeStep[] {
  if (difference.fields.length > 0) return difference.proposed || fields.size > 0 ? stepsOf(difference, fields) : [];
  return taken ? difference.steps : difference.otherwise;
}

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
  const { lines, differences, count, related } = merge;
  const [decisions, setDecisions] = useState<readonly Decision[]>(() => differences.map(firstDecision));
  const [writing, setWriting] = useState(false);
  const names = useHousehold("kindNames");
  if (names === undefined) return null;
  if (lines === null)
    return (
      <p className="quiet">
        It differs from the log in {printNumber(count, 0)} records, too many to look through: it can only take the
        log&apos;s place.
      </p>
    );
  const told = lines.map((line, index) => ({ line, index })).filter(({ line }) => line.what !== "known");
  if (told.length === 0) return <p>It holds nothing that the log does not hold already.</p>;
  const steps = differences.flatMap((difference, index) => stepsDecided(difference, decisions[index]!));
  const decide = (index: number, changed: Partial<Decision>) =>
    setDecisions(decisions.map((one, at) => (at === index ? { ...one, ...changed } : one)));
  const toggleField = (index: number, field: number) => {
    const fields = new Set(decisions[index]!.fields);
    if (!fields.delete(field)) fields.add(field);
    decide(index, { fields });
  };
  const taken = told.filter(({ line, index }) =>
    line.fields.length > 0 ? decisions[index]!.fields.size > 0 : decisions[index]!.taken,
  ).length;
  const guessed = told.some(({ line }) => line.guessed);
  return (
    <>
      {!related && <p className="warn">It speaks of other people than this log: merged, they join the household.</p>}
      <p>{summary(told.map(({ line }) => line))}. Untick what should stay as it is here.</p>
      {guessed && (
        <p className="quiet">
          What is marked as a guess was written by a version that did not note what a change follows: of each field the
          later word is proposed.
        </p>
      )}
      <RecordTable
        label="What differs"
        rows={told.slice(0, listed)}
        keyOf={({ index }) => index}
        columns={[
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
            head: "Take",
            bare: true,
            cell: ({ line, index }) => (
              <WhatDiffers
                line={line}
                name={`${names[line.kind].one} ${line.title} ${line.date === null ? "" : fullDate(line.date)}`}
                decision={decisions[index]!}
                onTake={() => decide(index, { taken: !decisions[index]!.taken })}
                onField={(field) => toggleField(index, field)}
              />
            ),
          },
        ]}
      />
      {told.length > listed && <p className="quiet">and {printNumber(told.length - listed, 0)} more</p>}
      <p className="above">
        <Button
          type="primary"
          disabled={steps.length === 0 || writing}
          onClick={() => {
            setWriting(true);
            void onWrite(steps).finally(() => setWriting(false));
          }}
        >
          {taken === 0
            ? `Keep ${counted(told.length, "record")} as here, for ${file} too`
            : `Merge ${printNumber(taken, 0)} of ${file} into the log`}
        </Button>
      </p>
    </>
  );
}

/** What one record says here and there, each line to be ticked by itself, and which of the two stands. */
function WhatDiffers({
  line: { what, fields, proposed, written, guessed, isUsed },
  name,
  decision,
  onTake,
  onField,
}: {
  line: MergeLine;
  name: string;
  decision: Decision;
  onTake: () => void;
  onField: (index: number) => void;
}) {
  if (fields.length === 0)
    return (
      <Tick label={`Take ${name}`} checked={decision.taken} disabled={isUsed === true} onChange={onTake}>
        {isUsed
          ? "removed there, and used here: it stays"
          : what === "removed" && !proposed
            ? "removed there, changed here since"
            : `${what} there`}
      </Tick>
    );
  return (
    <>
      {fields.map(({ name: field, before, after, both, clash }, index) => {
        const taken = decision.fields.has(index);
        return (
          <div key={field}>
            <Tick label={`Take ${field} of ${name}`} checked={taken} onChange={() => onField(index)}>
              {field}:{" "}
              {taken ? (
                both ? (
                  <>
                    {before} and {after}, beside each other
                  </>
                ) : (
                  <>
                    {before} → {after}
                  </>
                )
              ) : (
                <>
                  {before} stays, {after} there
                </>
              )}
              {clash && !guessed && <span className="quiet">, changed on both</span>}
            </Tick>
          </div>
        );
      })}
      {guessed && <div className="quiet">a guess</div>}
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
  const counts = (Object.keys(named) as (keyof typeof named)[]).map(
    (what) => [named[what], lines.filter((line) => line.what === what).length] as const,
  );
  return counts
    .filter(([, count]) => count > 0)
    .map(([what, count]) => `${printNumber(count, 0)} ${what}`)
    .join(", ");
}
