// Commands that run beside each other: what one that fails printed is shown when it has ended.
import { spawn } from "node:child_process";
import { root } from "./machine.mjs";

/** Runs a command of the project; whether it went well. `name`: over what it printed, when it did not. */
export function runQuietly(name, command, args) {
  return new Promise((done) => {
    const output = [];
    const child = spawn(command, args, {
      cwd: root,
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" },
      shell: process.platform === "win32",
    });
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (chunk) => output.push(chunk));
    child.on("exit", (code) => {
      if (code !== 0) process.stdout.write(`\n— ${name}\n${Buffer.concat(output).toString()}\n`);
      done(code === 0);
    });
  });
}
