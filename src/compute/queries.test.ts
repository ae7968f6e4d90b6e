import { dateOf, mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import type { GoalPreview } from "@/core/energy/goalPreview";
import { kinds } from "@/core/log/kinds/all";
import type { Session } from "@/core/log/kinds/sessions";
import { emptyLog, putRecord } from "@/core/log/log";
import { type Change, put } from "@/core/log/records";
import { demoLog, partnerId, rowerId } from "@/demo/demoLog";
import { addDays } from "@/ui/dates";
import { describe, expect, it } from "vitest";
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
    if ("reason" in tried || "reason" in energy.arrival || "reason" in energy.targets.rest)
      throw new Error("the demo has a goal with a date");
    expect(tried.pace!.byDeadline).toBe(energy.arrival.chance);
    expect(addDays("1970-01-01", tried.pace!.p50!)).toBe(energy.arrival.p50);
    expect(tried.targetKcal).toBeCloseTo(energy.targets.rest.kcal, 9);
  });
  it("is the likelier the later its deadline, and asks less a day", () => {
    const tried = ["2026-08-01", "2026-10-01", "2026-12-01"].map((date) =>
      answers.answer("goalPreview", { ...rower, goal: { ...energy.goal!, by: { date } }, kcal: null })!,
    );
    const chances = tried.map((one) => ("reason" in one ? NaN : one.pace!.byDeadline));
    expect(chances[0]!).toBeLessThan(chances[1]!);
    expect(chances[1]!).toBeLessThan(chances[2]!);
    expect(tried.map((one) => ("reason" in one ? NaN : one.targetKcal!))).toEqual(
      [...tried.map((one) => ("reason" in one ? NaN : one.targetKcal!))].sort((a, b) => a - b),
    );
  });
});

describe("the ledger", () => {
  const rows = answers.answer("ledger", { ...rower, from: "2026-06-01", to: "2026-06-14" })!;
  const body = answers.answer("body", { ...rower, days: null, zoom: null })!;
  it("prints each day as the views have it, and nothing performed or eaten in days to come", () => {
    const day = rows.find(({ date }) => date === "2026-06-08")!;
    const point = body.points.find(({ date }) => date === "2026-06-08")!;
    expect(day.cells).toMatchObject({
      weight: point.weighedKg!.toFixed(1),
      trend: point.trendKg!.toFixed(2),
      plan: point.planKg!.toFixed(2),
      sessions: "Strength A",
    });
    for (const { cells } of rows.filter(({ date }) => date > today))
      expect(cells).toMatchObject({ weight: "", trend: "", volume: "", distance: "", energy: "", protein: "" });
  });
  it("gives back what it prints: pasted onto itself it changes nothing", () => {
    const paste = rows
      .filter(({ date }) => date <= today)
      .map(({ date, cells }) => [date, cells.weight, cells.time, cells.influence].join("\t"))
      .join("\n");
    const preview = answers.answer("ledgerPreview", {
      ...rower,
      ask: {
        paste,
        at: { date: today, column: "weight" },
        columns: ["weight", "time", "influence"],
        order: null,
        unit: null,
      },
    })!;
    expect(preview).toMatchObject({ changes: [], refused: [], lines: [], change: [] });
  });
});

