import { describe, expect, it } from "vitest";
import { z } from "zod";
import { Printer, unitsOf } from "../../base/units/printer";
import { kinds } from "../kinds/all";
import { printQuantity, quantities } from "./quantities";

interface Schema {
  type?: string | string[];
  properties?: Record<string, Schema>;
  additionalProperties?: Schema | boolean;
  items?: Schema;
  anyOf?: Schema[];
  oneOf?: Schema[];
  allOf?: Schema[];
}

/** Names under which a schema holds numbers. */
function* numbersIn(schema: Schema, name: string): Generator<string> {
  if ([schema.type].flat().some((type) => type === "number" || type === "integer")) yield name;
  for (const [key, held] of Object.entries(schema.properties ?? {})) yield* numbersIn(held, key);
  if (schema.items) yield* numbersIn(schema.items, name);
  if (typeof schema.additionalProperties === "object") yield* numbersIn(schema.additionalProperties, name);
  for (const one of [...(schema.anyOf ?? []), ...(schema.oneOf ?? []), ...(schema.allOf ?? [])])
    yield* numbersIn(one, name);
}

describe("the numbers of records in words", () => {
  it("are known for every field of every kind, and no other", () => {
    const found = new Set<string>();
    for (const { schema } of Object.values(kinds))
      for (const name of numbersIn(z.toJSONSchema(schema, { unrepresentable: "any", io: "input" }) as Schema, ""))
        found.add(name);
    expect([...found].filter((name) => !Object.hasOwn(quantities, name))).toEqual([]);
    expect(Object.keys(quantities).filter((name) => !found.has(name))).toEqual([]);
  });
  it("stand in the units of their person", () => {
    const printer = new Printer(unitsOf({ mass: "lb", energy: "kJ", distance: "mi" }));
    const said = (name: string, value: number) => printQuantity(name, value, printer, "run");
    // 100 kg = 220.46 lb; 2,400 kcal × 4.184 = 10,042 kJ; 1,609.344 m = 1 mi.
    expect([said("kg", 100), said("measuredKcal", 2400), said("metres", 1609.344), said("cookedGrams", 1200)]).toEqual([
      "220.46 lb",
      "10,042 kJ",
      "1.00 mi",
      "1,200 g",
    ]);
  });
});
