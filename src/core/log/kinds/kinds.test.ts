import { describe, expect, it } from "vitest";
import * as z from "zod";
import { doubledId, withElementIds, withOwnIds } from "../idLists";
import { emptyLog, putRecord, whyUnread } from "../log";
import type { AnyRecord, RecordKind } from "../records";
import { referencesOf, repointed, strandedBy } from "../references";
import { isDated, isRecordKind, kinds, recordKinds } from "./all";
import { open, shared } from "./fields";
import { byName, dailyKind, householdKind } from "./kind";

/** The paths of every field of a kind whose name says that it points to another record. */
function pointers(kind: RecordKind): string[] {
  const found: string[] = [];
  const walk = (schema: z.core.JSONSchema.BaseSchema, path: string): void => {
    for (const one of [...(schema.anyOf ?? []), ...(schema.oneOf ?? [])])
      walk(one as z.core.JSONSchema.BaseSchema, path);
    if (schema.items) walk(schema.items as z.core.JSONSchema.BaseSchema, `${path}[]`);
    for (const [name, inner] of Object.entries(schema.properties ?? {})) {
      const at = path === "" ? name : `${path}.${name}`;
      if (/Id$|^(maximum|variant)Of$/.test(name)) found.push(at);
      walk(inner as z.core.JSONSchema.BaseSchema, at);
    }
  };
  walk(z.toJSONSchema(kinds[kind].schema as z.ZodType, { io: "input" }), "");
  return found;
}

describe("the kinds of record", () => {
  it("say where each points: every field that names another record is declared", () => {
    for (const kind of recordKinds) {
      const { cameFrom = {} } = kinds[kind] as { cameFrom?: Record<string, string> };
      // The compiler holds hard pointers to kinds that there are; this does so for soft ones.
      expect(Object.values(cameFrom).every(isRecordKind), kind).toBe(true);
      const declared = [
        ...Object.keys(kinds[kind].refersTo),
        ...Object.keys(cameFrom),
        ...(kinds[kind].belongsTo === "household" ? [] : ["personId"]),
      ];
      // A picture may lie in another device's files: a record that names one that is not here is sound.
      expect(
        pointers(kind)
          .filter((path) => !/photoId$/.test(path))
          .sort(),
        kind,
      ).toEqual(declared.sort());
    }
  });
  it("have a stand-in where others point to them, sound by their schema", () => {
    for (const kind of recordKinds.filter((one) => strandedBy(one).length > 0)) {
      const standIn = kinds[kind].standIn?.("x", "Unknown (x)", "p");
      expect(kinds[kind].schema.safeParse(standIn).success, kind).toBe(true);
    }
  });
  it("bear names of their own, one and several", () => {
    const names = recordKinds.flatMap((kind) => Object.values(kinds[kind].names));
    expect(new Set(names).size).toBe(names.length);
  });
  it("are told from what is no kind", () => {
    expect(["people", "constructor", "__proto__", "spoons"].map(isRecordKind)).toEqual([true, false, false, false]);
    expect(["weighIns", "goals", "toString"].map(isDated)).toEqual([true, false, false]);
  });
  it("do not compile with something missing, or where they point to a kind that is not there", () => {
    const sound = {
      schema: open({ ...shared }),
      names: { one: "a", several: "b" },
      refersTo: {},
      title: () => "",
      changesSayWhich: false,
      lists: null,
    };
    expect(householdKind({ ...sound, standIn: null }).belongsTo).toBe("household");
    // @ts-expect-error whether it can stand in is missing
    householdKind(sound);
    // @ts-expect-error what there is one of a day is missing
    dailyKind({ ...sound, standIn: null, tells: () => true, readAhead: null });
    const { names: _names, ...nameless } = sound;
    // @ts-expect-error its names are missing
    householdKind({ ...nameless, standIn: null });
    // @ts-expect-error a title is made of a name only where there is one
    householdKind({ ...sound, title: byName, standIn: null });
  });
});

