import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { createRequire } from "node:module";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { unzipSync } from "fflate";
import { type BrowserContext, chromium, type Locator, type Page } from "playwright-core";
import { chromiumFlags, findChromium } from "../../bin/machine.mjs";
import type { RecordKind } from "../../src/core/log/records";
import { address } from "./server";

export { address };

/** How often something that is done in rounds is done; `ROUNDS=20 npm run browser copies` does it oftener. */
export const rounds = (usual: number): number => Number(process.env.ROUNDS ?? usual);

/** The day it is in most tests. */
export const testDay = "2026-06-11";

export interface Trainee {
  context: BrowserContext;
  page: Page;
  profile: string;
  /** Everything that must not happen, in words; `expectClean` empties it. */
  problems: string[];
  newPage: () => Promise<Page>;
  close: () => Promise<void>;
}

interface Options {
  width?: number;
  height?: number;
  dark?: boolean;
  date?: string | null;
  profile?: string;
  touch?: boolean;
  allow?: (problem: string) => boolean;
}

/** A browser with an empty profile of its own, watched for everything that must not happen. */
export async function trainee({
  width = 1280,
  height = 800,
  dark = false,
  date = testDay,
  profile: given,
  touch = false,
  allow = () => false,
}: Options = {}): Promise<Trainee> {
  const profile = given ?? mkdtempSync(join(tmpdir(), "oat-column-"));
  const context = await chromium.launchPersistentContext(profile, {
    executablePath: findChromium()!,
    headless: true,
    args: chromiumFlags,
    viewport: { width, height },
    colorScheme: dark ? "dark" : "light",
    acceptDownloads: true,
    locale: "en-GB",
    timezoneId: "Europe/Lisbon",
    hasTouch: touch,
    isMobile: touch,
  });
  const problems: string[] = [];
  // A style sheet fetched ahead and used late says that the machine was busy, not that anything is wrong.
  const late = (problem: string) =>
    problem.includes("was preloaded using link preload but not used within a few seconds");
  const report = (problem: string) => {
    if (!late(problem) && !allow(problem)) problems.push(problem);
  };
  await context.exposeFunction("reportViolation", (text: string) => report(`policy: ${text}`));
  await context.addInitScript(() => {
    document.addEventListener("securitypolicyviolation", (event) => {
      void (window as unknown as { reportViolation: (text: string) => void }).reportViolation(
        `${event.violatedDirective} ${event.blockedURI} ${event.sourceFile}:${event.lineNumber}`,
      );
    });
  });
  const watch = (page: Page) => {
    page.on("console", (message) => {
      if (message.type() === "error" || message.type() === "warning") report(`console: ${message.text()}`);
    });
    page.on("pageerror", (error) => report(`page: ${error.message}`));
    page.on("requestfailed", (request) => {
      if (request.failure()?.errorText !== "net::ERR_ABORTED")
        report(`failed: ${request.url()} ${request.failure()?.errorText}`);
    });
    page.on("response", (response) => {
      if (response.status() >= 400) report(`status ${response.status()}: ${response.url()}`);
    });
    page.on("request", (request) => {
      if (!/^http:\/\/127\.0\.0\.1:418\d\//.test(request.url()) && !/^(blob|data):/.test(request.url()))
        report(`outside: ${request.url()}`);
    });
  };
  context.on("page", watch);
  context.setDefaultTimeout(60_000);
  const prepare = async (page: Page) => {
    if (date !== null) await page.clock.setFixedTime(new Date(`${date}T06:45:00`));
  };
  const page = context.pages()[0] ?? (await context.newPage());
  watch(page);
  await prepare(page);
  return {
    context,
    page,
    profile,
    problems,
    newPage: async () => {
      const next = await context.newPage();
      await prepare(next);
      return next;
    },
    close: async () => {
      await context.close();
      if (given === undefined) rmSync(profile, { recursive: true, force: true });
    },
  };
}

/** Opens the demo log and waits until its figures stand. */
export async function openDemo(page: Page, path = "/"): Promise<void> {
  await page.goto(`${address}${path}${path.includes("?") ? "&" : "?"}log=demo`);
  await page.locator("#content h1").waitFor();
}

/** Chooses one of a list of the kit, by what it says. */
export async function choose(field: Locator, option: string): Promise<void> {
  const page = field.page();
  // The list comes after the page stands; what holds its place is no list.
  const box = field.and(page.getByRole("combobox"));
  await box.focus();
  await box.press("Enter");
  if (await box.isEditable()) await box.fill(option);
  await page
    .locator(".ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option")
    .and(page.getByTitle(option, { exact: true }))
    .click();
}

/** Sets up a log through the first-run page. */
export async function beginLog(
  page: Page,
  fields: Partial<
    Record<"Name of the log" | "Height" | "Birth date" | "Weight now" | "Goal weight, if any" | "By", string>
  > = {},
  choices: Record<string, string> = {},
  at = address,
): Promise<void> {
  await page.goto(`${at}/?log=own`);
  await page.getByRole("button", { name: "Begin", exact: true }).waitFor();
  for (const [label, option] of Object.entries(choices)) await choose(page.getByLabel(label, { exact: true }), option);
  for (const [label, value] of Object.entries(fields)) await page.getByLabel(label, { exact: true }).fill(value);
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await page.locator("#content h1").waitFor();
}

/** Writes a line in the quick entry and waits until it is said to be saved. */
export async function write(page: Page, text: string): Promise<void> {
  const line = page.getByRole("search", { name: "Quick entry" }).getByRole("textbox");
  await line.fill(text);
  await page.getByRole("button", { name: "Enter to log" }).waitFor();
  const before = (await page.getByRole("status").allInnerTexts()).join("");
  await line.press("Enter");
  await page.waitForFunction((old) => {
    const now = [...document.querySelectorAll('[role="status"]')].map((one) => (one as HTMLElement).innerText).join("");
    return now !== old && now.includes("Saved");
  }, before);
}

/** Presses what opens something until it is open: figures that arrive between press and release move what was pressed. */
export async function opened(button: Locator, what: Locator): Promise<void> {
  do await button.click();
  while (
    !(await what.waitFor({ timeout: 10_000 }).then(
      () => true,
      () => false,
    ))
  );
}

/** Waits until a cell has called back long enough for what is typed to be meant for it. */
export async function calledBack(page: Page): Promise<void> {
  await page.getByRole("grid").locator("input:not([aria-busy])").waitFor();
}

/** Waits until it is said that something was saved. */
export async function saved({ page }: Trainee, text: string): Promise<void> {
  await page.getByText(`Saved: ${text}`).waitFor();
}

/** Waits until the log has been idle and its worker has kept the answers of the page for the next start. */
export async function answersKept(page: Page): Promise<void> {
  await page.waitForFunction(async () => {
    const database = await new Promise<IDBDatabase>((resolve, reject) => {
      const request = indexedDB.open("oat-column-own");
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error!);
    });
    const transaction = database.transaction(["saved", "meta"]);
    const asked = <T>(request: IDBRequest<T>) =>
      new Promise<T>((resolve) => {
        request.onsuccess = () => resolve(request.result);
      });
    const [answers, head] = await Promise.all([
      asked<{ sequence: number }[]>(transaction.objectStore("saved").getAll()),
      asked<{ sequence: number }>(transaction.objectStore("meta").get("standing")),
    ]);
    database.close();
    return answers.length > 0 && answers.every(({ sequence }) => sequence === head.sequence);
  });
}

