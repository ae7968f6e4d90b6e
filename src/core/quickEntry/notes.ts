import { dateOf } from "../base/calendar/day";
import { folded } from "../base/text";
import { isMark } from "../entry/amounts";
import type { EntryChoice, Line, ParsedEntry } from "../entry/parsedEntry";
import { nothingWritten, placeOf, reading, rewritten } from "../entry/parsedEntry";
import { put } from "../log/records";

export function readNote(line: Line): ParsedEntry {
  const { tokens, text, day, context } = line;
  const from = isMark(tokens[1], ":") ? 2 : 1;
  const date = dateOf(day);
  if (tokens.length <= from)
    return reading("note", date, { problems: [{ ...placeOf(tokens, 0, 1), message: "The note is missing." }] });
  const said = text.slice(tokens[from]!.start, tokens.at(-1)!.end);
  const held = context.noteOn(day);
  const record = {
    ...(held ?? { id: context.newId(), personId: context.personId, date }),
    text: held?.text ? `${held.text}\n${said}` : said,
  };
  return reading("note", date, {
    fields: [{ label: "note of the day", text: said }, ...(held?.text ? [{ label: "behind", text: held.text }] : [])],
    change: [put("dayNotes", record, held ?? undefined)],
    written: { ...nothingWritten, dayNote: said },
    label: `Note: ${said}`,
  });
}

export function readSkip({ text, tokens, day, context }: Line): ParsedEntry {
  const date = dateOf(day);
  const [skip] = tokens;
  const rest = tokens.length > 1 ? text.slice(tokens[1]!.start, tokens.at(-1)!.end) : "";
  const place = { start: skip!.start, end: skip!.end };
  const open = context.sessionsOn(day).filter(({ status }) => status === "planned");
  const titleOf = (session: (typeof open)[number]) => session.title || session.kind;
  const named = open.filter((session) => rest !== "" && folded(rest).startsWith(folded(titleOf(session))));
  const chosen = named.length > 0 ? named : open;
  if (chosen.length === 0)
    return reading("skip", date, {
      problems: [{ ...place, message: "Nothing is planned and still open on that day." }],
    });
  if (chosen.length > 1)
    return reading("skip", date, {
      problems: [{ ...place, message: "Several sessions are planned. Which one?" }],
      choices: chosen.map((session): EntryChoice => ({
        label: titleOf(session),
        text: rewritten(text, [{ ...place, text: `${text.slice(place.start, place.end)} ${titleOf(session)}` }]),
      })),
    });
  const session = chosen[0]!;
  const reason = named.length > 0 ? rest.slice(titleOf(session).length).trim() : rest;
  return reading("skip", date, {
    fields: [{ label: "skip", text: titleOf(session) }, ...(reason ? [{ label: "reason", text: reason }] : [])],
    change: [put("sessions", { ...session, status: "skipped", ...(reason ? { reason } : {}) }, session)],
    label: `${titleOf(session)} skipped`,
    written: { ...nothingWritten, sessions: [] },
  });
}
