import { afterAll, beforeAll, describe, expect, it } from "vitest";
import {
  address,
  beginLog,
  exportedLog,
  openDemo,
  findings,
  testDay,
  trainee,
  type Trainee,
  write,
  choose,
} from "./harness";

const views = [
  ["/", "Today"],
  ["/lifts", "Lifts"],
  ["/distance", "Distance"],
  ["/body", "Body"],
  ["/food", "Food"],
  ["/energy", "Energy"],
  ["/files", "Files"],
  ["/ledger", "Ledger"],
  ["/report", "Report"],
] as const;
const parts = [
  ["/plan", "Plan"],
  ["/plan/next", "Next week"],
  ["/plan/routines", "Routines"],
  ["/plan/cycles?cycle=rower-cycle", "Cycle"],
  ["/plan/outside", "In and out"],
  ["/plan/block?block=rower-block-7", "Block"],
  ["/food/foods", "Foods"],
  ["/food/week", "Week"],
  ["/food/recipes", "Recipes"],
  ["/lifts/work", "Work"],
  ["/lifts/records", "Records"],
  ["/lifts/exercises?exercise=chin-up", "Exercises"],
  ["/lifts/write", "Write sets"],
  ["/lifts/write?date=2026-06-11&session=demo-1-rower-strength-2026-06-11", "Plan sets"],
  ["/train?date=2026-06-11&session=demo-1-rower-strength-2026-06-11", "Training"],
] as const;

describe.each([
  ["light", false, 1280],
  ["dark", true, 1280],
  ["phone", false, 390],
] as const)("every view, %s", (_, dark, width) => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee({ dark, width, height: width === 390 ? 844 : 800, touch: width === 390 });
  });
  afterAll(() => hand.close());

  // In the dark those that draw with colours of their own.
  const drawn = new Set(["/", "/plan", "/body", "/ledger", "/report", "/lifts/work"]);
  it.each([...views, ...parts].filter(([path]) => !dark || drawn.has(path) || path.startsWith("/train")))(
    "%s has no error, no outside request, no policy violation, no axe finding",
    async (path) => {
      await openDemo(hand.page, path);
      if (path === "/body" || path === "/distance" || path === "/report")
        await hand.page.locator("#content .recharts-surface").first().waitFor();
      if (path === "/plan") await hand.page.getByRole("table", { name: "Weeks of the plan" }).waitFor();
      if (path.startsWith("/plan/cycles?")) await hand.page.getByRole("grid").waitFor();
      if (path === "/plan/next")
        await hand.page
          .getByRole("table", { name: "Work by week" })
          .or(hand.page.getByRole("list", { name: "Work by week" }))
          .waitFor();
      if (path.startsWith("/lifts/write?")) await hand.page.getByLabel("Sets, line 7").waitFor();
      if (path.startsWith("/train")) await hand.page.getByRole("button", { name: "Set done" }).waitFor();
      if (path === "/lifts") await hand.page.locator('[data-figure="latest"]').waitFor();
      // Only the colours differ where it is dark; on a phone, tables are rows and the bar is at the foot.
      if (width !== 390 || path === "/" || path === "/lifts/work")
        expect(await findings(hand, dark ? { rules: ["color-contrast"] } : {})).toEqual([]);
      const overflow = await hand.page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      expect(overflow).toBeLessThanOrEqual(0);
      // Nor does anything stick out of the part that scrolls.
      expect(
        await hand.page.evaluate(() => {
          const frame = document.getElementById("content")!.parentElement!;
          return frame.scrollWidth - frame.clientWidth;
        }),
      ).toBeLessThanOrEqual(0);
      // The page scrolls inside its frame; the document itself never does.
      expect(await hand.page.evaluate(() => document.documentElement.scrollHeight - innerHeight)).toBeLessThanOrEqual(
        0,
      );
      expect(hand.problems).toEqual([]);
    },
  );
});

