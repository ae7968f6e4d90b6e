import { printDate } from "../base/calendar/print";
import { printNumber } from "../base/units/number";
import type { WorkingResult } from "../base/working";
import type { AsOf } from "../log/asOf";
import type { Sex } from "../log/kinds/people";
import { compositionOf, measuresView, tapeOf } from "./measuresView";
import { weightOf } from "./slice";
import { tapeBodyFat, tapeStandardError } from "./tape";

export function compositionWorking(asOf: AsOf): WorkingResult {
  const result = compositionOf(asOf);
  if ("reason" in result) return { reason: `There is no estimate: ${result.reason}.` };
  const p = asOf.printer;
  const kg = weightOf(asOf).levelOn(asOf.on)!;
  const { percent, low80, high80, fatKg, leanKg, by, method, date } = result;
  const masses = `${p.massNumber(kg, 2)} × ${printNumber(percent, 1)} % = ${p.mass(fatKg)} of fat; ${p.massNumber(kg, 2)} − ${p.massNumber(fatKg)} = ${p.mass(leanKg)} without`;
  const common = {
    title: "Body fat",
    value: `${printNumber(percent, 1)} %, 80 % interval ${printNumber(low80, 1)} to ${printNumber(high80, 1)}`,
    sureness: `A single reading is off by about ± ${printNumber(tapeStandardError, 1)} percentage points (standard error, from memory); its change over months is surer than its height.`,
  };
  if (by === "measured")
    return {
      ...common,
      formula: "fat mass = trend weight × body fat;  lean mass = trend weight − fat mass",
      steps: [masses],
      inputs: [{ label: `Measured${method ? `, ${method}` : ""}`, value: `${printNumber(percent, 1)} %`, date }],
      assumptions: [
        "The latest measured body fat stands until the next; its method's own error is taken to be that of the tape.",
      ],
      source: "Arithmetic on the measured value.",
    };
  const { tape } = tapeOf(asOf);
  const sex = (asOf.person.sex ?? "unspecified") as Sex;
  const { density } = tapeBodyFat(sex, tape) as { density: number };
  const girth = sex === "male" ? "waist − neck" : "waist + hip − neck";
  const [a, b, c] = sex === "male" ? ["1.0324", "0.19077", "0.15456"] : ["1.29579", "0.35004", "0.22100"];
  const put =
    sex === "male"
      ? `${printNumber(tape.waistCm!, 1)} − ${printNumber(tape.neckCm!, 1)}`
      : `${printNumber(tape.waistCm!, 1)} + ${printNumber(tape.hipCm!, 1)} − ${printNumber(tape.neckCm!, 1)}`;
  return {
    ...common,
    formula: `density = ${a} − ${b} × log₁₀(${girth}) + ${c} × log₁₀(height);  body fat = 495 ÷ density − 450`,
    steps: [
      `density = ${a} − ${b} × log₁₀(${put}) + ${c} × log₁₀(${printNumber(tape.heightCm!, 1)}) = ${printNumber(density, 5)}`,
      `body fat = 495 ÷ ${printNumber(density, 5)} − 450 = ${printNumber(percent, 1)} %`,
      masses,
    ],
    inputs: [{ label: "Waist", value: `${printNumber(tape.waistCm!, 1)} cm on ${printDate(date)}`, date }],
    assumptions: ["The latest reading of each place is taken, in centimetres."],
    source:
      "Hodgdon & Beckett 1984 (Naval Health Research Center 84-11, 84-29), with Siri 1961; coefficients from memory.",
  };
}

export function waistToHeightWorking(asOf: AsOf): WorkingResult {
  const { waistToHeight } = measuresView(asOf);
  if ("reason" in waistToHeight) return { reason: `There is none: ${waistToHeight.reason}.` };
  const { tape } = tapeOf(asOf);
  const { ratio, date } = waistToHeight;
  return {
    title: "Waist to height",
    value: printNumber(ratio, 2),
    formula: "waist ÷ height",
    steps: [`${printNumber(tape.waistCm!, 1)} ÷ ${printNumber(tape.heightCm!, 1)} = ${printNumber(ratio, 3)}`],
    inputs: [{ label: "Waist", value: `${printNumber(tape.waistCm!, 1)} cm`, date }],
    assumptions: ["A waist under half the height is commonly advised."],
    source: "Ashwell & Hsieh 2005, International Journal of Food Sciences and Nutrition 56:303 (from memory).",
    sureness: "As exact as the tape: half a centimetre is 0.003.",
  };
}

/** The workings of measures, by the figure's name in a reference to it. */
export const measuresWorkings = { composition: compositionWorking, waistToHeight: waistToHeightWorking };
