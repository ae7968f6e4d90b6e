import type { WorkingResult } from "./base/working";
import { balanceWorkings } from "./balance/workings";
import { measuresWorkings } from "./body/measuresWorkings";
import { bodyWorkings } from "./body/workings";
import { enduranceWorkings } from "./endurance/workings";
import { energyWorkings } from "./energy/workings";
import type { AsOf } from "./log/asOf";
import { nutritionWorkings } from "./nutrition/workings";
import { strengthWorkings } from "./strength/workings";

const workings = {
  ...bodyWorkings,
  ...measuresWorkings,
  ...strengthWorkings,
  ...enduranceWorkings,
  ...energyWorkings,
  ...nutritionWorkings,
  ...balanceWorkings,
};

type Workings = typeof workings;
type Needs<F> = F extends (asOf: AsOf, ref: infer R) => WorkingResult ? (unknown extends R ? object : R) : never;

/** Which figure's working is asked for, with what it takes to know it. */
export type FigureRef = { [F in keyof Workings]: { figure: F } & Needs<Workings[F]> }[keyof Workings];

/** The working of any figure that a view shows. */
export function workingOf(asOf: AsOf, ref: FigureRef): WorkingResult {
  const working = workings[ref.figure] as (asOf: AsOf, ref: FigureRef) => WorkingResult;
  return working(asOf, ref);
}
