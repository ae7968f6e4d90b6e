"use client";

import { useMode } from "../theme/ThemeProvider";
import { tokens } from "../theme/tokens";

/** The colours of the mode, for charts that need them as values. */
export function useChartColours() {
  return tokens[useMode().mode];
}
