import { counted } from "../base/units/number";
import { kindNames } from "./kinds/all";
import type { StandardWeek } from "./kinds/standardWeeks";
import type { Log } from "./log";
import { type AnyRecord, type Change, type ChangeStep, put, type RecordKind } from "./records";
import { usersOf, withoutPointers } from "./references";

/** What removing a record writes, and what becomes of what uses it, in words. */
export interface Removing {
  change: Change;
  label: string;
}

/**
 * The removal of a record and of what points to it, as one change: what came from it stands by itself from then on. What
 * cannot do without it keeps it: it is put away instead, where its kind can be.
 * @returns null when it is not in the log
 */
export function removing(log: Log, kind: RecordKind, id: string): Removing | null {
  const record = log.records[kind].get(id);
  if (record === undefined) return null;
  const name = (record as { name?: string }).name ?? "";
  const title = `${kindNames[kind].one} ${name}`.trim();
  const users = usersOf(log, kind, id);
  const keeps = kind === "recipes" || users.some(({ needs }) => needs);
  if (keeps && users.length > 0)
    return {
      change: [put(kind, { ...record, hidden: true } as never, record as never)],
      label: `${titled(title)} put away; ${inWords(users)} of it ${users.length === 1 ? "keeps its" : "keep their"} name`,
    };
  const steps = users.flatMap(({ kind: other, record: user }): ChangeStep[] => {
    const now = withoutPointers(other, standingAlone(other, user, kind, record), kind, id);
    return now === user ? [] : [{ kind: other, put: now, base: user } as ChangeStep];
  });
  return {
    change: [...steps, { remove: { kind, id } }],
    label:
      users.length === 0
        ? `${titled(title)} removed`
        : `${titled(title)} removed; ${inWords(users)} of it ${users.length === 1 ? "stands" : "stand"} without`,
  };
}

const titled = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** `3 blocks and 24 sessions` */
function inWords(users: readonly { kind: RecordKind }[]): string {
  const counts = new Map<RecordKind, number>();
  for (const { kind } of users) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts].map(([kind, count]) => counted(count, kindNames[kind].one, kindNames[kind].several)).join(" and ");
}

/** A user of what goes, with what it had from it: a session of a standard week keeps what its routine was made of. */
function standingAlone(kind: RecordKind, user: AnyRecord, gone: RecordKind, record: AnyRecord): AnyRecord {
  if (kind !== "standardWeeks" || gone !== "routines") return user;
  const {
    id: _id,
    revision: _revision,
    changed: _changed,
    past: _past,
    name,
    ...made
  } = record as AnyRecord & {
    name: string;
  };
  const week = user as StandardWeek;
  const { kind: activity, minutes, effort, items, distance } = made as Partial<StandardWeekSession>;
  return {
    ...week,
    days: (week.days ?? []).map((day) => ({
      ...day,
      sessions: (day.sessions ?? []).map((session) =>
        session.routineId === record.id
          ? withoutAbsent({ title: name, kind: activity, minutes, effort, items, distance, ...session })
          : session,
      ),
    })),
  } as AnyRecord;
}

type StandardWeekSession = NonNullable<NonNullable<NonNullable<StandardWeek["days"]>[number]["sessions"]>[number]>;

function withoutAbsent<T extends object>(value: T): T {
  return Object.fromEntries(Object.entries(value).filter(([, one]) => one !== undefined)) as T;
}
