import fc from "fast-check";
import { expect, it } from "vitest";
import { smallLog } from "../../../tests/smallLog";
import { dateOf, mustDay } from "../base/calendar/day";
import { putRecord, removeRecord } from "./log";
import { bucketDays, bucketOf } from "./logIndex";

const start = mustDay("2026-01-01");

it("the days and their buckets are those of the records, in whatever order they are written and asked for", () => {
  const step = fc.record({
    day: fc.integer({ min: 0, max: 5 * bucketDays }),
    does: fc.constantFrom("write", "remove", "days", "buckets"),
  });
  fc.assert(
    fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
      const log = smallLog({});
      const held = new Set<number>();
      for (const { day, does } of steps) {
        const date = dateOf(start + day);
        if (does === "write") {
          held.add(start + day);
          putRecord(log, "water", { id: date, personId: "p", date, ml: 500 });
        } else if (does === "remove" && held.delete(start + day))
          removeRecord(log, { id: date, kind: "water", changed: "1" });
        const days = [...held].sort((a, b) => a - b);
        if (does === "days") expect(log.index.days("water", "p")).toEqual(days);
        if (does === "buckets") expect(log.index.buckets("water", "p")).toEqual([...new Set(days.map(bucketOf))]);
      }
    }),
    { numRuns: 300 },
  );
});
