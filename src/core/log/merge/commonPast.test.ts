import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { canonical } from "../canonical";
import { copyOf } from "../copy";
import { kinds, recordKinds } from "../kinds/all";
import type { Session } from "../kinds/sessions";
import { emptyLog, type Log, putRecord, removeRecord, tombstoneKey } from "../log";
import { revised, removalOf, vectorOf, knows } from "../past";
import { diff, type FieldPatch, inverse } from "../patch";
import type { AnyRecord, RecordKind } from "../records";
import { applyPatches } from "../threeWay";
import { applyMerge } from "./apply";
import { mergeLogs } from "./merge";

// Three devices of one trainee: each writes as the store does, merges what another gives it as the application does when
// nothing is ticked or unticked by hand, and undoes. `ROUNDS` for more histories than the usual.
const histories = Number(process.env.ROUNDS ?? 300);

/** A device: its log, its clock, and what it has done, to be undone. */
class Device {
  log: Log = emptyLog();
  done: { kind: RecordKind; id: string; fields: FieldPatch[] }[] = [];
  constructor(readonly node: string) {}

  put(kind: RecordKind, wanted: AnyRecord, at: string): void {
    const current = this.log.records[kind].get(wanted.id);
    if (current !== undefined && diff(current, wanted).length === 0) return;
    this.done.push({ kind, id: wanted.id, fields: diff(current, wanted) });
    putRecord(this.log, kind, revised(kind, wanted, current, at));
  }

  remove(kind: RecordKind, id: string, at: string): void {
    const current = this.log.records[kind].get(id);
    if (current === undefined) return;
    this.done.push({ kind, id, fields: diff(current, undefined) });
    removeRecord(this.log, removalOf(kind, current, at));
  }

  undo(at: string): void {
    const last = this.done.pop();
    if (last === undefined) return;
    const current = this.log.records[last.kind].get(last.id);
    if (current === undefined && last.fields.some(({ path }) => path.length > 0)) return;
    const wanted = applyPatches(current, inverse(last.fields)).value as AnyRecord | undefined;
    if (wanted === undefined) {
      if (current !== undefined) removeRecord(this.log, removalOf(last.kind, current, at));
    } else if (kinds[last.kind].schema.safeParse(wanted).success)
      putRecord(
        this.log,
        last.kind,
        revised(last.kind, wanted, current ?? wanted, at, this.log.removed.get(tombstoneKey(last.kind, last.id))),
      );
  }

  take(theirs: Log): void {
    applyMerge(this.log, mergeLogs(this.log, copyOf(theirs)));
  }
}

const stampAt = (tick: number, node: string) =>
  `${new Date(Date.UTC(2026, 5, 11) + tick * 1000).toISOString()}/0000/${node}`;

/** What a log says, without how it came to say it. */
const content = (log: Log) =>
  JSON.stringify(
    recordKinds.map((kind) =>
      [...log.records[kind].values()]
        .sort((a, b) => (a.id < b.id ? -1 : 1))
        .map(({ revision: _revision, changed: _changed, past: _past, ...record }: AnyRecord) => canonical(record)),
    ),
  );

const reps = fc.integer({ min: 1, max: 9 });
const edit = fc.oneof(
  fc.record({
    do: fc.constant("kg" as const),
    id: fc.constantFrom("w1", "w2"),
    value: fc.integer({ min: 60, max: 90 }),
  }),
  fc.record({
    do: fc.constant("note" as const),
    id: fc.constantFrom("w1", "w2"),
    value: fc.option(fc.constantFrom("salty", "late", "ill")),
  }),
  fc.record({ do: fc.constant("setReps" as const), set: fc.constantFrom("a", "b", "c"), value: reps }),
  fc.record({ do: fc.constant("setDone" as const), set: fc.constantFrom("a", "b", "c"), value: fc.option(reps) }),
  fc.record({ do: fc.constant("dropSet" as const), set: fc.constantFrom("a", "b", "c") }),
  fc.record({ do: fc.constant("addSet" as const), set: fc.constantFrom("b", "c", "d"), value: reps }),
  fc.record({ do: fc.constant("title" as const), value: fc.option(fc.constantFrom("Squats", "Heavy")) }),
  fc.record({
    do: fc.constant("comment" as const),
    id: fc.constantFrom("k1", "k2"),
    value: fc.option(fc.constantFrom("more", "less")),
  }),
  fc.record({
    do: fc.constant("status" as const),
    value: fc.constantFrom("planned" as const, "done" as const, "skipped" as const),
  }),
  fc.record({
    do: fc.constant("remove" as const),
    kind: fc.constantFrom("weighIns" as const, "sessions" as const),
    id: fc.constantFrom("w1", "w2", "s"),
  }),
  fc.record({ do: fc.constant("dayNote" as const), value: fc.constantFrom("slept badly", "salty dinner", "late") }),
  fc.record({ do: fc.constant("weigh" as const), value: fc.integer({ min: 60, max: 90 }) }),
  fc.record({ do: fc.constant("undo" as const) }),
);
type Edit = typeof edit extends fc.Arbitrary<infer E> ? E : never;
const act = fc.oneof(
  { weight: 5, arbitrary: fc.record({ device: fc.nat(2), edit }) },
  { weight: 2, arbitrary: fc.record({ device: fc.nat(2), from: fc.nat(2) }) },
);

