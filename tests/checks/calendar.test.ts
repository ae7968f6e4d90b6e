// iCalendar both ways against a general library that reads and writes it (ts-ics), and against examples of RFC 5545,
// 3.8.5.3 (recurrence, from memory): what is written here is read there, and the other way round.
import { type CalendarEvent, classesFrom } from "@/core/planning/classes";
import { AsOf } from "@/core/log/asOf";
import type { Session } from "@/core/log/kinds/sessions";
import { type CalendarAsk, readCalendar } from "@/formats/calendar/read";
import { writeCalendar } from "@/formats/calendar/write";
import { convertIcsCalendar, generateIcsCalendar, type IcsCalendar } from "ts-ics";
import { describe, expect, it } from "vitest";
import { smallAsOf } from "../smallLog";

const today = "2026-06-11";
const asOf = (sessions: object[]): AsOf => smallAsOf(today, { exercises: [{ id: "squat", name: "Squat" }], sessions });
const year: CalendarAsk = { from: today, to: "2027-06-11", zone: "Europe/Lisbon" };
const events = (text: string, ask: Partial<CalendarAsk> = {}): CalendarEvent[] => {
  const read = readCalendar(text, { ...year, ...ask });
  if ("problem" in read) throw new Error(read.problem);
  return read.events;
};
const calendar = (...lines: string[]) =>
  ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//A//B//EN", ...lines, "END:VCALENDAR", ""].join("\r\n");
const event = (...lines: string[]) => ["BEGIN:VEVENT", "UID:u1", "DTSTAMP:20260101T000000Z", ...lines, "END:VEVENT"];

describe("what is planned, as a calendar", () => {
  const planned = asOf([
    {
      id: "s1",
      date: "2026-06-12",
      time: "18:00",
      kind: "strength",
      status: "planned",
      title: "Legs, heavy; with a pause",
      place: "Boathouse gym",
      planned: { minutes: 75, effort: 7 },
      items: [{ id: "i", exerciseId: "squat", sets: [{ id: "1", planned: { reps: 5, kg: 100 } }] }],
    },
    { id: "s2", date: "2026-06-13", kind: "row", status: "planned", distance: { planned: { metres: 8000 } } },
    { id: "s3", date: "2026-06-10", kind: "run", status: "done" },
  ]);
  const text = writeCalendar(planned, "2026-06-11T06:00:00Z", 30);
  it("is read by a general library: times, days, texts and alarms", () => {
    const read = convertIcsCalendar(undefined, text);
    expect(read.events!.map(({ uid, summary, location }) => [uid, summary, location])).toEqual([
      ["s1@oat-column", "Legs, heavy; with a pause", "Boathouse gym"],
      ["s2@oat-column", "Row", undefined],
    ]);
    const [legs, row] = read.events!;
    expect(legs!.start.date.toISOString()).toContain("T18:00");
    expect(legs!.duration).toMatchObject({ hours: 1, minutes: 15 });
    expect(legs!.description).toContain("Squat 1 × 5 at 100 kg");
    expect(legs!.alarms).toHaveLength(1);
    expect(row!.start.type).toBe("DATE");
  });
  it("comes back as the same sessions: nothing is planned twice, and a moved event moves its session", () => {
    expect(classesFrom(planned, events(text), () => "new").change).toEqual([]);
    const moved = events(text.replace("20260612T180000", "20260614T093000"));
    const [step] = classesFrom(planned, moved, () => "new").change;
    expect((step as { put: Session }).put).toMatchObject({
      id: "s1",
      date: "2026-06-14",
      time: "09:30",
      movedFrom: "2026-06-12",
      title: "Legs, heavy; with a pause",
      planned: { minutes: 75, effort: 7 },
    });
  });
});

