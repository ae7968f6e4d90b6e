// `npm run browser`: the browser tests alone, on a build that is made when it is stale. A file name may follow.
import { spawnSync } from "node:child_process";
import { requireBuild, requireChromium, requireNode, requirePackages, root } from "./machine.mjs";

requireNode();
requirePackages();
requireChromium();
await requireBuild();
const { status } = spawnSync(
  "npx",
  ["--no-install", "vitest", "run", "--config", "vitest.browser.config.ts", ...process.argv.slice(2)],
  { cwd: root, stdio: ["ignore", "inherit", "inherit"] },
);
process.exit(status ?? 1);
