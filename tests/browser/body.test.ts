import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { openDemo, testDay, trainee, type Trainee } from "./harness";

const saved = (hand: Trainee, text: string) => hand.page.getByText(`Saved: ${text}`).waitFor();

describe("the weight chart, the day's note and the goal", () => {
  let hand: Trainee;
  beforeAll(async () => { hand = await trainee(); await openDemo(hand.page, "/body"); });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("is read by keyboard, looked at closely by key and by mouse, and shown whole again", async () => {
    const { page } = hand;
    const line = page.getByRole("slider", { name: "Day read on the chart" });
    await line.focus();
    await page.keyboard.press("Home");
    await page.getByText(/^Thursday 11 December · weigh-in 74\.\d · trend 74\.\d/).waitFor();
    const wide = Number(await line.getAttribute("aria-valuemax"));
    for (let press = 0; press < 182; press += 7) await page.keyboard.press("PageDown");
    await page.keyboard.press("+");
    await page.getByRole("button", { name: /show all again/ }).waitFor();
    expect(Number(await line.getAttribute("aria-valuemax"))).toBeLessThan(0.6 * wide);
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: /show all again/ }).waitFor({ state: "detached" });
    const box = (await line.boundingBox())!;
    await page.mouse.move(box.x + 0.5 * box.width, box.y + 80);
    await page.mouse.down();
    await page.mouse.move(box.x + 0.75 * box.width, box.y + 120, { steps: 4 });
    await page.mouse.up();
    await page.getByRole("button", { name: /show all again/ }).click();
    expect(Number(await line.getAttribute("aria-valuemax"))).toBe(wide);
    // The day after to-morrow has no trend; the line says what the pace and the plan make of it.
    await line.focus();
    await page.keyboard.press("End");
    expect(await line.getAttribute("aria-valuetext")).toMatch(/at this pace \d+\.\d \(\d+\.\d to \d+\.\d\)/);
  });

  it("a note of the day is written, marks that the weight may jump, and opens from the chart", async () => {
    const { page } = hand;
    await page.keyboard.press("1");
    await page.getByRole("button", { name: "Write one" }).click();
    await page.getByLabel("Note of the day").fill("diet break begins");
    await page.getByLabel(/the weight may jump/).check();
    await page.getByRole("button", { name: "Save note" }).click();
    await saved(hand, `Note of ${testDay}`);
    await page.getByText("diet break begins (the weight may jump here)").waitFor();
    await page.keyboard.press("4");
    await page.getByRole("list", { name: "Key" }).getByText("the weight may jump").waitFor();
    const line = page.getByRole("slider", { name: "Day read on the chart" });
    await line.focus();
    while (!(await line.getAttribute("aria-valuetext"))!.startsWith("Thursday 11 June")) await page.keyboard.press("ArrowLeft");
    expect(await line.getAttribute("aria-valuetext")).toContain("diet break begins");
    await page.getByRole("button", { name: "working of Trend" }).first().click();
    await page.getByRole("dialog").getByText("Where you marked that the weight may jump").waitFor();
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "open 11 Jun" }).click();
    await page.getByRole("heading", { name: "Thursday 11 June" }).waitFor();
  });

  it("a second weigh-in is added, leaves the trend as it is, and is compared with the morning", async () => {
    const { page } = hand;
    await page.keyboard.press("4");
    const trend = page.locator('[data-figure="trend"]').first();
    const before = await trend.innerText();
    await page.getByLabel("Weight", { exact: true }).fill("74,4");
    await page.getByLabel("Time", { exact: true }).fill("21:00");
    await page.getByLabel(/A second one/).check();
    await page.getByRole("button", { name: "Log weigh-in" }).click();
    await saved(hand, "Second weigh-in 74.4 kg");
    await page.getByText(/run \+\d\.\d\d kg.*against the mornings of the same days .*16 days/).waitFor();
    await page.getByRole("button", { name: /working of the second weigh-ins/ }).click();
    // This morning 72.9: 74.4 − 72.9 = +1.5
    await page.getByRole("dialog").getByText("74.4 − 72.9 = +1.5 kg").waitFor();
    await page.keyboard.press("Escape");
    expect(await trend.innerText()).toBe(before);
    await page.keyboard.press("Control+z");
  });

  it("a goal is tried by daily energy, its lines drawn, and a limit on one morning saved with its chance", async () => {
    const { page } = hand;
    await page.keyboard.press("6");
    await page.getByLabel("Set by").selectOption("intake");
    await page.getByLabel("Eaten a day").fill("2400");
    // The formula's expenditure less 2400, times 7 ÷ 7700, is the rate.
    const expenditure = Number((await page.locator('[data-figure="expenditure"]').innerText()).replace(/\D/g, ""));
    const rate = (((expenditure - 2400) * 7) / 7700).toFixed(2);
    await page.getByText(new RegExp(`−${rate} kg a week, .* a daily target of 2,400 kcal`)).waitFor();
    await page.getByRole("img", { name: /The plan as it would be/ }).locator("svg").first().waitFor();
    await page.getByLabel("Eaten a day").fill("4500");
    await page.getByText("At this intake the weight goes up, away from the goal.").waitFor();
    await page.getByRole("button", { name: /this morning 7/ }).click();
    expect(await page.getByLabel("From").inputValue()).toBe(testDay);
    await page.getByLabel("Set by").selectOption("limit");
    await page.getByLabel("On the morning of").fill("2026-08-01");
    await page.getByLabel("Own milestones").fill("72,5 71.8");
    await page.getByText(/the scale shows it on the morning of 1 Aug in \d+ cases of 100; four in five would take a trend of 70\.\d kg that day/).waitFor();
    await page.getByRole("button", { name: "Save as a new goal" }).click();
    await saved(hand, "Goal 71.0 kg");
    await page.getByRole("cell", { name: "on 1 Aug" }).waitFor();
    await page.getByRole("cell", { name: "71.8 kg" }).waitFor();
    await page.keyboard.press("1");
    await page.getByText(/on that one morning; a trend of 70\.\d would make it four in five/).waitFor();
  });
});
