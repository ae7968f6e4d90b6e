// `npm run mutate`: breaks the core in small ways, one at a time, and sees whether a test notices. Prints the share
// noticed by room and each break that nothing noticed. `-- --each 40` tries so many a room (20 without it),
// `-- --room body` one room alone, `-- --seed 7` others.
import { spawn } from "node:child_process";
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { cpus } from "node:os";
import { join, relative } from "node:path";
import { requireNode, requirePackages, root, stop } from "./machine.mjs";

requireNode();
requirePackages();
const { default: ts } = await import("typescript");

const args = process.argv.slice(2);
const option = (name, usual) => (args.includes(name) ? args[args.indexOf(name) + 1] : usual);
const each = Number(option("--each", "20"));
const only = option("--room", null);
if (!(each > 0)) stop("usage: npm run mutate [-- --each 20] [--room body] [--seed 1]");

/** A seeded generator (mulberry32), so that a run can be repeated. */
let state = Number(option("--seed", "1")) >>> 0;
function random() {
  state = (state + 0x6d2b79f5) >>> 0;
  let t = Math.imul(state ^ (state >>> 15), state | 1);
  t = (t + Math.imul(t ^ (t >>> 7), t | 61)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
}

const swapped = {
  "<": "<=",
  "<=": "<",
  ">": ">=",
  ">=": ">",
  "===": "!==",
  "!==": "===",
  "&&": "||",
  "||": "&&",
  "??": "&&",
  "+": "-",
  "-": "+",
  "*": "/",
  "/": "*",
};

/** Every small break of a file: where, what stands there, and what is put in its place. */
function breaksOf(path) {
  const text = readFileSync(path, "utf8");
  const file = ts.createSourceFile(path, text, ts.ScriptTarget.ESNext, true);
  const found = [];
  const add = (node, instead) => found.push({ path, start: node.getStart(), end: node.getEnd(), instead });
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isImportDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const sign = node.operatorToken.getText();
      const ofTexts = sign === "+" && /["'`]/.test(node.getText());
      if (swapped[sign] !== undefined && !ofTexts) add(node.operatorToken, swapped[sign]);
    } else if (ts.isNumericLiteral(node) && !ts.isPropertyAssignment(node.parent))
      add(node, String(Number(node.text.replaceAll("_", "")) + 1));
    else if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, "false");
    else if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, "true");
    else if (ts.isConditionalExpression(node)) add(node.condition, `!(${node.condition.getText()})`);
    else if (ts.isIfStatement(node)) add(node.expression, `!(${node.expression.getText()})`);
    else if (
      ts.isPropertyAccessExpression(node) &&
      node.expression.getText() === "Math" &&
      ["min", "max"].includes(node.name.text)
    )
      add(node.name, node.name.text === "min" ? "max" : "min");
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found.map((one) => ({
    ...one,
    line: file.getLineAndCharacterOfPosition(one.start).line + 1,
    was: text.slice(one.start, one.end),
  }));
}

const core = join(root, "src", "core");
const sourcesIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return sourcesIn(path);
    return entry.name.endsWith(".ts") && !entry.name.endsWith(".test.ts") ? [path] : [];
  });
const rooms = readdirSync(core, { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && (only === null || entry.name === only))
  .map(({ name }) => name);

const queue = rooms.flatMap((room) => {
  const all = sourcesIn(join(core, room)).flatMap(breaksOf);
  return Array.from({ length: Math.min(each, all.length) }, () => ({
    room,
    ...all.splice(Math.floor(random() * all.length), 1)[0],
  }));
});

/** A copy of the project in which files can be broken. */
function workshop(number) {
  const place = join(root, "build", "mutants", String(number));
  rmSync(place, { recursive: true, force: true });
  mkdirSync(place, { recursive: true });
  for (const name of [
    "src",
    "tests",
    "bin",
    "docs",
    "package.json",
    "tsconfig.json",
    "vitest.config.ts",
    "eslint.config.mjs",
  ])
    cpSync(join(root, name), join(place, name), { recursive: true });
  symlinkSync(join(root, "node_modules"), join(place, "node_modules"));
  return place;
}

/** Whether some test of those that reach a file fails, or never ends. */
function noticed(place, file) {
  return new Promise((done) => {
    const child = spawn(
      "npx",
      ["--no-install", "vitest", "related", file, "--run", "--bail", "1", "--project", "core", "--project", "quick"],
      { cwd: place, stdio: "ignore", detached: true },
    );
    const late = setTimeout(() => process.kill(-child.pid, "SIGKILL"), 120_000);
    child.on("exit", (code) => {
      clearTimeout(late);
      done(code !== 0);
    });
  });
}

const results = [];
async function work(number) {
  const place = workshop(number);
  for (let one = queue.shift(); one !== undefined; one = queue.shift()) {
    const file = relative(root, one.path);
    const text = readFileSync(one.path, "utf8");
    writeFileSync(join(place, file), text.slice(0, one.start) + one.instead + text.slice(one.end));
    const seen = await noticed(place, file);
    writeFileSync(join(place, file), text);
    results.push({ ...one, file, seen });
    if (!seen)
      console.log(
        `not noticed: ${file}:${one.line}  ${one.was.replaceAll(/\s+/g, " ").slice(0, 60)}  →  ${one.instead.replaceAll(/\s+/g, " ").slice(0, 60)}`,
      );
  }
}
await Promise.all(
  cpus()
    .slice(0, 2)
    .map((_, number) => work(number)),
);
rmSync(join(root, "build", "mutants"), { recursive: true, force: true });

for (const room of rooms) {
  const own = results.filter((one) => one.room === room);
  if (own.length > 0) console.log(`${room.padEnd(12)} ${own.filter(({ seen }) => seen).length} of ${own.length}`);
}
const share = results.filter(({ seen }) => seen).length / results.length;
console.log(`${Math.round(share * 100)} in 100 noticed, of ${results.length} tried`);
