import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { address, beginLog, trainee, write } from "./harness";
import { blank, pullPlug } from "./probed";

describe("bad days", () => {
  it("killed right after it said saved, the entry is there", async () => {
    const profile = mkdtempSync(join(tmpdir(), "oat-column-kill-"));
    const first = await trainee({ profile });
    await beginLog(first.page, { "Weight now": "72" });
    await write(first.page, "71.3 06:20 killed");
    pullPlug(profile);
    await first.context.close().catch(() => {});
    const second = await trainee({ profile });
    await second.page.goto(`${address}/`);
    await second.page.getByText("71.3 kg at 06:20, killed").waitFor();
    expect(second.problems).toEqual([]);
    await second.context.close();
    rmSync(profile, { recursive: true, force: true });
  });

  it("a damaged, hostile or newer archive changes nothing and names the place", async () => {
    const hand = await trainee();
    const { page } = hand;
    await beginLog(page, { "Weight now": "72" });
    await page.goto(`${address}/files`);
    const folder = mkdtempSync(join(tmpdir(), "oat-column-files-"));
    const person = { id: "p", name: "<img src=x onerror=alert(1)>" };
    const files: [string, string, string][] = [
      ["cut.json", '{"format":"oat-column","version":1,"people":[{', "(file)"],
      ["newer.json", JSON.stringify({ format: "oat-column", version: 2 }), "newer Oat Column"],
      ["other.json", JSON.stringify({ rows: [] }), "not an Oat Column archive"],
      [
        "hostile.json",
        JSON.stringify({
          format: "oat-column",
          version: 1,
          people: [person],
          weighIns: [{ id: "w", personId: "p", date: "2026-02-30", kg: "=1+1" }],
        }),
        "weighIns[0].date",
      ],
    ];
    for (const [name, text, message] of files) {
      writeFileSync(join(folder, name), text);
      await page.getByLabel(/An Oat Column archive/).setInputFiles(join(folder, name));
      const alert = page.getByRole("alert").filter({ hasText: name });
      await alert.getByText("Nothing was changed").waitFor();
      expect(await alert.innerText()).toContain(message);
    }
    await page.getByText(/^1 person, 1 weigh-in, \d+ exercises/).waitFor();
    expect(hand.problems).toEqual([]);
    rmSync(folder, { recursive: true });
    await hand.close();
  });

  it("a full disk gives a plain message, loses nothing, and works again afterwards", async () => {
    const hand = await trainee();
    const { page } = hand;
    await beginLog(page, { "Weight now": "72" });
    await page.evaluate(() => {
      const real = IDBObjectStore.prototype.put;
      Object.assign(window, {
        free: () => {
          IDBObjectStore.prototype.put = real;
        },
      });
      IDBObjectStore.prototype.put = function (...given) {
        if (this.name === "history") throw new DOMException("full", "QuotaExceededError");
        return real.apply(this, given);
      };
    });
    const line = page.getByRole("search").getByRole("textbox");
    await line.fill("71.1");
    await page.getByRole("button", { name: "Enter to log" }).click();
    await page.getByText("The browser has no room left: this change was not written").waitFor();
    expect(await line.inputValue()).toBe("71.1");
    await page.getByText("72.0 kg").first().waitFor();
    await page.evaluate(() => (window as unknown as { free: () => void }).free());
    await line.press("Enter");
    await page.getByText("Saved: Weigh-in 71.1 kg").waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("a window without storage says so", async () => {
    const hand = await trainee();
    await hand.context.addInitScript(() => Object.defineProperty(window, "indexedDB", { value: undefined }));
    await hand.page.goto(`${address}/`);
    await hand.page.getByText("This window has no storage for the log").waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("a window in which even asking for storage is forbidden says so in the same words", async () => {
    const hand = await trainee();
    await hand.context.addInitScript(() => {
      for (const name of ["sessionStorage", "localStorage"])
        Object.defineProperty(window, name, {
          get: () => {
            throw new DOMException("denied", "SecurityError");
          },
        });
    });
    await hand.page.goto(`${address}/`);
    await hand.page.getByText("This window has no storage for the log").waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("an upgrade blocked by another tab says so", async () => {
    const hand = await trainee();
    // Another tab with an older layout that does not let go.
    await blank(hand.page);
    await hand.page.evaluate(
      () =>
        new Promise((resolve) => {
          const request = indexedDB.open("oat-column-own", 1);
          request.onsuccess = () => {
            Object.assign(window, { held: request.result });
            resolve(null);
          };
        }),
    );
    const other = await hand.newPage();
    await other.addInitScript(() => {
      const real = IDBFactory.prototype.open;
      IDBFactory.prototype.open = function (name: string) {
        return real.call(this, name, 2);
      };
    });
    await other.goto(`${address}/`);
    await other.getByText("Another tab still holds an older version").waitFor();
    await hand.close();
  });
});
