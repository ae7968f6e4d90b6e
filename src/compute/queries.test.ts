import { describe, expect, it } from "vitest";
import { addDays } from "@/ui/dates";
import { dateOf, mustDay } from "@/core/calendar/day";
import type { GoalPreview } from "@/core/figures/views/goalPreview";
import { contract } from "@/core/figures/contract";
import { emptyLog, putRecord } from "@/core/log/log";
import { put, type Change, type Session } from "@/core/log/records";
import { recordSchemas } from "@/core/log/schema";
import { demoLog, partnerId, rowerId } from "@/demo/demoLog";
import { Answers, type Asking } from "./queries";

const today = "2026-06-11";
const log = demoLog(mustDay(today));
let next = 0;
const answers = new Answers(log, () => `new${next++}`);
const rower: Asking = { personId: rowerId, today };

describe("a goal tried before it is saved", () => {
  const energy = answers.answer("energy", rower)!;
  it("says of the goal in force what the views say of it", () => {
    const tried = answers.answer("goalPreview", { ...rower, goal: energy.goal!, kcal: null })!;
    if ("reason" in tried || "reason" in energy.arrival || "reason" in energy.targets.rest) throw new Error("the demo has a goal with a date");
    expect(tried.pace!.byDeadline).toBe(energy.arrival.chance);
    expect(addDays("1970-01-01", tried.pace!.p50!)).toBe(energy.arrival.p50);
    expect(tried.targetKcal).toBeCloseTo(energy.targets.rest.kcal, 9);
  });
  it("is the likelier the later its deadline, and asks less a day", () => {
    const tried = ["2026-08-01", "2026-10-01", "2026-12-01"].map((date) => answers.answer("goalPreview", { ...rower, goal: { ...energy.goal!, by: { date } }, kcal: null })!);
    const chances = tried.map((one) => ("reason" in one ? NaN : one.pace!.byDeadline));
    expect(chances[0]!).toBeLessThan(chances[1]!);
    expect(chances[1]!).toBeLessThan(chances[2]!);
    expect(tried.map((one) => ("reason" in one ? NaN : one.targetKcal!))).toEqual([...tried.map((one) => ("reason" in one ? NaN : one.targetKcal!))].sort((a, b) => a - b));
  });
});

describe("the ledger", () => {
  const rows = answers.answer("ledger", { ...rower, from: "2026-06-01", to: "2026-06-14" })!;
  const body = answers.answer("body", { ...rower, days: null, zoom: null })!;
  it("prints each day as the views have it, and nothing performed or eaten in days to come", () => {
    const day = rows.find(({ date }) => date === "2026-06-08")!;
    const point = body.points.find(({ date }) => date === "2026-06-08")!;
    expect(day.cells).toMatchObject({ weight: point.weighedKg!.toFixed(1), trend: point.trendKg!.toFixed(2), plan: point.planKg!.toFixed(2), sessions: "Strength A" });
    for (const { cells } of rows.filter(({ date }) => date > today)) expect(cells).toMatchObject({ weight: "", trend: "", volume: "", distance: "", energy: "", protein: "" });
  });
  it("gives back what it prints: pasted onto itself it changes nothing", () => {
    const paste = rows.filter(({ date }) => date <= today).map(({ date, cells }) => [date, cells.weight, cells.time, cells.influence].join("\t")).join("\n");
    const preview = answers.answer("ledgerPreview", { ...rower, ask: { paste, at: { date: today, column: "weight" }, columns: ["weight", "time", "influence"], order: null } })!;
    expect(preview).toMatchObject({ changes: [], refused: [], lines: [], change: [] });
  });
});

