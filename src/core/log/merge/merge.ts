import { sameJson } from "../canonical";
import { isRecordKind, kinds, recordKinds } from "../kinds/all";
import { type Log, tombstoneKey } from "../log";
import { diff, isIdList, isOrder, isPlain, type Step } from "../patch";
import { type AnyRecord, type ChangeStep, put, type RecordKind } from "../records";
import { ownerOf } from "../references";
import { sameDayRecord } from "../sameDay";

/**
 * One field of a record that would change: its path, and what it says before and after (undefined where it is absent).
 */
export interface FieldChange {
  path: readonly Step[];
  before: unknown;
  after: unknown;
}

/** One record that stands otherwise in the other log, and what merging it would write. */
export interface Difference {
  kind: RecordKind;
  id: string;
  /**
   * `kept` is what both have written to and what stays as it is here; its step would put the other's word in its place.
   */
  what: "new" | "changed" | "removed" | "brought back" | "kept";
  /** The record, as it would stand or as it would be removed. */
  record: AnyRecord;
  fields: FieldChange[];
  step: ChangeStep;
  /** Whether it is proposed; what is not (removed there before it was changed here, or kept) is only listed. */
  proposed: boolean;
  /**
   * Where both sides wrote the record: which wrote later, whose fields stand, null where they say the same moment; and
   * when, null where a side does not say.
   */
  written: { later: "here" | "there" | null; here: string | null; there: string | null } | null;
}

/**
 * What merging another copy of the log into ours would change, record by record and field by field. Where both have
 * changed a record, fields are joined: what only one of them holds stays, and where they differ the one written later
 * counts; what lost against ours is listed as kept. An older copy of a record written by the same device changes
 * nothing, nor does a record as it was first written before ours was changed. Nothing of ours is touched that the other
 * does not speak of.
 */
export function mergeLogs(ours: Log, theirs: Log): Difference[] {
  const removed = [...theirs.removed.values()].flatMap((tombstone): Difference[] => {
    const { kind } = tombstone;
    const held = isRecordKind(kind) ? ours.records[kind].get(tombstone.id) : undefined;
    if (held === undefined || !isRecordKind(kind)) return [];
    const step: ChangeStep = { remove: { kind, id: tombstone.id, ...dateIn(held) } };
    return [
      {
        kind,
        id: tombstone.id,
        what: "removed",
        record: held,
        fields: [],
        step,
        proposed: isGone(theirs, kind, held),
        written: null,
      },
    ];
  });
  // Removals come before what is put in their place on the same day.
  const found = [
    ...removed,
    ...recordKinds.flatMap((kind) =>
      [...theirs.records[kind].values()].flatMap((record) => present(ours, theirs, kind, record)),
    ),
  ];
  // What others refer to (exercises, foods) stands first, then day by day, the newest first, and last what stays as it
  // is.
  const dateOf = ({ what, record }: Difference) => `${what === "kept" ? 0 : 1}${dateIn(record).date ?? "9999"}`;
  return found.sort((a, b) => (dateOf(a) < dateOf(b) ? 1 : dateOf(a) > dateOf(b) ? -1 : 0));
}

function present(ours: Log, theirs: Log, kind: RecordKind, record: AnyRecord): Difference[] {
  const own = ours.records[kind].get(record.id);
  if (own === undefined && isGone(ours, kind, record)) return [];
  // The one that there is a day is the same record whatever its id, unless the other log has removed ours and written
  // it anew.
  const held = own ?? sameDayRecord(ours.index, kind, ownerOf(record), record, (one) => !isGone(theirs, kind, one));
  const difference = { kind, written: null };
  if (held === undefined)
    return [
      {
        ...difference,
        id: record.id,
        what: ours.removed.has(tombstoneKey(kind, record.id)) ? "brought back" : "new",
        record,
        fields: [],
        step: put(kind, record as never),
        proposed: true,
      },
    ];
  if (held === record || sameJson(held, record)) return [];
  const [mine, other] = [stampOf(held), stampOf(record)];
  const [theirsLater, apart] = [other > mine, nodeOf(mine) !== nodeOf(other)];
  const changed = (what: "changed" | "kept", later: AnyRecord, earlier: AnyRecord): Difference[] => {
    const wanted = {
      ...(apart ? joined(kind, later, earlier) : later),
      id: held.id,
      revision: Math.max(held.revision ?? 0, record.revision ?? 0),
      changed: theirsLater ? other : mine,
    } as AnyRecord;
    const fields = diff(held, wanted).filter(({ path }) => !isOrder(path.at(-1)));
    const written =
      apart || mine === other
        ? {
            later: mine === other ? null : theirsLater ? ("there" as const) : ("here" as const),
            here: instantOf(mine),
            there: instantOf(other),
          }
        : null;
    return fields.length === 0
      ? []
      : [
          {
            kind,
            id: held.id,
            what,
            record: wanted,
            fields,
            step: put(kind, wanted as never, held as never),
            proposed: what === "changed",
            written,
          },
        ];
  };
  if (theirsLater) return changed("changed", record, held);
  const taken = changed("changed", held, record);
  // As it was first written there, before ours was changed, it holds no word of its own.
  const first = record.revision === 1 && record.id === held.id && other < mine;
  const told = (mine === other || apart) && !first ? changed("kept", record, held) : [];
  const rest = told.map((one) => ({
    ...one,
    fields: one.fields.filter(
      ({ path }) => !taken.some(({ fields }) => fields.some((field) => sameJson(field.path, path))),
    ),
  }));
  return [...taken, ...rest.filter(({ fields }) => fields.length > 0)];
}

/** Two records made one: fields of the later one where both speak, and what only the earlier one holds. */
function joined(kind: RecordKind, later: AnyRecord, earlier: AnyRecord): AnyRecord {
  const both = join(later, earlier) as AnyRecord;
  // Two sound records can make one that is not: then the later one stands alone.
  return kinds[kind].schema.safeParse(both).success ? both : later;
}

/** Whether a log has removed a record, and not before it was written as it is. */
function isGone({ removed }: Log, kind: RecordKind, record: AnyRecord): boolean {
  const gone = removed.get(tombstoneKey(kind, record.id));
  return gone !== undefined && (gone.changed ?? "") >= stampOf(record);
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
/** The database that made a stamp. */
const nodeOf = (stamp: string): string => stamp.split("/")[2] ?? "";
/** The instant of a stamp. */
const instantOf = (stamp: string): string | null => (stamp === "" ? null : stamp.split("/")[0]!);
const dateIn = (record: AnyRecord): { date?: string } =>
  "date" in record && typeof record.date === "string" ? { date: record.date } : {};
