import type { CDPSession, Page } from "playwright-core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { address, beginLog, exportedLog, offer, rounds, saved, trainee, type Trainee } from "./harness";

/** Keys of a keyboard that are no signs. */
const named: Record<string, number> = { Enter: 13, Tab: 9, Home: 36, ArrowDown: 40, ArrowLeft: 37, F8: 119 };

/** Presses keys at a pace of their own, as hands do: none waits for what the one before it has done. */
async function hands(session: CDPSession, keys: readonly string[], everyMs: number): Promise<void> {
  const sent: Promise<unknown>[] = [];
  const begun = performance.now();
  for (const [index, key] of keys.entries()) {
    const wait = begun + index * everyMs - performance.now();
    if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
    const isSign = !(key in named);
    const press = {
      key,
      // A code of a sign that is neither letter nor digit would be that of another key.
      windowsVirtualKeyCode: isSign ? (/[a-z0-9 ]/i.test(key) ? key.toUpperCase().charCodeAt(0) : 0) : named[key]!,
      ...(isSign ? { text: key } : key === "Enter" ? { text: "\r" } : {}),
    };
    sent.push(
      session.send("Input.dispatchKeyEvent", { type: isSign || key === "Enter" ? "keyDown" : "rawKeyDown", ...press }),
    );
    sent.push(session.send("Input.dispatchKeyEvent", { type: "keyUp", ...press }));
  }
  await Promise.all(sent);
}

/** Makes commits of a page take up to so many milliseconds longer, by a sequence that is the same every time. */
async function slowCommits(page: Page, upToMs: number, seed: number): Promise<void> {
  await page.addInitScript(
    ([most, first]) => {
      let state = first!;
      const next = () => {
        state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
        return state / 4_294_967_296;
      };
      const real = navigator.locks.request.bind(navigator.locks) as (...given: unknown[]) => Promise<unknown>;
      Object.defineProperty(navigator.locks, "request", {
        value: async (name: string, ...rest: unknown[]) => {
          if (name.startsWith("oat-column-writing-"))
            await new Promise((resolve) => {
              setTimeout(resolve, next() * most!);
            });
          return real(name, ...rest);
        },
      });
    },
    [upToMs, seed],
  );
}

async function slowed(page: Page): Promise<CDPSession> {
  const session = await page.context().newCDPSession(page);
  await session.send("Emulation.setCPUThrottlingRate", { rate: 8 });
  return session;
}

/** All that is typed in the grids of a page is in the log. */
async function typedIsWritten(page: Page): Promise<void> {
  await page.waitForFunction(
    () => !Object.keys(sessionStorage).some((key) => key.startsWith("oat-column-typed-")),
    undefined,
    { timeout: 240_000 },
  );
}

const dayBefore = (index: number) => new Date(Date.UTC(2026, 5, 11 - index)).toISOString().slice(0, 10);
const weightOf = (index: number) => (72 + ((index * 7) % 9) / 10).toFixed(1);
const notes = ["slept badly", "salty dinner", "late", "after 16 km, no water", "1 beer"];
/** With `ROUNDS` at all three paces, otherwise at one. */
const paces = process.env.ROUNDS === undefined ? [60] : [30, 60, 120];

