import type { Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { address, beginLog, calledBack, openDemo, rounds, testDay, trainee, type Trainee } from "./harness";

const cell = (page: Page, date: string, column: string) => page.locator(`[id="cell-${date}-${column}"]`);
const active = (page: Page) => page.getByRole("grid").getAttribute("aria-activedescendant");
const day = (index: number) => new Date(Date.UTC(2025, 4, 1 + index)).toISOString().slice(0, 10);

/** Gives text to the grid as the clipboard would. */
async function paste(page: Page, text: string): Promise<void> {
  await page.getByRole("grid").focus();
  await page.evaluate((given) => {
    const data = new DataTransfer();
    data.setData("text/plain", given);
    document.activeElement!.dispatchEvent(
      new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, text);
}

describe("the ledger by keyboard alone", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await openDemo(hand.page, "/ledger");
  });
  afterAll(() => hand.close());

  it("types into cells, moves on, leaves, refuses what is derived, questions what is far off, and undoes", async () => {
    const { page } = hand;
    await page.getByRole("grid").focus();
    expect(await active(page)).toBe(`cell-${testDay}-weight`);
    await cell(page, testDay, "weight").getByText("72.9").waitFor();
    const before = await cell(page, "2026-06-10", "weight").innerText();
    expect(before).not.toBe("72.3");
    await page.keyboard.press("ArrowUp");
    await page.keyboard.type("72,3");
    await page.keyboard.press("Enter");
    await page.getByText("Saved: Weight, Wed 10 Jun 2026").waitFor();
    await cell(page, "2026-06-10", "weight").getByText("72.3").waitFor();
    expect(await active(page)).toBe(`cell-${testDay}-weight`);
    await page.keyboard.press("ArrowUp");
    await page.keyboard.press("Tab");
    await page.keyboard.type("salty dinner");
    await page.keyboard.press("Tab");
    await cell(page, "2026-06-10", "influence").getByText("salty dinner").waitFor();
    expect(await active(page)).toBe("cell-2026-06-10-trend");
    await page.keyboard.type("7");
    await page.getByText("Trend cannot be typed over. The trend is computed from all weigh-ins.").waitFor();
    await page.keyboard.press("Home");
    await page.keyboard.press("F2");
    await page.keyboard.type("9");
    await page.keyboard.press("Escape");
    await cell(page, "2026-06-10", "weight").getByText("72.3", { exact: true }).waitFor();
    await page.keyboard.type("159.8");
    await page.keyboard.press("Enter");
    await page.getByText("Press Enter again if it is right.").waitFor();
    await page.keyboard.press("Escape");
    await cell(page, "2026-06-10", "weight").getByText("72.3", { exact: true }).waitFor();
    await page.keyboard.press("Control+z");
    await page.getByText("Undone: What influenced it, Wed 10 Jun 2026").waitFor();
    await page.keyboard.press("Control+z");
    await cell(page, "2026-06-10", "weight").getByText(before, { exact: true }).waitFor();
    expect(hand.problems).toEqual([]);
  });

  it("keeps a cell open until it is left: by Enter, or by a press on another cell, and calls back to one that is refused", async () => {
    const { page } = hand;
    await cell(page, "2026-06-09", "weight").click();
    await page.keyboard.type("72,");
    // Looking elsewhere leaves it as it is.
    await page.getByRole("heading", { name: "Ledger" }).click();
    const open = page.getByRole("grid").getByRole("textbox");
    expect(await open.inputValue()).toBe("72,");
    await page.getByLabel("Go to").fill("2026-06-07");
    expect(await open.inputValue()).toBe("72,");
    await open.focus();
    await page.keyboard.type("4");
    await cell(page, "2026-06-08", "weight").click();
    await page.getByText("Saved: Weight, Tue 9 Jun 2026").waitFor();
    await cell(page, "2026-06-09", "weight").getByText("72.4").waitFor();
    expect(await active(page)).toBe("cell-2026-06-08-weight");
    // One that is refused calls back with what was typed; where something else was begun meanwhile, it waits there.
    await page.keyboard.type("nine");
    await cell(page, "2026-06-05", "weight").click();
    await page.getByRole("status").filter({ hasText: '"nine" is no weight' }).waitFor();
    expect(await open.inputValue()).toBe("nine");
    expect(await active(page)).toBe("cell-2026-06-08-weight");
    await calledBack(page);
    await open.press("Escape");
    await page.keyboard.press("Control+z");
    await page.getByText("Undone: Weight, Tue 9 Jun 2026").waitFor();
    await cell(page, "2026-06-10", "weight").click();
  });

  it("shows a measure as a column once it is chosen, typed into like the others", async () => {
    const { page } = hand;
    await page.getByRole("button", { name: "Columns" }).click();
    await page.getByRole("dialog").getByRole("checkbox", { name: "Waist" }).check();
    await page.keyboard.press("Escape");
    await page.getByRole("columnheader", { name: "Waist, cm" }).waitFor();
    await page.getByRole("grid").focus();
    await page.keyboard.press("Control+End");
    await page.getByLabel("Go to").fill("2026-06-10");
    await page.getByRole("grid").focus();
    await page.keyboard.press("End");
    expect(await active(page)).toBe("cell-2026-06-10-measure-waist");
    await page.keyboard.type("78,4");
    await page.keyboard.press("Enter");
    await page.getByText("Saved: Waist, Wed 10 Jun 2026").waitFor();
    await cell(page, "2026-06-10", "measure-waist").getByText("78.4").waitFor();
    await page.getByRole("button", { name: "Columns" }).click();
    await page.getByRole("dialog").getByRole("checkbox", { name: "Waist" }).uncheck();
    await page.keyboard.press("Escape");
    expect(hand.problems).toEqual([]);
  });

  it("goes to any day, years before the first entry and after the last, and is typed into there", async () => {
    const { page } = hand;
    await page.getByLabel("Go to").fill("2019-03-05");
    await cell(page, "2019-03-05", "weight").waitFor();
    expect(await active(page)).toMatch(/^cell-2019-03-05-/);
    await cell(page, "2019-03-05", "weight").click();
    await page.keyboard.type("71.2");
    await page.keyboard.press("Enter");
    await page.getByText("Saved: Weight, Tue 5 Mar 2019").waitFor();
    await page.waitForFunction(() =>
      document.querySelector("[role=grid]")!.getAttribute("aria-activedescendant")!.startsWith("cell-2019-03-06-"),
    );
    await page.getByRole("status").getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: Weight, Tue 5 Mar 2019").waitFor();
    await page.getByLabel("Go to").fill("2031-01-01");
    await cell(page, "2031-01-01", "weight").waitFor();
    await page.getByLabel("Go to").fill("2026-06-10");
    await cell(page, "2026-06-10", "weight").click();
    expect(hand.problems).toEqual([]);
  });

  it("fills down, empties and copies a range, each shown before it is written", async () => {
    const { page } = hand;
    await page.reload();
    await page.getByRole("grid").focus();
    await page.keyboard.press("ArrowUp");
    await page.keyboard.press("End");
    await page.keyboard.type("in the hills");
    await page.keyboard.press("Enter");
    await cell(page, "2026-06-10", "note").getByText("in the hills").waitFor();
    await page.keyboard.press("ArrowUp");
    for (let times = 0; times < 3; times++) await page.keyboard.press("Shift+ArrowDown");
    await page.keyboard.press("Control+d");
    await page.getByText("Filled down: 3 cells change").waitFor();
    await page.getByRole("button", { name: "Write 3 changes" }).click();
    await cell(page, "2026-06-13", "note").getByText("in the hills").waitFor();
    const copied = await page.evaluate(() => {
      const data = new DataTransfer();
      document.activeElement!.dispatchEvent(
        new ClipboardEvent("copy", { clipboardData: data, bubbles: true, cancelable: true }),
      );
      return data.getData("text/plain");
    });
    expect(copied.split("\n")).toEqual([
      "Date\tNote of the day",
      ...["10", "11", "12", "13"].map((one) => `2026-06-${one}\tin the hills`),
    ]);
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: Filled down: 3 cells").waitFor();
    await page.waitForFunction(() => document.getElementById("cell-2026-06-13-note")?.textContent === "");
    expect(hand.problems).toEqual([]);
  });
});

