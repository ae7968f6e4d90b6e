import type { Exercise } from "../log/records";
import { fromKg, toKg, type MassUnit } from "../units/mass";

type Row = [id: string, name: string, group: string, mechanics: "compound" | "isolation", direct: string, indirect: string, extra?: Partial<Exercise>];

const barbell = { equipment: "barbell", incrementKg: 2.5 };
const curlBar = { equipment: "curl bar", incrementKg: 2.5, barKg: 8 };
const trapBar = { equipment: "trap bar", incrementKg: 2.5, barKg: 25 };
const dumbbells = { equipment: "dumbbells", incrementKg: 2 };
const oneDumbbell = { ...dumbbells, perSide: true };
const kettlebell = { equipment: "kettlebell", incrementKg: 4 };
const machine = { equipment: "machine", incrementKg: 5 };
const oneMachine = { ...machine, perSide: true };
const cable = { equipment: "cable", incrementKg: 2.5 };
const oneCable = { ...cable, perSide: true };
const stack = { equipment: "cable", incrementKg: 5 };
const body = (bodyShare: number, extra: Partial<Exercise> = {}): Partial<Exercise> => ({ measure: "bodyweight-reps", bodyShare, incrementKg: 2.5, ...extra });
const assisted = { measure: "assisted-reps", bodyShare: 1, equipment: "machine", incrementKg: 5 } as const;
const timed = { measure: "duration" } as const;
const carried = (equipment: string): Partial<Exercise> => ({ measure: "distance", equipment });

/**
 * Name, group of lifts, mechanics, muscles trained directly and indirectly, and how the movement is loaded. Muscles: common practice, no
 * source. Shares of body weight that a movement lifts: common practice, no source; bars: as usually made.
 */
