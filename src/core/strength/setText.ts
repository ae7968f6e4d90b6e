import { fromKg, type MassUnit, parseMass } from "../base/units/mass";
import { parseDecimal, printTyped } from "../base/units/number";
import { parseDuration } from "../base/units/time";
import type { Exercise } from "../log/kinds/exercises";
import type { TrainingSet } from "../log/kinds/sessions";
import { madeIn } from "./loading";
import { isTimed } from "./sets";

type Done = NonNullable<TrainingSet["done"]>;
type Planned = NonNullable<TrainingSet["planned"]>;

/** Loads that are believed, kilograms. */
const loadRange = [-500, 2000] as const;

/**
 * One set as a lifter writes it. Repetitions `6`, `6f` when six were completed and a seventh was tried and missed,
 * `6+3+2` for the parts of a drop or cluster set;
 * seconds or metres for timed and distance movements. Load `80`, `80 kg`, `+10`, `bw`, `bw+10`, `80+60+40` for the
 * parts of a drop set.
 * @returns what was done, or what is wrong with it
 */
export function readSet(
  repsText: string,
  loadText: string,
  rpeText: string,
  exercise: Exercise,
  unit: MassUnit,
): Done | string {
  const loads = readLoads(loadText, exercise, unit);
  if (typeof loads === "string") return loads;
  const rpe = rpeText.trim() === "" ? null : readEffort(rpeText.trim());
  if (rpeText.trim() !== "" && rpe === null) return `"${rpeText.trim()}" is no effort (RPE) from 0 to 10.`;
  const rated = rpe === null ? {} : { rpe };
  const text = repsText.trim();
  if (exercise.measure === "duration") {
    const seconds = parseDecimal(text.replace(/\s*s(ec|econds?)?$/i, "")) ?? parseDuration(text);
    return seconds === null || seconds <= 0 || seconds > 100_000
      ? `"${text}" is no time.`
      : { seconds, ...(loads[0] ? { kg: loads[0] } : {}), ...rated };
  }
  if (exercise.measure === "distance") {
    const metres = parseDecimal(text.replace(/\s*m(etres?)?$/i, ""));
    return metres === null || metres <= 0 || metres > 100_000
      ? `"${text}" is no number of metres.`
      : { metres, ...(loads[0] ? { kg: loads[0] } : {}), ...rated };
  }
  const failed = /f(ailed)?$/i.test(text);
  const amounts = text
    .replace(/\s*f(ailed)?$/i, "")
    .split("+")
    .map((one) => parseDecimal(one));
  if (amounts.some((one) => one === null || one < 0 || one > 1000 || one % 1 !== 0))
    return `"${text}" is no number of repetitions.`;
  if (amounts[0] === 0 && !failed) return "No repetition was completed. Write 0f when one was tried and missed.";
  if (loads.length > 1 && loads.length !== amounts.length)
    return `${loads.length} loads do not fit ${amounts.length} parts.`;
  const parts = amounts
    .slice(1)
    .map((reps, index) => ({ reps, ...(loads.length > 1 ? { kg: loads[index + 1]! } : {}) }));
  return {
    reps: amounts[0]!,
    kg: loads[0]!,
    ...rated,
    ...(failed ? { failed } : {}),
    ...(parts.length > 0 ? { parts } : {}),
  };
}

/** An effort as RPE: `8`, `rpe 8.5`, or repetitions in reserve, `2 rir`. Null when it is none. */
function readEffort(text: string): number | null {
  const reserve = /^(?:rir\s*(\S+)|(\S+)\s*rir)$/i.exec(text);
  const rpe = reserve ? parseDecimal(reserve[1] ?? reserve[2]!) : parseDecimal(text.replace(/^(rpe|@)\s*/i, ""));
  const value = rpe === null ? null : reserve ? 10 - rpe : rpe;
  return value === null || value < 0 || value > 10 ? null : value;
}

