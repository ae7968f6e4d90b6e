import { dateOf, type Day, mustDay, type Weekday, weekdayOf, weekStartOf } from "@/core/base/calendar/day";
import { mean as libraryMean, median as libraryMedian } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { Random } from "../../demo/random";
import { type ColumnReading, explainSheet } from "./explain";
import { readSheet, type Role, type Sheet } from "./sheet";

const first = mustDay("2025-03-03");
const random = new Random(12);
const weights = new Map(
  Array.from(
    { length: 120 },
    (_, index) => [first + index, Math.round((84 - 0.03 * index + random.normal(0.4)) * 10) / 10] as const,
  ).filter(([day]) => (day * 7) % 11 !== 0),
);
const days = [...weights.keys()];
const of = (from: Day, to: Day) => days.filter((day) => day >= from && day <= to).map((day) => weights.get(day)!);

/** A sheet as a spreadsheet would copy it: date, weight and one computed column. */
const sheetOf = (head: string, column: (day: Day) => number | null, decimals = 1) =>
  [
    "Date\tWeight\t" + head,
    ...days.map((day) => {
      const value = column(day);
      return `${dateOf(day).split("-").reverse().join(".")}\t${String(weights.get(day)).replace(".", ",")}\t${value === null ? "" : value.toFixed(decimals).replace(".", ",")}`;
    }),
  ].join("\n");
const read = (text: string, roles: Role[] | null = null): Sheet => {
  const sheet = readSheet(text, { roles, order: null });
  if ("reason" in sheet) throw new Error(sheet.reason);
  return sheet;
};
const explained = (text: string, weekStart: Weekday = 1, roles: Role[] | null = null): ColumnReading =>
  explainSheet(read(text, roles), weekStart, () => null)[0]!;

describe("an old workbook is recognised", () => {
  it("by its dates in any order, its heads, decimal commas and units; bad lines are named", () => {
    const sheet = read(
      "Datum\tkg\tØ 7-day\tMed\tΔ\tGoal\tWords\n1.3.2025\t84,1 kg\t84,1\t84,1\t\t85\tsalty\n2.3.2025\t83,9 kg\t84,0\t84,0\t−0,2\t84,9\t\n3.3.2025\t83,8\t83,9\t83,9\t−0,1\t84,8\t\nnonsense\t1\t2\t3\t4\t5\t\n25.3.2025\t83,2\t83,7\t83,6\t−0,7\t83,0\t",
    );
    expect(sheet).toMatchObject({
      order: "dmy",
      roles: ["date", "weight", "mean", "median", "change", "plan", "note"],
      unit: "kg",
      refused: [{ line: 5, why: '"nonsense" is no date.' }],
    });
    expect(sheet.rows[1]!.values).toEqual([null, 83.9, 84, 84, -0.2, 84.9, null]);
  });
  it("from comma-separated values and without heads, and by the roles that the trainee gives instead", () => {
    expect(read("2025-03-01,84.1,84.1\n2025-03-02,83.9,84.0\n2025-03-03,83.8,83.9")).toMatchObject({
      roles: ["date", "weight", "none"],
      heads: ["column 1", "column 2", "column 3"],
    });
    expect(read("2025-03-01,84.1,84.1\n2025-03-02,83.9,84.0", ["date", "none", "weight"]).roles).toEqual([
      "date",
      "none",
      "weight",
    ]);
    expect(readSheet("a\tb\n1\t2", { roles: null, order: null })).toEqual({ reason: "No column of dates was found." });
    expect(readSheet("2025-03-01\tword", { roles: null, order: null })).toEqual({
      reason: "No column of weights was found.",
    });
  });
});

