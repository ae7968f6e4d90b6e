import { dateOf, type Day, mustDay } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import type { Block } from "../log/kinds/blocks";
import { type Adherence, countsAsPlanned, effectiveStatus } from "../sessions/adherence";
import { sessionsOf } from "../sessions/slice";
import { liftWorkOf } from "../strength/workSlice";
import { type BlockCourse, blockCourse } from "./blocks";
import { type SessionLine, sessionLines } from "./nextWeekView";
import { phaseStanding, type PhaseProgress } from "./phase";
import type { PlannedSum } from "./proposal";
import { planningOf } from "./slice";
import { doneSum, plannedSum } from "./sums";

/** A week of a block: seven days from its first day on. */
export interface BlockWeek {
  week: number;
  start: string;
  easy: boolean;
  adherence: Adherence;
  toCome: number;
  planned: PlannedSum;
  done: PlannedSum;
  averageIntensity: number | null;
  sessions: SessionLine[];
}

export interface BlockView {
  block: Block;
  course: BlockCourse;
  to: string;
  phase: { id: string; name: string } | null;
  /** What a phase is judged by, as it stood when the block began and at its end, or now. */
  measures: { progress: PhaseProgress; atStart: number | null }[];
  weeks: BlockWeek[];
  /** A block like this one, after it. */
  next: Block;
}

/** A block with its weeks; `view` is null when it is not in the log. */
export function blockView(asOf: AsOf, blockId: string): { view: BlockView | null } {
  const block = planningOf(asOf)
    .blocks()
    .find(({ id }) => id === blockId);
  if (block === undefined) return { view: null };
  const course = blockCourse(block, asOf.on);
  const phase = phaseOf(asOf, block, course);
  const count = Math.ceil(block.days / 7);
  const { id: _id, revision: _revision, changed: _changed, note: _note, ...copied } = block;
  return {
    view: {
      block,
      course,
      to: dateOf(course.last),
      phase: phase === null ? null : { id: phase.id, name: phase.name },
      measures:
        phase === null || course.state === "ahead"
          ? []
          : phaseStanding(asOf, phase).measures.map((progress, index) => ({
              progress,
              atStart: phaseStandingOn(asOf, phase, course.first)[index]?.now ?? null,
            })),
      weeks: Array.from({ length: count }, (_, index) => weekOf(asOf, block, course, index)),
      next: { ...copied, id: "", startDate: dateOf(course.last + 1) },
    },
  };
}

/** The phase a block is of: as it says, else the one that runs on its first day. */
function phaseOf(asOf: AsOf, { phaseId }: Block, { first }: BlockCourse) {
  const phases = planningOf(asOf).phases();
  return (
    phases.find(({ id }) => id === phaseId) ??
    phases.find((phase) => {
      const its = blockCourse(phase, asOf.on);
      return its.first <= first && first <= its.last;
    }) ??
    null
  );
}

/** What a phase is judged by as it stood on an earlier day of it: the same phase, cut there. */
function phaseStandingOn(asOf: AsOf, phase: Parameters<typeof phaseStanding>[1], day: Day): PhaseProgress[] {
  const days = Math.max(1, day - mustDay(phase.startDate) + 1);
  return phaseStanding(asOf, { ...phase, days: Math.min(days, phase.days) }).measures;
}

function weekOf(asOf: AsOf, { easyWeeks }: Block, { first, last }: BlockCourse, index: number): BlockWeek {
  const start = first + 7 * index;
  const end = Math.min(last, start + 6);
  const sessions = sessionsOf(asOf).between(start, end);
  const { volume } = liftWorkOf(asOf).of(sessions);
  const due = sessions.filter(
    (session) => countsAsPlanned(session, asOf.on) || effectiveStatus(session, asOf.on) === "planned",
  );
  return {
    week: index + 1,
    start: dateOf(start),
    easy: (easyWeeks ?? []).includes(index + 1),
    adherence: sessionsOf(asOf).adherence(start, end),
    toCome: sessions.filter((session) => effectiveStatus(session, asOf.on) === "planned").length,
    planned: plannedSum(asOf, due),
    done: doneSum(asOf, sessions, volume),
    averageIntensity: volume.averageIntensity,
    sessions: sessions.map(sessionLines(asOf)),
  };
}
