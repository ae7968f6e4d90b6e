import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import type { Page } from "playwright-core";
import { expect, it } from "vitest";
import { address, beginLog, trainee, write } from "./harness";

const root = fileURLToPath(new URL("../..", import.meta.url));

type Json = Record<string, never>;
interface Contract {
  on: string;
  people: {
    personId: string;
    weight: { trend: { date: string; kg: number }[]; weekly: { medianKg: number }[] };
    goal: { planKg: number; aboveKg: number; reachableBy: number };
    energy: { formula: { kcal: number }; resting: { mifflinStJeor: number } };
    food: { date: string; kcal: number; remainingKcal: number }[];
    lifts: { exerciseId: string; best: { e1rmKg: number } }[];
    volume: { volumeLoadKg: number; numberOfLifts: number }[];
    distance: { kind: string; metres: number; secondsPerKm: number }[];
  }[];
}

async function download(page: Page, button: string): Promise<string> {
  await page.goto(`${address}/files`);
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: button, exact: true }).click(),
  ]);
  return (await file.path())!;
}

const headless = (file: string, on: string) =>
  JSON.parse(
    execFileSync(process.execPath, ["bin/figures.mjs", file, "--on", on], { cwd: root, encoding: "utf8" }),
  ) as Contract;
const figure = (page: Page, name: string) => page.locator(`[data-figure="${name}"]`).first().innerText();

/** What the screen shows of each of the five answers. */
async function screen(page: Page) {
  await page.goto(`${address}/`);
  await page.locator('[data-figure="trend"]').waitFor();
  const today = {
    trend: await figure(page, "trend"),
    plan: await figure(page, "plan"),
    arrival: await figure(page, "arrival"),
    foodLeft: await figure(page, "foodLeft"),
  };
  await page.goto(`${address}/energy`);
  await page.locator('[data-figure="expenditure"]').waitFor();
  const expenditure = await figure(page, "expenditure");
  await page.goto(`${address}/lifts`);
  await page.locator('[data-figure="latest"]').waitFor();
  const lifts = await page.locator("#content table").first().innerText();
  await page.goto(`${address}/lifts/work`);
  await page.getByRole("heading", { name: "Week by week" }).waitFor();
  const volume = await page.getByRole("table", { name: "Week by week" }).innerText();
  await page.goto(`${address}/distance`);
  await page.getByRole("heading", { name: "By purpose" }).waitFor();
  const distance = await page.locator("#content table").first().innerText();
  return { ...today, expenditure, lifts, volume, distance };
}

it("the trainee's story: from an empty start to figures that equal the headless command, out, wiped, in, undone and done again", async () => {
  const { page, problems, close } = await trainee();
  await beginLog(
    page,
    {
      "Name of the log": "Story",
      Height: "171",
      "Birth date": "1994-03-09",
      "Weight now": "72,6",
      "Goal weight, if any": "71",
      By: "2026-08-20",
    },
    { "Sex, for the equations": "female" },
  );

  const weights = [73.1, 72.9, 73.4, 72.8, 72.9, 72.6, 73.0, 72.7, 72.5, 72.9, 72.4, 72.6, 72.8];
  for (const [index, kg] of weights.entries()) {
    const day = new Date(Date.UTC(2026, 4, 29 + index)).toISOString().slice(0, 10);
    await write(page, `${day}: ${String(kg).replace(".", index % 2 === 0 ? "," : ".")}`);
  }
  await write(page, "front squat 60 kg x 6 warm-up, 72.5 kg x 6 rpe 8, 72.5 kg x 6 rpe 8.5");
  await write(page, "bench pull 3x8 52,5");
  await write(page, "yesterday: run 6 km 33:10 easy rpe 4");
  await write(page, "breakfast: 80 g oats, 2 eggs, 200 ml milk");
  await write(page, "lunch: 150 g rye bread, 100 g cottage cheese");

  const archive = await download(page, "Export archive");
  const [person] = headless(archive, "2026-06-11").people;
  const shown = await screen(page);

  expect(shown.trend).toBe(person!.weight.trend.at(-1)!.kg.toFixed(1));
  expect(shown.plan).toBe(Math.abs(person!.goal.aboveKg).toFixed(2));
  expect(shown.arrival).toBe((person!.goal.reachableBy * 100).toFixed(0));
  expect(shown.foodLeft.replace(",", "")).toBe(person!.food.at(-1)!.remainingKcal.toFixed(0));
  expect(shown.expenditure.replace(",", "")).toBe(person!.energy.formula.kcal.toFixed(0));
  const squat = person!.lifts.find(({ exerciseId }) => exerciseId === "front-squat")!;
  expect(shown.lifts).toContain(squat.best.e1rmKg.toFixed(1));
  expect(person!.volume[0]).toMatchObject({ volumeLoadKg: 2 * 6 * 72.5 + 3 * 8 * 52.5, numberOfLifts: 36 });
  expect(shown.volume.replaceAll(",", "")).toContain("2130");
  expect(person!.distance).toMatchObject([
    { kind: "run", metres: 6000, secondsPerKm: expect.closeTo(1990 / 6, 6) as number },
  ]);
  expect(shown.distance).toContain("5:32 /km");

  // The file of figures that the interface exports is the headless command's output, to the last digit.
  const figures = await download(page, "Export figures");
  expect(JSON.parse(readFileSync(figures, "utf8")) as Json).toEqual(headless(archive, "2026-06-11") as unknown as Json);

  // Wiped: the first-run page stands again. In again: all is as it was.
  await page.getByRole("button", { name: "Empty the log…" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Empty the log", exact: true }).click();
  await page.getByRole("button", { name: "Begin", exact: true }).waitFor();
  await page.getByRole("status").getByRole("button", { name: "Undo" }).first().click();
  await page.getByRole("heading", { name: "Files" }).waitFor();
  await page.getByRole("button", { name: "Empty the log…" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Empty the log", exact: true }).click();
  await page.getByRole("button", { name: "Begin", exact: true }).waitFor();
  await beginLog(page, { "Name of the log": "Another" });
  await page.goto(`${address}/files`);
  await page.getByLabel(/An Oat Column archive/).setInputFiles(archive);
  await page.getByRole("button", { name: "Replace the log by it" }).click();
  await page.getByText(/^Saved: Import of/).waitFor();
  expect(await screen(page)).toEqual(shown);
  const again = readFileSync(await download(page, "Export archive"), "utf8");
  expect(again.replace(/"exportedAt":.*/, "")).toBe(readFileSync(archive, "utf8").replace(/"exportedAt":.*/, ""));

  // Undo (after a reload: the history survives one) brings the other log back, redo the import.
  await page.reload();
  await page.getByRole("button", { name: "Undo the last change" }).click();
  await page.getByText(/^Undone: Import of/).waitFor();
  await page.getByText("Another", { exact: true }).first().waitFor();
  await page.getByRole("button", { name: "Do it again" }).click();
  await page.getByText(/^Done again: Import of/).waitFor();
  expect(await screen(page)).toEqual(shown);
  expect(problems).toEqual([]);
  await close();
});
