/**
 * A small stand-in for a service that knows what stands on a label: made-up products under numbers that GS1 leaves to each
 * house (they begin with 2). It ships with the application and knows nothing else.
 */
const products = {
  "2000000000015": {
    name: "Barley flakes, made up",
    carbohydrateBasis: "available",
    per100g: { kcal: 344, protein: 10.6, fat: 2.1, carbohydrate: 66, fibre: 10, sugars: 0.8 },
    portions: [{ name: "cup", grams: 90 }],
  },
  "2000000000022": {
    name: "Cucumber yoghurt, made up",
    carbohydrateBasis: "available",
    per100g: { kcal: 68, protein: 3.4, fat: 4.2, carbohydrate: 3.9, fibre: 0.3, sugars: 3.9 },
    portions: [{ name: "pot", grams: 200 }],
  },
  "2000000000039": {
    name: "Walnut loaf, made up",
    carbohydrateBasis: "available",
    per100g: { kcal: 312, protein: 9.8, fat: 11, carbohydrate: 40, fibre: 6.4, sugars: 2.7 },
    portions: [{ name: "slice", grams: 42 }],
  },
} as const;

/** Numbers under which the service fails on purpose: it answers late, answers nonsense, or is down. */
export const failing = { slow: "2000000000909", malformed: "2000000000916", down: "2000000000923" } as const;
const lateMs = 20_000;

/** What the service answers for a number. */
export async function labelAnswer(gtin: string): Promise<Response> {
  if (gtin === failing.down) return new Response(null, { status: 503 });
  if (gtin === failing.malformed) return Response.json({ name: 7, per100g: { protein: "much" } });
  if (gtin === failing.slow) await new Promise((resolve) => setTimeout(resolve, lateMs));
  const found = Object.hasOwn(products, gtin) ? products[gtin as keyof typeof products] : null;
  return found === null ? new Response(null, { status: 404 }) : Response.json(found);
}