describe("keys, undo and the Column", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await openDemo(hand.page);
  });
  afterAll(() => hand.close());

  it("one key opens each view, one the quick entry, one goes to today, one lists the keys", async () => {
    const { page } = hand;
    for (const [index, [path]] of views.filter(([path]) => path !== "/report").entries()) {
      await page.keyboard.press(path === "/ledger" ? "l" : String(index + 1));
      await page.waitForURL(`${address}${path}${path === "/" ? "*" : ""}`);
    }
    // In the ledger keys are typed into its cells.
    await page.getByRole("heading", { level: 1 }).click();
    await page.keyboard.press("w");
    await page.keyboard.type("front s");
    await page.getByRole("button", { name: "Front squat" }).waitFor();
    await page.keyboard.press("Tab");
    await expect.poll(() => page.getByRole("search").getByRole("textbox").inputValue()).toBe("Front squat ");
    await page.keyboard.press("Escape");
    await page.keyboard.press("Escape");
    await page.keyboard.press("?");
    await page.getByRole("dialog", { name: "Keys" }).waitFor();
    await page.keyboard.press("Escape");
    await page.getByRole("dialog", { name: "Keys" }).waitFor({ state: "hidden" });
  });
  it("the Column moves by keyboard over all its days and keeps its chosen day in every view", async () => {
    const { page } = hand;
    await page.keyboard.press("1");
    await page.getByRole("listbox", { name: "Days" }).waitFor();
    await page.keyboard.press("c");
    await page.keyboard.press("ArrowUp");
    await page.getByRole("heading", { name: "Wednesday 10 June" }).waitFor();
    await page.keyboard.press("PageUp");
    await page.getByRole("heading", { name: "Wednesday 3 June" }).waitFor();
    await page.keyboard.press("Home");
    await page.locator('[role="option"][aria-selected="true"]').first().waitFor();
    expect(await page.locator("#column").getAttribute("aria-activedescendant")).toMatch(/^day-2025-09-/);
    await page.keyboard.press("5");
    await page.getByRole("heading", { name: /^Food, .* September$/ }).waitFor();
    await page.keyboard.press("t");
    await page.getByRole("heading", { name: "Food, Thursday 11 June" }).waitFor();
  });
  it("a day of rest says what comes next and when, and what the week still holds", async () => {
    const { page } = hand;
    await page.keyboard.press("1");
    await write(page, "move 12 june to 20 june");
    await page.keyboard.press("Escape");
    await page.getByRole("heading", { level: 1 }).click();
    await page.keyboard.press("c");
    await page.keyboard.press("ArrowDown");
    await page.getByText("Nothing is planned for this day. Next: On the water, tomorrow.").waitFor();
    const week = page.getByRole("table", { name: "What the week still holds" });
    await week.getByRole("row", { name: /^Sun 14 Jun, 10:00 .*Strength B/ }).waitFor();
    await week.getByRole("button", { name: "Sat 13 Jun" }).click();
    await page.getByRole("heading", { name: "Saturday 13 June" }).waitFor();
    await page.keyboard.press("t");
  });
  it("a plain key is changed, taken away and given back, and each does one thing", async () => {
    const { page } = hand;
    await page.keyboard.press(",");
    await page.getByText("Change the keys").click();
    await page.getByRole("button", { name: "Change the key of: undo, as Ctrl Z does" }).click();
    await page.keyboard.press("w");
    await page.getByText("“w” is the key of: write in the quick-entry line.").waitFor();
    await page.keyboard.press("e");
    await page.getByRole("button", { name: "Take the key away from: Lifts" }).click();
    await page.keyboard.press("2");
    await page.keyboard.press("5");
    await page.waitForURL(`${address}/food`);
    await write(page, "100 g oats");
    await page.getByRole("heading", { level: 1 }).click();
    await page.keyboard.press("u");
    await page.keyboard.press("e");
    await page
      .getByRole("status")
      .getByText(/^Undone:/)
      .waitFor();
    await page.keyboard.press(",");
    await page.getByText("Change the keys").click();
    await page.getByRole("button", { name: "u again for: undo, as Ctrl Z does" }).click();
    await page.getByRole("button", { name: "2 again for: Lifts" }).click();
    await page.getByRole("heading", { level: 1 }).click();
    await page.keyboard.press("2");
    await page.waitForURL(`${address}/lifts`);
  });
  it("a working opens with formula, numbers, entries and source, and an entry leads to its day", async () => {
    const { page } = hand;
    await page.keyboard.press("1");
    for (const name of ["Weight, trend", "Against the plan", "71.0 kg on 13 Aug", "Left to eat"]) {
      await page.getByRole("button", { name: `working of ${name}` }).click();
      const dialog = page.getByRole("dialog");
      await dialog.getByText("With the numbers put in").waitFor();
      await dialog.getByRole("heading", { name: "Source" }).waitFor();
      expect(await findings(hand)).toEqual([]);
      await page.keyboard.press("Escape");
    }
    await page.getByRole("button", { name: "working of Weight, trend" }).click();
    await page.getByRole("dialog").getByRole("button", { name: "9 Jun 2026" }).click();
    await page.getByRole("heading", { name: "Tuesday 9 June" }).waitFor();
    await page.keyboard.press("t");
  });
  it("today's session is confirmed set by set, changed, taken back with a key, and confirmed whole", async () => {
    const { page } = hand;
    const session = page.getByRole("region", { name: "Strength B" });
    await session.getByRole("button", { name: "Deadlift, set 1, confirm as planned" }).click();
    await page.getByText("Saved: Deadlift").waitFor();
    await session.getByRole("button", { name: "Deadlift, set 1, done, change" }).click();
    await session.getByLabel("Reps").fill("4");
    await session.getByLabel("RPE").fill("9,5");
    await session.getByRole("button", { name: "Save set" }).click();
    await page.getByText("Saved: Deadlift, set changed").waitFor();
    await session.getByText(/^partly/).waitFor();
    await page.keyboard.press("u");
    await page.getByText("Undone: Deadlift, set changed").waitFor();
    await page.keyboard.press("Control+z");
    await page.getByText("Undone: Deadlift, set 1").waitFor();
    await session.getByRole("button", { name: "Confirm as planned", exact: true }).click();
    await page.getByText("Saved: Strength B as planned").waitFor();
    await session.getByText(/lifts,/).waitFor();
    await page.getByRole("status").getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: Strength B as planned").waitFor();
  });
  it("a row is changed after the fact: distance, time, effort, note", async () => {
    const { page } = hand;
    const session = page.getByRole("region", { name: "Easy row" });
    await session.getByRole("button", { name: "Change" }).click();
    await session.getByLabel("Time", { exact: true }).fill("soon");
    await session.getByText("Write a time such as 33:10 or 45 min.").waitFor();
    await session.getByLabel("Distance").fill("6,2");
    await session.getByLabel("Time", { exact: true }).fill("27:54");
    await session.getByLabel("Effort").fill("3,5");
    await session.getByLabel("Note").fill("wind against");
    await session.getByRole("button", { name: "Save session" }).click();
    await page.getByText("Saved: Easy row changed").waitFor();
    await session.getByText("6,200 m · 27:54 · 2:15.0 /500 m").waitFor();
    await session.getByText("wind against").waitFor();
    await page.keyboard.press("u");
    await page.getByText("Undone: Easy row changed").waitFor();
  });
  it("nonsense in the forms is named as it is typed and nothing is written", async () => {
    const { page } = hand;
    await page.keyboard.press("4");
    const form = page.locator("form", { has: page.getByRole("button", { name: "Log weigh-in" }) });
    for (const [text, message] of [
      ["", "Weight is missing."],
      ["abc", "Write a number, with a point or a comma."],
      ["-5", "Weight must be from 10 to 450 kg."],
      ["99999", "Weight must be from 10 to 450 kg."],
      ["1e400", "Write a number, with a point or a comma."],
    ] as const) {
      await form.getByLabel("Weight").fill("7");
      await form.getByLabel("Weight").fill(text);
      await form.getByText(message).waitFor();
    }
    // A sum is worked out beside it as it is typed, and stands in its place on leaving.
    await form.getByLabel("Weight").fill("70 + 2,3");
    await form.getByText("= 72,3").waitFor();
    await form.getByLabel("Weight").blur();
    expect(await form.getByLabel("Weight").inputValue()).toBe("72,3");
    await form.getByLabel("Date").fill("2027-01-01");
    await form.getByRole("button", { name: "Log weigh-in" }).click();
    await form.getByText("The date cannot be in the future.").waitFor();
    await form.getByLabel("Date").fill("2026-06-10");
    await form.getByRole("button", { name: "Log weigh-in" }).click();
    await page.getByText("Saved: Weigh-in 72.3 kg, 10 Jun 2026").waitFor();
    await page.keyboard.press("u");
    await page.getByText("Undone: Weigh-in 72.3 kg, 10 Jun 2026").waitFor();
    expect(hand.problems).toEqual([]);
  });
});

