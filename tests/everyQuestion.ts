import { diaryParts } from "@/core/days/diary";
import type { Asking, Queries, QueryName } from "@/compute/queries";
import { dateOf, mustDay } from "@/core/base/calendar/day";
import { type Log, peopleOf } from "@/core/log/log";
import { equationNames } from "@/core/energy/resting";
import type { ProposalAsk } from "@/core/planning/proposals";
import type { FigureRef } from "@/core/workings";

/** Questions a person can ask of a log, some of each kind: a kind of question without one does not compile. */
export function everyQuestion(log: Log, asking: Asking): { [N in QueryName]: Queries[N]["asks"][] } {
  const { personId, today } = asking;
  const day = mustDay(today);
  const ago = (days: number) => dateOf(day - days);
  const sessions = [...log.records.sessions.values()]
    .filter((session) => session.personId === personId && session.date <= today)
    .sort((a, b) => (a.date + a.id < b.date + b.id ? -1 : 1));
  const lifted = sessions.filter(({ items }) => (items ?? []).length > 0);
  const exerciseIds = [...new Set(lifted.flatMap(({ items }) => items!.map(({ exerciseId }) => exerciseId)))]
    .sort()
    .slice(0, 8);
  const last = lifted.at(-1);
  const covered = sessions.filter(({ distance }) => distance?.done).at(-1);
  const goal = [...log.records.goals.values()].find(
    (one) => one.personId === personId && (one.of ?? "weight") === "weight",
  );
  const measureIds = [...log.records.measures.keys()].sort();
  const first = exerciseIds[0] ?? "back-squat";
  const second = exerciseIds[1] ?? "bench-press";
  const refs: FigureRef[] = [
    { figure: "trend" },
    { figure: "weekly", closingDate: ago(4) },
    { figure: "plan" },
    { figure: "arrival" },
    { figure: "expenditure" },
    ...equationNames.map((equation): FigureRef => ({
      figure: "resting",
      equation,
    })),
    { figure: "foodLeft", date: ago(1) },
    ...exerciseIds.flatMap((exerciseId): FigureRef[] => [
      { figure: "maximum", exerciseId, which: "best" },
      { figure: "maximum", exerciseId, which: "latest" },
      { figure: "repCurve", exerciseId },
    ]),
    { figure: "volume", weekStart: ago(10) },
    { figure: "pace", kind: covered?.kind ?? "run", purpose: covered?.distance?.purpose ?? null, days: 84 },
    { figure: "pace", kind: "run", purpose: null, days: null },
    ...(covered ? [{ figure: "credit" as const, sessionId: covered.id }] : []),
    { figure: "weekday", of: "weight" },
    { figure: "weekday", of: "intake" },
    { figure: "afterTraining" },
    { figure: "second" },
    { figure: "composition" },
    { figure: "waistToHeight" },
    { figure: "change" },
  ];
  const cycleIds = [...log.records.cycles.keys()].sort();
  const standardWeekIds = [...log.records.standardWeeks.keys()].sort();
  const routines = [...log.records.routines.values()];
  const removable = (["phases", "routines", "standardWeeks", "cycles", "recipes"] as const).flatMap((kind) =>
    [...log.records[kind].keys()].slice(0, 2).map((id) => ({ kind, id })),
  );
  const someone = { personId };
  const goneId = peopleOf(log).find(({ id }) => id !== personId)?.id ?? personId;
  return {
    people: [null],
    library: [null],
    holdings: [null],
    ownKinds: [null],
    kinds: [asking],
    planDone: [{ ...asking, from: ago(83), to: ago(-7) }],
    block: [...log.records.blocks.keys()].slice(-2).map((blockId) => ({ ...asking, blockId })),
    kindNames: [null],
    removing: [...removable, { kind: "phases" as const, id: "none" }],
    shell: [asking],
    column: [
      { ...asking, from: ago(420), to: ago(-21) },
      { ...asking, from: ago(70), to: ago(-14) },
    ],
    ledger: [{ ...asking, from: ago(120), to: ago(-14) }],
    ledgerPreview: [
      {
        ...asking,
        ask: {
          edits: [
            { date: ago(2), column: "weight", text: "72.4" },
            { date: ago(3), column: "note", text: "slept badly" },
          ],
        },
      },
      {
        ...asking,
        ask: {
          paste: `${ago(5)}\t71.2\n${ago(4)}\t71.0\n${ago(3)}\tnone`,
          at: { date: ago(5), column: "weight" },
          columns: ["weight", "trend", "plan"],
          order: null,
          unit: null,
        },
      },
    ],
    day: [0, 1, 6, 30, 200].map((days) => ({ ...asking, date: ago(days) })).concat([{ ...asking, date: ago(-2) }]),
    lifts: [
      { ...asking, against: null },
      { ...asking, against: second },
    ],
    lift: exerciseIds.map((exerciseId) => ({ ...asking, exerciseId, times: 40 })),
    suggest: exerciseIds.map((exerciseId) => ({ ...asking, exerciseId, reps: 6, rpe: 8 })),
    work: [
      { ...asking, from: ago(83), to: today },
      { ...asking, from: ago(400), to: ago(7) },
    ],
    weeks: [
      { ...asking, from: ago(28), weeks: 16 },
      { ...asking, from: ago(400), weeks: 53 },
    ],
    months: [{ ...asking, from: ago(90), months: 6 }],
    phases: [asking],
    cycles: [asking],
    cycle: cycleIds.map((cycleId) => ({ ...asking, cycleId })),
    cycleTyped: cycleIds.map((cycleId) => ({
      ...asking,
      cycleId,
      edits: [
        { week: 1, weekday: 1, columnId: first, text: "5x3 75 %" },
        { week: 1, weekday: 1, columnId: null, text: "heavy" },
      ],
    })),
    cycleFilled: cycleIds.map((cycleId) => ({
      ...asking,
      cycleId,
      place: { week: 1, weekday: 1, columnId: first },
      step: { percent: 0.025, kg: 2.5, reps: 0 },
    })),
    nextCycle: cycleIds.map((cycleId) => ({ ...asking, cycleId })),
    routines: [asking],
    routineTyped: routines.map((routine) => ({ ...asking, routine, items: "Back squat 3x5 75 %\nChin-up 3x6" })),
    sessionAsRoutine: [{ ...asking, date: last?.date ?? today, sessionId: last?.id ?? "none" }],
    weekAsStandard: [{ ...asking, from: ago(7), name: "Usual" }],
    nextWeek: [asking],
    barRecord: [...log.records.blocks.keys()].slice(0, 1).map((id) => ({ ...asking, of: "block" as const, id })),
    diary: [{ ...asking, from: "2026-06-01", to: today, parts: [...diaryParts] }],
    mealWeek: [{ ...asking, date: today }],
    usuals: [{ ...asking, date: today }],
    mealsCopied: [{ ...asking, from: ago(1), to: ago(-1), meal: null, days: 2 }],
    recipeTyped: [
      { ...asking, ingredients: "320 g lentils, dry\n2 eggs" },
      { ...asking, ingredients: "5 things" },
    ],
    foodAverages: [asking],
    expenditure: [asking],
    intakeForGoal: [asking],
    whatIf: [{ ...asking, intakeKcal: 2200, until: ago(-100) }],
    planDay: [-1, 0, 3].map((days) => ({ ...asking, date: ago(days) })),
    pastedPlan: [
      {
        ...asking,
        plan: { text: "W1 Tue 8 km easy\nW1 Xyz 5 km", count: "from" as const, day: ago(-7), kind: "run" },
      },
    ],
    planProposal: (
      [
        ...cycleIds.map((cycleId) => ({ of: "cycle" as const, cycleId })),
        ...standardWeekIds.map((standardWeekId) => ({
          of: "standardWeek" as const,
          standardWeekId,
          from: ago(-7),
          weeks: 4,
          rule: { kg: 2.5, reps: 0, percent: 0.025, easyEvery: 4, hardEvery: 3, easySets: 0.5, easyLoad: 0.9 },
        })),
        ...standardWeekIds.map((standardWeekId) => ({ of: "standardWeekFollowed" as const, standardWeekId })),
        { of: "rest", date: ago(-9), rest: true },
        ...routines.map((routine) => ({
          of: "routine" as const,
          routine,
          before: { ...routine, minutes: 45, items: [] },
        })),
        { of: "shift", from: today, days: 3, withBars: true },
        { of: "swap", a: ago(-1), b: ago(-3) },
        { of: "clear", from: today, to: ago(-14) },
        { of: "repeat", date: last?.date ?? today, sessionId: last?.id ?? "none", on: ago(-7), everyDays: 7, times: 3 },
        { of: "taper", event: ago(-15), days: 14, share: 0.5 },
        {
          of: "calendar",
          events: [
            {
              source: "u1",
              date: ago(-4),
              time: "18:00",
              minutes: 60,
              title: "Spin",
              place: "",
              note: "",
              link: "",
              cancelled: false,
            },
          ],
        },
      ] satisfies ProposalAsk[]
    ).map((ask) => ({ ...asking, ask })),
    blocks: [
      { ...asking, atMost: 40 },
      { ...asking, atMost: 4 },
    ],
    records: [
      { ...asking, exerciseId: null, atMost: 200 },
      { ...asking, exerciseId: first, atMost: 50 },
    ],
    householdLifts: [asking],
    exercises: [
      { ...asking, text: "", muscle: null, equipment: null, group: null },
      { ...asking, text: "press", muscle: null, equipment: null, group: null },
    ],
    mergeExercises: [{ ...asking, keptId: first, goneId: second }],
    mergeFoods: [{ ...asking, keptId: "oats", goneId: "egg" }],
    nutrients: [{ ...asking, from: ago(40), to: ago(0) }],
    setsPreview: [
      {
        ...asking,
        text: `Date\tExercise\tSets\tReps\tLoad\n${ago(3)}\tBack squat\t3\t5\t100\n${ago(3)}\tBench press\t5\t5\t70`,
        ask: { columns: null, order: null, matches: {} },
      },
    ],
    setsTable: [
      {
        ...asking,
        date: today,
        lines: [
          { exerciseId: first, sets: "3", reps: "5", load: "100", rpe: "8" },
          { exerciseId: second, sets: "", reps: "8 8 6", load: "60", rpe: "" },
        ],
      },
    ],
    planTable: [
      {
        ...asking,
        date: ago(-3),
        sessionId: null,
        lines: [
          {
            itemId: "",
            exerciseId: first,
            superset: "",
            rest: "",
            tempo: "",
            warmUp: false,
            sets: "3",
            reps: "8-12",
            load: "80%",
            rpe: "",
          },
        ],
      },
    ],
    planLines: [{ ...asking, date: last?.date ?? today, sessionId: last?.id ?? "none" }],
    sameAsLast: [{ ...asking, date: today }],
    training: lifted.slice(-3).map(({ id, date }) => ({ ...asking, date, sessionId: id })),
    distance: [
      { ...asking, days: null },
      { ...asking, days: 84 },
    ],
    body: [
      { ...asking, days: null, zoom: null },
      { ...asking, days: 84, zoom: null },
      { ...asking, days: 31, zoom: { from: ago(30), to: ago(-10) } },
    ],
    photos: [asking],
    report: [
      { ...asking, of: "weight", from: null, until: null },
      ...measureIds.map((of) => ({ ...asking, of, from: ago(84), until: ago(7) })),
    ],
    workbook: [
      {
        ...asking,
        text: `Date\tWeight\tNote\n${ago(900)}\t74.2\tfirst\n${ago(893)}\t74.0\t\n${ago(886)}\t73.9\t`,
        roles: null,
        order: null,
      },
    ],
    measures: [asking],
    food: [0, 1, 8].map((days) => ({ ...asking, date: ago(days) })),
    energy: [asking],
    goalPreview:
      goal === undefined
        ? []
        : [
            { ...asking, goal, kcal: null },
            { ...asking, goal, kcal: 2100 },
          ],
    working: refs.map((ref) => ({ ...asking, on: today, ref })),
    daily: [asking],
    personHoldings: [someone],
    removedPerson: [someone],
    joinedPeople: [{ personId, goneId }],
    entry: ["71.4", "squat 3x5x100", "run 5 km 25:00", "2 eggs, 80 g oats", "waist 80 cm"].map((text) => ({
      ...asking,
      date: today,
      text,
      dateOrder: "dmy" as const,
    })),
    weekCopied: [{ ...asking, from: ago(9), to: ago(2) }],
  };
}
