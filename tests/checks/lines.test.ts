import { describe, expect, it } from "vitest";
import { entry, more, read, rows, said } from "./lines";

describe("lines of many hands", () => {
  it("are read right, asked or refused, and none is written wrong", () => {
    const wrong: string[] = [];
    const score = new Map<string, { right: number; asked: number; refused: number; wrong: number }>();
    for (const row of rows) {
      const found = read(row);
      const truth = row.right === "?" ? null : `${row.day} ${row.right}`;
      const how =
        found.as !== "written" ? (truth === null ? "right" : found.as) : said(found) === truth ? "right" : "wrong";
      if (how === "wrong") wrong.push(`${row.line}: ${said(found)}, not ${truth ?? "anything"}`);
      for (const key of [`${row.sort} ${row.how}`, `all ${row.how}`]) {
        const counts = score.get(key) ?? { right: 0, asked: 0, refused: 0, wrong: 0 };
        counts[how] += 1;
        score.set(key, counts);
      }
    }
    if (process.env.REPORT) console.table(Object.fromEntries(score));
    expect(wrong).toEqual([]);
    for (const [key, { right, asked, refused }] of score)
      if (key.endsWith("ordinary")) expect([key, right / (right + asked + refused) >= 0.9]).toEqual([key, true]);
    expect(rows.length).toBeGreaterThan(600);
  });
});

describe("what is shown while a line is typed", () => {
  it("is what it was: fields, questions, offers and doubts, line by line", async () => {
    const shown = [...rows, ...more].map((row) => {
      const { fields, problems, choices, caution, label } = entry(row);
      return [
        row.line,
        ...fields.map(({ label: name, text }) => `  ${name}: ${text}`),
        ...problems.map(({ start, end, message }) => `  ! ${start}–${end} ${message}`),
        ...choices.map(({ label: name, text }) => `  ? ${name} → ${text}`),
        ...(caution === null ? [] : [`  ~ ${caution}`]),
        ...(label === "" ? [] : [`  = ${label}`]),
      ].join("\n");
    });
    // Written anew, and its differences read one by one, with `npx vitest run tests/checks/lines.test.ts -u`.
    await expect(`${shown.join("\n")}\n`).toMatchFileSnapshot("./lines.shown.txt");
  });
});
