import type { AsOf } from "../log/asOf";
import type { Food } from "../log/kinds/foods";
import { type Change, put, type RecordKind } from "../log/records";
import { repointed } from "../log/references";

/** What makes two foods one: meals of everybody, recipes, and the food itself, which takes what only the other has. */
export interface MergeFoods {
  change: Change;
  meals: number;
  recipes: number;
}

/**
 * Everything that names one food, naming another instead; the first is removed. What was eaten keeps the nutrients it was
 * written with. Null when one of them is not in the log.
 */
export function mergeFoods({ log }: AsOf, keptId: string, goneId: string): MergeFoods | null {
  const foods = log.index.all("foods");
  const [kept, gone] = [foods.get(keptId), foods.get(goneId)];
  if (kept === undefined || gone === undefined || keptId === goneId) return null;
  const moved = repointed(log, "foods", goneId, keptId, []);
  const count = (kind: RecordKind) => moved.filter((step) => "kind" in step && step.kind === kind).length;
  return {
    change: [put("foods", mergedFood(kept, gone), kept), ...moved, { remove: { kind: "foods", id: goneId } }],
    meals: count("meals"),
    recipes: count("recipes"),
  };
}

/** A food with the number, the portions and the weight of a millilitre that only the other has. */
function mergedFood(kept: Food, gone: Food): Food {
  const names = new Set((kept.portions ?? []).map(({ name }) => name.toLowerCase()));
  const portions = [
    ...(kept.portions ?? []),
    ...(gone.portions ?? []).filter(({ name }) => !names.has(name.toLowerCase())),
  ];
  const [gtin, gramsPerMl] = [kept.gtin ?? gone.gtin, kept.gramsPerMl ?? gone.gramsPerMl];
  return {
    ...kept,
    ...(portions.length > 0 ? { portions } : {}),
    ...(gtin == null ? {} : { gtin }),
    ...(gramsPerMl == null ? {} : { gramsPerMl }),
    ...(kept.favourite || gone.favourite ? { favourite: true } : {}),
  };
}
