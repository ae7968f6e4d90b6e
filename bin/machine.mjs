// What the commands need of the machine, each with a plain sentence when it is not there. Depends on nothing but Node.
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = fileURLToPath(new URL("..", import.meta.url));
/** A log belongs to its address: another host or port is another, empty log. */
export const host = "127.0.0.1";
export const port = 4180;

export function stop(sentence) {
  console.error(sentence);
  process.exit(1);
}

/** What is wrong with a Node version, in a sentence, or null. */
export function nodeProblem(version) {
  const [major, minor] = version.split(".").map(Number);
  return major < 20 || (major === 20 && minor < 19)
    ? `Oat Column needs Node 20.19 or newer; this is Node ${version}.`
    : null;
}

export function requireNode() {
  const problem = nodeProblem(process.versions.node);
  if (problem !== null) stop(problem);
}

function hashOf(paths) {
  const hash = createHash("sha256");
  const add = (path) => {
    if (!existsSync(path) || /(service-worker|reserve)\.js$/.test(path)) return;
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) add(join(path, name));
    else hash.update(path).update(readFileSync(path));
  };
  for (const path of paths) add(join(root, path));
  return hash.digest("hex");
}

/** Installs the packages of the lock file when they are missing or others. */
export function requirePackages() {
  const stamp = join(root, "node_modules", ".oat-column-lock");
  const wanted = hashOf(["package-lock.json"]);
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === wanted) return;
  console.log("Installing packages.");
  const { status } = spawnSync("npm", ["ci", "--no-audit", "--no-fund"], {
    cwd: root,
    stdio: ["ignore", "inherit", "inherit"],
    shell: process.platform === "win32",
  });
  if (status !== 0)
    stop("The packages could not be installed; npm's reason stands above. A network is needed once for this.");
  writeFileSync(stamp, wanted);
}

/** Builds the application when its sources have changed since the last build. */
export async function requireBuild() {
  const stamp = join(root, ".next", "oat-column-sources");
  const wanted = hashOf(["src", "public", "next.config.ts", "tsconfig.json", "package-lock.json", "bin/build.mjs"]);
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === wanted) return;
  console.log("Building the application.");
  const { build } = await import("./build.mjs");
  await build();
  writeFileSync(stamp, wanted);
}

/** Without these Chromium looks for hosts that are not there. */
export const chromiumFlags = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];

/** Where Debian's Chromium is, or null. */
export function findChromium() {
  return (
    [process.env.CHROMIUM, "/usr/bin/chromium", "/usr/bin/chromium-browser"].find((path) => path && existsSync(path)) ??
    null
  );
}

/** Installs Debian's Chromium when it is missing and that is allowed. */
export function requireChromium() {
  if (findChromium() !== null) return;
  const allowed = process.getuid?.() === 0 && spawnSync("apt-get", ["--version"], { stdio: "ignore" }).status === 0;
  if (!allowed)
    stop(
      "The browser tests need Debian's package `chromium` and this user may not install it. Run `apt-get install chromium` as root, or set CHROMIUM to its path, and try again.",
    );
  console.log("Installing Chromium.");
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  spawnSync("apt-get", ["update", "-qq"], { stdio: ["ignore", "ignore", "inherit"], env });
  const { status } = spawnSync("apt-get", ["install", "-y", "-qq", "--no-install-recommends", "chromium"], {
    stdio: ["ignore", "ignore", "inherit"],
    env,
  });
  if (status !== 0 || findChromium() === null) stop("Chromium could not be installed; apt-get's reason stands above.");
}

/** Whether nobody listens on a port of this machine. */
export function isFree(wanted) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once("error", () => resolve(false));
    probe.listen(wanted, host, () => probe.close(() => resolve(true)));
  });
}
