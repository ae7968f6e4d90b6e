import { describe, expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { mustDay } from "../base/calendar/day";
import type { Session } from "../log/kinds/sessions";
import { entryView } from "./entryView";
import { pastedPlan, type PastedPlanAsk } from "./pastedPlan";

/** Thursday. */
const today = "2026-06-11";
const exercises = [
  { id: "squat", name: "Squat", equipment: "barbell" },
  { id: "bench", name: "Bench press" },
];
const counter = () => {
  let at = 0;
  return () => `new-${++at}`;
};
const asOf = (sessions: object[] = []) => smallAsOf(today, { exercises, sessions });
const paste = (text: string, more: Partial<PastedPlanAsk> = {}, sessions: object[] = []) =>
  pastedPlan(asOf(sessions), { text, count: "from", day: "2026-06-15", kind: "run", ...more }, counter());
const puts = ({ change }: ReturnType<typeof paste>) =>
  change.flatMap((step) => ("put" in step ? [step.put as Session] : []));

describe("a written plan", () => {
  it("of eight weeks is counted back from its race", () => {
    // Race on Sunday 4 October 2026, in week 8, which begins on Monday 28 September; week 1 begins 7 × 7 = 49 days before it.
    const text = Array.from(
      { length: 8 },
      (_, index) => `W${index + 1} Tue 8 km easy\nW${index + 1} Sun ${16 + index} km long`,
    ).join("\n");
    const found = puts(paste(text, { count: "to", day: "2026-10-04" }));
    expect(found).toHaveLength(16);
    expect([found[0]!.date, found[1]!.date, found[14]!.date, found[15]!.date]).toEqual([
      "2026-08-11",
      "2026-08-16",
      "2026-09-29",
      "2026-10-04",
    ]);
    // 8 × 8 + (16 + … + 23) = 64 + 156 km.
    expect(found.reduce((sum, { distance }) => sum + distance!.planned!.metres!, 0)).toBe(220_000);
    expect(found[0]).toMatchObject({
      kind: "run",
      title: "8 km easy",
      status: "planned",
      distance: { purpose: "easy" },
    });
  });
  it("has pieces with their pace and rest, exercises with their sets, and days of rest", () => {
    const found = paste(
      "Week 1\nMon rest\nTue: 6x800 m 3:20 rest 2 min\nWed squat 5x3 75 %; 5 km easy\nThu off\nFri row 60 min steady\nSat strength",
    );
    expect(found.notUnderstood).toEqual([]);
    const sessions = puts(found);
    expect(sessions.map(({ date, kind, title }) => [date, kind, title])).toEqual([
      ["2026-06-16", "run", "6x800 m 3:20 rest 2 min"],
      ["2026-06-17", "strength", "squat 5x3 75 %"],
      ["2026-06-17", "run", "5 km easy"],
      ["2026-06-19", "row", "row 60 min steady"],
      ["2026-06-20", "strength", "strength"],
    ]);
    // 3:20 over 800 m are 200 s ÷ 0.8 = 250 s a kilometre.
    expect(sessions[0]!.steps).toEqual([
      { times: 6, metres: 800, rest: { seconds: 120 }, target: { secondsPerKm: 250 } },
    ]);
    expect(sessions[1]!.items![0]!.sets).toHaveLength(5);
    expect(sessions[3]!.planned).toEqual({ minutes: 60 });
  });
  it("is a table of weeks and days as well, from a spreadsheet", () => {
    const found = paste("Week\tMon\tWed\tSun\n1\t5 km\trest\t10 km\n2\t6 km\t\t12 km long");
    expect(puts(found).map(({ date, distance }) => [date, distance!.planned!.metres])).toEqual([
      ["2026-06-15", 5000],
      ["2026-06-21", 10_000],
      ["2026-06-22", 6000],
      ["2026-06-28", 12_000],
    ]);
  });
  it("tells what it does not understand, line by line, and takes the rest", () => {
    const found = paste("Plan for the summer\nW1 Tue 8 km easy\nW1 Wed 3 of 5 things\nW1 Xyz 5 km");
    expect(puts(found)).toHaveLength(1);
    expect(found.notUnderstood.map(({ line }) => line)).toEqual([1, 3, 4]);
    expect(paste("x".repeat(70_000)).notUnderstood).toHaveLength(1);
  });
  it("plans nothing twice, and nothing on days that have passed", () => {
    const first = puts(paste("W1 Tue 8 km easy"));
    expect(puts(paste("W1 Tue 8 km easy", {}, first))).toEqual([]);
    expect(paste("W1 Mon 8 km\nW1 Fri 8 km", { day: today }).sessions.map(({ what }) => what)).toEqual([
      "stays",
      "new",
    ]);
  });
});

describe("the quick-entry line, planning", () => {
  const sessions = [
    { id: "a", date: today, kind: "strength", status: "planned", title: "Legs" },
    { id: "b", date: today, kind: "row", status: "planned", title: "Easy row" },
    { id: "c", date: "2026-06-12", kind: "run", status: "planned", title: "Run" },
    { id: "d", date: "2026-06-10", kind: "run", status: "done", title: "Jog" },
  ];
  const read = (text: string) => entryView(asOf(sessions), text, mustDay(today), "dmy", counter());
  const written = (text: string) => {
    const [step] = read(text).change ?? [];
    return step !== undefined && "put" in step ? (step.put as Session) : null;
  };
  it("plans lifts by percentage, effort and range on the next such day", () => {
    expect(written("plan fri squat 5x3 75 %")).toMatchObject({
      date: "2026-06-12",
      status: "planned",
      kind: "strength",
    });
    expect(written("plan mon bench press 3x8-12 @8")!.items![0]!.sets[0]!.planned).toEqual({
      reps: 8,
      repsTo: 12,
      rpe: 8,
    });
    expect(written("plan thu squat 3x5 100 kg")!.date).toBe(today);
  });
  it("plans a distance or a time, and what is done in pieces", () => {
    expect(written("plan sat row 60 min easy")).toMatchObject({
      date: "2026-06-13",
      status: "planned",
      planned: { minutes: 60 },
      distance: { planned: { seconds: 3600 }, purpose: "easy" },
    });
    expect(written("plan 20 june bike 40 km")!.date).toBe("2026-06-20");
  });
  it("moves what is planned, and asks where several are", () => {
    expect(written("move today row to sat")).toMatchObject({ id: "b", date: "2026-06-13", movedFrom: today });
    expect(written("move fri to sun")).toMatchObject({ id: "c", date: "2026-06-14" });
    expect(written("move 12 june to 20 june")).toMatchObject({ id: "c", date: "2026-06-20" });
    const asked = read("move today to sat");
    expect([asked.change, asked.choices.length]).toEqual([null, 3]);
    expect(read(asked.choices[2]!.text).change).toHaveLength(2);
  });
  it.each([
    ["plan yesterday row 5 km", /has passed/],
    ["plan tomorrow 71.2", /Sessions are planned/],
    ["plan fri", /What is planned\?/],
    ["move today to yesterday", /has passed/],
    ["move today", /To which day\?/],
    ["move wed to sat", /Nothing that is planned/],
    ["move today swim to sat", /Nothing called “swim”/],
    ["move today to sat please", /not understood behind the day/],
  ])("does not read %s", (text, why) => {
    const { problems, change } = read(text);
    expect(change).toBeNull();
    expect(problems.map(({ message }) => message).join(" ")).toMatch(why);
  });
});
