import type { Printer } from "../base/units/printer";
import type { Session } from "../log/kinds/sessions";

export type Part = NonNullable<Session["steps"]>[number];

/** How often a part is to be done. */
export function timesOf({ times }: Part): number {
  return times ?? 1;
}

/** A part in words: `6 × 800 m at 4:10 /km, rest 2:00`. */
export function partText(part: Part, kind: string, printer: Printer): string {
  const covered = ({ metres, seconds }: { metres?: number | null | undefined; seconds?: number | null | undefined }) =>
    [
      metres == null ? "" : printer.distanceOf(kind, metres),
      seconds == null ? "" : `${metres == null ? "" : "in "}${printer.duration(seconds)}`,
    ]
      .filter(Boolean)
      .join(" ");
  const { secondsPerKm, watts, effort } = part.target ?? {};
  const rest = part.rest == null ? "" : covered(part.rest);
  return [
    [
      timesOf(part) > 1 ? `${timesOf(part)} × ` : "",
      covered(part) || "as it comes",
      secondsPerKm == null ? "" : ` at ${printer.paceOf(kind, secondsPerKm)}`,
      watts == null ? "" : ` at ${Math.round(watts)} W`,
      effort == null ? "" : `, effort ${effort}`,
    ].join(""),
    rest === "" ? "" : `rest ${rest}`,
    part.note ?? "",
  ]
    .filter(Boolean)
    .join(", ");
}

/** The parts with nothing ticked of them. */
export function untickedParts(parts: Session["steps"]): Part[] {
  return (parts ?? []).map(({ done: _, ...part }) => part);
}

/** A session with every part done as often as planned. */
export function withAllParts(session: Session): Session {
  if (session.steps == null) return session;
  return { ...session, steps: session.steps.map((part) => ({ ...part, done: timesOf(part) })) };
}

/**
 * A session with a part done so many times. The first tick makes it partly done; the last one makes it done, its distance as
 * planned where none is written; with the last tick taken back it is planned again.
 */
export function withPartDone(session: Session, index: number, done: number): Session {
  const steps = (session.steps ?? []).map((part, at) => (at === index ? { ...part, done } : part));
  const next = { ...session, steps };
  if (steps.every((part) => (part.done ?? 0) >= timesOf(part))) {
    const { distance } = session;
    return {
      ...next,
      status: "done",
      ...(distance?.planned != null && distance.done == null
        ? { distance: { ...distance, done: { ...distance.planned } } }
        : {}),
    };
  }
  if (steps.some((part) => (part.done ?? 0) > 0)) return { ...next, status: "partly" };
  return session.status === "partly" && session.distance?.done == null ? { ...next, status: "planned" } : next;
}
