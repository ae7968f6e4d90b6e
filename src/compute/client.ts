import { proxy, wrap, type Endpoint, type Remote } from "comlink";
import { v7 as newId } from "uuid";
import type { LogName } from "@/store/database";
import { StoreProblem } from "@/store/problems";
import type { LaidOut } from "@/store/pages";
import { answerKey } from "./answerKey";
import type { Queries, QueryName } from "./queries";
import type { Diagnosis, ImportReading, Session } from "./worker";

/** One watched query as the interface holds it: the last answer, and who is told when it changes. */
interface Held { name: QueryName; asks: unknown; answer: unknown; arrived: boolean; listeners: Set<() => void>; number: Promise<number> | null }

/** A worker, the session in it, and a promise that is kept when the worker has died. */
interface Line { session: Promise<Remote<Session>>; died: Promise<never> }

class WorkerDied extends Error {}

const stoppedProblem = new StoreProblem("stopped");

/** Told how much of a long task is done, from 0 to 1; answers whether to go on. */
export type Told = (share: number) => boolean;

/**
 * The tab's side of the worker: subscriptions by name and parameters, shared by all components that ask the same. One worker serves
 * all tabs where the browser has shared workers. When it dies, another is started and asked everything again; it holds nothing that is
 * not in the database.
 */
export class ComputeClient {
  readonly #held = new Map<string, Held>();
  #line: Line;
  #stopped = false;

  /**
   * @param saved answers of an earlier session that still hold, shown until the worker has its own
   * @param drawn when the worker may start: it takes time from whatever is being drawn
   */
  constructor(private readonly name: LogName, private readonly saved: Map<string, unknown>, private readonly opening: (share: number) => void, drawn: Promise<void>) {
    this.#line = this.#start(drawn);
    document.addEventListener("visibilitychange", () => { if (document.visibilityState === "visible") void this.#call((session) => session.follow()).catch(() => {}); });
  }

  /** Rejects when the log cannot be opened, or reading it was stopped. */
  async opened(): Promise<void> {
    await this.#line.session;
  }

  /** Stops reading the log; it can be opened again by a new page. */
  stop(): void {
    this.#stopped = true;
  }

  ask<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Promise<Queries[N]["answers"] | null> {
    return this.#call((session) => session.ask(name, asks) as Promise<Queries[N]["answers"] | null>);
  }

  read(bytes: Uint8Array, told: Told): Promise<ImportReading> {
    return this.#call((session) => session.read(bytes, proxy(told)) as Promise<ImportReading>);
  }

  write(exportedAt: string): Promise<string | Uint8Array<ArrayBuffer>> {
    return this.#call((session) => session.write(exportedAt) as Promise<string | Uint8Array<ArrayBuffer>>);
  }

  figures(on: string): Promise<string> {
    return this.#call((session) => session.figures(on));
  }

  diagnose(today: string, told: Told): Promise<Diagnosis | null> {
    return this.#call((session) => session.diagnose(today, proxy(told)) as Promise<Diagnosis | null>);
  }

  layOut(): Promise<LaidOut> {
    return this.#call((session) => session.layOut());
  }

  madeUp(today: string, years: number | null): Promise<LaidOut> {
    return this.#call((session) => session.madeUp(today, years));
  }

  /** Listens to a query until the returned function is called; the last listener to leave ends the watch. */
  subscribe<N extends QueryName>(name: N, asks: Queries[N]["asks"], listener: () => void): () => void {
    const key = answerKey(name, asks);
    const held = this.#held.get(key) ?? { name, asks, answer: null, arrived: false, listeners: new Set<() => void>(), number: null };
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

  #watch(held: Held): Promise<number> {
    const watching = this.#call((session) => session.watch(held.name, held.asks as never, proxy((answer: unknown) => {
      held.answer = answer;
      held.arrived = true;
      for (const told of held.listeners) told();
    })));
    watching.catch(() => {});
    return watching;
  }

  /** Asks the session, and asks again should the worker die meanwhile: nothing that is asked changes anything. */
  async #call<T>(ask: (session: Remote<Session>) => Promise<T>): Promise<T> {
    for (;;) {
      const line = this.#line;
      try {
        return await Promise.race([line.session.then(ask), line.died]);
      } catch (error) {
        if (!(error instanceof WorkerDied)) throw error;
      }
    }
  }

  #start(when: Promise<void>): Line {
    let die: (error: Error) => void = () => {};
    const died = new Promise<never>((_, reject) => { die = reject; });
    died.catch(() => {});
    const session = when.then(async () => {
      const { endpoint, failed } = startWorker(this.name);
      const remote = wrap<Session>(endpoint);
      const tab = `oat-column-tab-${newId()}`;
      await new Promise<void>((held) => { void navigator.locks.request(tab, () => { held(); return died.catch(() => {}); }); });
      const life = await Promise.race([failed, this.#open(remote, tab)]);
      // From now on the worker answers; what was saved would be out of date in a view that is opened after an edit.
      this.saved.clear();
      void navigator.locks.request(life, () => {
        this.#line = this.#start(Promise.resolve());
        die(new WorkerDied("the worker has died"));
        for (const held of this.#held.values()) held.number = this.#watch(held);
      });
      return remote;
    });
    session.catch(() => {});
    return { session, died };
  }

  /** Opens the log in the worker; when another tab stopped the reading that both waited for, it begins anew. */
  async #open(remote: Remote<Session>, tab: string): Promise<string> {
    for (;;) {
      try {
        return await remote.open(this.name, tab, proxy((share: number) => { this.opening(share); return !this.#stopped; }));
      } catch (error) {
        if (this.#stopped || !(error instanceof Error) || error.message !== stoppedProblem.message) throw error;
      }
    }
  }
}

/** A shared worker where the browser has them, else one of this tab's own. */
function startWorker(name: LogName): { endpoint: Endpoint; failed: Promise<never> } {
  const fail = (worker: AbstractWorker) => new Promise<never>((_, reject) => { worker.onerror = () => reject(new Error("The part that computes could not be started. Reload the page; nothing that was saved is lost.")); });
  if (typeof SharedWorker === "undefined") {
    const worker = new Worker(new URL("./worker.ts", import.meta.url), { type: "module", name: `oat-column-${name}` });
    return { endpoint: worker, failed: fail(worker) };
  }
  const worker = new SharedWorker(new URL("./worker.ts", import.meta.url), { type: "module", name: `oat-column-${name}` });
  return { endpoint: worker.port, failed: fail(worker) };
}
