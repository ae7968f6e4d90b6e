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

export type WorkingResult = Working | { reason: string };