describe("the Column", () => {
  const rows = answers.answer("column", { ...rower, from: "2026-05-25", to: "2026-06-21" })!;
  it("has a row a day, with week figures on closing days only", () => {
    expect(rows).toHaveLength(28);
    expect(rows.filter(({ week }) => week !== null).map(({ date }) => date)).toEqual([
      "2026-05-31",
      "2026-06-07",
      "2026-06-14",
    ]);
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
    expect(strength.items.map(({ name }) => name)).toEqual([
      "Deadlift",
      "Front squat",
      "Overhead press",
      "Dumbbell row",
      "Back extension",
    ]);
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
    const [asOf] = (
      contract(log, mustDay(then)) as { people: { personId: string; goal: { aboveKg: number } }[] }
    ).people.filter(({ personId }) => personId === rowerId);
    expect("aboveKg" in past.plan && past.plan.aboveKg).toBeCloseTo(asOf!.goal.aboveKg, 8);
  });
  it("has its meals in the order of the day, with their energy together", () => {
    const { meals } = answers.answer("day", { ...rower, date: addDays(today, -1) })!;
    expect(meals.map(({ name }) => name)).toEqual(
      ["breakfast", "lunch", "dinner", "snack"].filter((name) => meals.some((meal) => meal.name === name)),
    );
    for (const { lines, kcal } of meals)
      expect(kcal).toBeCloseTo(
        lines.reduce((sum, { nutrients }) => sum + nutrients!.kcal, 0),
        9,
      );
  });
});

