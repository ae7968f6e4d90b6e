import { describe, expect, it } from "vitest";
import { isFarReading, readReading, usualMeasureOf, usualMeasures } from "./usualMeasures";

const [waist, fat, inches, own] = [
  { name: "Waist", unit: "cm" },
  { name: "Body fat", unit: "%" },
  { name: "waist", unit: "in" },
  { name: "Grip", unit: "kg" },
];

describe("readings of measures", () => {
  it.each([
    [waist, "84,5", 84.5],
    [waist, " 84.5 cm", 84.5],
    [waist, "33 in", 83.82],
    [waist, "0.845 m", 84.5],
    [inches, "33", 33],
    [inches, "84 cm", 84 / 2.54],
    [fat, "18.5 %", 18.5],
    [fat, "18.5", 18.5],
    [own, "45", 45],
    // A measure known by its name in a unit of one's own has no known bounds.
    [{ name: "Body fat", unit: "mm" }, "190", 190],
  ])("%o takes %s", (measure, text, value) => {
    expect(readReading(text, measure)).toEqual({ value: expect.closeTo(value, 9) as number });
  });
  it.each([
    [fat, "190"],
    [fat, "190 %"],
    [fat, "1.2"],
    [fat, "-3"],
    [waist, "-4"],
    [waist, "845"],
    [inches, "5"],
    [waist, "84 kg"],
    [fat, "18 cm"],
    [waist, "84.5.1"],
    [waist, "wide"],
    [waist, ""],
    [own, "45 cm"],
    [own, "1e12"],
  ])("%o refuses %s with a reason", (measure, text) => {
    expect(readReading(text, measure)).toEqual({ why: expect.stringMatching(/\.$/) as string });
  });
  it("are questioned when they are far from the last one, where bodies stay about the same", () => {
    expect([
      isFarReading(waist, 84, 83),
      isFarReading(waist, 103, 83),
      isFarReading(fat, 25, 20),
      isFarReading(fat, 30, 20),
      isFarReading(own, 90, 45),
      isFarReading(waist, 103, null),
    ]).toEqual([false, true, false, true, false, false]);
  });
  it("known ones are known by their other names, and by no other measure's", () => {
    expect([
      usualMeasureOf("BODY-FAT")?.name,
      usualMeasureOf("bf")?.name,
      usualMeasureOf("hips")?.name,
      usualMeasureOf("fat mass"),
    ]).toEqual(["Body fat", "Body fat", "Hip", null]);
    const names = usualMeasures.flatMap(({ name, aliases }) => [name, ...aliases]);
    for (const name of names) expect(usualMeasures.filter((one) => usualMeasureOf(name) === one)).toHaveLength(1);
  });
});
