import { dateOf, mustDay } from "@/core/base/calendar/day";
import { Memo, untracked } from "@/core/base/memo";
import { type BodyAsk, bodyView } from "@/core/body/bodyView";
import { measuresView } from "@/core/body/measuresView";
import { photosView } from "@/core/body/photosView";
import { columnView } from "@/core/days/columnView";
import { dailyRows } from "@/core/days/daily";
import { dayView } from "@/core/days/dayView";
import { diary, type DiaryAsk } from "@/core/days/diary";
import { holdingsView, libraryView, shellView } from "@/core/days/shellView";
import { distanceView } from "@/core/endurance/distanceView";
import { energyView } from "@/core/energy/energyView";
import { foodAverages } from "@/core/balance/foodAverages";
import { mealWeek } from "@/core/nutrition/mealWeek";
import { mealsCopied, usualsOn, weekCopied } from "@/core/nutrition/usuals";
import { measuredView } from "@/core/balance/measuredView";
import { nutrientTable } from "@/core/balance/nutrientTable";
import { intakeForGoal, whatIf, type WhatIfAsk } from "@/core/balance/whatIf";
import { type GoalAsk, goalPreview } from "@/core/energy/goalPreview";
import { type LedgerAsk, ledgerPreview, ledgerView } from "@/core/ledger/ledgerView";
import { AsOf } from "@/core/log/asOf";
import type { Routine } from "@/core/log/kinds/routines";
import { type Log, peopleOf } from "@/core/log/log";
import { kindNames } from "@/core/log/kinds/all";
import { holdingsOf, joinedPeople, removedPerson } from "@/core/log/people";
import { weekdayIntake } from "@/core/nutrition/foodDay";
import { foodView } from "@/core/nutrition/foodView";
import { blockView } from "@/core/planning/blockView";
import { blocksView } from "@/core/planning/blocksView";
import {
  cycleFilled,
  type CycleFilledAsk,
  cyclesView,
  cycleTyped,
  type CycleTypedAsk,
  cycleViewOf,
  nextCycleOf,
} from "@/core/planning/cycleView";
import { monthsView } from "@/core/planning/monthsView";
import type { RecordKind } from "@/core/log/records";
import { removing } from "@/core/log/removal";
import { takingOut } from "@/core/planning/takeOut";
import { nextWeekView, planDay } from "@/core/planning/nextWeekView";
import { planProposal, type ProposalAsk } from "@/core/planning/proposals";
import { planningOf } from "@/core/planning/slice";
import { routinesView, routineTyped, sessionAsRoutine } from "@/core/planning/routines";
import { standardWeekOf } from "@/core/planning/standardWeek";
import { type WeeksAsk, weeksView } from "@/core/planning/weeksView";
import { recipeTyped } from "@/core/quickEntry/recipeTyped";
import { entryView } from "@/core/quickEntry/entryView";
import { pastedPlan, type PastedPlanAsk } from "@/core/quickEntry/pastedPlan";
import { type ReportAsk, reportView } from "@/core/review/reportView";
import { planDone } from "@/core/review/planDone";
import { kindsView, ownKinds } from "@/core/sessions/kindsView";
import type { LibraryFilter } from "@/core/strength/library";
import { mergeFoods } from "@/core/nutrition/mergeFoods";
import { exercisesView, mergeExercises } from "@/core/strength/libraryView";
import { liftsView, liftView, type SuggestAsk, suggestView } from "@/core/strength/liftsView";
import { householdLifts, recordsView } from "@/core/strength/recordsView";
import { type WorkAsk, workView } from "@/core/strength/workView";
import { type PlanAsk, planLines, planView, sameAsLast, type TableAsk, tableView } from "@/core/training/setsTable";
import { trainingView } from "@/core/training/trainingView";
import type { FigureRef } from "@/core/workings";
import { workingOf } from "@/core/workings";
import { type WorkbookAsk, workbookView } from "@/formats/workbook/preview";
import { setsPreview } from "@/formats/workbook/setsPreview";
import type { SetsSheetAsk } from "@/formats/workbook/setsSheet";

/** Who asks, and what day it is for the trainee. */
export interface Asking {
  personId: string;
  today: string;
}

/**
 * What a question is answered from: the log, figures of a person as of a day, and ids for what an answer proposes to
 * write.
 */
interface Ground {
  log: Log;
  newId: () => string;
  /** Null when the person is not in the log. A day to come is asked about as of today. */
  asOf(asking: Asking, on?: string): AsOf | null;
}

