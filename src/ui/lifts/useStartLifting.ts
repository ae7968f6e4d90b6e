"use client";

import { put } from "@/core/log/records";
import { useLog } from "@/ui/log/LogContext";
import { trainingAt } from "@/ui/shell/views";
import { useRouter } from "next/navigation";
import { v7 as newId } from "uuid";

/** Begins a session of lifting that nobody planned, of the person in front, and opens it in training mode. */
export function useStartLifting(): (date: string) => Promise<void> {
  const { commit, person } = useLog();
  const router = useRouter();
  return async (date) => {
    const id = newId();
    const begun = { id, personId: person.id, date, kind: "strength", status: "planned" as const, items: [] };
    if (await commit([put("sessions", begun)], "Session begun")) router.push(trainingAt(date, id));
  };
}
