import { type OnProgress, runInSteps } from "@/core/base/chunked";
import { equal, type Memo } from "@/core/base/memo";
import { messageOf } from "@/core/base/messageOf";
import { checkingLog, type Finding } from "@/core/log/check";
import { copyOf } from "@/core/log/copy";
import { type Log, peopleOf, sizeOf } from "@/core/log/log";
import { checkLayout, type LayoutFinding } from "@/store/check";
import { compactJournal } from "@/store/compactJournal";
import { type LogDatabase, type LogName, openDatabase } from "@/store/database";
import { hintChannel, writingLock } from "@/store/hints";
import { releasePhotos } from "@/store/photos";
import { StoreProblem } from "@/store/problems";
import { catchUp, type Progress, readLog } from "@/store/reader";
import { rewriteDatabaseFile } from "@/store/rewriteDatabaseFile";
import { saveAnswers } from "@/store/saved";
import { expose, type ProxyMarked } from "comlink";
import type { IDBPDatabase } from "idb";
import { v7 as newId } from "uuid";
import { answerKey } from "./answerKey";
import { Answers, everyView, type Queries, type QueryName } from "./queries";

/** Told the new answer whenever it differs from the last one sent, or why there is none. */
type Watcher = ((answer: unknown, problem: string | null) => void) & ProxyMarked;

/** Asks a tab whether the disk has room for so many bytes. */
type Room = ((bytes: number) => Promise<boolean>) & ProxyMarked;

/**
 * Bytes that the work of a quiet moment may need besides what it writes: asked for first, since a browser that meets a
 * full disk in the middle may throw its database away.
 */
const room = { settle: 5_000_000, save: 1_000_000, fold: 2_000_000 };
/** For so long a tab may keep its answer back, milliseconds. */
const roomPatience = 3000;

/** Told how much of a long task is done, from 0 to 1; answers whether to go on. */
export type OnTabProgress = ((share: number) => boolean) & ProxyMarked;

/**
 * What a check of the log found: in records, in how they lie in the browser, and figures that differ from figures
 * computed afresh.
 */
export interface Diagnosis {
  records: number;
  answers: number;
  findings: Finding[];
  layout: LayoutFinding[];
  figures: string[];
}

interface Watch {
  key: string;
  name: QueryName;
  asks: unknown;
  watcher: Watcher;
  answer: Memo<unknown>;
  sent: number;
}

/** After the last change, in milliseconds: when answers are saved and the journal is folded. */
const idleAfter = 1500;

/**
 * One log in memory, shared by all tabs that have it open: it follows the journal and answers; it never changes a
 * record.
 */
class LogInMemory {
  readonly #watches = new Set<Watch>();
  #answers!: Answers;
  #sequence = 0;
  #following: Promise<void> = Promise.resolve();
  #idle: ReturnType<typeof setTimeout> | undefined;
  #settled: Promise<void> | null = null;
  readonly #rooms = new Set<Room>();

  private constructor(
    readonly name: LogName,
    readonly database: IDBPDatabase<LogDatabase>,
  ) {}

