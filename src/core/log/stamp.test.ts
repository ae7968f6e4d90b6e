import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { isStamp, nextStamp, soundStamp, withSoundStamp } from "./stamp";

const now = Date.parse("2026-06-11T10:00:00.000Z");
const day = 86_400_000;

describe("stamps", () => {
  it("always grow, even when the clock goes back by a day", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: now - day / 2, max: now + day / 2 }), { minLength: 2, maxLength: 30 }),
        (times) => {
          let last = "";
          for (const time of times) {
            const stamp = nextStamp([last], time, "n1");
            expect(stamp > last).toBe(true);
            last = stamp;
          }
        },
      ),
    );
  });
  it("are sound whatever was seen before, and later than whatever can be believed of it", () => {
    const seen = fc.oneof(
      fc.string(),
      fc.constantFrom(
        "zzzz",
        "9999-12-31T00:00:00.000Z/0000/x",
        "2026-06-11T12:00:00.000Z/0003/phone",
        "",
        "2026-06-11",
      ),
      fc.constant(null),
      fc.constant(undefined),
    );
    fc.assert(
      fc.property(fc.array(seen, { maxLength: 4 }), (all) => {
        const stamp = nextStamp(all, now, "n1");
        expect(isStamp(stamp)).toBe(true);
        expect(stamp < "2026-06-13").toBe(true);
        if (all.includes("2026-06-11T12:00:00.000Z/0003/phone")) expect(stamp).toBe("2026-06-11T12:00:00.000Z/0004/n1");
      }),
    );
  });
  it("that lie far ahead are brought to now, and texts that are none are no stamps", () => {
    expect(soundStamp("2026-06-12T09:00:00.000Z/0000/phone", now)).toBe("2026-06-12T09:00:00.000Z/0000/phone");
    expect(soundStamp("2099-01-01T00:00:00.000Z/0000/phone", now)).toBe("2026-06-11T10:00:00.000Z/0000/phone");
    for (const text of [
      "zzz",
      "",
      "2026-06-11",
      "2026-06-11T10:00:00Z/0000/n",
      "2026-06-11T10:00:00.000Z/0000/a/b",
      "2026-13-11T10:00:00.000Z/0000/n",
      `2026-06-11T10:00:00.000Z/0000/${"n".repeat(41)}`,
    ])
      expect(soundStamp(text, now)).toBeUndefined();
  });
  it("a record keeps a sound one as the same object, and loses another", () => {
    const sound = { id: "a", changed: "2026-06-11T10:00:00.000Z/0000/n" };
    expect(withSoundStamp(sound, now)).toBe(sound);
    expect(withSoundStamp({ id: "a", changed: "zzz" }, now)).toEqual({ id: "a" });
    expect(withSoundStamp({ id: "a", changed: 7 as unknown as string }, now)).toEqual({ id: "a" });
    expect(withSoundStamp<{ id: string; changed?: string }>({ id: "a" }, now)).toEqual({ id: "a" });
  });
});
