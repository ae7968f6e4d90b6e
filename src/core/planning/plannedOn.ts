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
    ...(minutes == null && effort == null
      ? {}
      : { planned: { ...(minutes == null ? {} : { minutes }), ...(effort == null ? {} : { effort }) } }),
    ...(planned == null && purpose == null
      ? {}
      : { distance: { ...(planned == null ? {} : { planned }), ...(purpose == null ? {} : { purpose }) } }),
    ...(steps == null ? {} : { steps }),
    ...(instructor == null ? {} : { instructor }),
    ...(links == null ? {} : { links }),
    ...(items == null
      ? {}
      : {
          items: items.map((item, at): Item => {
            const own = held?.items?.[at]?.exerciseId === item.exerciseId ? held.items[at] : undefined;
            return {
              ...item,
              id: own?.id ?? newId(),
              sets: item.sets.map((set, index) => ({ ...set, id: own?.sets[index]?.id ?? newId() })),
            };
          }),
        }),
  };
}
