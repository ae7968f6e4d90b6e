import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { choose, openDemo, trainee, type Trainee } from "./harness";

describe("the kit by keyboard", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await openDemo(hand.page, "/energy");
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("a date is typed as it is written, moved by keys in its calendar, and what is none stays and is said", async () => {
    const { page } = hand;
    const from = page.getByLabel("From", { exact: true });
    const shown = () => from.inputValue();
    for (const [typed, date] of [
      ["3/3/26", "3 Mar 2026"],
      ["2026-05-04", "4 May 2026"],
      ["Mar 7", "7 Mar 2026"],
      ["yesterday", "10 Jun 2026"],
    ] as const) {
      await from.fill(typed);
      await from.blur();
      expect([typed, await shown()]).toEqual([typed, date]);
    }
    await from.fill("some day");
    await from.blur();
    await page.getByText('"some day" is no date.').waitFor();
    expect(await shown()).toBe("some day");
    // A week and a day on from the 4th of May, then a month; Escape leaves it as it was, Enter takes it.
    await from.fill("4 May 2026");
    await from.press("Alt+ArrowDown");
    await page.locator(".ant-picker-dropdown").waitFor();
    for (const key of ["ArrowDown", "ArrowRight", "PageDown"]) await from.press(key);
    await from.press("Escape");
    await from.blur();
    expect(await shown()).toBe("4 May 2026");
    await from.press("Alt+ArrowDown");
    for (const key of ["ArrowDown", "ArrowRight", "PageDown", "Enter"]) await from.press(key);
    expect(await shown()).toBe("12 Jun 2026");
    // By pointer: the calendar's own days, and the field has the focus again.
    await page
      .locator(".ant-input-affix-wrapper")
      .filter({ has: from })
      .getByRole("button", { name: "Open the calendar" })
      .click();
    await page.locator(".ant-picker-dropdown").getByTitle("2026-06-02").click();
    expect(await shown()).toBe("2 Jun 2026");
    expect(await from.evaluate((field) => field === document.activeElement)).toBe(true);
  });

  it("a date that looks ahead takes the next such day where the year is not said", async () => {
    const { page } = hand;
    await choose(page.getByLabel("Set by"), "deadline");
    const deadline = page.getByLabel("Deadline", { exact: true });
    await deadline.fill("3 Mar");
    await deadline.blur();
    expect(await deadline.inputValue()).toBe("3 Mar 2027");
  });

  it("a time of day is typed as it is written, and one that is none is said", async () => {
    const { page } = hand;
    await page.keyboard.press("Escape");
    await openDemo(page, "/body");
    const form = page.locator("form").filter({ has: page.getByRole("button", { name: "Log weigh-in" }) });
    const time = form.getByLabel("Time", { exact: true });
    await time.fill("640");
    await time.blur();
    expect(await time.inputValue()).toBe("06:40");
    await time.fill("25:00");
    await time.blur();
    await form.getByText("Write a time of day such as 6:40.").waitFor();
    expect(await time.inputValue()).toBe("25:00");
  });

  it("a dialog is left by Escape, and the focus is where it was; plain keys rest while it is open", async () => {
    const { page } = hand;
    await openDemo(page);
    const opener = page.locator('#content button[aria-haspopup="dialog"]').first();
    await opener.focus();
    await page.keyboard.press("Enter");
    await page.getByRole("dialog").waitFor();
    await page.keyboard.press("2");
    expect(new URL(page.url()).pathname).toBe("/");
    await page.keyboard.press("Escape");
    await page.getByRole("dialog").waitFor({ state: "detached" });
    await expect.poll(() => opener.evaluate((button) => button === document.activeElement)).toBe(true);
  });
});
