// Bundles a TypeScript command into build/ when something it may hold is newer than the bundle, and returns the
// bundle's path.
import { existsSync, mkdirSync, readdirSync, statSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";

// Not from machine.mjs: loading all that the other commands need would cost a tenth of a second.
const root = fileURLToPath(new URL("..", import.meta.url));

function newest(path) {
  const times = readdirSync(path, { withFileTypes: true }).map((entry) => {
    const inner = join(path, entry.name);
    return entry.isDirectory() ? newest(inner) : statSync(inner).mtimeMs;
  });
  return Math.max(0, ...times);
}

/** @param more folders that the command is made of beside the core, the formats and the demo */
export async function bundle(name, more = []) {
  const source = join(root, "bin", `${name}.ts`);
  const output = join(root, "build", `${name}.mjs`);
  const changed = Math.max(
    statSync(source).mtimeMs,
    statSync(join(root, "package-lock.json")).mtimeMs,
    ...["src/core", "src/formats", "src/demo", ...more].map((folder) => newest(join(root, folder))),
  );
  if (existsSync(output) && statSync(output).mtimeMs >= changed) return output;
  let esbuild;
  try {
    esbuild = await import("esbuild");
  } catch {
    console.error("The packages are not installed yet. Run `npm install` once (or `npm run demo`, which does it).");
    process.exit(1);
  }
  mkdirSync(join(root, "build"), { recursive: true });
  await esbuild.build({
    entryPoints: [source],
    outfile: output,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    minify: true,
    absWorkingDir: root,
    logLevel: "error",
  });
  return output;
}
