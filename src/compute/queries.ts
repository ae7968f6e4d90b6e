import { mustDay } from "@/core/calendar/day";
import type { Reading } from "@/core/entry/reading";
import type { FittedScatter } from "@/core/body/trend";
import { Figures } from "@/core/figures/figures";
import { bodyView, type BodyView } from "@/core/figures/views/body";
import { columnView, type ColumnRow } from "@/core/figures/views/column";
import { distanceView, type DistanceView } from "@/core/figures/views/distance";
import { energyView, foodView, goalPreview, type EnergyView, type FoodView, type GoalPreview } from "@/core/figures/views/energy";
import { entryView } from "@/core/figures/views/entry";
import { liftsView, type LiftsView } from "@/core/figures/views/lifts";
import { holdingsView, libraryView, shellView, type HoldingsView, type LibraryView, type ShellView } from "@/core/figures/views/shell";
import { dayView, type DayView } from "@/core/figures/views/today";
import type { FigureRef, WorkingResult } from "@/core/figures/workings/working";
import { workingOf } from "@/core/figures/workings/workingOf";
import { peopleOf, type Log } from "@/core/log/log";
import type { Goal, Person } from "@/core/log/records";

/** Who asks, and what day it is for the trainee. */
export interface Asking { personId: string; today: string }

/** Every named figure the interface can ask for: its parameters and what it answers. */
export interface Queries {
  people: { asks: null; answers: Person[] };
  shell: { asks: Asking; answers: ShellView };
  library: { asks: null; answers: LibraryView };
  holdings: { asks: null; answers: HoldingsView };
  column: { asks: Asking & { from: string; to: string }; answers: ColumnRow[] };
  day: { asks: Asking & { date: string }; answers: DayView };
  lifts: { asks: Asking & { exerciseId: string | null }; answers: LiftsView };
  distance: { asks: Asking & { days: number | null }; answers: DistanceView };
  body: { asks: Asking & { days: number | null }; answers: BodyView };
  food: { asks: Asking & { date: string }; answers: FoodView };
  energy: { asks: Asking; answers: EnergyView };
  goalPreview: { asks: Asking & { goal: Goal }; answers: GoalPreview };
  working: { asks: Asking & { on: string; ref: FigureRef }; answers: WorkingResult };
  entry: { asks: Asking & { date: string; text: string }; answers: Reading };
}

export type QueryName = keyof Queries;

/** Answers queries about one log; figures of a person and day are kept until the log changes. */
export class Answers {
  readonly #figures = new Map<string, Figures>();
  readonly #fitted: FittedScatter = new Map();

  constructor(readonly log: Log, readonly newId: () => string) {}

  /** Forgets what was computed, after the log has changed. */
  forget(): void {
    this.#figures.clear();
  }

  /** The answer, or null when the person asked about is not in the log. */
  answer<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Queries[N]["answers"] | null {
    const answer = this.#handlers[name] as (asks: Queries[N]["asks"]) => Queries[N]["answers"] | null;
    return answer(asks);
  }

  #of(asking: Asking, on = asking.today): Figures | null {
    const person = this.log.records.people.get(asking.personId);
    if (person === undefined) return null;
    const day = on < asking.today ? on : asking.today;
    const key = `${person.id} ${day}`;
    const figures = this.#figures.get(key) ?? new Figures(this.log, person, mustDay(day), this.#fitted);
    this.#figures.set(key, figures);
    return figures;
  }

  readonly #handlers: { [N in QueryName]: (asks: Queries[N]["asks"]) => Queries[N]["answers"] | null } = {
    people: () => peopleOf(this.log),
    library: () => libraryView(this.log),
    holdings: () => holdingsView(this.log),
    shell: (asks) => this.#with(this.#of(asks), shellView),
    column: (asks) => this.#with(this.#of(asks), (figures) => columnView(figures, mustDay(asks.from), mustDay(asks.to))),
    day: (asks) => this.#with(this.#of(asks, asks.date), (figures) => dayView(figures, mustDay(asks.date))),
    lifts: (asks) => this.#with(this.#of(asks), (figures) => liftsView(figures, asks.exerciseId)),
    distance: (asks) => this.#with(this.#of(asks), (figures) => distanceView(figures, asks.days)),
    body: (asks) => this.#with(this.#of(asks), (figures) => bodyView(figures, asks.days)),
    food: (asks) => this.#with(this.#of(asks), (figures) => foodView(figures, mustDay(asks.date))),
    energy: (asks) => this.#with(this.#of(asks), energyView),
    goalPreview: (asks) => this.#with(this.#of(asks), (figures) => goalPreview(figures, asks.goal)),
    working: (asks) => this.#with(this.#of(asks, asks.on), (figures) => workingOf(figures, asks.ref)),
    entry: (asks) => this.#with(this.#of(asks), (figures) => entryView(figures, asks.text, mustDay(asks.date), this.newId)),
  };

  #with<T>(figures: Figures | null, answer: (figures: Figures) => T): T | null {
    return figures === null ? null : answer(figures);
  }
}
