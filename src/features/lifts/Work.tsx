"use client";

import { entryDayOf } from "@/core/base/calendar/day";
import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { BlockWork } from "@/core/planning/blockWorks";
import type { WorkLine, WorkView } from "@/core/strength/workView";
import { addDays, shortDate } from "@/ui/dates";
import { WorkingLink } from "@/ui/figure/Figure";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { Scrollable } from "@/ui/Scrollable";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import dynamic from "next/dynamic";
import Link from "next/link";
import { type RefObject, useId, useRef, useState } from "react";
import { Blocks, daysOf } from "./Blocks";
import styles from "./lifts.module.css";
import { LiftsHead } from "./LiftsNav";

const WorkChart = dynamic(() => import("./WorkChart").then((module) => module.WorkChart), { ssr: false });

/** From what work? How much, how heavy, and where it went, over any stretch of days. */
export function Work() {
  const { today } = useLog();
  const [stretch, setStretch] = useState({ from: addDays(today, -83), to: today });
  const [blocksAtMost, setBlocksAtMost] = useState(4);
  const top = useRef<HTMLDivElement>(null);
  const work = useFigure("work", stretch);
  const blocks = useFigure("blocks", { atMost: blocksAtMost });
  const printer = usePrinter();
  return (
    <>
      <LiftsHead />
      <Stretch place={top} stretch={stretch} choose={setStretch} blocks={blocks?.blocks ?? []} />
      {work &&
        (work.total.sessions === 0 && work.total.planned.sets === 0 ? (
          <p>Nothing was lifted in these days.</p>
        ) : (
          <>
            <Totals work={work} printer={printer} />
            <WorkChart weeks={work.weeks} />
            <div className={view.two}>
              <div>
                <Lines title="By group" lines={work.byGroup} printer={printer} />
                <Lines title="By lift" lines={work.byLift} printer={printer} />
              </div>
              <div>
                <Muscles work={work} />
                <Zones work={work} />
              </div>
            </div>
            <Weeks work={work} printer={printer} />
          </>
        ))}
      {blocks && (
        <Blocks
          blocks={blocks}
          printer={printer}
          choose={(days) => {
            setStretch(days);
            top.current?.scrollIntoView({ block: "center" });
          }}
          showMore={() => setBlocksAtMost(blocks.blocksInAll)}
        />
      )}
      {work && work.sessions.length > 0 && <Sessions work={work} printer={printer} />}
    </>
  );
}

const stretches = [
  ["4 weeks", 27],
  ["12 weeks", 83],
  ["26 weeks", 181],
  ["a year", 364],
] as const;

function Stretch({
  place,
  stretch,
  choose,
  blocks,
}: {
  place: RefObject<HTMLDivElement | null>;
  stretch: { from: string; to: string };
  blocks: readonly BlockWork[];
  choose: (stretch: { from: string; to: string }) => void;
}) {
  const { today } = useLog();
  const id = useId();
  const set = (part: "from" | "to", date: string) => {
    if (entryDayOf(date) !== null) choose({ ...stretch, [part]: date });
  };
  return (
    <div ref={place} className={`${styles.filters} noprint`}>
      <span className={styles.inline}>
        {stretches.map(([name, days]) => {
          const from = addDays(today, -days);
          const on = stretch.from === from && stretch.to === today;
          return (
            <button
              key={name}
              type="button"
              className="link"
              style={on ? { color: "var(--ink)", textDecoration: "underline", textUnderlineOffset: 5 } : undefined}
              aria-pressed={on}
              onClick={() => choose({ from, to: today })}
            >
              {name}
            </button>
          );
        })}
      </span>
      {blocks.length > 0 && (
        <label htmlFor={`${id}b`}>
          Block
          <select
            id={`${id}b`}
            className={styles.select}
            value={
              blocks.find((one) => daysOf(one).from === stretch.from && daysOf(one).to === stretch.to)?.block.id ?? ""
            }
            onChange={(event) => {
              const chosen = blocks.find(({ block }) => block.id === event.target.value);
              if (chosen) choose(daysOf(chosen));
            }}
          >
            <option value="">none</option>
            {blocks.map(({ block }) => (
              <option key={block.id} value={block.id}>
                {block.name}
              </option>
            ))}
          </select>
        </label>
      )}
      <label htmlFor={`${id}f`}>
        From
        <input
          id={`${id}f`}
          type="date"
          value={stretch.from}
          max={stretch.to}
          onChange={(event) => set("from", event.target.value)}
        />
      </label>
      <label htmlFor={`${id}t`}>
        To
        <input
          id={`${id}t`}
          type="date"
          value={stretch.to}
          min={stretch.from}
          onChange={(event) => set("to", event.target.value)}
        />
      </label>
    </div>
  );
}

