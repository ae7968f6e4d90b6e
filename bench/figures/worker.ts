// What the product's own store and figures take in this browser, beside the plainest thing that could be done with the same bytes.
import "@/core/log/kinds/withoutEval";
import { HyperFormula } from "hyperformula";
import { dateOf, mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import { copyOf } from "@/core/log/copy";
import { emptyLog, fillRecords, putRecord, type Log } from "@/core/log/log";
import { recordKinds } from "@/core/log/kinds/all";
import { Answers, everyView } from "@/compute/queries";
import { decadesLog, veteranId } from "@/demo/decades";
import { madeUpEdit, type EditKind } from "@/demo/edits";
import { Random } from "@/demo/random";
import { FoodSearch } from "@/tables/foodSearch";
import { openDatabase, type LogDatabase } from "@/store/database";
import { layOut } from "@/store/pages";
import { ofGeneration, readLog } from "@/store/reader";
import { Store } from "@/store/store";
import type { IDBPDatabase } from "idb";

export interface Measured {
  name: string;
  value: number;
  unit: string;
  reference?: number;
  referenceName?: string;
}

const today = mustDay("2026-06-11");
const asking = { personId: veteranId, today: dateOf(today) };

/** Everything that the views ask for, all of them open at once. */
const asked = [
  ...(["people", "library", "holdings"] as const).map((name) => ({ name, asks: null })),
  ...everyView(asking),
];

const quantile = (values: number[], share: number) =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))]!;
const median = (values: number[]) => quantile(values, 0.5);

async function timed<T>(work: () => T | Promise<T>): Promise<[T, number]> {
  const start = performance.now();
  const result = await work();
  return [result, performance.now() - start];
}

/** A moment for the collector of garbage between measurements. */
const pause = () => new Promise((resolve) => setTimeout(resolve, 150));

async function rawRead(database: IDBPDatabase<LogDatabase>): Promise<number> {
  const start = performance.now();
  const held: unknown[] = [];
  for (const page of await database.getAll("pages", ofGeneration((await database.get("meta", "standing"))!.generation)))
    held.push(JSON.parse(page.text));
  const took = performance.now() - start;
  return held.length > 0 ? took : NaN;
}

function answerAll(log: Log): string[] {
  const answers = new Answers(log, () => "new");
  return asked.map(({ name, asks }) => JSON.stringify(answers.answer(name, asks as never)));
}

/** A log of the same records of which nothing was computed yet. */
function takenUp(log: Log): Log {
  const again = emptyLog();
  for (const kind of recordKinds) fillRecords(again, kind, [...log.records[kind].values()], null);
  return again;
}

/** What it takes to compute everything afresh, so many times. */
async function recomputes(rounds: number, fresh: () => Log | Promise<Log>): Promise<number[]> {
  const times: number[] = [];
  for (let round = 0; round < rounds; round++) {
    const log = await fresh();
    await pause();
    const [, took] = await timed(() => answerAll(log));
    times.push(took);
  }
  return times;
}

async function measureYears(years: number): Promise<Measured[]> {
  const measured: Measured[] = [];
  const label = (name: string) => `${name}, ${years} year${years === 1 ? "" : "s"}`;
  indexedDB.deleteDatabase("oat-column-generated");
  const store = await Store.open("generated");
  const laidOut = layOut(decadesLog(today, years));
  const [, replacing] = await timed(() => store.replace(laidOut, "bench"));
  measured.push(
    { name: label("write the whole log in one transaction"), value: replacing, unit: "ms" },
    {
      name: label("stored text"),
      value: laidOut.pages.reduce((sum, { text }) => sum + text.length, 0) / 1e6,
      unit: "MB",
    },
  );
  store.close();
  const database = await openDatabase("generated");

  const [reads, raws]: [number[], number[]] = [[], []];
  for (let round = 0; round < 4; round++) {
    await pause();
    raws.push(await rawRead(database));
    await pause();
    const [, took] = await timed(() => readLog(database));
    reads.push(took);
  }
  measured.push({
    name: label("whole log in memory"),
    value: Math.min(...reads),
    unit: "ms",
    reference: Math.min(...raws),
    referenceName: "raw read of the same bytes",
  });

  // A log just read leaves the collector of garbage at work for a while; what computing takes is measured apart from that.
  const { log } = await readLog(database);
  const afterReading = await recomputes(9, async () => (await readLog(database)).log);
  const recomputed = await recomputes(9, () => takenUp(log));
  measured.push(
    { name: label("full recompute of every view"), value: median(recomputed), unit: "ms" },
    { name: label("the same the first time, right after the log was read"), value: afterReading[0]!, unit: "ms" },
    { name: label("the same right after the log was read"), value: median(afterReading), unit: "ms" },
  );
  const [, whole] = await timed(() => contract(copyOf(log), today));
  measured.push({ name: label("every figure of every day, as the figures command prints"), value: whole, unit: "ms" });

  const answers = new Answers(log, () => "new");
  const kept = asked.map(({ name, asks }) => answers.kept(name, asks as never));
  for (const one of kept) one.refresh();
  const histories = answers.answer("lifts", { ...asking, against: null })!.lifts.map(({ exercise }) => exercise.id);
  const [opened, switched]: [number[], number[]] = [[], []];
  for (const exerciseId of histories)
    opened.push((await timed(() => answers.answer("lift", { ...asking, exerciseId, times: 12 })))[1]);
  for (const formula of ["epley", "personal", "wathan", "mean", "personal", "lander", "mean"] as const) {
    const person = log.records.people.get(veteranId)!;
    await pause();
    const [, took] = await timed(() => {
      putRecord(log, "people", { ...person, settings: { ...person.settings, e1rmFormula: formula } });
      for (const one of kept) one.refresh();
    });
    switched.push(took);
  }
  measured.push(
    { name: label("opening the history of a lift, slowest"), value: Math.max(...opened), unit: "ms" },
    { name: label("another formula for everything in every view, slowest"), value: Math.max(...switched), unit: "ms" },
  );
  measured.push(...planning(log, answers, label), ...foodSearch(log, label));
  database.close();
  return measured;
}

