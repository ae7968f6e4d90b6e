import { mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { describe, expect, it } from "vitest";
import { Random } from "../../src/demo/random";
import { address, beginLog, exportedLog, rounds, trainee, type Trainee, write } from "./harness";
import { blank, pullPlug } from "./probed";

const random = new Random(13);

/** Writes runs that no others are like; each that was said to be saved has to be there ever after. */
class Runs {
  readonly saved: number[] = [];
  #next = 2;

  async write(page: Page): Promise<void> {
    const km = Math.round((this.#next += 0.1) * 10) / 10;
    await write(page, `run ${km.toFixed(1)} km 20:00`);
    this.saved.push(Math.round(km * 1000));
  }

  async expectAll(page: Page): Promise<void> {
    // What the database has lost since the copy took it comes back when the copy is opened.
    await page.goto(`${address}/files`);
    await page.getByText("A second copy lies beside the database").waitFor();
    const { sessions } = await exportedLog(page);
    expect(
      sessions
        .map(({ distance }) => Math.round((distance as { done: { metres: number } }).done.metres))
        .sort((a, b) => a - b),
    ).toEqual(this.saved);
  }
}

describe("a log whose database is lost", () => {
  it(
    "deleted under the open application, comes back whole, each time",
    async () => {
      const hand = await trainee();
      const { page } = hand;
      await beginLog(page, { "Weight now": "72" });
      const runs = new Runs();
      for (let round = 0; round < rounds(1); round++) {
        for (let index = 0; index < 3; index++) await runs.write(page);
        const other = await hand.newPage();
        await blank(other);
        await other.evaluate(
          () =>
            new Promise((resolve) => {
              indexedDB.deleteDatabase("oat-column-own").onsuccess = resolve;
            }),
        );
        await other.close();
        // The page that was open says so instead of going on as if nothing were.
        await page
          .getByRole("alert")
          .getByText(/cleared|deleted|storage/)
          .waitFor();
        await page.goto(`${address}/`);
        await page
          .getByText(
            /The browser had lost its storage of this log\. \d+ records were brought back from the second copy/,
          )
          .waitFor();
        await runs.expectAll(page);
        await page.goto(`${address}/`);
      }
      expect(hand.problems).toEqual([]);
      await hand.close();
    },
    240_000 + rounds(1) * 15_000,
  );

  it(
    "torn by hand in its files, comes back whole, each time",
    async () => {
      const profile = mkdtempSync(join(tmpdir(), "oat-column-lost-"));
      const open = async (): Promise<Trainee> => {
        const hand = await trainee({ profile, allow: () => true });
        await hand.page.goto(`${address}/`);
        return hand;
      };
      let hand = await open();
      await beginLog(hand.page, { "Weight now": "72" });
      const runs = new Runs();
      for (let round = 0; round < rounds(1); round++) {
        for (let index = 0; index < 3; index++) await runs.write(hand.page);
        if (random.chance(0.5)) pullPlug(profile);
        await hand.context.close().catch(() => {});
        tear(join(profile, "Default", "IndexedDB", "http_127.0.0.1_4186.indexeddb.leveldb"));
        hand = await open();
        await asTold(hand.page);
        await hand.page.locator("#content h1").waitFor();
        await runs.expectAll(hand.page);
        await hand.page.goto(`${address}/`);
      }
      await hand.context.close();
      rmSync(profile, { recursive: true, force: true });
    },
    240_000 + rounds(1) * 20_000,
  );
});

/**
 * Where files are torn so that the browser can neither open nor delete the database, the page says so, and what to
 * press.
 */
async function asTold(page: Page): Promise<void> {
  const bringBack = page.getByRole("button", { name: "Put the second copy in its place" });
  await bringBack.or(page.locator("#content h1")).first().waitFor();
  if (!(await bringBack.isVisible())) return;
  await bringBack.click();
  const emptyFirst = page.getByRole("button", { name: "Save it as an archive, empty the storage, and put it back" });
  await emptyFirst.or(page.locator("#content h1")).first().waitFor();
  if (!(await emptyFirst.isVisible())) return;
  const [archive] = await Promise.all([page.waitForEvent("download"), emptyFirst.click()]);
  expect(archive.suggestedFilename()).toMatch(/^oat-column-second-copy-/);
  await page.getByText("were brought back from the second copy").waitFor();
}

/** Does to the files of a database what a dying disk does: cuts them, lays noise over them, empties or removes them. */
function tear(folder: string): void {
  for (const name of readdirSync(folder).filter((one) => /\.(log|ldb)$|^(MANIFEST|CURRENT)/.test(one))) {
    const file = join(folder, name);
    const bytes = readFileSync(file);
    switch (random.pick(["cut", "noise", "removed", "emptied", "left"] as const)) {
      case "cut":
        truncateSync(file, Math.floor(bytes.length * random.next()));
        break;
      case "noise":
        for (let index = 0; index < 50 && bytes.length > 0; index++)
          bytes[Math.floor(random.next() * bytes.length)] = Math.floor(random.next() * 256);
        writeFileSync(file, bytes);
        break;
      case "removed":
        rmSync(file);
        break;
      case "emptied":
        truncateSync(file, 0);
        break;
      case "left":
        break;
    }
  }
}

describe("a backup file in a folder outside the browser", () => {
  it("is written where the trainee says, follows each change, and Files says how it stands", async () => {
    const hand = await trainee();
    const { page } = hand;
    // A folder of the origin's own stands for one of the disk: no window can be answered here.
    await hand.context.addInitScript(() =>
      Object.assign(window, {
        showDirectoryPicker: async () =>
          (await navigator.storage.getDirectory()).getDirectoryHandle("outside", { create: true }),
      }),
    );
    await beginLog(page, { "Weight now": "72" });
    const inFile = () =>
      page.evaluate(async () => {
        const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle("outside");
        return JSON.parse(await (await (await folder.getFileHandle("oat-column-backup.json")).getFile()).text()) as {
          weighIns: { kg: number }[];
        };
      });
    // What is saved says, quietly, that it lies here alone.
    await write(page, "71.8");
    await page.getByRole("link", { name: "here only: no copy of this log has left this browser yet" }).click();
    await page.getByText("No copy is known to have left this browser").waitFor();
    await page.getByRole("button", { name: "Keep a backup file in a folder" }).click();
    await page
      .getByText(/oat-column-backup\.json in the folder outside, written on .*; it holds everything\./)
      .waitFor();
    await page.getByText(/A copy last left this browser on .*, as the backup file\./).waitFor();
    expect((await inFile()).weighIns.map(({ kg }) => kg)).toEqual([71.8]);
    await write(page, "71.5");
    expect(await page.getByRole("link", { name: /^here only/ }).count()).toBe(0);
    await page.getByText("it follows some seconds after the last change").waitFor();
    // It is written at the latest when the page is left.
    await page.evaluate(() => {
      Object.defineProperty(document, "visibilityState", { configurable: true, get: () => "hidden" });
      document.dispatchEvent(new Event("visibilitychange"));
    });
    await expect.poll(async () => (await inFile()).weighIns.map(({ kg }) => kg)).toEqual([71.5]);
    await page.reload();
    await page.getByText("it holds everything.").waitFor();
    await page.getByRole("button", { name: "Keep it no longer" }).click();
    await page.getByRole("button", { name: "Keep a backup file in a folder" }).waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});
