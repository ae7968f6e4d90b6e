"use client";

import type { CycleRow, CycleView } from "@/core/planning/cycleView";
import { weekdayDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";

/** A cycle without its arithmetic, for the gym and for paper: what is to be done, and its loads. */
export function QuietCycle({ view, onClose }: { view: CycleView; onClose: () => void }) {
  const { cycle, columns, rows } = view;
  const used = columns.filter(({ id }) =>
    rows.some(({ cells }) => cells.some((one) => one.columnId === id && one.text)),
  );
  return (
    <>
      <div className="row noprint">
        <LinkButton onClick={onClose}>Back to the cycle</LinkButton>
        <LinkButton onClick={() => window.print()}>Print</LinkButton>
      </div>
      <h1>{cycle.name}</h1>
      {Array.from({ length: cycle.weeks }, (_, index) => index + 1).map((week) => (
        <RecordTable<CycleRow>
          key={week}
          label={`Week ${week}`}
          rows={rows.filter((row) => row.week === week)}
          keyOf={({ weekday }) => weekday}
          columns={[
            { head: `Week ${week}`, cell: ({ date }) => weekdayDate(date) },
            ...used.map(({ id, name }) => ({
              head: name,
              cell: ({ cells }: CycleRow) => {
                const { text, loads } = cells.find(({ columnId }) => columnId === id)!;
                return text === "" ? "" : <QuietCell text={text} loads={loads} />;
              },
            })),
          ]}
        />
      ))}
    </>
  );
}

/** What a cell says without its percentages: the loads stand behind it. */
function QuietCell({ text, loads }: { text: string; loads: string }) {
  return (
    <>
      {text.replaceAll(/ \d+(?:\.\d+)? %/g, "")}
      {loads && (
        <>
          {" "}
          <strong>{loads}</strong>
        </>
      )}
    </>
  );
}
