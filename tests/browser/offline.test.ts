import { createServer, request, type Server } from "node:http";
import { afterEach, describe, expect, it } from "vitest";
import { beginLog, address as served, trainee, write } from "./harness";

const port = 4187;
const address = `http://127.0.0.1:${port}`;
let server: Server | null = null;
/** Written behind the service worker's script, which makes it another version. */
let addition = "";
/**
 * Whether the service worker is let through when it fetches what it keeps: not asked for by a page as a script, style
 * or font.
 */
let refilling = true;

/**
 * An address of this test's own behind which the application lies, so that it can be gone, or of another version, for
 * this test alone.
 */
async function start(): Promise<void> {
  addition = "";
  refilling = true;
  const { hostname, port: behind } = new URL(served);
  server = createServer((asked, answer) => {
    if (!refilling && asked.url!.startsWith("/_next/static/") && asked.headers["sec-fetch-dest"] === "empty")
      return void answer.destroy();
    asked.pipe(
      request(
        {
          hostname,
          port: behind,
          path: asked.url,
          method: asked.method,
          headers: { ...asked.headers, "accept-encoding": "identity", "if-none-match": "", "if-modified-since": "" },
        },
        (response) => {
          const { "content-length": _length, ...headers } = response.headers;
          const versioned = asked.url === "/service-worker.js";
          answer.writeHead(response.statusCode!, versioned ? headers : response.headers);
          response.pipe(answer, { end: !versioned });
          if (versioned) response.on("end", () => answer.end(addition));
        },
      ).on("error", () => answer.destroy()),
    );
  });
  await new Promise<void>((resolve) => {
    server!.listen(port, "127.0.0.1", resolve);
  });
}

async function stop(): Promise<void> {
  const ending = server;
  server = null;
  if (ending === null) return;
  const ended = new Promise((resolve) => ending.close(resolve));
  ending.closeAllConnections();
  await ended;
}

afterEach(stop);

const aboutTheNetwork = (problem: string) =>
  /ERR_CONNECTION_REFUSED|Failed to fetch|Failed to load|_rsc|service-worker/.test(problem);

describe("without a network", () => {
  it("every view opens, figures compute, an entry saves and is there after a reload", async () => {
    await start();
    const hand = await trainee({ allow: aboutTheNetwork });
    const { page } = hand;
    await beginLog(page, { "Weight now": "72" }, {}, address);
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.waitForFunction(
      async () =>
        (await caches.keys()).length > 0 && (await (await caches.open((await caches.keys())[0]!)).keys()).length > 20,
    );
    await page.reload();
    await page.locator("#content h1").waitFor();
    expect(await page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    await stop();
    await page.reload();
    await page.locator("#content h1").waitFor();
    await write(page, "71.3 06:20 no network");
    await page.getByText("71.3 kg at 06:20, no network").waitFor();
    for (const name of ["Lifts", "Distance", "Body", "Food", "Energy", "Files", "Today"]) {
      await page.getByRole("link", { name, exact: true }).click();
      await page.waitForURL((url) => url.pathname === (name === "Today" ? "/" : `/${name.toLowerCase()}`));
      await page.locator("#content h1").waitFor();
    }
    await page.getByText("71.3 kg at 06:20, no network").waitFor();
    const other = await hand.newPage();
    await other.goto(`${address}/body`);
    await other.locator("#content h1").waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  it("a new version waits, says when it takes over, and takes nothing that is being written", async () => {
    await start();
    const hand = await trainee({ allow: aboutTheNetwork });
    const { page } = hand;
    try {
      await beginLog(page, { "Weight now": "72" }, {}, address);
      await page.evaluate(() => navigator.serviceWorker.ready);
      await page.reload();
      await page.locator("#content h1").waitFor();
      addition = "\n// another version";
      await page.evaluate(async () => {
        await (await navigator.serviceWorker.getRegistration())!.update();
      });
      await page.getByText("A new version is here. It takes over once all tabs").waitFor();
      const line = page.getByRole("search", { name: "Quick entry" }).getByRole("textbox");
      await line.pressSequentially("71.9 half writ");
      const now = page.getByRole("button", { name: "Take it now" });
      await now.click();
      await page.getByText("Save or empty what you are writing").waitFor();
      expect(await line.inputValue()).toBe("71.9 half writ");
      await line.fill("");
      const other = await hand.newPage();
      await other.goto(`${address}/`);
      const refused = async (
        why: "Save or empty what you are writing" | "Close the other tabs of Oat Column first",
      ) => {
        await now.click();
        await page.getByText(why).waitFor();
      };
      await refused("Close the other tabs of Oat Column first");
      // Nor what stands half-typed in a cell, in a pasted sheet, or was read and is on show.
      const go = async (path: string) => {
        await page.goto(`${address}${path}`);
        await now.waitFor();
      };
      await go("/ledger");
      await page.getByRole("grid").focus();
      await page.keyboard.type("71,");
      await refused("Save or empty what you are writing");
      await page.getByRole("grid").getByRole("textbox").press("Escape");
      await refused("Close the other tabs of Oat Column first");
      await go("/files");
      const sheet = page.getByLabel(/Paste its columns here/);
      await sheet.fill("date,weight\n2026-06-01,72.1");
      await refused("Save or empty what you are writing");
      await sheet.fill("");
      await refused("Close the other tabs of Oat Column first");
      await page.getByLabel(/An Oat Column archive/).setInputFiles({
        name: "log.json",
        mimeType: "application/json",
        buffer: Buffer.from(JSON.stringify({ format: "oat-column", version: 1, people: [{ id: "p", name: "Other" }] })),
      });
      await page.getByText("log.json is sound").waitFor();
      await refused("Save or empty what you are writing");
      await page.getByRole("button", { name: "Leave it" }).click();
      await refused("Close the other tabs of Oat Column first");
      await other.close();
      const reloaded = page.waitForEvent("load");
      await now.click();
      await reloaded;
      await page.locator("#content h1").waitFor();
      expect(await page.getByText("A new version is here").count()).toBe(0);
      expect(hand.problems).toEqual([]);
    } finally {
      await hand.close();
    }
  });

  it("what it keeps for that is filled again when it has been emptied, and said when it cannot be", async () => {
    await start();
    const hand = await trainee({ allow: aboutTheNetwork });
    const { page } = hand;
    const kept = () =>
      page.evaluate(async () => {
        let files = 0;
        for (const name of await caches.keys()) files += (await (await caches.open(name)).keys()).length;
        return files;
      });
    const emptied = () =>
      page.evaluate(async () => {
        for (const name of await caches.keys()) {
          const cache = await caches.open(name);
          for (const request of await cache.keys()) await cache.delete(request);
        }
      });
    await beginLog(page, { "Weight now": "72" }, {}, address);
    await page.evaluate(() => navigator.serviceWorker.ready);
    const whole = await kept();
    expect(whole).toBeGreaterThan(20);
    await page.reload();
    await page.locator("#content h1").waitFor();
    await emptied();
    await page.reload();
    await page.waitForFunction(async (files) => {
      let now = 0;
      for (const name of await caches.keys()) now += (await (await caches.open(name)).keys()).length;
      return now === files;
    }, whole);
    await emptied();
    refilling = false;
    await page.reload();
    await page
      .getByText(/Without a network Oat Column would not open here now: \d+ of its \d+ files are not kept/)
      .waitFor();
    await page.getByText("72.0 kg").first().waitFor();
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
});
