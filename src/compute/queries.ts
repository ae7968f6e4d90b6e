import { dateOf, mustDay } from "@/core/base/calendar/day";
import type { Reading } from "@/core/entry/reading";
import { Figures } from "@/core/figures/figures";
import { blocksView, type BlocksView } from "@/core/planning/blocksView";
import { bodyView, type BodyAsk, type BodyView } from "@/core/body/bodyView";
import { columnView, type ColumnRow } from "@/core/days/columnView";
import { distanceView, type DistanceView } from "@/core/endurance/distanceView";
import { energyView, foodView, type EnergyView, type FoodView } from "@/core/energy/energyView";
import { dailyRows } from "@/core/days/daily";
import { entryView } from "@/core/quickEntry/entryView";
import { holdingsOf, joinedPeople, removedPerson } from "@/core/log/people";
import { goalPreview, type GoalAsk, type GoalPreview } from "@/core/energy/goalPreview";
import {
  ledgerPreview,
  ledgerView,
  type LedgerAsk,
  type LedgerPreview,
  type LedgerRow,
} from "@/core/ledger/ledgerView";
import { exercisesView, mergeExercises, type ExercisesView, type MergeExercises } from "@/core/strength/libraryView";
import {
  liftsView,
  liftView,
  suggestView,
  type LiftsView,
  type LiftView,
  type SuggestAsk,
  type SuggestView,
} from "@/core/strength/liftsView";
import {
  holdingsView,
  libraryView,
  shellView,
  type HoldingsView,
  type LibraryView,
  type ShellView,
} from "@/core/days/shellView";
import { dayView, type DayView } from "@/core/days/dayView";
import { measuresView, type MeasuresView } from "@/core/body/measuresView";
import { photosView, type DayPhoto } from "@/core/body/photosView";
import { householdLifts, recordsView, type HouseholdLifts, type RecordsView } from "@/core/strength/recordsView";
import { reportView, type ReportAsk, type ReportView } from "@/core/review/reportView";
import {
  planLines,
  planView,
  sameAsLast,
  setsPreview,
  tableView,
  type PlanAsk,
  type PlanLine,
  type PlanView,
  type SetsPreview,
  type TableAsk,
  type TableView,
  type TypedLine,
} from "@/core/training/setsTable";
import { trainingView, type TrainingView } from "@/core/training/trainingView";
import type { SetsSheetAsk } from "@/formats/workbook/setsSheet";
import { workView, type WorkAsk, type WorkView } from "@/core/strength/workView";
import { workbookView, type WorkbookAsk, type WorkbookView } from "@/formats/workbook/preview";
import type { FigureRef, WorkingResult } from "@/core/base/working";
import { workingOf } from "@/core/workings";
import type { LibraryFilter } from "@/core/strength/library";
import { peopleOf, type Log } from "@/core/log/log";
import type { Change, RecordKind } from "@/core/log/records";
import type { Person } from "@/core/log/kinds/people";
import { Memo, untracked } from "@/core/base/memo";

/** Who asks, and what day it is for the trainee. */
export interface Asking {
  personId: string;
  today: string;
}