const rows: Row[] = [
  // Squat
  ["back-squat", "Back squat", "squat", "compound", "quadriceps, glutes", "hamstrings, lower back, adductors", barbell],
  ["front-squat", "Front squat", "squat", "compound", "quadriceps", "glutes, upper back", barbell],
  ["high-bar-squat", "High-bar squat", "squat", "compound", "quadriceps, glutes", "lower back, adductors", barbell],
  ["low-bar-squat", "Low-bar squat", "squat", "compound", "glutes, quadriceps", "hamstrings, lower back, adductors", barbell],
  ["box-squat", "Box squat", "squat", "compound", "glutes, quadriceps", "hamstrings, lower back", barbell],
  ["paused-squat", "Paused squat", "squat", "compound", "quadriceps, glutes", "lower back, adductors", barbell],
  ["overhead-squat", "Overhead squat", "squat", "compound", "quadriceps", "glutes, upper back, front shoulders", barbell],
  ["zercher-squat", "Zercher squat", "squat", "compound", "quadriceps, glutes", "upper back, biceps", barbell],
  ["safety-bar-squat", "Safety-bar squat", "squat", "compound", "quadriceps, glutes", "upper back, lower back", { ...barbell, barKg: 30 }],
  ["goblet-squat", "Goblet squat", "squat", "compound", "quadriceps", "glutes, upper back", kettlebell],
  ["split-squat", "Split squat", "squat", "compound", "quadriceps, glutes", "hamstrings", oneDumbbell],
  ["rear-foot-split-squat", "Rear-foot-elevated split squat", "squat", "compound", "quadriceps, glutes", "hamstrings, adductors", oneDumbbell],
  ["lunge", "Lunge", "squat", "compound", "quadriceps, glutes", "hamstrings, adductors", oneDumbbell],
  ["walking-lunge", "Walking lunge", "squat", "compound", "quadriceps, glutes", "hamstrings, adductors", oneDumbbell],
  ["reverse-lunge", "Reverse lunge", "squat", "compound", "glutes, quadriceps", "hamstrings", oneDumbbell],
  ["step-up", "Step-up", "squat", "compound", "quadriceps, glutes", "hamstrings", oneDumbbell],
  ["pistol-squat", "One-legged squat", "squat", "compound", "quadriceps, glutes", "adductors", body(0.85, { perSide: true })],
  ["air-squat", "Bodyweight squat", "squat", "compound", "quadriceps, glutes", "adductors", body(0.7)],
  ["leg-press", "Leg press", "squat", "compound", "quadriceps", "glutes, adductors", machine],
  ["one-leg-press", "One-leg press", "squat", "compound", "quadriceps", "glutes", oneMachine],
  ["hack-squat", "Hack squat", "squat", "compound", "quadriceps", "glutes", machine],
  ["belt-squat", "Belt squat", "squat", "compound", "quadriceps, glutes", "adductors", machine],
  ["leg-extension", "Leg extension", "squat", "isolation", "quadriceps", "", machine],
  ["hip-adduction", "Hip adduction", "squat", "isolation", "adductors", "", machine],
  ["wall-sit", "Wall sit", "squat", "isolation", "quadriceps", "glutes", timed],
  ["box-jump", "Box jump", "squat", "compound", "quadriceps, glutes", "calves", body(1)],
  // Hinge
  ["deadlift", "Deadlift", "hinge", "compound", "glutes, hamstrings, lower back", "upper back, quadriceps, forearms, trapezius", barbell],
  ["sumo-deadlift", "Sumo deadlift", "hinge", "compound", "glutes, adductors, quadriceps", "lower back, hamstrings, forearms", barbell],
  ["deficit-deadlift", "Deficit deadlift", "hinge", "compound", "glutes, hamstrings, lower back", "quadriceps, upper back, forearms", barbell],
  ["paused-deadlift", "Paused deadlift", "hinge", "compound", "glutes, hamstrings, lower back", "upper back, quadriceps, forearms", barbell],
  ["rack-pull", "Rack pull", "hinge", "compound", "lower back, glutes", "trapezius, upper back, forearms", barbell],
  ["trap-bar-deadlift", "Trap-bar deadlift", "hinge", "compound", "quadriceps, glutes", "hamstrings, lower back, forearms, trapezius", trapBar],
  ["romanian-deadlift", "Romanian deadlift", "hinge", "compound", "hamstrings, glutes", "lower back, forearms", barbell],
  ["dumbbell-romanian-deadlift", "Dumbbell Romanian deadlift", "hinge", "compound", "hamstrings, glutes", "lower back, forearms", dumbbells],
  ["one-leg-romanian-deadlift", "One-leg Romanian deadlift", "hinge", "compound", "hamstrings, glutes", "lower back", oneDumbbell],
  ["stiff-leg-deadlift", "Stiff-leg deadlift", "hinge", "compound", "hamstrings, lower back", "glutes, forearms", barbell],
  ["good-morning", "Good morning", "hinge", "compound", "hamstrings, lower back", "glutes", barbell],
  ["hip-thrust", "Hip thrust", "hinge", "compound", "glutes", "hamstrings", barbell],
  ["glute-bridge", "Glute bridge", "hinge", "isolation", "glutes", "hamstrings", barbell],
  ["kettlebell-swing", "Kettlebell swing", "hinge", "compound", "glutes, hamstrings", "lower back, forearms", kettlebell],
  ["cable-pull-through", "Cable pull-through", "hinge", "isolation", "glutes", "hamstrings, lower back", cable],
  ["cable-kickback", "Cable kickback", "hinge", "isolation", "glutes", "hamstrings", oneCable],
  ["hip-abduction", "Hip abduction", "hinge", "isolation", "hip abductors", "glutes", machine],
  ["leg-curl", "Leg curl", "hinge", "isolation", "hamstrings", "calves", machine],
  ["seated-leg-curl", "Seated leg curl", "hinge", "isolation", "hamstrings", "calves", machine],
  ["nordic-curl", "Nordic curl", "hinge", "isolation", "hamstrings", "calves", body(0.6)],
  ["back-extension", "Back extension", "hinge", "isolation", "lower back", "glutes, hamstrings", body(0.4, { equipment: "bench" })],
  ["reverse-hyper", "Reverse hyperextension", "hinge", "isolation", "glutes, hamstrings", "lower back", machine],
  // Olympic lifts and throws
  ["clean", "Clean", "olympic", "compound", "quadriceps, glutes, trapezius", "hamstrings, upper back, forearms", barbell],
  ["power-clean", "Power clean", "olympic", "compound", "glutes, hamstrings, trapezius", "quadriceps, upper back, calves", barbell],
  ["hang-clean", "Hang clean", "olympic", "compound", "glutes, trapezius", "hamstrings, upper back", barbell],
  ["clean-and-jerk", "Clean and jerk", "olympic", "compound", "quadriceps, glutes, front shoulders", "trapezius, triceps, upper back", barbell],
  ["snatch", "Snatch", "olympic", "compound", "quadriceps, glutes, trapezius", "upper back, rear shoulders, hamstrings", barbell],
  ["power-snatch", "Power snatch", "olympic", "compound", "glutes, hamstrings, trapezius", "upper back, rear shoulders", barbell],
  ["clean-pull", "Clean pull", "olympic", "compound", "glutes, hamstrings, trapezius", "lower back, forearms", barbell],
  ["snatch-pull", "Snatch pull", "olympic", "compound", "glutes, hamstrings, trapezius", "upper back, forearms", barbell],
  ["push-jerk", "Push jerk", "olympic", "compound", "front shoulders, quadriceps", "triceps, side shoulders", barbell],
  ["push-press", "Push press", "olympic", "compound", "front shoulders, triceps", "quadriceps, side shoulders", barbell],
  ["thruster", "Thruster", "olympic", "compound", "quadriceps, front shoulders", "glutes, triceps", barbell],
  // Push
  ["bench-press", "Bench press", "push", "compound", "chest", "triceps, front shoulders", barbell],
  ["close-grip-bench-press", "Close-grip bench press", "push", "compound", "triceps, chest", "front shoulders", barbell],
  ["paused-bench-press", "Paused bench press", "push", "compound", "chest", "triceps, front shoulders", barbell],
  ["incline-bench-press", "Incline bench press", "push", "compound", "chest, front shoulders", "triceps", barbell],
  ["decline-bench-press", "Decline bench press", "push", "compound", "chest", "triceps", barbell],
  ["floor-press", "Floor press", "push", "compound", "chest, triceps", "front shoulders", barbell],
  ["board-press", "Board press", "push", "compound", "triceps, chest", "front shoulders", barbell],
  ["overhead-press", "Overhead press", "push", "compound", "front shoulders", "triceps, side shoulders", barbell],
  ["seated-overhead-press", "Seated overhead press", "push", "compound", "front shoulders", "triceps, side shoulders", barbell],
  ["behind-neck-press", "Behind-the-neck press", "push", "compound", "front shoulders, side shoulders", "triceps, trapezius", barbell],
  ["dumbbell-press", "Dumbbell press", "push", "compound", "chest", "triceps, front shoulders", dumbbells],
  ["incline-dumbbell-press", "Incline dumbbell press", "push", "compound", "chest, front shoulders", "triceps", dumbbells],
  ["dumbbell-shoulder-press", "Dumbbell shoulder press", "push", "compound", "front shoulders", "triceps, side shoulders", dumbbells],
  ["landmine-press", "Landmine press", "push", "compound", "front shoulders, chest", "triceps, serratus", { ...barbell, perSide: true }],
  ["machine-chest-press", "Machine chest press", "push", "compound", "chest", "triceps, front shoulders", machine],
  ["machine-shoulder-press", "Machine shoulder press", "push", "compound", "front shoulders", "triceps, side shoulders", machine],
  ["dip", "Dip", "push", "compound", "chest, triceps", "front shoulders", body(1)],
  ["assisted-dip", "Assisted dip", "push", "compound", "chest, triceps", "front shoulders", assisted],
  ["push-up", "Push-up", "push", "compound", "chest", "triceps, front shoulders, serratus", body(0.65)],
  ["scapular-push-up", "Scapular push-up", "push", "isolation", "serratus", "chest", body(0.65)],
  ["handstand-push-up", "Handstand push-up", "push", "compound", "front shoulders", "triceps, trapezius", body(1)],
  ["dumbbell-fly", "Dumbbell fly", "push", "isolation", "chest", "front shoulders", dumbbells],
  ["cable-fly", "Cable fly", "push", "isolation", "chest", "front shoulders", cable],
  ["machine-fly", "Machine fly", "push", "isolation", "chest", "front shoulders", machine],
  // Pull
  ["chin-up", "Chin-up", "pull", "compound", "lats, biceps", "upper back, forearms", body(1)],
  ["pull-up", "Pull-up", "pull", "compound", "lats", "biceps, upper back, forearms", body(1)],
  ["assisted-chin-up", "Assisted chin-up", "pull", "compound", "lats, biceps", "upper back", assisted],
  ["assisted-pull-up", "Assisted pull-up", "pull", "compound", "lats", "biceps, upper back", assisted],
  ["pulldown", "Pulldown", "pull", "compound", "lats", "biceps, upper back", stack],
  ["close-grip-pulldown", "Close-grip pulldown", "pull", "compound", "lats, biceps", "upper back", stack],
  ["straight-arm-pulldown", "Straight-arm pulldown", "pull", "isolation", "lats", "triceps", cable],
  ["pullover", "Pullover", "pull", "isolation", "lats", "chest, serratus", dumbbells],
  ["dead-hang", "Dead hang", "pull", "isolation", "forearms", "lats", timed],
  ["shrug", "Shrug", "pull", "isolation", "trapezius", "forearms", barbell],
  ["dumbbell-shrug", "Dumbbell shrug", "pull", "isolation", "trapezius", "forearms", dumbbells],
  ["upright-row", "Upright row", "pull", "compound", "side shoulders, trapezius", "biceps", barbell],
  // Row
  ["bench-pull", "Bench pull", "row", "compound", "upper back, lats", "biceps, rear shoulders", barbell],
  ["barbell-row", "Barbell row", "row", "compound", "upper back, lats", "biceps, lower back", barbell],
  ["dead-stop-row", "Dead-stop row", "row", "compound", "upper back, lats", "biceps, lower back", barbell],
  ["dumbbell-row", "Dumbbell row", "row", "compound", "lats, upper back", "biceps", oneDumbbell],
  ["chest-supported-row", "Chest-supported row", "row", "compound", "upper back, lats", "biceps, rear shoulders", dumbbells],
  ["t-bar-row", "T-bar row", "row", "compound", "upper back, lats", "biceps, lower back", { equipment: "machine", incrementKg: 2.5 }],
  ["cable-row", "Seated cable row", "row", "compound", "upper back, lats", "biceps, rear shoulders", stack],
  ["one-arm-cable-row", "One-arm cable row", "row", "compound", "lats, upper back", "biceps", oneCable],
  ["machine-row", "Machine row", "row", "compound", "upper back, lats", "biceps, rear shoulders", machine],
  ["inverted-row", "Inverted row", "row", "compound", "upper back, lats", "biceps, rear shoulders", body(0.6)],
  ["face-pull", "Face pull", "row", "isolation", "rear shoulders", "upper back, rotator cuff", cable],
  ["rear-delt-fly", "Rear fly", "row", "isolation", "rear shoulders", "upper back", dumbbells],
  ["machine-rear-fly", "Machine rear fly", "row", "isolation", "rear shoulders", "upper back", machine],
  // Arms and shoulders
  ["biceps-curl", "Biceps curl", "arms", "isolation", "biceps", "forearms", dumbbells],
  ["barbell-curl", "Barbell curl", "arms", "isolation", "biceps", "forearms", barbell],
  ["curl-bar-curl", "Curl-bar curl", "arms", "isolation", "biceps", "forearms", curlBar],
  ["hammer-curl", "Hammer curl", "arms", "isolation", "biceps, forearms", "", dumbbells],
  ["incline-curl", "Incline curl", "arms", "isolation", "biceps", "forearms", dumbbells],
  ["preacher-curl", "Preacher curl", "arms", "isolation", "biceps", "forearms", curlBar],
  ["cable-curl", "Cable curl", "arms", "isolation", "biceps", "forearms", cable],
  ["reverse-curl", "Reverse curl", "arms", "isolation", "forearms", "biceps", curlBar],
  ["wrist-curl", "Wrist curl", "arms", "isolation", "forearms", "", dumbbells],
  ["triceps-extension", "Triceps extension", "arms", "isolation", "triceps", "", cable],
  ["overhead-triceps-extension", "Overhead triceps extension", "arms", "isolation", "triceps", "", cable],
  ["lying-triceps-extension", "Lying triceps extension", "arms", "isolation", "triceps", "", curlBar],
  ["triceps-kickback", "Triceps kickback", "arms", "isolation", "triceps", "", oneDumbbell],
  ["lateral-raise", "Lateral raise", "arms", "isolation", "side shoulders", "trapezius", dumbbells],
  ["cable-lateral-raise", "Cable lateral raise", "arms", "isolation", "side shoulders", "trapezius", oneCable],
  ["front-raise", "Front raise", "arms", "isolation", "front shoulders", "", dumbbells],
  ["external-rotation", "External rotation", "arms", "isolation", "rotator cuff", "", oneCable],
  // Calves
  ["calf-raise", "Calf raise", "calves", "isolation", "calves", "", machine],
  ["seated-calf-raise", "Seated calf raise", "calves", "isolation", "calves", "", machine],
  ["one-leg-calf-raise", "One-leg calf raise", "calves", "isolation", "calves", "", body(1, { perSide: true })],
  ["shin-raise", "Shin raise", "calves", "isolation", "shins", "", body(0.1)],
  // Trunk and carries
  ["plank", "Plank", "trunk", "isolation", "abdominals", "obliques", timed],
  ["side-plank", "Side plank", "trunk", "isolation", "obliques", "abdominals, hip abductors", { ...timed, perSide: true }],
  ["hollow-hold", "Hollow hold", "trunk", "isolation", "abdominals", "hip flexors", timed],
  ["l-sit", "L-sit", "trunk", "isolation", "abdominals, hip flexors", "triceps", timed],
  ["adductor-plank", "Adductor plank", "trunk", "isolation", "adductors, obliques", "abdominals", { ...timed, perSide: true }],
  ["sit-up", "Sit-up", "trunk", "isolation", "abdominals", "hip flexors", body(0.3)],
  ["crunch", "Crunch", "trunk", "isolation", "abdominals", "", body(0.2)],
  ["cable-crunch", "Cable crunch", "trunk", "isolation", "abdominals", "", stack],
  ["hanging-leg-raise", "Hanging leg raise", "trunk", "isolation", "abdominals, hip flexors", "forearms", body(0.35)],
  ["ab-wheel", "Ab wheel", "trunk", "isolation", "abdominals", "lats, serratus", body(0.5)],
  ["dead-bug", "Dead bug", "trunk", "isolation", "abdominals", "hip flexors", body(0.2)],
  ["bird-dog", "Bird dog", "trunk", "isolation", "lower back", "glutes, abdominals", body(0.2)],
  ["russian-twist", "Seated twist", "trunk", "isolation", "obliques", "abdominals", { equipment: "plate", incrementKg: 2.5 }],
  ["anti-rotation-press", "Anti-rotation press", "trunk", "isolation", "obliques", "abdominals", oneCable],
  ["wood-chop", "Wood chop", "trunk", "compound", "obliques", "abdominals, front shoulders", oneCable],
  ["side-bend", "Side bend", "trunk", "isolation", "obliques", "", oneDumbbell],
  ["neck-curl", "Neck curl", "trunk", "isolation", "neck", "", { equipment: "plate", incrementKg: 1.25 }],
  ["get-up", "Get-up", "trunk", "compound", "abdominals, obliques, front shoulders", "glutes, quadriceps", { ...kettlebell, perSide: true }],
  ["farmer-walk", "Farmer walk", "carry", "compound", "forearms, trapezius", "upper back, obliques", carried("dumbbells")],
  ["suitcase-carry", "Suitcase carry", "carry", "compound", "obliques, forearms", "trapezius", { ...carried("kettlebell"), perSide: true }],
  ["overhead-carry", "Overhead carry", "carry", "compound", "front shoulders, trapezius", "triceps, obliques", carried("kettlebell")],
  ["sandbag-carry", "Sandbag carry", "carry", "compound", "upper back, glutes", "abdominals, quadriceps", carried("sandbag")],
  ["sled-push", "Sled push", "carry", "compound", "quadriceps, glutes", "calves", carried("sled")],
  ["sled-drag", "Sled drag", "carry", "compound", "quadriceps, hamstrings", "glutes, calves", carried("sled")],
];

const named = (list: string) => (list === "" ? [] : list.split(", "));

/** The exercises a new log begins with; all of them the trainee's to change. */
export const starterExercises: Exercise[] = rows.map(([id, name, group, mechanics, direct, indirect, extra]) => ({ id, name, group, mechanics, measure: "load-reps", direct: named(direct), indirect: named(indirect), ...extra }));

/** Steps and bars in pounds where those in kilograms are not what stands in a gym that counts in pounds (as usually made). */
const poundsFor: Record<number, number> = { 1.25: 2.5, 2: 5, 2.5: 5, 4: 10, 5: 10, 8: 15, 25: 55, 30: 65 };

/** The same for a trainee who counts in a unit: its steps and bars are round in it. */
export function starterExercisesIn(unit: MassUnit): Exercise[] {
  if (unit === "kg") return starterExercises;
  const round = (kg: number) => toKg(poundsFor[kg] ?? Math.round(fromKg(kg, "lb")), "lb");
  return starterExercises.map((exercise) => ({ ...exercise, ...(exercise.incrementKg == null ? {} : { incrementKg: round(exercise.incrementKg) }), ...(exercise.barKg == null ? {} : { barKg: round(exercise.barKg) }) }));
}
