import { parse } from "csv-parse/sync";
import { readFileSync } from "node:fs";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { address, beginLog, choose, openDemo, saved, type Trainee, trainee, write } from "./harness";

describe("the weight chart, the day's note and the goal", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await openDemo(hand.page, "/body");
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("is read by keyboard, looked at closely by key and by mouse, and shown whole again", async () => {
    const { page } = hand;
    const line = page.getByRole("slider", { name: "Day read on the chart" });
    await line.focus();
    await page.keyboard.press("Home");
    await page
      .getByText(/^Thursday 11 December · weigh-in 74\.\d · trend 74\.\d \(74\.\d to 74\.\d\), known that day 74\.\d/)
      .waitFor();
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
    await expect.poll(async () => Number(await line.getAttribute("aria-valuemax"))).toBe(wide);
    await page.getByLabel("weekly medians").check();
    await page.getByRole("list", { name: "Key" }).getByText("median of a week").waitFor();
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
    await saved(hand, "Note of 11 Jun 2026");
    await page.getByText("diet break begins (the weight may jump here)").waitFor();
    await page.keyboard.press("4");
    await page.getByRole("list", { name: "Key" }).getByText("the weight may jump").waitFor();
    const line = page.getByRole("slider", { name: "Day read on the chart" });
    await line.focus();
    while (!(await line.getAttribute("aria-valuetext"))!.startsWith("Thursday 11 June"))
      await page.keyboard.press("ArrowLeft");
    expect(await line.getAttribute("aria-valuetext")).toContain("diet break begins");
    await page.getByRole("button", { name: "working of Trend" }).first().click();
    await page.getByRole("dialog").getByText("Where you marked that the weight may jump").waitFor();
    await page.keyboard.press("Escape");
    // With the mouse: a click on the note's square holds the line there while the hand goes to what it says.
    await page.keyboard.press("Escape");
    const [box, count] = [(await line.boundingBox())!, Number(await line.getAttribute("aria-valuemax"))];
    const place = 183 - 1;
    await page.mouse.click(box.x + (place / count) * box.width, box.y + box.height - 8);
    await page.mouse.move(box.x, box.y - 60);
    await page.getByText(/“diet break begins”/).waitFor();
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
    await page.getByRole("dialog").getByText("74.4 − 72.9 = +1.50 kg").waitFor();
    await page.keyboard.press("Escape");
    expect(await trend.innerText()).toBe(before);
    await page.keyboard.press("Control+z");
  });

  it("a mistyped weight is questioned, kept when it is given again, and left out of the trend where it can be seen", async () => {
    const { page } = hand;
    await page.keyboard.press("4");
    const trend = page.locator('[data-figure="trend"]').first();
    const before = Number(await trend.innerText());
    await page.getByLabel("Date", { exact: true }).fill("2026-06-03");
    await page.getByLabel("Weight", { exact: true }).fill("27.9");
    await page.getByRole("button", { name: "Log weigh-in" }).click();
    await page.getByText(/27\.9 kg is far from the 72\.\d kg expected/).waitFor();
    await page.getByRole("button", { name: "Log weigh-in" }).click();
    await saved(hand, "Weigh-in 27.9 kg");
    await page.getByText(/Kept out of the trend as gross errors: 27\.9 kg on 3 Jun/).waitFor();
    expect(Math.abs(Number(await trend.innerText()) - before)).toBeLessThanOrEqual(0.1);
    await page.keyboard.press("Control+z");
    await page.getByText("Undone: Weigh-in 27.9 kg").waitFor();
  });

  it("a goal is tried by daily energy, its lines drawn, and a limit on one morning saved with its chance", async () => {
    const { page } = hand;
    await page.keyboard.press("6");
    await choose(page.getByLabel("Set by"), "daily energy");
    await page.getByLabel("Eaten a day").fill("2400");
    // The formula's expenditure less 2400, times 7 ÷ 7700, is the rate.
    const said = await page.getByText(/ · formula [\d,]+$/).innerText();
    const expenditure = Number(/formula ([\d,]+)$/.exec(said)![1]!.replace(",", ""));
    const rate = (((expenditure - 2400) * 7) / 7700).toFixed(2);
    await page.getByText(new RegExp(`−${rate} kg a week, .* a daily target of 2,400 kcal`)).waitFor();
    await page
      .getByRole("img", { name: /The plan as it would be/ })
      .locator("svg")
      .first()
      .waitFor();
    await page.getByLabel("Eaten a day").fill("4500");
    await page.getByText("At this intake the weight goes up, away from the goal.").waitFor();
    await page.getByRole("button", { name: /this morning 7/ }).click();
    expect(await page.getByLabel("From").inputValue()).toBe("11 Jun 2026");
    await choose(page.getByLabel("Set by"), "limit on a morning");
    await page.getByLabel("On the morning of").fill("2026-08-01");
    await page.getByLabel("Own milestones").fill("72,5 71.8");
    await page
      .getByText(
        /the scale shows it on the morning of 1 Aug in \d+ cases of 100; four in five would take a trend of 70\.\d kg that day/,
      )
      .waitFor();
    await page.getByRole("button", { name: "Save as a new goal" }).click();
    await saved(hand, "Goal 71.0 kg");
    await page.getByRole("cell", { name: "on 1 Aug" }).waitFor();
    await page.getByRole("cell", { name: "71.8 kg" }).waitFor();
    await page.keyboard.press("1");
    await page.getByText(/on that one morning; a trend of 70\.\d would make it four in five/).waitFor();
  });
});