/** A search of the composition table and of own foods, as it is typed letter by letter. */
function foodSearch(log: Log, label: (name: string) => string): Measured[] {
  const began = performance.now();
  const search = new FoodSearch([...log.records.foods.values()]);
  const made = performance.now();
  const words = ["spinach", "spinch", "egg boiled", "chicken breast", "rice brown", "milk", "lentil dhal", "potato"];
  const times = words.flatMap((word) =>
    Array.from({ length: word.length }, (_, at) => {
      const start = performance.now();
      search.find(word.slice(0, at + 1), 40);
      return performance.now() - start;
    }),
  );
  return [
    { name: label("a search of the table and own foods, p95"), value: quantile(times, 0.95), unit: "ms" },
    { name: label("the table made ready to be searched"), value: made - began, unit: "ms" },
  ];
}

/** A year planned ahead and a cycle under way: a keystroke in one of its cells, and the weeks of the plan. */
function planning(log: Log, answers: Answers, label: (name: string) => string): Measured[] {
  const [first, second] = [...log.records.exercises.keys()];
  const entries = Array.from({ length: 8 * 4 }, (_, index) => ({
    id: `e${index}`,
    week: 1 + Math.floor(index / 4),
    weekday: [1, 2, 4, 6][index % 4]!,
    exerciseId: index % 2 === 0 ? first! : second!,
    sets: [{ count: 5, reps: 3, percent: 0.75 }],
  }));
  putRecord(log, "cycles", {
    id: "bench-cycle",
    personId: veteranId,
    name: "Bench",
    startDate: dateOf(today - 14),
    weeks: 8,
    maxima: [
      { exerciseId: first!, kg: 150 },
      { exerciseId: second!, kg: 100 },
    ],
    entries,
  });
  for (let day = today + 1; day <= today + 365; day++)
    putRecord(log, "sessions", {
      id: `ahead-${day}`,
      personId: veteranId,
      date: dateOf(day),
      kind: "strength",
      status: "planned",
      planned: { minutes: 60, effort: 7 },
      items: [
        {
          id: "i",
          exerciseId: first!,
          sets: Array.from({ length: 5 }, (_, index) => ({ id: `${index}`, planned: { reps: 5, percent: 0.75 } })),
        },
      ],
    });
  const took = (work: () => unknown) => {
    const start = performance.now();
    work();
    return performance.now() - start;
  };
  const weeks = took(() => answers.answer("weeks", { ...asking, from: dateOf(today - 28), weeks: 16 }));
  answers.answer("cycle", { ...asking, cycleId: "bench-cycle" });
  const keystrokes = Array.from({ length: 120 }, (_, index) =>
    took(() =>
      answers.answer("cycleTyped", {
        ...asking,
        cycleId: "bench-cycle",
        edits: [{ week: 1 + (index % 8), weekday: 1, columnId: first!, text: `5x3 ${60 + (index % 35)} %` }],
      }),
    ),
  );
  return [
    { name: label("the weeks of the plan with a year planned ahead, the first time"), value: weeks, unit: "ms" },
    {
      name: label("a keystroke in a cycle's cell to all its totals, p95"),
      value: quantile(keystrokes, 0.95),
      unit: "ms",
    },
  ];
}