/** The log with which all three begin. */
function begin(devices: readonly Device[]): void {
  const first = devices[0]!;
  const at = stampAt(0, first.node);
  const weighIn = (id: string, date: string) => ({ id, personId: "p", date, kg: 72, primary: true, note: "first" });
  const records: [RecordKind, object][] = [
    ["people", { id: "p", name: "Robin" }],
    ["exercises", { id: "x", name: "Back squat" }],
    ["weighIns", weighIn("w1", "2026-06-01")],
    ["weighIns", weighIn("w2", "2026-06-02")],
    [
      "sessions",
      {
        id: "s",
        personId: "p",
        date: "2026-06-10",
        kind: "strength",
        status: "planned",
        title: "Squats",
        items: [{ id: "i", exerciseId: "x", sets: ["a", "b"].map((id) => ({ id, planned: { reps: 5, kg: 100 } })) }],
        comments: [{ id: "k1", by: "coach", text: "more" }],
      },
    ],
  ];
  for (const [kind, record] of records) putRecord(first.log, kind, revised(kind, record as AnyRecord, undefined, at));
  for (const other of devices.slice(1)) other.log = copyOf(first.log);
}

function perform(device: Device, one: Edit, at: string): void {
  if (one.do === "undo") return device.undo(at);
  if (one.do === "remove") return device.remove(one.kind, one.id, at);
  if (one.do === "dayNote" || one.do === "weigh") {
    // What there is one of a day is written into the one that stands there.
    const kind = one.do === "dayNote" ? "dayNotes" : "weighIns";
    const held = [...device.log.records[kind].values()].find(({ date }) => date === "2026-06-03");
    const record = { ...(held ?? { id: `${kind}-${device.node}`, personId: "p", date: "2026-06-03" }) };
    device.put(
      kind,
      (one.do === "dayNote"
        ? { ...record, text: one.value }
        : { ...record, primary: true, kg: one.value }) as AnyRecord,
      at,
    );
    return;
  }
  if (one.do === "kg" || one.do === "note") {
    const held = device.log.records.weighIns.get(one.id);
    if (held === undefined) return;
    const { note: _note, ...rest } = held;
    device.put(
      "weighIns",
      one.do === "kg" ? { ...held, kg: one.value } : one.value === null ? rest : { ...rest, note: one.value },
      at,
    );
    return;
  }
  const session = device.log.records.sessions.get("s");
  if (session === undefined) return;
  device.put("sessions", changedSession(session, one), at);
}

type SessionEdit = Exclude<Edit, { do: "undo" | "remove" | "kg" | "note" | "dayNote" | "weigh" }>;

function changedSession(session: Session, one: SessionEdit): Session {
  const [item] = session.items!;
  type Sets = NonNullable<typeof item>["sets"];
  const withSets = (make: (sets: Sets) => Sets): Session => ({
    ...session,
    items: [{ ...item!, sets: make(item!.sets) }],
  });
  switch (one.do) {
    case "setReps":
      return withSets((sets) =>
        sets.map((set) => (set.id === one.set ? { ...set, planned: { ...set.planned, reps: one.value } } : set)),
      );
    case "setDone":
      return withSets((sets) =>
        sets.map((set) => {
          const { done: _done, ...rest } = set;
          return set.id !== one.set ? set : one.value === null ? rest : { ...rest, done: { reps: one.value, kg: 100 } };
        }),
      );
    case "dropSet":
      return withSets((sets) => sets.filter(({ id }) => id !== one.set));
    case "addSet":
      return withSets((sets) =>
        sets.some(({ id }) => id === one.set) ? sets : [...sets, { id: one.set, planned: { reps: one.value, kg: 90 } }],
      );
    case "title": {
      const { title: _title, ...rest } = session;
      return one.value === null ? rest : { ...rest, title: one.value };
    }
    case "comment": {
      const others = (session.comments ?? []).filter(({ id }) => id !== one.id);
      return {
        ...session,
        comments: one.value === null ? others : [...others, { id: one.id, by: "me", text: one.value }],
      };
    }
    case "status":
      return { ...session, status: one.value };
  }
}

/** Plays a history, and returns the devices. */
function play(acts: readonly (typeof act extends fc.Arbitrary<infer A> ? A : never)[]): Device[] {
  const devices = ["phone", "laptop", "tablet"].map((node) => new Device(node));
  begin(devices);
  for (const [tick, one] of acts.entries()) {
    const device = devices[one.device]!;
    if ("edit" in one) perform(device, one.edit, stampAt(tick + 1, device.node));
    else if (one.from !== one.device) device.take(devices[one.from]!.log);
  }
  return devices;
}
const history = fc.array(act, { minLength: 1, maxLength: 30 });
const copied = (device: Device) => Object.assign(new Device(device.node), { log: copyOf(device.log) });

