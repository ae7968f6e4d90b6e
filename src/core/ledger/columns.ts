/** The columns of the ledger in their first order. Those with a `why` are derived: they cannot be typed over, and say why. */
export const ledgerColumns = [
  { id: "weight", title: "Weight", unit: "mass" },
  { id: "time", title: "Time" },
  { id: "influence", title: "What influenced it", words: true },
  { id: "trend", title: "Trend", unit: "mass", why: "The trend is computed from all weigh-ins." },
  { id: "plan", title: "Plan", unit: "mass", why: "The plan line is computed from the goal." },
  { id: "against", title: "Against plan", unit: "mass", why: "It is the trend less the plan line." },
  { id: "sessions", title: "Sessions", words: true, why: "Sessions are written in the day's view or the quick-entry line." },
  { id: "volume", title: "Volume load", unit: "mass", why: "Volume load is computed from the sets performed." },
  { id: "distance", title: "Distance", unit: "distance", why: "Distance is the sum over the day's sessions." },
  { id: "energy", title: "Eaten", unit: "energy", why: "What was eaten is the sum of the day's meals." },
  { id: "protein", title: "Protein", unit: "g", why: "Protein is the sum of the day's meals." },
  { id: "water", title: "Water", unit: "ml", why: "Water is the sum of what was written that day." },
  { id: "note", title: "Note of the day", words: true },
] as const satisfies readonly { id: string; title: string; unit?: "mass" | "distance" | "energy" | "g" | "ml"; words?: true; why?: string }[];

export type LedgerColumn = (typeof ledgerColumns)[number];
export type LedgerColumnId = LedgerColumn["id"];

export const ledgerColumn = new Map<string, LedgerColumn>(ledgerColumns.map((column) => [column.id, column]));

/** Why a column cannot be typed into; null when it can. */
export function whyDerived(id: LedgerColumnId): string | null {
  const column = ledgerColumn.get(id)!;
  return "why" in column ? column.why : null;
}
