"use client";

import { counted, printNumber } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import { daysFrom, mealAgain, mealOn } from "@/core/nutrition/mealOn";
import type { MealLine } from "@/core/nutrition/mealGroups";
import type { MealDay, MealWeek as View } from "@/core/nutrition/mealWeek";
import { addDays, columnDate, shortDate, weekdayDate } from "@/ui/dates";
import { type DragParts, useDragParts } from "@/ui/kit/dragParts";
import { Dialog } from "@/ui/kit/Dialog";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useFolded } from "@/ui/kit/useFolded";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import { Button } from "antd";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { FoodHead } from "../FoodHead";
import { MealChange } from "../MealChange";
import { amountOf, useEatenOf } from "../eatenOf";
import { AddMeal } from "./AddMeal";
import { Shopping } from "./Shopping";
import styles from "./week.module.css";

type Open = { line: MealLine } | { date: string; meal: string };

/** The week by meals: filled by hand or by dragging, its days against their targets, and what is to be bought for it. */
export function MealWeek() {
  const { day, person, today, compute, commit } = useLog();
  const [ahead, setAhead] = useState(0);
  const date = addDays(day, 7 * ahead);
  const week = useFigure("mealWeek", { date });
  const from = week?.days[0]!.date;
  const again = async (before: string, to: string) => {
    const change = await compute.ask("weekCopied", { personId: person.id, today, from: before, to });
    if (change === null) return;
    const foods = counted(change.length, "food");
    await commit(
      change,
      change.length === 0 ? "Nothing is written in that week" : `${foods} as in the week of ${shortDate(before)}`,
    );
  };
  return (
    <>
      <FoodHead title={from === undefined ? "Week" : `Week of ${shortDate(from)}`}>
        <span className="row noprint">
          <Button onClick={() => setAhead(ahead - 1)}>Week before</Button>
          <Button onClick={() => setAhead(ahead + 1)}>Week after</Button>
          {from !== undefined && (
            <Button onClick={() => void again(addDays(from, -7), from)}>As the week before</Button>
          )}
          <Button onClick={() => window.print()}>Print</Button>
        </span>
      </FoodHead>
      {week && <Week key={from} week={week} />}
      {week && <Shopping from={from!} note={week.note} shopping={week.shopping} />}
    </>
  );
}

function Week({ week }: { week: View }) {
  const { person, today, commit } = useLog();
  const eatenOf = useEatenOf();
  const { parts, inside } = useDragParts();
  const [open, setOpen] = useState<Open | null>(null);
  const { place, isFolded } = useFolded<HTMLDivElement>(8 * 84);
  const lines = week.days.flatMap(({ meals }) => meals.flat());
  const onDrop = (what: string, onto: string, copies: boolean) => {
    const [date, at] = onto.split("|") as [string, string];
    const meal = week.names[Number(at)]!;
    const offered = what.startsWith("offered|") ? week.offered[Number(what.split("|")[1])] : undefined;
    if (offered !== undefined) {
      const eaten = eatenOf(offered);
      if (eaten === null) return;
      const place = { id: newId(), personId: person.id, date, meal };
      void commit([put("meals", mealOn(place, today, eaten))], `${offered.name}, ${meal}, ${shortDate(date)}`);
      return;
    }
    const line = lines.find(({ meal: { id } }) => id === what);
    if (line === undefined || (line.meal.date === date && line.meal.meal === meal)) return;
    if (copies) {
      const again = { ...mealAgain(line.meal, { id: newId(), date }, today), meal };
      void commit([put("meals", again)], `${line.name} also on ${shortDate(date)}`);
      return;
    }
    // What was eaten cannot be eaten on a day to come: there it is planned.
    const status = date > today ? "planned" : line.meal.status;
    void commit(
      [put("meals", { ...line.meal, date, meal, status }, line.meal)],
      `${line.name} to ${meal}, ${shortDate(date)}`,
    );
  };
  const shared = { week, parts, onOpen: setOpen };
  return (
    <parts.Context onDrop={onDrop}>
      <div ref={place} {...inside}>
        {!isFolded && (
          <p className={`${styles.tray} noprint`} role="group" aria-label="To put on days">
            <span className="quiet small">Drag onto a meal:</span>
            {week.offered.map((one, index) => (
              <parts.Taken key={index} id={`offered|${index}`}>
                <span className={styles.offered}>{`${amountOf(one)} ${one.name}`}</span>
              </parts.Taken>
            ))}
          </p>
        )}
        {isFolded ? <ByDay {...shared} /> : <Grid {...shared} />}
      </div>
      {open !== null && "line" in open && (
        <OfLine
          line={lines.find(({ meal: { id } }) => id === open.line.meal.id) ?? open.line}
          close={() => setOpen(null)}
        />
      )}
      {open !== null && "date" in open && <AddMeal date={open.date} meal={open.meal} close={() => setOpen(null)} />}
    </parts.Context>
  );
}

