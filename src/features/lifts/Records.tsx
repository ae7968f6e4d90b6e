"use client";

import { counted, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { RecordLine, RecordsView } from "@/core/strength/recordsView";
import { fullDate, shortDate } from "@/ui/dates";
import { Captioned } from "@/ui/kit/Captioned";
import { by, type Column } from "@/ui/kit/column";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Select } from "@/ui/kit/Select";
import { ExercisePicker } from "@/ui/lifts/ExercisePicker";
import { useFigure } from "@/ui/log/useFigure";
import { useSettings } from "@/ui/log/useSettings";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { useState } from "react";
import { DayLink } from "./DayLink";
import styles from "./lifts.module.css";
import { LiftsHead } from "./LiftsNav";

/** What was beaten and when, what stands, and meets. */
export function Records() {
  const [exerciseId, setExerciseId] = useState<string | null>(null);
  const [atMost, setAtMost] = useState(40);
  const records = useFigure("records", { exerciseId, atMost });
  const all = useFigure("records", { exerciseId: null, atMost: 40 });
  const printer = usePrinter();
  return (
    <>
      <LiftsHead>
        {all && (
          <Captioned caption="of" className="quiet small">
            {(id) => (
              <Select
                id={id}
                value={exerciseId ?? ""}
                onChange={(chosen) => setExerciseId(chosen || null)}
                options={[
                  { value: "", label: "every lift" },
                  ...all.standing.map((one) => ({ value: one.exerciseId, label: one.name })),
                ]}
              />
            )}
          </Captioned>
        )}
      </LiftsHead>
      {records && (
        <>
          <Standing records={records} printer={printer} choose={setExerciseId} />
          <section className={view.section}>
            <h2>By date</h2>
            {records.beaten.length === 0 ? (
              <p className="quiet">Nothing was beaten yet: what is done for the first time stands above.</p>
            ) : (
              <RecordTable
                label="Records by date"
                keep="records"
                rows={records.beaten}
                keyOf={({ date, exerciseId, what, reps }) => `${date} ${exerciseId} ${what} ${reps}`}
                columns={beatenColumns(printer)}
              />
            )}
            {records.beatenInAll > records.beaten.length && (
              <p className="quiet small above">
                {printNumber(records.beaten.length, 0)} of {printNumber(records.beatenInAll, 0)} records.{" "}
                <LinkButton onClick={() => setAtMost(atMost + 200)}>Show more</LinkButton>
              </p>
            )}
          </section>
          <Meets records={records} printer={printer} />
        </>
      )}
    </>
  );
}

function beatenColumns(printer: Printer): Column<RecordLine>[] {
  const mass = (what: RecordLine["what"], kg: number) =>
    what === "volume" ? printer.volumeLoad(kg) : what === "e1rm" ? printer.mass(kg) : printer.load(kg);
  return [
    {
      head: "Day",
      compare: by(({ date }) => date),
      cell: ({ date }) => <DayLink date={date} />,
    },
    { head: "Lift", bare: true, compare: by(({ name }) => name), kind: ({ name }) => name, cell: ({ name }) => name },
    {
      head: "Record",
      bare: true,
      kind: recordOf,
      cell: (line) => (
        <>
          {recordOf(line)}
          {line.what === "e1rm" && line.set ? (
            <span className="quiet small">
              {" "}
              from {printer.load(line.set.kg)} × {line.set.reps}
              {line.ratio === null ? "" : `, ${printNumber(line.ratio, 2)} × body weight`}
            </span>
          ) : (
            ""
          )}
        </>
      ),
    },
    { head: "Was", num: true, tone: "quiet", cell: ({ what, beforeKg }) => mass(what, beforeKg) },
    { head: "Now", num: true, folded: "beside", cell: ({ what, kg }) => <strong>{mass(what, kg)}</strong> },
  ];
}

function recordOf({ what, reps }: RecordLine): string {
  if (what === "e1rm") return "estimated maximum";
  if (what === "volume") return "work in a day";
  return reps === 1 ? "a repetition" : counted(reps!, "repetition");
}

const shownReps = [1, 2, 3, 4, 5, 6, 8, 10, 12];

