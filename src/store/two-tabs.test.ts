import { dateOf, mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import type { Session } from "@/core/log/kinds/sessions";
import type { WeighIn } from "@/core/log/kinds/weighIns";
import type { Log } from "@/core/log/log";
import { put } from "@/core/log/records";
import { withSet } from "@/core/sessions/sets";
import { performedAs } from "@/core/training/perform";
import { Random } from "@/demo/random";
import { archiveOf } from "@/formats/archive/write";
import "fake-indexeddb/auto";
import { describe, expect, it, vi } from "vitest";
import { Locks } from "../../tests/locks";
import { catchUp, readLog } from "./reader";
import { Store } from "./store";

/**
 * One tab: its hand on the database and the log its worker holds, brought up to date now and then, as when a tab is
 * frozen and thawed.
 */
class Tab {
  private constructor(
    readonly store: Store,
    private held: { log: Log; sequence: number },
  ) {}

  static async open(): Promise<Tab> {
    const store = await Store.open("own");
    return new Tab(store, await readLog(store.database));
  }

  get log(): Log {
    return this.held.log;
  }

  async follow(): Promise<void> {
    const reached = await catchUp(this.store.database, this.held.log, this.held.sequence);
    if (reached === null) this.held = await readLog(this.store.database);
    else this.held.sequence = reached;
  }
}

vi.stubGlobal("navigator", { locks: new Locks() });

const start = mustDay("2026-01-05");
const weighIn = (index: number): WeighIn => ({
  id: `w${index}`,
  personId: "p",
  date: dateOf(start + index),
  kg: 80,
  primary: true,
});
const session: Session = {
  id: "s",
  personId: "p",
  date: dateOf(start),
  kind: "strength",
  status: "planned",
  items: [
    {
      id: "i",
      exerciseId: "e",
      sets: Array.from({ length: 12 }, (_, index) => ({ id: `s${index}`, planned: { reps: 5, kg: 100 } })),
    },
  ],
};

describe("two tabs on one log", () => {
  it("lose no field that either changed, however stale what they saw, and both end with the log a fresh reading gives", async () => {
    const tabs = [await Tab.open(), await Tab.open()];
    const random = new Random(42);
    await tabs[0]!.store.commit(
      [
        put("people", { id: "p", name: "A" }),
        put("exercises", { id: "e", name: "Squat" }),
        put("sessions", session),
        ...Array.from({ length: 12 }, (_, index) => put("weighIns", weighIn(index))),
      ],
      "begin",
    );
    for (const tab of tabs) await tab.follow();
    /** What each field must be in the end: the value written last, by whichever tab. */
    const wanted = new Map<string, unknown>();
    for (let round = 0; round < 500; round++) {
      const tab = random.pick(tabs);
      if (random.chance(0.3)) await tab.follow();
      const index = Math.floor(random.next() * 12);
      if (random.chance(0.4)) {
        const base = tab.log.records.sessions.get("s")!;
        const reps = 1 + Math.floor(random.next() * 12);
        await tab.store.commit(
          [
            put(
              "sessions",
              withSet(base, "i", `s${index}`, (set) => performedAs(set, { reps, kg: 100 + round })),
              base,
            ),
          ],
          `set ${index}`,
        );
        wanted.set(`set ${index}`, 100 + round);
      } else {
        const base = tab.log.records.weighIns.get(`w${index}`)!;
        const field = random.pick(["kg", "note"] as const);
        const value = field === "kg" ? 70 + round / 100 : `note ${round}`;
        await tab.store.commit([put("weighIns", { ...base, [field]: value } as WeighIn, base)], `${field} ${index}`);
        wanted.set(`${field} ${index}`, value);
      }
    }
    const { log: fresh } = await readLog(tabs[0]!.store.database);
    const sets = fresh.records.sessions.get("s")!.items![0]!.sets;
    for (const [place, value] of wanted) {
      const [field, index] = place.split(" ") as [string, string];
      if (field === "set") expect(sets.find(({ id }) => id === `s${index}`)!.done!.kg, place).toBe(value);
      else expect(fresh.records.weighIns.get(`w${index}`)![field], place).toBe(value);
    }
    for (const tab of tabs) {
      await tab.follow();
      expect(archiveOf(tab.log, "")).toEqual(archiveOf(fresh, ""));
    }
    for (const tab of tabs) tab.store.close();
  });

  it("with removals, undos and redos among the edits, followers and a fresh reading agree to the last figure", async () => {
    const tabs = [await Tab.open(), await Tab.open()];
    const random = new Random(43);
    for (const tab of tabs) await tab.follow();
    for (let round = 0; round < 400; round++) {
      const tab = random.pick(tabs);
      if (random.chance(0.4)) await tab.follow();
      const index = Math.floor(random.next() * 12);
      const base = tab.log.records.weighIns.get(`w${index}`);
      const drawn = random.next();
      if (drawn < 0.2) await tab.store.undo();
      else if (drawn < 0.35) await tab.store.redo();
      else if (drawn < 0.45) await tab.store.commit([{ remove: { kind: "weighIns", id: `w${index}` } }], "removal");
      else
        await tab.store.commit(
          [put("weighIns", { ...(base ?? weighIn(index)), kg: 75 + random.next() * 5 }, base)],
          "edit",
        );
    }
    const { log: fresh, sequence } = await readLog(tabs[0]!.store.database);
    expect(sequence).toBeGreaterThan(700);
    for (const tab of tabs) {
      await tab.follow();
      expect(archiveOf(tab.log, "")).toEqual(archiveOf(fresh, ""));
      expect(contract(tab.log, start + 20)).toEqual(contract(fresh, start + 20));
    }
    for (const tab of tabs) tab.store.close();
  });
});
