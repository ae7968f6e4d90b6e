import { dateOf } from "../base/calendar/day";
import { printDuration } from "../base/units/time";
import { type Line, nothingWritten, type ParsedEntry, placeOf, reading } from "../entry/parsedEntry";
import type { Session } from "../log/kinds/sessions";
import { put } from "../log/records";
import { pacePerKm } from "../sessions/covered";
import { Collected } from "./collected";
import { type Pieces, piecesOf } from "./pieces";
import { askIfUnbelievable } from "./plausible";

/**
 * A run, a row or another activity of the trainee's: distance, time, pace, pieces, rest, purpose, effort, note, in any
 * order. The line is without the word of its kind.
 */
export function readDistance(kind: string, line: Line): ParsedEntry {
  const said = new Collected(line, kind).read();
  const { problems, choices } = said;
  const date = dateOf(line.day);
  const fields = [{ label: "kind", text: kind }];
  if (problems.length > 0) return reading("session", date, { fields, problems, choices });
  const pieces = piecesOf(said);
  if (pieces.metres === null && pieces.seconds[0] === null && problems.length === 0) {
    const example = kind === "row" ? "4x500 m 1:52" : kind === "swim" ? "1500 m 30:00" : "6 km 33:10";
    said.ask(`Distance and time are missing, for example ${kind} ${example}.`);
    return reading("session", date, { fields, problems });
  }
  askWhatIsMeant(said, pieces);
  const caution = problems.length === 0 ? askIfUnbelievable(said, pieces) : null;
  const { context } = line;
  const held = context.sessionsOn(line.day).find((session) => session.kind === kind && session.status === "planned");
  const planned: Session = held ?? {
    id: context.newId(),
    personId: context.personId,
    date,
    kind,
    status: "done",
    distance: {},
  };
  const session = performed(planned, said, pieces);
  const { metres, seconds } = pieces.total;
  return reading("session", date, {
    fields: [
      ...fields,
      ...fieldsOf(said, pieces, session.distance?.purpose),
      ...(held ? [{ label: "fills the plan", text: held.title || kind }] : []),
    ],
    problems,
    choices,
    caution,
    change: problems.length > 0 ? null : [put("sessions", session, held)],
    written: {
      ...nothingWritten,
      sessions: [
        {
          kind,
          title: held?.title ?? "",
          metres,
          seconds,
          purpose: session.distance?.purpose ?? null,
          effort: said.effort,
          note: said.note.join(" "),
          exercises: [],
        },
      ],
    },
    label: [
      kind.charAt(0).toUpperCase() + kind.slice(1),
      metres === null ? "" : context.printer.distanceOf(kind, metres),
      seconds === null ? "" : `in ${context.printer.duration(seconds)}`,
    ]
      .filter(Boolean)
      .join(" "),
  });
}

/** Asks where a line that was read can be meant in several ways, or cannot have happened. */
function askWhatIsMeant(said: Collected, { count, metres, seconds, time }: Pieces): void {
  const { tokens, day, context } = said.line;
  if (said.bare !== null && seconds[0] === null) {
    const { from, to } = said.bare;
    const number = said.said(from, to);
    said.ask(
      `Is ${number} the distance or the time?`,
      placeOf(tokens, from, to),
      [`${number} ${context.printer.units.distance}`, `${number} min`].map((one) => ({ label: one, instead: one })),
    );
  }
  if (said.rest !== null && said.repeats === null)
    said.ask("A rest stands between pieces, for example 4x500 m 1:52 rest 2 min.");
  if (day > context.today) said.ask("It cannot have been done in the future.");
  if (metres === 0) said.ask("A distance of nothing was not covered.");
  // `bike 1:30` is an hour and a half as often as ninety seconds.
  if (time?.clock != null && metres === null && count === 1 && time.seconds < 600) {
    const [hours, minutes] = time.clock.split(":");
    said.ask(
      `Is ${time.clock} in hours or in minutes?`,
      time.place,
      [`${hours} h ${minutes} min`, `${hours} min ${minutes} s`].map((one) => ({ label: one, instead: one })),
    );
  }
}

/** The session as it was performed, with its pieces where there are several. */
function performed(planned: Session, said: Collected, { count, metres, seconds, total }: Pieces): Session {
  const purpose = said.purpose ?? (count > 1 ? "interval" : null);
  const session = completed(planned, total, {
    effort: said.effort,
    purpose,
    note: said.note.join(" "),
    ...said.energy,
  });
  if (count === 1) return session;
  return {
    ...session,
    repeats: seconds.map((one) => ({
      ...(metres === null ? {} : { metres }),
      ...(one === null ? {} : { seconds: one }),
      ...(said.rest === null ? {} : { restSeconds: said.rest }),
    })),
  };
}

/** What was understood, field by field. */
function fieldsOf(said: Collected, pieces: Pieces, purpose: string | null | undefined): ParsedEntry["fields"] {
  const { kind, line, rest, effort, note, energy } = said;
  const { printer } = line.context;
  const { count, metres, seconds, total } = pieces;
  const pace = pacePerKm([total]);
  const distance = (value: number) => printer.distanceOf(kind, value);
  const isEven = seconds.every((one) => one === seconds[0]);
  const times = () => (isEven ? `${count} × ${clockOf(seconds[0]!)}` : seconds.map((one) => clockOf(one!)).join(", "));
  const texts: [string, string | null | undefined][] = [
    [
      "distance",
      total.metres === null ? null : ofPieces(count, () => `${count} × ${distance(metres!)}`, distance(total.metres)),
    ],
    ["time", total.seconds === null ? null : ofPieces(count, times, clockOf(total.seconds))],
    [kind === "row" ? "split" : "pace", pace === null ? null : printer.paceOf(kind, pace)],
    ["rest", rest === null ? null : printer.duration(rest)],
    ["purpose", purpose],
    ["effort", effort === null ? null : String(effort)],
    ["energy", energy === null ? null : `${printer.energy(energy.kcal)}, ${energy.kcalIs}`],
    ["note", note.join(" ")],
  ];
  return texts.flatMap(([label, text]) => (text ? [{ label, text }] : []));
}

/** A total, behind the pieces it is made of where there are several. */
function ofPieces(count: number, pieces: () => string, total: string): string {
  return count > 1 ? `${pieces()} = ${total}` : total;
}

/** A time with the tenths it has. */
function clockOf(seconds: number): string {
  return printDuration(seconds, Math.round(seconds * 10) % 10 === 0 ? 0 : 1);
}

/** A session performed over a distance: what was covered, and what was said of it. */
export function completed(
  session: Session,
  done: { metres: number | null; seconds: number | null },
  said: { effort?: number | null; purpose?: string | null; note?: string } & Pick<Session, "kcal" | "kcalIs">,
): Session {
  return {
    ...session,
    status: "done",
    ...(done.seconds === null ? {} : { minutes: done.seconds / 60 }),
    ...(said.effort == null ? {} : { effort: said.effort }),
    ...(said.note ? { note: said.note } : {}),
    ...(said.kcal == null ? {} : { kcal: said.kcal, kcalIs: said.kcalIs }),
    distance: {
      ...session.distance,
      done: {
        ...(done.metres === null ? {} : { metres: done.metres }),
        ...(done.seconds === null ? {} : { seconds: done.seconds }),
      },
      ...(said.purpose ? { purpose: said.purpose } : {}),
    },
  };
}
