"use client";

import { useAddress } from "@/ui/address";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import Link from "next/link";
import styles from "./train.module.css";
import { TrainingMode } from "./TrainingMode";
import { rememberedTraining } from "./useTraining";

/** Training mode: the session asked for, else the one this browser was in the middle of. */
export function Train() {
  const asked = useAddress();
  const { name } = useLog();
  const held = rememberedTraining(name);
  const [date, sessionId] = [asked.date ?? held?.date ?? null, asked.session ?? held?.sessionId ?? null];
  if (asked.wrong !== null) return <Nothing why={asked.wrong} />;
  return date === null || sessionId === null ? (
    <Nothing />
  ) : (
    <Session key={sessionId} date={date} sessionId={sessionId} />
  );
}

function Session({ date, sessionId }: { date: string; sessionId: string }) {
  const view = useFigure("training", { date, sessionId });
  const { reading } = useLog();
  if (view === undefined) return <div className={styles.page} aria-busy />;
  // Not found while the log is still being read may only mean: not yet.
  if (view === null) return reading === null ? <Nothing /> : <div className={styles.page} aria-busy />;
  return <TrainingMode view={view} />;
}

function Nothing({ why }: { why?: string }) {
  return (
    <div className={styles.page}>
      <h1>No session is open</h1>
      {why !== undefined && (
        <p role="alert" className="warn">
          {why}
        </p>
      )}
      <p className="quiet above">
        Choose one on its day. <Link href="/">Go to today</Link>
      </p>
    </div>
  );
}
