import { compare } from "../../base/text";
import { canonical, sameJson } from "../canonical";
import {
  areJoined,
  exactlyAt,
  goneAt,
  inside,
  isInParts,
  joinedVectors,
  knows,
  nodeOf,
  notedAt,
  partKey,
  partsOf,
  type Past,
  pastOf,
  textOf,
  under,
  type Vector,
  vectorOf,
  writtenAt,
} from "../past";
import { isIdList, isPlain, keysOf, own, type Step } from "../patch";
import type { Session } from "../kinds/sessions";
import type { AnyRecord, RecordKind } from "../records";
import { placed } from "../threeWay";

/** Whose value of a field stands once two copies are joined; `both` where it says what either did. */
export type Stands = "mine" | "theirs" | "both";

/** A field on which two copies differ. */
export interface Decided {
  path: readonly Step[];
  mine: unknown;
  theirs: unknown;
  stands: Stands;
  /** Whether both changed it without knowing of the other. */
  clash: boolean;
  why: string;
}

/** Two copies of a record made one. */
export interface JoinedRecord {
  record: AnyRecord;
  decided: Decided[];
}

interface Side {
  record: AnyRecord & { past?: Past | null | undefined };
  vector: Vector;
}

/** What is being put together: the notes of the joined record, and what was decided. */
interface Joining {
  mine: Side;
  theirs: Side;
  fields: Map<string, string>;
  gone: Map<string, Vector>;
  decided: Decided[];
  kind: RecordKind;
}

/**
 * Two copies of a record made one, field by field: of each field the later word stands, a removal being a word like any
 * other, and of what was removed as a whole (a set, a comment) what somebody changed without knowing of it stays. A copy
 * that is a past of the other changes nothing. It does not matter which is mine, nor how often they are joined.
 */
export function joinRecords(kind: RecordKind, mine: AnyRecord, theirs: AnyRecord): JoinedRecord {
  const side = (record: AnyRecord): Side => ({ record, vector: vectorOf(record) });
  const joining: Joining = {
    mine: side(mine),
    theirs: side(theirs),
    fields: new Map(),
    gone: new Map(),
    decided: [],
    kind,
  };
  const [firstMine, firstTheirs] = [writtenAt(mine, ""), writtenAt(theirs, "")];
  const first = firstMine > firstTheirs ? firstMine : firstTheirs;
  const content = joinParts(mine, theirs, [], "", first, joining) as Record<string, unknown>;
  const changed = [mine.changed ?? "", theirs.changed ?? ""].sort(compare).at(-1)!;
  const { [nodeOf(changed)]: _last, ...seen } = joinedVectors(joining.mine.vector, joining.theirs.vector);
  const past = pastOf(seen, first, joining.fields, joining.gone);
  const revision = Math.max(mine.revision ?? 0, theirs.revision ?? 0);
  // Where nothing was written since the first word there is nothing to note.
  const isPlainPast = past.fields === undefined && past.gone === undefined && past.seen === undefined;
  const record = {
    ...content,
    ...(revision === 0 ? {} : { revision }),
    ...(changed === "" ? {} : { changed }),
    ...(isPlainPast && (past.first ?? "") === changed ? {} : { past }),
  } as unknown as AnyRecord;
  return { record, decided: joining.decided };
}