describe("three devices with a common past", () => {
  it("both directions of a merge give the same log (property)", () => {
    fc.assert(
      fc.property(history, (acts) => {
        const [a, b] = play(acts) as [Device, Device, Device];
        const [left, right] = [copied(a), copied(b)];
        left.take(b.log);
        right.take(a.log);
        expect(content(left.log)).toBe(content(right.log));
      }),
      { numRuns: histories },
    );
  });

  it("merging twice is merging once, and then nothing is proposed (property)", () => {
    fc.assert(
      fc.property(history, (acts) => {
        const [a, b] = play(acts) as [Device, Device, Device];
        a.take(b.log);
        const once = content(a.log);
        expect(mergeLogs(a.log, b.log)).toEqual([]);
        a.take(b.log);
        expect(content(a.log)).toBe(once);
        // The other way there may be news of ours, but once taken there is none.
        b.take(a.log);
        expect(mergeLogs(b.log, a.log)).toEqual([]);
        expect(mergeLogs(a.log, b.log)).toEqual([]);
        expect(content(b.log)).toBe(once);
      }),
      { numRuns: histories },
    );
  });

  it("come to the same log whoever merges with whom, once all have heard of all (property)", () => {
    fc.assert(
      fc.property(history, fc.array(fc.tuple(fc.nat(2), fc.nat(2)), { maxLength: 6 }), (acts, meetings) => {
        const devices = play(acts);
        for (const [to, from] of meetings) if (to !== from) devices[to]!.take(devices[from]!.log);
        for (let round = 0; round < 3; round++)
          for (const to of devices) for (const from of devices) if (to !== from) to.take(from.log);
        const [first, ...others] = devices.map(({ log }) => content(log));
        for (const other of others) expect(other).toBe(first);
      }),
      { numRuns: histories },
    );
  });

  it("three merged in any order give the same log where nothing was removed as a whole (property)", () => {
    // What one removed and another changed comes back as that one had it, so there the order may tell.
    const isWhole = (one: Edit) =>
      ["undo", "remove", "dropSet"].includes(one.do) ||
      ((one.do === "setDone" || one.do === "comment") && one.value === null);
    // An id is made once: no two devices make one element each under the same.
    const made = (one: Edit, device: number): Edit =>
      one.do === "addSet"
        ? { ...one, set: `${one.set}${device}` as typeof one.set }
        : one.do === "comment"
          ? { ...one, id: `${one.id}${device}` as typeof one.id }
          : one;
    fc.assert(
      fc.property(history, (acts) => {
        const devices = play(
          acts
            .filter((one) => !("edit" in one) || !isWhole(one.edit))
            .map((one) => ("edit" in one ? { ...one, edit: made(one.edit, one.device) } : one)),
        );
        const orders = [
          [0, 1, 2],
          [0, 2, 1],
          [1, 2, 0],
        ].map((order) => {
          const [first, ...rest] = order.map((index) => devices[index]!) as [Device, ...Device[]];
          const into = copied(first);
          for (const other of rest) into.take(other.log);
          return content(into.log);
        });
        expect(new Set(orders).size).toBe(1);
      }),
      { numRuns: histories },
    );
  });

  it("an untouched older copy changes nothing and proposes nothing (property)", () => {
    fc.assert(
      fc.property(history, history, (acts, more) => {
        const [a] = play(acts) as [Device, Device, Device];
        const older = copyOf(a.log);
        for (const [tick, one] of more.entries())
          if ("edit" in one) perform(a, one.edit, stampAt(acts.length + tick + 1, a.node));
        expect(mergeLogs(a.log, older)).toEqual([]);
        // And the older copy comes to what became of it, what was removed included.
        const device = new Device("laptop");
        device.log = older;
        device.take(a.log);
        expect(content(device.log)).toBe(content(a.log));
      }),
      { numRuns: histories },
    );
  });

  it("nothing that one device wrote and nobody else touched is lost (property)", () => {
    fc.assert(
      fc.property(history, history, (common, apart) => {
        const devices = play(common);
        for (const to of devices) for (const from of devices) if (to !== from) to.take(from.log);
        for (const to of devices) for (const from of devices) if (to !== from) to.take(from.log);
        const before = copyOf(devices[0]!.log);
        // Only the phone goes on.
        const [phone, laptop] = devices as [Device, Device, Device];
        phone.done = [];
        for (const [tick, one] of apart.entries())
          if ("edit" in one) perform(phone, one.edit, stampAt(common.length + tick + 1, phone.node));
        expect(content(laptop.log)).toBe(content(before));
        laptop.take(phone.log);
        expect(content(laptop.log)).toBe(content(phone.log));
      }),
      { numRuns: histories },
    );
  });

  it("what is noted of a record knows every writing that made it (property)", () => {
    fc.assert(
      fc.property(history, (acts) => {
        for (const { log } of play(acts))
          for (const kind of recordKinds)
            for (const record of log.records[kind].values()) {
              const vector = vectorOf(record);
              for (const stamp of Object.values(record.past?.fields ?? {})) expect(knows(vector, stamp)).toBe(true);
              expect(kinds[kind].schema.safeParse(record).success).toBe(true);
            }
      }),
      { numRuns: Math.ceil(histories / 3) },
    );
  });
});
