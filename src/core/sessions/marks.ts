/** The outlines with which a kind of activity can be drawn. */
export const markNames = ["square", "circle", "triangle", "diamond", "hexagon", "shield", "cross", "ring"] as const;

/** The colours of the house that a kind can be given. */
export const markColours = ["pine", "plum", "ink", "slate", "oat"] as const;

/**
 * The outline of a kind: its own where one was chosen and is known, else strength a square, rowing a circle, running a
 * triangle, anything else a diamond.
 */
export function markOf(kind: string, chosen: string | null): (typeof markNames)[number] {
  const own = markNames.find((one) => one === chosen);
  if (own !== undefined) return own;
  return kind === "strength" ? "square" : kind === "row" ? "circle" : kind === "run" ? "triangle" : "diamond";
}
