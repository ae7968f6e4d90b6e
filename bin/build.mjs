// Builds the application, then notes the hash of every inline script of every page for the content-security policy
// (src/proxy.ts).
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";

const root = fileURLToPath(new URL("..", import.meta.url));

/** The small worker that the first script of every page starts. */
async function buildReserve() {
  const esbuild = await import("esbuild");
  await esbuild.build({
    entryPoints: [join(root, "src", "store", "copy", "reserveWorker.ts")],
    outfile: join(root, "public", "reserve.js"),
    bundle: true,
    minify: true,
    format: "iife",
    target: "es2022",
    absWorkingDir: root,
    logLevel: "error",
    alias: { "@": join(root, "src") },
  });
}

/** The pages and files that are kept for use without a network, and the small worker that keeps them. */
async function buildOffline() {
  const [{ getManifest }, esbuild] = await Promise.all([import("workbox-build"), import("esbuild")]);
  const revision = (path) => createHash("sha256").update(readFileSync(path)).digest("hex").slice(0, 16);
  const pages = join(root, ".next", "server", "app");
  const shells = readdirSync(pages, { recursive: true })
    .filter((name) => name.endsWith(".html") && !name.startsWith("_"))
    .map((name) => ({
      url: `/${name.replace(/\.html$/, "").replace(/^index$/, "")}`,
      revision: `${revision(join(pages, name))}-${revision(join(root, ".next", "script-hashes.json"))}`,
    }));
  const files = readdirSync(join(root, "public"))
    .filter((name) => name !== "service-worker.js")
    .map((name) => ({ url: `/${name}`, revision: revision(join(root, "public", name)) }));
  const { manifestEntries, size, warnings } = await getManifest({
    globDirectory: join(root, ".next", "static"),
    globPatterns: ["**/*.{js,css,woff2}"],
    modifyURLPrefix: { "": "/_next/static/" },
    dontCacheBustURLsMatching: /./,
    maximumFileSizeToCacheInBytes: 5_000_000,
    additionalManifestEntries: [...shells, ...files],
  });
  if (warnings.length > 0) throw new Error(warnings.join("\n"));
  await esbuild.build({
    entryPoints: [join(root, "src", "offline", "serviceWorker.ts")],
    outfile: join(root, "public", "service-worker.js"),
    bundle: true,
    minify: true,
    format: "iife",
    target: "es2022",
    absWorkingDir: root,
    logLevel: "error",
    define: {
      "self.__WB_MANIFEST": JSON.stringify(manifestEntries),
      "self.__BYTES": String(size),
      "process.env.NODE_ENV": '"production"',
    },
  });
}

export async function build() {
  await buildReserve();
  const { status } = spawnSync(process.execPath, [join(root, "node_modules", "next", "dist", "bin", "next"), "build"], {
    cwd: root,
    stdio: "inherit",
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" },
  });
  if (status !== 0) {
    console.error("The build failed; what it said stands above.");
    process.exit(1);
  }
  const pages = join(root, ".next", "server", "app");
  const hashes = {};
  for (const entry of readdirSync(pages, { recursive: true })) {
    if (!entry.endsWith(".html")) continue;
    const html = readFileSync(join(pages, entry), "utf8");
    const name = `/${entry.replace(/\.html$/, "").replace(/^index$/, "")}`;
    hashes[name] = [...html.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g)].map(
      ([, script]) => `'sha256-${createHash("sha256").update(script).digest("base64")}'`,
    );
  }
  writeFileSync(join(root, ".next", "script-hashes.json"), JSON.stringify(hashes));
  await buildOffline();
}

if (process.argv[1] === new URL(import.meta.url).pathname) await build();
