import { dateOf, type Day } from "../calendar/day";
import { pacePerKm, splitPer500 } from "../endurance/distance";
import { put, type Session } from "../log/records";
import { METRES_PER_MILE } from "../units/length";
import { parseDecimal } from "../units/number";
import { parseDuration } from "../units/time";
import { problemAt, reading, trimmed, type EntryContext, type EntryChoice, type Part, type Reading } from "./reading";

const purposes = ["easy", "long", "tempo", "interval", "intervals", "steady", "recovery", "threshold", "race", "technique", "test"];
/** The fastest split believed for a rowing piece and the fastest pace of a run: seconds per 500 m and per km. */
const fastestSplit = 75;
const fastestPace = 130;

const amount = /^(?:(\d+)\s*[x×*]\s*)?(\d+(?:[.,]\d+)?)\s*(km|mi|miles?|m|metres?|meters?)(?=\s|$)/i;
const clock = /^(\d{1,3}:\d{2}(?::\d{2})?(?:[.,]\d+)?)(?=\s|$)/;
const minutes = /^(\d+(?:[.,]\d+)?)\s*min(?:utes?)?(?=\s|$)/i;
const rated = /^(?:rpe|effort)\s*(\d+(?:[.,]\d)?)(?=\s|$)/i;

/** A run, a row or another activity of the trainee's: distance, time, purpose, effort, note, in any order. `part` follows the kind. */
export function readDistance(kind: string, part: Part, day: Day, context: EntryContext, prefix: string): Reading {
  const date = dateOf(day);
  let rest = trimmed(part);
  let metres: number | null = null;
  let repeats = 1;
  let seconds: number | null = null;
  let effort: number | null = null;
  let purpose: string | null = null;
  const note: string[] = [];
  while (rest.text !== "") {
    const distance: RegExpExecArray | null = metres === null ? amount.exec(rest.text) : null;
    const time: RegExpExecArray | null = seconds === null ? (clock.exec(rest.text) ?? minutes.exec(rest.text)) : null;
    const effortMatch: RegExpExecArray | null = effort === null ? rated.exec(rest.text) : null;
    const word = /^\S+/.exec(rest.text)![0];
    let length = word.length;
    if (distance) {
      repeats = Number(distance[1] ?? 1);
      metres = parseDecimal(distance[2]!)! * unitMetres(distance[3]!);
      length = distance[0].length;
    } else if (time) {
      seconds = parseDuration(time[0]);
      if (seconds === null) return reading("session", date, { problems: [problemAt({ text: time[0], start: rest.start }, "Minutes and seconds after a colon run to 59.")] });
      length = time[0].length;
    } else if (effortMatch) {
      effort = parseDecimal(effortMatch[1]!)!;
      length = effortMatch[0].length;
      if (effort > 10) return reading("session", date, { problems: [problemAt({ text: effortMatch[0], start: rest.start }, "An effort runs from 0 to 10.")] });
    } else if (purpose === null && purposes.includes(word.toLowerCase().replace(/,$/, ""))) purpose = word.toLowerCase().replace(/,$/, "").replace(/^intervals$/, "interval");
    else note.push(word);
    rest = trimmed({ text: rest.text.slice(length), start: rest.start + length });
  }
  const problems: Reading["problems"] = [];
  const choices: EntryChoice[] = [];
  if (metres === null && seconds === null) return reading("session", date, { fields: [{ label: "kind", text: kind }], problems: [{ start: part.start, end: part.start + 1, message: `Distance and time are missing, for example ${kind} ${kind === "row" ? "4x500 m 1:52" : "6 km 33:10"}.` }] });
  if (day > context.today) problems.push({ start: part.start, end: part.start + 1, message: "It cannot have been done in the future." });
  if (repeats < 1 || metres === 0) problems.push(problemAt(part, "A distance of nothing was not covered."));
  if (metres !== null && seconds !== null && metres > 0) {
    const tooFast = kind === "row" ? splitPer500(metres, seconds) < fastestSplit : kind === "run" && (seconds / metres) * 1000 < fastestPace;
    const asSplit = kind === "row" && tooFast && metres > 500 && seconds >= fastestSplit;
    if (asSplit) {
      const whole = (seconds / 500) * metres;
      problems.push(problemAt(part, `${context.printer.distance(metres)} in that time is faster than anyone rows. Is it the split per 500 m?`));
      choices.push({ label: `split: ${context.printer.duration(whole)} ${repeats > 1 ? "a piece" : "in all"}`, text: `${prefix}${kind} ${repeats > 1 ? `${repeats}x` : ""}${metres} m ${context.printer.duration(whole)}` });
    } else if (tooFast) problems.push(problemAt(part, "That is faster than anyone covers the distance. Check distance and time."));
  }
  const total = { metres: metres === null ? null : metres * repeats, seconds: seconds === null ? null : seconds * repeats };
  const held = context.sessionsOn(day).find((session) => session.kind === kind && session.status === "planned");
  const session = completed(held ?? { id: context.newId(), personId: context.personId, date, kind, status: "done", distance: {} }, total, { effort, purpose: purpose ?? (repeats > 1 ? "interval" : null), note: note.join(" ") });
  const pace = pacePerKm([total]);
  const { printer } = context;
  return reading("session", date, {
    fields: [
      { label: "kind", text: kind },
      ...(total.metres === null ? [] : [{ label: "distance", text: repeats > 1 ? `${repeats} × ${printer.distance(metres!)} = ${printer.distance(total.metres)}` : printer.distance(total.metres) }]),
      ...(total.seconds === null ? [] : [{ label: "time", text: printer.duration(total.seconds) }]), ...(pace === null ? [] : [{ label: kind === "row" ? "split" : "pace", text: printer.paceOf(kind, pace) }]),
      ...(session.distance?.purpose ? [{ label: "purpose", text: session.distance.purpose }] : []), ...(effort === null ? [] : [{ label: "effort", text: String(effort) }]), ...(note.length > 0 ? [{ label: "note", text: note.join(" ") }] : []),
      ...(held ? [{ label: "fills the plan", text: held.title || kind }] : []),
    ],
    problems, choices, change: problems.length > 0 ? null : [put("sessions", session, held)],
    label: [kind.charAt(0).toUpperCase() + kind.slice(1), total.metres === null ? "" : printer.distance(total.metres), total.seconds === null ? "" : `in ${printer.duration(total.seconds)}`].filter(Boolean).join(" "),
  });
}

/** A session performed over a distance: what was covered, and what was said of it. */
export function completed(session: Session, done: { metres: number | null; seconds: number | null }, said: { effort?: number | null; purpose?: string | null; note?: string }): Session {
  return {
    ...session, status: "done", ...(done.seconds === null ? {} : { minutes: done.seconds / 60 }), ...(said.effort == null ? {} : { effort: said.effort }), ...(said.note ? { note: said.note } : {}),
    distance: { ...session.distance, done: { ...(done.metres === null ? {} : { metres: done.metres }), ...(done.seconds === null ? {} : { seconds: done.seconds }) }, ...(said.purpose ? { purpose: said.purpose } : {}) },
  };
}

function unitMetres(unit: string): number {
  const name = unit.toLowerCase();
  return name === "km" ? 1000 : name.startsWith("mi") ? METRES_PER_MILE : 1;
}
