"use client";

import { useSearchParams } from "next/navigation";
import { useLog } from "@/ui/log/LogContext";
import { DoneTable } from "./DoneTable";
import { LiftsHead } from "./LiftsNav";
import { PasteSets } from "./PasteSets";
import { PlanTable } from "./PlanTable";

/** Sets written at a keyboard: what was done, what is planned, and whole sheets. */
export function Write() {
  const { person } = useLog();
  const asked = useSearchParams();
  const [date, sessionId] = [asked.get("date"), asked.get("session")];
  return (
    <>
      <LiftsHead />
      {date !== null ? <PlanTable key={`${date} ${sessionId}`} date={date} sessionId={sessionId} /> : <><DoneTable key={person.id} /><PasteSets /></>}
    </>
  );
}
