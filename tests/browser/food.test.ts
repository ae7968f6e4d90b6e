import { mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { address, choose, exportedLog, openDemo, saved, testDay, trainee, type Trainee, write } from "./harness";

describe("food and what the body spends", () => {
  let hand: Trainee;
  beforeAll(async () => {
    // What the simulated services are asked to fail on is no problem of the page's.
    hand = await trainee({
      allow: (problem) =>
        problem.includes("/labels/") ||
        problem.startsWith("outside: file:") ||
        problem.includes("/recipe-site/") ||
        problem.includes("Failed to load resource"),
    });
    await openDemo(hand.page, "/food");
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
  const eatenOn = async (date: string) => {
    const { meals } = await exportedLog(hand.page);
    return meals.filter((meal) => meal.date === date && meal.personId === "demo-1-rower");
  };

  it("a day of five meals is written from what is usual in at most sixty keys", async () => {
    const { page } = hand;
    // Tomorrow has nothing yet; what is usual stands there by meal.
    await page.clock.setFixedTime(new Date("2026-06-13T20:00:00"));
    await openDemo(page, "/food");
    const before = page.getByRole("table", { name: "Meals" }).getByRole("row");
    await page.getByRole("heading", { name: "As usual" }).waitFor();
    let keys = 0;
    const usual = page.getByRole("group", { name: /^Usual at/ }).getByRole("button");
    await usual.first().waitFor();
    let rows = await before.count();
    const written = rows;
    for (let round = 0; round < 15; round++) {
      await usual.first().focus();
      keys += 1; // Tab from the one that was pressed to the next.
      await page.keyboard.press("Enter");
      keys += 1;
      await expect.poll(() => before.count()).toBeGreaterThan(rows);
      rows = await before.count();
    }
    expect(rows - written).toBeGreaterThanOrEqual(15);
    expect(keys).toBeLessThanOrEqual(60);
    await page.clock.setFixedTime(new Date(`${testDay}T06:45:00`));
  });

  it("the day before is written again in one action, and taken back in one", async () => {
    const { page } = hand;
    const date = "2026-06-12";
    await page.clock.setFixedTime(new Date(`${date}T20:00:00`));
    const held = await eatenOn(date);
    const source = await eatenOn("2026-06-11");
    await openDemo(page, "/food");
    await page.getByRole("button", { name: "Same as the day before" }).click();
    await saved(hand, `${source.length} foods as on 11 Jun`);
    expect((await eatenOn(date)).length).toBe(held.length + source.length);
    await page.keyboard.press("u");
    await page.getByText(`Undone: ${source.length} foods as on 11 Jun`).waitFor();
    expect((await eatenOn(date)).length).toBe(held.length);
    await page.clock.setFixedTime(new Date(`${testDay}T06:45:00`));
  });

  it("a recipe is typed as foods are, refused by its line, and put on five lunches in at most twelve actions", async () => {
    const { page } = hand;
    await openDemo(page, "/food/recipes");
    let actions = 0;
    const act = async (step: Promise<unknown>) => {
      actions += 1;
      await step;
    };
    await act(page.getByRole("button", { name: "New recipe" }).click());
    const form = page.getByRole("form", { name: "A new recipe" });
    await act(form.getByLabel("Name", { exact: true }).fill("Omelette"));
    await act(form.getByLabel("Portions", { exact: true }).fill("1"));
    await form.getByLabel("Ingredients, a line each").fill("3 eggs\n2 dragons");
    await form.getByRole("button", { name: "Save recipe" }).click();
    await form.getByText(/Line 2, “2 dragons”/).waitFor();
    await act(form.getByLabel("Ingredients, a line each").fill("3 eggs\n10 g butter"));
    await act(form.getByRole("button", { name: "Save recipe" }).click());
    await saved(hand, "Recipe Omelette");
    await act(page.getByRole("button", { name: "Put on days: Omelette" }).click());
    await act(page.getByLabel("Portions each").fill("1/2"));
    await act(page.getByLabel(/^Days from/).fill("5"));
    // The half was worked out as the field was left, and the focus went on.
    expect(await page.getByLabel("Portions each").inputValue()).toBe("0.5");
    await act(page.getByRole("button", { name: "Put there" }).click());
    await saved(hand, "Omelette from 11 Jun on, 5 days");
    expect(actions).toBeLessThanOrEqual(12);
    const lunches = (await eatenOn("2026-06-15")).filter(({ recipeId }) => recipeId !== "lentil-soup" && recipeId);
    expect(lunches).toMatchObject([{ meal: "lunch", status: "planned", portions: 0.5 }]);
  });

  it("what was eaten is changed: its amount in portions, its meal, its day; a line is dragged to another meal", async () => {
    const { page } = hand;
    await openDemo(page, "/food");
    await page.getByRole("button", { name: "Change Rye bread" }).first().click();
    const form = page.getByRole("form", { name: "Change Rye bread" });
    await form.getByLabel("Amount").fill("3*2 slices");
    await form.getByLabel("Amount").fill("2 slices");
    await form.getByLabel("Day").fill("12 Jun 2026");
    await form.getByRole("button", { name: "Save" }).click();
    await form.getByText("The day cannot be in the future.").waitFor();
    await form.getByLabel("Day").fill("11 Jun 2026");
    await form.getByRole("button", { name: "Save" }).click();
    await saved(hand, "Rye bread changed");
    const bread = (await eatenOn(testDay)).find(({ foodId }) => foodId === "rye-bread")!;
    expect([bread.grams, bread.meal]).toEqual([90, "breakfast"]);
    await openDemo(page, "/food");
    const [line, at] = [page.getByText("Butter", { exact: true }).first(), page.getByText("Lunch", { exact: true })];
    await line.hover();
    await page.mouse.down();
    const box = (await at.boundingBox())!;
    await page.mouse.move(box.x + 10, box.y - 4, { steps: 4 });
    await page.mouse.move(box.x + 10, box.y + 6, { steps: 4 });
    await page.mouse.up();
    await saved(hand, "Butter to lunch");
  });

  it("a recipe comes from a page line by line confirmed; a hostile page, a broken one and a site that is down harm nothing", async () => {
    const { page } = hand;
    await openDemo(page, "/food/recipes");
    const title = await page.title();
    await page.getByRole("button", { name: "From a page" }).click();
    const form = page.getByRole("form", { name: "A recipe from a page" });
    const source = form.getByLabel("The page's source, or its address");
    const ask = async (typed: string, said: RegExp) => {
      await source.fill(typed);
      await form.getByRole("button", { name: "Read it" }).click();
      await form.getByText(said).waitFor();
    };
    await ask("recipes.example/down", /The site is down/);
    await ask("recipes.example/late", /takes too long/);
    await ask("recipes.example/nowhere", /has no such page/);
    await ask("recipes.example/broken", /no whole JSON/);
    await ask("recipes.example/no-recipe", /No open recipe data/);
    await ask("recipes.example/deep", /lie deeper in one another/);
    await ask("https://example.org/soup", /can be asked/);
    await source.fill("recipes.example/hostile");
    await form.getByRole("button", { name: "Read it" }).click();
    const hostile = page.getByRole("form", { name: "Bring in Porridge" });
    await hostile.getByText("80 g oats", { exact: true }).waitFor();
    await hostile.getByRole("button", { name: "Another page" }).click();
    expect(await page.title()).toBe(title);
    await source.fill("recipes.example/lentil-and-walnut-soup");
    await form.getByRole("button", { name: "Read it" }).click();
    const soup = page.getByRole("form", { name: "Bring in Lentil & walnut soup" });
    await soup.getByLabel("Grams of 2 onions, chopped").fill("2*110");
    await soup.getByRole("button", { name: "Save recipe" }).click();
    await soup.getByText(/^7 lines not confirmed yet/).waitFor();
    for (const line of ["1-2 tsp cumin", "salt"]) {
      const food = soup.getByRole("combobox", { name: `Food of ${line}` });
      await food.click();
      await page.locator(".ant-select-dropdown:not(.ant-select-dropdown-hidden)").getByTitle("Leave it out").click();
    }
    for (const line of [
      "300 g red lentils, washed",
      "2 onions, chopped",
      "1 tin (400 g) tomatoes",
      "60g walnuts",
      "2 tbsp olive oil",
    ])
      await soup.getByRole("checkbox", { name: `${line} is right` }).check();
    // What was settled outlives a reload: the same page read again finds it.
    await page.reload();
    await page.getByRole("button", { name: "From a page" }).click();
    await form.getByRole("button", { name: "Read it" }).click();
    await expect.poll(() => soup.getByLabel("Grams of 2 onions, chopped").inputValue()).toBe("2*110");
    await expect.poll(() => soup.getByRole("checkbox", { name: "60g walnuts is right" }).isChecked()).toBe(true);
    await soup.getByRole("button", { name: "Save recipe" }).click();
    await saved(hand, "Recipe Lentil & walnut soup");
    await page.getByRole("button", { name: "Read Lentil & walnut soup" }).click();
    const card = page.getByRole("article", { name: "Lentil & walnut soup" });
    await card.getByRole("img", { name: "Lentil & walnut soup" }).waitFor();
    await card.getByLabel("For so many portions").fill("3");
    await card.getByText("150 g", { exact: true }).waitFor();
    const log = await exportedLog(page);
    const recipe = log.recipes.find(({ name }) => name === "Lentil & walnut soup")!;
    expect(recipe).toMatchObject({
      portions: 6,
      minutes: 55,
      source: "https://recipes.example/lentil-and-walnut-soup",
    });
    // 300 + 220 + 400 + 60 g, and two spoons of 10 g.
    expect((recipe.ingredients as { grams: number }[]).reduce((sum, { grams }) => sum + grams, 0)).toBe(1000);
    expect(log.photos.map(({ id }) => id)).toContain(recipe.photoId);
  });

  it("a week of lunches is planned in at most twelve actions; its shopping list has all of it, and what is at home is ticked off", async () => {
    const { page } = hand;
    await openDemo(page, "/food/week");
    let actions = 0;
    const act = async (step: Promise<unknown>) => {
      actions += 1;
      await step;
    };
    await act(page.getByRole("button", { name: "Week after" }).click());
    await act(page.getByRole("button", { name: "Add to lunch, Mon 15 Jun" }).click());
    const form = page.getByRole("form", { name: "Add to lunch, 15 Jun" });
    await form.getByRole("button", { name: "Put there" }).click();
    await form.getByText("Choose a food or a recipe.").waitFor();
    await act(choose(form.getByLabel("Food or recipe"), "Lentil soup (recipe)"));
    await act(form.getByLabel("Amount").fill("1.5"));
    await act(form.getByLabel("Days in a row").fill("7"));
    await act(form.getByRole("button", { name: "Put there" }).click());
    await saved(hand, "Lentil soup (recipe), lunch, from 15 Jun, 7 days");
    expect(actions).toBeLessThanOrEqual(12);
    const list = page.getByRole("table", { name: "To buy" });
    const lentils = list.getByRole("row", { name: /^Lentils, dry/ });
    const { recipes, foods } = await exportedLog(page);
    const soup = recipes.find(({ name }) => name === "Lentil soup")! as unknown as {
      portions: number;
      ingredients: { foodId: string; grams: number }[];
    };
    const part = soup.ingredients.find(({ foodId }) => foods.find(({ id }) => id === foodId)!.name === "Lentils, dry")!;
    await openDemo(page, "/food/week");
    await page.getByRole("button", { name: "Week after" }).click();
    // Seven lunches of one and a half portions each.
    const grams = (part.grams / soup.portions) * 1.5 * 7;
    expect(await lentils.innerText()).toContain(
      grams >= 1000 ? `${(grams / 1000).toFixed(2)} kg` : `${grams.toFixed(0)} g`,
    );
    await list.getByRole("checkbox", { name: "Lentils, dry is at home" }).click();
    await saved(hand, "Lentils, dry, at home");
    await page.reload();
    await page.getByRole("button", { name: "Week after" }).click();
    await expect.poll(() => list.getByRole("checkbox", { name: "Lentils, dry is at home" }).isChecked()).toBe(true);
    // By mouse from one day to another.
    const taken = page
      .getByRole("cell")
      .getByRole("button", { name: /Lentil soup/ })
      .first();
    await taken.hover();
    await page.mouse.down();
    const place = (await page.getByRole("button", { name: "Add to dinner, Tue 16 Jun" }).boundingBox())!;
    await page.mouse.move(place.x + 4, place.y - 10, { steps: 5 });
    await page.mouse.move(place.x + 4, place.y + 4, { steps: 5 });
    await page.mouse.up();
    await saved(hand, "Lentil soup to dinner, 16 Jun");
  });

  it("some days are handed out as one page, locked: it opens from a file, in a browser without a network, with its passphrase alone", async () => {
    const { page, context } = hand;
    await openDemo(page, "/files");
    const make = page.getByRole("button", { name: "Make the file" });
    await page.getByLabel("Passphrase, if it shall be locked").fill("short");
    await page.getByText(/A passphrase of 10 characters at least/).waitFor();
    expect(await make.isDisabled()).toBe(true);
    await page.getByLabel("Passphrase, if it shall be locked").fill("four words are good");
    await page.getByRole("checkbox", { name: "weight and trend" }).uncheck();
    const [file] = await Promise.all([page.waitForEvent("download"), make.click()]);
    await page.getByText(/in the file, locked: without its passphrase nobody opens it/).waitFor();
    const locked = join(mkdtempSync(join(tmpdir(), "oat-column-")), "diary.html");
    await file.saveAs(locked);
    expect(readFileSync(locked, "utf8")).not.toMatch(/Skyr|Strength/);
    const other = await hand.newPage();
    await context.setOffline(true);
    await other.goto(pathToFileURL(locked).href);
    await other.getByLabel("Passphrase").fill("four words are bad");
    await other.getByRole("button", { name: "Open" }).click();
    await other.getByText("It does not open with this passphrase, or the file was changed.").waitFor();
    await other.getByLabel("Passphrase").fill("four words are good");
    await other.getByRole("button", { name: "Open" }).click();
    await other.getByRole("heading", { name: "A diary, 15 May 2026 to 11 Jun 2026" }).waitFor();
    await other
      .getByText(/Strength B/)
      .first()
      .waitFor();
    expect(await other.getByRole("columnheader").allInnerTexts()).toEqual([
      "Day",
      "Energy, kcal",
      "Protein, g",
      "What was written",
    ]);
    await context.setOffline(false);
    await other.close();
  });

  it("a watch's number is asked whether it is gross or net, and its rest is taken off", async () => {
    const { page } = hand;
    await openDemo(page, "/");
    await page.getByRole("button", { name: "Change", exact: true }).last().click();
    const form = page.locator("form").filter({ has: page.getByLabel("Energy, of a watch") });
    await form.getByLabel("Energy, of a watch").fill("500");
    await form.getByRole("button", { name: "Save session" }).click();
    await form.getByText(/Say gross or net/).waitFor();
    await choose(form.getByLabel("It counts"), "rest as well (gross)");
    await form.getByRole("button", { name: "Save session" }).click();
    await page.getByText(/^Saved: /).waitFor();
    const { sessions } = await exportedLog(page);
    expect(sessions.filter(({ kcal }) => kcal === 500).map(({ kcalIs }) => kcalIs)).toEqual(["gross"]);
    await openDemo(page, "/energy");
    const row = page.getByRole("row", { name: /Easy row 11 Jun/ });
    await row.getByRole("button", { name: /working of the energy of Easy row/ }).click();
    await page.getByText(/A watch said 500 kcal, what is spent at rest counted in/).waitFor();
    await page.keyboard.press("Escape");
  });

  it("a bar code's number brings its label, once; a service that is slow, down, lost or talks nonsense harms nothing", async () => {
    const { page } = hand;
    await openDemo(page, "/food/foods");
    await page.getByRole("button", { name: "New food" }).click();
    const form = page.getByRole("form", { name: "A new food" });
    const ask = async (number: string, said: RegExp) => {
      await form.getByLabel("Number of the bar code").fill(number);
      await form.getByRole("button", { name: "Look the label up" }).click();
      await form.getByText(said).waitFor();
    };
    await form.getByLabel("Name", { exact: true }).fill("My own words");
    await ask("2000000000016", /Its last digit does not fit/);
    await ask("4006381333931", /does not know this number/);
    await ask("2000000000916", /answered nonsense/);
    await ask("2000000000923", /is down/);
    await ask("2000000000909", /takes too long/);
    await hand.context.setOffline(true);
    await ask("2000000000039", /cannot be reached/);
    await hand.context.setOffline(false);
    expect(await form.getByLabel("Name", { exact: true }).inputValue()).toBe("My own words");
    await form.getByLabel("Number of the bar code").fill("2000000000039");
    await form.getByRole("button", { name: "Look the label up" }).click();
    await expect.poll(() => form.getByLabel("Name", { exact: true }).inputValue()).toBe("Walnut loaf, made up");
    await form.getByRole("button", { name: "Save food" }).click();
    await saved(hand, "Food Walnut loaf, made up");
    await page.getByRole("button", { name: "New food" }).click();
    await ask("2000000000039", /You have it already: Walnut loaf/);
    await form.getByRole("button", { name: "Cancel" }).click();
    // A stand-in for the browser's own reader of bar codes, which this one has not: it finds none, two, and one.
    await page.evaluate(() => {
      const found = [[], [{ rawValue: "1" }, { rawValue: "2" }], [{ rawValue: "2000000000015" }]];
      window.createImageBitmap = (() => Promise.resolve({ close: () => {} })) as never;
      window.BarcodeDetector = class {
        detect = () => Promise.resolve(found.shift()!);
      };
    });
    await page.getByRole("button", { name: "New food" }).click();
    const show = () =>
      form
        .getByLabel("A picture of its bar code")
        .setInputFiles({ name: "code.png", mimeType: "image/png", buffer: Buffer.from("a picture") });
    await show();
    await form.getByText(/^No bar code is found in the picture/).waitFor();
    await show();
    await form.getByText(/^There are several bar codes/).waitFor();
    await show();
    await expect.poll(() => form.getByLabel("Name", { exact: true }).inputValue()).toBe("Barley flakes, made up");
    await form.getByRole("button", { name: "Cancel" }).click();
  });

  it("a day is asked about in its evening, whether all of it is written, until that was said", async () => {
    const { page } = hand;
    const asked = page.getByText("Is all that was eaten today written?");
    await openDemo(page, "/");
    await page.getByRole("table", { name: "Meals" }).waitFor();
    expect(await asked.count()).toBe(0);
    await page.clock.setFixedTime(new Date(`${testDay}T20:30:00`));
    await openDemo(page, "/");
    await asked.waitFor();
    await page.getByRole("button", { name: "No, it is not whole" }).click();
    await saved(hand, "Day not whole, out of all means");
    await asked.waitFor({ state: "hidden" });
    await page.keyboard.press("u");
    await asked.waitFor();
    await page.clock.setFixedTime(new Date(`${testDay}T06:45:00`));
  });

  it("a food that the line does not know is offered to be made, with its name", async () => {
    const { page } = hand;
    await openDemo(page, "/");
    await page.getByRole("search", { name: "Quick entry" }).getByRole("textbox").fill("breakfast: 30 g moonrock");
    await page.getByRole("link", { name: "Make “moonrock” a food of yours" }).click();
    const form = page.getByRole("form", { name: "A new food" });
    await expect.poll(() => form.getByLabel("Name", { exact: true }).inputValue()).toBe("moonrock");
    await form.getByRole("button", { name: "Cancel" }).click();
    // What the table that ships has of it stands below at once.
    await page.goto(page.url().replace("moonrock", "quinoa"));
    await page.getByRole("button", { name: "Take over Quinoa" }).click();
    await saved(hand, "Quinoa, taken over");
    // Or it is eaten at once, and is the trainee's from then on.
    await openDemo(page, "/food");
    await choose(page.getByLabel("Food or recipe"), "Avocado fruit (of the table)");
    const grams = page.getByLabel("Amount", { exact: true });
    await grams.fill("half a fruit");
    await page.getByText("Write a number, with a point or a comma.").waitFor();
    await grams.fill("3 x 50 g");
    await page.getByRole("button", { name: "Log food" }).click();
    await saved(hand, "Avocado fruit (of the table), 150 g");
    await page.getByRole("table", { name: "Meals" }).getByText("Avocado fruit").waitFor();
    const { foods, meals } = await exportedLog(page);
    expect(foods.filter(({ name }) => name === "Avocado fruit")).toHaveLength(1);
    expect(meals.some(({ foodId }) => foodId === foods.find(({ name }) => name === "Avocado fruit")!.id)).toBe(true);
    await page.keyboard.press("u");
    await page.getByText("Undone: Avocado fruit (of the table), 150 g").waitFor();
  });

  it("a meal out is written by its energy alone, by line and by form, and changed", async () => {
    const { page } = hand;
    await openDemo(page, "/food");
    const entry = page.getByRole("search", { name: "Quick entry" }).getByRole("textbox");
    await entry.fill("burger 800 kcal");
    await page.getByText("Was that eaten? Say at which meal.").waitFor();
    await entry.fill("lunch: burger 800 kcal, 35 g protein");
    await entry.press("Enter");
    await saved(hand, "Burger, 800 kcal");
    await page.getByText("Something by its energy alone").click();
    const form = page.getByRole("form", { name: "Something by its energy alone" });
    await choose(form.getByLabel("Meal"), "dinner");
    await form.getByLabel("What it was").fill("Pizza");
    await form.getByRole("button", { name: "Log it" }).click();
    await form.getByText("Energy is missing.").waitFor();
    await form.getByLabel("Energy").fill("2*450");
    await form.getByRole("button", { name: "Log it" }).click();
    await saved(hand, "Pizza, dinner");
    const row = (name: RegExp) => page.getByRole("table", { name: "Meals" }).getByRole("row", { name });
    await row(/Burger\s+800 35/).waitFor();
    await page.getByRole("button", { name: "Change Pizza" }).click();
    const change = page.getByRole("form", { name: "Change Pizza" });
    await change.getByLabel("Energy").fill("950");
    await change.getByLabel("Fat").fill("30");
    await change.getByRole("button", { name: "Save" }).click();
    await saved(hand, "Pizza changed");
    await row(/Pizza\s+950 30/).waitFor();
    for (const label of ["Pizza changed", "Pizza, dinner", "Burger, 800 kcal"]) {
      await page.keyboard.press("u");
      await page.getByText(`Undone: ${label}`).waitFor();
    }
  });

  it("a label of 100 ml is kept by what those weigh, drunk by the millilitre, and made one with its double", async () => {
    const { page } = hand;
    await openDemo(page, "/food/foods");
    await page.getByRole("button", { name: "New food" }).click();
    const form = page.getByRole("form", { name: "A new food" });
    await form.getByLabel("Name", { exact: true }).fill("Oat drink");
    await choose(form.getByLabel("The label is of"), "100 ml");
    await form.getByLabel("Energy of 100 ml, if stated").fill("46.35");
    await form.getByRole("button", { name: "Save food" }).click();
    await form.getByText("The weight of 100 ml is missing.").waitFor();
    await form.getByLabel("100 ml weigh").fill("103");
    await form.getByRole("button", { name: "Save food" }).click();
    await saved(hand, "Food Oat drink");
    await page.getByRole("row", { name: /^Oat drink.* 45 / }).waitFor();
    await write(page, "snack: 200 ml oat drink");
    // 206 g of what has 45 kcal in 100 g.
    await saved(hand, "206 g Oat drink, 93 kcal");
    await page.keyboard.press("Escape");
    const menuOf = async (name: string, what: string) => {
      await page.getByRole("button", { name: `More to do with ${name}` }).click();
      await page.getByRole("menuitem", { name: what }).click();
    };
    await menuOf("Oat drink", "The same as another");
    await choose(page.getByLabel("Oat drink is the same as"), "Butter");
    await page.getByText(/lines? of meals and \d+ recipes? move\./).waitFor();
    await page.getByRole("button", { name: "Make them one" }).click();
    await saved(hand, "Butter is now Oat drink");
    expect((await eatenOn(testDay)).filter(({ foodId }) => foodId === "butter")).toEqual([]);
    await openDemo(page, "/food/foods");
    await page.keyboard.press("u");
    await page.getByText("Undone: Butter is now Oat drink").waitFor();
    expect((await eatenOn(testDay)).filter(({ foodId }) => foodId === "butter")).toHaveLength(1);
  });

  it("a meal stands beside what it is to hold, yesterday's is written again by the line, and any days go out as CSV", async () => {
    const { page } = hand;
    await openDemo(page, "/settings");
    await page.getByRole("button", { name: "Change what breakfast is to hold" }).click();
    const form = page.getByRole("form", { name: "What breakfast is to hold" });
    await form.getByLabel("Energy").fill("30");
    await form.getByText("Write a range such as 30 to 45, at least 30, or at most 45.").waitFor();
    await form.getByLabel("Energy").fill("100 to 200");
    await form.getByLabel("Protein").fill("at least 10");
    await form.getByRole("button", { name: "Save" }).click();
    await saved(hand, "What breakfast is to hold");
    await openDemo(page, "/food");
    const guides = page.getByRole("table", { name: "Meals beside their guides" });
    await guides.getByRole("row", { name: /^Energy, kcal .* over$/ }).waitFor();
    await guides.getByRole("row", { name: /^Protein, g .* there$/ }).waitFor();
    await write(page, "dinner: same as yesterday");
    await page.keyboard.press("Escape");
    const again = (await eatenOn("2026-06-10")).filter(({ meal }) => meal === "dinner");
    const dinners = (await eatenOn(testDay)).filter(({ meal, status }) => meal === "dinner" && status === "eaten");
    expect(dinners.map(({ foodId }) => foodId)).toEqual(expect.arrayContaining(again.map(({ foodId }) => foodId)));
    await openDemo(page, "/food");
    await page.getByText("Nutrients over any days").click();
    const table = page.getByRole("table", { name: "Nutrients by day" });
    await table.getByRole("row", { name: /^Mean of \d+ whole days/ }).waitFor();
    const [file] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "As CSV" }).click(),
    ]);
    const lines = readFileSync((await file.path())!, "utf8")
      .trim()
      .split(/\r?\n/);
    expect(lines[0]).toBe(
      "date,energy (kcal),protein (g),fat (g),carbohydrate (g),fibre (g),sugars (g),polyols (g),alcohol (g),water (ml),target (kcal),whole",
    );
    expect(lines.length).toBeGreaterThan(20);
  });

  it("the measured expenditure stands with its interval, is taken over for the targets, and given back", async () => {
    const { page } = hand;
    await openDemo(page, "/energy");
    await page.getByText("Expenditure, measured", { exact: true }).waitFor();
    const take = page.getByRole("button", { name: /^Let the targets go by/ });
    const kcal = /by ([\d,]+ kcal)/.exec(await take.innerText())![1]!;
    await take.click();
    await saved(hand, `Targets by the measured ${kcal}`);
    await page.getByText(`Targets go by ${kcal}`).waitFor();
    await page.getByText(/Another one is proposed from 18 Jun on/).waitFor();
    await page.getByRole("button", { name: "Go by the formula again" }).click();
    await saved(hand, "Targets by the formula");
    await take.waitFor();
    await page.getByRole("button", { name: "working of Expenditure, measured" }).click();
    await page.getByText(/By hand, over the last 28 days/).waitFor();
    await page.keyboard.press("Escape");
    const form = page.getByRole("form", { name: "What if" });
    await form.getByLabel("Intake a day").fill("100");
    await form.getByRole("button", { name: "See the weight" }).click();
    await form.getByText(/The intake must be from/).waitFor();
    await form.getByLabel("Intake a day").fill("2200");
    await form.getByRole("button", { name: "See the weight" }).click();
    await page.getByRole("table", { name: "Weight by week at this intake" }).waitFor();
    expect(page.url().startsWith(address)).toBe(true);
  });
});
