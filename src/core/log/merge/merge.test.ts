import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoLog, rowerId } from "../../../demo/demoLog";
import { editKinds, madeUpEdit } from "../../../demo/edits";
import { Random } from "../../../demo/random";
import { mustDay } from "../../base/calendar/day";
import { canonical } from "../canonical";
import { copyOf } from "../copy";
import { recordKinds } from "../kinds/all";
import { emptyLog, type Log, putRecord, removeRecord } from "../log";
import type { AnyRecord, RecordKind } from "../records";
import { applyMerge } from "./apply";
import { mergeLines } from "./lines";
import { mergeLogs, stepsOf } from "./merge";

const stamp = (minute: number, node: string) => `2026-06-11T10:${String(minute).padStart(2, "0")}:00.000Z/0000/${node}`;
const logOf = (...records: [RecordKind, object][]): Log => {
  const log = emptyLog();
  for (const [kind, record] of records) putRecord(log, kind, record as AnyRecord);
  return log;
};
const take = applyMerge;
const weigh = (fields: object) =>
  [
    "weighIns",
    { id: "w", personId: "p", date: "2026-06-10", kg: 72, revision: 1, changed: stamp(0, "phone"), ...fields },
  ] as [RecordKind, object];
const session = (sets: object[], fields: object) =>
  [
    "sessions",
    {
      id: "s",
      personId: "p",
      date: "2026-06-10",
      kind: "strength",
      status: "done",
      items: [{ id: "i", exerciseId: "squat", sets }],
      ...fields,
    },
  ] as [RecordKind, object];

