// `npm run sizes`: first-load JavaScript (gzip) of every page, beside a bare page with only Next, ConfigProvider,
// Button and Input (bench/bare), built with the same packages. Fails when one is more than 1.5 times the bare page.
import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { requireBuild, root, stop } from "./machine.mjs";

const aim = 1.5;

/** Gzipped bytes of the scripts a page's HTML loads at once, without the polyfill for browsers that know no modules. */
function firstLoad(folder, page) {
  const html = readFileSync(join(folder, ".next", "server", "app", `${page}.html`), "utf8");
  const sources = new Set(
    [...html.matchAll(/<script(?![^>]*noModule)[^>]*\ssrc="(\/_next\/[^"]+)"/gi)].map(
      ([, source]) => source.split("?")[0],
    ),
  );
  return [...sources].reduce(
    (sum, source) =>
      sum + gzipSync(readFileSync(join(folder, source.replace("/_next/", ".next/"))), { level: 9 }).length,
    0,
  );
}

await requireBuild();
const bare = join(root, "bench", "bare");
const { status, stdout, stderr } = spawnSync(
  process.execPath,
  [join(root, "node_modules", "next", "dist", "bin", "next"), "build", bare],
  { cwd: root, encoding: "utf8", env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" } },
);
if (status !== 0) stop(`The bare page could not be built.\n${stdout}${stderr}`);

const yardstick = firstLoad(bare, "index");
console.log(`bare page        ${(yardstick / 1024).toFixed(0).padStart(4)} KB`);
const pages = readdirSync(join(root, ".next", "server", "app"), { recursive: true })
  .filter((name) => name.endsWith(".html") && !/^_|empty-storage/.test(name))
  .map((name) => name.replace(/\.html$/, ""))
  .sort();
const over = [];
for (const page of pages) {
  const bytes = firstLoad(root, page);
  const ratio = bytes / yardstick;
  const name = page === "index" ? "today" : page;
  if (ratio > aim) over.push(name);
  console.log(`${name.padEnd(16)} ${(bytes / 1024).toFixed(0).padStart(4)} KB  ${ratio.toFixed(2)} times`);
}
if (over.length > 0) stop(`More than ${aim} times the bare page: ${over.join(", ")}.`);
console.log(`Every view loads at most ${aim} times the bare page.`);