describe("the views agree with the contract", () => {
  const person = (
    contract(log, mustDay(today)) as {
      people: {
        personId: string;
        weight: { trend: { date: string; kg: number; filteredKg: number }[]; weekly: { medianKg: number }[] };
        lifts: { exerciseId: string; best: { e1rmKg: number } | null }[];
        distance: object[];
        energy: { formula: { kcal: number }; targets: { training: { kcal: number } } };
      }[];
    }
  ).people.find(({ personId }) => personId === rowerId)!;
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
    expect(points.find(({ date }) => date === today)!.catchUpKg).toBeCloseTo(
      points.find(({ date }) => date === today)!.trendKg!,
      9,
    );
    // Each week's median lies over its days, as far as they are in sight and over.
    const { medians, weeks } = answers.answer("body", { ...rower, days: 31, zoom: { from, to } })!;
    expect(medians.map(({ closingDate }) => closingDate)).toEqual(["2026-05-24", "2026-05-31", "2026-06-07", today]);
    for (const { closingDate, kg } of medians.slice(0, 3))
      expect(kg).toBe(weeks.find((week) => week.closingDate === closingDate)!.medianKg);
    expect(medians[0]!.from).toBe(from);
    expect(answers.answer("body", { ...rower, days: null, zoom: { from: "2020-01-01", to } })!.medians).toEqual([]);
    // A marked change of the partner's stands on their chart, and not on the rower's.
    expect(answers.answer("body", { personId: partnerId, today, days: null, zoom: null })!.marks).toContainEqual({
      date: addDays(today, -58),
      text: "creatine begun, 5 g a day",
      levelMayJump: true,
    });
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
    const lifts = answers.answer("lifts", { ...rower, against: null })!;
    for (const { exercise, best } of lifts.lifts) {
      const said = person.lifts.find(({ exerciseId }) => exerciseId === exercise.id)!.best;
      if (best === null) expect(said).toBeNull();
      else expect(best.e1rmKg).toBeCloseTo(said!.e1rmKg, 7);
    }
    const deadlift = answers.answer("lift", { ...rower, exerciseId: "deadlift", times: 12 })!;
    expect(deadlift.times[0]!.date > addDays(today, -14)).toBe(true);
    expect(deadlift.times).toHaveLength(12);
    expect(answers.answer("lift", { ...rower, exerciseId: "deadlift", times: 500 })!.times).toHaveLength(
      deadlift.timesInAll,
    );
    expect(answers.answer("lift", { ...rower, exerciseId: "nothing", times: 12 })).toBeNull();
  });
  it("a lift's parts agree: its row, its page, its records, the household, the load for one repetition", () => {
    const { lifts } = answers.answer("lifts", { ...rower, against: "back-squat" })!;
    const squat = lifts.find(({ exercise }) => exercise.id === "back-squat")!;
    const page = answers.answer("lift", { ...rower, exerciseId: "back-squat", times: 1000 })!;
    expect(squat.against).toBe(1);
    expect(page.best).toMatchObject({ ...squat.best });
    expect(page.best!.low80).toBeLessThan(page.best!.e1rmKg);
    expect(Math.max(...page.course.map(({ e1rmKg }) => e1rmKg))).toBe(page.best!.e1rmKg);
    expect(page.times.filter(({ isBest }) => isBest)).toHaveLength(1);
    expect(page.byFormula.find(({ name }) => name === "mean")!.kg).toBeCloseTo(page.best!.e1rmKg, 9);
    const records = answers.answer("records", { ...rower, exerciseId: "back-squat", atMost: 1000 })!;
    expect(records.beaten.filter(({ what }) => what === "e1rm")[0]!.kg).toBe(page.best!.e1rmKg);
    expect(records.standing[0]!.byReps.find(({ reps }) => reps === 5)!.kg).toBe(page.table[4]!.done!.kg);
    expect(records.meets.map(({ lifts: tried }) => tried.length)).toEqual([3, 3]);
    expect(
      answers
        .answer("householdLifts", rower)!
        .rows.find(({ exerciseId }) => exerciseId === "back-squat")!
        .cells.map((cell) => cell?.best?.e1rmKg ?? null),
    ).toEqual([page.best!.e1rmKg, null]);
    // Each person's work beside the others' is that of their own Work view.
    for (const { id, work } of answers.answer("householdLifts", rower)!.people) {
      expect(work).toEqual(
        answers.answer("work", { ...rower, personId: id, from: "2026-03-20", to: "2026-06-11" })!.total,
      );
    }
    const one = answers.answer("suggest", { ...rower, exerciseId: "back-squat", reps: 1, rpe: 10 })!;
    expect("kg" in one && one.exactKg).toBeCloseTo((page.strength as { kg: number }).kg, 9);
  });
  it("work of a stretch is the sum of its weeks, of its groups and of its lifts, whole weeks or not", () => {
    for (const [from, to] of [
      ["2026-03-16", "2026-06-07"],
      ["2026-03-19", "2026-06-11"],
    ] as const) {
      const work = answers.answer("work", { ...rower, from, to })!;
      const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
      expect(work.sessions.every(({ date }) => date >= from && date <= to)).toBe(true);
      for (const key of ["numberOfLifts", "volumeLoadKg"] as const)
        for (const parts of [work.weeks, work.byGroup, work.byLift, work.sessions])
          expect(sum(parts.map((part) => part[key]))).toBeCloseTo(work.total[key], 6);
      expect(sum(work.zones.map(({ lifts }) => lifts)) + work.unknownZone).toBe(work.total.numberOfLifts);
      expect(sum(work.byLift.map(({ loadShare }) => loadShare))).toBeCloseTo(1, 9);
      expect(sum(work.weeks.map(({ share }) => share!.lifts))).toBeCloseTo(1, 9);
    }
  });
  it("a session in training proposes what was planned, worked out or done before, and what a table would write is what it says", () => {
    const sessionId = `demo-1-rower-strength-${today}`;
    const { items, steps } = answers.answer("training", { ...rower, date: today, sessionId })!;
    expect(items.map(({ exercise }) => exercise.id)).toEqual([
      "deadlift",
      "front-squat",
      "overhead-press",
      "dumbbell-row",
      "back-extension",
    ]);
    const proposals = (itemId: string) =>
      steps.filter((step) => step.itemId === itemId).map(({ proposal }) => [proposal.from, proposal.reps]);
    expect(proposals("i1")).toEqual([
      ["plan", 5],
      ["plan", 3],
      ["effort", 5],
      ["effort", 5],
      ["effort", 5],
    ]);
    // Asked for the same repetitions and effort as were done a week ago, the load is the same, whatever the formula in force.
    const again = items[0]!.last!.sets.at(-1)!.done!;
    expect(again).toMatchObject({ reps: 5, rpe: 8 });
    expect(steps.find(({ proposal }) => proposal.from === "effort")!.proposal.kg).toBe(again.kg);
    expect(items[1]!.last!.sets.every(({ warmUp }) => !warmUp)).toBe(true);
    expect(items[1]!.ramp.at(-1)!.kg).toBeLessThan(82.5);
    expect(answers.answer("training", { ...rower, date: today, sessionId: "none" })).toBeNull();
    const lines = answers.answer("planLines", { ...rower, date: today, sessionId })!;
    const plan = answers.answer("planTable", { ...rower, date: today, sessionId, lines })!;
    // Written again unchanged, the plan is what it was.
    expect(plan.session).toEqual(plan.held);
    const table = answers.answer("setsTable", {
      ...rower,
      date: addDays(today, -3),
      lines: [
        { exerciseId: "back-squat", sets: "2", reps: "5", load: "100", rpe: "" },
        { exerciseId: "", sets: "", reps: "", load: "", rpe: "" },
      ],
    })!;
    expect(table.lines[0]!.text).toBe("2 × 5 at 100 kg");
    expect(table.change).toHaveLength(1);
    expect(
      answers.answer("setsTable", {
        ...rower,
        date: today,
        lines: [{ exerciseId: "back-squat", sets: "2", reps: "5", load: "", rpe: "" }],
      })!.change,
    ).toBeNull();
    expect(answers.answer("sameAsLast", { ...rower, date: today })!.map(({ exerciseId }) => exerciseId)).toContain(
      "bench-press",
    );
  });
  it("a share of the maximum means the one before the day: a heavy set of the day moves no load of its own session", () => {
    const small = emptyLog();
    const done = (day: number, id: string, sets: Session["items"] & object): void => {
      putRecord(small, "sessions", {
        id,
        personId: "p",
        date: addDays(today, day),
        kind: "strength",
        status: "partly",
        items: sets,
      });
    };
    putRecord(small, "people", { id: "p", name: "P" });
    putRecord(small, "exercises", { id: "squat", name: "Squat", measure: "load-reps" });
    done(-7, "before", [{ id: "i", exerciseId: "squat", sets: [{ id: "1", done: { reps: 1, kg: 100 } }] }]);
    done(0, "now", [
      {
        id: "i",
        exerciseId: "squat",
        sets: [
          { id: "1", done: { reps: 1, kg: 150 } },
          { id: "2", planned: { reps: 5, percent: 0.8 } },
          { id: "3", planned: { reps: 1, rpe: 10 } },
        ],
      },
    ]);
    const { steps } = new Answers(small, () => "x").answer("training", {
      personId: "p",
      today,
      date: today,
      sessionId: "now",
    })!;
    expect(steps.slice(1).map(({ proposal }) => [proposal.from, proposal.kg])).toEqual([
      ["percent", 80],
      ["effort", 100],
    ]);
  });
  it("distance and energy", () => {
    expect(answers.answer("distance", { ...rower, days: null })!.totals.map(({ metres }) => metres)).toEqual(
      (person.distance as { metres: number }[]).map(({ metres }) => metres),
    );
    const energy = answers.answer("energy", rower)!;
    expect("kcal" in energy.expenditure && energy.expenditure.kcal).toBeCloseTo(person.energy.formula.kcal, 5);
    expect("kcal" in energy.targets.training && energy.targets.training.kcal).toBeCloseTo(
      person.energy.targets.training.kcal,
      5,
    );
    expect(energy.range!.low).toBeLessThan(energy.range!.high);
  });
  it("food", () => {
    const { food, week } = answers.answer("food", { ...rower, date: addDays(today, -1) })!;
    expect(week.some(({ day }) => day === food.day)).toBe(true);
    expect(food.remainingKcal).not.toBeNull();
  });
});

