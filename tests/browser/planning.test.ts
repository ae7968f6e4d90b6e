import { readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { beginLog, calledBack, choose, exportedLog, openDemo, saved, testDay, type Trainee, trainee } from "./harness";

/** What a trainee does, counted: a press, a choice, a field filled. */
function counting() {
  let done = 0;
  return {
    act: async (step: Promise<unknown>) => {
      done += 1;
      await step;
    },
    actions: () => done,
  };
}

describe("a cycle by percentage", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await beginLog(hand.page, { "Weight now": "80" });
    await hand.page.goto(`${hand.page.url().split("/").slice(0, 3).join("/")}/plan/cycles`);
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("of four weeks is entered by keyboard alone, its totals following each keystroke", async () => {
    const { page } = hand;
    const { keyboard } = page;
    await page.getByRole("button", { name: "Write a cycle" }).press("Enter");
    const form = page.getByRole("form", { name: "A new cycle" });
    await form.getByLabel("Weeks").fill("none");
    await form.getByLabel("Name").fill("Peak");
    await form.getByLabel("Name").press("Enter");
    await form.getByText("Write a number, with a point or a comma.").waitFor();
    await form.getByLabel("Weeks").fill("4");
    await form.getByLabel("Weeks").press("Enter");
    await saved(hand, "Cycle Peak");
    for (const lift of ["Back squat", "Bench press"]) {
      const picker = page.getByLabel("Add a lift");
      await picker.and(page.getByRole("combobox")).focus();
      await keyboard.type(lift);
      await page
        .locator(".ant-select-item-option")
        .and(page.getByTitle(lift, { exact: true }))
        .waitFor();
      await keyboard.press("Enter");
      await saved(hand, `Peak, a column for ${lift}`);
    }
    const grid = page.getByRole("grid", { name: "Cells of Peak" });
    await grid.getByRole("button", { name: "Back squat, its maximum" }).press("Enter");
    const maximum = page.getByRole("dialog", { name: "Back squat" });
    await maximum.getByRole("textbox").fill("5 x 12");
    await maximum.getByText("Which is the load?").waitFor();
    await maximum.getByRole("textbox").fill("150");
    await maximum.getByRole("textbox").press("Enter");
    await saved(hand, "Peak, maximum of Back squat");
    await maximum.waitFor({ state: "hidden" });
    await grid.focus();
    await keyboard.type("5x3 75");
    await grid.getByText("nothing written yet").nth(1).waitFor();
    await keyboard.press("Enter");
    // The grid says it, and the cell it calls back to.
    await page.getByText("Is 75 a share of the maximum or a load?").first().waitFor();
    await calledBack(page);
    await keyboard.type(" %");
    // Before it is written: 15 lifts of 112.5 kg, to the exercise's step.
    await grid.getByText("Week 1 · 15 lifts").waitFor();
    await keyboard.press("Enter");
    await saved(hand, "Peak, a cell");
    await keyboard.press("ArrowUp");
    await page.getByRole("button", { name: "Fill weeks" }).press("Enter");
    await page.getByRole("form", { name: "Fill weeks" }).getByLabel("Each week").press("Enter");
    await saved(hand, "Peak, Back squat filled into the weeks");
    await grid.getByText("5×3 82.5 %").waitFor();
    await grid.focus();
    await keyboard.press("Delete");
    await saved(hand, "Peak, emptied");
    await keyboard.press("Control+z");
    await page.getByText("Undone: Peak, emptied").waitFor();
    await grid.getByText("5×3 75 %").waitFor();
  });

  it("writes its sessions, seen first, and follows what is trained from it on a phone", async () => {
    const { page } = hand;
    await page.getByRole("button", { name: "Write 4 sessions" }).click();
    const seen = page.getByRole("dialog", { name: "The sessions of Peak" });
    await seen.getByText("4 sessions new.").waitFor();
    await seen.getByRole("button", { name: "Write 4 changes" }).click();
    await saved(hand, "Peak, its sessions");
    await page.getByRole("button", { name: "Its sessions are written" }).waitFor();
    const { sessions } = await exportedLog(page);
    const first = sessions.find(({ week }) => week === 1)!;
    expect(first).toMatchObject({ date: "2026-06-15", status: "planned" });
    await page.setViewportSize({ width: 390, height: 844 });
    await page.clock.setFixedTime(new Date("2026-06-15T06:45:00"));
    const origin = page.url().split("/").slice(0, 3).join("/");
    await page.goto(`${origin}/train?date=2026-06-15&session=${first.id}`);
    await page.getByRole("button", { name: "Set done" }).click();
    await page.getByText("set 2 of 5", { exact: false }).first().waitFor();
    await page.goto(`${origin}/plan/cycles`);
    await page.getByRole("link", { name: "Peak" }).click();
    await page.getByRole("grid", { name: "Cells of Peak" }).getByText("done 3").waitFor();
    // What is begun stays as it is when the maximum changes.
    await page.getByRole("button", { name: "Back squat, its maximum" }).click();
    const maximum = page.getByRole("dialog", { name: "Back squat" });
    await maximum.getByRole("textbox").fill("160");
    await maximum.getByRole("button", { name: "Save" }).click();
    await page.getByRole("button", { name: "Write 3 sessions" }).click();
    await page.getByRole("dialog").getByText("3 sessions changed, 1 session stays.").waitFor();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  });
});

