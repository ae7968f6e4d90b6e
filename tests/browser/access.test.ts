import type { Locator, Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { address, exportedLog, findings, openDemo, trainee, type Trainee } from "./harness";

/** Presses Tab until what is named has the focus, as a hand does that has no pointer. */
async function reach(page: Page, target: Locator): Promise<void> {
  await target.first().waitFor();
  for (let pressed = 0; pressed < 150; pressed++) {
    if (await target.evaluateAll((all) => all.some((one) => one === document.activeElement))) return;
    await page.keyboard.press("Tab");
  }
  throw new Error(`Not reached by Tab: ${String(target)}`);
}

const said = (page: Page, text: string | RegExp) => page.getByRole("status").getByText(text).first().waitFor();

describe("a whole day by keyboard alone, by what a screen reader says alone", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await openDemo(hand.page);
  });
  afterAll(() => hand.close());

  it("begins past the bar and the Column, in the view", async () => {
    const { page } = hand;
    await page.keyboard.press("Tab");
    await reach(page, page.getByRole("link", { name: "Go to the view" }));
    await page.keyboard.press("Enter");
    await expect.poll(() => page.evaluate(() => document.activeElement?.id)).toBe("content");
  });
  it("weighs", async () => {
    const { page } = hand;
    await reach(page, page.getByRole("button", { name: "Change the weigh-in" }));
    await page.keyboard.press("Enter");
    await reach(page, page.getByRole("textbox", { name: "Weigh-in" }));
    await page.keyboard.press("Control+a");
    await page.keyboard.type("72,6");
    await page.keyboard.press("Enter");
    await said(page, /^Saved: .*72\.6 kg/);
  });
  it("does a session set by set, and changes one", async () => {
    const { page } = hand;
    await reach(page, page.getByRole("button", { name: "Deadlift, set 1, confirm as planned" }));
    await page.keyboard.press("Enter");
    await said(page, /^Saved: Deadlift, set 1/);
    await reach(page, page.getByRole("button", { name: "Deadlift, set 1, done, change" }));
    await page.keyboard.press("Enter");
    await reach(page, page.getByRole("textbox", { name: "Reps" }));
    await page.keyboard.press("Control+a");
    await page.keyboard.type("4");
    await page.keyboard.press("Enter");
    await said(page, "Saved: Deadlift, set changed");
  });
  it("eats, by the line", async () => {
    const { page } = hand;
    // Out of the field in which a plain key is a letter.
    await reach(page, page.getByRole("button", { name: "Skip" }));
    await page.keyboard.press("w");
    await page.keyboard.type("snack: 40 g oats");
    await page.getByRole("button", { name: "Enter to log" }).waitFor();
    await page.keyboard.press("Enter");
    await said(page, /^Saved: .*[Oo]ats/);
    await page.keyboard.press("Escape");
  });
  it("asks for a goal, and takes it back and again", async () => {
    const { page } = hand;
    await page.keyboard.press("Escape");
    await page.keyboard.press("6");
    await page.waitForURL(`${address}/energy`);
    await reach(page, page.getByRole("textbox", { name: "Goal weight" }));
    await page.keyboard.press("Control+a");
    await page.keyboard.type("71,5");
    await reach(page, page.getByRole("button", { name: "Save as a new goal" }));
    await page.keyboard.press("Enter");
    await said(page, /^Saved: Goal 71\.5 kg/);
    await page.keyboard.press("Control+z");
    await said(page, /^Undone: Goal 71\.5 kg/);
    await page.keyboard.press("Control+y");
    await said(page, /^Done again: Goal 71\.5 kg/);
  });
  it("goes to a day of the ledger, types there, and copies its cells", async () => {
    const { page, context } = hand;
    await context.grantPermissions(["clipboard-read", "clipboard-write"]);
    await page.keyboard.press("l");
    await page.waitForURL(`${address}/ledger`);
    await page.getByRole("grid", { name: "Ledger" }).waitFor();
    await expect.poll(() => page.evaluate(() => document.activeElement?.id)).toBe("ledger");
    await page.keyboard.press("Shift+Tab");
    await reach(page, page.getByRole("textbox", { name: "Go to" }));
    await page.keyboard.press("Control+a");
    await page.keyboard.type("9 Jun");
    await page.keyboard.press("Enter");
    await expect.poll(() => page.evaluate(() => document.activeElement?.id)).toBe("ledger");
    await page.keyboard.press("Home");
    await page.keyboard.press("Control+c");
    await said(page, "Copied 1 day.");
    await page.keyboard.type("72,8");
    await page.keyboard.press("Enter");
    await expect
      .poll(async () =>
        page
          .getByRole("row", { name: /^9 Jun|Tue 9/ })
          .first()
          .innerText(),
      )
      .toContain("72.8");
    const log = await exportedLog(page);
    expect(
      log.weighIns.filter(({ date }) => date === "2026-06-09" || date === "2026-06-11").map(({ kg }) => kg),
    ).toEqual(expect.arrayContaining([72.8, 72.6]));
    expect(hand.problems).toEqual([]);
  });
});

