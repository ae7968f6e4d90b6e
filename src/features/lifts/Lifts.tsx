"use client";

import { counted, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { LiftRow, MaximumFigure } from "@/core/strength/liftsView";
import { useAddress } from "@/ui/address";
import { shortDate } from "@/ui/dates";
import { WorkingLink } from "@/ui/figure/Figure";
import { by } from "@/ui/kit/column";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { useRouter } from "next/navigation";
import { FormulaChoice } from "./FormulaChoice";
import { Household } from "./Household";
import styles from "./lifts.module.css";
import { LiftsHead } from "./LiftsNav";
import { OneLift } from "./OneLift";

/** Am I getting stronger? Every lift's maximum, and everything of the chosen one. */
export function Lifts() {
  const router = useRouter();
  const { exercise: asked } = useAddress();
  const { people } = useLog();
  const first = useFigure("lifts", { against: null });
  const chosenId = asked ?? first?.lifts[0]?.exercise.id ?? null;
  const held = useFigure("lifts", { against: chosenId }) ?? first;
  const printer = usePrinter();
  return (
    <>
      <LiftsHead>{held && <FormulaChoice formula={held.formula} />}</LiftsHead>
      {held && held.lifts.length === 0 && (
        <p>Nothing was lifted yet. Write sets in the line above, for example deadlift 3x5 100 kg.</p>
      )}
      {held && chosenId !== null && (
        <div className={`${view.two} ${styles.lead}`}>
          <LiftTable
            lifts={held.lifts}
            chosenId={chosenId}
            printer={printer}
            choose={(id) => router.replace(`/lifts?exercise=${encodeURIComponent(id)}`, { scroll: false })}
          />
          <OneLift key={chosenId} exerciseId={chosenId} />
        </div>
      )}
      {held && held.lifts.length > 0 && people.length > 1 && <Household />}
    </>
  );
}

function LiftTable({
  lifts,
  chosenId,
  printer,
  choose,
}: {
  lifts: readonly LiftRow[];
  chosenId: string;
  printer: Printer;
  choose: (id: string) => void;
}) {
  const { today } = useLog();
  const chosen = lifts.find(({ exercise }) => exercise.id === chosenId)?.exercise.name;
  const cell = (maximum: MaximumFigure | null, { added, exercise }: LiftRow, which: "best" | "latest") =>
    maximum === null ? (
      <span className="quiet">
        {exercise.measure === "duration" ? "timed" : exercise.measure === "distance" ? "distance" : "none"}
      </span>
    ) : (
      <>
        <WorkingLink
          figure={{ figure: "maximum", exerciseId: exercise.id, which }}
          on={today}
          label={`, working of the ${which} estimated maximum`}
        >
          {added && maximum.e1rmKg >= 0 ? "+" : ""}
          {printer.massNumber(maximum.e1rmKg)}
        </WorkingLink>
        <div className="quiet small">
          {printer.loadNumber(maximum.kg)} × {maximum.reps}
          {maximum.rpe === null ? "" : ` @${maximum.rpe}`}, {shortDate(maximum.date)}
          {maximum.rough ? ", rough" : ""}
        </div>
      </>
    );
  return (
    <section className={view.section}>
      <h2>Estimated maximum</h2>
      <RecordTable
        label="Estimated maximum"
        keep="lifts"
        rows={lifts}
        keyOf={({ exercise }) => exercise.id}
        chosen={({ exercise }) => exercise.id === chosenId}
        columns={[
          {
            head: "Lift",
            compare: by(({ exercise }) => exercise.name),
            cell: ({ exercise, lastDone, sessions }) => (
              <>
                <LinkButton ink aria-pressed={exercise.id === chosenId} onClick={() => choose(exercise.id)}>
                  {exercise.name}
                </LinkButton>
                <div className="quiet small">
                  {lastDone === null ? "tested" : `${counted(sessions, "time")}, last ${shortDate(lastDone)}`}
                </div>
              </>
            ),
          },
          {
            head: `Best, ${printer.units.mass}`,
            num: true,
            folded: "beside",
            compare: by(({ best }) => best?.e1rmKg ?? null),
            cell: (row) => cell(row.best, row, "best"),
          },
          {
            head: `Latest, ${printer.units.mass}`,
            num: true,
            compare: by(({ latest }) => latest?.e1rmKg ?? null),
            cell: (row) => cell(row.latest, row, "latest"),
          },
          {
            head: "12 weeks",
            num: true,
            compare: by(({ changeKg }) => changeKg),
            cell: ({ changeKg, ratio, against }) => (
              <>
                {changeKg === null ? "" : printer.massChange(changeKg, 1).split(" ")[0]}
                <div className="quiet small">
                  {[
                    ratio === null ? null : `${printNumber(ratio, 2)} ×`,
                    against === null ? null : printer.percent(against),
                  ]
                    .filter(Boolean)
                    .join(", ")}
                </div>
              </>
            ),
          },
        ]}
      />
      <p className="quiet small above">
        Under the change of twelve weeks: the best as a multiple of body weight, and the latest as a share of{" "}
        {chosen ?? "the chosen lift"}.
      </p>
    </section>
  );
}
