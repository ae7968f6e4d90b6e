import { dateOf, mustDay } from "../base/calendar/day";
import { groupBy } from "../base/calendar/groupBy";
import type { AsOf } from "../log/asOf";
import type { Cycle } from "../log/kinds/cycles";
import type { Item, Session, TrainingSet } from "../log/kinds/sessions";
import { type Change, put } from "../log/records";
import { isBegun } from "../sessions/planned";
import { titleOf } from "../sessions/title";
import { strengthOf } from "../strength/slice";
import { cycleDay, type CycleLoads, cycleLoads } from "./cycle";
import { groundOf, placeOf } from "./cycleStanding";
import { plannedText, titleOfLifts } from "./plannedText";
import { type Proposal, proposal, type ProposedSession } from "./proposal";
import { planningOf } from "./slice";

/**
 * The sessions that a cycle asks for, as they would be written: those of days to come that are missing or planned
 * otherwise. What was trained, skipped or begun stays as it is, and so does a day that has passed.
 * @param loads its loads, where they are known already
 */
export function cycleSessions(
  asOf: AsOf,
  cycle: Cycle,
  newId: () => string,
  loads = cycleLoads(cycle, groundOf(asOf, cycle)),
): Proposal {
  const exercises = strengthOf(asOf).exercises();
  const change: Change = [];
  const sessions: ProposedSession[] = [];
  const written = new Map(
    planningOf(asOf)
      .sessionsOfCycle(cycle.id)
      .map((session) => {
        const { week, weekday } = placeOf(cycle, session);
        return [`${week} ${weekday}`, session];
      }),
  );
  const say = (session: Session, what: ProposedSession["what"], text = plannedText(session, exercises, asOf.printer)) =>
    sessions.push({ date: session.date, title: titleOf(session), what, text });
  for (const [key, day] of groupBy(loads, ({ week, weekday }) => `${week} ${weekday}`)) {
    const held = written.get(key);
    written.delete(key);
    if (held === undefined) {
      const session = newSession(asOf, cycle, day, newId);
      if (mustDay(session.date) < asOf.on) say(session, "stays", "the day has passed: nothing is written");
      else {
        change.push(put("sessions", session));
        say(session, "new");
      }
      continue;
    }
    if (!isOpen(held)) {
      say(held, "stays", `${held.status === "planned" ? "begun" : held.status}: it stays as it is`);
      continue;
    }
    const next = withDay(held, cycle, day, newId);
    if (isSamePlan(held, next)) say(held, "stays", "as it is planned");
    else {
      change.push(put("sessions", next, held));
      say(next, "changed");
    }
  }
  for (const held of written.values())
    if (isOpen(held) && mustDay(held.date) >= asOf.on) {
      change.push({ remove: { kind: "sessions", id: held.id, date: held.date } });
      say(held, "removed", "the cycle has nothing on this day any more");
    }
  return proposal(`${cycle.name}, its sessions`, { change, sessions });
}

/** Whether a session is planned and nothing of it is done. */
export function isOpen({ status, items, steps }: Pick<Session, "status" | "items" | "steps">): boolean {
  return status === "planned" && !isBegun({ items, steps }) && !(items ?? []).some(({ skipped }) => skipped != null);
}

function newSession(asOf: AsOf, cycle: Cycle, day: readonly CycleLoads[], newId: () => string): Session {
  const { week, weekday } = day[0]!;
  return {
    id: newId(),
    personId: cycle.personId,
    date: dateOf(cycleDay(cycle, week, weekday)),
    kind: "strength",
    status: "planned",
    title: titleOfLifts(
      day.map(({ exerciseId }) => exerciseId),
      strengthOf(asOf).exercises(),
    ),
    cycleId: cycle.id,
    week,
    weekday,
    items: day.map((one) => itemOf(cycle, one, undefined, newId)),
  };
}

/** A planned session with what the cycle now asks for; exercises that are not the cycle's stay in it. */
function withDay(held: Session, cycle: Cycle, day: readonly CycleLoads[], newId: () => string): Session {
  const ofCycle = new Set((cycle.entries ?? []).map(({ exerciseId }) => exerciseId));
  const items = held.items ?? [];
  return {
    ...held,
    items: [
      ...day.map((one) =>
        itemOf(
          cycle,
          one,
          items.find(({ exerciseId }) => exerciseId === one.exerciseId),
          newId,
        ),
      ),
      ...items.filter(({ exerciseId }) => !ofCycle.has(exerciseId)),
    ],
  };
}

/**
 * An exercise of a session as a cycle asks for it: percentages come with the load that they are by the cycle's maxima, so
 * that a set lifted meanwhile changes none; an effort is left for the day.
 */
function itemOf(cycle: Cycle, loads: CycleLoads, held: Item | undefined, newId: () => string): Item {
  const entry = (cycle.entries ?? []).find(({ id }) => id === loads.entryId)!;
  const warmUps = (held?.sets ?? []).filter(({ warmUp }) => warmUp);
  const working = (held?.sets ?? []).filter(({ warmUp }) => !warmUp);
  const written = entry.sets.flatMap((set) => Array.from({ length: set.count ?? 1 }, () => set));
  return {
    ...(held ?? { id: newId(), exerciseId: loads.exerciseId }),
    ...(entry.note == null ? {} : { note: entry.note }),
    sets: [
      ...warmUps,
      ...written.map(({ count: _, restSeconds, ...planned }, index): TrainingSet => {
        const kg = planned.percent == null ? planned.kg : loads.sets[index]!.kg;
        // A rest that the cycle leaves open is the session's own.
        const rest = restSeconds ?? working[index]?.restSeconds;
        return {
          id: working[index]?.id ?? newId(),
          ...(rest == null ? {} : { restSeconds: rest }),
          planned: { ...planned, ...(kg == null ? {} : { kg }) },
        };
      }),
    ],
  };
}

/** Whether two plans of a session ask for the same, whatever their ids. */
function isSamePlan(a: Session, b: Session): boolean {
  const plan = ({ items }: Session) =>
    JSON.stringify(
      (items ?? []).map(({ exerciseId, note, sets }) => [
        exerciseId,
        note ?? null,
        sets.map(({ warmUp, restSeconds, planned }) => [
          warmUp ?? false,
          restSeconds ?? null,
          // Of a load that is written, it says nothing which share of a maximum it is.
          Object.entries(planned ?? {})
            .filter(([name, value]) => value != null && !(name === "percent" && planned?.kg != null))
            .sort(([one], [other]) => (one < other ? -1 : 1)),
        ]),
      ]),
    );
  return plan(a) === plan(b);
}