describe("the Column", () => {
  const rows = answers.answer("column", { ...rower, from: "2026-05-25", to: "2026-06-21" })!;
  it("has a row a day, with week figures on closing days only", () => {
    expect(rows).toHaveLength(28);
    expect(rows.filter(({ week }) => week !== null).map(({ date }) => date)).toEqual(["2026-05-31", "2026-06-07", "2026-06-14"]);
    expect(rows.find(({ date }) => date === "2026-06-14")!.week!.open).toBe(true);
  });
  it("shows nothing performed, weighed or eaten in days to come, but what is planned", () => {
    for (const row of rows.filter(({ date }) => date > today)) {
      expect(row).toMatchObject({ weighedKg: null, trendKg: null, foodShare: null });
      for (const { status } of row.marks) expect(status).toBe("planned");
    }
    expect(rows.filter(({ date, marks }) => date > today && marks.length > 0).length).toBeGreaterThan(3);
  });
  it("reads a past session left untouched as missed, without rewriting it", () => {
    const all = answers.answer("column", { ...rower, from: "2025-09-11", to: today })!.flatMap(({ marks }) => marks);
    const missed = all.filter(({ status }) => status === "missed");
    expect(missed.length).toBeGreaterThan(0);
    for (const { id } of missed) expect(log.records.sessions.get(id)!.status).toBe("planned");
  });
  it("runs from the first entry to beyond the last plan, in whole weeks", () => {
    const { span } = answers.answer("shell", rower)!;
    expect(span.first <= "2025-09-11").toBe(true);
    expect(span.last >= "2026-06-18").toBe(true);
    expect((mustDay(span.last) - mustDay(span.first) + 1) % 7).toBe(0);
  });
});

describe("a day", () => {
  it("puts planned beside last time, and keeps a person's day from another's", () => {
    const day = answers.answer("day", { ...rower, date: today })!;
    const strength = day.sessions.find(({ title }) => title === "Strength B")!;
    expect(strength.items.map(({ name }) => name)).toEqual(["Deadlift", "Front squat", "Overhead press", "Dumbbell row", "Back extension"]);
    for (const { planned, done, last } of strength.items) {
      expect(planned).toMatch(/^3 × \d+/);
      expect(done).toBe("");
      expect(last!.date < today).toBe(true);
    }
    const partner = answers.answer("day", { personId: partnerId, today, date: today })!;
    expect(JSON.stringify(partner)).not.toContain(rowerId);
  });
  it("asked for in the past, is what was known then", () => {
    const then = addDays(today, -30);
    const past = answers.answer("day", { ...rower, date: then })!;
    const [asOf] = (contract(log, mustDay(then)) as { people: { personId: string; goal: { aboveKg: number } }[] }).people.filter(({ personId }) => personId === rowerId);
    expect("aboveKg" in past.plan && past.plan.aboveKg).toBeCloseTo(asOf!.goal.aboveKg, 8);
  });
  it("has its meals in the order of the day, with their energy together", () => {
    const { meals } = answers.answer("day", { ...rower, date: addDays(today, -1) })!;
    expect(meals.map(({ name }) => name)).toEqual(["breakfast", "lunch", "dinner", "snack"].filter((name) => meals.some((meal) => meal.name === name)));
    for (const { lines, kcal } of meals) expect(kcal).toBeCloseTo(lines.reduce((sum, { nutrients }) => sum + nutrients!.kcal, 0), 9);
  });
});

