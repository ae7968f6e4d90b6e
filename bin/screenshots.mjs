// `npm run screenshots`: one picture of each main view, made from the demo log on a fixed day, into docs/screenshots/.
import { spawn } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "playwright-core";
import { chromiumFlags, findChromium, root } from "./machine.mjs";

const port = 4189;
const address = `http://127.0.0.1:${port}`;
const folder = join(root, "docs", "screenshots");
mkdirSync(folder, { recursive: true });

const server = spawn(process.execPath, ["bin/start.mjs", "--port", String(port)], {
  cwd: root,
  stdio: ["ignore", "pipe", "inherit"],
});
await new Promise((resolve) =>
  server.stdout.on("data", (chunk) => {
    if (String(chunk).includes(address)) resolve();
  }),
);

async function open(width, height, dark, phone = false) {
  const profile = mkdtempSync(join(tmpdir(), "oat-column-pictures-"));
  const context = await chromium.launchPersistentContext(profile, {
    executablePath: findChromium(),
    headless: true,
    viewport: { width, height },
    colorScheme: dark ? "dark" : "light",
    locale: "en-GB",
    isMobile: phone,
    hasTouch: phone,
    args: chromiumFlags,
  });
  const page = context.pages()[0];
  await page.clock.setFixedTime(new Date("2026-06-11T06:45:00"));
  return {
    page,
    close: async () => {
      await context.close();
      rmSync(profile, { recursive: true, force: true });
    },
  };
}

async function show(page, path) {
  await page.goto(`${address}${path}${path.includes("?") ? "&" : "?"}log=demo`);
  await page.locator("#content h1").waitFor();
  if (path === "/body" || path === "/distance" || path.startsWith("/lifts") || path === "/report")
    await page.locator("#content .recharts-surface").first().waitFor();
  await page
    .getByText(/^med \d/)
    .first()
    .waitFor({ state: "attached", timeout: 4000 })
    .catch(() => {}); // the Column, which a phone does not show
  // The worker may still be at the log: a picture is taken when what the page says has stayed the same for a while.
  await page.waitForFunction(
    () => {
      const said = document.body.innerText;
      window.unchanged = window.said === said && !said.includes("reading the log") ? (window.unchanged ?? 0) + 1 : 0;
      window.said = said;
      return window.unchanged >= 8;
    },
    null,
    { polling: 250 },
  );
  await page.waitForFunction(() => document.fonts.status === "loaded");
}

const views = [
  ["/", "today"],
  ["/lifts", "lifts"],
  ["/lifts/work", "work"],
  ["/distance", "distance"],
  ["/body", "body"],
  ["/food", "food"],
  ["/energy", "energy"],
  ["/files", "files"],
  ["/plan", "plan"],
  ["/plan/cycles?cycle=rower-cycle", "cycle"],
  ["/plan/next", "next-week"],
  ["/ledger", "ledger"],
  ["/report", "report"],
];
const light = await open(1280, 800, false);
for (const [path, name] of views) {
  await show(light.page, path);
  await light.page.screenshot({ path: join(folder, `${name}.png`) });
}
await show(light.page, "/");
await light.page.keyboard.press("w");
await light.page.keyboard.type("front squat 3x6 72.5 kg rpe 8");
await light.page.getByRole("button", { name: "Enter to log" }).waitFor();
await light.page.screenshot({ path: join(folder, "quick-entry.png") });
await light.page.keyboard.press("Escape");
await light.page.getByRole("button", { name: "working of Weight, trend" }).click();
await light.page.getByRole("dialog").getByRole("heading", { name: "Source" }).waitFor();
await light.page.screenshot({ path: join(folder, "working.png") });
await light.close();

const dark = await open(1280, 800, true);
for (const [path, name] of [["/", "today"]]) {
  await show(dark.page, path);
  await dark.page.screenshot({ path: join(folder, `${name}-dark.png`) });
}
await dark.close();

const phone = await open(390, 844, false, true);
await show(phone.page, "/");
await phone.page.screenshot({ path: join(folder, "today-phone.png") });
await phone.page.getByRole("button", { name: "Days" }).click();
await phone.page.locator("#column").waitFor();
await phone.page.screenshot({ path: join(folder, "days-phone.png") });
await phone.page.goto(`${address}/?log=demo`);
await phone.page.getByRole("link", { name: "Train", exact: true }).click();
for (let set = 0; set < 3; set++) {
  await phone.page.getByRole("button", { name: "Set done" }).click();
  await phone.page.getByRole("button", { name: new RegExp(`^(Warm-up|Set) ${set + 1}, done`) }).waitFor();
}
await phone.page.getByRole("button", { name: "8", exact: true }).click();
await phone.page.screenshot({ path: join(folder, "training-phone.png") });
await phone.close();
server.kill("SIGTERM");
