import { messageOf } from "@/core/base/messageOf";

/** A cell that was typed into and left: what is to be written into it, and what it showed before. */
export interface Typed<C> {
  cell: C;
  text: string;
  /** What the cell said when it was opened: another tab may write in it meanwhile. */
  before: string;
  /** Whether the trainee has said that what was questioned is right. */
  agreed: boolean;
}

/**
 * What became of a typed cell. `now`: what it says once it is written, which the grid shows by itself once `shown`
 * resolves.
 */
export type Outcome = { now: string; shown: Promise<void> } | { refused: string } | { questioned: string };

/** A typed cell that was not written, and why; `agreed` would write one that was only questioned. */
export interface Returned<C> {
  typed: Typed<C>;
  why: string;
  questioned: boolean;
}

/** How a grid writes a typed cell. `own`: what this tab itself wrote into it last, undefined where it wrote nothing. */
export type WriteCell<C> = (typed: Typed<C>, own: string | undefined) => Promise<Outcome>;

/** What of a grid is typed and not in the log: cells on their way by their keys, and those that came back. */
export interface Behind<C> {
  waiting: ReadonlyMap<string, Typed<C>>;
  returned: ReadonlyMap<string, Returned<C>>;
}

/**
 * The cells of a grid that were typed and left, on their way into the log: they are written one after another, in the
 * order in which they were left, while the trainee types on. What is refused or questioned comes back with what was typed
 * and stands there until it is put right; what comes after it is written all the same, and what was refused is tried
 * again once another cell of its row is written, since it may have hung on that one. It outlives the view that holds the
 * grid, and a reload.
 */
export class WriteBehind<C> {
  #write: WriteCell<C> | null = null;
  #behind: Behind<C> = { waiting: new Map(), returned: new Map() };
  readonly #queue: { key: string; typed: Typed<C> }[] = [];
  readonly #own = new Map<string, string>();
  readonly #listeners = new Set<() => void>();
  #working: Promise<void> | null = null;

  /**
   * @param keyOf names a cell for ever, whatever rows and columns are shown
   * @param rowOf the row to which a cell belongs, named likewise
   * @param keep where what waits and what came back is kept over a reload
   */
  constructor(
    private readonly keyOf: (cell: C) => string,
    private readonly rowOf: (cell: C) => string,
    private readonly keep: Keep<C>,
  ) {
    for (const typed of keep.read()) this.#put(typed);
  }

  /** What is not in the log; the same object until it changes. */
  get behind(): Behind<C> {
    return this.#behind;
  }

  /** Takes the way to write; what waits from before a reload goes on from here. */
  begin(write: WriteCell<C>): void {
    this.#write = write;
    this.#work();
  }

  /** Sends a cell on its way. What came back of the same cell is given up for it. */
  add(typed: Typed<C>): void {
    this.#put(typed);
    this.#changed();
    this.#work();
  }

  /** Gives up what came back of a cell: it stays as the log has it. */
  drop(key: string): void {
    this.#set({ returned: without(this.#behind.returned, key) });
  }

  subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => {
      this.#listeners.delete(listener);
    };
  };

  /** Resolves once nothing is on its way. */
  async settled(): Promise<void> {
    while (this.#working !== null) await this.#working;
  }

  #put(typed: Typed<C>): void {
    const key = this.keyOf(typed.cell);
    this.#queue.push({ key, typed });
    this.#behind = {
      waiting: new Map(this.#behind.waiting).set(key, typed),
      returned: without(this.#behind.returned, key),
    };
  }

  #work(): void {
    if (this.#working !== null || this.#write === null || this.#queue.length === 0) return;
    this.#working = this.#writeAll(this.#write).finally(() => {
      this.#working = null;
      // Something may have come between the last look and now.
      this.#work();
    });
  }

  async #writeAll(write: WriteCell<C>): Promise<void> {
    for (let next = this.#queue[0]; next !== undefined; next = this.#queue[0]) {
      const { key, typed } = next;
      const outcome = await write(typed, this.#own.get(key)).catch((error: unknown): Outcome => ({
        refused: messageOf(error),
      }));
      this.#queue.shift();
      if ("now" in outcome) {
        this.#own.set(key, outcome.now);
        this.#tryAgain(this.rowOf(typed.cell));
        this.#changed();
        const done = () => {
          if (this.#behind.waiting.get(key) === typed) this.#set({ waiting: without(this.#behind.waiting, key) });
        };
        void outcome.shown.then(done, done);
      } else if (this.#behind.waiting.get(key) === typed) {
        const [why, questioned] =
          "refused" in outcome ? [outcome.refused, false] : ([outcome.questioned, true] as const);
        this.#set({
          waiting: without(this.#behind.waiting, key),
          returned: new Map(this.#behind.returned).set(key, { typed, why, questioned }),
        });
      } // Otherwise what was typed into the cell since stands in its place.
    }
  }

  #tryAgain(row: string): void {
    for (const { typed, questioned } of this.#behind.returned.values())
      if (!questioned && this.rowOf(typed.cell) === row) this.#put(typed);
  }

  #set(part: Partial<Behind<C>>): void {
    this.#behind = { ...this.#behind, ...part };
    this.#changed();
  }

  #changed(): void {
    const { returned } = this.#behind;
    this.keep.write([...this.#queue.map(({ typed }) => typed), ...[...returned.values()].map(({ typed }) => typed)]);
    for (const listener of this.#listeners) listener();
  }
}

/** Where typed cells are kept over a reload. */
export interface Keep<C> {
  read: () => Typed<C>[];
  write: (typed: readonly Typed<C>[]) => void;
}

function without<V>(map: ReadonlyMap<string, V>, key: string): ReadonlyMap<string, V> {
  if (!map.has(key)) return map;
  const next = new Map(map);
  next.delete(key);
  return next;
}

const all = new Map<string, WriteBehind<unknown>>();

/** The cells on their way of one grid of one person's log, the same as long as the page lives. */
export function writeBehind<C>(name: string, keyOf: (cell: C) => string, rowOf: (cell: C) => string): WriteBehind<C> {
  // A name belongs to one kind of grid, and so to one kind of cell.
  const held = all.get(name) as unknown as WriteBehind<C> | undefined;
  if (held !== undefined) return held;
  const fresh = new WriteBehind(keyOf, rowOf, inSession<C>(`oat-column-typed-${name}`));
  if (all.size === 0) window.addEventListener("beforeunload", holdPage);
  all.set(name, fresh as unknown as WriteBehind<unknown>);
  return fresh;
}

/** Asks before the page is left while something typed is on its way. */
function holdPage(event: BeforeUnloadEvent): void {
  if ([...all.values()].some(({ behind: { waiting } }) => waiting.size > 0)) event.preventDefault();
}

/** Of which kinds of grid something typed was not written before the page was last left: it waits there. */
export function leftTyped(): string[] {
  try {
    const keys = Array.from({ length: sessionStorage.length }, (_, index) => sessionStorage.key(index) ?? "");
    return [...new Set(keys.flatMap((key) => /^oat-column-typed-([a-z]+)-/.exec(key)?.[1] ?? []))];
  } catch {
    return [];
  }
}

/** Resolves once nothing that was typed in any grid is on its way. */
export async function typingSettled(): Promise<void> {
  for (const one of all.values()) await one.settled();
}

/** Whether anything that was typed in a grid is not in the log. */
export function hasTyped(): boolean {
  return [...all.values()].some(({ behind: { waiting, returned } }) => waiting.size + returned.size > 0);
}

/** In this tab, until it is closed. */
function inSession<C>(key: string): Keep<C> {
  return {
    read: () => {
      try {
        const held: unknown = JSON.parse(sessionStorage.getItem(key) ?? "[]");
        return Array.isArray(held) ? (held as Typed<C>[]) : [];
      } catch {
        return [];
      }
    },
    write: (typed) => {
      try {
        if (typed.length === 0) sessionStorage.removeItem(key);
        else sessionStorage.setItem(key, JSON.stringify(typed));
      } catch {
        // Without storage what is typed lives as long as the page.
      }
    },
  };
}
