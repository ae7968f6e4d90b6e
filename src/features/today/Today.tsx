"use client";

import type { DayView } from "@/core/figures/views/today";
import { fullDate, longDate } from "@/ui/dates";
import { dueText } from "@/ui/dueText";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { FoodOfDay } from "./FoodOfDay";
import { NoteOfDay } from "./NoteOfDay";
import { Standing } from "./Standing";
import { SessionOfDay } from "./SessionOfDay";
import { WeighInOfDay } from "./WeighInOfDay";
import styles from "./today.module.css";

/** The chosen day: what to do, and how things stand. */
export function Today() {
  const { day, today } = useLog();
  const view = useFigure("day", { date: day });
  if (view === undefined) return <h1>{longDate(day)}</h1>;
  return (
    <div className={styles.page}>
      <div>
        <h1>{longDate(view.date)}</h1>
        <p className={styles.sub}>{subtitle(view, today)}</p>
        {view.date === today && <DueList due={view.due} />}
        <WeighInOfDay key={`${view.date} ${view.weighIn?.kg}`} view={view} />
        {view.sessions.map((card) => <SessionOfDay key={card.session.id} card={card} strong={card === view.sessions.find(({ status }) => status === "planned" || status === "partly" || status === "missed")} />)}
        {view.sessions.length === 0 && <p className={`quiet ${styles.section}`}>{view.date > today ? "Nothing is planned." : "No session is written. Write one above, for example front squat 3x6 60 kg, or run 5 km 27:30."}</p>}
        <FoodOfDay view={view} />
        <NoteOfDay key={`note ${view.date} ${view.note?.text}`} view={view} />
      </div>
      <aside className={styles.aside} aria-label="How things stand"><Standing view={view} /></aside>
    </div>
  );
}

/** What the last days left open, each leading to its day; the morning's weight has its own field below. */
function DueList({ due }: { due: DayView["due"] }) {
  const { chooseDay } = useLog();
  const open = due.filter(({ what }) => what !== "weighIn");
  return open.length === 0 ? null : <ul className={styles.due}>{open.map((one) => <li key={`${one.what} ${one.date} ${one.title}`}>{dueText(one)} <button type="button" className="link" onClick={() => chooseDay(one.date)}>Open that day</button></li>)}</ul>;
}

function subtitle({ goal, date }: DayView, today: string): string {
  const when = date === today ? "Today" : date > today ? "Ahead" : "Figures as known on that day";
  if (goal === null) return when;
  const left = goal.daysLeft > 0 ? `${goal.daysLeft} days to ${fullDate(goal.deadline)}` : `the goal's date was ${fullDate(goal.deadline)}`;
  return [when, left, goal.why].filter(Boolean).join(" · ");
}
