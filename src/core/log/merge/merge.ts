import { compare } from "../../base/text";
import { sameJson } from "../canonical";
import { isRecordKind, kinds, recordKinds } from "../kinds/all";
import type { Session } from "../kinds/sessions";
import { type Log, tombstoneKey } from "../log";
import { covers, isKnown, joinedVectors, knows, nodeOf, type Past, removalOf, type Vector, vectorOf } from "../past";
import { diff, isIdList, isOrder, isPlain, type Step } from "../patch";
import { type AnyRecord, type ChangeStep, put, putMerged, type RecordKind, type Tombstone } from "../records";
import { ownerOf, referencesOf } from "../references";
import { sameDayRecord } from "../sameDay";
import { applyPatches } from "../threeWay";
import { type Decided, joinRecords, ranks, type Stands } from "./join";

/** One field on which two copies of a record differ: what it says on either side, and what stands. */
export interface FieldChange {
  path: readonly Step[];
  /** What it says here, and what it says there (undefined where it is absent). */
  before: unknown;
  after: unknown;
  stands: Stands;
  /** Whether both have changed it, as far as is known, without knowing of the other. */
  clash: boolean;
  why: string;
}

/** One record that stands otherwise in the other log, and what merging it would write. */
export interface Difference {
  kind: RecordKind;
  id: string;
  /**
   * `kept` is what stays as it is here; `known` is what both say alike, while the other log knows more of how it came to
   * be: it is taken over and not listed.
   */
  what: "new" | "changed" | "removed" | "brought back" | "kept" | "known";
  /** The record, as it would stand or as it would be removed. */
  record: AnyRecord;
  fields: FieldChange[];
  /** What writes it when it is taken, and what where it is left: that it is known of, so that it is not told again. */
  steps: ChangeStep[];
  otherwise: ChangeStep[];
  /** Whether it is proposed; what is not (removed there before it was changed here, or kept) is only listed. */
  proposed: boolean;
  /** Whether it was removed there and stays, since something here points to it. */
  isUsed?: true;
  /** Whether it is not known what the two follow: they were written by a version that did not note it. */
  guessed: boolean;
  /**
   * Where both sides wrote the record: which wrote later, null where they say the same moment; and when, null where a
   * side does not say.
   */
  written: { later: "here" | "there" | null; here: string | null; there: string | null } | null;
}

/**
 * What merging another copy of the log into ours would change, record by record and field by field. Each record knows
 * what it follows, so that a copy that is a past of the other changes nothing, what was removed is not brought back, and
 * what both changed is told field by field: the later word stands. Both directions come to the same, and merging twice is
 * merging once. Records of older versions that do not say what they follow are joined as well as can be guessed, which is
 * told. Nothing of ours is touched that the other does not speak of.
 */
export function mergeLogs(ours: Log, theirs: Log): Difference[] {
  const removed = [...theirs.removed.values()].flatMap((tombstone) => removal(ours, tombstone));
  // Removals come before what is put in their place on the same day.
  const found = [
    ...removed,
    ...recordKinds.flatMap((kind) =>
      [...theirs.records[kind].values()].flatMap((record) => present(ours, theirs, kind, record)),
    ),
  ];
  keepWhatIsUsed(ours, theirs, found);
  // What others refer to (exercises, foods) stands first, then day by day, the newest first, and last what stays as it
  // is.
  const dateOf = ({ what, record }: Difference) => `${what === "kept" ? 0 : 1}${dateIn(record).date ?? "9999"}`;
  return found.sort((a, b) => (dateOf(a) < dateOf(b) ? 1 : dateOf(a) > dateOf(b) ? -1 : 0));
}

/**
 * What one side removed and a record of the other points to stays, or comes back: a merged log points to nothing that is
 * not there.
 */
