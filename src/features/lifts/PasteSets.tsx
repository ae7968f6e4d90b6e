"use client";

import { messageOf } from "@/core/base/messageOf";
import { counted, printNumber } from "@/core/base/units/number";
import type { DateOrder } from "@/core/ledger/paste";
import type { SetsPreview } from "@/formats/workbook/setsPreview";
import { type SetColumn, setColumns, type SetsSheetAsk } from "@/formats/workbook/setsSheet";
import { shortDate } from "@/ui/dates";
import { orderNames } from "@/ui/inputs/dateOrders";
import { SheetField } from "@/ui/inputs/SheetField";
import { ExercisePicker } from "@/ui/lifts/ExercisePicker";
import { useLog } from "@/ui/log/LogContext";
import { Scrollable } from "@/ui/Scrollable";
import { useUnsaved } from "@/ui/unsaved";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import { useState } from "react";
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
const nothing: SetsSheetAsk = { columns: null, order: null, matches: {} };
/** More lines than this are counted and not listed. */
const listed = 60;

/**
 * A sheet of sets: date, exercise, sets, reps, load. Everything is shown before it is written, names that are not known
 * are matched by hand, and it is one undo.
 */
export function PasteSets() {
  const { compute, person, today, commit, units } = useLog();
  const [text, setText] = useState("");
  const [ask, setAsk] = useState<SetsSheetAsk>(nothing);
  const [found, setFound] = useState<SetsPreview | { reason: string } | null>(null);
  const [writing, setWriting] = useState(false);
  useUnsaved(text !== "");
  const asking = { personId: person.id, today };
  const look = async (given: string, wanted: SetsSheetAsk) => {
    setText(given);
    setAsk(wanted);
    try {
      setFound(given.trim() === "" ? null : await compute.ask("setsPreview", { ...asking, text: given, ask: wanted }));
    } catch (error) {
      setFound({ reason: messageOf(error) });
    }
  };
  const write = async () => {
    setWriting(true);
    const now = await compute.ask("setsPreview", { ...asking, text, ask });
    if (
      now &&
      !("reason" in now) &&
      now.change &&
      (await commit(now.change, `${counted(now.sets, "set")} in ${counted(now.sessions, "session")} from a sheet`))
    )
      await look("", nothing);
    setWriting(false);
  };
  return (
    <section className={`${view.form} ${view.section} noprint`}>
      <h2>From a spreadsheet</h2>
      <SheetField
        label={
          <>
            Paste columns of date, exercise, sets, reps and load (in {units.mass}, where no unit is named), with or
            without a head; or choose a file of comma-separated values. Nothing is written before you say so.
          </>
        }
        fileLabel="Sheet of sets"
        className={styles.sheet}
        text={text}
        onText={(given) => void look(given, nothing)}
        onRefused={(reason) => setFound({ reason })}
      />
      <div aria-live="polite">
        {found && "reason" in found && <p className="warn">{found.reason}</p>}
        {found && !("reason" in found) && (
          <Preview found={found} ask={ask} onAsk={(wanted) => void look(text, wanted)} />
        )}
      </div>
      {found && !("reason" in found) && (
        <p style={{ paddingTop: 10 }}>
          <Button type="primary" disabled={found.change === null || writing} onClick={() => void write()}>
            Write {counted(found.sets, "set")} in {counted(found.sessions, "session")}
          </Button>
        </p>
      )}
    </section>
  );
}

function Preview({
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
  const match = (typed: string, exerciseId: string | null) =>
    onAsk({ ...ask, matches: { ...ask.matches, [typed]: exerciseId } });
  return (
    <>
      <p className={styles.filters}>
        {sheet.heads.map((head, column) => (
          <label key={column}>
            {head}
            <select
              className={styles.select}
              aria-label={`Column ${head} holds`}
              value={sheet.columns[column]}
              onChange={(event) =>
                onAsk({
                  ...ask,
                  columns: sheet.columns.map((held, index) =>
                    index === column ? (event.target.value as SetColumn) : held === event.target.value ? "none" : held,
                  ),
                })
              }
            >
              {setColumns.map((name) => (
                <option key={name} value={name}>
                  {columnNames[name]}
                </option>
              ))}
            </select>
          </label>
        ))}
        {sheet.orders.length > 1 && (
          <label>
            Dates are written
            <select
              className={styles.select}
              value={sheet.order}
              onChange={(event) => onAsk({ ...ask, order: event.target.value as DateOrder })}
            >
              {sheet.orders.map((order) => (
                <option key={order} value={order}>
                  {orderNames[order]}
                </option>
              ))}
            </select>
          </label>
        )}
      </p>
      {sheet.unmatched.length > 0 && (
        <table aria-label="Names to match" style={{ marginBottom: 12 }}>
          <thead>
            <tr>
              <th>Not in your library</th>
              <th className="num">Lines</th>
              <th>Is</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {sheet.unmatched.slice(0, listed).map(({ typed, lines: count, candidates }) => (
              <tr key={typed}>
                <td>{typed}</td>
                <td className="num">{printNumber(count, 0)}</td>
                <td>
                  {candidates.slice(0, 4).map((one) => (
                    <button
                      key={one.id}
                      type="button"
                      className="link"
                      style={{ marginRight: 14 }}
                      onClick={() => match(typed, one.id)}
                    >
                      {one.name}
                    </button>
                  ))}
                  <span style={{ display: "inline-block", width: 240 }}>
                    <ExercisePicker
                      value={null}
                      label={`${typed} is`}
                      placeholder="another, or a new one"
                      onPick={(exercise) => match(typed, exercise.id)}
                    />
                  </span>
                </td>
                <td className="num">
                  <button type="button" className="link" onClick={() => match(typed, null)}>
                    Leave out
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
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
      {lines.length > 0 && (
        <Scrollable label="What would be written">
          <table>
            <thead>
              <tr>
                <th>Day</th>
                <th>Exercise</th>
                <th>Sets</th>
                <th>Already there</th>
              </tr>
            </thead>
            <tbody>
              {lines.slice(0, listed).map(({ date, name, text, held }) => (
                <tr key={`${date} ${name}`}>
                  <td style={{ whiteSpace: "nowrap" }}>{shortDate(date)}</td>
                  <td>{name}</td>
                  <td>{text}</td>
                  <td className="quiet">{held}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrollable>
      )}
      {lines.length > listed && <p className="quiet small">and {lines.length - listed} more lines</p>}
    </>
  );
}
