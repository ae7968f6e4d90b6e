import { dateOf, mustDay } from "@/core/base/calendar/day";
import { groupBy } from "@/core/base/calendar/groupBy";
import { messageOf } from "@/core/base/messageOf";
import { type CalendarEvent, ownEvents } from "@/core/planning/classes";
import ICAL from "ical.js";

/** Days of which events are taken, both ends, and the time zone to whose civil time they are brought. */
export interface CalendarAsk {
  from: string;
  to: string;
  zone: string;
}

export interface CalendarRead {
  events: CalendarEvent[];
  /** Events that were left out, and why. */
  left: { title: string; why: string }[];
}

/** More than this of one event, or in all, is no calendar of classes. */
const [stepsAtMost, stepsInAll, eventsAtMost, longest] = [20_000, 1_000_000, 5000, 5_000_000];

/**
 * The events of an iCalendar file (RFC 5545) on some days: recurring ones once for each day, without those that are excepted;
 * times in the trainee's civil time, whichever zone the file names (by its own definitions, else by the zone's name).
 * @returns what is wrong, in words, where the file is no calendar
 */
export function readCalendar(text: string, ask: CalendarAsk): CalendarRead | { problem: string } {
  if (text.length > longest) return { problem: "The file is larger than a calendar of classes can be (5 MB)." };
  let calendars: ICAL.Component[];
  try {
    const parsed = ICAL.parse(text) as unknown[];
    const all = (typeof parsed[0] === "string" ? [parsed] : parsed) as ConstructorParameters<
      typeof ICAL.Component
    >[0][];
    calendars = all.map((one) => new ICAL.Component(one)).filter(({ name }) => name === "vcalendar");
  } catch (error) {
    return { problem: `This is no iCalendar file: ${messageOf(error)}` };
  }
  if (calendars.length === 0) return { problem: "This is no iCalendar file: it holds no calendar." };
  const read: Reading = { events: [], left: [], steps: 0 };
  for (const calendar of calendars) {
    const zones = new Set<string>();
    for (const zone of calendar.getAllSubcomponents("vtimezone")) {
      ICAL.TimezoneService.register(zone);
      zones.add(String(zone.getFirstPropertyValue("tzid")));
    }
    try {
      eventsOf(calendar, zones, ask, read);
    } finally {
      ICAL.TimezoneService.reset();
    }
  }
  const { events, left } = read;
  if (events.length > eventsAtMost) return { problem: `It holds more than ${eventsAtMost} events in these days.` };
  events.sort((a, b) => (a.date + (a.time ?? "") < b.date + (b.time ?? "") ? -1 : 1));
  return { events, left };
}

/** What was read so far, and how many occurrences were gone through for it. */
type Reading = CalendarRead & { steps: number };

function eventsOf(calendar: ICAL.Component, zones: ReadonlySet<string>, ask: CalendarAsk, read: Reading): void {
  const components = calendar.getAllSubcomponents("vevent");
  const uidOf = (one: ICAL.Component) => String(one.getFirstPropertyValue("uid"));
  const exceptions = groupBy(
    components.filter((one) => one.hasProperty("recurrence-id")),
    uidOf,
  );
  for (const component of components) {
    if (read.events.length > eventsAtMost) return;
    if (component.hasProperty("recurrence-id")) continue;
    const event = new ICAL.Event(component, {
      exceptions: exceptions.get(uidOf(component)) ?? [],
    } as ConstructorParameters<typeof ICAL.Event>[1]);
    const title = (event.summary || "Class").trim().slice(0, 200);
    const leave = (why: string) => read.left.push({ title, why });
    try {
      if (!event.startDate) leave("it has no beginning");
      else if (!event.isRecurring()) take(event, event.startDate, event.endDate, event.uid, title, zones, ask, read);
      else recurring(event, title, zones, ask, read, leave);
    } catch (error) {
      leave(messageOf(error));
    }
  }
}

function recurring(
  event: ICAL.Event,
  title: string,
  zones: ReadonlySet<string>,
  ask: CalendarAsk,
  read: Reading,
  leave: (why: string) => void,
): void {
  const rules = event.component
    .getAllProperties("rrule")
    .map((one) => String((one.getFirstValue() as ICAL.Recur).freq));
  if (rules.some((freq) => ["SECONDLY", "MINUTELY", "HOURLY"].includes(freq)))
    return leave("it recurs oftener than daily");
  const iterator = event.iterator();
  // No zone is two days from another: what lies further back is passed over as it stands.
  const long = dateOf(mustDay(ask.from) - 2);
  const isPlain = Object.keys(event.exceptions).length === 0;
  for (let step = 0; step < stepsAtMost; step++) {
    if (++read.steps > stepsInAll) return leave("the file goes through more days than a calendar of classes can");
    const next = iterator.next();
    if (!next) return;
    if (isPlain && dated(next) < long) continue;
    if (read.events.length > eventsAtMost) return;
    const details = event.getOccurrenceDetails(next);
    const day = civil(next, zones, ask.zone).date;
    if (day > ask.to) return;
    if (day < ask.from && details.startDate.compare(next) === 0) continue;
    take(details.item, details.startDate, details.endDate, `${event.uid}|${day}`, title, zones, ask, read);
  }
  leave("it recurs without an end that could be reached");
}

