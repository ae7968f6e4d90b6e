import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { address, beginLog, choose, exportedLog, saved, testDay, trainee, type Trainee } from "./harness";

describe("the plan by weeks", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await beginLog(hand.page, { "Weight now": "80" });
    await hand.page.keyboard.press("p");
    await hand.page.getByRole("heading", { level: 1, name: "Plan" }).waitFor();
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("a phase is written, judged by figures of the log, and stands beside the weeks", async () => {
    const { page } = hand;
    await page.getByRole("button", { name: "Write a phase" }).click();
    const form = page.getByRole("form", { name: "A new phase" });
    await form.getByLabel("Weeks").fill("many");
    await form.getByRole("button", { name: "Save phase" }).click();
    await form.getByText("The name is missing.").waitFor();
    await form.getByText("Write a number, with a point or a comma.").waitFor();
    await form.getByLabel("Phase", { exact: true }).fill("Lean down");
    await form.getByLabel("Weeks").fill("6");
    await choose(form.getByLabel("Aim"), "lose fat");
    await form.getByRole("button", { name: "Save phase" }).click();
    await saved(hand, "Phase Lean down");
    const phases = page.getByRole("list", { name: "Phases" });
    await phases.getByText("42 days, 6 weeks").waitFor();
    await page.getByRole("button", { name: /week 1 of 6/ }).waitFor();
    await phases.getByRole("button", { name: "Judge it by… Lean down" }).click();
    const judged = page.getByRole("form", { name: "Judge Lean down" });
    await judged.getByLabel("From, if not as the log says").fill("82");
    await judged.getByLabel("Aim").fill("74");
    await judged.getByRole("button", { name: "Judge by it" }).click();
    // From 82 to 80 of the 8 kg to 74: a quarter.
    await phases.getByText("25 %").waitFor();
  });

  it("a session is planned on a day, moved by keys, and taken back", async () => {
    const { page } = hand;
    const table = page.getByRole("table", { name: "Weeks of the plan" });
    await table.getByRole("button", { name: /^Saturday 13 June/ }).focus();
    await page.keyboard.press("Enter");
    const dialog = page.getByRole("dialog", { name: "Saturday 13 June" });
    await dialog.getByLabel("Kind").fill("row");
    await dialog.getByLabel("Title, if any").fill("Long row");
    await dialog.getByLabel("Minutes").fill("80 min");
    await dialog.getByLabel("Effort, 0 to 10").fill("3");
    await dialog.getByLabel("Effort, 0 to 10").press("Enter");
    await saved(hand, "Long row planned on 13 Jun");
    await dialog.getByRole("button", { name: "Move to…" }).press("Enter");
    await dialog.getByLabel("to", { exact: true }).fill("some day");
    await dialog.getByLabel("to", { exact: true }).press("Tab");
    expect(await dialog.getByRole("button", { name: "Move", exact: true }).isDisabled()).toBe(true);
    await dialog.getByLabel("to", { exact: true }).fill("14 Jun");
    await dialog.getByLabel("to", { exact: true }).press("Tab");
    await dialog.getByRole("button", { name: "Move", exact: true }).press("Enter");
    await saved(hand, "Long row moved to 14 Jun");
    await dialog.getByText("Nothing is planned on this day.").waitFor();
    await page.keyboard.press("Escape");
    await table.getByRole("button", { name: "Sunday 14 June: Long row, planned" }).waitFor();
    // 80 minutes at effort 3.
    await table.getByText("1 h 20").waitFor();
    await table.getByText("240", { exact: true }).waitFor();
    const { sessions } = await exportedLog(page);
    expect(sessions).toHaveLength(1);
    expect(sessions[0]).toMatchObject({ date: "2026-06-14", status: "planned", planned: { minutes: 80, effort: 3 } });
    await page.keyboard.press("u");
    await page.getByText("Undone: Long row moved to 14 Jun").waitFor();
  });

  it("on a phone the weeks fit, and a day opens by touch", async () => {
    const phone = await trainee({ width: 360, height: 740, touch: true });
    await phone.page.goto(`${address}/plan?log=demo`);
    await phone.page.getByRole("table", { name: "Weeks of the plan" }).waitFor();
    const overflow = () => phone.page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(await overflow()).toBeLessThanOrEqual(0);
    await phone.page.getByRole("button", { name: /^Thursday 11 June/ }).tap();
    await phone.page.getByRole("dialog").getByRole("button", { name: "Move to…" }).first().waitFor();
    expect(testDay).toBe("2026-06-11");
    expect(await overflow()).toBeLessThanOrEqual(0);
    expect(phone.problems).toEqual([]);
    await phone.close();
  });
});