/** The log as the application exports it. */
export async function exportedLog(page: Page): Promise<ExportedLog> {
  if (!page.url().startsWith(`${address}/files`)) await page.goto(`${address}/files`);
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Export archive" }).click(),
  ]);
  const bytes = readFileSync((await file.path())!);
  // With pictures it is a zip, in which the archive lies beside them.
  const text = bytes.toString("latin1", 0, 2) === "PK" ? archiveIn(unzipSync(bytes)) : bytes.toString();
  return JSON.parse(text) as ExportedLog;
}
const archiveIn = (files: Record<string, Uint8Array>) =>
  Buffer.from(files[Object.keys(files).find((name) => name.endsWith(".json"))!]!).toString();
type ExportedLog = Record<RecordKind, { id: string; changed?: string; [key: string]: unknown }[]> & {
  unread?: unknown[];
};

/** Brings a file in under Files, as far as its preview. */
export async function offer(page: Page, name: string, content: string | Buffer): Promise<void> {
  await page.goto(`${address}/files`);
  await page
    .getByLabel(/An Oat Column archive/)
    .setInputFiles({ name, mimeType: "application/octet-stream", buffer: Buffer.from(content) });
}

const axe = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");
interface Finding {
  id: string;
  nodes: { html: string; failureSummary: string }[];
}

/**
 * Findings of axe on the page as it stands, of every weight. Evaluated by the debugger, so the page's policy needs no hole for
 * it.
 * @param rules these alone
 * @param without parts that were looked at elsewhere
 */
export async function findings(
  { page }: Trainee,
  { rules = [], without = [] }: { rules?: readonly string[]; without?: readonly string[] } = {},
): Promise<string[]> {
  await page.evaluate(axe);
  const violations = await page.evaluate(
    async ([only, exclude]) =>
      (
        await (
          window as unknown as { axe: { run: (on: object, how: object) => Promise<{ violations: Finding[] }> } }
        ).axe.run({ exclude }, { resultTypes: ["violations"], ...(only!.length > 0 ? { runOnly: only } : {}) })
      ).violations,
    [[...rules], [...without]],
  );
  return violations.map(({ id, nodes }) => `${id}: ${nodes[0]!.html.slice(0, 200)} ${nodes[0]!.failureSummary}`);
}
