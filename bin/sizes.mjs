// `npm run sizes`: first-load JavaScript (gzip) of every page, beside a bare page with only Next, ConfigProvider,
// Button and Input
// (bench/bare), built with the same packages. Fails when Today is more than 1.5 times the bare page.
import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
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
console.log(`bare page     ${(yardstick / 1024).toFixed(0).padStart(4)} KB`);
let ratio = 0;
for (const page of ["index", "lifts", "distance", "body", "food", "energy", "files"]) {
  const bytes = firstLoad(root, page);
  if (page === "index") ratio = bytes / yardstick;
  console.log(
    `${(page === "index" ? "today" : page).padEnd(13)} ${(bytes / 1024).toFixed(0).padStart(4)} KB  ${(bytes / yardstick).toFixed(2)} times`,
  );
}
if (ratio > aim) stop(`Today loads ${ratio.toFixed(2)} times the bare page; the aim is at most ${aim}.`);
console.log(`Today loads ${ratio.toFixed(2)} times the bare page; the aim is at most ${aim}.`);
