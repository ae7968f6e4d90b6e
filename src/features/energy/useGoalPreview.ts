"use client";

import { carriedOver, goalAsked } from "@/core/energy/goalDraft";
import type { GoalDraft, GoalValues } from "@/core/energy/forms";
import type { GoalPreview } from "@/core/energy/goalPreview";
import type { FormContext } from "@/core/entry/form";
import type { Goal } from "@/core/log/kinds/goals";
import type { LateForm } from "@/ui/inputs/lateForm";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import { useEffect, useRef, useState } from "react";
import type { UseFormReturn } from "react-hook-form";

/** What the goal in a form comes to, each time something in it is typed; null while it is not whole. */
export function useGoalPreview(
  goal: Goal | null,
  { subscribe, getValues, setValue }: Pick<UseFormReturn<GoalDraft>, "subscribe" | "getValues" | "setValue">,
  schema: LateForm<FormContext, GoalDraft, GoalValues>,
): GoalPreview | null {
  const { units, person, today, compute } = useLog();
  const printer = usePrinter();
  const [preview, setPreview] = useState<GoalPreview | null>(null);
  const previewed = useRef<GoalPreview | null>(null);
  useEffect(() => {
    previewed.current = preview;
  }, [preview]);
  useEffect(() => {
    let left = false;
    const ask = async () => {
      const values = await schema.read(getValues(), { units, today });
      if (values === null) return null;
      const asked = goalAsked(values, printer, goal ?? { id: "preview", personId: person.id });
      return compute.ask("goalPreview", { personId: person.id, today, ...asked });
    };
    let last = 0;
    const show = () => {
      const own = (last += 1);
      void ask().then((answer) => {
        if (!left && own === last) setPreview(answer);
      });
    };
    show();
    const stop = subscribe({ formState: { values: true }, callback: show });
    return () => {
      left = true;
      stop();
    };
  }, [subscribe, getValues, schema, compute, printer, units, person.id, today, goal]);
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
