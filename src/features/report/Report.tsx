"use client";

import { dateOf, entryDayOf } from "@/core/base/calendar/day";
import { fromKg } from "@/core/base/units/mass";
import { counted, printNumber, printSigned } from "@/core/base/units/number";
import { reportRows } from "@/core/review/reportRows";
import { type ReportGoal, type ReportView } from "@/core/review/reportView";
import { csv } from "@/formats/csv";
import { fullDate } from "@/ui/dates";
import { download } from "@/ui/download";
import { Captioned } from "@/ui/kit/Captioned";
import { DateField, type DateFieldProps } from "@/ui/kit/DateField";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Select } from "@/ui/kit/Select";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import photos from "@/ui/photo/photo.module.css";
import { Picture } from "@/ui/photo/Picture";
import { Scrollable } from "@/ui/Scrollable";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import dynamic from "next/dynamic";
import { useRef, useState } from "react";
import { chartPicture } from "./chartPicture";
import styles from "./report.module.css";

const ReportChart = dynamic(() => import("./ReportChart").then((module) => module.ReportChart), {
  ssr: false,
  loading: () => <div style={{ height: 300 }} />,
});

/**
 * How a weight or a measure went from its first reading to its latest: to be printed, kept as a picture, or taken into
 * a spreadsheet.
 */
export function Report() {
  const { person, today } = useLog();
  const printer = usePrinter();
  const [of, setOf] = useState("weight");
  const [from, setFrom] = useState<string | null>(null);
  const [until, setUntil] = useState<string | null>(null);
  const shown = useFigure("report", { of, from, until });
  const chart = useRef<HTMLDivElement>(null);
  if (shown === undefined) return <h1>Report</h1>;
  const unit = shown.unit ?? printer.units.mass;
  const inUnit = (value: number) => (shown.unit === null ? fromKg(value, printer.units.mass) : value);
  const fileName = `${shown.name.toLowerCase().replaceAll(/[^a-z0-9]+/g, "-")}-${today}`;
  const { report } = shown;
  return (
    <>
      <div className={view.head}>
        <h1>
          {shown.name}, {person.name}
        </h1>
        <span className={`${styles.choices} noprint`}>
          <Captioned caption="Of">
            {(id) => (
              <Select
                id={id}
                label="Report of"
                value={shown.of}
                onChange={setOf}
                options={shown.choices.map(({ of, name }) => ({ value: of, label: name }))}
              />
            )}
          </Captioned>
          <Captioned caption="From">
            {(id) => <DateRange id={id} label="Report from" value={from} max={until ?? today} onChange={setFrom} />}
          </Captioned>
          <Captioned caption="Until">
            {(id) => (
              <DateRange
                id={id}
                label="Report until"
                value={until}
                {...(from === null ? {} : { min: from })}
                max={today}
                onChange={setUntil}
              />
            )}
          </Captioned>
        </span>
      </div>
      {report === null ? (
        <p>
          Nothing is written{from === null ? "" : ` since ${fullDate(from)}`}
          {until === null ? "" : ` until ${fullDate(until)}`}.
        </p>
      ) : (
        <>
          <Summary shown={shown} inUnit={inUnit} unit={unit} />
          {shown.goal && <Goal goal={shown.goal} current={report.current.day} inUnit={inUnit} unit={unit} />}
          {report.weeks.length > 1 && (
            <div ref={chart}>
              <ReportChart
                weeks={report.weeks.map(({ closingDay, mean, days, trend, planned }) => ({
                  day: closingDay,
                  mean: inUnit(mean),
                  days,
                  trend: trend === null ? null : inUnit(trend),
                  planned: planned === null ? null : inUnit(planned),
                }))}
                name={shown.name}
              />
            </div>
          )}
          {report.weeks.length > 1 && (
            <p className="quiet small">
              Dots: the mean of each week in {unit}, with bars for the days it rests on
              {shown.unit === null ? "; the line is the trend, the dashes the goal's" : ""}.
            </p>
          )}
          <p className={`${styles.choices} noprint`}>
            <Button onClick={() => window.print()}>Print</Button>
            {report.weeks.length > 1 && (
              <LinkButton
                onClick={() =>
                  void chartPicture(
                    chart.current!,
                    `${shown.name}, ${person.name}`,
                    summaryLine(shown, inUnit, unit),
                  ).then((picture) => download(`${fileName}.png`, picture, "image/png"))
                }
              >
                As a picture
              </LinkButton>
            )}
            <LinkButton onClick={() => download(`${fileName}.csv`, csv(reportRows(shown, unit, inUnit)), "text/csv")}>
              As CSV
            </LinkButton>
          </p>
          {shown.photos && (
            <section className={view.section}>
              <h2>First and latest photograph</h2>
              <div className={photos.pair}>
                {[shown.photos.first, shown.photos.latest].map((photo) => (
                  <figure key={photo.id} className={photos.photo}>
                    <Picture photo={photo} />
                    <figcaption>
                      {fullDate(photo.date)}
                      {photo.kg === null ? "" : `, trend ${printer.mass(photo.kg)}`}
                    </figcaption>
                  </figure>
                ))}
              </div>
            </section>
          )}
          <Notes shown={shown} />
          <Years shown={shown} inUnit={inUnit} unit={unit} />
          <Weeks shown={shown} inUnit={inUnit} unit={unit} />
        </>
      )}
    </>
  );
}

