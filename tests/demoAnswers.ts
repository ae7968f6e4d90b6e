import { Answers, type Asking } from "@/compute/queries";
import { mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import type { Log } from "@/core/log/log";
import { demoLog, rowerId } from "@/demo/demoLog";

/** What tests of the views read of the contract. */
export interface ContractPerson {
  personId: string;
  weight: { trend: { date: string; kg: number; filteredKg: number }[]; weekly: { medianKg: number }[] };
  lifts: { exerciseId: string; best: { e1rmKg: number } | null }[];
  distance: object[];
  energy: { formula: { kcal: number }; targets: { training: { kcal: number } } };
}

/** The demo household on a day, of its own for each who asks: its log, what answers of it, and the rower asking. */
export function demoAnswers(today = "2026-06-11"): { today: string; log: Log; answers: Answers; rower: Asking } {
  const log = demoLog(mustDay(today));
  let next = 0;
  return { today, log, answers: new Answers(log, () => `new${next++}`), rower: { personId: rowerId, today } };
}

/** The rower's figures as the headless command prints them. */
export function rowerContract(log: Log, today: string): ContractPerson {
  const { people } = contract(log, mustDay(today)) as { people: ContractPerson[] };
  return people.find(({ personId }) => personId === rowerId)!;
}
