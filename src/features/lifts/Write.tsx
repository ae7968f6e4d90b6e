"use client";

import { useAddress } from "@/ui/address";
import { useLog } from "@/ui/log/LogContext";
import dynamic from "next/dynamic";
import { DoneTable } from "./DoneTable";
import { LiftsHead } from "./LiftsNav";
import { PlanTable } from "./PlanTable";

// It stands below what is written by hand, and comes after it.
const PasteSets = dynamic(() => import("./PasteSets").then((module) => module.PasteSets), { ssr: false });

/** Sets written at a keyboard: what was done, what is planned, and whole sheets. */
export function Write() {
  const { person } = useLog();
  const { date, session: sessionId, wrong } = useAddress();
  return (
    <>
      <LiftsHead />
      {wrong !== null && (
        <p role="alert" className="warn">
          {wrong} Below is what can be written without it.
        </p>
      )}
      {date !== null ? (
        <PlanTable key={`${date} ${sessionId}`} date={date} sessionId={sessionId} />
      ) : (
        <>
          <DoneTable key={person.id} />
          <PasteSets />
        </>
      )}
    </>
  );
}