describe("the reminder", () => {
  it("speaks once at its hour of what is due, and Today shows what yesterday left open", async () => {
    const hand = await trainee();
    const { page, context } = hand;
    await context.grantPermissions(["notifications"]);
    await context.addInitScript(() => {
      const said: string[] = [];
      class Recorded {
        static permission = "granted";
        static requestPermission = () => Promise.resolve("granted");
        constructor(_title: string, { body }: { body: string }) {
          said.push(body);
        }
      }
      Object.assign(window, { said, Notification: Recorded });
    });
    await openDemo(page);
    // A day later, the sessions planned for the 11th are neither done nor skipped.
    await page.clock.setFixedTime(new Date("2026-06-12T06:45:00"));
    await page.reload();
    await page.getByText(/Strength B of 11 Jun is neither done nor skipped/).waitFor();
    await page.getByRole("link", { name: "Settings" }).click();
    await page.getByLabel(/Remind me at/).fill("06:30");
    await page.reload();
    await page.locator("#content h1").waitFor();
    await page.waitForFunction(() => (window as unknown as { said: string[] }).said.length === 1);
    expect(await page.evaluate(() => (window as unknown as { said: string[] }).said[0])).toContain(
      "Strength B of 11 Jun is neither done nor skipped.",
    );
    await page.goto(`${address}/`);
    await page.getByText(/Strength B of 11 Jun is neither done nor skipped/).waitFor();
    // Whoever is about to speak holds this lock, and would be ahead of us.
    await page.evaluate(() => navigator.locks.request("oat-column-reminder", () => {}));
    expect(await page.evaluate(() => (window as unknown as { said: string[] }).said)).toEqual([]);
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});

describe("the report", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await openDemo(hand.page, "/body");
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("of the weight says what the figures say, of a measure what was measured; it goes out as CSV and as a picture, and prints", async () => {
    const { page } = hand;
    await page.getByRole("link", { name: "Report" }).click();
    await page.getByRole("heading", { name: "Weight, Rower" }).waitFor();
    const kept = async (name: string) => {
      const [file] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name }).click()]);
      return { name: file.suggestedFilename(), bytes: readFileSync((await file.path())!) };
    };
    const text = await kept("As CSV");
    expect(text.name).toBe("weight-2026-06-11.csv");
    const [head, ...weeks] = parse(text.bytes.toString()) as string[][];
    expect(head).toEqual([
      "week closing",
      "days",
      "Weight, mean (kg)",
      "median (kg)",
      "change (kg)",
      "trend (kg)",
      "plan (kg)",
    ]);
    const last = weeks.at(-1)!;
    // The Body view draws up the same weeks, by another way.
    expect(last.slice(0, 2)).toEqual(["2026-06-14", "4"]);
    await page
      .getByRole("row", {
        name: new RegExp(`^8 Jun 2026 4 ${Number(last[2]).toFixed(2)} ${Number(last[3]).toFixed(2)}`),
      })
      .waitFor();
    // Until an earlier day: the goal in force then, its line, and what was written of the days.
    await page.getByLabel("Report until").fill("2026-04-15");
    await page.getByRole("columnheader", { name: "Current, 15 Apr 2026" }).waitFor();
    await page
      .getByText(/75\.3 kg on 5 Mar 2026 to 71\.0 kg by 13 Aug 2026.*On 15 Apr 2026 its line asked 74\.20 kg/)
      .waitFor();
    await page.getByRole("row", { name: "1 Apr 2026 fever, stayed in bed" }).waitFor();
    await page.getByRole("link", { name: "Body" }).click();
    const shown = await page.getByRole("button", { name: /working of the week from 8 Jun/ }).innerText();
    expect(Math.abs(Number.parseFloat(shown) - Number(last[3]))).toBeLessThanOrEqual(0.0501);
    await page.getByRole("link", { name: "Report" }).click();
    const picture = await kept("As a picture");
    expect(picture.bytes.subarray(1, 4).toString()).toBe("PNG");
    expect(picture.bytes.readUInt32BE(16)).toBeGreaterThan(1500);
    await choose(page.getByLabel("Report of"), "Waist");
    await page.getByRole("heading", { name: "Waist, Rower" }).waitFor();
    await page.getByRole("row", { name: /^As measured \d+\.\d cm/ }).waitFor();
    await page.getByLabel("Report from").fill("2026-06-11");
    await page
      .getByText("Nothing is written since 11 Jun 2026.")
      .or(page.getByText("needs seven days"))
      .first()
      .waitFor();
    await page.emulateMedia({ media: "print" });
    expect(await page.getByRole("button", { name: "As CSV" }).isVisible()).toBe(false);
    expect((await page.pdf({ format: "A4" })).subarray(0, 4).toString()).toBe("%PDF");
  });
});