describe.each([
  ["light", false],
  ["dark", true],
] as const)("axe finds nothing, %s, in", (_, dark) => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee({ dark });
  });
  afterAll(() => hand.close());
  // Only the colours differ where it is dark.
  const isClean = async () =>
    expect(
      await findings(hand, {
        without: ["#column", ".recharts-wrapper"],
        ...(dark ? { rules: ["color-contrast"] } : {}),
      }),
    ).toEqual([]);

  it("the keys, a choice, a calendar, the offers of a line", async () => {
    const { page } = hand;
    await openDemo(page, "/energy");
    await page.keyboard.press("?");
    await page.getByRole("dialog", { name: "Keys" }).waitFor();
    await isClean();
    await page.keyboard.press("Escape");
    await page.getByRole("combobox", { name: "Whose log" }).press("Enter");
    await page.locator(".ant-select-item-option").first().waitFor();
    await isClean();
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Open the calendar" }).first().click();
    await page.locator(".ant-picker-content").waitFor();
    await isClean();
    await page.keyboard.press("Escape");
    await page.getByRole("search").getByRole("textbox").fill("front s");
    await page.getByRole("button", { name: "Front squat" }).waitFor();
    await isClean();
  });
  it("the ledger's columns and a preview", async () => {
    const { page } = hand;
    await openDemo(page, "/ledger");
    await page.getByRole("button", { name: "Columns" }).click();
    await page.getByRole("dialog", { name: "Columns" }).waitFor();
    await isClean();
    await page.keyboard.press("Escape");
    await page.getByRole("dialog").waitFor({ state: "detached" });
    await page.getByRole("grid").focus();
    await page.evaluate(() => {
      const data = new DataTransfer();
      data.setData("text/plain", "2026-06-08\t72,4\n2026-06-09\t172,2\n2026-06-32\t72");
      document
        .getElementById("ledger")!
        .dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
    });
    const preview = page.getByRole("dialog");
    await preview.waitFor();
    await preview.getByRole("button", { name: /^Write \d/ }).waitFor();
    await isClean();
  });
  // In the same colours as the others.
  it.skipIf(dark)("the sets of a session, found exercises, and a table that sorts and filters", async () => {
    const { page } = hand;
    await openDemo(page, "/lifts/write");
    await page.getByRole("combobox", { name: "Exercise, line 1" }).fill("squat");
    await page.locator(".ant-select-item-option").first().waitFor();
    await isClean();
    await openDemo(page, "/lifts/work");
    const days = page.getByRole("table", { name: "Day by day" });
    await days.getByRole("columnheader", { name: /Volume load/ }).click();
    await expect
      .poll(() => days.getByRole("columnheader", { name: /Volume load/ }).getAttribute("aria-sort"))
      .toBe("descending");
    await days.getByRole("button", { name: "Filter by session" }).click();
    const shown = page.getByRole("group", { name: "Shown by session" });
    await shown.getByRole("checkbox", { name: "Strength A" }).check();
    await isClean();
    await expect.poll(() => days.getByRole("row", { name: /Strength B/ }).count()).toBe(0);
    await shown.getByRole("button", { name: "Show all" }).click();
    await days
      .getByRole("row", { name: /Strength B/ })
      .first()
      .waitFor();
    // How it was sorted is kept: the most work comes first.
    await page.reload();
    await expect
      .poll(() => days.getByRole("columnheader", { name: /Volume load/ }).getAttribute("aria-sort"))
      .toBe("descending");
    const at = (await days.getByRole("columnheader").allInnerTexts()).findIndex((head) =>
      head.startsWith("Volume load"),
    );
    const loads: number[] = [];
    for (const row of (await days.getByRole("row").all()).slice(1))
      loads.push(Number((await row.getByRole("cell").nth(at).innerText()).replace(",", "")));
    expect(loads.length).toBeGreaterThan(20);
    expect(loads).toEqual(loads.toSorted((a, b) => b - a));
  });
  it.skipIf(dark)("training mode and what it opens", async () => {
    const { page } = hand;
    await openDemo(page, "/train?date=2026-06-11&session=demo-1-rower-strength-2026-06-11");
    await page.getByRole("button", { name: "Set done" }).waitFor();
    await isClean();
    for (const name of ["exercise 1 of 5", "Sets", "Swap", "Skip", "Note", "Add"]) {
      await page.getByRole("button", { name, exact: true }).click();
      const panel = page.getByRole("dialog");
      await panel.waitFor();
      await isClean();
      await panel.getByRole("button", { name: "Close" }).click();
      await panel.waitFor({ state: "detached" });
    }
    expect(hand.problems).toEqual([]);
  });
});

