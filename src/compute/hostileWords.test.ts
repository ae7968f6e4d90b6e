import { readArchive } from "@/formats/archive/read";
import { strToU8 } from "fflate";
import { readFileSync } from "node:fs";
import { afterEach, describe, expect, it } from "vitest";
import { everyQuestion } from "../../tests/everyQuestion";
import { Answers, type QueryName } from "./queries";

// Words that every object of the language knows: as names, ids, groups and kinds they are words like any other.
const words = [
  "constructor",
  "toString",
  "__proto__",
  "hasOwnProperty",
  "valueOf",
  "constructor bar",
  "__proto__ press",
];

const fixture = readFileSync(new URL("../../tests/fixtures/archive-v1.json", import.meta.url), "utf8");
const today = "2026-05-02";
const lines = [
  "squat 3x5 80",
  "bac",
  "skyrr 100 g",
  "pizza 300 g",
  "71.4",
  ...words.flatMap((word) => [
    word,
    `${word} 3x5 80`,
    `run 5 ${word} 20:00`,
    `run 5 km ${word}`,
    `${word} 5 km 25:00`,
    `80 ${word} oats`,
    `100 g ${word}`,
    `71.4 ${word}`,
    `lunch: ${word} 300 kcal`,
    `${word} 80 cm`,
    `plan ${word} run 5 km`,
    `${word}: 71.4`,
    `3 ${word} water`,
  ]),
];

const global = () => [
  Object.getOwnPropertyNames(Object.prototype).sort(),
  Object.getOwnPropertyNames(Object).sort(),
  Object.getOwnPropertyNames(Array.prototype).sort(),
];
const before = global();
afterEach(() => {
  expect(global()).toEqual(before);
  for (const key in {}) expect.fail(`every object has a key ${key}`);
});

/** Every question, and every line, of a log; what goes wrong names the question. */
function askAll(text: string): void {
  const reading = readArchive(strToU8(text));
  if (!reading.ok) throw new Error(reading.problems.map(({ path, message }) => `${path}: ${message}`).join("; "));
  const { log } = reading;
  const answers = new Answers(log, () => "new");
  const asking = { personId: log.records.people.keys().next().value!, today };
  const ask = (name: QueryName, asks: unknown) => {
    try {
      JSON.stringify(answers.answer(name, asks as never));
    } catch (error) {
      throw new Error(`${name} ${JSON.stringify(asks)}`, { cause: error });
    }
  };
  for (const [name, all] of Object.entries(everyQuestion(log, asking)))
    for (const asks of all) ask(name as QueryName, asks);
  for (const line of lines) ask("entry", { ...asking, date: today, text: line, dateOrder: "dm" });
  for (const word of words) {
    ask("recipeTyped", { ...asking, ingredients: `80 g ${word}\n1 ${word}\n${word} 5` });
    ask("pastedPlan", {
      ...asking,
      plan: { text: `Mon ${word} 5 km\nTue 6x400 ${word}\n${word}: run 5`, count: "from", day: today, kind: "run" },
    });
    ask("routineTyped", { ...asking, routine: { id: "r", name: word, items: [] }, items: `${word} 3x5 80` });
  }
}

describe("words that every object knows", () => {
  it("are words like any other in the quick-entry line, recipes, routines and pasted plans", () => {
    askAll(fixture);
  });
  const places: [string, string][] = [
    ["an exercise's name", '"name":"Front squat"'],
    ["an exercise's group", '"group":"squat"'],
    ["a muscle", '"quadriceps"'],
    ["a kind of activity", '"name":"swim"'],
    ["a kind of session", '"kind":"strength"'],
    ["a measure's name", '"name":"Waist"'],
    ["a measure's unit", '"unit":"cm"'],
    ["a food's name", '"name":"Oats"'],
    ["a portion", '"name":"cup"'],
    ["a recipe's name", '"name":"Porridge"'],
    ["a meal", '"meal":"breakfast"'],
    ["a person's name", '"name":"Version one"'],
    ["a method", '"method":"tape"'],
  ];
  it.each(places)("are %s like any other", (_, place) => {
    const compact = JSON.stringify(JSON.parse(fixture));
    expect(compact).toContain(place);
    for (const word of words) {
      const said = place.includes(":") ? `${place.slice(0, place.indexOf(":"))}:"${word}"` : `"${word}"`;
      askAll(compact.replaceAll(place, said));
    }
  });
  it.each(["p1", "e1", "k1", "ms1", "f1", "rc1", "s1", "i1", "ml1", "g1", "es1"])(
    "are an id like any other (%s)",
    (id) => {
      const compact = JSON.stringify(JSON.parse(fixture));
      for (const word of words) askAll(compact.replaceAll(`"${id}"`, `"${word}"`));
    },
  );
  it("of a planned exercise in a group called __proto__ touch nothing outside", () => {
    const document = JSON.parse(fixture) as { sessions: { date: string; status: string; items: object[] }[] };
    document.sessions.push({ ...document.sessions[0]!, date: "2026-05-03", status: "planned" });
    Object.assign(document.sessions.at(-1)!, { id: "planned-one" });
    askAll(JSON.stringify(document).replaceAll('"group":"squat"', '"group":"__proto__"'));
  });
});
