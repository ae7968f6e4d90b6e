import { defineConfig } from "vitest/config";
import { fileURLToPath } from "node:url";

export default defineConfig({
  resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
  test: {
    include: ["src/**/*.test.{ts,tsx}", "tests/checks/**/*.test.ts", "tests/house/**/*.test.ts"],
    environment: "node",
    testTimeout: 90_000,
  },
});
