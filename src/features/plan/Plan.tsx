"use client";

import type { WeeksView } from "@/core/planning/weeksView";
import { addDays } from "@/ui/dates";
import { late } from "@/ui/kit/late";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Segmented } from "@/ui/kit/Segmented";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import dynamic from "next/dynamic";
import { useState } from "react";
import { DayOfPlan } from "./DayOfPlan";
import { Phases } from "./Phases";
import { PlanHead } from "./PlanHead";
import { Weeks } from "./Weeks";

const PlanDone = dynamic(() => import("./PlanDone").then((module) => module.PlanDone), { ssr: false });

/** How many weeks are shown, and how many of them lie before the one that holds today. */
const spans = [
  { label: "16 weeks", value: 16 },
  { label: "half-year", value: 26 },
  { label: "year", value: 53 },
  { label: "three years", value: 157 },
] as const;

/** A row is a week or a month; `s` on a day changes it. */
const scales = [
  { label: "weeks", value: "weeks" },
  { label: "months", value: "months" },
] as const;

const Months = late(
  () => import("./Months").then(({ Months: view }) => view),
  () => null,
);

const DrawnBlock = late(
  () => import("./NewBlock").then((form) => form.DrawnBlock),
  () => null,
);

/** What is coming? The Column at the scale of weeks, with what runs beside them. */
export function Plan() {
  const { today } = useLog();
  const [span, setSpan] = useState<number>(16);
  const [scale, setScale] = useState<"weeks" | "months">("weeks");
  const [moved, setMoved] = useState(0);
  const [day, setDay] = useState<string | null>(null);
  const [drawn, setDrawn] = useState<{ from: string; days: number } | null>(null);
  const before = Math.round(span / 4);
  const view = useFigure("weeks", { from: addDays(today, 7 * (moved - before)), weeks: span });
  return (
    <>
      <PlanHead>
        <span className="row">
          <LinkButton onClick={() => setMoved(moved - before)}>Earlier</LinkButton>
          <LinkButton disabled={moved === 0} onClick={() => setMoved(0)}>
            Today
          </LinkButton>
          <LinkButton onClick={() => setMoved(moved + before)}>Later</LinkButton>
          <Segmented options={scales} value={scale} onChange={setScale} label="A row is a" />
          <Segmented options={spans} value={span} onChange={setSpan} label="How much of it" />
        </span>
      </PlanHead>
      {view && <p className="quiet">{runningText(view)}</p>}
      {view && scale === "weeks" && (
        <Weeks
          view={view}
          onDay={setDay}
          onScale={() => setScale("months")}
          onDrawn={(from, days) => setDrawn({ from, days })}
        />
      )}
      {scale === "months" && (
        <Months
          from={addDays(today, 7 * (moved - before))}
          months={Math.max(4, Math.round((span * 7) / 30.4))}
          onDay={setDay}
        />
      )}
      {view && <Phases phases={view.phases} />}
      {view && <PlanDone />}
      {drawn !== null && <DrawnBlock {...drawn} close={() => setDrawn(null)} />}
      {view && day !== null && <DayOfPlan date={day} onClose={() => setDay(null)} />}
    </>
  );
}

/** The phase and the block that run today, in words. */
function runningText({ bars }: WeeksView): string {
  return bars
    .filter(({ state }) => state === "under way")
    .map(({ name, passed, days }) => `${name}, day ${passed} of ${days}`)
    .join(" · ");
}
