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
import { RecordTable } from "@/ui/kit/RecordTable";
import { Select } from "@/ui/kit/Select";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import photos from "@/ui/photo/photo.module.css";
import { Picture } from "@/ui/photo/Picture";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import dynamic from "next/dynamic";
import { useRef, useState } from "react";
import { chartPicture } from "./chartPicture";
import styles from "./report.module.css";

const ReportChart = dynamic(() => import("./ReportChart").then((module) => module.ReportChart), {
  ssr: false,
  loading: () => <div className="chart-l" />,
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
      <RecordTable
        label="Notes"
        rows={notes}
        keyOf={({ date }) => date}
        columns={[
          {
            head: "Day",
            mute: true,
            tone: "quiet",
            cell: ({ date }) => <span className="nowrap">{fullDate(date)}</span>,
          },
          { head: "Note", mute: true, cell: ({ text }) => text },
        ]}
      />
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
    <RecordTable
      label="Summary"
      className={styles.summary}
      rows={[
        {
          head: `As ${shown.unit === null ? "weighed" : "measured"}`,
          from: start.value,
          to: current.value,
          total,
          perWeek,
        },
        ...(trend
          ? [
              {
                head: "By the trend",
                from: trend.start,
                to: trend.current,
                total: trend.current - trend.start,
                perWeek: trend.perWeek,
              },
            ]
          : []),
      ]}
      keyOf={({ head }) => head}
      columns={[
        { head: "How", mute: true, cell: ({ head }) => head },
        { head: `Start, ${fullDate(dateOf(start.day))}`, num: true, cell: ({ from }) => number(from) },
        { head: `Current, ${fullDate(dateOf(current.day))}`, num: true, cell: ({ to }) => number(to) },
        {
          head: "Total change",
          num: true,
          cell: (line) => <strong>{change(line.total)}</strong>,
        },
        { head: "Mean change a week", num: true, cell: (line) => change(line.perWeek) },
      ]}
    />
  );
}

function Years({ shown, inUnit, unit }: Part) {
  const number = (value: number) => printNumber(inUnit(value), 1);
  return (
    <section className={view.section}>
      <h2>By year</h2>
      <RecordTable
        label="By year"
        rows={shown.report!.years}
        keyOf={({ year }) => year}
        columns={[
          { head: "Year", cell: ({ year }) => year },
          { head: "Readings", num: true, cell: ({ days }) => days },
          { head: `Mean, ${unit}`, num: true, folded: "beside", cell: ({ mean }) => number(mean) },
          { head: "Lowest", num: true, cell: ({ low }) => number(low) },
          { head: "Highest", num: true, cell: ({ high }) => number(high) },
          {
            head: "Change of the weekly mean",
            num: true,
            cell: ({ change }) => (change === null ? "" : printSigned(inUnit(change), 2)),
          },
        ]}
      />
    </section>
  );
}

/** So many weeks are listed; the CSV has all of them. */
const weeksListed = 104;

type ReportWeek = NonNullable<ReportView["report"]>["weeks"][number];

function Weeks({ shown, inUnit, unit }: Part) {
  const weeks = shown.report!.weeks.toReversed();
  const ofWeight = shown.unit === null;
  const two = (value: number | null) => (value === null ? "" : printNumber(inUnit(value), 2));
  return (
    <section className={view.section}>
      <h2>By week</h2>
      <RecordTable
        label="By week"
        rows={weeks.slice(0, weeksListed)}
        keyOf={({ closingDay }) => closingDay}
        columns={[
          { head: "Week from", cell: ({ closingDay }) => fullDate(dateOf(closingDay - 6)) },
          { head: "Days", num: true, cell: ({ days }) => days },
          { head: `Mean, ${unit}`, num: true, folded: "beside", cell: ({ mean }) => two(mean) },
          { head: "Median", num: true, cell: ({ median }) => two(median) },
          {
            head: "Change of the mean",
            num: true,
            cell: ({ change }) => (change === null ? "" : printSigned(inUnit(change), 2)),
          },
          ...(ofWeight
            ? [
                { head: "Trend", num: true, cell: ({ trend }: ReportWeek) => two(trend) },
                {
                  head: "Plan",
                  num: true,
                  tone: "planned" as const,
                  cell: ({ planned }: ReportWeek) => two(planned),
                },
              ]
            : []),
        ]}
      />
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