/** @param around when what is around was written, as the joined record notes it */
function join(
  mine: unknown,
  theirs: unknown,
  path: readonly Step[],
  key: string,
  around: string,
  joining: Joining,
): unknown {
  if (isInParts(joining.kind, path)) return joinTexts(mine, theirs, path, key, around, joining);
  if (mine === undefined && theirs === undefined) return bothAbsent(key, around, joining);
  if (mine === undefined) return oneSided(joining.theirs, joining.mine, theirs, path, key, around, joining);
  if (theirs === undefined) return oneSided(joining.mine, joining.theirs, mine, path, key, around, joining);
  if (areJoined(mine, theirs)) {
    const noted = later(exactlyAt(joining.mine.record, key), exactlyAt(joining.theirs.record, key));
    const within = noted === "" ? around : noted;
    if (within !== around) joining.fields.set(key, within);
    return isPlain(mine)
      ? joinParts(mine, theirs as Record<string, unknown>, path, key, within, joining)
      : joinLists(mine as Element[], theirs as Element[], path, key, within, joining);
  }
  const [atMine, atTheirs] = [latestIn(joining.mine.record, mine, key), latestIn(joining.theirs.record, theirs, key)];
  if (sameJson(mine, theirs)) {
    emit(key, later(atMine, atTheirs), around, joining);
    return mine;
  }
  const clash = !knows(joining.theirs.vector, atMine) && !knows(joining.mine.vector, atTheirs);
  const tell = (stands: Stands, why: string) => {
    joining.decided.push({ path, mine, theirs, stands, clash, why });
  };
  const [rankMine = 0, rankTheirs = 0] =
    clash || atMine === atTheirs ? [mine, theirs].map((one) => rankOf(joining.kind, path, one)) : [];
  const isTheirs =
    rankMine !== rankTheirs
      ? rankTheirs > rankMine
      : atMine === atTheirs
        ? compareJson(theirs, mine) > 0
        : atTheirs > atMine;
  keepNotes(isTheirs ? joining.theirs : joining.mine, key, later(atMine, atTheirs), around, joining);
  const whose = isTheirs ? "theirs" : "mine";
  if (rankMine !== rankTheirs) tell(whose, "both changed it; what was done stands");
  else if (atMine === atTheirs) tell(whose, "both were written at the same moment");
  else if (clash) tell(whose, `both changed it; ${whose} was written later`);
  else if (isTheirs) tell("theirs", "changed there since");
  return isTheirs ? theirs : mine;
}

/** Objects part by part; the id, the stamps and the past of a record are not parts. */
function joinParts(
  mine: Record<string, unknown>,
  theirs: Record<string, unknown>,
  path: readonly Step[],
  key: string,
  around: string,
  joining: Joining,
): unknown {
  const keys = new Set([...keysOf(path, mine, theirs), ...notedIn(joining, key, false)]);
  const joined: [string, unknown][] = [];
  for (const name of keys) {
    if (name === "id") {
      joined.push([name, mine.id]);
      continue;
    }
    const value = join(own(mine, name), own(theirs, name), [...path, name], inside(key, name), around, joining);
    if (value !== undefined) joined.push([name, value]);
  }
  return Object.fromEntries(joined);
}

/** The names of what either side notes directly within a path, held there or not: keys, or ids of elements. */
function notedIn({ mine, theirs }: Joining, key: string, elements: boolean): string[] {
  const within = key === "" ? "" : `${key}/`;
  return [mine, theirs].flatMap(({ record: { past } }) =>
    [...Object.keys(past?.fields ?? {}), ...Object.keys(past?.gone ?? {})].flatMap((at) => {
      if (!at.startsWith(within)) return [];
      const [name = ""] = at.slice(within.length).split("/");
      const isElement = name.startsWith("[");
      if (name === "*" || isElement !== elements) return [];
      return [decodeURIComponent(isElement ? name.slice(1, -1) : name)];
    }),
  );
}

type Element = { id: string };

