import type { Routine } from "../log/kinds/routines";
import type { Item, Session } from "../log/kinds/sessions";

/** What a session is made of where it has no day: a routine, or what stands in a standard week alone. */
export type DaylessSession = Pick<Routine, "kind" | "minutes" | "effort" | "items" | "distance"> & {
  title?: string | null;
  instructor?: string | null;
  links?: string[] | null;
};

/** What a session made of something without a day holds, apart from its day and where it is from. */
export function plannedOn(
  { kind, title, minutes, effort, items, distance, instructor, links }: DaylessSession,
  held: Session | undefined,
  newId: () => string,
): Pick<Session, "kind"> & Partial<Session> {
  const { planned, purpose, steps } = distance ?? {};
  return {
    kind: kind ?? (items == null ? "training" : "strength"),
    ...(title == null ? {} : { title }),
    ...expected({ minutes, effort }),
    ...(planned == null && purpose == null
      ? {}
      : { distance: { ...(planned == null ? {} : { planned }), ...(purpose == null ? {} : { purpose }) } }),
    ...(steps == null ? {} : { steps }),
    ...(instructor == null ? {} : { instructor }),
    ...(links == null ? {} : { links }),
    ...(items == null
      ? {}
      : {
          items: items.map((item, at) =>
            withIds(item, newId, held?.items?.[at]?.exerciseId === item.exerciseId ? held.items[at] : undefined),
          ),
        }),
  };
}

/** The minutes and the effort that are planned of a session; nothing where neither is. */
export function expected({
  minutes,
  effort,
}: {
  minutes?: number | null | undefined;
  effort?: number | null | undefined;
}): Pick<Session, "planned"> {
  if (minutes == null && effort == null) return {};
  return { planned: { ...(minutes == null ? {} : { minutes }), ...(effort == null ? {} : { effort }) } };
}

/** An exercise without a day as one of a session: with the ids it has there, else new ones. */
export function withIds(item: NonNullable<Routine["items"]>[number], newId: () => string, held?: Item): Item {
  return {
    ...item,
    id: held?.id ?? newId(),
    sets: item.sets.map((set, index) => ({ ...set, id: held?.sets[index]?.id ?? newId() })),
  };
}