function keepWhatIsUsed(ours: Log, theirs: Log, found: Difference[]): void {
  const goes = new Set<string>();
  const stands = new Map<string, { kind: RecordKind; record: AnyRecord }>();
  for (const { steps, otherwise, proposed } of found)
    for (const step of proposed ? steps : otherwise) {
      if ("remove" in step) goes.add(tombstoneKey(step.remove.kind, step.remove.id));
      else stands.set(tombstoneKey(step.kind, step.put.id), { kind: step.kind, record: step.put });
    }
  if (goes.size === 0 && ours.removed.size === 0) return;
  const all: Iterable<{ kind: RecordKind; record: AnyRecord }>[] = [
    stands.values(),
    ...(goes.size === 0
      ? []
      : recordKinds.map((kind) =>
          [...ours.records[kind].values()].flatMap((record: AnyRecord) =>
            goes.has(tombstoneKey(kind, record.id)) || stands.has(tombstoneKey(kind, record.id))
              ? []
              : [{ kind, record }],
          ),
        )),
  ];
  // What comes back may point to something that was removed as well.
  for (let waiting = all.flatMap((some) => [...some]); waiting.length > 0;) {
    const next: typeof waiting = [];
    for (const { kind, record } of waiting)
      for (const used of referencesOf(kind, record)) {
        const key = tombstoneKey(used.kind, used.id);
        const removedHere = !ours.records[used.kind].has(used.id) && !stands.has(key);
        if (!goes.has(key) && !removedHere) continue;
        const there = theirs.records[used.kind].get(used.id);
        const back = goes.has(key) ? ours.records[used.kind].get(used.id) : there;
        if (back === undefined) continue;
        goes.delete(key);
        stands.set(key, { kind: used.kind, record: back });
        next.push({ kind: used.kind, record: back });
        const difference = found.find((one) => one.kind === used.kind && one.id === used.id);
        if (difference !== undefined) Object.assign(difference, { proposed: false, otherwise: [], isUsed: true });
        else found.push(newThere(used.kind, back, "brought back"));
      }
    waiting = next;
  }
}

/** What merges a difference when fields of it are decided by hand: those named here say what they say there. */
export function stepsOf(difference: Difference, taken: ReadonlySet<number>): ChangeStep[] {
  const { kind, record, fields, steps } = difference;
  const byHand = fields.flatMap(({ path, before, after, stands }, index) =>
    taken.has(index) === (stands !== "mine") ? [] : [{ path, after: taken.has(index) ? after : before }],
  );
  if (byHand.length === 0) return steps;
  const decided = byHand.reduce<unknown>(
    // What stands is replaced whatever it is.
    (held, { path, after }) => applyPatches(held, [{ path, before: valueAt(held, path), after }]).value,
    record,
  ) as AnyRecord;
  return [...steps, { kind, put: decided, base: record } as ChangeStep];
}

/** Which fields of a difference are taken from the other side when nothing is decided by hand. */
export const takenAtFirst = ({ fields }: Pick<Difference, "fields">): ReadonlySet<number> =>
  new Set(fields.flatMap(({ stands }, index) => (stands === "mine" ? [] : [index])));

function valueAt(value: unknown, path: readonly Step[]): unknown {
  return path.reduce<unknown>((held, step) => {
    if (typeof step === "string") return isPlain(held) && Object.hasOwn(held, step) ? held[step] : undefined;
    if ("order" in step) return isIdList(held) ? held.map(({ id }) => id) : undefined;
    return isIdList(held) ? held.find(({ id }) => id === step.element) : undefined;
  }, value);
}

/** What a removal there comes to here. */
function removal(ours: Log, tombstone: Tombstone): Difference[] {
  const { kind, id } = tombstone;
  if (!isRecordKind(kind)) return [];
  const held = ours.records[kind].get(id);
  const ownTombstone = ours.removed.get(tombstoneKey(kind, id));
  const wider = withKnown(tombstone, ownTombstone);
  const difference = {
    kind,
    id,
    fields: [],
    written: null,
    guessed: tombstone.seen == null,
    record: held ?? ({ id } as AnyRecord),
    otherwise: [],
  };
  if (held === undefined)
    return ownTombstone !== undefined && sameJson(wider, ownTombstone)
      ? []
      : [{ ...difference, what: "known", proposed: true, steps: [{ remove: { kind, id }, tombstone: wider }] }];
  const proposed = isGone(tombstone, held);
  // Changed here knowing of it: there is nothing to say.
  if (!proposed && tombstone.changed != null && knows(vectorOf(held), tombstone.changed)) return [];
  return [
    {
      ...difference,
      what: "removed",
      steps: [{ remove: { kind, id, ...dateIn(held) }, tombstone: wider }],
      otherwise: proposed ? [] : [putMerged(kind, knowing(held, vectorOf(tombstone)), held)],
      proposed,
    },
  ];
}