/** One question: from what it asks to its answer, null where the person asked about is not in the log. */
type Question<A, R> = (ground: Ground, asks: A) => R | null;

/** A question about the household, which asks nothing more. */
function ofHousehold<R>(answer: (log: Log) => R): Question<null, R> {
  return ({ log }) => answer(log);
}

/** A question about one person as of today, or as of an earlier day that it names. */
function ofPerson<A extends object, R>(
  answer: (asOf: AsOf, asks: A, newId: () => string) => R,
  on?: (asks: A) => string,
): Question<Asking & A, R> {
  return (ground, asks) => {
    const asOf = ground.asOf(asks, on?.(asks));
    return asOf === null ? null : answer(asOf, asks, ground.newId);
  };
}

interface Days {
  from: string;
  to: string;
}
interface OnDate {
  date: string;
}
interface OfSession extends OnDate {
  sessionId: string;
}
interface OfPerson {
  personId: string;
}

/** Every question the interface can ask, by its name: what it asks and how it is answered. */
const questions = {
  people: ofHousehold(peopleOf),
  library: ofHousehold(libraryView),
  holdings: ofHousehold(holdingsView),
  ownKinds: ofHousehold(ownKinds),
  /** What removing a record comes to, and what becomes of what uses it. */
  removing: ({ log }: Ground, { kind, id }: { kind: RecordKind; id: string }) =>
    kind === "sessions" ? takingOut(log, id) : removing(log, kind, id),
  /** What each kind of record is called, in the order of an archive. */
  kindNames: ofHousehold(() => kindNames),
  kinds: ofPerson((asOf) => kindsView(asOf)),
  planDone: ofPerson((asOf, asks: Days) => planDone(asOf, asks)),
  block: ofPerson((asOf, { blockId }: { blockId: string }) => blockView(asOf, blockId)),
  shell: ofPerson((asOf) => shellView(asOf)),
  column: ofPerson((asOf, { from, to }: Days) => columnView(asOf, mustDay(from), mustDay(to))),
  ledger: ofPerson((asOf, { from, to }: Days) => ledgerView(asOf, mustDay(from), mustDay(to))),
  ledgerPreview: ofPerson((asOf, { ask }: { ask: LedgerAsk }, newId) => ledgerPreview(asOf, ask, newId)),
  day: ofPerson(
    (asOf, { date }: OnDate) => dayView(asOf, mustDay(date)),
    ({ date }) => date,
  ),
  lifts: ofPerson((asOf, { against }: { against: string | null }) => liftsView(asOf, against)),
  lift: ofPerson((asOf, { exerciseId, times }: { exerciseId: string; times: number }) =>
    liftView(asOf, exerciseId, times),
  ),
  suggest: ofPerson((asOf, asks: SuggestAsk) => suggestView(asOf, asks)),
  work: ofPerson((asOf, asks: WorkAsk) => workView(asOf, asks)),
  weeks: ofPerson((asOf, asks: WeeksAsk) => weeksView(asOf, asks)),
  cycles: ofPerson((asOf) => cyclesView(asOf)),
  cycle: ofPerson((asOf, { cycleId }: { cycleId: string }) => cycleViewOf(asOf, cycleId)),
  cycleTyped: ofPerson((asOf, asks: CycleTypedAsk, newId) => cycleTyped(asOf, asks, newId)),
  cycleFilled: ofPerson((asOf, asks: CycleFilledAsk, newId) => cycleFilled(asOf, asks, newId)),
  nextCycle: ofPerson((asOf, { cycleId }: { cycleId: string }, newId) => nextCycleOf(asOf, cycleId, newId)),
  routines: ofPerson((asOf) => routinesView(asOf)),
  routineTyped: ofPerson((asOf, asks: { routine: Routine; items: string }) => routineTyped(asOf, asks)),
  sessionAsRoutine: ofPerson((asOf, asks: OfSession, newId) => sessionAsRoutine(asOf, asks, newId)),
  weekAsStandard: ofPerson((asOf, { from, name }: { from: string; name: string }, newId) =>
    standardWeekOf(asOf, from, name, newId),
  ),
  nextWeek: ofPerson((asOf) => nextWeekView(asOf)),
  /** The record behind a bar beside the weeks. */
  barRecord: ofPerson((asOf, { of, id }: { of: "phase" | "block"; id: string }) => ({
    record:
      (of === "phase" ? planningOf(asOf).phases() : planningOf(asOf).blocks()).find((one) => one.id === id) ?? null,
  })),
  mealWeek: ofPerson((asOf, { date }: OnDate) => mealWeek(asOf, mustDay(date))),
  usuals: ofPerson((asOf, { date }: OnDate) => usualsOn(asOf, mustDay(date))),
  weekCopied: ofPerson((asOf, { from, to }: { from: string; to: string }, newId) =>
    weekCopied(asOf, mustDay(from), mustDay(to), newId),
  ),
  mealsCopied: ofPerson(
    (asOf, { from, to, meal, days }: { from: string; to: string; meal: string | null; days: number }, newId) =>
      mealsCopied(asOf, { from: mustDay(from), to: mustDay(to), meal, days }, newId),
  ),
  recipeTyped: ofPerson((asOf, asks: { ingredients: string }, newId) => recipeTyped(asOf, asks, newId)),
  foodAverages: ofPerson((asOf) => foodAverages(asOf)),
  expenditure: ofPerson((asOf) => measuredView(asOf)),
  intakeForGoal: ofPerson((asOf) => ({ goal: intakeForGoal(asOf) })),
  whatIf: ofPerson((asOf, asks: WhatIfAsk) => whatIf(asOf, asks)),
  planDay: ofPerson((asOf, { date }: OnDate) => planDay(asOf, date)),
  pastedPlan: ofPerson((asOf, { plan }: { plan: PastedPlanAsk }, newId) => pastedPlan(asOf, plan, newId)),
  planProposal: ofPerson((asOf, asks: { ask: ProposalAsk }, newId) => planProposal(asOf, asks, newId)),
  months: ofPerson((asOf, asks: { from: string; months: number }) => monthsView(asOf, asks)),
  phases: ofPerson((asOf) => planningOf(asOf).phases()),
  blocks: ofPerson((asOf, { atMost }: { atMost: number }) => blocksView(asOf, atMost)),
  records: ofPerson((asOf, asks: { exerciseId: string | null; atMost: number }) => recordsView(asOf, asks)),
  householdLifts: (ground: Ground, asks: Asking) =>
    householdLifts(peopleOf(ground.log).flatMap(({ id }) => ground.asOf({ ...asks, personId: id }) ?? [])),
  exercises: ofPerson((asOf, asks: LibraryFilter) => exercisesView(asOf, asks)),
  mergeExercises: ofPerson((asOf, { keptId, goneId }: { keptId: string; goneId: string }) =>
    mergeExercises(asOf, keptId, goneId),
  ),
  mergeFoods: ofPerson((asOf, { keptId, goneId }: { keptId: string; goneId: string }) =>
    mergeFoods(asOf, keptId, goneId),
  ),
  setsPreview: ofPerson((asOf, { text, ask }: { text: string; ask: SetsSheetAsk }, newId) =>
    setsPreview(asOf, text, ask, newId),
  ),
  setsTable: ofPerson((asOf, asks: TableAsk, newId) => tableView(asOf, asks, newId)),
  planTable: ofPerson((asOf, asks: PlanAsk, newId) => planView(asOf, asks, newId)),
  planLines: ofPerson((asOf, { date, sessionId }: OfSession) => planLines(asOf, date, sessionId)),
  sameAsLast: ofPerson((asOf, { date }: OnDate) => sameAsLast(asOf, date)),
  training: ofPerson((asOf, { date, sessionId }: OfSession) => trainingView(asOf, date, sessionId)),
  distance: ofPerson((asOf, { days }: { days: number | null }) => distanceView(asOf, days)),
  body: ofPerson((asOf, asks: BodyAsk) => ({ ...bodyView(asOf, asks), weekdayIntake: weekdayIntake(asOf)() })),
  photos: ofPerson((asOf) => photosView(asOf)),
  report: ofPerson((asOf, asks: ReportAsk) => reportView(asOf, asks)),
  workbook: ofPerson((asOf, asks: WorkbookAsk) => workbookView(asOf, asks)),
  measures: ofPerson((asOf) => measuresView(asOf)),
  food: ofPerson((asOf, { date }: OnDate) => foodView(asOf, mustDay(date))),
  energy: ofPerson((asOf) => energyView(asOf)),
  nutrients: ofPerson((asOf, { from, to }: { from: string; to: string }) =>
    nutrientTable(asOf, mustDay(from), mustDay(to)),
  ),
  goalPreview: ofPerson((asOf, asks: GoalAsk) => goalPreview(asOf, asks)),
  working: ofPerson(
    (asOf, { ref }: { on: string; ref: FigureRef }) => workingOf(asOf, ref),
    ({ on }) => on,
  ),
  diary: ofPerson((asOf, asks: DiaryAsk) => diary(asOf, asks)),
  daily: ofPerson((asOf) => dailyRows(asOf)),
  personHoldings: ({ log }: Ground, { personId }: OfPerson) => holdingsOf(log, personId),
  removedPerson: ({ log }: Ground, { personId }: OfPerson) => removedPerson(log, personId),
  joinedPeople: ({ log }: Ground, { personId, goneId }: OfPerson & { goneId: string }) =>
    joinedPeople(log, personId, goneId),
  entry: (ground: Ground, asks: Asking & OnDate & { text: string; dateOrder: "dmy" | "mdy" | null }) => {
    const asOf = ground.asOf(asks);
    const ofOther = (personId: string) => ground.asOf({ ...asks, personId });
    return asOf === null ? null : entryView(asOf, asks.text, mustDay(asks.date), asks.dateOrder, ground.newId, ofOther);
  },
};