describe("the views agree with the contract", () => {
  const person = (contract(log, mustDay(today)) as { people: { personId: string; weight: { trend: { date: string; kg: number; filteredKg: number }[]; weekly: { medianKg: number }[] }; lifts: { exerciseId: string; best: { e1rmKg: number } | null }[]; distance: object[]; energy: { formula: { kcal: number }; targets: { training: { kcal: number } } } }[] }).people.find(({ personId }) => personId === rowerId)!;
  it("body", () => {
    const body = answers.answer("body", { ...rower, days: null, zoom: null })!;
    expect("kg" in body.trend && body.trend.kg).toBeCloseTo(person.weight.trend.at(-1)!.kg, 7);
    expect(body.weeks.at(-1)!.medianKg).toBeCloseTo(person.weight.weekly.at(-1)!.medianKg, 7);
    expect(body.points.length).toBeLessThanOrEqual(425);
    expect(answers.answer("body", { ...rower, days: 31, zoom: null })!.points.length).toBeLessThan(body.points.length);
  });
  it("body looked at closely: the stretch alone, day by day, with its notes and second weigh-ins", () => {
    const [from, to] = ["2026-05-20", "2026-06-20"];
    const { points, marks, second } = answers.answer("body", { ...rower, days: 31, zoom: { from, to } })!;
    expect(points.map(({ date }) => date)).toEqual(Array.from({ length: 32 }, (_, index) => addDays(from, index)));
    expect(marks.map(({ text }) => text)).toEqual(["dinner at the boathouse", "cut short, calf", "slept badly"]);
    expect(points.filter(({ secondKg }) => secondKg !== null).length).toBeGreaterThan(3);
    expect(second).toMatchObject({ offset: expect.closeTo(0.9, 0) as number });
    for (const { date, planKg, planLow, planHigh, catchUpKg, trendKg, knownKg } of points) {
      expect(planHigh! - planKg!).toBeCloseTo(planKg! - planLow!, 9);
      expect(catchUpKg === null).toBe(date < today);
      expect(trendKg === null).toBe(date > today);
      if (date > today) expect(knownKg).toBeNull();
      else expect(knownKg).toBeCloseTo(person.weight.trend.find((one) => one.date === date)!.filteredKg, 7);
    }
    expect(points.find(({ date }) => date === today)!.catchUpKg).toBeCloseTo(points.find(({ date }) => date === today)!.trendKg!, 9);
    // Each week's median lies over its days, as far as they are in sight and over.
    const { medians, weeks } = answers.answer("body", { ...rower, days: 31, zoom: { from, to } })!;
    expect(medians.map(({ closingDate }) => closingDate)).toEqual(["2026-05-24", "2026-05-31", "2026-06-07", today]);
    for (const { closingDate, kg } of medians.slice(0, 3)) expect(kg).toBe(weeks.find((week) => week.closingDate === closingDate)!.medianKg);
    expect(medians[0]!.from).toBe(from);
    expect(answers.answer("body", { ...rower, days: null, zoom: { from: "2020-01-01", to } })!.medians).toEqual([]);
    // A marked change of the partner's stands on their chart, and not on the rower's.
    expect(answers.answer("body", { personId: partnerId, today, days: null, zoom: null })!.marks).toContainEqual({ date: addDays(today, -58), text: "creatine begun, 5 g a day", levelMayJump: true });
    expect(marks.some(({ levelMayJump }) => levelMayJump)).toBe(false);
  });
  it("measures draw the line of their weekly rate, its band widest away from the readings' middle", () => {
    const waist = answers.answer("measures", rower)!.measures.find(({ name }) => name === "Waist")!;
    const [first, last] = [waist.line[0]!, waist.line.at(-1)!];
    expect(((last.value - first.value) / (last.day - first.day)) * 7).toBeCloseTo(waist.perWeek!.rate, 9);
    const widths = waist.line.map(({ low80, high80 }) => high80 - low80);
    expect(Math.min(...widths)).toBe(widths.slice(2, -2).toSorted((a, b) => a - b)[0]);
    expect(widths.at(-1)!).toBeGreaterThan(Math.min(...widths));
  });
  it("lifts", () => {
    const lifts = answers.answer("lifts", { ...rower, exerciseId: null })!;
    for (const { exercise, best } of lifts.lifts) {
      const said = person.lifts.find(({ exerciseId }) => exerciseId === exercise.id)!.best;
      if (best === null) expect(said).toBeNull();
      else expect(best.e1rmKg).toBeCloseTo(said!.e1rmKg, 7);
    }
    expect(lifts.chosen!.exercise.id).toBe(lifts.lifts[0]!.exercise.id);
    expect(answers.answer("lifts", { ...rower, exerciseId: "deadlift" })!.chosen!.times[0]!.date > addDays(today, -14)).toBe(true);
  });
  it("distance and energy", () => {
    expect(answers.answer("distance", { ...rower, days: null })!.totals.map(({ metres }) => metres)).toEqual((person.distance as { metres: number }[]).map(({ metres }) => metres));
    const energy = answers.answer("energy", rower)!;
    expect("kcal" in energy.expenditure && energy.expenditure.kcal).toBeCloseTo(person.energy.formula.kcal, 5);
    expect("kcal" in energy.targets.training && energy.targets.training.kcal).toBeCloseTo(person.energy.targets.training.kcal, 5);
    expect(energy.range!.low).toBeLessThan(energy.range!.high);
  });
  it("food", () => {
    const { food, week } = answers.answer("food", { ...rower, date: addDays(today, -1) })!;
    expect(week.some(({ day }) => day === food.day)).toBe(true);
    expect(food.remainingKcal).not.toBeNull();
  });
});