const session = {
  id: "s",
  personId: "p",
  date: "2026-01-05",
  kind: "strength",
  status: "done",
  items: [
    { id: "a", exerciseId: "squat", sets: [{ id: "1" }, { id: "1" }] },
    { id: "a", exerciseId: "bench", sets: [{}, { id: "s1" }] },
  ],
} as unknown as AnyRecord;

describe("lists inside records", () => {
  it("are found unsound before anything reads them", () => {
    const why = (items: unknown) => whyUnread("sessions", { ...session, items });
    expect([undefined, null, [], [{ sets: [] }]].map(why)).toEqual([null, null, null, null]);
    for (const items of [{}, "x", [1], [{}], [{ sets: {} }], [{ sets: [1] }], [[]]])
      expect(why(items), JSON.stringify(items)).toBe("its exercises, sets and comments are no lists");
  });
  it("get ids where they lack them, and keep those they have", () => {
    const given = withElementIds("sessions", session as never) as unknown as {
      items: { id: string; sets: { id: string }[] }[];
    };
    expect(given.items[1]!.sets.map(({ id }) => id)).toEqual(["s2", "s1"]);
    expect(withElementIds("sessions", given as never)).toBe(given);
  });
  it("are mended where two elements share an id, the outer list first", () => {
    const given = withElementIds("sessions", session as never);
    expect(doubledId("sessions", given)).toEqual({ path: "items[1].id", id: "a" });
    const mended = withOwnIds("sessions", given) as unknown as { items: { id: string; sets: { id: string }[] }[] };
    expect(mended.items.map(({ id, sets }) => [id, ...sets.map((set) => set.id)])).toEqual([
      ["a", "1", "s1"],
      ["i1", "s2", "s1"],
    ]);
    expect(doubledId("sessions", mended)).toBeNull();
  });
});

describe("what points to a record", () => {
  it("is told with its path", () => {
    expect(referencesOf("sessions", session)).toEqual([
      { path: "personId", kind: "people", id: "p" },
      { path: "items[0].exerciseId", kind: "exercises", id: "squat" },
      { path: "items[1].exerciseId", kind: "exercises", id: "bench" },
    ]);
  });
  it("points to another when the two are made one, and nothing else is touched", () => {
    const log = emptyLog();
    const put = (kind: RecordKind, record: unknown) => putRecord(log, kind, record as AnyRecord);
    put("sessions", {
      ...session,
      items: [
        { id: "a", exerciseId: "squat", sets: [] },
        { id: "b", exerciseId: "bench", sets: [] },
      ],
    });
    put("sessions", { ...session, id: "other", items: [{ id: "a", exerciseId: "bench", sets: [] }] });
    put("maxima", { id: "m", personId: "p", date: "2026-01-05", exerciseId: "squat", kg: 100 });
    put("exercises", { id: "pause", name: "Pause squat", maximumFrom: { exerciseId: "squat", ratio: 0.9 } });
    put("exercises", { id: "kept", name: "Back squat", maximumFrom: { exerciseId: "squat", ratio: 1 } });
    const steps = repointed(log, "exercises", "squat", "kept", ["squat", "kept"]);
    expect(steps.map((step) => ("put" in step ? [step.kind, step.put.id] : null))).toEqual([
      ["exercises", "pause"],
      ["maxima", "m"],
      ["sessions", "s"],
    ]);
    const [, , moved] = steps.map((step) =>
      "put" in step ? (step.put as unknown as { items: { exerciseId: string }[] }) : null,
    );
    expect(moved!.items.map(({ exerciseId }) => exerciseId)).toEqual(["kept", "bench"]);
    expect(strandedBy("exercises")).toEqual([
      "exercises",
      "maxima",
      "sessions",
      "phases",
      "routines",
      "standardWeeks",
      "cycles",
    ]);
  });
});