interface Part {
  shown: ReportView;
  inUnit: (value: number) => number;
  unit: string;
}

/** `75.3 kg on 5 March 2026 to 72.9 kg on 11 June 2026: −2.4 kg, −0.17 kg a week` */
function summaryLine({ report }: ReportView, inUnit: (value: number) => number, unit: string): string {
  const { start, current, total, perWeek } = report!;
  return `${printNumber(inUnit(start.value), 1)} ${unit} on ${fullDate(dateOf(start.day))} to ${printNumber(inUnit(current.value), 1)} ${unit} on ${fullDate(dateOf(current.day))}: ${printSigned(inUnit(total), 2)} ${unit}${perWeek === null ? "" : `, ${printSigned(inUnit(perWeek), 2)} ${unit} a week`}`;
}

/**
 * `Goal: 74.6 kg on 1 Mar 2026 to 71.0 kg by 13 Aug 2026. On 11 Jun 2026 the line asked 72.81 kg; the trend is +0.12 kg
 * against it, with 48 % of the way done.`
 */
function Goal({
  goal: { start, startDay, target, deadline, asked, apart, share, why },
  current,
  inUnit,
  unit,
}: {
  goal: ReportGoal;
  current: number;
  inUnit: Part["inUnit"];
  unit: string;
}) {
  const day = (one: number) => fullDate(dateOf(one));
  return (
    <p className={styles.goal}>
      <strong>Goal:</strong> {printNumber(inUnit(start), 1)} {unit} on {day(startDay)} to{" "}
      {printNumber(inUnit(target), 1)} {unit} by {day(deadline)}
      {why === null ? "" : ` (${why})`}.{" "}
      {asked === null
        ? `The goal's date had passed by ${day(current)}.`
        : `On ${day(current)} its line asked ${printNumber(inUnit(asked), 2)} ${unit}${apart === null ? "" : `, and it stood ${printSigned(inUnit(apart), 2)} ${unit} against it`}.`}
      {share === null ? "" : ` ${printNumber(share * 100, 0)} % of the way was done.`}
    </p>
  );
}