describe("its computed columns are explained", () => {
  it("the week's mean from another first day, rounded to a tenth", () => {
    const result = explained(
      sheetOf("weekly average", (day) => libraryMean(of(weekStartOf(day, 7), weekStartOf(day, 7) + 6))),
    );
    expect(result).toMatchObject({
      role: "mean",
      theirs: "the mean of the week from Sunday",
      ours: "the mean of the week from Monday",
      step: 0.1,
      explained: days.length,
      rows: days.length,
      differing: [],
    });
    expect(result.agree).toBeLessThan(result.compared);
  });
  it("our own way is told from the others when it is the same", () => {
    expect(
      explained(sheetOf("median", (day) => libraryMedian(of(weekStartOf(day, 1), weekStartOf(day, 1) + 6)), 2)),
    ).toMatchObject({ theirs: "the median of the week from Monday", agree: days.length, compared: days.length });
  });
  it("seven days up to each day, the last seven weigh-ins, the seven before", () => {
    const rows = (day: Day) =>
      days
        .filter((one) => one <= day)
        .slice(-7)
        .map((one) => weights.get(one)!);
    expect(explained(sheetOf("7 day mean", (day) => libraryMean(of(day - 6, day)), 2)).theirs).toBe(
      "the mean of the 7 days up to each day",
    );
    expect(explained(sheetOf("7 day mean", (day) => libraryMean(rows(day)), 2)).theirs).toBe(
      "the mean of the last 7 weigh-ins",
    );
    expect(
      explained(
        sheetOf(
          "7 day mean",
          (day) => (of(day - 7, day - 1).length === 0 ? null : libraryMean(of(day - 7, day - 1))),
          2,
        ),
      ).theirs,
    ).toBe("the mean of the 7 days before each day");
  });
  it("a smoothed weight, how much it takes and whether it forgets over gaps", () => {
    let value: number | null = null;
    const made = new Map(
      days.map((day) => [
        day,
        (value = value === null ? weights.get(day)! : value + 0.2 * (weights.get(day)! - value)),
      ]),
    );
    expect(explained(sheetOf("trend", (day) => made.get(day)!, 2))).toMatchObject({
      role: "smoothed",
      theirs: "a smoothed weight that takes 20 % of each new one, whatever days were missed",
      explained: days.length,
    });
  });
  it("changes and a goal line", () => {
    expect(
      explained(
        sheetOf("change", (day) => {
          const at = days.indexOf(day);
          return at === 0 ? null : weights.get(day)! - weights.get(days[at - 1]!)!;
        }),
      ),
    ).toMatchObject({ role: "change", theirs: "the difference from the weigh-in before" });
    expect(explained(sheetOf("goal", (day) => 84 - (0.35 * (day - first)) / 7, 2))).toMatchObject({
      role: "plan",
      theirs: "a straight line of −0.35 a week from 84",
      ours: "the plan line of your goal",
    });
  });
  it("a weigh-in that the sheet's figure leaves out is named, and so is rounding to a half", () => {
    // A weigh-in far from its week's mean, so that leaving it out shows in the second decimal, and no other would do.
    const odd = days
      .slice(60, 67)
      .reduce((a, b) =>
        Math.abs(weights.get(b)! - libraryMean(of(weekStartOf(b, 1), weekStartOf(b, 1) + 6))) >
        Math.abs(weights.get(a)! - libraryMean(of(weekStartOf(a, 1), weekStartOf(a, 1) + 6)))
          ? b
          : a,
      );
    const week = weekStartOf(odd, 1);
    const result = explained(
      sheetOf(
        "mean",
        (day) =>
          libraryMean(
            of(weekStartOf(day, 1), weekStartOf(day, 1) + 6).filter(
              (kg) => weekStartOf(day, 1) !== week || kg !== weights.get(odd),
            ),
          ),
        2,
      ),
    );
    expect(result.explained).toBeLessThan(days.length);
    expect(new Set(result.differing.map(({ why }) => why)).size).toBe(1);
    expect(result.differing[0]!.why).toContain("without the weigh-in of");
    expect(weekdayOf(result.differing[0]!.day)).toBeGreaterThan(0);
    expect(
      explained(
        sheetOf("mean", (day) => Math.round(2 * libraryMean(of(weekStartOf(day, 1), weekStartOf(day, 1) + 6))) / 2),
      ).step,
    ).toBe(0.5);
  });
  it("what no usual way gives is said to be unexplained, and only compared", () => {
    const noise = new Random(5);
    const result = explained(sheetOf("mean", () => 70 + noise.normal(5)));
    expect(result).toMatchObject({ theirs: null, explained: 0, ours: "the mean of the week from Monday" });
    expect(result.differing.length).toBe(40);
  });
});