function take(
  { component, summary, location, description }: ICAL.Event,
  start: ICAL.Time,
  end: ICAL.Time | null,
  source: string,
  title: string,
  zones: ReadonlySet<string>,
  ask: CalendarAsk,
  read: CalendarRead,
): void {
  const { date, time } = civil(start, zones, ask.zone);
  if (date < ask.from || date > ask.to) return;
  const minutes = end === null || start.isDate ? 0 : Math.round(end.subtractDate(start).toSeconds() / 60);
  read.events.push({
    source,
    date,
    time,
    minutes: minutes > 0 && minutes <= 1440 ? minutes : null,
    title: (summary || title).trim().slice(0, 200),
    place: (location ?? "").trim().slice(0, 200),
    note: source.endsWith(ownEvents) ? "" : (description ?? "").trim().slice(0, 2000),
    link: String(component.getFirstPropertyValue("url") ?? "").slice(0, 2000),
    cancelled: String(component.getFirstPropertyValue("status") ?? "").toUpperCase() === "CANCELLED",
  });
}

/** The civil day and time of a moment in a zone; a day without a time, and a time without a zone, are what they say. */
function civil(time: ICAL.Time, zones: ReadonlySet<string>, zone: string): { date: string; time: string | null } {
  const date = dated(time);
  if (time.isDate) return { date, time: null };
  const clock = `${pad(time.hour)}:${pad(time.minute)}`;
  const tzid = time.zone?.tzid ?? "floating";
  if (tzid === "UTC") return inZone(Date.UTC(time.year, time.month - 1, time.day, time.hour, time.minute), zone);
  if (zones.has(tzid)) return inZone(time.toUnixTime() * 1000, zone);
  // A zone that the file does not define is known by its name.
  const named = (time as unknown as { timezone?: string }).timezone ?? (tzid === "floating" ? null : tzid);
  return named == null || named === "floating" || clockOf(named) === null
    ? { date, time: clock }
    : inZone(momentIn(named, time), zone);
}

const dated = ({ year, month, day }: ICAL.Time): string => `${pad(year, 4)}-${pad(month)}-${pad(day)}`;

/** What prints a moment in a zone, by the zone's name; null for one that there is none of. */
const clocks = new Map<string, Intl.DateTimeFormat | null>();
const clocksAtMost = 1000;

function clockOf(name: string): Intl.DateTimeFormat | null {
  const known = clocks.get(name);
  if (known !== undefined) return known;
  if (clocks.size >= clocksAtMost) clocks.clear();
  let clock: Intl.DateTimeFormat | null = null;
  try {
    clock = new Intl.DateTimeFormat("en-GB", {
      timeZone: name,
      year: "numeric",
      month: "2-digit",
      day: "2-digit",
      hour: "2-digit",
      minute: "2-digit",
      hourCycle: "h23",
    });
  } catch {
    // No zone of that name.
  }
  clocks.set(name, clock);
  return clock;
}

/** The moment at which a zone's clocks say so: found from how far they are from what they are asked to say. */
function momentIn(zone: string, { year, month, day, hour, minute }: ICAL.Time): number {
  const wanted = Date.UTC(year, month - 1, day, hour, minute);
  let moment = wanted;
  for (let round = 0; round < 2; round++) {
    const said = inZone(moment, zone);
    moment += wanted - Date.parse(`${said.date}T${said.time}:00Z`);
  }
  return moment;
}

function inZone(moment: number, zone: string): { date: string; time: string } {
  const clock = clockOf(zone);
  if (clock === null) throw new RangeError(`there is no time zone ${zone}`);
  const parts = clock.formatToParts(moment);
  const of = (type: Intl.DateTimeFormatPartTypes) => parts.find((part) => part.type === type)!.value;
  return { date: `${of("year")}-${of("month")}-${of("day")}`, time: `${of("hour")}:${of("minute")}` };
}

const pad = (value: number, length = 2): string => String(value).padStart(length, "0");

/** The days of which a calendar is read: from today on, so many. */
export const daysAhead = (today: number, days: number): Pick<CalendarAsk, "from" | "to"> => ({
  from: dateOf(today),
  to: dateOf(today + days),
});
