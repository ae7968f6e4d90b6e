import { perOwner } from "../base/memo";
import { type AsOf, byBeginning, Slice } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { sessionsOf } from "../sessions/slice";

/** What a person has planned beyond single sessions. */
class Planning extends Slice {
  /** Blocks of training in the order in which they begin, those to come included. */
  readonly blocks = this.kept(() => this.asOf.own("blocks").sort(byBeginning("startDate")));

  /** Phases in the order in which they begin, those to come included. */
  readonly phases = this.kept(() => this.asOf.own("phases").sort(byBeginning("startDate")));

  /** Cycles by percentage in the order in which they begin, those to come included. */
  readonly cycles = this.kept(() => this.asOf.own("cycles").sort(byBeginning("startDate")));

  readonly #byCycle = this.kept(() => {
    const byCycle = new Map<string, Session[]>();
    for (const session of sessionsOf(this.asOf).between(-Infinity, Infinity))
      if (session.cycleId != null) byCycle.set(session.cycleId, [...(byCycle.get(session.cycleId) ?? []), session]);
    return byCycle;
  });

  /** Sessions that were moved, by the day on which they were first planned. */
  readonly moved = this.kept(() => {
    const byDay = new Map<string, Session[]>();
    for (const session of sessionsOf(this.asOf).between(-Infinity, Infinity))
      if (session.movedFrom != null) byDay.set(session.movedFrom, [...(byDay.get(session.movedFrom) ?? []), session]);
    return byDay;
  });

  /** The sessions that a cycle has written, by date. */
  sessionsOfCycle(cycleId: string): readonly Session[] {
    return this.#byCycle().get(cycleId) ?? [];
  }
}

export const planningOf = perOwner((asOf: AsOf) => new Planning(asOf));
