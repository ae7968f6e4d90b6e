import type { EquationName } from "./energy/resting";
import type { Figures } from "./figures/figures";
import {
  afterTrainingWorking,
  arrivalWorking,
  changeWorking,
  planWorking,
  secondWorking,
  trendWorking,
  weekdayWorking,
  weeklyWorking,
} from "./body/workings";
import { compositionWorking, waistToHeightWorking } from "./body/measuresWorkings";
import { creditWorking, expenditureWorking, foodLeftWorking, restingWorking } from "./energy/workings";
import { curveWorking, maximumWorking, paceWorking, volumeWorking } from "./strength/workings";
import type { FigureRef, WorkingResult } from "./base/working";

/** The working of any figure that a view shows. */
export function workingOf(figures: Figures, ref: FigureRef): WorkingResult {
  switch (ref.figure) {
    case "trend":
      return trendWorking(figures);
    case "weekly":
      return weeklyWorking(figures, ref.closingDate);
    case "change":
      return changeWorking(figures);
    case "weekday":
      return weekdayWorking(figures, ref.of);
    case "afterTraining":
      return afterTrainingWorking(figures);
    case "second":
      return secondWorking(figures);
    case "composition":
      return compositionWorking(figures);
    case "waistToHeight":
      return waistToHeightWorking(figures);
    case "plan":
      return planWorking(figures);
    case "arrival":
      return arrivalWorking(figures);
    case "resting":
      return restingWorking(figures, ref.equation as EquationName);
    case "expenditure":
      return expenditureWorking(figures);
    case "foodLeft":
      return foodLeftWorking(figures, ref.date);
    case "credit":
      return creditWorking(figures, ref.sessionId);
    case "maximum":
      return maximumWorking(figures, ref.exerciseId, ref.which);
    case "repCurve":
      return curveWorking(figures, ref.exerciseId);
    case "volume":
      return volumeWorking(figures, ref.weekStart);
    case "pace":
      return paceWorking(figures, ref.kind, ref.purpose, ref.days);
  }
}