function joinLists(
  mine: Element[],
  theirs: Element[],
  path: readonly Step[],
  key: string,
  around: string,
  joining: Joining,
): unknown {
  const find = (list: Element[]) => new Map(list.map((element) => [element.id, element]));
  const [my, their] = [find(mine), find(theirs)];
  const orderStep: Step = { order: true };
  const orderKey = inside(key, orderStep);
  const [atMine, atTheirs] = [writtenAt(joining.mine.record, orderKey), writtenAt(joining.theirs.record, orderKey)];
  const joined = new Map<string, unknown>();
  for (const id of [...new Set([...my.keys(), ...their.keys(), ...notedIn(joining, key, true)])].sort(compare)) {
    const step: Step = { element: id };
    const value = join(my.get(id), their.get(id), [...path, step], inside(key, step), around, joining);
    if (value !== undefined) joined.set(id, value);
  }
  const ids = (list: Element[]) => list.map(({ id }) => id).filter((id) => joined.has(id));
  const [idsMine, idsTheirs] = [ids(mine), ids(theirs)];
  const isTheirs = atMine === atTheirs ? compareJson(idsTheirs, idsMine) > 0 : atTheirs > atMine;
  emit(orderKey, later(atMine, atTheirs), around, joining);
  const order = placed(isTheirs ? idsTheirs : idsMine, isTheirs ? idsMine : idsTheirs);
  const addedAt = (id: string) => {
    const at = inside(key, { element: id });
    return later(exactlyAt(joining.mine.record, at), exactlyAt(joining.theirs.record, at));
  };
  const ordered = atMine === atTheirs ? addedInTurn(order, my, their, addedAt) : order;
  return ordered.map((id) => joined.get(id));
}

/**
 * Ids in an order that three copies give whichever two are joined first: where both sides have added elements between
 * the same neighbours, those stand as they were added.
 */
function addedInTurn(
  order: readonly string[],
  mine: ReadonlyMap<string, unknown>,
  theirs: ReadonlyMap<string, unknown>,
  addedAt: (id: string) => string,
): string[] {
  const turned: string[] = [];
  let run: string[] = [];
  const close = () => {
    const ofBoth = run.some((id) => mine.has(id)) && run.some((id) => theirs.has(id));
    turned.push(...(ofBoth ? run.toSorted((a, b) => compare(addedAt(a), addedAt(b))) : run));
    run = [];
  };
  for (const id of order) {
    if (mine.has(id) && theirs.has(id)) {
      close();
      turned.push(id);
    } else run.push(id);
  }
  close();
  return turned;
}

/** A value that only one side holds: new there, or removed on the other. */
function oneSided(
  holder: Side,
  other: Side,
  value: unknown,
  path: readonly Step[],
  key: string,
  around: string,
  joining: Joining,
): unknown {
  const isMine = holder === joining.mine;
  const tell = (stands: Stands, clash: boolean, why: string) => {
    joining.decided.push({
      path,
      mine: isMine ? value : undefined,
      theirs: isMine ? undefined : value,
      stands,
      clash,
      why,
    });
  };
  const stays = isMine ? "mine" : "theirs";
  const goes = isMine ? "theirs" : "mine";
  const at = latestIn(holder.record, value, key);
  const gone = goneAt(other.record, key);
  if (gone !== undefined) {
    if (stampsIn(holder.record, value, key).every((stamp) => knows(gone, stamp))) {
      joining.gone.set(key, joinedVectors(gone, goneAt(holder.record, key)));
      if (isMine) tell("theirs", false, "removed there");
      return undefined;
    }
    tell(
      stays,
      true,
      `removed ${isMine ? "there" : "here"}, and changed ${isMine ? "here" : "there"} without knowing of it`,
    );
    keepNotes(holder, key, writtenAt(holder.record, key), around, joining);
    return value;
  }
  const removed = notedAt(other.record, key);
  if (removed !== undefined && removed > at) {
    if (removed === exactlyAt(other.record, key)) emit(key, removed, around, joining);
    const clash = !knows(other.vector, at);
    if (isMine || clash) tell(goes, clash, clash ? "both changed it; the removal was later" : "removed there");
    return undefined;
  }
  keepNotes(holder, key, writtenAt(holder.record, key), around, joining);
  if (!isMine) tell("theirs", false, "only there");
  else if (removed !== undefined) tell("mine", !knows(other.vector, at), "removed there, and written later here");
  return value;
}

/** Notes a removal that both know. */
function bothAbsent(key: string, around: string, joining: Joining): undefined {
  const at = later(exactlyAt(joining.mine.record, key), exactlyAt(joining.theirs.record, key));
  if (at !== "") emit(key, at, around, joining);
  const [mine, theirs] = [goneAt(joining.mine.record, key), goneAt(joining.theirs.record, key)];
  if (mine !== undefined || theirs !== undefined) joining.gone.set(key, joinedVectors(mine, theirs));
  return undefined;
}