interface Shared {
  week: View;
  parts: DragParts;
  onOpen: (open: Open) => void;
}

function Grid({ week: { names, days }, parts, onOpen }: Shared) {
  const { today } = useLog();
  const printer = usePrinter();
  const isNow = (date: string) => (date === today ? styles.today : "");
  return (
    <div role="table" aria-label="The week by meals" className={styles.week}>
      <div role="row" className={styles.row}>
        <span role="columnheader" className={styles.head}>
          Meal
        </span>
        {days.map(({ date }) => (
          <span key={date} role="columnheader" className={`${styles.head} ${isNow(date)}`}>
            {columnDate(date)}
          </span>
        ))}
      </div>
      {names.map((name, at) => (
        <div key={name} role="row" className={styles.row}>
          <span role="rowheader" className={styles.meal}>
            {name}
          </span>
          {days.map((day) => (
            <div key={day.date} role="cell" className={`${styles.cell} ${isNow(day.date)}`}>
              <Cell {...{ day, name, at, parts, onOpen }} />
            </div>
          ))}
        </div>
      ))}
      <div role="row" className={styles.row}>
        <span role="rowheader" className={styles.meal}>
          {printer.units.energy}
        </span>
        {days.map((day) => (
          <div key={day.date} role="cell" className={`${styles.cell} ${isNow(day.date)}`}>
            <Sum day={day} />
          </div>
        ))}
      </div>
    </div>
  );
}

/** The same where there is no room for seven days side by side. */
function ByDay({ week: { names, days }, parts, onOpen }: Shared) {
  return days.map((day) => (
    <section key={day.date} className={styles.day}>
      <h2>{weekdayDate(day.date)}</h2>
      <p className="small">
        <Sum day={day} />
      </p>
      {names.map((name, at) => (
        <div key={name} className={styles.byMeal}>
          <span className={styles.meal}>{name}</span>
          <div className={styles.cell}>
            <Cell {...{ day, name, at, parts, onOpen }} />
          </div>
        </div>
      ))}
    </section>
  ));
}

function Cell({
  day: { date, meals },
  name,
  at,
  parts,
  onOpen,
}: {
  day: MealDay;
  name: string;
  at: number;
} & Omit<Shared, "week">) {
  return (
    <parts.Place id={`${date}|${at}`}>
      {meals[at]!.map((line) => (
        <parts.Taken key={line.meal.id} id={line.meal.id} className={styles.taken ?? ""}>
          <button
            type="button"
            className={`${styles.line} ${line.meal.status === "planned" ? styles.planned : ""}`}
            onClick={() => onOpen({ line })}
          >
            {`${amountOf(line)} ${line.name}`.trim()}
            {line.meal.status === "planned" && <span className="hidden">, planned</span>}
          </button>
        </parts.Taken>
      ))}
      <span className={`${styles.add} noprint`}>
        <LinkButton onClick={() => onOpen({ date, meal: name })}>
          Add
          <span className="hidden">
            {" "}
            to {name}, {weekdayDate(date)}
          </span>
        </LinkButton>
      </span>
    </parts.Place>
  );
}

/** What a day comes to, against its target. */
function Sum({ day: { kcal, protein, target } }: { day: MealDay }) {
  const printer = usePrinter();
  if (kcal === 0) return <span className="quiet">nothing yet</span>;
  const aim = "reason" in target ? null : target.kcal;
  return (
    <>
      <strong>{printer.energyNumber(kcal)}</strong>
      {aim !== null && <span className="quiet small"> of {printer.energyNumber(aim)}</span>}
      <span className="quiet small"> · {printNumber(protein, 0)} g protein</span>
    </>
  );
}

/** What can be done with something that stands on a day. */
function OfLine({ line, close }: { line: MealLine; close: () => void }) {
  const { today, commit } = useLog();
  const { meal, name } = line;
  const then = (change: Parameters<typeof commit>[0], label: string) =>
    void commit(change, label).then((saved) => saved && close());
  const again = (days: number) =>
    then(
      daysFrom(addDays(meal.date, 1), days).map((date) => put("meals", mealAgain(meal, { id: newId(), date }, today))),
      `${name} on ${counted(days, "day")} more`,
    );
  return (
    <Dialog title={`${name}, ${shortDate(meal.date)}`} onClose={close}>
      <MealChange line={line} close={close} />
      <p className="row">
        {meal.status === "planned" && meal.date <= today && (
          <LinkButton onClick={() => then([put("meals", { ...meal, status: "eaten" }, meal)], `${name} eaten`)}>
            Eaten
          </LinkButton>
        )}
        <LinkButton onClick={() => again(1)}>Also on the next day</LinkButton>
        <LinkButton onClick={() => again(6)}>Also on the next six days</LinkButton>
        <LinkButton onClick={() => then([{ remove: { kind: "meals", id: meal.id } }], `${name} removed`)}>
          Remove
        </LinkButton>
      </p>
    </Dialog>
  );
}
