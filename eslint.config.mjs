import { readdirSync } from "node:fs";
import { fileURLToPath } from "node:url";
import boundaries from "eslint-plugin-boundaries";
import next from "eslint-config-next";
import nextTypescript from "eslint-config-next/typescript";

const here = fileURLToPath(new URL(".", import.meta.url));

/** The rooms of the core in their order: each may import from those before it. What knows all of them (`core/*.ts`) stands behind. */
export const coreRooms = [
  "base",
  "log",
  "entry",
  "profile",
  "sessions",
  "goals",
  "body",
  "strength",
  "training",
  "endurance",
  "planning",
  "energy",
  "nutrition",
  "balance",
  "ledger",
  "review",
  "days",
  "quickEntry",
].map((room) => `core/${room}`);
const core = [...coreRooms, "core"];
/** Each view is a room of its own: no view imports from another. */
const features = readdirSync(`${here}src/features`).map((view) => `features/${view}`);

/** The rooms of the house, and which of them each room may import from. docs/architecture.md draws the same arrows. */
export const arrows = {
  ...Object.fromEntries(core.map((room, index) => [room, core.slice(0, index)])),
  formats: core,
  tables: core,
  demo: core,
  store: [...core, "formats"],
  compute: [...core, "formats", "store", "demo"],
  offline: [],
  ui: [...core, "formats", "compute", "store", "offline"],
  ...Object.fromEntries(
    features.map((view) => [view, [...core, "compute", "store", "ui", "formats", "tables", "demo"]]),
  ),
  app: [...features, "ui", "demo"],
};

/** What of the packages the core may use: the schemas' library, and a small parser. */
const packagesOfCore = ["zod", "papaparse"];

export const rooms = {
  plugins: { boundaries },
  settings: {
    // The first pattern that fits names the room, so what lies inside another stands before it.
    "boundaries/elements": Object.keys(arrows).map((type) => ({ type, pattern: `src/${type}` })),
    "import/resolver": { typescript: { project: "./tsconfig.json" } },
  },
  rules: {
    "boundaries/dependencies": [
      "error",
      {
        default: "disallow",
        policies: [
          ...Object.entries(arrows).map(([room, targets]) => ({
            from: { element: { type: room } },
            allow: { to: { element: { types: { anyOf: [room, ...targets] } } } },
          })),
          { allow: { to: { module: { origin: ["external", "core"] } } } },
        ],
      },
    ],
  },
};

/** Numbers and dates are written in one way, by `core/base/units` and `core/base/calendar/print`; CONTRIBUTING says which. */
const ownWriting = [
  {
    selector:
      "CallExpression[callee.property.name=/^(toFixed|toPrecision|toLocaleString|toLocaleDateString|toLocaleTimeString)$/]",
    message: "Numbers are written by core/base/units/number, dates by ui/dates.",
  },
  {
    selector:
      "CallExpression[callee.type='MemberExpression'][callee.property.name='format'][callee.object.callee.name='dayjs']",
    message: "Dates are written by ui/dates.",
  },
];

/** A table looked up by typed or stored words: `constructor` is a word like any other. */
const record = "id.typeAnnotation.typeAnnotation";
const wordTables = [
  `VariableDeclarator[${record}.typeName.name='Record'][${record}.typeArguments.params.0.type='TSStringKeyword']`,
  `VariableDeclarator[${record}.typeName.name='Readonly'][${record}.typeArguments.params.0.typeName.name='Record'][${record}.typeArguments.params.0.typeArguments.params.0.type='TSStringKeyword']`,
].map((declared) => ({
  selector: `${declared} > ObjectExpression.init:not(:has(> SpreadElement))`,
  message: "A table by words is made by byWord (core/base/byWord).",
}));

/** Fields, lists and dialogs stand once, in the kit; what is the trade's own is named here. */
const ownControls = [
  {
    selector: "JSXOpeningElement[name.name=/^(select|input|textarea|dialog|datalist)$/]",
    message: "Fields, lists and dialogs are those of ui/kit.",
  },
  { selector: "JSXOpeningElement[name.name='table']", message: "Tables are those of ui/kit: RecordTable or Matrix." },
  {
    selector: "JSXOpeningElement[name.name=/^([a-z].*|Link|LinkButton|Button)$/] > JSXAttribute[name.name='title']",
    message: "What is said of a thing on resting there stands in data-hint.",
  },
  {
    selector:
      "JSXAttribute[name.name='style'] > JSXExpressionContainer > ObjectExpression > Property[value.type='Literal']",
    message: "What does not change stands in a style sheet.",
  },
];
const controlsOfTheTrade = [
  "src/ui/entry/EntryLine.tsx",
  "src/ui/grid/CellInput.tsx",
  "src/features/train/Dial.tsx",
  "src/features/lifts/SetsGrid.tsx",
  "src/features/body/Weekdays.tsx",
];

/** The outside world by way of the language itself. */
const noOutside = [
  {
    selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
    message: "core is given the day; it never asks the clock.",
  },
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: "core is given the day; it never asks the clock.",
  },
  {
    selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
    message: "core is deterministic.",
  },
];

/** What the trade's knowledge must never touch: the outside world. */
export const pureCore = {
  "no-restricted-globals": ["error", "window", "document", "fetch", "indexedDB", "localStorage", "navigator", "self"],
  "no-restricted-syntax": ["error", ...ownWriting, ...wordTables, ...noOutside],
  "no-restricted-imports": [
    "error",
    {
      patterns: [
        {
          regex: `^(?!\\.{1,2}/|(${packagesOfCore.join("|")})$)`,
          message: "The core stands on itself, a library for checking and a small parser.",
        },
      ],
    },
  ],
};

const config = [
  {
    ignores: [
      "**/.next/**",
      "bench/bare/**",
      "bench/node_modules/**",
      "node_modules/**",
      "public/**",
      "tests/fixtures/lint/**",
      "next-env.d.ts",
      "build/**",
    ],
  },
  ...next,
  ...nextTypescript,
  { files: ["src/**/*.{ts,tsx}"], ...rooms },
  {
    files: ["src/**/*.{ts,tsx}"],
    ignores: ["src/**/*.test.ts", "src/core/base/units/**", "src/ui/dates.ts"],
    rules: { "no-restricted-syntax": ["error", ...ownWriting, ...wordTables] },
  },
  {
    files: ["src/{app,features,ui}/**/*.tsx"],
    ignores: ["src/ui/kit/**", ...controlsOfTheTrade],
    rules: { "no-restricted-syntax": ["error", ...ownWriting, ...wordTables, ...ownControls] },
  },
  { files: ["src/core/**/*.ts"], ignores: ["**/*.test.ts"], rules: pureCore },
  {
    files: ["src/core/base/units/**/*.ts", "src/core/contract.ts"],
    ignores: ["**/*.test.ts"],
    rules: { "no-restricted-syntax": ["error", ...noOutside] },
  },
  { files: ["src/**/*.test.{ts,tsx}"], rules: { "boundaries/dependencies": "off" } },
  {
    rules: {
      "@typescript-eslint/no-explicit-any": "error",
      "@typescript-eslint/no-unused-vars": ["error", { ignoreRestSiblings: true }],
    },
  },
];

export default config;
