// `npm run check`: format, lint, types and the quick tests, side by side; what takes seconds runs in `npm test`.
import { spawn } from "node:child_process";
import { requireNode, requirePackages, root } from "./machine.mjs";

requireNode();
requirePackages();
const started = Date.now();

function run(name) {
  return new Promise((done) => {
    const output = [];
    const child = spawn("npm", ["run", "--silent", name], { cwd: root, shell: process.platform === "win32" });
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (chunk) => output.push(chunk));
    child.on("exit", (code) => {
      if (code !== 0) process.stdout.write(`\n— ${name}\n${Buffer.concat(output).toString()}\n`);
      done(code === 0 ? [] : [name]);
    });
  });
}

const before = async () => [...(await run("lint")), ...(await run("types"))];
const failed = (await Promise.all([before(), run("quick")])).flat();
console.log(
  `${failed.length === 0 ? "Format, lint, types and quick tests are sound." : `Not sound: ${failed.join(", ")}.`} It took ${Math.round((Date.now() - started) / 1000)} s.`,
);
process.exit(failed.length === 0 ? 0 : 1);
