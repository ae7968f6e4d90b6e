"use client";

import { useAddress } from "@/ui/address";
import { longDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useStartLifting } from "@/ui/lifts/useStartLifting";
import { useLog } from "@/ui/log/LogContext";
import { useAnswer, useFigure } from "@/ui/log/useFigure";
import { NoticeBar } from "@/ui/shell/NoticeBar";
import { trainingAt } from "@/ui/shell/views";
import Link from "next/link";
import styles from "./train.module.css";
import { TrainingMode } from "./TrainingMode";
import { useRemembered } from "./useTraining";
import { WhoTrains } from "./WhoTrains";

/**
 * Training mode: the session asked for, else the one this browser was in the middle of, on the day asked for if one
 * was.
 */
export function Train() {
  const asked = useAddress();
  const { name, person } = useLog();
  const held = useRemembered(name, person.id);
  const going = held !== null && (asked.date === null || asked.date === held.date) ? held : null;
  const date = asked.date ?? going?.date ?? null;
  const sessionId = asked.session ?? going?.sessionId ?? null;
  return (
    <div className={styles.page}>
      <WhoTrains date={date} />
      {asked.wrong !== null ? (
        <Nothing date={null} why={asked.wrong} />
      ) : date === null || sessionId === null ? (
        <Nothing date={date} />
      ) : (
        <Session key={`${person.id} ${sessionId}`} date={date} sessionId={sessionId} />
      )}
    </div>
  );
}

function Session({ date, sessionId }: { date: string; sessionId: string }) {
  const { compute, person, today, reading } = useLog();
  const view = useAnswer(compute, "training", { personId: person.id, today, date, sessionId });
  // Not found while the log is still being read may only mean: not yet.
  if (view === undefined || (view === null && reading !== null)) return <div aria-busy />;
  return view === null ? <Nothing date={date} /> : <TrainingMode view={view} />;
}

/** No session in front: those of the day, of whom is in front, to choose from. */
function Nothing({ date, why }: { date: string | null; why?: string }) {
  const { today, people, person, notice, undo, dismiss } = useLog();
  const day = useFigure("day", { date: date ?? today });
  const start = useStartLifting();
  const sessions = (day?.sessions ?? []).filter(({ session }) => session.kind === "strength");
  return (
    <>
      <h1>{people.length > 1 ? `No session of ${person.name} is open` : "No session is open"}</h1>
      {why !== undefined && (
        <p role="alert" className="warn">
          {why}
        </p>
      )}
      {day !== undefined && <p className="quiet above">{longDate(day.date)}</p>}
      {sessions.map(({ session, title }) => (
        <p key={session.id} className="above">
          {title}{" "}
          <Link className="strong-link" href={trainingAt(session.date, session.id)} replace>
            Train
          </Link>
        </p>
      ))}
      <p className={`above ${styles.more}`}>
        {day !== undefined && sessions.length === 0 && day.date === today && (
          <LinkButton onClick={() => void start(day.date)}>Start lifting</LinkButton>
        )}
        <Link href="/">Go to today</Link>
      </p>
      <div className={styles.told}>
        <NoticeBar notice={notice} undo={undo} dismiss={dismiss} within />
      </div>
    </>
  );
}