it("on a phone the views that have no room at its foot are a tap away, and the line lies over the page", async () => {
  const hand = await trainee({ width: 390, height: 844, touch: true });
  const { page } = hand;
  await openDemo(page);
  const bar = page.getByRole("banner");
  for (const target of await bar.getByRole("link").or(bar.getByRole("button")).all()) {
    const box = await target.boundingBox();
    if (box !== null) expect(Math.min(box.width, box.height), await target.innerText()).toBeGreaterThanOrEqual(40);
  }
  await bar.getByRole("button", { name: "More" }).tap();
  const more = page.getByRole("dialog", { name: "More" });
  await more.getByRole("link", { name: "Energy" }).waitFor();
  expect(await findings(hand)).toEqual([]);
  await more.getByRole("link", { name: "Energy" }).tap();
  await page.waitForURL(`${address}/energy`);
  await more.waitFor({ state: "detached" });
  const head = page.getByRole("heading", { level: 1 });
  const before = await head.boundingBox();
  const line = page.getByRole("search").getByRole("textbox");
  await line.tap();
  await line.fill("72.4 06:30; run 5 km 25:00");
  await page.getByText("5.00 km").first().waitFor();
  // What is under the sheet has not moved.
  expect(await head.boundingBox()).toEqual(before);
  // A table that has no room is rows of two lines; a long list is asked for.
  await openDemo(page, "/lifts/work");
  const sessions = page.getByRole("list", { name: "Day by day" });
  await sessions
    .getByRole("listitem")
    .first()
    .getByText(/^Volume load/)
    .waitFor();
  expect(await sessions.getByRole("listitem").count()).toBe(12);
  await page.getByRole("button", { name: /^All \d+ of Day by day$/ }).tap();
  expect(await sessions.getByRole("listitem").count()).toBeGreaterThan(20);
  expect(hand.problems).toEqual([]);
  await hand.close();
});