function Totals({ work: { total, days }, printer }: { work: WorkView; printer: Printer }) {
  const figures: [label: string, value: string, unit: string, note: string][] = [
    [
      "Number of lifts",
      printNumber(total.numberOfLifts, 0),
      "",
      total.planned.numberOfLifts > 0
        ? `${printNumber(total.planned.numberOfLifts, 0)} planned`
        : "nothing was planned",
    ],
    [
      "Volume load",
      printer.volumeLoadNumber(total.volumeLoadKg),
      printer.units.mass,
      total.planned.volumeLoadKg > 0
        ? `${printer.volumeLoad(total.planned.volumeLoadKg)} planned`
        : "nothing was planned",
    ],
    [
      "Average weight",
      total.averageKg === null ? "none" : printer.massNumber(total.averageKg),
      total.averageKg === null ? "" : printer.units.mass,
      "volume load ÷ number of lifts",
    ],
    [
      "Average intensity",
      total.averageIntensity === null ? "none" : printNumber(total.averageIntensity * 100, 0),
      total.averageIntensity === null ? "" : "%",
      "of the maximum in force on each day",
    ],
  ];
  return (
    <>
      <div className={styles.pair}>
        {figures.map(([label, value, unit, note]) => (
          <p key={label}>
            <span className="label">{label}</span>
            <br />
            <span className={styles.big}>{value}</span>
            <span className={styles.unit}>{unit}</span>
            <br />
            <span className="quiet small">{note}</span>
          </p>
        ))}
      </div>
      <p className="quiet small">
        {counted(total.sessions, "session")} with {counted(total.sets, "set")} in {counted(days, "day")}.
      </p>
    </>
  );
}

function counted(count: number, what: string): string {
  return `${printNumber(count, 0)} ${what}${count === 1 ? "" : "s"}`;
}