describe("units, people and tabs", () => {
  it("a log in pounds, miles and kilojoules prints what was typed", async () => {
    const hand = await trainee();
    const { page } = hand;
    await beginLog(page, { "Weight now": "160,2" }, { "Weights in": "lb", "Distances in": "mi", "Energy in": "kJ" });
    await write(page, "deadlift 225 lb x 5");
    await page.getByText("1 × 5 at 225 lb").first().waitFor();
    await page.getByText("160.2 lb").first().waitFor();
    // In training the steps and the plates are the pound's own.
    await page.goto(`${address}/lifts/write?date=2026-06-12`);
    await page.getByRole("combobox", { name: "Exercise, line 1" }).fill("deadlift");
    await page.getByTitle("Deadlift", { exact: true }).click();
    await page.getByLabel("Sets, line 1").fill("1");
    await page.getByLabel("Reps, line 1").fill("5");
    await page.getByLabel("Load, line 1").fill("225");
    await page.getByRole("button", { name: "Save plan" }).click();
    // What was written before bears the same words.
    await page.getByRole("status").getByText("Saved: Plan of 12 Jun 2026").waitFor();
    await page.clock.setFixedTime(new Date("2026-06-12T18:00:00"));
    await page.goto(`${address}/`);
    await page.getByRole("link", { name: "Train", exact: true }).click();
    await page.getByText("45 + 45 a side").waitFor();
    await page.getByRole("button", { name: "Load up" }).click();
    await page.getByText("45 + 45 + 2.5 a side").waitFor();
    await page.getByRole("button", { name: "Set done" }).click();
    await page.getByText("Saved: Deadlift, 5 at 230 lb").waitFor();
    await page.getByRole("button", { name: "Leave" }).click();
    await write(page, "run 3 mi 24:00");
    await page.getByText("8:00 /mi").first().waitFor();
    await write(page, "100 g oats");
    // 4 × 58.7 + 2 × 10 + 4 × 13.5 + 9 × 7 = 371.8 kcal = 1,556 kJ
    await page.getByText("1,556").first().waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
  it("nothing of one person shows in the other's log", async () => {
    const hand = await trainee();
    const { page } = hand;
    await openDemo(page, "/lifts");
    await page.getByRole("button", { name: "Back squat" }).waitFor();
    await choose(page.getByLabel("Whose log"), "Training partner");
    await page.getByRole("button", { name: "Leg press" }).waitFor();
    expect(await page.getByRole("button", { name: "Back squat" }).count()).toBe(0);
    await hand.close();
  });
  it("what was written for one person is taken back and done again from the other's log only when that is said twice", async () => {
    const hand = await trainee();
    const { page } = hand;
    await openDemo(page);
    await write(page, "second 73.4 21:00");
    await page.keyboard.press("Escape");
    await choose(page.getByLabel("Whose log"), "Training partner");
    // No plain key acts while a list has the focus.
    await page.getByRole("heading", { level: 1 }).first().click();
    await page.keyboard.press("u");
    const told = page.getByRole("status");
    await told.getByText(/^The last change is Rower's: .*Undo it all the same\?/).waitFor();
    const held = async () =>
      (await exportedLog(page)).weighIns.filter(
        (one) => one.kg === 73.4 && one.date === testDay && one.primary === false,
      ).length;
    expect(await held()).toBe(1);
    await page.keyboard.press("u");
    await told.getByText(/^The last change is Rower's: /).waitFor();
    await page.keyboard.press("u");
    await told.getByText(/^Undone:/).waitFor();
    expect(await held()).toBe(0);
    await page.keyboard.press("r");
    await told.getByText(/^The last change is Rower's: .*Press r again to do it again\./).waitFor();
    await page.keyboard.press("r");
    await told.getByText(/^Done again:/).waitFor();
    expect(await held()).toBe(1);
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
  it("the demo leaves an own log alone, and says that it is the demo", async () => {
    const hand = await trainee();
    await beginLog(hand.page, { "Weight now": "77.7" });
    await openDemo(hand.page);
    await hand.page.getByText("demo log", { exact: true }).waitFor();
    await write(hand.page, "71.1");
    await hand.page.goto(`${address}/files`);
    await hand.page.getByText("Your own log is untouched by anything here.").waitFor();
    await hand.page.getByRole("button", { name: "Open your own log" }).click();
    await hand.page.getByText("77.7 kg").first().waitFor();
    expect(await hand.page.getByText("demo log", { exact: true }).count()).toBe(0);
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
  it("another tab follows", async () => {
    const hand = await trainee();
    await beginLog(hand.page, { "Weight now": "72" });
    const other = await hand.newPage();
    await other.goto(`${address}/`);
    await other.getByText("72.0 kg").first().waitFor();
    await write(hand.page, "71.5");
    await other.getByText("71.5 kg").first().waitFor();
    await other.keyboard.press("u");
    await hand.page.getByText("72.0 kg").first().waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});
