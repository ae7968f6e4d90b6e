"use client";

import { tokens } from "../theme/tokens";
import { useMode } from "../theme/ThemeProvider";

/** The colours of the mode, for charts that need them as values. */
export function useChartColours() {
  return tokens[useMode().mode];
}
