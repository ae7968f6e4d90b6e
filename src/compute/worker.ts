import "@/core/log/withoutEval";
import { expose, type ProxyMarked } from "comlink";
import type { IDBPDatabase } from "idb";
import { v7 as newId } from "uuid";
import { mustDay } from "@/core/calendar/day";
import { contract } from "@/core/figures/contract";
import { checkingLog, type Finding } from "@/core/log/check";
import { mergeLines, type MergeLine } from "@/core/merge/lines";
import { mergeLogs } from "@/core/merge/merge";
import { copyOf } from "@/core/log/copy";
import { peopleOf, putRecord, sizeOf, type Log } from "@/core/log/log";
import { equal, type Memo } from "@/core/memo";
import { recordKinds, type ChangeStep, type RecordKind } from "@/core/log/records";
import type { Steps } from "@/core/steps";
import { decadesLog } from "@/demo/decades";
import { demoLog } from "@/demo/demoLog";
import { packArchive, readingArchive, writeArchive, type Problem } from "@/formats/archive";
import { checkLayout, type Between, type LayoutFinding } from "@/store/check";
import { openDatabase, type LogDatabase, type LogName, type StoredPhoto } from "@/store/database";
import { fold } from "@/store/fold";
import { hintChannel } from "@/store/hints";
import { layOut, type LaidOut } from "@/store/pages";
import { photoFile, releasePhotos } from "@/store/photos";
import { StoreProblem } from "@/store/problems";
import { catchUp, readLog, type Progress } from "@/store/reader";
import { saveAnswers } from "@/store/saved";
import { settle } from "@/store/settle";
import { answerKey } from "./answerKey";
import { Answers, everyView, type Queries, type QueryName } from "./queries";

/** Told the new answer whenever it differs from the last one sent. */
type Watcher = ((answer: unknown) => void) & ProxyMarked;

/** Told how much of a long task is done, from 0 to 1; answers whether to go on. */
export type Teller = ((share: number) => boolean) & ProxyMarked;

/**
 * What merging an archive into the log would write, with each difference in words. `lines` is null when there are too many to be looked
 * through; `related` says whether the two speak of the same people.
 */
export interface Merge { steps: ChangeStep[]; lines: MergeLine[] | null; count: number; related: boolean }

/** Beyond so many differences two logs are not copies of one. */
const differencesAtMost = 20_000;

function mergeOf(ours: Log, theirs: Log): Merge {
  const differences = mergeLogs(ours, theirs);
  const related = [...theirs.records.people.keys()].some((id) => ours.records.people.has(id));
  const within = differences.length <= differencesAtMost;
  return { steps: within ? differences.map(({ step }) => step) : [], lines: within ? mergeLines(ours, theirs, differences) : null, count: differences.length, related };
}

/** An archive read and laid out, what is wrong with it, or null when the reader turned away. */
export type ImportReading = { laidOut: LaidOut; counts: Record<RecordKind, number>; photos: StoredPhoto[]; missing: number; merge: Merge } | { problems: Problem[] } | null;

/** What a check of the log found: in records, in how they lie in the browser, and figures that differ from figures computed afresh. */
export interface Diagnosis { records: number; answers: number; findings: Finding[]; layout: LayoutFinding[]; figures: string[] }

interface Watch { key: string; name: QueryName; asks: unknown; watcher: Watcher; answer: Memo<unknown>; sent: number }

/** After the last change, in milliseconds: when answers are saved and the journal is folded. */
const idleAfter = 1500;

/** One log in memory, shared by all tabs that have it open: it follows the journal and answers; it never changes a record. */
class LogInMemory {
  readonly #watches = new Set<Watch>();
  #answers!: Answers;
  #sequence = 0;
  #following: Promise<void> = Promise.resolve();
  #idle: ReturnType<typeof setTimeout> | undefined;
  #settled: Promise<void> | null = null;

