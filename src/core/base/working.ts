/** How a figure was made. */
export interface Working {
  title: string;
  /** The figure itself, printed with its unit. */
  value: string;
  formula: string;
  /** The formula with the numbers put in, a line a step. */
  steps: string[];
  /** Entries it came from; one with a date can be gone to. */
  inputs: { label: string; value: string; date?: string }[];
  assumptions: string[];
  source: string;
  /** How sure it is. */
  sureness: string;
}

/** Which figure's working is asked for. */
export type FigureRef =
  | { figure: "trend" }
  | { figure: "weekly"; closingDate: string }
  | { figure: "plan" }
  | { figure: "arrival" }
  | { figure: "expenditure" }
  | { figure: "resting"; equation: string }
  | { figure: "foodLeft"; date: string }
  | { figure: "maximum"; exerciseId: string; which: "best" | "latest" }
  | { figure: "repCurve"; exerciseId: string }
  | { figure: "volume"; weekStart: string }
  | { figure: "pace"; kind: string; purpose: string | null; days: number | null }
  | { figure: "credit"; sessionId: string }
  | { figure: "weekday"; of: "weight" | "intake" }
  | { figure: "afterTraining" }
  | { figure: "second" }
  | { figure: "composition" }
  | { figure: "waistToHeight" }
  | { figure: "change" };

export type WorkingResult = Working | { reason: string };
