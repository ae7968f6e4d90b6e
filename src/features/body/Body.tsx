"use client";

import type { Queries } from "@/compute/queries";
import { counted, printNumber } from "@/core/base/units/number";
import type { BodyAsk, BodyView } from "@/core/body/bodyView";
import { shortDate, weekName } from "@/ui/dates";
import { Figure, WorkingLink } from "@/ui/figure/Figure";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Matrix } from "@/ui/kit/Matrix";
import { Segmented } from "@/ui/kit/Segmented";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useState } from "react";
import { ArrivalBlock, carriedNote } from "../../ui/figure/KeyFigures";
import { Measures } from "./Measures";
import { MorningsByWeek } from "./MorningsByWeek";
import { WeighInForm } from "./WeighInForm";

const Weekdays = dynamic(() => import("./Weekdays").then((module) => module.Weekdays), { ssr: false });
const Photographs = dynamic(() => import("./Photographs").then((module) => module.Photographs), { ssr: false });
const BodyChart = dynamic(() => import("./BodyChart").then((module) => module.BodyChart), {
  ssr: false,
  loading: () => <div className="chart-xl" />,
});

const ranges = [
  { label: "month", value: 31 },
  { label: "half-year", value: 183 },
  { label: "year", value: 366 },
  { label: "all", value: null },
] as const;

/** What the weight is really doing. */
export function Body() {
  const [days, setDays] = useState<number | null>(183);
  const [zoom, setZoom] = useState<BodyAsk["zoom"]>(null);
  const view = useFigure("body", { days, zoom });
  return (
    <>
      <div className={styles.head}>
        <div className={styles.title}>
          <h1>Body weight</h1>
          <Link href="/report" className="noprint">
            Report
          </Link>
          {view && (
            <span className="quiet">
              {printNumber(view.mornings, 0)} of {counted(view.span, "morning")}
            </span>
          )}
        </div>
        <span>
          {zoom !== null && (
            <LinkButton className="apart" onClick={() => setZoom(null)}>
              {shortDate(zoom.from)} to {shortDate(zoom.to)}, show all again
            </LinkButton>
          )}
          <Segmented
            options={ranges}
            value={days}
            onChange={(chosen) => {
              setZoom(null);
              setDays(chosen);
            }}
            label="How far back"
          />
        </span>
      </div>
      {view === undefined ? null : view.mornings === 0 ? (
        <p>No weight is written yet. Type this morning&apos;s weight in the line above.</p>
      ) : (
        <Drawn view={view} onZoom={setZoom} />
      )}
      <Measures />
      <Photographs />
      <WeighInForm />
    </>
  );
}

function Drawn({ view, onZoom }: { view: Queries["body"]["answers"]; onZoom: (zoom: BodyAsk["zoom"]) => void }) {
  const printer = usePrinter();
  return (
    <>
      <BodyChart view={view} onZoom={onZoom} />
      <Weeks view={view} />
      <Figures view={view} />
      <Weekdays view={view} />
      <Second view={view} />
      <MorningsByWeek view={view} />
      {view.gross.length > 0 && (
        <p className="warn small">
          Kept out of the trend as gross errors:{" "}
          {view.gross.map(({ date, kg }) => `${printer.mass(kg)} on ${shortDate(date)}`).join(", ")}. Choose the day to
          correct it.
        </p>
      )}
    </>
  );
}

/** How second weigh-ins run against the mornings; nothing where there are none. */
function Second({ view: { second } }: { view: BodyView }) {
  const printer = usePrinter();
  const { today } = useLog();
  if (second === null) return null;
  return (
    <p className="small">
      {"reason" in second ? (
        <span className="quiet">Second weigh-ins are not compared with the mornings: {second.reason}.</span>
      ) : (
        <>
          Second weigh-ins run{" "}
          <WorkingLink figure={{ figure: "second" }} on={today} label=", working of the second weigh-ins">
            {printer.massChange(second.offset)}
          </WorkingLink>{" "}
          against the mornings of the same days ({printer.massChange(second.low80).split(" ")[0]} to{" "}
          {printer.massChange(second.high80).split(" ")[0]}; {second.days} days). They never enter the trend.
        </>
      )}
    </p>
  );
}

