"use client";

import type { Session } from "@/core/log/kinds/sessions";
import { put } from "@/core/log/records";
import type { PlanLine } from "@/core/training/setsTable";
import { fullDate, longDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useState } from "react";
import styles from "./lifts.module.css";
import { SetsGrid } from "./SetsGrid";
import { useDraft } from "./useDraft";

const emptyLine: PlanLine = {
  itemId: null,
  exerciseId: "",
  superset: "",
  sets: "",
  reps: "",
  load: "",
  rpe: "",
  rest: "",
  tempo: "",
  warmUp: false,
};
const fields = ["sets", "reps", "load", "rpe", "rest", "tempo", "superset"] as const;

/** The session on which the lines were begun, kept in this tab as long as they are. */
function useKeptBase(key: string): [Session | null, (session: Session | null) => void] {
  const [base, setBase] = useState<Session | null>(
    () => JSON.parse(sessionStorage.getItem(`${key}-base`) ?? "null") as Session | null,
  );
  const keep = useCallback(
    (session: Session | null) => {
      if (session === null) sessionStorage.removeItem(`${key}-base`);
      else sessionStorage.setItem(`${key}-base`, JSON.stringify(session));
      setBase(session);
    },
    [key],
  );
  return [base, keep];
}

/**
 * The plan of a session, one that is there or a new one: exercises in order, each with its sets. What was already done
 * in it stays.
 */
export function PlanTable({ date, sessionId }: { date: string; sessionId: string | null }) {
  const { name, commit, chooseDay, units, compute, person, today } = useLog();
  const router = useRouter();
  const key = `oat-column-plan-${name}-${date}-${sessionId}`;
  const { lines, setLines, begin, wasTyped } = useDraft(key, emptyLine);
  const [base, keepBase] = useKeptBase(key);
  useEffect(() => {
    if (sessionId === null || wasTyped) return;
    const asking = { personId: person.id, today, date, sessionId };
    void compute.ask("planLines", asking).then(async (held) => {
      if (!held || held.length === 0) return;
      // The session as these lines show it: what another tab changes of it while they are typed is left to that tab.
      keepBase((await compute.ask("planTable", { ...asking, lines: held }))?.held ?? null);
      begin(held);
    });
  }, [compute, person.id, today, date, sessionId, wasTyped, begin, keepBase]);
  const table = useFigure("planTable", { date, sessionId, lines });
  const save = async () => {
    const now = await compute.ask("planTable", { personId: person.id, today, date, sessionId, lines });
    if (
      !now?.session ||
      !(await commit([put("sessions", now.session, base ?? now.held ?? undefined)], `Plan of ${fullDate(date)}`))
    )
      return;
    leave();
  };
  const leave = () => {
    keepBase(null);
    begin([emptyLine]);
    chooseDay(date);
    router.push("/");
  };
  return (
    <section className={view.section}>
      <h2>Plan for {longDate(date)}</h2>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <SetsGrid
          label="Sets planned"
          lines={lines}
          setLines={setLines}
          emptyLine={emptyLine}
          fields={fields}
          heads={{
            sets: "Sets",
            reps: "Reps",
            load: `Load, ${units.mass} or %`,
            rpe: "RPE",
            rest: "Rest",
            tempo: "Tempo",
            superset: "Superset",
          }}
          read={table?.lines}
          says="Comes to"
          ordered
          extra={{
            head: "Warm-up",
            cell: (line, at, set) => (
              <Tick label={`Warm-up, line ${at + 1}`} checked={line.warmUp} onChange={(warmUp) => set({ warmUp })} />
            ),
          }}
        >
          {(addLine) => (
            <>
              <p className="quiet small around">
                8-12 is a range, 5+ or max as many as possible. A load of 75 % is of the maximum in force; without a
                load, an RPE is turned into one on the day. What differs from set to set is listed: 5 3 1+ at 75 85 95
                %. Lines of the same superset (A, B …) that follow one another are done in turn.
              </p>
              <p className={styles.inline}>
                <Button type="primary" htmlType="submit" disabled={!table?.session}>
                  Save plan
                </Button>
                <LinkButton onClick={addLine}>Add a line</LinkButton>
                <LinkButton onClick={leave}>Cancel</LinkButton>
              </p>
            </>
          )}
        </SetsGrid>
      </form>
    </section>
  );
}
