/**
 * The colours of the house, by what they are for. `base.css` carries the same values for our own drawing; a test keeps
 * both equal.
 */
export const tokens = {
  light: {
    paper: "#fbf9f3",
    ink: "#16241f",
    rule: "#d9d4c4",
    pine: "#0e6b5c",
    oat: "#8f6414",
    plum: "#7a3b69",
    slate: "#5b6b73",
    wash: "#f3eee3",
  },
  dark: {
    paper: "#121a19",
    ink: "#e9e6da",
    rule: "#2e3a38",
    pine: "#57bfa9",
    oat: "#d9ae5f",
    plum: "#c78fb8",
    slate: "#93a3ab",
    wash: "#1a2423",
  },
} as const;

export type Mode = keyof typeof tokens;
