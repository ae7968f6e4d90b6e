import { weightOf } from "@/core/body/slice";
import { sessionsOf } from "@/core/sessions/slice";
import { strengthOf } from "@/core/strength/slice";
import { describe, expect, it } from "vitest";
import { demoLog, rowerId } from "../demo/demoLog";
import { dateOf, mustDay } from "./base/calendar/day";
import { metricUnits, Printer } from "./base/units/printer";
import type { Working } from "./base/working";
import type { Projection } from "./body/projection";
import { trendDays } from "./body/trend";
import { equationNames } from "./energy/resting";
import { AsOf } from "./log/asOf";
import { emptyLog, putRecord } from "./log/log";
import { foodDay } from "./nutrition/foodDay";
import { liftWorkOf } from "./strength/workSlice";
import { type FigureRef, workingOf } from "./workings";

const today = mustDay("2026-06-11");
const log = demoLog(today);
const asOf = new AsOf(log, rowerId, today);
const printer = new Printer(metricUnits);
const working = (ref: FigureRef): Working => {
  const result = workingOf(asOf, ref);
  if ("reason" in result) throw new Error(result.reason);
  return result;
};
const weekStart = dateOf(strengthOf(asOf).liftedWeeks().at(-2)!);
const done = sessionsOf(asOf)
  .between(-Infinity, today)
  .filter(({ status }) => status === "done");
const refs: FigureRef[] = [
  { figure: "trend" },
  { figure: "weekly", closingDate: dateOf(weightOf(asOf).weekly(2)[0]!.closingDay) },
  { figure: "plan" },
  { figure: "arrival" },
  { figure: "expenditure" },
  { figure: "change" },
  ...equationNames.map((equation): FigureRef => ({
    figure: "resting",
    equation,
  })),
  { figure: "foodLeft", date: dateOf(today) },
  { figure: "volume", weekStart },
  { figure: "pace", kind: "run", purpose: "easy", days: 84 },
  ...(["best", "latest"] as const).flatMap((which) =>
    ["back-squat", "chin-up"].map((exerciseId): FigureRef => ({ figure: "maximum", exerciseId, which })),
  ),
  { figure: "credit", sessionId: done.find(({ kind }) => kind === "strength")!.id },
];

/** A printed number stands for all that print so: half a unit of its last digit to either side. */
type Range = [number, number];
const printed = (text: string): Range => {
  const half = /[.]/.test(text) ? 0.5 * 10 ** -text.split(".")[1]!.length : 0.5;
  const value = Number(text.replaceAll(",", "").replace("−", "-"));
  return [value - half, value + half];
};
/**
 * What a line of arithmetic can come to, given that each of its numbers was rounded when it was printed; whole numbers
 * of days and the like are taken as rounded too.
 */
function evaluate(text: string): Range | null {
  const tokens = text.match(/\d[\d,]*(?:\.\d+)?|[-−+×÷()√²%]/g) ?? [];
  let at = 0;
  const all = (one: Range, two: Range, of: (a: number, b: number) => number): Range => {
    const values = [of(one[0], two[0]), of(one[0], two[1]), of(one[1], two[0]), of(one[1], two[1])];
    return [Math.min(...values), Math.max(...values)];
  };
  const atom = (): Range => {
    const token = tokens[at++];
    if (token === "−" || token === "-") {
      const [low, high] = power();
      return [-high, -low];
    }
    if (token === "+") return power();
    if (token === "√") {
      const [low, high] = atom();
      return [Math.sqrt(Math.max(0, low)), Math.sqrt(high)];
    }
    if (token === "(") {
      const inner = sum();
      if (tokens[at++] !== ")") throw new Error(`unclosed: ${text}`);
      return inner;
    }
    if (token === undefined || !/\d/.test(token)) throw new Error(`no number: ${text}`);
    return printed(token);
  };
  const power = (): Range => {
    let value = atom();
    for (; tokens[at] === "²" || tokens[at] === "%"; at++)
      value = tokens[at] === "²" ? all(value, value, (a, b) => a * b) : [value[0] / 100, value[1] / 100];
    return value;
  };
  const product = (): Range => {
    let value = power();
    while (tokens[at] === "×" || tokens[at] === "÷")
      value = tokens[at++] === "×" ? all(value, power(), (a, b) => a * b) : all(value, power(), (a, b) => a / b);
    return value;
  };
  const sum = (): Range => {
    let value = product();
    while (tokens[at] === "+" || tokens[at] === "−")
      value = tokens[at++] === "+" ? all(value, product(), (a, b) => a + b) : all(value, product(), (a, b) => a - b);
    return value;
  };
  const value = sum();
  return at === tokens.length ? value : null;
}
/** The equations in a step, `left = right` in numbers alone, units taken away. */
function equations(step: string): { left: string; right: string }[] {
  return step.split(/; |: /).flatMap((part) => {
    const sides = part.split(" = ").map((side) =>
      side
        .replace(/\([^)]*[a-z][^)]*\)$/i, "")
        .replace(
          /\/(kg|lb)|(?<![a-z])(kg|lb|kcal|kJ|km|mi|cm|in|g|m|a|day|days|week|weeks|of fat|without|minutes|min|h|MET)(?![a-z])/g,
          "",
        )
        .trim(),
    );
    return sides.slice(1).flatMap((right, index) => {
      const left = sides[index]!;
      return /^[-−+×÷()√²%\d.,\s]+$/.test(left) &&
        /[×÷√]|\d\s*[+−]\s*[\d(]/.test(left) &&
        /^[-−+]?\d[\d,]*(\.\d+)?$/.test(right)
        ? [{ left, right }]
        : [];
    });
  });
}