/** Every named figure the interface can ask for: its parameters and what it answers. */
export type Queries = {
  [N in keyof typeof questions]: (typeof questions)[N] extends Question<infer A, infer R>
    ? { asks: A; answers: R }
    : never;
};

export type QueryName = keyof Queries;

/** A question of each view, as it is first asked. */
export function everyView(asking: Asking): { name: QueryName; asks: Queries[QueryName]["asks"] }[] {
  const day = mustDay(asking.today);
  const asks: { [N in QueryName]?: Queries[N]["asks"] } = {
    shell: asking,
    column: { ...asking, from: dateOf(day - 70), to: dateOf(day + 14) },
    ledger: { ...asking, from: dateOf(day - 70), to: dateOf(day + 14) },
    day: { ...asking, date: asking.today },
    lifts: { ...asking, against: null },
    work: { ...asking, from: dateOf(day - 83), to: asking.today },
    weeks: { ...asking, from: dateOf(day - 28), weeks: 16 },
    cycles: asking,
    routines: asking,
    nextWeek: asking,
    blocks: { ...asking, atMost: 4 },
    records: { ...asking, exerciseId: null, atMost: 40 },
    exercises: { ...asking, text: "", muscle: null, equipment: null, group: null },
    distance: { ...asking, days: 84 },
    body: { ...asking, days: null, zoom: null },
    measures: asking,
    food: { ...asking, date: asking.today },
    energy: asking,
    expenditure: asking,
  };
  return (Object.keys(asks) as QueryName[]).map((name) => ({ name, asks: asks[name]! }));
}

