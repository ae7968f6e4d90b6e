"use client";

import { counted, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { RecordLine, RecordsView } from "@/core/strength/recordsView";
import { fullDate, shortDate } from "@/ui/dates";
import { Captioned } from "@/ui/kit/Captioned";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Select } from "@/ui/kit/Select";
import { ExercisePicker } from "@/ui/lifts/ExercisePicker";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { useSettings } from "@/ui/log/useSettings";
import { Scrollable } from "@/ui/Scrollable";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import Link from "next/link";
import { useState } from "react";
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
              <Scrollable label="Records by date">
                <table>
                  <thead>
                    <tr>
                      <th>Day</th>
                      <th>Lift</th>
                      <th>Record</th>
                      <th className="num">Was</th>
                      <th className="num">Now</th>
                    </tr>
                  </thead>
                  <tbody>
                    {records.beaten.map((line) => (
                      <Beaten
                        key={`${line.date} ${line.exerciseId} ${line.what} ${line.reps}`}
                        line={line}
                        printer={printer}
                      />
                    ))}
                  </tbody>
                </table>
              </Scrollable>
            )}
            {records.beatenInAll > records.beaten.length && (
              <p className="quiet small" style={{ paddingTop: 6 }}>
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

function Beaten({ line, printer }: { line: RecordLine; printer: Printer }) {
  const { chooseDay } = useLog();
  const what =
    line.what === "e1rm"
      ? "estimated maximum"
      : line.what === "volume"
        ? "work in a day"
        : line.reps === 1
          ? "a repetition"
          : counted(line.reps!, "repetition");
  const mass = (kg: number) =>
    line.what === "volume" ? printer.volumeLoad(kg) : line.what === "e1rm" ? printer.mass(kg) : printer.load(kg);
  return (
    <tr>
      <td style={{ whiteSpace: "nowrap" }}>
        <Link href="/" onClick={() => chooseDay(line.date)}>
          {shortDate(line.date)}
        </Link>
      </td>
      <td>{line.name}</td>
      <td>
        {what}
        {line.what === "e1rm" && line.set ? (
          <span className="quiet small">
            {" "}
            from {printer.load(line.set.kg)} × {line.set.reps}
            {line.ratio === null ? "" : `, ${printNumber(line.ratio, 2)} × body weight`}
          </span>
        ) : (
          ""
        )}
      </td>
      <td className="num quiet">{mass(line.beforeKg)}</td>
      <td className="num">
        <strong>{mass(line.kg)}</strong>
      </td>
    </tr>
  );
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
      <Scrollable label="Heaviest for at least so many repetitions">
        <table>
          <thead>
            <tr>
              <th>Lift</th>
              {shownReps.map((reps) => (
                <th key={reps} className="num">
                  {reps}
                </th>
              ))}
              <th className="num">e1RM × body</th>
            </tr>
          </thead>
          <tbody>
            {standing.map(({ exerciseId, name, byReps, ratio }) => (
              <tr key={exerciseId}>
                <td>
                  <LinkButton style={{ color: "var(--ink)" }} onClick={() => choose(exerciseId)}>
                    {name}
                  </LinkButton>
                </td>
                {shownReps.map((reps) => {
                  const one = byReps.find((record) => record.reps === reps);
                  return (
                    <td key={reps} className="num">
                      {one ? (
                        <>
                          {printer.loadNumber(one.kg)}
                          <div className="quiet small">{shortDate(one.date)}</div>
                        </>
                      ) : (
                        ""
                      )}
                    </td>
                  );
                })}
                <td className="num">
                  {ratio === null ? (
                    ""
                  ) : (
                    <>
                      {printNumber(ratio.ratio, 2)}
                      <div className="quiet small">{shortDate(ratio.date)}</div>
                    </>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
    </section>
  );
}

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
        <table key={meet.sessionId} aria-label={`${meet.title}, ${fullDate(meet.date)}`} style={{ marginTop: 10 }}>
          <thead>
            <tr>
              <th>
                {meet.title}, {fullDate(meet.date)}
              </th>
              <th className="num">Attempts</th>
              <th className="num">Best, {printer.units.mass}</th>
            </tr>
          </thead>
          <tbody>
            {meet.lifts.map(({ exerciseId, attempts, bestKg, changeKg }) => (
              <tr key={exerciseId}>
                <td>{meet.names[exerciseId]}</td>
                <td className="num">
                  <span className={styles.attempts}>
                    {attempts.map(({ kg, made }, index) => (
                      <span key={index} className={made ? "done" : styles.missed}>
                        {printer.loadNumber(kg)}
                        <span className="hidden">{made ? " made" : " missed"}</span>
                      </span>
                    ))}
                  </span>
                </td>
                <td className="num">
                  {bestKg === null ? (
                    <span className="quiet">none made</span>
                  ) : (
                    <>
                      {printer.loadNumber(bestKg)}
                      <span className="quiet">{changed(changeKg)}</span>
                    </>
                  )}
                </td>
              </tr>
            ))}
            <tr>
              <td>
                <strong>Total</strong>
              </td>
              <td />
              <td className="num">
                {meet.totalKg === null ? (
                  <span className="quiet">none: a chosen lift has no made attempt</span>
                ) : (
                  <>
                    <strong>{printer.loadNumber(meet.totalKg)}</strong>
                    <span className="quiet">{changed(meet.changeKg)}</span>
                  </>
                )}
              </td>
            </tr>
          </tbody>
        </table>
      ))}
      {meets.length === 0 && <p className="quiet">None so far.</p>}
      <div className={`${styles.inline} noprint`} style={{ paddingTop: 10 }}>
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
        <span style={{ width: 240 }}>
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