function readLoads(text: string, exercise: Exercise, unit: MassUnit): number[] | string {
  const plain = text
    .trim()
    .replace(/^(bw|bodyweight)\s*/i, (word) => (word === text.trim() ? "0" : ""))
    .replace(/^\+\s*/, "");
  if (plain === "")
    return (exercise.measure ?? "load-reps") === "load-reps" ? "The load is missing: write 0 for none." : [0];
  const named = /(kgs?|lbs?)\s*$/i.exec(plain)?.[1];
  const loads = plain
    .split("+")
    .map((one) => parseMass(named !== undefined && !/[a-z]/i.test(one) ? `${one} ${named}` : one, unit));
  if (loads.some((kg) => kg === null || kg < loadRange[0] || kg > loadRange[1])) return `"${text.trim()}" is no load.`;
  return loads as number[];
}

/** A number as it is typed into a field again. */
export function fieldNumber(kg: number, unit: MassUnit): string {
  return printTyped(fromKg(kg, unit), 2);
}

/** A bar or a plate as it is named and as a field reads it back: `25`, and `25 kg` in a log of pounds. */
export function ironText(kg: number, unit: MassUnit): string {
  const made = madeIn(kg, unit);
  return made === unit ? fieldNumber(kg, unit) : `${fieldNumber(kg, made)} ${made}`;
}

/** A set's repetitions, seconds or metres as `readSet` reads them back. */
export function repsField({ reps, seconds, metres, parts, failed }: Done): string {
  const amount = reps ?? seconds ?? metres;
  return amount == null ? "" : [amount, ...(parts ?? []).map((part) => part.reps ?? 0)].join("+") + (failed ? "f" : "");
}

/** A set's load as `readSet` reads it back. */
export function loadField({ kg, parts }: Done, unit: MassUnit): string {
  if (kg == null) return "";
  const others = (parts ?? []).some((part) => part.kg != null && part.kg !== kg)
    ? parts!.map((part) => part.kg ?? kg)
    : [];
  return [kg, ...others].map((one) => fieldNumber(one, unit)).join("+");
}

/**
 * A planned set as it is written: repetitions `5`, `8-12` for a range, `5+` or `5 or more` for as many as possible,
 * `max`; load `80`, `75 %` of the
 * maximum, or nothing with an RPE to be worked out on the day.
 */
function readPlanned(
  repsText: string,
  loadText: string,
  rpeText: string,
  exercise: Exercise,
  unit: MassUnit,
): Planned | string {
  const text = repsText.trim();
  const most = /^max$/i.test(text) || /(\+|or more)$/i.test(text);
  const share = /^(\d+(?:[.,]\d+)?)\s*%$/.exec(loadText.trim());
  // 53.8 ÷ 100 is a hair below 0.538: what was typed is kept.
  const percent = share === null ? null : Math.round(parseDecimal(share[1]!)! * 1e4) / 1e6;
  if (percent !== null && (percent <= 0 || percent > 1.5))
    return `"${loadText.trim()}" is no share of a maximum from 1 to 150 %.`;
  const range = rangePattern.exec(text);
  const [from, to] = range === null ? [null, null] : [Number(range[1]), Number(range[2])];
  if (from !== null && (to <= from || from < 1 || isTimed(exercise)))
    return `"${text}" is no range of repetitions, such as 8-12.`;
  const amount = from !== null ? String(from) : /^max$/i.test(text) ? "1" : text.replace(/\s*(\+|or more)$/i, "");
  const open = loadText.trim() === "";
  const set = readSet(amount, percent !== null || open ? "0" : loadText, rpeText, exercise, unit);
  if (typeof set === "string") return set;
  const { kg, failed, parts, reps, ...others } = set;
  if (failed || parts)
    return `"${text}" is for a set that is done: a plan says repetitions, a range such as 8-12, or 5+ for as many as possible.`;
  return {
    ...others,
    ...(reps == null || /^max$/i.test(text) ? {} : { reps }),
    ...(to === null ? {} : { repsTo: to }),
    ...(percent !== null ? { percent } : open ? {} : { kg: kg ?? 0 }),
    ...(most ? { asManyAsPossible: true } : {}),
  };
}

