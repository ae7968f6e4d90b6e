// `npm test`: on a fresh machine installs what is missing, then format, lint, types and production build side by side,
// unit tests, browser tests.
import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { requireChromium, requireNode, requirePackages, root } from "./machine.mjs";
import { runQuietly } from "./sideBySide.mjs";

const started = Date.now();
let passed = 0;
let failed = 0;
const reports = join(root, "build", "reports");

function finish(sentence) {
  console.log(`${sentence} It took ${Math.round((Date.now() - started) / 1000)} s.`);
  console.log(`${passed} passed, ${failed} failed`);
  process.exit(failed > 0 || sentence.startsWith("Stopped") ? 1 : 0);
}

function step(name, command, args) {
  console.log(`\n— ${name}`);
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: ["ignore", "inherit", "inherit"],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" },
    shell: process.platform === "win32",
  });
  return status === 0;
}

/** What has to be sound before anything is tried: two at a time, since a machine has two cores. */
async function gates() {
  const gate = async (name, command, args) => {
    const fine = await runQuietly(name, command, args);
    console.log(`— ${name}: ${fine ? "sound" : "not sound"}`);
    if (fine) passed += 1;
    else failed += 1;
    return fine;
  };
  const tool = (name, args) => gate(name, "npx", ["--no-install", ...args]);
  const format = async () => tool("format", ["prettier", "--check", "--log-level", "warn", "."]);
  const lint = async () => tool("lint", ["eslint", ".", "--max-warnings", "0"]);
  const types = async () => tool("types", ["tsc", "--noEmit"]);
  const build = async () =>
    gate("production build", process.execPath, ["-e", 'import("./bin/machine.mjs").then((one) => one.requireBuild())']);
  await Promise.all([format().then(lint), types().then((fine) => fine && build())]);
  if (failed > 0) finish("Stopped at what has to be sound first.");
}

function suite(name, config) {
  const report = join(reports, `${name.replaceAll(" ", "-")}.json`);
  rmSync(report, { force: true });
  const fine = step(name, "npx", [
    "--no-install",
    "vitest",
    "run",
    "--config",
    config,
    "--reporter=default",
    "--reporter=json",
    `--outputFile.json=${report}`,
  ]);
  const counts = existsSync(report)
    ? JSON.parse(readFileSync(report, "utf8"))
    : { numPassedTests: 0, numFailedTests: 1 };
  passed += counts.numPassedTests;
  failed += fine ? 0 : Math.max(1, counts.numFailedTests);
  if (!fine) finish(`Stopped at: ${name}.`);
}

requireNode();
requirePackages();
requireChromium();
mkdirSync(reports, { recursive: true });
await gates();
suite("unit tests", "vitest.config.ts");
suite("browser tests", "vitest.browser.config.ts");
finish("Lint, types, unit tests, production build and browser tests are done.");
