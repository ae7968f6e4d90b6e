"use client";

import { Button } from "antd";
import dynamic from "next/dynamic";
import { useRef, useState } from "react";
import { reportRows, type ReportView } from "@/core/figures/views/report";
import { dateOf, entryDayOf } from "@/core/calendar/day";
import { csv } from "@/formats/csv";
import { fromKg } from "@/core/units/mass";
import { printNumber, printSigned } from "@/core/units/number";
import { fullDate } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { Scrollable } from "@/ui/Scrollable";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { Picture } from "@/ui/photo/Picture";
import body from "../body/body.module.css";
import { download } from "@/ui/download";
import { chartPicture } from "./chartPicture";
import styles from "./report.module.css";

const ReportChart = dynamic(() => import("./ReportChart").then((module) => module.ReportChart), { ssr: false, loading: () => <div style={{ height: 300 }} /> });

/** How a weight or a measure went from its first reading to its latest: to be printed, kept as a picture, or taken into a spreadsheet. */
export function Report() {
  const { person, today } = useLog();
  const printer = usePrinter();
  const [of, setOf] = useState("weight");
  const [from, setFrom] = useState<string | null>(null);
  const shown = useFigure("report", { of, from });
  const chart = useRef<HTMLDivElement>(null);
  if (shown === undefined) return <h1>Report</h1>;
  const unit = shown.unit ?? printer.units.mass;
  const inUnit = (value: number) => (shown.unit === null ? fromKg(value, printer.units.mass) : value);
  const fileName = `${shown.name.toLowerCase().replaceAll(/[^a-z0-9]+/g, "-")}-${today}`;
  const { report } = shown;
  return (
    <>
      <div className={view.head}>
        <h1>{shown.name}, {person.name}</h1>
        <span className={`${styles.choices} noprint`}>
          <label>Of <select aria-label="Report of" value={shown.of} onChange={(event) => setOf(event.target.value)}>{shown.choices.map((choice) => <option key={choice.of} value={choice.of}>{choice.name}</option>)}</select></label>
          <label>From <input type="date" aria-label="Report from" className={body.date} value={from ?? ""} max={today} onChange={({ target: { value } }) => { if (value === "" || entryDayOf(value) !== null) setFrom(value || null); }} /></label>
        </span>
      </div>
      {report === null ? <p>Nothing is written{from === null ? "" : ` since ${fullDate(from)}`}.</p> : (
        <>
          <Summary shown={shown} inUnit={inUnit} unit={unit} />
          {report.weeks.length > 1 && <div ref={chart}><ReportChart weeks={report.weeks.map(({ closingDay, mean, days }) => ({ day: closingDay, mean: inUnit(mean), days }))} name={shown.name} /></div>}
          {report.weeks.length > 1 && <p className="quiet small">Mean of each week in {unit}; the bars show on how many days it rests.</p>}
          <p className={`${styles.choices} noprint`}>
            <Button onClick={() => window.print()}>Print</Button>
            {report.weeks.length > 1 && <button type="button" className="link" onClick={() => void chartPicture(chart.current!, `${shown.name}, ${person.name}`, summaryLine(shown, inUnit, unit)).then((picture) => download(`${fileName}.png`, picture, "image/png"))}>As a picture</button>}
            <button type="button" className="link" onClick={() => download(`${fileName}.csv`, csv(reportRows(shown, unit, inUnit)), "text/csv")}>As CSV</button>
          </p>
          {shown.photos && (
            <section className={view.section}>
              <h2>First and latest photograph</h2>
              <div className={body.pair}>{[shown.photos.first, shown.photos.latest].map((photo) => <figure key={photo.id} className={body.photo}><Picture photo={photo} /><figcaption>{fullDate(photo.date)}{photo.kg === null ? "" : `, trend ${printer.mass(photo.kg)}`}</figcaption></figure>)}</div>
            </section>
          )}
          <Years shown={shown} inUnit={inUnit} unit={unit} />
          <Weeks shown={shown} inUnit={inUnit} unit={unit} />
        </>
      )}
    </>
  );
}

