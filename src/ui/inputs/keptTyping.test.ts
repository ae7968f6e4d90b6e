import { beforeEach, describe, expect, it, vi } from "vitest";
import { forgetTyping, keepTyping, keptTyping } from "./keptTyping";

const stored = new Map<string, string>();
beforeEach(() => {
  stored.clear();
  vi.stubGlobal("sessionStorage", {
    getItem: (key: string) => stored.get(key) ?? null,
    setItem: (key: string, text: string) => stored.set(key, text),
    removeItem: (key: string) => stored.delete(key),
  });
});

describe("what is typed in a form", () => {
  it("comes back field by field, for its own form alone", () => {
    keepTyping("weigh-in a", "kg", { was: "80.0", typed: "79" });
    keepTyping("weigh-in a", "muscles", { was: ["back"], typed: ["back", "legs"] });
    expect(keptTyping("weigh-in a", { kg: "80.0", muscles: ["back"] })).toEqual([
      ["kg", "79"],
      ["muscles", ["back", "legs"]],
    ]);
    expect(keptTyping("weigh-in b", { kg: "80.0" })).toEqual([]);
  });
  it("is let go of where the record says something else by now: an old text never comes before a newer record", () => {
    keepTyping("weigh-in a", "kg", { was: "80.0", typed: "79" });
    expect(keptTyping("weigh-in a", { kg: "78.5" })).toEqual([]);
    // For good, also when the record is put back.
    expect(keptTyping("weigh-in a", { kg: "80.0" })).toEqual([]);
  });
  it("is let go of once it is saved, or says again what stood there", () => {
    keepTyping("weigh-in a", "kg", { was: "80.0", typed: "79" });
    keepTyping("weigh-in a", "kg", { was: "80.0", typed: "80.0" });
    expect(stored.size).toBe(0);
    keepTyping("weigh-in a", "note", { was: "", typed: "salt" });
    forgetTyping("weigh-in a");
    expect(keptTyping("weigh-in a", { note: "" })).toEqual([]);
  });
  it("is not looked for in a field that is gone, nor in what cannot be read", () => {
    keepTyping("weigh-in a", "gone", { was: "", typed: "x" });
    expect(keptTyping("weigh-in a", { kg: "" })).toEqual([]);
    stored.set("oat-column-typed-weigh-in a", "{");
    expect(keptTyping("weigh-in a", { kg: "" })).toEqual([]);
  });
});
