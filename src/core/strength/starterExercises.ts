import type { Exercise } from "../log/records";

type Row = [id: string, name: string, group: string, mechanics: Exercise["mechanics"], direct: string[], indirect: string[], extra?: Partial<Exercise>];

const dumbbell = { equipment: "dumbbells", incrementKg: 2 };
const barbell = { equipment: "barbell", incrementKg: 2.5 };

/** Muscles a movement trains directly and indirectly: common practice, no source. Shares of body weight: common practice, no source. */
const rows: Row[] = [
  ["back-squat", "Back squat", "squat", "compound", ["quadriceps", "glutes"], ["hamstrings", "lower back"], barbell],
  ["front-squat", "Front squat", "squat", "compound", ["quadriceps"], ["glutes", "upper back"], barbell],
  ["split-squat", "Split squat", "squat", "compound", ["quadriceps", "glutes"], ["hamstrings"], { ...dumbbell, perSide: true }],
  ["leg-press", "Leg press", "squat", "compound", ["quadriceps"], ["glutes"], { equipment: "machine", incrementKg: 5 }],
  ["deadlift", "Deadlift", "hinge", "compound", ["glutes", "hamstrings", "lower back"], ["upper back", "quadriceps", "forearms"], barbell],
  ["romanian-deadlift", "Romanian deadlift", "hinge", "compound", ["hamstrings", "glutes"], ["lower back"], barbell],
  ["hip-thrust", "Hip thrust", "hinge", "compound", ["glutes"], ["hamstrings"], barbell],
  ["back-extension", "Back extension", "hinge", "isolation", ["lower back"], ["glutes", "hamstrings"], { equipment: "bench", measure: "bodyweight-reps", bodyShare: 0.4 }],
  ["bench-press", "Bench press", "push", "compound", ["chest"], ["triceps", "front shoulders"], barbell],
  ["overhead-press", "Overhead press", "push", "compound", ["front shoulders"], ["triceps", "side shoulders"], barbell],
  ["dumbbell-press", "Dumbbell press", "push", "compound", ["chest"], ["triceps", "front shoulders"], dumbbell],
  ["dip", "Dip", "push", "compound", ["chest", "triceps"], ["front shoulders"], { measure: "bodyweight-reps", bodyShare: 1, incrementKg: 2.5 }],
  ["push-up", "Push-up", "push", "compound", ["chest"], ["triceps", "front shoulders"], { measure: "bodyweight-reps", bodyShare: 0.65 }],
  ["chin-up", "Chin-up", "pull", "compound", ["lats", "biceps"], ["upper back", "forearms"], { measure: "bodyweight-reps", bodyShare: 1, incrementKg: 2.5 }],
  ["assisted-chin-up", "Assisted chin-up", "pull", "compound", ["lats", "biceps"], ["upper back"], { measure: "assisted-reps", bodyShare: 1, incrementKg: 5 }],
  ["pulldown", "Pulldown", "pull", "compound", ["lats"], ["biceps"], { equipment: "cable", incrementKg: 5 }],
  ["bench-pull", "Bench pull", "row", "compound", ["upper back", "lats"], ["biceps", "rear shoulders"], barbell],
  ["barbell-row", "Barbell row", "row", "compound", ["upper back", "lats"], ["biceps", "lower back"], barbell],
  ["dumbbell-row", "Dumbbell row", "row", "compound", ["lats", "upper back"], ["biceps"], { ...dumbbell, perSide: true }],
  ["biceps-curl", "Biceps curl", "arms", "isolation", ["biceps"], ["forearms"], dumbbell],
  ["triceps-extension", "Triceps extension", "arms", "isolation", ["triceps"], [], { equipment: "cable", incrementKg: 2.5 }],
  ["lateral-raise", "Lateral raise", "arms", "isolation", ["side shoulders"], [], dumbbell],
  ["leg-curl", "Leg curl", "hinge", "isolation", ["hamstrings"], ["calves"], { equipment: "machine", incrementKg: 5 }],
  ["calf-raise", "Calf raise", "squat", "isolation", ["calves"], [], { equipment: "machine", incrementKg: 5 }],
  ["side-plank", "Side plank", "trunk", "isolation", ["obliques"], ["abdominals"], { measure: "duration", perSide: true }],
  ["plank", "Plank", "trunk", "isolation", ["abdominals"], ["obliques"], { measure: "duration" }],
  ["farmer-walk", "Farmer walk", "trunk", "compound", ["forearms"], ["upper back", "obliques"], { measure: "distance", equipment: "dumbbells" }],
];

/** The exercises a new log begins with; all of them the trainee's to change. */
export const starterExercises: Exercise[] = rows.map(([id, name, group, mechanics, direct, indirect, extra]) => ({ id, name, group, mechanics, measure: "load-reps", direct, indirect, ...extra }));
