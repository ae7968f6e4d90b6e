import { messageOf } from "@/core/base/messageOf";
import type { LogName } from "@/store/database";
import { hintChannel } from "@/store/hints";
import { StoreProblem } from "@/store/problems";
import { type Endpoint, proxy, type Remote, wrap } from "comlink";
import { v7 as newId } from "uuid";
import { answerKey } from "./answerKey";
import type { MayStop } from "./archives";
import type { Queries, QueryName } from "./queries";
import type { Diagnosis, Session } from "./worker";

/**
 * One watched query as the interface holds it: the last answer or why there is none, and who is told when that changes.
 */
interface Held {
  name: QueryName;
  asks: unknown;
  answer: unknown;
  problem: string | null;
  arrived: boolean;
  listeners: Set<() => void>;
  number: Promise<number> | null;
}

/** A worker, the session in it, a promise that is kept when the worker has died, and a way to give it up. */
interface Line {
  session: Promise<Remote<Session>>;
  died: Promise<never>;
  giveUp: () => void;
}

class WorkerDied extends Error {}
class TooLong extends Error {}

const stoppedProblem = new StoreProblem("stopped");

/**
 * Seconds that a question may take. One that takes longer is answered so, and the worker that is at it is given up for
 * another.
 */
const budget = 20;

/**
 * The tab's side of the worker: subscriptions by name and parameters, shared by all components that ask the same. One
 * worker serves all tabs where the browser has shared workers. When it dies, or does not answer, another is started and
 * asked everything again; it holds nothing that is not in the database.
 */
export class ComputeClient {
  readonly #held = new Map<string, Held>();
  readonly #generations: BroadcastChannel;
  #generation: number;
  #line: Line;
  #stopped = false;
  #everOpened = false;
  /** The latest commit that this tab knows of: its own, and those of others that it was told of. */
  #seen = 0;
  readonly #hints: BroadcastChannel;

  /**
   * @param saved answers of an earlier session that still hold, shown until the worker has its own
   * @param opening told how much of the log is read
   * @param room asks for room on the disk, for what the worker writes when it rests
   * @param drawn when the worker may start: it takes time from whatever is being drawn
   */
  constructor(
    private readonly name: LogName,
    private readonly saved: Map<string, unknown>,
    private readonly opening: (share: number) => void,
    private readonly room: (bytes: number) => Promise<boolean>,
    drawn: Promise<void>,
  ) {
    this.#generation = Number(localStorage.getItem(generationKey(name))) || 0;
    this.#generations = new BroadcastChannel(generationKey(name));
    this.#generations.onmessage = ({ data }: MessageEvent<number>) => {
      if (data > this.#generation) this.#moveOn(data);
    };
    this.#hints = new BroadcastChannel(hintChannel(name));
    this.#hints.onmessage = ({ data }: MessageEvent<number>) => this.saw(data);
    this.#line = this.#start(drawn);
    document.addEventListener("visibilitychange", () => {
      if (document.visibilityState === "visible") void this.#call((session) => session.follow()).catch(() => {});
    });
  }

  /** Rejects when the log cannot be opened, or reading it was stopped. */
  async opened(): Promise<void> {
    await this.#line.session;
    this.#everOpened = true;
  }

  /** Stops reading the log; it can be opened again by a new page. */
  stop(): void {
    this.#stopped = true;
  }

  /** Notes a commit: what is asked from now on is answered from a log that holds it. */
  saw(sequence: number): void {
    this.#seen = Math.max(this.#seen, sequence);
  }

