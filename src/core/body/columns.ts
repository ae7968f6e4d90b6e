import type { ColumnHead } from "../base/column";

/** The columns of the ledger that body weight derives, in their first order. */
export const weightColumns = [
  { id: "trend", title: "Trend", unit: "mass", why: "The trend is computed from all weigh-ins." },
  { id: "rate", title: "Rate a week", unit: "mass", why: "The rate is the trend's own on that day." },
  { id: "step", title: "From the day before", unit: "mass", why: "It is the weight less that of the day before." },
  {
    id: "median",
    title: "Week's median",
    unit: "mass",
    why: "The median is that of the week's mornings; it stands on the week's last day.",
  },
  {
    id: "mean",
    title: "Week's mean",
    unit: "mass",
    why: "The mean is that of the week's mornings; it stands on the week's last day.",
  },
  {
    id: "seven",
    title: "7-day mean",
    unit: "mass",
    why: "It is the mean of the mornings of the seven days up to this one.",
  },
  { id: "plan", title: "Plan", unit: "mass", why: "The plan line is computed from the goal." },
  { id: "against", title: "Against plan", unit: "mass", why: "It is the trend less the plan line." },
] as const satisfies readonly ColumnHead[];
