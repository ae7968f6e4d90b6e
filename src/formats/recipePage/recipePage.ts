import { name as nameField } from "@/core/log/kinds/fields";
import type { Read } from "../format";
import { isRecord, type Item, itemsOfPage, TooDeep, withoutMarkup } from "./openData";

/** A recipe as a page states it, its texts bare of markup; nothing of it is taken before it is confirmed. */
export interface PageRecipe {
  name: string;
  /** How many it is for; null where the page does not say a number. */
  portions: number | null;
  minutes: number | null;
  /** Lines as they are written. */
  ingredients: string[];
  steps: string[];
  /** Keywords, the kind of dish, and dietary words. */
  tags: string[];
  source: string | null;
  /** The address of its picture, as the page has it. */
  picture: string | null;
}

/** A page is no larger than this, characters. */
const largest = 5_000_000;
/** What is taken of a list, a line, and the words. */
const bounds = { lines: 300, line: 2000, ingredient: 200, words: 12, recipes: 20 } as const;

/**
 * The recipes that a page states as open data: `Recipe` of schema.org, as JSON-LD or as microdata (HTML Living Standard,
 * section 5), or a file of JSON-LD alone. Nothing of the page is run, shown or fetched.
 */
export function readRecipePage(page: string): Read<{ recipes: PageRecipe[] }> {
  const refuse = (message: string) => ({ ok: false as const, problems: [{ path: "(page)", message }] });
  if (page.trim() === "") return refuse("There is nothing in it.");
  if (page.length > largest) return refuse("It is larger than a page with a recipe is: 5 million characters at most.");
  let found: ReturnType<typeof itemsOfPage>;
  let recipes: PageRecipe[];
  try {
    found = itemsOfPage(page);
    recipes = found.items.flatMap((item) => recipeOf(item) ?? []);
  } catch (error) {
    if (error instanceof TooDeep)
      return refuse("Its parts lie deeper in one another than a page's do. It was not read.");
    throw error;
  }
  const { items, unreadable } = found;
  if (recipes.length > 0) return { ok: true, recipes: recipes.slice(0, bounds.recipes) };
  return refuse(
    items.length > 0
      ? "It has a recipe without a name or without ingredients. Write it by hand."
      : unreadable > 0
        ? "Its open data cannot be read: it is no whole JSON. Write the recipe by hand."
        : "No open recipe data (schema.org) is in it. Write the recipe by hand.",
  );
}

function recipeOf(item: Item): PageRecipe | null {
  const name = plain(first(item.name)).slice(0, nameField.maxLength ?? undefined);
  // A line is read in a time that grows with the square of its length: what is longer is no ingredient.
  const ingredients = lines(item.recipeIngredient ?? item.ingredients).map((line) => line.slice(0, bounds.ingredient));
  if (name === "" || ingredients.length === 0) return null;
  const cooked = [item.cookTime, item.prepTime].map((time) => minutesOf(first(time)));
  const total = minutesOf(first(item.totalTime)) ?? (cooked.some((one) => one !== null) ? sum(cooked) : null);
  return {
    name,
    portions: portionsOf(item.recipeYield ?? item.yield),
    minutes: total,
    ingredients,
    steps: stepsOf(item.recipeInstructions, 0).slice(0, bounds.lines),
    tags: [
      ...new Set([
        ...[item.recipeCategory, item.recipeCuisine].flatMap(lines),
        ...list(item.suitableForDiet).map((diet) => dietWords(plain(diet))),
        ...list(item.keywords).flatMap((words) => plain(words).split(/[,;]/)),
      ]),
    ]
      .map((word) => word.trim().toLowerCase())
      .filter((word) => word !== "" && word.length <= 60)
      .slice(0, bounds.words),
    source: address(first(item.url)) ?? address(first(item.mainEntityOfPage)),
    picture: pictureOf(first(item.image)),
  };
}

const list = (value: unknown): unknown[] => (Array.isArray(value) ? value : value == null ? [] : [value]);
const first = (value: unknown): unknown => list(value)[0];
const sum = (values: readonly (number | null)[]) => values.reduce<number>((total, value) => total + (value ?? 0), 0);

/** A text without its markup, entities and blanks read; nothing where it is none. */
function plain(value: unknown): string {
  if (typeof value === "number") return String(value);
  if (typeof value !== "string") return "";
  return withoutMarkup(value).replaceAll(/\s+/g, " ").trim().slice(0, bounds.line);
}

function lines(value: unknown): string[] {
  return list(value)
    .slice(0, bounds.lines)
    .map(plain)
    .filter((line) => line !== "");
}

/** Steps: a text, texts, `HowToStep`s or `HowToSection`s of them. */
function stepsOf(value: unknown, depth: number): string[] {
  if (depth > 4) return [];
  return list(value).flatMap((one) => {
    if (typeof one === "string")
      return one
        .split(/\n|<br\s*\/?>|<\/(?:p|li)>/i)
        .map(plain)
        .filter(Boolean);
    if (!isRecord(one)) return [];
    if (one.itemListElement !== undefined) {
      const title = plain(one.name);
      return [...(title === "" ? [] : [`${title}:`]), ...stepsOf(one.itemListElement, depth + 1)];
    }
    return [plain(one.text) || plain(one.name)].filter(Boolean);
  });
}

/** The number in what a recipe yields: `4`, `4 servings`, `makes 12`; the lower of two. */
function portionsOf(value: unknown): number | null {
  for (const one of list(value)) {
    const number = Number(/\d+(?:[.,]\d+)?/.exec(plain(one))?.[0].replace(",", "."));
    if (number > 0 && number <= 1000) return number;
  }
  return null;
}

/** Minutes of an ISO 8601 duration without years and months. */
function minutesOf(value: unknown): number | null {
  const found = /^P(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?(?:\d+(?:\.\d+)?S)?)?$/i.exec(plain(value));
  if (found === null) return null;
  const [days, hours, minutes] = found.slice(1).map((part) => Number(part ?? 0)) as [number, number, number];
  const total = days * 1440 + hours * 60 + minutes;
  return total > 0 && total <= 10_000 ? total : null;
}

/** `https://schema.org/GlutenFreeDiet` in words: `gluten free`. */
function dietWords(value: string): string {
  return (value.split("/").at(-1) ?? "").replace(/Diet$/, "").replaceAll(/(?<=[a-z])(?=[A-Z])/g, " ");
}

function address(value: unknown): string | null {
  const said = isRecord(value) ? value["@id"] : value;
  return typeof said === "string" && /^https?:\/\/\S+$/i.test(said) && said.length <= bounds.line ? said : null;
}

function pictureOf(value: unknown): string | null {
  const said = isRecord(value) ? first(value.url ?? value.contentUrl) : value;
  return typeof said === "string" && said.length <= largest ? said : null;
}
