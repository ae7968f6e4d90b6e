// `npm run demo` and `npm start`: installs what is missing, builds, starts, and prints the address.
import { spawn } from "node:child_process";
import { join } from "node:path";
import { host, isFree, port as fixedPort, requireBuild, requireNode, requirePackages, root, stop } from "./machine.mjs";

const args = process.argv.slice(2);
const demo = args.includes("--demo");
const portAt = args.indexOf("--port");
const port = portAt < 0 ? fixedPort : Number(args[portAt + 1]);
const command = demo ? "npm run demo" : "npm start";

requireNode();
if (!Number.isInteger(port) || port < 1024 || port > 65535) stop(`The port must be a number from 1024 to 65535, for example: ${command} -- --port 4181`);
if (!(await isFree(port))) stop(`Port ${port} is in use on this machine, perhaps by another Oat Column. Stop that one, or choose another port: ${command} -- --port ${port + 1}. A log belongs to its address: at another port you will see another, empty log; the one kept here stays where it is.`);
requirePackages();
await requireBuild();

const server = spawn(process.execPath, [join(root, "node_modules", "next", "dist", "bin", "next"), "start", "--hostname", host, "--port", String(port)], { cwd: root, stdio: ["ignore", "pipe", "inherit"], env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", NODE_ENV: "production" } });
let printed = false;
server.stdout.on("data", (chunk) => {
  if (printed || !String(chunk).includes("Ready")) return;
  printed = true;
  console.log(demo ? `Oat Column with its demo log: http://${host}:${port}/?log=demo` : `Oat Column: http://${host}:${port}/`);
  console.log(demo ? "The demo is a database of its own; a log of yours in the same browser is not touched. Ctrl C stops it." : "The log lives in your browser at this address. Ctrl C stops it.");
});
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
server.on("exit", (code) => process.exit(code ?? 0));