/** A record that knows more than it did, and says the same. */
function knowing(record: AnyRecord, vector: Vector): AnyRecord {
  const { [nodeOf(stampOf(record))]: _last, ...seen } = joinedVectors(vectorOf(record), vector);
  const held = (record as { past?: Past }).past ?? { first: record.changed };
  return { ...record, past: { ...held, seen } } as AnyRecord;
}

/** A removal that knows what two know. */
function withKnown(one: Tombstone, other: Tombstone | undefined): Tombstone {
  if (other === undefined) return one;
  const changed = [one.changed ?? "", other.changed ?? ""].sort(compare).at(-1)!;
  const { [nodeOf(changed)]: _last, ...seen } = joinedVectors(vectorOf(one), vectorOf(other));
  const isNoted = one.seen != null || other.seen != null;
  return { ...other, ...one, ...(changed === "" ? {} : { changed }), ...(isNoted ? { seen } : {}) };
}

function present(ours: Log, theirs: Log, kind: RecordKind, record: AnyRecord): Difference[] {
  const own = ours.records[kind].get(record.id);
  const tombstone = ours.removed.get(tombstoneKey(kind, record.id));
  if (own === undefined && tombstone !== undefined && isGone(tombstone, record)) return [];
  // The one that there is a day is the same record whatever its id, unless the other log has removed ours and written
  // it anew.
  const isRemovedThere = (held: AnyRecord) => {
    const gone = theirs.removed.get(tombstoneKey(kind, held.id));
    return gone !== undefined && isGone(gone, held);
  };
  const held = own ?? sameDayRecord(ours.index, kind, ownerOf(record), record, (one) => !isRemovedThere(one));
  if (held === undefined) return [newThere(kind, record, tombstone === undefined ? "new" : "brought back")];
  if (held === record || sameJson(held, record)) return [];
  const [mine, other] = [vectorOf(held), vectorOf(record)];
  const [isPast, isLater] = [covers(mine, other), covers(other, mine)];
  if (isPast && isLater) return sameMoment(kind, held, record);
  // A first writing is a past of whatever was made of it.
  const isFirst = record.id === held.id && record.revision === 1 && record.past == null && (held.revision ?? 0) > 1;
  if (isPast || (isFirst && stampOf(record) < stampOf(held))) return [];
  if (isLater) return laterThere(kind, held, record);
  return isKnown(held) && isKnown(record) ? joinedThere(kind, held, record) : guessedThere(kind, held, record);
}

/** A difference that is proposed, of which it is known what the two follow. */
const proposedOne = { otherwise: [], proposed: true, guessed: false, written: null } satisfies Partial<Difference>;

/** A record that is there alone. */
function newThere(kind: RecordKind, record: AnyRecord, what: "new" | "brought back"): Difference {
  return { ...proposedOne, kind, id: record.id, what, record, fields: [], steps: [putMerged(kind, record)] };
}

/** Both follow the same writings and differ all the same, as when a file was changed by other means: only told. */
function sameMoment(kind: RecordKind, held: AnyRecord, record: AnyRecord): Difference[] {
  const wanted = { ...record, id: held.id } as AnyRecord;
  const fields = changesOf(held, wanted, "mine", true, "the two do not say which was written later");
  if (fields.length === 0) return [];
  return [
    {
      ...proposedOne,
      ...{ kind, id: held.id, what: "kept", record: held, fields, steps: [], proposed: false },
      written: { later: null, here: instantOf(stampOf(held)), there: instantOf(stampOf(record)) },
    },
  ];
}

