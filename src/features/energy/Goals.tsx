"use client";

import { dateOf } from "@/core/base/calendar/day";
import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { EnergyView } from "@/core/energy/energyView";
import { shortDate } from "@/ui/dates";
import { by } from "@/ui/kit/column";
import { RecordTable } from "@/ui/kit/RecordTable";
import styles from "@/ui/view.module.css";

const day = (value: number) => shortDate(dateOf(value));

/** Weights on the way to the goal in force, and the goals before it with how they ended. */
export function Goals({ view: { goals, milestones }, printer }: { view: EnergyView; printer: Printer }) {
  if (goals.length === 0) return null;
  return (
    <div className={styles.two}>
      {milestones.length > 0 && (
        <section className={styles.section}>
          <h2>On the way</h2>
          <RecordTable
            label="On the way"
            rows={milestones}
            keyOf={({ kg }) => kg}
            columns={[
              {
                head: "Weight",
                cell: (one) => `${printer.mass(one.kg)}${one === milestones.at(-1) ? ", the goal" : ""}`,
              },
              { head: "Planned", cell: ({ planned }) => day(planned) },
              {
                head: "By the trend",
                cell: ({ reached, atThisPace }) =>
                  reached !== null ? (
                    <span className="done">reached {day(reached)}</span>
                  ) : atThisPace === null ? (
                    <span className="quiet">not at this pace</span>
                  ) : (
                    `${day(atThisPace)} at this pace`
                  ),
              },
            ]}
          />
        </section>
      )}
      <section className={styles.section}>
        <h2>Goals</h2>
        <RecordTable
          label="Goals"
          rows={goals}
          keyOf={({ goalId }) => goalId}
          columns={[
            { head: "From", compare: by(({ from }) => from), cell: ({ from }) => day(from) },
            {
              head: "Asked",
              bare: true,
              folded: "beside",
              cell: ({ startKg, targetKg, why }) => (
                <>
                  {printer.massNumber(startKg)} to {printer.mass(targetKg)}
                  {why !== null && <div className="quiet small">{why}</div>}
                </>
              ),
            },
            {
              head: "By",
              compare: by(({ deadline }) => deadline),
              cell: ({ limit, deadline }) => (deadline === null ? "" : `${limit ? "on " : ""}${day(deadline)}`),
            },
            { head: "How it stands", bare: true, cell: (goal) => standingOf(goal, printer) },
          ]}
        />
      </section>
    </div>
  );
}

function standingOf(
  { standing, limit, reached, levelKg, until, share }: EnergyView["goals"][number],
  printer: Printer,
): string {
  if (standing === "ahead") return "begins then";
  if (standing === "reached") return `${limit ? "made on" : "reached"} ${day(reached!)}`;
  if (levelKg === null) return "nothing weighed";
  const level = `${printer.mass(levelKg)}${until === null ? "" : ` on ${day(until)}`}`;
  const way = share === null ? "" : `, ${printNumber(share * 100, 0)} % of the way`;
  return `${level}${way}${standing === "not reached" ? "; ended short of it" : ""}`;
}
