import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { dateOf, mustDay } from "../../src/core/base/calendar/day";
import { read, rows, said } from "./lines";

describe("lines of many hands, written otherwise", () => {
  it("say the same with other blanks, crosses and cases, or are asked", () => {
    const variants = (line: string) => [
      line.toUpperCase(),
      line.replace(/(\d)\s*x\s*(?=\d)/gi, "$1 x "),
      line.replace(/(\d)\s*x\s*(?=\d)/gi, "$1×"),
      line.replace(/(\d)\s*x\s*(?=\d)/gi, "$1X"),
      line.replace(/(\d)\s+(kg|lb|km|min|g|ml)\b/gi, "$1$2"),
      line.replace(/(\d)(kg|lb|km|min|g|ml)\b/gi, "$1 $2"),
      `  ${line.replaceAll(" ", "  ")} `,
      line.replace(/(?<![\d.,:])(\d{1,3})\.(\d)(?![\d.:])/g, "$1,$2"),
    ];
    const wrong: string[] = [];
    for (const row of rows.filter(
      ({ right, line }) => right !== "?" && !/"/.test(right) && !/[()\d]\.\d+\.|note/.test(line),
    )) {
      for (const line of variants(row.line)) {
        const found = read({ ...row, line });
        if (found.as === "written" && said(found) !== `${row.day} ${row.right}`)
          wrong.push(`${line}: ${said(found)}, not ${row.right}`);
      }
    }
    expect(wrong).toEqual([]);
  });
});

