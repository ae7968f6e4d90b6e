"use client";

import { counted } from "@/core/base/units/number";
import type { MeasuredView } from "@/core/balance/measuredView";
import type { EnergySettings } from "@/core/log/kinds/energySettings";
import { fullDate, shortDate } from "@/ui/dates";
import { late } from "@/ui/kit/late";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useEnergyChange } from "./useEnergyChange";

const ExpenditureChart = late(
  () => import("./ExpenditureChart").then((chart) => chart.ExpenditureChart),
  () => <div className="chart-m" />,
);

/** What the body really spends, by weight and food together, through time; and the targets by it, where that is wanted. */
export function Measured({ view, settings }: { view: MeasuredView; settings: EnergySettings | null }) {
  const printer = usePrinter();
  const change = useEnergyChange(settings);
  const { now, taken, proposal, nextFrom, lately, moved, course } = view;
  const go = (follows: "formula" | "measured", measuredKcal: number | null) =>
    void change(
      { follows, measuredKcal },
      measuredKcal === null ? "Targets by the formula" : `Targets by the measured ${printer.energy(measuredKcal)}`,
    );
  return (
    <section className={styles.section}>
      <h2>What the body spends</h2>
      {"reason" in now ? (
        <p className="quiet">Not known: {now.reason}.</p>
      ) : (
        <p>
          {now.from === "formula" ? (
            <>
              So far it is the formula, {printer.energyNumber(now.low80)} to {printer.energy(now.high80)}: weight and
              food show it once seven days are written whole and seven mornings are weighed. There are{" "}
              {counted(now.days, "whole day")} and {counted(now.mornings, "morning")}.
            </>
          ) : (
            <>
              {printer.energyNumber(now.low80)} to {printer.energy(now.high80)} a day, four times in five; it rests on{" "}
              {counted(now.days, "whole day")} of food and {counted(now.mornings, "morning")}.{" "}
              {movedText(moved, printer)}
            </>
          )}
        </p>
      )}
      {taken !== null && (
        <p>
          Targets go by {printer.energy(taken.kcal)}, measured and taken over on {fullDate(taken.date)}.{" "}
          <LinkButton onClick={() => go("formula", null)}>Go by the formula again</LinkButton>
        </p>
      )}
      {proposal !== null && (
        <p className="row">
          <Button onClick={() => go("measured", proposal.kcal)}>
            Let the targets go by {printer.energy(proposal.kcal)}
          </Button>
          <span className="quiet">
            instead of {printer.energy(proposal.insteadOf)} ({printer.energyChange(proposal.kcal - proposal.insteadOf)}
            ): {proposal.why}.
          </span>
        </p>
      )}
      {proposal === null && nextFrom !== null && (
        <p className="quiet small">Another one is proposed from {shortDate(nextFrom)} on, if it has moved by then.</p>
      )}
      {course.length > 1 && <ExpenditureChart course={course} />}
      <p className="quiet small">
        Of the last {lately.of} days {lately.whole} count.{" "}
        {lately.missing.map(({ reason, days }) => `${counted(days, "day")}: ${reason}`).join("; ")}
        {lately.missing.length > 0 && ". "}
        Who steadily writes less than is eaten sees a lower expenditure by as much: targets set by it stay right, since
        they are written the same way.
      </p>
      {course.length > 1 && (
        <details>
          <summary>The numbers</summary>
          <RecordTable
            label="Measured expenditure by week"
            rows={course.filter((_, index) => (course.length - 1 - index) % 7 === 0).toReversed()}
            keyOf={({ date }) => date}
            columns={[
              { head: "As known on", cell: ({ date }) => shortDate(date) },
              {
                head: `Measured, ${printer.units.energy}`,
                num: true,
                folded: "beside",
                cell: ({ kcal }) => printer.energyNumber(kcal),
              },
              {
                head: "80 % interval",
                num: true,
                cell: ({ low80, high80 }) => `${printer.energyNumber(low80)} to ${printer.energyNumber(high80)}`,
              },
              {
                head: "Formula",
                num: true,
                cell: ({ formulaKcal }) => (formulaKcal === null ? "" : printer.energyNumber(formulaKcal)),
              },
              {
                head: "To be eaten",
                num: true,
                cell: ({ targetKcal }) => (targetKcal === null ? "" : printer.energyNumber(targetKcal)),
              },
            ]}
          />
        </details>
      )}
    </section>
  );
}

function movedText(
  { eatenKcal, weightKg, kcal }: MeasuredView["moved"],
  printer: ReturnType<typeof usePrinter>,
): string {
  const parts = [
    eatenKcal === null ? "" : `${printer.energy(eatenKcal)} a day were eaten`,
    weightKg === null ? "" : `the trend moved by ${printer.massChange(weightKg)}`,
  ].filter(Boolean);
  if (parts.length === 0) return "";
  const by = kcal === null || Math.abs(kcal) < 1 ? "" : `; that moved it by ${printer.energyChange(kcal)}`;
  return `Over the last four weeks ${parts.join(" and ")}${by}.`;
}
