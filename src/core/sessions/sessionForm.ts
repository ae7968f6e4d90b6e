import { type DistanceUnit, metresPer } from "../base/units/length";
import { parseDecimal } from "../base/units/number";
import { parseDuration, printDuration } from "../base/units/time";
import type { Session } from "../log/kinds/sessions";

/** What the form of a session as a whole holds, all of it as typed. */
export interface SessionFields {
  title: string;
  at: string;
  place: string;
  optional: boolean;
  test: boolean;
  distance: string;
  time: string;
  minutes: string;
  effort: string;
  feel: string;
  note: string;
}

/** A session as its form shows it. Distance and time are what was done, or, before that, what is planned. */
export function sessionFields(session: Session, unit: DistanceUnit): SessionFields {
  const covered = session.distance ? (session.distance.done ?? session.distance.planned ?? {}) : {};
  const number = (value: number | null | undefined, parts: number) =>
    value == null ? "" : String(Math.round(value * parts) / parts);
  return {
    title: session.title ?? "",
    at: session.time ?? "",
    place: session.place ?? "",
    optional: session.optional ?? false,
    test: session.test ?? false,
    distance: covered.metres == null ? "" : number(covered.metres / metresPer(unit), 1000),
    time: covered.seconds == null ? "" : printDuration(covered.seconds),
    minutes: number(session.minutes, 10),
    effort: session.effort == null ? "" : String(session.effort),
    feel: session.feel == null ? "" : String(session.feel),
    note: session.note ?? "",
  };
}

/**
 * The session with those of its fields that were changed; all others stay to the last digit. A planned distance is done
 * by saving it.
 */
export function withSessionFields(
  session: Session,
  fields: SessionFields,
  changed: ReadonlySet<keyof SessionFields>,
  unit: DistanceUnit,
): Session {
  const next: Record<string, unknown> = { ...session };
  const write = (key: keyof Session & string, value: string | number | true | null) => {
    if (value === null) delete next[key];
    else next[key] = value;
  };
  const text = (value: string) => value.trim() || null;
  if (changed.has("title")) write("title", text(fields.title));
  if (changed.has("place")) write("place", text(fields.place));
  if (changed.has("note")) write("note", text(fields.note));
  if (changed.has("at")) write("time", fields.at || null);
  if (changed.has("optional")) write("optional", fields.optional || null);
  if (changed.has("test")) write("test", fields.test || null);
  if (changed.has("effort")) write("effort", parseDecimal(fields.effort));
  if (changed.has("feel")) write("feel", parseDecimal(fields.feel));
  if (!session.distance) {
    if (changed.has("minutes")) write("minutes", parseDecimal(fields.minutes));
    return next as Session;
  }
  const done: { metres?: number | null; seconds?: number | null } = {
    ...(session.distance.done ?? session.distance.planned),
  };
  const [metres, seconds] = [parseDecimal(fields.distance), parseDuration(fields.time)];
  if (changed.has("distance")) done.metres = metres === null ? null : metres * metresPer(unit);
  if (changed.has("time")) done.seconds = seconds;
  for (const key of ["metres", "seconds"] as const) if (done[key] == null) delete done[key];
  if (changed.has("time") || !session.distance.done) write("minutes", done.seconds == null ? null : done.seconds / 60);
  return { ...next, status: "done", distance: { ...session.distance, done } } as Session;
}
