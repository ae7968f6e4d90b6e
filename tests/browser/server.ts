import { type ChildProcess, spawn } from "node:child_process";
import { fileURLToPath } from "node:url";

const root = fileURLToPath(new URL("../..", import.meta.url));
export const address = "http://127.0.0.1:4186";

let server: ChildProcess;

/** The built application, started once for all browser tests, on a port of its own. */
export async function setup(): Promise<void> {
  server = spawn(process.execPath, ["bin/start.mjs", "--port", "4186"], {
    cwd: root,
    stdio: ["ignore", "pipe", "inherit"],
  });
  await new Promise<void>((resolve, reject) => {
    server.stdout!.on("data", (chunk: Buffer) => {
      if (chunk.toString().includes(address)) resolve();
    });
    server.on("exit", (code) => reject(new Error(`the server ended with ${code} before it was ready`)));
  });
}

export function teardown(): void {
  server.kill("SIGTERM");
}
