import { heaviest, isFarOff, lightest } from "../body/weighIns";
import { dateOf, type Day } from "../calendar/day";
import { put } from "../log/records";
import { toKg, type MassUnit } from "../units/mass";
import { parseDecimal } from "../units/number";
import { problemAt, reading, type EntryContext, type Part, type Reading } from "./reading";

/** A weigh-in: a number, its unit if another than the trainee's, a time, a note. Null when the text is something else. */
export function readWeighIn({ text, start }: Part, day: Day, context: EntryContext): Reading | null {
  const match = /^(\d+(?:[.,]\d+)?)\s*(kg|lb|lbs)?(?=\s|$)\s*((?:[01]?\d|2[0-3]):[0-5]\d)?(?=\s|$)\s*(.*)$/i.exec(text);
  if (!match) return null;
  const [, number = "", unitText, time, note = ""] = match;
  if (unitText === undefined && time === undefined && note !== "") return null;
  const unit: MassUnit = unitText === undefined ? context.printer.units.mass : unitText.toLowerCase() === "kg" ? "kg" : "lb";
  const kg = toKg(parseDecimal(number)!, unit);
  const date = dateOf(day);
  if (kg < lightest || kg > heaviest) {
    if (unitText !== undefined && note !== "") return null;
    return reading("weighIn", date, { problems: [problemAt({ text: number, start }, `${number} ${unit} is no body weight: ${context.printer.mass(lightest, 0)} to ${context.printer.mass(heaviest, 0)} is taken.`)] });
  }
  if (day > context.today) return reading("weighIn", date, { problems: [problemAt({ text: number, start }, "A weigh-in cannot be in the future.")] });
  const held = context.weighInOn(day);
  const padded = time === undefined ? null : time.padStart(5, "0");
  const record = { ...(held ?? { id: context.newId(), personId: context.personId, date, primary: true }), kg, ...(padded ? { time: padded } : {}), ...(note ? { note } : {}) };
  const expected = context.expectedKg(day);
  return reading("weighIn", date, {
    fields: [
      { label: "weigh-in", text: context.printer.mass(kg) },
      ...(padded ? [{ label: "time", text: padded }] : []), ...(note ? [{ label: "note", text: note }] : []),
      ...(held ? [{ label: "replaces", text: context.printer.mass(held.kg) }] : []),
    ],
    caution: isFarOff(kg, expected) ? `That is far from the ${context.printer.mass(expected)} expected. Press Enter again if it is right.` : null,
    change: [put("weighIns", record, held ?? undefined)], label: `Weigh-in ${context.printer.mass(kg)}`,
  });
}
