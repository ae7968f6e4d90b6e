// `npm run check`: format, lint, types and the quick tests, side by side; what takes seconds runs in `npm test`.
import { requireNode, requirePackages } from "./machine.mjs";
import { runQuietly } from "./sideBySide.mjs";

requireNode();
requirePackages();
const started = Date.now();

const run = async (name) => ((await runQuietly(name, "npm", ["run", "--silent", name])) ? [] : [name]);
const before = async () => [...(await run("lint")), ...(await run("types"))];
const failed = (await Promise.all([before(), run("quick")])).flat();
console.log(
  `${failed.length === 0 ? "Format, lint, types and quick tests are sound." : `Not sound: ${failed.join(", ")}.`} It took ${Math.round((Date.now() - started) / 1000)} s.`,
);
process.exit(failed.length === 0 ? 0 : 1);
