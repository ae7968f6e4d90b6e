import { describe, expect, it, vi } from "vitest";
import { aDate, aTime, aDuration, between, massBetween, optional, required } from "./checks";

describe("checks of what is typed", () => {
  it("numbers between bounds, with point or comma", () => {
    const check = between("Height", 50, 280);
    expect(check("171")).toBeNull();
    expect(check("171,5")).toBeNull();
    expect(check("")).toBe("Height is missing.");
    expect(check("tall")).toBe("Write a number, with a point or a comma.");
    for (const text of ["49", "281", "-171"]) expect(check(text)).toBe("Height must be from 50 to 280.");
    expect(check("1e400")).not.toBeNull();
    expect(optional(check)("")).toBeNull();
    expect(optional(check)("1")).not.toBeNull();
  });
  it("masses in either unit", () => {
    const check = massBetween("Weight", "lb", 25, 350);
    expect(check("160")).toBeNull();
    expect(check("72 kg")).toBeNull();
    expect(check("20")).toBe("Weight is out of range.");
    expect(check(" ")).toBe("Weight is missing.");
    expect(check("x")).toContain("Write a weight");
  });
  it("dates, durations, names", () => {
    vi.stubGlobal("navigator", { language: "en-GB" });
    expect(aDate("The date")("")).toBe("The date is missing.");
    expect(aDate("The date")("2026-02-30")).toBe("There is no day 2026-02-30.");
    expect(aDate("The date")("some day")).toMatch(/^"some day" is no date\. Write it such as/);
    expect(aTime("")).toBeNull();
    expect(aTime("06:40")).toBeNull();
    expect(aTime("25:00")).toBe("Write a time of day such as 6:40.");
    expect(aDate("The date", "2026-06-11")("2026-06-12")).toBe("The date cannot be in the future.");
    expect(aDate("The date", "2026-06-11")("2026-06-11")).toBeNull();
    expect(aDuration("33:10")).toBeNull();
    expect(aDuration("soon")).not.toBeNull();
    expect(required("A name")("  ")).toBe("A name is missing.");
  });
});