describe("merging another device's archive", () => {
  it("of a log into itself changes nothing, whatever the order of keys", () => {
    const log = demoLog(mustDay("2026-06-11"));
    expect(mergeLogs(log, copyOf(log))).toEqual([]);
    expect(
      mergeLogs(logOf(weigh({})), logOf(["weighIns", { kg: 72, date: "2026-06-10", personId: "p", id: "w" }])),
    ).toEqual([]);
  });
  it("takes what is new, and what the same device wrote later, and leaves what it wrote earlier", () => {
    const [old, now] = [weigh({}), weigh({ kg: 71.8, revision: 2, changed: stamp(5, "phone") })];
    expect(mergeLogs(emptyLog(), logOf(old))).toMatchObject([{ what: "new", kind: "weighIns", proposed: true }]);
    expect(mergeLogs(logOf(old), logOf(now))).toMatchObject([
      { what: "changed", fields: [{ path: ["kg"], before: 72, after: 71.8 }] },
    ]);
    expect(mergeLogs(logOf(now), logOf(old))).toEqual([]);
  });
  it("joins fields that two tabs or devices changed: what one holds stays, the later word counts where both speak", () => {
    const ours = logOf(weigh({ note: "salty", kg: 72.4, revision: 2, changed: stamp(9, "laptop") }));
    const theirs = logOf(weigh({ time: "06:40", kg: 72.1, revision: 2, changed: stamp(5, "phone") }));
    const [found, ...others] = mergeLogs(ours, theirs);
    // They do not say what they follow, so it is a guess.
    expect(found).toMatchObject({
      what: "changed",
      proposed: true,
      guessed: true,
      fields: [
        { path: ["time"], before: undefined, after: "06:40", stands: "theirs" },
        { path: ["kg"], before: 72.4, after: 72.1, stands: "mine" },
      ],
      written: { later: "here", here: "2026-06-11T10:09:00.000Z", there: "2026-06-11T10:05:00.000Z" },
    });
    expect(found!.record).toMatchObject({ kg: 72.4, note: "salty", time: "06:40" });
    // What lost is told and not taken; taking it all the same leaves the note, of which the other says nothing.
    const [, decided] = stepsOf(found!, new Set([0, 1]));
    expect(decided).toMatchObject({ put: { kg: 72.1, note: "salty", time: "06:40" } });
    expect(others).toEqual([]);
    expect(mergeLogs(theirs, ours)).toMatchObject([
      {
        fields: expect.arrayContaining([
          expect.objectContaining({ path: ["note"], after: "salty" }),
          expect.objectContaining({ path: ["kg"], before: 72.1, after: 72.4 }),
        ]) as unknown,
      },
    ]);
  });
  it("asks about what differs though it was written at the same moment, as when a file was changed by other means", () => {
    expect(mergeLogs(logOf(weigh({})), logOf(weigh({ kg: 73 })))).toMatchObject([
      { what: "kept", proposed: false, fields: [{ path: ["kg"], before: 72, after: 73 }] },
    ]);
    const unstamped = (kg: number) => logOf(weigh({ kg, changed: undefined, revision: undefined }));
    expect(mergeLogs(unstamped(72), unstamped(73))).toMatchObject([
      { what: "kept", proposed: false, written: { later: null, here: null, there: null } },
    ]);
  });
  it("passes over a record as it was first written there, before it was changed here", () => {
    expect(mergeLogs(logOf(weigh({ kg: 71.8, revision: 2, changed: stamp(5, "laptop") })), logOf(weigh({})))).toEqual(
      [],
    );
  });
  it("is told in words, names and the person's units", () => {
    const base: [RecordKind, object][] = [
      ["people", { id: "p", name: "Robin", units: { mass: "lb", distance: "mi", energy: "kJ" } }],
      ["exercises", { id: "squat", name: "Back squat" }],
    ];
    const ours = logOf(
      ...base,
      weigh({ changed: stamp(1, "laptop") }),
      session([{ id: "1", done: { reps: 5, kg: 100 } }], {
        kcal: 300,
        distance: { done: { metres: 1609.344 } },
        changed: stamp(3, "laptop"),
      }),
    );
    const theirs = logOf(
      ...base,
      weigh({ kg: 71.894390645, changed: stamp(5, "phone") }),
      session(
        [
          { id: "1", done: { reps: 4, kg: 102.058283, failed: true } },
          { id: "2", planned: { reps: 5, kg: 100 } },
        ],
        { kcal: 310, distance: { done: { metres: 3218.688 } }, minutes: 40, changed: stamp(6, "phone") },
      ),
    );
    const told = mergeLines(ours, theirs, mergeLogs(ours, theirs)).flatMap(({ title, fields }) => [
      title,
      ...fields.map(({ name, before, after }) => `${name}: ${before} → ${after}`),
    ]);
    expect(told).toContain("weight: 158.73 lb → 158.5 lb");
    expect(told).toContain("Back squat › set 1 › done › repetitions: 5 → 4");
    expect(told).toContain("Back squat › set 1 › done › load: 220.46 lb → 225 lb");
    expect(told).toContain("Back squat › set 1 › done › one more missed: nothing → yes");
    expect(told).toContain("Back squat › set 2: nothing → planned: repetitions 5, load 220.46 lb");
    expect(told).toContain("distance › done › metres: 1.00 mi → 2.00 mi");
    expect(told).toContain("energy: 1,255 kJ → 1,297 kJ");
    expect(told).toContain("minutes: nothing → 40 min");
  });
  it("joins the sets of one session by their ids", () => {
    const ours = logOf(
      session([{ id: "1", done: { reps: 5, kg: 100 } }, { id: "2" }], { changed: stamp(3, "laptop") }),
    );
    const theirs = logOf(
      session([{ id: "1" }, { id: "2", done: { reps: 4, kg: 100 } }, { id: "3", done: { reps: 3, kg: 105 } }], {
        changed: stamp(6, "phone"),
      }),
    );
    take(ours, mergeLogs(ours, theirs));
    expect(ours.records.sessions.get("s")!.items![0]!.sets).toEqual([
      { id: "1", done: { reps: 5, kg: 100 } },
      { id: "2", done: { reps: 4, kg: 100 } },
      { id: "3", done: { reps: 3, kg: 105 } },
    ]);
  });
  it("knows the morning and the note of a day by person and date, second weigh-ins by their id", () => {
    const [ours, theirs] = [
      logOf(weigh({ changed: stamp(1, "laptop") })),
      logOf(
        weigh({ id: "x", kg: 72.3, changed: stamp(4, "phone") }),
        weigh({ id: "y", kg: 73, primary: false, changed: stamp(4, "phone") }),
      ),
    ];
    const found = mergeLogs(ours, theirs);
    expect(found).toMatchObject([
      { what: "changed", id: "w", fields: [{ path: ["kg"], before: 72, after: 72.3 }] },
      { what: "new", id: "y" },
    ]);
    take(ours, found);
    expect(ours.records.weighIns.size).toBe(2);
  });
  it("follows a removal unless the record was changed here after it, and does not bring back what was removed here later", () => {
    const removedAt = (minute: number) => {
      const log = logOf(weigh({}));
      removeRecord(log, { id: "w", kind: "weighIns", changed: stamp(minute, "phone") });
      return log;
    };
    expect(mergeLogs(logOf(weigh({ changed: stamp(2, "laptop") })), removedAt(5))).toMatchObject([
      { what: "removed", proposed: true },
    ]);
    expect(mergeLogs(logOf(weigh({ changed: stamp(8, "laptop") })), removedAt(5))).toMatchObject([
      { what: "removed", proposed: false },
    ]);
    expect(mergeLogs(removedAt(5), logOf(weigh({ changed: stamp(2, "laptop") })))).toEqual([]);
    expect(mergeLogs(removedAt(5), logOf(weigh({ changed: stamp(8, "laptop") })))).toMatchObject([
      { what: "brought back", proposed: true },
    ]);
  });
  it("a morning taken out there and written anew is the new one here, and stays", () => {
    const old = weigh({ note: "wrong scale", changed: stamp(3, "phone") });
    const anew = logOf(weigh({ id: "x", kg: 72.3, changed: stamp(7, "laptop") }));
    removeRecord(anew, { id: "w", kind: "weighIns", changed: stamp(5, "laptop") });
    expect(mergeLogs(anew, logOf(old))).toEqual([]);
    const here = logOf(old);
    const found = mergeLogs(here, anew);
    expect(found).toMatchObject([
      { what: "removed", id: "w", proposed: true },
      { what: "new", id: "x", proposed: true },
    ]);
    take(here, found);
    expect([...here.records.weighIns.values()]).toEqual([...anew.records.weighIns.values()]);
    const changedSince = mergeLogs(logOf(weigh({ kg: 72.9, changed: stamp(6, "phone") })), anew);
    expect(changedSince.filter(({ proposed }) => proposed)).toMatchObject([
      { what: "changed", id: "w", fields: [{ path: ["kg"], after: 72.3 }] },
    ]);
  });
  it("brings two devices, edited apart in any way, to the same log, and then finds nothing more", () => {
    const start = demoLog(mustDay("2026-06-11"));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const random = new Random(seed);
        const [phone, laptop] = [copyOf(start), copyOf(start)];
        for (let edit = 0; edit < 24; edit++) {
          const [log, node] = random.chance(0.5) ? ([phone, "phone"] as const) : ([laptop, "laptop"] as const);
          const step = madeUpEdit(
            log,
            rowerId,
            random.pick(editKinds),
            random,
            mustDay("2026-06-01"),
            mustDay("2026-06-11"),
          );
          if (step === null) continue;
          if ("remove" in step) removeRecord(log, { ...step.remove, changed: stamp(edit, node) });
          else putRecord(log, step.kind, { ...step.put, changed: stamp(edit, node) } as AnyRecord);
        }
        const [toPhone, toLaptop] = [mergeLogs(phone, laptop), mergeLogs(laptop, phone)];
        take(phone, toPhone);
        take(laptop, toLaptop);
        expect(mergeLogs(phone, laptop).filter(({ proposed }) => proposed)).toEqual([]);
        // Records that both hold as one object were touched by neither.
        const edited = (log: Log, other: Log) =>
          recordKinds.flatMap((kind) =>
            [...log.records[kind].values()]
              .filter((record) => other.records[kind].get(record.id) !== record)
              .map(({ revision: _revision, changed: _changed, id: _id, ...record }: AnyRecord) =>
                JSON.stringify(canonical(record)),
              )
              .sort(),
          );
        expect(edited(phone, laptop)).toEqual(edited(laptop, phone));
      }),
      { numRuns: 25 },
    );
  });
});

describe("a tie of stamps", () => {
  const same = (fields: object) => weigh({ changed: stamp(5, "phone"), ...fields });
  it("is decided for ours and listed, with neither as the later: it is the trainee's to say", () => {
    const found = mergeLogs(logOf(same({ kg: 72 })), logOf(same({ kg: 73 })));
    expect(found.map(({ what, proposed, written }) => [what, proposed, written?.later])).toEqual([
      ["kept", false, null],
    ]);
    const [one] = found;
    const [step] = stepsOf(one!, new Set([0]));
    expect(step !== undefined && "put" in step && (step.put as { kg?: number }).kg).toBe(73);
    expect(one!.fields).toMatchObject([{ path: ["kg"], before: 72, after: 73 }]);
  });
  it("from the same device, a moment apart, is no tie: the later stands", () => {
    const [one] = mergeLogs(logOf(same({ kg: 72 })), logOf(weigh({ kg: 73, changed: stamp(6, "phone") })));
    expect(one).toMatchObject({ what: "changed", proposed: true, written: null });
    expect(mergeLogs(logOf(weigh({ kg: 73, changed: stamp(6, "phone") })), logOf(same({ kg: 72 })))).toEqual([]);
  });
});
