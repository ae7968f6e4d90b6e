import { byWord } from "../base/byWord";
import { parseDecimal, printNumber, printPlain } from "../base/units/number";
import { sameName } from "../entry/names";

/**
 * A measure that is usually taken: its unit, its other names, and the values that can be true of a living adult or
 * child (our judgement, wide).
 */
export interface UsualMeasure {
  name: string;
  unit: "cm" | "%";
  aliases: readonly string[];
  from: number;
  to: number;
}

/** Measures offered before anything is measured; each is written with its first reading. */
export const usualMeasures: readonly UsualMeasure[] = [
  { name: "Waist", unit: "cm", aliases: ["belly", "stomach"], from: 30, to: 250 },
  { name: "Hip", unit: "cm", aliases: ["hips"], from: 40, to: 250 },
  { name: "Neck", unit: "cm", aliases: [], from: 15, to: 80 },
  { name: "Chest", unit: "cm", aliases: [], from: 40, to: 220 },
  { name: "Arm", unit: "cm", aliases: ["upper arm", "biceps"], from: 10, to: 80 },
  { name: "Thigh", unit: "cm", aliases: [], from: 20, to: 120 },
  { name: "Calf", unit: "cm", aliases: ["calves"], from: 15, to: 80 },
  { name: "Body fat", unit: "%", aliases: ["bodyfat", "bf", "fat percentage", "body fat percentage"], from: 2, to: 75 },
];

/** The usual measure that a name means, however it is written; null for one of the trainee's own. */
export function usualMeasureOf(name: string): UsualMeasure | null {
  return usualMeasures.find((usual) => [usual.name, ...usual.aliases].some((one) => sameName(one, name))) ?? null;
}

/** Centimetres in a unit of length; null when it is no length. */
export function centimetresIn(unit: string | null | undefined): number | null {
  const plain = (unit ?? "").trim().toLowerCase();
  return (
    byWord({
      cm: 1,
      centimetre: 1,
      centimetres: 1,
      centimeter: 1,
      centimeters: 1,
      mm: 0.1,
      m: 100,
      in: 2.54,
      inch: 2.54,
      inches: 2.54,
      '"': 2.54,
      "″": 2.54,
    })[plain] ?? null
  );
}

/** Why a value cannot be a reading of a measure; null when it can. */
export function readingProblem(measure: { name: string; unit?: string | null }, value: number): string | null {
  const said = `${printPlain(value, 2)}${measure.unit ? ` ${measure.unit}` : ""}`;
  const usual = usualMeasureOf(measure.name);
  const scale =
    usual?.unit === "cm"
      ? centimetresIn(measure.unit)
      : usual !== null && (measure.unit ?? "%").trim() === "%"
        ? 1
        : null;
  if (usual !== null && scale !== null && (value * scale < usual.from || value * scale > usual.to)) {
    return `${said} is no ${usual.name.toLowerCase()}: ${printNumber(usual.from / scale, 0)} to ${printNumber(usual.to / scale, 0)} ${measure.unit ?? usual.unit} is taken.`;
  }
  if (measure.unit?.trim() === "%" && (value < 0 || value > 100) && usual !== null)
    return `${said} is no share of the body.`;
  if (centimetresIn(measure.unit) !== null && value < 0) return `${said} is no length.`;
  return Math.abs(value) > 1e9 ? "That number is too large." : null;
}

/**
 * How far a reading may lie from the one before it until it is questioned: a share of it, and at least so much in its
 * unit.
 */
const farShare = 0.15;

/**
 * Whether a reading is so far from the last one of its measure that it is questioned. Only measures of the body are
 * expected to stay.
 */
export function isFarReading(
  measure: { name: string; unit?: string | null },
  value: number,
  lastValue: number | null,
): boolean {
  const usual = usualMeasureOf(measure.name);
  if (usual === null || lastValue === null) return false;
  return usual.unit === "%" ? Math.abs(value - lastValue) > 8 : Math.abs(value / lastValue - 1) > farShare;
}

/**
 * A value typed for a measure, with its unit or in the measure's own. @returns the value in the measure's unit, or why
 * it is none
 */
export function readReading(
  text: string,
  measure: { name: string; unit?: string | null },
): { value: number } | { why: string } {
  const match = /^\s*([+-]?\d+(?:[.,]\d+)?)\s*(.*?)\s*$/.exec(text);
  const number = match ? parseDecimal(match[1]!) : null;
  if (match === null || number === null)
    return { why: `"${text.trim()}" is no number. Write one with a point or a comma.` };
  const value = inUnit(number, match[2]!, measure);
  if (typeof value !== "number") return value;
  const why = readingProblem(measure, value);
  return why === null ? { value } : { why };
}

/** A value in a unit, in the unit of a measure. */
export function inUnit(number: number, unit: string, measure: { unit?: string | null }): number | { why: string } {
  const own = (measure.unit ?? "").trim();
  if (unit === "" || unit.toLowerCase() === own.toLowerCase()) return number;
  const [from, to] = [centimetresIn(unit), centimetresIn(own)];
  return from !== null && to !== null
    ? (number * from) / to
    : { why: `It is measured in ${own || "no unit"}, not in ${unit}.` };
}