describe("the parts of a line in any order", () => {
  const pick = <T>(...values: T[]) => fc.constantFrom(...values);
  const same = (line: string, units: "kg" | "lb", truth: string) => {
    const found = read({ units, line });
    if (found.as === "written") expect(`${line}: ${said(found)}`).toBe(`${line}: ${truth}`);
    return found.as;
  };

  it("are the same sets, a question or a refusal", () => {
    const names = pick(
      "bench press",
      "Back squat",
      "deadlift",
      "RDL",
      "ohp",
      "front squats",
      "hip thrust",
      "lat pulldown",
      "db bench press",
    );
    const named: Record<string, string> = {
      "bench press": "Bench press",
      "Back squat": "Back squat",
      deadlift: "Deadlift",
      RDL: "Romanian deadlift",
      ohp: "Overhead press",
      "front squats": "Front squat",
      "hip thrust": "Hip thrust",
      "lat pulldown": "Pulldown",
      "db bench press": "Dumbbell press",
    };
    let written = 0;
    fc.assert(
      fc.property(
        names,
        fc.integer({ min: 1, max: 8 }),
        fc.integer({ min: 1, max: 15 }),
        fc.integer({ min: 8, max: 120 }).map((steps) => steps * 2.5),
        pick("", " kg", "kg", " lb", "lbs"),
        pick("x", " x ", "×", "*", " sets of ", " sets x "),
        fc.option(pick("rpe 8", "@8", "rpe8", "8 rpe", "2 rir", "RPE 8")),
        fc.option(pick("rest 3 min", "rest 180 s", "3 min rest")),
        fc.option(pick("yesterday", "2026-11-26")),
        pick("front", "behind", "apart"),
        pick(" ", ", ", "  "),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 6, maxLength: 6 }),
        (name, count, reps, load, unit, cross, effort, rest, day, place, joint, order) => {
          const sets = `${count}${cross}${reps}`;
          const loaded =
            place === "front"
              ? [`${load}${unit} ${sets}`]
              : place === "behind"
                ? [`${sets}${joint}${load}${unit}`]
                : [sets, `${load}${unit}`];
          const parts = [name, ...loaded, ...(effort === null ? [] : [effort]), ...(rest === null ? [] : [rest])]
            .map((part, index) => ({ part, at: order[index]! }))
            .sort((a, b) => a.at - b.at)
            .map(({ part }) => part);
          const line = `${day === null ? "" : `${day} `}${parts.join(joint)}`;
          const kg = Math.round(load * (/lb/.test(unit) ? 0.45359237 : 1) * 1000) / 1000;
          if (
            same(
              line,
              "kg",
              `${day === null ? "11-27" : "11-26"} ${named[name]} ${Array(count)
                .fill(`${reps}@${kg}${effort === null ? "" : "r8"}`)
                .join(" ")}`,
            ) === "written"
          )
            written += 1;
        },
      ),
      { numRuns: 2000, seed: 14 },
    );
    expect(written).toBeGreaterThan(500);
  });

  it("are the same distances", () => {
    let written = 0;
    fc.assert(
      fc.property(
        pick("run", "row", "bike", "ran"),
        fc.integer({ min: 4, max: 24 }),
        fc.integer({ min: 0, max: 59 }),
        pick(" km", "km", "k", "000 m"),
        pick("easy", "tempo", ""),
        fc.option(pick("rpe 6", "effort 6", "6 rpe")),
        fc.option(pick("windy", "along the lake")),
        pick(" ", ", "),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 6, maxLength: 6 }),
        pick("clock", "min s"),
        (kind, km, second, unit, purpose, effort, note, joint, order, time) => {
          const seconds = km * (kind === "bike" ? 130 : 270) + second;
          const clock = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
          const parts = [
            kind,
            `${km}${unit}`,
            time === "clock" ? clock : `${Math.floor(seconds / 60)} min ${seconds % 60} s`,
            ...(purpose ? [purpose] : []),
            ...(effort === null ? [] : [effort]),
            ...(note === null ? [] : [note]),
          ];
          const line = parts
            .map((part, index) => ({ part, at: order[index]! }))
            .sort((a, b) => a.at - b.at)
            .map(({ part }) => part)
            .join(joint);
          const truth = [
            kind === "ran" ? "run" : kind,
            `${km * 1000}m`,
            `${seconds}s`,
            ...(purpose ? [purpose] : []),
            ...(effort === null ? [] : ["effort 6"]),
            ...(note === null ? [] : [`"${note}"`]),
          ].join(" ");
          if (same(line, "kg", `11-27 ${truth}`) === "written") written += 1;
        },
      ),
      { numRuns: 1500, seed: 14 },
    );
    expect(written).toBeGreaterThan(500);
  });

  it("are the same pieces, with a rest and a time each", () => {
    fc.assert(
      fc.property(
        pick("run", "row"),
        fc.integer({ min: 2, max: 12 }),
        pick(400, 500, 800, 1000),
        pick("x", " x ", "×"),
        fc.integer({ min: 0, max: 9 }),
        fc.option(pick("rest 90 s", "rest 2 min", "rest 1:30")),
        pick("", " each"),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 4, maxLength: 4 }),
        pick(" ", ", "),
        (kind, count, metres, cross, more, rest, each, order, joint) => {
          const seconds = Math.round((metres / 1000) * 225) + more;
          const parts = [
            kind,
            `${count}${cross}${metres} m`,
            `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}${each}`,
            ...(rest === null ? [] : [rest]),
          ];
          const line = parts
            .map((part, index) => ({ part, at: order[index]! }))
            .sort((a, b) => a.at - b.at)
            .map(({ part }) => part)
            .join(joint);
          same(line, "kg", `11-27 ${kind} ${count * metres}m ${count * seconds}s interval`);
        },
      ),
      { numRuns: 1500, seed: 14 },
    );
  });

  it("are the same morning, whatever stands around the weight", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 450, max: 1400 }).map((tenths) => tenths / 10),
        pick("", " kg", "kg"),
        fc.option(pick("6:40", "06:40")),
        fc.option(pick("slept badly", "salt")),
        pick("", "weight ", "morning "),
        pick(" ", ", "),
        (kg, unit, time, note, lead, joint) => {
          const line = [`${lead}${kg}${unit}`, ...(time === null ? [] : [time]), ...(note === null ? [] : [note])].join(
            joint,
          );
          same(line, "kg", `11-27 ${kg}kg${time === null ? "" : " 06:40"}${note === null ? "" : ` "${note}"`}`);
        },
      ),
      { numRuns: 2000, seed: 14 },
    );
  });

  it("never leave a number in the note of a session, whatever stands in the line", () => {
    const word = pick(
      "bench press",
      "run",
      "row",
      "3x5",
      "80",
      "kg",
      "x",
      "5",
      "rpe",
      "8",
      "felt",
      "heavy",
      "2nd",
      "set",
      "10 km",
      "48:30",
      ",",
      ";",
      "(",
      ")",
      "rest",
      "min",
      "90",
      "s",
      "-",
      "+",
      "yesterday",
      "warm-up",
      "failed",
      "and",
      "at",
      "@",
      "lap",
      "3",
      "easy",
      "5,5",
      "70%",
      "drop",
      "amrap",
      "plank",
      "push-ups",
    );
    fc.assert(
      fc.property(fc.array(word, { minLength: 2, maxLength: 9 }), (words) => {
        const found = read({ units: "kg", line: words.join(" ") });
        if (found.as === "written")
          for (const { note } of found.sessions) expect(`${words.join(" ")} → ${note}`).not.toMatch(/→.*\d/);
        expect(dateOf(mustDay(found.day))).toBe(found.day);
      }),
      { numRuns: 2000, seed: 14 },
    );
  });
});