/** Takes over what a side notes of a path and of all within it. */
function keepNotes({ record }: Side, key: string, at: string, around: string, joining: Joining): void {
  emit(key, at, around, joining);
  for (const [path, stamp] of under(record.past?.fields, key)) joining.fields.set(path, stamp);
  for (const [path, vector] of under(record.past?.gone, key)) joining.gone.set(path, vector);
}

/** Notes when a path was written, unless that is said by what is around it. */
function emit(key: string, at: string, around: string, { fields }: Joining): void {
  if (at !== around) fields.set(key, at);
}

const later = (a: string, b: string): string => (a > b ? a : b);

/** The latest word within a value. */
function latestIn(record: Side["record"], value: unknown, key: string): string {
  return stampsIn(record, value, key).reduce(later, "");
}

/** When a value and all that is noted within it were written. */
function stampsIn(record: Side["record"], value: unknown, key: string): string[] {
  const at = writtenAt(record, key);
  return isPlain(value) || isIdList(value) ? [at, ...under(record.past?.fields, key).map(([, stamp]) => stamp)] : [at];
}

const compareJson = (a: unknown, b: unknown): number =>
  compare(JSON.stringify(canonical(a)), JSON.stringify(canonical(b)));

/** A text of parts: each stands unless it was removed after it was written. */
function joinTexts(
  mine: unknown,
  theirs: unknown,
  path: readonly Step[],
  key: string,
  around: string,
  joining: Joining,
): unknown {
  const [my, their] = [partsOf(mine), partsOf(theirs)];
  const stands = (part: string, holder: Side, other: Side) => {
    const at = partKey(key, part);
    return exactlyAt(other.record, at) <= writtenAt(holder.record, at);
  };
  const kept = [...new Set([...my, ...their])].filter((part) => {
    if (my.includes(part) && their.includes(part)) return true;
    return my.includes(part) ? stands(part, joining.mine, joining.theirs) : stands(part, joining.theirs, joining.mine);
  });
  for (const { record } of [joining.mine, joining.theirs])
    for (const [at, stamp] of [...under(record.past?.fields, key), [key, exactlyAt(record, key)] as const])
      if (stamp > (joining.fields.get(at) ?? "")) joining.fields.set(at, stamp);
  for (const part of kept) {
    const at = partKey(key, part);
    const written = [joining.mine, joining.theirs].flatMap(({ record }, index) =>
      [my, their][index]!.includes(part) ? [writtenAt(record, at)] : [],
    );
    const last = written.reduce(later, "");
    const within = joining.fields.get(key) ?? around;
    if (last !== within) joining.fields.set(at, last);
  }
  const isOf = (parts: readonly string[]) => parts.length === kept.length && kept.every((part) => parts.includes(part));
  const [isMine, isTheirs] = [isOf(my), isOf(their)];
  // What both say alike in another order is said in one.
  if (isMine && isTheirs) return mine === theirs ? mine : textOf([...kept].sort(compare));
  const text = isMine ? mine : isTheirs ? theirs : textOf([...kept].sort(compare));
  if (!isMine)
    joining.decided.push({
      path,
      mine,
      theirs,
      stands: isTheirs ? "theirs" : "both",
      clash: !isTheirs,
      why: isTheirs ? "changed there since" : "both were written; they stand beside each other",
    });
  return text;
}

/** How far on a session is: it goes only forward where both changed it. */
export const ranks: Readonly<Record<Session["status"], number>> = {
  planned: 0,
  missed: 1,
  skipped: 1,
  partly: 2,
  done: 3,
};

function rankOf(kind: RecordKind, path: readonly Step[], value: unknown): number | undefined {
  if (kind !== "sessions" || path.length !== 1 || path[0] !== "status") return undefined;
  return typeof value === "string" && Object.hasOwn(ranks, value) ? ranks[value as Session["status"]] : undefined;
}