  private constructor(readonly name: LogName, readonly database: IDBPDatabase<LogDatabase>) {}

  static async open(name: LogName, tell: Teller): Promise<LogInMemory> {
    const log = new LogInMemory(name, await openDatabase(name, () => self.close()));
    // The answer arrives while the next months are read.
    let going = true;
    await log.#readAll((share) => { void Promise.resolve(tell(share)).then((on) => { going = on; }); return going; });
    new BroadcastChannel(hintChannel(name)).onmessage = () => { void log.follow(); };
    await log.follow();
    return log;
  }

  get log(): Log { return this.#answers.log; }

  /** Catches up with the journal. Called on a hint, and by a tab that has become visible. */
  follow(): Promise<void> {
    this.#following = this.#following.then(() => this.#catchUp());
    return this.#following;
  }

  ask<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Queries[N]["answers"] | null {
    return this.#answers.answer(name, asks);
  }

  watch<N extends QueryName>(name: N, asks: Queries[N]["asks"], watcher: Watcher): Watch {
    const watch: Watch = { key: answerKey(name, asks), name, asks, watcher, answer: this.#answers.kept(name, asks), sent: -1 };
    this.#watches.add(watch);
    this.#send(watch);
    this.#rest();
    return watch;
  }

  unwatch(watch: Watch): void {
    this.#watches.delete(watch);
  }

  /** Checks records, pages, journal, memory, and the figures of every view against figures computed afresh. Begins anew when the log changes meanwhile. */
  async diagnose(today: string, between: Between): Promise<Diagnosis> {
    await this.follow();
    const { log } = this;
    const sequence = this.#sequence;
    const findings = await inSteps(checkingLog(log), (share) => between(0.4 * share));
    const layout = await checkLayout(this.database, log, sequence, (share) => between(0.4 + 0.5 * share));
    await between(0.9);
    if (this.#sequence !== sequence) return this.diagnose(today, between);
    const fresh = new Answers(copyOf(log), newId);
    const asked = peopleOf(log).flatMap(({ id }) => everyView({ personId: id, today }));
    const figures = asked.filter(({ name, asks }) => !equal(this.#answers.answer(name, asks as never), fresh.answer(name, asks as never))).map(({ name, asks }) => answerKey(name, asks));
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
      for (const watch of this.#watches) Object.assign(watch, { answer: this.#answers.kept(watch.name, watch.asks as never), sent: -1 });
    } else this.#sequence = reached;
    for (const watch of this.#watches) this.#send(watch);
    this.#rest();
  }

  #send(watch: Watch): void {
    watch.answer.refresh();
    if (watch.answer.changed === watch.sent) return;
    watch.sent = watch.answer.changed;
    watch.watcher(watch.answer.value);
  }

  /** When nothing has been asked for a while: makes the database's files sound once, keeps the answers for the next start, and folds the journal. */
  #rest(): void {
    clearTimeout(this.#idle);
    this.#idle = setTimeout(() => {
      const answers = [...this.#watches].map(({ key, answer }) => ({ key, answer: answer.value }));
      // Where there is no room for it, the rest goes on without.
      this.#settled ??= settle(this.database).catch(() => {});
      void this.#settled.then(() => saveAnswers(this.database, this.#sequence, answers)).then(() => fold(this.database, this.name)).then(() => releasePhotos(this.database, this.log, this.#sequence)).catch(() => {});
    }, idleAfter);
  }
}

/** Does work in steps; between them the worker answers whatever else it is asked. */
async function inSteps<T>(steps: Steps<T>, between: Between): Promise<T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    await between(step.value);
  }
}

/** Does work that is told of between its steps; null when it was told to stop. */
async function unlessStopped<T>(tell: Teller, work: (between: Between) => Promise<T>): Promise<T | null> {
  const stopped = new StoreProblem("stopped");
  try {
    return await work(async (share) => { if (!(await tell(share))) throw stopped; });
  } catch (error) {
    if (error === stopped) return null;
    throw error;
  }
}

/** Gives each photograph that a log speaks of the name of its content, as it is kept under; `missing` counts those the archive does not hold. */
async function namedByContent(log: Log, found: ReadonlyMap<string, Uint8Array>): Promise<{ photos: StoredPhoto[]; missing: number }> {
  const photos = new Map<string, StoredPhoto>();
  let missing = 0;
  for (const photo of [...log.records.photos.values()]) {
    const bytes = found.get(photo.file);
    if (bytes === undefined) { missing += 1; continue; }
    const file = await photoFile(bytes);
    photos.set(file, { file, bytes: bytes.slice() });
    if (file !== photo.file) putRecord(log, "photos", { ...photo, file });
  }
  return { photos: [...photos.values()], missing };
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
   * @returns the name of a lock that this worker holds as long as it lives
   */
  async open(name: LogName, tab: string, tell: Teller): Promise<string> {
    const opening = logs.get(name) ?? LogInMemory.open(name, tell);
    logs.set(name, opening);
    try {
      this.#log = await opening;
    } catch (error) {
      logs.delete(name);
      throw error;
    }
    void navigator.locks.request(tab, () => { for (const number of [...this.#watches.keys()]) this.unwatch(number); });
    return life;
  }

  follow(): Promise<void> {
    return this.#opened().follow();
  }

  /** One answer, as the log stands after everything committed so far. */
  ask<N extends QueryName>(name: N, asks: Queries[N]["asks"]): Queries[N]["answers"] | null {
    return this.#opened().ask(name, asks);
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

  /** Checks an archive's bytes and lays its log out for writing, or says what is wrong and where. */
  read(bytes: Uint8Array, tell: Teller): Promise<ImportReading> {
    return unlessStopped(tell, async (between) => {
      const reading = await inSteps(readingArchive(bytes), between);
      if (!reading.ok) return { problems: reading.problems };
      await this.follow();
      const { photos, missing } = await namedByContent(reading.log, reading.photos);
      const counts = Object.fromEntries(recordKinds.map((kind) => [kind, reading.log.records[kind].size])) as Record<RecordKind, number>;
      return { laidOut: layOut(reading.log), counts, photos, missing, merge: mergeOf(this.#opened().log, reading.log) };
    });
  }

  /** The whole log as an archive: JSON text, or a zip when it speaks of photographs. */
  async write(exportedAt: string): Promise<string | Uint8Array<ArrayBuffer>> {
    await this.follow();
    const { log, database } = this.#opened();
    if (log.records.photos.size === 0) return writeArchive(log, exportedAt);
    const photos = new Map<string, Uint8Array>();
    for (const file of [...new Set([...log.records.photos.values()].map((photo) => photo.file))].sort()) {
      const kept = await database.get("photos", file);
      if (kept !== undefined) photos.set(file, kept.bytes);
    }
    return packArchive(log, exportedAt, photos);
  }

  /** What the headless figures command prints for this log. */
  async figures(on: string): Promise<string> {
    await this.follow();
    return `${JSON.stringify(contract(this.#opened().log, mustDay(on)), null, 2)}\n`;
  }

  /** Checks the log and everything computed from it; null when stopped. */
  diagnose(today: string, tell: Teller): Promise<Diagnosis | null> {
    return unlessStopped(tell, (between) => this.#opened().diagnose(today, between));
  }

  /** The log as it stands in memory, laid out anew. */
  async layOut(): Promise<LaidOut> {
    await this.follow();
    return layOut(this.#opened().log);
  }

  /** A made-up log as it stands on a day: the demo household, or one of so many years. */
  madeUp(today: string, years: number | null): LaidOut {
    return layOut(years === null ? demoLog(mustDay(today)) : decadesLog(mustDay(today), years));
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
if ("onconnect" in scope) scope.onconnect = (event) => { const [port] = event.ports; if (port) expose(new Session(), port); };
else expose(new Session());
