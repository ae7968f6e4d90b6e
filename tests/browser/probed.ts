import { build } from "esbuild";
import { execFileSync } from "node:child_process";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import type { Page } from "playwright-core";
import { address, type Trainee } from "./harness";
import type { Probe } from "./probe";

const root = fileURLToPath(new URL("../..", import.meta.url));
let script: Promise<string> | null = null;

async function bundled(): Promise<string> {
  const { outputFiles } = await build({
    entryPoints: [join(root, "tests/browser/probe.ts")],
    bundle: true,
    write: false,
    format: "iife",
    target: "es2023",
    absWorkingDir: root,
    alias: { "@": join(root, "src") },
    define: { "process.env.CORE_VERSION": '"probe"' },
    logLevel: "error",
  });
  return outputFiles[0]!.text;
}

export type WithProbe = { probe: Probe };

/** A blank page of the application's address that holds the store. */
export async function probed(hand: Trainee, page = hand.page): Promise<Page> {
  await blank(page);
  await page.evaluate(await (script ??= bundled()));
  return page;
}

/** A page of the application's address on which nothing of it runs: the text of a file, whoever answers for it. */
export async function blank(page: Page): Promise<void> {
  await page.goto(`${address}/mode.js`);
}

/** Ends every process of a profile at once, as when the plug is pulled. */
export function pullPlug(profile: string): void {
  execFileSync("pkill", ["-9", "-f", profile]);
}
