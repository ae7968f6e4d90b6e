import { isDated, recordKinds } from "./kinds/all";
import type { Person } from "./kinds/people";
import type { Log } from "./log";
import { type AnyRecord, type Change, type ChangeStep, put, type RecordKind } from "./records";
import { oneADayOf, sameDayRecord } from "./sameDay";

type Owned = AnyRecord & { personId: string; date?: string };

/** Every record that belongs to a person, the person's own apart. */
function* recordsOf({ index }: Log, personId: string): Generator<{ kind: RecordKind; record: Owned }> {
  for (const kind of recordKinds)
    for (const record of index.all(kind).values())
      if ((record as Partial<Owned>).personId === personId) yield { kind, record: record as Owned };
}

/** How many records of each kind belong to a person. */
export function holdingsOf(log: Log, personId: string): { kind: RecordKind; count: number }[] {
  const counts = new Map<RecordKind, number>();
  for (const { kind } of recordsOf(log, personId)) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts].map(([kind, count]) => ({ kind, count }));
}

function removal(kind: RecordKind, { id, date }: { id: string; date?: string }): ChangeStep {
  return { remove: { kind, id, ...(isDated(kind) && date !== undefined ? { date } : {}) } };
}

/** A person and all that belongs to them, removed; what the household shares stays. */
export function removedPerson(log: Log, personId: string): Change {
  return [
    ...[...recordsOf(log, personId)].map(({ kind, record }) => removal(kind, record)),
    removal("people", { id: personId }),
  ];
}

/**
 * Two people who are one: all that belongs to the one that goes becomes the other's. Where both weighed in on a morning
 * the other one's is kept as a second weigh-in (one that is the same is dropped), and notes of one day stand together.
 */
export function joinedPeople(log: Log, keptId: string, goneId: string): Change {
  const people = log.index.all("people");
  const [kept, gone] = [people.get(keptId), people.get(goneId)];
  if (kept === undefined || gone === undefined || keptId === goneId) return [];
  const change: Change = [];
  for (const { kind, record } of recordsOf(log, goneId)) {
    const moved = { ...record, personId: keptId };
    const own = sameDayRecord(log.index, kind, keptId, record);
    if (own === undefined) {
      change.push({ kind, put: moved, base: record } as ChangeStep);
      continue;
    }
    const joined = oneADayOf(kind)!.join(own, moved);
    if (joined.own !== own) change.push({ kind, put: joined.own, base: own } as ChangeStep);
    change.push(
      joined.other === null ? removal(kind, record) : ({ kind, put: joined.other, base: record } as ChangeStep),
    );
  }
  const open = Object.fromEntries(
    Object.entries(gone).filter(([key, value]) => value != null && kept[key as keyof Person] == null),
  );
  if (Object.keys(open).length > 0) change.push(put("people", { ...kept, ...open, id: keptId }, kept));
  change.push(removal("people", { id: goneId }));
  return change;
}

/** The log as it is one person's alone: their records, and what the household shares. */
export function onlyOf<T extends { records: Log["records"] }>(log: T, personId: string): T {
  const isTheirs = (kind: RecordKind, record: AnyRecord) =>
    kind === "people" ? record.id === personId : [undefined, personId].includes((record as Partial<Owned>).personId);
  const kept = recordKinds.map((kind) => [
    kind,
    new Map([...(log.records[kind] as ReadonlyMap<string, AnyRecord>)].filter(([, record]) => isTheirs(kind, record))),
  ]);
  return { ...log, records: Object.fromEntries(kept) as Log["records"] };
}

/** What goes to a coach with a plan, besides it. */
export interface PlanShare {
  from: string;
  to: string;
  weights: boolean;
  food: boolean;
}

/** What food is made of. */
const foodKinds: readonly RecordKind[] = ["meals", "water", "foods", "recipes"];

/** What a plan is made of, apart from its sessions. */
const planKinds: readonly RecordKind[] = [
  "exercises",
  "kinds",
  "routines",
  "standardWeeks",
  "cycles",
  "phases",
  "blocks",
];

/**
 * The plan of a person, and the log as far as it answers the plan: their sessions of some days, done ones among them, and what
 * they are made of. Nothing of anybody else, and no weights and no food unless they are shared.
 */
export function planOf<T extends { records: Log["records"] }>(log: T, personId: string, share: PlanShare): T {
  const own = onlyOf(log, personId);
  const inDays = ({ date }: { date?: string }) => date !== undefined && date >= share.from && date <= share.to;
  const kept = recordKinds.map((kind) => {
    if (kind === "people") return [kind, new Map([...own.records.people].map(([id, one]) => [id, plainPerson(one)]))];
    const all = [...(own.records[kind] as ReadonlyMap<string, Owned>)];
    if (planKinds.includes(kind)) return [kind, new Map(all)];
    const isShared =
      kind === "sessions" || (kind === "weighIns" && share.weights) || (foodKinds.includes(kind) && share.food);
    return [kind, new Map(isShared ? all.filter(([, record]) => !isDated(kind) || inDays(record)) : [])];
  });
  return { ...own, records: Object.fromEntries(kept) as Log["records"] };
}

/**
 * A person as far as a plan needs them: who they are, and their units; without a stamp, so that it follows nothing and what
 * comes back changes nothing of them.
 */
function plainPerson({ id, name, units, weekStart }: Person): Person {
  return {
    id,
    name,
    ...(units == null ? {} : { units }),
    ...(weekStart == null ? {} : { weekStart }),
  };
}
