import type { Committed } from "@/store/store";
import { describe, expect, it } from "vitest";
import { restoredText, savedText, unreadText } from "./told";

const committed = (parts: Partial<Committed> = {}): Committed =>
  ({ sequence: 1, label: "", clashes: [], revived: false, copyLacks: null, ...parts }) as Committed;

describe("what is said of a save", () => {
  it("is that it is saved only where both places hold it; else which one does not, and why", () => {
    expect(savedText("Weigh-in 72.0 kg", committed())).toBe("Saved: Weigh-in 72.0 kg");
    const alone = savedText("Weigh-in 72.0 kg", committed({ copyLacks: "there is no room" }));
    expect(alone).not.toMatch(/^Saved:/);
    expect(alone).toMatch(/database alone.*second copy does not hold it: there is no room/);
  });
  it("names what another tab did meanwhile, and whose value stands", () => {
    const clash = {
      path: [{ key: "kg" }],
      theirs: 71,
      ours: 72,
      kept: "ours",
      blind: false,
    } as unknown as Committed["clashes"][number];
    expect(savedText("it", committed({ clashes: [clash] }))).toMatch(/had changed .* to "71"; yours, "72", is kept$/);
    expect(savedText("it", committed({ clashes: [clash, clash, clash] }))).toMatch(/and so in 2 more fields$/);
    expect(savedText("it", committed({ clashes: [{ ...clash, theirs: undefined }] }))).toMatch(/had removed/);
    expect(savedText("it", committed({ clashes: [{ ...clash, kept: "theirs" }] }))).toMatch(/was not removed/);
    expect(savedText("it", committed({ revived: true }))).toMatch(/brought it back$/);
  });
});

describe("what is said of a log that was lost", () => {
  it("says nothing is missing only where nothing is", () => {
    const restored = { records: 1200, photos: 1, stamp: "2026-06-11T06:45:00.000Z.node", missing: 0 };
    expect(restoredText(restored)).toMatch(
      /1,200 records and 1 photograph were brought back .*\. Nothing that was said to be saved is missing\.$/,
    );
    expect(restoredText({ ...restored, photos: 0, stamp: "", missing: 2 })).toMatch(
      /1,200 records were brought back from the second copy\. 2 changes before that are missing\.$/,
    );
    expect(unreadText(1)).toMatch(/^One thing .* is kept aside; no figure counts it\./);
    expect(unreadText(3)).toMatch(/^3 things .* are kept aside; no figure counts them\./);
  });
});