/** Every named figure the interface can ask for: its parameters and what it answers. */
export interface Queries {
  people: { asks: null; answers: Person[] };
  shell: { asks: Asking; answers: ShellView };
  library: { asks: null; answers: LibraryView };
  holdings: { asks: null; answers: HoldingsView };
  column: { asks: Asking & { from: string; to: string }; answers: ColumnRow[] };
  ledger: { asks: Asking & { from: string; to: string }; answers: LedgerRow[] };
  ledgerPreview: { asks: Asking & { ask: LedgerAsk }; answers: LedgerPreview };
  day: { asks: Asking & { date: string }; answers: DayView };
  lifts: { asks: Asking & { against: string | null }; answers: LiftsView };
  lift: { asks: Asking & { exerciseId: string; times: number }; answers: LiftView | null };
  suggest: { asks: Asking & SuggestAsk; answers: SuggestView | { reason: string } | null };
  work: { asks: Asking & WorkAsk; answers: WorkView };
  blocks: { asks: Asking & { atMost: number }; answers: BlocksView };
  records: { asks: Asking & { exerciseId: string | null; atMost: number }; answers: RecordsView };
  householdLifts: { asks: Asking; answers: HouseholdLifts };
  exercises: { asks: Asking & LibraryFilter; answers: ExercisesView };
  mergeExercises: { asks: Asking & { keptId: string; goneId: string }; answers: MergeExercises | null };
  setsPreview: { asks: Asking & { text: string; ask: SetsSheetAsk }; answers: SetsPreview | { reason: string } };
  setsTable: { asks: Asking & TableAsk; answers: TableView };
  planTable: { asks: Asking & PlanAsk; answers: PlanView };
  planLines: { asks: Asking & { date: string; sessionId: string }; answers: PlanLine[] };
  sameAsLast: { asks: Asking & { date: string }; answers: TypedLine[] };
  training: { asks: Asking & { date: string; sessionId: string }; answers: TrainingView | null };
  distance: { asks: Asking & { days: number | null }; answers: DistanceView };
  body: { asks: Asking & BodyAsk; answers: BodyView };
  photos: { asks: Asking; answers: DayPhoto[] };
  report: { asks: Asking & ReportAsk; answers: ReportView };
  workbook: { asks: Asking & WorkbookAsk; answers: WorkbookView | { reason: string } };
  measures: { asks: Asking; answers: MeasuresView };
  food: { asks: Asking & { date: string }; answers: FoodView };
  energy: { asks: Asking; answers: EnergyView };
  goalPreview: { asks: Asking & GoalAsk; answers: GoalPreview };
  working: { asks: Asking & { on: string; ref: FigureRef }; answers: WorkingResult };
  daily: { asks: Asking; answers: (string | number | null)[][] };
  personHoldings: { asks: { personId: string }; answers: { kind: RecordKind; count: number }[] };
  removedPerson: { asks: { personId: string }; answers: Change };
  joinedPeople: { asks: { personId: string; goneId: string }; answers: Change };
  entry: { asks: Asking & { date: string; text: string; dateOrder: "dmy" | "mdy" | null }; answers: Reading };
}

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
    blocks: { ...asking, atMost: 4 },
    records: { ...asking, exerciseId: null, atMost: 40 },
    exercises: { ...asking, text: "", muscle: null, equipment: null, group: null },
    distance: { ...asking, days: 84 },
    body: { ...asking, days: null, zoom: null },
    measures: asking,
    food: { ...asking, date: asking.today },
    energy: asking,
  };
  return (Object.keys(asks) as QueryName[]).map((name) => ({ name, asks: asks[name]! }));
}

/** Figures of so many different days are kept; today's are asked for again and again, others when a trainee looks back. */
const figuresKept = 6;

/** Answers queries about one log. The log may change between questions; answers are worked out again as far as that touches them. */
export class Answers {
  readonly #figures = new Map<string, Figures>();

  constructor(
    readonly log: Log,
    readonly newId: () => string,
  ) {}