describe("weeks of the plan", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await openDemo(hand.page, "/plan");
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("the week to come is planned in at most ten actions", async () => {
    const { page } = hand;
    const { act, actions } = counting();
    await act(page.getByRole("navigation", { name: "Parts of Plan" }).getByRole("link", { name: "Next week" }).click());
    await act(page.getByRole("button", { name: "Plan it on Tue 16 Jun" }).click());
    await saved(hand, "Hips and back moved to 16 Jun");
    await act(page.getByRole("button", { name: "Plan it as Six days" }).click());
    const seen = page.getByRole("dialog", { name: "Next week" });
    await seen.getByText("four weeks as trained, a week").waitFor();
    await act(seen.getByRole("button", { name: /^Write \d+ changes?$/ }).click());
    await saved(hand, "Six days over 1 week");
    expect(actions()).toBeLessThanOrEqual(10);
    await page.keyboard.press("u");
    await page.getByText("Undone: Six days over 1 week").waitFor();
  });

  it("a phase with a block of six weeks from a standard week takes at most twenty-five actions", async () => {
    const { page } = hand;
    const { act, actions } = counting();
    const parts = page.getByRole("navigation", { name: "Parts of Plan" });
    await act(parts.getByRole("link", { name: "Weeks" }).click());
    await act(page.getByRole("button", { name: "Write a phase" }).click());
    const phase = page.getByRole("form", { name: "A new phase" });
    await act(phase.getByLabel("Phase", { exact: true }).fill("Autumn"));
    await act(phase.getByLabel("From").fill("17 Aug"));
    await act(phase.getByLabel("Weeks").fill("12"));
    await act(phase.getByRole("button", { name: "Save phase" }).click());
    await saved(hand, "Phase Autumn");
    await act(page.getByRole("button", { name: "Write a block" }).click());
    const block = page.getByRole("form", { name: "A new block" });
    await act(block.getByLabel("Block").fill("Autumn one"));
    await act(block.getByLabel("From").fill("17 Aug"));
    await act(block.getByLabel("Weeks", { exact: true }).fill("6"));
    await act(block.getByLabel("Easy weeks").fill("6"));
    await act(block.getByRole("button", { name: "Save block" }).click());
    await saved(hand, "Block Autumn one");
    await act(parts.getByRole("link", { name: "Routines" }).click());
    const apply = page.getByRole("form", { name: "Lay a standard week over the plan" });
    await act(apply.getByLabel("From the week of").fill("17 Aug"));
    await act(apply.getByLabel("Weeks", { exact: true }).fill("6"));
    await act(apply.getByLabel("More each week").fill("2.5"));
    await act(apply.getByLabel("Easy every so many weeks").fill("6"));
    await act(apply.getByRole("button", { name: "See it first" }).click());
    const seen = page.getByRole("dialog", { name: "A standard week laid over the plan" });
    await seen.getByText("week from 2026-09-21, easy").waitFor();
    await act(seen.getByRole("button", { name: /^Write \d+ changes$/ }).click());
    await saved(hand, "Six days over 6 weeks");
    expect(actions()).toBeLessThanOrEqual(25);
  });

  it("a session is moved by mouse and by keys, a bar by keys, and each is undone", async () => {
    const { page } = hand;
    await openDemo(page, "/plan");
    const day = (date: string) => page.locator(`[data-day="${date}"]`);
    await day("2026-06-13").focus();
    await page.keyboard.press("m");
    await page.getByText("On the water taken").waitFor();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("ArrowDown");
    await page.getByText("On the water, over Sunday 21 June").waitFor();
    await page.keyboard.press("Enter");
    await saved(hand, "On the water moved to 21 Jun");
    await page.getByRole("button", { name: /^Saturday 13 June: On the water, moved to 21 Jun/ }).waitFor();
    await page.keyboard.press("u");
    await page.getByText("Undone: On the water moved to 21 Jun").waitFor();
    // The weeks can be dragged once what does that has come; it lands where it is let go, however slowly it is drawn.
    const devtools = await page.context().newCDPSession(page);
    await devtools.send("Emulation.setCPUThrottlingRate", { rate: 8 });
    for (const target of ["2026-06-19", "2026-06-25"]) {
      const shown = `On the water moved to ${Number(target.slice(8))} Jun`;
      const told = page.getByText(/^Saved: On the water moved/);
      await expect
        .poll(async () => {
          const from = (await day("2026-06-13").locator("svg").first().boundingBox())!;
          const to = (await day(target).boundingBox())!;
          await page.mouse.move(from.x + 7, from.y + 7);
          await page.mouse.down();
          await page.mouse.move(from.x + 40, from.y + 20, { steps: 4 });
          await page.mouse.move(to.x + 20, to.y + 20, { steps: 2 });
          await page.mouse.up();
          return told.innerText({ timeout: 5000 }).catch(() => "");
        })
        .not.toBe("");
      expect(await told.innerText()).toContain(shown);
      await page.keyboard.press("u");
      await page.getByText(`Undone: ${shown}`).waitFor();
      await page.getByRole("button", { name: /^Saturday 13 June: On the water/ }).waitFor();
    }
    await devtools.detach();
    const bar = page.getByRole("button", { name: /^Sharpening/ });
    await bar.focus();
    await page.keyboard.press("Alt+ArrowDown");
    await saved(hand, "Sharpening, 18 May to 5 Jul");
    await page.keyboard.press("Shift+ArrowDown");
    await saved(hand, "Sharpening, 19 May to 6 Jul");
  });

  it("rest is planned on a day, weeks drawn by their dates make a block, parts are ticked one by one", async () => {
    const { page } = hand;
    await openDemo(page, "/plan");
    await page.locator('[data-day="2026-06-26"]').click();
    const dialog = page.getByRole("dialog", { name: "Friday 26 June" });
    await dialog.getByRole("button", { name: /^More/ }).click();
    await page.getByRole("menuitem", { name: "Plan rest" }).click();
    await saved(hand, "Rest on 26 Jun");
    await dialog.getByText("Rest is planned on this day.").waitFor();
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Friday 26 June: rest" }).waitFor();
    const [from, to] = [page.getByText("1 Jun", { exact: true }), page.getByText("15 Jun", { exact: true })];
    const at = async (place: typeof from) => (await place.boundingBox())!;
    const drawn = page.getByRole("dialog", { name: "A block over these weeks" });
    await expect
      .poll(async () => {
        const [a, b] = [await at(from), await at(to)];
        await page.mouse.move(a.x + 5, a.y + 5);
        await page.mouse.down();
        await page.mouse.move(a.x + 5, a.y + 20, { steps: 4 });
        await page.mouse.move(b.x + 5, b.y + 5, { steps: 6 });
        await page.mouse.up();
        // Drawn once it opens, however late: drawn again it would be another block.
        return drawn.waitFor({ timeout: 5000 }).then(
          () => true,
          () => false,
        );
      })
      .toBe(true);
    expect(await drawn.getByLabel("Weeks", { exact: true }).inputValue()).toBe("3");
    await drawn.getByLabel("Block", { exact: true }).fill("Three weeks");
    await drawn.getByRole("button", { name: "Save block" }).click();
    await saved(hand, "Block Three weeks");
    await page.getByRole("button", { name: /^Three weeks block/ }).waitFor();
    await page.clock.setFixedTime(new Date("2026-06-20T08:00:00"));
    await openDemo(page);
    await page.getByRole("button", { name: "Part 2, 2 of 3, open" }).click();
    await saved(hand, "On the water, part 2, 2 of 3");
    await page.getByRole("button", { name: "Part 2, 2 of 3, done" }).waitFor();
    await page.getByRole("button", { name: "Confirm the rest" }).click();
    await page.getByRole("button", { name: "Part 3, 1 of 1, done" }).waitFor();
    await page.clock.setFixedTime(new Date(`${testDay}T06:45:00`));
  });

  it("a session is copied by keys, and a row is a month at one key", async () => {
    const { page } = hand;
    await openDemo(page, "/plan");
    const day = page.locator('[data-day="2026-06-14"]');
    await day.focus();
    await page.keyboard.press("m");
    await page.keyboard.press("ArrowLeft");
    await page.keyboard.press("ArrowLeft");
    await page.keyboard.press("Control+Enter");
    await saved(hand, "Hips and back copied to 12 Jun");
    await page.getByRole("button", { name: /^Sunday 14 June: Hips and back, planned/ }).waitFor();
    await day.focus();
    await page.keyboard.press("s");
    const months = page.getByRole("list", { name: "Months of the plan" });
    await months.getByText("June 2026").waitFor();
    await months.getByRole("button", { name: /^Friday 12 June: .*Hips and back, planned/ }).click();
    await page.getByRole("dialog", { name: "Friday 12 June" }).getByText("booked", { exact: false }).first().waitFor();
    await page.keyboard.press("Escape");
  });

  it("everything from a day on is moved, what is booked stays, and a taper is seen first", async () => {
    const { page } = hand;
    await openDemo(page, "/plan");
    await page.locator('[data-day="2026-06-12"]').click();
    const dialog = page.getByRole("dialog", { name: "Friday 12 June" });
    const more = dialog.getByRole("button", { name: "More to do with Friday 12 June" });
    await more.and(page.locator("[aria-expanded]")).click();
    await page.getByRole("menuitem", { name: "Move everything from here on" }).click();
    await dialog.getByLabel("by days").fill("0");
    await dialog.getByText("By no days, nothing moves.").waitFor();
    await dialog.getByLabel("by days").fill("3");
    await dialog.getByLabel("by days").press("Enter");
    const seen = page.getByRole("dialog", { name: "What is planned from a day on, moved" });
    await seen.getByText("booked: it keeps its day").first().waitFor();
    await seen.getByRole("button", { name: "Leave all as it is" }).click();
    await more.and(page.locator("[aria-expanded]")).click();
    await page.getByRole("menuitem", { name: "Taper to this day" }).click();
    await dialog.getByLabel("Days", { exact: true }).fill("7");
    await dialog.getByLabel("Days", { exact: true }).press("Enter");
    await page.getByRole("dialog", { name: "A taper" }).getByText("tapered").first().waitFor();
  });
});

