import "@/core/log/withoutEval";
import { expose, type ProxyMarked } from "comlink";
import { v7 as newId } from "uuid";
import { mustDay } from "@/core/calendar/day";
import { contract } from "@/core/figures/contract";
import { demoLog } from "@/demo/demoLog";
import { readArchive, writeArchive, type ArchiveReading } from "@/formats/archive";
import { openDatabase, type LogName } from "@/store/database";
import { catchUp, readLog } from "@/store/reader";
import { hintChannel } from "@/store/hints";
import type { Log } from "@/core/log/log";
import type { Memo } from "@/core/memo";
import { Answers, type Queries, type QueryName } from "./queries";

/** Told the new answer whenever it differs from the last one sent. */
type Watcher = ((answer: unknown) => void) & ProxyMarked;

interface Watch { name: QueryName; asks: unknown; watcher: Watcher; answer: Memo<unknown>; sent: number }

/** The worker's side: it holds a log in memory, follows the journal, and answers; it never writes. */
class Compute {
  readonly #watches = new Map<number, Watch>();
  #nextWatch = 0;
  #answers: Answers | null = null;
  #sequence = 0;
  #database: Awaited<ReturnType<typeof openDatabase>> | null = null;
  #following: Promise<void> = Promise.resolve();

  /** Reads the log and follows it from then on. Resolves when questions can be answered. */
  async open(name: LogName): Promise<void> {
    this.#database = await openDatabase(name);
    await this.#readAll();
    new BroadcastChannel(hintChannel(name)).onmessage = () => { void this.follow(); };
  }

  /** Catches up with the journal. Called on a hint, and by a tab that has become visible. */
  follow(): Promise<void> {
    this.#following = this.#following.then(() => this.#catchUp());
    return this.#following;
  }

  /** One answer, as the log stands after everything committed so far. */
  async ask<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Promise<Queries[N]["answers"] | null> {
    return this.#answered().answer(name, asks);
  }

  /** Sends the answer now and whenever it changes. Returns the number to stop with. */
  watch<N extends QueryName>(name: N, asks: Queries[N]["asks"], watcher: Watcher): number {
    const number = this.#nextWatch++;
    const watch: Watch = { name, asks, watcher, answer: this.#answered().kept(name, asks), sent: -1 };
    this.#watches.set(number, watch);
    this.#send(watch);
    return number;
  }

  unwatch(number: number): void {
    this.#watches.delete(number);
  }

  /** Checks an archive's bytes and returns the log in it, or what is wrong and where. */
  read(bytes: Uint8Array): ArchiveReading {
    return readArchive(bytes);
  }

  /** The whole log as archive text. */
  async write(exportedAt: string): Promise<string> {
    await this.follow();
    return writeArchive(this.#answered().log, exportedAt);
  }

  /** What the headless figures command prints for this log. */
  async figures(on: string): Promise<string> {
    await this.follow();
    return `${JSON.stringify(contract(this.#answered().log, mustDay(on)), null, 2)}\n`;
  }

  /** The made-up household as it stands on a day. */
  demo(today: string): Log {
    return demoLog(mustDay(today));
  }

  #answered(): Answers {
    if (this.#answers === null) throw new Error("the log is not open yet");
    return this.#answers;
  }

  async #readAll(): Promise<void> {
    const { log, sequence } = await readLog(this.#database!);
    this.#answers = new Answers(log, newId);
    this.#sequence = sequence;
  }

  async #catchUp(): Promise<void> {
    const answers = this.#answered();
    const reached = await catchUp(this.#database!, answers.log, this.#sequence);
    if (reached === this.#sequence) return;
    if (reached === null) {
      await this.#readAll();
      for (const watch of this.#watches.values()) Object.assign(watch, { answer: this.#answered().kept(watch.name, watch.asks as never), sent: -1 });
    } else this.#sequence = reached;
    for (const watch of this.#watches.values()) this.#send(watch);
  }

  #send(watch: Watch): void {
    watch.answer.refresh();
    if (watch.answer.changed === watch.sent) return;
    watch.sent = watch.answer.changed;
    watch.watcher(watch.answer.value);
  }
}

export type { Compute };

expose(new Compute());
