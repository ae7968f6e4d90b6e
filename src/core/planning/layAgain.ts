import { dateOf, type Day, mustDay } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import type { StandardWeek } from "../log/kinds/standardWeeks";
import { type Change, put } from "../log/records";
import { effectiveStatus } from "../sessions/adherence";
import { firstDateOf } from "../sessions/firstPlan";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { strengthOf } from "../strength/slice";
import { isOpen } from "./cycleSessions";
import { plannedText } from "./plannedText";
import type { ProposedSession } from "./proposal";

/** A session by the day on which it was first planned and its title. */
export const placeOfPlan = (session: Session): string => `${firstDateOf(session)} ${titleOf(session)}`;

/** Whether a session was laid of a standard week in another of its forms: as it is, easy or hard. */
export function isOfOtherForm({ standardWeekId }: Session, laid: StandardWeek, family: ReadonlySet<string>): boolean {
  return standardWeekId != null && standardWeekId !== laid.id && family.has(standardWeekId);
}

/** What is known of a week before something is laid over it. */
export interface KnownWeek {
  /** Sessions that stand in it. */
  standing: Session[];
  /** Sessions that were first planned in it and now stand in another. */
  away: Session[];
}

export function knownWeek(asOf: AsOf, start: Day): KnownWeek {
  const standing = sessionsOf(asOf).ofWeek(start);
  const left = Array.from(
    { length: 7 },
    (_, at) =>
      sessionsOf(asOf)
        .movedFrom()
        .get(dateOf(start + at)) ?? [],
  ).flat();
  return { standing, away: left.filter((session) => !standing.includes(session)) };
}

/** Whether a session that was laid of a standard week was taken out by hand. */
export function isLeftOut(week: StandardWeek, session: Session): boolean {
  return (week.leftOut ?? []).some(({ date, title }) => date === session.date && title === titleOf(session));
}

/** A week as it was laid: what is written of it, each line of it, and what then stands in it. */
export interface LaidWeek {
  change: Change;
  lines: ProposedSession[];
  standing: Session[];
}

/**
 * A standard week laid over one that may have it already: nothing is planned a second time, wherever it was moved to.
 * What was taken out by hand stays out. An easy or hard week takes the place of the ordinary one, session by session,
 * where nobody changed that by hand; an ordinary one never takes the place of those.
 * @param laid the standard week, or the variant of it that stands for it
 * @param written the sessions that it asks for
 * @param family the ids of the standard week and of its variants
 */
export function laidOver(
  asOf: AsOf,
  {
    laid,
    written,
    family,
    start,
  }: { laid: StandardWeek; written: readonly Session[]; family: ReadonlySet<string>; start: Day },
): LaidWeek {
  const exercises = strengthOf(asOf).exercises();
  const { standing, away } = knownWeek(asOf, start);
  const there = new Set([...standing, ...away].flatMap((one) => [placeOfPlan(one), `${one.date} ${titleOf(one)}`]));
  const change: Change = [];
  const lines: ProposedSession[] = [];
  const tell = (session: Session, what: ProposedSession["what"], text: string) =>
    lines.push({ date: session.date, title: titleOf(session), what, text });
  const text = (session: Session) => plannedText(session, exercises, asOf.printer);

  // Sessions of the same standard week in its other form, to be taken for those that are asked for now.
  const others = standing.filter((one) => isOfOtherForm(one, laid, family));
  const open = others.filter((one) => isOpen(one) && one.first == null && mustDay(one.date) >= asOf.on);
  const isVariant = laid.variantOf != null;
  const replaced = new Map<Session, Session | null>(isVariant ? open.map((one) => [one, null]) : []);
  const added: Session[] = [];
  for (const session of written) {
    if (mustDay(session.date) < asOf.on) continue;
    const ofDay = others.filter((one) => firstDateOf(one) === session.date);
    const held =
      ofDay.find((one) => replaced.get(one) === null && titleOf(one) === titleOf(session)) ??
      ofDay.find((one) => replaced.get(one) === null);
    if (held !== undefined) replaced.set(held, { ...session, id: held.id });
    else if (there.has(`${session.date} ${titleOf(session)}`) || ofDay.length > 0) {
      const moved = away.find((one) => placeOfPlan(one) === placeOfPlan(session));
      if (moved !== undefined) tell(session, "stays", `moved to ${moved.date}`);
    } else if (isLeftOut(laid, session)) tell(session, "stays", "taken out by hand; it stays out");
    else added.push(session);
  }
  for (const one of standing) {
    const next = replaced.get(one);
    if (next === undefined) {
      const status = effectiveStatus(one, asOf.on);
      tell(one, "stays", status === "planned" ? "as it is planned" : status);
    } else if (next === null) {
      change.push({ remove: { kind: "sessions", id: one.id, date: one.date } });
      tell(one, "removed", `not in ${laid.name}`);
    } else {
      change.push(put("sessions", next, one));
      tell(next, "changed", text(next));
    }
  }
  for (const session of added) {
    change.push(put("sessions", session));
    tell(session, "new", text(session));
  }
  const kept = standing.flatMap((one) => {
    const next = replaced.get(one);
    return next === undefined ? [one] : next === null ? [] : [next];
  });
  return { change, lines, standing: [...kept, ...added] };
}
