import { printTyped } from "../base/units/number";
import { gramUnits, readFigure } from "../entry/form";
import { boundTyped, endsTyped } from "../entry/range";
import { type askedIn, type AskedOf } from "../log/kinds/energySettings";

type Way = (typeof askedIn)[number];

/** The ways of setting a target of a nutrient, as they are written behind its number. */
const written: Readonly<Record<Way, { after: string; times: number; pattern: RegExp }>> = {
  gramsPerLeanKg: { after: " g/kg lean", times: 1, pattern: /\s*g\s*\/\s*kg\s+(?:of\s+)?lean(?:\s+mass)?$/i },
  gramsPerKg: { after: " g/kg", times: 1, pattern: /\s*g\s*\/\s*kg$/i },
  shareOfRest: { after: " % of the rest", times: 100, pattern: /\s*%\s*of\s+(?:the\s+)?rest$/i },
  share: { after: " %", times: 100, pattern: /\s*%$/ },
  grams: { after: "", times: 1, pattern: /\s*(?:g|grams?)?$/i },
};
const ways = Object.keys(written) as Way[];

const howToWrite =
  "Write grams, such as 130, 1.8 g/kg, 2.2 g/kg lean, 25 %, 40 % of the rest, or the rest; 60 to 80, at least, or at most.";

/**
 * A target of a nutrient as it is written: `130`, `1.8 g/kg` of body weight, `2.2 g/kg lean` mass, `25 %` of the energy, `40 %
 * of the rest` or `the rest` of it; with `at least`, `at most`, or as a range, `60 to 80`.
 * @returns how it is set, or why it is none
 */
export function askedTyped(typed: string): AskedOf | string {
  const [direction, rest] = boundTyped(typed.trim());
  const meant = direction === null ? {} : { direction };
  if (/^(?:the\s+)?rest$/i.test(rest)) return { shareOfRest: 1, ...meant };
  const way = ways.find((one) => written[one].pattern.test(rest))!;
  const ends = endsTyped(rest.replace(written[way].pattern, ""));
  const values = ends.map((end) =>
    readFigure(end.replace(/(\d)\s*(?:g|%)$/i, "$1"), way === "grams" ? gramUnits : undefined),
  );
  const [from, to] = values.map((value) => (value === null ? null : value / written[way].times));
  if (from == null || to === null || values.length > 2) return howToWrite;
  if (way.startsWith("share") && (from > 1 || (to ?? 0) > 1)) return "Write a share from 0 to 100 %.";
  if (to === undefined) return { [way]: from, ...meant };
  if (direction !== null) return "Write either a range, such as 60 to 80, or at least 60.";
  return to > from ? { [way]: from, to, direction: "between" } : "A range goes from the lower number to the higher.";
}

/** A target as it is written, so that it is read again as the same. */
export function printAsked(asked: AskedOf): string {
  const way = ways.find((one) => asked[one] != null)!;
  const { after, times } = written[way];
  const number = (value: number) => printTyped(value * times, way === "grams" ? 1 : 2);
  const front = { atLeast: "at least ", atMost: "at most ", between: "" }[asked.direction ?? "between"];
  if (way === "shareOfRest" && asked.shareOfRest === 1) return `${front}the rest`;
  const range = asked.direction === "between" && asked.to != null ? ` to ${number(asked.to)}` : "";
  return `${front}${number(asked[way]!)}${range}${after}`;
}