  /** The answer, or null when the person asked about is not in the log. */
  answer<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Queries[N]["answers"] | null {
    return untracked(() => this.#handle(name, asks));
  }

  /** The answer as a kept value: it says since when it is what it is. */
  kept<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Memo<Queries[N]["answers"] | null> {
    return new Memo(this.log.index, () => this.#handle(name, asks));
  }

  #handle<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Queries[N]["answers"] | null {
    const answer = this.#handlers[name] as (asks: Queries[N]["asks"]) => Queries[N]["answers"] | null;
    return answer(asks);
  }

  #of(asking: Asking, on = asking.today): Figures | null {
    if (!this.log.index.all("people").has(asking.personId)) return null;
    const day = on < asking.today ? on : asking.today;
    const key = `${asking.personId} ${day}`;
    const figures = this.#figures.get(key) ?? new Figures(this.log, asking.personId, mustDay(day));
    this.#figures.delete(key);
    this.#figures.set(key, figures);
    for (const oldest of this.#figures.keys()) {
      if (this.#figures.size <= figuresKept) break;
      this.#figures.delete(oldest);
    }
    return figures;
  }

  readonly #handlers: { [N in QueryName]: (asks: Queries[N]["asks"]) => Queries[N]["answers"] | null } = {
    people: () => peopleOf(this.log),
    library: () => libraryView(this.log),
    holdings: () => holdingsView(this.log),
    shell: (asks) => this.#with(this.#of(asks), shellView),
    column: (asks) =>
      this.#with(this.#of(asks), (figures) => columnView(figures, mustDay(asks.from), mustDay(asks.to))),
    ledger: (asks) =>
      this.#with(this.#of(asks), (figures) => ledgerView(figures, mustDay(asks.from), mustDay(asks.to))),
    ledgerPreview: (asks) => this.#with(this.#of(asks), (figures) => ledgerPreview(figures, asks.ask, this.newId)),
    day: (asks) => this.#with(this.#of(asks, asks.date), (figures) => dayView(figures, mustDay(asks.date))),
    lifts: (asks) => this.#with(this.#of(asks), (figures) => liftsView(figures, asks.against)),
    lift: (asks) => this.#with(this.#of(asks), (figures) => liftView(figures, asks.exerciseId, asks.times)),
    suggest: (asks) => this.#with(this.#of(asks), (figures) => suggestView(figures, asks)),
    work: (asks) => this.#with(this.#of(asks), (figures) => workView(figures, asks)),
    blocks: (asks) => this.#with(this.#of(asks), (figures) => blocksView(figures, asks.atMost)),
    records: (asks) => this.#with(this.#of(asks), (figures) => recordsView(figures, asks)),
    householdLifts: (asks) =>
      householdLifts(peopleOf(this.log).flatMap(({ id }) => this.#of({ ...asks, personId: id }) ?? [])),
    exercises: (asks) => this.#with(this.#of(asks), (figures) => exercisesView(figures, asks)),
    mergeExercises: (asks) =>
      this.#with(this.#of(asks), (figures) => mergeExercises(figures, asks.keptId, asks.goneId)),
    setsPreview: (asks) =>
      this.#with(this.#of(asks), (figures) => setsPreview(figures, asks.text, asks.ask, this.newId)),
    setsTable: (asks) => this.#with(this.#of(asks), (figures) => tableView(figures, asks, this.newId)),
    planTable: (asks) => this.#with(this.#of(asks), (figures) => planView(figures, asks, this.newId)),
    planLines: (asks) => this.#with(this.#of(asks), (figures) => planLines(figures, asks.date, asks.sessionId)),
    sameAsLast: (asks) => this.#with(this.#of(asks), (figures) => sameAsLast(figures, asks.date)),
    training: (asks) => this.#with(this.#of(asks), (figures) => trainingView(figures, asks.date, asks.sessionId)),
    distance: (asks) => this.#with(this.#of(asks), (figures) => distanceView(figures, asks.days)),
    body: (asks) => this.#with(this.#of(asks), (figures) => bodyView(figures, asks)),
    measures: (asks) => this.#with(this.#of(asks), measuresView),
    photos: (asks) => this.#with(this.#of(asks), photosView),
    workbook: (asks) => this.#with(this.#of(asks), (figures) => workbookView(figures, asks)),
    report: (asks) => this.#with(this.#of(asks), (figures) => reportView(figures, asks)),
    food: (asks) => this.#with(this.#of(asks), (figures) => foodView(figures, mustDay(asks.date))),
    energy: (asks) => this.#with(this.#of(asks), energyView),
    goalPreview: (asks) => this.#with(this.#of(asks), (figures) => goalPreview(figures, asks)),
    working: (asks) => this.#with(this.#of(asks, asks.on), (figures) => workingOf(figures, asks.ref)),
    daily: (asks) => this.#with(this.#of(asks), dailyRows),
    personHoldings: (asks) => holdingsOf(this.log, asks.personId),
    removedPerson: (asks) => removedPerson(this.log, asks.personId),
    joinedPeople: (asks) => joinedPeople(this.log, asks.personId, asks.goneId),
    entry: (asks) =>
      this.#with(this.#of(asks), (figures) =>
        entryView(figures, asks.text, mustDay(asks.date), asks.dateOrder, this.newId),
      ),
  };

  #with<T>(figures: Figures | null, answer: (figures: Figures) => T): T | null {
    return figures === null ? null : answer(figures);
  }
}