describe("pasting four hundred days from a spreadsheet", () => {
  it("shows what changes and the three bad lines with their reasons, writes one change, and undo takes all of it back", async () => {
    const hand = await trainee();
    const { page } = hand;
    await beginLog(page, { "Weight now": "72" });
    await page.goto(`${address}/ledger`);
    await page.getByRole("grid").waitFor();
    const lines = Array.from({ length: 400 }, (_, index) => {
      const [year, month, date] = day(index).split("-");
      const kg = (78 - index * 0.015 + 0.3 * Math.sin(index * 1.3)).toFixed(1).replace(".", ",");
      if (index === 50) return `${date}.${month}.${year}\tn/a`;
      if (index === 120) return `31.02.2026\t74,0`;
      if (index === 300) return `${date}.${month}.${year}\t7,4`;
      return `${date}.${month}.${year}\t${kg}`;
    });
    await paste(page, lines.join("\r\n"));
    const dialog = page.getByRole("dialog", { name: "Before it is written" });
    await dialog.getByText("Pasted: 397 cells change, 3 refused.").waitFor();
    const told = await dialog.innerText();
    expect(told).toContain('Line 121 (31.02.2026 · 74,0): "31.02.2026" is no date.');
    expect(told).toContain('“n/a”: "n/a" is no weight');
    expect(told).toContain("“7,4”: 7,4 is no body weight");
    await dialog.getByRole("button", { name: "Write 397 changes" }).click();
    await page.getByText("Saved: Pasted: 397 cells").waitFor();
    await page.goto(`${address}/files`);
    await page.getByText(/^1 person, 398 weigh-ins/).waitFor();
    await page.keyboard.press("u");
    await page.getByText("Undone: Pasted: 397 cells").waitFor();
    await page.getByText(/^1 person, 1 weigh-in,/).waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});

describe("two tabs", () => {
  it("edit neighbouring cells of one day, and both stand", async () => {
    const hand = await trainee();
    await openDemo(hand.page, "/ledger");
    const other = await hand.newPage();
    await openDemo(other, "/ledger");
    const edit = async (page: Page, column: string, text: string) => {
      await cell(page, testDay, column).click();
      await page.keyboard.type(text);
    };
    await edit(hand.page, "weight", "72.2");
    await edit(other, "influence", "from the other tab");
    await Promise.all([hand.page.keyboard.press("Enter"), other.keyboard.press("Enter")]);
    for (const page of [hand.page, other]) {
      await cell(page, testDay, "weight").getByText("72.2").waitFor();
      await cell(page, testDay, "influence").getByText("from the other tab").waitFor();
    }
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});

describe("a long log", () => {
  it("is scrolled from end to end without a row missing", async () => {
    const hand = await trainee();
    const { page } = hand;
    const years = rounds(5);
    await page.goto(`${address}/ledger?log=generated&years=${years}`);
    await page.getByRole("grid").waitFor({ timeout: 120_000 });
    await page.getByRole("grid").focus();
    await page.keyboard.press("Control+Home");
    const rows = Number(await page.getByRole("grid").getAttribute("aria-rowcount")) - 1;
    expect(rows).toBeGreaterThan(365 * years);
    const seen = new Map<number, string>();
    const grid = page.getByRole("grid");
    for (;;) {
      // Every row in sight is filled: its day is there, and (up to today) its weight.
      await page.waitForFunction(
        (begins) =>
          [...document.querySelectorAll('[role="row"]')].slice(1).every((row) => {
            const date = row.querySelector('[role="gridcell"]')!.id.slice(5, 15);
            return (
              date > "2026-06-11" ||
              date < begins ||
              row.querySelector(`[id="cell-${date}-weight"]`)!.textContent !== ""
            );
          }),
        `${2026 - years}-06-17`,
      );
      for (const [index, date] of await grid
        .locator('[role="row"]')
        .evaluateAll((all) =>
          all
            .slice(1)
            .map(
              (row) =>
                [
                  Number(row.getAttribute("aria-rowindex")),
                  row.querySelector('[role="gridcell"]')!.id.slice(5, 15),
                ] as const,
            ),
        ))
        seen.set(index, date);
      const moved = await grid.evaluate((element) => {
        const before = element.scrollTop;
        element.scrollTop += element.clientHeight;
        return element.scrollTop > before;
      });
      if (!moved) break;
      // The rows drawn are those in sight again.
      await page.waitForFunction(() => {
        const grid = document.querySelector('[role="grid"]')!.getBoundingClientRect();
        const drawn = [...document.querySelectorAll('[role="row"]')].slice(1).map((row) => row.getBoundingClientRect());
        return (
          Math.min(...drawn.map(({ top }) => top)) < grid.bottom &&
          Math.max(...drawn.map(({ bottom }) => bottom)) >= grid.bottom - 40
        );
      });
    }
    const dates = [...seen].sort(([a], [b]) => a - b).map(([, date]) => date);
    expect(dates.length).toBe(rows);
    for (let index = 1; index < dates.length; index++)
      expect(Date.parse(dates[index]!) - Date.parse(dates[index - 1]!)).toBe(86_400_000);
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});