interface Part { shown: ReportView; inUnit: (value: number) => number; unit: string }

/** `75.3 kg on 5 March 2026 to 72.9 kg on 11 June 2026: −2.4 kg, −0.17 kg a week` */
function summaryLine({ report }: ReportView, inUnit: (value: number) => number, unit: string): string {
  const { start, current, total, perWeek } = report!;
  return `${printNumber(inUnit(start.value), 1)} ${unit} on ${fullDate(dateOf(start.day))} to ${printNumber(inUnit(current.value), 1)} ${unit} on ${fullDate(dateOf(current.day))}: ${printSigned(inUnit(total), 2)} ${unit}${perWeek === null ? "" : `, ${printSigned(inUnit(perWeek), 2)} ${unit} a week`}`;
}

function Summary({ shown, inUnit, unit }: Part) {
  const { start, current, total, perWeek } = shown.report!;
  const { trend } = shown;
  const number = (value: number) => `${printNumber(inUnit(value), 1)} ${unit}`;
  const change = (value: number | null) => (value === null ? "needs seven days" : `${printSigned(inUnit(value), 2)} ${unit}`);
  return (
    <Scrollable label="Summary">
      <table className={styles.summary}>
        <thead><tr><th /><th className="num">Start, {fullDate(dateOf(start.day))}</th><th className="num">Current, {fullDate(dateOf(current.day))}</th><th className="num">Total change</th><th className="num">Mean change a week</th></tr></thead>
        <tbody>
          <tr><th scope="row">As {shown.unit === null ? "weighed" : "measured"}</th><td className="num">{number(start.value)}</td><td className="num">{number(current.value)}</td><td className="num"><strong>{change(total)}</strong></td><td className="num">{change(perWeek)}</td></tr>
          {trend && <tr><th scope="row">By the trend</th><td className="num">{number(trend.start)}</td><td className="num">{number(trend.current)}</td><td className="num"><strong>{change(trend.current - trend.start)}</strong></td><td className="num">{change(trend.perWeek)}</td></tr>}
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
          <thead><tr><th>Year</th><th className="num">Readings</th><th className="num">Mean, {unit}</th><th className="num">Lowest</th><th className="num">Highest</th><th className="num">Change of the weekly mean</th></tr></thead>
          <tbody>{shown.report!.years.map(({ year, days, mean, low, high, change }) => <tr key={year}><td>{year}</td><td className="num">{days}</td><td className="num">{number(mean)}</td><td className="num">{number(low)}</td><td className="num">{number(high)}</td><td className="num">{change === null ? "" : printSigned(inUnit(change), 2)}</td></tr>)}</tbody>
        </table>
      </Scrollable>
    </section>
  );
}

/** So many weeks are listed; the CSV has all of them. */
const weeksListed = 104;

function Weeks({ shown, inUnit, unit }: Part) {
  const weeks = shown.report!.weeks.toReversed();
  return (
    <section className={view.section}>
      <h2>By week</h2>
      <Scrollable label="By week">
        <table>
          <thead><tr><th>Week from</th><th className="num">Days</th><th className="num">Mean, {unit}</th><th className="num">Median</th><th className="num">Change of the mean</th></tr></thead>
          <tbody>{weeks.slice(0, weeksListed).map(({ closingDay, days, mean, median, change }) => <tr key={closingDay}><td>{fullDate(dateOf(closingDay - 6))}</td><td className="num">{days}</td><td className="num">{printNumber(inUnit(mean), 2)}</td><td className="num">{printNumber(inUnit(median), 2)}</td><td className="num">{change === null ? "" : printSigned(inUnit(change), 2)}</td></tr>)}</tbody>
        </table>
      </Scrollable>
      {weeks.length > weeksListed && <p className="quiet">and {weeks.length - weeksListed} weeks before; the CSV has them all</p>}
    </section>
  );
}
