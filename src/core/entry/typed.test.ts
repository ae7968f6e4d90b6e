import { describe, expect, it } from "vitest";
import { dateOf, mustDay } from "../base/calendar/day";
import { typedDate, typedTime } from "./typed";

const today = mustDay("2026-06-11"); // A Thursday.
const read = (text: string, order: "dmy" | "mdy" | null = "dmy", lean: "back" | "ahead" = "back") => {
  const found = typedDate(text, today, order, lean);
  return typeof found === "number" ? dateOf(found) : found.problem;
};

describe("a date that is typed", () => {
  it.each([
    ["2026-03-03", "2026-03-03"],
    ["2019/3/3", "2019-03-03"],
    ["3 Mar", "2026-03-03"],
    ["3 Mar 2019", "2019-03-03"],
    ["3rd of March 2019", "2019-03-03"],
    ["Mar 3", "2026-03-03"],
    ["3/3", "2026-03-03"],
    ["3/3/26", "2026-03-03"],
    ["3/3/2026", "2026-03-03"],
    ["3.3.26", "2026-03-03"],
    ["today", "2026-06-11"],
    ["Yesterday ", "2026-06-10"],
    ["mon", "2026-06-08"],
    ["last Friday", "2026-06-05"],
    ["2 weeks ago", "2026-05-28"],
    ["Tue 2 Jun", "2026-06-02"],
  ])("%s is %s", (text, date) => expect(read(text)).toBe(date));

  it("has its day or its month first as the trainee writes it, and is asked where that is not known", () => {
    expect(read("4/5/26", "dmy")).toBe("2026-05-04");
    expect(read("4/5/26", "mdy")).toBe("2026-04-05");
    expect(read("4/5/26", null)).toMatch(/a day and a month, or a month and a day/);
    expect(read("24/5/26", null)).toBe("2026-05-24");
  });

  it("without its year is the last such day, or the next where the field looks ahead", () => {
    expect(read("3 Dec", "dmy", "back")).toBe("2025-12-03");
    expect(read("3 Dec", "dmy", "ahead")).toBe("2026-12-03");
    expect(read("3 Mar", "dmy", "ahead")).toBe("2027-03-03");
    expect(read("11 Jun", "dmy", "ahead")).toBe("2026-06-11");
    expect(read("11 Jun", "dmy", "back")).toBe("2026-06-11");
    // A year that is said is kept, whichever way the field looks.
    expect(read("3 Mar 2026", "dmy", "ahead")).toBe("2026-03-03");
    expect(read("yesterday", "dmy", "ahead")).toBe("2026-06-10");
  });

  it.each(["", "soon", "11", "3 Mar and more", "31/4/26", "30 Feb", "3 Mar 71.4", "x".repeat(500)])(
    "%j is none, and why is said",
    (text) => expect(typedDate(text, today, "dmy", "back")).toHaveProperty("problem"),
  );
});

describe("a time of day that is typed", () => {
  it.each([
    ["6:40", "06:40"],
    ["06.40", "06:40"],
    ["0640", "06:40"],
    ["640", "06:40"],
    ["6 am", "06:00"],
    ["6:40 PM", "18:40"],
    ["12 am", "00:00"],
    ["12:15pm", "12:15"],
    ["23:59", "23:59"],
    ["0:00", "00:00"],
  ])("%s is %s", (text, time) => expect(typedTime(text)).toBe(time));
  it.each(["", "6", "24:00", "6:60", "13 pm", "0 am", "6:4", "morning", "6:40:10"])("%j is none", (text) =>
    expect(typedTime(text)).toBeNull(),
  );
});
