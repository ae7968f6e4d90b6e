import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoLog, rowerId } from "@/demo/demoLog";
import { readArchive } from "@/formats/archive/read";
import { writeArchive } from "@/formats/archive/write";
import { mustDay } from "@/core/base/calendar/day";
import { mergeExercises } from "@/core/strength/libraryView";
import { AsOf } from "@/core/log/asOf";
import { copyOf } from "@/core/log/copy";
import { recordKinds } from "@/core/log/kinds/all";
import { type Log, putRecord, removeRecord } from "@/core/log/log";
import { applyMerge } from "@/core/log/merge/apply";
import { mergeLogs } from "@/core/log/merge/merge";
import { removalOf, revised } from "@/core/log/past";
import type { AnyRecord, Change, RecordKind } from "@/core/log/records";
import { referencesOf } from "@/core/log/references";
import { removing } from "@/core/log/removal";

/** The demo's last weeks: each try reads a whole archive back. */
const start = copyOf(demoLog(mustDay("2026-06-11")));
for (const kind of recordKinds)
  for (const record of [...start.records[kind].values()] as { id: string; date?: string }[])
    if (record.date !== undefined && record.date < "2026-05-20") removeRecord(start, { kind, id: record.id });
const asOf = (log: Log) => new AsOf(log, rowerId, mustDay("2026-06-11"));
let tick = 0;
const stamp = (node: string) => `2026-06-12T10:00:00.000Z/${(tick += 1).toString(36).padStart(4, "0")}/${node}`;

/** Writes a change as the store does. */
function write(log: Log, change: Change, node: string): void {
  for (const step of change) {
    if ("remove" in step) {
      const held = log.records[step.remove.kind].get(step.remove.id);
      if (held !== undefined) removeRecord(log, removalOf(step.remove.kind, held, stamp(node)));
    } else
      putRecord(log, step.kind, revised(step.kind, step.put, log.records[step.kind].get(step.put.id), stamp(node)));
  }
}
const readable = (log: Log) => {
  const reading = readArchive(new TextEncoder().encode(writeArchive(log, "2026-06-12T10:00:00Z")));
  return reading.ok ? [] : reading.problems;
};
const removable = ["phases", "routines", "standardWeeks", "cycles", "recipes", "blocks", "goals"] as const;

describe("the removal of a record", () => {
  it("and what points to it are one change: the export can be read back, and nothing else is lost", () => {
    for (const kind of removable)
      for (const { id } of start.records[kind].values()) {
        const log = copyOf(start);
        const { change } = removing(log, kind, id)!;
        write(log, change, "phone");
        expect(readable(log), `${kind} ${id}`).toEqual([]);
        for (const other of recordKinds)
          expect(log.records[other].size, other).toBe(
            start.records[other].size - (other === kind && log.records[kind].get(id) === undefined ? 1 : 0),
          );
      }
  });
  it("says what uses it and what becomes of that", () => {
    const log = copyOf(start);
    const label = (kind: RecordKind, id: string) => removing(log, kind, id)!.label;
    const [phase] = [...log.records.phases.keys()] as [string];
    for (const block of [...log.records.blocks.values()].slice(0, 2))
      putRecord(log, "blocks", { ...block, phaseId: phase });
    expect(label("phases", phase)).toMatch(/^Phase .+ removed; \d+ blocks? of it stands? without$/);
    const eaten = [...start.records.meals.values()].find(({ recipeId }) => recipeId != null)!.recipeId!;
    expect(label("recipes", eaten)).toMatch(/^Recipe .+ put away; \d+ meals? of it keeps? (its|their) name$/);
    expect(removing(log, "phases", "none")).toBeNull();
  });
  it("of a routine leaves the sessions of a standard week with what it was made of", () => {
    const week = [...start.records.standardWeeks.values()].find(({ days }) =>
      (days ?? []).some(({ sessions }) => (sessions ?? []).some(({ routineId }) => routineId != null)),
    )!;
    const routineId = week
      .days!.flatMap(({ sessions }) => sessions ?? [])
      .find((one) => one.routineId != null)!.routineId!;
    const routine = start.records.routines.get(routineId)!;
    const log = copyOf(start);
    write(log, removing(log, "routines", routineId)!.change, "phone");
    const now = log.records.standardWeeks.get(week.id)!.days!.flatMap(({ sessions }) => sessions ?? []);
    expect(now.some((one) => one.routineId === routineId)).toBe(false);
    expect(now.find(({ title }) => title === routine.name)).toMatchObject(
      routine.items == null ? {} : { items: routine.items },
    );
  });
  it("of what another device uses meanwhile does not strand it, whoever merges with whom (property)", () => {
    const removals: ((log: Log) => Change)[] = [
      ...removable.flatMap((kind) =>
        [...start.records[kind].keys()].slice(0, 4).map((id) => (log: Log) => removing(log, kind, id)?.change ?? []),
      ),
      (log) => mergeExercises(asOf(log), "front-squat", "back-squat")?.change ?? [],
      (log) => mergeExercises(asOf(log), "romanian-deadlift", "deadlift")?.change ?? [],
      (log) => [{ remove: { kind: "foods", id: [...log.records.foods.keys()].sort()[0]! } }],
    ];
    const uses: ((log: Log) => Change)[] = [
      ...["front-squat", "romanian-deadlift"].map(
        (exerciseId) =>
          (log: Log): Change =>
            log.records.exercises.has(exerciseId)
              ? [
                  {
                    kind: "maxima",
                    put: { id: `m-${exerciseId}`, personId: rowerId, exerciseId, date: "2026-06-11", kg: 90 },
                  },
                ]
              : [],
      ),
      (log) => {
        const session = [...log.records.sessions.values()].find(({ items }) => (items ?? []).length > 0);
        return session === undefined ? [] : [{ kind: "sessions", put: { ...session, note: "used" }, base: session }];
      },
      (log) => {
        const foodId = [...log.records.foods.keys()].sort()[0];
        return foodId === undefined
          ? []
          : [{ kind: "meals", put: { id: "eaten", personId: rowerId, date: "2026-06-11", foodId, grams: 50 } }];
      },
    ];
    const unused = (log: Log, change: Change) =>
      // Only the interface's own removals are tried: it removes no food that something uses.
      change.every(
        (step) =>
          !("remove" in step) ||
          step.remove.kind !== "foods" ||
          !recordKinds.some((kind) =>
            [...(log.records[kind] as ReadonlyMap<string, AnyRecord>).values()].some((record) =>
              referencesOf(kind, record).some(({ id }) => id === step.remove.id),
            ),
          ),
      );
    fc.assert(
      fc.property(
        fc.array(fc.record({ phone: fc.boolean(), act: fc.constantFrom(...removals, ...uses) }), {
          minLength: 1,
          maxLength: 6,
        }),
        (acts) => {
          const [phone, laptop] = [copyOf(start), copyOf(start)];
          for (const { phone: isPhone, act } of acts) {
            const log = isPhone ? phone : laptop;
            const change = act(log);
            if (unused(log, change)) write(log, change, isPhone ? "phone" : "laptop");
          }
          const [a, b] = [copyOf(phone), copyOf(laptop)];
          applyMerge(a, mergeLogs(a, laptop));
          applyMerge(b, mergeLogs(b, phone));
          for (const log of [phone, laptop, a, b]) expect(readable(log)).toEqual([]);
        },
      ),
      { numRuns: Number(process.env.ROUNDS ?? 6) },
    );
  }, 120_000);
});
