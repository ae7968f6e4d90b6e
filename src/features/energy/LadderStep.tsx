"use client";

import { counted, printNumber } from "@/core/base/units/number";
import type { EnergyView } from "@/core/energy/energyView";
import type { Ladder } from "@/core/energy/ladder";
import type { Printer } from "@/core/base/units/printer";
import { fullDate, shortDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useEnergyChange } from "./useEnergyChange";

/** The step of the estimate that is held, what the weight said since, and the step that is proposed. */
export function LadderStep({ view: { settings, ladder } }: { view: EnergyView }) {
  const printer = usePrinter();
  const { today } = useLog();
  const change = useEnergyChange(settings);
  if (ladder === null) return null;
  const { step, since, days, proposal, nextLook, ended } = ladder;
  return (
    <section className={styles.section}>
      <h2>The step that is held</h2>
      <p>
        The {step} estimate, since {fullDate(since)}: day {printNumber(days, 0)}. {lookText(ladder, printer)}
      </p>
      {proposal !== null ? (
        <p className="row">
          <Button
            onClick={() =>
              void change(
                { estimate: proposal.step, estimateSince: today, estimateHeld: null },
                `The ${proposal.step} estimate`,
              )
            }
          >
            Go to the {proposal.step} estimate, {printer.energyChange(proposal.changeKcal)} a day
          </Button>
          <LinkButton onClick={() => void change({ estimateHeld: today }, `The ${step} estimate held`)}>
            Hold it two weeks more
          </LinkButton>
        </p>
      ) : (
        <p className="quiet small">
          {ended ? "It is the last step: what the body really spends, above, says more by now. " : ""}
          The next look is on {shortDate(nextLook)}.
        </p>
      )}
    </section>
  );
}

function lookText({ look, askedKgPerWeek, since }: Ladder, printer: Printer): string {
  const asked = `The plan asks ${printer.massChange(askedKgPerWeek)} a week`;
  if (look === null) return `${asked}.`;
  if ("reason" in look) return `${asked}; up to ${shortDate(look.date)} ${look.reason}, so it is held.`;
  const { kgPerWeek, half80, mornings, isSlow } = look;
  return `${asked}; ${counted(mornings, "morning")} from ${shortDate(since)} to ${shortDate(look.date)} show ${printer.massChange(kgPerWeek)} a week, give or take ${printer.mass(half80, 2)}: ${isSlow ? "slower than asked" : "fast enough"}.`;
}
