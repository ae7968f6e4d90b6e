import { spawnSync } from "node:child_process";
import { mkdtempSync, readdirSync, rmSync, statSync, truncateSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { describe, expect, it } from "vitest";
import { root } from "../../bin/machine.mjs";
import { address, answersKept, beginLog, openDemo, opened, rounds, testDay, trainee, write } from "./harness";
import { blank, probed, pullPlug, type WithProbe } from "./probed";

describe("pulled plugs", () => {
  it("right after saved was said, every entry is there and the log checks clean", async () => {
    const profile = mkdtempSync(join(tmpdir(), "oat-column-kill-"));
    const begun = await trainee({ profile });
    await beginLog(begun.page, { "Weight now": "72" });
    await begun.context.close();
    let acknowledged: number | null = null;
    for (let round = 0; round < rounds(3); round++) {
      const hand = await trainee({ profile });
      await hand.page.goto(`${address}/`);
      await hand.page.locator("#content h1").waitFor();
      if (acknowledged !== null)
        await hand.page.getByText(`${acknowledged.toFixed(1)} kg at 06:20, kill ${round - 1}`).waitFor();
      await write(hand.page, `${(70 + round / 10).toFixed(1)} 06:20 (kill ${round})`);
      acknowledged = 70 + round / 10;
      pullPlug(profile);
      await hand.context.close().catch(() => {});
    }
    const last = await trainee({ profile });
    const { kg, wrong } = await (
      await probed(last)
    ).evaluate(() => (globalThis as unknown as WithProbe).probe.inspect("own"));
    expect(wrong).toEqual([]);
    expect(Object.values(kg)).toEqual([acknowledged]);
    await last.page.goto(`${address}/files`);
    await last.page.getByRole("button", { name: "Check now" }).click();
    await last.page.getByText(/^All is well: [\d,]+ records/).waitFor();
    await last.context.close();
    rmSync(profile, { recursive: true, force: true });
  }, 300_000);

  it.each([
    ["while the journal is folded", true, false],
    ["while a log is imported", true, true],
  ])(
    "%s, nothing acknowledged is lost",
    async (_, folding, importing) => {
      const profile = mkdtempSync(join(tmpdir(), "oat-column-kill-"));
      const known = new Map<string, number>();
      for (let round = 0; round < rounds(3); round++) {
        const hand = await trainee({ profile, date: null });
        const page = await probed(hand);
        if (round > 0) {
          const { kg, wrong } = await page.evaluate(() => (globalThis as unknown as WithProbe).probe.inspect("own"));
          expect(wrong).toEqual([]);
          expect(Object.keys(kg).length, "weigh-ins stored").toBeGreaterThanOrEqual(known.size);
          for (const [id, value] of known) expect(kg[id], `${id} after round ${round}`).toBeGreaterThanOrEqual(value);
        }
        // The plug is pulled after so many more were acknowledged, in the midst of whatever comes next.
        let left = 12 + ((round * 7) % 10);
        const enough = new Promise<void>((resolve) => {
          page.on("console", (message) => {
            const [word, id, value] = message.text().split(" ");
            if (word !== "acknowledged") return;
            known.set(id!, Number(value));
            if (--left === 0) resolve();
          });
        });
        void page
          .evaluate(
            ([one, two]) => (globalThis as unknown as WithProbe).probe.churn("own", one!, two!),
            [folding, importing],
          )
          .catch(() => {});
        await enough;
        pullPlug(profile);
        await hand.context.close().catch(() => {});
      }
      expect(known.size).toBeGreaterThan(20);
      rmSync(profile, { recursive: true, force: true });
    },
    200_000,
  );

  it("while an older layout is brought over, the log is whole afterwards", async () => {
    const profile = mkdtempSync(join(tmpdir(), "oat-column-kill-"));
    const rows = 15_000;
    let hand = await trainee({ profile, date: null });
    await (
      await probed(hand)
    ).evaluate((count) => (globalThis as unknown as WithProbe).probe.older("own", count), rows);
    await hand.context.close();
    hand = await trainee({ profile, date: null });
    await probed(hand);
    // The moment itself is what is tried here, wherever in its work it finds the machine.
    for (const wait of [60, 200, 350]) {
      void hand.page.evaluate(() => (globalThis as unknown as WithProbe).probe.inspect("own")).catch(() => {});
      await hand.page.waitForTimeout(wait);
      pullPlug(profile);
      await hand.context.close().catch(() => {});
      hand = await trainee({ profile, date: null });
      await probed(hand);
    }
    const { kg, wrong } = await hand.page.evaluate(() => (globalThis as unknown as WithProbe).probe.inspect("own"));
    expect(wrong).toEqual([]);
    expect(Object.keys(kg)).toHaveLength(rows);
    await hand.context.close();
    rmSync(profile, { recursive: true, force: true });
  });
});

describe("a file of the browser's that ends in half a write", () => {
  it("costs nothing: what was written before it and after it is there at the next start", async () => {
    const profile = mkdtempSync(join(tmpdir(), "oat-column-torn-"));
    const session = async (work: (page: Page) => Promise<void>) => {
      const hand = await trainee({ profile });
      await work(hand.page);
      await answersKept(hand.page);
      await hand.context.close();
    };
    await session(async (page) => {
      await beginLog(page, { "Weight now": "72" });
      await write(page, "71.3 06:20 before");
    });
    const folder = join(profile, "Default", "IndexedDB", "http_127.0.0.1_4186.indexeddb.leveldb");
    const [newest] = readdirSync(folder)
      .filter((name) => name.endsWith(".log"))
      .sort()
      .reverse();
    truncateSync(join(folder, newest!), statSync(join(folder, newest!)).size - 40);
    await session(async (page) => {
      await page.goto(`${address}/`);
      await page.getByText("71.3 kg at 06:20, before").waitFor();
      await write(page, "first 71.9 06:25 after");
    });
    await session(async (page) => {
      await page.goto(`${address}/`);
      await page.getByText("71.9 kg at 06:25, after").waitFor();
      await page.goto(`${address}/files`);
      await page.getByText(/^1 person, 1 weigh-in/).waitFor();
    });
    rmSync(profile, { recursive: true, force: true });
  });
});

describe("two tabs", () => {
  it("make thousands of random edits, undos and redos: no update is lost, figures equal fresh ones and the headless command's", async () => {
    const hand = await trainee({ date: null });
    const one = await probed(hand);
    const two = await probed(hand, await hand.newPage());
    await one.evaluate(() => (globalThis as unknown as WithProbe).probe.fill("own"));
    // With ROUNDS=25 ten thousand in all.
    const each = 100 * rounds(3);
    const edit = (page: Page, seed: number, rounds: number, undoing: boolean) =>
      page.evaluate(
        ([a, b, c]) => (globalThis as unknown as WithProbe).probe.edit("own", a as number, b as number, c as boolean),
        [seed, rounds, undoing],
      );
    const plain = await Promise.all([edit(one, 1, each, false), edit(two, 2, each, false)]);
    const wanted = new Map<string, [number, unknown]>();
    for (const { written } of plain)
      for (const [field, [at, value]] of Object.entries(written))
        if ((wanted.get(field)?.[0] ?? 0) < at) wanted.set(field, [at, value]);
    const middle = await one.evaluate(
      (fields) => (globalThis as unknown as WithProbe).probe.outcome("own", fields),
      [...wanted.keys()],
    );
    expect(wanted.size).toBeGreaterThan(100);
    for (const [field, [, value]] of wanted) expect(middle.values[field], field).toBe(value);
    const undone = await Promise.all([edit(one, 3, each, true), edit(two, 4, each, true)]);
    for (const { compared } of [...plain, ...undone]) expect(compared).toBe(12);
    const [mine, theirs] = await Promise.all(
      [one, two].map((page) => page.evaluate(() => (globalThis as unknown as WithProbe).probe.outcome("own", []))),
    );
    expect(mine!.wrong).toEqual([]);
    expect(mine!.archive).toBe(theirs!.archive);
    const folder = mkdtempSync(join(tmpdir(), "oat-column-figures-"));
    writeFileSync(join(folder, "log.json"), mine!.archive);
    const headless = spawnSync(
      process.execPath,
      [join(root, "bin/figures.mjs"), join(folder, "log.json"), "--on", "2026-06-11"],
      { encoding: "utf8", maxBuffer: 100_000_000 },
    );
    expect(headless.stderr).toBe("");
    expect(headless.stdout).toBe(mine!.figures);
    rmSync(folder, { recursive: true });
    expect(hand.problems).toEqual([]);
    await hand.close();
  }, 400_000);

  it("confirm different sets of one session at once, and one that was frozen catches up", async () => {
    const hand = await trainee();
    await openDemo(hand.page);
    const other = await hand.newPage();
    await openDemo(other);
    const confirm = (page: Page, set: number) =>
      page.getByRole("button", { name: `Deadlift, set ${set}, confirm as planned` }).click();
    await Promise.all([confirm(hand.page, 1), confirm(other, 2)]);
    for (const page of [hand.page, other])
      for (const set of [1, 2])
        await page.getByRole("button", { name: `Deadlift, set ${set}, done, change` }).waitFor();
    // The second tab is held still by the debugger, at the next thing it does; it neither follows nor hears.
    await other.evaluate(() => void setInterval(() => document.title, 20));
    const frozen = await hand.context.newCDPSession(other);
    await frozen.send("Debugger.enable");
    let resumed = false;
    frozen.on("Debugger.resumed", () => {
      resumed = true;
    });
    const [{ callFrames }] = await Promise.all([
      new Promise<{ callFrames: { callFrameId: string }[] }>((held) => frozen.once("Debugger.paused", held)),
      frozen.send("Debugger.pause"),
    ]);
    await write(hand.page, "first 71.1 06:10 one tab");
    await hand.page.getByText("71.1 kg at 06:10, one tab").waitFor();
    const shown = await frozen.send("Debugger.evaluateOnCallFrame", {
      callFrameId: callFrames[0]!.callFrameId,
      expression: "document.body.innerText",
      returnByValue: true,
    });
    expect(shown.result.value).toContain("Deadlift");
    expect(shown.result.value).not.toContain("one tab");
    expect(resumed).toBe(false);
    await frozen.send("Debugger.resume");
    await frozen.send("Debugger.disable");
    await other.getByText("71.1 kg at 06:10, one tab").waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});

describe("reading a log", () => {
  it("can be stopped, says so, and can be taken up again", async () => {
    const hand = await trainee();
    const { page } = hand;
    await page.goto(`${address}/?log=generated&years=8`);
    await page.locator("#content h1").waitFor();
    const reading = await hand.context.newPage();
    // A hand faster than ours: it presses Stop as soon as it is there.
    await reading.addInitScript(() => {
      if (sessionStorage.getItem("pressed") !== null) return;
      new MutationObserver((_, observer) => {
        const stop = [...document.querySelectorAll("button")].find((button) => button.textContent === "Stop");
        if (stop === undefined) return;
        observer.disconnect();
        sessionStorage.setItem("pressed", "yes");
        stop.click();
      }).observe(document, { childList: true, subtree: true });
    });
    await page.close();
    await reading.clock.setFixedTime(new Date(`${testDay}T06:45:00`));
    await reading.goto(`${address}/?log=generated`);
    await reading.getByRole("alert").getByText("Reading the log was stopped. Nothing was changed").waitFor();
    await reading.getByRole("button", { name: "Open the log again" }).click();
    await reading.locator("#content h1").waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("that the browser has discarded is brought back from the second copy; with that gone too it is said, not passed over", async () => {
    const hand = await trainee();
    const { page } = hand;
    await beginLog(page, { "Weight now": "72" });
    await write(page, "71.2 06:15 kept twice");
    // As a browser does with storage that it finds damaged: the database is gone, all else is there.
    await discard(page, false);
    await page
      .getByText(/The browser had lost its storage of this log\. \d+ records were brought back from the second copy/)
      .waitFor();
    await page.getByText("71.2 kg at 06:15, kept twice").waitFor();
    // As it does with all that an address keeps, when the disk is full.
    await discard(page, true);
    await page
      .getByRole("alert")
      .getByText("On 11 Jun 2026 this browser held a log, and now its storage is empty")
      .waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});

/** Deletes the log's database, and with it the copy beside it or not, while no page of the application is open. */
async function discard(page: Page, copyToo: boolean): Promise<void> {
  await blank(page);
  await page.evaluate(async (all) => {
    await new Promise((resolve) => {
      indexedDB.deleteDatabase("oat-column-own").onsuccess = resolve;
    });
    const root = (await navigator.storage.getDirectory()) as FileSystemDirectoryHandle & {
      keys: () => AsyncIterable<string>;
    };
    if (all) for await (const name of root.keys()) await root.removeEntry(name, { recursive: true });
  }, copyToo);
  await page.goto(`${address}/`);
}

describe("the worker", () => {
  it("that dies is replaced, and nothing is lost", async () => {
    const hand = await trainee();
    const { page } = hand;
    await beginLog(page, { "Weight now": "72" });
    const session = await hand.context.newCDPSession(page);
    const { targetInfos } = (await session.send("Target.getTargets")) as {
      targetInfos: { type: string; targetId: string }[];
    };
    const [shared] = targetInfos.filter(({ type }) => type === "shared_worker");
    await session.send("Target.closeTarget", { targetId: shared!.targetId });
    await write(page, "71.2 06:15 after the worker died");
    await page.getByText("71.2 kg at 06:15, after the worker died").waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("is one of the tab's own where there are no shared ones, runs no code from text and reaches nothing outside", async () => {
    const hand = await trainee({ allow: (problem) => /Content Security Policy|EvalError|violates/.test(problem) });
    const { page } = hand;
    await page.addInitScript(() => {
      Reflect.deleteProperty(window, "SharedWorker");
    });
    await beginLog(page, { "Weight now": "72" });
    await write(page, "71.2 06:15 own worker");
    await page.getByText("71.2 kg at 06:15, own worker").waitFor();
    const [worker] = page.workers();
    const tried = await worker!.evaluate(
      () =>
        new Promise<{ evaluated: string; fetched: string }>((resolve) => {
          // Later, so that it is the worker's own doing and not the debugger's.
          setTimeout(() => {
            let evaluated = "ran";
            try {
              (0, eval)("1 + 1");
            } catch (error) {
              evaluated = (error as Error).name;
            }
            fetch("http://127.0.0.1:4/")
              .then(
                () => "answered",
                (error: unknown) => (error as Error).name,
              )
              .then((fetched) => resolve({ evaluated, fetched }));
          }, 0);
        }),
    );
    expect(tried).toEqual({ evaluated: "EvalError", fetched: "TypeError" });
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});

describe("the check of the log", () => {
  it("tells how far it is, leaves the worker free for what is written meanwhile, and can be stopped", async () => {
    const hand = await trainee();
    const { page } = hand;
    await page.goto(`${address}/?log=generated&years=8`);
    await page.locator("#content h1").waitFor();
    const other = await hand.newPage();
    await other.goto(`${address}/files?log=generated`);
    const section = other.locator("section", { has: other.getByRole("heading", { name: "Check the log" }) });
    await section.getByRole("button", { name: "Check now" }).click();
    await section.getByText(/^Checking, \d+ %/).waitFor();
    await write(page, "first 79.7 06:10 another tab");
    await page.getByText("79.7 kg at 06:10, another tab").waitFor();
    // The check has begun anew by now and is still at it.
    await section.getByText(/^Checking, \d+ %/).waitFor();
    await section.getByRole("button", { name: "Stop" }).click();
    await section.getByText(/^Checking, /).waitFor({ state: "detached" });
    expect(await section.getByText(/All is well|not as they should be/).count()).toBe(0);
    await section.getByRole("button", { name: "Check now" }).click();
    await section.getByText(/^All is well/).waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("names what is wrong, repairs it by a change that undo takes back, and writes a report", async () => {
    const hand = await trainee();
    const { page } = hand;
    await openDemo(page, "/files");
    await page.getByRole("button", { name: "Check now" }).click();
    await page.getByText(/^All is well: [\d,]+ records, \d+ answers computed twice/).waitFor();
    // A page is damaged behind the application's back: one weigh-in twice, and one that belongs to nobody.
    await page.evaluate(
      () =>
        new Promise<void>((resolve) => {
          const request = indexedDB.open("oat-column-demo");
          request.onsuccess = () => {
            const transaction = request.result.transaction(["pages", "meta"], "readwrite");
            const pages = transaction.objectStore("pages");
            transaction.objectStore("meta").get("standing").onsuccess = (event) => {
              const { generation } = (event.target as IDBRequest<{ generation: number }>).result;
              pages.get([generation, "weighIns", "2026-03"]).onsuccess = (found) => {
                const held = (found.target as IDBRequest<{ text: string }>).result;
                const records = JSON.parse(held.text) as { id: string }[];
                pages.put({
                  ...held,
                  text: JSON.stringify([...records, { ...records[0], id: "stray", personId: "nobody" }]),
                });
                pages.put({ ...held, month: "2026-02", text: JSON.stringify([records[1]]) });
              };
            };
            transaction.oncomplete = () => {
              request.result.close();
              resolve();
            };
          };
        }),
    );
    await page.reload();
    await page.getByRole("button", { name: "Check now" }).click();
    await page.getByText(/things are not as they should be/).waitFor();
    const told = await page
      .locator("section", { has: page.getByRole("heading", { name: "Check the log" }) })
      .innerText();
    expect(told).toContain("lies in the page of");
    expect(told).toContain("weighIns stray, personId");
    const [report] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "Save the report" }).click(),
    ]);
    expect(report.suggestedFilename()).toMatch(/^oat-column-check-.*\.json$/);
    await page.getByRole("button", { name: "Repair what can be repaired" }).click();
    await page.getByText(/^All is well/).waitFor();
    // The repair named somebody for what belonged to nobody: whose change it is is asked before it is taken back.
    await page.getByRole("button", { name: "Undo the last change" }).click();
    await page
      .getByRole("status")
      .getByText("The last change is Unknown (nobody)'s: 1 repair. Undo it all the same?")
      .waitFor();
    await page.getByRole("status").getByRole("button", { name: "Undo" }).click();
    await page.getByText(/^Undone:/).waitFor();
    await page.getByRole("button", { name: "Check now" }).click();
    await page.getByText(/not as they should be/).waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});

describe("the policy", () => {
  it("holds in every view with each overlay opened", async () => {
    const hand = await trainee();
    const { page } = hand;
    // Of each view the first of its figures of the demo log, up to three.
    const standing = {
      "/": 3,
      "/lifts": 3,
      "/distance": 3,
      "/body": 3,
      "/food": 1,
      "/energy": 3,
      "/files": 0,
      "/ledger": 0,
      "/report": 0,
    };
    for (const [path, least] of Object.entries(standing)) {
      await openDemo(page, path);
      // Out of the ledger's cells, into which keys are typed.
      await page.getByRole("heading", { level: 1 }).first().click();
      await page.keyboard.press("?");
      await page.getByRole("dialog", { name: "Keys" }).waitFor();
      await page.keyboard.press("Escape");
      await page.getByRole("dialog", { name: "Keys" }).waitFor({ state: "detached" });
      const overlays = page.locator('#content button[aria-haspopup="dialog"]');
      for (let index = 0; index < least; index++) {
        await opened(overlays.nth(index), page.getByRole("dialog").last());
        await page.keyboard.press("Escape");
        await page.getByRole("dialog").last().waitFor({ state: "detached" });
      }
    }
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});