/** The other follows ours: it stands as it is there. */
function laterThere(kind: RecordKind, held: AnyRecord, record: AnyRecord): Difference[] {
  const wanted = { ...record, revision: Math.max(held.revision ?? 0, record.revision ?? 0) } as AnyRecord;
  const fields = changesOf(held, wanted, "theirs", false, "changed there since");
  return [
    {
      ...proposedOne,
      kind,
      id: record.id,
      what: fields.length === 0 ? "known" : "changed",
      record: wanted,
      fields,
      steps: inPlaceOf(kind, held, wanted),
    },
  ];
}

/** Both were changed apart: field by field. */
function joinedThere(kind: RecordKind, held: AnyRecord, record: AnyRecord): Difference[] {
  // What there is one of a day bears the first of their ids, on either side.
  const id = held.id < record.id ? held.id : record.id;
  const { record: both, decided } = joinRecords(kind, { ...held, id } as AnyRecord, { ...record, id } as AnyRecord);
  // Two sound records can make one that is not: then the later one stands alone.
  const isSound = kinds[kind].schema.safeParse(both).success;
  const isTheirs = stampOf(record) > stampOf(held);
  const wanted = isSound
    ? both
    : ({ ...(isTheirs ? record : held), id, past: past(both), changed: both.changed } as AnyRecord);
  const fields = isSound
    ? decided.filter(({ path }) => !isOrder(path.at(-1))).map(told)
    : changesOf(held, wanted, "theirs", true, "the two make no sound record together; the later one stands");
  const steps: ChangeStep[] = [
    // That the other one has given way is known on either side.
    ...(record.id === id
      ? []
      : [{ remove: { kind, id: record.id }, tombstone: removalOf(kind, record, stampOf(record)) }]),
    ...inPlaceOf(kind, held, wanted),
  ];
  // What is known of the other is taken over whether or not any of it stands.
  const difference = { ...proposedOne, kind, id, record: wanted, fields, steps };
  if (diff(held, wanted).length === 0 && id === held.id && fields.length === 0)
    return sameJson(held, wanted) ? [] : [{ ...difference, what: "known" }];
  const isTaken = fields.some(({ stands }) => stands !== "mine") || id !== held.id;
  return [{ ...difference, what: isTaken ? "changed" : "kept", written: writtenBy(held, record) }];
}

/** Puts a record in the place of one that is the same, though it may bear another id where there is one a day. */
function inPlaceOf(kind: RecordKind, held: AnyRecord, wanted: AnyRecord): ChangeStep[] {
  if (held.id === wanted.id) return [putMerged(kind, wanted, held)];
  return [{ remove: { kind, id: held.id, ...dateIn(held) } }, putMerged(kind, wanted)];
}

const past = (record: AnyRecord): unknown => (record as { past?: unknown }).past;
const told = ({ path, mine, theirs, stands, clash, why }: Decided): FieldChange => ({
  path,
  before: mine,
  after: theirs,
  stands,
  clash,
  why,
});

/**
 * What the two follow is not known: fields of the later one stand, with what only the earlier one holds, as versions
 * before this did. What was done stays done.
 */
function guessedThere(kind: RecordKind, held: AnyRecord, record: AnyRecord): Difference[] {
  const [mine, other] = [stampOf(held), stampOf(record)];
  const isTheirs = other > mine;
  const [later, earlier] = isTheirs ? [record, held] : [held, record];
  const join = (first: AnyRecord, second: AnyRecord) =>
    ({
      ...(nodeOf(mine) === nodeOf(other) ? first : withDone(kind, joined(kind, first, second), first, second)),
      id: held.id,
      revision: Math.max(held.revision ?? 0, record.revision ?? 0),
      changed: isTheirs ? other : mine,
    }) as AnyRecord;
  const wanted = join(later, earlier);
  const taken = changesOf(held, wanted, "theirs", true, `a guess: ${isTheirs ? "written later there" : "only there"}`);
  const lost = changesOf(wanted, join(earlier, later), "mine", true, "a guess: written later here").filter(
    ({ path }) => !isTheirs && !taken.some((one) => sameJson(one.path, path)),
  );
  const fields = [...taken, ...lost];
  if (fields.length === 0) return [];
  return [
    {
      kind,
      id: held.id,
      what: taken.length > 0 ? "changed" : "kept",
      record: wanted,
      fields,
      steps: taken.length > 0 ? [put(kind, wanted as never, held as never)] : [],
      otherwise: [],
      proposed: taken.length > 0,
      guessed: true,
      written: writtenBy(held, record),
    },
  ];
}