function Standing({
  records: { standing },
  printer,
  choose,
}: {
  records: RecordsView;
  printer: Printer;
  choose: (id: string) => void;
}) {
  if (standing.length === 0) return <p>Nothing was lifted yet.</p>;
  return (
    <section className={view.section}>
      <h2>Heaviest for at least so many repetitions, {printer.units.mass}</h2>
      <RecordTable
        label="Heaviest for at least so many repetitions"
        rows={standing}
        keyOf={({ exerciseId }) => exerciseId}
        columns={[
          {
            head: "Lift",
            cell: ({ exerciseId, name }) => (
              <LinkButton ink onClick={() => choose(exerciseId)}>
                {name}
              </LinkButton>
            ),
          },
          ...shownReps.map((reps): Column<RecordsView["standing"][number]> => ({
            head: `${reps}RM`,
            num: true,
            cell: ({ byReps }) => {
              const one = byReps.find((record) => record.reps === reps);
              return one ? (
                <>
                  {printer.loadNumber(one.kg)}
                  <div className="quiet small">{shortDate(one.date)}</div>
                </>
              ) : (
                ""
              );
            },
          })),
          {
            head: "e1RM × body",
            num: true,
            cell: ({ ratio }) =>
              ratio === null ? (
                ""
              ) : (
                <>
                  {printNumber(ratio.ratio, 2)}
                  <div className="quiet small">{shortDate(ratio.date)}</div>
                </>
              ),
          },
        ]}
      />
    </section>
  );
}

/** A lift of a meet; null is the total. */
type MeetLine = RecordsView["meets"][number]["lifts"][number] | null;

function Meets({ records: { meets, totalLifts, standing }, printer }: { records: RecordsView; printer: Printer }) {
  const [settings, change] = useSettings();
  const names = new Map(standing.map(({ exerciseId, name }) => [exerciseId, name]));
  const set = (ids: string[], label: string) => void change({ totalLifts: ids }, label);
  const changed = (kg: number | null) => (kg === null ? "" : ` (${printer.massChange(kg, 1)})`);
  return (
    <section className={view.section}>
      <h2>Meets and days of testing</h2>
      <p className="quiet small">
        A session becomes one by its tick under Change on its day. The total is of{" "}
        {totalLifts.length === 0 ? "all lifts of the day" : totalLifts.map((id) => names.get(id) ?? id).join(", ")}; its
        made singles count as tested maxima.
      </p>
      {meets.map((meet) => (
        <RecordTable<MeetLine>
          key={meet.sessionId}
          label={`${meet.title}, ${fullDate(meet.date)}`}
          className={styles.apart}
          rows={[...meet.lifts, null]}
          keyOf={(line) => line?.exerciseId ?? "total"}
          columns={[
            {
              head: `${meet.title}, ${fullDate(meet.date)}`,
              cell: (line) => (line === null ? <strong>Total</strong> : meet.names[line.exerciseId]),
            },
            {
              head: "Attempts",
              num: true,
              cell: (line) =>
                line && (
                  <span className={styles.attempts}>
                    {line.attempts.map(({ kg, made }, index) => (
                      <span key={index} className={made ? "done" : styles.missed}>
                        {printer.loadNumber(kg)}
                        <span className="hidden">{made ? " made" : " missed"}</span>
                      </span>
                    ))}
                  </span>
                ),
            },
            {
              head: `Best, ${printer.units.mass}`,
              num: true,
              folded: "beside",
              cell: (line) => {
                const kg = line === null ? meet.totalKg : line.bestKg;
                if (kg === null)
                  return (
                    <span className="quiet">
                      {line === null ? "none: a chosen lift has no made attempt" : "none made"}
                    </span>
                  );
                const text = printer.loadNumber(kg);
                return (
                  <>
                    {line === null ? <strong>{text}</strong> : text}
                    <span className="quiet">{changed(line === null ? meet.changeKg : line.changeKg)}</span>
                  </>
                );
              },
            },
          ]}
        />
      ))}
      {meets.length === 0 && <p className="quiet">None so far.</p>}
      <div className={`${styles.inline} noprint above-l`}>
        <span className="quiet small">Lifts of the total:</span>
        {(settings.totalLifts ?? []).map((id) => (
          <span key={id} className="small">
            {names.get(id) ?? id}{" "}
            <LinkButton
              aria-label={`Take ${names.get(id) ?? id} out of the total`}
              onClick={() =>
                set(
                  (settings.totalLifts ?? []).filter((one) => one !== id),
                  "Lifts of the total",
                )
              }
            >
              ×
            </LinkButton>
          </span>
        ))}
        <span className={styles.picker}>
          <ExercisePicker
            value={null}
            label="Add a lift to the total"
            placeholder="Add a lift"
            onPick={({ id, name }) => set([...new Set([...(settings.totalLifts ?? []), id])], `${name} in the total`)}
          />
        </span>
      </div>
    </section>
  );
}