/** What was written of the days, oldest first. */
function Notes({ shown: { notes, notesInAll } }: { shown: ReportView }) {
  if (notes.length === 0) return null;
  return (
    <section className={view.section}>
      <h2>Notes</h2>
      <Scrollable label="Notes">
        <table>
          <tbody>
            {notes.map(({ date, text }) => (
              <tr key={date}>
                <td className="quiet" style={{ whiteSpace: "nowrap", width: 120 }}>
                  {fullDate(date)}
                </td>
                <td>{text}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
      {notesInAll > notes.length && <p className="quiet">and {counted(notesInAll - notes.length, "note")} before</p>}
    </section>
  );
}

function Summary({ shown, inUnit, unit }: Part) {
  const { start, current, total, perWeek } = shown.report!;
  const { trend } = shown;
  const number = (value: number) => `${printNumber(inUnit(value), 1)} ${unit}`;
  const change = (value: number | null) =>
    value === null ? "needs seven days" : `${printSigned(inUnit(value), 2)} ${unit}`;
  return (
    <Scrollable label="Summary">
      <table className={styles.summary}>
        <thead>
          <tr>
            <th />
            <th className="num">Start, {fullDate(dateOf(start.day))}</th>
            <th className="num">Current, {fullDate(dateOf(current.day))}</th>
            <th className="num">Total change</th>
            <th className="num">Mean change a week</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">As {shown.unit === null ? "weighed" : "measured"}</th>
            <td className="num">{number(start.value)}</td>
            <td className="num">{number(current.value)}</td>
            <td className="num">
              <strong>{change(total)}</strong>
            </td>
            <td className="num">{change(perWeek)}</td>
          </tr>
          {trend && (
            <tr>
              <th scope="row">By the trend</th>
              <td className="num">{number(trend.start)}</td>
              <td className="num">{number(trend.current)}</td>
              <td className="num">
                <strong>{change(trend.current - trend.start)}</strong>
              </td>
              <td className="num">{change(trend.perWeek)}</td>
            </tr>
          )}
        </tbody>
      </table>
    </Scrollable>
  );
}

function Years({ shown, inUnit, unit }: Part) {
  const number = (value: number) => printNumber(inUnit(value), 1);
  return (
    <section className={view.section}>
      <h2>By year</h2>
      <Scrollable label="By year">
        <table>
          <thead>
            <tr>
              <th>Year</th>
              <th className="num">Readings</th>
              <th className="num">Mean, {unit}</th>
              <th className="num">Lowest</th>
              <th className="num">Highest</th>
              <th className="num">Change of the weekly mean</th>
            </tr>
          </thead>
          <tbody>
            {shown.report!.years.map(({ year, days, mean, low, high, change }) => (
              <tr key={year}>
                <td>{year}</td>
                <td className="num">{days}</td>
                <td className="num">{number(mean)}</td>
                <td className="num">{number(low)}</td>
                <td className="num">{number(high)}</td>
                <td className="num">{change === null ? "" : printSigned(inUnit(change), 2)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
    </section>
  );
}

/** So many weeks are listed; the CSV has all of them. */
const weeksListed = 104;

function Weeks({ shown, inUnit, unit }: Part) {
  const weeks = shown.report!.weeks.toReversed();
  const ofWeight = shown.unit === null;
  const two = (value: number | null) => (value === null ? "" : printNumber(inUnit(value), 2));
  return (
    <section className={view.section}>
      <h2>By week</h2>
      <Scrollable label="By week">
        <table>
          <thead>
            <tr>
              <th>Week from</th>
              <th className="num">Days</th>
              <th className="num">Mean, {unit}</th>
              <th className="num">Median</th>
              <th className="num">Change of the mean</th>
              {ofWeight && (
                <>
                  <th className="num">Trend</th>
                  <th className="num">Plan</th>
                </>
              )}
            </tr>
          </thead>
          <tbody>
            {weeks.slice(0, weeksListed).map(({ closingDay, days, mean, median, change, trend, planned }) => (
              <tr key={closingDay}>
                <td>{fullDate(dateOf(closingDay - 6))}</td>
                <td className="num">{days}</td>
                <td className="num">{two(mean)}</td>
                <td className="num">{two(median)}</td>
                <td className="num">{change === null ? "" : printSigned(inUnit(change), 2)}</td>
                {ofWeight && (
                  <>
                    <td className="num">{two(trend)}</td>
                    <td className="num planned">{two(planned)}</td>
                  </>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
      {weeks.length > weeksListed && (
        <p className="quiet">and {counted(weeks.length - weeksListed, "week")} before; the CSV has them all</p>
      )}
    </section>
  );
}

/** An end of the stretch; nothing where it is open. */
function DateRange({
  value,
  onChange,
  ...field
}: { value: string | null; onChange: (date: string | null) => void } & Omit<DateFieldProps, "value" | "onChange">) {
  return (
    <DateField
      {...field}
      value={value ?? ""}
      onChange={(date) => {
        if (date === "" || entryDayOf(date) !== null) onChange(date || null);
      }}
    />
  );
}
