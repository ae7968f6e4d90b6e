import { compare, folded } from "../base/text";
import { memo, perOwner } from "../base/memo";
import type { AsOf } from "../log/asOf";
import type { ActivityKind } from "../log/kinds/activityKinds";
import { type Log } from "../log/log";
import { sessionsOf } from "./slice";

/** A kind of activity: how often it stands in the log, and what the trainee has chosen for it. */
export interface KindLine {
  name: string;
  sessions: number;
  record: ActivityKind | null;
}

/** Every kind that is used or was written, the most used first. */
export function kindsView(asOf: AsOf): { kinds: KindLine[] } {
  const counts = new Map<string, number>();
  for (const { kind } of sessionsOf(asOf).between(-Infinity, Infinity)) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  const records = ownKinds(asOf.log);
  for (const { name } of records)
    if (![...counts.keys()].some((one) => folded(one) === folded(name))) counts.set(name, 0);
  return {
    kinds: [...counts]
      .map(([name, sessions]) => ({
        name,
        sessions,
        record: kindsOf(asOf)(name) ?? null,
      }))
      .sort((a, b) => b.sessions - a.sessions || compare(a.name, b.name)),
  };
}

/** What was written of a kind of activity, by its name. */
export const kindsOf = perOwner((asOf: AsOf) => {
  const byName = memo(
    asOf.log.index,
    () => new Map([...asOf.log.index.all("kinds").values()].map((kind) => [folded(kind.name), kind])),
  );
  return (name: string): ActivityKind | undefined => byName().get(folded(name));
});

/** The kinds of activity that were written, by name. */
export function ownKinds(log: Log): ActivityKind[] {
  return [...log.index.all("kinds").values()].sort((a, b) => compare(a.name, b.name));
}
