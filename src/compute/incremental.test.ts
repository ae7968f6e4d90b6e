import { dateOf, mustDay } from "@/core/base/calendar/day";
import { personContract } from "@/core/contract";
import { AsOf } from "@/core/log/asOf";
import { copyOf } from "@/core/log/copy";
import { putRecord, removeRecord } from "@/core/log/log";
import { demoLog, partnerId } from "@/demo/demoLog";
import { editKinds, madeUpEdit } from "@/demo/edits";
import { Random } from "@/demo/random";
import { describe, expect, it } from "vitest";
import { everyQuestion } from "../../tests/everyQuestion";
import { Answers, type QueryName } from "./queries";

const day = mustDay("2026-06-11");

/**
 * Questions that are asked in passing and not watched by a view: of them too an answer brought up to date is the fresh
 * one.
 */
const changedByAll: QueryName[] = ["ledger", "column", "daily"];

describe("answers brought up to date", () => {
  it("have the bits of answers computed afresh, to every question there is, after any edits in any order", () => {
    const log = demoLog(day);
    const random = new Random(99);
    const answers = new Answers(log, () => "new");
    const asked = everyQuestion(log, { personId: partnerId, today: dateOf(day) });
    const names = Object.keys(asked) as QueryName[];
    const kept = names.flatMap((name) =>
      asked[name].slice(0, 2).map((asks) => ({ name, asks, value: answers.kept(name, asks as never) })),
    );
    for (const { value } of kept) void value.value;
    const asOf = new AsOf(log, partnerId, day);
    const changes = new Map<string, number>();
    for (let round = 0; round < 66; round++) {
      const kind = editKinds[round % editKinds.length]!;
      const step = madeUpEdit(log, partnerId, kind, random, day - 112, day);
      if (step === null) continue;
      if ("remove" in step) removeRecord(log, step.remove);
      else putRecord(log, step.kind, step.put);
      for (const { name, value } of kept) {
        const before = value.changed;
        void value.value;
        if (value.changed !== before) changes.set(name, (changes.get(name) ?? 0) + 1);
      }
      // Fresh answers to everything take their time; an edit that was passed over shows in the next comparison as well.
      if (round % 6 !== 5) continue;
      const fresh = new Answers(copyOf(log), () => "new");
      for (const { name, asks, value } of kept)
        expect(JSON.stringify(value.value), `${name} in round ${round}`).toBe(
          JSON.stringify(fresh.answer(name, asks as never)),
        );
      expect(JSON.stringify(personContract(asOf))).toBe(
        JSON.stringify(personContract(new AsOf(copyOf(log), partnerId, day))),
      );
    }
    // It would hold as well if nothing were kept: each edit touches some answers and leaves others.
    for (const name of changedByAll) expect(changes.get(name), name).toBeGreaterThan(10);
    expect(changes.get("lifts")!).toBeLessThan(56);
    expect(changes.get("people")!).toBeLessThan(16);
  });
});