  /** One answer, from a log that holds every commit this tab knows of at the time of asking. */
  ask<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Promise<Queries[N]["answers"] | null> {
    const seen = this.#seen;
    return this.#call(
      (session) => session.ask(name, asks as never, seen) as Promise<Queries[N]["answers"] | null>,
      budget,
    );
  }

  /** Resolves once the answers that are watched are of a log that holds every commit this tab knows of. */
  caughtUp(): Promise<void> {
    const seen = this.#seen;
    return this.#call((session) => session.reach(seen), budget);
  }

  diagnose(today: string, onProgress: MayStop): Promise<Diagnosis | null> {
    return this.#call((session) => session.diagnose(today, proxy(onProgress)) as Promise<Diagnosis | null>);
  }

  /** Listens to a query until the returned function is called; the last listener to leave ends the watch. */
  subscribe<N extends QueryName>(name: N, asks: Queries[N]["asks"], listener: () => void): () => void {
    const key = answerKey(name, asks);
    const held = this.#held.get(key) ?? {
      name,
      asks,
      answer: null,
      problem: null,
      arrived: false,
      listeners: new Set<() => void>(),
      number: null,
    };
    this.#held.set(key, held);
    held.listeners.add(listener);
    held.number ??= this.#watch(held);
    return () => {
      held.listeners.delete(listener);
      // A moment's grace: a view that is left and entered again finds its answer still there.
      setTimeout(() => {
        if (held.listeners.size > 0 || this.#held.get(key) !== held) return;
        this.#held.delete(key);
        void held.number?.then(async (number) => (await this.#line.session).unwatch(number)).catch(() => {});
      }, 5000);
    };
  }

  /** The last answer that arrived, else one saved earlier that still holds, else undefined. */
  current<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Queries[N]["answers"] | null | undefined {
    const key = answerKey(name, asks);
    const held = this.#held.get(key);
    return (held?.arrived ? held.answer : this.saved.get(key)) as Queries[N]["answers"] | null | undefined;
  }

  /** Why a query has no answer, or null. */
  problem<N extends QueryName>(name: N, asks: Queries[N]["asks"]): string | null {
    return this.#held.get(answerKey(name, asks))?.problem ?? null;
  }

  /** Asks a query again that had no answer. */
  askAgain<N extends QueryName>(name: N, asks: Queries[N]["asks"]): void {
    const held = this.#held.get(answerKey(name, asks));
    if (held === undefined || held.problem === null) return;
    held.problem = null;
    held.number = this.#watch(held);
  }

  #watch(held: Held): Promise<number> {
    const tell = (answer: unknown, problem: string | null) => {
      Object.assign(held, problem === null ? { answer, problem, arrived: true } : { problem });
      for (const told of held.listeners) told();
    };
    const watching = this.#call(
      (session) => session.watch(held.name, held.asks as never, proxy(tell)),
      budget,
      (problem) => {
        held.problem = problem;
      },
    );
    // A log that cannot be opened at all is said where it is opened, not of every question.
    watching.catch((error: unknown) => this.#everOpened && tell(undefined, messageOf(error)));
    return watching;
  }

  /**
   * Asks the session, and asks again should the worker die meanwhile: nothing that is asked changes anything.
   * @param onGivenUp told when the question took too long, before everything else is asked of another worker
   */
  async #call<T>(
    ask: (session: Remote<Session>) => Promise<T>,
    seconds = Infinity,
    onGivenUp: (problem: string) => void = () => {},
  ): Promise<T> {
    for (;;) {
      const line = this.#line;
      const late = after(seconds, line.session);
      try {
        return await Promise.race([line.session.then(ask), line.died, late.passed]);
      } catch (error) {
        if (error instanceof TooLong) {
          // Of several questions the one asked first has waited longest: it is the one that the worker is at.
          const problem = `This took longer than ${budget} seconds and was given up. Nothing was changed.`;
          onGivenUp(problem);
          if (this.#line === line) this.#moveOn(this.#generation + 1);
          throw new Error(problem);
        }
        if (!(error instanceof WorkerDied)) throw error;
      } finally {
        late.end();
      }
    }
  }

  /** Gives the worker up for one of a later generation, in all tabs. */
  #moveOn(generation: number): void {
    this.#generation = generation;
    localStorage.setItem(generationKey(this.name), String(generation));
    this.#generations.postMessage(generation);
    const given = this.#line;
    this.#restart();
    given.giveUp();
  }

  #restart(): void {
    this.#line = this.#start(Promise.resolve());
    for (const held of this.#held.values()) if (held.problem === null) held.number = this.#watch(held);
  }

  #start(when: Promise<void>): Line {
    let die: (error: Error) => void = () => {};
    let end = () => {};
    const died = new Promise<never>((_, reject) => {
      die = reject;
    });
    died.catch(() => {});
    const session = when.then(async () => {
      const { endpoint, failed, terminate } = startWorker(this.name, this.#generation);
      const remote = wrap<Session>(endpoint);
      end = () => {
        if (terminate === null) void remote.retire();
        else terminate();
      };
      const tab = `oat-column-tab-${newId()}`;
      await new Promise<void>((held) => {
        void navigator.locks.request(tab, () => {
          held();
          return died.catch(() => {});
        });
      });
      const life = await Promise.race([failed, this.#open(remote, tab)]);
      // From now on the worker answers; what was saved would be out of date in a view that is opened after an edit.
      this.saved.clear();
      void navigator.locks.request(life, () => {
        if (this.#line === line) this.#restart();
        die(new WorkerDied("the worker has died"));
      });
      return remote;
    });
    session.catch(() => {});
    const line = {
      session,
      died,
      giveUp: () => {
        die(new WorkerDied("the worker does not answer"));
        end();
      },
    };
    return line;
  }

  /** Opens the log in the worker; when another tab stopped the reading that both waited for, it begins anew. */
  async #open(remote: Remote<Session>, tab: string): Promise<string> {
    for (;;) {
      try {
        return await remote.open(
          this.name,
          tab,
          proxy((share: number) => {
            this.opening(share);
            return !this.#stopped;
          }),
          proxy(this.room),
        );
      } catch (error) {
        if (this.#stopped || !(error instanceof Error) || error.message !== stoppedProblem.message) throw error;
      }
    }
  }
}

/** Under which name it is kept, and told, how many workers of a log were given up. */
const generationKey = (name: LogName): string => `oat-column-worker-${name}`;

/**
 * Fails when so many seconds have passed since something began. A tab that was held still meanwhile does not count that
 * time.
 */
function after(seconds: number, begun: Promise<unknown>): { passed: Promise<never>; end: () => void } {
  let ticking: ReturnType<typeof setInterval> | undefined;
  let ended = seconds === Infinity;
  const passed = new Promise<never>((_, reject) => {
    let left = seconds;
    void begun.then(
      () => {
        if (!ended)
          ticking = setInterval(() => {
            left -= 1;
            if (left <= 0) reject(new TooLong());
          }, 1000);
      },
      () => {},
    );
  });
  passed.catch(() => {});
  return {
    passed,
    end: () => {
      ended = true;
      clearInterval(ticking);
    },
  };
}

/** A shared worker where the browser has them, else one of this tab's own, which alone can be ended from outside. */
function startWorker(
  name: LogName,
  generation: number,
): { endpoint: Endpoint; failed: Promise<never>; terminate: (() => void) | null } {
  const fail = (worker: AbstractWorker) =>
    new Promise<never>((_, reject) => {
      worker.onerror = () =>
        reject(
          new Error("The part that computes could not be started. Reload the page; nothing that was saved is lost."),
        );
    });
  const options = { type: "module", name: `oat-column-${name}${generation === 0 ? "" : `-${generation}`}` } as const;
  if (typeof SharedWorker === "undefined") {
    const worker = new Worker(new URL("./worker.ts", import.meta.url), options);
    return { endpoint: worker, failed: fail(worker), terminate: () => worker.terminate() };
  }
  const worker = new SharedWorker(new URL("./worker.ts", import.meta.url), options);
  return { endpoint: worker.port, failed: fail(worker), terminate: null };
}
