import { dateOf, mustDay } from "@/core/base/calendar/day";
import { personContract } from "@/core/contract";
import { AsOf } from "@/core/log/asOf";
import { copyOf } from "@/core/log/copy";
import { putRecord, removeRecord } from "@/core/log/log";
import { demoLog, partnerId } from "@/demo/demoLog";
import { editKinds, madeUpEdit } from "@/demo/edits";
import { Random } from "@/demo/random";
import { describe, expect, it } from "vitest";
import { Answers, type Queries, type QueryName } from "./queries";

const day = mustDay("2026-06-11");
const today = dateOf(day);
const rower = { personId: partnerId, today };
const asked: { [N in QueryName]?: Queries[N]["asks"] } = {
  people: null,
  shell: rower,
  library: null,
  holdings: null,
  column: { ...rower, from: "2026-03-02", to: "2026-06-21" },
  day: { ...rower, date: dateOf(day - 20) },
  lifts: { ...rower, against: "bench-press" },
  lift: { ...rower, exerciseId: "bench-press", times: 40 },
  work: { ...rower, from: "2026-03-05", to: today },
  records: { ...rower, exerciseId: null, atMost: 50 },
  exercises: { ...rower, text: "", muscle: null, equipment: null, group: null },
  distance: { ...rower, days: null },
  body: { ...rower, days: null, zoom: null },
  food: { ...rower, date: today },
  energy: rower,
  working: { ...rower, on: today, ref: { figure: "trend" } },
};

describe("figures brought up to date", () => {
  it("have the bits of figures computed afresh, after any edits in any order", () => {
    const log = demoLog(day);
    const random = new Random(99);
    const answers = new Answers(log, () => "new");
    const names = Object.keys(asked) as QueryName[];
    const kept = names.map((name) => answers.kept(name, asked[name] as never));
    const asOf = new AsOf(log, partnerId, day);
    const changes = new Map<string, number>();
    for (let round = 0; round < 160; round++) {
      const kind = editKinds[round % editKinds.length]!;
      const step = madeUpEdit(log, partnerId, kind, random, day - 112, day);
      if (step === null) continue;
      if ("remove" in step) removeRecord(log, step.remove);
      else putRecord(log, step.kind, step.put);
      const before = kept.map(({ changed }) => changed);
      const fresh = new Answers(copyOf(log), () => "new");
      names.forEach((name, index) => {
        expect(JSON.stringify(kept[index]!.value), `${name} after ${kind} in round ${round}`).toBe(
          JSON.stringify(fresh.answer(name, asked[name] as never)),
        );
        if (kept[index]!.changed !== before[index]) changes.set(name, (changes.get(name) ?? 0) + 1);
      });
      if (round % 20 === 19)
        expect(JSON.stringify(personContract(asOf))).toBe(
          JSON.stringify(personContract(new AsOf(copyOf(log), partnerId, day))),
        );
    }
    // It would hold as well if nothing were kept: each edit touches some answers and leaves others.
    for (const name of names.filter((name) => name !== "library")) expect(changes.get(name), name).toBeGreaterThan(0);
    expect(changes.get("lifts")!).toBeLessThan(140);
    expect(changes.get("people")!).toBeLessThan(30);
  });
});
