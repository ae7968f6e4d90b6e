// `npm run demo` and `npm start`: installs what is missing, builds, starts, and prints the address.
import { spawn } from "node:child_process";
import { join } from "node:path";
import { host, isFree, port as fixedPort, requireBuild, requireNode, requirePackages, root, stop } from "./machine.mjs";

const args = process.argv.slice(2);
const demo = args.includes("--demo");
const numberAfter = (option) => (args.includes(option) ? Number(args[args.indexOf(option) + 1]) : null);
const port = numberAfter("--port") ?? fixedPort;
const years = numberAfter("--years");
const command = demo ? "npm run demo" : "npm start";

requireNode();
if (!Number.isInteger(port) || port < 1024 || port > 65535)
  stop(`The port must be a number from 1024 to 65535, for example: ${command} -- --port 4181`);
if (years !== null && !(Number.isInteger(years) && years >= 1 && years <= 60))
  stop(`The years of a generated log must be a number from 1 to 60, for example: ${command} -- --years 20`);
if (!(await isFree(port)))
  stop(
    `Port ${port} is in use on this machine, perhaps by another Oat Column. Stop that one, or choose another port: ${command} -- --port ${port + 1}. A log belongs to its address: at another port you will see another, empty log; the one kept here stays where it is.`,
  );
requirePackages();
await requireBuild();

const server = spawn(process.execPath, [join(root, "bin", "serve.mjs"), String(port)], {
  cwd: root,
  stdio: ["ignore", "pipe", "inherit"],
  env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", NODE_ENV: "production" },
});
let printed = false;
server.stdout.on("data", (chunk) => {
  if (printed || !String(chunk).includes("Ready")) return;
  printed = true;
  if (years !== null)
    return console.log(
      `Oat Column with a generated log of ${years} years: http://${host}:${port}/?log=generated&years=${years}\nIt is a database of its own, made on the first visit; a log of yours in the same browser is not touched. Ctrl C stops it.`,
    );
  console.log(
    demo ? `Oat Column with its demo log: http://${host}:${port}/?log=demo` : `Oat Column: http://${host}:${port}/`,
  );
  console.log(
    demo
      ? "The demo is a database of its own; a log of yours in the same browser is not touched. Ctrl C stops it."
      : "The log lives in your browser at this address. Ctrl C stops it.",
  );
});
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
server.on("exit", (code) => process.exit(code ?? 0));
