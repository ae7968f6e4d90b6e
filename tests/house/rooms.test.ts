// The lint rule that holds the arrows between the rooms, proven by an import that must not pass.
import { ESLint } from "eslint";
import { readdirSync } from "node:fs";
import { fileURLToPath } from "node:url";
import typescript from "typescript-eslint";
import { describe, expect, it } from "vitest";
import { arrows, pureCore, rooms } from "../../eslint.config.mjs";

const root = fileURLToPath(new URL("../..", import.meta.url));
const fixture = fileURLToPath(new URL("../fixtures/lint", import.meta.url));

async function messagesFor(file: string): Promise<string[]> {
  const settings = { ...rooms.settings, "import/resolver": { typescript: { project: `${fixture}/tsconfig.json` } } };
  const eslint = new ESLint({
    cwd: fixture,
    overrideConfigFile: true,
    overrideConfig: [
      {
        files: ["**/*.ts"],
        languageOptions: { parser: typescript.parser as never },
        ...rooms,
        settings,
        rules: { ...rooms.rules, ...pureCore },
      },
    ] as never,
  });
  const [result] = await eslint.lintFiles([file]);
  return result!.messages.map(({ ruleId, message }) => `${ruleId}: ${message}`);
}

const isHeld = async (file: string) => (await messagesFor(file)).join("\n").includes("boundaries/dependencies");

describe("the rooms", () => {
  it("the core may not import the store", async () => {
    expect(await isHeld("src/core/wrong.ts")).toBe(true);
  });
  it("nor ask the clock", async () => {
    expect((await messagesFor("src/core/clock.ts")).join("\n")).toContain("it never asks the clock");
  });
  it("nor use a package but those for checking and parsing", async () => {
    expect((await messagesFor("src/core/base/package.ts")).join("\n")).toContain("The core stands on itself");
    expect(await messagesFor("src/core/base/schema.ts")).toEqual([]);
  });
  it("a room of the core may import those before it, and none behind it", async () => {
    expect(await isHeld("src/core/log/log.ts")).toBe(false);
    expect(await isHeld("src/core/base/backwards.ts")).toBe(true);
  });
  it("the store may import the core", async () => {
    expect(await messagesFor("src/store/right.ts")).toEqual([]);
  });
  it("a view may not import another", async () => {
    expect(await isHeld("src/features/body/body.ts")).toBe(true);
  });
  it("arrows never lead back", () => {
    const reach = (room: string, seen = new Set<string>()): Set<string> => {
      for (const next of arrows[room]!)
        if (!seen.has(next)) {
          seen.add(next);
          reach(next, seen);
        }
      return seen;
    };
    for (const room of Object.keys(arrows)) expect(reach(room).has(room), room).toBe(false);
  });
  it("are those that there are, no more and no fewer", () => {
    const folders = (path: string) =>
      readdirSync(`${root}src/${path}`, { withFileTypes: true }).flatMap((entry) =>
        entry.isDirectory() ? [path === "" ? entry.name : `${path}/${entry.name}`] : [],
      );
    const there = [...folders("").filter((room) => room !== "features"), ...folders("core"), ...folders("features")];
    expect(Object.keys(arrows).sort()).toEqual(there.sort());
  });
});
