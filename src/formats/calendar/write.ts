import { dateOf, mustDay } from "@/core/base/calendar/day";
import { Printer } from "@/core/base/units/printer";
import type { AsOf } from "@/core/log/asOf";
import type { Session } from "@/core/log/kinds/sessions";
import { ownEvents } from "@/core/planning/classes";
import { plannedEffort } from "@/core/planning/plannedLoad";
import { plannedText } from "@/core/planning/plannedText";
import { effectiveStatus } from "@/core/sessions/adherence";
import { sessionsOf } from "@/core/sessions/slice";
import { titleOf } from "@/core/sessions/title";
import { strengthOf } from "@/core/strength/slice";
import ICAL from "ical.js";

/** Minutes of a session whose length is not planned. */
const usualMinutes = 60;

/**
 * What is planned from a day on as an iCalendar file (RFC 5545): an event a session, in civil time without a zone, of the
 * whole day where no time is planned; with an alarm before it where one is asked for.
 * @param writtenAt the instant of the export, ISO 8601; @param alarmMinutes before each that has a time; null for none
 */
export function writeCalendar(asOf: AsOf, writtenAt: string, alarmMinutes: number | null): string {
  const calendar = new ICAL.Component(["vcalendar", [], []]);
  calendar.addPropertyWithValue("version", "2.0");
  calendar.addPropertyWithValue("prodid", "-//Oat Column//Plan//EN");
  for (const session of sessionsOf(asOf).between(asOf.on, Infinity))
    if (effectiveStatus(session, asOf.on) === "planned")
      calendar.addSubcomponent(eventOf(asOf, session, writtenAt, alarmMinutes));
  return calendar.toString();
}

function eventOf(asOf: AsOf, session: Session, writtenAt: string, alarmMinutes: number | null): ICAL.Component {
  const event = new ICAL.Component("vevent");
  const add = (name: string, value: string | ICAL.Time | ICAL.Duration) => event.addPropertyWithValue(name, value);
  add("uid", `${session.id}${ownEvents}`);
  add("dtstamp", ICAL.Time.fromJSDate(new Date(writtenAt), true));
  const minutes = plannedEffort(session).minutes ?? usualMinutes;
  if (session.time == null) {
    add("dtstart", ICAL.Time.fromDateString(session.date));
    add("dtend", ICAL.Time.fromDateString(dateOf(mustDay(session.date) + 1)));
  } else {
    add("dtstart", ICAL.Time.fromDateTimeString(`${session.date}T${session.time}:00`));
    add("duration", ICAL.Duration.fromSeconds(Math.round(minutes * 60)));
  }
  add("summary", titleOf(session));
  add("description", plannedText(session, strengthOf(asOf).exercises(), new Printer(asOf.units)));
  if (session.place != null) add("location", session.place);
  if (session.links?.[0] !== undefined) add("url", session.links[0]);
  if (alarmMinutes !== null && session.time != null) {
    const alarm = new ICAL.Component("valarm");
    alarm.addPropertyWithValue("action", "DISPLAY");
    alarm.addPropertyWithValue("description", titleOf(session));
    alarm.addPropertyWithValue("trigger", ICAL.Duration.fromSeconds(-60 * alarmMinutes));
    event.addSubcomponent(alarm);
  }
  return event;
}
