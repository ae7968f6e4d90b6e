import type { Exercise } from "../log/records";

/**
 * Short and other names of the exercises a log begins with, as they are written in the trade (common practice, no source). A name that
 * lifters give to several of them (`squat`, `press`, `row`, `curl`) is nobody's: it is asked.
 */
export const usualNames: Readonly<Record<string, readonly string[]>> = {
  "back-squat": ["bs", "barbell squat", "barbell back squat", "bb squat"], "front-squat": ["fs"], "high-bar-squat": ["hbs", "high bar"], "low-bar-squat": ["low bar"], "overhead-squat": ["ohs"],
  "safety-bar-squat": ["ssb squat", "safety squat"], "paused-squat": ["pause squat"], "split-squat": ["dumbbell split squat"], "rear-foot-split-squat": ["bulgarian split squat", "bss", "bulgarians", "bulgarian squat"],
  "pistol-squat": ["pistol squat", "pistol", "single-leg squat"], "air-squat": ["air squat", "bw squat"], "one-leg-press": ["single-leg press"], "lunge": ["dumbbell lunge"], "leg-extension": ["quad extension"],
  "deadlift": ["dl", "conventional deadlift", "barbell deadlift"], "sumo-deadlift": ["sumo", "sumo dl"], "deficit-deadlift": ["deficit dl"], "paused-deadlift": ["pause deadlift"], "trap-bar-deadlift": ["hex bar deadlift", "trap bar dl", "tbdl"],
  "romanian-deadlift": ["rdl", "barbell rdl"], "dumbbell-romanian-deadlift": ["dumbbell rdl"], "one-leg-romanian-deadlift": ["single-leg rdl", "sl rdl", "single-leg romanian deadlift", "one-leg rdl"],
  "stiff-leg-deadlift": ["sldl", "stiff-legged deadlift"], "good-morning": ["gm"], "hip-thrust": ["barbell hip thrust"], "kettlebell-swing": ["kb swing", "swing"], "leg-curl": ["hamstring curl", "lying leg curl"],
  "nordic-curl": ["nordics", "nordic hamstring curl"], "back-extension": ["hyperextension"], "cable-pull-through": ["pull-through"],
  "power-clean": ["pc"], "clean-and-jerk": ["c&j", "clean & jerk", "cnj"],
  "bench-press": ["bench", "bp", "barbell bench press", "barbell bench", "flat bench", "flat bench press"], "close-grip-bench-press": ["cgbp", "close-grip bench"], "paused-bench-press": ["pause bench", "pause bench press", "paused bench"],
  "incline-bench-press": ["incline bench", "incline barbell bench press"], "decline-bench-press": ["decline bench"],
  "overhead-press": ["ohp", "military press", "strict press", "standing press", "standing overhead press", "barbell overhead press"], "seated-overhead-press": ["seated ohp"], "behind-neck-press": ["btn press", "behind neck press"],
  "dumbbell-press": ["dumbbell bench press", "dumbbell bench", "flat dumbbell press"], "incline-dumbbell-press": ["incline dumbbell bench press", "incline dumbbell bench", "dumbbell incline press"],
  "dumbbell-shoulder-press": ["dumbbell overhead press", "seated dumbbell press", "dumbbell ohp", "seated dumbbell shoulder press"], "dip": ["parallel bar dip", "weighted dip"], "push-up": ["press-up"],
  "handstand-push-up": ["hspu"], "dumbbell-fly": ["dumbbell flye", "dumbbell flies"], "cable-fly": ["cable flye", "cable flies", "cable crossover"], "machine-fly": ["pec deck", "pec fly"],
  "chin-up": ["chin", "chins", "weighted chin-up"], "pull-up": ["weighted pull-up"], "pulldown": ["lat pulldown", "lat pull-down", "lat pull", "lats pulldown"], "close-grip-pulldown": ["close-grip lat pulldown"],
  "straight-arm-pulldown": ["straight-arm lat pulldown"], "shrug": ["barbell shrug"], "dead-hang": ["bar hang"],
  "barbell-row": ["bent-over row", "bor", "bent row", "barbell bent-over row"], "dead-stop-row": ["pendlay row", "pendlay"], "dumbbell-row": ["one-arm row", "one-arm dumbbell row", "single-arm row", "single-arm dumbbell row"], "cable-row": ["seated row", "cable row", "low row"],
  "chest-supported-row": ["incline dumbbell row"], "t-bar-row": ["t row"], "inverted-row": ["body row", "bodyweight row"], "face-pull": ["rope face pull"], "rear-delt-fly": ["rear delt fly", "rear delt raise", "reverse fly", "rear delt"], "machine-rear-fly": ["reverse pec deck"],
  "biceps-curl": ["dumbbell curl", "dumbbell biceps curl", "bicep curl", "dumbbell bicep curl"], "barbell-curl": ["barbell biceps curl", "barbell bicep curl"], "curl-bar-curl": ["ez bar curl", "ez curl"], "hammer-curl": ["dumbbell hammer curl", "hammers"],
  "triceps-extension": ["triceps pushdown", "tricep pushdown", "tricep extension", "rope pushdown", "pushdown", "cable pushdown", "triceps pressdown"], "overhead-triceps-extension": ["overhead tricep extension"],
  "lying-triceps-extension": ["skullcrusher", "skull crusher", "lying tricep extension", "french press"], "triceps-kickback": ["tricep kickback"], "lateral-raise": ["lat raise", "side raise", "side lateral raise", "dumbbell lateral raise", "laterals"],
  "calf-raise": ["standing calf raise"], "one-leg-calf-raise": ["single-leg calf raise"], "hanging-leg-raise": ["hlr"], "ab-wheel": ["ab wheel rollout", "ab rollout", "rollout"], "russian-twist": ["russian twist"],
  "anti-rotation-press": ["pallof press", "pallof"], "get-up": ["turkish get-up", "tgu"], "farmer-walk": ["farmer's walk", "farmers walk", "farmer carry", "farmer's carry", "farmers carry"], "l-sit": ["l sit"], "sit-up": ["situp"],
};

/** Other names of an exercise: its own where it has the field, else the usual ones of the exercise a log begins with. */
export function aliasesOf({ id, aliases }: Pick<Exercise, "id" | "aliases">): readonly string[] {
  return aliases ?? usualNames[id] ?? [];
}
