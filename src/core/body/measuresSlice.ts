import { type Day, mustDay } from "../base/calendar/day";
import { perOwner } from "../base/memo";
import { goalsOf } from "../goals/slice";
import { type AsOf, byDateAndId, dayOfRecord, Slice } from "../log/asOf";
import type { Measure } from "../log/kinds/measures";
import type { Reading } from "../log/kinds/readings";
import { measureGoal, type MeasureGoal, measureTrend, type MeasureTrend, type DayValue as Value } from "./measureGoal";
import { readingProblem, usualMeasureOf } from "./usualMeasures";

const bodyFat = { name: "Body fat", unit: "%" };

/** What a person measures of the body and of how they live, beside the weight. */
class Measures extends Slice {
  /** The measures of the household, the trainee's own among them. */
  all(): ReadonlyMap<string, Measure> {
    return this.asOf.index.all("measures");
  }

  /** Readings of a measure up to the day asked about, oldest first. */
  readonly readings = this.keptBy((measureId: string): Reading[] =>
    this.asOf
      .own("readings")
      .filter((reading) => reading.measureId === measureId && mustDay(reading.date) <= this.asOf.on)
      .sort(byDateAndId),
  );

  /** The same by day, values alone. */
  readonly values = this.keptBy((measureId: string): Value[] =>
    this.readings(measureId).map(({ date, value }) => ({ day: mustDay(date), value })),
  );

  /** The latest reading of a measure before a day; null without one. */
  readonly before = (measureId: string, day: Day): number | null =>
    this.values(measureId).findLast(({ day: read }) => read < day)?.value ?? null;

  /** The reading of a measure on a day, the last by id where there are several; null without one. */
  on(measureId: string, day: Day): Reading | null {
    const { index, personId } = this.asOf;
    return index.on("readings", personId, day).findLast((reading) => reading.measureId === measureId) ?? null;
  }

  /** The line through a measure's readings of the latest weeks; null while there is too little. */
  readonly trend = this.keptBy((measureId: string): MeasureTrend | null =>
    measureTrend(this.values(measureId), this.asOf.on),
  );

  /** The goal on a measure in force, and how it stands; null without one. */
  readonly goal = this.keptBy((measureId: string): MeasureGoal | null =>
    measureGoal(
      goalsOf(this.asOf).of(measureId, this.asOf.on),
      this.values(measureId).at(-1),
      this.trend(measureId),
      this.asOf.on,
    ),
  );

  /** Latest body-fat percentage; values that nobody's body can have are passed over. */
  bodyFatOn(day: Day): { percent: number; date: string; method: string | null } | null {
    const latest = this.#bodyFats().findLast((reading) => dayOfRecord(reading) <= day);
    return latest === undefined ? null : { percent: latest.value, date: latest.date, method: latest.method ?? null };
  }
  readonly #bodyFats = this.kept(() => {
    const ids = new Set(
      [...this.all().values()]
        .filter(({ name, unit }) => (unit ?? "%").trim() === "%" && usualMeasureOf(name)?.name === bodyFat.name)
        .map(({ id }) => id),
    );
    return ids.size === 0
      ? []
      : this.asOf
          .own("readings")
          .filter(({ measureId, value }) => ids.has(measureId) && readingProblem(bodyFat, value) === null)
          .sort(byDateAndId);
  });
}

export const measuresOf = perOwner((asOf: AsOf) => new Measures(asOf));
