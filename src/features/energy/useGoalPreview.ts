"use client";

import { carriedOver, goalAsked, type GoalDraft } from "@/core/energy/goalDraft";
import type { GoalPreview } from "@/core/energy/goalPreview";
import type { Goal } from "@/core/log/kinds/goals";
import { useLog } from "@/ui/log/LogContext";
import { useEffect, useRef, useState } from "react";
import type { UseFormReturn } from "react-hook-form";

/** What the goal in a form comes to, each time something in it is typed; null while it is not whole. */
export function useGoalPreview(
  goal: Goal | null,
  { subscribe, getValues, setValue }: Pick<UseFormReturn<GoalDraft>, "subscribe" | "getValues" | "setValue">,
): GoalPreview | null {
  const { units, person, today, compute } = useLog();
  const [preview, setPreview] = useState<GoalPreview | null>(null);
  const previewed = useRef<GoalPreview | null>(null);
  useEffect(() => {
    previewed.current = preview;
  }, [preview]);
  useEffect(() => {
    let left = false;
    const show = () => {
      const ask = goalAsked(getValues(), units, goal ?? { id: "preview", personId: person.id });
      if (ask === null) setPreview(null);
      else
        void compute.ask("goalPreview", { personId: person.id, today, ...ask }).then((answer) => {
          if (!left) setPreview(answer);
        });
    };
    show();
    const stop = subscribe({ formState: { values: true }, callback: show });
    return () => {
      left = true;
      stop();
    };
  }, [subscribe, getValues, compute, units, person.id, today, goal]);
  // Another way of setting it begins from what the last way came to, so that nothing that is shown is lost.
  useEffect(
    () =>
      subscribe({
        name: "by",
        formState: { values: true },
        callback: ({ values }) => {
          const carried = carriedOver(values, previewed.current, units);
          if (carried !== null) setValue(...carried, { shouldDirty: true });
        },
      }),
    [subscribe, setValue, units],
  );
  return preview;
}