describe("entries", () => {
  const read = (text: string) => answers.answer("entry", { ...rower, date: today, text })!;
  const sound = (change: Change | null) => change!.every((step) => "remove" in step || recordSchemas[step.kind].safeParse(step.put).success);
  it("are read against the person's own log and give sound records", () => {
    for (const text of ["72.4", "front squat 3x6 82.5 rpe 8", "row 6.5 km 28:00", "breakfast: 80 g oats, 2 eggs", "yesterday: 1 portion lentil soup", "skip Strength B tired"]) {
      const { change, problems } = read(text);
      expect(problems).toEqual([]);
      expect(sound(change)).toBe(true);
    }
    expect(read("front squat 3x6 82.5 rpe 8").fields.at(-1)!.text).toMatch(/\(best \d+\.\d, \d+ \w+ \d{4}\)$/);
    expect(read("84").caution).toContain("expected");
  });
  it("fill the plan: figures after the commit are those promised before it", () => {
    const working = emptyLog();
    for (const [kind, records] of Object.entries(log.records)) for (const record of records.values()) putRecord(working, kind as "people", record as never);
    const mine = new Answers(working, () => `own${next++}`);
    const { change, fields } = mine.answer("entry", { ...rower, date: today, text: "deadlift 3x5 140 kg rpe 9" })!;
    const promised = Number(/^(\d+\.\d)/.exec(fields.at(-1)!.text)![1]);
    const session = (change![0] as { put: Session }).put;
    expect(session.title).toBe("Strength B");
    putRecord(working, "sessions", session);
    const { latest } = mine.answer("lifts", { ...rower, exerciseId: null })!.lifts.find(({ exercise }) => exercise.id === "deadlift")!;
    expect(latest!.e1rmKg).toBeCloseTo(promised, 1);
    expect(latest!.date).toBe(today);
  });
});

describe("answers", () => {
  it("are null for a person who is not there, and empty for an empty log", () => {
    expect(answers.answer("shell", { personId: "nobody", today })).toBeNull();
    const none = new Answers(emptyLog(), () => "x");
    expect(none.answer("people", null)).toEqual([]);
    expect(none.answer("holdings", null)!.total).toBe(0);
  });
  it("hold for someone who has written nothing yet: reasons, never a number made up", () => {
    const bare = emptyLog();
    putRecord(bare, "people", { id: "p", name: "Bare" });
    const only = new Answers(bare, () => "x");
    const asking = { personId: "p", today };
    const day = only.answer("day", { ...asking, date: today })!;
    for (const figure of [day.trend, day.plan, day.arrival, day.food.target]) expect(figure).toHaveProperty("reason");
    expect(only.answer("body", { ...asking, days: 31, zoom: null })).toMatchObject({ mornings: 0, weeks: [], change: null });
    expect(only.answer("lifts", { ...asking, exerciseId: null })).toMatchObject({ lifts: [], weeks: [], chosen: null });
    expect(only.answer("distance", { ...asking, days: null })!.totals).toEqual([]);
    expect(only.answer("energy", asking)).toMatchObject({ range: null, goal: null, credits: [] });
    expect(only.answer("column", { ...asking, from: today, to: today })).toHaveLength(1);
  });
  it("preview a goal before it is saved", () => {
    const goal = { id: "g", personId: rowerId, of: "weight", startDate: today, startKg: 80, targetKg: 74, by: { date: addDays(today, 90) } };
    expect(answers.answer("goalPreview", { ...rower, goal, kcal: null })).toMatchObject({ line: { days: 90 }, kcalPerDay: expect.closeTo(-513.33, 1) as number });
    expect(answers.answer("goalPreview", { ...rower, goal: { ...goal, by: { date: today } }, kcal: null })).toHaveProperty("reason");
    // Set by what is eaten: 500 kcal under the expenditure is 500 × 7 ÷ 7700 = 0.4545 kg a week.
    const { expenditure } = answers.answer("energy", rower)!;
    const kcal = (expenditure as { kcal: number }).kcal - 500;
    expect(answers.answer("goalPreview", { ...rower, goal, kcal })).toMatchObject({ goal: { by: { rateKgPerWeek: expect.closeTo(-0.4545, 4) as number } }, line: { days: 93 }, targetKcal: expect.closeTo(kcal, 6) as number });
    expect(answers.answer("goalPreview", { ...rower, goal, kcal: kcal + 900 })).toEqual({ reason: "At this intake the weight goes up, away from the goal." });
    const { course, line } = answers.answer("goalPreview", { ...rower, goal, kcal: null }) as Extract<GoalPreview, { course: unknown }>;
    expect(course.find(({ date }) => date === today)).toMatchObject({ planKg: 80, nowKg: null });
    expect(course.at(-1)!.date > dateOf(line.deadline)).toBe(true);
    expect(answers.answer("holdings", null)!.total).toBeGreaterThan(1000);
    expect(put("people", { id: "p", name: "A" })).toEqual({ kind: "people", put: { id: "p", name: "A" } });
  });
});
