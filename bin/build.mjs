// Builds the application, then notes the hash of every inline script of every page for the content-security policy (src/proxy.ts).
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./machine.mjs";

export function build() {
  const { status } = spawnSync(process.execPath, [join(root, "node_modules", "next", "dist", "bin", "next"), "build"], { cwd: root, stdio: "inherit", env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" } });
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
    hashes[name] = [...html.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g)].map(([, script]) => `'sha256-${createHash("sha256").update(script).digest("base64")}'`);
  }
  writeFileSync(join(root, ".next", "script-hashes.json"), JSON.stringify(hashes));
}

if (process.argv[1] === new URL(import.meta.url).pathname) build();
