import { mustDay } from "../base/calendar/day";
import { groupBy } from "../base/calendar/groupBy";
import { folded } from "../base/text";
import { creditOf } from "../energy/expenditure";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { adherence, type Adherence, countsAsPlanned, wasPerformed } from "../sessions/adherence";
import { ownKinds } from "../sessions/kindsView";
import { sessionsOf } from "../sessions/slice";
import type { PlannedSum } from "../planning/proposal";
import { doneSum, plannedSum } from "../planning/sums";

/** How much of the plan was done of one kind of activity, or of a category of them. */
export interface PlanDoneLine {
  name: string;
  adherence: Adherence;
  /** Optional sessions: how many there were, and how many of them were done. */
  optional: { of: number; done: number };
  planned: PlannedSum;
  done: PlannedSum;
  /** Net energy of what was done, kilocalories; null where nothing of it is known. */
  kcal: number | null;
}

export interface PlanDone {
  kinds: PlanDoneLine[];
  /** The same by category, of kinds that have one. */
  categories: PlanDoneLine[];
  total: PlanDoneLine;
}

/** How much of the plan was done over some days, up to today: by kind of activity and by category of the trainee's own. */
export function planDone(asOf: AsOf, { from, to }: { from: string; to: string }): PlanDone {
  const sessions = sessionsOf(asOf).between(mustDay(from), Math.min(mustDay(to), asOf.on));
  const categoryOf = new Map(
    ownKinds(asOf.log).flatMap(({ name, category }) => (category ? [[folded(name), category as string] as const] : [])),
  );
  const away = sessionsOf(asOf).awayFrom(mustDay(from), Math.min(mustDay(to), asOf.on));
  const by = (nameOf: (session: Session) => string | undefined) => {
    const names = new Set([...sessions, ...away].map(nameOf).filter((name) => name !== undefined));
    const named = (of: readonly Session[]) => groupBy(of, (session) => nameOf(session) ?? "");
    const [held, left] = [named(sessions), named(away)];
    return [...names]
      .map((name) => lineOf(asOf, name, held.get(name) ?? [], left.get(name) ?? []))
      .sort((a, b) => b.done.minutes - a.done.minutes || (a.name < b.name ? -1 : 1));
  };
  return {
    kinds: by(({ kind }) => kind),
    categories: by(({ kind }) => categoryOf.get(folded(kind))),
    total: lineOf(asOf, "in all", sessions, away),
  };
}

function lineOf(asOf: AsOf, name: string, sessions: readonly Session[], away: readonly Session[]): PlanDoneLine {
  const performed = sessions.filter((session) => wasPerformed(session, asOf.on));
  const optional = sessions.filter((one) => one.optional === true);
  // What was said to be skipped was planned all the same.
  const asked = sessions.filter((session) => countsAsPlanned(session, asOf.on));
  const credits = performed.flatMap((session) => {
    const credit = creditOf(asOf, session, mustDay(session.date));
    return "reason" in credit ? [] : [credit.kcal];
  });
  return {
    name,
    adherence: adherence(sessions, asOf.on, away),
    optional: { of: optional.length, done: optional.filter((one) => wasPerformed(one, asOf.on)).length },
    planned: plannedSum(asOf, asked),
    done: doneSum(asOf, sessions),
    kcal: credits.length === 0 ? null : credits.reduce((sum, kcal) => sum + kcal, 0),
  };
}
