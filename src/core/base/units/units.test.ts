import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fromKcal, toKcal } from "./energy";
import { parseHeight, printDistance } from "./length";
import { fromKg, parseMass, printLoad, printMass, toKg } from "./mass";
import { counted, parseDecimal, printNumber, printPlain, printSigned } from "./number";
import { parseDuration, printDuration } from "./time";

describe("numbers", () => {
  it("reads a decimal point and a decimal comma alike", () => {
    expect(parseDecimal("71,4")).toBe(71.4);
    expect(parseDecimal(" 71.4 ")).toBe(71.4);
    expect(parseDecimal("-3")).toBe(-3);
    for (const text of ["", "abc", "1.2.3", "1e400", "NaN", "--1", "1 2", "0x10"])
      expect(parseDecimal(text)).toBeNull();
  });
  it("takes a typed minus with a blank behind it", () => {
    expect([parseDecimal("− 0.5"), parseDecimal("- 0,5"), parseDecimal("–0.5"), parseDecimal("+ 2")]).toEqual([
      -0.5, -0.5, -0.5, 2,
    ]);
    expect(parseDecimal("5 - 3")).toBeNull();
  });
  it("counts one and many", () => {
    expect([
      counted(1, "day"),
      counted(0, "day"),
      counted(2290, "day"),
      counted(1, "entry", "entries"),
      counted(3, "entry", "entries"),
      counted(1.5, "week"),
    ]).toEqual(["1 day", "0 days", "2,290 days", "1 entry", "3 entries", "1.5 weeks"]);
  });
  it("prints no negative zero and groups thousands", () => {
    expect(printNumber(-0.04, 1)).toBe("0.0");
    // Zeros before the point are no idle ones.
    expect([500, 84.5, 84, 0, 1000].map((value) => printPlain(value, 2))).toEqual(["500", "84.5", "84", "0", "1,000"]);
    expect([500, 0, 1000].map((value) => printPlain(value, 0))).toEqual(["500", "0", "1,000"]);
    expect(printNumber(-1234.56, 1)).toBe("−1,234.6");
    expect(printSigned(0.44, 1)).toBe("+0.4");
    expect(printSigned(0.04, 1)).toBe("0.0");
  });
});

describe("a height", () => {
  it.each([
    ["179", 179],
    ["179 cm", 179],
    ["1.79 m", 179],
    ["1,79m", 179],
    ["5'11\"", 180.34],
    ["5’ 11”", 180.34],
    ["5 ft 11", 180.34],
    ["5ft 11in", 180.34],
    ["6'", 182.88],
    ["5'10.5\"", 179.07],
    ["71 in", 180.34],
    ['71"', 180.34],
  ])("%s", (text, cm) => {
    expect(parseHeight(text)).toBeCloseTo(cm, 6);
  });
  it("that may be inches as well as centimetres is asked, and none is refused", () => {
    for (const text of ["71", "5.11", "1.79", "5'13\"", "500", "", "tall", "20 cm", "9'0"])
      expect([text, parseHeight(text)]).toEqual([text, text === "9'0" ? 274.32 : null]);
  });
});

describe("mass", () => {
  it("prints every tenth of a pound and of a kilogram as typed", () => {
    for (let tenths = 800; tenths <= 4000; tenths++) {
      const typed = (tenths / 10).toFixed(1);
      expect(printMass(parseMass(typed, "lb")!, "lb")).toBe(typed);
    }
    for (let tenths = 300; tenths <= 2500; tenths++)
      expect(printMass(parseMass((tenths / 10).toFixed(1), "kg")!, "kg")).toBe((tenths / 10).toFixed(1));
  });
  it("stores 225 lb exactly", () => {
    expect(toKg(225, "lb")).toBeCloseTo(102.05828325, 12);
    expect(printLoad(toKg(225, "lb"), "lb")).toBe("225");
    expect(printLoad(100, "kg")).toBe("100");
    expect(printLoad(72.5, "kg")).toBe("72.5");
    expect(printLoad(41.25, "kg")).toBe("41.25");
    expect(printLoad(0, "kg")).toBe("0");
    expect(printLoad(1200, "kg")).toBe("1,200");
  });
  it("obeys a unit that was typed over the trainee's own", () => {
    expect(parseMass("100 kg", "lb")).toBe(100);
    expect(parseMass("220.5lb", "kg")).toBeCloseTo(100.017, 3);
    expect(parseMass("heavy", "kg")).toBeNull();
  });
  it("goes to a unit and back", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 500, noNaN: true }), (kg) => {
        expect(toKg(fromKg(kg, "lb"), "lb")).toBeCloseTo(kg, 10);
        expect(toKcal(fromKcal(kg, "kJ"), "kJ")).toBeCloseTo(kg, 10);
      }),
    );
  });
});

describe("time and distance", () => {
  it("reads durations as they are written", () => {
    const written: [string, number][] = [
      ["33:10", 1990],
      ["1:02:03", 3723],
      ["1:52", 112],
      ["1:52.4", 112.4],
      ["1:52,4", 112.4],
      ["45 min", 2700],
      ["90 s", 90],
      ["1 h 5 min", 3900],
      ["2h", 7200],
      ["7 m 30 s", 450],
      ["1 h 2 min 3 s", 3723],
    ];
    for (const [text, seconds] of written) expect(parseDuration(text)).toBeCloseTo(seconds, 9);
    for (const text of ["", "1:60", "1:61:00", "fast", "12", "-1:00"]) expect(parseDuration(text)).toBeNull();
  });
  it("prints what it read", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359_999 }), (seconds) => {
        expect(parseDuration(printDuration(seconds))).toBe(seconds);
      }),
    );
    expect(printDuration(59.6)).toBe("1:00");
    expect(printDuration(3599.6)).toBe("1:00:00");
    expect(printDuration(112.44, 1)).toBe("1:52.4");
  });
  it("prints distances in the trainee's unit", () => {
    expect(printDistance(1609.344, "mi")).toBe("1.00");
    expect(printDistance(6000, "km")).toBe("6.00");
    expect(printDistance(123_456, "km")).toBe("123.5");
  });
});