/**
 * Figures of so many different days are kept; today's are asked for again and again, others when a trainee looks back.
 */
const figuresKept = 6;

/**
 * Answers queries about one log. The log may change between questions; answers are worked out again as far as that
 * touches them.
 */
export class Answers {
  readonly #kept = new Map<string, AsOf>();
  readonly #ground: Ground;

  constructor(
    readonly log: Log,
    newId: () => string,
  ) {
    this.#ground = { log, newId, asOf: (asking, on = asking.today) => this.#asOf(asking, on) };
  }

  /** The answer, or null when the person asked about is not in the log. */
  answer<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Queries[N]["answers"] | null {
    return untracked(() => this.#handle(name, asks));
  }

  /** The answer as a kept value: it says since when it is what it is. */
  kept<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Memo<Queries[N]["answers"] | null> {
    return new Memo(this.log.index, () => this.#handle(name, asks));
  }

  #handle<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Queries[N]["answers"] | null {
    const question = questions[name] as unknown as Question<Queries[N]["asks"], Queries[N]["answers"]>;
    return question(this.#ground, asks);
  }

  #asOf(asking: Asking, on: string): AsOf | null {
    if (!this.log.index.all("people").has(asking.personId)) return null;
    const day = on < asking.today ? on : asking.today;
    const key = `${asking.personId} ${day}`;
    const asOf = this.#kept.get(key) ?? new AsOf(this.log, asking.personId, mustDay(day));
    this.#kept.delete(key);
    this.#kept.set(key, asOf);
    for (const oldest of this.#kept.keys()) {
      if (this.#kept.size <= figuresKept) break;
      this.#kept.delete(oldest);
    }
    return asOf;
  }
}