describe("a finger", () => {
  it("takes a session to another day", async () => {
    const phone = await trainee({ width: 390, height: 844, touch: true });
    const { page } = phone;
    await openDemo(page, "/plan");
    const day = (date: string) => page.locator(`[data-day="${date}"]`);
    await day("2026-06-13").evaluate((one) => one.scrollIntoView({ block: "center" }));
    const touch = await phone.context.newCDPSession(page);
    const at = (x: number, y: number) => [{ x, y }];
    const said = page.getByText("Saved: On the water moved to 19 Jun");
    await expect
      .poll(async () => {
        // Measured anew each time: what can be dragged is drawn again when the code for it has come.
        const from = await day("2026-06-13").locator("svg").first().boundingBox();
        const to = await day("2026-06-19").boundingBox();
        if (from === null || to === null) return false;
        await touch.send("Input.dispatchTouchEvent", { type: "touchStart", touchPoints: at(from.x + 6, from.y + 6) });
        // A finger that stays takes it.
        await new Promise((resolve) => setTimeout(resolve, 400));
        for (let step = 1; step <= 6; step++)
          await touch.send("Input.dispatchTouchEvent", {
            type: "touchMove",
            touchPoints: at(
              from.x + 6 + ((to.x + 20 - from.x - 6) * step) / 6,
              from.y + 6 + ((to.y + 20 - from.y - 6) * step) / 6,
            ),
          });
        await touch.send("Input.dispatchTouchEvent", { type: "touchEnd", touchPoints: [] });
        return said.waitFor({ timeout: 5000 }).then(
          () => true,
          () => false,
        );
      })
      .toBe(true);
    expect(phone.problems).toEqual([]);
    await phone.close();
  });
});

