"use client";

import { dateOf } from "@/core/base/calendar/day";
import { counted, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { MeasuredDay } from "@/core/balance/measured";
import type { EnergyView } from "@/core/energy/energyView";
import { equations, whereToWrite } from "@/core/energy/resting";
import { fullDate, shortDate } from "@/ui/dates";
import { Figure, WorkingLink } from "@/ui/figure/Figure";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { ArrivalBlock, PlanBlock } from "../../ui/figure/KeyFigures";
import { AtIntake } from "./AtIntake";
import { DayKinds } from "./DayKinds";
import { EnergyForm } from "./EnergyForm";
import { LadderStep } from "./LadderStep";
import { Measured } from "./Measured";
import { GoalForm } from "./GoalForm";
import { Goals } from "./Goals";

/** What do I burn, when do I arrive? */
export function Energy() {
  const view = useFigure("energy", {});
  const spent = useFigure("expenditure", {});
  const printer = usePrinter();
  const { today, person } = useLog();
  return (
    <>
      <div className={styles.head}>
        <h1>Energy</h1>
      </div>
      {view && (
        <>
          <div className={styles.figures}>
            <ExpenditureBlock view={view} measured={spent?.now} printer={printer} />
            <TargetBlock view={view} printer={printer} />
            <PlanBlock plan={view.plan} printer={printer} on={today} />
            <ArrivalBlock arrival={view.arrival} printer={printer} on={today} />
          </div>
          {view.warnings.map((warning) => (
            <p key={warning} className="warn">
              {warning}
            </p>
          ))}
          {spent && <Measured view={spent} settings={view.settings} />}
          <LadderStep view={view} />
          <DayKinds key={`kinds ${person.id}`} view={view} />
          <AtIntake key={`what if ${person.id}`} />
          <div className={styles.two}>
            <Resting view={view} printer={printer} />
            <Credits view={view} printer={printer} />
          </div>
          <GoalLine view={view} printer={printer} />
          <Goals view={view} printer={printer} />
          <GoalForm key={`goal ${person.id}`} goal={view.goal} starts={view.starts} />
          <EnergyForm key={`settings ${person.id}`} view={view} />
        </>
      )}
    </>
  );
}

interface Part {
  view: EnergyView;
  printer: Printer;
}

function ExpenditureBlock({
  view: { expenditure, range },
  measured,
  printer,
}: Part & { measured: MeasuredDay | { reason: string } | undefined }) {
  const { today } = useLog();
  if (measured !== undefined && "kcal" in measured && measured.from === "measured")
    return (
      <Figure
        label="Expenditure, measured"
        value={printer.energyNumber(measured.kcal)}
        unit={`${printer.units.energy} a day`}
        figure={{ figure: "measured" }}
        on={today}
        note={`${printer.energyNumber(measured.low80)} to ${printer.energyNumber(measured.high80)}${"kcal" in expenditure ? ` · formula ${printer.energyNumber(expenditure.byFormula)}` : ""}`}
      />
    );
  const ref = { figure: "expenditure" as const };
  if ("reason" in expenditure)
    return (
      <Figure
        label="Expenditure"
        figure={ref}
        on={today}
        missing={`Not known: ${expenditure.reason}. ${whereToWrite(expenditure.reason)}`}
      />
    );
  if (range === null) return null;
  return (
    <Figure
      label="Expenditure, by formula"
      value={printer.energyNumber(expenditure.byFormula)}
      unit={`${printer.units.energy} a day`}
      figure={ref}
      on={today}
      note={`${printer.energyNumber(range.low)} to ${printer.energyNumber(range.high)}`}
    />
  );
}

function TargetBlock({ view: { kinds, kindToday, balanceKcal }, printer }: Part) {
  const { today } = useLog();
  const ref = { figure: "foodLeft" as const, date: today };
  const known = kinds.flatMap(({ name, target }) => ("reason" in target ? [] : [{ name, kcal: target.kcal }]));
  const now = known.find(({ name }) => name === kindToday);
  if (now === undefined) {
    const why = kinds.map(({ target }) => ("reason" in target ? target.reason : "")).find((reason) => reason !== "");
    return <Figure label="Daily target" figure={ref} on={today} missing={`Not known: ${why ?? ""}.`} />;
  }
  const others = known.filter(({ kcal }) => kcal !== now.kcal);
  return (
    <Figure
      label={others.length === 0 ? "Daily target" : `Target, ${now.name} day`}
      value={printer.energyNumber(now.kcal)}
      unit={printer.units.energy}
      figure={ref}
      on={today}
      note={`${
        others.length === 0
          ? "on every kind of day"
          : others.map(({ name, kcal }) => `${name} day ${printer.energyNumber(kcal)}`).join(", ")
      }${balanceKcal === null ? "" : ` · the plan asks ${printer.energyChange(balanceKcal)} a day`}`}
    />
  );
}

function Resting({ view: { resting, settings }, printer }: Part) {
  const { today } = useLog();
  const chosen = settings?.equation ?? "mifflinStJeor";
  return (
    <section className={styles.section}>
      <h2>Resting expenditure</h2>
      <RecordTable
        label="Resting energy by equation"
        rows={resting}
        keyOf={({ equation }) => equation}
        columns={[
          {
            head: "Equation",
            mute: true,
            cell: ({ equation }) => (
              <>
                {equations[equation].title}
                {equation === chosen ? <span className="done small">, in use</span> : ""}
              </>
            ),
          },
          {
            head: "Resting energy",
            mute: true,
            num: true,
            folded: "beside",
            cell: ({ equation, result }) =>
              "reason" in result ? (
                <span className="quiet">{result.reason}</span>
              ) : (
                <WorkingLink
                  figure={{ figure: "resting", equation }}
                  on={today}
                  label={`, working of ${equations[equation].title}`}
                >
                  {printer.energy(result.kcal)}
                </WorkingLink>
              ),
          },
        ]}
      />
    </section>
  );
}

function Credits({ view: { credits }, printer }: Part) {
  const { today } = useLog();
  return (
    <section className={styles.section}>
      <h2>Energy of sessions, last seven days</h2>
      {credits.length === 0 && <p className="quiet">No session was performed in the last seven days.</p>}
      <RecordTable
        label="Energy of sessions, last seven days"
        rows={credits}
        keyOf={({ credit }) => credit.sessionId}
        columns={[
          { head: "Session", mute: true, cell: ({ title }) => title },
          { head: "Day", mute: true, tone: "quiet", cell: ({ date }) => shortDate(date) },
          {
            head: "Energy",
            mute: true,
            num: true,
            folded: "beside",
            cell: ({ title, credit }) =>
              "reason" in credit ? (
                <span className="quiet small">{credit.reason}</span>
              ) : (
                <>
                  <WorkingLink
                    figure={{ figure: "credit", sessionId: credit.sessionId }}
                    on={today}
                    label={`, working of the energy of ${title}`}
                  >
                    {printer.energy(credit.kcal)}
                  </WorkingLink>{" "}
                  <span className="quiet small">net, {credit.credited ? "added" : "in the factor"}</span>
                </>
              ),
          },
        ]}
      />
    </section>
  );
}

function GoalLine({ view: { line, goal }, printer }: Part) {
  if (goal === null || "reason" in line) return null;
  return (
    <section className={styles.section}>
      <h2>Goal</h2>
      <p>
        From {printer.mass(line.startKg)} on {fullDate(dateOf(line.startDay))} to {printer.mass(line.targetKg)} on{" "}
        {fullDate(dateOf(line.deadline))}: {counted(line.days, "day")} at {printer.rate(line.kgPerWeek)} (
        {printNumber((line.kgPerWeek / line.startKg) * 100, 2)} % of body weight).{goal.why ? ` ${goal.why}.` : ""}
      </p>
    </section>
  );
}
