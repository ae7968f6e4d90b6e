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

/** Runs tests, and reads what came of them: how many passed, and what failed by its file. */
function run(name, config, files = []) {
  const report = join(reports, `${name.replaceAll(/[ ,]+/g, "-")}.json`);
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
    ...files,
  ]);
  const told = existsSync(report) ? JSON.parse(readFileSync(report, "utf8")) : { numPassedTests: 0, testResults: [] };
  const bad = told.testResults
    .filter(({ status }) => status === "failed")
    .map(({ name: file, assertionResults }) => ({
      file,
      tests: assertionResults.filter(({ status }) => status === "failed").map(({ fullName }) => fullName),
    }));
  return { fine, passed: told.numPassedTests, bad };
}

/** So many files at most are tried again. */
const mostAgain = 2;

/**
 * Tests, two files beside one another. With `again`, what fails in a file or two is tried once more with nothing beside it,
 * and named: a machine that is busy with something else can take a browser past any limit. What fails alone fails.
 */
function suite(name, config, again = false) {
  const first = run(name, config);
  passed += first.passed;
  if (first.fine) return;
  const names = first.bad.flatMap(({ file, tests }) => (tests.length === 0 ? [file] : tests));
  const files = first.bad.map(({ file }) => file);
  const isTried = again && files.length > 0 && files.length <= mostAgain;
  if (!isTried || !run(`${name}, once more alone`, config, files).fine) {
    failed += Math.max(1, names.length);
    finish(`Stopped at: ${name}.`);
  }
  passed += names.length;
  console.log(`\nFailed beside others and passed alone: ${names.join("; ")}`);
}

requireNode();
requirePackages();
requireChromium();
mkdirSync(reports, { recursive: true });
await gates();
suite("unit tests", "vitest.config.ts");
suite("browser tests", "vitest.browser.config.ts", true);
finish("Lint, types, unit tests, production build and browser tests are done.");
