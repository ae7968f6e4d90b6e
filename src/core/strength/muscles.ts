/**
 * The muscles an exercise can train, by region, as the trade names them: one list, from head to foot. The trainee may
 * add names of their own.
 */
const regions = {
  "neck and back": ["neck", "trapezius", "upper back", "lats", "lower back"],
  shoulders: ["front shoulders", "side shoulders", "rear shoulders", "rotator cuff"],
  "chest and trunk": ["chest", "serratus", "abdominals", "obliques"],
  arms: ["biceps", "triceps", "forearms"],
  "hips and thighs": ["glutes", "hip flexors", "hip abductors", "adductors", "quadriceps", "hamstrings"],
  "lower legs": ["calves", "shins"],
} as const;

/** The same in one list. */
export const muscles: readonly string[] = Object.values(regions).flat();