describe("workings", () => {
  it.each([
    ["kg", "km", "kcal"],
    ["lb", "mi", "kJ"],
  ] as const)(
    "in %s, %s and %s come, worked by hand from what is printed, to what is printed, in these units",
    (mass, distance, energy) => {
      const own = demoLog(today);
      putRecord(own, "people", { ...own.records.people.get(rowerId)!, units: { mass, distance, energy } });
      const mine = new AsOf(own, rowerId, today);
      let checked = 0;
      for (const ref of [
        ...refs,
        ...done.slice(-8).map(({ id }): FigureRef => ({ figure: "credit", sessionId: id })),
        { figure: "composition" },
        { figure: "second" },
        { figure: "afterTraining" },
        { figure: "weekday", of: "intake" },
        { figure: "weekday", of: "weight" },
      ] as FigureRef[]) {
        const result = workingOf(mine, ref);
        if ("reason" in result) continue;
        for (const step of result.steps)
          for (const { left, right } of equations(step)) {
            const [value, shown] = [evaluate(left), printed(right)];
            expect(
              `${step}: ${value === null ? "not read" : value[0] <= shown[1] + 1e-9 && value[1] >= shown[0] - 1e-9 ? "right" : `${value.join(" to ")}, not ${right}`}`,
            ).toBe(`${step}: right`);
            checked += 1;
          }
        // Another unit stands only where an equation of the literature is in it, beside its own.
        if (mass === "lb" && ref.figure !== "resting" && ref.figure !== "credit")
          expect([
            JSON.stringify(ref),
            [result.value, ...result.steps, ...result.inputs.map(({ value }) => value)].filter((text) =>
              /\d (kg|km|kcal)\b/.test(text),
            ),
          ]).toEqual([JSON.stringify(ref), []]);
      }
      expect(checked).toBeGreaterThan(15);
    },
  );
  it.each(refs.map((ref) => [JSON.stringify(ref), ref] as const))(
    "%s has formula, numbers, assumptions, source and sureness",
    (_, ref) => {
      const { title, value, formula, steps, assumptions, source, sureness } = working(ref);
      for (const text of [title, value, formula, source, sureness, ...steps, ...assumptions]) {
        expect(text.length).toBeGreaterThan(3);
        expect(text).not.toMatch(/NaN|undefined|null|Infinity|\[object/);
      }
      expect(steps.length).toBeGreaterThan(0);
    },
  );
  it("end in the figure that the views show", () => {
    expect(working({ figure: "trend" }).value).toContain(printer.mass(trendDays(weightOf(asOf).trend()).at(-1)!.kg));
    expect(working({ figure: "foodLeft", date: dateOf(today) }).value).toBe(
      printer.energy(foodDay(asOf, today).remainingKcal!),
    );
    const best = strengthOf(asOf)
      .lifts()
      .find(({ exerciseId }) => exerciseId === "back-squat")!.best!;
    expect(working({ figure: "maximum", exerciseId: "back-squat", which: "best" }).value).toBe(
      printer.mass(best.e1rmKg),
    );
    expect(working({ figure: "arrival" }).value).toBe(
      `${Math.round((weightOf(asOf).projection() as Projection).onMorning!.chance * 100)} in 100`,
    );
    expect(working({ figure: "volume", weekStart }).value).toContain(
      printer.volumeLoad(liftWorkOf(asOf).ofWeek(mustDay(weekStart)).volume.volumeLoadKg),
    );
  });
  it("lead to entries that are there", () => {
    for (const ref of refs)
      for (const { date } of working(ref).inputs)
        if (date !== undefined) expect(mustDay(date)).toBeLessThanOrEqual(today);
  });
  it("give a reason, not a number, where nothing is written", () => {
    const person = { id: "p", name: "Bare" };
    const bareLog = emptyLog();
    putRecord(bareLog, "people", person);
    const bare = new AsOf(bareLog, "p", today);
    for (const ref of refs) expect(workingOf(bare, ref)).toHaveProperty("reason");
  });
});