  static async open(name: LogName, tell: OnTabProgress): Promise<LogInMemory> {
    const log = new LogInMemory(name, await openDatabase(name, () => self.close()));
    // The answer arrives while the next months are read.
    let going = true;
    await log.#readAll((share) => {
      void Promise.resolve(tell(share)).then((on) => {
        going = on;
      });
      return going;
    });
    new BroadcastChannel(hintChannel(name)).onmessage = () => {
      log.follow().catch(() => {});
    };
    await log.follow();
    return log;
  }

  get log(): Log {
    return this.#answers.log;
  }

  /**
   * Catches up with the journal. Called on a hint, and by a tab that has become visible. What goes wrong once is not
   * held against the next time.
   */
  follow(): Promise<void> {
    const mine = this.#following.then(() => this.#catchUp());
    this.#following = mine.catch(() => {});
    return mine;
  }

  /** Takes up a tab that can be asked for room, until it has gone. */
  askRoomOf(tab: Room): () => void {
    this.#rooms.add(tab);
    return () => {
      this.#rooms.delete(tab);
    };
  }

  /**
   * One answer, as the log stands at the sequence number that whoever asks has seen committed, or later.
   * @throws when the log does not hold that commit: it is another log then
   */
  async ask<N extends QueryName>(
    name: N,
    asks: Queries[N]["asks"],
    seen: number,
  ): Promise<Queries[N]["answers"] | null> {
    await this.reach(seen);
    return this.#answers.answer(name, asks);
  }

  /** Catches up at least to a commit. @throws when the log does not hold it */
  async reach(seen: number): Promise<void> {
    if (this.#sequence < seen) await this.follow();
    if (this.#sequence < seen) throw new Error("The log was put back to an earlier state. Reload the page.");
  }

  watch<N extends QueryName>(name: N, asks: Queries[N]["asks"], watcher: Watcher): Watch {
    const watch: Watch = {
      key: answerKey(name, asks),
      name,
      asks,
      watcher,
      answer: this.#answers.kept(name, asks),
      sent: -1,
    };
    this.#watches.add(watch);
    this.#send(watch);
    this.#rest();
    return watch;
  }

  unwatch(watch: Watch): void {
    this.#watches.delete(watch);
  }

  /**
   * Checks records, pages, journal, memory, and the figures of every view against figures computed afresh. Begins anew
   * when the log changes meanwhile.
   */
  async diagnose(today: string, onProgress: OnProgress): Promise<Diagnosis> {
    await this.follow();
    const { log } = this;
    const sequence = this.#sequence;
    const findings = await runInSteps(checkingLog(log), (share) => onProgress(0.4 * share));
    const layout = await checkLayout(this.database, log, sequence, (share) => onProgress(0.4 + 0.5 * share));
    await onProgress(0.9);
    if (this.#sequence !== sequence) return this.diagnose(today, onProgress);
    const fresh = new Answers(copyOf(log), newId);
    const asked = peopleOf(log).flatMap(({ id }) => everyView({ personId: id, today }));
    const figures: string[] = [];
    for (const [index, { name, asks }] of asked.entries()) {
      await onProgress(0.9 + 0.1 * (index / asked.length));
      if (this.#sequence !== sequence) return this.diagnose(today, onProgress);
      if (
        !sameAnswer(
          () => this.#answers.answer(name, asks as never),
          () => fresh.answer(name, asks as never),
        )
      )
        figures.push(answerKey(name, asks));
    }
    return { records: sizeOf(log), answers: asked.length, findings, layout, figures };
  }

  async #readAll(progress?: Progress): Promise<void> {
    const { log, sequence } = await readLog(this.database, progress);
    this.#answers = new Answers(log, newId);
    this.#sequence = sequence;
  }

  async #catchUp(): Promise<void> {
    const reached = await catchUp(this.database, this.#answers.log, this.#sequence);
    if (reached === this.#sequence) return;
    if (reached === null) {
      await this.#readAll();
      for (const watch of this.#watches)
        Object.assign(watch, { answer: this.#answers.kept(watch.name, watch.asks as never), sent: -1 });
    } else this.#sequence = reached;
    for (const watch of this.#watches) this.#send(watch);
    this.#rest();
  }

  /**
   * Sends an answer that has changed. A question that throws is answered with its error, and no other one hears of it.
   */
  #send(watch: Watch): void {
    try {
      watch.answer.refresh();
    } catch (error) {
      watch.sent = -1;
      watch.watcher(undefined, messageOf(error));
      return;
    }
    if (watch.answer.changed === watch.sent) return;
    watch.sent = watch.answer.changed;
    watch.watcher(watch.answer.value, null);
  }

  /**
   * When nothing has been asked for a while: makes the database's files sound once, keeps the answers for the next
   * start, and folds the journal; each only where there is room for it.
   */
  #rest(): void {
    clearTimeout(this.#idle);
    this.#idle = setTimeout(() => void this.#tidy().catch(() => {}), idleAfter);
  }

  async #tidy(): Promise<void> {
    // The sequence number belongs to the answers: a commit may come while room for them is asked for.
    const sequence = this.#sequence;
    const answers = [...this.#watches]
      .filter(({ sent }) => sent >= 0)
      .map(({ key, answer }) => ({ key, answer: answer.value }));
    this.#settled ??= this.#writing(room.settle, () => rewriteDatabaseFile(this.database)).catch(() => {});
    await this.#settled;
    await this.#writing(room.save, () => saveAnswers(this.database, sequence, answers));
    await this.#writing(room.fold, async () => {
      await compactJournal(this.database, this.name);
      await releasePhotos(this.database, this.log, this.#sequence);
    });
  }

  /** Writes where there is room for it; what can be left undone is left without. */
  async #writing(bytes: number, write: () => Promise<void>): Promise<void> {
    if (await this.#hasRoom(bytes)) await navigator.locks.request(writingLock(this.name), { mode: "shared" }, write);
  }

  /** Whether a tab finds room on the disk; where none answers, what can be left undone is left. */
  async #hasRoom(bytes: number): Promise<boolean> {
    const asked = [...this.#rooms].map((tab) => tab(bytes).catch(() => false));
    const late = new Promise<boolean>((resolve) => {
      setTimeout(() => resolve(false), roomPatience);
    });
    return Promise.race([...asked, late]);
  }
}

/** Whether two ways to an answer give the same; two that both fail do. */
function sameAnswer(one: () => unknown, other: () => unknown): boolean {
  const outcome = (ask: () => unknown) => {
    try {
      return { answer: ask() };
    } catch (error) {
      return { problem: String(error) };
    }
  };
  return equal(outcome(one), outcome(other));
}

/** Does work that is told of between its steps; null when it was told to stop. */
async function unlessStopped<T>(tell: OnTabProgress, work: (onProgress: OnProgress) => Promise<T>): Promise<T | null> {
  const stopped = new StoreProblem("stopped");
  try {
    return await work(async (share) => {
      if (!(await tell(share))) throw stopped;
    });
  } catch (error) {
    if (error === stopped) return null;
    throw error;
  }
}

const logs = new Map<LogName, Promise<LogInMemory>>();

/** What one tab may ask of the worker. */
class Session {
  #log: LogInMemory | null = null;
  readonly #watches = new Map<number, Watch>();
  #nextWatch = 0;

  /**
   * Opens a log, or joins the other tabs that have it open.
   * @param tab name of a lock that the tab holds as long as it lives; its watches end with it
   * @param room asks the tab for room on the disk
   * @returns the name of a lock that this worker holds as long as it lives
   */
  async open(name: LogName, tab: string, tell: OnTabProgress, room: Room): Promise<string> {
    const opening = logs.get(name) ?? LogInMemory.open(name, tell);
    logs.set(name, opening);
    try {
      this.#log = await opening;
    } catch (error) {
      logs.delete(name);
      throw error;
    }
    const leave = this.#log.askRoomOf(room);
    void navigator.locks.request(tab, () => {
      leave();
      for (const number of [...this.#watches.keys()]) this.unwatch(number);
    });
    return life;
  }

  /** Ends this worker, when it is given up for one that answers. */
  retire(): void {
    self.close();
  }

  follow(): Promise<void> {
    return this.#opened().follow();
  }

  /** One answer, from a log that holds the commit with the sequence number `seen`. */
  ask<N extends QueryName>(name: N, asks: Queries[N]["asks"], seen: number): Promise<Queries[N]["answers"] | null> {
    return this.#opened().ask(name, asks, seen);
  }

  /** Resolves once what is watched was sent as it stands at a commit. */
  reach(seen: number): Promise<void> {
    return this.#opened().reach(seen);
  }

  /** Sends the answer now and whenever it changes. Returns the number to stop with. */
  watch<N extends QueryName>(name: N, asks: Queries[N]["asks"], watcher: Watcher): number {
    const number = this.#nextWatch++;
    this.#watches.set(number, this.#opened().watch(name, asks, watcher));
    return number;
  }

  unwatch(number: number): void {
    const watch = this.#watches.get(number);
    if (watch !== undefined) this.#opened().unwatch(watch);
    this.#watches.delete(number);
  }

  /** Checks the log and everything computed from it; null when stopped. */
  diagnose(today: string, tell: OnTabProgress): Promise<Diagnosis | null> {
    return unlessStopped(tell, (onProgress) => this.#opened().diagnose(today, onProgress));
  }

  #opened(): LogInMemory {
    if (this.#log === null) throw new Error("the log is not open yet");
    return this.#log;
  }
}

export type { Session };

/** Held as long as this worker lives, so that a tab hears at once when it has died. */
const life = `oat-column-worker-${newId()}`;
void navigator.locks.request(life, () => new Promise(() => {}));

const scope = self as unknown as { onconnect?: ((event: MessageEvent) => void) | null };
if ("onconnect" in scope)
  scope.onconnect = (event) => {
    const [port] = event.ports;
    if (port) expose(new Session(), port);
  };
else expose(new Session());
