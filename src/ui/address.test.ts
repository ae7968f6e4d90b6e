import { describe, expect, it } from "vitest";
import { readAddress } from "./address";

describe("an address", () => {
  const read = (query: string) => readAddress(new URLSearchParams(query));
  it("says what it can say", () => {
    expect(read("date=2026-06-11&session=s1&exercise=back-squat&log=demo")).toEqual({
      date: "2026-06-11",
      session: "s1",
      exercise: "back-squat",
      block: null,
      food: null,
      cycle: null,
      wrong: null,
    });
    expect(read("")).toEqual({
      date: null,
      session: null,
      block: null,
      cycle: null,
      exercise: null,
      food: null,
      wrong: null,
    });
  });
  it("is not believed where it names what cannot be", () => {
    for (const date of ["x", "2026-99-99", "9999-12-31", "1000-01-01", "", "2026-06-11T00:00", "__proto__"])
      expect(read(`date=${encodeURIComponent(date)}&session=y`)).toMatchObject({
        date: null,
        session: "y",
        wrong: expect.stringContaining("no date") as string,
      });
    expect(read(`session=${"x".repeat(201)}`)).toMatchObject({
      session: null,
      wrong: expect.stringContaining("no session") as string,
    });
    expect(read("exercise=")).toMatchObject({ exercise: null });
  });
});
