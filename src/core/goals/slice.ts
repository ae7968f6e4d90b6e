import { type Day, mustDay } from "../base/calendar/day";
import { perOwner } from "../base/memo";
import { type AsOf, byBeginning, Slice } from "../log/asOf";
import type { Goal } from "../log/kinds/goals";
import { aimOf, goalInForce, planLine, type PlanLine, planWeight } from "./plan";

/** The goals of a person, and the plan line of the one in force for the weight. */
class Goals extends Slice {
  /** All of them, in no order. */
  readonly all = this.kept(() => this.asOf.own("goals"));

  /** The weight goal in force on a day; null without one. */
  readonly on = this.keptBy((day: Day): Goal | null => goalInForce(this.all(), day));

  /** The weight goal in force on the day asked about. */
  now(): Goal | null {
    return this.on(this.asOf.on);
  }

  /** The goal in force on a day: of a measure, or with null of the weight. */
  of(measureId: string | null, day: Day): Goal | null {
    return measureId === null ? this.on(day) : goalInForce(this.all(), day, measureId);
  }

  /** The weight goal that begins next, when one lies ahead. */
  next(): Goal | null {
    const ahead = this.all().filter((goal) => aimOf(goal) === "weight" && mustDay(goal.startDate) > this.asOf.on);
    return ahead.sort(byBeginning("startDate"))[0] ?? null;
  }

  /** The plan line in force on a day, or why there is none. */
  readonly lineOn = this.keptBy((day: Day): PlanLine | { reason: string } => {
    const goal = this.on(day);
    return goal === null ? { reason: "no weight goal has begun" } : planLine(goal);
  });

  /** The plan line in force on the day asked about. */
  line(): PlanLine | { reason: string } {
    return this.lineOn(this.asOf.on);
  }

  /** The plan line's weight on a day up to its deadline; null without one in force. */
  planOn(day: Day): number | null {
    const line = this.lineOn(day);
    return "reason" in line || day > line.deadline ? null : planWeight(line, day);
  }
}

export const goalsOf = perOwner((asOf: AsOf) => new Goals(asOf));
