"use client";

import { counted } from "@/core/base/units/number";
import type { DayView } from "@/core/days/dayView";
import { fullDate, longDate } from "@/ui/dates";
import { dueText } from "@/ui/dueText";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useRoomBeside } from "@/ui/kit/useMedia";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { useStartLifting } from "@/ui/lifts/useStartLifting";
import dynamic from "next/dynamic";
import Link from "next/link";
import { KeyFigures } from "../../ui/figure/KeyFigures";
import { DayOfRest } from "./DayOfRest";
import { FoodOfDay } from "./FoodOfDay";
import { NoteOfDay } from "./NoteOfDay";
import { SessionOfDay } from "./SessionOfDay";
import styles from "./today.module.css";
import { WeighInOfDay } from "./WeighInOfDay";

const GoalBeside = dynamic(() => import("./GoalBeside").then((module) => module.GoalBeside), {
  ssr: false,
  loading: () => <div className="chart-xl" />,
});

/** The chosen day: what to do, and how things stand. */
export function Today() {
  const { day, today } = useLog();
  const hasRoom = useRoomBeside();
  const view = useFigure("day", { date: day });
  if (view === undefined) return <h1>{longDate(day)}</h1>;
  return (
    <div className={styles.page}>
      <div>
        <h1>{longDate(view.date)}</h1>
        <p className={styles.sub}>{subtitle(view, today)}</p>
        {view.date === today && <DueList due={view.due} />}
        <WeighInOfDay key={`weigh-in ${view.date}`} view={view} />
        {view.sessions.map((card) => (
          <SessionOfDay
            key={card.session.id}
            card={card}
            strong={
              card ===
              view.sessions.find(({ status }) => status === "planned" || status === "partly" || status === "missed")
            }
          />
        ))}
        {view.ahead && <DayOfRest ahead={view.ahead} date={view.date} />}
        <StartSession view={view} />
        <FoodOfDay view={view} />
        <NoteOfDay key={`note ${view.date}`} view={view} />
      </div>
      <aside className={styles.aside} aria-label="How things stand">
        <KeyFigures view={view} />
        {hasRoom && view.date === today && view.goal !== null && <GoalBeside />}
      </aside>
    </div>
  );
}

/** A session to train at once or to plan, where the day has none of lifting. */
function StartSession({ view }: { view: DayView }) {
  const { today } = useLog();
  const start = useStartLifting();
  if (view.sessions.some(({ session }) => session.kind === "strength")) return null;
  return (
    <p className={`${styles.actions} noprint`}>
      {view.date === today && <LinkButton onClick={() => void start(view.date)}>Start lifting</LinkButton>}
      {view.date < today ? (
        <Link href="/lifts/write" className="strong-link">
          Write sets
        </Link>
      ) : (
        <Link href={`/lifts/write?date=${view.date}`} className="strong-link">
          Plan lifting
        </Link>
      )}
    </p>
  );
}

/** What the last days left open, each leading to its day; the morning's weight has its own field below. */
function DueList({ due }: { due: DayView["due"] }) {
  const { chooseDay } = useLog();
  const open = due.filter(({ what }) => what !== "weighIn");
  return open.length === 0 ? null : (
    <ul className={styles.due}>
      {open.map((one) => (
        <li key={`${one.what} ${one.date} ${one.title}`}>
          {dueText(one)}{" "}
          {one.what === "step" ? (
            <Link href="/energy">Look at it</Link>
          ) : (
            <LinkButton onClick={() => chooseDay(one.date)}>Open that day</LinkButton>
          )}
        </li>
      ))}
    </ul>
  );
}

function subtitle({ goal, date }: DayView, today: string): string {
  const when = date === today ? "Today" : date > today ? "Ahead" : "Figures as known on that day";
  if (goal === null) return when;
  const left =
    goal.daysLeft > 0
      ? `${counted(goal.daysLeft, "day")} to ${fullDate(goal.deadline)}`
      : `the goal's date was ${fullDate(goal.deadline)}`;
  return [when, left, goal.why].filter(Boolean).join(" · ");
}
