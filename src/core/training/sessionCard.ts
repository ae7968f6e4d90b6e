import { dateOf, mustDay } from "../base/calendar/day";
import type { Printer } from "../base/units/printer";
import type { AsOf } from "../log/asOf";
import type { Exercise } from "../log/kinds/exercises";
import type { Item, Session, TrainingSet } from "../log/kinds/sessions";
import { askedItems } from "../sessions/firstPlan";
import { effectiveStatus } from "../sessions/adherence";
import { type Covered, coveredIn, pacePerKm } from "../sessions/covered";
import { setsIn } from "../sessions/sets";
import { partText, timesOf } from "../sessions/parts";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { describeSets, describeWarmUps, supersetOf } from "../strength/describe";
import { liftingOf } from "../strength/lifting";
import { dayOf, lastWorking } from "../strength/liftRun";
import { daysBack } from "../strength/maximum";
import { strengthOf } from "../strength/slice";
import { workOf } from "../strength/volume";
import { isAsPlanned } from "./perform";

export interface LastTime {
  date: string;
  sessionId: string;
  text: string;
}

/** One exercise of a session as a view shows it. */
export interface CardItem {
  id: string;
  exerciseId: string;
  /** The exercise; null when it is no longer in the log. */
  exercise: Exercise | null;
  name: string;
  planned: string;
  done: string;
  /** All its working sets were done just as planned. */
  asPlanned: boolean;
  /** The warm-ups, as done, or as planned while none is; empty without any. */
  warmUps: string;
  superset: string | null;
  /** What was done the last time before this session. */
  last: LastTime | null;
  sets: TrainingSet[];
  /** Loads of planned sets that were worked out from a percentage or an effort, by set id. */
  worked: Record<string, number>;
  skipped: string | null;
  note: string | null;
}

/** A session as a view shows it, with the record itself for changing it. */
export interface SessionCard {
  session: Session;
  status: Session["status"];
  title: string;
  items: CardItem[];
  /** The parts of it, in words, with how often each is to be done and was. */
  parts: { text: string; times: number; done: number }[];
  planned: Covered | null;
  done: Covered | null;
  secondsPerKm: number | null;
  plannedSecondsPerKm: number | null;
  volumeLoadKg: number;
  numberOfLifts: number;
  photos: { id: string; file: string; date: string }[];
}

export function sessionCard(asOf: AsOf, session: Session): SessionCard {
  const printer = asOf.printer;
  const { volumeLoadKg, numberOfLifts } = workOf(strengthOf(asOf).setsOf(session), strengthOf(asOf).counting());
  const planned = coveredIn(session.distance?.planned);
  const done = coveredIn(session.distance?.done);
  return {
    session,
    status: effectiveStatus(session, asOf.on),
    title: titleOf(session),
    parts: (session.steps ?? []).map((part) => ({
      text: partText(part, session.kind, printer),
      times: timesOf(part),
      done: part.done ?? 0,
    })),
    items: (session.items ?? []).map((item, at, items) => {
      // What was swapped on the day stands as planned where it was: with the exercise that was left.
      const instead = items[at + 1]?.insteadOf;
      const asked = instead != null && item.insteadOf == null ? askedItems([item, items[at + 1]!]) : [item];
      const exercise = strengthOf(asOf).exercises().get(item.exerciseId);
      const worked = exercise ? workedLoads(asOf, exercise, item.sets, session.date) : {};
      return {
        id: item.id,
        exerciseId: item.exerciseId,
        exercise: exercise ?? null,
        name: exercise?.name ?? item.exerciseId,
        planned:
          item.insteadOf == null
            ? describeSets(asked[0]!.sets, "planned", exercise, printer, worked)
            : `${item.insteadOf.exerciseId === items[at - 1]?.exerciseId ? "" : `${plannedOf(asOf, item)}, `}swapped on the day`,
        done: describeSets(item.sets, "done", exercise, printer),
        asPlanned: item.sets.every((set) => set.warmUp || isAsPlanned(set, worked[set.id])),
        superset: supersetOf(item),
        warmUps: describeWarmUps(
          item.sets,
          item.sets.some(({ warmUp, done }) => warmUp && done) ? "done" : "planned",
          exercise,
          printer,
        ),
        last: lastTime(asOf, session, item.exerciseId, printer),
        sets: item.sets,
        note: item.note ?? null,
        worked,
        skipped: item.skipped ?? null,
      };
    }),
    planned,
    done,
    secondsPerKm: done && pacePerKm([done]),
    plannedSecondsPerKm: planned && pacePerKm([planned]),
    volumeLoadKg,
    numberOfLifts,
    photos: (session.photoIds ?? []).flatMap((id) => {
      const photo = asOf.log.index.all("photos").get(id);
      return photo ? [{ id, file: photo.file, date: photo.date }] : [];
    }),
  };
}

/** What was planned of an exercise that was swapped on the day, with its name. */
function plannedOf(asOf: AsOf, item: Item): string {
  const [{ exerciseId, sets }] = askedItems([item]) as [Pick<Item, "exerciseId" | "sets">];
  const exercise = strengthOf(asOf).exercises().get(exerciseId);
  return `${exercise?.name ?? exerciseId} ${describeSets(sets, "planned", exercise, asOf.printer)}`.trim();
}

function workedLoads(
  asOf: AsOf,
  exercise: Exercise,
  sets: readonly TrainingSet[],
  date: string,
): Record<string, number> {
  return Object.fromEntries(
    sets.flatMap(({ id, planned }) => {
      if (planned == null || planned.kg != null || (planned.percent == null && planned.rpe == null)) return [];
      const target = liftingOf(asOf).target(exercise, planned, mustDay(date));
      return "reason" in target || target.kg === null ? [] : [[id, target.kg]];
    }),
  );
}

/** The last time an exercise was worked before a session, on an earlier day; null when it never was. */
export function lastTime(asOf: AsOf, session: Session, exerciseId: string, printer: Printer): LastTime | null {
  const before = mustDay(session.date);
  for (const {
    part: { run },
    index,
  } of daysBack(strengthOf(asOf).courseOf(exerciseId))) {
    const [day, sessionId] = [dayOf(run, index), lastWorking(run, index)];
    if (day < before && sessionId !== null)
      return {
        date: dateOf(day),
        sessionId,
        text: describeSets(
          setsIn(sessionsOf(asOf).find(day, sessionId), exerciseId),
          "done",
          strengthOf(asOf).exercises().get(exerciseId),
          printer,
        ),
      };
  }
  return null;
}

/** The latest session before a day in which something was lifted; null when there is none. */
export function lastLifted(asOf: AsOf, date: string): Session | null {
  const before = mustDay(date);
  for (const day of [...sessionsOf(asOf).pastDays()].reverse()) {
    const session =
      day < before
        ? sessionsOf(asOf)
            .on(day)
            .findLast(
              ({ kind, items }) => kind === "strength" && items?.some(({ sets }) => sets.some(({ done }) => done)),
            )
        : undefined;
    if (session) return session;
  }
  return null;
}
