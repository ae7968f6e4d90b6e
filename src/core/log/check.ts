import { sizeOf, type Log } from "./log";
import {
  put,
  recordKinds,
  type AnyRecord,
  type Change,
  type ChangeStep,
  type RecordKind,
  type Session,
} from "./records";
import { referencesOf } from "./references";
import { recordSchemas } from "./schema";
import { atOnce, type Steps } from "../steps";

/** Something wrong in a log: where, what, and a change that repairs it when there is one. A repair never removes what was written. */
export interface Finding {
  place: string;
  message: string;
  repair: Change | null;
}

/** Checks every record of a log: that it is sound, that what it points to is there, that no id inside it is used twice. */
export function checkLog(log: Log): Finding[] {
  return atOnce(checkingLog(log));
}

/** So many records are checked in a step. */
const recordsAtOnce = 2000;

/** The same in steps. */
export function* checkingLog(log: Log): Steps<Finding[]> {
  const findings: Finding[] = [];
  const inAll = sizeOf(log);
  let checked = 0;
  for (const { kind, record, why } of log.unread)
    findings.push({
      place: `${kind} ${idOf(record)}`,
      message: `${why}; it is kept aside and no figure counts it`,
      repair: null,
    });
  const missing = new Map<string, { kind: RecordKind; id: string; places: string[] }>();
  for (const kind of recordKinds) {
    for (const record of log.records[kind].values() as Iterable<AnyRecord>) {
      if (checked++ % recordsAtOnce === 0) yield checked / inAll;
      const place = `${kind} ${record.id}`;
      const result = recordSchemas[kind].safeParse(record);
      if (!result.success) {
        const issue = result.error.issues[0]!;
        findings.push({ place: `${place}, ${issue.path.join(".")}`, message: issue.message, repair: null });
        continue;
      }
      for (const { path, kind: target, id } of referencesOf(kind, record)) {
        if (log.records[target].has(id)) continue;
        const key = `${target} ${id}`;
        const held = missing.get(key) ?? { kind: target, id, places: [] };
        missing.set(key, held);
        held.places.push(`${place}, ${path}`);
      }
      if (kind === "sessions") findings.push(...doubledIds(record as Session));
    }
  }
  for (const { kind, id, places } of missing.values()) {
    const also = places.length > 1 ? `, and ${places.length - 1} other${places.length > 2 ? "s" : ""}` : "";
    findings.push({
      place: places[0]!,
      message: `it points to "${id}", which is not among the ${kind}${also}; repair: a stand-in of that id`,
      repair: standIn(kind, id),
    });
  }
  return findings;
}

/** A record that stands where one is missing, so that what points to it is kept and counted. */
function standIn(kind: RecordKind, id: string): Change | null {
  const name = `Unknown (${id.slice(0, 40)})`;
  const steps: Partial<Record<RecordKind, ChangeStep>> = {
    people: put("people", { id, name }),
    exercises: put("exercises", { id, name }),
    measures: put("measures", { id, name }),
    foods: put("foods", { id, name, per100g: {} }),
    recipes: put("recipes", { id, name, ingredients: [] }),
  };
  const step = steps[kind];
  return step === undefined ? null : [step];
}

function idOf(record: unknown): string {
  const id = (record as { id?: unknown } | null | undefined)?.id;
  return typeof id === "string" ? id : "without an id";
}

/** Items or sets of a session that bear the same id; an edit would reach only one of them. */
function doubledIds(session: Session): Finding[] {
  const items = renamed(session.items ?? [], "i").map((item) => ({ ...item, sets: renamed(item.sets, "s") }));
  const before = (session.items ?? []).flatMap((item) => [item.id, ...item.sets.map(({ id }) => id)]);
  const after = items.flatMap((item) => [item.id, ...item.sets.map(({ id }) => id)]);
  const doubled = before.find((id, index) => id !== after[index]);
  return doubled === undefined
    ? []
    : [
        {
          place: `sessions ${session.id}, items`,
          message: `the id "${doubled}" is used twice; repair: the second one gets another`,
          repair: [put("sessions", { ...session, items }, session)],
        },
      ];
}

/** The same elements, each with an id of its own; the first of several keeps it. */
function renamed<T extends { id: string }>(list: readonly T[], letter: string): T[] {
  const used = new Set<string>();
  const all = new Set(list.map(({ id }) => id));
  let next = 0;
  return list.map((element) => {
    let { id } = element;
    if (used.has(id))
      do id = `${letter}${(next += 1)}`;
      while (all.has(id) || used.has(id));
    used.add(id);
    return id === element.id ? element : { ...element, id };
  });
}
