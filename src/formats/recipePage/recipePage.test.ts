import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { siteAnswer } from "@/demo/recipeSite";
import { ingredientLine } from "./ingredientLine";
import { readRecipePage } from "./recipePage";

const pageOf = async (name: string) => (await siteAnswer(name)).text();
const recipeIn = (page: string) => {
  const read = readRecipePage(page);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.recipes[0]!;
};
const whyNot = (page: string) => {
  const read = readRecipePage(page);
  return read.ok ? null : read.problems[0]!.message;
};

describe("a recipe page", () => {
  // The example of schema.org/Recipe ("Mom's World Famous Banana Bread"), in both its forms; written from memory, shortened.
  const jsonLd = `<script type="application/ld+json">
    {
      "@context": "https://schema.org",
      "@type": "Recipe",
      "author": "John Smith",
      "cookTime": "PT1H",
      "datePublished": "2009-05-08",
      "description": "This classic banana bread recipe comes from my mom -- the walnuts add a nice texture and flavor to the banana bread.",
      "image": "bananabread.jpg",
      "recipeIngredient": ["3 or 4 ripe bananas, smashed", "1 egg", "3/4 cup of sugar"],
      "interactionStatistic": { "@type": "InteractionCounter", "userInteractionCount": "140" },
      "name": "Mom's World Famous Banana Bread",
      "nutrition": { "@type": "NutritionInformation", "calories": "240 calories", "fatContent": "9 grams fat" },
      "prepTime": "PT15M",
      "recipeInstructions": "Preheat the oven to 350 degrees. Mix in the ingredients in a bowl. Add the flour last. Pour the mixture into a loaf pan and bake for one hour.",
      "recipeYield": "1 loaf",
      "suitableForDiet": "https://schema.org/LowFatDiet"
    }
    </script>`;
  const microdata = `<div itemscope itemtype="https://schema.org/Recipe">
    <span itemprop="name">Mom's World Famous Banana Bread</span>
    By <span itemprop="author">John Smith</span>, <meta itemprop="datePublished" content="2009-05-08">May 8, 2009
    <img itemprop="image" src="bananabread.jpg" alt="Banana bread on a plate" />
    Prep Time: <meta itemprop="prepTime" content="PT15M">15 minutes
    Cook time: <meta itemprop="cookTime" content="PT1H">1 hour
    Yield: <span itemprop="recipeYield">1 loaf</span>
    Tags: <link itemprop="suitableForDiet" href="https://schema.org/LowFatDiet" />Low fat
    <div itemprop="nutrition" itemscope itemtype="https://schema.org/NutritionInformation">
      <span itemprop="calories">240 calories</span>, <span itemprop="fatContent">9 grams fat</span></div>
    - <span itemprop="recipeIngredient">3 or 4 ripe bananas, smashed</span>
    - <span itemprop="recipeIngredient">1 egg</span>
    - <span itemprop="recipeIngredient">3/4 cup of sugar</span>
    <span itemprop="recipeInstructions">Preheat the oven to 350 degrees. Mix in the ingredients in a bowl. Add the flour last.
    Pour the mixture into a loaf pan and bake for one hour.</span></div>`;
  it("says the same as JSON-LD and as microdata", () => {
    expect(recipeIn(jsonLd)).toEqual({
      name: "Mom's World Famous Banana Bread",
      portions: 1,
      minutes: 75,
      ingredients: ["3 or 4 ripe bananas, smashed", "1 egg", "3/4 cup of sugar"],
      steps: [
        "Preheat the oven to 350 degrees. Mix in the ingredients in a bowl. Add the flour last. Pour the mixture into a loaf pan and bake for one hour.",
      ],
      tags: ["low fat"],
      source: null,
      picture: "bananabread.jpg",
    });
    const { steps, ...marked } = recipeIn(microdata);
    const { steps: same, ...other } = recipeIn(jsonLd);
    expect(marked).toEqual(other);
    expect(steps.join(" ")).toBe(same.join(" "));
  });
  it("has its recipe in a graph, with sections of steps, in markup, and as a file of JSON-LD alone", async () => {
    const soup = recipeIn(await pageOf("lentil-and-walnut-soup"));
    expect(soup).toMatchObject({
      name: "Lentil & walnut soup",
      portions: 6,
      minutes: 55,
      tags: ["soup", "vegan", "lentils", "batch"],
      source: "https://recipes.example/lentil-and-walnut-soup",
    });
    expect(soup.steps).toEqual([
      "The base:",
      "Soften the onions in the oil.",
      "Add lentils, tomatoes and water; simmer for 35 minutes.",
      "Toast the walnuts and put them on top.",
    ]);
    expect(recipeIn(await pageOf("oat-and-apple-bake"))).toMatchObject({
      name: "Oat and apple bake",
      portions: 4,
      minutes: 65,
      ingredients: ["200 g rolled oats", "3 apples", "2 eggs", "300 ml milk"],
    });
    expect(recipeIn('[{"@type":"schema:Recipe","name":"Tea","recipeIngredient":"1 g tea"}]')).toMatchObject({
      ingredients: ["1 g tea"],
      portions: null,
    });
  });
  it("that has none, or is broken, says so", async () => {
    expect(whyNot("")).toBe("There is nothing in it.");
    expect(whyNot(await pageOf("no-recipe"))).toMatch(/^No open recipe data/);
    expect(whyNot(await pageOf("broken"))).toMatch(/no whole JSON/);
    expect(whyNot('{"@type":"Recipe","name":"x"}')).toMatch(/without ingredients/);
    expect(whyNot("x".repeat(5_000_001))).toMatch(/larger than a page/);
  });
  it("that is hostile is read as text, in bounds, and in no time", async () => {
    const start = performance.now();
    const porridge = recipeIn(await pageOf("hostile"));
    expect(porridge).toMatchObject({ name: "Porridge", portions: null, source: null });
    expect(porridge.ingredients).toHaveLength(300);
    expect(JSON.stringify({ ...porridge, picture: null })).not.toMatch(/<|taken|onclick/);
    const deep = `${'{"a":'.repeat(5000)}1${"}".repeat(5000)}`;
    expect(whyNot(deep)).toMatch(/^No open recipe data/);
    expect(whyNot(await pageOf("deep"))).toMatch(/^Its parts lie deeper/);
    expect(whyNot("<div itemscope itemprop=a>".repeat(900))).toMatch(/^No open recipe data/);
    expect(performance.now() - start).toBeLessThan(5000);
  });
  it("never throws, whatever it is made of", () => {
    const value = fc.jsonValue({ maxDepth: 4 });
    fc.assert(
      fc.property(
        fc.dictionary(
          fc.constantFrom(
            "name",
            "recipeIngredient",
            "recipeInstructions",
            "image",
            "url",
            "recipeYield",
            "totalTime",
            "keywords",
            "suitableForDiet",
          ),
          value,
        ),
        (item) => {
          const read = readRecipePage(JSON.stringify({ "@type": "Recipe", ...item }));
          if (read.ok) expect(read.recipes[0]!.ingredients.every((line) => line.length > 0)).toBe(true);
        },
      ),
      { numRuns: 300 },
    );
    fc.assert(
      fc.property(
        fc.string(),
        (text) => void readRecipePage(`<div itemscope itemtype="https://schema.org/Recipe">${text}`),
      ),
    );
  });
});

describe("a line of ingredients", () => {
  it("has an amount, a unit and a food; what may be either has none", () => {
    const of = (text: string) => {
      const { quantity, to, unit, each, food } = ingredientLine(text)!;
      return [quantity, to, unit, each?.quantity ?? null, food];
    };
    expect(of("1,5 kg potatoes, peeled")).toEqual([1.5, null, "kilogram", null, "potatoes, peeled"]);
    expect(of("1 1/2 cups oats")).toEqual([1.5, null, "cup", null, "oats"]);
    expect(of("½ tsp salt")).toEqual([0.5, null, "teaspoon", null, "salt"]);
    expect(of("2-3 carrots")).toEqual([2, 3, null, null, "carrots"]);
    expect(of("2 large eggs")).toEqual([2, null, null, null, "eggs"]);
    expect(of("1 tin (400 g) chopped tomatoes")).toEqual([1, null, null, 400, "tin (400 g) chopped tomatoes"]);
    expect(of("salt to taste")[0]).toBeNull();
    expect(of("1,500 g flour")[0]).toBeNull();
    expect(ingredientLine("For the sauce:")).toBeNull();
  });
});
