"use client";

import type { Queries } from "@/compute/queries";
import type { WeekdayEffects } from "@/core/body/weekday";
import { weekdayShort } from "@/ui/dates";
import { WorkingLink } from "@/ui/figure/Figure";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import styles from "./body.module.css";

/** What the days of the week do to weight and intake, and the morning after training. */
export function Weekdays({
  view: { weekdayWeight, weekdayIntake, afterTraining },
}: {
  view: Queries["body"]["answers"];
}) {
  const printer = usePrinter();
  const { today } = useLog();
  return (
    <section className={view.section}>
      <h2>Days of the week</h2>
      <div className={view.two}>
        <Effects
          title={`Weight, ${printer.units.mass} against the week`}
          result={weekdayWeight}
          of="weight"
          print={(value) => printer.massChange(value).split(" ")[0]!}
        />
        <Effects
          title={`Intake, ${printer.units.energy} against the week`}
          result={weekdayIntake}
          of="intake"
          print={(value) => printer.energyChange(value).split(" ")[0]!}
        />
      </div>
      <p className={`small ${styles.note}`}>
        {"reason" in afterTraining ? (
          <span className="quiet">
            The morning after training is not compared with the morning after rest: {afterTraining.reason}.
          </span>
        ) : (
          <>
            Mornings after training go with{" "}
            <WorkingLink
              figure={{ figure: "afterTraining" }}
              on={today}
              label=", working of the morning after training"
            >
              {printer.massChange(afterTraining.effect)}
            </WorkingLink>{" "}
            against mornings after rest ({printer.massChange(afterTraining.low80).split(" ")[0]} to{" "}
            {printer.massChange(afterTraining.high80).split(" ")[0]}; {afterTraining.afterTraining} and{" "}
            {afterTraining.afterRest} mornings). An association, not a cause.
          </>
        )}
      </p>
    </section>
  );
}

/**
 * Each weekday's effect as a mark on a common scale, its 80 % interval as a bar through it, nought as a rule down the
 * middle.
 */
function Effects({
  title,
  result,
  of,
  print,
}: {
  title: string;
  result: WeekdayEffects | { reason: string };
  of: "weight" | "intake";
  print: (value: number) => string;
}) {
  const { today, person } = useLog();
  if ("reason" in result)
    return (
      <div>
        <h3 className="label">{title}</h3>
        <p className="quiet small">Not shown: {result.reason}.</p>
      </div>
    );
  const reach = Math.max(...result.effects.flatMap(({ low80, high80 }) => [-low80, high80]));
  const x = (value: number) => 100 + (96 * value) / reach;
  const first = (person.weekStart ?? 1) - 1;
  const ordered = [...result.effects.slice(first), ...result.effects.slice(0, first)];
  return (
    <div>
      <h3 className="label">
        {title}{" "}
        <WorkingLink figure={{ figure: "weekday", of }} on={today} label={` of ${title}`}>
          <span className="small">working</span>
        </WorkingLink>
      </h3>
      <table className={styles.effects}>
        <tbody>
          {ordered.map(({ weekday, effect, low80, high80 }) => (
            <tr key={weekday}>
              <th scope="row">{weekdayShort(weekday)}</th>
              <td className="num">{print(effect)}</td>
              <td className={styles.scale}>
                <svg viewBox="0 0 200 16" preserveAspectRatio="none" aria-hidden="true">
                  <line x1="100" x2="100" y1="0" y2="16" className={styles.nought} />
                  <line x1={x(low80)} x2={x(high80)} y1="8" y2="8" className={styles.interval} />
                  <line x1={x(effect)} x2={x(effect)} y1="2" y2="14" className={styles.effect} />
                </svg>
              </td>
              <td className="num quiet small">
                {print(low80)} to {print(high80)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
