import { join } from "node:path";
import type { Page } from "playwright-core";
import { describe, expect, it } from "vitest";
import { Random } from "../../src/demo/random";
import { SmallDisk } from "./fullDisk";
import { address, beginLog, exportedLog, rounds, trainee, type Trainee } from "./harness";
import { pullPlug } from "./probed";

/** How the disk is filled; `ROUNDS=28 npm run browser disk` goes through all of them seven times. */
const ways = ["before it is opened", "and the plug pulled", "while it is written to", "and reloaded"] as const;
const random = new Random(20_261_127);

/**
 * What the application has to have done before the disk may run full: its own files for working without a network, and
 * the reserve.
 */
async function settled(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    const size = async () => {
      try {
        const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle("second-copy");
        return (await (await folder.getFileHandle("reserve")).getFile()).size;
      } catch {
        return 0;
      }
    };
    while ((await size()) < 16_000_000) await new Promise((resolve) => setTimeout(resolve, 100));
  });
}

describe("a really full disk", () => {
  it.for(Array.from({ length: rounds(2) }, (_, round) => [ways[round % ways.length]!, round] as const))(
    "%s (%i) loses nothing that was said to be saved",
    { timeout: 300_000 },
    async ([way], context) => {
      const disk = SmallDisk.mount(300);
      if (disk === null) return context.skip("this user may not mount a small file system, so no disk was filled");
      const profile = join(disk.path, "profile");
      const open = async (): Promise<Trainee> => {
        const hand = await trainee({ profile, allow: () => true });
        await hand.page.goto(`${address}/`).catch(() => {});
        return hand;
      };
      const saved = new Set<number>();
      let number = 0;
      /** Writes a run that no other one is like, and takes note of it when it is said to be saved. */
      const run = async (page: Page, timeout = 4000) => {
        const km = 2 + number++ / 10;
        const line = page.getByRole("search", { name: "Quick entry" }).getByRole("textbox");
        const said = async () => {
          await line.fill(`run ${km.toFixed(1)} km 20:00`, { timeout });
          await page.getByRole("button", { name: "Enter to log" }).waitFor({ timeout });
          await line.press("Enter");
          // The words of this very run: those of the one before may still stand there.
          const told = page.getByText(`Saved: Run ${km.toFixed(2)} km`);
          await told
            .or(page.getByText(/was not written|Nothing more can be written/))
            .first()
            .waitFor({ timeout });
          if (await told.isVisible()) saved.add(Math.round(km * 1000));
        };
        // A page that is no longer there, or says that there is no room, has acknowledged nothing.
        await said().catch(() => {});
      };
      try {
        let hand = await trainee({ profile, allow: () => true });
        await beginLog(hand.page, { "Weight now": "72" });
        // While there is room nothing is lost, however long it takes.
        for (let index = 0; index < 3; index++) await run(hand.page, 60_000);
        expect(saved.size).toBe(3);
        await settled(hand.page);
        const left = () =>
          Math.floor(random.pick([0, 200e3, 800e3, 2e6, 4e6, 7e6, 11e6, 13e6]) * (0.5 + random.next()));
        if (way === "before it is opened") {
          await hand.context.close();
          disk.fill(left());
          hand = await open();
        } else disk.fill(left());
        for (let index = 0; index < 3; index++) {
          await run(hand.page);
          if (random.next() < 0.5) disk.fill(left() / 2);
        }
        if (way === "and reloaded") {
          await hand.page.reload({ timeout: 10_000 }).catch(() => {});
          await run(hand.page);
        }
        if (way === "and the plug pulled") pullPlug(profile);
        await hand.context.close().catch(() => {});
        disk.clear();
        const again = await open();
        // A browser that was killed may take its time: its trainee opens the page anew.
        const heading = again.page.locator("#content h1");
        await expect
          .poll(
            async () => {
              if (!(await heading.isVisible())) await again.page.goto(`${address}/`).catch(() => {});
              return heading.waitFor({ timeout: 30_000 }).then(
                () => "open",
                async () => again.page.locator("body").innerText().catch(String),
              );
            },
            { timeout: 120_000 },
          )
          .toBe("open");
        // What the database has lost since the copy took it comes back when the copy is opened.
        await again.page.goto(`${address}/files`);
        await again.page.getByText("A second copy lies beside the database").waitFor();
        const { sessions } = await exportedLog(again.page);
        const there = new Set(
          sessions.map(({ distance }) => Math.round((distance as { done: { metres: number } }).done.metres)),
        );
        expect(
          [...saved].filter((metres) => !there.has(metres)),
          `of ${saved.size} acknowledged`,
        ).toEqual([]);
        await again.context.close();
      } finally {
        disk.unmount();
      }
    },
  );
});