describe("a log of weigh-ins alone", () => {
  it("shows its notes on the chart, without a session", async () => {
    const hand = await trainee();
    await beginLog(hand.page, { "Weight now": "80" });
    await write(hand.page, "5 jun: 80.9");
    await write(hand.page, "9 jun: note diet break begins");
    await hand.page.goto(`${address}/body`);
    await hand.page
      .locator(".recharts-reference-dot title")
      .getByText("diet break begins")
      .waitFor({ state: "attached" });
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});

describe("an old spreadsheet", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await beginLog(hand.page, { "Weight now": "80", Height: "180" });
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("is recognised, its weekly mean explained, its mapping corrected, its weights taken with a preview and one undo", async () => {
    const { page } = hand;
    await page.getByRole("link", { name: "Files" }).click();
    // Weeks from Sunday: 84.0 84.2 83.8 | 83.6 83.4 83.9 83.5
    const rows = [
      ["1/3/2026", "84,0", "84,0"],
      ["2/3/2026", "84,2", "84,0"],
      ["3/3/2026", "83,8", "84,0"],
      ["8/3/2026", "83,6", "83,6"],
      ["9/3/2026", "83,4", "83,6"],
      ["13/3/2026", "83,9", "83,6"],
      ["14/3/2026", "83,5", "83,7"],
    ];
    await page
      .getByLabel(/Paste its columns here/)
      .fill([["Day", "Weight", "Average"], ...rows].map((row) => row.join("\t")).join("\n"));
    await page
      .getByText(
        "Its numbers are the mean of the week from Sunday, rounded to 0.1: 6 of 7 rows are so. Ours is the mean of the week from Monday",
      )
      .waitFor();
    // 14 March: (83.6 + 83.4 + 83.9 + 83.5) ÷ 4 = 83.6, and the sheet says 83.7.
    await page.getByRole("row", { name: /^14 Mar 2026 8 83\.7 83\.60 \+0\.10/ }).waitFor();
    await choose(page.getByLabel("Column Average holds"), "not compared");
    await page.getByRole("heading", { name: "Average, mean" }).waitFor({ state: "detached" });
    await page.getByRole("button", { name: "Take its weights and notes into the log" }).click();
    await page.getByRole("dialog").getByText("7 cells change").waitFor();
    await page.getByRole("button", { name: "Write 7 changes" }).click();
    await saved(hand, "Entries of the spreadsheet");
    await page.keyboard.press("4");
    await page.getByText("8 of 103 mornings").waitFor();
    await page.keyboard.press("Control+z");
    await page.getByText("1 of 1 morning").waitFor();
  });
});

/** A small JPEG of four colours, with a camera's notes of the place in it, and its pixels as the browser reads them. */
async function cameraPicture(page: Page): Promise<Buffer> {
  const plain = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(1800, 900);
    const drawing = canvas.getContext("2d")!;
    ["#c03030", "#30a040", "#3050b0", "#e0c040"].forEach((colour, index) => {
      drawing.fillStyle = colour;
      drawing.fillRect(index * 450, 0, 450, 900);
    });
    return [...new Uint8Array(await (await canvas.convertToBlob({ type: "image/jpeg", quality: 0.9 })).arrayBuffer())];
  });
  const notes = Buffer.from("Exif\0\0GPS 38.7223 N 9.1393 W camera 12345");
  return Buffer.concat([
    Buffer.from(plain.slice(0, 2)),
    Buffer.from([0xff, 0xe1, 0, notes.length + 2]),
    notes,
    Buffer.from(plain.slice(2)),
  ]);
}

/** Every pixel of a shown picture. */
const pixelsOf = (page: Page, date: string) =>
  page
    .getByRole("img", { name: `Photograph of ${date}` })
    .first()
    .evaluate(async (image: HTMLImageElement) => {
      await image.decode();
      const canvas = new OffscreenCanvas(image.naturalWidth, image.naturalHeight);
      const drawing = canvas.getContext("2d")!;
      drawing.drawImage(image, 0, 0);
      const digest = await crypto.subtle.digest(
        "SHA-256",
        drawing.getImageData(0, 0, canvas.width, canvas.height).data,
      );
      return { width: image.naturalWidth, height: image.naturalHeight, digest: [...new Uint8Array(digest)].join(" ") };
    });

