"use client";

import { useState } from "react";
import { PlanHead } from "../PlanHead";
import { type Asked, ProposalDialog } from "../ProposalDialog";
import { CalendarFiles } from "./CalendarFiles";
import { CoachFile } from "./CoachFile";
import { PastePlan } from "./PastePlan";

/** Plans that come from outside, and go there: pasted ones, calendars, and a coach's file. */
export function Outside() {
  const [shown, setShown] = useState<{ title: string; ask: Asked; onWritten?: () => void } | null>(null);
  return (
    <>
      <PlanHead />
      <PastePlan onAsk={(ask, onWritten) => setShown({ title: "A written plan", ask, onWritten })} />
      <CalendarFiles onAsk={(ask) => setShown({ title: "Classes from a calendar", ask })} />
      <CoachFile />
      {shown !== null && <ProposalDialog {...shown} onClose={() => setShown(null)} />}
    </>
  );
}
