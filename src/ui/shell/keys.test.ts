import { describe, expect, it } from "vitest";
import { isKey, keyActions, keysFrom, takenBy, withKey } from "./keys";

describe("plain keys", () => {
  it("are the usual ones, each once, until one is changed or taken away", () => {
    expect(new Set(keyActions.map(({ usual }) => usual)).size).toBe(keyActions.length);
    expect(keysFrom("").get("write")).toBe("w");
    const changed = withKey(withKey("", "write", "e"), "undo", null);
    expect([keysFrom(changed).get("write"), keysFrom(changed).get("undo"), keysFrom(changed).get("redo")]).toEqual([
      "e",
      null,
      "r",
    ]);
    expect(withKey(withKey(changed, "write", "w"), "undo", "u")).toBe("{}");
  });
  it("that are stored as nonsense are the usual ones", () => {
    for (const text of ["{", "null", "7", '{"write":7}', '{"write":"Enter"}', '{"write":" "}', '{"gone":"x"}'])
      expect(keysFrom(text)).toEqual(keysFrom(""));
  });
  it("do one thing each", () => {
    expect(takenBy(keysFrom(""), "undo", "w")).toContain("write in the quick-entry line");
    expect(takenBy(keysFrom(""), "undo", "u")).toBeNull();
    expect(takenBy(keysFrom(withKey("", "write", null)), "undo", "w")).toBeNull();
    expect(["w", "é", "?", "Enter", " ", ""].map(isKey)).toEqual([true, true, true, false, false, false]);
  });
});
