/** What loads of a cycle can be rounded to; each exercise's own step besides. */
export const roundings = ["own", "1 kg", "1.25 kg", "2.5 kg", "5 kg", "2.5 lb", "5 lb", "10 lb"] as const;

/** The fields of a cycle's training days, Monday first. */
export const weekdayFields = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"] as const;

/** The rounding of a cycle as its form chooses it; what is rounded otherwise by hand stays so until it is chosen anew. */
export function roundingField(rounding: { kg?: unknown; lb?: unknown } | null | undefined): (typeof roundings)[number] {
  if (rounding == null) return "own";
  const text = typeof rounding.lb === "number" ? `${rounding.lb} lb` : `${String(rounding.kg)} kg`;
  return roundings.find((one) => one === text) ?? "own";
}
