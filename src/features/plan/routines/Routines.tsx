"use client";

import type { ProposalAsk } from "@/core/planning/proposals";
import { useFigure } from "@/ui/log/useFigure";
import { useState } from "react";
import { PlanHead } from "../PlanHead";
import { ProposalDialog } from "../ProposalDialog";
import { ApplyWeek } from "./ApplyWeek";
import { RoutineList } from "./RoutineList";
import { StandardWeeks } from "./StandardWeeks";

/** What is used again: sessions without a day, and the weeks that they make. */
export function Routines() {
  const view = useFigure("routines", {});
  const [ask, setAsk] = useState<{ title: string; ask: ProposalAsk } | null>(null);
  return (
    <>
      <PlanHead />
      {view && (
        <>
          <RoutineList
            view={view}
            onFollow={(change) =>
              setAsk({
                title: `Do planned sessions follow ${change.routine.name}?`,
                ask: { of: "routine", ...change },
              })
            }
          />
          <StandardWeeks
            view={view}
            onFollow={({ id, name }) =>
              setAsk({
                title: `Do planned weeks follow ${name}?`,
                ask: { of: "standardWeekFollowed", standardWeekId: id },
              })
            }
          />
          {view.standardWeeks.length > 0 && (
            <ApplyWeek
              weeks={view.standardWeeks.map(({ week }) => week)}
              from={view.next}
              onAsk={(asked) => setAsk({ title: "A standard week laid over the plan", ask: asked })}
            />
          )}
        </>
      )}
      {ask !== null && <ProposalDialog {...ask} onClose={() => setAsk(null)} />}
    </>
  );
}