describe("plans from outside, and to it", () => {
  let hand: Trainee;
  beforeAll(async () => {
    hand = await trainee();
    await openDemo(hand.page, "/plan/outside");
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("a written plan is pasted, with what is not understood, and undone as one", async () => {
    const { page } = hand;
    const form = page.getByRole("form", { name: "Paste a written plan" });
    await form.getByRole("button", { name: "See it first" }).click();
    await form.getByText("Paste the plan here.").waitFor();
    await form
      .getByLabel("The plan")
      .fill("W1 Tue 8 km easy\nW1 Thu 6x800 m 3:20 rest 2 min\nW2 Xyz 5 km\nW8 Sun 21.1 km race");
    await choose(form.getByLabel("Its weeks are counted"), "back from the week of the race");
    await form.getByLabel("This day").fill("4 Oct 2026");
    await form.getByRole("button", { name: "See it first" }).click();
    const seen = page.getByRole("dialog", { name: "A written plan" });
    await seen.getByText("3 sessions new, 1 line not understood.").waitFor();
    await seen.getByText("Tue 11 Aug").waitFor();
    await seen.getByRole("button", { name: "Write 3 changes" }).click();
    await saved(hand, "A plan of 8 weeks");
    expect(await form.getByLabel("The plan").inputValue()).toBe("");
    await page.keyboard.press("u");
    await page.getByText("Undone: A plan of 8 weeks").waitFor();
  });

  it("a calendar comes in as booked classes, once, and what is planned goes out as one", async () => {
    const { page } = hand;
    const ics = [
      "BEGIN:VCALENDAR",
      "VERSION:2.0",
      "PRODID:-//Club//EN",
      "BEGIN:VEVENT",
      "UID:spin",
      "DTSTAMP:20260101T000000Z",
      "DTSTART;TZID=Europe/Lisbon:20260617T180000",
      "DURATION:PT50M",
      "RRULE:FREQ=WEEKLY;COUNT=3",
      "SUMMARY:Spin",
      "END:VEVENT",
      "END:VCALENDAR",
      "",
    ].join("\r\n");
    const give = (text: string) =>
      page
        .getByLabel("An iCalendar file of booked classes")
        .setInputFiles({ name: "club.ics", mimeType: "text/calendar", buffer: Buffer.from(text) });
    await give("no calendar");
    await page.getByText("This is no iCalendar file").waitFor();
    await give(ics);
    const seen = page.getByRole("dialog", { name: "Classes from a calendar" });
    await seen.getByText("3 sessions new.").waitFor();
    await seen.getByRole("button", { name: "Write 3 changes" }).click();
    await saved(hand, "Classes from a calendar");
    await give(ics);
    await seen.getByText("3 sessions stay.").waitFor();
    await seen.getByRole("button", { name: "Leave all as it is" }).click();
    const [file] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "Export calendar" }).click(),
    ]);
    const text = readFileSync((await file.path())!, "utf8");
    expect(text).toContain("SUMMARY:Spin");
    expect(text).toContain("BEGIN:VALARM");
  });

  it("a plan goes to a coach without weights and food", async () => {
    const { page } = hand;
    const [file] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "Export the plan" }).click(),
    ]);
    const plan = JSON.parse(readFileSync((await file.path())!, "utf8")) as Record<string, unknown[] | undefined>;
    expect(plan.sessions!.length).toBeGreaterThan(20);
    expect([plan.weighIns ?? [], plan.meals ?? [], plan.goals ?? []].map(({ length }) => length)).toEqual([0, 0, 0]);
  });

  it("a kind of activity gets its mark and colour once, for all it is drawn in", async () => {
    const { page } = hand;
    await openDemo(page, "/settings");
    // One after another without waiting: all of it is one kind's.
    await choose(page.getByLabel("Mark of row"), "hexagon");
    await choose(page.getByLabel("Colour of row"), "plum");
    await page.getByLabel("Category of row").fill("water");
    await page.getByLabel("Category of row").press("Enter");
    await saved(hand, "Kind of activity row, category water");
    const kinds = (await exportedLog(page)).kinds.filter(({ name }) => name === "row");
    expect(kinds).toMatchObject([{ mark: "hexagon", colour: "plum", category: "water" }]);
    await openDemo(page, "/plan");
    await page.getByRole("table", { name: "By category" }).getByText("water").waitFor();
    const path = page.locator('[data-day="2026-06-13"] svg path').first();
    expect(await path.getAttribute("stroke")).toBe("var(--plum)");
    await page.goto(page.url().replace("/plan?log=demo", "/"));
  });
});