/** A log that is edited, with every answer kept up to date. */
class Edited {
  readonly log: Log;
  readonly kept;
  readonly times: number[] = [];
  readonly byKind = new Map<string, number[]>();
  readonly #random = new Random(11);
  constructor(
    readonly years: number,
    of: readonly (typeof asked)[number][] = asked,
  ) {
    this.log = decadesLog(today, years);
    const answers = new Answers(this.log, () => "new");
    this.kept = of.map(({ name, asks }) => answers.kept(name, asks as never));
    this.refresh();
  }
  refresh(): void {
    for (const one of this.kept) one.refresh();
  }
  edit(kind: EditKind, warm: boolean): void {
    const step = madeUpEdit(this.log, veteranId, kind, this.#random, today - Math.round(this.years * 365) + 1, today);
    if (step === null || "remove" in step) return;
    const start = performance.now();
    putRecord(this.log, step.kind, step.put);
    this.refresh();
    const took = performance.now() - start;
    if (!warm) return;
    this.times.push(took);
    this.byKind.set(kind, [...(this.byKind.get(kind) ?? []), took]);
  }
}

/** The measured expenditure alone, after each of the edits that move it. */
function expenditureEdits(years: number): Measured {
  const log = new Edited(
    years,
    asked.filter(({ name }) => name === "expenditure"),
  );
  for (let round = 0; round < 300; round++) log.edit((["weight", "meal", "note"] as const)[round % 3]!, round >= 60);
  return {
    name: `measured expenditure after an edit, p95, ${years} years`,
    value: quantile(log.times, 0.95),
    unit: "ms",
  };
}

/** A day of forty lines of food, of which one after another is changed: all figures of all views. */
function dayOfForty(years: number): Measured {
  const edited = new Edited(years);
  const [one] = edited.log.records.meals.values();
  const lines = Array.from({ length: 40 }, (_, at) => ({
    ...one!,
    id: `forty-${at}`,
    date: dateOf(today),
    grams: 100,
  }));
  for (const line of lines) putRecord(edited.log, "meals", line);
  edited.refresh();
  const times = Array.from({ length: 120 }, (_, round) => {
    const start = performance.now();
    putRecord(edited.log, "meals", { ...lines[round % 40]!, grams: 101 + round });
    edited.refresh();
    return performance.now() - start;
  });
  return {
    name: `a line changed of a day of forty, p95, ${years} years`,
    value: quantile(times.slice(20), 0.95),
    unit: "ms",
  };
}

/** Random edits, one year and the others in turn, so that a machine whose speed wanders is fair to both. */
async function edits(years: number[]): Promise<Measured[]> {
  const alone = years.filter((some) => some >= 20).flatMap((some) => [expenditureEdits(some), dayOfForty(some)]);
  const logs = years.map((some) => new Edited(some));
  const kinds: EditKind[] = ["weight", "set", "meal", "water", "note", "session"];
  for (let round = 0; round < 900; round++) {
    for (const one of logs) one.edit(kinds[round % kinds.length]!, round >= 120);
    if (round % 60 === 0) await pause();
  }
  const measured = logs.flatMap(({ years, log, kept, times, byKind }) => {
    const after = answerAll(copyOf(log));
    if (!kept.every(({ value }, index) => JSON.stringify(value) === after[index]))
      throw new Error("figures brought up to date differ from figures computed afresh");
    const label = (name: string) => `${name}, ${years} year${years === 1 ? "" : "s"}`;
    return [
      { name: label("one edit to all figures of all views, median"), value: median(times), unit: "ms" },
      { name: label("one edit to all figures of all views, p95"), value: quantile(times, 0.95), unit: "ms" },
      ...[...byKind].map(([kind, some]) => ({
        name: label(`one edit (${kind}), p95`),
        value: quantile(some, 0.95),
        unit: "ms",
      })),
    ];
  });
  return [...measured, ...alone];
}

/** The same weigh-ins in a general spreadsheet engine: weekly median, exponential mean, plan line and 28-day slope beside each. */
function spreadsheet(years: number): Measured[] {
  const log = decadesLog(today, years);
  const weights = [...log.records.weighIns.values()];
  const rows = weights.map(({ kg }, index) => {
    const row = index + 1;
    const [week, month] = [Math.max(1, row - 6), Math.max(1, row - 27)];
    return [
      row,
      kg,
      `=MEDIAN(B${week}:B${row})`,
      index === 0 ? "=B1" : `=D${row - 1}+0.1*(B${row}-D${row - 1})`,
      `=80-0.01*A${row}`,
      row < 3 ? "" : `=SLOPE(B${month}:B${row},A${month}:A${row})`,
    ];
  });
  const start = performance.now();
  const engine = HyperFormula.buildFromArray(rows, { licenseKey: "gpl-v3", maxRows: 20_000 });
  const build = performance.now() - start;
  const edits: number[] = [];
  for (let round = 0; round < 20; round++) {
    const row = Math.floor(((round + 0.5) * rows.length) / 20);
    const before = performance.now();
    engine.setCellContents({ sheet: 0, row, col: 1 }, [[79 + round / 10]]);
    edits.push(performance.now() - before);
  }
  engine.destroy();
  return [
    { name: "spreadsheet engine, weigh-ins alone: build", value: build, unit: "ms" },
    { name: "spreadsheet engine, weigh-ins alone: one edit, p95", value: quantile(edits, 0.95), unit: "ms" },
  ];
}

self.onmessage = (event: MessageEvent<number | "spreadsheet" | number[]>) => {
  const work = async () =>
    event.data === "spreadsheet"
      ? spreadsheet(20)
      : Array.isArray(event.data)
        ? edits(event.data)
        : measureYears(event.data);
  work().then(
    (result) => self.postMessage({ result }),
    (error: unknown) =>
      self.postMessage({ error: error instanceof Error ? (error.stack ?? error.message) : String(error) }),
  );
};
