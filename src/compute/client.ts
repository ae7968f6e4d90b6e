import { proxy, wrap, type Remote } from "comlink";
import type { LogName } from "@/store/database";
import type { Queries, QueryName } from "./queries";
import type { Compute } from "./worker";

/** One watched query as the interface holds it: the last answer, and who is told when it changes. */
interface Held { answer: unknown; arrived: boolean; listeners: Set<() => void>; number: Promise<number> | null }

/** The tab's side of the worker: subscriptions by name and parameters, shared by all components that ask the same. */
export class ComputeClient {
  readonly remote: Remote<Compute>;
  readonly #held = new Map<string, Held>();
  readonly #opened: Promise<void>;

  constructor(name: LogName) {
    const worker = new Worker(new URL("./worker.ts", import.meta.url), { type: "module", name: "oat-column" });
    this.remote = wrap<Compute>(worker);
    this.#opened = this.remote.open(name);
    document.addEventListener("visibilitychange", () => { if (document.visibilityState === "visible") void this.remote.follow(); });
  }

  /** Rejects when the log cannot be opened. */
  get opened(): Promise<void> {
    return this.#opened;
  }

  async ask<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Promise<Queries[N]["answers"] | null> {
    await this.#opened;
    return (await this.remote.ask(name, asks)) as Queries[N]["answers"] | null;
  }

  /** Listens to a query until the returned function is called; the last listener to leave ends the watch. */
  subscribe<N extends QueryName>(name: N, asks: Queries[N]["asks"], listener: () => void): () => void {
    const key = keyOf(name, asks);
    const held = this.#held.get(key) ?? { answer: null, arrived: false, listeners: new Set<() => void>(), number: null };
    this.#held.set(key, held);
    held.listeners.add(listener);
    held.number ??= this.#opened.then(() => this.remote.watch(name, asks as never, proxy((answer: unknown) => {
      held.answer = answer;
      held.arrived = true;
      for (const told of held.listeners) told();
    })));
    return () => {
      held.listeners.delete(listener);
      // A moment's grace: a view that is left and entered again finds its answer still there.
      setTimeout(() => {
        if (held.listeners.size > 0 || this.#held.get(key) !== held) return;
        this.#held.delete(key);
        void held.number?.then((number) => this.remote.unwatch(number));
      }, 5000);
    };
  }

  /** The last answer that arrived, or undefined while none has. */
  current<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Queries[N]["answers"] | null | undefined {
    const held = this.#held.get(keyOf(name, asks));
    return held?.arrived ? (held.answer as Queries[N]["answers"] | null) : undefined;
  }
}

function keyOf(name: QueryName, asks: unknown): string {
  return `${name} ${JSON.stringify(asks)}`;
}
