import { dateOf, mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import { type Log, putRecord } from "@/core/log/log";
import type { RecordKind, RecordOf } from "@/core/log/records";
import { demoLog, rowerId } from "@/demo/demoLog";
import { beforeEach, describe, expect, it } from "vitest";
import { Answers, everyView, type Queries, type QueryName } from "./queries";

const today = mustDay("2026-06-11");
const [first, last] = ["1900-01-01", "2100-12-31"];
const personId = rowerId;
const record =
  <K extends RecordKind>(kind: K, given: RecordOf<K>) =>
  (log: Log) =>
    putRecord(log, kind, given);
const goal = (given: Partial<RecordOf<"goals">> & Pick<RecordOf<"goals">, "by">) =>
  record("goals", { id: "zz", personId, of: "weight", startDate: "2026-06-01", startKg: 72, targetKg: 60, ...given });
const moved = (which: (session: RecordOf<"sessions">) => boolean, date: string, id: string) => (log: Log) => {
  putRecord(log, "sessions", {
    ...[...log.records.sessions.values()].find(
      (one) => one.personId === personId && one.status === "done" && which(one),
    )!,
    id,
    date,
  });
};
const lifting = ({ items }: RecordOf<"sessions">) => (items ?? []).length > 0;
const running = ({ distance }: RecordOf<"sessions">) => distance != null;

/** A record of every kind that bears a date, at one end of what a date may be. */
const everyKind = (date: string): ((log: Log) => void)[] => [
  record("weighIns", { id: "x", personId, date, kg: 72 }),
  moved(lifting, date, "x"),
  moved(running, date, "y"),
  record("blocks", { id: "x", personId, name: "x", startDate: date, days: 1000 }),
  record("meals", { id: "x", personId, date, name: "a", nutrients: { kcal: 500 } }),
  record("dayNotes", { id: "x", personId, date, text: "a", levelMayJump: true }),
  record("energySettings", { id: "x", personId, from: date }),
  record("maxima", { id: "x", personId, exerciseId: "back-squat", date, kg: 130, tested: true }),
  record("photos", { id: "x", personId, date, file: "a.jpg" }),
  (log) => putRecord(log, "people", { ...log.records.people.get(personId)!, birthDate: date }),
  (log) =>
    putRecord(log, "readings", { id: "x", personId, measureId: [...log.records.measures.keys()][0]!, date, value: 30 }),
];

const far: [string, ((log: Log) => void)[]][] = [
  [`records of every kind on ${first}`, everyKind(first)],
  [`records of every kind on ${last}`, everyKind(last)],
  ["a goal from long ago", [goal({ startDate: first, by: { date: "2026-12-31" } })]],
  ["a goal far ahead", [goal({ by: { date: last } })]],
  [
    "a goal from end to end",
    [goal({ startDate: first, startKg: 900, targetKg: 2, by: { date: last }, milestonesKg: [800, 700, 600, 500] })],
  ],
  [
    "a goal that begins at the end",
    [goal({ startDate: "2100-01-01", startKg: 900, targetKg: 2, by: { rateKgPerWeek: 0.2 } })],
  ],
  ["a goal at the lowest rate", [goal({ startKg: 90, by: { rateKgPerWeek: 0.006 } })]],
];

/**
 * So much of the processor's time a view may take, in milliseconds, however busy the machine is; on a quiet one the
 * slowest took 400. What it was before: 6 to 11 s a view.
 */
const atMost = 3000;

describe("a date at the end of what it may be", () => {
  let slowest: [string, number];
  beforeEach(() => {
    slowest = ["", 0];
  });

  it.each(far)("%s: every view and the headless figures answer at once", (_, adding) => {
    const log = demoLog(today);
    for (const add of adding) add(log);
    const timed = (what: string, work: () => unknown) => {
      const begun = process.cpuUsage();
      work();
      const { user, system } = process.cpuUsage(begun);
      const took = (user + system) / 1000;
      if (took > slowest[1]) slowest = [what, took];
    };
    const answers = new Answers(log, () => "new");
    const asking = { personId, today: dateOf(today) };
    const asked = <N extends QueryName>(name: N, asks: Queries[N]["asks"]) =>
      timed(`${name} ${JSON.stringify(asks)}`, () => answers.answer(name, asks));
    for (const { name, asks } of everyView(asking)) asked(name, asks as never);
    for (const date of [first, last]) {
      const around = {
        from: dateOf(Math.max(mustDay(first), mustDay(date) - 30)),
        to: dateOf(Math.min(mustDay(last), mustDay(date) + 30)),
      };
      asked("day", { ...asking, date });
      asked("food", { ...asking, date });
      asked("column", { ...asking, ...around });
      asked("ledger", { ...asking, ...around });
    }
    asked("work", { ...asking, from: first, to: last });
    asked("distance", { ...asking, days: null });
    asked("report", { ...asking, of: "weight", from: null, until: null });
    for (const on of [first, dateOf(today), last]) timed(`figures on ${on}`, () => contract(log, mustDay(on)));
    expect(slowest[1], slowest[0]).toBeLessThan(atMost);
  });
});
