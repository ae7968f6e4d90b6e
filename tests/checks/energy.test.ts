// Sources: Mifflin et al. 1990 and Roza & Shizgal 1984 (worked by hand from the published coefficients); Katch–McArdle
// and
// Cunningham 1980 (coefficients from memory, worked by hand); MET arithmetic: ACSM, common practice; rowing power:
// common practice.
import { netExerciseKcal, rowingWatts, sessionMet } from "@/core/energy/exercise";
import { activityClasses, type Body, equations } from "@/core/energy/resting";
import type { Session } from "@/core/log/kinds/sessions";
import { describe, expect, it } from "vitest";

const man: Body = { kg: 80, heightCm: 180, ageYears: 30, sex: "male", fatFreeKg: 68 };
const woman: Body = { kg: 60, heightCm: 165, ageYears: 30, sex: "female", fatFreeKg: null };

describe("resting expenditure", () => {
  it("Mifflin–St Jeor: 1780 and 1320.25 kcal", () => {
    expect(equations.mifflinStJeor.kcal(man)).toEqual({ kcal: 1780 });
    expect(equations.mifflinStJeor.kcal(woman)).toEqual({ kcal: 1320.25 });
  });
  it("Roza & Shizgal: 1853.63 and 1383.68 kcal", () => {
    expect(equations.rozaShizgal.kcal(man)).toEqual({
      kcal: expect.closeTo(88.362 + 1071.76 + 863.82 - 170.31, 6) as number,
    });
    expect(equations.rozaShizgal.kcal(woman)).toEqual({
      kcal: expect.closeTo(447.593 + 554.82 + 511.17 - 129.9, 6) as number,
    });
  });
  it("on 68 kg of fat-free mass: 1838.8 and 1996 kcal, and a reason without it", () => {
    expect(equations.katchMcArdle.kcal(man)).toEqual({ kcal: expect.closeTo(1838.8, 9) as number });
    expect(equations.cunningham.kcal(man)).toEqual({ kcal: 1996 });
    expect(equations.cunningham.kcal(woman)).toHaveProperty("reason");
    expect(equations.mifflinStJeor.kcal({ ...man, heightCm: null })).toHaveProperty("reason");
    expect(equations.mifflinStJeor.kcal({ ...man, ageYears: null })).toHaveProperty("reason");
  });
  it("unspecified sex is the mean of both: 83 kcal under the man's figure", () => {
    expect(equations.mifflinStJeor.kcal({ ...man, sex: "unspecified" })).toEqual({ kcal: 1697 });
  });
  it("the activity classes follow one another without a gap", () => {
    expect(activityClasses.map(({ from, to }) => [from, to])).toEqual([
      [1.4, 1.69],
      [1.7, 1.99],
      [2, 2.4],
    ]);
  });
});

describe("exercise", () => {
  const session = (kind: string, metres?: number, seconds?: number): Session => ({
    id: "s",
    personId: "p",
    date: "2026-05-01",
    kind,
    status: "done",
    distance: { done: { metres, seconds } },
  });
  it("an hour at 8 MET and 70 kg is 588 kcal gross, 514.5 net", () => {
    expect(netExerciseKcal(8, 70, 60)).toBeCloseTo(514.5, 9);
    expect(netExerciseKcal(1, 70, 60)).toBe(0);
  });
  it("2:00 /500 m is 202.5 W", () => expect(rowingWatts(120 / 500)).toBeCloseTo(202.5, 1));
  it("running at 6 mph is 9.8 MET, rowing at 100 W 7.0, strength 3.5; others by a word, or unknown", () => {
    expect(sessionMet(session("run", 1609.344 * 6, 3600), null)).toMatchObject({
      met: expect.closeTo(9.8, 2) as number,
    });
    const secondsPerMetre = Math.cbrt(2.8 / 100);
    expect(sessionMet(session("row", 5000, 5000 * secondsPerMetre), null)).toMatchObject({
      met: expect.closeTo(7, 6) as number,
    });
    expect(sessionMet(session("strength"), null)).toMatchObject({ met: 3.5 });
    expect(sessionMet(session("run", 5000), null)).toHaveProperty("reason");
    // Compendium 2011, 18240 and 02040, from memory; a class by its title.
    expect(sessionMet(session("swim", 1000, 1200), null)).toMatchObject({ met: 5.8 });
    expect(sessionMet({ ...session("class"), title: "Circuit, 40 min" }, null)).toMatchObject({ met: 8 });
    expect(sessionMet(session("origami"), null)).toHaveProperty("reason");
    expect(sessionMet(session("origami"), 1.8)).toMatchObject({ met: 1.8 });
  });
});
