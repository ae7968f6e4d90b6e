import { type Day, weekdayOf } from "@/core/base/calendar/day";
import { netExerciseKcal } from "@/core/energy/exercise";
import { equations } from "@/core/energy/resting";
import { kcalPerKg } from "@/core/goals/plan";
import { type Sex } from "@/core/log/kinds/people";
import type { Random } from "./random";

/** What shapes a made-up trainee's body from day to day. */
export interface Life {
  firstDay: Day;
  lastDay: Day;
  startKg: number;
  heightCm: number;
  ageYears: number;
  sex: Sex;
  /** The tissue weight aimed at on a day: intake is steered towards it. */
  aim: (day: Day) => number;
  illness: (day: Day) => boolean;
  holiday: (day: Day) => boolean;
  /** Minutes of exercise by weekday, 1 Monday … 7 Sunday. */
  minutes: Record<number, number>;
  weighs: number;
  /** Water held on a day beyond the usual, kilograms: creatine, say. */
  held?: (day: Day) => number;
}

export interface LivedDay {
  day: Day;
  tissueKg: number;
  expenditureKcal: number;
  wantedKcal: number;
  /** The morning's scale reading to a tenth, or null on a missed morning. */
  scaleKg: number | null;
}

/** Activity factor of the made-up trainees without their sessions. */
const quietFactor = 1.4;

/**
 * Lives the days: expenditure from the resting equation, a quiet activity factor and the day's exercise; wanted intake
 * steered towards the aim with weekends above weekdays. `eat` writes the day's meals and says what was eaten; the
 * tissue weight then moves by energy balance, and the scale sees it through water noise.
 */
export function live(life: Life, random: Random, eat: (day: LivedDay) => number): LivedDay[] {
  const days: LivedDay[] = [];
  let tissueKg = life.startKg;
  let water = 0;
  for (let day = life.firstDay; day <= life.lastDay; day++) {
    const weekday = weekdayOf(day);
    const ill = life.illness(day);
    const away = life.holiday(day);
    const resting = equations.mifflinStJeor.kcal({
      kg: tissueKg,
      heightCm: life.heightCm,
      ageYears: life.ageYears,
      sex: life.sex,
      fatFreeKg: null,
    });
    const minutes = ill || away ? 10 : life.minutes[weekday]!;
    const expenditureKcal =
      ("kcal" in resting ? resting.kcal : 0) * quietFactor + netExerciseKcal(6, tissueKg, minutes);
    water = 0.5 * water + random.normal(0.3) + (weekday === 1 ? 0.15 : 0);
    const scaleKg = random.chance(away ? 0.15 : life.weighs)
      ? Math.round((tissueKg + water + (life.held?.(day) ?? 0) + random.normal(0.12)) * 10) / 10
      : null;
    const steer = Math.max(-750, Math.min(600, (life.aim(day + 10) - tissueKg) * (kcalPerKg / 10)));
    const wantedKcal =
      expenditureKcal + (ill ? -900 : away ? 500 : steer) + (weekday >= 6 ? 200 : -80) + random.normal(140);
    const lived: LivedDay = { day, tissueKg, expenditureKcal, wantedKcal: Math.max(1000, wantedKcal), scaleKg };
    days.push(lived);
    tissueKg += (eat(lived) - expenditureKcal) / kcalPerKg;
  }
  return days;
}
