import { mustDay } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { type CalendarEvent, classesFrom } from "./classes";
import { cycleById } from "./cycleView";
import { cycleSessions } from "./cycleSessions";
import { cleared, repeated, type RepeatAsk, shifted, type ShiftAsk, swapped, tapered, type TaperAsk } from "./moves";
import { type Proposal, proposal } from "./proposal";
import { restChanged } from "./rest";
import { type RoutineChange, routineFollowed } from "./routines";
import { type ApplyAsk, standardWeekApplied, standardWeekFollowed } from "./standardWeek";

/** What can be asked of the plan that writes several sessions: it is seen first. */
export type ProposalAsk =
  | { of: "cycle"; cycleId: string }
  | ({ of: "standardWeek" } & ApplyAsk)
  | { of: "standardWeekFollowed"; standardWeekId: string }
  | ({ of: "routine" } & RoutineChange)
  | ({ of: "shift" } & ShiftAsk)
  | { of: "swap"; a: string; b: string }
  | { of: "clear"; from: string; to: string }
  | { of: "rest"; date: string; rest: boolean }
  | ({ of: "repeat" } & RepeatAsk)
  | ({ of: "taper" } & TaperAsk)
  | { of: "calendar"; events: readonly CalendarEvent[] };

/** A change of several sessions of the plan, as it is seen before it is written. */
export function planProposal(asOf: AsOf, { ask }: { ask: ProposalAsk }, newId: () => string): Proposal {
  switch (ask.of) {
    case "cycle": {
      const cycle = cycleById(asOf, ask.cycleId);
      return cycle === null ? proposal("Nothing", {}) : cycleSessions(asOf, cycle, newId);
    }
    case "standardWeek":
      return standardWeekApplied(asOf, ask, newId);
    case "standardWeekFollowed":
      return standardWeekFollowed(asOf, ask, newId);
    case "routine":
      return routineFollowed(asOf, ask, newId);
    case "shift":
      return shifted(asOf, ask, newId);
    case "swap":
      return swapped(asOf, ask, newId);
    case "clear":
      return cleared(asOf, ask, newId);
    case "rest": {
      const [off, on] = ask.rest ? [[], [mustDay(ask.date)]] : [[mustDay(ask.date)], []];
      const label = ask.rest ? "Rest planned" : "No rest planned any more";
      return proposal(`${label}, ${ask.date}`, { change: restChanged(asOf, { off, on }, newId) });
    }
    case "repeat":
      return repeated(asOf, ask, newId);
    case "taper":
      return tapered(asOf, ask);
    case "calendar":
      return classesFrom(asOf, ask.events, newId);
  }
}
