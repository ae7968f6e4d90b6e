import { type DistanceUnit, metresPer } from "../base/units/length";
import { type EnergyUnit, fromKcal } from "../base/units/energy";
import { printTyped } from "../base/units/number";
import { printDuration } from "../base/units/time";
import type { Session } from "../log/kinds/sessions";
import type { SessionValues } from "./forms";

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
  kcal: string;
  kcalIs: "" | "gross" | "net";
}

/** A session as its form shows it. Distance and time are what was done, or, before that, what is planned. */
export function sessionFields(session: Session, unit: DistanceUnit, energy: EnergyUnit): SessionFields {
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
    kcal: session.kcal == null ? "" : printTyped(fromKcal(session.kcal, energy), 0),
    kcalIs: session.kcalIs ?? "",
  };
}

/**
 * The session with those of its fields that were changed; all others stay to the last digit. A planned distance is done
 * by saving it.
 */
export function withSessionFields(
  session: Session,
  values: SessionValues,
  changed: ReadonlySet<keyof SessionFields>,
): Session {
  const next: Record<string, unknown> = { ...session };
  const write = (key: keyof Session & string, value: string | number | boolean | null) => {
    if (value === null || value === "" || value === false) delete next[key];
    else next[key] = value;
  };
  for (const key of ["title", "place", "note", "optional", "test", "effort", "feel", "kcal", "kcalIs"] as const)
    if (changed.has(key)) write(key, values[key]);
  if (changed.has("at")) write("time", values.at);
  if (!session.distance) {
    if (changed.has("minutes")) write("minutes", values.minutes);
    return next as Session;
  }
  const done: { metres?: number | null; seconds?: number | null } = {
    ...(session.distance.done ?? session.distance.planned),
  };
  if (changed.has("distance")) done.metres = values.distance;
  if (changed.has("time")) done.seconds = values.time;
  for (const key of ["metres", "seconds"] as const) if (done[key] == null) delete done[key];
  if (changed.has("time") || !session.distance.done) write("minutes", done.seconds == null ? null : done.seconds / 60);
  return { ...next, status: "done", distance: { ...session.distance, done } } as Session;
}
