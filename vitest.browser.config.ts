import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

export default defineConfig({
  resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
  test: {
    include: ["tests/browser/**/*.test.ts"],
    environment: "node",
    testTimeout: 480_000,
    hookTimeout: 120_000,
    expect: { poll: { timeout: 60_000 } },
    maxWorkers: 2,
    globalSetup: ["tests/browser/server.ts"],
  },
});