function Weeks({ view }: { view: BodyView }) {
  const printer = usePrinter();
  const { today } = useLog();
  const change = (kg: number) => printer.massChange(kg).split(" ")[0];
  const plan = "reason" in view.plan ? null : view.plan.kgPerWeek;
  const planned = (parts: number) => (plan === null ? "" : `, plan ${change(plan / parts)}`);
  return (
    <Matrix
      label="Weeks"
      corner="Week from"
      columns={view.weeks}
      keyOf={({ closingDate }) => closingDate}
      headOf={({ closingDate, open }) => `${weekName(closingDate)}${open ? ", open" : ""}`}
      lines={[
        {
          head: "Median, days",
          cell: (week) => (
            <>
              {week.medianKg === null ? (
                <span className="quiet">none</span>
              ) : (
                <WorkingLink
                  figure={{ figure: "weekly", closingDate: week.closingDate }}
                  on={today}
                  label={`, working of the week from ${weekName(week.closingDate)}`}
                >
                  {printer.massNumber(week.medianKg)}
                </WorkingLink>
              )}{" "}
              <span className="quiet">· {week.days}</span>
            </>
          ),
        },
        { head: "Mean", cell: ({ meanKg }) => (meanKg === null ? "" : printer.massNumber(meanKg)) },
        {
          head: `Change a week${planned(1)}`,
          cell: ({ changeKg }) => (changeKg === null ? "" : change(changeKg)),
        },
        {
          head: `A day${planned(7)}`,
          cell: ({ changeKg }) => (changeKg === null ? "" : change(changeKg / 7)),
        },
        {
          head: "Sessions, done of planned",
          cell: (week) => (week.planned === 0 ? "" : `${week.done} of ${week.planned}`),
        },
      ]}
    />
  );
}

function Figures({ view }: { view: BodyView }) {
  const printer = usePrinter();
  const { today } = useLog();
  const { trend, change, arrival, plan } = view;
  return (
    <div className={styles.figures}>
      {"reason" in trend ? (
        <Figure label="Trend" figure={{ figure: "trend" }} on={today} missing={trend.reason} />
      ) : (
        <Figure
          label="Trend"
          value={printer.massNumber(trend.kg)}
          unit={printer.units.mass}
          figure={{ figure: "trend" }}
          on={today}
          note={
            <>
              {printer.massNumber(trend.low80)} to {printer.massNumber(trend.high80)}
              {carriedNote(trend)} ·{" "}
              {trend.kgPerWeek === null ? (
                "a rate needs seven days"
              ) : (
                <>
                  {printer.rate(trend.kgPerWeek)} ± {printer.massNumber(trend.kgPerWeekHalf80!, 2)}
                </>
              )}
            </>
          }
        />
      )}
      {change === null ? null : (
        <Figure
          label="Since the first weigh-in"
          value={printer.massChange(change.totalKg).split(" ")[0]}
          unit={printer.units.mass}
          figure={{ figure: "change" }}
          on={today}
          note={
            <>
              {change.kgPerWeek === null ? "a rate needs seven days" : printer.rate(change.kgPerWeek)} · exponential
              mean {view.ewmaKg === null ? "" : printer.massNumber(view.ewmaKg)}
              {view.sevenDay ? ` · 7-day mean ${printer.massNumber(view.sevenDay.kg)}` : ""}
            </>
          }
        />
      )}
      {"reason" in plan ? null : (
        <Figure
          label="Against the plan"
          value={printer.massChange(plan.aboveKg).split(" ")[0]}
          unit={printer.units.mass}
          figure={{ figure: "plan" }}
          on={today}
          note={
            <>
              {plan.standing === "not known" ? "outside the band, by a weight of more than a week ago" : plan.standing};{" "}
              {plan.catchUpKgPerWeek === null
                ? "the deadline has passed"
                : `to land on the day ${printer.rate(plan.catchUpKgPerWeek)}`}
            </>
          }
        />
      )}
      <ArrivalBlock arrival={arrival} printer={printer} on={today} />
    </div>
  );
}