describe("typing as fast as hands can, the processor slowed eight times and commits late", () => {
  let hand: Trainee;
  beforeEach(async () => {
    hand = await trainee();
    await beginLog(hand.page, { "Weight now": "72" });
    await hand.page.evaluate(() => localStorage.setItem("oat-column-ledger", "weight|influence"));
  });
  afterEach(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  /** A weight and a note for each of some days, newest last. */
  const rows = (count: number, from: number) =>
    Array.from({ length: count }, (_, index) => {
      const back = from + count - index;
      return { date: dayBefore(back), weight: weightOf(back), note: notes[back % notes.length]! };
    });
  const keysOf = (days: ReturnType<typeof rows>) =>
    days.flatMap(({ weight, note }) => [...weight, "Tab", ...note, "Enter", "Home"]);
  const goTo = async (page: Page, date: string) => {
    await page.goto(`${address}/ledger`);
    await page.getByRole("grid").waitFor();
    await page.getByLabel("Go to").fill(date);
    await page.locator(`[id="cell-${date}-weight"]`).click();
  };
  const expectWritten = async (page: Page, days: ReturnType<typeof rows>) => {
    const { weighIns } = await exportedLog(page);
    const told = new Map(weighIns.map(({ date, kg, note }) => [date, `${Number(kg).toFixed(1)} ${String(note)}`]));
    expect(days.map(({ date }) => told.get(date))).toEqual(days.map(({ weight, note }) => `${weight} ${note}`));
  };

  it.each(paces)("at %i ms a key every character of the ledger is where it belongs", async (everyMs) => {
    const { page } = hand;
    await slowCommits(page, 800, everyMs);
    const days = rows(rounds(16) / 2, 0);
    await goTo(page, days[0]!.date);
    const session = await slowed(page);
    await hands(session, keysOf(days), everyMs);
    await typedIsWritten(page);
    // No plain key of the page was reached.
    expect(new URL(page.url()).pathname).toBe("/ledger");
    await session.send("Emulation.setCPUThrottlingRate", { rate: 1 });
    await expectWritten(page, days);
  });

  it("in two tabs at once, every character of both is where it belongs", async () => {
    const other = await hand.newPage();
    const half = rounds(16) / 4;
    const parts = [rows(half, 0), rows(half, half)];
    const pages = [hand.page, other];
    for (const [index, page] of pages.entries()) {
      await slowCommits(page, 800, 7 + index);
      await goTo(page, parts[index]![0]!.date);
    }
    // Only one page has the focus of the window; each is told that it has.
    const sessions = await Promise.all(pages.map(slowed));
    for (const session of sessions) await session.send("Emulation.setFocusEmulationEnabled", { enabled: true });
    await Promise.all(sessions.map((session, index) => hands(session, keysOf(parts[index]!), 60)));
    for (const page of pages) await typedIsWritten(page);
    for (const session of sessions) await session.send("Emulation.setCPUThrottlingRate", { rate: 1 });
    await expectWritten(hand.page, parts.flat());
  });

  it("what is refused stands in its cell as it was typed, and what comes after it is written", async () => {
    const { page } = hand;
    await slowCommits(page, 300, 3);
    const days = rows(6, 0);
    await goTo(page, days[0]!.date);
    const session = await slowed(page);
    // The second weight is mistyped: its note hangs on it.
    const wrong = days.map((day, index) => (index === 1 ? { ...day, weight: "7l.4" } : day));
    await hands(session, keysOf(wrong), 60);
    const cell = (column: string) => page.locator(`[id="cell-${days[1]!.date}-${column}"]`);
    await cell("influence").and(page.locator("[aria-invalid=true]")).waitFor();
    expect(await cell("weight").innerText()).toBe("7l.4");
    expect(await cell("influence").innerText()).toBe(days[1]!.note);
    await session.send("Emulation.setCPUThrottlingRate", { rate: 1 });
    await page
      .getByRole("button", { name: "2 cells not written: go to it" })
      .or(page.getByRole("button", { name: "Go to it" }))
      .click();
    const open = page.getByRole("grid").getByRole("textbox");
    expect(await open.inputValue()).toBe("7l.4");
    await open.fill(days[1]!.weight);
    await open.press("Enter");
    // The note goes by itself once there is a weight.
    await typedIsWritten(page);
    await expectWritten(page, days);
  });

  it("lines of the quick entry that follow at once land in one session, and what is typed ahead is another line", async () => {
    const { page } = hand;
    await page.goto(`${address}/`);
    await slowCommits(page, 400, 5);
    await page.reload();
    const line = page.getByRole("search", { name: "Quick entry" }).getByRole("textbox");
    const count = Math.ceil(rounds(12) / 4);
    const session = await slowed(page);
    await line.focus();
    for (let index = 0; index < count; index++) {
      const date = dayBefore(40 + index);
      const lines = [`${date}: back squat 3x5 100`, `${date}: bench press 3x5 80`];
      await hands(
        session,
        lines.flatMap((text) => [...text, "Enter"]),
        5,
      );
    }
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[role="search"] input')!.value === "",
      undefined,
      { timeout: 120_000 },
    );
    await session.send("Emulation.setCPUThrottlingRate", { rate: 1 });
    const { sessions } = await exportedLog(page);
    expect(sessions.map(({ date, items }) => `${String(date)} ${(items as unknown[]).length}`).sort()).toEqual(
      Array.from({ length: count }, (_, index) => `${dayBefore(40 + index)} 2`).sort(),
    );
  });

  it.each(paces)("at %i ms a key every character of a cycle is where it belongs", async (everyMs) => {
    const { page } = hand;
    const log = await exportedLog(page);
    const person = log.people[0]!.id;
    const lifts = ["back-squat", "bench-press", "deadlift"];
    expect(lifts.every((id) => log.exercises.some((one) => one.id === id))).toBe(true);
    const cycle = {
      id: "c",
      personId: person,
      name: "Peak",
      startDate: "2026-06-15",
      weeks: 4,
      weekdays: [1, 2, 3, 4, 5],
      maxima: lifts.map((exerciseId) => ({ exerciseId, kg: 150 })),
    };
    await offer(page, "log.json", JSON.stringify({ ...log, cycles: [cycle] }));
    await page.getByRole("button", { name: "Replace the log by it" }).click();
    await saved(hand, "");
    await slowCommits(page, 800, everyMs);
    await page.goto(`${address}/plan/cycles?cycle=c`);
    const grid = page.getByRole("grid", { name: "Cells of Peak" });
    await grid.waitFor();
    await page.locator("#cycle-0-0").click();
    const session = await slowed(page);
    const count = Math.min(20, Math.ceil(rounds(12) / 3));
    const cells = Array.from({ length: count }, (_, row) => [
      `${(row % 5) + 2}x5 ${70 + (row % 4)}%`,
      `13x2 ${60 + (row % 3)} %`,
      `${(row % 3) + 1}x12 60kg`,
    ]);
    await hands(
      session,
      cells.flatMap((row) => [...row.flatMap((text, at) => [...text, at < 2 ? "Tab" : "Enter"]), "Home"]),
      everyMs,
    );
    await typedIsWritten(page);
    expect(new URL(page.url()).pathname).toBe("/plan/cycles");
    await session.send("Emulation.setCPUThrottlingRate", { rate: 1 });
    const text = (row: number, column: number) =>
      page
        .locator(`#cycle-${row}-${column}`)
        .evaluate((cell) => cell.firstElementChild!.textContent!.replaceAll("\u00a0", " "));
    for (const [row, [squat, bench, dead]] of cells.entries()) {
      expect(await text(row, 0)).toBe(squat!.replace("x", "×").replace("%", " %"));
      expect(await text(row, 1)).toBe(bench!.replace("x", "×"));
      expect(await text(row, 2)).toBe(dead!.replace("x", "×").replace("kg", " kg"));
    }
  });
});
