"use client";

import { printNumber } from "@/core/base/units/number";
import type { SetsPreview } from "@/formats/workbook/setsPreview";
import { type SetColumn, setColumns, type SetsSheetAsk } from "@/formats/workbook/setsSheet";
import { shortDate } from "@/ui/dates";
import { orderNames } from "@/ui/inputs/dateOrders";
import { Captioned } from "@/ui/kit/Captioned";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Select } from "@/ui/kit/Select";
import { ExercisePicker } from "@/ui/lifts/ExercisePicker";
import styles from "./lifts.module.css";

const columnNames: Record<SetColumn, string> = {
  date: "dates",
  exercise: "exercise",
  sets: "sets",
  reps: "reps",
  load: "load",
  rpe: "RPE",
  note: "note",
  none: "nothing",
};
/** More lines than this are counted and not listed. */
const listed = 60;

/** What a pasted sheet of sets would write, what is odd in it, and what is asked about it. */
export function PastedSets({
  found: { sheet, lines },
  ask,
  onAsk,
}: {
  found: SetsPreview;
  ask: SetsSheetAsk;
  onAsk: (ask: SetsSheetAsk) => void;
}) {
  const odd = lines.filter(({ doubt }) => doubt !== null);
  const already = lines.filter(({ held }) => held !== "").length;
  return (
    <>
      <Columns sheet={sheet} ask={ask} onAsk={onAsk} />
      {sheet.unmatched.length > 0 && (
        <Unmatched
          unmatched={sheet.unmatched}
          onMatch={(typed, exerciseId) => onAsk({ ...ask, matches: { ...ask.matches, [typed]: exerciseId } })}
        />
      )}
      {sheet.refused.length > 0 && (
        <ul className="warn small">
          {sheet.refused.slice(0, listed).map(({ line, text, why }) => (
            <li key={line}>
              Line {line} ({text}): {why}
            </li>
          ))}
          {sheet.refused.length > listed && <li>and {sheet.refused.length - listed} more</li>}
        </ul>
      )}
      {already > 0 && (
        <p className="warn">
          {already} of these exercises already have sets on their day; these would be added to them.
        </p>
      )}
      {odd.length > 0 && (
        <ul className="warn small">
          {odd.slice(0, listed).map(({ date, name, text, doubt }) => (
            <li key={`${date} ${name}`}>
              {shortDate(date)}, {name}, {text}: {doubt} Is the column in another unit?
            </li>
          ))}
        </ul>
      )}
      {lines.length > 0 && <Lines lines={lines} />}
      {lines.length > listed && <p className="quiet small">and {lines.length - listed} more lines</p>}
    </>
  );
}

/** What each column of the sheet holds, and how its dates are written. */
function Columns({
  sheet,
  ask,
  onAsk,
}: {
  sheet: SetsPreview["sheet"];
  ask: SetsSheetAsk;
  onAsk: (ask: SetsSheetAsk) => void;
}) {
  return (
    <p className={styles.filters}>
      {sheet.heads.map((head, column) => (
        <Captioned key={column} caption={head} over>
          {(id) => (
            <Select
              id={id}
              label={`Column ${head} holds`}
              value={sheet.columns[column]!}
              onChange={(chosen) =>
                onAsk({
                  ...ask,
                  columns: sheet.columns.map((held, index) =>
                    index === column ? chosen : held === chosen ? "none" : held,
                  ),
                })
              }
              options={setColumns.map((name) => ({ value: name, label: columnNames[name] }))}
            />
          )}
        </Captioned>
      ))}
      {sheet.orders.length > 1 && (
        <Captioned caption="Dates are written" over>
          {(id) => (
            <Select
              id={id}
              value={sheet.order}
              onChange={(order) => onAsk({ ...ask, order })}
              options={sheet.orders.map((order) => ({ value: order, label: orderNames[order] }))}
            />
          )}
        </Captioned>
      )}
    </p>
  );
}

/** Names of the sheet that are no exercise of the library. */
function Unmatched({
  unmatched,
  onMatch,
}: {
  unmatched: SetsPreview["sheet"]["unmatched"];
  onMatch: (typed: string, exerciseId: string | null) => void;
}) {
  return (
    <RecordTable
      label="Names to match"
      className={styles.compared}
      rows={unmatched.slice(0, listed)}
      keyOf={({ typed }) => typed}
      columns={[
        { head: "Not in your library", cell: ({ typed }) => typed },
        { head: "Lines", num: true, folded: "beside", cell: ({ lines: count }) => printNumber(count, 0) },
        {
          head: "Is",
          cell: ({ typed, candidates }) => (
            <span className={styles.candidates}>
              {candidates.slice(0, 4).map((one) => (
                <LinkButton key={one.id} onClick={() => onMatch(typed, one.id)}>
                  {one.name}
                </LinkButton>
              ))}
              <span className={styles.picker}>
                <ExercisePicker
                  value={null}
                  label={`${typed} is`}
                  placeholder="another, or a new one"
                  onPick={(exercise) => onMatch(typed, exercise.id)}
                />
              </span>
            </span>
          ),
        },
        {
          head: "Leave out",
          mute: true,
          num: true,
          cell: ({ typed }) => <LinkButton onClick={() => onMatch(typed, null)}>Leave out</LinkButton>,
        },
      ]}
    />
  );
}

/** The lines as they would be written. */
function Lines({ lines }: { lines: SetsPreview["lines"] }) {
  return (
    <RecordTable
      label="What would be written"
      rows={lines.slice(0, listed)}
      keyOf={({ date, name }) => `${date} ${name}`}
      columns={[
        { head: "Day", cell: ({ date }) => <span className="nowrap">{shortDate(date)}</span> },
        { head: "Exercise", folded: "beside", bare: true, cell: ({ name }) => name },
        { head: "Sets", bare: true, cell: ({ text }) => text },
        { head: "Already there", tone: "quiet", cell: ({ held }) => held },
      ]}
    />
  );
}
