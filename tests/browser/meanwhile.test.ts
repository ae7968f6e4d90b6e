import type { Locator, Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { address, beginLog, exportedLog, openDemo, testDay, trainee, type Trainee, write, choose } from "./harness";

type Log = Awaited<ReturnType<typeof exportedLog>>;

interface Form {
  /** Where it stands, and what has to be pressed until it is open. */
  path: string;
  open: (page: Page) => Promise<Locator>;
  /** What either tab writes into a field of its own. */
  theirs: (form: Locator) => Promise<void>;
  ours: (form: Locator) => Promise<void>;
  save: string;
  /** What the notice names. */
  label: string;
  /** What is said of their field in the form that stayed open. */
  told: RegExp;
  /** Both fields as the log holds them at the end. */
  held: (log: Log) => unknown;
  expected: unknown;
}

const section = (page: Page, heading: string) =>
  page.locator("section").filter({ has: page.getByRole("heading", { name: heading }) });
const into = (label: string, text: string) => (form: Locator) => form.getByLabel(label, { exact: true }).fill(text);
const ofDay = (log: Log, title: string) =>
  log.sessions.find((one) => one.title === title && one.date === testDay) as { [key: string]: unknown } | undefined;

const forms: Record<string, Form> = {
  "a session's": {
    path: "/",
    open: async (page) => {
      const form = page.getByRole("region", { name: "Easy row" });
      await form.getByRole("button", { name: "Change" }).click();
      return form;
    },
    theirs: into("Effort, 0 to 10", "4"),
    ours: into("Note", "wind against"),
    save: "Save session",
    label: "Easy row changed",
    told: /Effort is now “4”/,
    held: (log) => {
      const { effort, note } = ofDay(log, "Easy row")!;
      return { effort, note };
    },
    expected: { effort: 4, note: "wind against" },
  },
  "a set's": {
    path: "/",
    open: async (page) => {
      const form = page.getByRole("region", { name: "Strength B" });
      await form.getByRole("button", { name: /Deadlift, set 1, done, change/ }).click();
      return form;
    },
    theirs: into("RPE", "9"),
    ours: into("Reps", "4"),
    save: "Save set",
    label: "Deadlift, set changed",
    told: /RPE is now “9”/,
    held: (log) => {
      const { items } = ofDay(log, "Strength B") as unknown as {
        items: { exerciseId: string; sets: { id: string; done?: { reps: number; rpe: number } }[] }[];
      };
      const { reps, rpe } = items
        .find(({ exerciseId }) => exerciseId === "deadlift")!
        .sets.find(({ id }) => id === "s1")!.done!;
      return { reps, rpe };
    },
    expected: { reps: 4, rpe: 9 },
  },
  "the day's note's": {
    path: "/",
    open: async (page) => {
      await page
        .locator("p")
        .filter({ hasText: /^Note / })
        .getByRole("button", { name: "Change" })
        .click();
      return page.locator("form").filter({ has: page.getByLabel("Note of the day") });
    },
    theirs: (form) => form.getByLabel(/the weight may jump/).check(),
    ours: into("Note of the day", "slept badly"),
    save: "Save note",
    label: "Note of 11 Jun 2026",
    told: /That the weight may jump is now ticked/,
    held: (log) => {
      const { text, levelMayJump } = log.dayNotes.find(({ date }) => date === testDay)!;
      return { text, levelMayJump };
    },
    expected: { text: "slept badly", levelMayJump: true },
  },
  "an exercise's": {
    path: "/lifts/exercises?exercise=chin-up",
    open: async (page) => {
      await page.waitForFunction(() =>
        [...document.querySelectorAll("input")].some(({ value }) => value === "Chin-up"),
      );
      return page.locator("form").filter({ has: page.getByRole("button", { name: "Save exercise" }) });
    },
    theirs: into("Setting of the machine", "seat 4"),
    ours: into("Note", "chest to the bar"),
    save: "Save exercise",
    label: "Exercise Chin-up",
    told: /Setting is now “seat 4”/,
    held: (log) => {
      const { setting, note } = log.exercises.find(({ id }) => id === "chin-up")!;
      return { setting, note };
    },
    expected: { setting: "seat 4", note: "chest to the bar" },
  },
  "the plates'": {
    path: "/settings",
    open: async (page) => section(page, "Bar, plates and rest"),
    theirs: into("Bar", "15"),
    ours: into("Rest between sets", "3:00"),
    save: "Save",
    label: "Bar, plates and rest",
    told: /Bar is now “15”/,
    held: (log) => {
      const { barKg, restSeconds } = log.people[0]!.settings as { [key: string]: unknown };
      return { barKg, restSeconds };
    },
    expected: { barKg: 15, restSeconds: 180 },
  },
  "a block's": {
    path: "/lifts/work",
    open: async (page) => {
      await page.getByRole("button", { name: "Change Build four" }).click();
      return page.getByRole("form", { name: "Block Build four" });
    },
    theirs: into("Weeks", "5"),
    ours: into("Aim", "a heavier squat"),
    save: "Save block",
    label: "Block Build four",
    told: /The last day is now “2026-05-10”/,
    held: (log) => {
      const { days, aim } = log.blocks.find(({ name }) => name === "Build four")!;
      return { days, aim };
    },
    expected: { days: 35, aim: "a heavier squat" },
  },
  "the goal's": {
    path: "/energy",
    open: async (page) => section(page, "Change the goal"),
    theirs: into("Why it matters", "the boat is weighed"),
    ours: (form) => form.getByLabel(/^Own milestones/).fill("71 70.5"),
    save: "Save goal",
    label: "Goal",
    told: /is now “the boat is weighed”/,
    held: (log) => {
      const { why, milestonesKg } = log.goals.findLast(({ personId }) => personId === log.people[0]!.id)!;
      return { why, milestonesKg };
    },
    expected: { why: "the boat is weighed", milestonesKg: [71, 70.5] },
  },
  "the energy settings'": {
    path: "/energy",
    open: async (page) => section(page, "Equation"),
    theirs: into("Activity factor", "1.45"),
    ours: (form) => choose(form.getByLabel("Go by its estimate"), "high, + 10 %"),
    save: "Save settings",
    label: "Energy settings",
    told: /The factor is now “1.45”/,
    held: (log) => {
      const { activityFactor, estimate } = log.energySettings.find(({ from }) => from === testDay)! as {
        activityFactor?: number;
        estimate?: string;
      };
      return {
        activityFactor,
        estimate,
        ofToday: log.energySettings.filter(({ from }) => from === testDay).length,
      };
    },
    expected: { activityFactor: 1.45, estimate: "high", ofToday: 1 },
  },
  "the profile's": {
    path: "/settings",
    open: async (page) => section(page, "units, week, formula"),
    theirs: into("Height", "181"),
    ours: into("Name", "Bram"),
    save: "Save profile",
    label: "Profile",
    told: /Height is now “181”/,
    held: (log) => {
      const { name, heightCm } = log.people[0]!;
      return { name, heightCm };
    },
    expected: { name: "Bram", heightCm: 181 },
  },
};

describe("a form that is open while another tab saves the same record", () => {
  let hand: Trainee;
  let other: Page;
  beforeAll(async () => {
    hand = await trainee();
    await openDemo(hand.page);
    // What the forms are on: a set that was done, a note that was written.
    await hand.page
      .getByRole("region", { name: "Strength B" })
      .getByRole("button", { name: "Deadlift, set 1, confirm as planned" })
      .click();
    await hand.page.getByText("Saved: Deadlift").waitFor();
    await hand.page.getByRole("button", { name: "Write one" }).click();
    await hand.page.getByLabel("Note of the day").fill("rain all day");
    await hand.page.getByRole("button", { name: "Save note" }).click();
    await hand.page.getByText("Saved: Note of 11 Jun 2026").waitFor();
    other = await hand.newPage();
  });
  afterAll(() => hand.close());

  it.for(Object.entries(forms))(
    "%s tells it, and is written all the same",
    async ([, { path, open, theirs, ours, save, label, told }]) => {
      const to = async (page: Page) => {
        const whole = `${address}${path}${path.includes("?") ? "&" : "?"}log=demo`;
        if (page.url() !== whole) await page.goto(whole);
        return open(page);
      };
      const [mine, its] = [await to(hand.page), await to(other)];
      await ours(mine);
      await theirs(its);
      await its.getByRole("button", { name: save, exact: true }).click();
      await other.getByRole("status").getByText(`Saved: ${label}`).waitFor();
      await mine.getByText("Changed meanwhile in another tab:").getByText(told).waitFor();
      await mine.getByRole("button", { name: save, exact: true }).click();
      await hand.page.getByRole("status").getByText(`Saved: ${label}`).waitFor();
      expect(hand.problems).toEqual([]);
    },
  );

  it("each has left both tabs' fields in the log", async () => {
    const log = await exportedLog(hand.page);
    for (const [form, { held, expected }] of Object.entries(forms)) expect(held(log), form).toEqual(expected);
  });
});

describe("a form whose fields were typed and saved", () => {
  it("follows the record again, whoever changes it, and plates stay what they are made in when units change", async () => {
    const hand = await trainee();
    await openDemo(hand.page, "/settings");
    const other = await hand.newPage();
    await openDemo(other, "/settings");
    const plates = (page: Page) => page.getByRole("textbox", { name: /^Plates/ });
    const store = async (page: Page, text: string) => {
      await plates(page).fill(text);
      const form = await section(page, "Bar, plates and rest");
      await form.getByRole("button", { name: "Save", exact: true }).click();
      await page.getByRole("status").getByText("Saved: Bar, plates and rest").waitFor();
    };
    const shows = (page: Page, text: string) =>
      page.waitForFunction(
        (wanted) => [...document.querySelectorAll("input")].some(({ value }) => value === wanted),
        text,
      );
    await store(hand.page, "25 × 2, 20 × 4");
    await shows(other, "25 × 2, 20 × 4");
    await store(other, "25 × 4, 10 × 4");
    await shows(hand.page, "25 × 4, 10 × 4");
    await choose(hand.page.getByLabel("Weights in"), "lb");
    await hand.page.getByRole("button", { name: "Save profile" }).click();
    await shows(hand.page, "25 kg × 4, 10 kg × 4");
    await hand.page.getByRole("button", { name: "Take the usual bar and plates in lb" }).click();
    await shows(hand.page, "45 × 6, 35 × 2, 25 × 4, 10 × 4, 5 × 4, 2.5 × 2");
    await hand.page.keyboard.press("Control+z");
    await shows(other, "25 kg × 4, 10 kg × 4");
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});

describe("midnight, and another tab's save,", () => {
  it("leave what is half-written where it is, and a line begun at 23:59 is that day's", async () => {
    const hand = await trainee();
    const { page } = hand;
    await page.clock.setFixedTime(new Date("2026-06-11T23:59:00+01:00"));
    await beginLog(page, { "Weight now": "72" });
    const line = page.getByRole("search", { name: "Quick entry" }).getByRole("textbox");
    await line.pressSequentially("first 71.4 23:58 tired");
    await page.getByRole("button", { name: "Write one" }).click();
    await page.getByLabel("Note of the day").fill("half a note");
    const turn = async (time: string) => {
      await page.clock.setFixedTime(new Date(`${time}+01:00`));
      // As when the page is looked at again.
      await page.evaluate(() => document.dispatchEvent(new Event("visibilitychange")));
    };
    await turn("2026-06-12T00:05:00");
    const its = await hand.newPage();
    await its.goto(`${address}/`);
    await write(its, "71.0 06:00");
    expect(await page.getByLabel("Note of the day").inputValue()).toBe("half a note");
    await page.getByRole("heading", { name: "Thursday 11 June" }).waitFor();
    await page.getByRole("button", { name: "Save note" }).click();
    await page.getByText("Saved: Note of 11 Jun 2026").waitFor();
    await line.press("Enter");
    await page.getByText("Saved: Weigh-in 71.4 kg").waitFor();
    await turn("2026-06-12T00:06:00");
    await page.getByRole("heading", { name: "Friday 12 June" }).waitFor();
    const { weighIns, dayNotes } = await exportedLog(page);
    expect(weighIns.find(({ note }) => note === "tired")).toMatchObject({ date: "2026-06-11", kg: 71.4 });
    expect(dayNotes.find(({ text }) => text === "half a note")).toMatchObject({ date: "2026-06-11" });
    // A goal that is half-written stands through the turn of a day as well.
    await page.goto(`${address}/energy`);
    await page.getByLabel("Why it matters").fill("half a reason");
    await turn("2026-06-13T00:01:00");
    await write(its, "first 70.9 06:10");
    expect(await page.getByLabel("Why it matters").inputValue()).toBe("half a reason");
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});

describe("the finish page of a session", () => {
  it("writes what was touched on it, and leaves what another tab has said meanwhile", async () => {
    const hand = await trainee();
    const { page } = hand;
    await openDemo(page);
    await page
      .getByRole("region", { name: "Strength B" })
      .getByRole("button", { name: "Confirm as planned", exact: true })
      .click();
    await page.getByText("Saved: Strength B as planned").waitFor();
    await page.goto(
      `${address}/train?log=demo&date=${testDay}&session=${(await exportedLog(page)).sessions.find((one) => one.title === "Strength B" && one.date === testDay)!.id}`,
    );
    const fieldset = page.getByRole("group", { name: /effort of the whole session/ });
    await fieldset.getByRole("button", { name: "8", exact: true }).click();
    const other = await hand.newPage();
    await other.goto(`${address}/?log=demo`);
    const editor = other.getByRole("region", { name: "Strength B" });
    await editor.getByRole("button", { name: "Change", exact: true }).click();
    await editor.getByLabel("Note", { exact: true }).fill("written beside");
    await editor.getByLabel("Effort, 0 to 10").fill("6");
    await editor.getByRole("button", { name: "Save session" }).click();
    await other.getByRole("status").getByText("Saved: Strength B changed").waitFor();
    await page.getByText("effort is now 6; what you chose is kept").waitFor();
    await page.getByRole("button", { name: "Finish session" }).click();
    await page.waitForURL((url) => url.pathname === "/");
    expect(ofDay(await exportedLog(page), "Strength B")).toMatchObject({ effort: 8, note: "written beside" });
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});
