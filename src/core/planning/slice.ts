import { perOwner } from "../base/memo";
import { type AsOf, byBeginning, Slice } from "../log/asOf";

/** What a person has planned beyond single sessions. */
class Planning extends Slice {
  /** Blocks of training in the order in which they begin, those to come included. */
  readonly blocks = this.kept(() => this.asOf.own("blocks").sort(byBeginning("startDate")));
}

export const planningOf = perOwner((asOf: AsOf) => new Planning(asOf));
