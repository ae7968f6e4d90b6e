import { groupBy } from "../base/calendar/groupBy";
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

  readonly #ofCycles = sessionsOf(this.asOf).keptWhere(({ cycleId }) => cycleId != null);
  readonly #byCycle = this.kept(() => groupBy(this.#ofCycles(), ({ cycleId }) => cycleId as string));

  /** The sessions that a cycle has written, by date. */
  sessionsOfCycle(cycleId: string): readonly Session[] {
    return this.#byCycle().get(cycleId) ?? [];
  }
}

export const planningOf = perOwner((asOf: AsOf) => new Planning(asOf));
