import { printNumber } from "../base/units/number";
import type { WorkingResult } from "../base/working";
import { weightOf } from "../body/slice";
import { expenditureWorking } from "../energy/workings";
import type { AsOf } from "../log/asOf";
import { measuredOf } from "./measured";

function measuredWorking(asOf: AsOf): WorkingResult {
  const measured = measuredOf(asOf).on(asOf.on);
  if ("reason" in measured) return { reason: `Measured expenditure: ${measured.reason}.` };
  if (measured.from === "formula") return expenditureWorking(asOf);
  const p = asOf.printer;
  const { kcal, low80, high80, days, mornings } = measured;
  const [eaten, start] = [measuredOf(asOf).meanOf(asOf.on - 28, asOf.on - 1, 7), asOf.on - 28];
  const [level, before] = [weightOf(asOf).levelOn(asOf.on), weightOf(asOf).levelOn(start)];
  const density = measuredOf(asOf).density();
  const rough = eaten === null || level === null || before === null ? null : eaten - ((level - before) * density) / 28;
  return {
    title: "Expenditure, measured by weight and food",
    value: `${p.energy(kcal)} a day`,
    formula: "what was eaten − what the tissue gained × its energy, day by day, by a filter",
    steps: [
      ...(rough === null
        ? []
        : [
            `By hand, over the last 28 days: eaten ${p.inKilocalories(eaten!)} a day − (${printNumber(level!, 2)} − ${printNumber(before!, 2)}) kg × ${printNumber(density, 0)} ÷ 28 = ${p.inKilocalories(rough)} a day.`,
          ]),
      `The filter weighs every day since the first weigh-in, the last weeks most, with the formula for a start: ${p.inKilocalories(kcal)}, four times in five between ${p.inKilocalories(low80)} and ${p.inKilocalories(high80)}.`,
    ],
    inputs: [
      { label: "Whole days of food", value: printNumber(days, 0) },
      { label: "Mornings weighed", value: printNumber(mornings, 0) },
      { label: "A kilogram of change holds", value: `${printNumber(density, 0)} kcal` },
    ],
    assumptions: [
      "A day that is marked incomplete, or plainly too low to be whole, is missing, not zero.",
      "Water stands for a part of each morning's weight; after a changed intake more of it is taken for water.",
      "It is known as of the day: later entries do not change what it was.",
    ],
    source:
      "A state-space model over weight and intake by Kalman filter (Harvey 1989); 7700 kcal/kg after Wishnofsky 1958, with a body fat the partition of Forbes (Hall 2008); 22 kcal a day for a kilogram and a tenth of a changed intake after Hall et al. 2011.",
    sureness: "On simulated trainees the interval holds the truth about four times in five (`npm run coverage`).",
  };
}

/** The workings of this domain, by the figure's name in a reference to it. */
export const balanceWorkings = { measured: measuredWorking };
