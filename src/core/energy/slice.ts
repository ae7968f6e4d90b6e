import { ageOn, type Day, mustDay } from "../base/calendar/day";
import { perOwner } from "../base/memo";
import { measuresOf } from "../body/measuresSlice";
import { lastWeighedAgo } from "../body/projection";
import { weightOf } from "../body/slice";
import { type AsOf, byBeginning, Slice } from "../log/asOf";
import type { EnergySettings } from "../log/kinds/energySettings";
import { type Body, type EquationName, equations, type Resting } from "./resting";

/**
 * So long a weight serves the equations after it was weighed: within a year most people stay within a few per cent (our
 * judgement, no source).
 */
const weightServesDays = 365;

/** What a person's expenditure is reckoned from. */
class Energy extends Slice {
  readonly #settings = this.kept(() =>
    this.asOf
      .own("energySettings")
      .sort(byBeginning("from"))
      .map((settings) => ({ settings, from: mustDay(settings.from) })),
  );
  readonly #birth = this.kept(() => {
    const { birthDate } = this.asOf.person;
    return birthDate ? mustDay(birthDate) : null;
  });

  /** Energy settings in force on a day. */
  settingsOn(day: Day): EnergySettings | null {
    return this.#settings().findLast(({ from }) => from <= day)?.settings ?? null;
  }

  /** What the equations are given on a day; null without a weight. */
  bodyOn(day: Day): Body | null {
    const kg = weightOf(this.asOf).heldOn(day);
    return kg === null ? null : this.bodyAt(kg, day);
  }

  /** The same at a weight of one's choice. */
  bodyAt(kg: number, day: Day): Body {
    const fat = measuresOf(this.asOf).bodyFatOn(day);
    const { heightCm, sex } = this.asOf.person;
    const birth = this.#birth();
    return {
      kg,
      heightCm: heightCm ?? null,
      ageYears: birth === null ? null : ageOn(birth, day),
      sex: sex ?? "unspecified",
      fatFreeKg: fat === null ? null : kg * (1 - fat.percent / 100),
    };
  }

  /** Resting expenditure by an equation on a day, or why it cannot be said. */
  restingOn(equation: EquationName, day: Day): Resting {
    const body = this.bodyOn(day);
    const trend = weightOf(this.asOf).trend();
    if (trend !== null && day - trend.last > weightServesDays) return { reason: lastWeighedAgo(trend, day) };
    return body === null ? { reason: "no weight is written" } : equations[equation].kcal(body);
  }
}

export const energyOf = perOwner((asOf: AsOf) => new Energy(asOf));
