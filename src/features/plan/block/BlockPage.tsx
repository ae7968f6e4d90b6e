"use client";

import { firstDateOf } from "@/core/sessions/firstPlan";
import { counted, printNumber, printPlain } from "@/core/base/units/number";
import { printDuration } from "@/core/base/units/time";
import type { Block } from "@/core/log/kinds/blocks";
import { put } from "@/core/log/records";
import type { BlockView, BlockWeek } from "@/core/planning/blockView";
import { useAddress } from "@/ui/address";
import { Mark } from "@/ui/column/Mark";
import { fullDate, shortDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { BlockForm } from "@/ui/planning/BlockForm";
import { usePrinter } from "@/ui/usePrinter";
import view_ from "@/ui/view.module.css";
import { Button, Input } from "antd";
import Link from "next/link";
import { useState } from "react";
import { DayOfPlan } from "../DayOfPlan";
import { lengthText } from "../lengthText";
import { PlanHead } from "../PlanHead";
import { useMeasureNames } from "../useMeasureNames";
import { workColumns } from "../workColumns";
import styles from "../plan.module.css";

/** A block: its weeks as they were kept, planned beside performed, and what it has changed. */
export function BlockPage() {
  const { block: blockId } = useAddress();
  const answer = useFigure("block", { blockId: blockId ?? "" });
  const [open, setOpen] = useState<"change" | "next" | null>(null);
  const [day, setDay] = useState<string | null>(null);
  if (answer === undefined) return <PlanHead />;
  const { view } = answer;
  if (view === null)
    return (
      <>
        <PlanHead />
        <p>There is no such block in this log.</p>
      </>
    );
  const { block, course, to, phase, next } = view;
  return (
    <>
      <PlanHead>
        <span className="row noprint">
          <LinkButton onClick={() => setOpen("change")}>Change</LinkButton>
          <LinkButton onClick={() => setOpen("next")}>Next block like this one</LinkButton>
        </span>
      </PlanHead>
      <h2>{block.name}</h2>
      <p className="quiet">
        {[
          `${fullDate(block.startDate)} to ${fullDate(to)}`,
          lengthText(block.days),
          course.state === "under way" ? `day ${course.passed}` : course.state,
          phase === null ? "" : `in ${phase.name}`,
          block.focus ?? "",
          block.aim ?? "",
        ]
          .filter(Boolean)
          .join(" · ")}
      </p>
      {open === "change" && (
        <BlockForm key={block.id} block={block} next={block.startDate} close={() => setOpen(null)} />
      )}
      {open === "next" && (
        <BlockForm key="next" block={null} like={next} next={next.startDate} close={() => setOpen(null)} />
      )}
      <Weeks weeks={view.weeks} />
      <Changed view={view} />
      <Sessions weeks={view.weeks} onDay={setDay} />
      <Closing key={block.note ?? ""} block={block} />
      <p className="above-l">
        <Link href="/plan">All weeks</Link>
      </p>
      {day !== null && <DayOfPlan date={day} onClose={() => setDay(null)} />}
    </>
  );
}

function Weeks({ weeks }: { weeks: readonly BlockWeek[] }) {
  const printer = usePrinter();
  const { lifts, load, minutes, distance } = workColumns<BlockWeek>(printer);
  return (
    <RecordTable<BlockWeek>
      label="Weeks of the block"
      rows={weeks}
      keyOf={({ week }) => week}
      columns={[
        {
          head: "Week",
          cell: ({ week, start, easy }) => `${week}, from ${shortDate(start)}${easy ? ", easy" : ""}`,
        },
        {
          head: "Sessions",
          num: true,
          folded: "beside",
          cell: ({ adherence: { done, partly, planned, extra }, toCome }) =>
            `${printPlain(done + extra + partly / 2, 1)} of ${planned + extra + toCome}`,
        },
        {
          head: "Left out",
          num: true,
          tone: "quiet",
          cell: ({ adherence: { skipped, missed, moved } }) =>
            [
              skipped > 0 ? `${skipped} skipped` : "",
              missed > 0 ? `${missed} missed` : "",
              moved > 0 ? `${moved} moved` : "",
            ]
              .filter(Boolean)
              .join(", "),
        },
        lifts,
        load,
        {
          head: "Intensity",
          num: true,
          cell: ({ averageIntensity }) =>
            averageIntensity === null ? "" : `${printNumber(averageIntensity * 100, 1)} %`,
        },
        minutes,
        distance,
      ]}
    />
  );
}

/** What the measures of its phase did in the block. */
function Changed({ view: { measures, course } }: { view: BlockView }) {
  const printer = usePrinter();
  const nameOf = useMeasureNames();
  if (measures.length === 0) return null;
  const value = (of: string, amount: number | null) =>
    amount === null
      ? ""
      : of === "weight" || of === "e1rm"
        ? printer.mass(amount)
        : of === "bestTime"
          ? printDuration(amount)
          : printPlain(amount, 1);
  return (
    <section className={view_.section}>
      <h2>What changed</h2>
      <RecordTable
        label="What changed"
        rows={measures.map((one, index) => ({ ...one, index }))}
        keyOf={({ index }) => index}
        columns={[
          { head: "Judged by", cell: ({ progress }) => nameOf(progress.measure) },
          {
            head: "When it began",
            num: true,
            tone: "quiet",
            cell: ({ progress, atStart }) => value(progress.measure.of, atStart),
          },
          {
            head: course.state === "over" ? "At its end" : "Now",
            num: true,
            folded: "beside",
            cell: ({ progress }) => value(progress.measure.of, progress.now),
          },
          { head: "Aim", num: true, tone: "planned", cell: ({ progress }) => value(progress.measure.of, progress.to) },
        ]}
      />
    </section>
  );
}

function Sessions({ weeks, onDay }: { weeks: readonly BlockWeek[]; onDay: (date: string) => void }) {
  return (
    <section className={view_.section}>
      <h2>Its sessions</h2>
      {weeks.map(({ week, sessions }) => (
        <div key={week}>
          <h3>Week {week}</h3>
          {sessions.length === 0 && <p className="quiet">Nothing is planned.</p>}
          <ul className={styles.phaseList}>
            {sessions.map(({ session, title, status, text }) => (
              <li key={session.id} className={styles.sessionLine}>
                <span className="row">
                  <Mark kind={session.kind} status={status} title={title} />
                  <LinkButton ink onClick={() => onDay(session.date)}>
                    {shortDate(session.date)}, {title}
                  </LinkButton>
                  <span className="quiet small">
                    {[
                      status,
                      session.reason ?? "",
                      firstDateOf(session) === session.date ? "" : `moved from ${shortDate(firstDateOf(session))}`,
                      text,
                    ]
                      .filter(Boolean)
                      .join(" · ")}
                  </span>
                </span>
              </li>
            ))}
          </ul>
        </div>
      ))}
      <p className="quiet small">
        {counted(
          weeks.reduce((sum, { sessions }) => sum + sessions.length, 0),
          "session",
        )}{" "}
        in all.
      </p>
    </section>
  );
}

/** What there is to say of a block once it is over. */
function Closing({ block }: { block: Block }) {
  const { commit } = useLog();
  const [text, setText] = useState(block.note ?? "");
  return (
    <section className={`${view_.section} noprint`}>
      <h2>A closing note</h2>
      <Input.TextArea
        aria-label="A closing note"
        value={text}
        autoSize={{ minRows: 2, maxRows: 8 }}
        onChange={(event) => setText(event.target.value)}
      />
      <p className="above">
        <Button
          disabled={text.trim() === (block.note ?? "")}
          onClick={() =>
            void commit([put("blocks", { ...block, note: text.trim() || null }, block)], `${block.name}, closing note`)
          }
        >
          Save note
        </Button>
      </p>
    </section>
  );
}
