// `npm test`: on a fresh machine installs what is missing, then lint, types, unit tests, production build, browser
// tests.
import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { requireBuild, requireChromium, requireNode, requirePackages, root } from "./machine.mjs";

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

function gate(name, args) {
  if (step(name, "npx", ["--no-install", ...args])) passed += 1;
  else {
    failed += 1;
    finish(`Stopped at: ${name}.`);
  }
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
gate("format", ["prettier", "--check", "--log-level", "warn", "."]);
gate("lint", ["eslint", ".", "--max-warnings", "0"]);
gate("types", ["tsc", "--noEmit"]);
suite("unit tests", "vitest.config.ts");
console.log("\n— production build");
await requireBuild();
passed += 1;
suite("browser tests", "vitest.browser.config.ts");
finish("Lint, types, unit tests, production build and browser tests are done.");