function Lines({ title, lines, printer }: { title: string; lines: readonly WorkLine[]; printer: Printer }) {
  return (
    <section className={view.section}>
      <h2>{title}</h2>
      <Scrollable label={title}>
        <table>
          <thead>
            <tr>
              <th></th>
              {lines.some(({ sets }) => sets !== null) && <th className="num">Sets</th>}
              <th className="num">Lifts</th>
              <th className="num">Share</th>
              <th className="num">Volume load, {printer.units.mass}</th>
              <th className="num">Share</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={line.id}>
                <td>
                  {line.sets === null ? (
                    line.name
                  ) : (
                    <Link href={`/lifts?exercise=${encodeURIComponent(line.id)}`}>{line.name}</Link>
                  )}
                </td>
                {line.sets !== null && <td className="num">{line.sets}</td>}
                <td className="num">{printNumber(line.numberOfLifts, 0)}</td>
                <td className="num quiet">{printer.percent(line.liftShare)}</td>
                <td className="num">{printer.volumeLoadNumber(line.volumeLoadKg)}</td>
                <td className="num quiet">{printer.percent(line.loadShare)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
    </section>
  );
}

/** Hard sets a week by muscle, from head to foot, as bars with their numbers. */
function Muscles({ work: { byMuscle } }: { work: WorkView }) {
  const most = Math.max(1, ...byMuscle.map(({ perWeek }) => perWeek));
  return (
    <section className={view.section}>
      <h2>Hard sets a week, by muscle</h2>
      <div className={styles.scale} role="table" aria-label="Hard sets a week, by muscle">
        {byMuscle.map(({ muscle, sets, perWeek }) => (
          <div key={muscle} role="row" style={{ display: "contents" }}>
            <span role="rowheader">{muscle}</span>
            <span role="presentation" className={styles.track}>
              <span style={{ width: `${(100 * perWeek) / most}%` }} />
            </span>
            <span role="cell" className="num">
              {printNumber(perWeek, 1)}
              <span className="hidden"> a week, {printNumber(sets, 1)} in all</span>
            </span>
          </div>
        ))}
      </div>
      <p className="quiet small" style={{ paddingTop: 6 }}>
        Working sets with at most four repetitions in reserve, or unrated; a direct muscle counts 1, an indirect one ½
        (common practice).
      </p>
    </section>
  );
}

function Zones({ work: { zones, unknownZone, rails } }: { work: WorkView }) {
  const most = Math.max(0.01, ...zones.map(({ share }) => share));
  return (
    <section className={view.section}>
      <h2>Zones of intensity</h2>
      <div className={styles.scale} role="table" aria-label="Number of lifts by zone of intensity">
        {zones.map(({ name, lifts, share }) => (
          <div key={name} role="row" style={{ display: "contents" }}>
            <span role="rowheader">{name}</span>
            <span role="presentation" className={styles.track}>
              <span style={{ width: `${(100 * share) / most}%` }} />
            </span>
            <span role="cell" className="num">
              {printNumber(lifts, 0)} <span className="quiet">({printNumber(share * 100, 0)} %)</span>
            </span>
          </div>
        ))}
      </div>
      {unknownZone > 0 && (
        <p className="quiet small" style={{ paddingTop: 6 }}>
          {printNumber(unknownZone, 0)} lifts had no maximum in force and are in no zone.
        </p>
      )}
      {rails && rails.lines.length > 0 && (
        <>
          <p className="quiet small" style={{ padding: "14px 0 4px" }}>
            {rails.title}, {shortDate(rails.date)}: lifts in the zone where most of them fell, in Prilepin&rsquo;s range
            (outlined; drawn from weightlifters, a guide and no rule).
          </p>
          <div className={styles.scale} role="table" aria-label="Lifts of the latest session in Prilepin's ranges">
            {rails.lines.map(({ exerciseId, name, zone, lifts, low, usual, high }) => {
              const full = Math.max(high, lifts) * 1.05;
              return (
                <div key={exerciseId} role="row" style={{ display: "contents" }}>
                  <span role="rowheader">
                    {name} <span className="quiet small">{zone}</span>
                  </span>
                  <span role="presentation" className={styles.track}>
                    <span className={styles.thin} style={{ width: `${(100 * lifts) / full}%` }} />
                    <span
                      className={styles.rail}
                      style={{ left: `${(100 * low) / full}%`, width: `${(100 * (high - low)) / full}%` }}
                    />
                  </span>
                  <span role="cell" className="num">
                    {lifts}{" "}
                    <span className="quiet">
                      of {low}–{high}, usually {usual}
                    </span>
                  </span>
                </div>
              );
            })}
          </div>
        </>
      )}
    </section>
  );
}

function Weeks({ work: { weeks }, printer }: { work: WorkView; printer: Printer }) {
  const { today } = useLog();
  return (
    <section className={view.section}>
      <h2>Week by week</h2>
      <Scrollable label="Week by week">
        <table>
          <thead>
            <tr>
              <th>Week from</th>
              <th className="num">Sessions</th>
              <th className="num">Lifts</th>
              <th className="num">planned</th>
              <th className="num">Share</th>
              <th className="num">Volume load, {printer.units.mass}</th>
              <th className="num">planned</th>
              <th className="num">Share</th>
              <th className="num">Average weight, {printer.units.mass}</th>
              <th className="num">Intensity</th>
            </tr>
          </thead>
          <tbody>
            {[...weeks].reverse().map((week) => (
              <tr key={week.weekStart}>
                <td>
                  {shortDate(week.weekStart)}
                  {week.open ? <span className="quiet">, open</span> : ""}
                </td>
                <td className="num">{week.sessions}</td>
                <td className="num">{week.numberOfLifts}</td>
                <td className="num planned">{week.planned.numberOfLifts || ""}</td>
                <td className="num quiet">{week.share === null ? "" : printer.percent(week.share.lifts)}</td>
                <td className="num">
                  {week.sets === 0 ? (
                    "0"
                  ) : (
                    <WorkingLink
                      figure={{ figure: "volume", weekStart: week.weekStart }}
                      on={today}
                      label={`, working of the volume of the week from ${week.weekStart}`}
                    >
                      {printer.volumeLoadNumber(week.volumeLoadKg)}
                    </WorkingLink>
                  )}
                </td>
                <td className="num planned">
                  {week.planned.volumeLoadKg > 0 ? printer.volumeLoadNumber(week.planned.volumeLoadKg) : ""}
                </td>
                <td className="num quiet">{week.share === null ? "" : printer.percent(week.share.load)}</td>
                <td className="num">{week.averageKg === null ? "" : printer.massNumber(week.averageKg)}</td>
                <td className="num">{week.averageIntensity === null ? "" : printer.percent(week.averageIntensity)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
    </section>
  );
}

function Sessions({ work: { sessions, total }, printer }: { work: WorkView; printer: Printer }) {
  const { chooseDay } = useLog();
  return (
    <section className={view.section}>
      <h2>Day by day</h2>
      <Scrollable label="Day by day">
        <table>
          <thead>
            <tr>
              <th>Day</th>
              <th>Session</th>
              <th className="num">Sets</th>
              <th className="num">Lifts</th>
              <th className="num">planned</th>
              <th className="num">Volume load, {printer.units.mass}</th>
              <th className="num">planned</th>
              <th className="num">Intensity</th>
            </tr>
          </thead>
          <tbody>
            {sessions.map((session) => (
              <tr key={session.sessionId}>
                <td style={{ whiteSpace: "nowrap" }}>
                  <Link href="/" onClick={() => chooseDay(session.date)}>
                    {shortDate(session.date)}
                  </Link>
                </td>
                <td>
                  {session.title}
                  {session.lines.map(({ exerciseId, name, text }, index) => (
                    <div key={`${exerciseId} ${index}`} className="quiet small">
                      <Link href={`/lifts?exercise=${encodeURIComponent(exerciseId)}`} className={styles.plain}>
                        {name}
                      </Link>{" "}
                      {text}
                    </div>
                  ))}
                </td>
                <td className="num">{session.sets}</td>
                <td className="num">{session.numberOfLifts}</td>
                <td className="num planned">{session.planned.numberOfLifts || ""}</td>
                <td className="num">{printer.volumeLoadNumber(session.volumeLoadKg)}</td>
                <td className="num planned">
                  {session.planned.volumeLoadKg > 0 ? printer.volumeLoadNumber(session.planned.volumeLoadKg) : ""}
                </td>
                <td className="num">
                  {session.averageIntensity === null ? "" : printer.percent(session.averageIntensity)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
      {total.sessions > sessions.length && (
        <p className="quiet small">
          The latest {sessions.length} of {printNumber(total.sessions, 0)} sessions.
        </p>
      )}
    </section>
  );
}
