/** The head of a column of the ledger. Those with a `why` are derived: they cannot be typed over, and say why. */
export interface ColumnHead {
  id: string;
  title: string;
  unit?: "mass" | "distance" | "energy" | "g" | "ml";
  /** Whether it holds words, to be read from the left. */
  words?: true;
  why?: string;
}