const exported = async (page: Page): Promise<Buffer> => {
  await page.getByRole("link", { name: "Files" }).click();
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Export archive" }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^oat-column-2026-06-11\.(zip|json)$/);
  return readFileSync((await file.path())!);
};
const give = async (page: Page, buffer: Buffer, name: string) => {
  await page.getByRole("link", { name: "Files" }).click();
  await page.getByLabel(/Oat Column archive/).setInputFiles({ name, mimeType: "application/zip", buffer });
  await page.getByText(`${name} is sound`).waitFor();
};

describe("photographs, and a phone and a laptop with one log", () => {
  let [phone, laptop]: [Trainee, Trainee] = [null!, null!];
  beforeAll(async () => {
    [phone, laptop] = [await trainee(), await trainee()];
    await openDemo(phone.page, "/body");
    await openDemo(laptop.page);
  });
  afterAll(async () => {
    expect([...phone.problems, ...laptop.problems]).toEqual([]);
    await Promise.all([phone.close(), laptop.close()]);
  });

  it("a photograph is made smaller, loses its place, and comes out of the archive and in again to the same pixels", async () => {
    const { page } = phone;
    const file = await cameraPicture(page);
    expect(file.includes("GPS 38.7223")).toBe(true);
    await page
      .getByLabel("Photograph", { exact: true })
      .setInputFiles({ name: "camera.jpg", mimeType: "image/jpeg", buffer: file });
    await saved(phone, "Photograph of 11 Jun 2026");
    const before = await pixelsOf(page, "11 Jun 2026");
    expect(before).toMatchObject({ width: 1600, height: 800 });
    await page
      .getByLabel("Photograph", { exact: true })
      .setInputFiles({ name: "words.jpg", mimeType: "image/jpeg", buffer: Buffer.from("no picture") });
    await page.getByText("This browser cannot read the file as a picture.").waitFor();
    const archive = await exported(page);
    expect(archive.includes("GPS")).toBe(false);
    await give(page, archive, "own.zip");
    await page.getByText("It holds nothing that the log does not hold already.").waitFor();
    await page.getByRole("button", { name: "Replace the log by it" }).click();
    await saved(phone, "Import of own.zip");
    await page.getByRole("link", { name: "Body" }).click();
    expect(await pixelsOf(page, "11 Jun 2026")).toEqual(before);
    // Into another browser, where the picture has never been.
    await give(laptop.page, archive, "phone.zip");
    await laptop.page.getByRole("button", { name: "Merge 1 of phone.zip into the log" }).click();
    await saved(laptop, "Merge of phone.zip");
    await laptop.page.getByRole("link", { name: "Body" }).click();
    expect(await pixelsOf(laptop.page, "11 Jun 2026")).toEqual(before);
  });

  it("what each wrote meanwhile is listed before it is merged, field by field, and one undo takes it back", async () => {
    await write(phone.page, "72.1");
    await phone.page.getByText(/Saved: 72.1 kg|Saved: Weigh-in/).waitFor();
    await write(laptop.page, "run 4 km 21:00");
    await laptop.page.getByText(/Saved: run/i).waitFor();
    await laptop.page.getByRole("link", { name: "Today" }).click();
    await laptop.page.getByRole("button", { name: "Write one" }).click();
    await laptop.page.getByLabel("Note of the day").fill("windy");
    await laptop.page.getByRole("button", { name: "Save note" }).click();
    await saved(laptop, "Note of 11 Jun 2026");
    await give(laptop.page, await exported(phone.page), "phone.zip");
    await laptop.page.getByRole("cell", { name: /weight: 72.9 kg → 72.1 kg/ }).waitFor();
    // Nothing of the laptop's own is in the list: its run and its note stay as they are.
    expect(await laptop.page.getByRole("checkbox", { name: /^Take/ }).count()).toBe(1);
    await laptop.page.getByRole("button", { name: "Merge 1 of phone.zip into the log" }).click();
    await saved(laptop, "Merge of phone.zip");
    await laptop.page.keyboard.press("1");
    await laptop.page.getByText("72.1 kg").first().waitFor();
    await laptop.page.getByText("Note windy").waitFor();
    await laptop.page.keyboard.press("Control+z");
    await laptop.page.getByText("Undone: Merge of phone.zip").waitFor();
    await laptop.page.getByText("72.9 kg").first().waitFor();
    await laptop.page.getByText("Note windy").waitFor();
  });

  it("what the other wrote, once it was merged and taken back here, is known and not told again", async () => {
    // What the laptop has merged and taken back it knows: it is told no more of it.
    await give(laptop.page, await exported(phone.page), "phone.zip");
    await laptop.page.getByText("It holds nothing that the log does not hold already.").waitFor();
  });
});
