"use client";

import { dateOf } from "@/core/base/calendar/day";
import { messageOf } from "@/core/base/messageOf";
import type { MassUnit } from "@/core/base/units/mass";
import { counted, printNumber, printSigned } from "@/core/base/units/number";
import { allColumns, ledgerColumns } from "@/core/ledger/columns";
import type { LedgerPreview } from "@/core/ledger/ledgerView";
import type { DateOrder } from "@/core/ledger/paste";
import type { ColumnReading } from "@/formats/workbook/explain";
import type { WorkbookView } from "@/formats/workbook/preview";
import { type Role, roles } from "@/formats/workbook/sheet";
import { fullDate } from "@/ui/dates";
import { orderNames } from "@/ui/inputs/dateOrders";
import { SheetField } from "@/ui/inputs/SheetField";
import { Captioned } from "@/ui/kit/Captioned";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Select } from "@/ui/kit/Select";
import { useLog } from "@/ui/log/LogContext";
import { useUnsaved } from "@/ui/unsaved";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useState } from "react";
import { PreviewDialog } from "../../ui/preview/PreviewDialog";
import files from "./files.module.css";

const roleNames: Record<Role, string> = {
  date: "dates",
  weight: "weight",
  second: "second weigh-in",
  note: "notes",
  mean: "mean",
  median: "median",
  smoothed: "smoothed weight",
  change: "change",
  plan: "goal line",
  none: "not compared",
};

/** An old spreadsheet: its weights are taken into the log, its own computed columns held against ours and explained. */
export function Workbook() {
  const { compute, person, today, commit } = useLog();
  const [text, setText] = useState("");
  const [found, setFound] = useState<WorkbookView | { reason: string } | null>(null);
  const [taking, setTaking] = useState<LedgerPreview | null>(null);
  useUnsaved(text !== "");
  const asking = { personId: person.id, today };
  const look = (given: string, wanted: { roles: Role[] | null; order: DateOrder | null }) => {
    setText(given);
    if (given.trim() === "") return setFound(null);
    void compute
      .ask("workbook", { ...asking, text: given, ...wanted })
      .then(setFound, (error: unknown) => setFound({ reason: messageOf(error) }));
  };
  const take = async (unit: MassUnit | null) => {
    if (found === null || "reason" in found) return;
    setTaking(
      await compute.ask("ledgerPreview", {
        ...asking,
        ask: {
          paste: found.entries,
          at: { date: today, column: "weight" },
          columns: ledgerColumns.map((column) => column.id),
          order: "ymd",
          unit,
        },
      }),
    );
  };
  return (
    <section className={`${styles.section} noprint`}>
      <h2>An old spreadsheet</h2>
      <SheetField
        label={
          <>
            Paste its columns here: dates, weights (a unit in the head is the unit), second weigh-ins, notes, and what
            it computes itself; or choose a file of comma-separated values. Nothing is written before you say so.
          </>
        }
        fileLabel="Spreadsheet file"
        className={files.sheet}
        text={text}
        onText={(given) => look(given, { roles: null, order: null })}
        onRefused={(reason) => setFound({ reason })}
      />
      <div aria-live="polite">
        {found && "reason" in found && <p className="warn">{found.reason}</p>}
        {found && !("reason" in found) && (
          <>
            <p>
              {printNumber(found.days, 0)} days
              {found.refused.length > 0 ? `, ${counted(found.refused.length, "line")} that name none` : ""}. Its columns
              hold:
            </p>
            <p className={files.roles}>
              {found.heads.map((head, column) => (
                <Captioned key={column} caption={head}>
                  {(id) => (
                    <Select
                      id={id}
                      label={`Column ${head} holds`}
                      value={found.roles[column]!}
                      onChange={(chosen) =>
                        look(text, {
                          roles: found.roles.map((role, index) =>
                            index === column
                              ? chosen
                              : role === chosen && (role === "date" || role === "weight")
                                ? "none"
                                : role,
                          ),
                          order: found.order,
                        })
                      }
                      options={roles.map((role) => ({ value: role, label: roleNames[role] }))}
                    />
                  )}
                </Captioned>
              ))}
              {found.orders.length > 1 && (
                <Captioned caption="Dates are written">
                  {(id) => (
                    <Select
                      id={id}
                      value={found.order}
                      onChange={(order) => look(text, { roles: found.roles, order })}
                      options={found.orders.map((order) => ({ value: order, label: orderNames[order] }))}
                    />
                  )}
                </Captioned>
              )}
            </p>
            {found.refused.slice(0, 8).map(({ line, text: said, why }) => (
              <p key={line} className="warn small">
                Line {line} ({said}): {why}
              </p>
            ))}
            {found.columns.map((column) => (
              <Compared key={column.column} reading={column} />
            ))}
            <p className="above-l">
              <Button type="primary" onClick={() => void take(null)}>
                Take its weights and notes into the log
              </Button>
            </p>
          </>
        )}
      </div>
      {taking !== null && (
        <PreviewDialog
          all={allColumns([])}
          label="The spreadsheet"
          found={taking}
          onOrder={() => {}}
          onUnit={(unit) => void take(unit)}
          onClose={() => setTaking(null)}
          onWrite={async () => {
            if (await commit(taking.change, "Entries of the spreadsheet")) setTaking(null);
          }}
        />
      )}
    </section>
  );
}

/** One computed column against ours: how each is made, how far they agree, and the rows that stay apart. */
function Compared({
  reading: { head, role, compared, agree, ours, theirs, explained, rows, step, differing },
}: {
  reading: ColumnReading;
}) {
  const decimals = step >= 1 ? 0 : step >= 0.1 ? 1 : 2;
  const same = theirs === ours;
  return (
    <section className={files.compared}>
      <h3>
        {head}, {roleNames[role]}
      </h3>
      <p>
        {theirs === null ? (
          <>
            None of the usual ways gives its numbers. Ours is {ours}; {agree} of {compared} rows agree.
          </>
        ) : (
          <>
            Its numbers are {theirs}, rounded to {step}: {explained} of {rows} rows are so.{" "}
            {same ? (
              "Ours is the same."
            ) : compared === 0 ? (
              <>Ours would be {ours}; there is none on these days.</>
            ) : (
              <>
                Ours is {ours}; {agree} of {compared} rows agree all the same.
              </>
            )}
          </>
        )}
      </p>
      {differing.length > 0 && (
        <RecordTable
          label={`Rows of ${head} that differ`}
          rows={differing.slice(0, 12)}
          keyOf={({ line }) => line}
          columns={[
            { head: "Day", cell: ({ day }) => fullDate(dateOf(day)) },
            { head: "Line", num: true, cell: ({ line }) => line },
            { head: "Its number", num: true, cell: (one) => printNumber(one.theirs, decimals) },
            {
              head: theirs === null ? "Ours" : "By that way",
              num: true,
              cell: (one) => printNumber(one.ours, 2),
            },
            {
              head: "Apart",
              num: true,
              folded: "beside",
              cell: (one) => printSigned(one.theirs - one.ours, 2),
            },
            { head: "Why", mute: true, tone: "quiet", cell: ({ why }) => why },
          ]}
        />
      )}
      {differing.length > 12 && <p className="quiet small">and more</p>}
    </section>
  );
}