describe("a calendar of classes", () => {
  it("written by a general library is read: recurring, each occurrence once", () => {
    const start = new Date("2026-06-15T17:30:00Z");
    const made: IcsCalendar = {
      version: "2.0",
      prodId: "-//Club//Classes//EN",
      events: [
        {
          uid: "yoga",
          stamp: { date: new Date("2026-06-01T00:00:00Z") },
          summary: "Mobility",
          start: { date: start },
          duration: { minutes: 45 },
          recurrenceRule: { frequency: "WEEKLY", count: 4 },
          exceptionDates: [{ date: new Date("2026-06-29T17:30:00Z") }],
        },
      ],
    };
    // Lisbon is an hour ahead of UTC in summer.
    expect(
      events(generateIcsCalendar(made)).map(({ date, time, minutes, title }) => [date, time, minutes, title]),
    ).toEqual([
      ["2026-06-15", "18:30", 45, "Mobility"],
      ["2026-06-22", "18:30", 45, "Mobility"],
      ["2026-07-06", "18:30", 45, "Mobility"],
    ]);
  });
  it("recurs as RFC 5545 says: every other week on Tuesday and Thursday, eight times", () => {
    // ==> (1997 9:00 AM EDT) September 2,4,16,18,30; October 2,14,16
    const text = calendar(
      ...event(
        "DTSTART;TZID=America/New_York:19970902T090000",
        "RRULE:FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH",
        "SUMMARY:Class",
      ),
    );
    const found = events(text, { from: "1997-01-01", to: "1997-12-31", zone: "America/New_York" });
    expect(found.map(({ date }) => date.slice(5))).toEqual([
      "09-02",
      "09-04",
      "09-16",
      "09-18",
      "09-30",
      "10-02",
      "10-14",
      "10-16",
    ]);
    expect(new Set(found.map(({ time }) => time))).toEqual(new Set(["09:00"]));
  });
  it("recurs on the first Friday of a month, ten times", () => {
    // ==> (1997 9:00 AM EDT) September 5; October 3; November 7; December 5; (1998) January 2; February 6; March 6; April 3; May 1; June 5
    const text = calendar(
      ...event(
        "DTSTART;TZID=America/New_York:19970905T090000",
        "RRULE:FREQ=MONTHLY;COUNT=10;BYDAY=1FR",
        "SUMMARY:Class",
      ),
    );
    expect(events(text, { from: "1997-01-01", to: "1998-12-31" }).map(({ date }) => date.slice(5))).toEqual([
      "09-05",
      "10-03",
      "11-07",
      "12-05",
      "01-02",
      "02-06",
      "03-06",
      "04-03",
      "05-01",
      "06-05",
    ]);
  });
  it("brings zones to civil time: by the file's own definition, by name, and none for a floating time", () => {
    const zone = [
      "BEGIN:VTIMEZONE",
      "TZID:Club time",
      "BEGIN:STANDARD",
      "DTSTART:19700101T000000",
      "TZOFFSETFROM:+0500",
      "TZOFFSETTO:+0500",
      "TZNAME:CT",
      "END:STANDARD",
      "END:VTIMEZONE",
    ];
    const at = (start: string, ...more: string[]) => events(calendar(...more, ...event(start, "SUMMARY:Class")))[0]!;
    // 20:00 five hours ahead of UTC is 15:00 UTC, 16:00 in Lisbon in June.
    expect(at("DTSTART;TZID=Club time:20260620T200000", ...zone)).toMatchObject({ date: "2026-06-20", time: "16:00" });
    // Half past midnight in Tokyo is half past four in the afternoon before, in Lisbon.
    expect(at("DTSTART;TZID=Asia/Tokyo:20260620T003000")).toMatchObject({ date: "2026-06-19", time: "16:30" });
    expect(at("DTSTART:20260620T070000Z")).toMatchObject({ time: "08:00" });
    expect(at("DTSTART:20260620T070000")).toMatchObject({ time: "07:00" });
    expect(at("DTSTART;VALUE=DATE:20260620")).toMatchObject({ date: "2026-06-20", time: null });
  });
  it("has occurrences of its own moved and cancelled, and changes what it brought before", () => {
    const text = calendar(
      ...event(
        "DTSTART:20260616T180000",
        "DURATION:PT1H",
        "RRULE:FREQ=WEEKLY;COUNT=3",
        "SUMMARY:Spin",
        "LOCATION:Hall 2",
      ),
      ...event(
        "RECURRENCE-ID:20260623T180000",
        "DTSTART:20260624T190000",
        "DURATION:PT1H",
        "SUMMARY:Spin",
        "LOCATION:Hall 2",
      ),
    );
    const first = classesFrom(asOf([]), events(text), counter()).change.map((step) => (step as { put: Session }).put);
    expect(first.map(({ date, time, place, booked, planned }) => [date, time, place, booked, planned])).toEqual([
      ["2026-06-16", "18:00", "Hall 2", true, { minutes: 60 }],
      ["2026-06-24", "19:00", "Hall 2", true, { minutes: 60 }],
      ["2026-06-30", "18:00", "Hall 2", true, { minutes: 60 }],
    ]);
    const later = asOf(first);
    expect(classesFrom(later, events(text), counter()).change).toEqual([]);
    const changed = events(text.replace("DTSTART:20260624T190000", "DTSTART:20260625T200000\r\nSTATUS:CANCELLED"));
    const found = classesFrom(later, changed, counter());
    expect(found.sessions.map(({ what }) => what).sort()).toEqual(["removed", "stays", "stays"]);
  });
  it("has an occurrence from long before the days asked for moved into them", () => {
    const text = calendar(
      ...event("DTSTART:20200106T180000", "RRULE:FREQ=WEEKLY;UNTIL=20200201T000000", "SUMMARY:Yoga"),
      ...event("RECURRENCE-ID:20200113T180000", "DTSTART:20260620T190000", "SUMMARY:Yoga"),
    );
    expect(events(text).map(({ date, time }) => `${date} ${time}`)).toEqual(["2026-06-20 19:00"]);
  });
  it("that is none, endless or hostile is refused or left out with its reason", () => {
    expect(readCalendar("not a calendar", year)).toHaveProperty("problem");
    expect(readCalendar("", year)).toHaveProperty("problem");
    expect(readCalendar("BEGIN:VCARD\r\nEND:VCARD\r\n", year)).toEqual({
      problem: "This is no iCalendar file: it holds no calendar.",
    });
    expect(readCalendar("x".repeat(6_000_000), year)).toEqual({
      problem: "The file is larger than a calendar of classes can be (5 MB).",
    });
    const left = readCalendar(
      calendar(...event("DTSTART:20260616T180000", "RRULE:FREQ=SECONDLY", "SUMMARY:Tick")),
      year,
    );
    expect(left).toEqual({ events: [], left: [{ title: "Tick", why: "it recurs oftener than daily" }] });
    const many = Array.from({ length: 400 }, (_, index) =>
      event("DTSTART:20260601T180000", "RRULE:FREQ=DAILY").map((line) => line.replace("u1", `u${index}`)),
    );
    expect(readCalendar(calendar(...many.flat()), year)).toEqual({
      problem: "It holds more than 5000 events in these days.",
    });
    // Daily without an end: as far as the days that are asked for.
    expect(events(calendar(...event("DTSTART:20200101T070000", "RRULE:FREQ=DAILY", "SUMMARY:Walk")))).toHaveLength(366);
  });
});

function counter(): () => string {
  let at = 0;
  return () => `new-${++at}`;
}
