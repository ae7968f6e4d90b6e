import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { nodeProblem } from "../../bin/machine.mjs";
import { contract } from "@/core/figures/contract";
import { mustDay } from "@/core/calendar/day";
import { demoLog } from "@/demo/demoLog";
import { writeArchive } from "@/formats/archive";
import { zipSync, strToU8 } from "fflate";

const root = fileURLToPath(new URL("../..", import.meta.url));
const run = (command: string, ...args: string[]) => spawnSync(process.execPath, [`bin/${command}.mjs`, ...args], { cwd: root, encoding: "utf8", maxBuffer: 1 << 28 });
const folder = mkdtempSync(join(tmpdir(), "oat-column-commands-"));
const day = mustDay("2026-06-11");
const text = writeArchive(demoLog(day), "2026-06-11T06:00:00Z");
const file = (name: string, content: string | Uint8Array) => { const path = join(folder, name); writeFileSync(path, content); return path; };

beforeAll(() => { run("figures", file("warm.json", '{"format":"oat-column","version":1}')); });
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe("the figures command", () => {
  it("prints what the core says, from the JSON and from the zip", () => {
    const expected = JSON.parse(JSON.stringify(contract(demoLog(day), day))) as unknown;
    expect(JSON.parse(run("figures", file("demo.json", text)).stdout)).toEqual(expected);
    expect(JSON.parse(run("figures", file("demo.zip", zipSync({ "log.json": strToU8(text) })), "--on", "2026-06-11").stdout)).toEqual(expected);
  });
  it("exits with 1 and the path of the offending field, and says nothing on standard output", () => {
    const bad = file("bad.json", JSON.stringify({ format: "oat-column", version: 1, people: [{ id: "p", name: "A" }], weighIns: [{ id: "w", personId: "p", date: "2026-01-01", kg: "heavy" }] }));
    expect(run("figures", bad)).toMatchObject({ status: 1, stdout: "", stderr: expect.stringContaining("weighIns[0].kg:") as string });
    expect(run("figures", join(folder, "none.json"))).toMatchObject({ status: 1, stdout: "", stderr: expect.stringContaining("cannot be read") as string });
    expect(run("figures", bad, "--on", "tomorrow")).toMatchObject({ status: 1, stdout: "" });
    expect(run("figures")).toMatchObject({ status: 1, stderr: expect.stringContaining("usage") as string });
  });
});

describe("the demo-log command", () => {
  it("prints the demo log of a day", () => {
    expect(run("demo-log", "2026-06-11").stdout).toBe(text);
    expect(run("demo-log", "someday")).toMatchObject({ status: 1 });
  });
});

describe("the start command", () => {
  it("says in a sentence which Node it needs", () => {
    expect(nodeProblem("18.20.4")).toBe("Oat Column needs Node 20.19 or newer; this is Node 18.20.4.");
    expect(nodeProblem("20.18.1")).not.toBeNull();
    expect(nodeProblem("20.19.0")).toBeNull();
    expect(nodeProblem("22.1.0")).toBeNull();
  });
  it("says in a sentence that the port is in use, and how to choose another", async () => {
    const holder = createServer();
    await new Promise<void>((resolve) => { holder.listen(4187, "127.0.0.1", resolve); });
    const { status, stderr } = run("start", "--port", "4187");
    holder.close();
    expect(status).toBe(1);
    expect(stderr).toContain("Port 4187 is in use");
    expect(stderr).toContain("--port 4188");
    expect(stderr).not.toContain("    at ");
    expect(run("start", "--port", "many").stderr).toContain("The port must be a number");
  });
});
