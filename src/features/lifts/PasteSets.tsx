"use client";

import { messageOf } from "@/core/base/messageOf";
import { counted } from "@/core/base/units/number";
import type { SetsPreview } from "@/formats/workbook/setsPreview";
import type { SetsSheetAsk } from "@/formats/workbook/setsSheet";
import { SheetField } from "@/ui/inputs/SheetField";
import { useLog } from "@/ui/log/LogContext";
import { useUnsaved } from "@/ui/unsaved";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import { useState } from "react";
import styles from "./lifts.module.css";
import { PastedSets } from "./PastedSets";

const nothing: SetsSheetAsk = { columns: null, order: null, matches: {} };
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
          <PastedSets found={found} ask={ask} onAsk={(wanted) => void look(text, wanted)} />
        )}
      </div>
      {found && !("reason" in found) && (
        <p className="above-l">
          <Button type="primary" disabled={found.change === null || writing} onClick={() => void write()}>
            Write {counted(found.sets, "set")} in {counted(found.sessions, "session")}
          </Button>
        </p>
      )}
    </section>
  );
}