function writtenBy(held: AnyRecord, record: AnyRecord): Difference["written"] {
  const [mine, other] = [stampOf(held), stampOf(record)];
  return {
    later: mine === other ? null : other > mine ? "there" : "here",
    here: instantOf(mine),
    there: instantOf(other),
  };
}

/** What differs from ours, all of it standing alike. */
function changesOf(held: AnyRecord, wanted: AnyRecord, stands: Stands, clash: boolean, why: string): FieldChange[] {
  return diff(held, wanted)
    .filter(({ path }) => !isOrder(path.at(-1)))
    .map(({ path, before, after }) => ({ path, before, after, stands, clash, why }));
}

/** Two records made one: fields of the later one where both speak, and what only the earlier one holds. */
function joined(kind: RecordKind, later: AnyRecord, earlier: AnyRecord): AnyRecord {
  const both = join(later, earlier) as AnyRecord;
  // Two sound records can make one that is not: then the later one stands alone.
  return kinds[kind].schema.safeParse(both).success ? both : later;
}

/** What only a session that was performed says. */
const performance = ["status", "effort", "feel", "minutes", "kcal", "reason"] as const;

/** A session that was performed on one side stays so whatever a copy says that holds no performance. */
function withDone(kind: RecordKind, both: AnyRecord, later: AnyRecord, earlier: AnyRecord): AnyRecord {
  if (kind !== "sessions") return both;
  const [last, first] = [later as Session, earlier as Session];
  if (ranks[first.status] <= ranks[last.status] || isPerformed(last)) return both;
  const kept = performance.filter((field) => first[field] !== undefined).map((field) => [field, first[field]]);
  return { ...both, ...Object.fromEntries(kept) } as AnyRecord;
}

function isPerformed({ distance, items, status }: Session): boolean {
  return (
    status === "done" ||
    status === "partly" ||
    distance?.done != null ||
    (items ?? []).some(({ sets }) => sets.some(({ done }) => done != null))
  );
}

/** Whether a removal stands against a record: it knew of all that was written in it. */
function isGone(tombstone: Tombstone, record: AnyRecord): boolean {
  if (tombstone.seen != null) return covers(vectorOf(tombstone), vectorOf(record));
  // An older version does not say what it knew: the later of the two counts.
  return (tombstone.changed ?? "") >= stampOf(record);
}

/**
 * What two tabs or devices made of one value: of the later one where both speak, with what only the earlier one holds.
 * Elements of lists are matched by their ids.
 */
function join(later: unknown, earlier: unknown): unknown {
  if (isIdList(later) && isIdList(earlier) && later.length > 0) {
    const old = new Map(earlier.map((element) => [element.id, element]));
    const known = new Set(later.map(({ id }) => id));
    return [
      ...later.map((element) => (old.has(element.id) ? join(element, old.get(element.id)) : element)),
      ...earlier.filter(({ id }) => !known.has(id)),
    ];
  }
  if (isPlain(later) && isPlain(earlier)) {
    const keys = [...new Set([...Object.keys(later), ...Object.keys(earlier)])];
    return Object.fromEntries(
      keys.map((key) => [
        key,
        !Object.hasOwn(later, key)
          ? earlier[key]
          : !Object.hasOwn(earlier, key)
            ? later[key]
            : join(later[key], earlier[key]),
      ]),
    );
  }
  return later;
}

const stampOf = (record: AnyRecord): string => record.changed ?? "";
/** The instant of a stamp. */
const instantOf = (stamp: string): string | null => (stamp === "" ? null : stamp.split("/")[0]!);
const dateIn = (record: AnyRecord): { date?: string } =>
  "date" in record && typeof record.date === "string" ? { date: record.date } : {};
