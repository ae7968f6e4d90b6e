import { Answers } from "@/compute/queries";
import { mustDay } from "@/core/base/calendar/day";
import type { Log } from "@/core/log/log";
import { demoLog, rowerId } from "@/demo/demoLog";
import { archiveOf } from "@/formats/archive/write";
import { IDBFactory } from "fake-indexeddb";
import "fake-indexeddb/auto";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { everyQuestion } from "../../tests/everyQuestion";
import { Locks } from "../../tests/locks";
import { layOut } from "./pages";
import { readLog } from "./reader";
import { Store } from "./store";

const today = "2026-06-11";
let store: Store;

beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  vi.stubGlobal("navigator", { locks: new Locks() });
  store = await Store.open("own");
});
afterEach(() => {
  store.close();
  vi.restoreAllMocks();
});

/** The log without what a commit stamps, to compare before with after. */
const plain = (log: Log) =>
  JSON.stringify({ ...archiveOf(log, ""), removed: [] }, (key, value: unknown) =>
    ["changed", "revision", "past"].includes(key) ? undefined : value,
  );
const logOf = async () => (await readLog(store.database)).log;
/** What was performed, apart from what is planned. */
const performed = (log: Log) =>
  JSON.stringify(
    [...log.records.sessions.values()]
      .filter(({ status }) => status === "done" || status === "partly")
      .map(({ changed: _, revision: _revision, past: _past, ...session }) => session)
      .sort((a, b) => (a.id < b.id ? -1 : 1)),
  );

it("everything that the plan proposes is taken back byte for byte, and none of it changes what was performed", async () => {
  await store.replace(layOut(demoLog(mustDay(today))), "the demo");
  const before = await logOf();
  const [as, done] = [plain(before), performed(before)];
  const asks = everyQuestion(before, { personId: rowerId, today });
  let ids = 0;
  const answers = new Answers(before, () => `new-${++ids}`);
  const changes = [
    ...asks.planProposal.map((ask) => answers.answer("planProposal", ask)!),
    ...asks.pastedPlan.map((ask) => answers.answer("pastedPlan", ask)!),
  ].filter(({ change }) => change.length > 0);
  expect(changes.length).toBeGreaterThan(6);
  for (const { change, label } of changes) {
    await store.commit(change, label);
    expect(performed(await logOf()), label).toBe(done);
    await store.undo();
    expect(plain(await logOf()) === as, label).toBe(true);
  }
});
