import { describe, expect, it } from "vitest";
import { demoLog, rowerId } from "../../../demo/demoLog";
import { dateOf, mustDay } from "../../calendar/day";
import { emptyLog, putRecord } from "../../log/log";
import { Printer, metricUnits } from "../../units/printer";
import { trendDays } from "../../body/trend";
import type { Projection } from "../../goal/projection";
import { Figures } from "../figures";
import { lifting } from "../lifting";
import { foodDay } from "../foodDay";
import type { FigureRef, Working } from "./working";
import { workingOf } from "./workingOf";

const today = mustDay("2026-06-11");
const log = demoLog(today);
const figures = new Figures(log, rowerId, today);
const printer = new Printer(metricUnits);
const working = (ref: FigureRef): Working => {
  const result = workingOf(figures, ref);
  if ("reason" in result) throw new Error(result.reason);
  return result;
};
const weekStart = dateOf(figures.liftedWeeks.at(-2)!);
const done = figures.sessionsBetween(-Infinity, today).filter(({ status }) => status === "done");
const refs: FigureRef[] = [
  { figure: "trend" }, { figure: "weekly", closingDate: dateOf(figures.weekly(2)[0]!.closingDay) }, { figure: "plan" }, { figure: "arrival" }, { figure: "expenditure" }, { figure: "change" },
  ...["mifflinStJeor", "rozaShizgal", "katchMcArdle", "cunningham"].map((equation): FigureRef => ({ figure: "resting", equation })),
  { figure: "foodLeft", date: dateOf(today) }, { figure: "volume", weekStart }, { figure: "pace", kind: "run", purpose: "easy", days: 84 },
  ...(["best", "latest"] as const).flatMap((which) => ["back-squat", "chin-up"].map((exerciseId): FigureRef => ({ figure: "maximum", exerciseId, which }))),
  { figure: "credit", sessionId: done.find(({ kind }) => kind === "strength")!.id },
];

describe("workings", () => {
  it.each(refs.map((ref) => [JSON.stringify(ref), ref] as const))("%s has formula, numbers, assumptions, source and sureness", (_, ref) => {
    const { title, value, formula, steps, assumptions, source, sureness } = working(ref);
    for (const text of [title, value, formula, source, sureness, ...steps, ...assumptions]) {
      expect(text.length).toBeGreaterThan(3);
      expect(text).not.toMatch(/NaN|undefined|null|Infinity|\[object/);
    }
    expect(steps.length).toBeGreaterThan(0);
  });
  it("end in the figure that the views show", () => {
    expect(working({ figure: "trend" }).value).toContain(printer.mass(trendDays(figures.trend).at(-1)!.kg));
    expect(working({ figure: "foodLeft", date: dateOf(today) }).value).toBe(printer.energy(foodDay(figures, today).remainingKcal!));
    const best = figures.lifts.find(({ exerciseId }) => exerciseId === "back-squat")!.best!;
    expect(working({ figure: "maximum", exerciseId: "back-squat", which: "best" }).value).toBe(printer.mass(best.e1rmKg));
    expect(working({ figure: "arrival" }).value).toBe(`${Math.round((figures.projection as Projection).onMorning!.chance * 100)} in 100`);
    expect(working({ figure: "volume", weekStart }).value).toContain(printer.volumeLoad(lifting(figures).weekWork(mustDay(weekStart)).volume.volumeLoadKg));
  });
  it("lead to entries that are there", () => {
    for (const ref of refs) for (const { date } of working(ref).inputs) if (date !== undefined) expect(mustDay(date)).toBeLessThanOrEqual(today);
  });
  it("give a reason, not a number, where nothing is written", () => {
    const person = { id: "p", name: "Bare" };
    const bareLog = emptyLog();
    putRecord(bareLog, "people", person);
    const bare = new Figures(bareLog, "p", today);
    for (const ref of refs) expect(workingOf(bare, ref)).toHaveProperty("reason");
  });
});