const rangePattern = /^(\d+)\s*(?:-|–|to)\s*(\d+)$/i;

/**
 * The sets of one line of a plan. Repetitions, loads and efforts hold for every set, or are listed one a set: `5 3 1+`
 * at `75 85 95 %`. A unit or a percent sign behind the last load is that of all.
 * @param count the sets, where they are said
 * @returns the sets, or what is wrong
 */
export function readPlannedSets(
  count: number | null,
  repsText: string,
  loadText: string,
  rpeText: string,
  exercise: Exercise,
  unit: MassUnit,
): Planned[] | string {
  const reps = listed(
    repsText
      .replaceAll(/,|\bor\s+more\b/gi, (word) => (word === "," ? " " : "+"))
      .replaceAll(/\s*(?:-|–|\bto\b)\s*/gi, "-")
      .replaceAll(/\s+(?=\+|(?!max)[a-z])|(?<=\s\+)\s+(?=\d)/gi, ""),
  );
  const loads = listed(loadText.replaceAll(/\s+(?=%|kgs?\b|lbs?\b)/gi, ""));
  const efforts = listed(rpeText.replaceAll(/(?<=\b(?:rpe|rir|@))\s+|\s+(?=rir\b)/gi, ""));
  const named = /(%|kgs?|lbs?)$/i.exec(loads.at(-1) ?? "")?.[1] ?? "";
  const reserve = efforts.some((one) => /rir/i.test(one));
  const columns = [
    reps,
    loads.map((one) => (/[%a-z]/i.test(one) ? one : `${one}${named}`)),
    efforts.map((one) => (reserve && !/rir/i.test(one) ? `${one}rir` : one)),
  ];
  const lengths = columns.map(({ length }) => length).filter((length) => length > 1);
  const sets = lengths[0] ?? count ?? 1;
  if (lengths.some((length) => length !== sets))
    return `${lengths.join(" and ")} are listed for the sets of one line: which belongs to which?`;
  if (lengths.length > 0 && count !== null && count !== sets)
    return `${sets} are listed, for ${count === 1 ? "one set" : `${count} sets`}.`;
  const planned: Planned[] = [];
  for (let at = 0; at < sets; at++) {
    const [count, load, rpe] = columns.map((column) => (column.length > 1 ? column[at] : column[0]) ?? "");
    const one = readPlanned(count!, load!, rpe!, exercise, unit);
    if (typeof one === "string") return one;
    planned.push(one);
  }
  return planned;
}

/** What is listed in a field: parted by spaces, semicolons, strokes, or a comma with a space behind it. */
function listed(text: string): string[] {
  return text
    .trim()
    .split(/\s*[;/]\s*|,?\s+/)
    .filter((one) => one !== "");
}

/** A planned set's repetitions as `readPlanned` reads them back. */
export function plannedRepsField({ reps, repsTo, seconds, metres, asManyAsPossible }: Planned): string {
  const amount = reps ?? seconds ?? metres;
  if (reps != null && repsTo != null) return `${reps}-${repsTo}`;
  return amount == null ? (asManyAsPossible ? "max" : "") : `${amount}${asManyAsPossible ? "+" : ""}`;
}

/** A planned set's load as `readPlanned` reads it back. */
export function plannedLoadField({ kg, percent }: Planned, unit: MassUnit): string {
  if (percent != null) return `${Math.round(percent * 10_000) / 100} %`;
  return kg == null ? "" : fieldNumber(kg, unit);
}

/** The next load up or down: the nearest multiple of the step beyond the one at hand. */
export function stepLoad(kg: number, stepKg: number, up: boolean): number {
  const steps = kg / stepKg;
  const next = up ? Math.floor(steps + 1e-9) + 1 : Math.ceil(steps - 1e-9) - 1;
  return Math.max(0, next * stepKg);
}
