"use client";

import { entryDayOf } from "@/core/base/calendar/day";
import type { TypedLine } from "@/core/training/setsTable";
import { fullDate } from "@/ui/dates";
import { Captioned } from "@/ui/kit/Captioned";
import { DateField } from "@/ui/kit/DateField";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import { useState } from "react";
import styles from "./lifts.module.css";
import { SetsGrid } from "./SetsGrid";
import { useDraft } from "./useDraft";

const emptyLine: TypedLine = { exerciseId: "", sets: "", reps: "", load: "", rpe: "" };
const fields = ["sets", "reps", "load", "rpe"] as const;

/**
 * A day's sets typed after the fact: a line an exercise, as many of them alike. The day's planned sets are filled
 * first.
 */
export function DoneTable() {
  const { name, today, day, commit, units, compute, person } = useLog();
  const [date, setDate] = useState(day <= today ? day : today);
  const { lines, setLines } = useDraft(`oat-column-sets-${name}-${person.id}`, emptyLine);
  const sound = entryDayOf(date) !== null && date <= today;
  const table = useFigure("setsTable", { date: sound ? date : today, lines });
  const [doubted, setDoubted] = useState<TypedLine[] | null>(null);
  const doubts = table?.lines.flatMap(({ doubt }) => doubt ?? []) ?? [];
  const save = async () => {
    // Worked out anew at the moment of writing, against what the day holds now.
    const now = await compute.ask("setsTable", { personId: person.id, today, date, lines });
    if (now?.change && now.lines.some(({ doubt }) => doubt !== null) && doubted !== lines) return setDoubted(lines);
    if (now?.change && (await commit(now.change, `Sets of ${fullDate(date)}`))) setLines([emptyLine]);
  };
  const same = async () => {
    const last = await compute.ask("sameAsLast", { personId: person.id, today, date });
    if (last !== null && last.length > 0) setLines(last);
  };
  return (
    <section className={view.section}>
      <h2>What was done</h2>
      <div className={styles.filters}>
        <Captioned caption="Day" over>
          {(id) => <DateField id={id} value={date} max={today} onChange={setDate} />}
        </Captioned>
        <LinkButton disabled={!sound} onClick={() => void same()}>
          Same as last time
        </LinkButton>
        {!sound && <span className="warn small">A day up to today is needed.</span>}
      </div>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <SetsGrid
          label="Sets typed"
          lines={lines}
          setLines={setLines}
          emptyLine={emptyLine}
          fields={fields}
          heads={{ sets: "Sets", reps: "Reps", load: `Load, ${units.mass}`, rpe: "RPE" }}
          read={table?.lines}
          says="Reads"
          extra={{
            head: "One more missed",
            cell: (line, at, set) => (
              <Tick
                label={`One more tried and missed, line ${at + 1}`}
                checked={line.missed ?? false}
                onChange={(missed) => set({ missed })}
              />
            ),
          }}
        >
          {(addLine) => (
            <>
              <p className="quiet small around">
                Enter goes a line down. Repetitions may be listed, one number a set: 8 8 7. Repetitions are those
                completed; when one more was tried and missed, tick it (it is that of the line&apos;s last set) or write
                6f. A cluster is 4+2+2; a drop set 8+6 with loads 60+40. An effort may be written as reserve: 2 rir.
              </p>
              {doubted === lines && doubts.length > 0 && (
                <p className="warn small" role="alert">
                  {doubts.join(" ")} Press again if it is right.
                </p>
              )}
              <p className={styles.inline}>
                <Button type="primary" htmlType="submit" disabled={!sound || !table?.change}>
                  Log these sets
                </Button>
                <LinkButton onClick={addLine}>Add a line</LinkButton>
              </p>
            </>
          )}
        </SetsGrid>
      </form>
    </section>
  );
}