describe("entries", () => {
  const read = (text: string) => answers.answer("entry", { ...rower, date: today, text, dateOrder: null })!;
  const sound = (change: Change | null) =>
    change!.every((step) => "remove" in step || kinds[step.kind].schema.safeParse(step.put).success);
  it("are read against the person's own log and give sound records", () => {
    for (const text of [
      "72.4",
      "front squat 3x6 82.5 rpe 8",
      "row 6.5 km 28:00",
      "breakfast: 80 g oats, 2 eggs",
      "yesterday: 1 portion lentil soup",
      "skip Strength B tired",
    ]) {
      const { change, problems } = read(text);
      expect(problems).toEqual([]);
      expect(sound(change)).toBe(true);
    }
    expect(read("front squat 3x6 82.5 rpe 8").fields.at(-1)!.text).toMatch(/\(best \d+\.\d, \d+ \w+ \d{4}\)$/);
    expect(read("84").caution).toContain("expected");
  });
  it("fill the plan: figures after the commit are those promised before it", () => {
    const working = emptyLog();
    for (const [kind, records] of Object.entries(log.records))
      for (const record of records.values()) putRecord(working, kind as "people", record as never);
    const mine = new Answers(working, () => `own${next++}`);
    const { change, fields } = mine.answer("entry", {
      ...rower,
      date: today,
      text: "deadlift 3x5 140 kg rpe 9",
      dateOrder: null,
    })!;
    const promised = Number(/^(\d+\.\d)/.exec(fields.at(-1)!.text)![1]);
    const session = (change![0] as { put: Session }).put;
    expect(session.title).toBe("Strength B");
    putRecord(working, "sessions", session);
    const { latest } = mine
      .answer("lifts", { ...rower, against: null })!
      .lifts.find(({ exercise }) => exercise.id === "deadlift")!;
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
    expect(only.answer("body", { ...asking, days: 31, zoom: null })).toMatchObject({
      mornings: 0,
      weeks: [],
      change: null,
    });
    expect(only.answer("lifts", { ...asking, against: null })).toMatchObject({ lifts: [] });
    expect(only.answer("distance", { ...asking, days: null })!.totals).toEqual([]);
    expect(only.answer("energy", asking)).toMatchObject({ range: null, goal: null, credits: [] });
    expect(only.answer("column", { ...asking, from: today, to: today })).toHaveLength(1);
  });
  it("preview a goal before it is saved", () => {
    const goal = {
      id: "g",
      personId: rowerId,
      of: "weight",
      startDate: today,
      startKg: 80,
      targetKg: 74,
      by: { date: addDays(today, 90) },
    };
    expect(answers.answer("goalPreview", { ...rower, goal, kcal: null })).toMatchObject({
      line: { days: 90 },
      kcalPerDay: expect.closeTo(-513.33, 1) as number,
    });
    expect(
      answers.answer("goalPreview", { ...rower, goal: { ...goal, by: { date: today } }, kcal: null }),
    ).toHaveProperty("reason");
    // Set by what is eaten: 500 kcal under the expenditure is 500 × 7 ÷ 7700 = 0.4545 kg a week.
    const { expenditure } = answers.answer("energy", rower)!;
    const kcal = (expenditure as { kcal: number }).kcal - 500;
    expect(answers.answer("goalPreview", { ...rower, goal, kcal })).toMatchObject({
      goal: { by: { rateKgPerWeek: expect.closeTo(-0.4545, 4) as number } },
      line: { days: 93 },
      targetKcal: expect.closeTo(kcal, 6) as number,
    });
    expect(answers.answer("goalPreview", { ...rower, goal, kcal: kcal + 900 })).toEqual({
      reason: "At this intake the weight goes up, away from the goal.",
    });
    const { course, line } = answers.answer("goalPreview", { ...rower, goal, kcal: null }) as Extract<
      GoalPreview,
      { course: unknown }
    >;
    expect(course.find(({ date }) => date === today)).toMatchObject({ planKg: 80, nowKg: null });
    expect(course.at(-1)!.date > dateOf(line.deadline)).toBe(true);
    expect(answers.answer("holdings", null)!.total).toBeGreaterThan(1000);
    expect(put("people", { id: "p", name: "A" })).toEqual({ kind: "people", put: { id: "p", name: "A" } });
  });
});
