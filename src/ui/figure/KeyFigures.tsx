"use client";

import { counted, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { ArrivalFigure, PlanFigure, TrendFigure } from "@/core/body/keyFigures";
import type { DayView } from "@/core/days/dayView";
import { shortDate } from "@/ui/dates";
import { Figure } from "@/ui/figure/Figure";
import { FoodLeft } from "@/ui/figure/FoodLeft";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";

/** The figures that matter for the goal, and what is left to eat. */
export function KeyFigures({ view }: { view: DayView }) {
  const { today } = useLog();
  const printer = usePrinter();
  const on = view.date < today ? view.date : today;
  return (
    <>
      <TrendBlock trend={view.trend} printer={printer} on={on} />
      <PlanBlock plan={view.plan} printer={printer} on={on} />
      <ArrivalBlock arrival={view.arrival} printer={printer} on={on} />
      <FoodLeft food={view.food} date={view.date} protein />
    </>
  );
}

interface Block {
  printer: Printer;
  on: string;
}

export function TrendBlock({ trend, printer, on }: Block & { trend: TrendFigure | { reason: string } }) {
  const { day } = useLog();
  if ("reason" in trend)
    return <Figure label="Weight, trend" figure={{ figure: "trend" }} on={on} missing={trend.reason} />;
  const morning =
    trend.morning === null
      ? ""
      : ` · ${trend.date === day ? "this morning" : shortDate(trend.date)} ${printer.massNumber(trend.morning.kg)}, ${trend.morning.usual ? "usual scatter" : "outside the usual scatter"}`;
  return (
    <Figure
      label="Weight, trend"
      value={printer.massNumber(trend.kg)}
      unit={printer.units.mass}
      figure={{ figure: "trend" }}
      on={on}
      note={`${printer.massNumber(trend.low80)} to ${printer.massNumber(trend.high80)}${carriedNote(trend)}${morning}`}
    />
  );
}

/** From which weigh-in a level was carried forward; empty when it is of the day. */
export function carriedNote({ carriedDays, date }: TrendFigure): string {
  return carriedDays === 0 ? "" : `, carried ${counted(carriedDays, "day")} from ${shortDate(date)}`;
}

export function PlanBlock({ plan, printer, on }: Block & { plan: PlanFigure | { reason: string } }) {
  if ("reason" in plan)
    return <Figure label="Against the plan" figure={{ figure: "plan" }} on={on} missing={plan.reason} />;
  const side = Math.abs(plan.aboveKg) < 0.005 ? "on the line" : plan.aboveKg > 0 ? "above" : "below";
  const standing = {
    "on plan": "inside the plan's band",
    "too slow": "behind the plan's band",
    "too fast": "ahead of the plan's band: too fast",
    above: "above the band in which it is kept",
    below: "below the band in which it is kept",
    "not known": "outside the plan's band, by a weight of more than a week ago",
  }[plan.standing];
  return (
    <Figure
      label="Against the plan"
      value={printer.massNumber(Math.abs(plan.aboveKg), 2)}
      unit={`${printer.units.mass} ${side}`}
      figure={{ figure: "plan" }}
      on={on}
      note={
        <>
          <span className={plan.standing === "on plan" ? undefined : "warn"}>{standing}</span> ·{" "}
          {plan.trendKgPerWeek === null ? "" : `${printer.rate(plan.trendKgPerWeek)}; `}the plan asks{" "}
          {printer.massChange(plan.kgPerWeek)}
        </>
      }
    />
  );
}

export function ArrivalBlock({ arrival, printer, on }: Block & { arrival: ArrivalFigure | { reason: string } }) {
  if ("reason" in arrival)
    return <Figure label="Goal date" figure={{ figure: "arrival" }} on={on} missing={arrival.reason} />;
  const { onMorning } = arrival;
  return (
    <Figure
      label={`${printer.mass(arrival.targetKg)} ${onMorning ? "on" : "by"} ${shortDate(arrival.deadline)}`}
      value={printNumber((onMorning?.chance ?? arrival.chance) * 100, 0)}
      unit="in 100"
      figure={{ figure: "arrival" }}
      on={on}
      note={
        onMorning
          ? `on that one morning; a trend of ${printer.massNumber(onMorning.saferKg)} would make it four in five · trend there: ${arrivalNote(arrival)}`
          : arrivalNote(arrival)
      }
    />
  );
}

function arrivalNote({ arrived, holding, p10, p50, p90 }: ArrivalFigure): string {
  if (holding) return arrived ? "kept so far, within 1 % of it" : "more than 1 % away from it now";
  if (arrived) return "the trend is there now";
  if (p50 === null)
    return p10 === null ? "not reached at this pace" : `not likely at this pace; ${shortDate(p10)} at the earliest`;
  return p90 === null
    ? `most likely ${shortDate(p50)}, perhaps not at all at this pace`
    : `most likely ${shortDate(p50)}; ${p10 === null ? "" : shortDate(p10)} to ${shortDate(p90)}`;
}
