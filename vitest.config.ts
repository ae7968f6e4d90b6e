import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

/** Tests that take seconds: they run in `npm test`, not in `npm run check`. */
const slow = [
  "src/compute/incremental.test.ts",
  "src/compute/farDates.test.ts",
  "src/compute/hostileArchives.test.ts",
  "src/store/copy/copy.test.ts",
  "src/formats/zip.test.ts",
  "src/formats/archive/archive.fuzz.test.ts",
  "src/formats/csv.test.ts",
  "tests/checks/lines-varied.test.ts",
  "tests/checks/trend-coverage.test.ts",
  "tests/house/commands.test.ts",
];
const alias = { "@": fileURLToPath(new URL("./src", import.meta.url)) };

export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        // The core has no state of its own and touches nothing outside: its tests share what they load.
        test: {
          name: "core",
          pool: "threads",
          include: ["src/core/**/*.test.ts", "tests/checks/**/*.test.ts"],
          exclude: slow,
          isolate: false,
          testTimeout: 30_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: "quick",
          pool: "threads",
          include: ["src/**/*.test.{ts,tsx}", "tests/house/**/*.test.ts"],
          exclude: [...slow, "src/core/**"],
          testTimeout: 30_000,
        },
      },
      { resolve: { alias }, test: { name: "slow", include: slow, testTimeout: 90_000 } },
    ],
  },
});
