import type { Locator } from "playwright-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { saved, address, beginLog, exportedLog, trainee, type Trainee, write, choose } from "./harness";

const figure = (hand: Trainee, name: string) => hand.page.locator(`[data-figure="${name}"]`).first();
const formWith = (hand: Trainee, button: string): Locator =>
  hand.page.locator("form", { has: hand.page.getByRole("button", { name: button, exact: true }) });

describe("a log kept by forms", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await beginLog(
      hand.page,
      { "Weight now": "80", Height: "180", "Birth date": "1996-01-01" },
      { "Sex, for the equations": "male" },
    );
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("measures are written with their first reading, the trainee's own too, and the tape gives body fat with its working", async () => {
    const { page } = hand;
    await page.keyboard.press("4");
    const form = formWith(hand, "Write measure");
    for (const [measure, value] of [
      ["Waist", "90"],
      ["Neck", "38,5"],
    ] as const) {
      await choose(form.getByLabel("Measure", { exact: true }), measure);
      await form.getByLabel("Value").fill(value);
      await form.getByRole("button", { name: "Write measure" }).click();
      await saved(hand, measure);
    }
    // Density = 1.0324 − 0.19077 · log₁₀ 51.5 + 0.15456 · log₁₀ 180 = 1.05434; 495 ÷ 1.05434 − 450 = 19.5
    await page.waitForFunction(() => document.querySelector('[data-figure="composition"]')?.textContent === "19.5");
    expect(await figure(hand, "waistToHeight").innerText()).toBe("0.50");
    await page
      .locator("section", { has: page.locator('[data-figure="composition"]') })
      .last()
      .getByRole("button", { name: /working/ })
      .click();
    await page.getByRole("dialog").getByText("log₁₀(90.0 − 38.5)").waitFor();
    await page.keyboard.press("Escape");
    await choose(form.getByLabel("Measure", { exact: true }), "one of my own");
    await form.getByLabel("Its name").fill("Resting pulse");
    await form.getByLabel("Its unit").fill("a minute");
    await form.getByLabel("Value").fill("52");
    await form.getByRole("button", { name: "Write measure" }).click();
    await page
      .getByRole("row", { name: /Resting pulse/ })
      .getByText("52.0 a minute")
      .waitFor();
    // A goal on any of them: 90 to 81 cm in 90 days is 0.7 a week.
    await page.getByRole("button", { name: "Waist", exact: true }).click();
    const goal = formWith(hand, "Set this goal");
    await goal.getByLabel("Goal of Waist").fill("81");
    await goal.getByLabel("By", { exact: true }).fill("2026-09-09");
    await goal.getByRole("button", { name: "Set this goal" }).click();
    await saved(hand, "Goal of Waist 81.0 cm");
    await page
      .getByText(
        /Goal 81\.0 cm by 9 Sep 2026: −0\.70 a week; the line asks 90\.0 today, the latest reading is 0\.0 against it, 0 % of the way/,
      )
      .waitFor();
  });

  it("a goal by rate shows its days, deadline and daily energy before it is saved, and stands in every view after", async () => {
    await hand.page.keyboard.press("6");
    const form = formWith(hand, "Set goal");
    await form.getByLabel("Start weight").fill("80");
    await form.getByLabel("Goal weight").fill("74");
    await choose(form.getByLabel("Set by"), "weekly rate");
    await form.getByLabel("A week").fill("0,4");
    // 6 kg at 0.4 kg a week: 105 days; 0.4 × 7700 / 7 = 440 kcal
    await hand.page
      .getByText("105 days, until 24 Sep 2026; −0.40 kg a week, −0.50 % of body weight; −440 kcal a day")
      .waitFor();
    await form.getByLabel("A week").fill("1,2");
    await hand.page.getByText("above 1 % a growing share of the loss is muscle").waitFor();
    await form.getByLabel("A week").fill("0.4");
    await form.getByRole("button", { name: "Set goal" }).click();
    await saved(hand, "Goal 74.0 kg");
    // Mifflin 10·80 + 6.25·180 − 5·30 + 5 = 1780; × 1.55 = 2759; less 440
    await hand.page.getByText("2,319").first().waitFor();
    expect(await figure(hand, "expenditure").innerText()).toBe("2,759");
    await hand.page.keyboard.press("1");
    await hand.page.getByText("105 days to 24 Sep 2026").waitFor();
    expect(await figure(hand, "plan").innerText()).toBe("0.00");
  });

  it("the goal's deadline asks its rate: 6 kg in 90 days is 0.47 kg a week", async () => {
    await hand.page.keyboard.press("6");
    const form = formWith(hand, "Save goal");
    await choose(form.getByLabel("Set by"), "deadline");
    await form.getByLabel("Deadline").fill("2026-09-09");
    await hand.page.getByText("90 days, until 9 Sep 2026; −0.47 kg a week").waitFor();
    await form.getByLabel("Deadline").fill("2026-06-11");
    await hand.page.getByText("the deadline 11 Jun 2026 is not after the start").waitFor();
  });

  it("sessions said to be outside the factor are added net to their day's target", async () => {
    const form = formWith(hand, "Save settings");
    await form.getByLabel("Activity factor").fill("5");
    await form.getByText("The factor must be from 1.2 to 2.6.").waitFor();
    await form.getByLabel("Activity factor").fill("1,4");
    await choose(form.getByLabel("Sessions are"), "added, net");
    await form.getByRole("button", { name: "Save settings" }).click();
    await saved(hand, "Energy settings");
    await write(hand.page, "run 9.656 km 60 min");
    // 1780 × 1.4 − 440 = 2052; 6 mph is 9.8 MET: 8.8 × 3.5 × 80 / 200 × 60 = 739
    await hand.page.keyboard.press("Escape");
    await hand.page.goto(`${address}/`);
    await figure(hand, "foodLeft").waitFor();
    expect(Number((await figure(hand, "foodLeft").innerText()).replace(",", ""))).toBeGreaterThan(2052 + 730);
    await hand.page.getByRole("button", { name: "working of Left to eat" }).click();
    await hand.page.getByText("net energy of the day's sessions +739 kcal").waitFor();
    await hand.page.keyboard.press("Escape");
  });

  it("targets of a kind of day are typed as they are meant: shares move together, and what cannot sum is refused", async () => {
    const { page } = hand;
    await page.goto(`${address}/energy`);
    await page.getByRole("button", { name: "Change the rest day" }).click();
    const form = page.getByRole("form", { name: "Targets of a rest day" });
    const field = (name: string) => form.getByLabel(name, { exact: true });
    await field("Own energy").fill("2000");
    await field("Protein").fill("140");
    await field("Fat").fill("60");
    await field("Carbohydrate").fill("400");
    await form.getByText(/make 2,700 kcal of 2,000, 135 %: 700 kcal too many/).waitFor();
    await form.getByRole("button", { name: "Save targets" }).click();
    await form.getByText("Together they make 135 % of the day's energy.").waitFor();
    await field("Protein").fill("30 %");
    await field("Fat").fill("30 %");
    await field("Carbohydrate").fill("39 %");
    await form.getByText("The shares make 99 %: 1 % are left.").waitFor();
    // What was asked of the last is kept, the others share what it leaves.
    await field("Fibre").focus();
    await expect.poll(() => field("Protein").inputValue()).toBe("30.5 %");
    await form.getByText(/make 2,000 kcal of 2,000\.$/).waitFor();
    await field("Protein").fill("2 g/kg");
    await field("Carbohydrate").fill("the rest");
    await field("Sugars").fill("at most 10 %");
    await form.getByText(/make 2,000 kcal of 2,000\.$/).waitFor();
    await form.getByRole("button", { name: "Save targets" }).click();
    await saved(hand, "Targets of a rest day");
    const { energySettings } = await exportedLog(page);
    expect((energySettings.at(-1) as unknown as { targets: object }).targets).toMatchObject({
      rest: {
        kcal: 2000,
        protein: { gramsPerKg: 2 },
        fat: { share: 0.305 },
        carbohydrate: { shareOfRest: 1 },
        sugars: { share: 0.1, direction: "atMost" },
      },
    });
  });

  it("a kind of day of one's own comes by its turn, or is said of a day", async () => {
    const { page } = hand;
    await page.goto(`${address}/energy`);
    await page.getByRole("button", { name: "Add a kind of day" }).click();
    const form = page.getByRole("form", { name: "A kind of day" });
    await form.getByLabel("Name").fill("rest");
    await form.getByText("There is a rest day already.").waitFor();
    await form.getByLabel("Name").fill("low");
    await form.getByLabel("When").fill("now and then");
    await form.getByText(/^Write weekdays/).waitFor();
    await form.getByLabel("When").fill("every 2 days");
    await form.getByLabel("Own energy").fill("1500");
    await form.getByRole("button", { name: "Save targets" }).click();
    await saved(hand, "Targets of a low day");
    await page
      .getByRole("table", { name: "Targets by kind of day" })
      .getByRole("row", { name: /^Low, today every 2 days from 11 Jun 2026 1,500/ })
      .waitFor();
    await page.goto(`${address}/food`);
    await page.getByText(/^low day [\d,]+/).waitFor();
    await choose(page.getByLabel("Kind of day"), "rest");
    await saved(hand, "A rest day");
    await page.getByText(/^rest day [\d,]+/).waitFor();
    await page.getByText(/left of at most \d+ g/).waitFor();
  });

  it("a food from its label: parts of the carbohydrate cannot exceed it; then it is logged, by form and by line", async () => {
    await hand.page.keyboard.press("5");
    await hand.page.getByRole("link", { name: "Foods", exact: true }).click();
    await hand.page.getByRole("button", { name: "New food" }).click();
    const form = formWith(hand, "Save food");
    await form.getByLabel("Name").fill("Barley bread");
    await form.getByLabel("Carbohydrate", { exact: true }).fill("45");
    await form.getByLabel("Fibre").fill("60");
    await form.getByText("It is a part of the carbohydrate and cannot be more.").waitFor();
    await form.getByLabel("Fibre").fill("9");
    await form.getByLabel("Protein").fill("8,5");
    await form.getByLabel("Fat").fill("2");
    await form.getByLabel("Number of the bar code").fill("4006381333932");
    await form.getByRole("button", { name: "Save food" }).click();
    await form.getByText("Its last digit does not fit the others: look again.").waitFor();
    await form.getByLabel("Number of the bar code").fill("4006381333931");
    await form.getByLabel("Portions, g").fill("slice 45");
    await form.getByRole("button", { name: "Save food" }).click();
    await saved(hand, "Food Barley bread");
    // The table that ships is searched as well, with slips of the fingers; what is taken over is one's own.
    await hand.page.getByLabel("Find", { exact: true }).fill("spinch");
    await hand.page.getByRole("button", { name: "Take over Spinach" }).click();
    await saved(hand, "Spinach, taken over");
    await hand.page.getByRole("link", { name: "Day", exact: true }).click();
    const meal = formWith(hand, "Log food");
    await choose(meal.getByLabel("Food or recipe"), "Barley bread");
    await meal.getByLabel("Amount").fill("200");
    await meal.getByRole("button", { name: "Log food" }).click();
    await saved(hand, "Barley bread, 200 g");
    // per 100 g: 4 × 36 + 2 × 9 + 4 × 8.5 + 9 × 2 = 214 kcal
    await hand.page.getByRole("row", { name: /Barley bread 200 g 428/ }).waitFor();
    await write(hand.page, "snack: 50 g barley bread, 100 g spinach");
    await hand.page.getByRole("button", { name: "Remove Spinach" }).click();
    await saved(hand, "Spinach removed");
    await hand.page.getByRole("row", { name: /Eaten 535/ }).waitFor();
    await hand.page.getByLabel("Everything eaten that day is written").click();
    await saved(hand, "Day complete");
    const water = formWith(hand, "Add water");
    await water.getByLabel(/^Water/).fill("500");
    await water.getByRole("button", { name: "Add water" }).click();
    await hand.page.getByText("Water, 500 ml so far").waitFor();
    await hand.page.getByRole("button", { name: "Remove Barley bread" }).first().click();
    await saved(hand, "Barley bread removed");
    await hand.page.getByRole("status").getByRole("button", { name: "Undo" }).click();
    await hand.page.getByRole("row", { name: /Eaten 535/ }).waitFor();
  });

  it("meals of one's own are named in Settings, ordered so on the day, and written to by line and by form", async () => {
    const { page } = hand;
    await page.goto(`${address}/settings`);
    const form = formWith(hand, "Save meals");
    await form.getByLabel("Meals of a day, in their order").fill("breakfast, after rowing, breakfast");
    await form.getByText("breakfast is written twice.").waitFor();
    await form.getByLabel("Meals of a day, in their order").fill("after rowing, breakfast, supper");
    await form.getByRole("button", { name: "Save meals" }).click();
    await saved(hand, "Meals");
    await write(page, "breakfast: 80 g oats");
    await page.keyboard.press("Escape");
    await write(page, "after rowing: 40 g oats");
    await page.keyboard.press("Escape");
    await page.keyboard.press("5");
    await page.getByLabel("Meal", { exact: true }).and(page.getByRole("combobox")).click();
    await page.locator(".ant-select-item-option").first().waitFor();
    expect(await page.locator(".ant-select-item-option").allInnerTexts()).toEqual([
      "after rowing",
      "breakfast",
      "supper",
    ]);
    await page.goto(`${address}/`);
    await page.getByText("After rowing").waitFor();
    expect(await page.getByText(/^(After rowing|Breakfast)$/).allInnerTexts()).toEqual(["After rowing", "Breakfast"]);
  });

  it("an exercise of one's own is at once in every list, and its sets count", async () => {
    const { page } = hand;
    await page.goto(`${address}/lifts/exercises`);
    await page.getByRole("button", { name: "Add an exercise" }).click();
    const form = formWith(hand, "Add exercise");
    await form.getByLabel("Name").fill("deadlift");
    await form.getByText("There is one of that name.").waitFor();
    await form.getByLabel("Name").fill("Zercher lift");
    await form.getByLabel("Group").fill("squat");
    for (const muscle of ["quadriceps", "upper back"]) {
      await form.getByRole("combobox", { name: "Muscles, direct" }).fill(muscle);
      await page.keyboard.press("Enter");
    }
    await page.keyboard.press("Escape");
    await form.getByRole("button", { name: "Add exercise" }).click();
    await saved(hand, "Exercise Zercher lift");
    await page
      .getByRole("table", { name: /Muscles that Zercher lift trains/ })
      .getByText("upper back")
      .waitFor();
    await page.getByRole("link", { name: "Write sets" }).click();
    await page.getByRole("combobox", { name: "Exercise, line 1" }).fill("zercher l");
    await page.getByTitle("Zercher lift").waitFor();
    await page.keyboard.press("Enter");
    await page.getByLabel("Sets, line 1").fill("3");
    await page.getByLabel("Reps, line 1").fill("5");
    await page.getByLabel("Load, line 1").fill("62,5");
    await page.getByText("3 × 5 at 62.5 kg", { exact: true }).waitFor();
    await page.getByRole("button", { name: "Log these sets" }).click();
    await saved(hand, "Sets of 11 Jun 2026");
    await page.getByRole("link", { name: "Maximum" }).click();
    await page.getByRole("button", { name: "Zercher lift", exact: true }).first().waitFor();
    await page.getByRole("link", { name: "Work", exact: true }).click();
    await page
      .getByRole("row", { name: /^upper back/ })
      .getByText("3 in all")
      .or(page.getByText(/3\.0 in all/))
      .first()
      .waitFor();
    await page.getByRole("link", { name: "Maximum" }).click();
    await write(hand.page, "zercher lift 70 kg x 3");
    await hand.page.getByText("3 × 5 at 62.5 kg; 1 × 3 at 70 kg").first().waitFor();
  });

  it("what is typed stands until it is saved or left, over a reload; a sum is worked out, a range is no sum", async () => {
    const { page } = hand;
    await page.goto(`${address}/body`);
    const form = formWith(hand, "Log weigh-in");
    const weight = form.getByLabel("Weight", { exact: true });
    const field = (label: string) => form.getByLabel(label, { exact: true });
    await weight.fill("2 * 39,5 + 1");
    await form.getByText("= 80").waitFor();
    await field("What influenced it").fill("salt");
    await field("Date").fill("3 Jun");
    await field("Date").press("Tab");
    await expect.poll(() => weight.inputValue()).toBe("80");
    await page.reload();
    await expect.poll(() => field("What influenced it").inputValue()).toBe("salt");
    expect([await weight.inputValue(), await field("Date").inputValue()]).toEqual(["80", "3 Jun 2026"]);
    // Nothing is made of what is no weight, and the first field that is wrong has the focus.
    await weight.fill("79-80");
    await field("Time").fill("99");
    await field("Time").press("Enter");
    await form.getByText("Write a time of day such as 6:40.").waitFor();
    await form.getByText("Write a number, with a point or a comma.").waitFor();
    expect(await weight.inputValue()).toBe("79-80");
    await expect.poll(() => weight.evaluate((one) => one === document.activeElement)).toBe(true);
    await weight.fill("176 lb");
    await field("Time").fill("6.40");
    await form.getByRole("button", { name: "Log weigh-in" }).click();
    await saved(hand, "Weigh-in 79.8 kg, 3 Jun 2026");
    await expect.poll(() => weight.inputValue()).toBe("");
    await page.reload();
    await form.waitFor();
    expect([await weight.inputValue(), await field("What influenced it").inputValue()]).toEqual(["", ""]);
    // A change that is saved is not typed again over a later one.
    await page.goto(`${address}/`);
    const note = page.getByLabel("Note of the day");
    const said = async (text: string) => {
      await page.getByRole("button", { name: /the note of the day$/ }).click();
      await note.fill(text);
      await page.getByRole("button", { name: "Save note" }).click();
      await saved(hand, "Note of 11 Jun 2026");
      await note.waitFor({ state: "detached" });
    };
    await said("windy");
    await said("windy, cold");
    await page.getByRole("button", { name: /the note of the day$/ }).click();
    expect(await note.inputValue()).toBe("windy, cold");
    // What is left is not kept, what is only turned away from is.
    await note.fill("calm");
    await page.getByRole("button", { name: "Cancel" }).click();
    await page.getByRole("button", { name: /the note of the day$/ }).click();
    expect(await note.inputValue()).toBe("windy, cold");
    await note.fill("calm");
    await page.keyboard.press("Escape");
    await page.goto(`${address}/body`);
    await page.goto(`${address}/`);
    await page.getByRole("button", { name: /the note of the day$/ }).click();
    await expect.poll(() => note.inputValue()).toBe("calm");
    await page.getByRole("button", { name: "Cancel" }).click();
  });

  it("what can be read two ways is asked, and a far-off weight needs a second Enter", async () => {
    const line = hand.page.getByRole("search").getByRole("textbox");
    await line.fill("squat 3x6 90 kg");
    await hand.page.getByText("is part of several exercises. Which one?").waitFor();
    expect(await hand.page.getByRole("button", { name: "Enter to log" }).count()).toBe(0);
    await line.press("Enter");
    await hand.page.getByRole("search").getByRole("button", { name: "Front squat" }).click();
    expect(await line.inputValue()).toBe("Front squat 3x6 90 kg");
    await line.fill("180");
    await hand.page.getByText("far from the").waitFor();
    await line.press("Enter");
    await line.press("Enter");
    await saved(hand, "Weigh-in 180.0 kg");
    await hand.page.getByRole("status").getByRole("button", { name: "Undo" }).click();
    await hand.page.getByText("Undone: Weigh-in 180.0 kg").waitFor();
    const enterTwiceAtOnce = () =>
      line.evaluate((input: HTMLInputElement) => {
        input.form!.requestSubmit();
        input.form!.requestSubmit();
      });
    await line.fill("181");
    await enterTwiceAtOnce();
    await saved(hand, "Weigh-in 181.0 kg");
    await hand.page.getByRole("status").getByRole("button", { name: "Undo" }).click();
    await hand.page.getByText("Undone: Weigh-in 181.0 kg").waitFor();
    await line.fill("deadlift 41.5 kg x 2");
    await enterTwiceAtOnce();
    await hand.page.getByText("1 × 2 at 41.5 kg").first().waitFor();
    expect(await hand.page.getByText("2 × 2 at 41.5 kg").count()).toBe(0);
    await line.fill("flurb 12");
    await hand.page.getByText("Nothing of yours begins like this.").waitFor();
    await line.press("Escape");
  });

  it("units change what is shown, never what is kept; dark paper stays after a reload", async () => {
    await hand.page.goto(`${address}/settings`);
    const form = formWith(hand, "Save profile");
    await choose(form.getByLabel("Weights in"), "lb");
    await form.getByRole("button", { name: "Save profile" }).click();
    await saved(hand, "Profile");
    await hand.page.keyboard.press("1");
    await hand.page.getByText("176.4 lb").first().waitFor();
    await hand.page.keyboard.press("u");
    await hand.page.getByText("80.0 kg").first().waitFor();
    await hand.page.keyboard.press(",");
    await hand.page.getByRole("button", { name: "Dark paper" }).click();
    await hand.page.reload();
    await hand.page.getByRole("button", { name: "Light paper" }).waitFor();
    expect(await hand.page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe("rgb(18, 26, 25)");
  });
});
