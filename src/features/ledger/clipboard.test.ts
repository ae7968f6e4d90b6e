import { describe, expect, it } from "vitest";
import { copiedText } from "./clipboard";

describe("what is chosen in the ledger", () => {
  it("is copied under its heads with a plain minus, one cell alone as its text", () => {
    const source = {
      titles: ["Weight", "Against plan"],
      dateAt: (row: number) => `2026-01-0${row}`,
      textAt: (row: number, column: number) => (column === 0 ? `7${row}.0` : "−0.3"),
    };
    expect(copiedText({ top: 1, bottom: 2, left: 0, right: 1 }, source)).toBe(
      "Date\tWeight\tAgainst plan\n2026-01-01\t71.0\t-0.3\n2026-01-02\t72.0\t-0.3",
    );
    expect(copiedText({ top: 1, bottom: 1, left: 1, right: 1 }, source)).toBe("−0.3");
  });
});
