"use client";

import { dateOf } from "@/core/base/calendar/day";
import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { EnergyView } from "@/core/energy/energyView";
import { shortDate } from "@/ui/dates";
import { Scrollable } from "@/ui/Scrollable";
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
          <table>
            <thead>
              <tr>
                <th>Weight</th>
                <th>Planned</th>
                <th>By the trend</th>
              </tr>
            </thead>
            <tbody>
              {milestones.map(({ kg, planned, reached, atThisPace }, index) => (
                <tr key={kg}>
                  <td>
                    {printer.mass(kg)}
                    {index === milestones.length - 1 ? ", the goal" : ""}
                  </td>
                  <td>{day(planned)}</td>
                  <td>
                    {reached !== null ? (
                      <span className="done">reached {day(reached)}</span>
                    ) : atThisPace === null ? (
                      <span className="quiet">not at this pace</span>
                    ) : (
                      `${day(atThisPace)} at this pace`
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      <section className={styles.section}>
        <h2>Goals</h2>
        <Scrollable label="Goals">
          <table>
            <thead>
              <tr>
                <th>From</th>
                <th>Asked</th>
                <th>By</th>
                <th>How it stands</th>
              </tr>
            </thead>
            <tbody>
              {goals.map(
                ({
                  goalId,
                  from,
                  until,
                  startKg,
                  targetKg,
                  limit,
                  deadline,
                  levelKg,
                  share,
                  reached,
                  standing,
                  why,
                }) => (
                  <tr key={goalId} title={why ?? undefined}>
                    <td>{day(from)}</td>
                    <td>
                      {printer.massNumber(startKg)} to {printer.mass(targetKg)}
                    </td>
                    <td>{deadline === null ? "" : `${limit ? "on " : ""}${day(deadline)}`}</td>
                    <td>
                      {standing === "ahead"
                        ? "begins then"
                        : standing === "reached"
                          ? `${limit ? "made on" : "reached"} ${day(reached!)}`
                          : levelKg === null
                            ? "nothing weighed"
                            : `${printer.mass(levelKg)}${until === null ? "" : ` on ${day(until)}`}, ${share === null ? "" : `${printNumber(share * 100, 0)} % of the way`}${standing === "not reached" ? "; ended short of it" : ""}`}
                    </td>
                  </tr>
                ),
              )}
            </tbody>
          </table>
        </Scrollable>
      </section>
    </div>
  );
}
