import { mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import { demoLog } from "@/demo/demoLog";
import { writeArchive } from "../../src/formats/archive/write";
import { strToU8, zipSync } from "fflate";
import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { nodeProblem } from "../../bin/machine.mjs";

const root = fileURLToPath(new URL("../..", import.meta.url));
const run = (command: string, ...args: string[]) =>
  spawnSync(process.execPath, [`bin/${command}.mjs`, ...args], { cwd: root, encoding: "utf8", maxBuffer: 1 << 28 });
const folder = mkdtempSync(join(tmpdir(), "oat-column-commands-"));
const day = mustDay("2026-06-11");
const text = writeArchive(demoLog(day), "2026-06-11T06:00:00Z");
const file = (name: string, content: string | Uint8Array) => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};

beforeAll(() => {
  run("figures", file("warm.json", '{"format":"oat-column","version":1}'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe("the figures command", () => {
  it("prints what the core says, from the JSON and from the zip", () => {
    const expected = JSON.parse(JSON.stringify(contract(demoLog(day), day))) as unknown;
    expect(JSON.parse(run("figures", file("demo.json", text)).stdout)).toEqual(expected);
    expect(
      JSON.parse(run("figures", file("demo.zip", zipSync({ "log.json": strToU8(text) })), "--on", "2026-06-11").stdout),
    ).toEqual(expected);
  });
  it("exits with 1 and the path of the offending field, and says nothing on standard output", () => {
    const bad = file(
      "bad.json",
      JSON.stringify({
        format: "oat-column",
        version: 1,
        people: [{ id: "p", name: "A" }],
        weighIns: [{ id: "w", personId: "p", date: "2026-01-01", kg: "heavy" }],
      }),
    );
    expect(run("figures", bad)).toMatchObject({
      status: 1,
      stdout: "",
      stderr: expect.stringContaining("weighIns[0].kg:") as string,
    });
    expect(run("figures", join(folder, "none.json"))).toMatchObject({
      status: 1,
      stdout: "",
      stderr: expect.stringContaining("cannot be read") as string,
    });
    expect(run("figures", bad, "--on", "tomorrow")).toMatchObject({ status: 1, stdout: "" });
    expect(run("figures")).toMatchObject({ status: 1, stderr: expect.stringContaining("usage") as string });
  });
});

describe("the reading command", () => {
  interface Line {
    person?: string;
    line: string;
    as: string;
    day: string;
    weighIns: { kg: number }[];
    sessions: { exercises: { exerciseId: string; name: string; sets: { reps: number; kg: number | null }[] }[] }[];
    question: string;
    unread: string[];
  }
  const lines = (text: string) =>
    text
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line) as Line);
  const notes =
    "72.4\n\nyesterday: back squat 3x5 100 kg rpe 8\nlog pull 3x5 80 kg\n5x105 kg deadlift\n2026-11-20\nweight 72,9\nrow 2000 m 7:32\n";
  it("reads a text a line at a time, and says of each whether it is written, asked or refused", () => {
    const { status, stdout } = run("read", file("notes.txt", notes), "--on", "2026-11-27");
    const read = lines(stdout);
    expect([status, read.map(({ line }) => line)]).toEqual([0, notes.trimEnd().split("\n")]);
    expect(read.map(({ as, day }) => `${as} ${day}`)).toEqual([
      "written 2026-11-27",
      "refused 2026-11-27",
      "written 2026-11-26",
      "asked 2026-11-27",
      "asked 2026-11-27",
      expect.stringContaining("2026-11-20"),
      "written 2026-11-20",
      "written 2026-11-20",
    ]);
    expect(read[2]!.sessions[0]!.exercises).toMatchObject([
      {
        exerciseId: "back-squat",
        name: "Back squat",
        sets: Array(3).fill({
          reps: 5,
          kg: 100,
          rpe: 8,
          failed: false,
          warmUp: false,
          percent: null,
          seconds: null,
          metres: null,
        }),
      },
    ]);
    expect([read[3]!.question, read[4]!.question]).toEqual([
      expect.stringContaining('"Log pull" is not in your library'),
      expect.stringContaining("?"),
    ]);
    for (const { as, unread } of read) if (as === "written") expect(unread).toEqual([]);
  });
  it("writes what was read as an archive that the figures are computed from, and tells what was not", () => {
    const out = join(folder, "written.json");
    const { status, stderr } = run(
      "read",
      file("notes.txt", notes),
      "--on",
      "2026-11-27",
      "--units",
      "lb",
      "--write",
      out,
    );
    expect([status, stderr]).toEqual([0, expect.stringMatching(/Not read:[^]*log pull 3x5 80 kg/)]);
    const asOf = JSON.parse(run("figures", out, "--on", "2026-11-27").stdout) as {
      people: { lifts: { exerciseId: string; latest: { kg: number } | null }[]; weight: { weighIns?: unknown } }[];
    };
    expect(asOf.people[0]!.lifts.map(({ exerciseId }) => exerciseId)).toEqual(["back-squat"]);
    // In a log of pounds a weight alone is one of pounds: 72.4 lb.
    const log = JSON.parse(readFileSync(out, "utf8")) as { weighIns: { kg: number; date: string }[] };
    expect(log.weighIns.map(({ kg, date }) => [date, kg])).toEqual(
      expect.arrayContaining([["2026-11-27", expect.closeTo(72.4 * 0.45359237, 6)]]),
    );
  });
  it("reads with the exercises of an archive, and refuses what it does not know", () => {
    const archive = file(
      "own.json",
      JSON.stringify({
        format: "oat-column",
        version: 1,
        people: [{ id: "p", name: "A" }],
        exercises: [{ id: "sled", name: "Sled push", measure: "load-reps", aliases: ["prowler"] }],
      }),
    );
    expect(lines(run("read", file("one.txt", "prowler 3x5 80 kg"), "--archive", archive).stdout)[0]).toMatchObject({
      as: "written",
      sessions: [{ exercises: [{ exerciseId: "sled" }] }],
    });
    // A name of the log in front: there it is written, in that person's units.
    const two = file(
      "two.json",
      JSON.stringify({
        format: "oat-column",
        version: 1,
        people: [
          { id: "p", name: "A" },
          { id: "q", name: "Partner", units: { mass: "lb" } },
        ],
      }),
    );
    const out = join(folder, "both.json");
    const read = lines(
      run("read", file("both.txt", "72.5\npartner: 150\n71 for partner\n"), "--archive", two, "--write", out).stdout,
    );
    expect(read.map(({ as, person }) => [as, person])).toEqual([
      ["written", undefined],
      ["written", "Partner"],
      ["asked", undefined],
    ]);
    const { weighIns } = JSON.parse(readFileSync(out, "utf8")) as { weighIns: { personId: string; kg: number }[] };
    expect(weighIns.map(({ personId, kg }) => [personId, kg])).toEqual([
      ["p", 72.5],
      ["q", expect.closeTo(150 * 0.45359237, 6)],
    ]);
    for (const args of [
      [],
      [join(folder, "none.txt")],
      [file("one.txt", "72"), "--on", "tomorrow"],
      [file("one.txt", "72"), "--units", "stone"],
      [file("one.txt", "72"), "--archive", archive, "--person", "B"],
    ])
      expect([args, run("read", ...args)]).toMatchObject([args, { status: 1, stdout: "" }]);
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
    await new Promise<void>((resolve) => {
      holder.listen(4187, "127.0.0.1", resolve);
    });
    const { status, stderr } = run("start", "--port", "4187");
    holder.close();
    expect(status).toBe(1);
    expect(stderr).toContain("Port 4187 is in use");
    expect(stderr).toContain("--port 4188");
    expect(stderr).not.toContain("    at ");
    expect(run("start", "--port", "many").stderr).toContain("The port must be a number");
  });
});
