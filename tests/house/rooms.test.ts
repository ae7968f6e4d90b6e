// The lint rule that holds the arrows between the rooms, proven by an import that must not pass.
import { ESLint } from "eslint";
import typescript from "typescript-eslint";
import { fileURLToPath } from "node:url";
import { describe, expect, it } from "vitest";
import { arrows, pureCore, rooms } from "../../eslint.config.mjs";

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

describe("the rooms", () => {
  it("the core may not import the store", async () => {
    expect((await messagesFor("src/core/wrong.ts")).join("\n")).toContain("boundaries/dependencies");
  });
  it("nor ask the clock", async () => {
    expect((await messagesFor("src/core/clock.ts")).join("\n")).toContain("it never asks the clock");
  });
  it("while the store may import the core", async () => {
    expect(await messagesFor("src/store/right.ts")).toEqual([]);
  });
  it("arrows never lead back", () => {
    const reach = (room: string, seen = new Set<string>()): Set<string> => {
      for (const next of arrows[room as keyof typeof arrows])
        if (!seen.has(next)) {
          seen.add(next);
          reach(next, seen);
        }
      return seen;
    };
    for (const room of Object.keys(arrows)) expect(reach(room).has(room)).toBe(false);
  });
});
