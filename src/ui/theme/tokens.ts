/** The colours of the house, by what they are for. `base.css` carries the same values for our own drawing; a test keeps both equal. */
export const tokens = {
  light: { paper: "#FBF9F3", ink: "#16241F", rule: "#D9D4C4", pine: "#0E6B5C", oat: "#8F6414", plum: "#7A3B69", slate: "#5B6B73", wash: "#F3EEE3" },
  dark: { paper: "#121A19", ink: "#E9E6DA", rule: "#2E3A38", pine: "#57BFA9", oat: "#D9AE5F", plum: "#C78FB8", slate: "#93A3AB", wash: "#1A2423" },
} as const;

export type Mode = keyof typeof tokens;
