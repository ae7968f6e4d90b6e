/** The columns of the ledger in their first order. Those with a `why` are derived: they cannot be typed over, and say why. */
export const ledgerColumns = [
  { id: "weight", title: "Weight", unit: "mass" },
  { id: "time", title: "Time" },
  { id: "second", title: "Second weigh-in", unit: "mass" },
  { id: "influence", title: "What influenced it", words: true },
  { id: "trend", title: "Trend", unit: "mass", why: "The trend is computed from all weigh-ins." },
  { id: "rate", title: "Rate a week", unit: "mass", why: "The rate is the trend's own on that day." },
  { id: "step", title: "From the day before", unit: "mass", why: "It is the weight less that of the day before." },
  {
    id: "median",
    title: "Week's median",
    unit: "mass",
    why: "The median is that of the week's mornings; it stands on the week's last day.",
  },
  {
    id: "mean",
    title: "Week's mean",
    unit: "mass",
    why: "The mean is that of the week's mornings; it stands on the week's last day.",
  },
  {
    id: "seven",
    title: "7-day mean",
    unit: "mass",
    why: "It is the mean of the mornings of the seven days up to this one.",
  },
  { id: "plan", title: "Plan", unit: "mass", why: "The plan line is computed from the goal." },
  { id: "against", title: "Against plan", unit: "mass", why: "It is the trend less the plan line." },
  {
    id: "sessions",
    title: "Sessions",
    words: true,
    why: "Sessions are written in the day's view or the quick-entry line.",
  },
  { id: "volume", title: "Volume load", unit: "mass", why: "Volume load is computed from the sets performed." },
  { id: "distance", title: "Distance", unit: "distance", why: "Distance is the sum over the day's sessions." },
  { id: "energy", title: "Eaten", unit: "energy", why: "What was eaten is the sum of the day's meals." },
  { id: "protein", title: "Protein", unit: "g", why: "Protein is the sum of the day's meals." },
  { id: "water", title: "Water", unit: "ml", why: "Water is the sum of what was written that day." },
  { id: "note", title: "Note of the day", words: true },
] as const satisfies readonly {
  id: string;
  title: string;
  unit?: "mass" | "distance" | "energy" | "g" | "ml";
  words?: true;
  why?: string;
}[];

type OwnColumnId = (typeof ledgerColumns)[number]["id"];
/** A column of the ledger; every measure is one, typed into like the others. */
export type LedgerColumnId = OwnColumnId | `measure ${string}`;

/** What a measure's column needs to know of it. */
export interface MeasureNames {
  id: string;
  name: string;
  unit: string;
}

export interface LedgerColumn {
  id: LedgerColumnId;
  title: string;
  unit: "mass" | "distance" | "energy" | { own: string } | null;
  words: boolean;
  why: string | null;
}

/** The measure of a column; null when the column is not one of a measure. */
export function measureOf(id: LedgerColumnId): string | null {
  return id.startsWith("measure ") ? id.slice("measure ".length) : null;
}

/** Every column there is: the ledger's own, then the measures. */
export function allColumns(measures: readonly MeasureNames[]): Map<LedgerColumnId, LedgerColumn> {
  const own = ledgerColumns.map((column): LedgerColumn => {
    const unit = "unit" in column ? column.unit : null;
    return {
      id: column.id,
      title: column.title,
      unit: unit === "g" || unit === "ml" ? { own: unit } : unit,
      words: "words" in column,
      why: "why" in column ? column.why : null,
    };
  });
  return new Map(
    [
      ...own,
      ...measures.map(({ id, name, unit }): LedgerColumn => ({
        id: `measure ${id}`,
        title: name,
        unit: unit === "" ? null : { own: unit },
        words: false,
        why: null,
      })),
    ].map((column) => [column.id, column]),
  );
}
